using Kondiba.Core.Logbook;
using Kondiba.Web.Hosting;
using NodaTime.Text;

namespace Kondiba.Web.Formats;

/// <summary>
/// The logbook as CSV, RFC 4180: a row for each kind of piece in a batch, the rows of one batch under the same number. What is of the batch
/// as a whole is read from its first row.
/// </summary>
internal static class LogbookCsv
{
    private static readonly string[] Columns =
    [
        "batch", "made on", "order", "coating", "colour", "centre", "size", "depth", "coats", "made", "spoilt", "vessel", "thinner",
        "before", "added", "after", "bags", "dipped at", "room", "humidity", "method", "melt minutes", "dip minutes", "set in",
        "touch dry", "hard", "film", "wrong", "note", "change", "left out",
    ];

    private static readonly string[] NeededColumns = ["batch", "made on", "coating", "colour", "centre", "size", "made"];

    public static string Write(IEnumerable<Batch> batches) =>
        CsvFile.Write(Columns, batches.Index().SelectMany(b => b.Item.Pieces.Select(pieces => Row(b.Index + 1, b.Item, pieces))));

    private static object?[] Row(int number, Batch b, BatchPieces p)
    {
        var drying = b.Drying is [var first, ..] ? first : null;
        return
        [
            number, LocalDatePattern.Iso.Format(b.MadeOn), b.Order, b.Coating, b.Colour,
            p.Centre, p.Size, p.Depth, p.Coats, p.Made, p.Spoilt,
            b.Vessel, b.Thinner, b.Before, b.Added, b.After, b.Bags, b.DippedAt, b.Room, b.Humidity, b.Method, b.MeltMinutes, b.DipMinutes,
            drying?.Place, drying?.TouchDry, drying?.Hard, b.Film is { } film ? OrdersCsv.Camel(film) : null,
            string.Join("; ", b.Wrong.Select(w => w.Sign)), b.Note, b.Change, b.LeftOut ? "yes" : "no",
        ];
    }

    /// <summary>Reads the batches, each with the line it begins on; the same ones when sent again under the same key.</summary>
    public static (IReadOnlyList<(int Line, Guid Id, Batch Batch)> Batches, IReadOnlyList<ImportProblem> Problems) Read(
        string text, Guid? key)
    {
        var problems = new List<ImportProblem>();
        var (csv, unreadable) = CsvFile.Open(text, NeededColumns, "formats.column-missing-export-logbook");
        using var file = csv;
        if (unreadable is not null)
            return ([], [unreadable]);
        var batches = new List<(int Line, Guid Id, Batch Batch)>();
        string? last = null;
        while (csv.Read())
        {
            var cells = new OrdersCsv.Cells(csv, problems);
            var pieces = new BatchPieces(
                cells.Text("centre"), cells.Text("size"), cells.Number("depth") ?? 1, cells.Int("made") ?? 0, cells.Int("spoilt") ?? 0,
                cells.Int("coats") ?? 1);
            var number = cells.Text("batch");
            if (number == last && batches.Count > 0)
            {
                var (line, id, batch) = batches[^1];
                batches[^1] = (line, id, batch with { Pieces = [.. batch.Pieces, pieces] });
            }
            else
            {
                batches.Add((cells.At, SentKey.IdOf(key, batches.Count), BatchOf(cells, pieces)));
            }

            last = number;
        }

        return (batches, problems);
    }

    private static Batch BatchOf(OrdersCsv.Cells cells, BatchPieces pieces) => new()
    {
        MadeOn = cells.Date("made on") ?? default,
        Order = TextOrNull("order", cells),
        Coating = cells.Text("coating"),
        Colour = cells.Text("colour"),
        Pieces = [pieces],
        Vessel = TextOrNull("vessel", cells),
        Thinner = TextOrNull("thinner", cells),
        Before = cells.Number("before"),
        Added = cells.Number("added"),
        After = cells.Number("after"),
        Bags = cells.Number("bags"),
        DippedAt = cells.Number("dipped at"),
        Room = cells.Number("room"),
        Humidity = cells.Number("humidity"),
        Method = TextOrNull("method", cells),
        MeltMinutes = cells.Number("melt minutes"),
        DipMinutes = cells.Number("dip minutes"),
        Drying = TextOrNull("set in", cells) is { } place ? [new(place, cells.Number("touch dry"), cells.Number("hard"))] : [],
        Film = cells.Text("film").Length == 0 ? null : cells.Enum("film", FilmLook.Right),
        Wrong = [.. cells.List("wrong").Select(sign => new BatchTrouble(sign))],
        Note = TextOrNull("note", cells),
        Change = TextOrNull("change", cells),
        LeftOut = cells.Bool("left out") ?? false,
    };

    private static string? TextOrNull(string column, OrdersCsv.Cells cells) => cells.Text(column) is { Length: > 0 } text ? text : null;
}

using System.Globalization;
using System.Text.Json;
using CsvHelper;
using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using Kondiba.Core.Wording;
using Kondiba.Data;
using NodaTime;
using NodaTime.Text;

namespace Kondiba.Web.Formats;

/// <summary>
/// Orders as CSV, RFC 4180: a row for each line of an order, the order's own columns on its first row and on every further one the
/// number, or nothing. What has an inner form of its own (packing, pots, decor) is a cell of JSON.
/// </summary>
internal static class OrdersCsv
{
    private static readonly string[] OrderColumns =
    [
        "number", "name", "client", "contact", "pickup", "handover", "place", "state", "template", "notes", "allergies", "margin",
        "palette", "packing",
        "price by", "price", "deposit", "payments", "pots", "schools",
    ];

    private static readonly string[] LineColumns = [
        "centre",
        "size",
        "amount",
        "counted in",
        "coating",
        "colour",
        "depth",
        "coats",
        "at once",
        "upright",
        "look",
        "decor",
        "making",
    ];

    private static readonly string[] NeededColumns = ["name", "pickup", "centre", "size", "amount", "coating", "colour", "depth"];

    private static readonly LocalDateTimePattern Pickup = LocalDateTimePattern.ExtendedIso;

    // As it is written, and as a sheet makes it.
    private static readonly LocalDateTimePattern[] Pickups =
        [Pickup, LocalDateTimePattern.CreateWithInvariantCulture("uuuu-MM-dd HH:mm")];

    /// <summary>An order of the file.</summary>
    /// <param name="Number">Its number; null for a new one.</param>
    /// <param name="Line">Line of the file that it begins on.</param>
    /// <param name="Lines">Line of the file of each of its lines.</param>
    public sealed record Row(
        int? Number, int Line, IReadOnlyList<int> Lines, OrderDraft Order, OrderState State, bool IsTemplate);

    public static string Write(IEnumerable<Order> orders) =>
        CsvFile.Write(OrderColumns.Concat(LineColumns), orders.SelectMany(Rows));

    private static IEnumerable<IReadOnlyList<object?>> Rows(Order order)
    {
        var draft = order.ToDraft();
        foreach (var (i, line) in draft.Lines.Cast<LineDraft?>().DefaultIfEmpty().Index())
        {
            IEnumerable<object?> fields =
            [
                .. i == 0 ? Fields(order, draft) : [order.Number, .. Enumerable.Repeat<object?>(null, OrderColumns.Length - 1)],
                .. line is null ? Enumerable.Repeat<object?>(null, LineColumns.Length) : Fields(line),
            ];
            yield return [.. fields.Select(Cell)];
        }
    }

    /// <summary>Reads the rows as orders; what cannot be read is told by its line and column.</summary>
    public static (IReadOnlyList<Row> Rows, IReadOnlyList<ImportProblem> Problems) Read(string text)
    {
        var (orders, problems) = (new List<Row>(), new List<ImportProblem>());

        // Lines of the order that is being read: of the file, and as ordered.
        List<int> at = [];
        List<LineDraft> lines = [];
        var (csv, unreadable) = CsvFile.Open(text, NeededColumns, "formats.column-missing-export-orders");
        using var file = csv;
        if (unreadable is not null)
            return ([], [unreadable]);
        problems.AddRange(csv.HeaderRecord!.Except(OrderColumns)
            .Except(LineColumns)
            .Select(c => new ImportProblem(1, c, "formats.such-column-leave-out")));

        while (csv.Read())
        {
            var cells = new Cells(csv, problems);
            var number = cells.Int("number");
            var further = number is not null && orders.LastOrDefault()?.Number == number && cells.Text("name").Length == 0;
            var line = cells.Text("centre").Length > 0 ? Line(cells) : null;
            if (further)
            {
                if (line is not null)
                {
                    at.Add(cells.At);
                    lines.Add(line);
                }

                continue;
            }

            at = line is null ? [] : [cells.At];
            lines = line is null ? [] : [line];
            orders.Add(new(
                number,
                cells.At,
                at,
                Order(cells, lines),
                cells.Enum("state", OrderState.Asked),
                cells.Bool("template") ?? false));
        }

        return (orders, problems);
    }

    /// <summary>The column of a field that Core found wrong.</summary>
    public static (int Line, string Column) Where(Row row, string field)
    {
        if (!field.StartsWith("lines[", StringComparison.Ordinal))
            return (row.Line, field.StartsWith("price", StringComparison.Ordinal) ? "price" : field.Split('.', '[')[0]);
        var close = field.IndexOf(']', StringComparison.Ordinal);
        var index = int.Parse(field.AsSpan(6, close - 6), CultureInfo.InvariantCulture);
        return (row.Lines[index], field.Length > close + 2
            ? field[(close + 2)..].Split('.')[0] switch { "countedIn" => "counted in", "atOnce" => "at once", var name => name }
            : "");
    }

    private static object?[] Fields(Order order, OrderDraft d) =>
    [
        order.Number,
        d.Name,
        d.Client,
        d.Contact,
        d.Pickup is { } pickup ? Pickup.Format(pickup) : null,
        Camel(d.Handover),
        d.Place,
        Camel(order.State),
        order.IsTemplate,
        d.Notes,
        string.Join("; ", d.Allergies ?? []),
        d.Margin,
        string.Join("; ", d.Palette ?? []),
        Json(d.Packing is { Count: > 0 } packing ? packing : null),
        d.Price is { } price ? Camel(price.By) : null,
        d.Price?.Value,
        d.Deposit,
        Json(d.Payments is { Count: > 0 } payments ? payments : null),
        Json(d.Pots.Count > 0 ? d.Pots : null),
        Json(d.Schools is { Count: > 0 } schools ? schools : null),
    ];

    private static object?[] Fields(LineDraft l) =>
    [
        l.Centre,
        l.Size,
        l.Amount,
        Camel(l.CountedIn),
        l.Coating,
        l.Colour,
        l.Depth,
        l.Coats,
        l.AtOnce,
        l.Upright,
        l.Look,
        Json(l.Decor),
        Json(l.Making),
    ];

    private static OrderDraft Order(Cells c, List<LineDraft> lines) => new(lines)
    {
        Name = c.Text("name"),
        Pickup = c.Pickup("pickup"),
        Notes = c.Text("notes"),
        Pots = c.Json<Dictionary<string, PotDraft>>("pots") ?? [],
        Margin = c.Number("margin"),
        Palette = c.List("palette"),
        Client = c.Text("client"),
        Contact = c.Text("contact"),
        Handover = c.Enum("handover", Handover.Pickup),
        Place = c.Text("place"),
        Allergies = c.List("allergies"),
        Packing = c.Json<List<PackingDraft>>("packing") ?? [],
        Price = c.Text("price by").Length > 0 ? new(c.Enum("price by", PriceBy.Margin), (decimal)(c.Number("price") ?? 0)) : null,
        Deposit = (decimal?)c.Number("deposit"),
        Payments = c.Json<List<Payment>>("payments"),
        Schools = c.Json<Dictionary<string, string>>("schools"),
    };

    private static LineDraft Line(Cells c) => new(
        c.Text("centre"),
        c.Text("size"),
        c.Number("amount") ?? 0,
        c.Enum("counted in", CountedIn.Pieces),
        c.Text("coating"),
        c.Text("colour"),
        c.Number("depth") ?? 0,
        c.Int("coats") ?? 1,
        c.Bool("at once") ?? false,
        c.Bool("upright"),
        c.Text("look") is { Length: > 0 } look ? look : null,
        c.Json<Decor>("decor"),
        c.Json<Making>("making"));

    internal static string Camel<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static string? Json<T>(T? value)
        where T : class => value is null ? null : JsonSerializer.Serialize(value, KitchenItemJson);

    private static readonly JsonSerializerOptions KitchenItemJson = new(KitchenDocument.Json) { WriteIndented = false };

    private static string Cell(object? value) => value switch
    {
        null => "",
        bool yes => yes ? "yes" : "no",
        double number => number.ToString("R", CultureInfo.InvariantCulture),
        IFormattable other => other.ToString(null, CultureInfo.InvariantCulture),
        _ => value.ToString()!,
    };

    /// <summary>The cells of a row, each read as what it should be.</summary>
    internal sealed class Cells(CsvReader csv, List<ImportProblem> problems)
    {
        /// <summary>Line of the file that the row begins on.</summary>
        public int At { get; } = csv.Parser.RawRow - csv.Parser.RawRecord.TrimEnd('\r', '\n').Count(c => c == '\n');

        public string Text(string column) => CsvFile.Plain((csv.TryGetField<string>(column, out var text) ? text : null)?.Trim() ?? "");

        public double? Number(string column) =>
            Read<double>(
                column,
                (t) => double.TryParse(t, NumberStyles.Float, CultureInfo.InvariantCulture, out var n) && double.IsFinite(n) ? n : null,
                "is not a number. Write it with a point, as 0.75");

        public int? Int(string column) =>
            Read<int>(
                column,
                t => int.TryParse(t, NumberStyles.Integer, CultureInfo.InvariantCulture, out var n) ? n : null,
                "is not a whole number");

        public bool? Bool(string column) =>
            Read<bool>(
                column,
                t => t.ToLowerInvariant() switch { "yes" or "true" or "1" => true, "no" or "false" or "0" => false, _ => null },
                "is neither yes nor no");

        public LocalDateTime? Pickup(string column) =>
            Read<LocalDateTime>(
                column,
                t => Pickups.Select(p => p.Parse(t)).FirstOrDefault(p => p.Success)?.Value,
                "is not a time. Write it as 2031-05-03T18:30:00");

        public LocalDate? Date(string column) =>
            Read<LocalDate>(
                column, t => LocalDatePattern.Iso.Parse(t) is { Success: true } d ? d.Value : null, "is not a day. Write it as 2031-05-03");

        public T Enum<T>(string column, T usual)
            where T : struct, Enum =>
            Read<T>(
                column,
                t => System.Enum.GetValues<T>()
                    .Cast<T?>()
                    .FirstOrDefault(v => Camel(v!.Value).Equals(t, StringComparison.OrdinalIgnoreCase)),
                $"is not one of {string.Join(", ", System.Enum.GetValues<T>().Select(Camel))}") ?? usual;

        public List<string> List(string column) =>
            [.. Text(column).Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)];

        public T? Json<T>(string column)
            where T : class
        {
            if (Text(column) is not { Length: > 0 } text)
                return null;
            try
            {
                return JsonSerializer.Deserialize<T>(text, KitchenDocument.Json);
            }
            catch (JsonException)
            {
                problems.Add(new(At, column, "formats.cell-cannot-read-leave"));
                return null;
            }
        }

        private T? Read<T>(string column, Func<string, T?> read, string wrong)
            where T : struct
        {
            if (Text(column) is not { Length: > 0 } text)
                return null;
            var value = read(text);
            if (value is null)
                problems.Add(new(At, column, Message.Of("formats.figure", ("text", text), ("wrong", wrong))));
            return value;
        }
    }
}

using Kondiba.Core.Wares;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Pantry;
using NodaTime.Text;

namespace Kondiba.Web.Formats;

/// <summary>The pantry as CSV, RFC 4180: a row for each lot.</summary>
internal static class PantryCsv
{
    private static readonly string[] Columns = ["ware", "name", "amount", "unit", "pack", "price", "best before", "place"];

    private static readonly string[] NeededColumns = ["ware", "amount"];

    public static string Write(IEnumerable<PantryLot> lots, IReadOnlyDictionary<string, Ware> wares) =>
        CsvFile.Write(Columns, lots.Select(lot => Row(lot, wares.GetValueOrDefault(lot.Ware))));

    private static object?[] Row(PantryLot lot, Ware? ware) =>
    [
        lot.Ware,
        ware?.Name,
        lot.Amount,
        ware is null ? "" : ShoppingApi.Unit(ware.Unit),
        lot.Pack,
        lot.Price,
        lot.BestBefore is { } day ? LocalDatePattern.Iso.Format(day) : "",
        lot.Place,
    ];

    /// <summary>Reads the rows as receipts, each with the line it stands on; the same ones when sent again under the same key.</summary>
    public static (IReadOnlyList<(int Line, Receipt Receipt)> Rows, IReadOnlyList<ImportProblem> Problems) Read(string text, Guid? key)
    {
        var (rows, problems) = (new List<(int, Receipt)>(), new List<ImportProblem>());
        var (csv, unreadable) = CsvFile.Open(text, NeededColumns, "formats.column-missing-export-pantry");
        using var file = csv;
        if (unreadable is not null)
            return ([], [unreadable]);
        while (csv.Read())
        {
            var cells = new OrdersCsv.Cells(csv, problems);
            rows.Add(
                (cells.At, new(
                    SentKey.IdOf(key, rows.Count),
                    cells.Text("ware"),
                    cells.Number("amount") ?? 0,
                    cells.Number("pack"),
                    (decimal?)cells.Number("price"),
                    cells.Date("best before"),
                    cells.Text("place"))));
        }

        return (rows, problems);
    }
}

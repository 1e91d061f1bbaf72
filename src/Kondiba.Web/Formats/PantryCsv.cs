using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
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

    public static string Write(IEnumerable<PantryLot> lots, IReadOnlyDictionary<string, Ware> wares)
    {
        using var text = new StringWriter();
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var column in Columns)
                csv.WriteField(column);
            csv.NextRecord();
            foreach (var lot in lots)
            {
                var ware = wares.GetValueOrDefault(lot.Ware);
                csv.WriteField(lot.Ware);
                csv.WriteField(ware?.Name);
                csv.WriteField(lot.Amount);
                csv.WriteField(ware is null ? "" : ShoppingApi.Unit(ware.Unit));
                csv.WriteField(lot.Pack);
                csv.WriteField(lot.Price);
                csv.WriteField(lot.BestBefore is { } day ? LocalDatePattern.Iso.Format(day) : "");
                csv.WriteField(lot.Place);
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>Reads the rows as receipts, each with the line it stands on; the same ones when sent again under the same key.</summary>
    public static (IReadOnlyList<(int Line, Receipt Receipt)> Rows, IReadOnlyList<ImportProblem> Problems) Read(string text, Guid? key)
    {
        var (rows, problems) = (new List<(int, Receipt)>(), new List<ImportProblem>());
        using var csv = new CsvReader(
            new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { MissingFieldFound = null, BadDataFound = null });
        if (!csv.Read() || !csv.ReadHeader())
            return ([], [new(1, "", "formats.file-empty-first-line")]);
        if (NeededColumns.Except(csv.HeaderRecord!).ToList() is { Count: > 0 } missing)
            return ([], [new(1, string.Join(", ", missing), "formats.column-missing-export-pantry")]);
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

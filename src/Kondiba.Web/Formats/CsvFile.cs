using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using Kondiba.Core.Wording;

namespace Kondiba.Web.Formats;

/// <summary>A file of rows under a line with the names of their columns, RFC 4180.</summary>
internal static class CsvFile
{
    /// <summary>Writes rows.</summary>
    /// <param name="columns">Names of the columns.</param>
    /// <param name="rows">A value for each column; null for none.</param>
    public static string Write(IEnumerable<string> columns, IEnumerable<IReadOnlyList<object?>> rows)
    {
        using var text = new StringWriter();
        using (var csv = new CsvWriter(text, CultureInfo.InvariantCulture))
        {
            foreach (var row in rows.Prepend([.. columns]))
            {
                foreach (var value in row)
                    csv.WriteField(value is string words ? Harmless(words) : value);
                csv.NextRecord();
            }
        }

        return text.ToString();
    }

    /// <summary>A cell that no spreadsheet takes for a formula: a quote stands before it, as spreadsheets write it themselves.</summary>
    private static string Harmless(string cell) => IsFormula(cell) ? $"'{cell}" : cell;

    /// <summary>What a cell said before it was made harmless.</summary>
    public static string Plain(string cell) => cell.StartsWith('\'') && IsFormula(cell) ? cell[1..] : cell;

    private static bool IsFormula(string cell) => cell.TrimStart('\'') is ['=' or '+' or '-' or '@' or '\t' or '\r', ..];

    /// <summary>Opens a file, and reads its first line.</summary>
    /// <param name="text">The file.</param>
    /// <param name="needed">Columns that it must have.</param>
    /// <param name="missing">What to say where it has not.</param>
    /// <returns>A reader before the first row, and why it cannot be read; null where it can.</returns>
    public static (CsvReader Csv, ImportProblem? Problem) Open(string text, IEnumerable<string> needed, Message missing)
    {
        var csv = new CsvReader(
            new StringReader(text), new CsvConfiguration(CultureInfo.InvariantCulture) { MissingFieldFound = null, BadDataFound = null });
        if (!csv.Read() || !csv.ReadHeader())
            return (csv, new(1, "", "formats.file-empty-first-line"));
        return needed.Except(csv.HeaderRecord!).ToList() is { Count: > 0 } gone
            ? (csv, new(1, string.Join(", ", gone), missing))
            : (csv, null);
    }
}

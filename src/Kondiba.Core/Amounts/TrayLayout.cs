using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>A sheet lined with parchment.</summary>
/// <param name="Width">Usable width.</param>
/// <param name="Depth">Usable depth.</param>
/// <param name="Edge">Kept free all round.</param>
public sealed record TraySheet(Sourced<Length> Width, Sourced<Length> Depth, Sourced<Length> Edge);

/// <summary>Like pieces to lay on trays.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Part">Code of the part of a figure they are; null for whole pieces.</param>
/// <param name="Centre">Their centre.</param>
/// <param name="Size">Their size.</param>
/// <param name="Count">How many.</param>
public sealed record Laid(int Line, string? Part, Centre Centre, CentreSize Size, int Count);

/// <summary>A row of like pieces on a tray, laid left to right.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Count">Pieces in the row.</param>
/// <param name="Y">Top of the row, from the top of the sheet.</param>
/// <param name="X">Middle of the first piece, from the left of the sheet.</param>
/// <param name="Pitch">From the middle of one piece to the next.</param>
/// <param name="Part">Code of the part of a figure that lies there; null for whole pieces.</param>
public sealed record TrayRow(int Line, int Count, Length Y, Length X, Length Pitch, string? Part = null);

/// <summary>One tray, with its rows in the order they are dipped.</summary>
/// <param name="Width">Of the sheet.</param>
/// <param name="Depth">Of the sheet.</param>
/// <param name="Used">Depth that the rows take.</param>
/// <param name="Rows">Top to bottom.</param>
public sealed record Tray(Length Width, Length Depth, Length Used, IReadOnlyList<TrayRow> Rows);

/// <summary>Lays dipped pieces on trays.</summary>
public static class TrayLayout
{
    /// <summary>
    /// Lays lines on trays in the order given. A line starts a new tray when the rest of the open one cannot take all of it
    /// and a fresh one could.
    /// </summary>
    /// <param name="lines">What to lay, in dip order.</param>
    /// <param name="sheet">The trays' size.</param>
    public static IReadOnlyList<Tray> For(IEnumerable<Laid> lines, TraySheet sheet)
    {
        var (width, depth, edge) = (sheet.Width.Value, sheet.Depth.Value, sheet.Edge.Value);
        var trays = new List<Tray>();
        var rows = new List<TrayRow>();
        var (y, used) = (edge, edge);

        void Close()
        {
            if (rows.Count == 0)
                return;
            trays.Add(new(width, depth, used + edge, [.. rows]));
            rows.Clear();
            y = edge;
        }

        foreach (var (line, part, centre, size, count) in lines)
        {
            var pitch = size.Shape.Width + centre.TrayGap.Value;
            var height = size.Shape.Length + centre.TrayGap.Value;
            var perRow = (int)((width - (edge * 2) + centre.TrayGap.Value) / pitch);
            var rowsWanted = (count + perRow - 1) / perRow;
            int RowsLeft() => (int)((depth - edge - y + centre.TrayGap.Value) / height);
            if (RowsLeft() < rowsWanted && (depth - (edge * 2) + centre.TrayGap.Value) / height >= rowsWanted)
                Close();

            for (var left = count; left > 0;)
            {
                if (RowsLeft() < 1)
                    Close();
                var inRow = Math.Min(left, perRow);
                var x = (width - (pitch * (Math.Min(count, perRow) - 1))) / 2;
                rows.Add(new(line, inRow, y, x, pitch, part));
                used = y + size.Shape.Length;
                y += height;
                left -= inRow;
            }
        }

        Close();
        return trays;
    }
}

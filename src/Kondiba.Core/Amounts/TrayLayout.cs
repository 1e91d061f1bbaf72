using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>Like pieces to lay on trays.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Part">Code of the part of a figure they are; null for whole pieces.</param>
/// <param name="Centre">Their centre.</param>
/// <param name="Size">Their size.</param>
/// <param name="Count">How many.</param>
/// <param name="Beyond">How far a stick reaches beyond a piece that lies.</param>
/// <param name="Disc">How wide the disc is that they are set on; nothing for none.</param>
public sealed record Laid(int Line, string? Part, Centre Centre, CentreSize Size, int Count, Length Beyond = default, Length Disc = default)
{
    /// <summary>Kept free between one and the next.</summary>
    public Length Gap { get; init; } = Centre.TrayGap.Value;

    /// <summary>The same, so far apart that the feet of two do not meet.</summary>
    /// <param name="reach">How far a foot reaches from under a piece.</param>
    public Laid WithFoot(Length reach) => reach * 2 > Gap - FeetApart ? this with { Gap = (reach * 2) + FeetApart } : this;

    private static Length FeetApart { get; } = Quantities.Of<Length>(0.1, "mm");

    /// <summary>Room that one takes across the sheet.</summary>
    public Length Width => Disc > Size.Shape.Width ? Disc : Size.Shape.Width;

    /// <summary>Room that one takes down the sheet.</summary>
    public Length Length => Disc > Size.Shape.Length + Beyond ? Disc : Size.Shape.Length + Beyond;

    /// <summary>How far its top is below the top of its room: a stick points up the sheet, and it lies in the middle of its disc.</summary>
    public Length Top => Beyond.Si > 0 ? Beyond : (Length - Size.Shape.Length) / 2;
}

/// <summary>A row of like pieces on a tray, laid left to right.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Count">Pieces in the row.</param>
/// <param name="Y">Top of the row, from the top of the sheet.</param>
/// <param name="X">Middle of the first piece, from the left of the sheet.</param>
/// <param name="Pitch">From the middle of one piece to the next.</param>
/// <param name="Part">Code of the part of a figure that lies there; null for whole pieces.</param>
/// <param name="Turned">Whether they lie the other way round, their sticks between those of the next row.</param>
public sealed record TrayRow(int Line, int Count, Length Y, Length X, Length Pitch, string? Part = null, bool Turned = false);

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

        foreach (var laid in lines)
        {
            var (count, gap) = (laid.Count, laid.Gap);
            var (pitch, height) = (laid.Width + gap, laid.Length + gap);
            var perRow = (int)((width - (edge * 2) + gap) / pitch);
            var rowsWanted = (count + perRow - 1) / perRow;
            int RowsLeft() => (int)((depth - edge - y + gap) / height);
            if (RowsLeft() < rowsWanted && (depth - (edge * 2) + gap) / height >= rowsWanted)
                Close();

            for (var left = count; left > 0;)
            {
                if (RowsLeft() < 1)
                    Close();
                var inRow = Math.Min(left, perRow);
                var x = (width - (pitch * (Math.Min(count, perRow) - 1))) / 2;

                // Head to tail: the sticks of one row lie between those of the next.
                var (beside, piece) = (Math.Min(left - inRow, perRow - 1), laid.Size.Shape.Length + gap);
                if (laid.Beyond.Si > 0 && beside > 0 && y + piece + laid.Length <= depth - edge)
                {
                    rows.Add(new(laid.Line, beside, y, x + (pitch / 2), pitch, laid.Part, Turned: true));
                    y += piece;
                    left -= beside;
                }

                rows.Add(new(laid.Line, inRow, y + laid.Top, x, pitch, laid.Part));
                used = y + laid.Length;
                y += height;
                left -= inRow;
            }
        }

        Close();
        return trays;
    }
}

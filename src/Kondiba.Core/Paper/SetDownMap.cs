using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Paper;

/// <summary>Where a piece is laid down.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Part">Code of the part of a figure that it is; null for a whole piece.</param>
/// <param name="Number">Which one it is on its tray, counted as they are dipped.</param>
/// <param name="Round">Which round of its tray it belongs to.</param>
/// <param name="X">Its middle, from the left of the sheet.</param>
/// <param name="Y">Its middle, from the top of the sheet.</param>
/// <param name="Wide">Room that it takes across, its foot counted in.</param>
/// <param name="Long">Room that it takes down, its foot counted in.</param>
/// <param name="Turned">Whether it lies the other way round.</param>
public sealed record LaidPiece(
    int Line, string? Part, int Number, int Round, Length X, Length Y, Length Wide, Length Long, bool Turned);

/// <summary>Pieces that are dipped before one stops to decorate them.</summary>
/// <param name="Number">Which round of its tray it is.</param>
/// <param name="Line">Index of the order line.</param>
/// <param name="Pieces">How many.</param>
/// <param name="Takes">Dipping them all and doing what is done on the wet coat; null where nothing is.</param>
/// <param name="Wet">How long the first of them takes sprinkles and dragged lines; null likewise.</param>
public sealed record Round(int Number, int Line, int Pieces, Duration? Takes, Duration? Wet);

/// <summary>A sheet with the places of its pieces, true to size.</summary>
/// <param name="Wide">Of the sheet.</param>
/// <param name="Deep">Of the sheet.</param>
/// <param name="Pieces">In the order that they are dipped.</param>
/// <param name="Rounds">In the same order.</param>
public sealed record SetDownMap(Length Wide, Length Deep, IReadOnlyList<LaidPiece> Pieces, IReadOnlyList<Round> Rounds)
{
    /// <summary>A map for each tray of an order, in dip order.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<SetDownMap> For(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
        [.. tally.Trays.Select(tray => new Mapper(order, tally, tables).Map(tray, tables.Tray.Depth.Value))];

    private sealed class Mapper(OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        private readonly List<LaidPiece> pieces = [];
        private readonly List<Round> rounds = [];

        public SetDownMap Map(Tray tray, Length deep)
        {
            foreach (var row in tray.Rows)
                Lay(row);
            return new(tray.Width, deep, pieces, rounds);
        }

        private void Lay(TrayRow row)
        {
            var line = tally.Lines.Single(l => l.Line == row.Line);
            var laid = row.Part is null ? line : line.Parts!.Single(p => p.Code == row.Part).Tally;
            var shape = SizeOf(row, line).Shape;
            var beyond = laid.FootReach * 2;
            for (var i = 0; i < row.Count; i++)
            {
                var round = RoundFor(line, row.Part);
                pieces.Add(new(
                    row.Line,
                    row.Part,
                    pieces.Count + 1,
                    round.Number,
                    row.X + (row.Pitch * i),
                    row.Y + (shape.Length / 2),
                    shape.Width + beyond,
                    shape.Length + beyond,
                    row.Turned));
            }
        }

        private Centres.CentreSize SizeOf(TrayRow row, LineTally line)
        {
            var draft = order.Lines[line.Line];
            var centre = tables.Centre(draft.Centre)!;
            return row.Part is not null && centre.Figure?.Parts.FirstOrDefault(p => p.Code == row.Part) is { } part
                ? part.Size
                : LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables).Size;
        }

        /// <summary>The round that the next piece of a line belongs to: the last one, as long as its wet window takes another.</summary>
        private Round RoundFor(LineTally line, string? part)
        {
            var look = part is null ? line.Look : null;
            var last = rounds.Count > 0 ? rounds[^1] : null;
            if (last is not null && last.Line == line.Line && pieces[^1].Part == part && !(last.Pieces >= look?.Round?.Value))
                return rounds[^1] = At(last.Number, last.Pieces + 1);
            rounds.Add(At(rounds.Count + 1, 1));
            return rounds[^1];

            Round At(int number, int count) => new(
                number,
                line.Line,
                count,
                look?.Round is null ? null : (line.DipTime.Value + look.WetWork) * count,
                look?.Round is null ? null : look.Wet?.Value);
        }
    }
}

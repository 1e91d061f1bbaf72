using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Pricing;

/// <summary>The time that an order takes the hands.</summary>
/// <param name="Lines">Of each line's own: making ready, dipping, decorating, packing.</param>
/// <param name="Decorating">Of these, decorating.</param>
/// <param name="Shared">Setting up, melting and washing up.</param>
/// <param name="All">All together.</param>
internal sealed record HandTime(IReadOnlyList<Duration> Lines, Duration Decorating, Duration Shared, Figure<Duration> All)
{
    public static HandTime Of(OrderDraft order, CoatingTally tally, TradeTables tables)
    {
        var (c, dip) = (tables.Pricing, tables.Decorating.DipTime);
        var decorating = Duration.Zero;
        var lines = new List<Duration>();
        foreach (var line in tally.Lines)
        {
            var draft = order.Lines[line.Line];
            var begun = line.Count.Value * (1 + tables.Centre(draft.Centre)!.Spoil.Value.Si);
            var look = (line.Look?.Time.Value ?? Duration.Zero) * begun;
            decorating += look;
            lines.Add(((c.Prep.Value + (dip.Value * (draft.Coats + (line.Look?.Over.Count ?? 0)))) * begun) + look + (c.Pack.Value * line.Count.Value));
        }

        var melts = tally.Pots.Sum(p => p.Melts.Count + (p.Drizzle is null ? 0 : 1));
        var shared = tally.Lines.Count == 0 ? Duration.Zero : c.SetUp.Value + (c.Melt.Value * melts) + (c.Wash.Value * tally.Pots.Count);
        var all = lines.Aggregate(shared, (sum, l) => sum + l);
        return new(lines, decorating, shared, new(all, () =>
        [
            WorkingLine.Of("making one centre ready", "", c.Prep.Value, c.Prep.Source),
            WorkingLine.Of("dipping one, each coat", "", dip.Value, dip.Source),
            WorkingLine.Of("packing one", "", c.Pack.Value, c.Pack.Source),
            WorkingLine.Of("decorating", "each look's own time, spoilt pieces too", decorating, Source.Computed),
            .. tally.Lines.Zip(lines, (l, t) => WorkingLine.Of($"line {l.Line + 1}", $"{l.Count.Value} pieces, and those dipped in vain", t, Source.Computed)),
            WorkingLine.Of("setting up and putting away", "", c.SetUp.Value, c.SetUp.Source),
            WorkingLine.Of($"{melts} melts, each", "", c.Melt.Value, c.Melt.Source),
            WorkingLine.Of($"washing up after {tally.Pots.Count} colours, each", "", c.Wash.Value, c.Wash.Source),
            WorkingLine.Of("all together", "added up", all, Source.Computed),
        ]));
    }
}

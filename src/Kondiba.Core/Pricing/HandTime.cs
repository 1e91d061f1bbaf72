using Kondiba.Core.Amounts;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Pricing;

/// <summary>The time that an order takes the hands: its steps, and setting up and washing up round them.</summary>
/// <param name="Lines">Of each line's own: making ready, dipping, decorating, packing.</param>
/// <param name="Decorating">Of these, decorating.</param>
/// <param name="Shared">Setting up, melting and washing up.</param>
/// <param name="All">All together.</param>
internal sealed record HandTime(IReadOnlyList<Duration> Lines, Duration Decorating, Duration Shared, Figure<Duration> All)
{
    public static HandTime Of(OrderDraft order, CoatingTally tally, TradeTables tables)
    {
        var c = tables.Pricing;
        var steps = PrepWork.Of(order, tally, tables);
        var pieces = tally.Lines.ToDictionary(l => l.Line, l => l.Count.Value);
        Duration Of(Func<WorkStep, bool> which) => steps.Where(which).Aggregate(Duration.Zero, (sum, s) => sum + s.Hands);

        // A step that serves several lines falls to them by their pieces.
        List<Duration> lines = [.. tally.Lines.Select(l => steps.Where(s => s.Stage is not Stage.Melt && s.Lines.Contains(l.Line))
            .Aggregate(Duration.Zero, (sum, s) => sum + (s.Hands * ((double)l.Count.Value / s.Lines.Sum(i => pieces[i])))))];
        var (decorating, melting) = (Of(s => s.Stage is Stage.Decorate), Of(s => s.Stage is Stage.Melt));
        var shared = tally.Lines.Count == 0 ? Duration.Zero : c.SetUp.Value + melting + (c.Wash.Value * tally.Pots.Count);
        var all = lines.Aggregate(shared, (sum, l) => sum + l);
        return new(lines, decorating, shared, new(all, () =>
        [
            .. steps.GroupBy(s => s.Stage).Where(g => g.Key is not Stage.Melt).Select(g => WorkingLine.Of(Name(g.Key), $"{g.Count()} steps, those done in vain too", Of(s => s.Stage == g.Key), Source.Computed)),
            .. tally.Lines.Zip(lines, (l, t) => WorkingLine.Of($"line {l.Line + 1}", $"{l.Count.Value} pieces, its share of these steps", t, Source.Computed)),
            WorkingLine.Of("setting up and putting away", "", c.SetUp.Value, c.SetUp.Source),
            WorkingLine.Of("melting", $"{c.Melt.Value.TotalMinutes:0} min each time", melting, c.Melt.Source),
            WorkingLine.Of($"washing up after {tally.Pots.Count} colours, each", "", c.Wash.Value, c.Wash.Source),
            WorkingLine.Of("all together", "the lines and what they share, added up", all, Source.Computed),
        ]));
    }

    private static string Name(Stage stage) => stage switch
    {
        Stage.Fill => "making fillings",
        Stage.Prep => "making ready",
        Stage.Dip => "dipping and moulding",
        Stage.Decorate => "decorating",
        Stage.Assemble => "putting together",
        _ => "packing",
    };
}

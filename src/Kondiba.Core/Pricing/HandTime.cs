using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Pricing;

/// <summary>The time that an order takes the hands: its steps, and washing up after them.</summary>
/// <param name="Lines">Of each line's own: making ready, dipping, decorating, packing.</param>
/// <param name="Decorating">Of these, decorating.</param>
/// <param name="Shared">Melting and washing up.</param>
/// <param name="All">All together.</param>
internal sealed record HandTime(IReadOnlyList<Duration> Lines, Duration Decorating, Duration Shared, Figure<Duration> All)
{
    public static HandTime Of(OrderDraft order, CoatingTally tally, KitchenTables tables)
    {
        var c = tables.Reference.Pricing;
        var steps = PrepWork.Of(order, tally, tables);
        var pieces = tally.Lines.ToDictionary(l => l.Line, l => l.Count.Value);
        Duration Of(Func<WorkStep, bool> which) => steps.Where(which).Aggregate(Duration.Zero, (sum, s) => sum + s.Hands);

        // A step that serves several lines falls to them by their pieces.
        List<Duration> lines = [.. tally.Lines.Select(l => steps.Where(s => s.Stage is not Stage.Melt && s.Lines.Contains(l.Line))
            .Aggregate(Duration.Zero, (sum, s) => sum + (s.Hands * ((double)l.Count.Value / s.Lines.Sum(i => pieces[i])))))];
        var washing = Of(s => s.Rule.Code == PrepWork.Washing);
        var (decorating, melting) = (Of(s => s.Stage is Stage.Decorate), Of(s => s.Stage is Stage.Melt));
        var shared = tally.Lines.Count == 0 ? Duration.Zero : melting;
        var all = lines.Aggregate(shared, (sum, l) => sum + l);
        return new(lines, decorating, shared, new(all, () =>
        [
            .. steps.GroupBy(s => s.Stage)
                .Where(g => g.Key is not Stage.Melt)
                .Select(g => WorkingLine.Of(
                    Name(g.Key),
                    Message.Of("pricing.steps-those-done-vain", ("g", g.Count())),
                    Of(s => s.Stage == g.Key),
                    Source.Computed)),
            .. tally.Lines.Zip(
                lines,
                (l, t) => WorkingLine.Of(
                    Message.Of("pricing.line", ("line", l.Line + 1)),
                    Message.Of("pricing.line.how", ("l", l.Count.Value)),
                    t,
                    Source.Computed)),
            WorkingLine.Of("pricing.melting", "pricing.melting.how", melting - washing, Source.Computed),
            WorkingLine.Of(Message.Of("pricing.washing-up-after-colours", ("pots", tally.Pots.Count)), "", washing, c.Wash.Source),
            WorkingLine.Of("pricing.all-together", "pricing.all-together.how", all, Source.Computed),
        ]));
    }

    private static Message Name(Stage stage) => stage switch
    {
        Stage.Fill => Message.Of("pricing.making-fillings"),
        Stage.Prep => Message.Of("pricing.making-ready"),
        Stage.Dip => Message.Of("pricing.dipping-moulding"),
        Stage.Decorate => Message.Of("pricing.decorating"),
        Stage.Assemble => Message.Of("pricing.putting-together"),
        _ => Message.Of("pricing.packing"),
    };
}

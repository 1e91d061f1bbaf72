using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Packing;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Pantry;

/// <summary>What orders want of a ware.</summary>
/// <param name="Ware">Code of the ware.</param>
/// <param name="ToHave">To have at hand, in the ware's unit.</param>
/// <param name="Used">Of this, what is gone afterwards; the rest comes back to the pantry.</param>
public sealed record Need(string Ware, Figure<double> ToHave, double Used)
{
    /// <summary>What an order wants, coating first.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Need> Of(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
        Together([.. OfPots(tally.Pots, tables), .. Rest(order, tally, tables)]);

    /// <summary>What several orders want. Orders of a day share their pots.</summary>
    /// <param name="orders">The orders, each with what it comes to on its own.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Need> Of(IReadOnlyList<(OrderDraft Order, CoatingTally Alone)> orders, KitchenTables tables) => Together(
    [
        .. orders.GroupBy(o => o.Order.Pickup?.Date).SelectMany(day => OfPots(DayPots.For([.. day], tables).Pots, tables.Reference)),
        .. orders.SelectMany(o => Rest(o.Order, o.Alone, tables.Reference)),
    ]);

    private static IEnumerable<Need> OfPots(IEnumerable<Pot> pots, ReferenceData tables)
    {
        foreach (var pot in pots)
        {
            var used = 1 - (pot.Leftover.Mass / pot.ToMelt.Value);
            yield return Weighed(Wares.Ware.OfColour(pot.Coating, pot.Bought), pot.OfCoating, used, () => pot.ToMelt.Working);
            if (pot.Thinner is { } thinner)
                yield return Weighed($"thinner.{thinner.Code}", thinner.Mass.Value, used, () => thinner.Mass.Working);
            foreach (var drops in pot.Drops)
                yield return new(
                    $"tint.{drops.Tint}",
                    new(
                        drops.InPot,
                        () => [
                            WorkingLine.Count(
                                "pantry.drops", Message.Of("pantry.drops.how", ("per100", drops.Per100)), drops.InPot, Source.Computed),
                        ]),
                    drops.InPot);
        }

        static Need Weighed(string ware, Mass mass, double used, Func<IReadOnlyList<WorkingLine>> working) =>
            new(ware, new(mass.In("g"), working), mass.In("g") * used);
    }

    private static IEnumerable<Need> Rest(OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        foreach (var trimming in tally.Trimmings.Where(t => tables.Fillings.All(f => f.Makes != $"part.{t.Kind}")))
        {
            if (tables.Decor.Sprinkle(trimming.Kind) is not null)
                yield return new(
                    $"sprinkle.{trimming.Kind}", trimming.Amount, trimming.Amount.Value / tables.Decorating.CatchBowl.Value.Si);
            else
                yield return new($"{(trimming.Counted ? "part" : "lustre")}.{trimming.Kind}", trimming.Amount, trimming.Amount.Value);
        }

        foreach (var line in tally.Lines)
        {
            var draft = order.Lines[line.Line];
            var centre = tables.Centre(draft.Centre)!;
            var making = LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables);
            foreach (var want in PrepWork.Wants(centre, draft, line, making, tables))
            {
                if (want.Filling(making, tables) is null)
                    yield return Begin(Wares.Ware.OfCentre(want.Centre, want.Size), want.Pieces, line, want.Centre, tables);
            }

            if (tables.Wares.StickFor(centre, draft.Making?.On) is { } stick)
                yield return Begin($"supply.{stick.Code}", line.Begun(centre.Spoil.Value), line, centre, tables);
        }

        foreach (var (filling, filled, _) in PrepWork.Fillings(order, tally, tables))
            foreach (var amount in filled.Amounts)
            {
                if (tables.Ingredient(amount.Ingredient) is { Tap: false } ingredient)
                {
                    var wanted = amount.Count ?? amount.Mass.Value.In("g");
                    yield return new(
                        ingredient.BoughtAs,
                        new(
                            wanted,
                            () => [
                                WorkingLine.Count(
                                    Message.Of("pantry.pieces", ("filling", filling.Name)), "", filled.Pieces, Source.Computed),
                                .. amount.Mass.Working,
                            ]),
                        wanted);
                }
            }

        foreach (var packing in Packing(order, tally, tables))
            yield return packing;
    }

    /// <summary>What an order is packed in.</summary>
    internal static IEnumerable<Need> Packing(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
        order.Packing is not { Count: > 0 } packed
            ? []
            : from packing in packed.Zip(PackingPlan.AmountsOf(order, tally, tables))
              let draft = packing.First
              let amount = packing.Second
              where draft.Per >= 1 && amount > 0 && tables.Wares.Supplies.Any(s => s.Code == draft.Supply)
              select new Need(
                  $"supply.{draft.Supply}",
                  new(
                      amount,
                      () => [
                          WorkingLine.Count(
                              "pantry.packing",
                              Message.Of("pantry.packing.how", ("count", amount / draft.Each), ("per", draft.Per), ("each", draft.Each)),
                              amount,
                              Source.Computed),
                      ]),
                  amount);

    private static Need Begin(string ware, int begun, LineTally line, Centres.Centre centre, ReferenceData tables)
    {
        // Of what grows, not every one is fit for dipping.
        var unfit = ware.StartsWith("centre.", StringComparison.Ordinal) ? tables.Prep.Unfit.GetValueOrDefault(centre.Code) : null;
        var bought = unfit is null ? begun : Selection.ToBuy(begun, unfit.Value, tables.Prep.Good.Value);
        return new(ware, new(bought, () =>
        [
            .. line.Count.Working,
            WorkingLine.Of("pantry.go-wrong", centre.Spoil),
            WorkingLine.Count("pantry.begin", "pantry.begin.how", begun, Source.Computed),
            .. unfit is null ? [] : new[]
            {
                WorkingLine.Of("pantry.those-bought-not-fit", unfit),
                WorkingLine.Of("pantry.sure-enough-good-ones", tables.Prep.Good),
                WorkingLine.Count("pantry.buy", Message.Of("pantry.buy.how", ("begun", begun)), bought, Source.Computed),
            },
        ]), bought);
    }

    private static IReadOnlyList<Need> Together(IEnumerable<Need> needs) =>
    [
        .. needs.GroupBy(n => n.Ware).Select(same => same.ToList()).Select(same => same.Count == 1 ? same[0] : new Need(
            same[0].Ware,
            new(
                same.Sum(n => n.ToHave.Value),
                () => [
                    .. same.SelectMany(n => n.ToHave.Working),
                    WorkingLine.Count(
                        "pantry.together",
                        Message.Of(
                            "pantry.added",
                            ("parts", Argument.Of(same.Select(n => Message.Of("pantry.count", ("count", n.ToHave.Value)))))),
                        same.Sum(n => n.ToHave.Value),
                        Source.Computed),
                ]),
            same.Sum(n => n.Used))),
    ];
}

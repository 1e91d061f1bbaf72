using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Pantry;

/// <summary>Some of a supply that an order is packed in: so much for every so many pieces.</summary>
/// <param name="Supply">Code of the supply.</param>
/// <param name="Each">How much of it, in its unit.</param>
/// <param name="Per">For every so many pieces, a part of them counted whole.</param>
public sealed record PackingDraft(string Supply, double Each = 1, int Per = 1);

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
    public static IReadOnlyList<Need> Of(OrderDraft order, CoatingTally tally, TradeTables tables) => Together([.. OfPots(tally.Pots, tables), .. Rest(order, tally, tables)]);

    /// <summary>What several orders want. Orders of a day share their pots.</summary>
    /// <param name="orders">The orders, each with what it comes to on its own.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Need> Of(IReadOnlyList<(OrderDraft Order, CoatingTally Alone)> orders, TradeTables tables) => Together(
    [
        .. orders.GroupBy(o => o.Order.Pickup?.Date).SelectMany(day => OfPots(DayPots.For([.. day], tables).Pots, tables)),
        .. orders.SelectMany(o => Rest(o.Order, o.Alone, tables)),
    ]);

    private static IEnumerable<Need> OfPots(IEnumerable<Pot> pots, TradeTables tables)
    {
        foreach (var pot in pots)
        {
            var used = 1 - (pot.Leftover.Mass / pot.ToMelt.Value);
            yield return Weighed(Pantry.Ware.OfColour(pot.Coating, pot.Bought), pot.OfCoating, used, () => pot.ToMelt.Working);
            if (pot.Thinner is { } thinner)
                yield return Weighed($"thinner.{thinner.Code}", thinner.Mass.Value, used, () => thinner.Mass.Working);
            foreach (var drops in pot.Drops)
                yield return new($"tint.{drops.Tint}", new(drops.InPot, () => [WorkingLine.Count("drops", $"{drops.Per100} in 100 g", drops.InPot, Source.Computed)]), drops.InPot);
        }

        static Need Weighed(string ware, Mass mass, double used, Func<IReadOnlyList<WorkingLine>> working) => new(ware, new(mass.In("g"), working), mass.In("g") * used);
    }

    private static IEnumerable<Need> Rest(OrderDraft order, CoatingTally tally, TradeTables tables)
    {
        foreach (var trimming in tally.Trimmings)
        {
            var kind = tables.Decor.Sprinkle(trimming.Kind) is not null ? "sprinkle" : trimming.Counted ? "part" : "lustre";
            var stays = kind is "sprinkle" ? 1 / tables.Decorating.CatchBowl.Value.Si : 1;
            yield return new($"{kind}.{trimming.Kind}", trimming.Amount, trimming.Amount.Value * stays);
        }

        foreach (var line in tally.Lines)
        {
            var draft = order.Lines[line.Line];
            var centre = tables.Centre(draft.Centre)!;
            if (centre.Holding is not Centres.Holding.Mould)
                yield return Dipped(Pantry.Ware.OfCentre(centre, centre.Size(draft.Size)!), line, centre);
            if (tables.Wares.StickFor(centre) is { } stick)
                yield return Dipped($"supply.{stick}", line, centre);
        }

        foreach (var packing in Packing(order, tally, tables))
            yield return packing;
    }

    /// <summary>What an order is packed in.</summary>
    internal static IEnumerable<Need> Packing(OrderDraft order, CoatingTally tally, TradeTables tables) =>
        from packing in order.Packing ?? []
        where packing.Per >= 1 && tables.Wares.Supplies.Any(s => s.Code == packing.Supply)
        let amount = Math.Ceiling((double)tally.Pieces / packing.Per) * packing.Each
        select new Need($"supply.{packing.Supply}", new(amount, () => [WorkingLine.Count("for packing", $"{tally.Pieces} ÷ {packing.Per}, up to whole ones, × {packing.Each:0.##}", amount, Source.Computed)]), amount);

    private static Need Dipped(string ware, LineTally line, Centres.Centre centre)
    {
        var count = Math.Ceiling((line.Count.Value * (1 + centre.Spoil.Value.Si)) - 1e-9);
        return new(ware, new(count, () =>
        [
            .. line.Count.Working,
            WorkingLine.Of("dipped in vain", centre.Spoil),
            WorkingLine.Count("to have", $"{line.Count.Value} × (1 + {centre.Spoil.Value.Si}), up to a whole one", count, Source.Computed),
        ]), count);
    }

    private static IReadOnlyList<Need> Together(IEnumerable<Need> needs) =>
    [
        .. needs.GroupBy(n => n.Ware).Select(same => same.ToList()).Select(same => same.Count == 1 ? same[0] : new Need(
            same[0].Ware,
            new(same.Sum(n => n.ToHave.Value), () => [.. same.SelectMany(n => n.ToHave.Working), WorkingLine.Count("together", string.Join(" + ", same.Select(n => $"{n.ToHave.Value:0.##}")), same.Sum(n => n.ToHave.Value), Source.Computed)]),
            same.Sum(n => n.Used))),
    ];
}

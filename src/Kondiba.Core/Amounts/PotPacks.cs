using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>Covers one colour's pot with packs.</summary>
internal static class PotPacks
{
    /// <summary>What covers so much of a coating bought in a colour.</summary>
    public static PackCover CoverOf(Mass need, Coatings.Coating coating, string bought, KitchenTables tables)
    {
        var ware = Ware.OfColour(coating.Code, bought);
        return PackCover.For(need.In("g"), tables.Stock.Lots.Where(l => l.Ware == ware), [.. coating.Packs.Select(p => p.ToPack())]);
    }

    public static List<WorkingLine> Working(Mass ofCoating, PackCover cover, IReadOnlyList<Coatings.CoatingPack> packs)
    {
        List<WorkingLine> lines = [WorkingLine.Of("amounts.coating-wanted", "amounts.coating-wanted.how", ofCoating, Source.Computed)];
        foreach (var lot in cover.Lots)
            lines.Add(WorkingLine.Of(
                "amounts.from-stock",
                lot.BestBefore is { } date ? Message.Of("amounts.from-stock.how", ("date", date)) : Message.Of("amounts.date"),
                Quantities.Of<Mass>(lot.Amount, "g"),
                Source.Kitchen));
        foreach (var pack in packs)
        {
            lines.Add(WorkingLine.Of("amounts.sold-packs", "", pack.Mass.Value, pack.Mass.Source));
            lines.Add(WorkingLine.Count(
                "amounts.price",
                pack.Coupon is { } coupon ? Message.Of("amounts.price.how", ("coupons", pack.Coupons), ("coupon", coupon)) : "",
                (double)pack.Price.Value.Amount,
                pack.Price.Source));
        }

        foreach (var bought in cover.Packs)
            lines.Add(WorkingLine.Of(
                Message.Of("amounts.pack-of", ("bought", bought.Count), ("holds", bought.Holds)),
                Message.Of(
                    "amounts.pack-of.how",
                    ("price", bought.Price),
                    ("coupons", bought.Coupons > 0 ? Message.Of("amounts.with-coupons", ("coupons", bought.Coupons)) : "")),
                Quantities.Of<Mass>(bought.Holds * bought.Count, "g"),
                Source.Computed));
        lines.Add(WorkingLine.Count(
            "amounts.packs-buy", Message.Of("amounts.packs-buy.how", ("price", cover.Price)), cover.Count, Source.Computed));
        return lines;
    }

    /// <summary>The coating in the pot at the price by mass of the packs bought, or of the smallest one when none need be.</summary>
    public static Figure<Money> Worth(Mass ofCoating, PackCover cover, IReadOnlyList<Coatings.CoatingPack> packs)
    {
        if (packs.Count == 0)
            return new(default, () => [WorkingLine.Count("amounts.worth", "amounts.worth.how", 0, Source.Computed)]);
        var smallest = packs.MinBy(p => p.Mass.Value.Si)!;
        var (price, mass) = cover.Count > 0
            ? (cover.Price, Quantities.Of<Mass>(cover.Packs.Sum(p => p.Holds * p.Count), "g"))
            : (smallest.Price.Value, smallest.Mass.Value);
        var worth = price * (ofCoating / mass);
        return new(worth, () =>
        [
            WorkingLine.Of("amounts.coating-pot", "", ofCoating, Source.Computed),
            WorkingLine.Count(
                "amounts.price-2", Message.Of("amounts.price-2.how", ("mass", mass)), (double)price.Amount, smallest.Price.Source),
            WorkingLine.Count(
                "amounts.worth",
                Message.Of("amounts.price-of-coating", ("ofCoating", ofCoating), ("price", price), ("mass", mass)),
                (double)worth.Amount,
                Source.Computed),
        ]);
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Pantry;

/// <summary>A ware on the shopping list.</summary>
/// <param name="Ware">The ware.</param>
/// <param name="Need">What the orders want, in its unit.</param>
/// <param name="Cover">What the pantry gives and what to buy.</param>
/// <param name="ToBuy">What is bought, in its unit: all packs, or what is wanting where no pack is known.</param>
/// <param name="For">Names of the orders that want it.</param>
public sealed record ShoppingLine(Ware Ware, Figure<double> Need, PackCover Cover, double ToBuy, IReadOnlyList<string> For);

/// <summary>What to buy for orders: their needs less the pantry, in whole packs at least cost.</summary>
/// <param name="Lines">By section of the shop, then by name; what the pantry covers as well.</param>
/// <param name="Price">Of all packs.</param>
/// <param name="Problems">Wares of which no pack and price is known.</param>
public sealed record ShoppingList(IReadOnlyList<ShoppingLine> Lines, Money Price, IReadOnlyList<Problem> Problems)
{
    /// <summary>Makes the list.</summary>
    /// <param name="orders">The orders, each with what it comes to on its own.</param>
    /// <param name="tables">The trade tables with the kitchen's own; their stock is used up first.</param>
    public static ShoppingList For(IReadOnlyList<(OrderDraft Order, CoatingTally Alone)> orders, KitchenTables tables)
    {
        var stock = tables.Stock.Lots.ToLookup(l => l.Ware);
        var wanting = orders.SelectMany(o => Pantry.Need.Of(o.Order, o.Alone, tables.Reference)
            .Select(n => (n.Ware, Name: o.Order.Name ?? "")))
            .ToLookup(n => n.Ware, n => n.Name);
        var lines = (
            from need in Pantry.Need.Of(orders, tables)
            let ware = tables.Reference.Ware(need.Ware)
            where ware is not null && need.ToHave.Value > 0
            let cover = PackCover.For(need.ToHave.Value, stock[need.Ware], ware.Packs)
            let toBuy = cover.Count > 0 ? cover.Packs.Sum(p => p.Holds * p.Count) : need.ToHave.Value - cover.FromStock
            orderby ware.Section, ware.Name
            select new ShoppingLine(ware, need.ToHave, cover, Math.Round(toBuy, 6), [.. wanting[need.Ware].Distinct()])).ToList();
        return new(
            lines,
            lines.Aggregate(default(Money), (sum, l) => sum + l.Cover.Price),
            [.. lines.Where(l => l.ToBuy > 0 && l.Ware.Packs.Count == 0)
                .Select(l => new Problem(
                    l.Ware.Code,
                    Message.Of("pantry.pack-price-known", ("ware", l.Ware.Name)),
                    "pantry.pack-price-known.do",
                    Severity.Mind))]);
    }
}

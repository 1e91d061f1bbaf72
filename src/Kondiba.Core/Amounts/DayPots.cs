using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;

namespace Kondiba.Core.Amounts;

/// <summary>A pot that several orders of a day share.</summary>
/// <param name="Key">"coating.colour".</param>
/// <param name="Orders">Names of the orders.</param>
/// <param name="Together">To melt, in one pot.</param>
/// <param name="Apart">To melt, each order's on its own.</param>
/// <param name="Vessel">Code of the vessel it stands in; null when it is only drizzled.</param>
/// <param name="Of">Places of the orders among those of the day.</param>
public sealed record SharedPot(
    string Key, IReadOnlyList<string> Orders, Mass Together, Mass Apart, string? Vessel, [property: JsonIgnore] IReadOnlyList<int> Of)
{
    /// <summary>The same as one of the orders sees it, which names only the others.</summary>
    /// <param name="order">Its place among the day's orders.</param>
    public SharedPot Without(int order) => this with { Orders = [.. Orders.Zip(Of).Where(o => o.Second != order).Select(o => o.First)] };
}

/// <summary>The pots of all orders that are collected on a day: one colour is one pot.</summary>
/// <param name="Pots">Every pot of the day.</param>
/// <param name="Shared">Those that more than one order uses.</param>
public sealed record DayPots(IReadOnlyList<Pot> Pots, IReadOnlyList<SharedPot> Shared)
{
    /// <summary>Computes them.</summary>
    /// <param name="orders">The orders, each with what it comes to on its own.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static DayPots For(IReadOnlyList<(OrderDraft Order, CoatingTally Alone)> orders, KitchenTables tables)
    {
        if (orders.Count == 1)
            return new(orders[0].Alone.Pots, []);

        // Where orders chose differently for a pot, the day chooses.
        var choices = orders.SelectMany(o => o.Order.Pots).GroupBy(p => p.Key)
            .Where(g => g.Select(p => p.Value).Distinct().Count() == 1).ToDictionary(g => g.Key, g => g.First().Value);
        var margins = orders.Select(o => o.Order.Margin).Distinct().ToList();
        var day = CoatingTally.ForDay(
            new([.. orders.SelectMany(o => o.Order.Lines)])
            {
                Name = "the day",
                Pots = choices,
                Margin = margins.Count == 1 ? margins[0] : null
            },
            tables);
        var shared =
            from pot in day.Pots
            let users = orders.Index().Where(o => o.Item.Alone.Pots.Any(p => p.Key == pot.Key)).ToList()
            where users.Count > 1
            select new SharedPot(
                pot.Key,
                [.. users.Select(o => o.Item.Order.Name ?? "")],
                pot.ToMelt.Value,
                users.SelectMany(o => o.Item.Alone.Pots).Where(p => p.Key == pot.Key).Select(p => p.ToMelt.Value).Total(),
                pot.Vessel,
                [.. users.Select(o => o.Index)]);
        return new(day.Pots, [.. shared]);
    }
}

/// <summary>One colour to buy over several days; what is mixed from it is counted in.</summary>
/// <param name="Key">"coating.colour".</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of the colour.</param>
/// <param name="ToMelt">All of it, a pot a day.</param>
/// <param name="Cover">Stock and packs that cover the coating in it.</param>
/// <param name="Packs">Packs to buy.</param>
public sealed record CoatingNeed(string Key, string Coating, string Colour, Mass ToMelt, PackCover Cover, int Packs)
{
    /// <summary>Adds up the pots of several days, colour by colour, most first.</summary>
    public static IReadOnlyList<CoatingNeed> For(IEnumerable<PotNeed> pots, KitchenTables tables) =>
    [
        .. from pot in pots
           group pot by (pot.Coating, Colour: pot.Bought) into same
           let cover = PotPacks.CoverOf(
               same.Select(p => p.OfCoating).Total(), tables.Reference.Coating(same.Key.Coating)!, same.Key.Colour, tables)
           let toMelt = same.Select(p => p.ToMelt).Total()
           orderby toMelt.Si descending
           select new CoatingNeed($"{same.Key.Coating}.{same.Key.Colour}", same.Key.Coating, same.Key.Colour, toMelt, cover, cover.Count),
    ];
}

/// <summary>What a pot wants of the colour it is bought in.</summary>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Bought">Code of the colour that is bought for it.</param>
/// <param name="OfCoating">The coating in it, without thinner.</param>
/// <param name="ToMelt">All of it, thinner too.</param>
public sealed record PotNeed(string Coating, string Bought, Mass OfCoating, Mass ToMelt)
{
    /// <summary>Of a pot.</summary>
    public static PotNeed Of(Pot pot) => new(pot.Coating, pot.Bought, pot.OfCoating, pot.ToMelt.Value);
}

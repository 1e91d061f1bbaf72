using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Microsoft.Extensions.Caching.Memory;

namespace Kondiba.Web.Orders;

/// <summary>What an order on the shelf comes to, whatever is in the pantry.</summary>
/// <param name="Needs">What it wants at hand, by ware.</param>
internal sealed record Reckoned(
    int Pieces,
    IReadOnlyList<ColourCount> Colours,
    Mass ToMelt,
    IReadOnlyList<(string Ware, double ToHave)> Needs,
    IReadOnlyList<Message> Minds);

/// <summary>
/// Days that were reckoned, so many and no more, under their orders as they were and the revision of the kitchen's things: a day
/// is reckoned anew when one of them changes.
/// </summary>
internal sealed class KnownDays() : MemoryCache(new MemoryCacheOptions { SizeLimit = 4000 })
{
    private static readonly MemoryCacheEntryOptions One = new() { Size = 1 };

    /// <summary>Under what a day is remembered.</summary>
    public static object KeyOf(Guid kitchen, long things, IEnumerable<(Guid Id, uint Version)> orders) =>
        (kitchen, things, string.Join(' ', orders.Select(o => $"{o.Id}:{o.Version}")));

    /// <summary>Remembers a day.</summary>
    public ReckonedDay Keep(object key, ReckonedDay day) => this.Set(key, day, One);
}

/// <summary>What the orders of a day come to.</summary>
/// <param name="Orders">Each on its own, in the order they were given.</param>
/// <param name="Pots">What those still to be made want together.</param>
/// <param name="Shared">Pots that several of these share.</param>
internal sealed record ReckonedDay(IReadOnlyList<Reckoned> Orders, IReadOnlyList<PotNeed> Pots, IReadOnlyList<SharedPot> Shared)
{
    /// <summary>Reckons a day.</summary>
    public static ReckonedDay Reckon(IReadOnlyList<Order> orders, KitchenTables tables)
    {
        var tallies = orders.Select(o => (Order: o.ToDraft(), Alone: CoatingTally.For(o.ToDraft(), tables, o.Pickup))).ToList();
        var open = orders.Zip(tallies).Where(o => OrderQueries.Open.Contains(o.First.State)).Select(o => o.Second).ToList();
        var day = open.Count == 0 ? new([], []) : DayPots.For(open, tables);
        return new(
            [.. orders.Zip(tallies, (o, t) => Reckon(o, t.Order, t.Alone, tables.Reference))], [.. day.Pots.Select(PotNeed.Of)],
            day.Shared);
    }

    private static Reckoned Reckon(Order order, OrderDraft draft, CoatingTally tally, ReferenceData tables)
    {
        var counts = tally.Lines.ToDictionary(l => l.Line, l => l.Count.Value);
        return new(
            tally.Pieces,
            [.. order.Lines.OrderBy(l => l.Position)
                .GroupBy(l => (l.Coating, l.Colour))
                .Select(g => new ColourCount(g.Key.Coating, g.Key.Colour, g.Sum(l => counts.GetValueOrDefault(l.Position))))],
            tally.Pots.Select(p => p.ToMelt.Value).Total(),
            [.. Need.Of(draft, tally, tables).Select(n => (n.Ware, n.ToHave.Value))],
            [.. tally.Problems.Where(p => p.Field != "pickup").Select(p => p.Says)]);
    }
}

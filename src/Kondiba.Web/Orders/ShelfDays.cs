using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;

namespace Kondiba.Web.Orders;

/// <summary>What an order on the shelf comes to, whatever is in the pantry.</summary>
/// <param name="Needs">What it wants at hand, by ware.</param>
internal sealed record Reckoned(
    int Pieces,
    IReadOnlyList<ColourCount> Colours,
    Mass ToMelt,
    IReadOnlyList<(string Ware, double ToHave)> Needs,
    IReadOnlyList<Message> Minds);

/// <summary>What the orders of a day come to.</summary>
/// <param name="Orders">Each on its own, in the order they were given.</param>
/// <param name="Pots">What those still to be made want together.</param>
/// <param name="Shared">Pots that several of these share.</param>
internal sealed record ReckonedDay(IReadOnlyList<Reckoned> Orders, IReadOnlyList<PotNeed> Pots, IReadOnlyList<SharedPot> Shared)
{
    private static readonly ConditionalWeakTable<ReferenceData, ConcurrentDictionary<string, ReckonedDay>> Known = [];
    private const int MostKnown = 4000;

    /// <summary>What is known of a day's orders as they are now; null when it has not been reckoned since one of them changed.</summary>
    public static ReckonedDay? Find(ReferenceData tables, IEnumerable<(Guid Id, uint Version)> orders) =>
        Of(tables).GetValueOrDefault(KeyOf(orders));

    /// <summary>Reckons a day and remembers it as long as its orders and the tables stay as they are.</summary>
    public static ReckonedDay Reckon(IReadOnlyList<Order> orders, KitchenTables tables)
    {
        var tallies = orders.Select(o => (Order: o.ToDraft(), Alone: CoatingTally.For(o.ToDraft(), tables, o.Pickup))).ToList();
        var open = orders.Zip(tallies).Where(o => OrderQueries.Open.Contains(o.First.State)).Select(o => o.Second).ToList();
        var day = open.Count == 0 ? new([], []) : DayPots.For(open, tables);
        var reckoned = new ReckonedDay(
            [.. orders.Zip(tallies, (o, t) => Reckon(o, t.Order, t.Alone, tables.Reference))], [
                .. day.Pots.Select(PotNeed.Of),
            ], day.Shared);
        var known = Of(tables.Reference);
        if (known.Count >= MostKnown)
            known.Clear();
        known[KeyOf(orders.Select(o => (o.Id, o.Version)))] = reckoned;
        return reckoned;
    }

    private static ConcurrentDictionary<string, ReckonedDay> Of(ReferenceData tables) => Known.GetValue(tables, _ => new());

    private static string KeyOf(IEnumerable<(Guid Id, uint Version)> orders) => string.Join(' ', orders.Select(o => $"{o.Id}:{o.Version}"));

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

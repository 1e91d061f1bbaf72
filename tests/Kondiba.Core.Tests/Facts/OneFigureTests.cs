using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Planning;
using Kondiba.Core.Pricing;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>An order takes as many minutes and grams on one page as on another: prep, day, price and shelf.</summary>
public class OneFigureTests
{
    /// <summary>Orders of random kitchens, each by itself, that can be made.</summary>
    private static IEnumerable<(int Seed, PlanRequest Alone, CoatingTally Tally)> Orders() =>
        from seed in Enumerable.Range(3000, 60)
        let request = PlanTests.Any(new(seed))
        from order in request.Orders
        let tally = CoatingTally.For(order.Draft, request.Tables, request.Now)
        where tally.Pots.Count > 0
        select (seed, request with { Orders = [order], Arranged = Arrangements.None }, tally);

    [Fact]
    public void Minutes_of_the_hands()
    {
        foreach (var (seed, alone, tally) in Orders())
        {
            var order = alone.Orders[0].Draft;
            var priced = Costing.For(order, tally, alone.Tables).Hands.Value;
            var prepared = PrepList.For(order, tally, alone.Tables, alone.Now).Hands;
            Assert.True(
                Math.Abs((priced - prepared).TotalSeconds) < 1, $"{seed}: {priced} in the price, {prepared} on the prep page");

            // A plan is in whole minutes: each of its steps is up to one longer.
            var planner = new Planner(alone);
            if (planner.Alone() is not { } plan)
                continue;
            var hands = planner.Read(plan).Tasks.Where(t => t.Worker is not null).ToList();
            var planned = hands.Sum(t => Period.Between(t.Starts, t.Ends, PeriodUnits.Minutes).Minutes);
            var melts = plan.Melts.Count - tally.Pots.Count;
            if (melts == 0)
                Assert.InRange(planned, (long)prepared.TotalMinutes, (long)prepared.TotalMinutes + (2 * hands.Count) + 1);
        }
    }

    [Fact]
    public void Grams_to_melt()
    {
        foreach (var (seed, alone, tally) in Orders())
        {
            var shelf = DayPots.For([(alone.Orders[0].Draft, tally)], alone.Tables).Pots;
            foreach (var pot in tally.Pots)
            {
                var needed = shelf.Single(p => p.Key == pot.Key).ToMelt.Value;
                Assert.True(
                    Same(pot.ToMelt.Value, needed), $"{seed}: {pot.Key} {pot.ToMelt.Value.In("g")} g, on the shelf {needed.In("g")} g");
            }

            var planner = new Planner(alone);
            if (planner.Alone() is not { } plan)
                continue;
            foreach (var melts in planner.Read(plan).Melts.GroupBy(m => m.Pot))
            {
                var pot = tally.Pots.Single(p => p.Key == melts.Key).ToMelt.Value;

                // Melted once it is what the order says; melted anew later, the pool is melted again.
                var first = melts.Select(m => m.ToMelt).Total();
                Assert.True(
                    melts.Count() > 1 ? first.Si >= pot.Si - 1e-6 : Same(pot, first),
                    $"{seed}: {melts.Key} {pot.In("g")} g, in the day's plan {first.In("g")} g");
            }
        }
    }

    private static bool Same(Mass one, Mass other) => Math.Abs(one.In("g") - other.In("g")) < 0.01;
}

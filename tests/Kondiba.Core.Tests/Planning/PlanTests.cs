using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;

namespace Kondiba.Core.Tests;

public class PlanTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;

    // The effort ends a search, not the clock of a machine that has other things to do.
    private static readonly Limits Patient = new(Effort: 4, Seconds: 600, Quick: true);

    // Trying what would help takes minutes for all of them: one of each hundred is tried, or all when KONDIBA_EVERY_REMEDY is set.
    private static readonly bool EveryRemedy = Environment.GetEnvironmentVariable("KONDIBA_EVERY_REMEDY") is not null;

    /// <summary>
    /// Five hundred kitchens and order sets, the same in every run. Plans break no limit that the checker knows; where there is none
    /// the solver has proven it, and every remedy that is offered leads to a plan that breaks no limit either.
    /// </summary>
    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void Five_hundred_kitchens_break_no_limit(int hundred)
    {
        var (plans, none, tried) = (0, 0, 0);
        for (var i = hundred * 100; i < (hundred + 1) * 100; i++)
        {
            var request = Any(new(i));
            var planner = new Planner(request);
            var solution = planner.Solve(Patient);
            if (solution.Outcome is Outcome.Unknown)
                solution = planner.Solve(Patient with { Quick = false });
            if (solution.Any)
            {
                plans++;
                var plan = planner.Read(planner.Tidy(solution));
                Assert.True(PlanChecker.Broken(request, plan) is [], $"{i}: {string.Join("; ", PlanChecker.Broken(request, plan))}");
                continue;
            }

            none++;
            Assert.Equal((i, Outcome.Impossible), (i, solution.Outcome));
            if (tried > 0 && !EveryRemedy)
                continue;
            var shortage = planner.ReadShort(planner.Stretch());
            Assert.True(shortage.Shortages.Count > 0, $"{i}: impossible, and nothing is short");
            foreach (var remedy in planner.Help(shortage))
            {
                tried++;
                var helped = new Planner(remedy.In(request));
                var found = helped.Solve(Patient);
                var plan = helped.Read(found.Any ? helped.Tidy(found) : found);
                Assert.True(plan.Outcome is Outcome.Found or Outcome.Best, $"{i}: “{remedy.What.Said()}” does not help");
                Assert.True(
                    PlanChecker.Broken(remedy.In(request), plan) is [],
                    $"{i}, {remedy.What.Said()}: {string.Join("; ", PlanChecker.Broken(remedy.In(request), plan))}");
            }
        }

        Assert.True(plans > 50 && none > 3 && tried > 0, $"{plans} plans, {none} impossible, {tried} remedies");
    }

    /// <summary>A kitchen with up to three orders, as chance has it.</summary>
    public static PlanRequest Any(Random random)
    {
        int Of(int from, int to) => random.Next(from, to + 1);
        var now = Orders.Now.PlusMinutes(Of(0, 600));
        DayHours? Day() => Of(0, 9) == 0 ? null : new(new(Of(7, 10), 0), new(Of(15, 21), Of(0, 1) * 30));
        var tables = Tables with
        {
            Profile = Tables.Profile with
            {
                Working = new([.. Enumerable.Range(0, 7).Select(_ => new WeekDay(Day()))], Of(1, 2),
                Of(0, 2))
            },
            Reference = Tables.Reference with
            {
                Setting = Tables.Reference.Setting with
                {
                    Places = [
                .. Tables.Reference.Setting.Places.Select(p => p with { Trays = p.Code == Place.Room
                    ? Of(2, 5)
                    : p.Code == "fridge" ? Of(1, 4) : Of(0, 2) }),
            ]
                }
            },
        };
        (string, string, double)[] kinds = [
            ("strawberry", "L", 0.75),
            ("pretzel-rod", "one", 0.5),
            ("pretzel-twist", "mini", 1),
            ("sandwich-cookie", "thin", 1),
            ("cake-ball", "one", 1),
            ("marshmallow", "one", 0.66),
            ("truffle-ball", "one", 1),
            ("apple", "M", 1),
            ("moulded-piece", "bite", 1),
        ];
        string[] colours = ["dark", "white", "midnight", "silver", "teal"];
        LineDraft Line()
        {
            var (centre, size, depth) = kinds[Of(0, kinds.Length - 1)];
            return Weekend.Dipped(
                centre, size, Of(4, 40), colours[Of(0, 4)], depth, centre != "moulded-piece" && Of(0, 2) == 0 ? colours[Of(0, 4)] : null);
        }

        var orders = Enumerable.Range(0, Of(1, 3)).Select(i => new PlannedOrder(
            $"o{i}", Orders.Order(
                null, [
                    .. Enumerable.Range(0, Of(1, 3)).Select(_ => Line()),
                ]) with
            { Pickup = now.PlusMinutes(Of(8 * 12, 60 * 12) * 5) })).ToList();
        List<HelperOn> helpers = Of(0, 3) == 0 ? [new(now.Date.PlusDays(1), new(new(12, 0), new(16, 0)))] : [];
        return new(orders, tables, Arrangements.None with { Helpers = helpers }, now);
    }
}

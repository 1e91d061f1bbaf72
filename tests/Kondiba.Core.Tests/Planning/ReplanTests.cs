using Kondiba.Core.Planning;
using Kondiba.Core.Steps;

namespace Kondiba.Core.Tests;

/// <summary>
/// Plans that are changed again and again: what the maker says holds, no limit is broken, and no more is moved than must be.
/// </summary>
public class ReplanTests
{
    private static readonly Limits Patient = new(Effort: 4, Seconds: 600, Quick: true);

    /// <summary>A plan that is on show: what it was asked for, and in whose minutes.</summary>
    private sealed record Shown(PlanRequest Request, Planner Planner, Solution Solution)
    {
        public Plan Plan { get; } = Planner.Read(Solution);

        /// <summary>Planned round this one; null when that is proven impossible.</summary>
        public Shown? Again(Arrangements arranged)
        {
            var request = Request with { Arranged = arranged };
            var planner = new Planner(request);
            var near = planner.Shifted(Solution, Planner.Origin);
            var found = planner.Solve(Patient, near, near);
            if (found.Outcome is Outcome.Unknown)
                found = planner.Solve(Patient with { Quick = false }, near, near);
            if (found.Any)
                return new(request, planner, planner.Tidy(found, near));
            Assert.Equal(Outcome.Impossible, found.Outcome);
            return null;
        }
    }

    private static Shown? First(PlanRequest request)
    {
        var planner = new Planner(request);
        return planner.Solve(Patient) is { Any: true } solution ? new(request, planner, planner.Tidy(solution)) : null;
    }

    private static Arrangements With(Arrangements arranged, string task, TaskMark mark) =>
        arranged with { Tasks = new Dictionary<string, TaskMark>(arranged.Tasks) { [task] = mark } };

    private static List<DayTask> Own(Plan plan) => [.. plan.Tasks.Where(t => t.What.Order is not null && t.Worker is not null)];

    /// <summary>
    /// Each step of a weekend in turn is half an hour late: it is planned again, and what is done on other days or for other orders
    /// mostly stays where it was.
    /// </summary>
    [Fact]
    public void What_is_late_moves_little_else()
    {
        var request = Weekend.Request with { Orders = [.. Weekend.Orders.Take(6)] };
        var planner = new Planner(request);
        var before = planner.Tidy(planner.Solve(Planner.First));
        List<double> stayed = [];
        foreach (var task in before.Tasks.Where(t => t.Worker is not null).Where((_, i) => i % 4 == 0))
        {
            var late = planner.Origin.AtMidnight().PlusMinutes(task.Start + 30);
            var again = request with { Arranged = With(Arrangements.None, task.Code, new(NotBefore: late)) };
            var replanned = new Planner(again);
            var near = replanned.Shifted(before, planner.Origin);
            var found = replanned.Solve(Planner.First with { Seconds = 600 }, near, near);
            Assert.True(found.Any, $"{task.Code}: {found.Outcome}");
            Assert.Empty(PlanChecker.Broken(again, replanned.Read(found)));
            stayed.Add(found.Tasks.Zip(near.Tasks).Count(t => t.First.Start == t.Second.Start) / (double)near.Tasks.Count);
        }

        Assert.True(stayed.Average() > 0.8, $"on the average {stayed.Average():P0} stayed");
    }

    /// <summary>A maker who has time melts before it is planned: she dips then, and does not wash the pot up to melt it again.</summary>
    [Fact]
    public void What_is_melted_sooner_is_dipped_from_sooner()
    {
        var rods = Weekend.Orders.First(o => o.Draft.Lines.Any(l => l.Centre == "pretzel-rod"));
        var request = Weekend.Request with
        {
            Orders = [rods with { Draft = rods.Draft with { Lines = [rods.Draft.Lines.First(l => l.Centre == "pretzel-rod")] } }],
        };
        var planner = new Planner(request);
        var before = planner.Tidy(planner.Solve(Planner.First));
        var dip = planner.Read(before).Tasks.Single(t => t.What.Stage is Stage.Dip);
        var melt = before.Melts.Single(m => m.Tasks.Contains(dip.What.Code));

        // Seven hours sooner than planned, with all that comes before it.
        var marks = before.Tasks.Where(t => t.Worker is not null && t.End <= melt.Melt.Start).ToDictionary(t => t.Code, t => Done(t.End));
        var melted = Done(melt.Melt.End);
        marks[Melted.MeltOf(melt.Colour, melt.Number)] = melted;
        TaskMark Done(int planned) => new(Done: planner.Origin.AtMidnight().PlusMinutes(planned - 420));
        var again = request with { Arranged = Arrangements.None with { Tasks = marks }, Now = melted.Done!.Value };
        var replanned = new Planner(again);
        var near = replanned.Shifted(before, planner.Origin);
        var found = replanned.Solve(Planner.First with { Seconds = 600 }, near, near);
        Assert.True(found.Any, $"{found.Outcome}");
        Assert.Empty(PlanChecker.Broken(again, replanned.Read(found)));
        Assert.Equal(before.Melts.Count(m => m.Colour == melt.Colour), found.Melts.Count(m => m.Colour == melt.Colour));
        Assert.NotEmpty(found.Melts.Single(m => m.Colour == melt.Colour && m.Number == melt.Number).Tasks);
    }

    /// <summary>Forty kitchens, each changed up to four times in ways a maker would.</summary>
    [Theory]
    [InlineData(1000)]
    [InlineData(1010)]
    [InlineData(1020)]
    [InlineData(1030)]
    public void Whatever_is_arranged_holds_and_no_limit_is_broken(int from)
    {
        var (again, none) = (0, 0);
        for (var seed = from; seed < from + 10; seed++)
        {
            var random = new Random(seed);
            var shown = First(PlanTests.Any(random));
            for (var change = 0; change < 4 && shown is not null; change++)
            {
                var arranged = Changed(shown, random);
                if (shown.Again(arranged) is not { } next)
                {
                    none++;
                    continue;
                }

                again++;
                Assert.True(
                    PlanChecker.Broken(next.Request, next.Plan) is [],
                    $"{seed}: {string.Join("; ", PlanChecker.Broken(next.Request, next.Plan))}");
                foreach (var (code, mark) in arranged.Tasks)
                {
                    var task = next.Plan.Tasks.Single(t => t.What.Code == code);
                    Assert.True(
                        mark.At is not { } at || task.Starts == at, $"{seed}: {code} is pinned at {mark.At} and starts at {task.Starts}");
                    Assert.True(
                        mark.NotBefore is not { } least || task.Starts >= least,
                        $"{seed}: {code} is not to begin before {mark.NotBefore} and starts at {task.Starts}");
                }

                Assert.Equal(Own(shown.Plan).Select(t => t.What.Code).Order(), Own(next.Plan).Select(t => t.What.Code).Order());
                shown = next;
            }
        }

        Assert.True(again > 15, $"{again} planned again, {none} impossible");
    }

    private static Arrangements Changed(Shown shown, Random random)
    {
        var (arranged, tasks) = (shown.Request.Arranged, Own(shown.Plan));
        var task = tasks[random.Next(tasks.Count)];
        var day = task.Starts.Date;
        switch (random.Next(6))
        {
            case 0:
                return With(arranged, task.What.Code, new(NotBefore: task.Starts.PlusMinutes(random.Next(1, 90))));
            case 1:
                return With(arranged, task.What.Code, new(At: task.Starts));
            case 2:
                return With(arranged, task.What.Code, new(At: task.Starts.PlusMinutes(-random.Next(5, 60))));
            case 3:
                return arranged with { Places = [.. arranged.Places, new("counter", -1, day.AtMidnight(), day.PlusDays(1).AtMidnight())] };
            case 4:
                return arranged with { Helpers = [.. arranged.Helpers, new(day, new(new(9, 0), new(13, 0)))] };
            default:
                return arranged with
                {
                    Hours = [
                    .. arranged.Hours.Where(h => h.Day != day),
                    new(day, new(new(7, 30), new(random.Next(17, 22), 0))),
                ]
                };
        }
    }

    [Fact]
    public void A_task_that_is_pinned_where_it_stands_moves_nothing()
    {
        for (var seed = 0; seed < 6; seed++)
        {
            if (First(PlanTests.Any(new(seed))) is not { } shown)
                continue;
            foreach (var task in Own(shown.Plan).Where((_, i) => i % 4 == 0))
            {
                var pinned = shown.Again(With(shown.Request.Arranged, task.What.Code, new(At: task.Starts)))!;
                Assert.Equal(
                    Own(shown.Plan).Select(t => (t.What.Code, t.Starts)).Order(),
                    Own(pinned.Plan).Select(t => (t.What.Code, t.Starts)).Order());
            }
        }
    }

    [Fact]
    public void What_is_said_and_taken_back_leaves_a_plan_as_good_as_before()
    {
        var rods = Weekend.Order("rods", 2, 12, Weekend.Dipped("pretzel-rod", "one", 24, "midnight", 0.5));
        var cookies = Weekend.Order("cookies", 2, 14, Weekend.Dipped("sandwich-cookie", "thin", 24, "coral", 1));
        var request = Weekend.Request with { Orders = [rods, cookies] };
        var planner = new Planner(request);
        var best = planner.Solve(Patient with { Quick = false });
        Assert.Equal(Outcome.Best, best.Outcome);
        var dip = planner.Read(best).Tasks.Single(t => t.What.Code == "rods/dip.0");

        // An hour later, then free again and planned from nothing: the same cost, as it is proven best both times.
        var later = new Shown(
            request, planner, best).Again(With(Arrangements.None, "rods/dip.0", new(NotBefore: dip.Starts.PlusHours(1))))!;
        Assert.True(later.Plan.Tasks.Single(t => t.What.Code == "rods/dip.0").Starts >= dip.Starts.PlusHours(1));
        var back = new Planner(request).Solve(
            Patient with { Quick = false }, new Planner(request).Shifted(later.Solution, later.Planner.Origin));
        Assert.Equal((Outcome.Best, best.Cost), (back.Outcome, back.Cost));
    }

    [Fact]
    public void Each_order_is_collected_when_it_was_whatever_another_does()
    {
        var orders = Enumerable.Range(0, 3)
            .Select(i => Weekend.Order($"o{i}", 2, 10 + (3 * i), Weekend.Dipped("pretzel-rod", "one", 12, "midnight", 0.5)))
            .ToList();
        var shown = First(Weekend.Request with { Orders = orders })!;
        var last = Own(shown.Plan).Where(t => t.What.Order == "o2").MinBy(t => t.Starts)!;
        var again = shown.Again(With(Arrangements.None, last.What.Code, new(NotBefore: last.Starts.PlusMinutes(10))))!;
        Assert.Equal(orders.Select(o => o.Draft.Pickup!.Value), again.Plan.Orders.Select(o => o.Pickup));
        Assert.All(again.Plan.Orders, o => Assert.True(o.Ready <= o.Pickup));
        foreach (var order in shown.Plan.Orders.Select(o => o.Order).Where(o => o != "o2"))
        {
            Assert.Equal(
                Own(shown.Plan).Where(t => t.What.Order == order).Select(t => (t.What.Code, t.Starts)),
                Own(again.Plan).Where(t => t.What.Order == order).Select(t => (t.What.Code, t.Starts)));
        }
    }
}

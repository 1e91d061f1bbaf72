using Kondiba.Core.Orders;
using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

/// <summary>The plan that is there at once.</summary>
public class ListScheduleTests
{
    /// <summary>Two counts of the same cost, written apart: the solver's, and the one that reads a plan.</summary>
    [Theory]
    [InlineData(0)]
    [InlineData(100)]
    [InlineData(200)]
    public void The_solver_takes_it_as_it_is_and_counts_the_same_cost(int from)
    {
        var taken = 0;
        for (var i = from; i < from + 12; i++)
        {
            var problem = new Planner(PlanTests.Any(new(i))).Problem;
            if (ListSchedule.Of(problem) is not { } quick)
                continue;
            taken++;
            var solved = PlanModel.Solve(problem, new(Effort: 4, Seconds: 600, Quick: true), quick);
            Assert.True(solved.Any, $"{i}: the solver finds it breaks a limit");
            Assert.Equal(quick.Tasks, solved.Tasks);
            Assert.Equal((i, PlanCost.Of(problem, solved)), (i, solved.Cost));
        }

        Assert.True(taken > 5, $"{taken} plans");
    }

    [Fact]
    public void A_full_weekend_has_a_plan_at_once_that_breaks_no_limit()
    {
        foreach (var seed in (int[])[1, 2, 3])
        {
            var request = Weekend.Like(seed);
            var planner = new Planner(request);
            var quick = ListSchedule.Of(planner.Problem);
            Assert.NotNull(quick);
            Assert.Empty(PlanChecker.Broken(request, planner.Read(quick)));
        }
    }

    /// <summary>Whatever is asked for, something is answered: all of it made, and what is late is said to be.</summary>
    [Fact]
    public void What_cannot_be_ready_in_time_is_planned_late_and_nothing_is_left_out()
    {
        var request = Weekend.Request with
        {
            Orders = [.. Weekend.Orders.Select(o => o with { Draft = o.Draft with { Pickup = Weekend.Now.PlusHours(5) } })],
        };
        var planner = new Planner(request);
        Assert.Null(ListSchedule.Of(planner.Problem));
        var late = planner.Late();
        Assert.NotNull(late);
        var plan = planner.ReadShort(late, proven: false);
        Assert.Equal(request.Orders.Count, plan.Orders.Count);
        Assert.Contains(plan.Orders, o => o.Ready > o.Pickup);
        Assert.NotEmpty(plan.Shortages);
        Assert.All(planner.Problem.Tasks, t => Assert.Contains(plan.Tasks, p => p.What.Code == t.Code));
    }

    [Fact]
    public void Nothing_to_be_made_is_a_plan_with_nothing_in_it()
    {
        var planner = new Planner(Weekend.Request with { Orders = [] });
        Assert.Empty(planner.Solve(Planner.First).All);
        Assert.Empty(planner.Solve(Planner.Full).All);
    }

    /// <summary>Berries are dry for half an hour only (common practice): those of many lines are not dried all at once.</summary>
    [Theory]
    [InlineData(6, "XL", "teal")]
    [InlineData(7, "M", "teal", "coral", "midnight")]
    [InlineData(10, "M", "teal", "silver")]
    public void Berries_of_many_lines_are_dried_as_they_can_be_dipped(int lines, string size, params string[] colours)
    {
        var request = Weekend.Request with
        {
            Orders = [Weekend.Order("1", 4, 18, Lines(lines, i => ("strawberry", size, 12, colours[i % colours.Length])))],
        };
        var planner = new Planner(request);
        var found = planner.Solve(Planner.First);
        Assert.True(found.Any);
        var plan = planner.Read(found);
        Assert.Empty(PlanChecker.Broken(request, plan));
        var dried = plan.Tasks.Where(t => t.What.Code.Contains("/prep.strawberry", StringComparison.Ordinal)).ToList();
        Assert.InRange(dried.Count, 2, lines - 1);
        Assert.Equal(Enumerable.Range(0, lines), dried.SelectMany(t => t.What.Lines).Order());
    }

    /// <summary>More than a kitchen has room for is told with what comes of it, never with nothing.</summary>
    [Theory]
    [InlineData("apple", "M", 1, 150)]
    [InlineData("strawberry", "M", 20, 12)]
    [InlineData("fruit-ring", "one", 1, 400)]
    [InlineData("caramel-rod", "one", 20, 12)]
    public void What_there_is_no_room_for_is_planned_all_the_same_and_what_is_short_is_said(
        string centre, string size, int lines, int pieces)
    {
        var planner = new Planner(Weekend.Request with
        {
            Orders = [Weekend.Order("1", 4, 18, Lines(lines, i => (centre, size, pieces, i % 2 == 0 ? "teal" : "coral")))],
        });
        Assert.False(planner.Solve(Planner.First).Any);
        var late = planner.Late();
        Assert.NotNull(late);
        var plan = planner.ReadShort(late);
        Assert.NotEmpty(plan.Shortages);
        Assert.All(planner.Problem.Tasks, t => Assert.Contains(plan.Tasks, p => p.What.Code == t.Code));
    }

    private static LineDraft[] Lines(int count, Func<int, (string Centre, string Size, int Pieces, string Colour)> of) =>
    [
        .. from i in Enumerable.Range(0, count)
           let line = of(i)
           select Weekend.Dipped(line.Centre, line.Size, line.Pieces, line.Colour, 0.75),
    ];
}

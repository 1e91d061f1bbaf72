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
            var solved = PlanModel.Solve(problem, new(Effort: 4, Seconds: 60, Quick: true), quick);
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
}

using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

/// <summary>Classic job shops, fed to the planner as work for hands only: a machine is somebody's hands, a job a chain of tasks.</summary>
public class JobShopTests
{
    /// <summary>Each instance's known optimum is found and proven.</summary>
    [Theory]
    [MemberData(nameof(Instances))]
    public void The_known_optimum_is_found_and_proven(JobShop shop)
    {
        var solution = PlanModel.Solve(shop.ToProblem(), new(Effort: 60, Seconds: 600));
        Assert.Equal((Outcome.Best, shop.Optimum), (solution.Outcome, solution.Cost));
        Assert.Equal(shop.Optimum, solution.Bound);
        Assert.Equal(shop.Optimum, solution.Tasks.Max(t => t.End));
    }

    public static TheoryData<JobShop> Instances => [.. JobShop.Classics];
}

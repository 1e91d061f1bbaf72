using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Plans small enough to be proven best in a moment.</summary>
internal static class SmallPlans
{
    public static readonly KitchenTables Tables = KitchenTables.Shipped;
    public static readonly Limits Patient = new(Effort: 4, Seconds: 600, Quick: true);
    public static readonly LocalDate Today = Weekend.Now.Date;
    public static readonly DayHours Usual = new(new(8, 0), new(21, 0));

    public static readonly PlannedOrder Rods = Weekend.Order("rods", 2, 12, Weekend.Dipped("pretzel-rod", "one", 24, "midnight", 0.5));
    public static readonly PlannedOrder Berries = Weekend.Order(
        "berries", 2, 12, Weekend.Dipped("strawberry", "L", 24, "dark", 0.75, "white"));
    public static readonly PlannedOrder Cookies = Weekend.Order(
        "cookies", 2, 14, Weekend.Dipped("sandwich-cookie", "thin", 24, "midnight", 1));

    public static PlanRequest Request(params PlannedOrder[] orders) => new(orders, Tables, Arrangements.None, Weekend.Now);

    public static PlanRequest With(PlanRequest request, string task, TaskMark mark) =>
        request with { Arranged = request.Arranged with { Tasks = new Dictionary<string, TaskMark> { [task] = mark } } };

    public static PlanRequest Closed(PlanRequest request, params int[] days) =>
        request with { Arranged = request.Arranged with { Hours = [.. days.Select(d => new HoursOn(Today.PlusDays(d), null))] } };

    public static (Planner Planner, Solution Solution, Plan Plan) Planned(PlanRequest request, bool best = true)
    {
        var planner = new Planner(request);
        var solution = planner.Solve(Patient);
        Assert.True(solution.Any, $"no plan: {solution.Outcome}");
        if (best)
            solution = planner.Solve(Patient with { Quick = false }, solution);
        solution = planner.Tidy(solution);
        var plan = planner.Read(solution);
        Assert.Empty(PlanChecker.Broken(request, plan));
        return (planner, solution, plan);
    }
}

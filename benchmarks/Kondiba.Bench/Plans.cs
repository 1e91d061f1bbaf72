using System.Diagnostics;
using Kondiba.Core.Planning;
using Kondiba.Core.Tests;

namespace Kondiba.Bench;

/// <summary>The planner: classic job shops with their known optima, and a full weekend.</summary>
internal static class Plans
{
    private const int Others = 5;

    public static void Measure(Action<string, double, double?> tell)
    {
        foreach (var shop in JobShop.Classics)
        {
            var (time, solution) = Timed(() => PlanModel.Solve(shop.ToProblem(), new(Effort: 100, Seconds: 120)));
            tell($"Plan, {shop.Name}, optimum {shop.Optimum}: {solution.Outcome} {solution.Cost}", time, null);
        }

        var (making, planner) = Timed(() => new Planner(Weekend.Request));
        (making, planner) = Timed(() => new Planner(Weekend.Request));
        tell(
            $"Plan, a weekend of {Weekend.Orders.Count} orders, {Weekend.Orders.Sum(o => o.Draft.Lines.Sum(l => l.Amount))} pieces, {planner.Problem.Colours.Count} colours: {planner.Problem.Tasks.Count} tasks made",
            making,
            null);
        var (first, alone) = Timed(() => planner.Alone()!);
        tell($"Plan, the first one, {Gap(planner, alone)}", making + first, 1000);
        var (tried, some) = Timed(() => planner.Solve(Planner.First));
        tell($"Plan, orders tried in other turns, {Gap(planner, some)}", tried, null);
        var (full, best) = Timed(() => planner.Solve(Planner.Full with { Seconds = 10 }, alone));
        tell($"Plan, improved, {Gap(planner, best)}: within 5 % {(best.Gap <= 0.05 ? "met" : "MISSED")}", full, 10_500);
        var (tidying, tidy) = Timed(() => planner.Tidy(best));
        tell("Plan, put as late as it goes", tidying, null);

        for (var seed = 1; seed <= Others; seed++)
        {
            var other = new Planner(Weekend.Like(seed));
            var (time, found) = Timed(() => other.Solve(Planner.Full with { Seconds = 10 }, other.Alone()));
            tell(
                $"Plan, another weekend like it, {found.Melts.Count} melts, {Gap(other, found)}: within 5 % {(found.Gap <= 0.05 ? "met" : "MISSED")}",
                time,
                10_500);
        }

        var fair = Weekend.Fair();
        var (tasks, tenDays) = Timed(() => new Planner(fair));
        var (once, atOnce) = Timed(() => tenDays.Alone());
        var pieces = fair.Orders.Sum(o => o.Draft.Lines.Sum(l => l.Amount));
        tell(
            $"Plan, {fair.Orders.Count} orders, {pieces} pieces over ten days, {tenDays.Problem.Tasks.Count} tasks made", tasks, null);
        tell($"Plan, made and planned at once, {(atOnce is null ? "NONE" : $"cost {atOnce.Cost}")}", tasks + once, 2000);
        var (more, bettered) = Timed(() => tenDays.Solve(Planner.Full with { Seconds = 15 }, atOnce));
        tell($"Plan, improved, {Gap(tenDays, bettered)}", more, null);

        // One task comes late, each of them in turn: it begins half an hour after it should have.
        List<(string Task, double Time, Outcome Outcome, int Moved)> late = [];
        foreach (var task in tidy.Tasks.Where(t => t.Worker is not null))
        {
            var at = planner.Origin.AtMidnight().PlusMinutes(task.Start + 30);
            var request = Weekend.Request with
            {
                Arranged = Arrangements.None with
                {
                    Tasks = new Dictionary<string, TaskMark>
                    {
                        [task.Code] = new(
                NotBefore: at)
                    }
                }
            };
            var (again, moved) = Timed(() =>
            {
                var replan = new Planner(request);
                var near = replan.Shifted(tidy, planner.Origin);
                return replan.Solve(Planner.First, near, near);
            });
            late.Add(
                (task.Code, again, moved.Outcome, moved.Any ? moved.Tasks.Zip(tidy.Tasks).Count(t => t.First.Start != t.Second.Start) : 0));
        }

        var inTime = late.FindAll(l => l.Outcome is Outcome.Found or Outcome.Best);
        var slowest = inTime.MaxBy(l => l.Time);
        tell(
            $"Plan, again after one of {late.Count} tasks is half an hour late: {inTime.Count} found, {late.Count(l => l.Outcome is Outcome.Impossible)} impossible, {late.Count(l => l.Outcome is Outcome.Unknown)} unknown; "
            + $"on the average {inTime.Average(l => l.Moved):0} moved; the slowest, {slowest.Task}", slowest.Time, 1000);
    }

    private static string Gap(Planner planner, Solution solution)
    {
        // What no plan can save is the time of the hands itself; the gap of the rest is told as well.
        var fixedCost = (long)planner.Problem.Goal.Hands * (planner.Problem.Tasks.Sum(
            t => t.Lasts) + planner.Problem.Colours.Sum(c => c.Lasts + c.Washes));
        return $"{solution.Outcome}, gap {solution.Gap:P1}, of what can be saved {(solution.Cost > fixedCost ? (solution.Cost - solution.Bound) / (double)(solution.Cost - fixedCost) : 0):P1}";
    }

    private static (double Milliseconds, T Made) Timed<T>(Func<T> make)
    {
        var watch = Stopwatch.StartNew();
        var made = make();
        return (watch.Elapsed.TotalMilliseconds, made);
    }
}

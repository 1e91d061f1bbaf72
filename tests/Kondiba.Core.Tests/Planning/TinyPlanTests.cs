using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

/// <summary>The solver against trying everything, on problems small enough for that.</summary>
public class TinyPlanTests
{
    private static readonly Limits Enough = new(Effort: 20, Seconds: 600);

    [Fact]
    public void No_plan_is_shorter_than_the_solvers_and_where_it_finds_none_there_is_none()
    {
        var (found, none) = (0, 0);
        for (var seed = 0; seed < 120; seed++)
        {
            var problem = Places(new(seed));
            var solution = PlanModel.Solve(problem, Enough);
            var shortest = TinyPlans.Shortest(problem);
            Assert.Equal((seed, shortest is null ? Outcome.Impossible : Outcome.Best), (seed, solution.Outcome));
            if (shortest is null)
            {
                none++;
                continue;
            }

            found++;
            Assert.Equal((seed, (long)shortest), (seed, solution.Cost));
            Assert.Equal(solution.Cost, solution.Bound);
        }

        Assert.True(found > 30 && none > 10, $"{found} with a plan, {none} without");
    }

    [Fact]
    public void No_plan_has_fewer_melts_than_the_solvers()
    {
        var counts = new Dictionary<int, int>();
        for (var seed = 0; seed < 60; seed++)
        {
            var problem = Melting(new(seed));
            var solution = PlanModel.Solve(problem, Enough);
            var fewest = TinyPlans.FewestMelts(problem);
            Assert.Equal((seed, fewest is null ? Outcome.Impossible : Outcome.Best), (seed, solution.Outcome));
            counts[fewest ?? 0] = counts.GetValueOrDefault(fewest ?? 0) + 1;
            if (fewest is not null)
                Assert.Equal((seed, fewest.Value), (seed, solution.Melts.Count));
        }

        Assert.True(counts.Keys.Order().SequenceEqual([0, 1, 2]) || counts.Count > 3, string.Join(", ", counts));
    }

    /// <summary>Up to four tasks, one after another or not, with waits; two places with little room; hands with a pause.</summary>
    private static PlanProblem Places(Random random)
    {
        int Of(int from, int to) => random.Next(from, to + 1);
        var (ends, count) = (Of(9, 12), Of(2, 4));
        List<PlanTask> tasks = [];
        List<Stay> stays = [];
        for (var i = 0; i < count; i++)
        {
            List<Follows> after = i > 0 && Of(0, 1) == 0 ? [new($"t{Of(0, i - 1)}", Of(0, 2), Of(0, 1) == 0 ? Of(2, 4) : null)] : [];
            tasks.Add(new($"t{i}", Of(1, 3), after, Of(0, 2), ends - Of(0, 2), At: Of(0, 7) == 0 ? Of(2, 5) : null));
            if (after is [var before])
                stays.Add(new($"s{i}", before.Task, [$"t{i}"], 0, Choices()));
            else if (Of(0, 2) == 0)
                stays.Add(new($"s{i}", $"t{i}", [], ends, Choices()));
        }

        return new(
            ends,
            [new("me", Of(0, 2) == 0 ? [new(0, 4), new(Of(5, 6), ends)] : [new(0, ends)])],
            [Place("a"), Place("b")],
            tasks,
            stays,
            [],
            [],
            [],
            new(Span: 1));

        Resource Place(string code) => new(code, Of(1, 2), Of(0, 2) == 0 ? [new(new(Of(2, 5), Of(6, 8)), 1)] : []);
        List<Standing> Choices() =>
            [new("a", Of(1, 2), Of(0, 2), Of(0, 1) == 0 ? Of(3, 5) : null), .. Of(0, 1) == 0 ? (Standing[])[new("b", 1, Of(0, 3))] : []];
    }

    /// <summary>Two or three dips of one colour, that holds for a while only, in limits that may keep them apart.</summary>
    private static PlanProblem Melting(Random random)
    {
        int Of(int from, int to) => random.Next(from, to + 1);
        var ends = Of(11, 13);
        List<PlanTask> tasks = [];
        for (var i = 0; i < Of(2, 3); i++)
        {
            var earliest = Of(0, 7);
            tasks.Add(new($"t{i}", Of(1, 2), [], earliest, Math.Min(ends, earliest + Of(3, 6))));
        }

        return new(
            ends,
            [new("me", [new(0, ends)])],
            [],
            tasks,
            [],
            [],
            [new("dark", Of(1, 2), Of(0, 2), Of(2, 5), 1, [], 1, [.. tasks.Select(t => t.Code)])],
            [],
            new(Hands: 1));
    }
}

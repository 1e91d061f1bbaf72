using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

/// <summary>A job shop: jobs of steps, each on a machine for some time.</summary>
/// <param name="Name">Whose instance it is.</param>
/// <param name="Optimum">Its least makespan, as the literature has it.</param>
/// <param name="Rows">A job a row: machine and time in turn.</param>
public sealed record JobShop(string Name, int Optimum, string Rows)
{
    /// <summary>
    /// Fisher &amp; Thompson 1963, 6×6 (optimum 55); Lawrence 1984, LA01 (666) and LA05 (593).
    /// The data are quoted from memory: that the optimum comes out says they are right.
    /// </summary>
    public static IReadOnlyList<JobShop> Classics { get; } =
    [
        new("Fisher & Thompson 6×6", 55, """
            2 1 0 3 1 6 3 7 5 3 4 6
            1 8 2 5 4 10 5 10 0 10 3 4
            2 5 3 4 5 8 0 9 1 1 4 7
            1 5 0 5 2 5 3 3 4 8 5 9
            2 9 1 3 4 5 5 4 0 3 3 1
            1 3 3 3 5 9 0 10 4 4 2 1
            """),
        new("Lawrence LA01 10×5", 666, """
            1 21 0 53 4 95 3 55 2 34
            0 21 3 52 4 16 2 26 1 71
            3 39 4 98 1 42 2 31 0 12
            1 77 0 55 4 79 2 66 3 77
            0 83 3 34 2 64 1 19 4 37
            1 54 2 43 4 79 0 92 3 62
            3 69 4 77 1 87 2 87 0 93
            2 38 0 60 1 41 3 24 4 83
            3 17 1 49 4 25 0 44 2 98
            4 77 3 79 2 43 1 75 0 96
            """),
        new("Lawrence LA05 10×5", 593, """
            1 72 0 87 4 95 2 66 3 60
            4 5 3 35 0 48 2 39 1 54
            1 46 3 20 2 21 0 97 4 55
            0 59 3 19 4 46 1 34 2 37
            4 23 2 73 3 25 1 24 0 28
            3 28 0 45 4 5 1 78 2 83
            0 53 3 71 1 37 4 29 2 12
            4 12 2 87 3 33 1 55 0 38
            2 49 3 83 1 40 0 48 4 7
            2 65 3 17 0 90 4 27 1 23
            """),
    ];

    /// <summary>The shop as the planner has it: hands only, and the end of the last task as early as it can be.</summary>
    public PlanProblem ToProblem()
    {
        var jobs = Rows.Split('\n', StringSplitOptions.RemoveEmptyEntries)
            .Select(r => r.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(int.Parse).Chunk(2).ToList())
            .ToList();
        var ends = jobs.Sum(j => j.Sum(s => s[1]));
        return new(
            ends,
            [.. Enumerable.Range(0, jobs[0].Count).Select(m => new Worker($"m{m}", [new(0, ends)]))],
            [],
            [.. jobs.SelectMany((job, j) => job.Select((step, s) => new PlanTask(
                $"j{j}.{s}", step[1], s == 0 ? [] : [new($"j{j}.{s - 1}")], 0, ends, [$"m{step[0]}"])))],
            [], [], [], [], new(Span: 1));
    }

    public override string ToString() => Name;
}

namespace Kondiba.Core.Planning;

/// <summary>The same problem with more of everything, at a cost, so that it always has a plan: what that plan takes more is what is short.</summary>
internal static class Elastic
{
    /// <summary>Hands that nobody has.</summary>
    public const string Nobody = "nobody";

    /// <summary>What a tray or a pot costs that there is none of: as much as two hours of missing hands.</summary>
    public const int Place = 120 * Hand * OrderTasks.Minute;

    private const int Hand = 20;
    private const int Limit = 4 * Hand * OrderTasks.Minute;
    private const int Most = 60;
    private const int Later = 2 * 24 * 60;

    public static PlanProblem Of(PlanProblem problem, int now)
    {
        var ends = problem.Ends + Later;
        return problem with
        {
            Ends = ends,
            Workers = [.. problem.Workers, new Worker(Nobody, [new(now, ends)], Hand * OrderTasks.Minute)],
            Resources = [.. problem.Resources.Select(r => r with { More = Most })],
            Tasks = [.. problem.Tasks.Select(t => t.Done ? t : t with { By = null, Soft = Limit })],
        };
    }
}

using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What a problem is given more of, each with what comes before it.</summary>
internal enum More
{
    /// <summary>Hands, at any hour that somebody could work.</summary>
    Hands,

    /// <summary>Room and pots.</summary>
    Room,

    /// <summary>Time: beyond pickups, limits of keeping and pins.</summary>
    Time,
}

/// <summary>The same problem with more than there is, at a cost: what a plan of it takes more is what is short.</summary>
internal static class Elastic
{
    /// <summary>Hands that nobody has.</summary>
    public const string Nobody = "nobody";

    /// <summary>What a tray or a pot costs that there is none of, in minutes of missing hands.</summary>
    public const int Place = 120;

    private const int Limit = 4;
    private const int Most = 60;
    private const int Day = 24 * 60;

    /// <summary>By how many minutes an order may be late in a plan that only shows what would come of it.</summary>
    public const int Later = 2 * Day;

    /// <summary>Gives a problem more. Only that costs anything then, as the least of it is looked for.</summary>
    /// <param name="problem">The problem; its minutes count from a midnight.</param>
    /// <param name="now">The minute it is.</param>
    /// <param name="more">Of what.</param>
    public static PlanProblem Of(PlanProblem problem, int now, More more)
    {
        var ends = problem.Ends + (more is More.Time ? Later : 0);
        var (first, last) = (MinuteOf(Remedies.FirstHour), MinuteOf(Remedies.LastHour));
        var hours = Enumerable.Range(0, (ends / Day) + 1)
            .Select(d => new Minutes(Math.Max(now, (d * Day) + first), Math.Min(ends, (d * Day) + last)))
            .Where(h => h.From < h.To);
        return problem with
        {
            Ends = ends,
            Workers = [.. problem.Workers.Select(w => w with { Cost = 0, Rests = null }), new Worker(Nobody, [.. hours], 1)],
            Resources = more is More.Hands ? problem.Resources : [.. problem.Resources.Select(r => r with { More = Most * r.Unit })],
            Tasks = [.. problem.Tasks.Select(t => t with
            {
                By = null,
                Ages = 0,
                After = [.. t.After.Select(a => a with { Ages = 0 })],
                Soft = more is More.Time && !t.Done ? Limit : 0,
            })],
            Stays = [.. problem.Stays.Select(s => s with { Choices = [.. s.Choices.Select(c => c with { Cost = 0 })] })],
            Margins = [],
            Goal = new(),
        };

        static int MinuteOf(LocalTime time) => (time.Hour * 60) + time.Minute;
    }
}

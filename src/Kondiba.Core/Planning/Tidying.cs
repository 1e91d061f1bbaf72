namespace Kondiba.Core.Planning;

/// <summary>
/// Puts a plan in order, move by move, none of which breaks a limit or costs anything: a pot is washed up as soon as hands are free after
/// its last use, and melted no sooner than it must be; what is made ready is made ready shortly before it is used; what has set is packed.
/// </summary>
internal sealed class Tidying
{
    private readonly PlanProblem problem;
    private readonly Dictionary<string, PlanTask> tasks;
    private readonly ILookup<string, (string Code, Follows Follows)> followers;
    private readonly ILookup<string, Stay> staysFrom;
    private readonly HashSet<string> kept;
    private readonly int now;
    private Solution plan;

    private Tidying(PlanProblem problem, Solution plan, Solution? near, int now)
    {
        (this.problem, this.plan, this.now) = (problem, plan, now);
        tasks = problem.Tasks.ToDictionary(t => t.Code);
        followers = problem.Tasks.SelectMany(t => t.After.Select(a => (a.Task, t.Code, a))).ToLookup(f => f.Task, f => (f.Code, f.a));
        staysFrom = problem.Stays.ToLookup(s => s.From);
        kept = near?.Tasks.Select(t => t.Code).ToHashSet() ?? [];
    }

    /// <summary>Tidies a plan.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">A plan of it.</param>
    /// <param name="near">An earlier one, whose tasks are not moved; null for none.</param>
    /// <param name="now">The minute it is.</param>
    public static Solution Of(PlanProblem problem, Solution plan, Solution? near, int now)
    {
        var tidying = new Tidying(problem, plan, near, now);
        tidying.MakeReadyLate();
        tidying.PackSoon();
        tidying.KeepPotsShort();
        return tidying.plan;
    }

    /// <summary>Work that nothing comes before is done as late as what it is for allows.</summary>
    private void MakeReadyLate()
    {
        foreach (var task in plan.Tasks.OrderByDescending(t => t.Start).ToList())
        {
            var about = tasks[task.Code];
            if (about.After.Count > 0 || !Moves(task) || !followers[task.Code].Any())
                continue;
            var placed = plan.Tasks.ToDictionary(t => t.Code);
            var end = followers[task.Code].Min(f => placed[f.Code].Start - f.Follows.Least);
            foreach (var stay in staysFrom[task.Code])
            {
                var (stood, least) = (plan.Stood.First(s => s.Stay == stay.Code), stay.Choices.Max(c => c.Least));
                end = Math.Min(end, stood.End - least);
            }

            if (Melted(task.Code) is { } melt)
                end = Math.Min(end, melt.Tasks.Max(t => placed[t].End));
            if (LatestEnd(task, Math.Min(end, about.Latest)) is { } to && to > task.End)
                Move(task, to - task.End);
        }
    }

    /// <summary>What is packed is packed as soon as it has set, where nothing needs it to stand elsewhere until it is collected.</summary>
    private void PackSoon()
    {
        foreach (var task in plan.Tasks.OrderBy(t => t.Start).ToList())
        {
            var about = tasks[task.Code];
            if (followers[task.Code].Any() || about.After.Count == 0 || !Moves(task) || staysFrom[task.Code].Any() || Melted(task.Code) is not null)
                continue;
            var placed = plan.Tasks.ToDictionary(t => t.Code);
            var start = Math.Max(now, about.Earliest);
            foreach (var before in about.After)
            {
                start = Math.Max(start, placed[before.Task].End + before.Least);
                foreach (var stay in staysFrom[before.Task])
                {
                    var stood = plan.Stood.First(s => s.Stay == stay.Code);
                    start = Math.Max(start, stood.Start + stay.Choices.First(c => c.Place == stood.Place).Least);
                }
            }

            if (EarliestStart(task, start) is { } from && from < task.Start)
                Move(task, from - task.Start);
        }
    }

    private void KeepPotsShort()
    {
        foreach (var melt in plan.Melts.ToList())
        {
            var colour = problem.Colours.First(c => c.Code == melt.Colour);
            var uses = plan.Tasks.Where(t => melt.Tasks.Contains(t.Code)).ToList();
            if (uses.Count == 0)
                continue;
            if (EarliestStart(melt.Wash, Math.Max(now, uses.Max(t => t.End))) is { } wash && wash < melt.Wash.Start)
                Replace(melt.Wash, wash - melt.Wash.Start);
            if (melt.Melt.Worker is not null && LatestEnd(melt.Melt, uses.Min(t => t.Start) - colour.Cools) is { } end && end > melt.Melt.End)
                Replace(melt.Melt, end - melt.Melt.End);
        }

        void Replace(Placed of, int by)
        {
            var to = of with { Start = of.Start + by, End = of.End + by };
            plan = plan with
            {
                Melts = [.. plan.Melts.Select(m => m with { Melt = m.Melt == of ? to : m.Melt, Wash = m.Wash == of ? to : m.Wash })],
            };
        }
    }

    private bool Moves(Placed task) =>
        task.Worker is not null && task.End > task.Start && tasks[task.Code].At is null && !kept.Contains(task.Code);

    private Melted? Melted(string task) => plan.Melts.FirstOrDefault(m => m.Tasks.Contains(task));

    /// <summary>Moves a task, and what comes from it or to it with it, unless that costs more.</summary>
    private void Move(Placed task, int by)
    {
        var moved = task with { Start = task.Start + by, End = task.End + by };
        var next = plan with { Tasks = [.. plan.Tasks.Select(t => t.Code == task.Code ? moved : t)] };
        var placed = next.Tasks.ToDictionary(t => t.Code);
        next = next with { Stood = [.. next.Stood.Select(s => Again(s, problem.Stays.First(t => t.Code == s.Stay), placed))] };
        if (PlanCost.Of(problem, next) <= PlanCost.Of(problem, plan))
            plan = next;
    }

    private static Stood Again(Stood stood, Stay stay, Dictionary<string, Placed> placed) => stood with
    {
        Start = placed[stay.From].End,
        End = stay.Until.Count == 0 ? stood.End : stay.Until.Min(u => placed[u].Start),
    };

    /// <summary>The latest end of the same work by the same hands, not after some minute and not before it ends now.</summary>
    private int? LatestEnd(Placed task, int notAfter)
    {
        var lasts = task.End - task.Start;
        for (var end = notAfter; end >= task.End; end--)
        {
            if (Free(task, end - lasts, end))
                return end;
        }

        return null;
    }

    private int? EarliestStart(Placed task, int notBefore)
    {
        var lasts = task.End - task.Start;
        for (var start = notBefore; start <= task.Start; start++)
        {
            if (Free(task, start, start + lasts))
                return start;
        }

        return null;
    }

    private bool Free(Placed task, int from, int to) =>
        problem.Workers.First(w => w.Code == task.Worker).Hours.Any(h => h.From <= from && h.To >= to)
            && plan.All.All(t => t.Code == task.Code || t.Worker != task.Worker || t.End <= t.Start || t.End <= from || t.Start >= to);
}

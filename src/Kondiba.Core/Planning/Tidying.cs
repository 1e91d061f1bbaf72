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
    private readonly Dictionary<string, Stay> stays;
    private readonly Dictionary<string, Melted> melts;
    private readonly HashSet<string> kept;
    private readonly int now;
    private Solution plan;
    private Dictionary<string, Placed> placed;
    private Dictionary<string, Stood> stood;
    private long cost;

    private Tidying(PlanProblem problem, Solution plan, Solution? near, int now)
    {
        (this.problem, this.plan, this.now) = (problem, plan, now);
        tasks = problem.Tasks.ToDictionary(t => t.Code);
        followers = problem.Tasks.SelectMany(t => t.After.Select(a => (a.Task, t.Code, a))).ToLookup(f => f.Task, f => (f.Code, f.a));
        staysFrom = problem.Stays.ToLookup(s => s.From);
        stays = problem.Stays.ToDictionary(s => s.Code);
        melts = plan.Melts.SelectMany(m => m.Tasks.Select(t => (Task: t, Melt: m)))
            .DistinctBy(m => m.Task)
            .ToDictionary(m => m.Task, m => m.Melt);
        kept = near?.Tasks.Select(t => t.Code).ToHashSet() ?? [];
        placed = plan.Tasks.ToDictionary(t => t.Code);
        stood = plan.Stood.ToDictionary(s => s.Stay);
        cost = PlanCost.Of(problem, plan);
    }

    /// <summary>Tidies a plan.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">A plan of it.</param>
    /// <param name="near">An earlier one, whose tasks are not moved; null for none.</param>
    /// <param name="now">The minute it is.</param>
    public static Solution Of(PlanProblem problem, Solution plan, Solution? near, int now)
    {
        var tidying = new Tidying(problem, Later(problem, plan, near), near, now);
        tidying.MakeReadyLate();
        tidying.PackSoon();
        tidying.KeepPotsShort();
        return tidying.plan;
    }

    /// <summary>
    /// Everything as late as it goes, so that it is fresh, where that costs no more than it is worth; what was planned earlier stays
    /// where it is.
    /// </summary>
    private static Solution Later(PlanProblem problem, Solution plan, Solution? near)
    {
        var kept = near?.Tasks.Select(t => t.Code).ToHashSet() ?? [];
        var starts = plan.Tasks.ToDictionary(t => t.Code, t => t.Start);
        var round = problem with { Tasks = [.. problem.Tasks.Select(t => kept.Contains(t.Code) ? t with { At = starts[t.Code] } : t)] };
        if (problem.Goal.Late == 0 || plan.Tasks.Count == 0 || ListSchedule.Later(round, plan) is not { } later)
            return plan;
        var costs = PlanCost.Of(problem, later);
        var fresher = problem.Tasks.Where(t => t.Ages > 0)
            .Join(later.Tasks, t => t.Code, t => t.Code, (_, t) => t.Start - starts[t.Code])
            .Sum();
        return costs - ((long)problem.Goal.Late * fresher / PlanModel.Hour) <= PlanCost.Of(problem, plan)
            ? later with { Outcome = plan.Outcome, Cost = costs, Bound = plan.Bound }
            : plan;
    }

    /// <summary>Work that nothing comes before is done as late as what it is for allows.</summary>
    private void MakeReadyLate()
    {
        foreach (var task in plan.Tasks.OrderByDescending(t => t.Start).ToList())
        {
            var about = tasks[task.Code];
            if (about.After.Count > 0 || !Moves(task) || !followers[task.Code].Any())
                continue;
            var end = followers[task.Code].Select(f => placed[f.Code].Start - f.Follows.Least)
                .Concat(staysFrom[task.Code].Select(s => stood[s.Code].End - s.Choices.Max(c => c.Least)))
                .Append(about.Latest)
                .Min();
            if (melts.GetValueOrDefault(task.Code) is { } melt)
                end = Math.Min(end, melt.Tasks.Max(t => placed[t].End));
            if (LatestEnd(task, end) is { } to)
                Move(task, to - task.End);
        }
    }

    /// <summary>What is packed is packed as soon as it has set, where nothing needs it to stand elsewhere until it is collected.</summary>
    private void PackSoon()
    {
        foreach (var task in plan.Tasks.OrderBy(t => t.Start).ToList())
        {
            var about = tasks[task.Code];
            if (about.After.Count == 0
                || !Moves(task)
                || followers[task.Code].Any()
                || staysFrom[task.Code].Any()
                || melts.ContainsKey(task.Code))
                continue;
            var start = about.After.Select(a => placed[a.Task].End + a.Least)
                .Concat(about.After.SelectMany(a => staysFrom[a.Task]).Select(SetAt))
                .Append(Math.Max(now, about.Earliest))
                .Max();
            if (EarliestStart(task, start) is { } from)
                Move(task, from - task.Start);
        }

        int SetAt(Stay stay) => stood[stay.Code].Start + stay.Choices.First(c => c.Place == stood[stay.Code].Place).Least;
    }

    private void KeepPotsShort()
    {
        foreach (var melt in plan.Melts.Where(m => m.Tasks.Count > 0).ToList())
        {
            var colour = problem.Colours.First(c => c.Code == melt.Colour);
            if (EarliestStart(melt.Wash, Math.Max(now, melt.Tasks.Max(t => placed[t].End))) is { } wash)
                Replace(melt.Wash, wash - melt.Wash.Start);
            if (melt.Melt.Worker is not null && LatestEnd(melt.Melt, melt.Tasks.Min(t => placed[t].Start) - colour.Cools) is { } end)
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

    /// <summary>Moves a task, and what comes from it or to it with it, unless that costs more.</summary>
    private void Move(Placed task, int by)
    {
        var was = placed;
        placed = new(placed) { [task.Code] = task with { Start = task.Start + by, End = task.End + by } };
        var next = plan with
        {
            Tasks = [.. plan.Tasks.Select(t => placed[t.Code])],
            Stood = [.. plan.Stood.Select(Again)],
        };
        if (PlanCost.Of(problem, next) is var costs && costs <= cost)
            (plan, cost, stood) = (next, costs, next.Stood.ToDictionary(s => s.Stay));
        else
            placed = was;
    }

    private Stood Again(Stood there)
    {
        var stay = stays[there.Stay];
        return there with
        {
            Start = placed[stay.From].End,
            End = stay.Until.Count == 0 ? there.End : stay.Until.Min(u => placed[u].Start),
        };
    }

    /// <summary>The latest end of the same work by the same hands, not after some minute and later than now; null for none.</summary>
    private int? LatestEnd(Placed task, int notAfter)
    {
        var lasts = task.End - task.Start;
        foreach (var gap in Free(task).OrderByDescending(g => g.From))
        {
            var end = Math.Min(notAfter, gap.To);
            if (end - lasts >= gap.From)
                return end > task.End ? end : null;
        }

        return null;
    }

    /// <summary>The same the other way: the earliest start, not before some minute and sooner than now.</summary>
    private int? EarliestStart(Placed task, int notBefore)
    {
        var lasts = task.End - task.Start;
        foreach (var gap in Free(task).OrderBy(g => g.From))
        {
            var start = Math.Max(notBefore, gap.From);
            if (start + lasts <= gap.To)
                return start < task.Start ? start : null;
        }

        return null;
    }

    /// <summary>When the hands that do a task have nothing else to do.</summary>
    private IEnumerable<Minutes> Free(Placed task)
    {
        var busy = plan.All.Where(t => t.Worker == task.Worker && t.Code != task.Code && t.End > t.Start).OrderBy(t => t.Start).ToList();
        foreach (var hours in problem.Workers.First(w => w.Code == task.Worker).Hours)
        {
            var at = hours.From;
            foreach (var other in busy.Where(t => t.Start < hours.To && t.End > hours.From))
            {
                if (other.Start > at)
                    yield return new(at, other.Start);
                at = Math.Max(at, other.End);
            }

            if (at < hours.To)
                yield return new(at, hours.To);
        }
    }
}

namespace Kondiba.Core.Planning;

/// <content>Where a task goes: as late as hands, room and pots allow, with everything that hangs on it, or back.</content>
internal sealed partial class ListSchedule
{
    /// <summary>Places tasks that hang together, last ones first; all of them earlier, as long as they find no place.</summary>
    private bool Place(List<PlanTask> unit, int shift)
    {
        var latest = unit.Max(t => t.Latest);
        var first = unit.Min(t => t.Earliest);
        for (var by = 0; latest - shift - by > first; by += Further(by))
        {
            if (All(unit, shift + by))
                return true;
        }

        if (shift > 0)
            return Place(unit, 0);
        for (var by = Step; late && by <= Elastic.Later; by += Further(by))
        {
            if (All(unit, -by))
                return true;
        }

        return false;

        static int Further(int by) => by < 120 ? 15 : 60;
    }

    /// <summary>Places all of them, or none, so much earlier than they must be done.</summary>
    private bool All(List<PlanTask> unit, int shift)
    {
        if (asked > mostAsked)
            return false;
        var mark = undo.Count;
        var open = unit.Where(t => !placed.ContainsKey(t.Code)).ToList();
        PlanTask? last = null;
        while (open.Count > 0)
        {
            // Of those whose followers all have their time, the one that can be latest; so time only runs backwards.
            var (next, end) = (open[0], int.MinValue);
            var ready = open.Where(t => followers[t.Code].All(f => placed.ContainsKey(f.Task.Code))).ToList();
            if (atOnce && ready.Where(t => last?.After.Any(a => a.Task == t.Code) is true).ToList() is { Count: > 0 } before)
                ready = before;
            foreach (var task in turn.Count > 0 && ready.Count > 0 ? [ready.MaxBy(t => turn[t.Code])!] : ready)
            {
                var can = LatestEnd(task, shift);
                if (can > end || (can == end && task.Best > next.Best))
                    (next, end) = (task, can);
            }

            if (end == int.MinValue || !Place(next, end))
            {
                Back(mark);
                return false;
            }

            open.Remove(next);
            last = next;
        }

        return true;
    }

    private int LatestEnd(PlanTask task, int shift)
    {
        var end = Math.Min(task.Latest - shift, notAfter.GetValueOrDefault(task.Code, int.MaxValue));
        foreach (var (next, follows) in followers[task.Code])
            end = Math.Min(end, placed[next.Code].Start - follows.Least);
        foreach (var before in task.After.Where(a => a.Most is not null && placed.ContainsKey(a.Task)))
            end = Math.Min(end, placed[before.Task].End + before.Most!.Value + task.Lasts);
        foreach (var stay in staysFrom[task.Code].Where(s => s.Until.Count > 0))
            end = Math.Min(end, To(stay) - stay.Choices.Min(c => c.Least));
        return end;
    }

    private int To(Stay stay) => stay.Until.Count == 0
        ? Math.Max(stay.To, placed.TryGetValue(stay.From, out var from) ? from.End : 0)
        : stay.Until.Min(u => placed[u].Start);

    /// <summary>Puts a task as late as it goes, or a while earlier where a pot is warm.</summary>
    private bool Place(PlanTask task, int end)
    {
        var earliest = Math.Max(0, task.Earliest);
        foreach (var (next, follows) in followers[task.Code])
        {
            if (follows.Most is { } most)
                earliest = Math.Max(earliest, placed[next.Code].Start - most - task.Lasts);
        }

        foreach (var before in task.After.Where(a => placed.ContainsKey(a.Task)))
            earliest = Math.Max(earliest, placed[before.Task].End + before.Least);
        var colours = coloursOf[task.Code].ToList();
        return Joined(task, end, earliest, colours) || Put(task, end, earliest, colours, join: false);
    }

    /// <summary>Puts a task where a pot is warm: while it is, right before its first use, or some time before.</summary>
    private bool Joined(PlanTask task, int end, int earliest, List<ColourWork> colours)
    {
        var melt = colours.SelectMany(c => melts[c.Code]).Where(m => m.Until < end).MaxBy(m => m.Until);
        if (melt is null || end - melt.Until > Joins)
            return false;
        var until = Math.Max(melt.Until, earliest + task.Lasts);
        return Put(task, until, Math.Max(earliest, melt.First), colours, join: true)
            || RightBefore(melt, task, earliest, colours)
            || Put(task, until, Math.Max(earliest, melt.Until - Joins), colours, join: true);
    }

    private bool Put(PlanTask task, int end, int earliest, List<ColourWork> colours, bool join)
    {
        if (task.Lasts == 0)
            return end >= earliest && Try(task, new(task.Code, end, end, Able(task)[0]), colours, join);
        for (var at = end; at - task.Lasts >= earliest;)
        {
            Placed? found = null;
            foreach (var worker in Able(task))
            {
                if (hands[worker].LatestEnd(task.Lasts, at, earliest) is { } to && !(found?.End >= to))
                    found = new(task.Code, to - task.Lasts, to, worker);
            }

            if (found is null)
                return false;
            if (Try(task, found, colours, join))
                return true;
            at = found.End - Step;
        }

        return false;
    }

    private string[] Able(PlanTask task) => able[task.Code];

    private bool Try(PlanTask task, Placed at, List<ColourWork> colours, bool join)
    {
        if (++asked > mostAsked)
            return false;
        var mark = undo.Count;
        if (at.End > at.Start)
            Hold(hands[at.Worker!], at.Start, at.End, 1);
        placed[task.Code] = at;
        undo.Push(() => placed.Remove(task.Code));
        if (Stands(task, at.End) && Moulds(task) && StandsBefore(task) && (colours.Count == 0 || Pots(task, at, join)))
            return true;
        Back(mark);
        return false;
    }

    /// <summary>Takes back what was placed since a mark.</summary>
    private void Back(int mark)
    {
        while (undo.Count > mark)
            undo.Pop()();
    }

    private void Hold(Occupancy span, int from, int to, int takes)
    {
        span.Take(from, to, takes);
        undo.Push(() => span.Take(from, to, -takes));
    }

    /// <summary>Whether what comes from a task finds room until it is taken away; the cheapest first.</summary>
    private bool Stands(PlanTask task, int end)
    {
        foreach (var stay in staysFrom[task.Code])
        {
            if (stood.ContainsKey(stay.Code) || !stay.Until.All(placed.ContainsKey))
                continue;
            var to = To(stay);
            var where = stay.Choices.OrderBy(c => c.Cost)
                .FirstOrDefault(c => to - end >= c.Least && !(to - end > c.Most) && rooms[c.Place].Free(end, to, c.Takes));
            if (where is null)
                return false;
            Hold(rooms[where.Place], end, to, where.Takes);
            stood[stay.Code] = new(stay.Code, where.Place, where.Takes, end, to);
            undo.Push(() => stood.Remove(stay.Code));
        }

        return true;
    }

    /// <summary>The same for what comes from a task that has its time already, now that it is known when it is taken away.</summary>
    private bool StandsBefore(PlanTask task) => task.After.All(a =>
        !placed.TryGetValue(a.Task, out var before)
        || tasks[a.Task].At is null
        || (Stands(tasks[a.Task], before.End) && Moulds(tasks[a.Task])));

    private bool Moulds(PlanTask task)
    {
        foreach (var use in usesFrom[task.Code])
        {
            if (!placed.TryGetValue(use.Until, out var until) || !inUse.Add(use))
                continue;
            undo.Push(() => inUse.Remove(use));
            var (from, to) = (placed[task.Code].Start, until.End);
            if (!rooms[use.Resource].Free(from, to, use.Takes))
                return false;
            Hold(rooms[use.Resource], from, to, use.Takes);
        }

        return true;
    }
}

namespace Kondiba.Core.Planning;

/// <content>Where a task goes: as late as hands, room and pots allow, with everything that hangs on it, or back.</content>
internal sealed partial class ListSchedule
{
    /// <summary>
    /// Places tasks that hang together, last ones first; all of them earlier, as long as they find no place. Where they find none anywhere,
    /// what comes after one that finds no place waits for it.
    /// </summary>
    private bool Place(List<PlanTask> unit, int shift) =>
        InTime(unit, shift, waits: false)
            || (shift > 0 && InTime(unit, 0, waits: false))
            || (turn.Count == 0 && InTime(unit, 0, waits: true))
            || (late && Late(unit));

    private bool InTime(List<PlanTask> unit, int shift, bool waits)
    {
        var (first, latest) = (unit.Min(t => t.Earliest), unit.Max(t => t.Latest));
        for (var by = shift; latest - by > first; by += Further(by - shift))
        {
            if (All(unit, by, waits))
                return true;
        }

        return false;
    }

    private bool Late(List<PlanTask> unit)
    {
        var latest = unit.Max(t => t.Latest);
        for (var by = Step; latest + by <= problem.Ends; by += Further(by))
        {
            if (All(unit, -by, waits: true))
                return true;
        }

        return false;
    }

    private static int Further(int by) => by switch { < 120 => 15, < 720 => 60, _ => 240 };

    /// <summary>Places all of them so much earlier than they must be done; whether what comes after a task may wait for it.</summary>
    private bool All(List<PlanTask> unit, int shift, bool waits)
    {
        var without = LeftWithout(unit, shift);
        while (without is not null && waits && asked <= mostAsked && Deferred(without))
            without = LeftWithout(unit, shift);
        return without is null;
    }

    /// <summary>Has what comes after a task wait for it, or else what comes after each that follows it.</summary>
    /// <returns>Whether any of that is new.</returns>
    private bool Deferred(PlanTask task)
    {
        var before = deferred.Count;
        Defer(task);
        if (deferred.Count > before)
            return true;
        foreach (var (next, _) in followers[task.Code])
            Defer(next);
        return deferred.Count > before;
    }

    /// <summary>Has what comes after a task, and only after it, placed once that has its time, and not before.</summary>
    private void Defer(PlanTask task)
    {
        List<string> chain = [];
        while (followers[task.Code].ToList() is [var next])
        {
            if (next.Task.After.Count(a => tasks[a.Task].At is null) > 1 || next.Task.At is not null)
                return;
            chain.Add(task.Code);
            task = next.Task;
        }

        if (!followers[task.Code].Any())
            deferred.UnionWith(chain);
    }

    /// <summary>Places all of them, or none, so much earlier than they must be done.</summary>
    /// <returns>The one that found no place; null when all did.</returns>
    private PlanTask? LeftWithout(List<PlanTask> unit, int shift)
    {
        if (asked > mostAsked)
            return unit[0];
        mayBeLate = Math.Max(0, -shift);
        var mark = undo.Count;
        var open = new Open(
            this, unit.Where(t => !placed.ContainsKey(t.Code)).OrderByDescending(t => turn.GetValueOrDefault(t.Code)), shift);
        PlanTask? last = null;
        while (open.Any)
        {
            var (next, end) = open.Next(last);
            if (end == int.MinValue || !Place(next, end))
            {
                Back(mark);
                return next;
            }

            open.Settle();
            last = next;
        }

        return null;
    }

    /// <summary>
    /// Tasks that have no time yet, and how late each that could be placed now can end. That does not change until it is placed: it hangs
    /// on what has its time already, or on what waits for it.
    /// </summary>
    private sealed class Open
    {
        private readonly ListSchedule schedule;
        private readonly int shift;
        private readonly List<PlanTask> tasks;
        private readonly Dictionary<string, int> ends = [];

        public Open(ListSchedule schedule, IEnumerable<PlanTask> tasks, int shift)
        {
            (this.schedule, this.shift, this.tasks) = (schedule, shift, [.. tasks]);
            foreach (var task in this.tasks)
                Look(task);
        }

        public bool Any => tasks.Count > 0;

        /// <summary>
        /// Of those that could be placed now, the one that can be latest, so that time only runs backwards, and how late.
        /// </summary>
        public (PlanTask Task, int End) Next(PlanTask? last)
        {
            var ready = tasks.Where(t => ends.ContainsKey(t.Code));
            if (schedule.turn.Count > 0)
                ready = ready.Take(1);
            else if (schedule.atOnce && last is not null && ready.Any(Before))
                ready = ready.Where(Before);
            var (next, end) = (tasks[0], int.MinValue);
            foreach (var task in ready)
            {
                var can = ends[task.Code];
                if (can > end || (can == end && task.Best > next.Best))
                    (next, end) = (task, can);
            }

            return (next, end);

            bool Before(PlanTask task) => last!.After.Any(a => a.Task == task.Code);
        }

        /// <summary>Takes out what has been placed, and looks at what waited for that.</summary>
        public void Settle()
        {
            var now = tasks.FindAll(t => schedule.placed.ContainsKey(t.Code));
            tasks.RemoveAll(now.Contains);
            var beside = now.SelectMany(t => t.After.Select(a => a.Task).Concat(schedule.followers[t.Code].Select(f => f.Task.Code)));
            foreach (var code in beside)
            {
                if (!schedule.placed.ContainsKey(code))
                    Look(schedule.tasks[code]);
            }
        }

        private void Look(PlanTask task)
        {
            if (!ends.ContainsKey(task.Code) && schedule.IsReady(task))
                ends[task.Code] = schedule.LatestEnd(task, shift);
        }
    }

    private bool IsReady(PlanTask task) => !task.After.Any(a => deferred.Contains(a.Task) && !placed.ContainsKey(a.Task))
        && (deferred.Contains(task.Code) || followers[task.Code].All(f => placed.ContainsKey(f.Task.Code)));

    /// <summary>Places what comes after a task, as soon after it as it goes.</summary>
    private bool Onwards(PlanTask task)
    {
        var (next, follows) = followers[task.Code].Single();
        var (colours, ready) = (coloursOf[next.Code].ToList(), placed[task.Code].End);
        var stays = staysFrom[task.Code].Where(s => s.Until.Contains(next.Code)).ToList();
        var least = stays.Select(s => s.Choices.Min(c => c.Least)).Append(follows.Least).Max();
        var from = Math.Max(next.Earliest, ready + least);
        var until = Math.Min(next.Latest + mayBeLate, follows.Most is { } most ? ready + most + next.Lasts : int.MaxValue);
        while (from + next.Lasts <= until)
        {
            var start = Able(next).Min(w => hands[w].EarliestStart(next.Lasts, from, until - next.Lasts) ?? int.MaxValue);
            if (start == int.MaxValue)
                return false;
            var mark = undo.Count;
            var worker = Able(next).First(w => hands[w].Free(start, start + next.Lasts, 1));
            if (Try(next, new(next.Code, start, start + next.Lasts, worker), colours, join: false) && Stands(task, ready))
                return true;
            Back(mark);
            from = start + Step;
        }

        return false;
    }

    private int LatestEnd(PlanTask task, int shift)
    {
        var end = Math.Min(task.Latest - shift, notAfter.GetValueOrDefault(task.Code, int.MaxValue));
        foreach (var (next, follows) in followers[task.Code])
            end = Math.Min(end, StartOf(next) - follows.Least);
        foreach (var before in task.After.Where(a => a.Most is not null && placed.ContainsKey(a.Task)))
            end = Math.Min(end, placed[before.Task].End + before.Most!.Value + task.Lasts);
        foreach (var stay in staysFrom[task.Code].Where(s => s.Until.Count > 0))
            end = Math.Min(end, stay.Until.Min(u => StartOf(tasks[u])) - stay.Choices.Min(c => c.Least));
        return end;

        // Of what has no time yet, as late as it could begin.
        int StartOf(PlanTask next) =>
            placed.TryGetValue(next.Code, out var at) ? at.Start : LatestEnd(next, Math.Min(0, shift)) - next.Lasts;
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
            if (follows.Most is { } most && placed.TryGetValue(next.Code, out var begun))
                earliest = Math.Max(earliest, begun.Start - most - task.Lasts);
        }

        foreach (var before in task.After)
            earliest = Math.Max(earliest, NotBefore(before));
        var colours = coloursOf[task.Code].ToList();
        return Joined(task, end, earliest, colours) || Put(task, end, earliest, colours, join: false);
    }

    /// <summary>
    /// When a task can begin by what comes before it. Where that has no time yet, it has to be done in time for whatever else waits for it
    /// no longer than so long.
    /// </summary>
    private int NotBefore(Follows before)
    {
        if (placed.TryGetValue(before.Task, out var there))
            return there.End + before.Least;
        var ends = int.MinValue;
        foreach (var (other, follows) in followers[before.Task])
        {
            if (follows.Most is { } most && placed.TryGetValue(other.Code, out var begun))
                ends = Math.Max(ends, begun.Start - most);
        }

        return ends == int.MinValue ? ends : ends + before.Least;
    }

    /// <summary>Puts a task where a pot is warm: while it is, right before its first use, or some time before.</summary>
    private bool Joined(PlanTask task, int end, int earliest, List<ColourWork> colours)
    {
        var melt = colours.SelectMany(c => melts[c.Code]).Where(m => m.First < end).MaxBy(m => m.Until);
        if (melt is null || end - melt.Until > Joins)
            return false;
        var until = Math.Min(end, Math.Max(melt.Until, earliest + task.Lasts));
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
        if (Stands(task, at.End) && Moulds(task) && StandsBefore(task) && (colours.Count == 0 || Pots(task, at, join))
            && (!deferred.Contains(task.Code) || Onwards(task)))
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
            var where = choices[stay.Code].Find(c => to - end >= c.Least && !(to - end > c.Most) && rooms[c.Place].Free(end, to, c.Takes));
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

    /// <summary>Whether what is in use from or until a task is free, as soon as it is known from when until when.</summary>
    private bool Moulds(PlanTask task)
    {
        foreach (var use in usesOf[task.Code])
        {
            if (!placed.TryGetValue(use.From, out var first) || !placed.TryGetValue(use.Until, out var last) || !inUse.Add(use))
                continue;
            undo.Push(() => inUse.Remove(use));
            var (from, to) = (first.Start, last.End);
            if (!rooms[use.Resource].Free(from, to, use.Takes))
                return false;
            Hold(rooms[use.Resource], from, to, use.Takes);
        }

        return true;
    }
}

namespace Kondiba.Core.Planning;

/// <summary>
/// A plan at once, for any number of orders: from the last pickup backwards every task as late as it goes, where hands, room and pots are
/// free, in pots that are warm already where that saves a melt. Then orders are tried in other turns, and some of them earlier, as
/// long as it gets better. What it finds keeps every limit; how good it is, only the solver can tell.
/// </summary>
internal sealed class ListSchedule
{
    private const int Step = 5;

    // By how many minutes an order may be late in a plan that only shows what would come of it.
    private const int MostLate = 2 * 24 * 60;
    private const int MostMelts = 4;
    private const int WashWithin = 30;

    // How far a pot's melting may come before its first use, and how much earlier a task is done to share a pot.
    private const int MeltWithin = 90, Joins = 240;

    private readonly PlanProblem problem;
    // So often is a place looked for in one try at most; less often where only one try is made.
    private const int MostAsked = 20_000, MostAskedOnce = 4_000;

    private readonly bool late;
    private readonly int mostAsked;
    private int asked;
    private readonly int horizon;
    private readonly Dictionary<string, PlanTask> tasks;
    private readonly ILookup<string, (PlanTask Task, Follows Follows)> followers;
    private readonly ILookup<string, Stay> staysFrom;
    private readonly ILookup<string, Use> usesFrom;
    private readonly ILookup<string, ColourWork> coloursOf;
    private readonly Dictionary<string, Span> hands;
    private readonly Dictionary<string, Span> rooms;
    private readonly Dictionary<string, Placed> placed = [];
    private readonly Dictionary<string, Stood> stood = [];
    private readonly Dictionary<string, List<Warm>> melts;
    private readonly Dictionary<string, string[]> able;
    private readonly HashSet<Use> inUse = [];
    private readonly Stack<Action> undo = [];

    /// <summary>A melt as far as it is known: its first use may still become earlier.</summary>
    private sealed class Warm(ColourWork colour)
    {
        public ColourWork Colour => colour;

        public int First { get; set; }

        public int Until { get; set; }

        public Placed? Melt { get; set; }

        public Placed? Wash { get; set; }

        /// <summary>Whether it was melted before the plan begins.</summary>
        public bool There { get; init; }

        public List<string> Tasks { get; } = [];
    }

    /// <summary>How much of something is taken in each minute.</summary>
    private sealed class Span(int has, int minutes)
    {
        private readonly int[] taken = new int[minutes + 1];
        private int[] first = [];

        /// <summary>Keeps what is taken now as what it starts from again.</summary>
        public void Keep() => first = [.. taken];

        /// <summary>Back to what was kept.</summary>
        public void Reset() => first.CopyTo(taken, 0);

        public bool Free(int from, int to, int takes)
        {
            for (var m = Math.Max(0, from); m < Math.Min(to, taken.Length); m++)
            {
                if (taken[m] + takes > has)
                    return false;
            }

            return true;
        }

        public void Take(int from, int to, int takes)
        {
            for (var m = Math.Max(0, from); m < Math.Min(to, taken.Length); m++)
                taken[m] += takes;
        }

        /// <summary>The latest end of a free stretch, not after one minute and not begun before another.</summary>
        public int? LatestEnd(int lasts, int notAfter, int notBefore)
        {
            var free = 0;
            for (var m = Math.Min(notAfter, taken.Length) - 1; m >= notBefore; m--)
            {
                free = taken[m] < has ? free + 1 : 0;
                if (free >= lasts)
                    return m + lasts;
            }

            return null;
        }

        /// <summary>The earliest start of a free stretch, not before one minute and not after another.</summary>
        public int? EarliestStart(int lasts, int notBefore, int notAfter)
        {
            var free = 0;
            for (var m = Math.Max(0, notBefore); m < Math.Min(notAfter + lasts, taken.Length); m++)
            {
                free = taken[m] < has ? free + 1 : 0;
                if (free >= lasts)
                    return m + 1 - lasts;
            }

            return null;
        }
    }

    private ListSchedule(PlanProblem problem, bool late, int mostAsked)
    {
        (this.problem, this.late, this.mostAsked) = (problem, late, mostAsked);
        horizon = problem.Ends + 1;
        tasks = problem.Tasks.ToDictionary(t => t.Code);
        followers = problem.Tasks.SelectMany(t => t.After.Select(a => (Before: a.Task, Task: t, Follows: a)))
            .ToLookup(f => f.Before, f => (f.Task, f.Follows));
        staysFrom = problem.Stays.ToLookup(s => s.From);
        usesFrom = problem.Uses.ToLookup(u => u.From);
        coloursOf = problem.Colours.SelectMany(c => c.Tasks.Select(t => (Task: t, Colour: c))).ToLookup(c => c.Task, c => c.Colour);
        hands = problem.Workers.ToDictionary(w => w.Code, HandsOf);
        rooms = problem.Resources.ToDictionary(r => r.Code, RoomOf);
        melts = problem.Colours.ToDictionary(c => c.Code, _ => new List<Warm>());
        able = problem.Tasks.ToDictionary(
            t => t.Code, t => problem.Workers.Where(w => t.By?.Contains(w.Code) is not false).Select(w => w.Code).ToArray());
    }

    /// <summary>Clears the table for another try.</summary>
    private void Reset(bool meals)
    {
        foreach (var span in hands.Values.Concat(rooms.Values))
            span.Reset();
        foreach (var (worker, rest) in meals ? problem.Workers.SelectMany(w => (w.Rests ?? []).Select(r => (w, r))) : [])
        {
            var from = (rest.Within.From + rest.Within.To - rest.Lasts) / 2;
            hands[worker.Code].Take(from, from + rest.Lasts, 1);
        }

        foreach (var all in melts.Values)
            all.Clear();
        placed.Clear();
        stood.Clear();
        inUse.Clear();
        undo.Clear();
    }

    /// <summary>Looks for a plan.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="late">Whether orders may be ready after they must be, as little as it goes.</param>
    /// <param name="tries">How many other turns are tried; null for as many as take a moment.</param>
    /// <param name="stop">Ends the search with the best so far.</param>
    /// <returns>The best plan that was found; null when every try left something over.</returns>
    public static Solution? Of(PlanProblem problem, bool late = false, int? tries = null, CancellationToken stop = default)
    {
        var units = UnitsOf(problem);
        var turn = units.OrderByDescending(u => u.Max(t => t.Latest)).ThenByDescending(u => u.Max(t => t.Best)).ToList();
        var shifts = turn.ToDictionary(u => u, _ => 0);
        var schedule = new ListSchedule(problem, late, tries == 0 ? MostAskedOnce : MostAsked);
        var meals = true;
        var best = schedule.Try(turn, shifts, meals) ?? schedule.Try(turn, shifts, meals = false);

        // So many tries that they take about as long for few orders as for many; the same ones each time.
        var random = new Random(1);
        var inVain = 0;
        var most = tries ?? Math.Clamp(Tries / Math.Max(1, problem.Tasks.Count), FewestTries, MostTries);
        for (var i = 0; i < most && inVain < MostInVain && !stop.IsCancellationRequested; i++)
        {
            var (other, moved) = (turn.ToList(), shifts.ToDictionary());
            var unit = other[random.Next(other.Count)];
            if (other.Count > 1 && random.Next(3) == 0)
            {
                other.Remove(unit);
                other.Insert(random.Next(other.Count + 1), unit);
            }
            else
                moved[unit] = random.Next(4) == 0 ? 0 : random.Next(LongestShift / Step) * Step;
            inVain++;
            if (schedule.Try(other, moved, meals) is not { } next || next.Cost >= best?.Cost)
                continue;
            (best, turn, shifts, inVain) = (next, other, moved, 0);
        }

        return best;
    }

    private const int Tries = 9000, FewestTries = 3, MostTries = 300, MostInVain = 50, LongestShift = 900;

    /// <summary>Tasks that hang together, each after others: they are placed in one go.</summary>
    private static List<List<PlanTask>> UnitsOf(PlanProblem problem)
    {
        var unit = problem.Tasks.ToDictionary(t => t.Code, t => new List<PlanTask> { t });
        foreach (var task in problem.Tasks)
        {
            foreach (var before in task.After.Where(a => unit[a.Task] != unit[task.Code]))
            {
                var (one, other) = (unit[task.Code], unit[before.Task]);
                one.AddRange(other);
                foreach (var t in other)
                    unit[t.Code] = one;
            }
        }

        return [.. unit.Values.Distinct()];
    }

    private Solution? Try(List<List<PlanTask>> turn, Dictionary<List<PlanTask>, int> shifts, bool meals)
    {
        Reset(meals);
        asked = 0;
        return Place(turn, shifts);
    }

    private Span HandsOf(Worker worker)
    {
        var span = new Span(1, horizon);
        span.Take(0, horizon + 1, 1);
        foreach (var hours in worker.Hours)
            span.Take(hours.From, hours.To, -1);
        span.Keep();
        return span;
    }

    private Span RoomOf(Resource resource)
    {
        var span = new Span(resource.Has, horizon);
        foreach (var away in resource.Away)
            span.Take(away.When.From, away.When.To, away.Takes);
        span.Keep();
        return span;
    }

    private Solution? Place(List<List<PlanTask>> turn, Dictionary<List<PlanTask>, int> shifts)
    {
        if (!Fixed())
            return null;
        foreach (var unit in turn)
        {
            if (!Place(unit, shifts[unit]))
                return null;
        }

        foreach (var colour in problem.Colours)
        {
            if (melts[colour.Code].Exists(m => m.Wash is null && !Washed(m, m.Until)))
                return null;
        }

        return Read();
    }

    /// <summary>What has its time already: done, under way, pinned; and the pots that are warm.</summary>
    private bool Fixed()
    {
        foreach (var colour in problem.Colours.Where(c => c.Warm is not null))
        {
            var at = colour.Warm!.Value;
            var warm = new Warm(colour)
            {
                There = true,
                First = at + colour.Cools,
                Until = at + colour.Cools,
                Melt = new(Melted.MeltOf(colour.Code, colour.Over + 1), at - colour.Lasts, at, null),
            };
            melts[colour.Code].Add(warm);
        }

        foreach (var task in problem.Tasks.Where(t => t.At is not null).OrderByDescending(t => t.At))
        {
            var (from, to) = (task.At!.Value, task.At.Value + task.Lasts);
            if (task.Done)
            {
                placed[task.Code] = new(task.Code, from, to, null);
                continue;
            }

            if (!task.Begun && (from < task.Earliest || to > task.Latest))
                return false;
            var who = Able(task).FirstOrDefault(w => task.Begun || hands[w].Free(from, to, 1));
            if (who is null)
                return false;
            Hold(hands[who], from, to, 1);
            placed[task.Code] = new(task.Code, from, to, who);
        }

        // Now that all of them are known, where they stand and what they are done from.
        return problem.Tasks.Where(t => t.At is not null).OrderByDescending(t => t.At).All(t =>
            Waits(t, placed[t.Code].Start) && Stands(t, placed[t.Code].End) && Moulds(t) && (t.Done || Pots(t, placed[t.Code])));
    }

    private bool Waits(PlanTask task, int start) => task.After.All(a => !placed.TryGetValue(a.Task, out var before)
        || (start >= before.End + a.Least && !(start > before.End + a.Most)));

    /// <summary>Places tasks that hang together, last ones first; all of them earlier, as long as they find no place.</summary>
    private bool Place(List<PlanTask> unit, int shift)
    {
        if (asked > mostAsked)
            return false;
        var latest = unit.Max(t => t.Latest);
        var first = unit.Min(t => t.Earliest);
        for (var by = shift; latest - by > first && asked <= mostAsked; by += by - shift < 120 ? 15 : 60)
        {
            var mark = undo.Count;
            if (All(unit, by))
                return true;
            while (undo.Count > mark)
                undo.Pop()();
        }

        if (shift > 0)
            return Place(unit, 0);
        for (var by = Step; late && by <= MostLate && asked <= mostAsked; by += by < 120 ? 15 : 60)
        {
            var mark = undo.Count;
            if (All(unit, -by))
                return true;
            while (undo.Count > mark)
                undo.Pop()();
        }

        return false;
    }

    private bool All(List<PlanTask> unit, int shift)
    {
        var open = unit.Where(t => !placed.ContainsKey(t.Code)).ToList();
        while (open.Count > 0)
        {
            // Of those whose followers all have their time, the one that can be latest; so time only runs backwards.
            var (next, end) = (open[0], int.MinValue);
            foreach (var task in open.Where(t => followers[t.Code].All(f => placed.ContainsKey(f.Task.Code))))
            {
                var can = LatestEnd(task, shift);
                if (can > end || (can == end && task.Best > next.Best))
                    (next, end) = (task, can);
            }

            if (end == int.MinValue || !Place(next, end))
                return false;
            open.Remove(next);
        }

        return true;
    }

    private int LatestEnd(PlanTask task, int shift)
    {
        var end = task.Latest - shift;
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
        var warm = colours.SelectMany(c => melts[c.Code]).Select(m => m.Until).Where(u => u < end).DefaultIfEmpty(-1).Max();
        if (warm >= 0 && end - warm <= Joins && Put(task, Math.Max(warm, earliest + task.Lasts), Math.Max(earliest, warm - Joins), colours, join: true))
            return true;
        return Put(task, end, earliest, colours, join: false);
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
        while (undo.Count > mark)
            undo.Pop()();
        return false;
    }

    private void Hold(Span span, int from, int to, int takes)
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

    /// <summary>Whether each colour of a task is warm while it is done: from a melt that there is, or from a new one.</summary>
    private bool Pots(PlanTask task, Placed at, bool join = false) => coloursOf[task.Code].All(colour =>
    {
        var there = melts[colour.Code].FirstOrDefault(m => Joined(m, at));
        if (there is null && (join || !MeltedAnew(colour, at, out there)))
            return false;
        there!.Tasks.Add(task.Code);
        undo.Push(() => there.Tasks.RemoveAt(there.Tasks.Count - 1));
        return true;
    });

    /// <summary>Adds a use to a melt, which is melted earlier for it.</summary>
    private bool Joined(Warm melt, Placed at)
    {
        var (first, until) = (Math.Min(melt.First, at.Start), Math.Max(melt.Until, at.End));
        if ((first >= melt.First && until > FitUntil(melt)) || (melt.There && at.Start < melt.First)
            || (melt.Wash is { } washed && until > washed.Start))
            return false;
        var (wasFirst, wasUntil, wasMelt) = (melt.First, melt.Until, melt.Melt);
        if (!melt.There && first < melt.First)
        {
            var mark = undo.Count;
            var (was, by) = (melt.Melt!, hands[melt.Melt!.Worker!]);
            Hold(by, was.Start, was.End, -1);
            if (Slot(melt.Colour.Lasts, first - melt.Colour.Cools, first - melt.Colour.Cools - MeltWithin - melt.Colour.Lasts) is not { } slot
                || slot.From < melt.Colour.Earliest
                || until > slot.From + melt.Colour.Lasts + melt.Colour.Cools + melt.Colour.Holds
                || !Stand(melt.Colour, slot.From, was.Start, melt))
            {
                while (undo.Count > mark)
                    undo.Pop()();
                return false;
            }

            Hold(hands[slot.Worker], slot.From, slot.From + melt.Colour.Lasts, 1);
            melt.Melt = new(was.Code, slot.From, slot.From + melt.Colour.Lasts, slot.Worker);
        }

        (melt.First, melt.Until) = (first, until);
        undo.Push(() => (melt.First, melt.Until, melt.Melt) = (wasFirst, wasUntil, wasMelt));
        return true;
    }

    /// <summary>Until when a melt can be dipped in: so long from when it has come down to its temperature.</summary>
    private static int FitUntil(Warm melt) => melt.Melt!.End + melt.Colour.Cools + melt.Colour.Holds;

    private (string Worker, int From)? Slot(int lasts, int notAfter, int notBefore)
    {
        (string Worker, int From)? best = null;
        foreach (var (worker, span) in hands)
        {
            if (span.LatestEnd(lasts, notAfter, Math.Max(0, notBefore)) is { } end && !(best?.From >= end - lasts))
                best = (worker, end - lasts);
        }

        return best;
    }

    /// <summary>Whether pots stand free for a colour, and no other melt of it is warm then.</summary>
    private bool Stand(ColourWork colour, int from, int to, Warm? itself)
    {
        if (!colour.Takes.All(r => rooms[r].Free(from, to, 1))
            || melts[colour.Code].Exists(m => m != itself && from < (m.Wash?.End ?? m.Until) && to > m.Melt!.Start))
            return false;
        foreach (var resource in colour.Takes)
            Hold(rooms[resource], from, to, 1);
        return true;
    }

    private bool MeltedAnew(ColourWork colour, Placed at, out Warm? melt)
    {
        melt = new(colour) { First = at.Start, Until = at.End };
        var all = melts[colour.Code];
        if (all.Count(m => !m.There) >= MostMelts)
            return false;
        var mark = undo.Count;
        var ready = at.Start - colour.Cools;
        if (Washed(melt, at.End, stands: false)
            && Slot(colour.Lasts, ready, Math.Max(colour.Earliest, ready - MeltWithin - colour.Lasts)) is { } slot
            && slot.From >= colour.Earliest
            && Stand(colour, slot.From, melt.Wash!.End, melt))
        {
            Hold(hands[slot.Worker], slot.From, slot.From + colour.Lasts, 1);
            melt.Melt = new("", slot.From, slot.From + colour.Lasts, slot.Worker);
            all.Add(melt);
            undo.Push(() => all.RemoveAt(all.Count - 1));
            return true;
        }

        while (undo.Count > mark)
            undo.Pop()();
        return false;
    }

    private bool Washed(Warm melt, int until, bool stands = true)
    {
        var within = (melt is { There: true, Tasks.Count: 0 } ? until + melt.Colour.Holds : until) + WashWithin;
        foreach (var (worker, span) in hands)
        {
            if (span.EarliestStart(melt.Colour.Washes, until, within) is not { } from)
                continue;
            var to = from + melt.Colour.Washes;
            if (stands && !Stand(melt.Colour, melt.Melt!.Start, to, melt))
                return false;
            Hold(span, from, to, 1);
            melt.Wash = new("", from, to, worker);
            return true;
        }

        return false;
    }

    private Solution Read()
    {
        var of = new List<Melted>();
        foreach (var colour in problem.Colours)
        {
            foreach (var (i, melt) in melts[colour.Code].OrderBy(m => m.Melt!.Start).Index())
            {
                var number = colour.Over + 1 + i;
                of.Add(new(
                    colour.Code,
                    number,
                    melt.Melt! with { Code = Melted.MeltOf(colour.Code, number) },
                    melt.Wash! with { Code = Melted.WashOf(colour.Code, number) },
                    [.. colour.Tasks.Where(melt.Tasks.Contains)]));
            }
        }

        var plan = new Solution(
            Outcome.Found,
            0,
            0,
            [.. problem.Tasks.Select(t => placed[t.Code])],
            [.. problem.Stays.Where(s => stood.ContainsKey(s.Code)).Select(s => stood[s.Code])],
            [.. of.OrderBy(m => m.Melt.Start)]);
        return plan with { Cost = PlanCost.Of(problem, plan) };
    }
}

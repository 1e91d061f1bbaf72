namespace Kondiba.Core.Planning;

/// <summary>
/// A plan at once, for any number of orders: from the last pickup backwards every task as late as it goes, where hands, room and pots are
/// free, in pots that are warm already where that saves a melt. Then orders are tried in other turns, and some of them earlier, as
/// long as it gets better. What it finds keeps every limit; how good it is, only the solver can tell.
/// </summary>
internal sealed partial class ListSchedule
{
    private const int Step = 5;

    // How much earlier a task is done to share a pot.
    private const int Joins = 240;

    private readonly PlanProblem problem;

    // How many other turns are tried: fewer for more tasks, and no more when so many have been in vain; how much earlier an order is tried.
    private const int Tries = 9000, FewestTries = 3, MostTries = 300, MostInVain = 50, LongestShift = 900;

    // So often is a place looked for in one try at most; less often where it must come at once and no
    // other is made, more often where one more is all there is.
    private const int MostAsked = 20_000, MostAskedOnce = 4_000;

    // So often in all tries together.
    private const int MostAskedInAll = 120_000;

    private readonly bool late;
    private readonly int mostAsked;
    private int asked, askedInAll;
    private bool atOnce;
    private readonly int horizon;
    private readonly Dictionary<string, PlanTask> tasks;
    private readonly ILookup<string, (PlanTask Task, Follows Follows)> followers;
    private readonly ILookup<string, Stay> staysFrom;
    private readonly Dictionary<string, List<Standing>> choices;
    private readonly ILookup<string, Use> usesOf;
    private readonly ILookup<string, ColourWork> coloursOf;
    private readonly Dictionary<string, Occupancy> hands;
    private readonly Dictionary<string, Occupancy> rooms;
    private readonly Dictionary<string, Placed> placed = [];
    private readonly Dictionary<string, Stood> stood = [];
    private readonly Dictionary<string, List<Warm>> melts;
    private readonly Dictionary<string, string[]> able;
    private readonly HashSet<Use> inUse = [];

    // Tasks after which what comes next is placed once they have their time; by how much a task may be late.
    private readonly HashSet<string> deferred = [];
    private int mayBeLate;

    // When tasks begin in a plan that is made later, and what they are not moved past.
    private readonly Dictionary<string, int> turn = [];
    private readonly Dictionary<string, int> notAfter = [];
    private readonly Stack<Action> undo = [];

    private ListSchedule(PlanProblem problem, bool late, int mostAsked)
    {
        (this.problem, this.late, this.mostAsked) = (problem, late, mostAsked);
        horizon = problem.Ends + 1;
        tasks = problem.Tasks.ToDictionary(t => t.Code);
        followers = problem.Tasks.SelectMany(t => t.After.Select(a => (Before: a.Task, Task: t, Follows: a)))
            .ToLookup(f => f.Before, f => (f.Task, f.Follows));
        staysFrom = problem.Stays.ToLookup(s => s.From);
        choices = problem.Stays.ToDictionary(s => s.Code, s => s.Choices.OrderBy(c => c.Cost).ToList());
        usesOf = problem.Uses.SelectMany(u => new[] { (Task: u.From, Use: u), (Task: u.Until, Use: u) }).ToLookup(u => u.Task, u => u.Use);
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
        deferred.Clear();
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
        var schedule = new ListSchedule(problem, late, tries switch { 0 => MostAskedOnce, 1 => MostAskedInAll, _ => MostAsked });
        var spare = problem.Margins.SelectMany(m => m.Tasks.Select(t => (Task: t, m.By))).ToLookup(m => m.Task, m => m.By);
        var way = new Way(turn, turn.ToDictionary(u => u, Spare));
        Solution? best = null;
        foreach (var (meals, atOnce) in ((bool, bool)[])[(true, false), (true, true), (false, false), (false, true)])
        {
            way = way with { Meals = meals, AtOnce = atOnce };
            best = schedule.Try(way);
            if (best is not null || stop.IsCancellationRequested)
                break;
        }

        // So many tries that they take about as long for few orders as for many; the same ones each time.
        var random = new Random(1);
        var inVain = 0;
        var most = units.Count == 0 ? 0 : tries ?? Math.Clamp(Tries / problem.Tasks.Count, FewestTries, MostTries);
        for (var i = 0; i < most && inVain < MostInVain && schedule.askedInAll < MostAskedInAll && !stop.IsCancellationRequested; i++)
        {
            var other = way.Another(random);
            inVain++;
            if (schedule.Try(other) is not { } next || next.Cost >= best?.Cost)
                continue;
            (best, way, inVain) = (next, other, 0);
        }

        return best;

        // How much sooner than it must be a unit is ready when there is the time to spare that its order would like.
        int Spare(List<PlanTask> unit) => unit.SelectMany(t => spare[t.Code].Select(by => t.Latest - by)).Append(0).Max();
    }

    /// <summary>
    /// The same plan with everything as late as it goes, in the same turn and places: what could be made in the morning or in the afternoon
    /// is made in the afternoon. (Justification, as with project schedules; from memory.)
    /// </summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">A plan of it.</param>
    /// <returns>The later plan; null when there is none in that turn.</returns>
    public static Solution? Later(PlanProblem problem, Solution plan)
    {
        var place = plan.Stood.ToDictionary(s => s.Stay, s => s.Place);
        var stays = problem.Stays.Select(s =>
            place.TryGetValue(s.Code, out var there) ? s with { Choices = [s.Choices.First(c => c.Place == there)] } : s);
        var schedule = new ListSchedule(problem with { Stays = [.. stays] }, late: false, MostAskedOnce);
        var by = problem.Margins.SelectMany(m => m.Tasks.Select(t => (Task: t, m.By))).ToLookup(m => m.Task, m => m.By - problem.Goal.Ease);
        foreach (var task in plan.Tasks)
        {
            schedule.turn[task.Code] = task.Start;
            if (by[task.Code].Any())
                schedule.notAfter[task.Code] = Math.Max(task.End, by[task.Code].Min());
        }

        var all = new Way([[.. problem.Tasks]], []);
        return schedule.Try(all) ?? schedule.Try(all with { Meals = false });
    }

    /// <summary>How a plan is tried.</summary>
    /// <param name="Turn">Which units are placed first.</param>
    /// <param name="Shifts">How much earlier each is done than it must be.</param>
    /// <param name="Meals">Whether the hands rest at noon and in the evening whatever comes of it.</param>
    /// <param name="AtOnce">Whether what a task follows is placed right after it, tray by tray; otherwise all that can be latest.</param>
    private sealed record Way(
        List<List<PlanTask>> Turn, Dictionary<List<PlanTask>, int> Shifts, bool Meals = true, bool AtOnce = false)
    {
        /// <summary>One that is a little different.</summary>
        public Way Another(Random random)
        {
            if (random.Next(8) == 0)
                return this with { AtOnce = !AtOnce };
            var unit = Turn[random.Next(Turn.Count)];
            if (Turn.Count > 1 && random.Next(3) == 0)
            {
                var turn = Turn.Where(u => u != unit).ToList();
                turn.Insert(random.Next(turn.Count + 1), unit);
                return this with { Turn = turn };
            }

            var shift = random.Next(4) == 0 ? 0 : random.Next(LongestShift / Step) * Step;
            return this with { Shifts = new Dictionary<List<PlanTask>, int>(Shifts) { [unit] = shift } };
        }
    }

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

    private Solution? Try(Way way)
    {
        Reset(way.Meals);
        askedInAll += asked;
        (asked, atOnce) = (0, way.AtOnce);
        if (!Fixed() || !way.Turn.TrueForAll(unit => Place(unit, way.Shifts.GetValueOrDefault(unit))))
            return null;
        return melts.Values.All(all => all.TrueForAll(m => m.Wash is not null || Washed(m, m.Until))) ? Read() : null;
    }

    private Occupancy HandsOf(Worker worker)
    {
        var span = new Occupancy(1, horizon);
        span.Take(0, horizon + 1, 1);
        foreach (var hours in worker.Hours)
            span.Take(hours.From, hours.To, -1);
        span.Keep();
        return span;
    }

    private Occupancy RoomOf(Resource resource)
    {
        var span = new Occupancy(resource.Has, horizon);
        foreach (var away in resource.Away)
            span.Take(away.When.From, away.When.To, away.Takes);
        span.Keep();
        return span;
    }

    /// <summary>What has its time already: done, under way, pinned; and the pots that are warm.</summary>
    private bool Fixed()
    {
        AddWarm();
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

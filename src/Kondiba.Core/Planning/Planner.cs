using Kondiba.Core.Measures;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What is to be planned.</summary>
/// <param name="Orders">The open orders, each with a pickup that is not over.</param>
/// <param name="Tables">The trade tables with the kitchen's own.</param>
/// <param name="Arranged">What the maker has arranged.</param>
/// <param name="Now">The kitchen's clock: nothing is planned before.</param>
/// <param name="Zone">The kitchen's zone, in which a night may be an hour shorter; null where none is.</param>
public sealed record PlanRequest(
    IReadOnlyList<PlannedOrder> Orders, KitchenTables Tables, Arrangements Arranged, LocalDateTime Now, DateTimeZone? Zone = null);

/// <summary>Looks for the best plan of a problem: in this process, as <see cref="PlanModel.Solve"/> does, or in another.</summary>
/// <param name="problem">What is to be done.</param>
/// <param name="limits">How long to search.</param>
/// <param name="before">A solution to start from.</param>
/// <param name="near">An earlier one that tasks shall stay near to.</param>
/// <param name="better">Told of every better plan on the way.</param>
/// <param name="stop">Ends the search.</param>
public delegate Solution Solver(
    PlanProblem problem, Limits limits, Solution? before, Solution? near, Action<Solution>? better, CancellationToken stop);

/// <summary>
/// Plans the work of several orders: every limit kept, then with the least work of the hands, pieces at their best and some time to
/// spare before each pickup; then as late as it goes, so that they are fresh.
/// </summary>
public sealed class Planner
{
    // The effort ends it; a busy machine is given more time, as without an answer nobody knows what is short.
    private static readonly Limits Stretching = new(Effort: 2, Seconds: 20);

    private readonly PlanRequest request;
    private readonly OrderTasks made;
    private readonly PlanClock clock;
    private readonly Dictionary<string, string> names;
    private readonly Lazy<Solution?> quick;
    private readonly Solver solver;

    /// <summary>Makes the tasks of a request.</summary>
    /// <param name="request">What is to be planned.</param>
    /// <param name="solver">What looks for plans; null for this process.</param>
    public Planner(PlanRequest request, Solver? solver = null)
    {
        this.solver = solver ?? PlanModel.Solve;
        names = request.Orders.ToDictionary(o => o.Code, o => o.Draft.Name ?? "");
        var begins = request.Arranged.Tasks.Values.Select(t => t.Done).OfType<LocalDateTime>().Append(request.Now).Min();
        clock = new(begins.Date.PlusDays(-1), request.Zone ?? DateTimeZone.Utc);
        (Problem, made) = Made(request.Arranged);
        var outgrown = request.Arranged.Tasks
            .Where(t => t.Value.Done is not null && t.Value.Pieces < PiecesOf(t.Key))
            .Select(t => t.Key)
            .ToHashSet();
        var arranged = request.Arranged with { Tasks = request.Arranged.Tasks.Where(t => !outgrown.Contains(t.Key)).ToDictionary() };
        if (outgrown.Count > 0)
            (Problem, made) = Made(arranged);
        if (Before(Problem, arranged, outgrown) is { } more)
            (arranged, (Problem, made)) = (more, Made(more));
        this.request = request with { Arranged = arranged };
        var worth = request.Tables.Reference.Planning;
        Problem = Problem with
        {
            Goal = new(
                Hands: OrderTasks.Minute,
                Warm: (int)(OrderTasks.Minute * worth.Warm.Value.TotalMinutes),
                Late: (int)(OrderTasks.Minute * worth.Late.Value.TotalMinutes),
                Ease: (int)worth.Ease.Value.TotalMinutes),
        };
        quick = new(() => ListSchedule.Of(Problem));

        (PlanProblem, OrderTasks) Made(Arrangements known) => OrderTasks.For(request.Orders, request.Tables, known, clock, request.Now);
    }

    /// <summary>
    /// What was arranged, as it holds: what comes before something that is done is done too, and each for as many pieces as there are, by
    /// the name that it has. What was done for fewer is to be done for the others.
    /// </summary>
    public Arrangements Arranged => request.Arranged with
    {
        Tasks = request.Arranged.Tasks.ToDictionary(t => t.Key, t => t.Value with
        {
            Pieces = t.Value is { Done: not null, Pieces: null } ? PiecesOf(t.Key) : t.Value.Pieces,
            Title = made.Info.GetValueOrDefault(t.Key)?.Title ?? t.Value.Title,
        }),
    };

    private int? PiecesOf(string task) => made.Info.GetValueOrDefault(task)?.Pieces;

    /// <summary>Arrangements in which what comes before a task that is done or under way is done too; null when it was said of all.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="arranged">What was arranged.</param>
    /// <param name="outgrown">What was done for fewer pieces than there are now: that is not done, whatever comes after it.</param>
    private static Arrangements? Before(PlanProblem problem, Arrangements arranged, HashSet<string> outgrown)
    {
        var (marks, more) = (arranged.Tasks.ToDictionary(), false);
        var tasks = problem.Tasks.ToDictionary(t => t.Code);
        var follow = new Stack<PlanTask>(problem.Tasks.Where(t => t.Done || t.Begun));
        while (follow.TryPop(out var task))
        {
            var mark = marks[task.Code];
            foreach (var before in task.After.Where(a => marks.GetValueOrDefault(a.Task)?.Done is null && !outgrown.Contains(a.Task)))
            {
                marks[before.Task] = new(Done: mark.Done?.PlusMinutes(-task.Lasts) ?? mark.At);
                follow.Push(tasks[before.Task]);
                more = true;
            }
        }

        return more ? arranged with { Tasks = marks } : null;
    }

    /// <summary>For a first plan, in well under a second.</summary>
    public static Limits First { get; } = new(Effort: 1, Seconds: 2, Quick: true);

    /// <summary>For the plan that is improved while one watches.</summary>
    public static Limits Full { get; } = new(Effort: 3, Seconds: 15);

    /// <summary>The problem as the solver gets it; its minutes count from a midnight by the kitchen's clock.</summary>
    public PlanProblem Problem { get; }

    /// <summary>The midnight that its minutes count from.</summary>
    public LocalDate Origin => clock.Origin;

    /// <summary>An earlier solution in this problem's minutes.</summary>
    /// <param name="solution">The earlier one.</param>
    /// <param name="origin">The midnight that its minutes count from.</param>
    public Solution Shifted(Solution solution, LocalDate origin)
    {
        var by = clock.Down(origin.AtMidnight());
        Placed Moved(Placed p) => p with { Start = p.Start + by, End = p.End + by };
        return solution with
        {
            Tasks = [.. solution.Tasks.Select(Moved)],
            Stood = [.. solution.Stood.Select(s => s with { Start = s.Start + by, End = s.End + by })],
            Melts = [.. solution.Melts.Select(m => m with { Melt = Moved(m.Melt), Wash = Moved(m.Wash) })],
        };
    }

    /// <summary>Looks for a plan.</summary>
    /// <param name="limits">How long to search.</param>
    /// <param name="before">A solution to start from.</param>
    /// <param name="near">An earlier one that tasks shall stay near to, as far as they can.</param>
    /// <param name="better">Told of every better plan on the way.</param>
    /// <param name="stop">Ends the search.</param>
    public Solution Solve(
        Limits limits, Solution? before = null, Solution? near = null, Action<Solution>? better = null, CancellationToken stop = default)
    {
        // The quick plan is there in a moment whatever its size; the solver is asked where there is none, and to better it.
        if (before is null && limits.Quick && quick.Value is { } found)
            return found;
        if (near is null && !limits.Quick && quick.Value is { } start && (before is null || start.Cost < before.Cost))
            before = start;

        return solver(NearTo(near), limits, before, near, better, stop);
    }

    /// <summary>A plan of few orders in a moment; null when none is found at once.</summary>
    public Solution? Alone(CancellationToken stop = default) => ListSchedule.Of(Problem, tries: 0, stop: stop);

    /// <summary>The steps that a task is made of, one after the other; none for melting and washing up.</summary>
    /// <param name="task">Code of the task.</param>
    public IReadOnlyList<WorkStep> PartsOf(string task) => made.Parts.GetValueOrDefault(task) ?? [];

    /// <summary>The same with as much room as is wanted: what is late then is late for want of hands.</summary>
    public Solution? Roomy(CancellationToken stop = default)
    {
        const int Plenty = 100;
        var resources = Problem.Resources.Select(r => IsPlace(r) ? r with { Has = r.Has * Plenty, Away = [] } : r);
        return ListSchedule.Of(Problem with { Resources = [.. resources] }, late: true, tries: 0, stop: stop);
    }

    /// <summary>
    /// What comes of it when nothing fits: every order made, those that cannot be ready in time as little late as it goes; null when even
    /// that leaves something over.
    /// </summary>
    /// <param name="stop">Ends the search with the best so far.</param>
    public Solution? Late(CancellationToken stop = default)
    {
        var beyond = Problem.Ends + Elastic.Later;
        var workers = new KitchenMeans(request.Tables, request.Arranged, clock, clock.Up(request.Now)).Workers(beyond);
        return ListSchedule.Of(Problem with { Ends = beyond, Workers = workers }, late: true, stop: stop);
    }

    /// <summary>
    /// What it would take: a plan with more hands than there are; where that is no help, with more room too; where that is none, with more
    /// time. As little more as can be.
    /// </summary>
    /// <param name="stop">Ends the search.</param>
    public Solution Stretch(CancellationToken stop = default)
    {
        var some = Solution.None;
        foreach (var more in Enum.GetValues<More>())
        {
            var problem = Elastic.Of(Problem, clock.Up(request.Now), more);
            some = solver(problem, Stretching with { Quick = true }, null, null, null, stop);
            if (some.Any)
                return solver(problem, Stretching, some, null, null, stop) is { Any: true } less ? less : some;
        }

        return some;
    }

    /// <summary>The least changes that make it fit, each tried by solving; the least trouble first.</summary>
    /// <param name="plan">A plan that does not fit, with what is short.</param>
    /// <param name="found">Told of all so far as soon as another was tried.</param>
    /// <param name="stop">Ends the search: no further change is tried.</param>
    public IReadOnlyList<Remedy> Help(Plan plan, Action<IReadOnlyList<Remedy>>? found = null, CancellationToken stop = default) =>
        Remedies.For(request, plan.Shortages, names, r => !stop.IsCancellationRequested && Fits(r, stop), found);

    /// <summary>Whether there is a plan at all, as far as a short search can tell.</summary>
    private bool Fits(PlanRequest changed, CancellationToken stop) =>
        new Planner(changed, solver).Solve(First with { Seconds = 10 }, stop: stop).Any;

    /// <summary>The same as late as is worth it, pots no longer warm than they must be, and work close to what it is for.</summary>
    /// <param name="solution">The solution.</param>
    /// <param name="near">The earlier one that it was kept near to: what was in it stays where it is.</param>
    public Solution Tidy(Solution solution, Solution? near = null) => Tidying.Of(NearTo(near), solution, near, clock.Up(request.Now));

    /// <summary>
    /// Whether at least half of an earlier plan is where it was: otherwise there is nothing left to stay near to, and it is better planned
    /// anew.
    /// </summary>
    /// <param name="solution">The solution found near to it.</param>
    /// <param name="near">The earlier one.</param>
    public static bool Stays(Solution solution, Solution near)
    {
        var was = near.Tasks.ToDictionary(t => t.Code, t => t.Start);
        var both = solution.Tasks.Where(t => was.ContainsKey(t.Code)).ToList();
        return 2 * both.Count(t => was[t.Code] == t.Start) >= both.Count;
    }

    private PlanProblem NearTo(Solution? near) =>
        near is null
            ? Problem
            : Problem with { Goal = Problem.Goal with { Moved = (int)(request.Tables.Reference.Planning.Moved.Value.Si * OrderTasks.Minute) } };

    /// <summary>A solution as the kitchen reads it.</summary>
    public Plan Read(Solution solution) => Read(solution, []);

    /// <summary>A solution that keeps not every limit, with what is short.</summary>
    /// <param name="beyond">The solution.</param>
    /// <param name="proven">Whether it is proven that nothing fits, and not only that nothing was found.</param>
    public Plan ReadShort(Solution beyond, bool proven = true) =>
        Read(
            beyond with { Outcome = proven ? Outcome.Impossible : Outcome.Unknown },
            Shortages.Of(Problem, beyond, made, clock, request.Tables.Reference.Setting, names));

    private Plan Read(Solution solution, IReadOnlyList<Shortage> shortages)
    {
        IEnumerable<(Placed Placed, TaskInfo Info)> all =
        [
            .. solution.Tasks.Select(t => (t, made.Info[t.Code])),
            .. solution.Melts.Select(m => (m.Melt, Melting(m, false))),
            .. solution.Melts.Select(m => (m.Wash, Melting(m, true))),
        ];
        var placed = all.OrderBy(t => t.Placed.Start).ThenBy(t => t.Placed.End).ToList();
        var slack = Slack(solution);
        var tasks = placed.ConvertAll(t => new DayTask(
            t.Info,
            At(t.Placed.Start),
            At(t.Placed.End),
            t.Placed.Worker,
            Duration.FromMinutes(slack(t.Placed)),
            request.Arranged.Tasks.GetValueOrDefault(t.Placed.Code)));
        var stays = Problem.Stays.ToDictionary(s => s.Code);
        return new(
            solution.Outcome,
            solution.Gap,
            tasks,
            [.. solution.Stood.Where(s => s.End > s.Start)
                .OrderBy(s => s.Start)
                .ThenBy(s => s.Stay, StringComparer.Ordinal)
                .Select(s => Tray(s, stays[s.Stay]))],
            [.. solution.Melts.Select(Melt)],
            [.. request.Orders.Select(o => new DayOrder(o.Code, o.Draft.Pickup!.Value, ReadyAt(o.Code))).OrderBy(o => o.Pickup)],
            [.. Problem.Resources.Where(r => IsPlace(r) || r.Code == "pots.all")
                .Select(r => Place(r, solution))],
            [.. Problem.Workers.SelectMany(w => w.Hours.Select(h => Hands(w, h, placed)))],
            shortages,
            made.Problems);

        LocalDateTime ReadyAt(string order) =>
            placed.Where(t => t.Info.Order == order).Select(t => At(t.Placed.End)).DefaultIfEmpty(request.Now).Max();
    }

    private static bool IsPlace(Resource resource) => resource.Code.StartsWith("place.", StringComparison.Ordinal);

    private LocalDateTime At(int minute) => clock.At(minute);

    private TaskInfo Melting(Melted melt, bool wash)
    {
        var (_, colour) = request.Tables.Reference.PotOf(melt.Colour);
        var r = request.Tables.Reference;
        return new(
            wash ? melt.Wash.Code : melt.Melt.Code,
            null,
            Stage.Melt,
            $"{(wash ? "Wash up" : "Melt")} {colour!.Name}",
            "",
            wash ? "planning.wash" : MeltingOf.Says(made.PotFor(melt.Tasks, melt.Colour), Mass(melt), request.Tables),
            wash ? PrepWork.WhyWash : PrepWork.WhyGently,
            wash ? r.Pricing.Wash.Source : r.Melting.Begin.Source,
            [],
            0,
            null,
            [melt.Colour],
            wash ? null : r.Planning.Holds.Value);
    }

    /// <summary>What a melt is for, with what was dipped from it before.</summary>
    private Mass Mass(Melted melt)
    {
        var marks = request.Arranged.Tasks;
        var melted = marks.GetValueOrDefault(melt.Melt.Code)?.Done;
        return made.Coating[melt.Colour].Where(t => melt.Tasks.Contains(t.Key)
            || (marks.GetValueOrDefault(t.Key)?.Done is { } dipped && dipped > melted))
            .Select(t => t.Value)
            .Total();
    }

    private DayMelt Melt(Melted melt)
    {
        var cools = Problem.Colours.First(c => c.Code == melt.Colour).Cools;
        var (pot, mass) = (made.PotFor(melt.Tasks, melt.Colour), Mass(melt));
        return new(
            melt.Colour,
            melt.Number,
            mass,
            At(melt.Melt.Start),
            At(melt.Melt.End + cools),
            At(melt.Wash.End),
            melt.Tasks,
            pot.Vessel,
            request.Tables.Reference.Vessel(pot.Vessel)?.LevelOf(pot.Volume * (mass / pot.ToMelt.Value)));
    }

    private DayTray Tray(Stood stood, Stay stay)
    {
        var (info, where) = (made.Info[stay.From], stay.Choices.First(c => c.Place == stood.Place));
        return new(
            stay.From,
            info.Order!,
            info.For,
            stood.Place["place.".Length..],
            stood.Takes / (double)OrderTasks.Tray,
            info.Pieces,
            info.Pots,
            At(stood.Start),
            At(stood.End),
            where.Least > 0 ? At(stood.Start + where.Least) : null,
            where is { Most: { } most, Least: > 0 } ? At(stood.Start + most) : null,
            where is { Most: { } keeps, Least: 0 } ? At(stood.Start + keeps) : null);
    }

    private DayPlace Place(Resource resource, Solution solution)
    {
        var taken = Shortages.Taken(Problem, solution, resource.Code).ToList();
        var full = new List<Minutes>();
        foreach (var span in Minutes.Between(taken.SelectMany(t => new[] { t.When.From, t.When.To })))
        {
            if (taken.Where(t => t.When.Holds(span)).Sum(t => t.Takes) is var much && (much == 0 || much <= resource.Has - resource.Unit))
                continue;
            if (full is [.., var last] && last.To == span.From)
                full[^1] = new(last.From, span.To);
            else
                full.Add(span);
        }

        var place = Shortages.PlaceOf(resource.Code).Place;
        return new(
            place,
            request.Tables.Reference.Setting.NameOf(place),
            resource.Has / resource.Unit,
            [.. full.Select(f => new Between(At(f.From), At(f.To)))]);
    }

    private DayHands Hands(Worker worker, Minutes hours, List<(Placed Placed, TaskInfo Info)> placed) => new(
        worker.Code,
        new(At(hours.From), At(hours.To)),
        Duration.FromMinutes(placed.Where(t => t.Placed.Worker == worker.Code && t.Placed.Start >= hours.From && t.Placed.End <= hours.To)
            .Sum(t => t.Placed.End - t.Placed.Start)));

    /// <summary>By how much each task could be later while everything else stays where it is.</summary>
    private Func<Placed, int> Slack(Solution solution)
    {
        var hands = solution.All.ToList();
        var starts = hands.ToDictionary(t => t.Code, t => t.Start);
        var followers = Problem.Tasks.SelectMany(t => t.After.Select(a => (Before: a.Task, t.Code, a.Least))).ToLookup(f => f.Before);
        var stood = solution.Stood.ToLookup(
            s => Problem.Stays.First(t => t.Code == s.Stay).From,
            s => s.End - Problem.Stays.First(t => t.Code == s.Stay).Choices.First(c => c.Place == s.Place).Least);
        var latest = Problem.Tasks.ToDictionary(t => t.Code, t => t.Latest);
        var melted = solution.Melts.SelectMany(m => m.Tasks.Select(t => (Task: t, m.Wash.Start))).ToLookup(m => m.Task, m => m.Start);
        var first = solution.Melts.ToDictionary(
            m => m.Melt.Code,
            m => m.Tasks.Select(t => starts[t]).DefaultIfEmpty(int.MaxValue).Min() - Problem.Colours.First(c => c.Code == m.Colour).Cools);
        return task =>
        {
            var next = hands.Where(h => h.Worker is not null && h.Worker == task.Worker && h.Start >= task.End && h.Code != task.Code)
                .Select(h => h.Start);
            var ends = Problem.Workers.Where(w => w.Code == task.Worker)
                .SelectMany(w => w.Hours)
                .Where(h => h.From <= task.Start && h.To >= task.End)
                .Select(h => h.To);
            IEnumerable<int> limits =
            [
                .. followers[task.Code].Select(f => starts[f.Code] - f.Least),
                .. stood[task.Code],
                .. melted[task.Code],
                .. next,
                .. ends,
                latest.GetValueOrDefault(task.Code, int.MaxValue),
                first.GetValueOrDefault(task.Code, int.MaxValue),
            ];
            var least = limits.Min();
            return least == int.MaxValue ? 0 : Math.Max(0, least - task.End);
        };
    }
}

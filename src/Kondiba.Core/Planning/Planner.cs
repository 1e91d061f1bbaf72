using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
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
public sealed partial class Planner
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

    /// <summary>
    /// Arrangements in which what comes before a task that is done or under way is done too; null when it was said of all.
    /// </summary>
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

    /// <summary>
    /// An earlier solution in this problem's minutes; what was to be dipped from a pot that was melted sooner than planned is in it as much
    /// sooner.
    /// </summary>
    /// <param name="solution">The earlier one.</param>
    /// <param name="origin">The midnight that its minutes count from.</param>
    public Solution Shifted(Solution solution, LocalDate origin)
    {
        var by = clock.Down(origin.AtMidnight());
        List<Melted> melts = [.. solution.Melts.Select(m => m with { Melt = Moved(m.Melt, by), Wash = Moved(m.Wash, by) })];
        var sooner = Sooner(melts);
        return solution with
        {
            Tasks = [.. solution.Tasks.Select(t => Moved(t, by - sooner.GetValueOrDefault(t.Code)))],
            Stood = [.. solution.Stood.Select(s => s with { Start = s.Start + by, End = s.End + by })],
            Melts = melts,
        };
    }

    private static Placed Moved(Placed placed, int by) => placed with { Start = placed.Start + by, End = placed.End + by };

    /// <summary>
    /// By how many minutes tasks come sooner as their pot was melted sooner: those dipped from it, and what comes before them.
    /// </summary>
    private Dictionary<string, int> Sooner(List<Melted> melts)
    {
        var after = Problem.Tasks.ToDictionary(t => t.Code, t => t.After);
        var sooner = new Dictionary<string, int>();
        var follow = new Stack<(string Task, int By)>(
            from melt in melts
            let early = MeltedSooner(melt)
            where early > 0
            from dipped in melt.Tasks
            select (dipped, early));
        while (follow.TryPop(out var task))
        {
            if (!after.TryGetValue(task.Task, out var before) || sooner.GetValueOrDefault(task.Task) >= task.By)
                continue;
            sooner[task.Task] = task.By;
            foreach (var one in before)
                follow.Push((one.Task, task.By));
        }

        return sooner;
    }

    /// <summary>
    /// By how many minutes a pot that is warm was melted sooner on its day than planned; a day sooner is a slip, to be taken back.
    /// </summary>
    private int MeltedSooner(Melted melt) =>
        Problem.Colours.FirstOrDefault(c => c.Code == melt.Colour && c.Over + 1 == melt.Number)?.Warm is { } melted
            && At(melted).Date == At(melt.Melt.End).Date
            ? Math.Max(0, melt.Melt.End - melted)
            : 0;

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

        var best = solver(NearTo(near), limits, before, near, better, stop);
        return best.Outcome is Outcome.Unknown && limits.Quick && quick.Value is { } some ? some : best;
    }

    /// <summary>A plan of few orders in a moment; null when none is found at once.</summary>
    public Solution? Alone(CancellationToken stop = default) => ListSchedule.Of(Problem, tries: 0, stop: stop);

    /// <summary>The steps that a task is made of, one after the other; none for melting and washing up.</summary>
    /// <param name="task">Code of the task.</param>
    public IReadOnlyList<WorkStep> PartsOf(string task) => made.Parts.GetValueOrDefault(task) ?? [];

    /// <summary>
    /// What comes of it when nothing fits: every order made, those that cannot be ready in time as little late as it goes. Where that
    /// still leaves something over, with as much room as is wanted; and where that does, too, with things standing longer than they
    /// should. Null only when there are no hands for it in weeks.
    /// </summary>
    /// <param name="atOnce">Whether it is wanted in a moment, even if it could be less late.</param>
    /// <param name="stop">Ends the search with the best so far.</param>
    public Solution? Late(bool atOnce = false, CancellationToken stop = default)
    {
        const int Plenty = 100, Weeks = 14 * 24 * 60;
        var late = Until(Problem.Ends + Elastic.Later);
        if (ListSchedule.Of(late, late: true, tries: atOnce ? 0 : null, stop: stop) is { } found)
            return found;
        IReadOnlyList<Resource> roomy = [.. Problem.Resources.Select(r => IsPlace(r) ? r with { Has = r.Has * Plenty, Away = [] } : r)];
        var unhurried = Until(Problem.Ends + Weeks) with { Resources = roomy };
        PlanProblem[] more =
            [late with { Resources = roomy }, Standing(unhurried, most => 3 * most), Standing(unhurried, _ => null)];
        return more.Select(problem => ListSchedule.Of(problem, late: true, tries: atOnce ? 0 : 1, stop: stop)).FirstOrDefault(
            plan => plan is not null);

        PlanProblem Until(int ends) => Problem with
        {
            Ends = ends,
            Workers = new KitchenMeans(request.Tables, request.Arranged, clock, clock.Up(request.Now)).Workers(ends),
        };

        static PlanProblem Standing(PlanProblem problem, Func<int, int?> longer)
        {
            int? Longer(int? most) => most is { } limit ? longer(limit) : null;
            return problem with
            {
                Tasks = [.. problem.Tasks.Select(t => t with { After = [.. t.After.Select(a => a with { Most = Longer(a.Most) })] })],
                Stays = [
                    .. problem.Stays.Select(s => s with { Choices = [.. s.Choices.Select(c => c with { Most = Longer(c.Most) })] }),
                ],
            };
        }
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
}

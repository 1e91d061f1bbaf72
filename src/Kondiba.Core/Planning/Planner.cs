using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What is to be planned.</summary>
/// <param name="Orders">The open orders, each with a pickup that is not over.</param>
/// <param name="Tables">The trade tables with the kitchen's own.</param>
/// <param name="Arranged">What the maker has arranged.</param>
/// <param name="Now">The kitchen's clock: nothing is planned before.</param>
public sealed record PlanRequest(IReadOnlyList<PlannedOrder> Orders, TradeTables Tables, Arrangements Arranged, LocalDateTime Now);

/// <summary>Plans the work of several orders: made as late as freshness wants, with few melts, and every limit kept.</summary>
public sealed class Planner
{
    /// <summary>For a first plan, in well under a second.</summary>
    public static Limits First { get; } = new(Effort: 0.3, Seconds: 0.9, Quick: true);

    /// <summary>For the plan that is improved while one watches.</summary>
    public static Limits Full { get; } = new(Effort: 12, Seconds: 10);

    private readonly PlanRequest request;
    private readonly OrderTasks made;
    private readonly PlanClock clock;

    /// <summary>Makes the tasks of a request.</summary>
    public Planner(PlanRequest request)
    {
        this.request = request;
        var days = request.Arranged.Tasks.Values.Select(t => t.Done).OfType<LocalDateTime>().Append(request.Now).Min().Date;
        clock = new(days.PlusDays(-1));
        (Problem, made) = OrderTasks.For(request.Orders, request.Tables, request.Arranged, clock, request.Now);
        Problem = Problem with { Goal = new(Hands: OrderTasks.Minute) };
    }

    /// <summary>The problem as the solver gets it.</summary>
    public PlanProblem Problem { get; }

    /// <summary>Looks for a plan.</summary>
    /// <param name="limits">How long to search.</param>
    /// <param name="before">An earlier solution to start from.</param>
    /// <param name="stay">Whether tasks shall stay where the earlier one had them, as far as they can.</param>
    /// <param name="better">Told of every better plan on the way.</param>
    /// <param name="stop">Ends the search.</param>
    public Solution Solve(Limits limits, Solution? before = null, bool stay = false, Action<Solution>? better = null, CancellationToken stop = default)
    {
        var moved = stay && before is not null ? (int)(request.Tables.Planning.Moved.Value.Si * OrderTasks.Minute) : 0;
        return PlanModel.Solve(Problem with { Goal = Problem.Goal with { Moved = moved } }, limits, before, better, stop);
    }
}

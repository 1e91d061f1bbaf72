using System.Collections.Concurrent;
using Kondiba.Core.Planning;
using Kondiba.Data;
using NodaTime;

namespace Kondiba.Web.Planning;

/// <summary>How far a search for a plan is.</summary>
/// <param name="Searching">Whether better plans, or remedies, may still come.</param>
/// <param name="Plan">The best so far; null before the first.</param>
/// <param name="Remedies">Changes that were tried and make it fit, when nothing does as it is.</param>
/// <param name="Found">The plan as it is kept; null while nothing fits.</param>
/// <param name="Failed">Whether the search broke off: nothing better comes until it is begun anew.</param>
internal sealed record PlanState(bool Searching, Plan? Plan, IReadOnlyList<Remedy> Remedies, FoundPlan? Found, bool Failed = false);

/// <summary>A search for a plan, in the background.</summary>
internal sealed class PlanRun(
    string key,
    PlanRequest request,
    FoundPlan? before,
    bool stay,
    Func<FoundPlan, Task> keep,
    SemaphoreSlim turn,
    IClock instants,
    ILogger log) : IDisposable
{
    private static readonly Duration Between = Duration.FromMilliseconds(900);

    private readonly CancellationTokenSource stop = new();
    private readonly TaskCompletionSource first = new(TaskCreationOptions.RunContinuationsAsynchronously);

    /// <summary>What it plans: the same for the same orders, kitchen and arrangements.</summary>
    public string Key => key;

    public PlanRequest Request => request;

    public PlanState State { get; private set; } = new(true, null, [], null);

    /// <summary>Done when there is a first answer.</summary>
    public Task First => first.Task;

    public void Start() => _ = Task.Run(async () =>
    {
        try
        {
            // One kitchen searches at a time: the others have their first plan and wait.
            await turn.WaitAsync(stop.Token);
            try
            {
                await SearchAsync();
            }
            finally
            {
                turn.Release();
            }
        }
        catch (OperationCanceledException) when (stop.IsCancellationRequested)
        {
            // Another search has taken its place.
        }
#pragma warning disable CA1031 // Nobody awaits a search: whatever broke it off is told here or never.
        catch (Exception e)
        {
            State = State with { Failed = true };
            Broken(log, e);
        }
#pragma warning restore CA1031
        finally
        {
            State = State with { Searching = false };
            first.TrySetResult();
        }
    });

    private static readonly Action<ILogger, Exception?> Broken = LoggerMessage.Define(
        LogLevel.Error, default, "The search for a plan broke off.");

    private async Task SearchAsync()
    {
        var planner = new Planner(request);
        if (planner.Problem.Tasks.Count == 0)
        {
            State = State with { Plan = planner.Read(new(Outcome.Best, 0, 0, [], [], [])) };
            return;
        }

        var from = before is null ? null : planner.Shifted(before.Solution, before.Origin);
        var near = stay ? from : null;
        var solution = planner.Solve(Planner.First, from, near, stop: stop.Token);
        var last = Instant.MinValue;
        if (!solution.Any)
        {
            // Nothing at once: what would come of it is shown, while it is searched for something better.
            var late = planner.Late(stop.Token);
            if (late is not null)
            {
                State = State with { Plan = planner.ReadShort(late, proven: false) };
                first.TrySetResult();
            }

            if (solution.Outcome is Outcome.Unknown)
                solution = planner.Solve(Planner.Full, from, near, Better, stop.Token);
            if (!solution.Any && !stop.IsCancellationRequested)
            {
                var stretched = planner.Stretch(stop.Token);
                var what = planner.ReadShort(stretched, solution.Outcome is Outcome.Impossible);

                // With the hands there are, and as late as that comes to; what is short says what would help.
                if (late is not null)
                {
                    var real = planner.ReadShort(late, solution.Outcome is Outcome.Impossible);
                    what = real with { Shortages = [.. real.Shortages, .. what.Shortages.Where(s => s.Kind is not Short.Time)] };
                }

                State = State with { Plan = what };
                first.TrySetResult();
                planner.Help(what, r => State = State with { Remedies = [.. State.Remedies, r] }, stop.Token);
                return;
            }
        }

        if (near is not null && !Planner.Stays(solution, near))
            near = null;
        Show(solution);
        first.TrySetResult();
        solution = planner.Solve(Planner.Full, solution, near, Better, stop.Token);
        if (stop.IsCancellationRequested)
            return;
        Show(solution);
        await keep(State.Found!);

        void Better(Solution better)
        {
            if (instants.GetCurrentInstant() - last < Between || stop.IsCancellationRequested)
                return;
            Show(better);
            first.TrySetResult();
            last = instants.GetCurrentInstant();
        }

        void Show(Solution found)
        {
            var shown = planner.Tidy(found, near);
            var plan = planner.Read(shown);
            State = State with { Plan = plan, Found = new(planner.Origin, shown, plan, instants.GetCurrentInstant()) };
        }
    }

    public void Dispose() => stop.Cancel();
}

/// <summary>The latest search of every kitchen.</summary>
internal sealed class PlanRuns(IServiceScopeFactory scopes, IClock instants, ILogger<PlanRuns> log) : IDisposable
{
    private readonly ConcurrentDictionary<Guid, PlanRun> runs = new();
    private readonly SemaphoreSlim turn = new(1);

    /// <summary>A kitchen's search; begun anew when what is planned has changed.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="key">What is planned.</param>
    /// <param name="request">The same, for the planner.</param>
    /// <param name="kept">The plan that was kept last.</param>
    /// <param name="anew">Whether to forget the plan there was, and plan from nothing.</param>
    public PlanRun Get(Guid kitchen, string key, PlanRequest request, FoundPlan? kept, bool anew)
    {
        lock (runs)
        {
            var there = runs.GetValueOrDefault(kitchen);
            if (there is not null && there.Key == key && !anew)
                return there;
            there?.Dispose();
            var before = anew ? null : there?.State.Found ?? kept;

            // What was planned stays where it is as far as it can, also when an order comes in; when one goes, the earlier plan is only
            // where the search begins.
            var stay = before?.Plan.Orders.Select(o => o.Order).ToHashSet().IsSubsetOf(request.Orders.Select(o => o.Code)) is true;
            var run = new PlanRun(key, request, before, stay, found => KeepAsync(kitchen, found), turn, instants, log);
            runs[kitchen] = run;
            run.Start();
            return run;
        }
    }

    /// <summary>The best plan of a kitchen's latest search; null before there is one.</summary>
    public Plan? Latest(Guid kitchen) => runs.GetValueOrDefault(kitchen)?.State.Plan;

    private async Task KeepAsync(Guid kitchen, FoundPlan found)
    {
        await using var scope = scopes.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<KitchenScope>().KitchenId = kitchen;
        await scope.ServiceProvider.GetRequiredService<DayBook>().KeepAsync(found);
    }

    public void Dispose()
    {
        foreach (var run in runs.Values)
            run.Dispose();
        turn.Dispose();
    }
}

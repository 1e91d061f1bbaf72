using Hangfire;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;
using NodaTime;

namespace Kondiba.Planning;

/// <summary>
/// The two jobs of a search: some plan at once, then a better one. What they find is written into the kitchen's <see cref="PlanSearch"/>
/// as long as no other search has taken its place. Both can be done again from wherever they broke off.
/// </summary>
[AutomaticRetry(Attempts = 1, DelaysInSeconds = [1], OnAttemptsExceeded = AttemptsExceededAction.Delete)]
public sealed class PlanJobs(
    IServiceScopeFactory scopes,
    KitchenScope scope,
    KondibaContext db,
    PlannerSettings settings,
    Workload workload,
    SolverProcess solver,
    IBackgroundJobClientV2 jobs,
    JobStorage storage,
    IClock instants,
    ILogger<PlanJobs> log)
{
    /// <summary>Queue of the first plans.</summary>
    public const string First = "first";

    /// <summary>Queue of what is bettered.</summary>
    public const string Better = "better";

    // Plans that come faster are not shown each: nobody reads that fast.
    private static readonly Duration Between = Duration.FromMilliseconds(900);

    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(400);

    private static readonly Action<ILogger, Guid, Exception?> Broken = LoggerMessage.Define<Guid>(
        LogLevel.Error, default, "The search for a plan of kitchen {Kitchen} broke off.");

    /// <summary>Makes a first plan, and asks for a better one.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="asked">The search.</param>
    /// <param name="stop">Ends it.</param>
    [Queue(First)]
    public Task FirstAsync(Guid kitchen, Guid asked, CancellationToken stop)
    {
        return SearchAsync(kitchen, asked, Part, stop);

        void Part(Load load, PlanSearch search, CancellationToken over)
        {
            if (search.State is SearchState.Asked)
                Begin(load, search, over);
            if (!over.IsCancellationRequested)
                jobs.Enqueue<PlanJobs>(p => p.BetterAsync(kitchen, asked, CancellationToken.None));
        }
    }

    /// <summary>Betters the plan, or finds out what is short where there is none; as soon as nobody waits for a first one.</summary>
    /// <param name="kitchen">The kitchen.</param>
    /// <param name="asked">The search.</param>
    /// <param name="stop">Ends it.</param>
    [Queue(Better)]
    public async Task BetterAsync(Guid kitchen, Guid asked, CancellationToken stop)
    {
        while (storage.GetMonitoringApi().EnqueuedCount(First) > 0)
            await Task.Delay(Look, stop);
        await SearchAsync(kitchen, asked, Part, stop);

        void Part(Load load, PlanSearch search, CancellationToken over)
        {
            if (search.From is not { } from || search.State is SearchState.Asked or SearchState.Ended)
                return;

            // Minutes count on from the first plan's: what that plan begins with may have begun meanwhile.
            var planner = new Planner(load.Request with { Now = from }, solver.Solve);
            if (search.Late is null)
                Improve(planner, search, over);
            else
                Help(planner, search, over);
            if (over.IsCancellationRequested)
                return;
            search.State = SearchState.Ended;
            db.SaveChanges();
        }
    }

    /// <summary>Does a part of a search while it is the kitchen's latest.</summary>
    private async Task SearchAsync(Guid kitchen, Guid asked, Action<Load, PlanSearch, CancellationToken> part, CancellationToken stop)
    {
        scope.KitchenId = kitchen;
        var load = await workload.ReadAsync();
        if (load.Search is not { } search || search.Asked != asked)
            return;
        db.Attach(search);
        using var over = CancellationTokenSource.CreateLinkedTokenSource(stop);
        var watch = WatchAsync(kitchen, asked, over);
        try
        {
            part(load, search, over.Token);

            // Told to stop, the planner leaves the search to another.
            stop.ThrowIfCancellationRequested();
        }
        catch (DbUpdateConcurrencyException)
        {
            // Another search has taken its place.
        }
        catch (Exception e) when (!stop.IsCancellationRequested)
        {
            Broken(log, kitchen, e);
            await db.PlanSearches.Where(s => s.Asked == asked)
                .ExecuteUpdateAsync(set => set.SetProperty(s => s.State, SearchState.Failed), CancellationToken.None);
            throw;
        }
        finally
        {
            await over.CancelAsync();
            await watch;
        }
    }

    /// <summary>Ends a part as soon as another search has taken its search's place.</summary>
    private async Task WatchAsync(Guid kitchen, Guid asked, CancellationTokenSource over)
    {
        await using var own = scopes.CreateAsyncScope();
        own.ServiceProvider.GetRequiredService<KitchenScope>().KitchenId = kitchen;
        var searches = own.ServiceProvider.GetRequiredService<KondibaContext>().PlanSearches;
        using var timer = new PeriodicTimer(Look);
        try
        {
            while (await timer.WaitForNextTickAsync(over.Token))
                if (!await searches.AnyAsync(s => s.Asked == asked, over.Token))
                    await over.CancelAsync();
        }
        catch (OperationCanceledException)
        {
            // The part is done.
        }
    }

    /// <summary>Some plan, or what comes of it where there is none at once.</summary>
    private void Begin(Load load, PlanSearch search, CancellationToken over)
    {
        var planner = new Planner(load.Request, solver.Solve);
        var from = search.Found is { } before ? planner.Shifted(before.Solution, before.Origin) : null;
        var near = load.Stays ? from : null;
        var found = Solution.None with { Outcome = Outcome.Best };
        if (planner.Problem.Tasks.Count > 0)
            found = (from is null ? planner.Alone(over) : null) ?? planner.Solve(Planner.First, from, near, stop: over);
        if (over.IsCancellationRequested)
            return;
        (search.Key, search.From, search.State) = (load.Key, load.Request.Now, SearchState.Searching);
        if (found.Any)
        {
            search.Stays = near is not null && Planner.Stays(found, near);
            search.Found = Kept(planner, found, search.Stays ? near : null);
        }
        else
        {
            search.Late = planner.Late(stop: over) is { } late ? planner.ReadShort(late, proven: false) : planner.Read(found);
        }

        db.SaveChanges();
    }

    /// <summary>Better plans, one after the other.</summary>
    private void Improve(Planner planner, PlanSearch search, CancellationToken over)
    {
        var first = planner.Shifted(search.Found!.Solution, search.Found.Origin);
        var near = search.Stays ? first : null;
        var last = Instant.MinValue;
        Show(planner.Solve(Full, first, near, Hear, over));

        void Hear(Solution better)
        {
            if (instants.GetCurrentInstant() - last < Between)
                return;
            Show(better);
            last = instants.GetCurrentInstant();
        }

        void Show(Solution better)
        {
            if (over.IsCancellationRequested || !better.Any)
                return;
            search.Found = Kept(planner, better, near);
            db.SaveChanges();
        }
    }

    /// <summary>
    /// A plan after all; or what is short and what would help: the plan itself with the hands there are, late as it is, where there is one.
    /// </summary>
    private void Help(Planner planner, PlanSearch search, CancellationToken over)
    {
        var found = planner.Solve(Full, stop: over);
        if (over.IsCancellationRequested)
            return;
        if (found.Any)
        {
            (search.Found, search.Late) = (Kept(planner, found, null), null);
            return;
        }

        var lacking = planner.ReadShort(planner.Stretch(over), found.Outcome is Outcome.Impossible);
        search.Late = search.Late is { Tasks.Count: > 0 } late
            ? late with
            {
                Outcome = lacking.Outcome,
                Shortages = [.. late.Shortages, .. lacking.Shortages.Where(s => s.Kind is not Short.Time)],
            }
            : lacking;
        search.Remedies = [];
        db.SaveChanges();
        planner.Help(
            lacking,
            remedies =>
            {
                search.Remedies = remedies;
                db.SaveChanges();
            },
            over);
    }

    private Limits Full => Planner.Full with { Effort = settings.Effort };

    private FoundPlan Kept(Planner planner, Solution found, Solution? near)
    {
        var tidy = planner.Tidy(found, near);
        return new(planner.Origin, tidy, planner.Read(tidy), instants.GetCurrentInstant());
    }
}

using Hangfire;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Planning;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Planning;

/// <summary>The request's kitchen's plan: what is open, what was arranged, what the planner has found.</summary>
internal sealed class DayBook(KondibaContext db, Workload workload, IBackgroundJobClientV2 jobs, IClock instants)
{
    // So long a request waits for a first plan; then it is asked for again.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(3);
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(50);

    // A first plan that has not come by then was asked of a planner that is gone.
    private static readonly Duration Lost = Duration.FromSeconds(15);

    /// <summary>The kitchen's row, to be read or changed; there is one as soon as something is kept.</summary>
    public async Task<DayPlan> RowAsync()
    {
        var row = await db.DayPlans.AsTracking().SingleOrDefaultAsync();
        if (row is not null)
            return row;
        row = new() { KitchenId = db.KitchenId };
        db.Add(row);
        return row;
    }

    /// <summary>
    /// What there is to plan, and the search for a plan of it with its first answer there; one is begun when what is planned has changed.
    /// </summary>
    /// <param name="anew">Whether to plan from nothing, as if there had been no plan.</param>
    public async Task<(Load Load, PlanSearch Search)> PlannedAsync(bool anew = false)
    {
        var load = await workload.ReadAsync();
        if (anew || load.IsStale)
            load = await AskAsync(load, anew);
        else if (load.Search is { State: SearchState.Asked } search && search.AskedAt + Lost < instants.GetCurrentInstant())
            Hand(search);
        return (load, await AnsweredAsync(load.Search!));
    }

    /// <summary>
    /// Arrangements with what follows from them: a step that is done comes after others, from a pot that is warm, for as many pieces as
    /// there are.
    /// </summary>
    public async Task<Arrangements> HoldingAsync(Arrangements wanted)
    {
        var load = await workload.ReadAsync();
        var arranged = load.Search?.Shown is { } plan ? wanted.Following(plan) : wanted;
        return new Planner(load.Request with { Arranged = arranged }).Arranged;
    }

    /// <summary>How many orders to be made are further ahead than is planned.</summary>
    public Task<int> LaterAsync() => workload.LaterAsync();

    private async Task<Load> AskAsync(Load load, bool anew)
    {
        var search = load.Search ?? new() { KitchenId = db.KitchenId };
        db.Entry(search).State = load.Search is null ? EntityState.Added : EntityState.Unchanged;
        (search.Asked, search.AskedAt, search.Key, search.State) =
            (Guid.CreateVersion7(), instants.GetCurrentInstant(), load.Key, SearchState.Asked);
        (search.From, search.Late, search.Remedies) = (null, null, []);
        if (anew)
            search.Found = null;
        try
        {
            await db.SaveChangesAsync();
            Hand(search);
            return load with { Search = search };
        }
        catch (DbUpdateException e) when (e is DbUpdateConcurrencyException || e.IsSentTwice())
        {
            // Somebody else asked at the same moment: theirs is as good.
            db.ChangeTracker.Clear();
            return await workload.ReadAsync();
        }
    }

    private void Hand(PlanSearch search)
    {
        var (kitchen, asked) = (search.KitchenId, search.Asked);
        jobs.Enqueue<PlanJobs>(p => p.FirstAsync(kitchen, asked, CancellationToken.None));
    }

    /// <summary>The search as soon as it has an answer, or after as long as a request waits.</summary>
    private async Task<PlanSearch> AnsweredAsync(PlanSearch search)
    {
        if (search.State is not SearchState.Asked)
            return search;
        using var patience = new CancellationTokenSource(Patience);
        using var timer = new PeriodicTimer(Look);
        try
        {
            while (await db.PlanSearches.AnyAsync(s => s.Asked == search.Asked && s.State == SearchState.Asked, patience.Token))
                await timer.WaitForNextTickAsync(patience.Token);
        }
        catch (OperationCanceledException) when (patience.IsCancellationRequested)
        {
            return search;
        }

        return await db.PlanSearches.AsNoTracking().SingleOrDefaultAsync() ?? search;
    }
}

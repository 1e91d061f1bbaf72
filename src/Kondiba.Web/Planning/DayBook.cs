using Hangfire;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Planning;
using Kondiba.Web.Changes;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Planning;

/// <summary>The request's kitchen's plan: what is open, what was arranged, what the planner has found.</summary>
internal sealed class DayBook(
    KondibaContext db, Workload workload, DayRecord record, ChangeNotices changes, IBackgroundJobClientV2 jobs, IClock instants)
{
    // So long a request waits for a first plan; then it is asked for again.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(5);

    // How often it is tried to take something down while others do, too.
    private const int MostTries = 10;

    // A first plan that has not come by then was asked of a planner that is gone.
    private static readonly Duration Lost = Duration.FromSeconds(15);

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

    /// <summary>What there is to plan, without asking for a plan of it.</summary>
    public Task<Load> LoadAsync() => workload.ReadAsync();

    /// <summary>
    /// Arranges the day, with what follows from it: a step that is done comes after others, from a pot that is warm, for as many pieces as
    /// there are.
    /// </summary>
    /// <param name="load">What it was made on.</param>
    /// <param name="wanted">All of it, as it is to be.</param>
    /// <param name="by">Who arranges it.</param>
    /// <returns>Whether that is still so; nothing is saved yet.</returns>
    public async Task<bool> ArrangeAsync(Load load, Arrangements wanted, Guid? by)
    {
        var row = await record.RowAsync();
        if (row.Version != load.Version)
            return false;
        record.Keep(row, Holding(load, wanted), load.Request.Arranged, instants.GetCurrentInstant(), by);
        return true;
    }

    /// <summary>Takes down what was told of steps, each once however often it is told, with what follows from it.</summary>
    /// <param name="told">What was told, in turn.</param>
    /// <param name="by">Who told it.</param>
    public async Task TakeDownAsync(IReadOnlyList<TaskTold> told, Guid? by)
    {
        for (var tries = 1; ; tries++)
        {
            var ids = told.Select(t => t.Id).ToList();
            var known = await db.TaskEvents.Where(e => ids.Contains(e.Id)).Select(e => e.Id).ToHashSetAsync(db.Gone);
            var news = told.Where(t => known.Add(t.Id)).ToList();
            if (news.Count == 0)
                return;
            record.Count(news.Where(n => !n.IsOfAll), instants.GetCurrentInstant(), by);
            if (news.FindAll(n => n.IsOfAll) is { Count: > 0 } ofAll)
            {
                var load = await workload.ReadAsync();
                var holding = Holding(load, load.Request.Arranged.With(ofAll));
                record.Keep(await record.RowAsync(), holding, load.Request.Arranged, instants.GetCurrentInstant(), by, ofAll);
            }

            try
            {
                await db.SaveChangesAsync();
                return;
            }
            catch (DbUpdateException e) when (tries < MostTries && (e is DbUpdateConcurrencyException || e.IsSentTwice()))
            {
                // Somebody else told something at the same moment: on top of theirs.
                db.ChangeTracker.Clear();
            }
        }
    }

    private static Arrangements Holding(Load load, Arrangements wanted)
    {
        var arranged = load.Search?.Shown is { } plan ? wanted.Following(plan) : wanted;
        return new Planner(load.Request with { Arranged = arranged }).Arranged;
    }

    /// <summary>By task, what was counted of it.</summary>
    /// <param name="load">What there is to plan.</param>
    public Task<IReadOnlyDictionary<string, TaskProgress>> ProgressAsync(Load load) =>
        record.ProgressAsync([.. load.Request.Orders.Select(o => o.Code)]);

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
        await changes.UntilAsync(
            search.KitchenId,
            async () => !await db.PlanSearches.AnyAsync(s => s.Asked == search.Asked && s.State == SearchState.Asked, db.Gone),
            Patience);
        return await db.PlanSearches.AsNoTracking().SingleOrDefaultAsync(db.Gone) ?? search;
    }
}

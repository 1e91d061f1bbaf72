using Kondiba.Core.Planning;
using Kondiba.Core.Steps;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace Kondiba.Web.Bench;

/// <summary>What the plan and the bench say of a pot.</summary>
/// <param name="Melt">What is planned of it.</param>
/// <param name="IsMelted">Whether the step that melts it is done.</param>
/// <param name="Dipped">Pieces that were dipped from it.</param>
/// <param name="ToDip">Pieces that are dipped from it in all.</param>
/// <param name="Dips">The steps that dip them.</param>
internal sealed record PlannedPot(DayMelt Melt, bool IsMelted, int Dipped, int ToDip, IReadOnlyList<TaskInfo> Dips);

/// <summary>Pots that were looked up, so many and no more.</summary>
internal sealed class KnownPots() : MemoryCache(new MemoryCacheOptions { SizeLimit = 400 });

/// <summary>
/// Looks pots up in the kitchen's plan. A bench asks for its pot each second: what was found is remembered under what it was found in, and
/// read again when the plan, what was arranged, or what was told at the bench has changed.
/// </summary>
internal sealed class PlannedPots(KondibaContext db, DayRecord record, KitchenClock clock, KnownPots known)
{
    private static readonly TimeSpan Unused = TimeSpan.FromMinutes(10);

    /// <summary>The pot of a melt; null where the plan that was shown last has none of that code.</summary>
    public async Task<PlannedPot?> FindAsync(string melt)
    {
        var key = (db.KitchenId, melt, await StateAsync());
        if (known.TryGetValue(key, out PlannedPot? pot))
            return pot;
        pot = await ReadAsync(melt);
        known.Set(key, pot, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Unused });
        return pot;
    }

    /// <summary>The same as long as nothing has changed that a pot is looked up in.</summary>
    private Task<string> StateAsync() => db.Database.SqlQuery<string>(
        $"""
        SELECT concat_ws(' ', d.version, s.xmin, (SELECT max(e.recorded_at) FROM task_events e WHERE e.kitchen_id = k.id)) AS "Value"
        FROM kitchens k LEFT JOIN day_plans d ON d.kitchen_id = k.id LEFT JOIN plan_searches s ON s.kitchen_id = k.id
        WHERE k.id = {db.KitchenId}
        """).SingleAsync(db.Gone);

    private async Task<PlannedPot?> ReadAsync(string melt)
    {
        var search = await db.PlanSearches.AsNoTracking().SingleOrDefaultAsync(db.Gone);
        if (search?.Shown is not { } plan || plan.Melts.FirstOrDefault(m => m.Code == melt) is not { } planned)
            return null;
        List<string> orders = [.. plan.Orders.Select(o => o.Order)];
        var (_, arranged) = await record.ReadAsync(await clock.NowAsync(), orders);
        var progress = await record.ProgressAsync(orders);
        var dips = plan.Tasks.Select(t => t.What).Where(w => w.Stage is Stage.Dip && planned.Tasks.Contains(w.Code)).ToList();
        return new(planned, IsDone(melt), dips.Sum(Dipped), dips.Sum(d => d.Pieces), dips);

        bool IsDone(string task) => arranged.Tasks.GetValueOrDefault(task)?.Done is not null;

        int Dipped(TaskInfo dip) => IsDone(dip.Code) ? dip.Pieces : progress.GetValueOrDefault(dip.Code)?.Made ?? 0;
    }
}

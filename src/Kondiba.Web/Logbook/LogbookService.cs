using Kondiba.Core.Logbook;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Logbook;

/// <summary>Where what a maker logs is checked and kept, with what was expected of it.</summary>
internal sealed class LogbookService(KondibaContext db, KitchenThings things, KitchenClock kitchenClock, IClock clock)
{
    /// <summary>Logs a batch, or puts it in place of the one of that id.</summary>
    /// <param name="id">Chosen by whoever logs it.</param>
    /// <param name="batch">As entered.</param>
    public async Task<Refused?> KeepAsync(Guid id, Batch batch)
    {
        var told = await things.ToldAsync();
        if (Refused.Of(BatchCheck.Of(batch, told.Untaught, (await kitchenClock.NowAsync()).Date), "logbook.cannot-keep") is { } refused)
            return refused;
        await db.WriteOverAsync(() => WriteAsync(id, batch, told));
        return null;
    }

    /// <summary>Logs several batches, which have been checked: all or none; one that is there already stays as it is.</summary>
    public async Task KeepAllAsync(IReadOnlyList<(Guid Id, Batch Batch)> batches)
    {
        var told = await things.ToldAsync();
        var ids = batches.Select(b => b.Id).ToList();
        var there = await db.Batches.Where(b => ids.Contains(b.Id)).Select(b => b.Id).ToHashSetAsync(db.Gone);
        db.AddRange(batches.Where(b => !there.Contains(b.Id)).Select(b => Row(b.Id, b.Batch, told)));
        await db.SaveChangesAsync();
    }

    /// <summary>Deletes a batch, or restores it; whether there is one.</summary>
    public async Task<bool> RemoveAsync(Guid id, bool restore) => await db.Batches.Where(b => b.Id == id)
        .ExecuteUpdateAsync(set => set.SetProperty(b => b.RemovedAt, restore ? null : clock.GetCurrentInstant())) == 1;

    private async Task<int> WriteAsync(Guid id, Batch batch, ToldByKitchen told)
    {
        var there = await db.Batches.AsTracking().SingleOrDefaultAsync(b => b.Id == id, db.Gone);
        if (there is null)
        {
            db.Add(Row(id, batch, told));
        }
        else
        {
            // What was planned stays as it was, unless what was dipped turns out to have been something else.
            if (!IsSameWork(there.Batch, batch))
                there.Expected = BatchExpected.Of(batch, told.Untaught, told.Tables.Learned);
            (there.Batch, there.MadeOn) = (batch, batch.MadeOn);
        }

        return await db.SaveChangesAsync();
    }

    private static bool IsSameWork(Batch a, Batch b) =>
        a.Pieces.SequenceEqual(b.Pieces)
            && (a.Coating, a.Colour, a.Vessel, a.Thinner, a.Method, a.Before)
                == (b.Coating, b.Colour, b.Vessel, b.Thinner, b.Method, b.Before);

    private KitchenBatch Row(Guid id, Batch batch, ToldByKitchen told) => new()
    {
        Id = id,
        KitchenId = db.KitchenId,
        MadeOn = batch.MadeOn,
        Batch = batch,
        Expected = BatchExpected.Of(batch, told.Untaught, told.Tables.Learned),
        LoggedAt = clock.GetCurrentInstant(),
    };
}

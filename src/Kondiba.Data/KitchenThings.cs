using Kondiba.Core.Kitchens;
using Kondiba.Core.Logbook;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using NodaTime;

namespace Kondiba.Data;

/// <summary>The tables of the kitchens that were last asked for, with and without their stock; so many and no more.</summary>
public sealed class KnownKitchens() : MemoryCache(new MemoryCacheOptions { SizeLimit = 400 });

/// <summary>What a kitchen has told and logged.</summary>
/// <param name="Own">What it has told.</param>
/// <param name="Untaught">Its tables as if it had logged nothing.</param>
/// <param name="Batches">What it has logged, newest first.</param>
/// <param name="Tables">Its tables with what its batches taught.</param>
public sealed record ToldByKitchen(
    OwnThings Own, KitchenTables Untaught, IReadOnlyList<LoggedBatch> Batches, KitchenTables Tables);

/// <summary>
/// What the request's kitchen has told about itself, and its tables. They are remembered under the number that the database raises with
/// every change, so that all servers on it see the same at once.
/// </summary>
public sealed class KitchenThings(KondibaContext db, KitchenTables shipped, KnownKitchens known)
{
    private static readonly TimeSpan Unused = TimeSpan.FromMinutes(30);

    // What is older than so many batches has been forgotten long ago.
    private const int MostBatches = 1000;

    private Revision? revision;

    /// <summary>The kitchen's tables and what is in its pantry.</summary>
    public async Task<KitchenTables> TablesAsync() => (await ReadAsync()).Tables;

    /// <summary>What the kitchen has told, and its tables with what is in its pantry.</summary>
    public async Task<(OwnThings Own, KitchenTables Tables)> ReadAsync()
    {
        var (own, _, _, tables) = await ToldAsync();
        var at = await RevisionAsync();
        var stocked = await KnownAsync((db.KitchenId, at.Things, at.Stock), async () =>
        {
            var stock = await db.PantryLots.AsNoTracking().Where(l => l.Amount > 0).OrderBy(l => l.ReceivedOn).ThenBy(l => l.Id)
                .Select(l => new Lot(l.Ware, l.Amount, l.BestBefore, l.Id)).ToListAsync(db.Gone);
            return tables with { Stock = new(stock) };
        });
        return (own, stocked);
    }

    /// <summary>The kitchen's tables as if its pantry were empty: the same ones until one of its things changes.</summary>
    public async Task<KitchenTables> WithoutStockAsync() => (await ToldAsync()).Tables;

    /// <summary>How often what the kitchen has told has been changed.</summary>
    public async Task<long> ThingsRevisionAsync() => (await RevisionAsync()).Things;

    /// <summary>The zone of the kitchen's clock.</summary>
    public async Task<DateTimeZone> ZoneAsync() => DateTimeZoneProviders.Tzdb[(await RevisionAsync()).TimeZone];

    /// <summary>How the kitchen's people are spoken to.</summary>
    public async Task<Voice> VoiceAsync()
    {
        var at = await RevisionAsync();
        return new(at.Language, at.Units is Units.Us, Locale.Find(at.Locale), Currency.Find(at.Currency));
    }

    /// <summary>What the kitchen has told and logged, its tables, and the same as if it had logged nothing.</summary>
    public async Task<ToldByKitchen> ToldAsync()
    {
        var at = await RevisionAsync();
        return await KnownAsync((db.KitchenId, at.Things), async () =>
        {
            var own = KitchenItem.Read(await db.KitchenItems.AsNoTracking().ToListAsync(db.Gone));
            var rows = await db.Batches.AsNoTracking().Where(b => b.RemovedAt == null)
                .OrderByDescending(b => b.MadeOn).ThenByDescending(b => b.LoggedAt).Take(MostBatches).ToListAsync(db.Gone);
            List<LoggedBatch> batches = [.. rows.Select(b => b.Logged)];
            var untaught = OwnTables.For(shipped, own);
            return new ToldByKitchen(own, untaught, batches, Lessons.Taught(untaught, batches, own.Learning ?? new()));
        });
    }

    // Read once a request, and again after the request has changed something.
    private async Task<Revision> RevisionAsync() =>
        revision ??= await db.Kitchens.AsNoTracking()
            .Select(k => new Revision(
                k.ThingsRevision, k.StockRevision, k.TimeZone, k.Language, k.Units, k.Locale, k.Currency))
            .SingleAsync(db.Gone);

    /// <summary>What is remembered under a key; read where it is not.</summary>
    private async Task<T> KnownAsync<T>(object key, Func<Task<T>> read)
    {
        if (known.TryGetValue(key, out T? there))
            return there!;
        var value = await read();
        known.Set(key, value, new MemoryCacheEntryOptions { Size = 1, SlidingExpiration = Unused });
        return value;
    }

    private sealed record Revision(
        long Things, long Stock, string TimeZone, Language Language, Units Units, string Locale, string Currency);

    /// <summary>Keeps a thing, in place of one with its code.</summary>
    public Task KeepAsync<T>(ItemKind kind, string code, T thing) => KeepAllAsync(kind, [(code, thing)]);

    /// <summary>Keeps several things, all or none, each in place of one with its code.</summary>
    public async Task KeepAllAsync<T>(ItemKind kind, IEnumerable<(string Code, T Thing)> things)
    {
        var all = things.ToList();
        await db.WriteOverAsync(async () =>
        {
            var there = await db.KitchenItems.AsTracking().Where(i => i.Kind == kind).ToDictionaryAsync(i => i.Code, db.Gone);
            foreach (var (code, thing) in all)
            {
                var item = KitchenItem.Of(db.KitchenId, kind, code, thing);
                if (there.TryGetValue(code, out var old))
                    old.Body = item.Body;
                else
                    db.Add(item);
            }

            return await db.SaveChangesAsync();
        });
        revision = null;
    }

    /// <summary>Removes a thing, to be restored for a while; whether there was one.</summary>
    public async Task<bool> RemoveAsync(ItemKind kind, string code)
    {
        await using var all = await db.Database.BeginTransactionAsync();
        var there = await Of(kind, code).AsNoTracking().SingleOrDefaultAsync(db.Gone);
        var removed = await Of(kind, code).ExecuteDeleteAsync() == 1;
        if (removed && there is not null)
            db.Add(DeletedItem.Of(there));
        await db.SaveChangesAsync();
        await all.CommitAsync();
        revision = null;
        return removed;
    }

    /// <summary>
    /// Restores what was deleted; what has taken its code meanwhile can be restored in turn. Whether there was such a thing.
    /// </summary>
    public async Task<bool> RestoreAsync(Guid id)
    {
        if (await db.DeletedItems.AsTracking().SingleOrDefaultAsync(d => d.Id == id, db.Gone) is not { } deleted)
            return false;
        if (await Of(deleted.Kind, deleted.Code).AsTracking().SingleOrDefaultAsync(db.Gone) is { } now)
        {
            db.Add(DeletedItem.Of(now));
            now.Body = deleted.Body;
        }
        else
        {
            db.Add(new KitchenItem { KitchenId = db.KitchenId, Kind = deleted.Kind, Code = deleted.Code, Body = deleted.Body });
        }

        db.Remove(deleted);
        await db.SaveChangesAsync();
        revision = null;
        return true;
    }

    /// <summary>What could not be made any more if a thing were kept or removed, by name; a figure cannot lose its body.</summary>
    /// <param name="kind">Of the thing.</param>
    /// <param name="code">Of the thing.</param>
    /// <param name="item">What is to be kept; null for nothing.</param>
    public async Task<IReadOnlyList<string>> LostWithAsync(ItemKind kind, string code, KitchenItem? item)
    {
        var items = await db.KitchenItems.AsNoTracking().ToListAsync(db.Gone);
        var after = KitchenItem.Read([.. items.Where(i => i.Kind != kind || i.Code != code), .. item is null ? [] : new[] { item }]);
        var (own, tables, _, _) = await ToldAsync();
        return [.. OwnCheck.NotMade(after, OwnTables.For(shipped, after).Reference).Except(OwnCheck.NotMade(own, tables.Reference))];
    }

    private IQueryable<KitchenItem> Of(ItemKind kind, string code) => db.KitchenItems.Where(i => i.Kind == kind && i.Code == code);
}

using System.Collections.Concurrent;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Kitchens;

/// <summary>What the request's kitchen has told about itself, and its tables. Read once and remembered until it changes: one server serves a database.</summary>
internal sealed class KitchenThings(KondibaContext db, TradeTables shipped)
{
    private static readonly ConcurrentDictionary<Guid, (OwnThings Own, TradeTables Tables)> Known = new();

    public async Task<TradeTables> TablesAsync() => (await ReadAsync()).Tables;

    public async Task<(OwnThings Own, TradeTables Tables)> ReadAsync()
    {
        if (!Known.TryGetValue(db.KitchenId, out var known))
        {
            var own = KitchenItem.Read(await db.KitchenItems.AsNoTracking().ToListAsync());
            var stock = await db.PantryLots.AsNoTracking().Where(l => l.Amount > 0).OrderBy(l => l.ReceivedOn).ThenBy(l => l.Id)
                .Select(l => new Lot(l.Ware, l.Amount, l.BestBefore, l.Id)).ToListAsync();
            known = (own, KitchenTables.For(shipped, own) with { Stock = stock });
            Known[db.KitchenId] = known;
        }

        return known;
    }

    /// <summary>Has everything read anew when it is next asked for.</summary>
    public void Forget() => Known.TryRemove(db.KitchenId, out _);

    /// <summary>Keeps a thing, in place of one with its code.</summary>
    public Task KeepAsync<T>(ItemKind kind, string code, T thing) => KeepAllAsync(kind, [(code, thing)]);

    /// <summary>Keeps several things, all or none, each in place of one with its code.</summary>
    public async Task KeepAllAsync<T>(ItemKind kind, IEnumerable<(string Code, T Thing)> things)
    {
        var there = await db.KitchenItems.AsTracking().Where(i => i.Kind == kind).ToDictionaryAsync(i => i.Code);
        foreach (var (code, thing) in things)
        {
            var item = KitchenItem.Of(db.KitchenId, kind, code, thing);
            if (there.TryGetValue(code, out var old))
                old.Body = item.Body;
            else
                db.Add(item);
        }

        await db.SaveChangesAsync();
        Forget();
    }

    /// <summary>Removes a thing; whether there was one.</summary>
    public async Task<bool> RemoveAsync(ItemKind kind, string code)
    {
        var removed = await Of(kind, code).ExecuteDeleteAsync() == 1;
        Forget();
        return removed;
    }

    private IQueryable<KitchenItem> Of(ItemKind kind, string code) => db.KitchenItems.Where(i => i.Kind == kind && i.Code == code);
}

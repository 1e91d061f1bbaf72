using System.Collections.Concurrent;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Kitchens;

/// <summary>What the request's kitchen has told about itself, and its tables. Read once and remembered until it changes: one server serves a database.</summary>
internal sealed class KitchenThings(KondibaContext db, TradeTables shipped)
{
    private static readonly ConcurrentDictionary<Guid, (OwnThings Own, TradeTables Tables)> Told = new();
    private static readonly ConcurrentDictionary<Guid, TradeTables> Stocked = new();

    /// <summary>The kitchen's tables and what is in its pantry.</summary>
    public async Task<TradeTables> TablesAsync() => (await ReadAsync()).Tables;

    /// <summary>What the kitchen has told, and its tables with what is in its pantry.</summary>
    public async Task<(OwnThings Own, TradeTables Tables)> ReadAsync()
    {
        var (own, tables) = await ToldAsync();
        if (!Stocked.TryGetValue(db.KitchenId, out var stocked))
        {
            var stock = await db.PantryLots.AsNoTracking().Where(l => l.Amount > 0).OrderBy(l => l.ReceivedOn).ThenBy(l => l.Id)
                .Select(l => new Lot(l.Ware, l.Amount, l.BestBefore, l.Id)).ToListAsync();
            stocked = tables with { Stock = stock };
            Stocked[db.KitchenId] = stocked;
        }

        return (own, stocked);
    }

    /// <summary>The kitchen's tables as if its pantry were empty: the same ones until one of its things changes.</summary>
    public async Task<TradeTables> WithoutStockAsync() => (await ToldAsync()).Tables;

    /// <summary>Has everything read anew when it is next asked for.</summary>
    public void Forget()
    {
        Told.TryRemove(db.KitchenId, out _);
        ForgetStock();
    }

    /// <summary>Has the pantry read anew when it is next asked for.</summary>
    public void ForgetStock() => Stocked.TryRemove(db.KitchenId, out _);

    private async Task<(OwnThings Own, TradeTables Tables)> ToldAsync()
    {
        if (!Told.TryGetValue(db.KitchenId, out var told))
        {
            var own = KitchenItem.Read(await db.KitchenItems.AsNoTracking().ToListAsync());
            told = (own, KitchenTables.For(shipped, own));
            Told[db.KitchenId] = told;
        }

        return told;
    }

    /// <summary>Keeps a thing, in place of one with its code.</summary>
    public Task KeepAsync<T>(ItemKind kind, string code, T thing) => KeepAllAsync(kind, [(code, thing)]);

    /// <summary>Keeps several things, all or none, each in place of one with its code.</summary>
    public async Task KeepAllAsync<T>(ItemKind kind, IEnumerable<(string Code, T Thing)> things)
    {
        // Kept twice at once, one of the two finds the other's row when it looks again.
        var all = things.ToList();
        try
        {
            await WriteAsync();
        }
        catch (DbUpdateException e) when (WriteConflict.IsSentTwice(e))
        {
            db.ChangeTracker.Clear();
            await WriteAsync();
        }

        Forget();

        async Task WriteAsync()
        {
            var there = await db.KitchenItems.AsTracking().Where(i => i.Kind == kind).ToDictionaryAsync(i => i.Code);
            foreach (var (code, thing) in all)
            {
                var item = KitchenItem.Of(db.KitchenId, kind, code, thing);
                if (there.TryGetValue(code, out var old))
                    old.Body = item.Body;
                else
                    db.Add(item);
            }

            await db.SaveChangesAsync();
        }
    }

    /// <summary>Removes a thing; whether there was one.</summary>
    public async Task<bool> RemoveAsync(ItemKind kind, string code)
    {
        var removed = await Of(kind, code).ExecuteDeleteAsync() == 1;
        Forget();
        return removed;
    }

    /// <summary>What could not be made any more if a thing were kept or removed, by name; a figure cannot lose its body.</summary>
    /// <param name="kind">Of the thing.</param>
    /// <param name="code">Of the thing.</param>
    /// <param name="item">What is to be kept; null for nothing.</param>
    public async Task<IReadOnlyList<string>> LostWithAsync(ItemKind kind, string code, KitchenItem? item)
    {
        var items = await db.KitchenItems.AsNoTracking().ToListAsync();
        var after = KitchenItem.Read([.. items.Where(i => i.Kind != kind || i.Code != code), .. item is null ? [] : new[] { item }]);
        var (own, tables) = await ToldAsync();
        return [.. OwnCheck.NotMade(after, KitchenTables.For(shipped, after)).Except(OwnCheck.NotMade(own, tables))];
    }

    private IQueryable<KitchenItem> Of(ItemKind kind, string code) => db.KitchenItems.Where(i => i.Kind == kind && i.Code == code);
}

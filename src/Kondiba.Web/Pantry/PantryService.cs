using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Pantry;

/// <summary>Where what comes into the pantry and leaves it becomes rows; it is kept in step with the orders that are made.</summary>
internal sealed class PantryService(KondibaContext db, KitchenThings things, IClock clock, KitchenClock kitchenClock)
{
    private const int LongestNote = 200;
    private const int LongestPlace = 60;

    /// <summary>What is there, first to expire first; empty lots are left out.</summary>
    public async Task<IReadOnlyList<PantryLot>> LotsAsync()
    {
        var lots = await db.PantryLots.AsNoTracking().Where(l => l.Amount > 0).ToListAsync(db.Gone);
        return [.. lots.OrderBy(l => l.BestBefore ?? LocalDate.MaxIsoValue).ThenBy(l => l.ReceivedOn).ThenBy(l => l.Id)];
    }

    /// <summary>Puts something into the pantry; the same receipt again, also at the same moment, gives the lot that is there.</summary>
    public async Task<(PantryLot? Lot, Refused? Errors)> ReceiveAsync(Receipt receipt)
    {
        if (await FindAsync(receipt.Id) is { } there)
            return (there, null);
        if (Refused.Of(Check(receipt, (await things.TablesAsync()).Reference), "pantry.cannot-put-into-pantry") is { } refused)
            return (null, refused);
        try
        {
            var lots = await ReceiveAllAsync([receipt]);
            return (lots[0], null);
        }
        catch (DbUpdateException e) when (e.IsSentTwice())
        {
            // The same receipt, sent twice at once: the other one was first.
            return (await FindAsync(receipt.Id), null);
        }
    }

    /// <summary>Puts several things into the pantry, which have been checked: all or none.</summary>
    public async Task<IReadOnlyList<PantryLot>> ReceiveAllAsync(IEnumerable<Receipt> receipts)
    {
        var (today, now) = ((await kitchenClock.NowAsync()).Date, clock.GetCurrentInstant());
        List<PantryLot> lots = [.. receipts.Select(r => LotOf(r, db.KitchenId, today, now))];
        db.AddRange(lots);
        await db.SaveChangesAsync();
        return lots;
    }

    /// <summary>Whether a lot of these receipts is there already.</summary>
    public Task<bool> AnyOfAsync(IReadOnlyList<Receipt> receipts)
    {
        var ids = receipts.Select(r => r.Id).ToList();
        return db.PantryLots.AnyAsync(l => ids.Contains(l.Id));
    }

    /// <summary>What happened to a lot, latest first; null where there is no such lot.</summary>
    public async Task<IReadOnlyList<LotMovement>?> MovementsAsync(Guid lot) =>
        await db.PantryLots.AnyAsync(l => l.Id == lot)
            ? await db.LotMovements.AsNoTracking().Where(m => m.LotId == lot)
                .OrderByDescending(m => m.At)
                .ThenByDescending(m => m.Id)
                .ToListAsync(db.Gone)
            : null;

    /// <summary>Uses, corrects or throws away some of a lot; neither a movement nor errors where there is no such lot.</summary>
    /// <param name="id">Of the lot.</param>
    /// <param name="change">What happened to it.</param>
    /// <param name="key">Told again under the same key, it happened once.</param>
    public async Task<(LotMovement? Movement, Refused? Errors)> ChangeAsync(Guid id, LotChange change, Guid? key)
    {
        if (await db.PantryLots.AsTracking().SingleOrDefaultAsync(l => l.Id == id) is not { } lot)
            return (null, null);
        if (key is not null && await db.LotMovements.AsNoTracking().SingleOrDefaultAsync(m => m.Id == key) is { } already)
            return (already, null);
        if (Refused.Of(Check(change, lot), "pantry.lot-cannot-changed-like") is { } refused)
            return (null, refused);
        var movement = lot.Move(
            change.Kind,
            change.Kind is MovementKind.Corrected ? change.Amount - lot.Amount : -change.Amount,
            await AfterAsync([id]),
            note: change.Note ?? "",
            id: key);
        db.Add(movement);
        await db.SaveChangesAsync();
        return (movement, null);
    }

    /// <summary>Now, and after everything that happened to some lots, also when the clock was set back since.</summary>
    private async Task<Instant> AfterAsync(IReadOnlyList<Guid> lots)
    {
        var now = clock.GetCurrentInstant();
        var last = await db.LotMovements.Where(m => lots.Contains(m.LotId)).MaxAsync(m => (Instant?)m.At, db.Gone);
        return last >= now ? last.Value + Duration.FromMilliseconds(1) : now;
    }

    /// <summary>Takes back a lot's latest change that no order made; a receipt taken back leaves no lot.</summary>
    /// <returns>Whether it could be taken back; null where there is no such change.</returns>
    public async Task<bool?> UndoAsync(Guid id)
    {
        if (await db.LotMovements.AsTracking().SingleOrDefaultAsync(m => m.Id == id) is not { } movement)
            return null;
        var lot = await db.PantryLots.AsTracking().Include(l => l.Movements).SingleAsync(l => l.Id == movement.LotId);
        if (movement.OrderId is not null || lot.Movements.MaxBy(m => (m.At, m.Id)) != movement)
            return false;
        if (lot.Movements.Count == 1)
        {
            db.Remove(lot);
        }
        else
        {
            lot.Amount = Math.Round(lot.Amount - movement.Amount, 6);
            db.Remove(movement);
        }

        await db.SaveChangesAsync();
        return true;
    }

    /// <summary>What cannot be in a receipt.</summary>
    internal static IEnumerable<Problem> Check(Receipt receipt, ReferenceData tables)
    {
        if (tables.Ware(receipt.Ware) is null)
            yield return new("ware", Message.Of("pantry.ware-called", ("ware", receipt.Ware)), "pantry.ware-called.do");
        if (!(receipt.Amount is > 0 and <= 1_000_000))
            yield return new("amount", "pantry.nothing-more-pantry-holds", "pantry.nothing-more-pantry-holds.do");
        if (receipt.Pack is { } pack && !(pack is > 0 and <= 1_000_000))
            yield return new("pack", "pantry.pack-nothing-more-pantry", "pantry.pack-nothing-more-pantry.do");
        if (receipt.Price is < 0 or > 100_000)
            yield return new("price", "pantry.price-less-nothing-more", "pantry.price-less-nothing-more.do");
        if (receipt.Place?.Length > LongestPlace)
            yield return new(
                "place",
                Message.Of("pantry.place-longer-characters", ("longestPlace", LongestPlace)),
                "pantry.place-longer-characters.do");
    }

    private static IEnumerable<Problem> Check(LotChange change, PantryLot lot)
    {
        if (change.Kind is not (MovementKind.Used or MovementKind.Corrected or MovementKind.Thrown))
            yield return new("kind", "pantry.lot-used-corrected-thrown", "pantry.lot-used-corrected-thrown.do");
        if (!(change.Amount is >= 0 and <= 1_000_000))
            yield return new("amount", "pantry.less-nothing-more-pantry", "pantry.less-nothing-more-pantry.do");
        else if (change.Kind is not MovementKind.Corrected && change.Amount > lot.Amount + 1e-9)
            yield return new("amount", Message.Of("pantry.only-left", ("lot", lot.Amount)), "pantry.only-left.do");
        if (change.Note?.Length > LongestNote)
            yield return new(
                "note", Message.Of("pantry.note-longer-characters", ("longestNote", LongestNote)), "pantry.place-longer-characters.do");
    }

    private Task<PantryLot?> FindAsync(Guid id) =>
        db.PantryLots.AsNoTracking().SingleOrDefaultAsync(l => l.Id == id);

    private static PantryLot LotOf(Receipt receipt, Guid kitchen, LocalDate on, Instant at)
    {
        var lot = new PantryLot
        {
            Id = receipt.Id,
            KitchenId = kitchen,
            Ware = receipt.Ware,
            Pack = receipt.Pack,
            Price = receipt.Price,
            BestBefore = receipt.BestBefore,
            Place = receipt.Place?.Trim() ?? "",
            ReceivedOn = on,
        };
        lot.Move(MovementKind.Received, receipt.Amount, at);
        return lot;
    }

    /// <summary>
    /// Brings what an order took out of the pantry to what it should have taken: nothing unless it is made, and what it used once
    /// it is. Written with the order, or not at all.
    /// </summary>
    public async Task SettleAsync(Order order, CoatingTally tally)
    {
        var entry = db.Entry(order);
        var made = IsMade(order.State) && !order.IsTemplate;
        if (!made && !(entry.State is not EntityState.Added && IsMade(entry.Property(o => o.State).OriginalValue)))
            return;
        var tables = await things.TablesAsync();
        var taken = await db.LotMovements.AsNoTracking().Where(m => m.OrderId == order.Id).ToListAsync(db.Gone);
        var should = made
            ? Need.Of(order.ToDraft(), tally, tables.Reference).Where(n => n.Used > 0).ToDictionary(n => n.Ware, n => Math.Round(n.Used, 6))
            : [];
        var wares = should.Keys.ToList();
        var lotIds = taken.Select(m => m.LotId).Distinct().ToList();
        var lots = await db.PantryLots.AsTracking().Where(l => wares.Contains(l.Ware) || lotIds.Contains(l.Id)).ToListAsync(db.Gone);
        var byLot = taken.GroupBy(m => m.LotId).ToDictionary(g => g.Key, g => -g.Sum(m => m.Amount));
        var now = await AfterAsync([.. lots.Select(l => l.Id)]);

        foreach (var ware in wares.Union(lots.Select(l => l.Ware)).ToList())
        {
            var mine = lots.Where(l => l.Ware == ware).ToList();
            var had = mine.Sum(l => byLot.GetValueOrDefault(l.Id));
            var more = should.GetValueOrDefault(ware) - had;
            if (more > 1e-6)
            {
                foreach (var lot in PackCover.FirstToExpire(
                    more, mine.Where(l => l.Amount > 0).Select(l => new Lot(ware, l.Amount, l.BestBefore, l.Id))))
                    Move(mine.Single(l => l.Id == lot.Id), MovementKind.Used, -lot.Amount);
            }
            else if (more < -1e-6)
            {
                // What was taken last comes back first.
                var back = -more;
                foreach (var lot in mine.Where(l => byLot.GetValueOrDefault(l.Id) > 0)
                    .OrderByDescending(l => l.BestBefore ?? LocalDate.MaxIsoValue))
                {
                    var some = Math.Min(back, byLot[lot.Id]);
                    if (some > 1e-6)
                        Move(lot, MovementKind.Returned, some);
                    back -= some;
                }
            }
        }

        void Move(PantryLot lot, MovementKind kind, double by)
        {
            db.Add(lot.Move(kind, by, now, order.Id, order.Name));
        }
    }

    private static bool IsMade(OrderState state) => state is OrderState.Made or OrderState.HandedOver;

    /// <summary>What an order took out of the pantry and what the pantry did not have; nothing unless it is made.</summary>
    public async Task<IReadOnlyList<StockUse>> UsedAsync(Order order, CoatingTally tally)
    {
        if (!IsMade(order.State))
            return [];
        var tables = await things.TablesAsync();
        var taken = await (
            from m in db.LotMovements
            where m.OrderId == order.Id
            join l in db.PantryLots on m.LotId equals l.Id
            group -m.Amount by l.Ware).ToDictionaryAsync(g => g.Key, g => g.Sum(), db.Gone);
        return
        [
            .. from need in Need.Of(order.ToDraft(), tally, tables.Reference)
               let ware = tables.Reference.Ware(need.Ware)
               where ware is not null && need.Used > 0
               let used = Math.Round(taken.GetValueOrDefault(need.Ware), 6)
               orderby ware.Section, ware.Name
               select new StockUse(ware.Code, ware.Name, ware.Unit, used, Math.Max(0, Math.Round(need.Used - used, 2))),
        ];
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Pantry;
using Kondiba.Core.Wares;
using Kondiba.Data;
using Kondiba.Web.Orders;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Pantry;

/// <summary>Keeps the pantry's lots in step with the orders that are made.</summary>
internal sealed class PantryBook(KondibaContext db, KitchenThings things, IClock clock)
{

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
        var taken = await db.LotMovements.AsNoTracking().Where(m => m.OrderId == order.Id).ToListAsync();
        var should = made
            ? Need.Of(order.ToDraft(), tally, tables.Reference).Where(n => n.Used > 0).ToDictionary(n => n.Ware, n => Math.Round(n.Used, 6))
            : [];
        var wares = should.Keys.ToList();
        var lotIds = taken.Select(m => m.LotId).Distinct().ToList();
        var lots = await db.PantryLots.AsTracking().Where(l => wares.Contains(l.Ware) || lotIds.Contains(l.Id)).ToListAsync();
        var byLot = taken.GroupBy(m => m.LotId).ToDictionary(g => g.Key, g => -g.Sum(m => m.Amount));
        var now = clock.GetCurrentInstant();

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
        var taken = await (from m in db.LotMovements where m.OrderId == order.Id join l in db.PantryLots on m.LotId equals l.Id group -m.Amount by l.Ware).ToDictionaryAsync(
            g => g.Key, g => g.Sum());
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

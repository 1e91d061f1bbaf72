using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Pantry;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Orders;

/// <summary>
/// Where what is typed, copied or imported becomes an order's row; what a made one uses leaves the pantry with it, or neither.
/// </summary>
internal sealed class OrderService(KondibaContext db, KitchenThings things, IClock clock, KitchenClock kitchenClock, PantryService pantry)
{
    /// <summary>An order on the shelf, all of it; null when there is none.</summary>
    public Task<Order?> FindAsync(Guid id) => db.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null, db.Gone);

    /// <summary>The same, to be changed.</summary>
    public Task<Order?> FindToChangeAsync(Guid id) =>
        db.WholeOrders.AsTracking().SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null, db.Gone);

    /// <summary>The order whose creation was asked under a key; null when there is none.</summary>
    public Task<Order?> FindCreatedAsync(Guid key) => db.WholeOrders.SingleOrDefaultAsync(o => o.CreationKey == key, db.Gone);

    /// <summary>What an order comes to in this kitchen, now.</summary>
    public async Task<CoatingTally> TallyAsync(OrderDraft draft) =>
        CoatingTally.For(draft, await things.TablesAsync(), await kitchenClock.NowAsync());

    /// <summary>
    /// Computes an order and says what keeps it from being kept. A pickup that has passed since it was kept is no error, nor is a
    /// template's.
    /// </summary>
    public async Task<(CoatingTally Tally, Refused? Errors)> CheckAsync(OrderInput input, Order? kept)
    {
        var draft = input.ToDraft();
        var tally = await TallyAsync(draft);
        var pickupStands = draft.Pickup is not null && (draft.Pickup == kept?.Pickup || input.IsTemplate);
        var errors = tally.Problems.Concat(SameIdTwice(input.Lines.OfType<OrderLineInput>()))
            .Where(p => p.Severity == Severity.Error && !(p.Field == "pickup" && pickupStands));
        return (tally, Refused.Of(errors, "orders.order-cannot-kept"));
    }

    /// <summary>Keeps a new order, which has been checked. Asked twice at once under a key, the database refuses one of the two.</summary>
    /// <param name="input">The order.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="key">Its key, which is its id too: its page has an address before anything of it is kept.</param>
    /// <param name="prices">Whether its prices are taken.</param>
    public async Task<Order> CreateAsync(OrderInput input, CoatingTally tally, Guid? key, bool prices)
    {
        var order = new Order
        {
            Id = key ?? Guid.CreateVersion7(),
            KitchenId = db.KitchenId,
            Name = "",
            CreationKey = key,
            Number = await NextNumberAsync(),
        };
        Write(order, input, tally, (await things.TablesAsync()).Reference, clock.GetCurrentInstant(), prices);
        db.Add(order);
        await pantry.SettleAsync(order, tally);
        await db.SaveChangesAsync();
        return order;
    }

    /// <summary>
    /// Keeps all of an order at once, which has been checked, unless it is no longer in the version that it was changed from.
    /// </summary>
    public async Task SaveAsync(Order order, OrderInput input, CoatingTally tally, bool prices)
    {
        db.Entry(order).Property(o => o.Version).OriginalValue = input.Version;
        await WriteAsync(order, input, tally, prices);
        await db.SaveChangesAsync();
    }

    /// <summary>Writes what was sent into a row, and what it uses into the pantry; nothing is kept yet.</summary>
    public async Task WriteAsync(Order order, OrderInput input, CoatingTally tally, bool prices)
    {
        Write(order, input, tally, (await things.TablesAsync()).Reference, clock.GetCurrentInstant(), prices);
        await pantry.SettleAsync(order, tally);
    }

    /// <summary>What an order took out of the pantry.</summary>
    public async Task<IReadOnlyList<StockUse>> UsedAsync(Order order) => await pantry.UsedAsync(order, await TallyAsync(order.ToDraft()));

    /// <summary>Changes lines and pickup of an order as they are; nothing is kept yet.</summary>
    public async Task AlterAsync(Guid id, Func<OrderDraft, OrderDraft> alter)
    {
        var order = await db.WholeOrders.AsTracking().SingleAsync(o => o.Id == id, db.Gone);
        var draft = alter(order.ToDraft());
        (order.Pickup, order.ChangedAt) = (draft.Pickup!.Value, clock.GetCurrentInstant());
        foreach (var (line, to) in order.Lines.OrderBy(l => l.Position).Zip(draft.Lines))
            line.Take(to);
        order.Pieces = (await TallyAsync(draft)).Pieces;
        order.Words = SearchWords.Of(draft, (await things.TablesAsync()).Reference);
    }

    /// <summary>Takes an order off the shelf; whether it was there.</summary>
    public async Task<bool> RemoveAsync(Guid id) =>
        await db.Orders.Where(o => o.Id == id && o.RemovedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, clock.GetCurrentInstant())) == 1;

    /// <summary>Puts an order back onto the shelf; whether there is one.</summary>
    public async Task<bool> RestoreAsync(Guid id) =>
        await db.Orders.Where(o => o.Id == id).ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, (Instant?)null)) == 1;

    /// <summary>Writes what was sent into a row. A helper sees no prices, so theirs are not taken for it.</summary>
    public static void Write(Order order, OrderInput input, CoatingTally tally, ReferenceData tables, Instant now, bool prices)
    {
        order.Take(input);
        if (prices)
            (order.Price, order.Deposit, order.Payments) = (input.Price, input.Deposit, [.. input.Payments ?? []]);
        (order.State, order.IsTemplate) = (input.State, input.IsTemplate);
        (order.Pieces, order.Words) = (tally.Pieces, SearchWords.Of(input.ToDraft(), tables));
        order.ChangedAt = now;

        var wanted = input.Lines.Select(l => l.Id).ToHashSet();
        order.Lines.RemoveAll(l => !wanted.Contains(l.Id));
        foreach (var (position, line) in input.Lines.Index())
        {
            var row = order.Lines.Find(l => l.Id == line.Id);
            if (row is null)
            {
                row = new() { Id = line.Id, KitchenId = order.KitchenId, Centre = "", Size = "", Coating = "", Colour = "" };
                order.Lines.Add(row);
            }

            row.Position = position;
            row.Take(line);
        }
    }

    /// <summary>The number of the next order; counted even when the order is not kept in the end.</summary>
    private async Task<int> NextNumberAsync()
    {
        var kitchen = db.KitchenId;
        return (await db.Database.SqlQuery<int>(
            $"UPDATE kitchens SET last_number = last_number + 1 WHERE id = {kitchen} RETURNING last_number AS \"Value\"")
            .ToListAsync(db.Gone))[0];
    }

    private static IEnumerable<Problem> SameIdTwice(IEnumerable<OrderLineInput> lines) => lines
        .GroupBy(l => l.Id)
        .Where(g => g.Count() > 1)
        .Select(g => new Problem(
            "lines", Message.Of("orders.two-lines-carry-id", ("key", g.Key.ToString())), "orders.two-lines-carry-id.do"));
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Formats;

/// <summary>Takes in a file of orders: all of it, or nothing.</summary>
internal sealed class OrdersImport(KondibaContext db, KitchenThings things, KitchenClock clock, OrderService service)
{
    /// <summary>The largest number that an order can have.</summary>
    internal const int MostNumber = 1_000_000;

    /// <summary>Takes the orders in, or only says what that would change.</summary>
    /// <param name="text">CSV.</param>
    /// <param name="apply">Whether to do it; with anything wrong in it nothing is done.</param>
    /// <param name="key">Sent again under the same key, new orders are made once.</param>
    /// <param name="gone">When nobody waits any more to hear what is wrong in it.</param>
    public async Task<ImportPlan> ImportAsync(string text, bool apply, Guid? key, CancellationToken gone)
    {
        var (rows, unread) = OrdersCsv.Read(text);
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        var numbers = rows.Select(r => r.Number).OfType<int>().ToList();
        var there = await db.WholeOrders.AsTracking().Where(o => numbers.Contains(o.Number)).ToDictionaryAsync(o => o.Number, db.Gone);

        List<ImportProblem> problems = [.. unread, .. WrongNumbers(rows)];
        var told = problems.Select(p => (p.Line, p.Field)).ToHashSet();
        List<Incoming> incoming = [];
        foreach (var row in rows)
        {
            gone.ThrowIfCancellationRequested();
            var one = new Incoming(
                row, CoatingTally.For(row.Order, tables, now), row.Number is { } number ? there.GetValueOrDefault(number) : null);
            incoming.Add(one);
            problems.AddRange(one.Problems().Where(p => told.Add((p.Line, p.Field))));
        }

        if (problems.Count > 0)
            return ImportPlan.Not(problems);
        List<Message> changes = [.. incoming.Select(i => i.Change())];
        if (!apply)
            return new(changes, []);
        await KeepAsync(incoming, numbers, key);
        return new(changes, [], Done: true);
    }

    private async Task KeepAsync(List<Incoming> incoming, List<int> numbers, Guid? key)
    {
        var ids = incoming.Select((_, i) => SentKey.IdOf(key, i)).ToList();
        var sent = key is null
            ? []
            : await db.WholeOrders.AsTracking().Where(o => ids.Contains(o.Id)).ToDictionaryAsync(o => o.Id, db.Gone);
        await using var all = await db.Database.BeginTransactionAsync();
        var kitchen = await db.Kitchens.AsTracking().SingleAsync(db.Gone);
        kitchen.LastNumber = Math.Max(kitchen.LastNumber, numbers.DefaultIfEmpty().Max());
        foreach (var (i, (row, tally, kept)) in incoming.Index())
        {
            var order = kept ?? (row.Number is null ? sent.GetValueOrDefault(ids[i]) : null);
            if (order is null)
            {
                order = new() { Id = ids[i], KitchenId = db.KitchenId, Name = "", Number = row.Number ?? ++kitchen.LastNumber };
                db.Add(order);
            }

            order.RemovedAt = null;
            await service.WriteAsync(
                order,
                new(row.Order) { Version = 0, State = row.State, IsTemplate = row.IsTemplate },
                tally,
                prices: true);
        }

        await db.SaveChangesAsync();
        await all.CommitAsync();
    }

    private static IEnumerable<ImportProblem> WrongNumbers(IReadOnlyList<OrdersCsv.Row> rows)
    {
        foreach (var row in rows.Where(r => r.Number is < 1 or > MostNumber))
            yield return new(row.Line, "number", Message.Of("formats.numbers-count-from-leave", ("mostNumber", MostNumber)));
        foreach (var again in rows.Where(r => r.Number is not null).GroupBy(r => r.Number).SelectMany(g => g.Skip(1)))
            yield return new(again.Line, "number", Message.Of("formats.order-stands-further-up", ("number", again.Number)));
    }

    /// <summary>An order that comes in.</summary>
    /// <param name="Row">As the file has it.</param>
    /// <param name="Tally">What it comes to.</param>
    /// <param name="Kept">The order with its number that is there; null for a new one.</param>
    private sealed record Incoming(OrdersCsv.Row Row, CoatingTally Tally, Order? Kept)
    {
        // A pickup that has passed is no error where nothing is to be made for it any more, or where it passed since it was kept.
        private bool PickupStands => Row.Order.Pickup is not null
            && (Row.IsTemplate
                || Row.State is OrderState.Made or OrderState.HandedOver or OrderState.Cancelled
                || Row.Order.Pickup == Kept?.Pickup);

        public IEnumerable<ImportProblem> Problems()
        {
            foreach (var problem in Tally.Problems.Where(p => p.Severity is Severity.Error && !(p.Field == "pickup" && PickupStands)))
            {
                var (line, column) = OrdersCsv.Where(Row, problem.Field);
                yield return new(line, column, problem.Says);
            }
        }

        public Message Change() => Kept is null
            ? Message.Of(
                Row.Number is null ? "formats.order-is-new" : "formats.order-is-new-numbered",
                ("order", Row.Order.Name),
                ("pieces", Tally.Pieces),
                ("number", Row.Number ?? 0))
            : Message.Of(
                Kept.RemovedAt is null ? "formats.order-becomes" : "formats.removed-order-becomes",
                ("number", Kept.Number),
                ("was", Kept.Name),
                ("pieces", Kept.Pieces),
                ("order", Row.Order.Name),
                ("then", Tally.Pieces));
    }
}

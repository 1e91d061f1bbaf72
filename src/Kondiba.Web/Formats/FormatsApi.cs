using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Kondiba.Web.Pantry;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Formats;

/// <summary>Files out and in. Every import says what it would change before it does, and does all of it or nothing.</summary>
internal static class FormatsApi
{
    internal const int MostNumber = 1_000_000;
    private const int MostProblems = 100;
    private const string Csv = "text/csv; charset=utf-8";

    public static void MapFormats(this RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files").WithTags("Files").RequireAuthorization(Sessions.Sessions.Owners);
        files.MapGet(
            "/kitchen.json",
            async (KitchenFormat format) => TypedResults.Text(await format.ExportAsync(), "application/json; charset=utf-8"))
            .WithName("ExportKitchen").WithSummary("The whole kitchen as one document.");
        files.MapGet(
            "/kitchen.schema.json",
            () => TypedResults.Text(KitchenDocument.Schema().ToJsonString(KitchenDocument.Json), "application/schema+json; charset=utf-8"))
            .WithName("GetKitchenSchema").WithSummary("The JSON Schema of that document.");
        files.MapPost(
            "/kitchen",
            async (FileText file, bool? apply, KitchenFormat format) => TypedResults.Ok(
                await format.ImportAsync(file.Text, apply ?? false)))
            .WithName("ImportKitchen").WithSummary(
                "Puts a document in place of the kitchen; without apply it only says what that would change.");
        files.MapGet(
            "/orders.csv",
            async (KondibaContext db) => TypedResults.Text(
                OrdersCsv.Write(await db.WholeOrders.Where(o => o.RemovedAt == null).OrderBy(o => o.Number).ToListAsync()), Csv))
            .WithName("ExportOrders").WithSummary("Every order on the shelf as CSV, RFC 4180.");
        files.MapPost("/orders", async (FileText file, bool? apply, [SentKey] Guid? key, KondibaContext db, KitchenThings things, KitchenClock clock, OrderService orders, CancellationToken gone) =>
            TypedResults.Ok(await ImportOrdersAsync(file.Text, apply ?? false, key, db, things, clock, orders, gone)))
            .WithName("ImportOrders").WithSummary(
                "Takes orders in: one with the number of an order that is there takes its place, others are new; the same Idempotency-Key again makes no further ones.");
        files.MapGet("/pantry.csv", async (KondibaContext db, KitchenThings things) => TypedResults.Text(
            PantryCsv.Write(
                await db.PantryLots.AsNoTracking()
                    .Where(l => l.Amount > 0)
                    .OrderBy(l => l.Ware)
                    .ThenBy(l => l.BestBefore)
                    .ThenBy(l => l.Id)
                    .ToListAsync(),
                (await things.TablesAsync()).Reference.AllWares), Csv))
            .WithName("ExportPantry").WithSummary("What is in the pantry as CSV, RFC 4180.");
        files.MapPost("/pantry", async (FileText file, bool? apply, [SentKey] Guid? key, KondibaContext db, KitchenThings things, KitchenClock clock, IClock instants) =>
            TypedResults.Ok(await ImportPantryAsync(file.Text, apply ?? false, key, db, things, clock, instants)))
            .WithName("ImportPantry").WithSummary(
                "Puts every row into the pantry as a lot of its own; the same Idempotency-Key again adds nothing.");
    }

    private static async Task<ImportPlan> ImportOrdersAsync(
        string text,
        bool apply,
        Guid? key,
        KondibaContext db,
        KitchenThings things,
        KitchenClock clock,
        OrderService orders,
        CancellationToken gone)
    {
        var (rows, unread) = OrdersCsv.Read(text);
        var problems = unread.ToList();
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        var numbers = rows.Select(r => r.Number).OfType<int>().ToList();
        var there = await db.WholeOrders.AsTracking().Where(o => numbers.Contains(o.Number)).ToDictionaryAsync(o => o.Number, gone);
        var ids = rows.Select((_, i) => SentKey.IdOf(key, i)).ToList();
        var sent = key is null ? [] : await db.WholeOrders.AsTracking().Where(o => ids.Contains(o.Id)).ToDictionaryAsync(o => o.Id, gone);
        problems.AddRange(rows.Where(r => r.Number is < 1 or > MostNumber)
            .Select(r => new ImportProblem(r.Line, "number", Message.Of("formats.numbers-count-from-leave", ("mostNumber", MostNumber)))));
        problems.AddRange(rows.Where(r => r.Number is not null)
            .GroupBy(r => r.Number)
            .SelectMany(g => g.Skip(1))
            .Select(r => new ImportProblem(r.Line, "number", Message.Of("formats.order-stands-further-up", ("number", r.Number)))));

        var (changes, tallies) = (new List<Message>(), new List<CoatingTally>());
        var told = problems.Select(p => (p.Line, p.Field)).ToHashSet();
        foreach (var row in rows)
        {
            gone.ThrowIfCancellationRequested();
            var kept = row.Number is { } number ? there.GetValueOrDefault(number) : null;
            var tally = CoatingTally.For(row.Order, tables, now);
            tallies.Add(tally);
            var pickupStands = row.IsTemplate
                || row.State is OrderState.Made or OrderState.HandedOver or OrderState.Cancelled
                || row.Order.Pickup == kept?.Pickup;
            foreach (var p in tally.Problems.Where(p => p.Severity is Severity.Error
                && !(p.Field == "pickup" && row.Order.Pickup is not null && pickupStands)))
            {
                var (line, column) = OrdersCsv.Where(row, p.Field);
                if (told.Add((line, column)))
                    problems.Add(new(line, column, p.Says));
            }

            changes.Add(kept is null
                ? Message.Of(
                    row.Number is null ? "formats.order-is-new" : "formats.order-is-new-numbered",
                    ("order", row.Order.Name),
                    ("pieces", tally.Pieces),
                    ("number", row.Number ?? 0))
                : Message.Of(
                    kept.RemovedAt is null ? "formats.order-becomes" : "formats.removed-order-becomes",
                    ("number", kept.Number),
                    ("was", kept.Name),
                    ("pieces", kept.Pieces),
                    ("order", row.Order.Name),
                    ("then", tally.Pieces)));
        }

        if (problems.Count > 0 || !apply)
            return new(problems.Count > 0 ? [] : changes, [.. problems.OrderBy(p => p.Line).Take(MostProblems)]);

        await using var all = await db.Database.BeginTransactionAsync(gone);
        var kitchen = await db.Kitchens.AsTracking().SingleAsync(gone);
        kitchen.LastNumber = Math.Max(kitchen.LastNumber, numbers.DefaultIfEmpty().Max());
        foreach (var (i, (row, tally)) in rows.Zip(tallies).Index())
        {
            var order = row.Number is { } number ? there.GetValueOrDefault(number) : sent.GetValueOrDefault(ids[i]);
            if (order is null)
            {
                order = new() { Id = ids[i], KitchenId = db.KitchenId, Name = "", Number = row.Number ?? ++kitchen.LastNumber };
                db.Add(order);
            }

            order.RemovedAt = null;
            await orders.WriteAsync(
                order,
                new(row.Order) { Version = 0, State = row.State, DepositPaid = row.DepositPaid, IsTemplate = row.IsTemplate },
                tally,
                prices: true);
        }

        await db.SaveChangesAsync(gone);
        await all.CommitAsync(gone);
        return new(changes, [], Done: true);
    }

    private static async Task<ImportPlan> ImportPantryAsync(
        string text, bool apply, Guid? key, KondibaContext db, KitchenThings things, KitchenClock clock, IClock instants)
    {
        var (rows, unread) = PantryCsv.Read(text, key);
        var problems = unread.ToList();
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        var told = problems.Select(p => (p.Line, p.Field)).ToHashSet();
        foreach (var (line, receipt) in rows)
            problems.AddRange(PantryApi.Check(receipt, tables.Reference)
                .Where(p => told.Add((line, p.Field)))
                .Select(p => new ImportProblem(line, p.Field, p.Says)));
        if (problems.Count > 0)
            return new([], [.. problems.OrderBy(p => p.Line).Take(MostProblems)]);
        List<Message> changes = [
            .. rows.Select(r => (tables.Reference.Ware(r.Receipt.Ware)!, r.Receipt.Amount))
                .Select(r => Message.Of(
                    "formats.lot-comes-in", ("ware", r.Item1.Name), ("amount", r.Amount), ("unit", ShoppingApi.Unit(r.Item1.Unit)))),
        ];
        if (!apply)
            return new(changes, []);
        var ids = rows.Select(r => r.Receipt.Id).ToList();
        if (key is not null && await db.PantryLots.AnyAsync(l => ids.Contains(l.Id)))
            return new(changes, [], Done: true);
        foreach (var (_, receipt) in rows)
            db.Add(PantryApi.LotOf(receipt, db.KitchenId, now.Date, instants.GetCurrentInstant()));
        await db.SaveChangesAsync();
        return new(changes, [], Done: true);
    }
}

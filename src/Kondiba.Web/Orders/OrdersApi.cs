using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Kitchens;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;

namespace Kondiba.Web.Orders;

internal static class OrdersApi
{
    public static void MapOrders(this RouteGroupBuilder api)
    {
        var orders = api.MapGroup("/orders").WithTags("Orders");
        orders.MapPost("", CreateAsync).WithName("CreateOrder").WithSummary("Keeps a new order; the same Idempotency-Key again gives the same order.");
        orders.MapGet("/{id:guid}", GetAsync).WithName("GetOrder");
        orders.MapPut("/{id:guid}", SaveAsync).WithName("SaveOrder").WithSummary("Keeps all of an order at once, if nobody changed it since.");
        orders.MapDelete("/{id:guid}", RemoveAsync).WithName("RemoveOrder").WithSummary("Takes an order off the shelf; it can be put back.");
        orders.MapPost("/{id:guid}/restore", RestoreAsync).WithName("RestoreOrder");
    }

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, ValidationProblem>> CreateAsync(
        OrderInput input, [FromHeader(Name = "Idempotency-Key")] Guid? key, [AsParameters] Desk desk)
    {
        if (key is not null && await desk.WholeOrders.SingleOrDefaultAsync(o => o.CreationKey == key) is { } already)
            return TypedResults.Ok(await desk.ViewAsync(already));
        var (tally, errors) = await desk.CheckAsync(input.ToDraft(), keptPickup: null);
        if (errors is not null)
            return errors;

        var order = new Order { KitchenId = desk.Db.KitchenId, Name = "", CreationKey = key };
        Write(order, input, desk.Clock);
        desk.Db.Add(order);
        try
        {
            await desk.Db.SaveChangesAsync();
        }
        catch (DbUpdateException e) when (key is not null && e.InnerException is PostgresException { SqlState: PostgresErrorCodes.UniqueViolation })
        {
            // The same creation, asked twice at once: the other one was first.
            desk.Db.ChangeTracker.Clear();
            return TypedResults.Ok(await desk.ViewAsync(await desk.WholeOrders.SingleAsync(o => o.CreationKey == key)));
        }

        return TypedResults.Created($"/api/orders/{order.Id}", View(order, tally));
    }

    private static async Task<Results<Ok<OrderView>, NotFound>> GetAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is { } order
            ? TypedResults.Ok(await desk.ViewAsync(order))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<OrderView>, NotFound, ValidationProblem, ProblemHttpResult>> SaveAsync(Guid id, OrderInput input, [AsParameters] Desk desk)
    {
        if (await desk.WholeOrders.AsTracking().SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is not { } order)
            return TypedResults.NotFound();
        var (tally, errors) = await desk.CheckAsync(input.ToDraft(), order.Pickup);
        if (errors is not null)
            return errors;

        desk.Db.Entry(order).Property(o => o.Version).OriginalValue = input.Version;
        Write(order, input, desk.Clock);
        try
        {
            await desk.Db.SaveChangesAsync();
        }
        catch (DbUpdateConcurrencyException)
        {
            return TypedResults.Problem(
                title: "This order was changed somewhere else meanwhile.", detail: "Look at the other version and choose one.", statusCode: StatusCodes.Status409Conflict);
        }

        return TypedResults.Ok(View(order, tally));
    }

    private static async Task<Results<NoContent, NotFound>> RemoveAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.Orders.Where(o => o.Id == id && o.RemovedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, desk.Clock.GetCurrentInstant())) == 1
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> RestoreAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.Orders.Where(o => o.Id == id).ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, (Instant?)null)) == 1
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static void Write(Order order, OrderInput input, IClock clock)
    {
        order.Name = input.Name!.Trim();
        order.Pickup = input.Pickup!.Value;
        order.Notes = input.Notes ?? "";
        order.Margin = input.Margin;
        order.Palette = [.. input.Palette ?? []];
        order.ChangedAt = clock.GetCurrentInstant();

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

            (row.Position, row.Centre, row.Size, row.Amount, row.CountedIn) = (position, line.Centre!, line.Size!, line.Amount, line.CountedIn);
            (row.Coating, row.Colour, row.Depth) = (line.Coating!, line.Colour!, line.Depth);
            (row.Coats, row.AtOnce, row.Upright) = (line.Coats, line.AtOnce, line.Upright);
            (row.Look, row.Decor) = (line.Look, line.Decor);
        }

        order.Pots.RemoveAll(p => !input.Pots.ContainsKey(p.Pot));
        foreach (var (key, pot) in input.Pots)
        {
            var row = order.Pots.Find(p => p.Pot == key);
            if (row is null)
            {
                row = new() { KitchenId = order.KitchenId, Pot = key };
                order.Pots.Add(row);
            }

            (row.Vessel, row.Thinner, row.Film) = (pot.Vessel, pot.Thinner, pot.Film);
        }
    }

    private static OrderView View(Order order, CoatingTally tally) => new(
        order.Id,
        order.Version,
        order.Name,
        order.Pickup,
        order.Notes,
        [
            .. order.Lines.OrderBy(l => l.Position).Select(l =>
                new OrderLineInput(l.Id, l.Centre, l.Size, l.Amount, l.CountedIn, l.Coating, l.Colour, l.Depth, l.Coats, l.AtOnce, l.Upright, l.Look, l.Decor)),
        ],
        order.ToDraft().Pots,
        order.Margin,
        order.Palette,
        tally);

    /// <summary>What every handler of this group works with.</summary>
    internal sealed record Desk(KondibaContext Db, KitchenThings Things, IClock Clock, KitchenClock KitchenClock)
    {
        public IQueryable<Order> WholeOrders => Db.Orders.AsNoTracking().Include(o => o.Lines).Include(o => o.Pots).AsSplitQuery();

        public async Task<OrderView> ViewAsync(Order order) => View(order, CoatingTally.For(order.ToDraft(), await Things.TablesAsync(), await KitchenClock.NowAsync()));

        /// <summary>Computes an order and says what keeps it from being kept. A pickup that has passed since it was kept is no error.</summary>
        public async Task<(CoatingTally Tally, ValidationProblem? Errors)> CheckAsync(OrderDraft draft, LocalDateTime? keptPickup)
        {
            var tally = CoatingTally.For(draft, await Things.TablesAsync(), await KitchenClock.NowAsync());
            var errors = tally.Problems.Concat(SameIdTwice(draft.Lines.OfType<OrderLineInput>()))
                .Where(p => p.Severity == Severity.Error && !(p.Field == "pickup" && draft.Pickup is not null && draft.Pickup == keptPickup))
                .AsErrors();
            return (tally, errors is null ? null : TypedResults.ValidationProblem(errors, title: "The order cannot be kept as it is."));
        }

        private static IEnumerable<Problem> SameIdTwice(IEnumerable<OrderLineInput> lines) => lines.GroupBy(l => l.Id).Where(g => g.Count() > 1)
            .Select(g => new Problem("lines", $"Two lines carry the id {g.Key}.", "Give every line an id of its own."));
    }
}

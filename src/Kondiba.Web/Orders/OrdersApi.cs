using System.Security.Claims;
using Kondiba.Core.Amounts;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Orders;

internal static class OrdersApi
{
    public static void MapOrders(this RouteGroupBuilder api)
    {
        var orders = api.MapGroup("/orders").WithTags("Orders");
        orders.MapGet("", FindAsync)
            .WithName("FindOrders")
            .WithSummary("Orders that hold every word of q, or its beginning; the latest pickup first.");
        orders.MapPost("", CreateAsync)
            .WithName("CreateOrder")
            .WithSummary("Keeps a new order; the same Idempotency-Key again gives the same order.");
        orders.MapGet("/{id:guid}", GetAsync).WithName("GetOrder");
        orders.MapPut("/{id:guid}", SaveAsync)
            .WithName("SaveOrder")
            .WithSummary("Keeps all of an order at once, if nobody changed it since; made, it uses up the pantry.");
        orders.MapPost("/{id:guid}/copies", CopyAsync)
            .WithName("CopyOrder")
            .WithSummary(
                "Makes a new order or a template from one, for as many pieces as wanted; the same Idempotency-Key again gives the same "
                + "copy.");
        orders.MapGet("/{id:guid}/used", UsedAsync)
            .WithName("GetStockUsed")
            .WithSummary("What a made order took out of the pantry, and what the pantry did not have.");
        orders.MapDelete("/{id:guid}", RemoveAsync)
            .WithName("RemoveOrder")
            .WithSummary("Takes an order off the shelf; it can be put back.");
        orders.MapPost("/{id:guid}/restore", RestoreAsync).WithName("RestoreOrder");
    }

    private const int Page = 60;

    private static async Task<Ok<OrdersFound>> FindAsync(string? q, string? state, bool? templates, int? skip, KondibaContext db)
    {
        var orders = db.Orders.AsNoTracking().Where(o => o.RemovedAt == null && o.IsTemplate == (templates ?? false));
        if (Enum.TryParse<OrderState>(state, ignoreCase: true, out var wanted))
            orders = orders.Where(o => o.State == wanted);
        if (OrderSearch.Terms(q) is { } terms)
            orders = orders.Where(o => o.Search.Matches(EF.Functions.ToTsQuery("simple", terms))
                || (OrderSearch.Number(q) != null && o.Number == OrderSearch.Number(q)));
        var found = await orders.OrderByDescending(o => o.Pickup).ThenByDescending(o => o.Id).Skip(Math.Max(0, skip ?? 0)).Take(Page + 1)
            .Select(OrderSummary.Of).ToListAsync(db.Gone);
        return TypedResults.Ok(new OrdersFound([.. found.Take(Page)], found.Count > Page));
    }

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, Refused, Declined>> CreateAsync(
        OrderInput input, [SentKey] Guid? key, OrderService orders, KondibaContext db, ClaimsPrincipal user) =>
        await KeepNewAsync(input, key, orders, db, user, user.IsOwner());

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, Refused, Declined>> KeepNewAsync(
        OrderInput input, Guid? key, OrderService orders, KondibaContext db, ClaimsPrincipal user, bool prices)
    {
        if (key is { } asked && await orders.FindCreatedAsync(asked) is { } already)
            return TypedResults.Ok(await ViewAsync(already, orders, user));
        var (tally, errors) = await orders.CheckAsync(input, kept: null);
        if (errors is not null)
            return errors;
        try
        {
            var order = await orders.CreateAsync(input, tally, key, prices);
            return TypedResults.Created($"/api/orders/{order.Id}", new OrderView(order, tally, user.IsOwner()));
        }
        catch (DbUpdateException e) when (key is not null && e.IsSentTwice())
        {
            // The same creation, asked twice at once: the other one was first.
            db.ChangeTracker.Clear();
            return await orders.FindCreatedAsync(key.Value) is { } first
                ? TypedResults.Ok(await ViewAsync(first, orders, user))
                : new Declined(StatusCodes.Status409Conflict, "refused.key-used", "refused.new-key");
        }
    }

    private static async Task<Results<Ok<OrderView>, NotFound>> GetAsync(Guid id, OrderService orders, ClaimsPrincipal user) =>
        await orders.FindAsync(id) is { } order ? TypedResults.Ok(await ViewAsync(order, orders, user)) : TypedResults.NotFound();

    private static async Task<Results<Ok<OrderView>, NotFound, Refused, Declined>> SaveAsync(
        Guid id, OrderInput input, OrderService orders, ClaimsPrincipal user)
    {
        if (await orders.FindToChangeAsync(id) is not { } order)
            return TypedResults.NotFound();
        var (tally, errors) = await orders.CheckAsync(input, order);
        if (errors is not null)
            return errors;
        try
        {
            await orders.SaveAsync(order, input, tally, user.IsOwner());
        }
        catch (DbUpdateConcurrencyException)
        {
            return new Declined(StatusCodes.Status409Conflict, "refused.order-changed", "refused.compare");
        }

        return TypedResults.Ok(new OrderView(order, tally, user.IsOwner()));
    }

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, NotFound, Refused, Declined>> CopyAsync(
        Guid id, OrderCopy copy, [SentKey] Guid? key, OrderService orders, KondibaContext db, KitchenClock clock, ClaimsPrincipal user)
    {
        if (await orders.FindAsync(id) is not { } from)
            return TypedResults.NotFound();
        var draft = from.ToDraft();
        if (copy.Pieces is { } pieces)
        {
            var tally = await orders.TallyAsync(draft);
            if (pieces < tally.Lines.Count || pieces > 2000)
                return Refused.Because(
                    "pieces",
                    Message.Of("orders.lines-home-kitchen-dips", ("lines", tally.Lines.Count)),
                    "orders.lines-home-kitchen-dips.do");
            draft = OrderScale.To(draft, tally, pieces);
        }

        draft = draft with
        {
            Name = copy.Name ?? from.Name,
            Pickup = copy.Pickup ?? (await clock.NowAsync()).Date.PlusDays(7).At(from.Pickup.TimeOfDay),
            Deposit = null,
            Payments = null,
        };

        // The prices come from an order that is there: they are written whoever asks.
        var input = new OrderInput(draft) { Version = 0, IsTemplate = copy.Template };
        var made = await KeepNewAsync(input, key, orders, db, user, prices: true);
        return made.Result switch
        {
            Created<OrderView> created => created,
            Ok<OrderView> already => already,
            Refused wrong => wrong,
            Declined used => used,
            var other => throw new InvalidOperationException($"A copy was answered with {other}."),
        };
    }

    private static async Task<Results<Ok<IReadOnlyList<StockUse>>, NotFound>> UsedAsync(Guid id, OrderService orders) =>
        await orders.FindAsync(id) is { } order ? TypedResults.Ok(await orders.UsedAsync(order)) : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> RemoveAsync(Guid id, OrderService orders) =>
        await orders.RemoveAsync(id) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> RestoreAsync(Guid id, OrderService orders) =>
        await orders.RestoreAsync(id) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<OrderView> ViewAsync(Order order, OrderService orders, ClaimsPrincipal user) =>
        new(order, await orders.TallyAsync(order.ToDraft()), user.IsOwner());
}

using System.Security.Claims;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Kitchens;
using Kondiba.Web.Pantry;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

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
                "Makes a new order or a template from one, for as many pieces as wanted; the same Idempotency-Key again gives the same copy.");
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
            .Select(o => new OrderSummary(
                o.Id, o.Number, o.Name, o.Client, o.Pickup, o.Place, o.State, o.IsTemplate, o.Pieces)).ToListAsync();
        return TypedResults.Ok(new OrdersFound([.. found.Take(Page)], found.Count > Page));
    }

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, Refused, ProblemHttpResult>> CreateAsync(
        OrderInput input, [SentKey] Guid? key, [AsParameters] Desk desk)
    {
        if (key is not null && await desk.Db.WholeOrders.SingleOrDefaultAsync(o => o.CreationKey == key) is { } already)
            return TypedResults.Ok(await desk.ViewAsync(already));
        var (tally, errors) = await desk.CheckAsync(input, kept: null);
        if (errors is not null)
            return errors;

        // The key is the order's id too: its page has an address before anything of it is kept.
        var order = new Order { Id = key ?? Guid.CreateVersion7(), KitchenId = desk.Db.KitchenId, Name = "", CreationKey = key, Number = await desk.NextNumberAsync() };
        Write(
            order,
            input,
            tally,
            (await desk.Things.TablesAsync()).Reference,
            desk.Clock.GetCurrentInstant(),
            desk.MayPrice || desk.User.IsOwner());
        desk.Db.Add(order);
        await desk.Book.SettleAsync(order, tally);
        try
        {
            await desk.Db.SaveChangesAsync();
        }
        catch (DbUpdateException e) when (key is not null && WriteConflict.IsSentTwice(e))
        {
            // The same creation, asked twice at once: the other one was first.
            desk.Db.ChangeTracker.Clear();
            return await desk.Db.WholeOrders.SingleOrDefaultAsync(o => o.CreationKey == key) is { } first
                ? TypedResults.Ok(await desk.ViewAsync(first))
                : TypedResults.Problem(
                    title: "This key was used already.",
                    detail: "Send the order with a new Idempotency-Key.",
                    statusCode: StatusCodes.Status409Conflict);
        }

        return TypedResults.Created($"/api/orders/{order.Id}", View(order, tally, desk.User));
    }

    private static async Task<Results<Ok<OrderView>, NotFound>> GetAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is { } order
            ? TypedResults.Ok(await desk.ViewAsync(order))
            : TypedResults.NotFound();

    private static async Task<Results<Ok<OrderView>, NotFound, Refused, ProblemHttpResult>> SaveAsync(
        Guid id, OrderInput input, [AsParameters] Desk desk)
    {
        if (await desk.Db.WholeOrders.AsTracking().SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is not { } order)
            return TypedResults.NotFound();
        var (tally, errors) = await desk.CheckAsync(input, order);
        if (errors is not null)
            return errors;

        desk.Db.Entry(order).Property(o => o.Version).OriginalValue = input.Version;
        Write(
            order,
            input,
            tally,
            (await desk.Things.TablesAsync()).Reference,
            desk.Clock.GetCurrentInstant(),
            desk.MayPrice || desk.User.IsOwner());
        await desk.Book.SettleAsync(order, tally);
        try
        {
            await desk.Db.SaveChangesAsync();
        }
        catch (DbUpdateConcurrencyException)
        {
            return TypedResults.Problem(
                title: "This order was changed somewhere else meanwhile.", detail: "Look at the other version and choose one.", statusCode: StatusCodes.Status409Conflict);
        }

        return TypedResults.Ok(View(order, tally, desk.User));
    }

    private static async Task<Results<Created<OrderView>, Ok<OrderView>, NotFound, Refused, ProblemHttpResult>> CopyAsync(
        Guid id, OrderCopy copy, [SentKey] Guid? key, [AsParameters] Desk desk)
    {
        if (await desk.Db.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is not { } from)
            return TypedResults.NotFound();
        var (tables, now) = (await desk.Things.TablesAsync(), await desk.KitchenClock.NowAsync());
        var draft = from.ToDraft();
        var tally = CoatingTally.For(draft, tables, now);
        if (copy.Pieces is { } pieces)
        {
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
            Pickup = copy.Pickup ?? now.Date.PlusDays(7)
            .At(from.Pickup.TimeOfDay),
            Deposit = null
        };
        var made = await CreateAsync(new OrderInput(draft) { Version = 0, IsTemplate = copy.Template }, key, desk with { MayPrice = true });
        return made.Result switch
        {
            Created<OrderView> created => created,
            Ok<OrderView> already => already,
            Refused wrong => wrong,
            ProblemHttpResult used => used,
            var other => throw new InvalidOperationException($"A copy was answered with {other}."),
        };
    }

    private static async Task<Results<Ok<IReadOnlyList<StockUse>>, NotFound>> UsedAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null) is { } order
            ? TypedResults.Ok(
                await desk.Book.UsedAsync(
                    order, CoatingTally.For(order.ToDraft(), await desk.Things.TablesAsync(), await desk.KitchenClock.NowAsync())))
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> RemoveAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.Orders.Where(o => o.Id == id && o.RemovedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, desk.Clock.GetCurrentInstant())) == 1
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    private static async Task<Results<NoContent, NotFound>> RestoreAsync(Guid id, [AsParameters] Desk desk) =>
        await desk.Db.Orders.Where(o => o.Id == id).ExecuteUpdateAsync(set => set.SetProperty(o => o.RemovedAt, (Instant?)null)) == 1
            ? TypedResults.NoContent()
            : TypedResults.NotFound();

    /// <summary>Writes what was sent into a row. A helper sees no prices, so theirs are not taken for it.</summary>
    internal static void Write(Order order, OrderInput input, CoatingTally tally, ReferenceData tables, Instant now, bool mayPrice)
    {
        order.Take(input);
        if (mayPrice)
            (order.Price, order.Deposit, order.DepositPaid) = (input.Price, input.Deposit, input.DepositPaid);
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

            (row.Position, row.Centre, row.Size, row.Amount, row.CountedIn) = (position, line.Centre!, line.Size!, line.Amount, line.CountedIn);
            (row.Coating, row.Colour, row.Depth) = (line.Coating!, line.Colour!, line.Depth);
            (row.Coats, row.AtOnce, row.Upright) = (line.Coats, line.AtOnce, line.Upright);
            (row.Look, row.Decor, row.Making) = (line.Look, line.Decor, line.Making);
        }
    }

    private static OrderView View(Order order, CoatingTally tally, ClaimsPrincipal user) => new(order, tally, user.IsOwner());

    /// <summary>What every handler of this group works with.</summary>
    internal sealed record Desk(
        KondibaContext Db, KitchenThings Things, IClock Clock, KitchenClock KitchenClock, PantryBook Book, ClaimsPrincipal User)
    {
        /// <summary>Whether prices are written whoever asks: they come from an order that is there.</summary>
        internal bool MayPrice { get; init; }

        public async Task<OrderView> ViewAsync(Order order) =>
            View(order, CoatingTally.For(order.ToDraft(), await Things.TablesAsync(), await KitchenClock.NowAsync()), User);

        /// <summary>The number of the next order; counted even when the order is not kept in the end.</summary>
        public async Task<int> NextNumberAsync()
        {
            var kitchen = Db.KitchenId;
            return (await Db.Database.SqlQuery<int>(
                $"UPDATE kitchens SET last_number = last_number + 1 WHERE id = {kitchen} RETURNING last_number AS \"Value\"")
                .ToListAsync())[0];
        }

        /// <summary>Computes an order and says what keeps it from being kept. A pickup that has passed since it was kept is no error, nor is a template's.</summary>
        public async Task<(CoatingTally Tally, Refused? Errors)> CheckAsync(OrderInput input, Order? kept)
        {
            var draft = input.ToDraft();
            var tally = CoatingTally.For(draft, await Things.TablesAsync(), await KitchenClock.NowAsync());
            var pickupStands = draft.Pickup is not null && (draft.Pickup == kept?.Pickup || input.IsTemplate);
            var errors = tally.Problems.Concat(SameIdTwice(input.Lines.OfType<OrderLineInput>()))
                .Where(p => p.Severity == Severity.Error && !(p.Field == "pickup" && pickupStands));
            return (tally, Refused.Of(errors, "orders.order-cannot-kept"));
        }

        private static IEnumerable<Problem> SameIdTwice(
            IEnumerable<OrderLineInput> lines) => lines.GroupBy(l => l.Id).Where(g => g.Count() > 1)
            .Select(g => new Problem(
                "lines", Message.Of("orders.two-lines-carry-id", ("key", g.Key.ToString())), "orders.two-lines-carry-id.do"));
    }
}

using System.Data;
using Kondiba.Core.Amounts;
using Kondiba.Core.Orders;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;
using NodaTime;

namespace Kondiba.Web.Orders;

internal static class ShelfApi
{
    private const int Days = 14;

    // So long before its pickup an offer without an answer is asked about again (estimate).
    private static readonly Period AskAgain = Period.FromDays(4);

    public static void MapShelf(this RouteGroupBuilder api)
    {
        api.MapGet("/shelf", async (LocalDateQuery? from, KitchenThings things, KondibaContext db, KitchenClock clock, KnownDays known) =>
        {
            var (now, tables, plain) = (await clock.NowAsync(), await things.TablesAsync(), await things.WithoutStockAsync());
            var first = from?.Value ?? now.Date;
            var (start, end) = (first.AtMidnight(), first.PlusDays(Days).AtMidnight());
            var revision = await things.ThingsRevisionAsync();
            var oneMoment = await db.Database.BeginTransactionAsync(IsolationLevel.RepeatableRead);
            var kept = db.Orders.AsNoTracking().OnShelf();
            var shown = await InOrder(kept.Where(o => o.Pickup >= start && o.Pickup < end))
                .Select(o => new Row(o.Id, o.Version, o.Name, o.Client, o.State, o.Handover, o.Pickup)).ToListAsync(db.Gone);

            // Only days on which something changed are read whole and reckoned anew.
            var days = shown.GroupBy(o => o.Pickup.Date)
                .Select(day => (Orders: day.ToList(), Key: KnownDays.KeyOf(db.KitchenId, revision, day.Select(o => (o.Id, o.Version)))))
                .Select(day => (day.Orders, day.Key, Known: known.Get<ReckonedDay>(day.Key)))
                .ToList();
            var ids = days.Where(d => d.Known is null).SelectMany(d => d.Orders).Select(o => o.Id).ToList();
            var whole = ids.Count == 0
                ? []
                : (await InOrder(db.WholeOrders.Where(o => ids.Contains(o.Id))).ToListAsync(db.Gone)).GroupBy(o => o.Pickup.Date)
                    .ToDictionary(g => g.Key, g => g.ToList());
            var earlier = await kept.CountAsync(o => o.Pickup < start, db.Gone);
            var later = await kept.CountAsync(o => o.Pickup >= end, db.Gone);
            await oneMoment.DisposeAsync();
            var reckoned = days.AsParallel()
                .AsOrdered()
                .Select(d => d.Known ?? known.Keep(d.Key, ReckonedDay.Reckon(whole[d.Orders[0].Pickup.Date], plain)))
                .ToList();
            var stock = tables.Stock.Lots.ToLookup(l => l.Ware, l => l.Amount);
            return TypedResults.Ok(new ShelfView(
                now.Date,
                first,
                Days,
                [.. days.Zip(reckoned)
                    .SelectMany(d => d.First.Orders.Zip(d.Second.Orders, (order, comes) => View(order, comes, stock, now)))],
                CoatingNeed.For(reckoned.SelectMany(d => d.Pots), tables),
                [.. reckoned.SelectMany(d => d.Shared)],
                earlier,
                later));
        }).WithTags("Orders").WithName("GetShelf").WithSummary("A fortnight of orders, from today or from a day.");
        api.MapGet("/days/{day}/shared", async (LocalDateQuery day, Guid? order, KitchenThings things, KondibaContext db) =>
        {
            var (tables, from) = (await things.TablesAsync(), day.Value.AtMidnight());
            var toBeMade = db.WholeOrders.ToBeMade().Where(o => o.Pickup >= from && o.Pickup < from.PlusDays(1));
            var orders = await InOrder(toBeMade).ToListAsync(db.Gone);
            if (orders.Count < 2)
                return TypedResults.Ok<IReadOnlyList<SharedPot>>([]);
            var asking = orders.FindIndex(o => o.Id == order);
            var shared = DayPots.For([.. orders.Select(o => (o.ToDraft(), CoatingTally.For(o.ToDraft(), tables, from)))], tables).Shared;
            return TypedResults.Ok<IReadOnlyList<SharedPot>>([.. shared.Select(s => s.Without(asking))]);
        }).WithTags("Orders").WithName("GetSharedPots").WithSummary(
            "Pots that several of a day's orders share; one that asks sees the others' names.");
    }

    private static IQueryable<Order> InOrder(IQueryable<Order> orders) => orders.OrderBy(o => o.Pickup).ThenBy(o => o.Id);

    /// <summary>What wants doing next about an order.</summary>
    private static Message Next(Row order, Reckoned comes, ILookup<string, double> stock, LocalDateTime now) => order.State switch
    {
        OrderState.Quoted when order.Pickup < now + AskAgain => "orders.next-ask-again",
        OrderState.Agreed => comes.Needs.Count(n => n.ToHave > stock[n.Ware].Sum() + 1e-6) switch
        {
            0 => "orders.next-make",
            1 => "orders.next-buy-one",
            var missing => Message.Of("orders.next-buy", ("count", missing)),
        },
        var state => NextStep.Of(state, order.Handover),
    };

    private static ShelfOrder View(Row order, Reckoned comes, ILookup<string, double> stock, LocalDateTime now) => new(
        order.Id,
        order.Name,
        order.Client,
        order.State,
        Next(order, comes, stock, now),
        order.Pickup,
        comes.Pieces,
        comes.Colours,
        comes.ToMelt,
        comes.Minds);

    /// <summary>What the board shows of an order without its lines.</summary>
    private sealed record Row(Guid Id, uint Version, string Name, string Client, OrderState State, Handover Handover, LocalDateTime Pickup);
}

/// <summary>A day in a query string, as 2031-05-03.</summary>
internal sealed record LocalDateQuery(LocalDate Value)
{
    public static bool TryParse(string? text, out LocalDateQuery? day)
    {
        var parsed = NodaTime.Text.LocalDatePattern.Iso.Parse(text ?? "");
        day = parsed.Success && KondibaJson.IsThisMillennium(parsed.Value.Year) ? new(parsed.Value) : null;
        return day is not null;
    }
}

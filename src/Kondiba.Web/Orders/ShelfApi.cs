using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Kitchens;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Orders;

internal static class ShelfApi
{
    private const int Days = 14;

    public static void MapShelf(this RouteGroupBuilder api)
    {
        api.MapGet("/shelf", async (LocalDateQuery? from, KitchenThings things, KondibaContext db, KitchenClock clock) =>
        {
            var (now, tables) = (await clock.NowAsync(), await things.TablesAsync());
            var first = from?.Value ?? now.Date;
            var (start, end) = (first.AtMidnight(), first.PlusDays(Days).AtMidnight());
            var kept = db.Orders.AsNoTracking().Where(o => o.RemovedAt == null && !o.IsTemplate && o.State != OrderState.Cancelled);
            var orders = await Whole(kept.Where(o => o.Pickup >= start && o.Pickup < end)).ToListAsync();
            var tallies = orders.ConvertAll(o => (Order: o.ToDraft(), Alone: CoatingTally.For(o.ToDraft(), tables, now)));
            var days = orders.Zip(tallies).Where(o => o.First.State is OrderState.Asked or OrderState.Quoted or OrderState.Agreed).GroupBy(o => o.First.Pickup.Date, o => o.Second).Select(day => DayPots.For([.. day], tables)).ToList();
            return TypedResults.Ok(new ShelfView(
                now.Date,
                first,
                Days,
                [.. orders.Zip(tallies, (order, tally) => View(order, tally.Order, tally.Alone, tables, now))],
                CoatingNeed.For(days, tables),
                [.. days.SelectMany(d => d.Shared)],
                await kept.CountAsync(o => o.Pickup < start),
                await kept.CountAsync(o => o.Pickup >= end)));
        }).WithTags("Orders").WithName("GetShelf").WithSummary("A fortnight of orders, from today or from a day.");
        api.MapGet("/days/{day}/shared", async (LocalDateQuery day, KitchenThings things, KondibaContext db) =>
        {
            var (tables, from) = (await things.TablesAsync(), day.Value.AtMidnight());
            var orders = await Whole(db.Orders.Where(o => o.RemovedAt == null && !o.IsTemplate && o.State != OrderState.Cancelled && o.Pickup >= from && o.Pickup < from.PlusDays(1))).ToListAsync();
            return TypedResults.Ok(orders.Count < 2 ? [] : DayPots.For([.. orders.Select(o => (o.ToDraft(), CoatingTally.For(o.ToDraft(), tables, from)))], tables).Shared);
        }).WithTags("Orders").WithName("GetSharedPots").WithSummary("Pots that several of a day's orders share.");
    }

    private static IQueryable<Order> Whole(IQueryable<Order> orders) =>
        orders.AsNoTracking().Include(o => o.Lines).Include(o => o.Pots).AsSplitQuery().OrderBy(o => o.Pickup).ThenBy(o => o.Id);

    /// <summary>What wants doing next about an order.</summary>
    private static string Next(Order order, OrderDraft draft, CoatingTally tally, TradeTables tables, LocalDateTime now)
    {
        switch (order.State)
        {
            case OrderState.Asked:
                return "Make the offer.";
            case OrderState.Quoted:
                return order.Pickup < now + Period.FromDays(4) ? "No answer yet: ask again." : "Waiting for a yes.";
            case OrderState.Agreed:
                var stock = tables.Stock.ToLookup(l => l.Ware, l => l.Amount);
                var missing = Need.Of(draft, tally, tables).Count(n => n.ToHave.Value > stock[n.Ware].Sum() + 1e-6);
                return missing == 0 ? "All at home: make it." : missing == 1 ? "One thing to buy." : $"{missing} things to buy.";
            case OrderState.Made:
                return order.Handover is Handover.Delivery ? "Bring it." : "Hand it over.";
            default:
                return "";
        }
    }

    private static ShelfOrder View(Order order, OrderDraft draft, CoatingTally tally, TradeTables tables, LocalDateTime now) => new(
        order.Id,
        order.Name,
        order.Client,
        order.State,
        Next(order, draft, tally, tables, now),
        order.Pickup,
        tally.Pieces,
        [.. order.Lines.OrderBy(l => l.Position).GroupBy(l => (l.Coating, l.Colour)).Select(g => new ColourCount(g.Key.Coating, g.Key.Colour, g.Sum(l => Pieces(tally, l.Position))))],
        tally.Pots.Select(p => p.ToMelt.Value).Total(),
        tally.Pots.Sum(p => p.Packs.Value),
        [.. tally.Problems.Select(p => $"{p.Reason} {p.Remedy}")]);

    private static int Pieces(CoatingTally tally, int line) => tally.Lines.FirstOrDefault(l => l.Line == line)?.Count.Value ?? 0;
}

/// <summary>A day in a query string, as 2031-05-03.</summary>
internal sealed record LocalDateQuery(LocalDate Value)
{
    public static bool TryParse(string? text, out LocalDateQuery? day)
    {
        var parsed = NodaTime.Text.LocalDatePattern.Iso.Parse(text ?? "");
        day = parsed.Success ? new(parsed.Value) : null;
        return parsed.Success;
    }
}

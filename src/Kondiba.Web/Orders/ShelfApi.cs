using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
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
            var kept = db.Orders.AsNoTracking().Where(o => o.RemovedAt == null);
            var orders = await Whole(kept.Where(o => o.Pickup >= start && o.Pickup < end)).ToListAsync();
            var tallies = orders.ConvertAll(o => (Order: o.ToDraft(), Alone: CoatingTally.For(o.ToDraft(), tables, now)));
            var days = orders.Zip(tallies).GroupBy(o => o.First.Pickup.Date, o => o.Second).Select(day => DayPots.For([.. day], tables)).ToList();
            return TypedResults.Ok(new ShelfView(
                now.Date,
                first,
                Days,
                [.. orders.Zip(tallies, (order, tally) => View(order, tally.Alone))],
                CoatingNeed.For(days, tables),
                [.. days.SelectMany(d => d.Shared)],
                await kept.CountAsync(o => o.Pickup < start),
                await kept.CountAsync(o => o.Pickup >= end)));
        }).WithTags("Orders").WithName("GetShelf").WithSummary("A fortnight of orders, from today or from a day.");
        api.MapGet("/days/{day}/shared", async (LocalDateQuery day, KitchenThings things, KondibaContext db) =>
        {
            var (tables, from) = (await things.TablesAsync(), day.Value.AtMidnight());
            var orders = await Whole(db.Orders.Where(o => o.RemovedAt == null && o.Pickup >= from && o.Pickup < from.PlusDays(1))).ToListAsync();
            return TypedResults.Ok(orders.Count < 2 ? [] : DayPots.For([.. orders.Select(o => (o.ToDraft(), CoatingTally.For(o.ToDraft(), tables, from)))], tables).Shared);
        }).WithTags("Orders").WithName("GetSharedPots").WithSummary("Pots that several of a day's orders share.");
    }

    private static IQueryable<Order> Whole(IQueryable<Order> orders) =>
        orders.AsNoTracking().Include(o => o.Lines).Include(o => o.Pots).AsSplitQuery().OrderBy(o => o.Pickup).ThenBy(o => o.Id);

    private static ShelfOrder View(Order order, CoatingTally tally) => new(
        order.Id,
        order.Name,
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

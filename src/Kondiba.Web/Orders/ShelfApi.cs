using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Kitchens;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Orders;

internal static class ShelfApi
{
    private const int Days = 14;

    public static void MapShelf(this RouteGroupBuilder api) =>
        api.MapGet("/shelf", async (LocalDateQuery? from, TradeTables tables, KondibaContext db, KitchenClock clock) =>
        {
            var now = await clock.NowAsync();
            var first = from?.Value ?? now.Date;
            var (start, end) = (first.AtMidnight(), first.PlusDays(Days).AtMidnight());
            var kept = db.Orders.AsNoTracking().Where(o => o.RemovedAt == null);
            var orders = await kept.Where(o => o.Pickup >= start && o.Pickup < end)
                .Include(o => o.Lines).Include(o => o.Vessels).AsSplitQuery().OrderBy(o => o.Pickup).ThenBy(o => o.Id).ToListAsync();
            var tallies = orders.ConvertAll(o => CoatingTally.For(o.ToDraft(), tables, now));
            return TypedResults.Ok(new ShelfView(
                now.Date,
                first,
                Days,
                [.. orders.Zip(tallies, View)],
                CoatingNeed.For(tallies),
                await kept.CountAsync(o => o.Pickup < start),
                await kept.CountAsync(o => o.Pickup >= end)));
        }).WithTags("Orders").WithName("GetShelf").WithSummary("A fortnight of orders, from today or from a day.");

    private static ShelfOrder View(Order order, CoatingTally tally) => new(
        order.Id,
        order.Name,
        order.Pickup,
        tally.Pieces,
        [.. order.Lines.OrderBy(l => l.Position).GroupBy(l => l.Colour).Select(g => new ColourCount(g.Key, g.Sum(l => l.Count)))],
        tally.Pots.Select(p => p.ToMelt.Value).Total(),
        tally.Pots.Sum(p => p.Packs.Value),
        [.. tally.Problems.Select(p => $"{p.Reason} {p.Remedy}")]);
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

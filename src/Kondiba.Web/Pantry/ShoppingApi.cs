using System.Globalization;
using System.Security.Claims;
using Kondiba.Core.Amounts;
using Kondiba.Core.Pantry;
using Kondiba.Core.Wares;
using Kondiba.Data;
using Kondiba.Web.Formats;
using Kondiba.Web.Sessions;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Pantry;

/// <summary>A shopping list, and the orders to choose from.</summary>
/// <param name="Orders">Open orders of the coming weeks, by pickup.</param>
/// <param name="List">What to buy for the chosen ones.</param>
public sealed record ShoppingView(IReadOnlyList<ShoppingOrder> Orders, ShoppingList List);

/// <summary>An order that can be shopped for.</summary>
/// <param name="Chosen">Whether the list is for it.</param>
public sealed record ShoppingOrder(Guid Id, string Name, LocalDateTime Pickup, OrderState State, bool Chosen);

internal static class ShoppingApi
{
    private static readonly Period Ahead = Period.FromWeeks(6);

    public static void MapShopping(this RouteGroupBuilder api)
    {
        api.MapGet(
            "/shopping",
            async (Guid[]? order, KondibaContext db, KitchenThings things, KitchenClock clock) => TypedResults.Ok(
                await ViewAsync(order, db, things, clock)))
            .WithTags("Pantry").WithName("GetShopping").WithSummary(
                "What to buy for the orders named, or for every agreed one of the coming six weeks.");
        api.MapGet("/shopping.csv", async (
            Guid[]? order, KondibaContext db, KitchenThings things, KitchenClock clock, ClaimsPrincipal user) =>
        {
            var view = await ViewAsync(order, db, things, clock);
            string[] price = user.IsOwner() ? ["price"] : [];
            var csv = CsvFile.Write(
                ["section", "ware", "code", "needed", "in pantry", "to buy", "unit", "packs", .. price, "for"],
                view.List.Lines.Where(l => l.ToBuy > 0).Select(line => (IReadOnlyList<object?>)[
                    line.Ware.Section,
                    line.Ware.Name,
                    line.Ware.Code,
                    Math.Round(line.Need.Value, 2),
                    Math.Round(line.Cover.FromStock, 2),
                    Math.Round(line.ToBuy, 2),
                    Unit(line.Ware.Unit),
                    string.Join(
                        " + ", line.Cover.Packs.Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.Count} × {p.Holds:0.##}"))),
                    .. price.Select(_ => line.Cover.Price.ToString()),
                    string.Join("; ", line.For),
                ]));
            return TypedResults.Text(csv, "text/csv; charset=utf-8");
        }).WithTags("Pantry").WithName("GetShoppingCsv").WithSummary("The list as CSV, RFC 4180.");
    }

    internal static string Unit(WareUnit unit) => unit switch
    {
        WareUnit.Grams => "g",
        WareUnit.Metres => "m",
        WareUnit.Drops => "drops",
        _ => "pieces",
    };

    private static async Task<ShoppingView> ViewAsync(Guid[]? wanted, KondibaContext db, KitchenThings things, KitchenClock clock)
    {
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        var until = now + Ahead;
        var ids = wanted ?? [];
        var orders = await db.WholeOrders.ToBeMade().Where(o => (o.Pickup >= now && o.Pickup < until) || ids.Contains(o.Id))
            .OrderBy(o => o.Pickup).ThenBy(o => o.Id).ToListAsync(db.Gone);
        bool Chosen(Order o) => ids.Length > 0 ? ids.Contains(o.Id) : o.State is OrderState.Agreed;
        var chosen = orders.Where(Chosen).Select(o => o.ToDraft()).Select(d => (d, CoatingTally.For(d, tables, now))).ToList();
        return new(
            [.. orders.Select(o => new ShoppingOrder(o.Id, o.Name, o.Pickup, o.State, Chosen(o)))],
            ShoppingList.For(chosen, tables));
    }
}

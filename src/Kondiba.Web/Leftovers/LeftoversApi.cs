using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Leftovers;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Amounts;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Leftovers;

/// <summary>What the scale showed of an order's pots.</summary>
/// <param name="Weighed">In g, by the pot's key; pots that are not in it are left as planned.</param>
public sealed record LeftoverRequest(IReadOnlyDictionary<string, double> Weighed);

/// <summary>What can become of what an order's pots leave, and what is in the pantry that could start them.</summary>
/// <param name="Order">What the order is for.</param>
/// <param name="After">Pot by pot, after the run.</param>
/// <param name="Before">Leftovers of the pantry that could go into one of its pots instead of fresh coating.</param>
public sealed record LeftoversView(string Order, IReadOnlyList<LeftoverPlan> After, IReadOnlyList<LeftoverStart> Before);

/// <summary>Something in the pantry that could start a pot of another colour.</summary>
/// <param name="Lot">Of the pantry.</param>
/// <param name="Name">What is in it.</param>
/// <param name="Has">How much.</param>
/// <param name="Into">The pot that it could go into.</param>
public sealed record LeftoverStart(Guid Lot, string Name, Mass Has, LeftoverFolded Into);

internal static class LeftoversApi
{
    // Later orders are not yet worth keeping a leftover warm for.
    private const int Days = 60;
    private const int MostOrders = 40;

    public static void MapLeftovers(this RouteGroupBuilder api) =>
        api.MapPost("/orders/{id:guid}/leftovers", FindAsync).WithTags("Leftovers").WithName("GetLeftovers").WithSummary(
            "What can become of what an order's pots leave, weighed or as planned, and what of the pantry could start them.");

    private static async Task<Results<Ok<LeftoversView>, NotFound, Refused>> FindAsync(
        Guid id, LeftoverRequest request, OrderService orders, KondibaContext db, KitchenThings things, KitchenClock clock)
    {
        if (await orders.FindAsync(id) is not { } order)
            return TypedResults.NotFound();
        var wrong = request.Weighed.Where(w => !(w.Value is >= 0 and <= AmountsApi.MostGrams)).Select(w => new Problem(
            $"weighed.{w.Key}",
            Message.Of("leftovers.grams", ("grams", w.Value)),
            Message.Of("leftovers.grams.do", ("most", AmountsApi.MostGrams))));
        if (Refused.Of(wrong, "leftovers.cannot") is { } refused)
            return refused;
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        var draft = order.ToDraft();
        var own = new ComingOrder(order.Id, draft, CoatingTally.For(draft, tables, now));
        var coming = await ComingAsync(db, order.Id, tables, now);
        return TypedResults.Ok(new LeftoversView(
            order.Name,
            [.. own.Tally.Pots.Select(p => LeftoverPlan.For(p.Key, Left(p), now.Date, coming, tables.Reference)).OfType<LeftoverPlan>()],
            Starts(own, tables)));

        Mass Left(Pot pot) => request.Weighed.TryGetValue(pot.Key, out var grams) ? Quantities.Of<Mass>(grams, "g") : pot.Leftover.Mass;
    }

    private static async Task<List<ComingOrder>> ComingAsync(KondibaContext db, Guid but, KitchenTables tables, LocalDateTime now)
    {
        var until = now.PlusDays(Days);
        var orders = await db.WholeOrders.ToBeMade()
            .Where(o => o.Id != but && o.Pickup > now && o.Pickup < until)
            .OrderBy(o => o.Pickup).ThenBy(o => o.Id)
            .Take(MostOrders)
            .ToListAsync(db.Gone);
        return
        [
            .. from order in orders
               let draft = order.ToDraft()
               select new ComingOrder(order.Id, draft, CoatingTally.For(draft, tables, now)),
        ];
    }

    private static List<LeftoverStart> Starts(ComingOrder own, KitchenTables tables)
    {
        var starts =
            from lot in tables.Stock.Lots
            let id = lot.Id
            where id is not null && lot.Ware.StartsWith("coating.", StringComparison.Ordinal)
            let pot = lot.Ware["coating.".Length..]
            let has = Quantities.Of<Mass>(lot.Amount, "g")
            from fold in LeftoverPlan.Folds(pot, has, [own], tables.Reference)
            where fold.Ware != lot.Ware
            select new LeftoverStart(id.GetValueOrDefault(), tables.Reference.Ware(lot.Ware)?.Name ?? lot.Ware, has, fold);
        return [.. starts];
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Prices;

internal static class PricesApi
{
    public static void MapPrices(this RouteGroupBuilder api)
    {
        var prices = api.MapGroup("/prices").WithTags("Prices").RequireAuthorization(Sessions.Sessions.Owners);
        prices.MapPost(
            "/preview",
            async (OrderDraft draft, KitchenThings things, KitchenClock clock) => TypedResults.Ok(await CostAsync(draft, things, clock)))
            .WithName("PreviewPrice").WithSummary("What an order as typed costs and what to ask for it; keeps nothing.");
        prices.MapPost("/working", async Task<Results<Ok<IReadOnlyList<WorkingLine>>, NotFound>> (
            OrderDraft draft, string of, KitchenThings things, KitchenClock clock) =>
            (await CostAsync(draft, things, clock)).WorkingOf(of) is { } working ? TypedResults.Ok(working) : TypedResults.NotFound())
            .WithName("WorkingOfPrice").WithSummary("How a figure of a price came about; of is price, hands, or parts. and a part's code.");
        prices.MapGet("/list", async (PriceList list) => TypedResults.Ok(await list.ReadAsync())).WithName("GetPriceList")
            .WithSummary("What everything costs here, and which prices are examples still.");
        prices.MapPut("/list", async Task<Results<NoContent, Refused>> (IReadOnlyList<PackPrice> packs, PriceList list) =>
            await list.SaveAsync(packs) is { } refused ? refused : TypedResults.NoContent()).WithName("SavePrices")
            .WithSummary("Saves what is paid for some packs, all or none; each in place of the pack that holds as much.");
    }

    internal static async Task<Costing> CostAsync(OrderDraft draft, KitchenThings things, KitchenClock clock)
    {
        var tables = await things.TablesAsync();
        return Costing.For(draft, CoatingTally.For(draft, tables, await clock.NowAsync()), tables);
    }
}

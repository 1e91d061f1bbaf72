using Kondiba.Core.Handbook;
using Kondiba.Data;

namespace Kondiba.Web.Handbook;

internal static class HandbookApi
{
    public static void MapHandbook(this RouteGroupBuilder api) =>
        api.MapGet("/handbook", async (KitchenThings things) => TypedResults.Ok(TradeHandbook.For(await things.WithoutStockAsync())))
            .WithTags("Handbook").WithName("GetHandbook").WithSummary(
                "The trade's words, tables, methods, rules and sources, with what the kitchen has learned beside them.");
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Orders;
using Kondiba.Core.Paper;
using Kondiba.Data;

namespace Kondiba.Web.Paper;

internal static class PaperApi
{
    public static void MapPaper(this RouteGroupBuilder api) =>
        api.MapPost("/paper/set-down", async (OrderDraft draft, KitchenThings things, KitchenClock clock) =>
        {
            var tables = await things.TablesAsync();
            return TypedResults.Ok(
                SetDownMap.For(draft, CoatingTally.For(draft, tables, await clock.NowAsync()), tables.Reference));
        }).WithTags("Paper").WithName("MapTrays").WithSummary(
            "Where each piece of an order as typed is laid down on its tray, and in what rounds; keeps nothing.");
}

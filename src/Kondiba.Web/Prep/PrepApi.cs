using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Prep;

internal static class PrepApi
{
    public static void MapPrep(this RouteGroupBuilder api)
    {
        var prep = api.MapGroup("/prep").WithTags("Prep");
        prep.MapPost(
            "/preview",
            async (OrderDraft draft, KitchenThings things, KitchenClock clock) => TypedResults.Ok(await ListAsync(draft, things, clock)))
            .WithName("PreviewPrep").WithSummary(
                "The steps that an order as typed wants, from what is bought to what is handed over; keeps nothing.");
        prep.MapPost("/working", async Task<Results<Ok<IReadOnlyList<WorkingLine>>, NotFound>> (
            OrderDraft draft, string of, KitchenThings things, KitchenClock clock) =>
            (await ListAsync(draft, things, clock)).WorkingOf(of) is { } working ? TypedResults.Ok(working) : TypedResults.NotFound())
            .WithName("WorkingOfPrep").WithSummary(
                "How an amount of a filling came about; of is fillings[0]. and mix or an ingredient's code.");
    }

    private static async Task<PrepList> ListAsync(OrderDraft draft, KitchenThings things, KitchenClock clock)
    {
        var (tables, now) = (await things.TablesAsync(), await clock.NowAsync());
        return PrepList.For(draft, CoatingTally.For(draft, tables, now), tables, now);
    }
}

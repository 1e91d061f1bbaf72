using System.Security.Claims;
using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using Kondiba.Web.Kitchens;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Amounts;

internal static class AmountsApi
{
    public static void MapAmounts(this RouteGroupBuilder api)
    {
        var amounts = api.MapGroup("/amounts").WithTags("Amounts");
        amounts.MapPost("/preview", async (OrderDraft draft, KitchenThings things, KitchenClock clock) =>
            TypedResults.Ok(CoatingTally.For(draft, await things.TablesAsync(), await clock.NowAsync())))
            .WithName("PreviewAmounts").WithSummary("Computes an order as typed, saved or not, and keeps nothing.");
        amounts.MapPost("/working", async Task<Results<Ok<IReadOnlyList<WorkingLine>>, NotFound>> (OrderDraft draft, string of, KitchenThings things, KitchenClock clock, ClaimsPrincipal user) =>
            (user.IsOwner() || !TellsPrices(of)) && CoatingTally.For(draft, await things.TablesAsync(), await clock.NowAsync()).WorkingOf(of) is { } working ? TypedResults.Ok(working) : TypedResults.NotFound())
            .WithName("WorkingOf").WithSummary("How a figure of an order as typed came about; of is its path in the tally, such as pots.chips-with-oil.dark.toMelt.");
    }

    /// <summary>Whether the working of a figure goes through prices.</summary>
    private static bool TellsPrices(string figure) => figure.Split('.')[^1] is "packs" or "worth" or "cost";
}

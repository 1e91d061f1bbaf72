using System.Security.Claims;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Amounts;

internal static class AmountsApi
{
    /// <summary>Most coating that is asked about at once, in g.</summary>
    internal const double MostGrams = 20_000;

    public static void MapAmounts(this RouteGroupBuilder api)
    {
        var amounts = api.MapGroup("/amounts").WithTags("Amounts");
        amounts.MapPost("/preview", async (OrderDraft draft, KitchenThings things, KitchenClock clock) =>
            TypedResults.Ok(CoatingTally.For(draft, await things.TablesAsync(), await clock.NowAsync())))
            .WithName("PreviewAmounts").WithSummary("Computes an order as typed, saved or not, and keeps nothing.");
        amounts.MapPost("/working", async Task<Results<Ok<IReadOnlyList<WorkingLine>>, NotFound>> (
            OrderDraft draft, string of, KitchenThings things, KitchenClock clock, ClaimsPrincipal user) =>
            (user.IsOwner() || !TellsPrices(of))
                && CoatingTally.For(draft, await things.TablesAsync(), await clock.NowAsync()).WorkingOf(of) is { } working
                ? TypedResults.Ok(working)
                : TypedResults.NotFound())
            .WithName("WorkingOf").WithSummary(
                "How a figure of an order as typed came about; of is its path in the tally, such as pots.chips-with-oil.dark.toMelt.");
        amounts.MapGet("/covered", async Task<Results<Ok<IReadOnlyList<Covered>>, Refused>> (
            string coating, string colour, double grams, KitchenThings things) =>
        {
            var tables = await things.TablesAsync();
            var problems = new List<Problem>();
            var found = tables.Reference.ColourOf(coating, colour, (field, reason, remedy) => problems.Add(new(field, reason, remedy)));
            if (!(grams is > 0 and <= MostGrams))
                problems.Add(new(
                    "grams",
                    Message.Of("amounts.g-nothing-more-kitchen", ("grams", grams)),
                    Message.Of("amounts.g-nothing-more-kitchen.do", ("mostGrams", MostGrams))));
            return Refused.Of(problems, "amounts.cannot-computed") is { } refused
                ? refused
                : TypedResults.Ok(Covered.By(found.Coating!, found.Colour!, Quantities.Of<Mass>(grams, "g"), tables));
        }).WithName("GetCovered").WithSummary("How many of each piece so much coating makes: a pack, a leftover, what is in the pantry.");
    }

    /// <summary>Whether the working of a figure goes through prices.</summary>
    private static bool TellsPrices(string figure) => figure.Split('.')[^1] is "packs" or "worth" or "cost";
}

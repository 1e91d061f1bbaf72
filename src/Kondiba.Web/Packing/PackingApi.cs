using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Packing;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using NodaTime;

namespace Kondiba.Web.Packing;

/// <summary>When an order's labels say that it was made.</summary>
/// <param name="MadeOn">The day; null for the day that the plan dips it.</param>
public sealed record LabelRequest(LocalDate? MadeOn = null);

internal static class PackingApi
{
    public static void MapPacking(this RouteGroupBuilder api)
    {
        var packing = api.MapGroup("/packing").WithTags("Packing");
        packing.MapPost("/preview", async (OrderDraft draft, KitchenThings things, KitchenClock clock) =>
            TypedResults.Ok(await PlanAsync(draft, things, clock)))
            .WithName("PreviewPacking").WithSummary("What goes where in the boxes of an order as typed; keeps nothing.");
        packing.MapPost("/working", async Task<Results<Ok<IReadOnlyList<WorkingLine>>, NotFound>> (
            OrderDraft draft, string of, KitchenThings things, KitchenClock clock) =>
            (await PlanAsync(draft, things, clock)).WorkingOf(of) is { } working ? TypedResults.Ok(working) : TypedResults.NotFound())
            .WithName("WorkingOfPacking").WithSummary("How a figure of a bouquet came about; of is packages[0]. and film or ribbon.");

        api.MapPost("/orders/{id:guid}/labels", async Task<Results<Ok<LabelSheet>, NotFound, Refused>> (
            Guid id, LabelRequest request, LabelService labels, HttpRequest http) =>
            await labels.MakeAsync(id, request.MadeOn, $"{http.Scheme}://{http.Host}") switch
            {
                (_, { } refused) => refused,
                ({ } sheet, _) => TypedResults.Ok(sheet),
                _ => TypedResults.NotFound(),
            }).WithTags("Packing").WithName("MakeLabels").WithSummary(
                "An order's labels, and the page that the code on them leads to: it says what they say, until they are made again.");
        api.MapGet("/ingredients/{id:guid}", async Task<Results<Ok<IngredientsView>, NotFound>> (Guid id, LabelService labels) =>
            await labels.ReadAsync(id) is { } page ? TypedResults.Ok(page) : TypedResults.NotFound())
            .AllowAnonymous().RequireRateLimiting(Sessions.Sessions.SignInLimit)
            .WithTags("Packing").WithName("ReadIngredients").WithSummary(
                "What is in a package, to whoever reads the code on its label.");
    }

    private static async Task<PackingPlan> PlanAsync(OrderDraft draft, KitchenThings things, KitchenClock clock)
    {
        var tables = await things.TablesAsync();
        return PackingPlan.For(draft, CoatingTally.For(draft, tables, await clock.NowAsync()), tables.Reference);
    }
}

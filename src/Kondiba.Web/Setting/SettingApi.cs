using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Setting;
using Kondiba.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Setting;

/// <summary>How the pieces of a line set, place by place.</summary>
/// <param name="TouchDry">Share of the fat crystallized from which they are no longer tacky.</param>
/// <param name="HandleHard">Share of the fat crystallized from which they can be lifted and packed.</param>
/// <param name="Warmest">Warmest air in which they get hard at all.</param>
/// <param name="Places">In every place that the kitchen has; the room first.</param>
public sealed record LineSetting(Share TouchDry, Share HandleHard, Temperature Warmest, IReadOnlyList<SettingIn> Places);

internal static class SettingApi
{
    public static void MapSetting(this RouteGroupBuilder api) =>
        api.MapPost("/setting/preview", async Task<Results<Ok<LineSetting>, NotFound>> (
            OrderDraft draft, int line, KitchenThings things, KitchenClock clock) =>
        {
            var tables = await things.TablesAsync();
            var c = tables.Reference.Setting;
            return CoatingTally.For(draft, tables, await clock.NowAsync()).Lines.FirstOrDefault(l => l.Line == line) is { } tally
                ? TypedResults.Ok(new LineSetting(
                    c.TouchDry.Value,
                    c.HandleHard.Value,
                    tally.Piece.Fat.WarmestFor(c.HandleHard.Value, tally.Piece.Softer),
                    SettingIn.For(tally.Piece, c)))
                : TypedResults.NotFound();
        }).WithTags("Setting").WithName("PreviewSetting").WithSummary(
            "How the pieces of a line set in every place, with dew point, longest chill and the course of their temperatures.");
}

using Kondiba.Core.QuickEntry;
using Kondiba.Data;

namespace Kondiba.Web.Entries;

/// <summary>Order lines as typed.</summary>
/// <param name="Text">In plain words.</param>
public sealed record EntryText(string Text);

internal static class EntryApi
{
    public static void MapEntry(
        this RouteGroupBuilder api) => api.MapPost("/entry", async (EntryText typed, KitchenThings things, KitchenClock clock) =>
    {
        var (own, _) = await things.ReadAsync();
        return TypedResults.Ok(Entry.Read(typed.Text, await things.WithoutStockAsync(), own.Looks, (await clock.NowAsync()).Date));
    }).WithTags("Orders").WithName("ReadEntry").WithSummary("Reads order lines from plain words, and keeps nothing.");
}

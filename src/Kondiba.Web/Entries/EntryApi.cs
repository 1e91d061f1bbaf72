using Kondiba.Core.QuickEntry;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Entries;

/// <summary>Order lines as typed.</summary>
/// <param name="Text">In plain words.</param>
public sealed record EntryText(string Text);

internal static class EntryApi
{
    public static void MapEntry(this RouteGroupBuilder api)
    {
        var entry = api.MapGroup("/entry").WithTags("Orders");
        entry.MapPost("", ReadAsync).WithName("ReadEntry").WithSummary("Reads order lines from plain words, and keeps nothing.");
        entry.MapPost("/when", ReadWhenAsync)
            .WithName("ReadWhen")
            .WithSummary("Reads a day, a time or both from plain words or numbers, and keeps nothing.");
    }

    private static async Task<Ok<Entry>> ReadAsync(EntryText typed, KitchenThings things, KitchenClock clock)
    {
        var (own, _) = await things.ReadAsync();
        return TypedResults.Ok(Entry.Read(typed.Text, await things.WithoutStockAsync(), own.Looks, (await clock.NowAsync()).Date));
    }

    private static async Task<Results<Ok<DayAndTime>, Refused>> ReadWhenAsync(
        EntryText typed, KitchenThings things, KitchenClock clock)
    {
        var place = (await things.VoiceAsync()).Locale;
        var (own, _) = await things.ReadAsync();
        var today = (await clock.NowAsync()).Date;
        var read = DayAndTime.Read(typed.Text, await things.WithoutStockAsync(), own.Looks, today, place);
        return read is null
            ? Refused.Because("text", Message.Of("entries.no-day-or-time", ("text", typed.Text)), "entries.not-read")
            : TypedResults.Ok(read);
    }
}

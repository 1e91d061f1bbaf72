using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Kitchens;

/// <summary>The sample kitchen made as it was.</summary>
internal static class SampleApi
{
    public static void MapSample(
        this RouteGroupBuilder api) => api.MapPost("/kitchen/reset", async Task<Results<NoContent, Declined>> (
            KondibaContext db, IClock clock) =>
    {
        var kitchen = await db.Kitchens.AsTracking().SingleAsync(db.Gone);
        if (!kitchen.IsSample)
            return new Declined(StatusCodes.Status409Conflict, "refused.only-sample");
        await using var all = await db.Database.BeginTransactionAsync();
        await db.ClearAsync();
        var now = clock.GetCurrentInstant();
        var (fresh, rows) = SampleKitchen.From(
            now.InZone(DateTimeZoneProviders.Tzdb[kitchen.TimeZone]).Date, now, kitchen.TimeZone, kitchen.Id);
        (kitchen.Name, kitchen.Units, kitchen.LastNumber) = (fresh.Name, fresh.Units, fresh.LastNumber);
        db.AddRange(rows);
        await db.SaveChangesAsync();
        await all.CommitAsync();
        return TypedResults.NoContent();
    }).WithTags("Kitchen").WithName("ResetSample").RequireAuthorization(Sessions.Sessions.Owners).WithSummary(
        "Makes the sample kitchen as it was at first.");
}

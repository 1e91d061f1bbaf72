using System.Text;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Planning;

/// <summary>A private address of the plan as a calendar.</summary>
/// <param name="Id">Its id.</param>
/// <param name="MadeAt">When it was made.</param>
public sealed record FeedView(Guid Id, Instant MadeAt);

/// <summary>A new private address, told once.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Path">Where the calendar is read.</param>
public sealed record FeedLink(Guid Id, string Path);

internal static class CalendarApi
{
    private const string Type = "text/calendar; charset=utf-8";

    public static void MapCalendar(this RouteGroupBuilder api)
    {
        var day = api.MapGroup("/day").WithTags("Day");
        day.MapGet("/calendar.ics", async (DayBook book, KondibaContext db, KitchenClock clock, KitchenThings things) =>
        {
            return TypedResults.File(Encoding.UTF8.GetBytes(await WriteAsync(book, db, clock, things)), Type, "kondiba-plan.ics");
        }).WithName("GetCalendar").WithSummary("The plan as a calendar file, RFC 5545.");
        day.MapGet(
            "/feeds",
            async (KondibaContext db) => TypedResults.Ok(
                await db.CalendarFeeds.Where(f => f.RevokedAt == null)
                    .OrderBy(f => f.MadeAt)
                    .Select(f => new FeedView(f.Id, f.MadeAt))
                    .ToListAsync(db.Gone)))
            .RequireAuthorization(Sessions.Sessions.Owners).WithName("GetFeeds");
        day.MapPost("/feeds", async ([SentKey] Guid? key, KondibaContext db, IClock instants) =>
        {
            var secret = Secret.New();

            // Sent again, the address that nobody may have seen gives way to the new one.
            await db.CalendarFeeds.Where(f => f.Id == key).ExecuteDeleteAsync();
            var feed = new CalendarFeed
            {
                Id = key ?? Guid.CreateVersion7(),
                KitchenId = db.KitchenId,
                TokenHash = Secret.Hash(secret),
                MadeAt = instants.GetCurrentInstant(),
            };
            db.Add(feed);
            await db.SaveChangesAsync();
            return TypedResults.Ok(new FeedLink(feed.Id, $"/api/feeds/{secret}.ics"));
        }).RequireAuthorization(Sessions.Sessions.Owners).WithName("MakeFeed").WithSummary(
            "Makes a private address under which the plan is read as a calendar, without signing in; the same Idempotency-Key again puts a new address in place of the first.");
        day.MapDelete("/feeds/{id:guid}", async Task<Results<NoContent, NotFound>> (Guid id, KondibaContext db, IClock instants) =>
            await db.CalendarFeeds.Where(f => f.Id == id && f.RevokedAt == null)
                .ExecuteUpdateAsync(set => set.SetProperty(f => f.RevokedAt, instants.GetCurrentInstant())) == 1
                ? TypedResults.NoContent()
                : TypedResults.NotFound()).RequireAuthorization(Sessions.Sessions.Owners).WithName("RevokeFeed").WithSummary(
                    "Takes an address back.");

        api.MapGet("/feeds/{secret}.ics", async Task<Results<FileContentHttpResult, NotFound>> (
            string secret, DayBook book, KondibaContext db, KitchenScope scope, KitchenClock clock, KitchenThings things) =>
        {
            var hash = Secret.Hash(secret);
            var kitchen = await db.CalendarFeeds.IgnoreQueryFilters()
                .Where(f => f.TokenHash == hash && f.RevokedAt == null)
                .Select(f => (Guid?)f.KitchenId)
                .SingleOrDefaultAsync(db.Gone);
            if (kitchen is null)
                return TypedResults.NotFound();
            scope.KitchenId = kitchen.Value;
            return TypedResults.File(Encoding.UTF8.GetBytes(await WriteAsync(book, db, clock, things)), Type);
        }).AllowAnonymous().RequireRateLimiting(Sessions.Sessions.SignInLimit).WithTags("Day").WithName("ReadFeed").WithSummary(
            "The plan, to a calendar program that has its address; made anew when something has changed, whoever looks at it or not.");
    }

    private static async Task<string> WriteAsync(DayBook book, KondibaContext db, KitchenClock clock, KitchenThings things)
    {
        var (_, search) = await book.PlannedAsync();
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var orders = await db.Orders.AsNoTracking()
            .Select(o => new { o.Number, o.Name, o.Handover, o.Place, o.Contact })
            .ToDictionaryAsync(
                o => Workload.CodeOf(o.Number),
                o => new CalendarOrder(o.Name, o.Handover is Handover.Delivery, o.Place ?? "", o.Contact ?? ""),
                db.Gone);
        return PlanCalendar.Write(
            search.Shown ?? new(Outcome.Unknown, 0, [], [], [], [], [], [], [], []),
            kitchen.Id.ToString("N"),
            kitchen.Name,
            orders,
            await things.VoiceAsync(),
            await clock.ZoneAsync(),
            search.Found?.At ?? search.AskedAt);
    }
}

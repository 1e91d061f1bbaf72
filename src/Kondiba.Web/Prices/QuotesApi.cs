using System.Text.Json;
using Kondiba.Core.Pricing;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using NodaTime;

namespace Kondiba.Web.Prices;

/// <summary>An order's quote as it would be made out now, and where it was shared.</summary>
public sealed record QuoteView(Quote Quote, IReadOnlyList<ShareView> Shares);

/// <summary>A link under which a quote can be read.</summary>
/// <param name="Revoked">When the link was taken back; null while it works.</param>
public sealed record ShareView(Guid Id, Instant SharedAt, Instant? Revoked);

/// <summary>A new link, told once.</summary>
/// <param name="Path">Where the quote can be read.</param>
public sealed record ShareLink(Guid Id, string Path);

internal static class QuotesApi
{
    public static void MapQuotes(this RouteGroupBuilder api)
    {
        var quote = api.MapGroup("/orders/{id:guid}/quote").WithTags("Prices").RequireAuthorization(Sessions.Sessions.Owners);
        quote.MapGet("", async Task<Results<Ok<QuoteView>, NotFound>> (
            Guid id, KondibaContext db, KitchenThings things, KitchenClock clock) =>
            await MakeAsync(id, db, things, clock) is { } made
                ? TypedResults.Ok(new QuoteView(
                    made,
                    await db.QuoteShares.Where(s => s.OrderId == id)
                        .OrderByDescending(s => s.SharedAt)
                        .Select(s => new ShareView(s.Id, s.SharedAt, s.RevokedAt))
                        .ToListAsync(db.Gone)))
                : TypedResults.NotFound()).WithName("GetQuote");
        quote.MapPost("/shares", ShareAsync).WithName("ShareQuote").WithSummary(
            "Makes a link under which the quote as it is now can be read without signing in; the same Idempotency-Key again puts a new link in place of the first.");
        quote.MapDelete("/shares/{share:guid}", async Task<Results<NoContent, NotFound>> (
            Guid id, Guid share, KondibaContext db, IClock clock) =>
            await db.QuoteShares.Where(s => s.Id == share && s.OrderId == id)
                .ExecuteUpdateAsync(set => set.SetProperty(s => s.RevokedAt, clock.GetCurrentInstant())) == 1
                ? TypedResults.NoContent()
                : TypedResults.NotFound()).WithName("RevokeQuote").WithSummary("Takes a link back.");

        api.MapGet("/quotes/{secret}", async Task<Results<Ok<Quote>, NotFound>> (
            string secret, KondibaContext db, IOptions<JsonOptions> json) =>
        {
            var hash = Secret.Hash(secret);
            var body = await db.QuoteShares.IgnoreQueryFilters()
                .Where(s => s.TokenHash == hash && s.RevokedAt == null)
                .Select(s => s.Body)
                .SingleOrDefaultAsync(db.Gone);
            return body is null
                ? TypedResults.NotFound()
                : TypedResults.Ok(JsonSerializer.Deserialize<Quote>(body, json.Value.SerializerOptions)!);
        }).AllowAnonymous().RequireRateLimiting(Sessions.Sessions.SignInLimit).WithTags("Prices").WithName("ReadQuote").WithSummary(
            "A shared quote, to whoever has its link.");
    }

    private static async Task<Results<Ok<ShareLink>, NotFound>> ShareAsync(
        Guid id,
        [SentKey] Guid? key,
        KondibaContext db,
        KitchenThings things,
        KitchenClock clock,
        IClock instants,
        IOptions<JsonOptions> json)
    {
        if (await MakeAsync(id, db, things, clock) is not { } made)
            return TypedResults.NotFound();
        var secret = Secret.New();

        // Sent again, the link that nobody may have seen gives way to the new one.
        await db.QuoteShares.Where(s => s.Id == key && s.OrderId == id).ExecuteDeleteAsync();
        var share = new QuoteShare
        {
            Id = key ?? Guid.CreateVersion7(),
            KitchenId = db.KitchenId,
            OrderId = id,
            TokenHash = Secret.Hash(secret),
            Body = JsonSerializer.Serialize(made, json.Value.SerializerOptions),
            SharedAt = instants.GetCurrentInstant(),
        };
        db.Add(share);
        await db.SaveChangesAsync();
        return TypedResults.Ok(new ShareLink(share.Id, $"/q/{secret}"));
    }

    private static async Task<Quote?> MakeAsync(Guid id, KondibaContext db, KitchenThings things, KitchenClock clock)
    {
        var order = await db.WholeOrders.SingleOrDefaultAsync(o => o.Id == id && o.RemovedAt == null, db.Gone);
        if (order is null)
            return null;
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var draft = order.ToDraft();
        return Quote.For(
            kitchen.Name,
            order.Number,
            (await clock.NowAsync()).Date,
            draft,
            await PricesApi.CostAsync(draft, things, clock),
            (await things.TablesAsync()).Reference);
    }
}

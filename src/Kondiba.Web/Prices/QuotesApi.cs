using System.Text.Json;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Pricing;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
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
/// <param name="Price">What was offered.</param>
/// <param name="Revoked">When the link was taken back; null while it works.</param>
/// <param name="AcceptedAt">When whoever has the link accepted; null as long as nobody did.</param>
public sealed record ShareView(Guid Id, Instant SharedAt, Money Price, Instant? Revoked, Instant? AcceptedAt);

/// <summary>A quote as whoever has its link reads it.</summary>
/// <param name="Quote">The quote.</param>
/// <param name="Reader">How its kitchen writes.</param>
/// <param name="AcceptedAt">When it was accepted, by the kitchen's clock; null as long as it was not.</param>
/// <param name="IsOpen">Whether it can be accepted.</param>
public sealed record SharedQuote(Quote Quote, ReaderView Reader, LocalDateTime? AcceptedAt, bool IsOpen);

/// <summary>What a shared quote shows beside its words.</summary>
/// <param name="Pictures">How a piece of each line looks, drawn by whoever shares it: PNG or WebP as a data URL, empty for none.</param>
public sealed record QuotePictures(IReadOnlyList<string> Pictures)
{
    private const int Longest = 80_000;

    private static readonly (string Kind, byte[] Begins)[] Kinds =
        [("data:image/png;base64,", [0x89, 0x50, 0x4E, 0x47]), ("data:image/webp;base64,", [0x52, 0x49, 0x46, 0x46])];

    /// <summary>A quote with its pictures; null where they are none of it.</summary>
    public Quote? On(Quote quote)
    {
        if (Pictures.Count != quote.Lines.Count || !Pictures.All(p => p is "" || IsPicture(p)))
            return null;
        return quote with
        {
            Lines = [.. quote.Lines.Zip(Pictures, (line, picture) => line with { Picture = picture is "" ? null : picture })],
        };
    }

    private static bool IsPicture(string? url)
    {
        if (url is null || url.Length > Longest)
            return false;
        var (kind, begins) = Kinds.FirstOrDefault(k => url.StartsWith(k.Kind, StringComparison.Ordinal));
        var bytes = new byte[Longest];
        return kind is not null
            && Convert.TryFromBase64String(url[kind.Length..], bytes, out var length)
            && length > begins.Length
            && bytes.AsSpan().StartsWith(begins);
    }
}

/// <summary>A new link, told once.</summary>
/// <param name="Path">Where the quote can be read.</param>
public sealed record ShareLink(Guid Id, string Path);

internal static class QuotesApi
{
    public static void MapQuotes(this RouteGroupBuilder api)
    {
        var quote = api.MapGroup("/orders/{id:guid}/quote").WithTags("Prices").RequireAuthorization(Sessions.Sessions.Owners);
        quote.MapGet("", async Task<Results<Ok<QuoteView>, NotFound, Refused>> (
            Guid id, KondibaContext db, OrderService orders, KitchenThings things, KitchenClock clock, SharedQuotes quotes) =>
            await MakeAsync(id, db, orders, things, clock) switch
            {
                (_, { } refused) => refused,
                ({ } made, _) => TypedResults.Ok(new QuoteView(made, await quotes.SharesAsync(id))),
                _ => TypedResults.NotFound(),
            }).WithName("GetQuote").WithSummary("An order's quote; refused as long as it rests on example prices.");
        quote.MapPost("/shares", ShareAsync).WithName("ShareQuote").WithSummary(
            "Makes a link under which the quote as it is now can be read and accepted without signing in; the same Idempotency-Key again "
            + "puts a new link in place of the first.");
        quote.MapPut("/shares/{share:guid}/pictures", async Task<Results<NoContent, NotFound, Refused>> (
            Guid id, Guid share, QuotePictures drawn, SharedQuotes quotes) => await quotes.IllustrateAsync(id, share, drawn) switch
            {
                null => TypedResults.NotFound(),
                false => Refused.Because("pictures", "pricing.no-pictures", "pricing.quote-cannot-illustrate"),
                true => TypedResults.NoContent(),
            }).WithName("IllustrateQuote").WithSummary("Puts pictures of its lines into a shared quote, in place of any it had.");
        quote.MapDelete("/shares/{share:guid}", async Task<Results<NoContent, NotFound>> (
            Guid id, Guid share, KondibaContext db, IClock clock) =>
            await db.QuoteShares.Where(s => s.Id == share && s.OrderId == id)
                .ExecuteUpdateAsync(set => set.SetProperty(s => s.RevokedAt, clock.GetCurrentInstant())) == 1
                ? TypedResults.NoContent()
                : TypedResults.NotFound()).WithName("RevokeQuote").WithSummary("Takes a link back.");

        var shared = api.MapGroup("/quotes/{secret}")
            .AllowAnonymous()
            .RequireRateLimiting(Sessions.Sessions.SignInLimit)
            .WithTags("Prices");
        shared.MapGet("", async Task<Results<Ok<SharedQuote>, NotFound>> (string secret, SharedQuotes quotes) =>
            await quotes.ReadAsync(secret) is { } read ? TypedResults.Ok(read) : TypedResults.NotFound())
            .WithName("ReadQuote")
            .WithSummary("A shared quote, to whoever has its link.");
        shared.MapPost("/acceptance", async Task<Results<Ok<SharedQuote>, NotFound, Refused>> (string secret, SharedQuotes quotes) =>
            await quotes.AcceptAsync(secret) switch
            {
                (_, { } refused) => refused,
                ({ } accepted, _) => TypedResults.Ok(accepted),
                _ => TypedResults.NotFound(),
            }).WithName("AcceptQuote").WithSummary("Accepts a shared quote; its order is confirmed by it. Again, it changes nothing.");
    }

    private static async Task<Results<Ok<ShareLink>, NotFound, Refused>> ShareAsync(
        Guid id,
        [SentKey] Guid? key,
        KondibaContext db,
        OrderService orders,
        KitchenThings things,
        KitchenClock clock,
        IClock instants,
        IOptions<JsonOptions> json)
    {
        var (made, refused) = await MakeAsync(id, db, orders, things, clock);
        if (refused is not null)
            return refused;
        if (made is null)
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

    /// <summary>
    /// An order's quote, or why there is none; null for no such order. The sample kitchen sells to nobody: its prices are all examples.
    /// </summary>
    private static async Task<(Quote? Quote, Refused? Refused)> MakeAsync(
        Guid id, KondibaContext db, OrderService orders, KitchenThings things, KitchenClock clock)
    {
        var order = await orders.FindAsync(id);
        if (order is null)
            return (null, null);
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var draft = order.ToDraft();
        var costing = await PricesApi.CostAsync(draft, things, clock);
        var sample = costing.Sample.Select(s => new Problem(s.Code, Message.Of("pricing.sample-price", ("what", s.Name)), ""));
        if (!kitchen.IsSample && Refused.Of(sample, "pricing.quote-needs-prices") is { } refused)
            return (null, refused);
        return (Quote.For(
            kitchen.Name,
            order.Number,
            (await clock.NowAsync()).Date,
            draft,
            costing,
            (await things.TablesAsync()).Reference), null);
    }
}

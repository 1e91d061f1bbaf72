using System.Text.Json;
using Kondiba.Core.Pricing;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using NodaTime;

namespace Kondiba.Web.Prices;

/// <summary>Quotes as whoever has their link reads and accepts them, without signing in.</summary>
internal sealed class SharedQuotes(
    KondibaContext db, KitchenScope scope, KitchenThings things, KitchenClock kitchenClock, IClock clock, IOptions<JsonOptions> json)
{
    /// <summary>Where an order's quotes were shared, the latest first.</summary>
    public async Task<IReadOnlyList<ShareView>> SharesAsync(Guid order)
    {
        var shares = await db.QuoteShares.AsNoTracking()
            .Where(s => s.OrderId == order)
            .OrderByDescending(s => s.SharedAt)
            .ToListAsync(db.Gone);
        return [.. shares.Select(s => new ShareView(s.Id, s.SharedAt, QuoteOf(s).Price, s.RevokedAt, s.AcceptedAt))];
    }

    /// <summary>Puts pictures into a shared quote; false where they are none of its lines, null where there is no such quote.</summary>
    public async Task<bool?> IllustrateAsync(Guid order, Guid id, QuotePictures drawn)
    {
        var share = await db.QuoteShares.AsTracking().SingleOrDefaultAsync(s => s.Id == id && s.OrderId == order, db.Gone);
        if (share is null)
            return null;
        if (drawn.On(QuoteOf(share)) is not { } quote)
            return false;
        share.Body = JsonSerializer.Serialize(quote, json.Value.SerializerOptions);
        await db.SaveChangesAsync();
        return true;
    }

    /// <summary>The quote behind a link; null when nothing is behind it.</summary>
    public async Task<SharedQuote?> ReadAsync(string secret)
    {
        if (await FindAsync(secret) is not { } share)
            return null;
        var quote = QuoteOf(share);
        return new(
            quote,
            ReaderView.Of(await things.VoiceAsync()),
            share.AcceptedAt?.InZone(await kitchenClock.ZoneAsync()).LocalDateTime,
            share.AcceptedAt is null && await WhyNotAsync(share, quote) is null);
    }

    /// <summary>
    /// Accepts the quote behind a link for whoever has it: an order that was asked for or quoted is confirmed by it. What is accepted
    /// already stays as it is; null when nothing is behind the link.
    /// </summary>
    public async Task<(SharedQuote? Accepted, Refused? Refused)> AcceptAsync(string secret)
    {
        if (await FindAsync(secret) is not { } share)
            return (null, null);
        if (share.AcceptedAt is null && await WhyNotAsync(share, QuoteOf(share)) is { } reason)
            return (null, Refused.Because("quote", reason, "pricing.quote-cannot-accept"));
        await using var all = await db.Database.BeginTransactionAsync();
        var now = clock.GetCurrentInstant();
        if (await db.QuoteShares.Where(s => s.Id == share.Id && s.AcceptedAt == null)
            .ExecuteUpdateAsync(set => set.SetProperty(s => s.AcceptedAt, now)) == 1)
        {
            await db.Orders.Where(o => o.Id == share.OrderId)
                .ExecuteUpdateAsync(set => set
                    .SetProperty(o => o.AcceptedAt, now)
                    .SetProperty(o => o.ChangedAt, now)
                    .SetProperty(
                        o => o.State, o => o.State == OrderState.Asked || o.State == OrderState.Quoted ? OrderState.Agreed : o.State));
        }

        await all.CommitAsync();
        return (await ReadAsync(secret), null);
    }

    /// <summary>A link that works, and from here on only its kitchen.</summary>
    private async Task<QuoteShare?> FindAsync(string secret)
    {
        var hash = Secret.Hash(secret);
        var share = await db.QuoteShares.AsNoTracking().IgnoreQueryFilters()
            .Where(s => db.Orders.Any(o => o.Id == s.OrderId && o.RemovedAt == null))
            .SingleOrDefaultAsync(s => s.TokenHash == hash && s.RevokedAt == null, db.Gone);
        if (share is not null)
            scope.KitchenId = share.KitchenId;
        return share;
    }

    private Quote QuoteOf(QuoteShare share) => JsonSerializer.Deserialize<Quote>(share.Body, json.Value.SerializerOptions)!;

    /// <summary>Why a quote cannot be accepted: its order is cancelled, or its last day is over; null when it can.</summary>
    private async Task<Message?> WhyNotAsync(QuoteShare share, Quote quote)
    {
        if (!await db.Orders.AnyAsync(o => o.Id == share.OrderId && o.State != OrderState.Cancelled, db.Gone))
            return Message.Of("pricing.quote-cancelled", ("kitchen", quote.Kitchen));
        return quote.ValidUntil is { } until && until < (await kitchenClock.NowAsync()).Date
            ? Message.Of("pricing.quote-expired", ("until", until), ("kitchen", quote.Kitchen))
            : null;
    }
}

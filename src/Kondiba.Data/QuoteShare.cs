using NodaTime;

namespace Kondiba.Data;

/// <summary>A quote as it was when it was shared, behind a link that can be taken back.</summary>
public sealed class QuoteShare : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    public Guid OrderId { get; init; }

    /// <summary>SHA-256 of the link's secret; the secret itself is kept nowhere.</summary>
    public required string TokenHash { get; init; }

    /// <summary>The quote, as JSON.</summary>
    public required string Body { get; set; }

    public Instant SharedAt { get; init; }

    public Instant? RevokedAt { get; set; }

    /// <summary>When whoever has the link accepted it; null as long as nobody did.</summary>
    public Instant? AcceptedAt { get; set; }
}

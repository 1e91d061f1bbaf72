using Kondiba.Core.Planning;
using NodaTime;

namespace Kondiba.Data;

/// <summary>What a kitchen has arranged for its plan.</summary>
public sealed class DayPlan : IOfKitchen
{
    public Guid KitchenId { get; init; }

    /// <summary>What the maker has arranged.</summary>
    public Arrangements Arranged { get; set; } = Arrangements.None;

    /// <summary>Counted up with every arrangement, so that none is made on a plan that was changed meanwhile.</summary>
    public int Version { get; set; }
}

/// <summary>A private address under which a kitchen's plan is read as a calendar, until it is taken back.</summary>
public sealed class CalendarFeed : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    /// <summary>SHA-256 of the address's secret; the secret itself is kept nowhere.</summary>
    public required string TokenHash { get; init; }

    public Instant MadeAt { get; init; }

    public Instant? RevokedAt { get; set; }
}

using Kondiba.Core.Planning;
using NodaTime;

namespace Kondiba.Data;

/// <summary>A kitchen's plan: what was arranged, and what was found last.</summary>
public sealed class DayPlan : IOfKitchen
{
    public Guid KitchenId { get; init; }

    /// <summary>What the maker has arranged.</summary>
    public Arrangements Arranged { get; set; } = Arrangements.None;

    /// <summary>The plan that was found last, to start the next one from; null before the first.</summary>
    public FoundPlan? Found { get; set; }

    /// <summary>Counted up with every arrangement, so that none is made on a plan that was changed meanwhile.</summary>
    public int Version { get; set; }
}

/// <summary>A plan as it was found.</summary>
/// <param name="Origin">The midnight that its minutes count from.</param>
/// <param name="Solution">The plan in minutes.</param>
/// <param name="Plan">The same as it is read.</param>
/// <param name="At">When it was found.</param>
public sealed record FoundPlan(LocalDate Origin, Solution Solution, Plan Plan, Instant At);

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

using Kondiba.Core.Bench;
using NodaTime;

namespace Kondiba.Data;

/// <summary>A probe or a scale that tells a kitchen what it reads, until it is taken back.</summary>
public sealed class Device : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    public DeviceKind Kind { get; init; }

    public required string Name { get; init; }

    /// <summary>SHA-256 of its own secret; the secret itself is kept nowhere.</summary>
    public required string TokenHash { get; set; }

    /// <summary>Code of the step that melts the pot it is in; null when it is in none.</summary>
    public string? Pot { get; set; }

    /// <summary>When it was put there.</summary>
    public Instant? PutAt { get; set; }

    /// <summary>Readings that were set apart.</summary>
    public int Apart { get; set; }

    /// <summary>Why the last of them was.</summary>
    public string? ApartWhy { get; set; }

    public Instant MadeAt { get; init; }

    public Instant? RevokedAt { get; set; }
}

/// <summary>What a device read. It is only ever added to.</summary>
public sealed class Reading : IOfKitchen
{
    public Guid DeviceId { get; init; }

    /// <summary>When, by the device's clock.</summary>
    public Instant At { get; init; }

    public Guid KitchenId { get; init; }

    /// <summary>In °C of a probe, in grams of a scale.</summary>
    public double Value { get; init; }

    /// <summary>The pot it was in then.</summary>
    public string? Pot { get; init; }
}

/// <summary>How well somebody has done an exercise at the practice pot.</summary>
public sealed class PracticeBest : IOfKitchen
{
    public Guid KitchenId { get; init; }

    /// <summary>Who; nobody in particular by key or in the sample kitchen.</summary>
    public Guid PersonId { get; init; }

    /// <summary>Code of the exercise.</summary>
    public required string Exercise { get; init; }

    /// <summary>The most points reached.</summary>
    public int Points { get; set; }
}

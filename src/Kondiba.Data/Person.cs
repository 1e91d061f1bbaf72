using Microsoft.AspNetCore.Identity;
using NodaTime;

namespace Kondiba.Data;

/// <summary>What a person may do in a kitchen.</summary>
public enum Role
{
    /// <summary>Everything.</summary>
    Owner,

    /// <summary>All but prices, people and the kitchen's rates.</summary>
    Helper,
}

/// <summary>Someone who signs in; belongs to one kitchen.</summary>
public sealed class Person : IdentityUser<Guid>, IOfKitchen
{
    public Guid KitchenId { get; init; }

    public Role Role { get; init; }

    /// <summary>The units that they read; null for the kitchen's.</summary>
    public Units? Units { get; set; }
}

/// <summary>An invitation to a kitchen, good once.</summary>
public sealed class Invitation : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    /// <summary>SHA-256 of the link's secret; the secret itself is kept nowhere.</summary>
    public required string TokenHash { get; init; }

    public Instant Until { get; init; }

    public Instant? UsedAt { get; set; }
}

using NodaTime;

namespace Kondiba.Data;

/// <summary>Some of a ware in the pantry, bought at one time.</summary>
public sealed class PantryLot : IOfKitchen
{
    /// <summary>Given by the client, so that receiving it twice makes one lot.</summary>
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    /// <summary>Code of the ware.</summary>
    public required string Ware { get; init; }

    /// <summary>What is left of it, in the ware's unit.</summary>
    public double Amount { get; set; }

    /// <summary>What a pack of it held; null when it came without one.</summary>
    public double? Pack { get; set; }

    /// <summary>What was paid for all that was received.</summary>
    public decimal? Price { get; set; }

    public LocalDate? BestBefore { get; set; }

    /// <summary>Where it stands.</summary>
    public string Place { get; set; } = "";

    /// <summary>By the kitchen's clock.</summary>
    public LocalDate ReceivedOn { get; init; }

    public List<LotMovement> Movements { get; } = [];

    /// <summary>PostgreSQL's xmin: changes with every write.</summary>
    public uint Version { get; init; }

    /// <summary>Changes the amount and writes it into the history.</summary>
    public LotMovement Move(MovementKind kind, double by, Instant at, Guid? order = null, string note = "", Guid? id = null)
    {
        Amount = Math.Round(Amount + by, 6);
        var movement = new LotMovement
        {
            Id = id ?? Guid.CreateVersion7(),
            LotId = Id,
            KitchenId = KitchenId,
            Kind = kind,
            Amount = by,
            At = at,
            OrderId = order,
            Note = note
        };
        Movements.Add(movement);
        return movement;
    }
}

/// <summary>What happened to a lot.</summary>
public enum MovementKind
{
    /// <summary>It was bought.</summary>
    Received,

    /// <summary>It went into an order, or was used otherwise.</summary>
    Used,

    /// <summary>It came back, as the order was not made after all.</summary>
    Returned,

    /// <summary>It was weighed or counted, and is not what the book said.</summary>
    Corrected,

    /// <summary>It was thrown away.</summary>
    Thrown,
}

/// <summary>A change of a lot's amount.</summary>
public sealed class LotMovement : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid LotId { get; init; }

    public Guid KitchenId { get; init; }

    public MovementKind Kind { get; init; }

    /// <summary>More than nothing when it came in, less when it went out.</summary>
    public double Amount { get; init; }

    public Instant At { get; init; }

    /// <summary>The order that used it.</summary>
    public Guid? OrderId { get; init; }

    public string Note { get; init; } = "";
}

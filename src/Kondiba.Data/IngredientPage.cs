using NodaTime;

namespace Kondiba.Data;

/// <summary>What an order's labels said when they were printed, to whoever reads the code on one.</summary>
public sealed class IngredientPage : IOfKitchen
{
    /// <summary>Its address: drawn by chance, so that nobody comes upon it who has no label.</summary>
    public Guid Id { get; init; } = Guid.NewGuid();

    public Guid KitchenId { get; init; }

    public Guid OrderId { get; init; }

    /// <summary>The batch number on the labels: printed again, they say what they say now.</summary>
    public required string Lot { get; init; }

    /// <summary>The labels, as JSON.</summary>
    public required string Body { get; set; }

    public Instant PrintedAt { get; set; }
}

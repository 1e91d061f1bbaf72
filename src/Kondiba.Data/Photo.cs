using NodaTime;

namespace Kondiba.Data;

/// <summary>What a photo is of.</summary>
public enum PhotoSubject
{
    /// <summary>A batch of the logbook, by its id.</summary>
    Batch,

    /// <summary>An order, by its id.</summary>
    Order,

    /// <summary>A look, by its code.</summary>
    Look,
}

/// <summary>A photo of finished pieces.</summary>
public sealed class Photo : IOfKitchen
{
    public Guid Id { get; init; }

    public Guid KitchenId { get; init; }

    public PhotoSubject Subject { get; init; }

    /// <summary>Which of its kind.</summary>
    public required string Of { get; init; }

    /// <summary>A JPEG file without what a camera writes into it beside the picture.</summary>
    public required byte[] Jpeg { get; init; }

    public Instant AddedAt { get; init; }
}

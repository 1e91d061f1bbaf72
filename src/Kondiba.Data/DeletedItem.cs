using NodaTime;

namespace Kondiba.Data;

/// <summary>Something that a maker told of the kitchen and deleted, to be restored for a while.</summary>
public sealed class DeletedItem : IOfKitchen
{
    /// <summary>How long what was deleted can be restored.</summary>
    public static readonly Duration Kept = Duration.FromDays(30);

    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    public ItemKind Kind { get; init; }

    public required string Code { get; init; }

    /// <summary>The record, as JSON.</summary>
    public required string Body { get; init; }

    /// <summary>By the database's clock.</summary>
    public Instant DeletedAt { get; private set; }

    /// <summary>What is left of an item that is deleted or written over.</summary>
    public static DeletedItem Of(KitchenItem item) =>
        new() { KitchenId = item.KitchenId, Kind = item.Kind, Code = item.Code, Body = item.Body };
}

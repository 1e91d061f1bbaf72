using Kondiba.Core.Amounts;
using NodaTime;

namespace Kondiba.Data;

/// <summary>A row that belongs to a kitchen and is reached only from it.</summary>
public interface IOfKitchen
{
    Guid KitchenId { get; }
}

/// <summary>An order.</summary>
public sealed class Order : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    public required string Name { get; set; }

    /// <summary>By the kitchen's clock.</summary>
    public LocalDateTime Pickup { get; set; }

    public string Notes { get; set; } = "";

    public List<OrderLine> Lines { get; } = [];

    /// <summary>Vessels the maker chose; a colour without one gets the vessel that wants least.</summary>
    public List<OrderVessel> Vessels { get; } = [];

    /// <summary>Set with every change, of a line too, so that <see cref="Version"/> moves.</summary>
    public Instant ChangedAt { get; set; }

    /// <summary>When it was taken off the shelf; it can be put back.</summary>
    public Instant? RemovedAt { get; set; }

    /// <summary>The key its creation was asked under, so that asking twice makes one order.</summary>
    public Guid? CreationKey { get; init; }

    /// <summary>PostgreSQL's xmin: changes with every write.</summary>
    public uint Version { get; init; }

    /// <summary>The order as Core computes it.</summary>
    public OrderDraft ToDraft() =>
        new(Name, Pickup, Notes, [.. Lines.OrderBy(l => l.Position).Select(l => l.ToDraft())], Vessels.ToDictionary(v => v.Colour, v => v.Vessel));
}

/// <summary>A line of an order.</summary>
public sealed class OrderLine : IOfKitchen
{
    /// <summary>Given by the client, unique within its order.</summary>
    public Guid Id { get; init; }

    public Guid OrderId { get; init; }

    public Guid KitchenId { get; init; }

    public int Position { get; set; }

    public required string Centre { get; set; }

    public required string Size { get; set; }

    public int Count { get; set; }

    public required string Colour { get; set; }

    /// <summary>Share of the centre's length that is covered.</summary>
    public double Depth { get; set; }

    public int Coats { get; set; }

    public LineDraft ToDraft() => new(Centre, Size, Count, Colour, Depth, Coats);
}

/// <summary>The vessel chosen for a colour of an order.</summary>
public sealed class OrderVessel : IOfKitchen
{
    public Guid OrderId { get; init; }

    public Guid KitchenId { get; init; }

    public required string Colour { get; init; }

    public required string Vessel { get; set; }
}

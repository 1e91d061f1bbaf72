using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
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

    /// <summary>What the maker chose for pots.</summary>
    public List<OrderPot> Pots { get; } = [];

    /// <summary>Put on top of every pot; null for the kitchen's own.</summary>
    public double? Margin { get; set; }

    /// <summary>Its scheme of colours, each as #rrggbb.</summary>
    public List<string> Palette { get; set; } = [];

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
        new(Name, Pickup, Notes, [.. Lines.OrderBy(l => l.Position).Select(l => l.ToDraft())], Pots.ToDictionary(p => p.Pot, p => new PotDraft(p.Vessel, p.Thinner, p.Film)), Margin, Palette);
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

    /// <summary>How much is wanted, in what <see cref="CountedIn"/> says.</summary>
    public double Amount { get; set; }

    public CountedIn CountedIn { get; set; }

    public required string Coating { get; set; }

    public required string Colour { get; set; }

    /// <summary>Share of the centre's length that is covered.</summary>
    public double Depth { get; set; }

    public int Coats { get; set; }

    /// <summary>Whether further coats are dipped over the wet one.</summary>
    public bool AtOnce { get; set; }

    /// <summary>Whether pieces stand while they set; null as usual.</summary>
    public bool? Upright { get; set; }

    /// <summary>Name of the look it was given.</summary>
    public string? Look { get; set; }

    /// <summary>What it gets besides its first coat.</summary>
    public Decor? Decor { get; set; }

    public LineDraft ToDraft() => new(Centre, Size, Amount, CountedIn, Coating, Colour, Depth, Coats, AtOnce, Upright, Look, Decor);
}

/// <summary>What the maker chose for a pot of an order.</summary>
public sealed class OrderPot : IOfKitchen
{
    public Guid OrderId { get; init; }

    public Guid KitchenId { get; init; }

    /// <summary>"coating.colour".</summary>
    public required string Pot { get; init; }

    public string? Vessel { get; set; }

    public string? Thinner { get; set; }

    /// <summary>Film on a test dip that thinner brings it to, in mm.</summary>
    public double? Film { get; set; }
}

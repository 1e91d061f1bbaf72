using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using NodaTime;
using NpgsqlTypes;

namespace Kondiba.Data;

/// <summary>A row that belongs to a kitchen and is reached only from it.</summary>
public interface IOfKitchen
{
    Guid KitchenId { get; }
}

/// <summary>How far an order is.</summary>
public enum OrderState
{
    /// <summary>Somebody asked for it.</summary>
    Asked,

    /// <summary>An offer was made.</summary>
    Quoted,

    /// <summary>It is promised.</summary>
    Agreed,

    /// <summary>It is ready; what it used is out of the pantry.</summary>
    Made,

    /// <summary>The customer has it.</summary>
    HandedOver,

    /// <summary>Nothing comes of it.</summary>
    Cancelled,
}

/// <summary>An order.</summary>
public sealed class Order : IOfKitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public Guid KitchenId { get; init; }

    /// <summary>Counted up in its kitchen.</summary>
    public int Number { get; set; }

    public required string Name { get; set; }

    /// <summary>Who asked.</summary>
    public string Client { get; set; } = "";

    /// <summary>How to reach them.</summary>
    public string Contact { get; set; } = "";

    public Handover Handover { get; set; }

    /// <summary>Where it is collected, or brought to.</summary>
    public string Place { get; set; } = "";

    public OrderState State { get; set; }

    /// <summary>A pattern for further orders: it stands on no shelf.</summary>
    public bool IsTemplate { get; set; }

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

    /// <summary>Allergens that must not be in it.</summary>
    public List<string> Allergies { get; set; } = [];

    public List<PackingDraft> Packing { get; set; } = [];

    /// <summary>Where the maker put pieces in boxes with rows; empty for where the product puts them.</summary>
    public List<IReadOnlyList<int>> Boxes { get; set; } = [];

    /// <summary>How its price is made; null for the kitchen's margin.</summary>
    public PriceDraft? Price { get; set; }

    /// <summary>To be paid ahead; null for the kitchen's share of the price.</summary>
    public decimal? Deposit { get; set; }

    /// <summary>What has been paid, one by one.</summary>
    public List<Payment> Payments { get; set; } = [];

    /// <summary>Where it is made otherwise than the kitchen does, by the school's code.</summary>
    public Dictionary<string, string> Schools { get; set; } = [];

    /// <summary>Pieces in all, for lists.</summary>
    public int Pieces { get; set; }

    /// <summary>What it can be found by besides its own words: names of its centres, colours and looks.</summary>
    public string Words { get; set; } = "";

    /// <summary>Computed by the database over name, client, contact, place, notes and <see cref="Words"/>.</summary>
    public NpgsqlTsVector Search { get; init; } = null!;

    /// <summary>Set with every change, of a line too, so that <see cref="Version"/> moves.</summary>
    public Instant ChangedAt { get; set; }

    /// <summary>When the customer accepted a quote of it; null as long as they did not.</summary>
    public Instant? AcceptedAt { get; set; }

    /// <summary>When it was taken off the shelf; it can be put back.</summary>
    public Instant? RemovedAt { get; set; }

    /// <summary>The key its creation was asked under, so that asking twice makes one order.</summary>
    public Guid? CreationKey { get; init; }

    /// <summary>PostgreSQL's xmin: changes with every write.</summary>
    public uint Version { get; init; }

    /// <summary>What is said about it besides its lines.</summary>
    public OrderContent ToContent() => new()
    {
        Name = Name,
        Pickup = Pickup,
        Notes = Notes,
        Pots = Pots.ToDictionary(p => p.Pot, p => new PotDraft(p.Vessel, p.Thinner, p.Film)),
        Margin = Margin,
        Palette = Palette,
        Client = Client,
        Contact = Contact,
        Handover = Handover,
        Place = Place,
        Allergies = Allergies,
        Packing = Packing,
        Boxes = Boxes.Count > 0 ? Boxes : null,
        Price = Price,
        Deposit = Deposit,
        Payments = Payments,
        Schools = Schools,
    };

    /// <summary>Takes what is said about it, all but the prices: these a helper does not see.</summary>
    public void Take(OrderContent content)
    {
        Name = content.Name!.Trim();
        Pickup = content.Pickup!.Value;
        Notes = content.Notes ?? "";
        Margin = content.Margin;
        Palette = [.. content.Palette ?? []];
        Client = content.Client?.Trim() ?? "";
        Contact = content.Contact?.Trim() ?? "";
        Handover = content.Handover;
        Place = content.Place?.Trim() ?? "";
        Allergies = [.. content.Allergies ?? []];
        Packing = [.. content.Packing ?? []];
        Boxes = [.. content.Boxes ?? []];
        Schools = content.Schools?.ToDictionary() ?? [];
        Pots.RemoveAll(p => !content.Pots.ContainsKey(p.Pot));
        foreach (var (key, pot) in content.Pots)
        {
            var row = Pots.Find(p => p.Pot == key);
            if (row is null)
            {
                row = new() { KitchenId = KitchenId, Pot = key };
                Pots.Add(row);
            }

            (row.Vessel, row.Thinner, row.Film) = (pot.Vessel, pot.Thinner, pot.Film);
        }
    }

    /// <summary>The order as Core computes it.</summary>
    public OrderDraft ToDraft() => new(ToContent(), [.. Lines.OrderBy(l => l.Position).Select(l => l.ToDraft())]);
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

    /// <summary>How its pieces come to be; null for the usual way.</summary>
    public Making? Making { get; set; }

    /// <summary>Takes what is said about it.</summary>
    public void Take(LineDraft line)
    {
        (Centre, Size, Amount, CountedIn) = (line.Centre!, line.Size!, line.Amount, line.CountedIn);
        (Coating, Colour, Depth) = (line.Coating!, line.Colour!, line.Depth);
        (Coats, AtOnce, Upright) = (line.Coats, line.AtOnce, line.Upright);
        (Look, Decor, Making) = (line.Look, line.Decor, line.Making);
    }

    /// <summary>The line as Core has it. It goes by the end of its id, of which the beginning is the time.</summary>
    public LineDraft ToDraft() => new(Centre, Size, Amount, CountedIn, Coating, Colour, Depth, Coats, AtOnce, Upright, Look, Decor, Making)
    {
        Code = Id.ToString("N")[^8..],
    };
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

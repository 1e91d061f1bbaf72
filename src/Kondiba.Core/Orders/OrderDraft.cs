using System.Text.Json.Serialization;
using Kondiba.Core.Decoration;
using NodaTime;

namespace Kondiba.Core.Orders;

/// <summary>How an order reaches its customer.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Handover>))]
public enum Handover
{
    /// <summary>It is collected.</summary>
    [JsonStringEnumMemberName("pickup")]
    Pickup,

    /// <summary>It is brought.</summary>
    [JsonStringEnumMemberName("delivery")]
    Delivery,
}

/// <summary>
/// What is said about an order besides its lines, wherever one is typed, kept, shown or written to a file; nothing about it need be
/// right yet. A field that is added here is in all of them; only the order's row in the database has to be told of it.
/// </summary>
public record OrderContent
{
    /// <summary>Whom or what it is for.</summary>
    public string? Name { get; init; }

    /// <summary>When it is collected, by the kitchen's clock.</summary>
    public LocalDateTime? Pickup { get; init; }

    /// <summary>Anything else.</summary>
    public string? Notes { get; init; }

    /// <summary>What the maker chose for a pot, by its key, "coating.colour"; what is left out the product chooses.</summary>
    public IReadOnlyDictionary<string, PotDraft> Pots { get; init; } = new Dictionary<string, PotDraft>();

    /// <summary>Put on top of every pot, as a share; null for the kitchen's own.</summary>
    public double? Margin { get; init; }

    /// <summary>Its scheme of two to five colours, each as #rrggbb; none when nothing was chosen.</summary>
    public IReadOnlyList<string>? Palette { get; init; }

    /// <summary>Who asked.</summary>
    public string? Client { get; init; }

    /// <summary>How to reach them.</summary>
    public string? Contact { get; init; }

    /// <summary>Whether it is collected or brought.</summary>
    public Handover Handover { get; init; }

    /// <summary>Where.</summary>
    public string? Place { get; init; }

    /// <summary>Names of allergens that must not be in it.</summary>
    public IReadOnlyList<string>? Allergies { get; init; }

    /// <summary>What it is packed in.</summary>
    public IReadOnlyList<PackingDraft>? Packing { get; init; }

    /// <summary>
    /// Where the maker put pieces in boxes with rows: for each box, row by row, the index of the line whose piece lies there, −1 for none;
    /// null for where the product puts them.
    /// </summary>
    public IReadOnlyList<IReadOnlyList<int>>? Boxes { get; init; }

    /// <summary>How its price is made; null for the kitchen's margin.</summary>
    public PriceDraft? Price { get; init; }

    /// <summary>To be paid ahead; null for the kitchen's share of the price.</summary>
    public decimal? Deposit { get; init; }

    /// <summary>What has been paid, one by one.</summary>
    public IReadOnlyList<Payment>? Payments { get; init; }

    /// <summary>Where this order is made otherwise than the kitchen does: the school's choice, by the school's code.</summary>
    public IReadOnlyDictionary<string, string>? Schools { get; init; }
}

/// <summary>An order as it is computed.</summary>
public sealed record OrderDraft : OrderContent
{
    /// <summary>An order of which only the lines are known.</summary>
    [JsonConstructor]
    public OrderDraft(IReadOnlyList<LineDraft> lines) => Lines = lines;

    /// <summary>An order from what is said about it and its lines.</summary>
    public OrderDraft(OrderContent content, IReadOnlyList<LineDraft> lines)
        : base(content) => Lines = lines;

    /// <summary>What is wanted.</summary>
    public IReadOnlyList<LineDraft> Lines { get; init; }
}

/// <summary>What the maker chose for a pot.</summary>
/// <param name="Vessel">Code of the vessel; null for the one that wants least coating.</param>
/// <param name="Thinner">Code of the thinner, or "none"; null for the kitchen's habit.</param>
/// <param name="Film">Film on a test dip that the thinner is to bring it to, in mm; null for the kitchen's own.</param>
public sealed record PotDraft(string? Vessel = null, string? Thinner = null, double? Film = null)
{
    /// <summary>The choice of no thinner.</summary>
    public const string NoThinner = "none";
}

/// <summary>What pieces are counted in.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<CountedIn>))]
public enum CountedIn
{
    /// <summary>One by one.</summary>
    [JsonStringEnumMemberName("pieces")]
    Pieces,

    /// <summary>Twelves.</summary>
    [JsonStringEnumMemberName("dozens")]
    Dozens,

    /// <summary>By weight, in grams: as many as weigh that much.</summary>
    [JsonStringEnumMemberName("weight")]
    Weight,

    /// <summary>By packs as sold, such as sleeves of cookies.</summary>
    [JsonStringEnumMemberName("packs")]
    Packs,
}

/// <summary>A line of an order as typed.</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Amount">How much is wanted.</param>
/// <param name="CountedIn">What the amount is counted in.</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Depth">Dip depth, the share of the centre's length that is covered.</param>
/// <param name="Coats">One coat, or more for a double dip.</param>
/// <param name="AtOnce">Whether further coats are dipped at once, over the wet one, and not after it has set.</param>
/// <param name="Upright">Whether pieces stand while they set; null for the way that centre usually does.</param>
/// <param name="Look">Name of the look it was given; null when it wears none of the library.</param>
/// <param name="Decor">What it gets besides its first coat; null for nothing.</param>
/// <param name="Making">How its pieces come to be; null for the usual way.</param>
public record LineDraft(
    string? Centre,
    string? Size,
    double Amount,
    CountedIn CountedIn,
    string? Coating,
    string? Colour,
    double Depth,
    int Coats,
    bool AtOnce = false,
    bool? Upright = null,
    string? Look = null,
    Decor? Decor = null,
    Making? Making = null)
{
    /// <summary>
    /// By what plans and marks name its work: unique in the order, and the same for as long as the line is there; null in an order that is
    /// not kept.
    /// </summary>
    [JsonIgnore]
    public string? Code { get; init; }
}

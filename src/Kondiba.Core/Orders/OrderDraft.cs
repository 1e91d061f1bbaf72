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

/// <summary>An order as typed; nothing about it need be right yet.</summary>
/// <param name="Name">Whom or what it is for.</param>
/// <param name="Pickup">When it is collected, by the kitchen's clock.</param>
/// <param name="Notes">Anything else.</param>
/// <param name="Lines">What is wanted.</param>
/// <param name="Pots">What the maker chose for a pot, by its key, "coating.colour"; what is left out the product chooses.</param>
/// <param name="Margin">Put on top of every pot, as a share; null for the kitchen's own.</param>
/// <param name="Palette">Its scheme of two to five colours, each as #rrggbb; none when nothing was chosen.</param>
/// <param name="Client">Who asked.</param>
/// <param name="Contact">How to reach them.</param>
/// <param name="Handover">Whether it is collected or brought.</param>
/// <param name="Place">Where.</param>
/// <param name="Allergies">Names of allergens that must not be in it.</param>
/// <param name="Packing">What it is packed in.</param>
/// <param name="Price">How its price is made; null for the kitchen's margin.</param>
/// <param name="Deposit">To be paid ahead; null for the kitchen's share of the price.</param>
/// <param name="Schools">Where this order is made otherwise than the kitchen does: the school's choice, by the school's code.</param>
public sealed record OrderDraft(
    string? Name,
    LocalDateTime? Pickup,
    string? Notes,
    IReadOnlyList<LineDraft> Lines,
    IReadOnlyDictionary<string, PotDraft> Pots,
    double? Margin = null,
    IReadOnlyList<string>? Palette = null,
    string? Client = null,
    string? Contact = null,
    Handover Handover = Handover.Pickup,
    string? Place = null,
    IReadOnlyList<string>? Allergies = null,
    IReadOnlyList<PackingDraft>? Packing = null,
    PriceDraft? Price = null,
    decimal? Deposit = null,
    IReadOnlyDictionary<string, string>? Schools = null);

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
    Making? Making = null);

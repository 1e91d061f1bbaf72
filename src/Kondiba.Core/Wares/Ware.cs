using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Wares;

/// <summary>What a ware is measured in.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<WareUnit>))]
public enum WareUnit
{
    /// <summary>By mass, in grams.</summary>
    [JsonStringEnumMemberName("g")]
    Grams,

    /// <summary>One by one.</summary>
    [JsonStringEnumMemberName("pieces")]
    Pieces,

    /// <summary>Drops of concentrated colour.</summary>
    [JsonStringEnumMemberName("drops")]
    Drops,

    /// <summary>By length, in metres.</summary>
    [JsonStringEnumMemberName("m")]
    Metres,
}

/// <summary>A pack that a ware is bought in.</summary>
/// <param name="Holds">What is in it, in the ware's unit.</param>
/// <param name="Price">Of one.</param>
/// <param name="Coupon">Taken off the price of one; null when there is no coupon.</param>
/// <param name="Coupons">Coupons at hand.</param>
public sealed record Pack(double Holds, Sourced<Money> Price, Money? Coupon = null, int Coupons = 0);

/// <summary>Something that is bought, kept in the pantry and used up.</summary>
/// <param name="Code">Its kind and what it is: "coating.chips.dark", "sprinkle.jimmies", "supply.box-12".</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Unit">What it is measured in.</param>
/// <param name="Section">Where in the shop it stands.</param>
/// <param name="Packs">Packs that it is bought in; none when no price is known.</param>
/// <param name="Low">Below this it is running low; 0 for no mark.</param>
public sealed record Ware(string Code, string Name, WareUnit Unit, string Section, IReadOnlyList<Pack> Packs, double Low = 0)
{
    /// <summary>Code of the ware that a colour of a coating is bought as.</summary>
    public static string OfColour(string coating, string bought) => $"coating.{coating}.{bought}";

    /// <summary>Code of a size of a centre.</summary>
    public static string OfCentre(Centre centre, CentreSize size) => $"centre.{centre.Code}.{size.Code}";
}

/// <summary>A pack as the table of wares writes it: what it holds, or its mass where pieces are sold by weight.</summary>
/// <param name="Price">Of one.</param>
/// <param name="Holds">In the ware's unit; 0 when sold by weight.</param>
/// <param name="Grams">Net mass, in g, when pieces are sold by weight.</param>
public sealed record PackRow(Sourced<Money> Price, double Holds = 0, double Grams = 0);

/// <summary>Something for packing, or a stick.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, several.</param>
/// <param name="Unit">What it is measured in.</param>
/// <param name="Section">Where in the shop it stands.</param>
/// <param name="Rows">Of a box, its rows; 0 for what has none.</param>
/// <param name="Columns">Pieces in a row.</param>
/// <param name="Long">Of a stick, its length; null for what is none.</param>
/// <param name="Packs">How pieces go into it; null for what goes with them only.</param>
/// <param name="Wide">Of a box, from left to right within.</param>
/// <param name="Deep">Of a box, from front to back within.</param>
/// <param name="High">Of a box, within, the lid closed.</param>
public sealed record Supply(
    string Code,
    string Name,
    WareUnit Unit,
    string Section,
    int Rows = 0,
    int Columns = 0,
    Sourced<Length>? Long = null,
    PackKind? Packs = null,
    Sourced<Length>? Wide = null,
    Sourced<Length>? Deep = null,
    Sourced<Length>? High = null);

/// <summary>How pieces go into what they are packed in.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<PackKind>))]
public enum PackKind
{
    /// <summary>Into rows of places, each in its cup.</summary>
    [JsonStringEnumMemberName("grid")]
    Grid,

    /// <summary>Side by side on the bottom of a flat box.</summary>
    [JsonStringEnumMemberName("flat")]
    Flat,

    /// <summary>Into bags.</summary>
    [JsonStringEnumMemberName("bag")]
    Bag,

    /// <summary>On skewers, bound together and wrapped.</summary>
    [JsonStringEnumMemberName("bouquet")]
    Bouquet,
}

/// <summary>Constants of packing and of labels.</summary>
/// <param name="Gap">Between pieces that lie side by side in a flat box.</param>
/// <param name="Group">Skewers that are tied first; groups are then joined.</param>
/// <param name="Stands">Share of a bouquet's round that its pieces take up, seen from above.</param>
/// <param name="Overlap">Of the film round the sticks, more than its round.</param>
/// <param name="Tie">Ribbon for each knot.</param>
/// <param name="PartDensity">Of sugar parts, to estimate their mass.</param>
/// <param name="Drop">Mass of a drop of colour.</param>
public sealed record PackingConstants(
    Sourced<Length> Gap,
    Sourced<Share> Group,
    Sourced<Share> Stands,
    Sourced<Share> Overlap,
    Sourced<Length> Tie,
    Sourced<Density> PartDensity,
    Sourced<Mass> Drop);

/// <summary>The table of wares besides what the other tables name.</summary>
/// <param name="Sections">Where in the shop each kind of ware stands, in the order one walks: by kind.</param>
/// <param name="Supplies">Sticks and packing.</param>
/// <param name="Sticks">Code of the supply on which a centre is put, by the centre's code.</param>
/// <param name="Stick">Code of the supply for any other centre held by a stick.</param>
/// <param name="Packs">Packs, by the ware's code; a centre's stand for all its sizes.</param>
/// <param name="Low">The kitchen's own marks below which a ware runs low, by its code.</param>
public sealed record WareTable(
    IReadOnlyDictionary<string, string> Sections,
    IReadOnlyList<Supply> Supplies,
    IReadOnlyDictionary<string, string> Sticks,
    string Stick,
    IReadOnlyDictionary<string, IReadOnlyList<PackRow>> Packs,
    IReadOnlyDictionary<string, double> Low)
{
    /// <summary>What a line says of its stick when it wants none.</summary>
    public const string NoStick = "none";

    /// <summary>The stick that a centre is put on; null when it wants none.</summary>
    /// <param name="centre">The centre.</param>
    /// <param name="on">What its line says of it; null for the usual one.</param>
    public Supply? StickFor(Centre centre, string? on)
    {
        var code = on switch
        {
            NoStick => null,
            null => Sticks.GetValueOrDefault(centre.Code) ?? (centre.Holding is Holding.Stick ? Stick : null),
            _ => on,
        };
        return Supplies.FirstOrDefault(s => s.Code == code && s.Long is not null);
    }

    /// <summary>Packs that a ware is bought in, by its code or, failing that, another.</summary>
    internal IReadOnlyList<PackRow> Rows(string code, string? orOf = null) =>
        Packs.GetValueOrDefault(code) ?? Packs.GetValueOrDefault(orOf ?? "") ?? [];
}

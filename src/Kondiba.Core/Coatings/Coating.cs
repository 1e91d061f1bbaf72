using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Coatings;

/// <summary>How much film a colour needs to hide what is under it.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Cover>))]
public enum Cover
{
    /// <summary>Dark colours hide soonest.</summary>
    [JsonStringEnumMemberName("deep")]
    Deep,

    /// <summary>Clear, full colours.</summary>
    [JsonStringEnumMemberName("middle")]
    Middle,

    /// <summary>White and pastels.</summary>
    [JsonStringEnumMemberName("pale")]
    Pale,
}

/// <summary>What centres are dipped in.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Kind">"compound", which sets by itself, or "couverture", which wants tempering.</param>
/// <param name="Fat">Fat by mass.</param>
/// <param name="Viscosity">k, by which it is thicker than the suspension law says of its fat.</param>
/// <param name="Yield">τ*, scale of its yield stress.</param>
/// <param name="Family">Code of the family its fat sets by.</param>
/// <param name="Wants">Code of the thinner without which it is too thick to dip; null when it flows by itself.</param>
/// <param name="MeltTo">Temperature it is melted to.</param>
/// <param name="MeltAtMost">Temperature it must never pass: beyond it thickens, dulls and in the end scorches.</param>
/// <param name="DipFrom">Lower end of the dipping window.</param>
/// <param name="DipTo">Upper end of the dipping window.</param>
/// <param name="DrizzleFrom">Lower end of the drizzling window.</param>
/// <param name="DrizzleTo">Upper end of the drizzling window.</param>
/// <param name="Thinners">Codes of the thinners that go with it.</param>
/// <param name="Allergens">By name; null when it is not known. The packet's label decides.</param>
/// <param name="Note">What to know about it.</param>
/// <param name="Temper">Its tempering curve; null when it sets by itself.</param>
/// <param name="Packs">Packs it is sold in.</param>
/// <param name="Colours">Colours it is sold in.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="Label">What it is called on a label, where that is not its name.</param>
public sealed record Coating(
    string Code,
    string Name,
    string Kind,
    Sourced<Share> Fat,
    Sourced<Share> Viscosity,
    Sourced<Stress> Yield,
    string Family,
    string? Wants,
    Sourced<Temperature> MeltTo,
    Sourced<Temperature> MeltAtMost,
    Sourced<Temperature> DipFrom,
    Sourced<Temperature> DipTo,
    Sourced<Temperature> DrizzleFrom,
    Sourced<Temperature> DrizzleTo,
    IReadOnlyList<string> Thinners,
    IReadOnlyList<string>? Allergens,
    string Note,
    TemperCurve? Temper,
    IReadOnlyList<CoatingPack> Packs,
    IReadOnlyList<CoatingColour> Colours,
    IReadOnlyList<string>? MayContain = null,
    string? Label = null)
{
    /// <summary>The middle of the dipping window.</summary>
    public Sourced<Temperature> DipAt => new(new((DipFrom.Value.Si + DipTo.Value.Si) / 2), DipFrom.Source);

    /// <summary>Key of the pot of one of its colours: "coating.colour".</summary>
    public string Pot(CoatingColour colour) => $"{Code}.{colour.Code}";

    /// <summary>The colour of that code, or null.</summary>
    public CoatingColour? Colour(string? code) => Colours.FirstOrDefault(c => c.Code == code);
}

/// <summary>A tempering curve: melt, cool, work; each a window of two temperatures.</summary>
/// <param name="Melt">Melted out.</param>
/// <param name="Cool">Cooled until crystals form.</param>
/// <param name="Work">Warmed to work.</param>
/// <param name="NeverAbove">Above this the temper is lost.</param>
public sealed record TemperCurve(
    IReadOnlyList<Sourced<Temperature>> Melt,
    IReadOnlyList<Sourced<Temperature>> Cool,
    IReadOnlyList<Sourced<Temperature>> Work,
    Sourced<Temperature> NeverAbove);

/// <summary>A pack that a coating is sold in.</summary>
/// <param name="Mass">Net mass.</param>
/// <param name="Price">Price of one.</param>
/// <param name="Coupon">Taken off the price of one; null when there is no coupon.</param>
/// <param name="Coupons">Coupons at hand.</param>
public sealed record CoatingPack(Sourced<Mass> Mass, Sourced<Money> Price, Money? Coupon = null, int Coupons = 0)
{
    /// <summary>As a pack of a ware, in grams.</summary>
    internal Wares.Pack ToPack() => new(Mass.Value.In("g"), Price, Coupon, Coupons);
}

/// <summary>A colour that a coating is sold in.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Srgb">How it looks set, as #rrggbb; an estimate by eye.</param>
/// <param name="Cover">How much film it needs to hide what is under it.</param>
/// <param name="Mixed">How it is mixed; null when it is sold like this.</param>
public sealed record CoatingColour(string Code, string Name, string Srgb, Cover Cover, MixedColour? Mixed = null)
{
    /// <summary>Code of the colour that is bought for it.</summary>
    public string Bought => Mixed?.Base ?? Code;
}

/// <summary>A colour that the maker mixes.</summary>
/// <param name="Base">Code of the coating's colour that drops go into.</param>
/// <param name="Per100">Drops in 100 g, by code of the concentrated colour.</param>
public sealed record MixedColour(string Base, IReadOnlyDictionary<string, int> Per100);

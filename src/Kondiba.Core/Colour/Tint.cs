using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Colour;

/// <summary>What carries a colour.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Carrier>))]
public enum Carrier
{
    /// <summary>Oil: mixes with coating.</summary>
    [JsonStringEnumMemberName("oil")]
    Oil,

    /// <summary>Powder: mixes with coating; a drop is a pinch.</summary>
    [JsonStringEnumMemberName("powder")]
    Powder,

    /// <summary>Water: seizes coating.</summary>
    [JsonStringEnumMemberName("water")]
    Water,
}

/// <summary>A concentrated colour, as known from a swatch: so many drops of it in 100 g of bright white.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Carrier">What carries it.</param>
/// <param name="Swatch">How the swatch looks, as #rrggbb.</param>
/// <param name="Drops">Drops in 100 g of the swatch.</param>
/// <param name="Source">Where the swatch comes from.</param>
public sealed record Tint(string Code, string Name, Carrier Carrier, string Swatch, int Drops, Source Source)
{
    /// <summary>
    /// K/S that a drop in 100 g adds, at each wavelength. The white scatters and the colour only absorbs, so what it adds does
    /// not depend on the base: Kubelka &amp; Munk 1931, single constant.
    /// </summary>
    public double[] PerDrop(string brightWhite) =>
        [.. Spectrum.AbsorptionOf(Swatch).Zip(Spectrum.AbsorptionOf(brightWhite), (with, without) => Math.Max(0, with - without) / Drops)];
}

/// <summary>Constants of mixing.</summary>
/// <param name="BrightWhite">The white that swatches are made with, as #rrggbb.</param>
/// <param name="Most">Most drops of all colours in 100 g.</param>
/// <param name="HeavyFrom">Drops in 100 g from which a dose is very heavy.</param>
/// <param name="Same">ΔE00 below which two colours look the same.</param>
/// <param name="Close">ΔE00 below which one has to look twice.</param>
/// <param name="Off">ΔE00 below which it is the same colour, a shade off.</param>
/// <param name="Reached">ΔE00 below which a target counts as reached.</param>
/// <param name="Seen">ΔE00 from which a drizzle is seen on its coat.</param>
public sealed record ColourConstants(
    string BrightWhite,
    Sourced<Share> Most,
    Sourced<Share> HeavyFrom,
    Sourced<Share> Same,
    Sourced<Share> Close,
    Sourced<Share> Off,
    Sourced<Share> Reached,
    Sourced<Share> Seen)
{
    /// <summary>How far apart two colours are, in words.</summary>
    public Message Words(double deltaE) => deltaE switch
    {
        _ when deltaE < Same.Value.Si => "colour.match-same",
        _ when deltaE < Close.Value.Si => "colour.match-close",
        _ when deltaE < Off.Value.Si => "colour.match-off",
        _ when deltaE < Reached.Value.Si => "colour.match-clearly-off",
        _ => "colour.match-another",
    };

    /// <summary>Whether a drizzle of one colour is seen on a coat of the other.</summary>
    public bool SeenOn(Lab drizzle, Lab coat) => Lab.DeltaE(drizzle, coat) >= Seen.Value.Si;
}

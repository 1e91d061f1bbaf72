using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;

namespace Kondiba.Core.Melting;

/// <summary>
/// Heat in a kilogram of a coating, counted from 0 °C and set: sensible, and the latent heat of its fat spread evenly over its melting
/// range.
/// </summary>
internal sealed class CoatingHeat
{
    private readonly double solid, melted, latent, from, to;

    /// <summary>Of a coating.</summary>
    /// <param name="coating">The coating.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="family">The coating's family, by which it melts.</param>
    public CoatingHeat(Coating coating, MeltConstants c, SettingFamily family)
    {
        (solid, melted) = (c.SolidHeat.Value.Si, c.MeltedHeat.Value.Si);
        latent = c.LatentOfFat.Value.Si * coating.Fat.Value.Si;

        // One that is melted no warmer than the hand is melted out there.
        from = c.SoftensAt.Value.In("°C");
        to = Math.Min(family.Melts.Value.In("°C"), coating.MeltTo.Value.In("°C"));
    }

    /// <summary>From where it melts, in °C.</summary>
    public double SoftensAt => from;

    /// <summary>To where it melts, in °C.</summary>
    public double MeltsAt => to;

    /// <summary>Taken up by a kilogram of it as it melts, in J/kg.</summary>
    public double Latent => latent;

    /// <summary>Heat capacity with so much of it solid, in J/kg·K.</summary>
    public double Capacity(double solidShare) => (solidShare * solid) + ((1 - solidShare) * melted);

    /// <summary>Heat at a temperature in °C, in J/kg.</summary>
    public double Of(double celsius)
    {
        var inRange = Math.Clamp((celsius - from) / (to - from), 0, 1);
        return (solid * Math.Min(celsius, from)) + (inRange * (latent + ((solid + melted) / 2 * (to - from)))) + (melted * Math.Max(
            0, celsius - to));
    }

    /// <summary>Temperature in °C at a heat in J/kg.</summary>
    public double At(double heat)
    {
        var (low, high) = (solid * from, Of(to));
        if (heat <= low)
            return heat / solid;
        return heat < high ? from + ((heat - low) / (high - low) * (to - from)) : to + ((heat - high) / melted);
    }

    /// <summary>Share that is melted at a temperature in °C.</summary>
    public double Melted(double celsius) => Math.Clamp((celsius - from) / (to - from), 0, 1);
}

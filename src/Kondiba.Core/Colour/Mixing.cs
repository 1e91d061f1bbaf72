namespace Kondiba.Core.Colour;

/// <summary>Mixing by Kubelka &amp; Munk 1931: K/S of a mix is the sum of what is in it, each by its share.</summary>
public static class Mixing
{
    /// <summary>How coatings look stirred together.</summary>
    /// <param name="parts">Each as #rrggbb with its mass, in any unit; masses are not negative and not all nothing.</param>
    public static Lab Coatings(params IReadOnlyList<(string Srgb, double Mass)> parts) => Spectrum.Look(Absorption(parts));

    /// <summary>How a coating looks with drops in it.</summary>
    /// <param name="srgb">The coating as #rrggbb.</param>
    /// <param name="drops">Each colour with its drops in 100 g.</param>
    /// <param name="c">Constants of mixing.</param>
    public static Lab Tinted(string srgb, IEnumerable<(Tint Tint, double Per100)> drops, ColourConstants c)
    {
        double[] mix = [.. Spectrum.AbsorptionOf(srgb)];
        foreach (var (tint, per100) in drops)
        {
            var perDrop = tint.PerDrop(c.BrightWhite);
            for (var i = 0; i < mix.Length; i++)
                mix[i] += perDrop[i] * per100;
        }

        return Spectrum.Look(mix);
    }

    private static double[] Absorption(IReadOnlyList<(string Srgb, double Mass)> parts)
    {
        var whole = parts.Sum(p => p.Mass);
        var mix = new double[Spectrum.Samples];
        foreach (var (srgb, mass) in parts)
        {
            var absorption = Spectrum.AbsorptionOf(srgb);
            for (var i = 0; i < mix.Length; i++)
                mix[i] += absorption[i] * mass / whole;
        }

        return mix;
    }
}

using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using static System.Math;

namespace Kondiba.Core.Amounts;

/// <summary>What coating stands in while dipping: straight or flaring, round.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Bottom">Inner diameter at the bottom.</param>
/// <param name="Top">Inner diameter at the rim.</param>
/// <param name="Height">Inner height.</param>
public sealed record Vessel(string Code, string Name, Sourced<Length> Bottom, Sourced<Length> Top, Sourced<Length> Height)
{
    /// <summary>What it holds, level with the rim.</summary>
    public Volume Capacity => UpTo(Height.Value);

    private double R0 => Bottom.Value.Si / 2;

    private double Slope => (Top.Value.Si - Bottom.Value.Si) / 2 / Height.Value.Si;

    /// <summary>Volume up to a level above the bottom.</summary>
    public Volume UpTo(Length level)
    {
        var r = R0 + (Slope * level.Si);
        return new(PI / 3 * level.Si * ((R0 * R0) + (R0 * r) + (r * r)));
    }

    /// <summary>Level that a volume comes to, at most the rim.</summary>
    public Length LevelOf(Volume volume)
    {
        if (volume >= Capacity)
            return Height.Value;
        var level = Abs(Slope) < 1e-9
            ? volume.Si / (PI * R0 * R0)
            : (Cbrt((3 * Slope * volume.Si / PI) + (R0 * R0 * R0)) - R0) / Slope;
        return new(level);
    }
}

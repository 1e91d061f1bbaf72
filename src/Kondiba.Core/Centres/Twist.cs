using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A thin rod bent into a knot that lies flat: a pretzel twist. It goes in flat on a fork.</summary>
/// <param name="Rod">Length of the rod it is bent from.</param>
/// <param name="Diameter">Across the rod.</param>
/// <param name="Across">How wide it lies.</param>
/// <param name="Tall">How far it lies from top to bottom.</param>
public sealed record Twist(Length Rod, Length Diameter, Length Across, Length Tall) : Shape
{
    /// <inheritdoc/>
    public override Length Length => Tall;

    /// <inheritdoc/>
    public override Length Width => Across;

    /// <inheritdoc/>
    public override Length Thickness => Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) => Rod * Diameter * (PI * depth.Si);

    /// <inheritdoc/>
    public override string AreaFormula(Share depth) =>
        $"bent rod π·d·L, d {Mm(Diameter.Si)}, L {Mm(Rod.Si * depth.Si)}";

    /// <inheritdoc/>
    public override Immersion Immerse(Share depth) => depth.Si >= 1
        ? new(Diameter, WholeVolume, Across > Tall ? Across : Tall)
        : base.Immerse(depth) with { Across = Diagonal(Across, Diameter) };

    /// <summary>Half way round the rod.</summary>
    public override Length Run(Share depth) => Diameter * (PI / 2);

    /// <summary>Both flanks of the rod.</summary>
    public override Length FootLine(Share depth) => Rod * (2 * depth.Si);

    /// <inheritdoc/>
    protected override Volume Under(double z) => Diameter.Circle * (Rod * (z / Tall.Si));

    /// <inheritdoc/>
    protected override double HalfWidth(double z) => Across / Tall * Sqrt(Max(0, z * (Tall.Si - z)));
}

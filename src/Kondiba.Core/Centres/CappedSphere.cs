using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A sphere, perhaps less a cap that stays bare: an apple with its stick, a truffle ball.</summary>
/// <param name="Diameter">Of the sphere.</param>
/// <param name="BareCap">Height of the bare cap, as a share of the diameter.</param>
public sealed record CappedSphere(Length Diameter, Share BareCap) : Shape
{
    /// <summary>Share of the diameter on which a ball rests, once its coat is soft under it.</summary>
    private const double Rest = 0.4;

    /// <inheritdoc/>
    public override Length Length => Diameter;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <summary>The round spot it rests on.</summary>
    public override Length FootLine(Share depth) => Diameter * (PI * Rest);

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) => new(PI * Diameter.Si * DipLine(depth).Si);

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.spherical-zone-d-z", ("diameter", Diameter), ("dipLine", DipLine(depth)));

    /// <inheritdoc/>
    public override Length DipLine(Share depth) => Diameter * Min(depth.Si, 1 - BareCap.Si);

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => new(PI * z * z * ((1.5 * Diameter.Si) - z) / 3);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Sqrt(Max(0, z * (Diameter.Si - z)));
}

using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A rod or plug dipped by its end: a pretzel rod, a marshmallow on its stick.</summary>
/// <param name="Height">Length of the rod.</param>
/// <param name="Diameter">Across the rod.</param>
public sealed record Cylinder(Length Height, Length Diameter) : Shape
{
    /// <summary>Radius of the drawn corners, at most, as a share of the height.</summary>
    private const double Rounding = 0.2;

    /// <inheritdoc/>
    public override Length Length => Height;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <summary>Lying down it touches along both flanks of the dipped part, and at its end.</summary>
    public override Length FootLine(Share depth) => (DipLine(depth) * 2) + Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) =>
        new((PI * Diameter.Si * Height.Si * depth.Si) + (Diameter.Circle.Si * Ends(depth)));

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.cylinder-d-z-end", ("ends", Ends(depth)), ("diameter", Diameter), ("height", (Height * depth.Si)));

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => new(Diameter.Circle.Si * z);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) =>
        RoundedBar(z, Height.Si, Diameter.Si / 2, Min(Diameter.Si / 2, Height.Si * Rounding));

    private static int Ends(Share depth) => depth.Si >= 1 ? 2 : 1;
}

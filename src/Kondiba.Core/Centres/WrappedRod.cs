using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A rod with a rope wound round it from the dipped end: a caramel-wrapped pretzel rod.</summary>
/// <param name="Height">Length of the rod.</param>
/// <param name="Diameter">Across the rod.</param>
/// <param name="Rope">Across the rope.</param>
/// <param name="Pitch">From one turn to the next, along the rod.</param>
public sealed record WrappedRod(Length Height, Length Diameter, Length Rope, Length Pitch) : Shape
{
    private readonly Cylinder rod = new(Height, Diameter);

    /// <inheritdoc/>
    public override Length Length => Height;

    /// <inheritdoc/>
    public override Length Width => Diameter + (Rope * 2);

    /// <summary>Length of rope on a share of the rod: turns × √((πD)² + pitch²), D along the rope's middle.</summary>
    public Length RopeOn(Share depth) => new(Height.Si * depth.Si / Pitch.Si * Turn);

    /// <summary>The rope stands clear of the rod but for a strip as wide as half its thickness, which covers as much of the rod.</summary>
    public override Area DippedArea(Share depth) => rod.DippedArea(depth) + (RopeOn(depth) * Rope * (PI - 1));

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.rod-rope-d-l", ("ropeOn", RopeOn(depth)), ("rope", Rope), ("dipLine", DipLine(depth)));

    /// <summary>Lying down it touches along both flanks of the dipped part, and at its end.</summary>
    public override Length FootLine(Share depth) => (DipLine(depth) * 2) + Width;

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => (Diameter.Circle * new Length(z)) + (Rope.Circle * RopeOn(new(z / Height.Si)));

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => RoundedBar(z, Height.Si, Width.Si / 2, Width.Si / 2);

    private double Turn => Sqrt(Pow(PI * (Diameter.Si + Rope.Si), 2) + (Pitch.Si * Pitch.Si));
}

using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>
/// A flat round or oval: a sandwich cookie. Dipped part way it goes in on its edge; dipped whole it lies on a fork.
/// </summary>
/// <param name="Long">Across the face, the way it is dipped.</param>
/// <param name="Short">Across the face, the other way; the same for a round one.</param>
/// <param name="Thick">From face to face.</param>
public sealed record Disc(Length Long, Length Short, Length Thick) : Shape
{
    private const int ArcSteps = 64;

    /// <inheritdoc/>
    public override Length Length => Long;

    /// <inheritdoc/>
    public override Length Width => Short;

    /// <inheritdoc/>
    public override Length Thickness => Thick;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth)
    {
        var z = Long.Si * depth.Si;
        return new((2 * Segment(z)) + (Thick.Si * Arc(z)));
    }

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Long == Short
            ? Message.Of("centres.two-faces-rim-d", ("long", Long), ("thick", Thick), ("long2", (Long * depth.Si)))
            : Message.Of("centres.two-faces-rim-oval", ("long", Long), ("short", Short), ("thick", Thick), ("long2", (Long * depth.Si)));

    /// <inheritdoc/>
    public override Length AcrossUpright => Diagonal(Short, Thick);

    /// <summary>The part of the rim that is dipped.</summary>
    public override Length FootLine(Share depth) => new(Arc(Long.Si * depth.Si));

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => new(Segment(z) * Thick.Si);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Short / Long * Sqrt(Max(0, z * (Long.Si - z)));

    /// <summary>Half the angle, in radians, that the covered part spans on the circle over the long axis.</summary>
    private double Angle(double z) => Acos(Clamp(1 - (2 * z / Long.Si), -1, 1));

    /// <summary>Area of the face up to z: a circle's segment, squeezed.</summary>
    private double Segment(double z)
    {
        var r = Long.Si / 2;
        return Short / Long * ((r * r * Angle(z)) - ((r - z) * Sqrt(Max(0, z * (Long.Si - z)))));
    }

    /// <summary>Length of the rim up to z, by Simpson's rule over the ellipse; exact for a circle.</summary>
    private double Arc(double z)
    {
        var (a, b) = (Long.Si / 2, Short.Si / 2);
        var step = Angle(z) / ArcSteps;
        double Speed(int i) => Sqrt(Pow(a * Sin(i * step), 2) + Pow(b * Cos(i * step), 2));
        var sum = Speed(0) + Speed(ArcSteps);
        for (var i = 1; i < ArcSteps; i++)
            sum += Speed(i) * (i % 2 == 0 ? 2 : 4);
        return 2 * sum * step / 3;
    }
}

using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>How a dipped part sits in the coating.</summary>
/// <param name="Depth">Height of coating that must stand in the vessel.</param>
/// <param name="Displaced">Volume of the part that is under.</param>
public readonly record struct Immersion(Length Depth, Volume Displaced);

/// <summary>A point of a silhouette.</summary>
/// <param name="Along">Distance from the dipped end.</param>
/// <param name="HalfWidth">Distance from the middle line to the edge.</param>
public sealed record ProfilePoint(Length Along, Length HalfWidth);

/// <summary>The solid that stands in for a centre. Dip depth is the share of <see cref="Length"/> covered, from the dipped end.</summary>
public abstract record Shape
{
    private const int ProfileSteps = 48;

    /// <summary>Length along which dip depth is measured.</summary>
    public abstract Length Length { get; }

    /// <summary>Greatest width across the dip direction: what must pass the vessel's mouth.</summary>
    public abstract Length Width { get; }

    /// <summary>Surface that could be coated.</summary>
    public Area WholeArea => DippedArea(new(1));

    /// <summary>Volume of the centre.</summary>
    public Volume WholeVolume => Under(Length.Si);

    /// <summary>Surface covered at a dip depth.</summary>
    public abstract Area DippedArea(Share depth);

    /// <summary>The area formula with its numbers, for the working.</summary>
    public abstract string AreaFormula(Share depth);

    /// <summary>How the dipped part sits in the coating.</summary>
    public virtual Immersion Immerse(Share depth) => new(DipLine(depth), Under(DipLine(depth).Si));

    /// <summary>Distance of the coat's edge from the dipped end; as far as coating runs down when the piece is lifted out.</summary>
    public virtual Length DipLine(Share depth) => Length * depth.Si;

    /// <summary>The silhouette from the dipped end to the other, for drawing.</summary>
    public IReadOnlyList<ProfilePoint> Profile()
    {
        var points = new ProfilePoint[ProfileSteps + 1];
        for (var i = 0; i <= ProfileSteps; i++)
        {
            // Cosine spacing puts more points where the ends are round.
            var z = Length.Si * (1 - Cos(PI * i / ProfileSteps)) / 2;
            points[i] = new(new(z), new(HalfWidth(z)));
        }

        return points;
    }

    /// <summary>Volume between the dipped end and a cut at z metres from it.</summary>
    protected abstract Volume Under(double z);

    /// <summary>Half the silhouette's width at z metres from the dipped end.</summary>
    protected abstract double HalfWidth(double z);

    /// <summary>Millimetres with one decimal, for formulas.</summary>
    private protected static string Mm(double metres) => $"{metres * 1e3:0.0} mm";
}

/// <summary>A paraboloid standing on its tip: a strawberry.</summary>
/// <param name="Height">From tip to shoulder.</param>
/// <param name="Diameter">At the shoulder.</param>
public sealed record Paraboloid(Length Height, Length Diameter) : Shape
{
    /// <summary>Share of the height above which the drawn shoulder rounds off; the area formula keeps to the paraboloid.</summary>
    private const double Shoulder = 0.80;

    /// <inheritdoc/>
    public override Length Length => Height;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth)
    {
        var (h, r) = Cut(depth);
        return h <= 0 ? default : new(PI * r / (6 * h * h) * (Pow((r * r) + (4 * h * h), 1.5) - (r * r * r)));
    }

    /// <inheritdoc/>
    public override string AreaFormula(Share depth)
    {
        var (h, r) = Cut(depth);
        return $"paraboloid π·r/(6h²)·((r²+4h²)^1.5 − r³), h {Mm(h)}, r {Mm(r)}";
    }

    /// <inheritdoc/>
    protected override Volume Under(double z) => new(PI / 2 * Pow(Radius(z), 2) * z);

    /// <inheritdoc/>
    protected override double HalfWidth(double z)
    {
        var over = (z / Height.Si) - Shoulder;
        return over <= 0 ? Radius(z) : Radius(Shoulder * Height.Si) * Sqrt(Max(0, 1 - Pow(over / (1 - Shoulder), 2)));
    }

    private (double Height, double Radius) Cut(Share depth) => (Height.Si * depth.Si, Radius(Height.Si * depth.Si));

    private double Radius(double z) => Diameter.Si / 2 * Sqrt(z / Height.Si);
}

/// <summary>A sphere, perhaps less a cap that stays bare: an apple with its stick, a truffle ball.</summary>
/// <param name="Diameter">Of the sphere.</param>
/// <param name="BareCap">Height of the bare cap, as a share of the diameter.</param>
public sealed record CappedSphere(Length Diameter, Share BareCap) : Shape
{
    /// <inheritdoc/>
    public override Length Length => Diameter;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) => new(PI * Diameter.Si * DipLine(depth).Si);

    /// <inheritdoc/>
    public override string AreaFormula(Share depth) => $"spherical zone π·D·z, D {Mm(Diameter.Si)}, z {Mm(DipLine(depth).Si)}";

    /// <inheritdoc/>
    public override Length DipLine(Share depth) => Diameter * Min(depth.Si, 1 - BareCap.Si);

    /// <inheritdoc/>
    protected override Volume Under(double z) => new(PI * z * z * ((1.5 * Diameter.Si) - z) / 3);

    /// <inheritdoc/>
    protected override double HalfWidth(double z) => Sqrt(Max(0, z * (Diameter.Si - z)));
}

/// <summary>A rod dipped by its end: a pretzel rod.</summary>
/// <param name="Height">Length of the rod.</param>
/// <param name="Diameter">Across the rod.</param>
public sealed record Cylinder(Length Height, Length Diameter) : Shape
{
    /// <inheritdoc/>
    public override Length Length => Height;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) =>
        new((PI * Diameter.Si * Height.Si * depth.Si) + (Diameter.Circle.Si * Ends(depth)));

    /// <inheritdoc/>
    public override string AreaFormula(Share depth) =>
        $"cylinder π·D·z + {Ends(depth)} end × π/4·D², D {Mm(Diameter.Si)}, z {Mm(Height.Si * depth.Si)}";

    /// <inheritdoc/>
    protected override Volume Under(double z) => new(Diameter.Circle.Si * z);

    /// <inheritdoc/>
    protected override double HalfWidth(double z)
    {
        // Drawn with baked, rounded ends half a diameter long.
        var r = Diameter.Si / 2;
        var fromEnd = Min(r, Min(z, Height.Si - z));
        return Sqrt(Max(0, fromEnd * ((2 * r) - fromEnd)));
    }

    private static int Ends(Share depth) => depth.Si >= 1 ? 2 : 1;
}

/// <summary>A short cylinder: a sandwich cookie. Dipped part way it goes in on its edge; dipped whole it lies on a fork.</summary>
/// <param name="Diameter">Across the face.</param>
/// <param name="Thickness">From face to face.</param>
public sealed record Disc(Length Diameter, Length Thickness) : Shape
{
    /// <inheritdoc/>
    public override Length Length => Diameter;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth)
    {
        var z = Diameter.Si * depth.Si;
        return new((2 * Segment(z)) + (Thickness.Si * Diameter.Si * Angle(z)));
    }

    /// <inheritdoc/>
    public override string AreaFormula(Share depth) =>
        $"two faces and the rim, D {Mm(Diameter.Si)}, thick {Mm(Thickness.Si)}, on edge to {Mm(Diameter.Si * depth.Si)}";

    /// <inheritdoc/>
    public override Immersion Immerse(Share depth) =>
        depth.Si >= 1 ? new(Thickness, WholeVolume) : base.Immerse(depth);

    /// <inheritdoc/>
    protected override Volume Under(double z) => new(Segment(z) * Thickness.Si);

    /// <inheritdoc/>
    protected override double HalfWidth(double z) => Sqrt(Max(0, z * (Diameter.Si - z)));

    /// <summary>Half the angle, in radians, that the covered arc spans at the centre; times the diameter it is the arc's length.</summary>
    private double Angle(double z) => Acos(Clamp(1 - (2 * z / Diameter.Si), -1, 1));

    /// <summary>Area of the face's segment up to z.</summary>
    private double Segment(double z)
    {
        var r = Diameter.Si / 2;
        return (r * r * Angle(z)) - ((r - z) * HalfWidth(z));
    }
}

using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>How a dipped part sits in the coating.</summary>
/// <param name="Depth">Height of coating that must stand in the vessel.</param>
/// <param name="Displaced">Volume of the part that is under.</param>
/// <param name="Across">Room that the part takes sideways.</param>
public readonly record struct Immersion(Length Depth, Volume Displaced, Length Across);

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

    /// <summary>Greatest width across the dip direction, as it lies on the sheet.</summary>
    public abstract Length Width { get; }

    /// <summary>Height of the piece lying down: what coating must cover when it is turned in a shallow dish.</summary>
    public virtual Length Thickness => Width;

    /// <summary>Surface that could be coated.</summary>
    public Area WholeArea => DippedArea(new(1));

    /// <summary>Volume of the centre.</summary>
    public Volume WholeVolume => Under(Length.Si);

    /// <summary>Surface covered at a dip depth.</summary>
    public abstract Area DippedArea(Share depth);

    /// <summary>The area formula with its numbers, for the working.</summary>
    public abstract string AreaFormula(Share depth);

    /// <summary>How the dipped part sits in the coating.</summary>
    public virtual Immersion Immerse(Share depth) => new(DipLine(depth), Under(DipLine(depth).Si), Width);

    /// <summary>How the part sits that lies in a tilted dish while the piece is turned: half of it is under at a time.</summary>
    public Immersion Turned(Share depth) => new(Thickness / 2, Under(DipLine(depth).Si) / 2, DipLine(depth));

    /// <summary>Distance of the coat's edge from the dipped end.</summary>
    public virtual Length DipLine(Share depth) => Length * depth.Si;

    /// <summary>Length that coating runs down while the piece drains, tilted on its fork or hanging.</summary>
    public virtual Length Run(Share depth) => DipLine(depth);

    /// <summary>Length of the line along which the coat of a piece laid flat meets the sheet: a foot can spread from it.</summary>
    public abstract Length FootLine(Share depth);

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

    /// <summary>The longest line within a rectangle.</summary>
    private protected static Length Diagonal(Length a, Length b) => new(Sqrt((a.Si * a.Si) + (b.Si * b.Si)));

    /// <summary>Half the silhouette of a bar whose corners are rounded by a radius.</summary>
    private protected static double RoundedBar(double z, double length, double half, double radius)
    {
        var fromEnd = Min(radius, Min(z, length - z));
        return half - radius + Sqrt(Max(0, fromEnd * ((2 * radius) - fromEnd)));
    }

    /// <summary>Millimetres with one decimal, for formulas.</summary>
    private protected static string Mm(double metres) => $"{metres * 1e3:0.0} mm";
}

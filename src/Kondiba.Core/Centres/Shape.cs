using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
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
    private const int Slices = 120;

    /// <summary>Length along which dip depth is measured.</summary>
    public abstract Length Length { get; }

    /// <summary>Greatest width across the dip direction, as it lies on the sheet.</summary>
    public abstract Length Width { get; }

    /// <summary>Height of the piece lying down.</summary>
    public virtual Length Thickness => Width;

    /// <summary>Surface that could be coated.</summary>
    public Area WholeArea => DippedArea(new(1));

    /// <summary>Whether it has loops that drag coating along.</summary>
    public virtual bool Looped => false;

    /// <summary>Volume of the centre.</summary>
    public Volume WholeVolume => Under(Length.Si);

    /// <summary>Surface covered at a dip depth.</summary>
    public abstract Area DippedArea(Share depth);

    /// <summary>The area formula with its numbers, for the working.</summary>
    public abstract Message AreaFormula(Share depth);

    /// <summary>Room that it takes sideways when it goes in end first, or on its edge.</summary>
    public virtual Length AcrossUpright => Width;

    /// <summary>Room that it takes sideways lying on a fork.</summary>
    public virtual Length AcrossLying => Length > Width ? Length : Width;

    /// <summary>How the dipped part sits in the coating when it goes in end first, or on its edge.</summary>
    public Immersion Upright(Share depth) => new(DipLine(depth), Under(DipLine(depth).Si), AcrossUpright);

    /// <summary>How the whole piece sits in the coating lying on a fork.</summary>
    public Immersion Lying() => new(Thickness, WholeVolume, AcrossLying);

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

    /// <summary>
    /// Middle lines of the rod it is bent from, for drawing: x, y, x, y …, x from the middle line, y down from the top; none for a solid
    /// piece.
    /// </summary>
    public IReadOnlyList<IReadOnlyList<Length>> Strands() =>
        [.. Outline(dippedEndUp: false).Spines.Select(s => s.SelectMany(p => (Length[])[new(Round(p.X, 5)), new(Round(p.Y, 5))])
            .ToArray())];

    /// <summary>What is seen of it from above.</summary>
    /// <param name="dippedEndUp">Whether it lies with its dipped end at the top.</param>
    public virtual Outline Outline(bool dippedEndUp)
    {
        // Clockwise on the sheet: from the dipped end up one side and down the other.
        var side = Profile();
        var right = side.Select(p => new Point(p.HalfWidth.Si, dippedEndUp ? p.Along.Si : Length.Si - p.Along.Si)).ToList();
        var left = right.Select(p => p with { X = -p.X }).Reverse();
        Point[] ring = [.. right, .. left];
        return new([dippedEndUp ? ring : [.. ring.Reverse()]]);
    }

    /// <summary>Surface covered by a dip at an angle: 0° goes in end first, 90° sideways.</summary>
    /// <param name="depth">Share of its extent along the way it goes in.</param>
    /// <param name="angle">The angle, in radians.</param>
    public Area DippedArea(Share depth, double angle)
    {
        if (angle == 0)
            return DippedArea(depth);

        // Slice by slice along its length; of each slice the share of the way round, or across a flat piece, that is under.
        var (sin, cos) = (Abs(Sin(angle)), Cos(angle));
        var upTo = DipUpTo(depth, angle);
        var round = Thickness == Width;
        var (area, before) = (0.0, 0.0);
        for (var i = 1; i <= Slices; i++)
        {
            var z = Length.Si * i / Slices;
            var slice = DippedArea(new(z / Length.Si)).Si;
            var middle = z - (Length.Si / Slices / 2);
            var reach = HalfWidth(middle) * sin;
            var under = (upTo - (middle * cos)) / Max(reach, 1e-9);
            area += (slice - before) * ShareUnder(Clamp(under, -1, 1));
            before = slice;
        }

        return new(area);

        double ShareUnder(double height) => round ? 1 - (Acos(height) / PI) : (height + 1) / 2;
    }

    /// <summary>How far a dip at an angle reaches, in metres along the way it goes in, from the middle of the dipped end.</summary>
    /// <param name="depth">Share of its extent along that way.</param>
    /// <param name="angle">The angle, in radians.</param>
    public double DipUpTo(Share depth, double angle)
    {
        var (sin, cos) = (Sin(angle), Cos(angle));
        var (from, to) = (double.MaxValue, double.MinValue);
        foreach (var p in Profile())
        {
            var (along, across) = (p.Along.Si * cos, Abs(p.HalfWidth.Si * sin));
            (from, to) = (Min(from, along - across), Max(to, along + across));
        }

        return angle == 0 ? DipLine(depth).Si : from + (depth.Si * (to - from));
    }

    /// <summary>The face that a cut across its length lays open, at z metres from the dipped end.</summary>
    protected internal virtual Area CutFace(double z) => new(2 * HalfWidth(z) * Thickness.Si * (Thickness == Width ? PI / 4 : 1));

    /// <summary>Volume between the dipped end and a cut at z metres from it.</summary>
    protected internal abstract Volume Under(double z);

    /// <summary>Half the silhouette's width at z metres from the dipped end.</summary>
    protected internal abstract double HalfWidth(double z);

    /// <summary>The longest line within a rectangle.</summary>
    private protected static Length Diagonal(Length a, Length b) => new(Sqrt((a.Si * a.Si) + (b.Si * b.Si)));

    /// <summary>Half the silhouette of a bar whose corners are rounded by a radius.</summary>
    private protected static double RoundedBar(double z, double length, double half, double radius)
    {
        var fromEnd = Min(radius, Min(z, length - z));
        return half - radius + Sqrt(Max(0, fromEnd * ((2 * radius) - fromEnd)));
    }
}

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
    private const int StepsPerCurve = 14;

    /// <summary>The knot in a square of side one: a start and control points of cubic Bézier curves, drawn by eye.</summary>
    private static readonly (double X, double Y)[][] Knot =
    [
        [
            (0.30, 0.62), (0.14, 0.96), (-0.06, 0.84), (0.06, 0.46), (0.16, 0.12), (0.40, -0.04), (0.50, 0.20), (0.60, -0.04), (0.84, 0.12), (0.94, 0.46),
            (1.06, 0.84), (0.86, 0.96), (0.70, 0.62), (0.60, 0.44), (0.44, 0.84), (0.34, 0.98),
        ],
        [(0.30, 0.62), (0.40, 0.44), (0.56, 0.84), (0.66, 0.98)],
    ];

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

    /// <summary>The bent rod itself, as wide as it is thick.</summary>
    public override Outline Outline(bool dippedEndUp)
    {
        var bent = Bent();
        return new([.. bent.Select(line => Swept(line, Diameter.Si / 2))], bent);
    }

    /// <summary>The middle lines of the rod: a heart whose ends cross and lie on it.</summary>
    private Point[][] Bent()
    {
        var (wide, tall, half) = (Across.Si - Diameter.Si, Tall.Si - Diameter.Si, Diameter.Si / 2);
        return [.. Knot.Select(control => Curve(control).Select(p => new Point((p.X - 0.5) * wide, (p.Y * tall) + half)).ToArray())];
    }

    /// <summary>A line of cubic Bézier curves.</summary>
    private static List<Point> Curve((double X, double Y)[] control)
    {
        var points = new List<Point> { new(control[0].X, control[0].Y) };
        for (var c = 0; c + 3 < control.Length; c += 3)
        {
            for (var i = 1; i <= StepsPerCurve; i++)
            {
                var (t, s) = ((double)i / StepsPerCurve, 1 - ((double)i / StepsPerCurve));
                double At(Func<(double X, double Y), double> of) =>
                    (s * s * s * of(control[c])) + (3 * s * s * t * of(control[c + 1])) + (3 * s * t * t * of(control[c + 2])) + (t * t * t * of(control[c + 3]));
                points.Add(new(At(p => p.X), At(p => p.Y)));
            }
        }

        return points;
    }

    /// <summary>The ring round a line at a distance, with half circles at both ends.</summary>
    private static Point[] Swept(Point[] line, double distance)
    {
        const int capSteps = 6;
        var (right, left) = (new List<Point>(), new List<Point>());
        for (var i = 0; i < line.Length; i++)
        {
            var way = line[Min(i + 1, line.Length - 1)] - line[Max(i - 1, 0)];
            var across = new Point(-way.Y, way.X) * (distance / way.Norm);
            right.Add(line[i] + across);
            left.Add(line[i] - across);
        }

        IEnumerable<Point> Cap(Point middle, Point from) => Enumerable.Range(1, capSteps - 1).Select(i => PI * i / capSteps)
            .Select(a => middle + new Point((from.X * Cos(a)) + (from.Y * Sin(a)), (from.Y * Cos(a)) - (from.X * Sin(a))));
        left.Reverse();
        Point[] ring = [.. right, .. Cap(line[^1], right[^1] - line[^1]), .. left, .. Cap(line[0], left[^1] - line[0])];
        return [.. ring.Reverse()];
    }

    /// <inheritdoc/>
    protected override Volume Under(double z) => Diameter.Circle * (Rod * (z / Tall.Si));

    /// <inheritdoc/>
    protected override double HalfWidth(double z) => Across / Tall * Sqrt(Max(0, z * (Tall.Si - z)));
}

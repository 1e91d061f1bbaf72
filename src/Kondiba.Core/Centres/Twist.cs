using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>
/// A thin rod bent into a knot that lies flat: a pretzel twist. It goes in flat on a fork, and its loops drag coating along.
/// </summary>
/// <param name="Rod">Length of the rod it is bent from.</param>
/// <param name="Diameter">Across the rod.</param>
/// <param name="Across">How wide it lies.</param>
/// <param name="Tall">How far it lies from top to bottom.</param>
public sealed record Twist(Length Rod, Length Diameter, Length Across, Length Tall) : Shape
{
    private const int StepsPerCurve = 14;

    /// <summary>
    /// The knot in a square of side one: a start and control points of cubic Bézier curves, drawn by eye. One end lies on the belly, goes
    /// up across the middle, round one lobe, along the belly, round the other lobe and down across the middle again.
    /// </summary>
    private static readonly (double X, double Y)[] Knot =
    [
        (0.31, 0.87), (0.36, 0.74), (0.42, 0.62), (0.50, 0.52), (0.60, 0.40), (0.56, 0.02), (0.77, 0.02), (0.94, 0.02), (1.00, 0.20),
        (1.00, 0.40),
        (1.00, 0.74), (0.78, 0.98), (0.50, 0.98), (0.22, 0.98), (0.00, 0.74), (0.00, 0.40), (0.00, 0.20), (0.06, 0.02), (0.23, 0.02),
        (0.44, 0.02),
        (0.40, 0.40), (0.50, 0.52), (0.58, 0.62), (0.64, 0.74), (0.69, 0.87),
    ];

    /// <inheritdoc/>
    public override Length Length => Tall;

    /// <inheritdoc/>
    public override Length Width => Across;

    /// <inheritdoc/>
    public override Length Thickness => Diameter;

    /// <inheritdoc/>
    public override bool Looped => true;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) => Rod * Diameter * (PI * depth.Si);

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.bent-rod-d-l", ("diameter", Diameter), ("rod", (Rod * depth.Si)));

    /// <inheritdoc/>
    public override Length AcrossUpright => Diagonal(Across, Diameter);

    /// <summary>Half way round the rod.</summary>
    public override Length Run(Share depth) => Diameter * (PI / 2);

    /// <summary>Both flanks of the rod.</summary>
    public override Length FootLine(Share depth) => Rod * (2 * depth.Si);

    /// <summary>The bent rod itself, as wide as it is thick.</summary>
    public override Outline Outline(bool dippedEndUp)
    {
        var bent = Bent();
        return new([Swept(bent, Diameter.Si / 2)], [bent]);
    }

    /// <summary>The middle line of the rod.</summary>
    private Point[] Bent()
    {
        var (wide, tall, half) = (Across.Si - Diameter.Si, Tall.Si - Diameter.Si, Diameter.Si / 2);
        return [.. Curve(Knot).Select(p => new Point((p.X - 0.5) * wide, (p.Y * tall) + half))];
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
                    (s * s * s * of(control[c])) + (3 * s * s * t * of(control[c + 1])) + (3 * s * t * t * of(
                        control[c + 2])) + (t * t * t * of(
                        control[c + 3]));
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

    /// <summary>A cut across goes through two strands.</summary>
    protected internal override Area CutFace(double z) => Diameter.Circle * 2;

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => Diameter.Circle * (Rod * (z / Tall.Si));

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Across / Tall * Sqrt(Max(0, z * (Tall.Si - z)));
}

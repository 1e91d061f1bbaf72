using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>
/// A point of a piece as it lies and is seen from above, in metres: x to the right of its middle line, y down from its top.
/// </summary>
public readonly record struct Point(double X, double Y)
{
    /// <summary>Both together.</summary>
    public static Point operator +(Point a, Point b) => new(a.X + b.X, a.Y + b.Y);

    /// <summary>The way from the right one to the left one.</summary>
    public static Point operator -(Point a, Point b) => new(a.X - b.X, a.Y - b.Y);

    /// <summary>So many times as far.</summary>
    public static Point operator *(Point a, double times) => new(a.X * times, a.Y * times);

    /// <summary>Length of one along the other, times the other's length.</summary>
    public double Dot(Point other) => (X * other.X) + (Y * other.Y);

    /// <summary>Twice the area of the triangle with the other, positive when the other lies clockwise on the sheet.</summary>
    public double Cross(Point other) => (X * other.Y) - (Y * other.X);

    /// <summary>Distance from the origin.</summary>
    public double Norm => Sqrt(Dot(this));

    /// <summary>A point between two.</summary>
    public static Point Between(Point a, Point b, double share) => a + ((b - a) * share);
}

/// <summary>
/// What is seen of a piece from above, or a part of it: closed rings of points. Inside is what they wind round, so that a ring the
/// other way round is a hole, and rings may overlap.
/// </summary>
public sealed class Outline
{
    private const int Strips = 24;

    private readonly IReadOnlyList<Point[]> rings;

    /// <summary>Makes it of its rings.</summary>
    /// <param name="rings">Closed rings, the last point joined to the first.</param>
    /// <param name="spines">Middle lines of the rods it is bent from; none for a solid piece.</param>
    public Outline(IReadOnlyList<Point[]> rings, IReadOnlyList<Point[]>? spines = null)
    {
        (this.rings, Spines) = (rings, spines ?? []);
        var (least, most) = (new Point(double.MaxValue, double.MaxValue), new Point(double.MinValue, double.MinValue));
        foreach (var p in rings.SelectMany(r => r))
        {
            least = new(Min(least.X, p.X), Min(least.Y, p.Y));
            most = new(Max(most.X, p.X), Max(most.Y, p.Y));
        }

        (Least, Most) = rings.Count == 0 ? (default, default) : (least, most);
    }

    /// <summary>Top left of the rectangle that it fills.</summary>
    public Point Least { get; }

    /// <summary>Bottom right of that rectangle.</summary>
    public Point Most { get; }

    /// <summary>Middle of that rectangle.</summary>
    public Point Middle => Point.Between(Least, Most, 0.5);

    /// <summary>Middle lines of the rods it is bent from.</summary>
    public IReadOnlyList<Point[]> Spines { get; }

    /// <summary>Its rings.</summary>
    public IReadOnlyList<IReadOnlyList<Point>> Rings => rings;

    /// <summary>Area within, in square metres; what rings cover twice counts twice.</summary>
    public double Area => Abs(rings.Sum(Signed));

    /// <summary>Whether a point is within.</summary>
    public bool Contains(Point p)
    {
        var winds = 0;
        foreach (var (a, b) in Bands[BandOf(p.Y)])
            if (a.Y <= p.Y ? b.Y > p.Y && (b - a).Cross(p - a) > 0 : b.Y <= p.Y && (b - a).Cross(p - a) < 0)
                winds += a.Y <= p.Y ? 1 : -1;
        return winds != 0;
    }

    /// <summary>The parts of a line that are within.</summary>
    public List<List<Point>> Clip(IReadOnlyList<Point> line)
    {
        var parts = new List<List<Point>>();
        if (line.Count == 1 && Contains(line[0]))
            parts.Add([line[0]]);
        var marks = new List<double>();
        var (within, met) = (false, true);
        List<Point>? open = null;
        for (var i = 1; i < line.Count; i++)
        {
            var (a, b) = (line[i - 1], line[i]);
            var before = met;
            met = Marks(a, b, marks);
            for (var m = 1; m < marks.Count; m++)
            {
                var (from, to) = (marks[m - 1], marks[m]);
                if (to - from < 1e-9)
                    continue;

                // Only where an edge was met, here or at the end of the stretch before, can it have changed.
                if (met || before)
                    within = Contains(Point.Between(a, b, (from + to) / 2));
                if (!within)
                {
                    open = null;
                    continue;
                }

                if (open is null)
                {
                    open = [Point.Between(a, b, from)];
                    parts.Add(open);
                }

                open.Add(Point.Between(a, b, to));
            }
        }

        return parts;
    }

    /// <summary>
    /// The first and the last place where a line through a point, both ways, meets the edge, counted from the point; null when it misses.
    /// </summary>
    /// <param name="through">The point.</param>
    /// <param name="along">Which way the line runs; of length one.</param>
    public (double From, double To)? Chord(Point through, Point along)
    {
        var (least, most) = (double.MaxValue, double.MinValue);
        foreach (var at in Crossings(through, along))
            (least, most) = (Min(least, at), Max(most, at));
        return least < most ? (least, most) : null;
    }

    /// <summary>Where a ray from a point leaves it for the last time, and, when the point is not within, where it comes in.</summary>
    /// <param name="from">The point.</param>
    /// <param name="angle">Which way, in radians clockwise from the right.</param>
    public (double In, double Out) Reach(Point from, double angle) => Reach(from, angle, Contains(from));

    /// <summary>The same for several angles.</summary>
    public IEnumerable<(double In, double Out)> Reaches(Point from, IEnumerable<double> angles)
    {
        var within = Contains(from);
        return angles.Select(angle => Reach(from, angle, within));
    }

    /// <summary>How far it reaches along a direction of length one.</summary>
    public (double From, double To) Span(Point along)
    {
        var (from, to) = (double.MaxValue, double.MinValue);
        foreach (var p in rings.SelectMany(r => r))
            (from, to) = (Min(from, p.Dot(along)), Max(to, p.Dot(along)));
        return (from, to);
    }

    /// <summary>The part on one side of a straight line: all points whose reach along a direction is not more than a limit.</summary>
    public Outline Cut(Point along, double upTo)
    {
        var cut = new List<Point[]>();
        foreach (var ring in rings)
        {
            var kept = new List<Point>();
            var a = ring[^1];
            foreach (var b in ring)
            {
                var (da, db) = (a.Dot(along) - upTo, b.Dot(along) - upTo);
                if ((da <= 0) != (db <= 0))
                    kept.Add(Point.Between(a, b, da / (da - db)));
                if (db <= 0)
                    kept.Add(b);
                a = b;
            }

            if (kept.Count > 2)
                cut.Add([.. kept]);
        }

        return new(cut, [.. Spines.SelectMany(s => SpineWithin(s, along, upTo))]);
    }

    /// <summary>Its rings drawn in by a margin, each towards its own middle; holes grow.</summary>
    public IEnumerable<Point[]> Inset(double margin)
    {
        foreach (var ring in rings)
        {
            var own = new Outline([ring]);
            var (middle, half) = (own.Middle, (own.Most - own.Least) * 0.5);
            var by = Signed(ring) >= 0 ? margin : -margin;
            var (sx, sy) = (1 - (by / half.X), 1 - (by / half.Y));
            if (sx > 0 && sy > 0)
                yield return [.. ring.Select(p => new Point(middle.X + ((p.X - middle.X) * sx), middle.Y + ((p.Y - middle.Y) * sy)))];
        }
    }

    private (double In, double Out) Reach(Point from, double angle, bool within)
    {
        var (near, far) = (double.MaxValue, 0.0);
        foreach (var at in Crossings(from, new(Cos(angle), Sin(angle))))
            if (at > 0)
                (near, far) = (Min(near, at), Max(far, at));
        return (within || far == 0 ? 0 : near, far);
    }

    private static double Signed(Point[] ring)
    {
        var twice = 0.0;
        for (var i = 0; i < ring.Length; i++)
            twice += ring[i].Cross(ring[(i + 1) % ring.Length]);
        return twice / 2;
    }

    private static IEnumerable<Point[]> SpineWithin(Point[] spine, Point along, double upTo)
    {
        var kept = new List<Point>();
        foreach (var p in spine)
        {
            if (p.Dot(along) <= upTo)
            {
                kept.Add(p);
            }
            else if (kept.Count > 0)
            {
                yield return [.. kept];
                kept = [];
            }
        }

        if (kept.Count > 1)
            yield return [.. kept];
    }

    /// <summary>Edges by the strips across it that they reach into, so that what is asked about a place looks at few of them.</summary>
    private List<(Point A, Point B)>[] Bands => field ??= Banded();

    // Whole before anybody sees them: shapes, and so outlines, are shared by all that computes at the same time.
    private List<(Point A, Point B)>[] Banded()
    {
        List<(Point A, Point B)>[] bands = [.. Enumerable.Range(0, Strips).Select(_ => new List<(Point, Point)>())];
        foreach (var ring in rings)
        {
            var a = ring[^1];
            foreach (var b in ring)
            {
                for (var band = BandOf(Min(a.Y, b.Y)); band <= BandOf(Max(a.Y, b.Y)); band++)
                    bands[band].Add((a, b));
                a = b;
            }
        }

        return bands;
    }

    private int BandOf(double y) => Clamp((int)((y - Least.Y) / Max(1e-9, Most.Y - Least.Y) * Strips), 0, Strips - 1);

    private List<double> Crossings(Point from, Point way)
    {
        var crossings = new List<double>(4);
        foreach (var ring in rings)
        {
            var a = ring[^1] - from;
            var ca = way.Cross(a);
            foreach (var p in ring)
            {
                var b = p - from;
                var cb = way.Cross(b);
                if ((ca <= 0) != (cb <= 0))
                    crossings.Add(Point.Between(a, b, ca / (ca - cb)).Dot(way));
                (a, ca) = (b, cb);
            }
        }

        return crossings;
    }

    /// <summary>
    /// Shares of a stretch at which it crosses an edge, with both its ends, in order; whether it meets one at all, at an end too.
    /// </summary>
    private bool Marks(Point from, Point to, List<double> marks)
    {
        marks.Clear();
        marks.Add(0);
        marks.Add(1);
        var met = false;
        var (way, last) = (to - from, BandOf(Max(from.Y, to.Y)));
        for (var band = BandOf(Min(from.Y, to.Y)); band <= last; band++)
        {
            foreach (var (start, end) in Bands[band])
            {
                var (a, b) = (start - from, end - from);
                var (ca, cb) = (way.Cross(a), way.Cross(b));
                if ((ca <= 0) == (cb <= 0))
                    continue;
                var at = Point.Between(a, b, ca / (ca - cb)).Dot(way) / way.Dot(way);
                met |= at is > -1e-6 and < 1 + 1e-6;
                if (at is > 0 and < 1)
                    marks.Add(at);
            }
        }

        if (marks.Count > 2)
            marks.Sort();
        return met;
    }
}

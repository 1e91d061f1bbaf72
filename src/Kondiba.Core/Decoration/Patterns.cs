using Kondiba.Core.Centres;
using static System.Math;

namespace Kondiba.Core.Decoration;

/// <summary>What a pattern comes to on one piece, in metres.</summary>
/// <param name="Lines">What is seen of it, each line a row of points; a single point is a dot.</param>
/// <param name="Length">Of the bead laid, seen or not, before a pick drags it.</param>
/// <param name="Starts">How often the hand starts anew, with a bag or a pick.</param>
/// <param name="Landed">Share of the lines that lands on the piece.</param>
internal sealed record Drawn(IReadOnlyList<IReadOnlyList<Point>> Lines, double Length, int Starts, double Landed = 1)
{
    /// <summary>Single dots among the lines.</summary>
    public int Dots => Lines.Count(l => l.Count == 1);
}

/// <summary>
/// Draws patterns on the coat. Drizzle falls from above, so a line is as long as it is seen from above; stripes by turning run all
/// round the piece.
/// </summary>
internal static class Patterns
{
    private const int Around = 120;
    private const int Spokes = 8;
    private const double Stacked = 2;

    /// <summary>Draws one.</summary>
    /// <param name="pattern">The pattern, checked.</param>
    /// <param name="coat">The coat that is seen.</param>
    /// <param name="shape">The solid under it.</param>
    public static Drawn Draw(PatternDraft pattern, Outline coat, Shape shape)
    {
        var sheet = new Sheet(pattern, coat);
        return pattern.Kind switch
        {
            "zigzag" => Plain(coat, [Zigzag(sheet)]),
            "lines" => Plain(coat, Straight(sheet)),
            "criss-cross" => Plain(
                coat,
                [.. Straight(sheet with { Turn = sheet.Turn + (PI / 4) }), .. Straight(sheet with { Turn = sheet.Turn - (PI / 4) })]),
            "spiral" => Plain(coat, [Spiral(sheet)]),
            "rings" => Plain(coat, [.. RingShares(sheet).Select(share => Ring(sheet, share, 0))]),
            "dots" => Plain(coat, Dots(sheet)),
            "web" => Web(sheet),
            "marble" => Marble(sheet),
            "stripes" => Stripes(sheet, shape),
            "face" => Plain(coat, Face(sheet)),
            "letters" => Plain(
                coat, Fitted(sheet, Letters.Write(pattern.Text!, coat.Most.Y - coat.Least.Y > (coat.Most.X - coat.Least.X) * Stacked))),
            _ => Plain(coat, Edge(sheet)),
        };
    }

    private static Drawn Plain(Outline coat, List<Point[]> lines)
    {
        var seen = lines.SelectMany(coat.Clip).ToList();
        var (length, wanted) = (seen.Sum(LengthOf), lines.Sum(LengthOf));
        return new(seen, length, lines.Count, wanted > 0 ? length / wanted : 1);
    }

    private static double LengthOf(IReadOnlyList<Point> line)
    {
        var length = 0.0;
        for (var i = 1; i < line.Count; i++)
            length += (line[i] - line[i - 1]).Norm;
        return length;
    }

    /// <summary>One line that turns at the edges.</summary>
    private static Point[] Zigzag(Sheet s)
    {
        var turns = new List<Point>();
        foreach (var (i, v) in s.Levels(s.Pattern.Lines + 1, 0).Index())
        {
            if (s.Coat.Chord(s.At(0, v), s.Along) is not { } chord)
                continue;
            var inset = Min(s.Half / 2, (chord.To - chord.From) / 2);
            turns.Add(s.At(i % 2 == 0 ? chord.From + inset : chord.To - inset, v));
        }

        return [.. turns];
    }

    private static List<Point[]> Straight(Sheet s)
    {
        var lines = new List<Point[]>();
        foreach (var v in s.Levels(s.Pattern.Lines, 0.5))
            if (s.Coat.Chord(s.At(0, v), s.Along) is { } chord)
                lines.Add([s.At(chord.From, v), s.At(chord.To, v)]);
        return lines;
    }

    /// <summary>From the middle outward, as the outline goes, so that it fills an oval or a berry as well as a round.</summary>
    private static Point[] Spiral(Sheet s)
    {
        var reaches = s.Reaches();
        var steps = s.Pattern.Lines * Around;
        var pitch = s.Pattern.Spacing is { } mm ? mm / 1e3 / reaches.Max(r => r.Out) : 1.0 / s.Pattern.Lines;
        return
        [
            .. Enumerable.Range(0, steps + 1).Select(i => (Turn: i, Share: (double)i / Around * pitch)).TakeWhile(p => p.Share <= 1 + 1e-9)
                .Select(p => s.Polar(reaches, p.Turn + (int)(s.Pattern.Phase * Around), p.Share)),
        ];
    }

    private static IEnumerable<double> RingShares(Sheet s)
    {
        var reach = s.Reaches().Max(r => r.Out);
        for (var i = 0; i < s.Pattern.Lines; i++)
        {
            var share = s.Pattern.Spacing is { } mm
                ? (i + 1 - s.Pattern.Phase) * mm / 1e3 / reach
                : (i + 1 - (s.Pattern.Phase * 0.9)) / s.Pattern.Lines;
            if (share is > 0 and <= 1 + 1e-9)
                yield return share;
        }
    }

    /// <summary>A ring at a share of the way out, pulled outward at the spokes by a share of itself.</summary>
    private static Point[] Ring(Sheet s, double share, double pull)
    {
        var reaches = s.Reaches();
        return [.. Enumerable.Range(0, Around + 1).Select(i => s.Polar(reaches, i, share * (1 - pull + (pull * Spike(i)))))];
    }

    /// <summary>1 at a spoke, falling off to both sides as a pick drags it.</summary>
    private static double Spike(int i) => Pow(1 - Abs(Sin(PI * Spokes * i / Around)), 2);

    private static Drawn Web(Sheet s)
    {
        var shares = RingShares(s).ToList();
        var laid = shares.SelectMany(share => s.Coat.Clip(Ring(s, share, 0))).Sum(LengthOf);
        var pulled = shares.SelectMany(share => s.Coat.Clip(Ring(s, share, 0.22)));
        return new([.. pulled], laid, shares.Count + Spokes);
    }

    private static Drawn Marble(Sheet s)
    {
        var lines = Straight(s);
        var laid = lines.SelectMany(s.Coat.Clip).Sum(LengthOf);
        var (from, to) = s.Coat.Span(s.Along);
        var apart = Max(s.Step * 1.7, s.Half * 6);
        var pulls = Max(1, (int)Round((to - from) / apart));
        var fine = (to - from) / (pulls * 12);
        double Pull(double u)
        {
            // What pulls further off drag is too little to be seen.
            var (sum, near) = (0.0, (int)((u - from) / (to - from) * pulls));
            for (var k = Max(0, near - 1); k <= Min(pulls - 1, near + 1); k++)
                sum += (k % 2 == 0 ? 1 : -1) * Exp(-Abs(u - from - ((k + 0.5) * (to - from) / pulls)) / (apart * 0.22));
            return sum * s.Step * 0.75;
        }

        var dragged = lines.ConvertAll(line =>
        {
            var length = (line[1] - line[0]).Norm;
            var steps = Max(2, (int)(length / fine));
            return Enumerable.Range(0, steps + 1).Select(i => Point.Between(line[0], line[1], (double)i / steps))
                .Select(p => p + (s.Across * Pull(p.Dot(s.Along)))).ToArray();
        });
        return new([.. dragged.SelectMany(s.Coat.Clip)], laid, lines.Count + pulls);
    }

    /// <summary>A helix, of which the front half is seen; each turn runs once round the piece.</summary>
    private static Drawn Stripes(Sheet s, Shape shape)
    {
        const int steps = 16;
        var (seen, length) = (new List<Point[]>(), 0.0);
        var round = shape.Thickness == shape.Width;
        foreach (var v in s.Levels(s.Pattern.Lines, 0.25))
        {
            if (s.Coat.Chord(s.At(0, v), s.Along) is not { } chord)
                continue;
            var (middle, half) = ((chord.From + chord.To) / 2, (chord.To - chord.From) / 2);
            seen.Add([
                .. Enumerable.Range(0, steps + 1)
                    .Select(i => s.At(middle - (half * Cos(PI * i / steps)), v + (s.Step / 2 * ((double)i / steps)))),
            ]);
            var girth = round ? 2 * PI * half : 2 * ((2 * half) + shape.Thickness.Si);
            length += Sqrt((girth * girth) + (s.Step * s.Step));
        }

        return new([.. seen.SelectMany(s.Coat.Clip)], length, 1);
    }

    private static List<Point[]> Dots(Sheet s)
    {
        var dots = new List<Point[]>();
        foreach (var (row, v) in s.Levels(s.Pattern.Lines, 0.5).Index())
        {
            if (s.Coat.Chord(s.At(0, v), s.Along) is not { } chord)
                continue;
            var (middle, room) = ((chord.From + chord.To) / 2, ((chord.To - chord.From) / 2) - s.Half);

            // Every other row stands between the dots of its neighbours, where there is room for two.
            var between = row % 2 == 1 && room >= s.Step / 2;
            var most = Max(0, (int)((room / s.Step) - (between ? 0.5 : 0) + 1e-6));
            for (var k = between ? -most - 1 : -most; k <= most; k++)
                dots.Add([s.At(middle + ((k + (between ? 0.5 : 0)) * s.Step), v)]);
        }

        return dots;
    }

    private static List<Point[]> Face(Sheet s)
    {
        var asleep = s.Pattern.Lines == 2;
        Point[] Arc(double x, double y, double wide, double tall, double from, double to) =>
        [
            .. Enumerable.Range(0, 17)
                .Select(i => from + ((to - from) * i / 16))
                .Select(a => new Point(x + (wide * Cos(a)), y + (tall * Sin(a)))),
        ];
        Point[] Eye(double x) => asleep ? Arc(x, -0.32, 0.2, 0.16, 0.15 * PI, 0.85 * PI) : Arc(x, -0.3, 0.06, 0.09, 0, 2 * PI);
        var mouth = s.Pattern.Lines switch
        {
            1 => Arc(0, 0.02, 0.5, 0.48, 0.12 * PI, 0.88 * PI),
            2 => Arc(0, 0.2, 0.22, 0.16, 0.1 * PI, 0.9 * PI),
            _ => Arc(0, 0.36, 0.17, 0.22, 0, 2 * PI),
        };
        return Fitted(s, [Eye(-0.38), Eye(0.38), mouth]);
    }

    /// <summary>Lines round the origin, made as large as the coat takes.</summary>
    private static List<Point[]> Fitted(Sheet s, List<Point[]> lines)
    {
        // Straight from the middle each point may go as far as the edge there, less a bead and a little air.
        const double air = 0.8;
        var scale = double.MaxValue;
        foreach (var p in lines.SelectMany(l => l))
        {
            var turned = s.Turned(p);
            var reach = s.Coat.Reach(s.Middle, Atan2(turned.Y, turned.X)).Out - s.Half;
            if (p.Norm > 1e-9)
                scale = Min(scale, Max(0, reach) / p.Norm);
        }

        return lines.ConvertAll(l => l.Select(p => s.Middle + (s.Turned(p) * (scale * air))).ToArray());
    }

    private static List<Point[]> Edge(Sheet s) => s.Coat.Spines.Count > 0
        ? [.. s.Coat.Spines]
        : [.. Enumerable.Range(0, s.Pattern.Lines)
            .SelectMany(i => s.Coat.Inset((s.Half * 1.4) + (i * s.Gap)))
            .Select(ring => (Point[])[.. ring, ring[0]])];

    /// <summary>A coat with the pattern's own directions on it: u along its lines, v across them.</summary>
    private sealed record Sheet
    {
        private (double In, double Out)[]? reaches;

        public Sheet(PatternDraft pattern, Outline coat)
        {
            (Pattern, Coat, Middle, Half) = (pattern, coat, coat.Middle, pattern.Bead / 2e3);
            Turn = pattern.Angle * PI / 180;
        }

        public PatternDraft Pattern { get; }

        public Outline Coat { get; }

        public Point Middle { get; }

        /// <summary>Half the bead.</summary>
        public double Half { get; }

        /// <summary>From border to border.</summary>
        public double Gap => Pattern.Spacing is { } mm ? mm / 1e3 : Half * 4;

        public double Turn { get; init; }

        public Point Along => new(Cos(Turn), Sin(Turn));

        public Point Across => new(-Sin(Turn), Cos(Turn));

        /// <summary>From line to line.</summary>
        public double Step
        {
            get
            {
                var (from, to) = Coat.Span(Across);
                return Pattern.Spacing is { } mm ? mm / 1e3 : (to - from - (2 * Half)) / Max(1, Pattern.Lines);
            }
        }

        public Point At(double u, double v) => Middle + (Along * u) + (Across * v);

        public Point Turned(Point p) => new((p.X * Along.X) - (p.Y * Along.Y), (p.X * Along.Y) + (p.Y * Along.X));

        /// <summary>Where lines run, counted from the middle: evenly over the coat, or at their spacing round its middle.</summary>
        /// <param name="count">How many.</param>
        /// <param name="first">Where the first one is, in steps from the edge.</param>
        public IEnumerable<double> Levels(int count, double first)
        {
            var (from, to) = Coat.Span(Across);
            (from, to) = (from - Middle.Dot(Across) + Half, to - Middle.Dot(Across) - Half);
            var step = Step;
            var start = Pattern.Spacing is null ? from + (first * step) : ((from + to) / 2) - ((count - 1) / 2.0 * step);
            for (var i = 0; i < count; i++)
            {
                var v = start + (i * step) + (Pattern.Phase * step);

                // A line shifted off one end comes in at the other.
                if (Pattern.Spacing is null && first > 0 && v > to)
                    v -= count * step;
                if (v >= from - 1e-9 && v <= to + 1e-9)
                    yield return v;
            }
        }

        /// <summary>How far the coat goes, each way from its middle, a bead's half kept free.</summary>
        public (double In, double Out)[] Reaches() => reaches ??=
        [
            .. Inward([.. Coat.Reaches(Middle, Enumerable.Range(0, Around).Select(i => Turn + (2 * PI * i / Around)))]),
        ];

        /// <summary>Round a hole lines keep to its narrowest side; half a bead is kept free at both edges.</summary>
        private IEnumerable<(double In, double Out)> Inward(List<(double In, double Out)> edges)
        {
            var hole = edges.Min(e => e.In);
            return edges.Select(e => (hole > 0 ? hole + Half : 0, Max(0, e.Out - Half)));
        }

        public Point Polar((double In, double Out)[] reaches, int turn, double share)
        {
            var (near, far) = reaches[turn % Around];
            var (angle, reach) = (Turn + (2 * PI * turn / Around), near + (share * (far - near)));
            return Middle + (new Point(Cos(angle), Sin(angle)) * reach);
        }
    }
}

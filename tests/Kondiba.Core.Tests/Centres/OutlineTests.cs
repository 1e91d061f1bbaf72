using CsCheck;
using Kondiba.Core.Centres;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>
/// Outlines of pieces: geometry against the analytic values of circles and rectangles, and against looking point by point.
/// </summary>
public class OutlineTests
{
    private const double Fine = 1e-9;

    private static readonly (string Name, Outline Outline)[] Pieces =
    [
        .. Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => ($"{c.Code} {s.Code}", s.Shape.Outline(c.DippedEndUp)))),
    ];

    private static Outline Square(double side) => new([[new(0, 0), new(side, 0), new(side, side), new(0, side)]]);

    private static Outline Of(string centre, string size) => Pieces.Single(p => p.Name == $"{centre} {size}").Outline;

    // Not on an edge to the last digit, where within and without are one.
    private static readonly Gen<double> Place = Gen.Double[-0.2, 1.2].Select(share => (share * 0.98731) + 0.00317);

    private static readonly Gen<(Outline Outline, Point A, Point B)> Stretch =
        from piece in Gen.OneOfConst(Pieces)
        from ax in Place
        from ay in Place
        from bx in Place
        from bv in Place
        let room = piece.Outline.Most - piece.Outline.Least
        select (
            piece.Outline,
            piece.Outline.Least + new Point(room.X * ax, room.Y * ay),
            piece.Outline.Least + new Point(room.X * bx, room.Y * bv));

    [Fact]
    public void A_square_holds_what_is_within_and_nothing_beside()
    {
        var square = Square(2);
        Assert.True(square.Contains(new(1, 1)));
        Assert.True(square.Contains(new(0.001, 1.999)));
        Assert.False(square.Contains(new(2.001, 1)));
        Assert.False(square.Contains(new(1, -0.001)));
        Assert.False(square.Contains(new(-5, 1)));
        Assert.Equal(4, square.Area, Fine);
        Assert.Equal(new Point(1, 1), square.Middle);
    }

    [Fact]
    public void A_ring_wound_the_other_way_is_a_hole()
    {
        var ring = Of("fruit-ring", "one");
        Assert.False(ring.Contains(ring.Middle));
        Assert.True(ring.Contains(ring.Middle + new Point(0.0285, 0)));

        // 85 mm outside, 30 mm inside: π/4·(85² − 30²).
        Assert.Equal(Math.PI / 4 * (85 * 85 - 30 * 30) * 1e-6, ring.Area, ring.Area * 0.003);
    }

    [Theory]
    [InlineData("sandwich-cookie", "thin", 45)]
    [InlineData("truffle-ball", "one", 30)]
    [InlineData("cake-ball", "one", 34)]
    public void A_round_piece_has_the_area_of_its_circle(string centre, string size, double diameter)
    {
        var outline = Of(centre, size);
        Assert.Equal(Math.PI / 4 * diameter * diameter * 1e-6, outline.Area, outline.Area * 0.002);
        Assert.Equal(diameter * 1e-3, outline.Most.X - outline.Least.X, 1e-5);
    }

    [Fact]
    public void A_twist_is_a_rod_bent_with_open_lobes()
    {
        var twist = Of("pretzel-twist", "full");
        Assert.Single(twist.Spines);
        Assert.All(twist.Spines[0], p => Assert.True(twist.Contains(p)));

        // A lobe to each side of the crossing is open, and so is the corner below each.
        var (left, top, wide, tall) = (twist.Least.X, twist.Least.Y, twist.Most.X - twist.Least.X, twist.Most.Y - twist.Least.Y);
        Assert.False(twist.Contains(new(left + (wide * 0.25), top + (tall * 0.4))));
        Assert.False(twist.Contains(new(left + (wide * 0.75), top + (tall * 0.4))));
        Assert.False(twist.Contains(new(left + (wide * 0.02), top + (tall * 0.97))));
        Assert.True(twist.Contains(twist.Middle));
    }

    [Fact]
    public void Pieces_are_alike_left_and_right()
    {
        foreach (var (name, outline) in Pieces.Where(p => p.Outline.Spines.Count == 0))
            Assert.True(Math.Abs(outline.Least.X + outline.Most.X) < 1e-6, name);
    }

    [Fact]
    public void What_is_clipped_is_what_lies_within()
    {
        // Looked at in a thousand places, a stretch is in its parts where it is in the outline.
        Stretch.Sample(
            s =>
            {
                var parts = s.Outline.Clip([s.A, s.B]);
                var within = Enumerable.Range(0, 1000).Count(i => s.Outline.Contains(Point.Between(s.A, s.B, (i + 0.5) / 1000))) / 1000.0;
                var clipped = parts.Sum(p => (p[^1] - p[0]).Norm) / Math.Max(Fine, (s.B - s.A).Norm);
                Assert.True(
                    Math.Abs(within - clipped) < 0.008,
                    $"{Pieces.Single(p => p.Outline == s.Outline).Name} {s.A} {s.B}: {within} of it is within, {clipped} clipped; " + string.Join(
                        ",", parts.Select(p => string.Join(" ", p))));
            },
            iter: 400);
    }

    [Fact]
    public void A_line_clipped_in_one_go_is_as_long_as_its_stretches_clipped_alone()
    {
        Stretch.Array[2, 6].Sample(
            stretches =>
            {
                var outline = stretches[0].Outline;
                Point[] line = [.. stretches.Select(s => s.A)];
                double Length(IEnumerable<List<Point>> parts) => parts.Sum(p => p.Zip(p.Skip(1), (a, b) => (b - a).Norm).Sum());
                Assert.Equal(line.Zip(line.Skip(1), (a, b) => Length(outline.Clip([a, b]))).Sum(), Length(outline.Clip(line)), 1e-9);
            },
            iter: 300);
    }

    /// <summary>Shapes are shared by all requests: whoever asks an outline first, everybody else sees it whole.</summary>
    [Fact]
    public void An_outline_asked_by_many_at_once_answers_all_alike()
    {
        var shape = Tables.Reference.Centre("pretzel-twist")!.Size("full")!.Shape;
        var expected = Answers(shape.Outline(false));
        for (var round = 0; round < 300; round++)
        {
            var outline = new Outline([.. shape.Outline(false).Rings.Select(r => r.ToArray())]);
            using var together = new Barrier(4);
            Parallel.For(0, 4, new ParallelOptions { MaxDegreeOfParallelism = 4 }, _ =>
            {
                together.SignalAndWait(TimeSpan.FromSeconds(1));
                Assert.Equal(expected, Answers(outline));
            });
        }

        static List<bool> Answers(Outline outline) =>
            [.. Enumerable.Range(0, 40).Select(i => outline.Contains(Point.Between(outline.Least, outline.Most, i / 40.0)))];
    }

    [Fact]
    public void Both_sides_of_a_cut_make_the_whole()
    {
        (from piece in Gen.OneOfConst(Pieces)
         from angle in Gen.Double[0, 6.28]
         from share in Gen.Double[0.05, 0.95]
         select (piece.Outline, Way: new Point(Math.Cos(angle), Math.Sin(angle)), share)).Sample(
            c =>
            {
                var (from, to) = c.Outline.Span(c.Way);
                var at = from + (c.share * (to - from));
                var (one, other) = (c.Outline.Cut(c.Way, at), c.Outline.Cut(c.Way * -1, -at));
                Assert.Equal(c.Outline.Area, one.Area + other.Area, c.Outline.Area * 1e-6);
                Assert.True(one.Span(c.Way).To <= at + Fine && other.Span(c.Way).From >= at - Fine);
            },
            iter: 300);
    }

    [Fact]
    public void A_chord_of_a_circle_is_as_long_as_Pythagoras_has_it()
    {
        var cookie = Of("sandwich-cookie", "thin");
        foreach (var off in new[] { 0.0, 5, 12, 20 })
        {
            var chord = cookie.Chord(cookie.Middle + new Point(0, off * 1e-3), new(1, 0))!.Value;
            Assert.Equal(2 * Math.Sqrt((22.5 * 22.5) - (off * off)) * 1e-3, chord.To - chord.From, 1e-4);
        }

        Assert.Null(cookie.Chord(cookie.Middle + new Point(0, 0.03), new(1, 0)));
    }

    [Fact]
    public void A_ray_from_within_leaves_and_one_from_a_hole_comes_in_first()
    {
        var (cookie, ring) = (Of("sandwich-cookie", "thin"), Of("fruit-ring", "one"));
        for (var angle = 0.0; angle < 6.28; angle += 0.7)
        {
            Assert.Equal((0, 0.0225), (cookie.Reach(cookie.Middle, angle).In, Math.Round(cookie.Reach(cookie.Middle, angle).Out, 4)));
            Assert.Equal(
                (0.015, 0.0425), (Math.Round(ring.Reach(ring.Middle, angle).In, 4), Math.Round(ring.Reach(ring.Middle, angle).Out, 4)));
        }
    }

    [Fact]
    public void An_inset_ring_keeps_its_margin()
    {
        foreach (var (name, outline) in Pieces.Where(p => p.Outline.Spines.Count == 0))
        {
            foreach (var ring in outline.Inset(0.001))
                Assert.All(ring, p => Assert.True(outline.Contains(p), name));
            if (outline.Rings.Count == 1)
                Assert.Empty(outline.Inset(1));
        }
    }
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Patterns on the outlines of centres, what they weigh, and where that goes.</summary>
public class DecorationTests
{
    public static TheoryData<string> Patterns => [.. Tables.Reference.Decor.Patterns.Select(p => p.Code)];

    // A disc of 45 mm has its outline's polygon within 0.1 % of the circle.
    private const double Radius = 22.5;

    private static PatternDraft Pattern(
        string kind,
        int? lines = null,
        double? spacing = null,
        double? bead = null,
        double angle = 0,
        double phase = 0,
        string colour = "white") => new(
        kind, Wafers, colour, lines ?? Tables.Reference.Decor.Pattern(
            kind)!.Usual, spacing, bead ?? Tables.Reference.Decor.Pattern(kind)!.Bead.Value.In(
            "mm"), angle, phase, kind is "letters"
            ? "R7"
            : null);

    private static Decor With(params PatternDraft[] patterns) => Decor.None with { Patterns = patterns };

    private static LineDraft Cookies(Decor decor, double count = 12, string colour = "dark") =>
        Line("sandwich-cookie", "thin", count, colour) with { Decor = decor };

    private static LookTally LookOf(LineDraft line) => Tally(null, line).Lines.Single().Look!;

    private static double LengthOf(PatternDraft pattern) => LookOf(Cookies(With(pattern))).Patterns.Single().Line.Value.In("mm");

    [Fact]
    public void Rings_are_as_long_as_circles()
    {
        // Radii 6, 12 and 18 mm: 2π·(6 + 12 + 18).
        Assert.Equal(2 * Math.PI * 36, LengthOf(Pattern("rings", 3, spacing: 6)), 226.2 * 0.01);

        // Without a spacing the outermost one keeps half a bead from the edge, and the others share the way.
        var outer = Radius - 0.9;
        Assert.Equal(2 * Math.PI * outer * (1 + 0.5), LengthOf(Pattern("rings", 2, bead: 1.8)), 203.6 * 0.01);
    }

    [Fact]
    public void Straight_lines_are_as_long_as_chords()
    {
        // Chords of a circle at 0 and ±10 mm from its middle.
        var chords = 2 * (Radius + (2 * Math.Sqrt((Radius * Radius) - 100)));
        Assert.Equal(chords, LengthOf(Pattern("lines", 3, spacing: 10)), chords * 0.01);
        Assert.Equal(chords, LengthOf(Pattern("lines", 3, spacing: 10, angle: 37)), chords * 0.01);
    }

    [Fact]
    public void A_spiral_is_as_long_as_Archimedes_has_it()
    {
        // r = bθ from the middle to the edge less half a bead: b/2·(θ√(1+θ²) + asinh θ).
        var (theta, b) = (2 * Math.PI * 5, (Radius - 0.9) / (2 * Math.PI * 5));
        var length = b / 2 * ((theta * Math.Sqrt(1 + (theta * theta))) + Math.Asinh(theta));
        Assert.Equal(length, LengthOf(Pattern("spiral", 5, bead: 1.8)), length * 0.01);
    }

    [Fact]
    public void Stripes_by_turning_run_all_round_a_rod()
    {
        // The rope law of common practice: turns × √((πD)² + pitch²), on a rod of 13 mm.
        var line = Line("pretzel-rod", "one", 12, "midnight", 0.5) with { Decor = With(Pattern("stripes", 5, spacing: 12)) };
        Assert.Equal(5 * Math.Sqrt(Math.Pow(Math.PI * 13, 2) + 144), LookOf(line).Patterns.Single().Line.Value.In("mm"), 2);
    }

    [Fact]
    public void Criss_cross_is_two_sets_of_lines_and_dragging_adds_no_coating()
    {
        Assert.Equal(LengthOf(Pattern("lines", 5, bead: 1.6, angle: 45)) * 2, LengthOf(Pattern("criss-cross", 5, bead: 1.6)), 1);
        Assert.Equal(LengthOf(Pattern("rings", 4, bead: 1.8)), LengthOf(Pattern("web", 4, bead: 1.8)), 1);
        Assert.Equal(LengthOf(Pattern("lines", 7, bead: 1.8)), LengthOf(Pattern("marble", 7, bead: 1.8)), 1);
    }

    /// <summary>Every pattern on every size of every centre, at any setting that is allowed.</summary>
    [Theory]
    [MemberData(nameof(Patterns))]
    public void No_pattern_leaves_the_outline(string code)
    {
        var kind = Tables.Reference.Decor.Pattern(code)!;
        var pieces = Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (Centre: c, Size: s))).ToArray();
        var cases =
            from piece in Gen.OneOfConst(pieces)
            from depth in Gen.Double[0.3, 1]
            from lines in Gen.Int[kind.Least, Math.Min(kind.Most, 14)]
            from spacing in Gen.OneOf(Gen.Const((double?)null), Gen.Double[1, 12].Select(s => (double?)s))
            from bead in Gen.Double[1, 3]
            from angle in Gen.Double[-180, 180]
            from phase in Gen.Double[0, 1]
            select (piece, depth, Draft: Pattern(code, lines, spacing, bead, angle, phase));
        cases.Sample(
            c =>
            {
                var line = Line(c.piece.Centre.Code, c.piece.Size.Code, 1, "dark", c.depth) with { Decor = With(c.Draft) };
                var outline = c.piece.Size.Shape.Outline(c.piece.Centre.DippedEndUp);
                foreach (var stroke in LookOf(line).Patterns.SelectMany(p => p.Strokes))
                    for (var i = 0; i < stroke.Count; i += 2)
                        Assert.True(
                            Holds(outline, new(stroke[i].Si, stroke[i + 1].Si)),
                            $"{stroke[i].In("mm")}, {stroke[i + 1].In("mm")} mm is off the {c.piece.Centre.Name}");
            },
            iter: 250);
    }

    [Theory]
    [MemberData(nameof(Patterns))]
    public void Every_pattern_comes_to_something_on_every_centre(string code)
    {
        foreach (var centre in Tables.Reference.Centres)
        {
            var line = Line(centre.Code, centre.Sizes[0].Code, 1, "dark", centre.UsualDepth.Value.Si) with { Decor = With(Pattern(code)) };
            var look = LookOf(line);
            Assert.NotEmpty(look.Patterns.Single().Strokes);
            Assert.InRange(look.Drizzle.Value.In("g"), 0.01, 12);
            Assert.InRange(look.Time.Value.TotalSeconds, 1, 150);
        }
    }

    [Fact]
    public void Drizzle_weighs_what_its_bead_holds_and_goes_into_the_pots_and_the_cost()
    {
        var (plain, drizzled) = (Cookies(Decor.None, 24), Cookies(With(Pattern("rings", 3, spacing: 6, bead: 2)), 24));
        var before = Tally(new(Thinner: "flakes"), plain);
        var after = CoatingTally.For(
            Order(
                new(
                    Thinner: "flakes"), plain with { Decor = drizzled.Decor }) with
            {
                Pots = new Dictionary<string, PotDraft>
                {
                    [$"{Wafers}.dark"] = new(
                        Thinner: "flakes"),
                    [$"{Wafers}.white"] = new(Thinner: "flakes")
                }
            },
            Tables,
            Now);
        var dark = after.Pots.Single(p => p.Colour == "dark");
        Assert.Equal(before.Pots.Single().ToMelt.Value.Si, dark.ToMelt.Value.Si, 9);

        // ρ·π/4·w²·length, unthinned wafers of 30 % fat: 1250 kg/m³ by their shares.
        var each = 1250e-6 * Math.PI / 4 * 4 * 2 * Math.PI * 36;
        var look = after.Lines.Single().Look!;
        Assert.Equal(each, look.Drizzle.Value.In("g"), 0.01);

        var white = after.Pots.Single(p => p.Colour == "white");
        Assert.Null(white.Vessel);
        Assert.Null(white.Thinner);
        var onPieces = each * 24 * 1.03 * 1.20;
        Assert.Equal(onPieces, white.Drizzle!.Mass.Value.In("g"), 0.3);
        Assert.Equal((onPieces + 10) * 1.1, white.ToMelt.Value.In("g"), 0.3);
        Assert.Equal(1, white.Packs.Value);
        Assert.True(white.Worth.Value.Amount > 0);
        Assert.True(look.Cost.Value.Amount > before.Lines.Single().Look!.Cost.Value.Amount);
        Assert.Equal(white.ToMelt.Value.Si, (white.OnPieces.Value + white.Pool.Value + white.Spare.Value + white.Drizzle.Mass.Value).Si, 9);
    }

    [Fact]
    public void Drizzle_of_a_colour_that_is_dipped_too_is_kept_out_of_the_thinner()
    {
        var dipped = Line("truffle-ball", "one", 12, "white");
        var alone = Tally(new(Thinner: "flakes"), dipped).Pots.Single();
        var both = Tally(new(Thinner: "flakes"), dipped, Cookies(With(Pattern("zigzag")), 12)).Pots.Single(p => p.Colour == "white");
        Assert.Equal(alone.Thinner!.Mass.Value.Si, both.Thinner!.Mass.Value.Si, 9);
        Assert.Equal((alone.ToMelt.Value + both.Drizzle!.InBags.Value).Si, both.ToMelt.Value.Si, 9);
        Assert.Equal(alone.Vessel, both.Vessel);
    }

    [Fact]
    public void A_bag_holds_150_g()
    {
        // Common practice: more than that is hard to squeeze.
        var pot = Tally(null, Cookies(With(Pattern("zigzag", 20, bead: 2.7)), 144)).Pots.Single(p => p.Colour == "white");
        Assert.Equal((int)Math.Ceiling(pot.Drizzle!.InBags.Value.In("g") / 150), pot.Drizzle.Loads);
        Assert.True(pot.Drizzle.Loads > 1);
    }

    [Fact]
    public void More_lines_and_wider_beads_never_need_less()
    {
        (from kind in Gen.OneOfConst("zigzag", "lines", "rings", "spiral", "web", "criss-cross", "edge")
         from lines in Gen.Int[2, 12]
         from bead in Gen.Double[1.2, 2.4]
         select (kind, lines, bead)).Sample(
            c =>
            {
                double Mass(int lines, double bead) => LookOf(Cookies(With(Pattern(c.kind, lines, bead: bead)))).Drizzle.Value.Si;
                var most = Tables.Reference.Decor.Pattern(c.kind)!.Most;
                var lines = Math.Min(c.lines, most - 1);
                Assert.True(Mass(lines + 1, c.bead) >= Mass(lines, c.bead) * 0.999);
                Assert.True(Mass(lines, c.bead + 0.3) >= Mass(lines, c.bead));
            },
            iter: 60);
    }

    [Fact]
    public void Sprinkles_weigh_by_area_and_side()
    {
        SprinkleTally Of(SprinkleDraft draft) => LookOf(Cookies(Decor.None with { Sprinkles = [draft] })).Sprinkles.Single();
        var both = Of(new("nonpareils", Side.Both, 1));

        // Faces and rim of a 45 × 10 mm cookie, 45.9 cm², at 0.25 g/cm² (a starting estimate).
        Assert.Equal(45.95 * 0.25, both.Mass.Value.In("g"), 0.05);
        Assert.Equal(both.Mass.Value.Si / 2, Of(new("nonpareils", Side.Front, 1)).Mass.Value.Si, 9);
        Assert.Equal(both.Mass.Value.Si / 4, Of(new("nonpareils", Side.Both, 0.25)).Mass.Value.Si, 9);
        Assert.True(Of(new("nonpareils", Side.Tip, 1)).Mass.Value < both.Mass.Value / 2);
        Assert.True(both.Grains.Count > 100);
    }

    [Fact]
    public void What_is_sprinkled_and_glued_is_added_up_for_the_order()
    {
        var line = Cookies(
            Decor.None with { Sprinkles = [new("sanding-sugar", Side.Front, 0.5)], Parts = [new("eye", 2)], Paint = new("gold", 0.2) },
            100);
        var trimmings = Tally(null, line).Trimmings;

        // 22.97 cm² × 50 % × 0.12 g/cm² × 103 pieces, half as much again to scatter.
        Assert.Equal(22.97 * 0.5 * 0.12 * 103 * 1.5, trimmings.Single(t => t.Kind == "sanding-sugar").Amount.Value, 0.2);
        Assert.Equal(206, trimmings.Single(t => t.Kind == "eye").Amount.Value);
        Assert.Equal(45.95 * 0.2 * 0.003 * 103, trimmings.Single(t => t.Kind == "gold").Amount.Value, 0.05);
    }

    [Fact]
    public void The_wet_window_ends_well_before_it_is_touch_dry_and_gives_rounds()
    {
        var line = Cookies(Decor.None with { Sprinkles = [new("nonpareils", Side.Front, 0.5)] });
        var tally = Tally(null, line).Lines.Single();
        var counter = tally.Setting.Single(s => s.Place == "counter");
        Assert.Equal(counter.Wet, tally.Look!.Wet!.Value);
        Assert.InRange(counter.Wet!.Value / counter.TouchDry!.Value, 0.3, 0.6);

        // Common practice dips a few, "three at a time", before stopping to decorate.
        Assert.InRange(tally.Look.Round!.Value, 3, 20);
        Assert.Null(LookOf(Cookies(With(Pattern("zigzag")))).Round);
    }

    [Theory]
    [InlineData("strawberry", "L")]
    [InlineData("apple", "M")]
    [InlineData("sandwich-cookie", "thin")]
    [InlineData("pretzel-rod", "one")]
    [InlineData("crisped-rice-bite", "one")]
    public void A_dip_sideways_to_the_middle_covers_half(string centre, string size)
    {
        var shape = Tables.Reference.Centre(centre)!.Size(size)!.Shape;
        Assert.Equal(shape.WholeArea.Si / 2, shape.DippedArea(new(0.5), Math.PI / 2).Si, shape.WholeArea.Si * 0.001);
        Gen.Select(Gen.Double[0.05, 0.9], Gen.Double[0, 1.57], Gen.Double[0, 0.1]).Sample(
            (depth, angle, more) => Assert.True(
                shape.DippedArea(new(depth + more), angle).Si >= shape.DippedArea(new(depth), angle).Si - 1e-9), iter: 200);
    }

    [Fact]
    public void A_ball_covers_the_same_zone_from_any_angle()
    {
        var ball = Tables.Reference.Centre("truffle-ball")!.Sizes[0].Shape;
        foreach (var angle in new[] { 0.3, 0.8, 1.57 })
            Assert.Equal(ball.DippedArea(new(0.4)).Si, ball.DippedArea(new(0.4), angle).Si, ball.WholeArea.Si * 0.005);
    }

    [Fact]
    public void A_further_dip_takes_its_coating_from_its_own_pot_and_lays_no_piece_twice()
    {
        var half = Line("strawberry", "L", 20, "dark", 0.75) with { Decor = Decor.None with { Dips = [new(Wafers, "white", 0.5, 90)] } };
        var tally = Tally(null, half);
        var white = tally.Pots.Single(p => p.Colour == "white");
        Assert.Equal(tally.Lines.Single().Look!.Over.Single().PerPiece.Value.Si * 20 * 1.05, white.OnPieces.Value.Si, 9);
        Assert.Equal(20, tally.Trays.Sum(t => t.Rows.Sum(r => r.Count)));
        Assert.True(white.OnPieces.Value < tally.Pots.Single(p => p.Colour == "dark").OnPieces.Value);
    }

    [Fact]
    public void Every_figure_of_a_look_can_say_how_it_came_about()
    {
        var line = Cookies(new(
            [new(Wafers, "white", 0.5)], [
                Pattern("zigzag", colour: "midnight"),
            ], [new("chopped-nuts", Side.Tip, 0.8)], [new("star", 1)], new("silver", 0.1)));
        var tally = Tally(null, line);
        string[] figures = [
            "drizzle",
            "time",
            "cost",
            "wet",
            "round",
            "lustre",
            "over[0].perPiece",
            "patterns[0].line",
            "patterns[0].mass",
            "sprinkles[0].mass",
        ];
        foreach (var figure in figures)
            Assert.NotEmpty(tally.WorkingOf($"lines[0].look.{figure}")!);
        Assert.NotEmpty(tally.WorkingOf($"pots.{Wafers}.midnight.drizzle")!);
        Assert.NotEmpty(tally.WorkingOf("trimmings.star")!);
        Assert.Contains(
            tally.WorkingOf($"pots.{Wafers}.midnight.toMelt")!,
            l => l.What.Said() == "falls beside the piece" || l.What.Said() == "stays in the bag");
    }

    public static TheoryData<Decor, string, string, Severity> Bad => new()
    {
        { With(Pattern("zigzag", bead: 60)), "patterns[0].bead", "wider than the coat", Severity.Error },
        { With(Pattern("zigzag", bead: 0)), "patterns[0].bead", "thinner than", Severity.Error },
        { With(Pattern("zigzag", lines: 0)), "patterns[0].lines", "2 to 60 passes", Severity.Error },
        { With(Pattern("zigzag", spacing: -1)), "patterns[0].spacing", "apart", Severity.Error },
        { With(Pattern("lines", 3, spacing: 1)), "patterns[0].spacing", "run together", Severity.Mind },
        { With(Pattern("zigzag", bead: 6)), "patterns[0].bead", "tip", Severity.Mind },
        { With(Pattern("zigzag", colour: "dark")), "patterns[0].colour", "hardly show", Severity.Mind },
        { With(Pattern("zigzag", colour: "sky-blue-pink")), "patterns[0].colour", "no colour", Severity.Error },
        { With(Pattern("letters") with { Text = "regatta" }), "patterns[0].text", "letters", Severity.Error },
        { With(Pattern("letters") with { Text = "ß" }), "patterns[0].text", "can’t be piped", Severity.Error },
        { With(Pattern("zigzag") with { Kind = "knitting" }), "patterns[0].kind", "no pattern", Severity.Error },
        { With(Pattern("zigzag"), Pattern("marble")), "patterns[1].kind", "touch-dry", Severity.Unfit },
        { With(
            Pattern("marble")) with { Sprinkles = [new("nonpareils", Side.Front, 0.5)] }, "patterns[0].kind", "wet coat", Severity.Unfit },
        { Decor.None with { Sprinkles = [
            new("nonpareils", Side.Front, 0.7),
            new("jimmies", Side.Both, 0.6),
        ] }, "sprinkles[1].cover", "more than the coat", Severity.Error },
        { Decor.None with { Sprinkles = [new("nonpareils", Side.Front, 0)] }, "sprinkles[0].cover", "nothing", Severity.Error },
        { Decor.None with { Parts = [new("bow", 20)] }, "parts[0].count", "do not fit", Severity.Error },
        { Decor.None with { Dips = [new(Wafers, "white", 0)] }, "dips[0].depth", "not possible", Severity.Error },
        { Decor.None with { Paint = new("gold", 2) }, "paint.cover", "not possible", Severity.Error },
    };

    [Theory]
    [MemberData(nameof(Bad))]
    public void What_cannot_be_is_said_by_its_control_and_the_rest_computes(Decor decor, string field, string says, Severity severity)
    {
        var tally = Tally(null, Cookies(decor));
        var problem = Assert.Single(tally.Problems, p => p.Field == $"lines[0].decor.{field}" && p.Severity == severity);
        Assert.Contains(says, problem.Reason.Said(), StringComparison.Ordinal);
        Assert.NotEmpty(problem.Remedy.Said());
        Assert.True(tally.Lines.Single().PerPiece.Value.In("g") > 0);
    }
}

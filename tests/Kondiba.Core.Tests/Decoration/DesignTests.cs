using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Any design on any centre: it computes, its parts add up, and what it says is of this world.</summary>
public class DesignTests
{
    private static readonly string[] Colours = [.. Tables.Reference.Coating(Wafers)!.Colours.Select(c => c.Code)];
    private static readonly (Centre Centre, CentreSize Size)[] Pieces = [
        .. Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (c, s))),
    ];

    private static readonly Gen<PatternDraft> AnyPattern =
        from kind in Gen.OneOfConst([.. Tables.Reference.Decor.Patterns])
        from colour in Gen.OneOfConst(Colours)
        from lines in Gen.Int[kind.Least, Math.Min(kind.Most, 16)]
        from bead in Gen.Double[0.8, 3]
        from angle in Gen.Double[-180, 180]
        from phase in Gen.Double[0, 1]
        from spaced in Gen.Bool
        from spacing in Gen.Double[1, 20]
        select new PatternDraft(kind.Code, Wafers, colour, lines, spaced ? spacing : null, bead, angle, phase, "R7");

    private static readonly Gen<Decor> AnyDecor =
        from dips in Gen.Select(
            Gen.OneOfConst(Colours), Gen.Double[0.1, 1], Gen.Double[-90, 90], (c, d, a) => new OverDip(Wafers, c, d, a)).List[0, 2]
        from patterns in AnyPattern.List[0, 3]
        from sprinkles in Gen.Select(
            Gen.OneOfConst([.. Tables.Reference.Decor.Sprinkles.Select(s => s.Code)]),
            Gen.Enum<Side>(),
            Gen.Double[0.05, 0.5],
            Gen.Bool,
            (k, s, c, g) => new SprinkleDraft(k, s, c, g)).List[0, 2]
        from eyes in Gen.Int[0, 2]
        from brushed in Gen.Bool
        select new Decor(dips, patterns, sprinkles, eyes == 0 ? [] : [new("eye", eyes)], brushed ? new("pearl", 0.3) : null);

    internal static readonly Gen<LineDraft> AnyLine =
        from piece in Gen.OneOfConst(Pieces)
        from count in Gen.Int[1, 60]
        from depth in Gen.Double[0.3, 1]
        from colour in Gen.OneOfConst(Colours)
        from decor in AnyDecor
        select Line(piece.Centre.Code, piece.Size.Code, count, colour, depth) with { Decor = decor };

    [Fact]
    public void Any_design_computes_and_its_pots_add_up()
    {
        AnyLine.List[1, 4].Sample(
            lines =>
            {
                var tally = Tally(null, [.. lines]);
                Assert.DoesNotContain(
                    tally.Problems,
                    p => p.Severity is Severity.Error
                        && !p.Field.EndsWith(".cover", StringComparison.Ordinal)
                        && !p.Field.Contains("bead", StringComparison.Ordinal)
                        && !p.Field.Contains("parts", StringComparison.Ordinal));
                Assert.Equal(lines.Count, tally.Lines.Count);
                foreach (var pot in tally.Pots)
                {
                    var parts = pot.OnPieces.Value + pot.Pool.Value + pot.Spare.Value + (pot.Drizzle?.Mass.Value ?? default);
                    Assert.Equal(pot.ToMelt.Value.Si, parts.Si, 1e-9);
                    Assert.True(pot.Spare.Value.Si >= 0);
                    Assert.True(pot.OfCoating <= pot.ToMelt.Value);
                    Assert.True(pot.Cover.FromStock + pot.Cover.Packs.Sum(p => p.Holds * p.Count) >= pot.OfCoating.In("g") - 1e-3);
                    Assert.Equal(pot.Vessel is null, pot.Melts.Count == 0);
                }
            },
            iter: 150);
    }

    [Fact]
    public void What_patterns_draw_from_bags_is_what_pots_put_into_bags()
    {
        AnyLine.List[1, 3].Sample(
            lines =>
            {
                var tally = Tally(null, [.. lines]);
                var drawn = tally.Lines.Sum(l =>
                {
                    var (line, centre) = (lines[l.Line], Tables.Reference.Centre(lines[l.Line].Centre)!);
                    var dots = line.Decor!.Parts.Count > 0 && l.Look!.Parts.Count > 0
                        ? Tables.Reference.Decor.Part("eye")!.Dot.Value.Si * line.Decor.Parts[0].Count
                        : 0;
                    return l.Count.Value * (1 + centre.Spoil.Value.Si) * ((l.Look!.Drizzle.Value.Si * 1.2) + dots);
                });
                Assert.Equal(drawn, tally.Pots.Sum(p => p.Drizzle?.Mass.Value.Si ?? 0), 1e-9);
            },
            iter: 150);
    }

    [Fact]
    public void More_pieces_of_a_design_never_need_less_of_anything()
    {
        Gen.Select(AnyLine, Gen.Int[1, 30]).Sample(
            (line, more) =>
            {
                var (few, many) = (Tally(null, line), Tally(null, line with { Amount = line.Amount + more }));
                foreach (var pot in few.Pots.Where(p => many.Pots.Any(m => m.Key == p.Key)))
                {
                    // The vessel may change with the count, the pool with it; what is on the pieces and in bags may not shrink.
                    var then = many.Pots.Single(p => p.Key == pot.Key);
                    Assert.True(then.OnPieces.Value >= pot.OnPieces.Value);
                    Assert.True((then.Drizzle?.InBags.Value ?? default) >= (pot.Drizzle?.InBags.Value ?? default));
                }

                foreach (var trimming in few.Trimmings)
                    Assert.True(many.Trimmings.Single(t => t.Kind == trimming.Kind).Amount.Value >= trimming.Amount.Value);
            },
            iter: 120);
    }

    [Fact]
    public void What_is_on_the_coat_changes_nothing_about_the_coat()
    {
        AnyLine.Sample(
            line =>
            {
                var (plain, decorated) = (Tally(
                    null, line with { Decor = null }).Lines.Single(), Tally(
                        null, line with { Decor = line.Decor! with { Dips = [] } }).Lines.Single());
                Assert.Equal(plain.PerPiece.Value, decorated.PerPiece.Value);
                Assert.Equal(plain.Setting.Select(s => s.TouchDry), decorated.Setting.Select(s => s.TouchDry));
                Assert.Null(plain.Look);
            },
            iter: 60);
    }

    [Fact]
    public void Grains_flecks_and_parts_lie_on_the_piece()
    {
        AnyLine.Sample(
            line =>
            {
                var look = Tally(null, line).Lines.Single().Look!;
                var centre = Tables.Reference.Centre(line.Centre)!;
                var outline = centre.Size(line.Size)!.Shape.Outline(centre.DippedEndUp);
                foreach (var spots in look.Sprinkles.Select(s => s.Grains).Append(look.Flecks))
                    for (var i = 0; i < spots.Count; i += 2)
                        Assert.True(
                            Holds(outline, new(spots[i].Si, spots[i + 1].Si)),
                            $"{spots[i].In("mm")}, {spots[i + 1].In("mm")} mm is off the {centre.Name}");
            },
            iter: 100);
    }

    [Fact]
    public void Two_orders_of_a_day_share_the_bag_of_a_drizzle()
    {
        var drizzled = Line(
            "sandwich-cookie", "thin", 24, "dark") with
        {
            Decor = Decor.None with
            {
                Patterns = [
                new("zigzag", Wafers, "silver", 9, null, 1.8),
            ]
            }
        };
        var (one, other) = (Order(
            null, drizzled) with
        { Name = "One" }, Order(null, drizzled with { Colour = "plum" }) with { Name = "Other" });
        var day = DayPots.For([(one, CoatingTally.For(one, Tables, Now)), (other, CoatingTally.For(other, Tables, Now))], Tables);
        var silver = Assert.Single(day.Shared);
        Assert.Equal(($"{Wafers}.silver", null), (silver.Key, silver.Vessel));

        // What stays in the bag stays there once.
        Assert.Equal(Tables.Reference.Decorating.BagStays.Value.In("g") * 1.1, (silver.Apart - silver.Together).In("g"), 1e-6);
    }

    [Theory]
    [InlineData("face", true)]
    [InlineData("letters", true)]
    [InlineData("lines", false)]
    [InlineData("edge", false)]
    public void A_pattern_that_mostly_falls_through_a_twist_says_so(string kind, bool falls)
    {
        var usual = Tables.Reference.Decor.Pattern(kind)!;
        var line = Line(
            "pretzel-twist", "full", 12) with
        {
            Decor = Decor.None with
            {
                Patterns = [
                new(kind, Wafers, "white", usual.Usual, null, 1.6, Text: "WM"),
            ]
            }
        };
        Assert.Equal(falls, Tally(null, line).Problems.Any(p => p.Reason.Said().Contains("falls through", StringComparison.Ordinal)));
    }

    [Fact]
    public void Turning_a_pattern_on_a_ball_or_shifting_rings_round_it_keeps_its_length()
    {
        double Length(
            string kind, double angle) => Tally(
                null,
                Line(
                    "truffle-ball", "one", 1) with
                {
                    Decor = Decor.None with
                    {
                        Patterns = [
                        new(kind, Wafers, "white", 5, null, 1.6, angle),
                    ]
                    }
                })
            .Lines.Single().Look!.Patterns.Single().Line.Value.Si;
        foreach (var kind in new[] { "lines", "criss-cross", "zigzag", "rings", "web" })
            for (var angle = -180; angle <= 180; angle += 45)
                Assert.Equal(Length(kind, 0), Length(kind, angle), Length(kind, 0) * 0.01);
    }

    [Fact]
    public void A_zigzag_has_its_passes_and_dots_stand_in_staggered_rows()
    {
        PatternTally Drawn(
            string kind, int lines) => Tally(
                null,
                Line("coconut-bar", "one", 1) with { Decor = Decor.None with { Patterns = [new(kind, Wafers, "white", lines, null, 2)] } })
            .Lines.Single().Look!.Patterns.Single();
        Assert.Equal((9 + 1) * 2, Assert.Single(Drawn("zigzag", 9).Strokes).Count);
        var dots = Drawn("dots", 6);
        Assert.All(dots.Strokes, s => Assert.Equal(2, s.Count));
        Assert.Equal(6, dots.Strokes.Select(s => Math.Round(s[1].In("mm"), 1)).Distinct().Count());
        var rows = dots.Strokes.GroupBy(s => Math.Round(s[1].In("mm"), 1)).Select(g => g.Min(s => s[0].In("mm"))).ToList();
        Assert.NotEqual(rows[0], rows[1], 0.5);
        Assert.Equal(rows[0], rows[2], 0.01);
        Assert.Equal(0, dots.Strokes.Sum(s => s[0].In("mm")), 0.1);
    }

    [Fact]
    public void Time_goes_with_the_line_and_with_every_new_start()
    {
        // Long lines at 70 mm/s and a second for each start (starting estimates).
        var look = Tally(
            null,
            Line(
                "sandwich-cookie", "thin", 1) with
            {
                Decor = Decor.None with
                {
                    Patterns = [
                    new("lines", Wafers, "white", 4, 8, 1.8),
                ]
                }
            }).Lines.Single().Look!;
        Assert.Equal((look.Patterns.Single().Line.Value.In("mm") / 70) + 4, look.Time.Value.TotalSeconds, 0.06);
    }
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>The way and the vessel that are chosen for a maker who chose none.</summary>
public class WaysTests
{
    public static TheoryData<string, string> Everything =>
        [.. Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))];

    private static Pot At(string centre, string size, int count, string colour = "dark", KitchenTables? tables = null)
    {
        var c = Tables.Reference.Centre(centre)!;
        return CoatingTally.For(
            Order(null, Line(centre, size, count, colour, c.UsualDepth.Value.Si, c.LeastCoats)), tables ?? Tables, Now).Pots
            .Single();
    }

    /// <summary>
    /// From one count to the next there is no cliff: where the way or the vessel changes, the grams change by less than half.
    /// </summary>
    [Theory]
    [MemberData(nameof(Everything))]
    public void Grams_and_cost_have_no_cliffs(string centre, string size)
    {
        var before = At(centre, size, 1);
        for (var n = 2; n <= 150; n++)
        {
            var now = At(centre, size, n);
            var more = now.ToMelt.Value / before.ToMelt.Value;
            if ((now.Vessel, now.Way) != (before.Vessel, before.Way) || now.Spooned > 0)
                Assert.True(
                    more is > 1 / 1.5 and < 1.5,
                    $"{n}: {before.ToMelt.Value.In("g"):0} g {before.Way} {before.Vessel}, {now.ToMelt.Value.In("g"):0} g {now.Way} {now.Vessel}");
            Assert.InRange(now.Cost!.Value.Total.Amount - before.Cost!.Value.Total.Amount, -0.4m, 1.2m);
            before = now;
        }
    }

    /// <summary>
    /// Another hour or another price moves where the way changes; the cliffs stay away: one piece more melts at most as much more as
    /// the thriftiest way for it, and what a way may melt over that.
    /// </summary>
    [Fact]
    public void No_cliffs_for_another_kitchen_either() =>
        Gen.Select(
            Gen.OneOfConst([
                .. Tables.Reference.Centres.Where(c => c.Holding is not Holding.Mould)
                    .SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code))),
            ]),
            Gen.Int[5, 60],
            Gen.Int[0, 40],
            Gen.Double[0.2, 3]).Sample((piece, n, hour, price) =>
        {
            var kitchen = Tables with
            {
                Reference = Tables.Reference with
                {
                    Pricing = Tables.Reference.Pricing with
                    {
                        Hour = new(
                    new Money(hour), Source.Kitchen),
                        WrittenOff = new(new(Math.Min(1, 0.5 * price)), Source.Kitchen)
                    }
                }
            };
            var more = At(
                piece.Item1, piece.Item2, n + 1, tables: kitchen).ToMelt.Value / At(
                    piece.Item1, piece.Item2, n, tables: kitchen).ToMelt.Value;
            var most = (1 + Tables.Reference.Pot.MostOver.Value.Si) * (n + 1) / n;
            Assert.InRange(more, 1 / most, most);
        }, iter: 300);

    /// <summary>Checked by the rules of the trade as they are written, not by the ways' own code.</summary>
    [Theory]
    [MemberData(nameof(Everything))]
    public void Every_way_chosen_is_possible_by_hand(string centre, string size)
    {
        var (c, shape) = (Tables.Reference.Centre(centre)!, Tables.Reference.Centre(centre)!.Size(size)!.Shape);
        foreach (var n in (int[])[1, 4, 9, 24, 60, 150])
        {
            var pot = At(centre, size, n);
            var vessel = Tables.Reference.Vessel(pot.Vessel)!;
            var pool = pot.Pool.Value + (pot.Spooned > 0 ? CoatingPerPiece(centre, size, n) * pot.Spooned : default);
            switch (pot.Way)
            {
                case "fork":
                    var bowl = Assert.IsType<RoundVessel>(vessel);
                    Assert.True(bowl.Opening >= shape.AcrossLying + Mm(50) && bowl.Opening >= bowl.Height);
                    Assert.True(
                        vessel.LevelOf((pool / Density) + shape.WholeVolume) >= shape.Thickness + Mm(11.99) || pool >= Grams(79.99));
                    break;
                case "upright":
                    var glass = Assert.IsType<RoundVessel>(vessel);
                    var dipped = shape.Upright(c.UsualDepth.Value);
                    Assert.True(glass.Opening >= dipped.Across + Mm(15));
                    Assert.True(vessel.LevelOf((pool / Density) + dipped.Displaced) >= dipped.Depth + Mm(7.99));
                    break;
                case "rocked":
                    Assert.True(Assert.IsType<TiltedDish>(vessel).Wide >= shape.DipLine(c.UsualDepth.Value));
                    Assert.True(pool >= Grams(99.99) && vessel.LevelOf(pool / Density) >= (shape.Thickness / 2) + Mm(4.99));
                    break;
                case "spooned":
                    Assert.True(pool >= Grams(59.99));
                    break;
                case "bathed":
                    Assert.True(Assert.IsType<RoundVessel>(vessel) is { Warm: true } && vessel.LevelOf(pool / Density) >= Mm(14.99));
                    break;
                default:
                    Assert.True(vessel.Pours && c.Holding is Holding.Mould);
                    break;
            }
        }
    }

    private static Density Density { get; } = Flow.Of(Tables.Reference.Coatings[0], default, Tables.Reference.Film).Density;

    private static Mass CoatingPerPiece(string centre, string size, int n) =>
        CoatingTally.For(
            Order(
                null, Line(
                    centre, size, n, "dark", Tables.Reference.Centre(centre)!.UsualDepth.Value.Si)), Tables, Now).Lines[0].PerPiece.Value;

    /// <summary>Nothing that fits costs less, unless it melts far more than the thriftiest.</summary>
    [Fact]
    public void The_way_chosen_costs_least() =>
        Gen.Select(
            Gen.OneOfConst([
                .. Tables.Reference.Centres.Where(c => c.Holding is not Holding.Mould)
                    .SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code))),
            ]),
            Gen.Int[1, 200]).Sample((piece, n) =>
        {
            var pot = At(piece.Item1, piece.Item2, n);
            var fitting = pot.Vessels.Where(v => v.ToMelt is not null).ToList();
            var least = fitting.Min(v => v.ToMelt!.Value.Si);
            Assert.True(pot.ToMelt.Value.Si <= least * 1.38 + 1e-9 || fitting.Count == 1);
            Assert.DoesNotContain(
                fitting, v => v.ToMelt!.Value.Si <= least * 1.38 && v.Melts == 1 && v.Cost!.Total.Amount < pot.Cost!.Value.Total.Amount);
            Assert.Equal(pot.Cost!.Value.Total, pot.Cost.Value.WrittenOff + pot.Cost.Value.Labour);
            Assert.Equal((double)pot.Cost.Value.Total.Amount, pot.Cost.Working[^1].Value);
        });

    [Fact]
    public void The_last_pieces_are_spooned_over_where_that_spares_a_pool_and_never_in_a_vessel_that_the_maker_chose()
    {
        var pots = Enumerable.Range(10, 60).Select(n => At("strawberry", "L", n)).ToList();
        Assert.Contains(pots, p => p.Spooned > 0);
        foreach (var pot in pots.Where(p => p.Spooned > 0))
        {
            var full = In(
                pot.Vessel!, Line(
                    "strawberry", "L", pots.IndexOf(
                        pot) + 10, "dark", Tables.Reference.Centre("strawberry")!.UsualDepth.Value.Si)).Pots.Single();
            Assert.Equal(0, full.Spooned);
            Assert.True(full.ToMelt.Value > pot.ToMelt.Value || full.Way != pot.Way);
        }
    }

    /// <summary>An order in one colour is not split into a melt and four thimblefuls: every melt is worth the stove.</summary>
    [Fact]
    public void Melts_are_few_and_worth_melting() =>
        Gen.Select(
            Gen.OneOfConst([
                .. Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code))),
            ]).Array[1, 3], Gen.Int[4, 120]).Sample((pieces, n) =>
        {
            var lines = pieces.Select(p => Line(
                p.Item1, p.Item2, n, "milk", Tables.Reference.Centre(p.Item1)!.UsualDepth.Value.Si, Tables.Reference.Centre(
                    p.Item1)!.LeastCoats))
                .ToArray();
            foreach (var pot in Tally(null, lines).Pots.Where(p => p.Melts.Count > 1))
                Assert.True(
                    pot.Melts.Min(m => m.Si) >= 0.08 - 1e-9 || pot.Vessels.All(v => v.Melts != 1),
                    string.Join(", ", pot.Melts.Select(m => m.In("g"))));
        }, iter: 200);

    /// <summary>
    /// Two kinds of berry for which the thriftiest vessel would want a second melt of 63 g: a vessel that takes them in one is chosen.
    /// </summary>
    [Fact]
    public void A_second_thimbleful_is_not_melted_to_spare_a_pool()
    {
        LineDraft Berries(string size) => Line("strawberry", size, 15, "milk", Tables.Reference.Centre("strawberry")!.UsualDepth.Value.Si);
        Assert.All(Tally(null, Berries("long-stem"), Berries("S")).Pots, p => Assert.Single(p.Melts));
    }

    /// <summary>The default dose never makes a coat that is then called sheer, and never goes over its limit.</summary>
    [Fact]
    public void A_habit_to_thin_never_makes_a_coat_sheer() =>
        Gen.Select(
            Gen.OneOfConst([.. Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))]).Array[1, 3],
            Gen.OneOfConst([.. Tables.Reference.Coatings.SelectMany(c => c.Colours.Select(k => (c.Code, k.Code)))]),
            Gen.OneOfConst("flakes", "oil", "cocoa-butter", null)).Sample((pieces, colour, habit) =>
        {
            var kitchen = Tables with { Profile = Tables.Profile with { Habits = Tables.Profile.Habits with { Thinner = habit } } };
            var lines = pieces.Select(p => Line(
                p.Item1,
                p.Item2,
                12,
                colour.Item2,
                Tables.Reference.Centre(p.Item1)!.UsualDepth.Value.Si,
                Tables.Reference.Centre(p.Item1)!.LeastCoats,
                colour.Item1))
                .ToArray();
            var tally = CoatingTally.For(Order(null, lines), kitchen, Now);
            Assert.DoesNotContain(tally.Problems, p => p.Reason.Said().Contains("show through", StringComparison.Ordinal));
            Assert.All(tally.Pots, p => Assert.True((p.Thinner?.Share ?? default) <= Tables.Reference.Thinning.Limit.Value));
        }, iter: 300);

    [Fact]
    public void A_coating_that_is_too_thick_by_itself_gets_its_own_thinner()
    {
        var chips = Tally(null, Line("strawberry", "L", 24, coating: "chips-with-oil", depth: 0.75)).Pots.Single();
        Assert.Equal("oil", chips.Thinner!.Code);
        Assert.Null(Tally(new(Thinner: "none"), Line("strawberry", "L", 24, coating: "chips-with-oil", depth: 0.75)).Pots.Single().Thinner);
        Assert.Null(Tally(null, Berries()).Pots.Single().Thinner);
    }

    /// <summary>The colours that most orders ask for want no visit to the page of colours.</summary>
    [Theory]
    [InlineData("white", "white")]
    [InlineData("pink", "pink")]
    [InlineData("red", "red")]
    [InlineData("orange", "orange")]
    [InlineData("yellow", "yellow")]
    [InlineData("green", "green")]
    [InlineData("blue", "royal-blue")]
    [InlineData("light blue", "light-blue")]
    [InlineData("purple", "purple")]
    [InlineData("black", "black")]
    [InlineData("brown", "milk")]
    [InlineData("dark", "dark")]
    [InlineData("navy", "midnight")]
    public void A_common_colour_word_gives_a_pot_without_a_problem(string word, string colour)
    {
        foreach (var what in (string[])[
            "large strawberries",
            "apples",
            "pretzel rods",
            "sandwich cookies",
            "truffles",
            "mini pretzel twists",
        ])
        {
            var entry = QuickEntry.Entry.Read($"12 {what} {word}", Tables, [], new(2030, 12, 2));
            Assert.Empty(entry.NotUnderstood);
            var line = entry.Lines.Single().Line;
            Assert.Equal(colour, line.Colour);
            var tally = CoatingTally.For(Order(null, line), Tables, Now);
            Assert.Empty(tally.Problems);
            Assert.Single(tally.Pots);
        }
    }

    [Fact]
    public void What_cannot_be_made_as_entered_is_said_at_its_line()
    {
        var cookie = Assert.Single(Tally(null, Line("moulded-piece", "cookie", 12)).Problems);
        Assert.Equal(("lines[0].making.mould", Severity.Mind), (cookie.Field, cookie.Severity));
        Assert.Contains("thin sandwich cookie", cookie.Reason.Said(), StringComparison.Ordinal);
        Assert.Contains(
            Amounts.Allergens.Of(Order(null, Line("moulded-piece", "cookie", 12)), Tables.Reference), a => a.Allergen == "wheat");
        Assert.Contains(
            "neither priced",
            Assert.Single(Tally(null, Line("moulded-piece", "bite", 12)).Problems).Reason.Said(),
            StringComparison.Ordinal);
        Assert.Empty(Tally(null, Line("moulded-piece", "accent", 12)).Problems);
        var half = Assert.Single(Tally(null, Line("truffle-ball", "one", 12, depth: 0.5)).Problems);
        Assert.Equal(("lines[0].depth", "Truffle balls are always dipped whole."), (half.Field, half.Reason.Said()));
    }
}

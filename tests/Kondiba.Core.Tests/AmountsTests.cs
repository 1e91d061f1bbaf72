using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

public class AmountsTests
{
    private static readonly TradeTables Tables = TradeTables.Shipped;
    private static readonly LocalDateTime Now = new(2031, 5, 1, 9, 0);
    private static readonly Gen<(string Centre, string Size)> AnyPiece =
        Gen.OneOfConst([.. Tables.Centres.SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))]);

    private static readonly Gen<LineDraft> AnyLine =
        Gen.Select(AnyPiece, Gen.Int[1, 200], Gen.OneOfConst("dark", "teal"), Gen.Double[0.1, 0.7], Gen.Int[1, 2])
            .Select((piece, count, colour, depth, coats) => new LineDraft(piece.Centre, piece.Size, count, colour, depth, coats));

    private static CoatingTally Tally(string? vessel, params LineDraft[] lines) =>
        CoatingTally.For(
            new("Chess final", Now.PlusDays(3), null, lines, vessel is null ? new Dictionary<string, string>() : new Dictionary<string, string> { ["dark"] = vessel, ["teal"] = vessel }),
            Tables,
            Now);

    private static LineDraft Berries(int count = 24, double depth = 0.75, int coats = 1) => new("strawberry", "L", count, "dark", depth, coats);

    /// <summary>Common practice: a pound of coating melts to about twelve fluid ounces.</summary>
    [Fact]
    public void Sixteen_ounces_melt_to_about_twelve_fluid_ounces()
    {
        var flow = Flow.Of(Tables.Coatings[0], Tables.Film);
        Assert.InRange((Quantities.Of<Mass>(16, "oz") / flow.Density).In("fl oz"), 12 * 0.95, 12 * 1.05);
    }

    /// <summary>Common practice: twelve ounces of chocolate for a pound of berries; here 0.45 kg of large ones, two thirds, 9 cm.</summary>
    [Fact]
    public void A_pound_of_berries_wants_about_twelve_ounces()
    {
        var pot = Tally("jar", Berries(450 / 18, 2.0 / 3)).Pots.Single();
        Assert.InRange(pot.ToMelt.Value.In("kg"), 0.26, 0.40);
    }

    /// <summary>The film equations worked by hand for 30 % fat at 35 °C, shaken, 5 s (Krieger &amp; Dougherty; Heymann et al.; Jeffreys).</summary>
    [Fact]
    public void The_film_follows_its_equations()
    {
        var flow = Flow.Of(Tables.Coatings[0], Tables.Film);
        Assert.Equal(1250, flow.Density.Si, 6);
        Assert.Equal(21.0, flow.Yield.Si, 2);
        Assert.Equal(1.872, flow.Viscosity.Si, 2);
        Assert.Equal(1.142 + 0.761, Film.After(flow, Quantities.Of<Length>(28.5, "mm"), Tables.Film).Value.In("mm"), 2);
    }

    [Fact]
    public void More_pieces_coats_or_depth_never_need_less() =>
        Gen.Select(AnyLine, Gen.Int[1, 50], Gen.Double[0, 0.29], AnyLine).Sample((line, more, deeper, other) =>
        {
            var now = Needs(line, other);
            Assert.True(now <= Needs(line with { Count = line.Count + more }, other) + 1e-9);
            Assert.True(now <= Needs(line with { Coats = line.Coats + 1 }, other) + 1e-9);

            // Below whole, so that a cookie stays on its edge: laid flat on a fork it stands in less coating than on edge.
            Assert.True(now <= Needs(line with { Depth = line.Depth + deeper }, other) + 1e-9);

            static double Needs(params LineDraft[] lines)
            {
                // The pot insert takes all but long dips of rods; give those the depth they can have.
                var fitting = lines.Select(l => l.Centre == "pretzel-rod" ? l with { Depth = l.Depth * 0.45 } : l).ToArray();
                var tally = Tally("pot-insert", fitting);
                Assert.DoesNotContain(tally.Problems, p => p.Severity != Severity.Mind);
                return tally.Pots.Sum(p => p.ToMelt.Value.Si);
            }
        });

    [Fact]
    public void Dipping_a_cookie_whole_never_puts_less_on_it()
    {
        var line = new LineDraft("sandwich-cookie", "thin", 12, "dark", 1, 1);
        Gen.Double[0.01, 1].Sample(depth =>
            Tally(null, line with { Depth = depth }).Lines[0].PerPiece.Value <= Tally(null, line).Lines[0].PerPiece.Value);
    }

    [Fact]
    public void A_narrower_vessel_never_needs_more_pool() =>
        Gen.Select(Gen.Double[45, 200], Gen.Double[1, 1.8], Gen.Int[1, 100], Gen.Double[0.1, 1]).Sample((narrow, wider, count, depth) =>
        {
            var (less, more) = (PoolIn(narrow), PoolIn(narrow * wider));
            Assert.True(less <= more + 1e-12);

            double PoolIn(double diameter)
            {
                var across = new Sourced<Length>(Quantities.Of<Length>(diameter, "mm"), Source.Entered);
                var vessel = new Vessel("test", "test", across, across, across with { Value = Quantities.Of<Length>(200, "mm") });
                var tally = CoatingTally.For(new("x", Now, null, [Berries(count, depth)], new Dictionary<string, string>()), Tables with { Vessels = [vessel] }, Now);
                return tally.Pots.Single().Pool.Value.Si;
            }
        });

    [Fact]
    public void The_vessel_chosen_for_the_maker_wants_least_of_those_that_take_every_piece() =>
        AnyLine.Array[1, 4].Sample(lines =>
        {
            foreach (var pot in Tally(null, lines).Pots)
            {
                var fitting = pot.Vessels.Where(v => v.ToMelt is not null).ToList();
                if (fitting.Count > 0)
                    Assert.Equal(fitting.Min(v => v.ToMelt!.Value.Si), pot.ToMelt.Value.Si, 12);
            }
        });

    [Fact]
    public void A_pot_is_its_parts_and_packs_cover_it() =>
        AnyLine.Array[1, 4].Sample(lines =>
        {
            foreach (var pot in Tally(null, lines).Pots)
            {
                Assert.Equal(pot.ToMelt.Value.Si, (pot.OnPieces.Value + pot.Pool.Value + pot.Spare.Value).Si, 12);
                Assert.Equal(pot.PackSize.Si * pot.Packs.Value, (pot.ToMelt.Value + pot.LeftInPack).Si, 12);
                Assert.InRange(pot.LeftInPack.Si, -1e-12, pot.PackSize.Si);
                Assert.Equal(["pool", "pieces", "spare"], pot.Bands.Select(b => b.Kind));
                Assert.True(pot.Bands[0].To <= pot.Bands[1].To && pot.Bands[1].To <= pot.Bands[2].To);
                Assert.True(pot.Bands[2].To <= Tables.Vessel(pot.Vessel)!.Height.Value);
            }
        });

    /// <summary>At every moment of the day the vessel must still hold the pool of the piece being dipped.</summary>
    [Fact]
    public void Enough_always_stands_for_the_piece_being_dipped() =>
        AnyLine.Array[1, 5].Sample(lines =>
        {
            var tally = Tally(null, lines);
            var flow = Flow.Of(Tables.Coatings[0], Tables.Film);
            foreach (var pot in tally.Pots)
            {
                var vessel = Tables.Vessel(pot.Vessel)!;
                var inDipOrder = tally.Trays.SelectMany(t => t.Rows).Select(r => r.Line).Distinct().Where(i => lines[i].Colour == pot.Colour);
                if (pot.Vessels.Single(v => v.Vessel == pot.Vessel).ToMelt is null)
                    continue;
                var stands = pot.OnPieces.Value + pot.Pool.Value;
                foreach (var i in inDipOrder)
                {
                    stands -= tally.Lines.Single(l => l.Line == i).OnPieces.Value;
                    var sits = Tables.Centre(lines[i].Centre)!.Size(lines[i].Size)!.Shape.Immerse(new(lines[i].Depth));
                    Assert.True((stands / flow.Density + sits.Displaced).Si >= vessel.UpTo(sits.Depth).Si - 1e-12);
                }
            }
        });

    [Fact]
    public void Every_vessel_tells_the_level_of_a_volume_back() =>
        Gen.Select(Gen.OneOfConst([.. Tables.Vessels]), Gen.Double[0, 1]).Sample((vessel, share) =>
            Math.Abs(vessel.LevelOf(vessel.UpTo(vessel.Height.Value * share)).Si - (vessel.Height.Value.Si * share)) < 1e-9);

    [Theory]
    [InlineData(0, "at least one piece")]
    [InlineData(-3, "at least one piece")]
    [InlineData(1_000_000, "more than a home kitchen dips")]
    public void A_count_that_cannot_be_is_named_and_the_other_line_still_computes(int count, string reason)
    {
        var tally = Tally(null, Berries(count), Berries(12));
        var problem = Assert.Single(tally.Problems);
        Assert.Equal("lines[0].count", problem.Field);
        Assert.Contains(reason, problem.Reason, StringComparison.Ordinal);
        Assert.NotEmpty(problem.Remedy);
        Assert.Equal(12, tally.Pieces);
        Assert.Equal(1, Assert.Single(tally.Lines).Line);
        Assert.Single(tally.Pots);
    }

    public static TheoryData<LineDraft, string> BadLines => new()
    {
        { Berries() with { Centre = "plum stone" }, "lines[0].centre" },
        { Berries() with { Centre = null }, "lines[0].centre" },
        { Berries() with { Size = "huge" }, "lines[0].size" },
        { Berries() with { Colour = "chrome" }, "lines[0].colour" },
        { Berries(depth: 0), "lines[0].depth" },
        { Berries(depth: double.NaN), "lines[0].depth" },
        { Berries(depth: 1.2), "lines[0].depth" },
        { Berries(coats: 0), "lines[0].coats" },
        { Berries(coats: 9), "lines[0].coats" },
    };

    [Theory]
    [MemberData(nameof(BadLines))]
    public void A_field_that_cannot_be_is_named(LineDraft line, string field)
    {
        var tally = Tally(null, line, Berries(6));
        Assert.Equal(field, Assert.Single(tally.Problems).Field);
        Assert.Equal(6, tally.Pieces);
    }

    [Fact]
    public void An_apple_does_not_go_into_a_tall_glass_and_the_berries_still_do()
    {
        var tally = Tally("tall-glass", new LineDraft("apple", "M", 6, "dark", 0.9, 1), Berries(6));
        var problem = Assert.Single(tally.Problems, p => p.Severity == Severity.Unfit);
        Assert.Equal("vessels.dark", problem.Field);
        Assert.Equal("A medium apple is 76 mm across and wants 82 mm to move in; the 7 cm tall glass is 70 mm wide.", problem.Reason);
        Assert.Contains("jar", problem.Remedy, StringComparison.Ordinal);
        Assert.Equal(tally.Lines[1].OnPieces.Value, tally.Pots.Single().OnPieces.Value);
    }

    [Fact]
    public void A_rod_dipped_deeper_than_any_vessel_is_named_at_its_depth()
    {
        var tally = Tally(null, new LineDraft("pretzel-rod", "one", 6, "dark", 0.8, 1));
        var problem = Assert.Single(tally.Problems);
        Assert.Equal("lines[0].depth", problem.Field);
        Assert.Contains("wants 160 mm", problem.Reason, StringComparison.Ordinal);
        Assert.Empty(tally.Pots);
    }

    [Fact]
    public void Order_fields_that_cannot_be_are_named()
    {
        var tally = CoatingTally.For(new(" ", Now.PlusMinutes(-1), new('x', 2001), [Berries()], new Dictionary<string, string> { ["dark"] = "thimble" }), Tables, Now);
        Assert.Equal(["name", "notes", "pickup", "vessels.dark"], tally.Problems.Select(p => p.Field));
        Assert.NotEmpty(tally.Pots);
        var without = CoatingTally.For(new("x", null, null, [], new Dictionary<string, string>()), Tables, Now);
        Assert.Equal("pickup", Assert.Single(without.Problems).Field);
    }

    [Fact]
    public void Every_figure_says_how_it_came_about()
    {
        var tally = Tally(null, Berries(), new LineDraft("pretzel-rod", "one", 12, "dark", 0.33, 1));
        var pot = tally.Pots.Single();
        Ends(pot.ToMelt.Value.In("g"), pot.ToMelt.Working);
        Ends(pot.OnPieces.Value.In("g"), pot.OnPieces.Working);
        Ends(pot.Pool.Value.In("g"), pot.Pool.Working);
        Ends(pot.Spare.Value.In("g"), pot.Spare.Working);
        Ends(pot.Packs.Value, pot.Packs.Working);
        Assert.All(tally.Lines, l => Ends(l.PerPiece.Value.In("g"), l.PerPiece.Working));
        Assert.All(tally.Lines, l => Ends(l.Film.Value.In("mm"), l.Film.Working));
        Assert.All(tally.Lines, l => Ends(l.OnPieces.Value.In("g"), l.OnPieces.Working));
        Assert.Equal(pot.Pool.Working, tally.WorkingOf("pots.dark.pool"));
        Assert.Equal("handle-hard after", tally.WorkingOf("lines[1].setting.freezer")![^1].What);
        Assert.Null(tally.WorkingOf("pots.chrome.pool"));

        static void Ends(double value, IReadOnlyList<WorkingLine> working)
        {
            Assert.Equal(value, working[^1].Value, 9);
            Assert.All(working, w => Assert.NotEmpty(w.Source.Text));
        }
    }

    [Fact]
    public void Trays_hold_every_piece_once_and_none_over_the_edge() =>
        AnyLine.Array[1, 6].Sample(lines =>
        {
            var tally = Tally(null, lines);
            foreach (var tray in tally.Trays)
            {
                Assert.True(tray.Used <= tray.Depth);
                foreach (var row in tray.Rows)
                {
                    var half = Tables.Centre(lines[row.Line].Centre)!.Size(lines[row.Line].Size)!.Shape.Width / 2;
                    Assert.True((row.X - half).Si >= 0);
                    Assert.True((row.X + (row.Pitch * (row.Count - 1)) + half).Si <= tray.Width.Si);
                }
            }

            var laid = tally.Trays.SelectMany(t => t.Rows).GroupBy(r => r.Line).ToDictionary(g => g.Key, g => g.Sum(r => r.Count));
            foreach (var (line, count) in laid)
                Assert.Equal(lines[line].Count, count);
        });
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Vessels;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public class AmountsTests
{
    private static readonly Gen<(string Centre, string Size)> AnyPiece =
        Gen.OneOfConst([
            .. Tables.Reference.Centres.Where(c => c.Holding is not Centres.Holding.Mould)
                .SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code))),
        ]);

    private static readonly Gen<LineDraft> AnyLine =
        Gen.Select(AnyPiece, Gen.Int[1, 200], Gen.OneOfConst("dark", "teal"), Gen.Double[0.1, 0.7], Gen.Int[1, 2])
            .Select((piece, count, colour, depth, coats) => Line(piece.Centre, piece.Size, count, colour, depth, coats));

    /// <summary>Common practice: a pound of coating melts to about twelve fluid ounces.</summary>
    /// <summary>An order is limited as a whole: of what is beyond its limits nothing is computed.</summary>
    [Fact]
    public void An_order_without_end_is_cut_off_before_it_is_computed()
    {
        var tally = CoatingTally.For(Order(null, [.. Enumerable.Repeat(Rods(2000), 10_000)]), Tables, Now);
        Assert.Equal(10_000, tally.Pieces);
        Assert.Contains(tally.Problems, p => p.Field == "lines" && p.Severity is Severity.Error);
        Assert.Contains(tally.Problems, p => p.Field == "lines[5].amount" && p.Severity is Severity.Error);
        Assert.Equal(5, tally.Lines.Count);
    }

    [Fact]
    public void Sixteen_ounces_melt_to_about_twelve_fluid_ounces()
    {
        var flow = Flow.Of(Tables.Reference.Coatings[0], default, Tables.Reference.Film);
        Assert.InRange((Quantities.Of<Mass>(16, "oz") / flow.Density).In("fl oz"), 12 * 0.95, 12 * 1.05);
    }

    /// <summary>
    /// The film equations worked by hand for 30 % fat at 35 °C, shaken, 5 s (Krieger &amp; Dougherty; Heymann et al.; Jeffreys).
    /// </summary>
    [Fact]
    public void The_film_follows_its_equations()
    {
        var flow = Flow.Of(Tables.Reference.Coatings[0], default, Tables.Reference.Film);
        Assert.Equal(1250, flow.Density.Si, 6);
        Assert.Equal(13.65, flow.Yield.Si, 2);
        Assert.Equal(1.248, flow.Viscosity.Si, 3);
        Assert.Equal(0.742 + 0.621, Film.After(flow, Quantities.Of<Length>(28.5, "mm"), Tables.Reference.Film).Value.In("mm"), 2);
    }

    [Fact]
    public void More_pieces_coats_or_depth_never_need_less() =>
        Gen.Select(AnyLine, Gen.Int[1, 50], Gen.Double[0, 0.29], AnyLine).Sample((line, more, deeper, other) =>
        {
            var now = Needs(line, other);
            Assert.True(now <= Needs(line with { Amount = line.Amount + more }, other) + 1e-9);
            Assert.True(now <= Needs(line with { Coats = line.Coats + 1 }, other) + 1e-9);
            Assert.True(now <= Needs(line with { Depth = line.Depth + deeper }, other) + 1e-9);

            static double Needs(params LineDraft[] lines)
            {
                // Deeper than wide, so that all is dipped upright; by a hand that reaches anywhere.
                var jar = new RoundVessel("jar", "jar", [], Mm(200), Mm(200), Mm(210));
                var anywhere = Tables.Reference.Dipping.Upright with { ReachIn = new(Mm(300), Source.Entered) };
                var tally = CoatingTally.For(
                    Order(
                        null, lines), Tables with
                        {
                            Reference = Tables.Reference with
                            {
                                Vessels = [
                            jar,
                        ],
                                Dipping = Tables.Reference.Dipping with { Upright = anywhere }
                            }
                        }, Now);
                Assert.DoesNotContain(tally.Problems, p => p.Severity != Severity.Mind);
                return tally.Pots.Sum(p => p.ToMelt.Value.Si);
            }
        });

    [Fact]
    public void Dipping_a_cookie_whole_never_puts_less_on_it()
    {
        var line = Line("sandwich-cookie", "thin", 12, "dark", 1, 1);
        Gen.Double[0.01, 1].Sample(depth =>
            Tally(null, line with { Depth = depth }).Lines[0].PerPiece.Value <= Tally(null, line).Lines[0].PerPiece.Value);
    }

    [Fact]
    public void A_narrower_vessel_never_needs_more_pool() =>
        Gen.Select(Gen.Double[90, 150], Gen.Double[1, 1.8], Gen.Double[0.1, 1]).Sample((narrow, wider, depth) =>
        {
            Assert.True(Stands(narrow) <= Stands(narrow * wider) + 1e-12);

            double Stands(double across)
            {
                var seat = Tables.Reference.Dipping.Upright.Seat(
                    new("berry", Holding.ByHand, Size(Berries(1)).Shape, new(depth)),
                    new RoundVessel("test", "test", [], Mm(across), Mm(across), Mm(80)))!;
                Assert.Null(seat.Misfit.Said());
                return seat.Stands.Si;
            }
        });

    [Fact]
    public void A_pot_is_its_parts_melts_add_up_and_packs_cover_it() =>
        Gen.Select(AnyLine.Array[1, 4], Gen.OneOfConst(null, "none", "flakes")).Sample((lines, thinner) =>
        {
            foreach (var pot in Tally(new(Thinner: thinner), lines).Pots)
            {
                Assert.Equal(pot.ToMelt.Value.Si, (pot.OnPieces.Value + pot.Pool.Value + pot.Spare.Value).Si, 9);
                Assert.Equal(pot.ToMelt.Value.Si, (pot.OfCoating + (pot.Thinner?.Mass.Value ?? default)).Si, 9);
                Assert.Equal(pot.ToMelt.Value.Si, pot.Melts.Total().Si, 9);
                Assert.Equal(thinner == "flakes", pot.Thinner is not null);
                Assert.Equal(pot.Cover.Packs.Sum(p => p.Holds * p.Count), pot.OfCoating.In("g") + pot.Cover.Left, 6);
                Assert.True(pot.Cover.Left >= -1e-9);
                Assert.Equal(["pool", "pieces", "spare"], pot.Bands.Select(b => b.Kind));
                Assert.True(pot.Bands[0].To <= pot.Bands[1].To && pot.Bands[1].To <= pot.Bands[2].To);
                var vessel = Tables.Reference.Vessel(pot.Vessel)!;
                Assert.True(pot.Bands[2].To <= vessel.LevelOf(vessel.Capacity));
                if (pot.Melts.Count > 1)
                    Assert.All(pot.Melts, m => Assert.True(m.Si > pot.Melts[0].Si * 0.02));
            }
        });

    /// <summary>At every moment of the day the vessel must still hold the pool of the piece being dipped.</summary>
    [Fact]
    public void Enough_always_stands_for_the_piece_being_dipped() =>
        AnyLine.Array[1, 5].Sample(lines =>
        {
            var tally = In("pot-insert", lines);
            var flow = Flow.Of(Tables.Reference.Coatings[0], default, Tables.Reference.Film);
            foreach (var pot in tally.Pots)
            {
                var vessel = Tables.Reference.Vessel(pot.Vessel)!;
                var inDipOrder = tally.Trays.SelectMany(t => t.Rows)
                    .Select(r => r.Line)
                    .Distinct()
                    .Where(i => lines[i].Colour == pot.Colour);
                if (pot.Vessels.Single(v => v.Vessel == pot.Vessel).ToMelt is null)
                    continue;
                var stands = pot.OnPieces.Value + pot.Pool.Value;
                foreach (var i in inDipOrder)
                {
                    var line = tally.Lines.Single(l => l.Line == i);
                    stands -= line.OnPieces.Value;
                    var way = Tables.Reference.Dipping.All.Single(w => w.Code == pot.Ways.Single(l => l.Line == i && l.Layer == 0).Way);
                    var seat = way.Seat(
                        new(
                            "piece", Tables.Reference.Centre(lines[i].Centre)!.Holding, Size(lines[i]).Shape, new(
                                lines[i].Depth)), vessel)!;
                    Assert.Null(seat.Misfit.Said());

                    // The last pieces may be spooned over instead.
                    Assert.True((stands + (line.PerPiece.Value * pot.Spooned)).Si >= seat.StandsOf(flow.Density).Si - 1e-12);
                }
            }
        });

    [Fact]
    public void Every_vessel_tells_the_level_of_a_volume_back() =>
        Gen.Select(Gen.OneOfConst([.. Tables.Reference.Vessels]), Gen.Double[0.01, 1]).Sample((vessel, share) =>
            Math.Abs(
                vessel.LevelOf(
                    vessel.Capacity * share).Si - vessel.LevelOf(vessel.UpToLevel(vessel.LevelOf(vessel.Capacity * share))).Si) < 1e-9
            && Math.Abs((vessel.UpToLevel(vessel.LevelOf(vessel.Capacity * share)) / (vessel.Capacity * share)) - 1) < 1e-6);

    [Theory]
    [InlineData(0, "less than one piece")]
    [InlineData(-3, "less than one piece")]
    [InlineData(1_000_000, "1 to 2,000 pieces")]
    public void A_count_that_cannot_be_is_named_and_the_other_line_still_computes(int count, string reason)
    {
        var tally = Tally(null, Berries(count), Berries(12));
        var problem = Assert.Single(tally.Problems);
        Assert.Equal("lines[0].amount", problem.Field);
        Assert.Contains(reason, problem.Reason.Said(), StringComparison.Ordinal);
        Assert.NotEmpty(problem.Remedy.Said());
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
        { Berries() with { Coating = "tar" }, "lines[0].coating" },
        { Berries() with { Coating = "dark-couverture", Colour = "teal" }, "lines[0].colour" },
        { Berries() with { CountedIn = CountedIn.Packs }, "lines[0].countedIn" },
        { Berries(2.5), "lines[0].amount" },
        { Berries(10) with { CountedIn = CountedIn.Weight }, "lines[0].amount" },
        { Berries(depth: -0.1), "lines[0].depth" },
        { Berries(depth: 1e-200), "lines[0].depth" },
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
        var tally = In("tall-glass", Line("apple", "M", 6, "dark", 0.9, 1), Line("cake-ball", "one", 6));
        var problem = Assert.Single(tally.Problems, p => p.Severity == Severity.Unfit);
        Assert.Equal($"pots.{Wafers}.dark.vessel", problem.Field);
        Assert.Equal(
            "A medium apple is 76 mm across and needs 91 mm to go in and out upright; the 7 cm tall glass is 70 mm wide.",
            problem.Reason.Said());
        Assert.Contains("bowl", problem.Remedy.Said(), StringComparison.Ordinal);
        Assert.Equal(tally.Lines[1].OnPieces.Value, tally.Pots.Single().OnPieces.Value);
    }

    [Fact]
    public void A_rod_dipped_deeper_than_the_vessel_is_named_with_what_would_do()
    {
        var tally = In("narrow-glass", Line("pretzel-rod", "one", 6, "dark", 0.8, 1));
        var problem = Assert.Single(tally.Problems);
        Assert.Equal($"pots.{Wafers}.dark.vessel", problem.Field);
        Assert.Contains("needs 168 mm", problem.Reason.Said(), StringComparison.Ordinal);
        Assert.Empty(tally.Pots);
        Assert.Equal("loaf-dish", Tally(null, Line("pretzel-rod", "one", 6, "dark", 0.8, 1)).Pots.Single().Vessel);
    }

    [Fact]
    public void Order_fields_that_cannot_be_are_named()
    {
        var bad = new Dictionary<string, PotDraft>
        {
            [$"{Wafers}.dark"] = new("thimble", "cocoa-butter", 9),
            ["tar.dark"] = new(),
        };
        var tally = CoatingTally.For(
            new([Berries()]) { Name = " ", Pickup = Now.PlusMinutes(-1), Notes = new('x', 2001), Pots = bad, Margin = 1.5 }, Tables, Now);
        Assert.Equal(
            ["name", "notes", "pickup", "margin", $"pots.{Wafers}.dark.vessel", $"pots.{Wafers}.dark.thinner", $"pots.{Wafers}.dark.film",
                "pots.tar.dark"],
            tally.Problems.Select(p => p.Field));
        Assert.All(tally.Problems, p => Assert.NotEmpty(p.Remedy.Said()));
        Assert.NotEmpty(tally.Pots);
        var without = CoatingTally.For(new([]) { Name = "x" }, Tables, Now);
        Assert.Equal("pickup", Assert.Single(without.Problems).Field);
    }

    [Fact]
    public void Every_figure_says_how_it_came_about()
    {
        var tally = Tally(new(Thinner: "flakes"), Berries(), Line("pretzel-rod", "one", 12, "dark", 0.33, 1));
        var pot = tally.Pots.Single();
        Ends(pot.Thinner!.Mass.Value.In("g"), pot.Thinner.Mass.Working);
        Ends(pot.TestFilm.Value.In("mm"), pot.TestFilm.Working);
        Ends((double)pot.Worth.Value.Amount, pot.Worth.Working);
        Assert.All(tally.Lines, l => Ends(l.Count.Value, l.Count.Working));
        Assert.All(tally.Lines, l => Ends(l.Foot.Value.In("g"), l.Foot.Working));
        Ends(pot.ToMelt.Value.In("g"), pot.ToMelt.Working);
        Ends(pot.OnPieces.Value.In("g"), pot.OnPieces.Working);
        Ends(pot.Pool.Value.In("g"), pot.Pool.Working);
        Ends(pot.Spare.Value.In("g"), pot.Spare.Working);
        Ends(pot.Packs.Value, pot.Packs.Working);
        Assert.All(tally.Lines, l => Ends(l.PerPiece.Value.In("g"), l.PerPiece.Working));
        Assert.All(tally.Lines, l => Ends(l.Film.Value.In("mm"), l.Film.Working));
        Assert.All(tally.Lines, l => Ends(l.OnPieces.Value.In("g"), l.OnPieces.Working));
        Assert.Equal(pot.Pool.Working, tally.WorkingOf($"pots.{Wafers}.dark.pool"));
        Assert.Equal("handle-hard after", tally.WorkingOf("lines[1].setting.freezer")![^1].What.Said());
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
                    var half = Size(lines[row.Line]).Shape.Width / 2;
                    Assert.True((row.X - half).Si >= 0);
                    Assert.True((row.X + (row.Pitch * (row.Count - 1)) + half).Si <= tray.Width.Si);
                }
            }

            var laid = tally.Trays.SelectMany(t => t.Rows).GroupBy(r => r.Line).ToDictionary(g => g.Key, g => g.Sum(r => r.Count));
            foreach (var (line, count) in laid)
                Assert.Equal(lines[line].Amount, count);
        });
}

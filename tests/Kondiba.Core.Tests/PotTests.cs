using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Pots and trays by example.</summary>
public class PotTests
{
    private static readonly TradeTables Tables = TradeTables.Shipped;
    private static readonly LocalDateTime Now = new(2031, 5, 1, 9, 0);

    private static CoatingTally Tally(string vessel, params LineDraft[] lines) =>
        CoatingTally.For(new("Harbour lights", Now.PlusDays(2), null, lines, lines.Select(l => l.Colour!).Distinct().ToDictionary(c => c, _ => vessel)), Tables, Now);

    private static LineDraft Rods(int count, string colour = "midnight") => new("pretzel-rod", "one", count, colour, 0.33, 1);

    private static LineDraft Truffles(int count, string colour = "midnight") => new("truffle-ball", "one", count, colour, 1, 1);

    [Fact]
    public void Rods_are_dipped_before_truffles_whatever_the_order_says_as_they_want_deeper_coating()
    {
        var tally = Tally("tall-glass", Truffles(12), Rods(24));
        Assert.Equal([1, 0], tally.Trays.SelectMany(t => t.Rows).Select(r => r.Line).Distinct());
    }

    [Fact]
    public void What_later_pieces_use_up_is_not_asked_for_as_pool()
    {
        var rods = Tally("tall-glass", Rods(24)).Pots.Single();
        var both = Tally("tall-glass", Rods(24), Truffles(12));
        var truffles = both.Lines[1].OnPieces.Value;
        Assert.Equal((rods.Pool.Value - truffles).Si, both.Pots.Single().Pool.Value.Si, 9);
    }

    /// <summary>Pool by hand: 7 cm glass, 66 mm deep, less a rod of 13 mm, at 1250 kg/m³.</summary>
    [Fact]
    public void The_pool_is_what_stands_round_the_last_piece()
    {
        var byHand = 1.25 * Math.PI / 4 * ((70 * 70) - (13 * 13)) * 66 / 1000;
        Assert.Equal(byHand, Tally("tall-glass", Rods(6)).Pots.Single().Pool.Value.In("g"), 6);
    }

    [Fact]
    public void A_pot_larger_than_its_vessel_is_filled_again_and_drawn_to_the_rim()
    {
        var tally = Tally("tall-glass", Rods(100));
        var pot = tally.Pots.Single();
        Assert.True(pot.Fills > 1);
        Assert.Equal(150, pot.Bands[^1].To.In("mm"), 6);
        var problem = Assert.Single(tally.Problems);
        Assert.Equal(("vessels.midnight", Severity.Mind), (problem.Field, problem.Severity));
    }

    [Fact]
    public void A_larger_size_never_takes_less()
    {
        foreach (var code in new[] { "strawberry", "apple" })
        {
            var sizes = Tables.Centres.Single(c => c.Code == code).Sizes;
            var each = sizes.Select(s => Tally("pot-insert", new LineDraft(code, s.Code, 1, "dark", 0.6, 1)).Lines[0].PerPiece.Value.Si).ToList();
            Assert.Equal(each.Order(), each);
        }
    }

    /// <summary>From memory: a maker's figures for one piece, well dipped. Rods and truffles 6–11 g, large berries 3–7 g, apples 35–60 g.</summary>
    [Theory]
    [InlineData("pretzel-rod", "one", 0.33, 6, 11)]
    [InlineData("truffle-ball", "one", 1, 5, 11)]
    [InlineData("strawberry", "L", 0.75, 3, 7)]
    [InlineData("apple", "M", 1, 35, 60)]
    [InlineData("sandwich-cookie", "thin", 1, 8, 16)]
    public void A_maker_would_believe_what_one_piece_takes(string centre, string size, double depth, double from, double to) =>
        Assert.InRange(Tally("pot-insert", new LineDraft(centre, size, 1, "dark", depth, 1)).Lines[0].PerPiece.Value.In("g"), from, to);

    [Fact]
    public void A_line_that_would_be_torn_starts_a_tray_of_its_own()
    {
        var berries = new LineDraft("strawberry", "L", 24, "dark", 0.75, 1);
        var trays = Tally("tall-glass", Rods(24), berries).Trays;
        Assert.Equal(2, trays.Count);
        Assert.Equal(24, trays[0].Rows.Sum(r => r.Count));
        Assert.Equal(24, trays[1].Rows.Sum(r => r.Count));
    }

    [Fact]
    public void Several_orders_add_up_colour_by_colour_and_share_bags()
    {
        var (one, two) = (Tally("tall-glass", Rods(6), Truffles(6, "plum")), Tally("tall-glass", Rods(6)));
        var needs = CoatingNeed.For([one, two]);
        var midnight = needs.Single(n => n.Colour == "midnight");
        Assert.Equal(one.Pots[0].ToMelt.Value.Si * 2, midnight.ToMelt.Si, 9);
        Assert.Equal((int)Math.Ceiling(midnight.ToMelt / midnight.PackSize), midnight.Packs);
        Assert.True(midnight.Packs <= one.Pots[0].Packs.Value + two.Pots[0].Packs.Value);
        Assert.Equal(needs.OrderByDescending(n => n.ToMelt.Si), needs);
    }
}

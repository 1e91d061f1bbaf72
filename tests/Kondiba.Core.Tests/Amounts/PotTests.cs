using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Pots and trays by example.</summary>
public class PotTests
{
    [Fact]
    public void Rods_are_dipped_before_cake_balls_whatever_the_order_says_as_they_want_deeper_coating()
    {
        var tally = In("jar", Line("cake-ball", "one", 12, "midnight"), Rods(24));
        Assert.Equal([1, 0], tally.Trays.SelectMany(t => t.Rows).Select(r => r.Line).Distinct());
    }

    [Fact]
    public void What_later_pieces_use_up_is_not_asked_for_as_pool()
    {
        var rods = In("tall-glass", Rods(60)).Pots.Single();
        var both = In("tall-glass", Rods(60), Line("cake-ball", "one", 12, "midnight"));
        var cakes = both.Lines[1].OnPieces.Value;
        Assert.Equal(0, rods.Spooned);
        Assert.Equal((rods.Pool.Value - cakes).Si, both.Pots.Single().Pool.Value.Si, 9);
    }

    /// <summary>Pool by hand: 7 cm glass, 66 and 8 mm deep, less 66 mm of a rod of 13 mm, at 1250 kg/m³.</summary>
    [Fact]
    public void The_pool_is_what_stands_round_the_last_piece()
    {
        var byHand = 1.25 * Math.PI / 4 * ((70 * 70 * 74) - (13 * 13 * 66)) / 1000;
        Assert.Equal(byHand, In("tall-glass", Rods(100)).Pots.Single().Pool.Value.In("g"), 6);
    }

    [Fact]
    public void A_pot_larger_than_its_vessel_is_melted_in_equal_parts_that_top_it_up()
    {
        var tally = In("tall-glass", Rods(100));
        var pot = tally.Pots.Single();
        Assert.True(pot.Melts.Count > 1);
        Assert.Single(pot.Melts.Skip(1).Distinct());
        Assert.InRange(pot.Bands[^1].To.In("mm"), 110, 150);
        Assert.True(pot.Melts[0] > pot.Pool.Value);
        Assert.Empty(tally.Problems);
    }

    [Fact]
    public void A_larger_size_never_takes_less()
    {
        foreach (var code in new[] { "strawberry", "apple" })
        {
            var sizes = Tables.Reference.Centres.Single(c => c.Code == code).Sizes;
            var each = sizes.Select(s => In("pot-insert", Line(code, s.Code, 1, "dark", 0.6)).Lines[0].PerPiece.Value.Si).ToList();
            Assert.Equal(each.Order(), each);
        }
    }

    /// <summary>
    /// From memory: a maker's figures for one piece, well dipped. Rods and truffles 6–11 g, large berries 3–7 g, apples 35–60 g.
    /// </summary>
    [Theory]
    [InlineData("pretzel-rod", "one", 0.33, 6, 11)]
    [InlineData("truffle-ball", "one", 1, 5, 11)]
    [InlineData("strawberry", "L", 0.75, 3, 7)]
    [InlineData("apple", "M", 1, 35, 60)]
    [InlineData("sandwich-cookie", "thin", 1, 8, 16)]
    public void A_maker_would_believe_what_one_piece_takes(string centre, string size, double depth, double from, double to) =>
        Assert.InRange(In("pot-insert", Line(centre, size, 1, "dark", depth)).Lines[0].PerPiece.Value.In("g"), from, to);

    [Fact]
    public void A_line_that_would_be_torn_starts_a_tray_of_its_own()
    {
        var berries = Line("strawberry", "L", 24, "dark", 0.75);
        var trays = In("jar", Rods(24), berries).Trays;
        Assert.Equal(2, trays.Count);
        Assert.Equal(24, trays[0].Rows.Sum(r => r.Count));
        Assert.Equal(24, trays[1].Rows.Sum(r => r.Count));
    }

    [Fact]
    public void Several_orders_add_up_colour_by_colour_and_share_bags()
    {
        var (one, two) = (In("tall-glass", Rods(6), Truffles(6, "plum")), In("tall-glass", Rods(6)));
        var needs = CoatingNeed.For(one.Pots.Concat(two.Pots).Select(PotNeed.Of), Tables);
        var midnight = needs.Single(n => n.Colour == "midnight");
        Assert.Equal(one.Pots[0].ToMelt.Value.Si * 2, midnight.ToMelt.Si, 9);
        Assert.True(midnight.Cover.Price.Amount <= one.Pots[0].Cover.Price.Amount + two.Pots[0].Cover.Price.Amount);
        Assert.Equal(needs.OrderByDescending(n => n.ToMelt.Si), needs);
    }
}

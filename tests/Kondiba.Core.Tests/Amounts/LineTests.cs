using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>How a line is counted, coated and laid down.</summary>
public class LineTests
{
    private static LineTally Of(LineDraft line) => Tally(null, line).Lines.Single();

    [Theory]
    [InlineData("strawberry", "L", 24, CountedIn.Pieces, 24)]
    [InlineData("strawberry", "L", 2, CountedIn.Dozens, 24)]
    [InlineData("strawberry", "L", 1.5, CountedIn.Dozens, 18)]
    [InlineData("strawberry", "L", 2 * 453.59237, CountedIn.Weight, 50)]
    [InlineData("strawberry", "XL", 450, CountedIn.Weight, 16)]
    [InlineData("sandwich-cookie", "thin", 3, CountedIn.Packs, 36)]
    public void Pieces_are_counted_as_makers_count_them(string centre, string size, double amount, CountedIn countedIn, int pieces)
    {
        var count = Of(Line(centre, size, amount, depth: 0.5) with { CountedIn = countedIn }).Count;
        Assert.Equal(pieces, count.Value);
        Assert.Equal(pieces, count.Working[^1].Value);
    }

    [Fact]
    public void A_weight_never_counts_more_than_it_weighs() =>
        Gen.Double[20, 5000].Sample(grams => Of(Berries(grams) with { CountedIn = CountedIn.Weight }).Count.Value * 18 <= grams);

    /// <summary>Common practice: laid flat a piece spreads a foot; stood upright it does not.</summary>
    [Fact]
    public void A_piece_laid_flat_has_a_foot_and_one_stood_upright_has_none()
    {
        var (flat, upright) = (Of(Berries()), Of(Berries() with { Upright = true }));
        Assert.True(flat.Foot.Value.Si > 0);
        Assert.Equal(0, upright.Foot.Value.Si);
        Assert.Equal((flat.PerPiece.Value - flat.Foot.Value).Si, upright.PerPiece.Value.Si, 12);
    }

    /// <summary>Common practice: a pot too thin makes a big foot.</summary>
    [Fact]
    public void A_thinner_pot_spreads_a_larger_share_of_the_coat_into_the_foot()
    {
        var plain = Tally(null, Line("sandwich-cookie", "thin", 12)).Lines.Single();
        var thinned = Tally(new(Thinner: "flakes", Film: 0.9), Line("sandwich-cookie", "thin", 12)).Lines.Single();
        static double Width(LineTally line) => line.Foot.Value.Si / line.Film.Value.Si;
        Assert.True(Width(thinned) > 0 && thinned.Foot.Value <= plain.Foot.Value * 1.5);
    }

    [Fact]
    public void A_twist_asked_to_stand_is_laid_flat_and_told_so()
    {
        var tally = Tally(null, Line("pretzel-twist", "full", 12) with { Upright = true });
        Assert.Equal("lines[0].upright", Assert.Single(tally.Problems).Field);
        Assert.True(tally.Lines.Single().Foot.Value.Si > 0);
    }

    [Fact]
    public void A_second_coat_at_once_adds_less_than_one_after_setting()
    {
        var berries = Berries() with { Upright = true };
        var (one, atOnce, after) = (Of(berries), Of(berries with { Coats = 2, AtOnce = true }), Of(berries with { Coats = 2 }));
        Assert.Equal(1.35, atOnce.PerPiece.Value / one.PerPiece.Value, 9);
        Assert.Equal(2, after.PerPiece.Value / one.PerPiece.Value, 9);
        Assert.True(atOnce.Coat < after.Coat);
    }

    [Fact]
    public void A_shell_bowl_wants_two_coats()
    {
        var problem = Assert.Single(Tally(null, Line("shell-bowl", "one", 4, depth: 0.5)).Problems);
        Assert.Equal(("lines[0].coats", Severity.Mind), (problem.Field, problem.Severity));
    }

    /// <summary>The margin is the order's own where it has one: 10 % by common practice, or the maker's.</summary>
    [Fact]
    public void A_margin_is_put_on_everything()
    {
        static double ToMelt(double? margin) =>
            CoatingTally.For(Order(new("tall-glass"), Rods(24)) with { Margin = margin }, Tables, Now).Pots.Single().ToMelt.Value.Si;
        Assert.Equal(ToMelt(0) * 1.10, ToMelt(null), 12);
        Assert.Equal(ToMelt(0) * 1.25, ToMelt(0.25), 12);
    }
}

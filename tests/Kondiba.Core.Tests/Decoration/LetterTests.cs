using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Letters piped on pieces, and the steps that a look is made in.</summary>
public class LetterTests
{
    private const string Known = "ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789&+-.!?♥";

    private static PatternTally Piped(
        string text, string centre = "sandwich-cookie", string size = "thin", double depth = 1, double angle = 0) =>
        Tally(
            null,
            Line(
                centre, size, 1, "dark", depth) with
            {
                Decor = Decor.None with
                {
                    Patterns = [
                    new("letters", Wafers, "white", 1, null, 1.6, angle, 0, text),
                ]
                }
            })
            .Lines.Single().Look!.Patterns.Single();

    private static (double Wide, double Tall) Room(PatternTally pattern)
    {
        var x = pattern.Strokes.SelectMany(s => s.Where((_, i) => i % 2 == 0)).Select(l => l.In("mm")).ToList();
        var y = pattern.Strokes.SelectMany(s => s.Where((_, i) => i % 2 == 1)).Select(l => l.In("mm")).ToList();
        return (x.Max() - x.Min(), y.Max() - y.Min());
    }

    [Fact]
    public void Every_letter_figure_and_sign_can_be_piped_and_no_two_are_alike()
    {
        var drawn = Known.Select(c => string.Join(
            ' ', Piped(c.ToString()).Strokes.SelectMany(s => s).Select(l => Math.Round(l.In("mm"), 1))))
            .ToList();
        Assert.All(drawn, d => Assert.NotEmpty(d));
        Assert.Equal(Known.Length, drawn.Distinct().Count());
    }

    [Theory]
    [InlineData("r7", "R7")]
    [InlineData("ab", "AB")]
    public void Small_letters_are_piped_as_capitals(string small, string capital) =>
        Assert.Equal(Piped(capital).Line.Value.Si, Piped(small).Line.Value.Si, 12);

    [Theory]
    [InlineData("I", 1)]
    [InlineData("O", 1)]
    [InlineData("A", 2)]
    [InlineData("E", 2)]
    [InlineData("H", 3)]
    public void A_letter_has_its_strokes(string text, int strokes) => Assert.Equal(strokes, Piped(text).Strokes.Count);

    [Fact]
    public void Letters_are_as_large_as_the_coat_takes()
    {
        // On a cookie of 45 mm one letter stands some 25 mm tall; three share the width.
        Assert.InRange(Room(Piped("H")).Tall, 20, 34);
        Assert.InRange(Room(Piped("ABC")).Wide, 24, 38);
        Assert.True(Room(Piped("H", "apple", "L")).Tall > Room(Piped("H")).Tall);
    }

    [Fact]
    public void On_a_rod_they_stand_one_below_the_other()
    {
        var (wide, tall) = Room(Piped("R7", "pretzel-rod", "one", 0.5));
        Assert.True(tall > wide * 1.8);
        Assert.True(Room(Piped("R7")).Tall < Room(Piped("R7")).Wide * 1.8);
    }

    [Fact]
    public void Turned_by_a_right_angle_they_lie_on_their_side()
    {
        var (upright, turned) = (Room(Piped("L")), Room(Piped("L", angle: 90)));
        Assert.Equal(upright.Wide, turned.Tall, upright.Wide * 0.02);
        Assert.Equal(upright.Tall, turned.Wide, upright.Tall * 0.02);
    }

    [Fact]
    public void Steps_go_as_the_hands_go_wet_before_set_before_glue_and_brush_last()
    {
        var decor = new Decor(
            [new(Wafers, "teal", 0.5)],
            [new("marble", Wafers, "white", 6, null, 1.8), new("zigzag", Wafers, "white", 9, null, 1.8)],
            [new("sanding-sugar", Side.Tip, 0.4), new("nonpareils", Side.Front, 0.2, Glued: true)],
            [new("eye", 2)],
            new("gold", 0.2));
        var steps = Tally(null, Line("truffle-ball", "one", 12) with { Decor = decor }).Lines.Single().Look!.Steps;
        string[] starts =
        [
            "Dip in dark, 100% deep.", "Once it has set, dip the end in teal, 50% deep.", "While it is wet, marble in white.",
            "While it is wet, sanding sugar.",
            "Touch-dry: zigzag in white, unthinned.", "Set: brush with edible glue, then nonpareils", "Set: 2 sugar eyes.",
            "Last, gold lustre.",
        ];
        Assert.Equal(starts.Length, steps.Count);
        Assert.All(starts.Zip(steps), s => Assert.StartsWith(s.First, s.Second.Said(), StringComparison.Ordinal));
    }

    [Fact]
    public void Alcohol_in_lustre_and_nuts_in_sprinkles_are_told()
    {
        // Safety: common practice, and the allergens of Regulation 1169/2011, Annex II.
        Assert.All(Tables.Reference.Decor.Lustres, l => Assert.Contains("alcohol", l.How, StringComparison.Ordinal));
        Assert.Contains("tree nuts", Tables.Reference.Decor.Sprinkle("chopped-nuts")!.Allergens!);
        Assert.Contains("wheat", Tables.Reference.Decor.Sprinkle("crumbs")!.Allergens!);
    }

    [Theory]
    [InlineData("nonpareils", 0.25)]
    [InlineData("jimmies", 0.15)]
    [InlineData("sanding-sugar", 0.12)]
    [InlineData("chopped-nuts", 0.20)]
    [InlineData("coconut", 0.12)]
    [InlineData("crumbs", 0.10)]
    public void Sprinkles_start_from_the_trades_estimates(string kind, double gramsPerArea)
    {
        var perArea = Tables.Reference.Decor.Sprinkle(kind)!.PerArea;
        Assert.Equal(gramsPerArea, perArea.Value.In("g/cm²"), 9);
        Assert.Equal(Tag.Estimate, perArea.Source.Tag);
    }

    [Fact]
    public void A_tip_is_a_little_wider_than_its_bead_and_within_what_is_sold()
    {
        // Tips open 1.5 to 3 mm (common practice); a bag holds 150 g comfortably (from memory).
        var c = Tables.Reference.Decorating;
        Assert.Equal((1.5, 3.0), (c.TipFrom.Value.In("mm"), c.TipTo.Value.In("mm")));
        Assert.Equal((150.0, Tag.FromMemory), (Math.Round(c.BagHolds.Value.In("g"), 9), c.BagHolds.Source.Tag));
        Assert.Equal(2, Piped("A").Tip.In("mm"), 9);
    }
}

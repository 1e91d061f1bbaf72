using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Palettes;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>A scheme of colours on an order's lines, colours that the maker mixes, and looks of the library.</summary>
public class PaletteTests
{
    private static readonly Decor Drizzled = Decor.None with { Patterns = [new("zigzag", Wafers, "white", 9, null, 1.8)] };

    private static string Srgb(string colour) => Tables.Reference.Coating(Wafers)!.Colour(colour)!.Srgb;

    [Fact]
    public void A_scheme_is_worn_in_turn_and_its_drizzle_is_seen_on_every_coat()
    {
        var colours = Tables.Reference.Coating(Wafers)!.Colours.Select(c => c.Srgb).ToArray();
        Gen.Select(Gen.OneOfConst(colours).Array[2, 5], Gen.Int[1, 6]).Sample((scheme, lines) =>
        {
            var order = Enumerable.Repeat(Rods(12) with { Decor = Drizzled }, lines).ToList();
            var palette = Palette.For(new(scheme, order), Tables);
            Assert.Equal(lines, palette.Lines.Count);
            foreach (var line in palette.Lines)
            {
                Assert.Equal(scheme[line.Line % scheme.Length], Srgb(line.Colour));
                Assert.True(Tables.Reference.Colour.SeenOn(
                    Spectrum.LabOf(Srgb(line.Patterns.Single())), Spectrum.LabOf(Srgb(line.Colour))));
            }
        }, iter: 100);
    }

    [Fact]
    public void A_colour_that_is_not_sold_says_how_far_off_the_nearest_is()
    {
        var palette = Palette.For(new(["#e8685a", "#00ff66"], [Rods(12)]), Tables);
        Assert.Equal(("coral", true), (palette.Colours[0].Colour, palette.Colours[0].Reached));
        Assert.Equal(("another colour", false), (palette.Colours[1].Words.Said(), palette.Colours[1].Reached));
    }

    [Theory]
    [InlineData("#24306a", "palette", "2 to 5")]
    [InlineData("#24306a,#bfc5d2,#24306a,#bfc5d2,#24306a,#bfc5d2", "palette", "2 to 5")]
    [InlineData("#24306a,teal", "palette[1]", "not a colour")]
    public void What_is_no_scheme_is_said_and_colours_nothing(string scheme, string field, string says)
    {
        var palette = Palette.For(new(scheme.Split(','), [Rods(12)]), Tables);
        Assert.Contains(says, Assert.Single(palette.Problems, p => p.Field == field).Reason.Said(), StringComparison.Ordinal);
        Assert.Empty(palette.Lines);
        var order = Order(null, Rods(12)) with { Palette = scheme.Split(',') };
        Assert.Contains(CoatingTally.For(order, Tables, Now).Problems, p => p.Field == field && p.Severity == Severity.Error);
    }

    [Fact]
    public void A_mixed_colour_is_bought_as_its_base_and_its_pot_says_the_drops()
    {
        var shipped = OwnTables.Entered(Tables.Reference.Coating(Wafers)!);
        var mist = new OwnColour(
            "mist", "mist", "#7fb7a6", new MixedColour("bright-white", new Dictionary<string, int> { ["blue"] = 2, ["yellow"] = 1 }));
        var own = OwnThings.None with
        {
            Coatings = [shipped with { Colours = [.. shipped.Colours, mist] }],
        };
        Assert.Empty(OwnCheck.Of(own.Coatings[0], Tables.Reference));
        var pot = CoatingTally.For(
            Order(null, Truffles(24, "mist")),
            OwnTables.For(Tables, own) with { Stock = new([new($"coating.{Wafers}.bright-white", 100, new LocalDate(2031, 6, 1))]) },
            Now).Pots
            .Single();
        Assert.Equal("bright-white", pot.Bought);
        Assert.Equal(100, pot.Cover.FromStock, 6);
        Assert.Equal(Math.Round(pot.OfCoating.In("g") / 100 * 2), pot.Drops.Single(d => d.Tint == "blue").InPot);

        // Two colours from one base are bought together.
        var both = CoatingTally.For(Order(null, Truffles(24, "mist"), Truffles(24, "bright-white")), OwnTables.For(Tables, own), Now);
        var need = Assert.Single(CoatingNeed.For(both.Pots.Select(PotNeed.Of), OwnTables.For(Tables, own)));
        Assert.Equal(both.Pots.Sum(p => p.ToMelt.Value.Si), need.ToMelt.Si, 9);
    }

    [Theory]
    [InlineData("mist", "blue", 2, "mixed.base")]
    [InlineData("octarine", "blue", 2, "mixed.base")]
    [InlineData("white", "octarine", 2, "mixed.per100")]
    [InlineData("white", "blue", 99, "mixed.per100")]
    [InlineData("white", "blue", 0, "mixed.per100")]
    public void A_mix_of_nothing_that_is_sold_or_of_too_many_drops_is_refused(string onto, string tint, int drops, string field)
    {
        var shipped = OwnTables.Entered(Tables.Reference.Coating(Wafers)!);
        var mist = new OwnColour("mist", "mist", "#7fb7a6", new MixedColour(onto, new Dictionary<string, int> { [tint] = drops }));
        Assert.Contains(
            OwnCheck.Of(shipped with { Colours = [.. shipped.Colours, mist] }, Tables.Reference),
            p => p.Field == $"colours[{shipped.Colours.Count}].{field}");
    }

    [Fact]
    public void A_look_becomes_a_line_and_what_cannot_be_made_is_not_kept()
    {
        var look = new Look("wake", "Wake", "strawberry", "L", Wafers, "teal", 0.75, 1, false, null, Drizzled);
        Assert.Empty(look.Check(Tables));
        Assert.Equal(("Wake", 24.0), (look.ToLine(24).Look, look.ToLine(24).Amount));
        Assert.Equal(
            "decor.patterns[0].bead",
            Assert.Single((look with { Decor = Decor.None with { Patterns = [Drizzled.Patterns[0] with { Bead = 80 }] } }).Check(
                Tables)).Field);
        Assert.Equal("name", Assert.Single((look with { Name = "" }).Check(Tables)).Field);
        Assert.Equal("colour", Assert.Single((look with { Colour = "octarine", Decor = Decor.None }).Check(Tables)).Field);
    }

    [Fact]
    public void The_makers_own_hand_draws_at_its_own_speed()
    {
        var line = Truffles(12) with { Decor = Drizzled };
        double Seconds(double? speed) =>
            CoatingTally.For(
                Order(
                    null, line), OwnTables.For(
                        Tables, OwnThings.None with { Ways = new(HandSpeed: speed) }), Now).Lines.Single().Look!.Time.Value.TotalSeconds;
        Assert.Equal((Seconds(70) - 1) * 2, Seconds(35) - 1, 0.21);
        Assert.Equal("handSpeed", Assert.Single(OwnCheck.Of(new Ways(HandSpeed: 0), Tables.Reference)).Field);
    }
}

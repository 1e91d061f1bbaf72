using System.Globalization;
using System.Runtime.CompilerServices;
using CsCheck;
using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Palettes;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public class ColourTests
{
    private const string Ivory = "#f0e2c0";
    private static readonly ColourConstants C = Tables.Reference.Colour;
    private static readonly Gen<string> Srgb = Gen.Int[0, 0xffffff].Select(c => $"#{c:x6}");

    private static Tint Of(string code) => Tables.Reference.Tint(code)!;

    private static Lab Tinted(string srgb, params (string Tint, double Drops)[] drops) =>
        Mixing.Tinted(srgb, drops.Select(d => (Of(d.Tint), d.Drops)), C);

    /// <summary>Sharma, Wu &amp; Dalal 2005, table 1 (typed from memory; culori agrees on every row).</summary>
    [Theory]
    [InlineData(50, 2.6772, -79.7751, 50, 0, -82.7485, 2.0425)]
    [InlineData(50, 3.1571, -77.2803, 50, 0, -82.7485, 2.8615)]
    [InlineData(50, 2.8361, -74.0200, 50, 0, -82.7485, 3.4412)]
    [InlineData(50, -1.3802, -84.2814, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, -1.1848, -84.8006, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, -0.9009, -85.5211, 50, 0, -82.7485, 1.0000)]
    [InlineData(50, 0, 0, 50, -1, 2, 2.3669)]
    [InlineData(50, -1, 2, 50, 0, 0, 2.3669)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0009, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0010, 7.1792)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0011, 7.2195)]
    [InlineData(50, 2.4900, -0.0010, 50, -2.4900, 0.0012, 7.2195)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0009, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0010, -2.4900, 4.8045)]
    [InlineData(50, -0.0010, 2.4900, 50, 0.0011, -2.4900, 4.7461)]
    [InlineData(50, 2.5, 0, 50, 0, -2.5, 4.3065)]
    [InlineData(50, 2.5, 0, 73, 25, -18, 27.1492)]
    [InlineData(50, 2.5, 0, 61, -5, 29, 22.8977)]
    [InlineData(50, 2.5, 0, 56, -27, -3, 31.9030)]
    [InlineData(50, 2.5, 0, 58, 24, 15, 19.4535)]
    [InlineData(50, 2.5, 0, 50, 3.1736, 0.5854, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 3.2972, 0, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 1.8634, 0.5757, 1.0000)]
    [InlineData(50, 2.5, 0, 50, 3.2592, 0.3350, 1.0000)]
    [InlineData(60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644)]
    [InlineData(63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630)]
    [InlineData(61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731)]
    [InlineData(35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645)]
    [InlineData(22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373)]
    [InlineData(36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146)]
    [InlineData(90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441)]
    [InlineData(90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381)]
    [InlineData(6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377)]
    [InlineData(2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082)]
    public void Differences_agree_with_the_published_pairs(double l1, double a1, double b1, double l2, double a2, double b2, double deltaE)
    {
        Assert.Equal(deltaE, Lab.DeltaE(new(l1, a1, b1), new(l2, a2, b2)), 4);
        Assert.Equal(deltaE, Lab.DeltaE(new(l2, a2, b2), new(l1, a1, b1)), 4);
    }

    /// <summary>Against culori, which computes CIEDE2000 on its own: Vectors/ciede2000.csv, written by ciede2000.mjs beside it.</summary>
    [Fact]
    public void Differences_agree_with_a_reference_library_on_a_thousand_pairs()
    {
        var rows = File.ReadLines(Path.Combine(Folder(), "Vectors", "ciede2000.csv")).Skip(1)
            .Select(line => line.Split(',').Select(v => double.Parse(v, CultureInfo.InvariantCulture)).ToArray()).ToList();
        Assert.Equal(1000, rows.Count);
        Assert.All(rows, v => Assert.InRange(Lab.DeltaE(new(v[0], v[1], v[2]), new(v[3], v[4], v[5])), v[6] - 1e-6, v[6] + 1e-6));
    }

    /// <summary>Lab of the sRGB primaries and greys by IEC 61966-2-1 and CIE 15, as published in many places.</summary>
    [Theory]
    [InlineData("#ffffff", 100, 0, 0)]
    [InlineData("#000000", 0, 0, 0)]
    [InlineData("#ff0000", 53.24, 80.09, 67.20)]
    [InlineData("#00ff00", 87.73, -86.18, 83.18)]
    [InlineData("#0000ff", 32.30, 79.19, -107.86)]
    [InlineData("#808080", 53.59, 0, 0)]
    public void Screen_colours_have_their_published_lab(string srgb, double l, double a, double b)
    {
        var lab = Spectrum.LabOf(srgb);
        Assert.Equal((l, a, b), (Math.Round(lab.L, 2), Math.Round(lab.A, 2) + 0, Math.Round(lab.B, 2) + 0), new Within(0.03));
        Assert.Equal(srgb, Spectrum.SrgbOf(lab));
    }

    [Fact]
    public void A_coating_looks_like_the_colour_its_spectrum_was_made_from() =>
        Srgb.Sample(srgb =>
        {
            // Screens show colours at the very edge that no smooth reflectance reaches.
            var wanted = Spectrum.LabOf(srgb);
            Assert.True(Lab.DeltaE(wanted, Mixing.Coatings((srgb, 1))) < (wanted.Chroma > 60 ? 4 : 1.5), srgb);
        });

    [Fact]
    public void Every_colour_that_ships_is_met_to_the_eye() =>
        Assert.All(Tables.Reference.Coatings.SelectMany(c => c.Colours)
            .Select(c => c.Srgb)
            .Concat(Tables.Reference.Tints.Select(t => t.Swatch)),
            srgb => Assert.True(Lab.DeltaE(Spectrum.LabOf(srgb), Mixing.Coatings((srgb, 1))) < 0.05, srgb));

    [Fact]
    public void A_colour_mixed_with_itself_is_itself_and_order_does_not_matter() =>
        Gen.Select(Srgb, Srgb, Srgb, Gen.Double[0.1, 9], Gen.Double[0.1, 9]).Sample((one, two, three, m, n) =>
        {
            Assert.True(Lab.DeltaE(Mixing.Coatings((one, 1)), Mixing.Coatings((one, m), (one, n))) < 1e-6);
            Assert.True(
                Lab.DeltaE(Mixing.Coatings((one, m), (two, n), (three, 1)), Mixing.Coatings((three, 1), (one, m), (two, n))) < 1e-6);
        });

    [Fact]
    public void More_colour_in_white_is_darker() =>
        Gen.Select(Gen.OneOfConst([.. Tables.Reference.Tints]), Gen.Double[0, 20], Gen.Double[0.5, 10]).Sample((tint, drops, more) =>
            Mixing.Tinted(C.BrightWhite, [(tint, drops + more)], C).L < Mixing.Tinted(C.BrightWhite, [(tint, drops)], C).L);

    /// <summary>A swatch is how a tint is known: that many drops in 100 g of bright white look like it.</summary>
    [Fact]
    public void As_many_drops_as_the_swatch_has_make_the_swatch() =>
        Assert.All(
            Tables.Reference.Tints,
            t => Assert.True(Lab.DeltaE(Spectrum.LabOf(t.Swatch), Mixing.Tinted(C.BrightWhite, [(t, t.Drops)], C)) < 2, t.Code));

    /// <summary>
    /// Common practice: two parts red and three parts yellow are orange, red and blue purple, green in white a pale green.
    /// </summary>
    [Fact]
    public void Mixes_come_out_as_the_trade_says()
    {
        Assert.InRange(Tinted(C.BrightWhite, ("red", 2), ("yellow", 3)).Hue, 50, 75);
        Assert.InRange(Tinted(C.BrightWhite, ("red", 1), ("blue", 1)).Hue, 290, 345);
        Assert.True(Tinted(C.BrightWhite, ("red", 2), ("blue", 2)).Chroma > 15);
        Assert.InRange(Tinted(C.BrightWhite, ("blue", 4), ("yellow", 8)).Hue, 110, 190);
        var green = Tinted(C.BrightWhite, ("green", 1));
        Assert.InRange(green.Hue, 120, 170);
        Assert.True(green.L > 75);
    }

    /// <summary>Common practice: white chocolate is ivory, so blue turns towards green on it.</summary>
    [Fact]
    public void Blue_is_greener_on_ivory_than_on_bright_white()
    {
        Assert.True(Tinted(Ivory, ("blue", 6)).Hue < Tinted(C.BrightWhite, ("blue", 6)).Hue - 10);
        var recipe = Recipe.For(Tinted(Ivory, ("blue", 6)), Ivory, [Of("blue")], Grams(240), C);
        Assert.Contains(recipe.Warnings, w => w.Said().Contains("ivory", StringComparison.Ordinal));
    }

    [Fact]
    public void A_recipe_is_as_close_as_trying_every_one() =>
        Gen.Select(Srgb, Gen.OneOfConst(C.BrightWhite, Ivory, "#80502f"), Gen.Shuffle(Tables.Reference.Tints.ToArray(), 3)).Sample(
            (srgb, onto, atHand) =>
            {
                var few = C with { Most = C.Most with { Value = new(9) } };
                var (target, best) = (Spectrum.LabOf(srgb), double.MaxValue);
                for (var a = 0; a <= 9; a++)
                    for (var b = 0; a + b <= 9; b++)
                        for (var d = 0; a + b + d <= 9; d++)
                            best = Math.Min(
                                best, Lab.Distance(target, Mixing.Tinted(onto, [(atHand[0], a), (atHand[1], b), (atHand[2], d)], few)));
                var recipe = Recipe.For(target, onto, atHand, Grams(100), few);
                Assert.InRange(recipe.DeltaE - (best % 1000), -1e-9, 1e-9);
                Assert.True(recipe.Drops.Count <= Recipe.MostColours && recipe.Drops.Sum(d => d.Per100) <= 9);
            },
            iter: 60);

    [Fact]
    public void At_most_three_of_many_colours_are_taken_and_leaving_one_out_is_never_better() =>
        Gen.Select(Srgb, Gen.Int[0, 7]).Sample(
            (srgb, without) =>
            {
                var (target, all) = (Spectrum.LabOf(srgb), Tables.Reference.Tints.Take(8).ToList());
                var recipe = Recipe.For(target, C.BrightWhite, all, Grams(100), C);
                Assert.InRange(recipe.Drops.Count, 0, 3);
                Assert.True(
                    recipe.DeltaE <= Recipe.For(
                        target, C.BrightWhite, [.. all.Where((_, i) => i != without)], Grams(100), C).DeltaE + 1e-9);
                Assert.All(recipe.Drops, d => Assert.Equal(d.Per100, d.InPot));
            },
            iter: 12);

    [Fact]
    public void A_logged_mix_is_found_again_in_the_pots_own_drops()
    {
        var target = Tinted(C.BrightWhite, ("blue", 4), ("green", 2));
        var recipe = Recipe.For(target, C.BrightWhite, [Of("green"), Of("yellow"), Of("blue")], Grams(250), C);
        Assert.Equal([("green", 2, 5), ("blue", 4, 10)], recipe.Drops.Select(d => (d.Tint, d.Per100, d.InPot)));
        Assert.Equal(0, recipe.DeltaE, 6);
        Assert.Equal("no visible difference", recipe.Words.Said());
        Assert.All(recipe.OneMore, m => Assert.True(m.DeltaE > 0));
        Assert.Equal(3, recipe.OneMore.Count);
    }

    [Fact]
    public void A_pot_of_several_hundred_grams_is_met_at_least_as_well_as_its_scaled_recipe() =>
        Gen.Select(Srgb, Gen.Int[20, 1500]).Sample(
            (srgb, grams) =>
            {
                var (target, tints) = (Spectrum.LabOf(srgb), Tables.Reference.Tints.Take(4).ToList());
                var recipe = Recipe.For(target, C.BrightWhite, tints, Grams(grams), C);
                var scaled = Mixing.Tinted(
                    C.BrightWhite, recipe.Drops.Select(d => (Of(d.Tint), Math.Round(d.Per100 * grams / 100.0) * 100 / grams)), C);
                var met = Mixing.Tinted(C.BrightWhite, recipe.Drops.Select(d => (Of(d.Tint), d.InPot * 100.0 / grams)), C);
                Assert.True(
                    Lab.Distance(target, met) <= Lab.Distance(target, scaled) + 1e-9
                        || recipe.Drops.Sum(d => Math.Round(d.Per100 * grams / 100.0)) > C.Most.Value.Si * grams / 100);
                Assert.True(recipe.Drops.Sum(d => d.InPot) <= C.Most.Value.Si * grams / 100 + 1e-9);
            },
            iter: 40);

    [Fact]
    public void What_cannot_be_reached_says_so_and_heavy_or_watery_colour_is_warned_of()
    {
        var black = Recipe.For(Spectrum.LabOf("#101018"), C.BrightWhite, [Of("red"), Of("blue"), Of("black")], Grams(300), C);
        Assert.False(black.Reached);
        Assert.Contains(black.Warnings, w => w.Said().Contains("is a lot", StringComparison.Ordinal));
        var watery = Recipe.For(Mixing.Tinted(C.BrightWhite, [(Of("water-blue"), 5)], C), C.BrightWhite, [Of("water-blue")], Grams(100), C);
        Assert.Contains(watery.Warnings, w => w.Said().Contains("water-based blue is water-based and can seize", StringComparison.Ordinal));
    }

    [Fact]
    public void Ready_coloured_wafers_mix_too()
    {
        var wafers = Tables.Reference.Coating(Wafers)!.Colours.Select(c => (c.Code, c.Srgb)).ToList();
        string Srgb(string code) => wafers.Single(w => w.Code == code).Srgb;
        var target = Mixing.Coatings((Srgb("teal"), 2), (Srgb("white"), 3));
        var (parts, _, deltaE) = Recipe.OfCoatings(target, wafers);
        Assert.Equal([("white", 3), ("teal", 2)], parts.Select(p => (p.Colour, p.Count)));
        Assert.Equal(0, deltaE, 9);
    }

    /// <summary>Common practice: light pots first; what is left of the pale green goes into the green.</summary>
    [Fact]
    public void Light_pots_are_made_first_and_what_is_left_goes_where_no_one_sees_it() =>
        Gen.Select(Gen.Shuffle("dark,milk,white,midnight,silver,teal,coral,lime,plum".Split(',').ToArray(), 4), Gen.Int[6, 200]).Sample(
            (colours, pieces) =>
            {
                var tally = Tally(null, [.. colours.Select((c, i) => Truffles(i == 0 ? pieces : 12, c))]);
                Lab Look(string pot) => Spectrum.LabOf(Tables.Reference.PotOf(pot).Colour!.Srgb);
                Assert.Equal(tally.Pots.Select(p => p.Key).Order(), tally.Making.Select(s => s.Pot).Order());
                Assert.Equal(tally.Making.OrderByDescending(s => Look(s.Pot).L), tally.Making);
                foreach (var step in tally.Making.Where(s => s.FoldsInto is not null))
                {
                    var into = tally.Pots.Single(p => p.Key == step.FoldsInto);
                    Assert.True(Look(into.Key).L <= Look(step.Pot).L && step.Folded < into.OfCoating);
                    Assert.Single(tally.Making, s => s.FoldsInto == into.Key);
                }
            },
            iter: 60);

    [Fact]
    public void A_little_silver_vanishes_in_much_dark_and_dark_never_goes_into_white()
    {
        var making = Tally(null, Truffles(4, "milk"), Truffles(400, "dark"), Truffles(24, "white")).Making;
        Assert.Equal(["white", "milk", "dark"], making.Select(s => s.Pot.Split('.')[1]));
        Assert.Equal($"{Wafers}.dark", making[1].FoldsInto ?? making[0].FoldsInto);
        Assert.Null(making[2].FoldsInto);
    }

    [Theory]
    [InlineData(Wafers, "dark", "red", "#f2e0a0", "Drops only darken: start from bright white")]
    [InlineData("white-couverture", "white", "yellow", "#699bc4", "With blue you could reach it")]
    [InlineData(Wafers, "bright-white", "yellow", "#24306a", "Mix ready-coloured coating instead")]
    [InlineData("white-couverture", "white", "red,blue,black", "#0a0a20", "Buy it ready-coloured")]
    public void What_a_base_does_not_reach_comes_with_what_to_do(string coating, string onto, string atHand, string target, string advice)
    {
        var mix = Mix.For(new(coating, onto, target, atHand.Split(','), 240), Tables.Reference);
        Assert.False(mix.Recipe!.Reached);
        Assert.Contains(advice, mix.Advice.Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_mix_of_another_hue_is_never_offered_as_near() =>
        Gen.Select(
            Srgb,
            Gen.OneOfConst("bright-white", "white", "light-green", "pink", "yellow"),
            Gen.Shuffle(Tables.Reference.Tints.ToArray(), 3),
            Gen.OneOfConst(Wafers, "white-couverture")).Sample((srgb, onto, atHand, coating) =>
        {
            var mix = Mix.For(
                new(coating, coating == Wafers ? onto : "white", srgb, [.. atHand.Select(t => t.Code)], 240), Tables.Reference);
            var target = Spectrum.LabOf(srgb);
            if (mix.Recipe is { } recipe && Lab.OfOtherHue(target, Spectrum.LabOf(recipe.Srgb)))
                Assert.Equal((false, "another colour"), (recipe.Reached, recipe.Words.Said()));
            if (mix.Ready is { } ready)
                Assert.False(Lab.OfOtherHue(target, Spectrum.LabOf(ready.Srgb)));
        }, iter: 60);

    /// <summary>Purple from red and blue, and never a green one; green from blue and yellow.</summary>
    [Theory]
    [InlineData("#6b3f94", "red,blue,yellow", "red,blue")]
    [InlineData("#4f9a55", "red,blue,yellow", "yellow,blue")]
    [InlineData("#e8803c", "red,blue,yellow", "red,yellow")]
    public void Secondary_colours_are_mixed_from_primary_ones(string target, string atHand, string of)
    {
        var recipe = Mix.For(new(Wafers, "bright-white", target, atHand.Split(','), 240), Tables.Reference).Recipe!;
        Assert.Superset(of.Split(',').ToHashSet(), recipe.Drops.Select(d => d.Tint).ToHashSet());
        Assert.False(Lab.OfOtherHue(Spectrum.LabOf(target), Spectrum.LabOf(recipe.Srgb)));
    }

    private static string Folder([CallerFilePath] string path = "") => Path.GetDirectoryName(path)!;

    private sealed class Within(double tolerance) : IEqualityComparer<(double L, double A, double B)>
    {
        public bool Equals((double L, double A, double B) x, (double L, double A, double B) y) =>
            Math.Abs(x.L - y.L) <= tolerance && Math.Abs(x.A - y.A) <= tolerance && Math.Abs(x.B - y.B) <= tolerance;

        public int GetHashCode((double L, double A, double B) obj) => 0;
    }
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Planning;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class FillingTests
{
    private static readonly Gen<Filling> AnyFilling = Gen.OneOfConst([.. Tables.Reference.Fillings]);

    private static Filling Of(string code) => Tables.Reference.Fillings.Single(f => f.Code == code);

    private static double Grams(FillingTally tally, string ingredient) =>
        tally.Amounts.Single(a => a.Ingredient == ingredient).Mass.Value.In("g");

    /// <summary>Common practice: 326 g of dark chocolate, at 0.60, wants 196 g of cream.</summary>
    [Fact]
    public void Three_hundred_and_twenty_six_grams_of_chocolate_want_196_grams_of_cream()
    {
        var dark = Of("ganache-dark");
        var tally = FillingTally.From(dark, "dark-chocolate", Orders.Grams(326), dark.Portion, Tables.Reference);
        Assert.Equal(196, Grams(tally, "cream"), 0.5);
        Assert.Equal(326, Grams(tally, "dark-chocolate"), 9);

        // 521.6 g, less 4 % on the tools, in portions of 18 g.
        Assert.Equal(27, tally.Pieces);
        Assert.Equal((521.6 * 0.96) - (27 * 18), tally.Left.In("g"), 6);
    }

    [Fact]
    public void Cream_to_chocolate_is_common_for_dark_and_less_for_milk_and_white() =>
        Assert.Equal(
            [0.60, 0.40, 0.33],
            Tables.Reference.Fillings.Where(f => f.Code.StartsWith("ganache", StringComparison.Ordinal))
                .Select(f => f.Mix[1].Share.Value.Si));

    /// <summary>From a count to an ingredient and back again: the same count, whichever ingredient is asked from.</summary>
    [Fact]
    public void Both_directions_agree() => (from filling in AnyFilling from pieces in Gen.Int[1, 400] from portion in Gen.Double[2, 60] from part in Gen.Int[0, filling.Mix.Count - 1] select (filling, pieces, portion, part)).Sample(
        x =>
        {
            var portion = new Sourced<Mass>(Orders.Grams(x.portion), Source.Entered);
            var there = FillingTally.For(x.filling, x.pieces, portion, Tables.Reference);
            var back = FillingTally.From(
                x.filling, x.filling.Mix[x.part].Ingredient, there.Amounts[x.part].Mass.Value, portion, Tables.Reference);
            Assert.Equal(x.pieces, back.Pieces);
            Assert.Equal(there.Mix.Value.Si, back.Mix.Value.Si, tolerance: 1e-12);
            Assert.Equal(0, back.Left.In("g"), 6);
        },
        iter: 300);

    [Fact]
    public void A_mix_is_its_ingredients_and_scales_with_the_count() => (from filling in AnyFilling from pieces in Gen.Int[1, 300] select (filling, pieces)).Sample(
        x =>
        {
            var (one, many) = (FillingTally.For(
                x.filling, x.pieces, x.filling.Portion, Tables.Reference), FillingTally.For(
                    x.filling, x.pieces * 3, x.filling.Portion, Tables.Reference));
            Assert.Equal(one.Mix.Value.Si, one.Amounts.Where(a => a.Count is null).Sum(a => a.Mass.Value.Si), 12);
            foreach (var (a, b) in one.Amounts.Zip(many.Amounts))
            {
                Assert.Equal(a.Mass.Value.Si * 3, b.Mass.Value.Si, 9);
                Assert.Equal(a.Count * 3, b.Count);
                Assert.Equal(a.Mass.Value.In("g"), a.Mass.Working[^1].Value, 6);
            }

            // What is on the pieces is the mix less the loss.
            Assert.Equal((one.Mix.Value * (1 - x.filling.Loss.Value.Si)).Si, (one.Portion * x.pieces).Si, 12);
        },
        iter: 200);

    [Fact]
    public void An_ingredient_that_is_not_in_the_mix_cannot_be_started_from() =>
        Assert.Throws<ArgumentException>(() => FillingTally.From(
            Of("ganache-dark"), "honey", Orders.Grams(100), Of("ganache-dark").Portion, Tables.Reference));

    [Fact]
    public void A_sandwich_counts_its_crackers_and_weighs_what_the_table_says()
    {
        var sandwich = FillingTally.For(Of("nut-butter-sandwich"), 30, Of("nut-butter-sandwich").Portion, Tables.Reference);
        Assert.Equal(60, sandwich.Amounts.Single(a => a.Ingredient == "cracker").Count);
        Assert.Equal(Tables.Reference.Centre("cracker-sandwich")!.Sizes[0].Mass.Value.In("g"), sandwich.Piece.In("g"), 0.1);
    }

    /// <summary>Common practice: a tablespoon of ganache weighs about 18 g and rolls to a ball of about 30 mm.</summary>
    [Fact]
    public void A_tablespoon_of_ganache_is_a_portion_and_a_ball()
    {
        var dark = Of("ganache-dark");
        Assert.Equal(dark.Portion.Value.Si, (Household.Measure(1, "tbsp")!.Value * dark.Density.Value).Si, 1e-4);
        var ball = Tables.Reference.Centre("truffle-ball")!.Sizes[0].Shape;
        Assert.Equal(Household.Measure(1, "tbsp")!.Value.In("mL"), ball.WholeVolume.In("mL"), 1.0);
    }

    /// <summary>The rope's length by the formula against the analytic integral of a helix, and its mass against what fills it.</summary>
    [Fact]
    public void A_rope_is_as_long_as_its_helix() => (from d in Gen.Double[6, 30] from rope in Gen.Double[2, 12] from pitch in Gen.Double[12, 60] from length in Gen.Double[80, 300] select (d, rope, pitch, length)).Sample(
        x =>
        {
            var rod = new WrappedRod(Mm(x.length), Mm(x.d), Mm(x.rope), Mm(x.pitch));
            var (radius, turns) = ((x.d + x.rope) / 2, x.length * 0.66 / x.pitch);

            // ∫ |r'(t)| dt of r = (R cos t, R sin t, p t / 2π), by the trapezium rule over fine steps of the curve itself.
            var (integral, steps) = (0.0, 4000);
            (double X, double Y, double Z) At(int i) =>
                (radius * Math.Cos(
                    2 * Math.PI * turns * i / steps), radius * Math.Sin(2 * Math.PI * turns * i / steps), x.pitch * turns * i / steps);
            for (var i = 0; i < steps; i++)
            {
                var (a, b) = (At(i), At(i + 1));
                integral += Math.Sqrt(Math.Pow(b.X - a.X, 2) + Math.Pow(b.Y - a.Y, 2) + Math.Pow(b.Z - a.Z, 2));
            }

            Assert.Equal(integral, rod.RopeOn(new(0.66)).In("mm"), integral * 1e-4);
            var size = new CentreSize("own", "", rod, [], new(default, Source.Kitchen));
            var grams = Of("caramel-wrap").PortionOn(size).Value.In("g");
            Assert.Equal(Math.PI / 4 * x.rope * x.rope * integral / 1000 * 1.3, grams, grams * 1e-3);
        },
        iter: 60);

    [Fact]
    public void A_wrapped_rod_weighs_about_what_the_table_says()
    {
        var rod = Tables.Reference.Centre("caramel-rod")!.Sizes[0];
        var wrap = Of("caramel-wrap");
        Assert.Equal(rod.Mass.Value.In("g"), FillingTally.For(wrap, 1, wrap.PortionOn(rod), Tables.Reference).Piece.In("g"), 3.0);
    }

    [Fact]
    public void A_larger_portion_makes_a_larger_ball_that_wants_more_coating()
    {
        LineDraft Portion(double? grams) => Truffles(30) with { Making = new(Portion: grams) };
        var masses = new double?[] { 9, 12, null, 24, 36 }.Select(g => Tally(null, Portion(g)).Lines[0].PerPiece.Value.In("g")).ToList();
        Assert.Equal(masses.Order(), masses);

        // Twice the mass is ∛2 times the diameter and ∛4 times the area; the film is a little thicker on a longer way down.
        Assert.InRange(masses[4] / masses[2], Math.Cbrt(4) * 0.98, Math.Cbrt(4) * 1.2);
        Assert.Equal(masses[2], Tally(null, Truffles(30)).Lines[0].PerPiece.Value.In("g"), 9);
        Assert.Equal(30 * Math.Cbrt(2), Tally(null, Portion(36)).Lines[0].Seen!.Width.In("mm"), 1e-6);
        Assert.Null(Tally(null, Portion(null)).Lines[0].Seen);
    }

    [Fact]
    public void What_is_made_wants_ingredients_and_what_is_bought_wants_centres()
    {
        string[] Wares(Making? making) =>
            [.. Need.Of(
                Order(null, Truffles(60) with { Making = making }), Tally(null, Truffles(60) with { Making = making }), Tables.Reference)
                .Select(n => n.Ware)];
        Assert.Contains("ingredient.cream", Wares(null));
        Assert.Contains("coating.dark-couverture.dark", Wares(null));
        Assert.DoesNotContain("centre.truffle-ball.one", Wares(null));
        Assert.Contains("centre.truffle-ball.one", Wares(new(Filling.Bought)));
        Assert.DoesNotContain("ingredient.cream", Wares(new(Filling.Bought)));
        Assert.Contains("coating.white-couverture.white", Wares(new("ganache-white")));
    }

    [Fact]
    public void Chocolate_for_ganache_and_for_dipping_is_bought_together()
    {
        var order = Order(null, Truffles(60) with { Coating = "dark-couverture", Colour = "dark" });
        var tally = CoatingTally.For(order, Tables, Now);
        var chocolate = Need.Of(order, tally, Tables.Reference).Single(n => n.Ware == "coating.dark-couverture.dark");
        var ganache = PrepList.For(order, tally, Tables, Now).Fillings.Single();
        Assert.Equal(tally.Pots[0].OfCoating.In("g") + Grams(ganache, "dark-chocolate"), chocolate.ToHave.Value, 6);
        Assert.Equal(chocolate.ToHave.Value, chocolate.ToHave.Working[^1].Value, 6);
    }

    [Theory]
    [InlineData("truffle-ball", "milk")]
    [InlineData("cracker-sandwich", "peanut")]
    [InlineData("coconut-bar", "tree nuts")]
    [InlineData("caramel-rod", "wheat")]
    public void Allergens_come_from_the_ingredients(string centre, string allergen)
    {
        var order = Order(null, Line(centre, "one", 6, depth: 0.66));
        var use = Assert.Single(Allergens.Of(order, Tables.Reference).Where(u => u.Allergen == allergen && u.Field == "centre").Take(1));
        Assert.Contains(Tables.Reference.Ingredients, i => i.Name == use.Component);
    }

    /// <summary>
    /// Cream to dark chocolate from 0.40 to 1.20, a share from nothing to five times, a portion from 1 g to 200 g; the ends are in.
    /// </summary>
    [Theory]
    [InlineData(0.4, 1.0, "")]
    [InlineData(1.2, 200.0, "")]
    [InlineData(0.39, null, "dark ganache with 39% whipping cream will not bind. Keep between 40% and 120%.")]
    [InlineData(1.21, null, "dark ganache with 121% whipping cream will not hold its shape. Keep between 40% and 120%.")]
    [InlineData(0.0, null, "dark ganache with 0% whipping cream will not bind. Keep between 40% and 120%.")]
    [InlineData(5.0, null, "dark ganache with 500% whipping cream will not hold its shape. Keep between 40% and 120%.")]
    [InlineData(5.01, null, "A share is at most five times the first ingredient. Enter a percentage of the first ingredient.")]
    [InlineData(null, 0.99, "A portion weighs 1 to 200 g.")]
    [InlineData(null, 200.01, "A portion weighs 1 to 200 g.")]
    public void A_mix_holds_between_its_ends_and_says_what_happens_beyond(double? cream, double? portion, string says)
    {
        var shares = cream is { } share ? new Dictionary<string, double> { ["cream"] = share } : null;
        var said = Of("ganache-dark").Check(shares, portion, Tables.Reference.Ingredients).Select(p => p.Says.Said()).ToList();
        if (says.Length == 0)
            Assert.Empty(said);
        else
            Assert.StartsWith(says, Assert.Single(said), StringComparison.Ordinal);
    }

    [Fact]
    public void The_first_ingredient_is_what_the_others_are_shares_of()
    {
        var problem = Assert.Single(Of("ganache-dark").Check(
            new Dictionary<string, double> { ["dark-chocolate"] = 0.9 }, null, Tables.Reference.Ingredients));
        Assert.Equal("shares.dark-chocolate", problem.Field);
        Assert.Equal(
            "The share of 'dark-chocolate' in dark ganache can’t be changed. Change one of the others, after the first.",
            problem.Says.Said());
    }

    [Theory]
    [InlineData("ganache-dark", true)]
    [InlineData("caramel-wrap", false)]
    [InlineData("nut-butter-sandwich", false)]
    public void Scoops_are_for_what_is_neither_a_rope_nor_counted(string filling, bool scooped) =>
        Assert.Equal(scooped, Of(filling).ScoopsAmong(Tables.Reference.Scoops).Count > 0);

    [Theory]
    [InlineData("ganache-blue", null, null, "making.filling", Severity.Error)]
    [InlineData("coconut-slab", null, null, "making.filling", Severity.Error)]
    [InlineData(null, 0.0, null, "making.portion", Severity.Error)]
    [InlineData(null, 500.0, null, "making.portion", Severity.Error)]
    [InlineData(null, null, -0.1, "making.shares.cream", Severity.Error)]
    [InlineData(null, null, 1.9, "making.shares.cream", Severity.Mind)]
    [InlineData(null, null, 0.2, "making.shares.cream", Severity.Mind)]
    public void A_filling_that_cannot_be_is_told_by_its_field(
        string? filling, double? portion, double? cream, string field, Severity severity)
    {
        var making = new Making(filling, portion, cream is { } share ? new Dictionary<string, double> { ["cream"] = share } : null);
        var problem = Assert.Single(
            Tally(null, Truffles(12) with { Making = making }).Problems, p => p.Field.EndsWith(field, StringComparison.Ordinal));
        Assert.Equal(severity, problem.Severity);
        Assert.NotEmpty(problem.Remedy.Said());
    }

    [Fact]
    public void More_cream_in_the_mix_is_less_chocolate_for_as_many()
    {
        var soft = Of("ganache-dark").With(new Dictionary<string, double> { ["cream"] = 0.8 });
        var (usual, softer) = (FillingTally.For(
            Of("ganache-dark"), 60, soft.Portion, Tables.Reference), FillingTally.For(soft, 60, soft.Portion, Tables.Reference));
        Assert.Equal(usual.Mix.Value.Si, softer.Mix.Value.Si, 12);
        Assert.True(Grams(softer, "dark-chocolate") < Grams(usual, "dark-chocolate"));
        Assert.Equal(0.8, Grams(softer, "cream") / Grams(softer, "dark-chocolate"), 9);
    }

    [Fact]
    public void Lines_of_one_recipe_are_made_in_one_batch_and_others_apart()
    {
        var order = Order(
            null,
            Truffles(30),
            Truffles(20, "teal"),
            Truffles(10, "lime") with { Making = new("ganache-milk") },
            Truffles(6, "plum") with { Making = new(Portion: 24) });
        var list = PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now);
        Assert.Equal([31 + 21, 11, 7], list.Fillings.Select(f => f.Pieces));
        Assert.Contains(list.Steps, s => s.Code.EndsWith(".chop", StringComparison.Ordinal) && s.Lines.SequenceEqual([0, 1]));
    }

    private static readonly OwnFilling Honeycomb = new(
        "sesame-ball", "sesame ball", "truffle-ball", "",
        [new("honey", "", 100), new(null, "Roasted sesame", 150, ["sesame"])], [], 15, 0.05, [
            new("Warm the honey.", "", "hob", 4),
            new("Roll.", "Cold it cracks.", "counter", 0, 30, 12),
        ]);

    [Fact]
    public void A_recipe_of_ones_own_brings_its_ingredient_and_its_steps_and_changes_no_other_order()
    {
        Assert.Empty(OwnCheck.Of(Honeycomb, Tables.Reference));
        var tables = OwnTables.For(Tables, OwnThings.None with { Fillings = [Honeycomb] });
        Assert.Equal(
            Need.Of(Order(null, Truffles(40)), Tally(null, Truffles(40)), Tables.Reference).Select(n => n.Ware),
            Need.Of(Order(null, Truffles(40)), CoatingTally.For(Order(null, Truffles(40)), tables, Now), tables.Reference)
                .Select(n => n.Ware));
        var order = Order(null, Truffles(40) with { Making = new("sesame-ball") });
        var tally = CoatingTally.For(order, tables, Now);
        var needs = Need.Of(order, tally, tables.Reference);
        Assert.Contains(needs, n => n.Ware == "ingredient.own-roasted-sesame" && Math.Abs(n.ToHave.Value - (42 * 15 / 0.95 * 0.6)) < 0.5);
        Assert.Contains(Allergens.Of(order, tables.Reference), u => u is { Allergen: "sesame", Component: "Roasted sesame" });
        var steps = PrepList.For(order, tally, tables, Now).Steps;
        var roll = steps.Single(s => s.Text.Said() == "Roll.");
        Assert.Equal((42 * 12, 30.0), ((int)roll.Hands.TotalSeconds, roll.Wait.TotalMinutes));
        Assert.DoesNotContain(steps, s => s.Text.Said().Contains("cream", StringComparison.Ordinal));
    }

    [Fact]
    public void A_shipped_recipe_entered_again_comes_to_the_same()
    {
        foreach (var filling in Tables.Reference.Fillings.Where(f => !f.Rope))
        {
            var own = OwnTables.Entered(filling, Tables.Reference.StepsOf(filling));
            Assert.Empty(OwnCheck.Of(own, Tables.Reference));
            var again = OwnTables.For(Tables, OwnThings.None with { Fillings = [own] }).Reference.Fillings
                .Single(f => f.Code == filling.Code);
            var (a, b) = (FillingTally.For(
                filling, 50, filling.Portion, Tables.Reference), FillingTally.For(again, 50, again.Portion, Tables.Reference));
            Assert.Equal(
                a.Amounts.Select(x => Math.Round(x.Mass.Value.In("g"), 3)), b.Amounts.Select(x => Math.Round(x.Mass.Value.In("g"), 3)));
        }
    }

    public static TheoryData<OwnFilling, string> Impossible => new()
    {
        { Honeycomb with { Makes = "cloud" }, "makes" },
        { Honeycomb with { Makes = "part.cloud" }, "makes" },
        { Honeycomb with { Name = "" }, "name" },
        { Honeycomb with { Mix = [] }, "mix" },
        { Honeycomb with { Mix = [new("honey", "", 0)] }, "mix[0].grams" },
        { Honeycomb with { Mix = [new("honey", "", 10), new("honey", "", 5)] }, "mix" },
        { Honeycomb with { Mix = [new("stardust", "", 10)] }, "mix[0].ingredient" },
        { Honeycomb with { Mix = [new(null, "", 10)] }, "mix[0].name" },
        { Honeycomb with { Mix = [new(null, "sand", 10, ["grit"])] }, "mix[0].allergens" },
        { Honeycomb with { Each = [new("cream", 1)] }, "each[0].ingredient" },
        { Honeycomb with { Each = [new("cracker", 0)] }, "each[0].count" },
        { Honeycomb with { Portion = 0 }, "portion" },
        { Honeycomb with { Loss = 0.9 }, "loss" },
        { Honeycomb with { Steps = [new("")] }, "steps[0].text" },
        { Honeycomb with { Steps = [new("Wait.", Place: "moon")] }, "steps[0].place" },
        { Honeycomb with { Steps = [new("Wait.", Wait: -1)] }, "steps[0].hands" },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public void A_recipe_that_cannot_be_names_the_field(OwnFilling filling, string field) =>
        Assert.Contains(OwnCheck.Of(filling, Tables.Reference), p => p.Field == field && p.Remedy.Said().Length > 0);
}

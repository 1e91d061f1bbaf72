using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Colour;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Leftovers;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What becomes of what is left in a pot.</summary>
public sealed class LeftoverTests
{
    private static readonly LocalDate Today = Now.Date;

    [Fact]
    public void A_pale_leftover_goes_into_a_darker_pot_as_far_as_nobody_sees_it()
    {
        var coming = Coming(Rods(60, "dark"));
        var pot = coming.Tally.Pots[0];
        var plan = LeftoverPlan.For($"{Wafers}.white", Grams(60), Today, [coming], Tables.Reference)!;

        var fold = Assert.Single(plan.Folded);
        Assert.Equal((pot.Key, "Harbour lights"), (fold.Pot, fold.Name));
        Assert.Equal(["pretzel rods"], fold.Lines);
        Assert.InRange(fold.Takes.In("g"), 15, 60);

        // Measured on the colour that is shown, by CIEDE2000: not to be told apart without looking twice (2.3).
        Assert.InRange(Lab.DeltaE(Spectrum.LabOf(fold.Srgb), Spectrum.LabOf(fold.Mixed)), 0, 2.6);
    }

    [Fact]
    public void A_dark_leftover_never_goes_into_white() => Assert.Empty(
        LeftoverPlan.For($"{Wafers}.dark", Grams(200), Today, [Coming(Rods(40, "white"))], Tables.Reference)!.Folded);

    /// <summary>Common practice: pale into darker of the same family.</summary>
    [Theory]
    [InlineData("white", "dark", true)]
    [InlineData("light-green", "green", true)]
    [InlineData("pink", "dark-pink", true)]
    [InlineData("teal", "dark", false)]
    [InlineData("red", "green", false)]
    [InlineData("green", "light-green", false)]
    public void Colours_of_a_family_fold_the_paler_into_the_darker(string left, string into, bool folds) => Assert.Equal(
        folds, LeftoverPlan.For($"{Wafers}.{left}", Grams(60), Today, [Coming(Rods(90, into))], Tables.Reference)!.Folded.Count > 0);

    [Fact]
    public void Its_own_colour_comes_first_and_starts_the_next_pot()
    {
        var plan = LeftoverPlan.For(
            $"{Wafers}.dark", Grams(90), Today, [Coming(Rods(60, "black")), Coming(Rods(30, "dark"))], Tables.Reference)!;
        Assert.Equal($"{Wafers}.dark", plan.Folded[0].Pot);
        Assert.Equal(90, plan.Folded[0].Takes.In("g"), 6);
        Assert.Equal("no visible difference", plan.Folded[0].Off.Said());
    }

    [Fact]
    public void Bark_takes_a_third_of_nuts_and_spreads_as_far_as_its_volume_goes()
    {
        var bark = LeftoverPlan.For($"{Wafers}.milk", Grams(200), Today, [], Tables.Reference)!.Bark!;

        // 270 g at 1.25 g/cm³ spread 6 mm thick.
        Assert.Equal(70, bark.With.In("g"), 6);
        Assert.InRange(bark.Spread.In("cm²"), 340, 380);
        Assert.Null(LeftoverPlan.For($"{Wafers}.milk", Grams(60), Today, [], Tables.Reference)!.Bark);
    }

    [Fact]
    public void Accents_are_as_many_as_the_mass_fills_moulds() =>
        Gen.Double[15, 500].Sample(grams =>
        {
            var plan = LeftoverPlan.For($"{Wafers}.white", Grams(grams), Today, [], Tables.Reference)!;
            Assert.NotEmpty(plan.Accents);
            Assert.All(plan.Accents, a => Assert.InRange(grams - (a.Count * a.Each.In("g")), -1e-6, a.Each.In("g")));
        });

    /// <summary>A leftover keeps the allergens of its coating, those that nobody knows too.</summary>
    [Fact]
    public void No_allergen_of_the_coating_is_missing_from_its_leftover()
    {
        var names = Gen.OneOfConst<string>([.. Tables.Reference.Allergens.Select(a => a.Name)]).Array[0, 4]
            .Select(n => (IReadOnlyList<string>)[.. n.Distinct()]);
        Gen.Select(names, names, Gen.Bool).Sample((contains, may, known) =>
        {
            var own = OwnTables.Entered(Tables.Reference.Coating("compound-block")!) with
            {
                Allergens = known ? contains : null,
                MayContain = may,
            };
            var tables = OwnTables.For(Tables, OwnThings.None with { Coatings = [own] });
            var plan = LeftoverPlan.For("compound-block.dark", Grams(100), Today, [], tables.Reference)!;
            Assert.Equal(own.Allergens, plan.Contains);
            Assert.Equal(may, plan.MayContain);
        });
    }

    [Fact]
    public void Next_to_nothing_is_worth_nothing()
    {
        var plan = LeftoverPlan.For($"{Wafers}.dark", Grams(5), Today, [Coming(Rods(30, "dark"))], Tables.Reference)!;
        Assert.Null(plan.Kept);
        Assert.Empty(plan.Folded);
        Assert.Null(LeftoverPlan.For("nothing.dark", Grams(50), Today, [], Tables.Reference));
    }

    private static ComingOrder Coming(LineDraft line)
    {
        var order = Order(null, line);
        return new(Guid.Empty, order, CoatingTally.For(order, Tables, Now));
    }
}

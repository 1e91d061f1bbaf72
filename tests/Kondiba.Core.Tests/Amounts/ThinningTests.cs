using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Thinning;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public class ThinningTests
{
    private static readonly Thinner Flakes = Tables.Reference.Thinner("flakes")!;
    private static readonly Coating HotFlow = Tables.Reference.Coating(Wafers)!;

    private static Coating Lean(double fat) => HotFlow with { Fat = new(new(fat), Source.Entered) };

    private static Dose For(Coating coating, Thinner? thinner = null, double? film = null) =>
        Dose.For(
            coating,
            thinner ?? Flakes,
            film is { } mm ? Mm(mm) : Tables.Reference.Thinning.Target.Value,
            Tables.Reference.Film,
            Tables.Reference.Thinning);

    /// <summary>Common practice: two tablespoons of flakes to 450 g of wafers, four to a bag of 340 g of craft wafers.</summary>
    [Theory]
    [InlineData(Wafers, 450, 2, 2)]
    [InlineData("compound-wafer-cool", 340, 4, 4)]
    public void Flakes_are_dosed_as_the_trade_does(string coating, double grams, double from, double to)
    {
        var dose = For(Tables.Reference.Coating(coating)!);
        Assert.InRange(grams * dose.Rate.Si / Flakes.Tablespoon.Value.In("g"), from, to + 0.25);
        Assert.True(dose.After <= Tables.Reference.Thinning.Target.Value);
    }

    /// <summary>
    /// From common practice (two to 450 g, four to 340 g) and 9 g a spoon, from memory: 4 to 10.6 % for every pot that is too thick to dip.
    /// </summary>
    [Fact]
    public void Every_pot_too_thick_by_the_trades_standards_gets_a_dose_within_its_range() =>
        Gen.Double[0.262, 0.285].Sample(fat =>
        {
            var dose = For(Lean(fat));
            Assert.True(dose.Before > Tables.Reference.Thinning.TooThickFrom.Value);
            Assert.InRange(dose.Rate.Si, 18.0 / 450, 36.0 / 340 + 0.01);
        });

    /// <summary>Common practice: about three tablespoons of oil to 570 g of chips, one at a time.</summary>
    [Fact]
    public void Oil_in_chips_is_dosed_as_the_trade_does()
    {
        var oil = Tables.Reference.Thinner("oil")!;
        Assert.InRange(570 * For(Tables.Reference.Coating("chips-with-oil")!, oil).Rate.Si / oil.Tablespoon.Value.In("g"), 2, 4);
    }

    [Fact]
    public void The_dose_is_the_least_in_half_spoons_that_reaches_the_target_within_the_limit() =>
        Gen.Select(
            Gen.Double[0.24, 0.36], Gen.Double[0.6, 2.5], Gen.OneOfConst([.. Tables.Reference.Thinners])).Sample((fat, film, thinner) =>
        {
            var (dose, step) = (For(Lean(fat), thinner, film), 0.5 * thinner.Tablespoon.Value.In("g") / 450);
            Assert.Equal(0, dose.Spoons % 0.5);
            Assert.True(dose.Rate <= Tables.Reference.Thinning.Limit.Value);
            if (dose.Wanted is { } wanted && wanted.Si <= dose.Rate.Si + 1e-9)
                Assert.True(dose.After.In("mm") <= film + 1e-9);
            else
                Assert.True(dose.Rate.Si + step > Tables.Reference.Thinning.Limit.Value.Si);
            if (dose.Spoons > 0)
                Assert.True(
                    Dose.TestFilm(Lean(fat), new(dose.Rate.Si - step), Tables.Reference.Film, Tables.Reference.Thinning).In("mm") > film);
        });

    [Fact]
    public void Thinner_makes_the_pot_thinner_and_the_order_smaller()
    {
        var (plain, thinned) = (Tally(null, Berries()).Pots.Single(), Tally(new(Thinner: "flakes"), Berries()).Pots.Single());
        Assert.Null(plain.Thinner);
        Assert.True(thinned.TestFilm.Value < plain.TestFilm.Value);
        Assert.True(thinned.ToMelt.Value < plain.ToMelt.Value);
        Assert.Equal(GoesIn.BeforeMelting, thinned.Thinner!.GoesIn);
        Assert.Equal(thinned.OfCoating.Si * thinned.Thinner.Share.Si, thinned.Thinner.Mass.Value.Si, 12);
        Assert.Equal(thinned.Thinner.Tablespoons * 9, thinned.Thinner.Mass.Value.In("g"), 2.3);
    }

    [Fact]
    public void Still_too_thick_it_says_what_each_further_spoon_does()
    {
        var thinner = Tally(new(Thinner: "flakes"), Rods(60)).Pots.Single().Thinner!;
        Assert.Equal([1.0, 2, 3], thinner.Still.Select(s => s.Tablespoons));
        Assert.Equal(thinner.Still.OrderByDescending(s => s.Film.Si), thinner.Still);
        Assert.All(thinner.Still, s => Assert.Equal(9 * s.Tablespoons, s.Mass.In("g"), 9));
    }

    [Fact]
    public void More_thinner_than_hardens_is_refused_with_its_reason_and_the_rest_computes()
    {
        var tally = Tally(new(Thinner: "flakes", Film: 0.6), Berries());
        var problem = Assert.Single(tally.Problems, p => p.Field.EndsWith(".film", StringComparison.Ordinal));
        Assert.Equal(Severity.Mind, problem.Severity);
        Assert.Contains("stays soft and won’t set firm", problem.Reason.Said(), StringComparison.Ordinal);
        Assert.True(tally.Pots.Single().Thinner!.Share <= Tables.Reference.Thinning.Limit.Value);
    }

    [Fact]
    public void A_pot_too_thick_to_dip_is_named_with_the_dose_that_helps()
    {
        var lean = Tables with { Reference = Tables.Reference with { Coatings = [Lean(0.27)] } };
        var tally = CoatingTally.For(Order(null, Berries()), lean, Now);
        var problem = Assert.Single(tally.Problems);
        Assert.Contains("too thick to dip", problem.Reason.Said(), StringComparison.Ordinal);
        Assert.Contains("tbsp palm-kernel flakes", problem.Remedy.Said(), StringComparison.Ordinal);
        Assert.Empty(CoatingTally.For(Order(new(Thinner: "flakes"), Berries()), lean, Now).Problems);
    }

    [Fact]
    public void A_pot_too_thin_to_cover_is_named_as_sheer_and_a_second_coat_mends_it()
    {
        var thin = Tables with { Reference = Tables.Reference with { Coatings = [Lean(0.45)] } };
        var berries = Berries() with { Colour = "white" };
        var problem = Assert.Single(CoatingTally.For(Order(null, berries), thin, Now).Problems);
        Assert.Equal("lines[0].coats", problem.Field);
        Assert.Contains("show through", problem.Reason.Said(), StringComparison.Ordinal);
        Assert.Empty(CoatingTally.For(Order(null, berries with { Coats = 2 }), thin, Now).Problems);
    }

    /// <summary>Common practice: piping and moulds take no thinner.</summary>
    [Fact]
    public void Moulds_take_no_thinner()
    {
        var tally = Tally(new(Thinner: "flakes"), Line("moulded-piece", "accent", 12));
        Assert.Null(tally.Pots.Single().Thinner);
        Assert.Contains("is not thinned", Assert.Single(tally.Problems).Reason.Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_kitchens_habit_thins_only_what_takes_that_thinner()
    {
        var habit = Tables with { Profile = Tables.Profile with { Habits = Tables.Profile.Habits with { Thinner = "flakes" } } };
        var tally = CoatingTally.For(Order(null, Berries(), Line("truffle-ball", "one", 12, coating: "dark-couverture")), habit, Now);
        Assert.Equal([true, false], tally.Pots.Select(p => p.Thinner is not null));
        Assert.Empty(tally.Problems);
        Assert.Null(CoatingTally.For(Order(new(Thinner: "none"), Berries()), habit, Now).Pots.Single().Thinner);
    }

    [Fact]
    public void A_heavy_coat_is_advised_of_unless_the_maker_wants_none()
    {
        Assert.Contains("2 tbsp palm-kernel flakes to 450 g", Tally(null, Berries()).Pots.Single().Advice.Said(), StringComparison.Ordinal);
        Assert.Empty(Tally(new(Thinner: "none"), Berries()).Pots.Single().Advice.Said());
        Assert.Empty(Tally(new(Thinner: "flakes"), Berries()).Pots.Single().Advice.Said());
    }
}

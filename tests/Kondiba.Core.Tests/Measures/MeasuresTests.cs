using CsCheck;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Tests;

public class MeasuresTests
{
    // NIST SP 811 (2008), appendix B.8 and B.9; exact values are exact here too.
    [Theory]
    [InlineData(1, "oz", 28.349523125)]
    [InlineData(1, "lb", 453.59237)]
    public void Mass_in_grams_as_NIST_states(double value, string unit, double grams) =>
        Assert.Equal(grams, Quantities.Of<Mass>(value, unit).In("g"), 9);

    // NIST SP 811 (2008), appendix B.8: litres from the US customary measures.
    [Theory]
    [InlineData(1, "cup", 236.5882365)]
    [InlineData(1, "tbsp", 14.78676478125)]
    [InlineData(1, "tsp", 4.92892159375)]
    [InlineData(1, "fl oz", 29.5735295625)]
    public void Volume_in_millilitres_as_NIST_states(double value, string unit, double millilitres) =>
        Assert.Equal(millilitres, Quantities.Of<Volume>(value, unit).In("mL"), 9);

    // NIST HB 44, appendix C: the household chain of the US measures.
    [Fact]
    public void Household_measures_nest()
    {
        var cup = Quantities.Of<Volume>(1, "cup");
        Assert.Equal(16, cup.In("tbsp"), 9);
        Assert.Equal(48, cup.In("tsp"), 9);
        Assert.Equal(8, cup.In("fl oz"), 9);
    }

    // NIST SP 811, appendix B.8: inch exact; fixed points of the Fahrenheit scale.
    [Fact]
    public void Inch_and_Fahrenheit_as_NIST_states()
    {
        Assert.Equal(25.4, Quantities.Of<Length>(1, "in").In("mm"), 9);
        Assert.Equal(0, Quantities.Of<Temperature>(32, "°F").In("°C"), 9);
        Assert.Equal(100, Quantities.Of<Temperature>(212, "°F").In("°C"), 9);
        Assert.Equal(110, Quantities.Of<Temperature>(43.333333333333, "°C").In("°F"), 9);
    }

    [Fact]
    public void Units_round_trip()
    {
        RoundTrip<Mass>();
        RoundTrip<Length>();
        RoundTrip<Area>();
        RoundTrip<Volume>();
        RoundTrip<Density>();
        RoundTrip<Share>();
        RoundTrip<Temperature>();

        static void RoundTrip<T>()
            where T : struct, IQuantity<T> =>
            Gen.Select(Gen.Double[-1e6, 1e6], Gen.OneOfConst([.. T.Units])).Sample((value, unit) =>
                Math.Abs(Quantities.Of<T>(value, unit.Symbol).In(unit.Symbol) - value) <= 1e-9 * (1 + Math.Abs(value)));
    }

    [Fact]
    public void Amounts_multiply_into_the_right_quantity()
    {
        var side = Quantities.Of<Length>(10, "cm");
        Assert.Equal(1, (side * side * side).In("L"), 12);
        Assert.Equal(1.25, (side * side * side * Quantities.Of<Density>(1.25, "g/mL")).In("kg"), 12);
        Assert.Equal(800, (Quantities.Of<Mass>(1, "kg") / new Density(1250)).In("mL"), 9);
    }

    [Fact]
    public void An_unknown_unit_is_named_with_those_that_are_known()
    {
        var error = Assert.Throws<ArgumentException>(() => Quantities.Of<Mass>(1, "stone"));
        Assert.Contains("Mass has no unit 'stone'; it has g, kg, oz, lb", error.Message, StringComparison.Ordinal);
    }
}

using CsCheck;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;

namespace Kondiba.Core.Tests;

public class SettingTests
{
    private static readonly TradeTables Tables = TradeTables.Shipped;
    private static readonly Sourced<Mass> Cookie = new(Quantities.Of<Mass>(11, "g"), Source.Entered);
    private static readonly Sourced<HeatCapacity> CookieHeat = new(new(1800), Source.Entered);

    private static DippedPiece Piece(double filmMm = 2) =>
        new(Quantities.Of<Length>(filmMm, "mm"), Quantities.Of<Area>(46, "cm²"), default, new(1250), Quantities.Of<Temperature>(35, "°C"), Cookie, CookieHeat);

    private static Place At(double celsius) => new("test", "test", new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered));

    /// <summary>
    /// Common practice, within a factor of 1.6: moulded bites on the counter are touch-dry in 10–15 min; cookies and pops in the
    /// fridge in about 5 min; in the freezer in 3 min.
    /// </summary>
    [Theory]
    [InlineData("counter", 10, 15)]
    [InlineData("fridge", 5, 5)]
    [InlineData("freezer", 3, 3)]
    public void Dipped_cookies_are_touch_dry_when_the_trade_says(string place, double from, double to)
    {
        var minutes = Orders.Tally(null, Orders.Line("sandwich-cookie", "thin", 12)).Lines[0].Setting.Single(s => s.Place == place).TouchDry!.Value.TotalMinutes;
        Assert.InRange(minutes, from / 1.6, to * 1.6);
    }

    /// <summary>Common practice: a counter above about 26 °C never sets them.</summary>
    [Fact]
    public void A_hot_counter_never_sets_them()
    {
        var time = SettingModel.For(Piece(), At(27.5), Tables.Setting);
        Assert.Null(time.TouchDry);
        Assert.Null(time.HandleHard);
    }

    /// <summary>Without latent heat and without a centre a film cools by Newton's law: t = mc/h · ln((T0−Tair)/(T−Tair)).</summary>
    [Fact]
    public void A_plain_film_cools_by_Newtons_law()
    {
        var plain = Tables.Setting with
        {
            LatentHeat = new(default, Source.Entered),
            CoreExchange = new(default, Source.Entered),
        };
        var seconds = SettingModel.For(Piece(), At(10), plain).TouchDry!.Value.TotalSeconds;
        Assert.Equal(0.002 * 1250 * 1600 / 9 * Math.Log((35.0 - 10) / (27 - 10)), seconds, 1.0);
    }

    [Fact]
    public void Thicker_films_and_warmer_air_take_longer_and_touch_dry_comes_first() =>
        Gen.Select(Gen.Double[0.5, 4], Gen.Double[0, 2], Gen.Double[-20, 18], Gen.Double[0, 3]).Sample((film, thicker, air, warmer) =>
        {
            var base_ = SettingModel.For(Piece(film), At(air), Tables.Setting);
            Assert.True(base_.TouchDry <= base_.HandleHard);
            Assert.True(base_.TouchDry <= SettingModel.For(Piece(film + thicker), At(air), Tables.Setting).TouchDry);
            Assert.True(base_.HandleHard <= SettingModel.For(Piece(film), At(air + warmer), Tables.Setting).HandleHard);
        });
}

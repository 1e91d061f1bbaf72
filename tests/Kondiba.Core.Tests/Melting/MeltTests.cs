using CsCheck;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using static Kondiba.Core.Tests.Orders;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Melting and seeding: what makers know, heat that adds up, and windows that do not contradict one another.</summary>
public class MeltTests
{
    private static readonly MeltConstants C = Tables.Reference.Melting;
    private static readonly Gen<Coating> AnyCoating = Gen.OneOfConst([.. Tables.Reference.Coatings]);
    private static readonly Gen<MeltMethod> AnyMethod = Gen.OneOfConst([.. C.Methods]);

    private static Temperature Celsius(double t) => Quantities.Of<Temperature>(t, "°C");

    private static Melt Of(double grams, string method, Coating? coating = null) =>
        Melt.For(
            coating ?? Tables.Reference.Coatings[0],
            Grams(grams),
            C.Methods.Single(m => m.Code == method),
            Celsius(21),
            Tables.Reference.Melting,
            Tables.Reference.Setting);

    /// <summary>
    /// Common practice, ±40 %: 110 g of chips about a minute at full power; 450 g at half power about two minutes, in bursts of 30 s.
    /// </summary>
    [Fact]
    public void A_microwave_takes_as_long_as_makers_say()
    {
        Assert.InRange(Of(110, "microwave-full", Tables.Reference.Coating("chips-with-oil")).Heating.TotalMinutes, 0.6, 1.4);
        var half = Of(450, "microwave-half");
        Assert.InRange(half.Heating.TotalMinutes, 2 * 0.6, 2 * 1.4);
        Assert.All(half.Bursts, b => Assert.True(b.Each.TotalSeconds <= 30));
        Assert.Equal(half.Heating.TotalSeconds, half.Bursts.Sum(b => b.Times * b.Each.TotalSeconds), 5.0 * half.Bursts.Count);
    }

    /// <summary>
    /// What goes in is in the coating, in its vessel or in the room; the coating's share by its temperatures, the latent heat of 30 % fat
    /// with it (from memory, 40 to 45 kJ/kg).
    /// </summary>
    [Fact]
    public void The_heat_adds_up() =>
        Gen.Select(AnyCoating, Gen.Double[60, 2000], AnyMethod, Gen.Double[16, 26]).Sample((coating, grams, method, room) =>
        {
            var melt = Melt.For(coating, Grams(grams), method, Celsius(room), Tables.Reference.Melting, Tables.Reference.Setting);
            var e = melt.Energy;
            Assert.Equal(e.In.Si, (e.Coating + e.Vessel + e.Lost).Si, e.In.Si * 1e-3);
            if (melt.Melted.Si >= 1)
            {
                var melts = Math.Min(Tables.Reference.Setting.Family(coating.Family).Melts.Value.In("°C"), coating.MeltTo.Value.In("°C"));
                var perKilogram = (1400 * (25 - room)) + (1550 * (melts - 25)) + (140_000 * coating.Fat.Value.Si) + (1700 * (melt.Off.In(
                    "°C") - melts)) - (room > 25
                    ? (room - 25) * (140_000 * coating.Fat.Value.Si / (melts - 25) + 150)
                    : 0);
                Assert.Equal(perKilogram * grams / 1000, e.Coating.Si, Math.Abs(e.Coating.Si) * 1e-2);
            }
        });

    [Fact]
    public void More_takes_longer_and_a_warmer_room_less() =>
        Gen.Select(
            AnyCoating, Gen.Double[60, 1500], Gen.Double[1, 1.8], AnyMethod, Gen.Double[16, 24], Gen.Double[0, 4]).Sample((
                coating, grams, more, method, room, warmer) =>
        {
            var melt = Melt.For(coating, Grams(grams), method, Celsius(room), Tables.Reference.Melting, Tables.Reference.Setting);
            Assert.True(
                Melt.For(
                    coating, Grams(
                        grams * more), method, Celsius(room), Tables.Reference.Melting, Tables.Reference.Setting).Heating >= melt.Heating
                    || method.Level is null);

            // Bursts end on whole seconds, and a rest between them evens out more or less.
            Assert.True(
                Melt.For(
                    coating, Grams(
                        grams), method, Celsius(
                            room + warmer), Tables.Reference.Melting, Tables.Reference.Setting).Heating
                    <= melt.Heating + Duration.FromSeconds(method.Level is null ? 0 : 2));
            Assert.InRange(melt.Settles.In("°C"), coating.DipFrom.Value.In("°C") - 0.5, coating.MeltAtMost.Value.In("°C") + 0.5);
            Assert.Equal(
                melt.Heating.TotalSeconds, melt.Working[^1].Unit == "min" ? melt.Working[^1].Value * 60 : melt.Working[^1].Value, 1.0);
        });

    /// <summary>
    /// Common practice: a water bath and a pot take some minutes, a slow cooker the better part of an hour or more; a full pot in the room
    /// falls about 1 K a minute at first.
    /// </summary>
    [Fact]
    public void Other_methods_take_their_time_and_a_pot_cools()
    {
        Assert.InRange(Of(450, "bath").Heating.TotalMinutes, 4, 12);
        Assert.InRange(Of(450, "pot").Heating.TotalMinutes, 6, 20);
        Assert.InRange(Of(900, "slow-cooker").Heating.TotalMinutes, 25, 90);
        var wafers = Of(450, "microwave-half");
        var fall = (wafers.Settles.Si - Tables.Reference.Coatings[0].DipAt.Value.Si) / wafers.CoolsToDip.TotalMinutes;
        Assert.InRange(fall, 0.6, 1.4);
        Assert.InRange(wafers.Holds.TotalMinutes, 1, 6);
    }

    /// <summary>Common practice, ±40 %: a quarter to a half held back brings a pot from 45 °C into its working window.</summary>
    [Theory]
    [InlineData("dark-couverture")]
    [InlineData("milk-couverture")]
    [InlineData("white-couverture")]
    public void Seed_of_a_quarter_to_a_half_lands_in_the_window(string code)
    {
        var coating = Tables.Reference.Coating(code)!;
        var seeding = Seeding.For(coating, Grams(450), Celsius(45), Celsius(21), Tables.Reference.Melting, Tables.Reference.Setting)!;
        Assert.InRange(seeding.Share.Si, 0.25 / 1.4, 0.5 * 1.4);
        Assert.InRange(seeding.LandsAt.Si, coating.Temper!.Work[0].Value.Si, coating.Temper.Work[1].Value.Si);
        Assert.Equal(450, (seeding.Seed + seeding.Melt).In("g"), 6);
        Assert.Equal(seeding.Seed.In("g"), seeding.Working[^1].Value, 6);
    }

    [Fact]
    public void Hotter_melts_and_warmer_seed_want_more_of_it_and_larger_pots_less() =>
        Gen.Select(
            Gen.OneOfConst("dark-couverture", "milk-couverture", "white-couverture"),
            Gen.Double[36, 50],
            Gen.Double[0, 4],
            Gen.Double[16, 25],
            Gen.Double[0, 2],
            Gen.Double[200, 1500]).Sample((code, from, hotter, room, warmer, grams) =>
        {
            Seeding Of(double from, double room, double grams) =>
                Seeding.For(
                    Tables.Reference.Coating(code)!,
                    Grams(grams),
                    Celsius(from),
                    Celsius(room),
                    Tables.Reference.Melting,
                    Tables.Reference.Setting)!;
            var share = Of(from, room, grams).Share;
            Assert.True(Of(from + hotter, room, grams).Share >= share);
            Assert.True(Of(from, room + warmer, grams).Share >= share);
            Assert.True(Of(from, room, grams * 1.5).Share <= share);
        });

    [Fact]
    public void Temper_that_was_never_lost_wants_no_seed_and_one_too_hot_is_told()
    {
        var dark = Tables.Reference.Coating("dark-couverture")!;
        Assert.True(Seeding.For(dark, Grams(450), Celsius(32), Celsius(21), Tables.Reference.Melting, Tables.Reference.Setting)!.Held);
        Assert.Contains(
            "no seed", Seeding.For(
                dark, Grams(
                    450), Celsius(
                        32), Celsius(21), Tables.Reference.Melting, Tables.Reference.Setting)!.Advice.Said(), StringComparison.Ordinal);
        var hot = Seeding.For(dark, Grams(150), Celsius(50), Celsius(24), Tables.Reference.Melting, Tables.Reference.Setting)!;
        Assert.False(hot.Held);
        Assert.Contains("too hot to cool with seed alone", hot.Advice.Said(), StringComparison.Ordinal);
        Assert.Null(Seeding.For(
            Tables.Reference.Coatings[0], Grams(450), Celsius(45), Celsius(21), Tables.Reference.Melting, Tables.Reference.Setting));
    }

    /// <summary>
    /// Forms of cocoa butter by Wille &amp; Lutton 1966, from memory: IV melts at 27.5 °C, V at 33.8 °C. Every working temperature lies
    /// between.
    /// </summary>
    [Fact]
    public void Windows_never_contradict_one_another()
    {
        foreach (var c in Tables.Reference.Coatings)
        {
            Assert.True(c.DipFrom.Value.Si <= c.DipTo.Value.Si && c.DrizzleFrom.Value.Si <= c.DrizzleTo.Value.Si, c.Code);
            Assert.True(c.DipTo.Value.Si <= c.MeltTo.Value.Si && c.MeltTo.Value.Si <= c.MeltAtMost.Value.Si, c.Code);
            Assert.True(c.DrizzleTo.Value.Si <= c.MeltAtMost.Value.Si, c.Code);
            if (c.Temper is not { } temper)
                continue;
            Assert.All(temper.Work, w => Assert.InRange(w.Value.In("°C"), 27.5, 33.8));
            Assert.True(
                temper.Cool[1].Value.Si < temper.Work[0].Value.Si
                    && temper.Work[1].Value.In("°C") <= temper.NeverAbove.Value.In("°C") + 0.11);
            Assert.True(
                c.DipFrom.Value.Si >= temper.Work[0].Value.Si
                    && c.DipTo.Value.Si <= temper.Work[1].Value.Si
                    && temper.Melt[1].Value.Si <= c.MeltAtMost.Value.Si);
        }
    }
}

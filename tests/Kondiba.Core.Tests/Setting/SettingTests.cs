using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Tests;

public class SettingTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;
    private static readonly SettingConstants C = Tables.Reference.Setting;
    private static readonly Sourced<Mass> Cookie = new(Quantities.Of<Mass>(11, "g"), Source.Entered);
    private static readonly Sourced<HeatCapacity> CookieHeat = new(new(1800), Source.Entered);

    private static DippedPiece Piece(double filmMm = 2, double centre = 21, Posture posture = Posture.Flat) =>
        new(
            Quantities.Of<Length>(filmMm, "mm"),
            Quantities.Of<Area>(46, "cm²"),
            Quantities.Of<Area>(3, "cm²"),
            new(1250),
            Quantities.Of<Temperature>(35, "°C"),
            C.Family("lauric"),
            default,
            Cookie,
            CookieHeat,
            new(Quantities.Of<Temperature>(centre, "°C"), Source.Entered),
            Posture: posture);

    private static Place At(double celsius, double humidity = 0.5) =>
        new("test", "test", new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered), new(new(humidity), Source.Entered), 1);

    private static Place Shipped(string code) => C.Places.First(p => p.Code == code);

    private static LineTally Line(string centre, string size, double depth = 1, int coats = 1) =>
        Orders.Tally(null, Orders.Line(centre, size, 12, depth: depth) with { Coats = coats }).Lines[0];

    /// <summary>
    /// Common practice has fruit rings, dipped frozen, set within seconds; a thawed one takes as long as any other piece.
    /// </summary>
    [Fact]
    public void A_frozen_ring_sets_many_times_as_fast()
    {
        var frozen = Line("fruit-ring", "one");
        var dry = frozen.Setting[0].TouchDry!.Value;
        Assert.InRange(dry.TotalSeconds, 10, 60);
        Assert.True(SettingModel.For(frozen.Piece with { CentreAt = C.Room.Air }, C.Room, C).TouchDry > dry * 5);
    }

    [Fact]
    public void A_cold_berry_sets_sooner_than_a_warm_one()
    {
        var warm = Orders.Tally(null, Orders.Line("strawberry", "L", 12, depth: 0.75)).Lines[0];
        var cold = CoatingTally.For(
            Orders.Order(
                null, Orders.Line(
                    "strawberry", "L", 12, depth: 0.75)) with
            { Schools = new Dictionary<string, string> { ["berries"] = "chilled" } },
            Tables,
            Orders.Now).Lines[0];
        Assert.True(cold.Setting[0].TouchDry < warm.Setting[0].TouchDry);
        Assert.Equal(4, cold.Piece.CentreAt.Value.In("°C"), 1e-9);
    }

    /// <summary>Common practice: a counter above about 26 °C never sets them. It is told, with what would.</summary>
    [Fact]
    public void A_hot_counter_never_sets_them()
    {
        var time = SettingModel.For(Piece(), At(27.5), C);
        Assert.Null(time.HandleHard);
        Assert.InRange(Piece().Fat.WarmestFor(C.HandleHard.Value, default).In("°C"), 26, 27);
        var hot = C with { Places = [At(27.5) with { Code = Place.Room }, .. C.Places.Skip(1)] };
        Assert.Contains(
            "Set it in the fridge or in the freezer.", Chill.For(Piece(), hot.Room, time, hot).Advice.Said(), StringComparison.Ordinal);
        Assert.NotNull(SettingModel.For(Piece(), At(26), C).HandleHard);
        Assert.Null(SettingModel.For(Piece(), At(40), C).TouchDry);
    }

    /// <summary>Common practice: rooms differ gradually, about half as fast at 24 °C as at 20 °C.</summary>
    [Theory]
    [InlineData("truffle-ball")]
    [InlineData("sandwich-cookie")]
    [InlineData("cake-ball")]
    public void Rooms_differ_gradually(string centre)
    {
        var piece = Line(centre, Tables.Reference.Centre(centre)!.Sizes[0].Code).Piece;
        double Hard(double air) =>
            SettingModel.For(
                piece with { CentreAt = new(Quantities.Of<Temperature>(air, "°C"), Source.Entered) }, At(
                    air), C).HandleHard!.Value.TotalMinutes;
        Assert.InRange(Hard(24) / Hard(20), 2 / 1.35, 2 * 1.35);

        // From a quarter of a degree to the next it never jumps, up to where it ends.
        for (var air = 15.0; air < 25.5; air += 0.25)
            Assert.InRange(Hard(air + 0.25) / Hard(air), 1, 1.2);
    }

    /// <summary>
    /// Held at one temperature, h = 1 − X/Xeq follows Foubert et al. 2002 in closed form, h = [1 + ((1 − x)^(1−n) −
    /// 1)·e^(−(1−n)Kt)]^(1/(1−n))
    /// with x what is crystallized at first: a thin film on a heavy metal centre of the air's temperature.
    /// </summary>
    [Fact]
    public void Crystallization_follows_its_law_in_closed_form() =>
        Gen.Select(Gen.Double[-10, 24], Gen.OneOfConst([.. C.Families.Select(f => f.Code)])).Sample((air, family) =>
        {
            var fat = C.Family(family);
            var held = Piece(0.2) with
            {
                DipAt = Quantities.Of<Temperature>(air, "°C"),
                Fat = fat,
                Contact = new(new(1e5), Source.Entered),
                Centre = new(new(50), Source.Entered),
                CentreAt = new(Quantities.Of<Temperature>(air, "°C"), Source.Entered),
            };
            var (melts, below) = (fat.Melts.Value.In("°C"), fat.SolidBelow.Value.In("°C"));
            var solid = Math.Min(1, (melts - air) / (melts - below));
            var rate = fat.Rate.Value.Si * Math.Pow((melts - air) / (melts - 20), 3.75);
            var (n, first) = (fat.Order.Value.Si, fat.Seed.Value.Si / solid);
            foreach (var point in SettingModel.Course(held, At(air), Duration.FromMinutes(90), 30, C))
            {
                var left = Math.Pow(
                    1 + ((Math.Pow(1 - first, 1 - n) - 1) * Math.Exp(-(1 - n) * rate * point.At.TotalSeconds)), 1 / (1 - n));
                Assert.Equal(solid * (1 - left), point.Set.Si, 0.002);
            }
        }, iter: 40);

    /// <summary>Common practice: cocoa butter that lost its temper stays soft for hours and blooms.</summary>
    [Fact]
    public void Out_of_temper_it_takes_hours_and_blooms()
    {
        var all = SettingIn.For(Piece() with { Fat = C.Family("cocoa-butter") }, C);
        Assert.InRange(all[0].OutOfTemper!.HandleHard!.Value.TotalHours, 3, 12);
        Assert.Contains("bloom", all[0].OutOfTemper!.Note, StringComparison.Ordinal);
        Assert.All(SettingIn.For(Piece(), C), s => Assert.Null(s.OutOfTemper));
    }

    [Fact]
    public void Oil_makes_a_coat_softer_and_flakes_do_not()
    {
        LineTally With(string thinner) => Orders.Tally(new(Thinner: thinner), Orders.Line("truffle-ball", "one", 12)).Lines[0];
        Assert.True(With("oil").Setting[0].HandleHard > With("flakes").Setting[0].HandleHard * 1.4);
        Assert.Equal((0, true), (With("flakes").Piece.Softer.Si, With("oil").Piece.Softer.Si > 1));
    }

    [Fact]
    public void What_is_in_a_mould_is_released_before_it_is_hard_and_what_is_served_cold_is_cold_through_in_the_fridge()
    {
        var bite = Line("moulded-piece", "bite").Setting[0];
        Assert.True(bite.TouchDry < bite.Releases && bite.Releases < bite.HandleHard);
        var berry = Line("strawberry", "L", 0.75).Setting;
        Assert.Null(berry[0].Releases);
        Assert.Equal(["fridge"], berry.Where(s => s.Through is not null).Select(s => s.Place));
        Assert.True(berry[1].Through > berry[1].HandleHard);
    }

    /// <summary>Without latent heat and without a centre a film cools by Newton's law: t = mc/h · ln((T0−Tair)/(T−Tair)).</summary>
    [Fact]
    public void A_plain_film_cools_by_Newtons_law()
    {
        var plain = C with { LatentHeat = new(default, Source.Entered), CoreExchange = new(default, Source.Entered) };
        var seconds = SettingModel.FilmFalls(
            new(Piece(), Quantities.Of<Temperature>(10, "°C"), plain), Quantities.Of<Temperature>(27, "°C"))!.Value.TotalSeconds;
        Assert.Equal(0.002 * 1250 * 1600 / 9 * Math.Log((35.0 - 10) / (27 - 10)), seconds, 1.0);
    }

    /// <summary>
    /// The heat that film and centre lose is the heat that the air gets: enthalpies against the flux summed by Simpson's rule, none of it
    /// the integrator's code.
    /// </summary>
    [Fact]
    public void The_energy_balance_closes_to_a_thousandth() =>
        Gen.Select(Gen.Double[0.4, 4], Gen.Double[-20, 24], Gen.Double[-18, 24]).Sample((film, air, centre) =>
        {
            const int Points = 7200;
            var (piece, until) = (Piece(film, centre), Duration.FromHours(2));
            var course = SettingModel.Course(piece, At(air), until, Points, C);
            double Heat(SettingPoint p) =>
                (film / 1000 * 1250 * 46e-4 * ((1600 * p.Film.Si) - (40_000 * p.Set.Si))) + (0.011 * 1800 * p.Centre.Si);
            double Flux(SettingPoint p) => 9 * ((46e-4 * (p.Film.Si - air - 273.15)) + (3e-4 * (p.Centre.Si - air - 273.15)));
            var step = until.TotalSeconds / Points;
            var (lost, moved) = (0.0, 0.0);
            for (var i = 0; i < Points; i += 2)
            {
                lost += step / 3 * (Flux(course[i]) + (4 * Flux(course[i + 1])) + Flux(course[i + 2]));
                moved += step / 3 * (Math.Abs(Flux(course[i])) + (4 * Math.Abs(Flux(course[i + 1]))) + Math.Abs(Flux(course[i + 2])));
            }

            Assert.InRange(Heat(course[0]) - Heat(course[^1]) - lost, -1e-3 * moved, 1e-3 * moved);
        }, iter: 60);

    [Fact]
    public void Thicker_films_warmer_air_and_warmer_centres_take_longer_and_touch_dry_comes_first() =>
        Gen.Select(
            Gen.Double[0.5, 4],
            Gen.Double[0, 2],
            Gen.Double[-20, 18],
            Gen.Double[0, 3],
            Gen.Double[-18, 22],
            Gen.Double[0, 5],
            Gen.Enum<Posture>()).Sample((film, thicker, air, warmer, centre, hotter, posture) =>
        {
            var base_ = SettingModel.For(Piece(film, centre, posture), At(air), C);
            Assert.True(base_.Wet <= base_.TouchDry && base_.TouchDry <= base_.HandleHard);
            Assert.True(base_.TouchDry <= SettingModel.For(Piece(film + thicker, centre, posture), At(air), C).TouchDry);
            Assert.True(base_.HandleHard <= SettingModel.For(Piece(film, centre, posture), At(air + warmer), C).HandleHard);
            Assert.True(base_.HandleHard <= SettingModel.For(Piece(film, centre + hotter, posture), At(air), C).HandleHard);
        });

    /// <summary>Published: 20 °C at 50 % → 9.3 °C and 25 °C at 60 % → 16.7 °C (psychrometric tables).</summary>
    [Theory]
    [InlineData(20, 50, 9.3)]
    [InlineData(25, 60, 16.7)]
    public void Dew_points_are_as_published(double air, double humidity, double dew) =>
        Assert.Equal(dew, Air.DewPoint(Quantities.Of<Temperature>(air, "°C"), Quantities.Of<Share>(humidity, "%")).In("°C"), 0.1);

    /// <summary>
    /// Saturation pressure of water in Pa by the IAPWS steam tables (quoted from memory): air of a humidity that is the ratio of two of
    /// them has its dew point at the colder.
    /// </summary>
    [Fact]
    public void Dew_points_agree_with_the_steam_tables()
    {
        (double T, double P)[] steam = [(5, 872.6), (10, 1228.2), (15, 1705.8), (20, 2339.3), (25, 3169.9), (30, 4247.0), (35, 5629.0)];
        foreach (var warm in steam)
            foreach (var cold in steam.Where(s => s.T <= warm.T))
                Assert.Equal(cold.T, Air.DewPoint(Quantities.Of<Temperature>(warm.T, "°C"), new(cold.P / warm.P)).In("°C"), 0.1);
    }

    [Fact]
    public void A_short_chill_comes_out_dry_and_a_long_one_wet()
    {
        var (piece, freezer) = (Piece(), Shipped("freezer"));
        var sets = SettingModel.For(piece, freezer, C);
        var chill = Chill.For(piece, freezer, sets, C);
        Assert.True(sets.HandleHard < chill.Longest);
        Assert.Equal((Sticky.Dry, Sticky.Wet), (chill.Hard, chill.Through));
        Assert.InRange(chill.WarmPast!.Value.TotalMinutes, 1, 60);

        // Taken out at the limit its film is at the dew point; warmed so long from cold, too.
        Assert.Equal(chill.DewPoint.Si, SettingModel.Course(piece, freezer, chill.Longest!.Value, 2, C)[^1].Film.Si, 0.1);
        var thawing = piece with { DipAt = freezer.Air.Value, CentreAt = freezer.Air, Set = new(1) };
        Assert.Equal(chill.DewPoint.Si, SettingModel.Course(thawing, C.Room, chill.WarmPast!.Value, 2, C)[^1].Film.Si, 0.1);
    }

    [Fact]
    public void In_a_muggy_room_it_is_wet_before_it_is_hard_and_in_a_dry_one_never()
    {
        SettingConstants In(double air, double humidity) =>
            C with { Places = [At(air, humidity) with { Code = Place.Room }, .. C.Places.Skip(1)] };
        var fridge = Shipped("fridge");
        Chill Of(SettingConstants c) => Chill.For(Piece(), fridge, SettingModel.For(Piece(), fridge, c), c);
        Assert.NotEqual(Sticky.Dry, Of(In(28, 0.85)).Hard);
        Assert.Contains("closed box", Of(In(28, 0.85)).Advice.Said(), StringComparison.Ordinal);
        var dry = Of(In(18, 0.3));
        Assert.Equal((null, Sticky.Dry, Sticky.Dry, null), (dry.Longest, dry.Hard, dry.Through, dry.WarmPast));
        Gen.Select(Gen.Double[18, 28], Gen.Double[0.3, 0.8], Gen.Double[0, 0.15]).Sample((air, humidity, more) =>
            Assert.True(
                (Of(In(air, humidity + more)).Longest ?? Duration.MaxValue) <= (Of(In(air, humidity)).Longest ?? Duration.MaxValue)));
    }
}

using CsCheck;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>The course of film and centre against solutions in closed form, and what comes of it in every place.</summary>
public class SettingCourseTests
{
    private static readonly SettingConstants C = ReferenceData.Shipped.Setting;
    private static readonly SettingConstants Plain = C with { LatentHeat = new(default, Source.Entered) };

    private static DippedPiece Piece(double filmMm, double celsius, double centre, double grams, Posture posture = Posture.Flat) => new(
        Quantities.Of<Length>(
            filmMm, "mm"), Quantities.Of<Area>(
                40, "cm²"), Quantities.Of<Area>(
                    6, "cm²"), new(1250), Quantities.Of<Temperature>(celsius, "°C"), C.Family("lauric"), default,
        new(
            Quantities.Of<Mass>(grams, "g"), Source.Entered), new(
                new(1800), Source.Entered), new(Quantities.Of<Temperature>(centre, "°C"), Source.Entered), Posture: posture);

    private static Place At(double celsius) =>
        new("test", "test", new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered), new(new(0.5), Source.Entered), 1);

    /// <summary>
    /// Two bodies that exchange heat with the air and with one another: without latent heat a linear pair of equations, solved by the
    /// eigenvalues of its matrix.
    /// </summary>
    [Fact]
    public void Film_and_centre_cool_as_two_linear_bodies_do() =>
        Gen.Select(
            Gen.Double[0.5, 4], Gen.Double[30, 45], Gen.Double[-18, 30], Gen.Double[2, 60], Gen.Double[-18, 25]).Sample((
                film, dipped, centre, grams, air) =>
        {
            const int Points = 40;
            var until = Duration.FromMinutes(40);
            var course = SettingModel.Course(Piece(film, dipped, centre, grams), At(air), until, Points, Plain);

            // Heat capacities in J/K, conductances in W/K.
            var (filmHeat, centreHeat) = (film / 1000 * 1250 * 40e-4 * C.FilmHeatCapacity.Value.Si, grams / 1000 * 1800);
            var (toAir, between, bare) = (C.AirExchange.Value.Si * 40e-4, C.CoreExchange.Value.Si * 40e-4, C.AirExchange.Value.Si * 6e-4);
            var (a, b, c, d) = (-(toAir + between) / filmHeat, between / filmHeat, between / centreHeat, -(between + bare) / centreHeat);
            var root = Math.Sqrt(((a - d) * (a - d)) + (4 * b * c));
            var (fast, slow) = ((a + d - root) / 2, (a + d + root) / 2);
            var (x, y) = (dipped - air, centre - air);

            // Each part along its eigenvector (b, λ − a).
            var along = (((slow - a) * x) - (b * y)) / (b * (slow - fast));
            var other = (x / b) - along;
            for (var i = 0; i < course.Count; i++)
            {
                var t = until.TotalSeconds * i / (course.Count - 1);
                var (one, two) = (along * Math.Exp(fast * t), other * Math.Exp(slow * t));
                Assert.Equal(air + (b * (one + two)), course[i].Film.Si - 273.15, 0.02);
                Assert.Equal(air + ((fast - a) * one) + ((slow - a) * two), course[i].Centre.Si - 273.15, 0.02);
            }
        }, iter: 80);

    [Fact]
    public void In_the_end_film_and_centre_are_as_warm_as_the_air() =>
        Gen.Select(
            Gen.Double[0.5, 3], Gen.Double[-18, 26], Gen.OneOfConst(
                Posture.Flat, Posture.Upright, Posture.Mould)).Sample((film, air, posture) =>
        {
            var end = SettingModel.Course(Piece(film, 36, 20, 12, posture), At(air), Duration.FromHours(24), 2, C)[^1];
            Assert.Equal(air, end.Film.Si - 273.15, 0.05);
            Assert.Equal(air, end.Centre.Si - 273.15, 0.05);
        }, iter: 40);

    [Fact]
    public void Nothing_gets_warmer_than_the_warmest_or_colder_than_the_coldest() =>
        Gen.Select(Gen.Double[0.5, 3], Gen.Double[-18, 26], Gen.Double[-18, 30]).Sample((film, air, centre) =>
        {
            var course = SettingModel.Course(Piece(film, 36, centre, 12), At(air), Duration.FromHours(2), 60, C);
            var (least, most) = (Math.Min(Math.Min(air, centre), 36) - 0.01, Math.Max(Math.Max(air, centre), 36) + 0.01);
            Assert.All(course, p => Assert.InRange(p.Film.Si - 273.15, least, most));
            Assert.All(course, p => Assert.InRange(p.Centre.Si - 273.15, least, most));
        }, iter: 60);

    [Fact]
    public void The_marks_are_where_the_course_passes_them()
    {
        foreach (var air in (double[])[-18, 4, 12, 18])
        {
            var (piece, place) = (Piece(1.6, 35, 21, 12), At(air));
            var sets = SettingModel.For(piece, place, C);
            double SetAt(Duration at) => SettingModel.Course(piece, place, at, 2, C)[^1].Set.Si;
            Assert.Equal(C.Wet.Value.Si, SetAt(sets.Wet!.Value), 0.002);
            Assert.Equal(C.TouchDry.Value.Si, SetAt(sets.TouchDry!.Value), 0.002);
            Assert.Equal(C.HandleHard.Value.Si, SetAt(sets.HandleHard!.Value), 0.002);
        }
    }

    [Fact]
    public void Standing_pieces_set_sooner_than_lying_ones()
    {
        foreach (var air in (double[])[-18, 4, 18])
        {
            Duration Hard(Posture posture) => SettingModel.For(Piece(1.6, 35, 21, 12, posture), At(air), C).HandleHard!.Value;
            Assert.True(Hard(Posture.Upright) < Hard(Posture.Flat), $"{air} °C");
        }
    }

    [Fact]
    public void Every_place_of_the_kitchen_has_its_marks_its_course_and_its_advice()
    {
        var all = SettingIn.For(Piece(1.6, 35, 21, 12), C);
        Assert.Equal(C.Had.Select(p => p.Code), all.Select(s => s.Place));
        Assert.All(all, s =>
        {
            Assert.True(s.Sets.TouchDry < s.Sets.HandleHard, s.Place);
            Assert.Equal(C.Places.First(p => p.Code == s.Place).Air.Value, s.Air);

            // The chart shows both marks and begins where the piece was dipped.
            Assert.True(s.Course[^1].At >= s.Sets.HandleHard, s.Place);
            Assert.Equal(35, s.Course[0].Film.Si - 273.15, 6);
            Assert.True(s.Course.Zip(s.Course.Skip(1)).All(p => p.First.At < p.Second.At));
            Assert.EndsWith(".", s.Chill.Advice.Said(), StringComparison.Ordinal);
            Assert.All(s.Working, w => Assert.False(string.IsNullOrWhiteSpace(w.What.Said())));
        });

        // The colder, the sooner, and the shorter it may stay.
        var (fridge, freezer) = (all.Single(s => s.Place == "fridge"), all.Single(s => s.Place == "freezer"));
        Assert.True(freezer.Sets.HandleHard < fridge.Sets.HandleHard);
        Assert.True(freezer.Chill.Longest < fridge.Chill.Longest);
        Assert.True(freezer.Chill.WarmPast > fridge.Chill.WarmPast);
    }

    [Theory]
    [InlineData(36, "never sets")]
    [InlineData(28, "stays soft")]
    [InlineData(20, "comes out dry however long")]
    public void A_warm_place_says_what_will_do_instead(double air, string says)
    {
        var (piece, place) = (Piece(1.6, 35, 24, 12), At(air));
        Assert.Contains(says, Chill.For(piece, place, SettingModel.For(piece, place, C), C).Advice.Said(), StringComparison.Ordinal);
    }
}

using Kondiba.Core.Bench;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Planning;
using Kondiba.Core.Wording;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What a probe and a scale say of a pot at the bench, and what of it is believed.</summary>
public class PotNowTests
{
    private static readonly Instant Begin = Instant.FromUtc(2031, 5, 3, 10, 0);
    private static readonly LocalDateTime Morning = new(2031, 5, 3, 10, 0);

    private static readonly DayMelt Melt = new(
        "compound-wafer-hot-flow.dark", 1, Grams(450), Morning, Morning, Morning.PlusHours(2), ["1/dip.a"], null, null,
        OnPieces: Grams(300), Pool: Grams(100));

    private static Temperature Celsius(double t) => Quantities.Of<Temperature>(t, "°C");

    private static PotNow Look(int dipped, params double[] grams) => PotNow.Of(
        new(
            Melt,
            IsMelted: true,
            dipped,
            ToDip: 30,
            [],
            [.. grams.Select((g, i) => new PotWeight(Begin + Duration.FromMinutes(i), Grams(g)))]),
        Tables,
        Begin + Duration.FromMinutes(grams.Length - 1));

    /// <summary>By hand: 10 g a piece, 100 g must stay.</summary>
    [Fact]
    public void The_scale_says_for_how_many_pieces_it_is_enough()
    {
        var enough = Look(0, 450);
        Assert.Equal(35, enough.Covers);
        Assert.Equal("450 g left: enough for the 30 pieces still to dip.", Catalogue.Say(enough.Scale, Voice.Plain));

        var last = Look(29, 110);
        Assert.Equal((1, "110 g left: enough for the piece that is still to dip."), (last.Covers, Catalogue.Say(last.Scale, Voice.Plain)));

        // 20 left, for 12 of which it is enough: eight at 10 g each. Nothing says how fast it is used.
        var lacking = Look(10, 220);
        Assert.Equal(12, lacking.Covers);
        Assert.Equal(
            "220 g left: enough for 12 of the 20 pieces still to dip. Melt 80 g more now.", Catalogue.Say(lacking.Scale, Voice.Plain));

        // 10 g a minute: what is over the pool lasts 12 min, of which melting more takes some.
        Assert.Matches(
            "^220 g left: enough for 12 of the 20 .* Melt 80 g more within [4-8] min\\.$",
            Catalogue.Say(Look(10, 270, 260, 250, 240, 230, 220).Scale, Voice.Plain));
    }

    [Fact]
    public void What_has_been_silent_is_not_believed()
    {
        var weights = new PotWeight[] { new(Begin, Grams(300)) };
        var readings = new PotReading[] { new(Begin, Celsius(35)) };
        var now = PotNow.Of(new(Melt, true, 0, 30, readings, weights), Tables, Begin + Duration.FromMinutes(1));
        Assert.Null(now.Left);
        Assert.Null(now.At);
        Assert.Equal(CoachAct.ByEye, now.Advice.Act);
        Assert.Empty(now.Ahead);
    }

    [Theory]
    [InlineData(DeviceKind.Probe, 95, "°F", 0, 35.0, null)]
    [InlineData(DeviceKind.Probe, 308.15, "K", 0, 35.0, null)]
    [InlineData(DeviceKind.Scale, 1, "lb", 0, 453.592, null)]
    [InlineData(DeviceKind.Scale, 35, "°C", 0, null, "unit")]
    [InlineData(DeviceKind.Probe, 35, "C", 0, null, "unit")]
    [InlineData(DeviceKind.Probe, 2000, "°C", 0, null, "range")]
    [InlineData(DeviceKind.Probe, double.NaN, "°C", 0, null, "unit")]
    [InlineData(DeviceKind.Probe, 35, "°C", 10, null, "future")]
    [InlineData(DeviceKind.Probe, 35, "°C", -60 * 30, null, "old")]
    public void A_reading_is_in_one_unit_or_set_apart_with_the_reason(
        DeviceKind kind, double value, string unit, int minutes, double? believed, string? apart)
    {
        var (read, why) = new DeviceReading(Begin + Duration.FromMinutes(minutes), value, unit).Check(kind, Begin);
        Assert.Equal(apart, why);
        Assert.Equal(believed ?? -1, read ?? -1, 1e-6);
    }
}

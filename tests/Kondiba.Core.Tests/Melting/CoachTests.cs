using CsCheck;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Wording;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>The coach is followed, over pots of which it knows no more than a probe and the kitchen tell.</summary>
public class CoachTests
{
    private static readonly MeltConstants C = Tables.Reference.Melting;
    private static readonly Coach Coach = new(C, Tables.Reference.LivePot, Tables.Reference.Setting);
    private static readonly Instant Begin = Instant.FromUtc(2031, 5, 3, 10, 0);

    private static readonly Gen<(Coating Coating, double Grams, MeltMethod Method, double Room, double Truth, int Seed)> AnyPot =
        Gen.Select(
        Gen.OneOfConst([.. Tables.Reference.Coatings]),
        Gen.Double[60, 2000],
        Gen.OneOfConst([.. C.Methods]),
        Gen.Double[16, 25],
        Gen.Double[0.75, 1.3],
        Gen.Int[0, 1_000_000]);

    private static Temperature Celsius(double t) => Quantities.Of<Temperature>(t, "°C");

    /// <summary>
    /// However strong the microwave is, and whatever the probe misses, no part of a pot that is warmed again passes what it may be, and it
    /// comes back into its window.
    /// </summary>
    [Fact]
    public void Warmed_again_no_pot_passes_its_limit() =>
        Gen.Select(AnyPot, Gen.Double[0.5, 6]).Sample((any, below) =>
        {
            var kitchen = new Followed(any.Coating, any.Grams, any.Method, any.Room, any.Truth, any.Seed, melted: true);
            kitchen.Start(any.Coating.DipFrom.Value.In("°C") - below, solid: 0);
            var reached = kitchen.Follow(a => a.Act is CoachAct.Dip, most: 120);
            var limit = (any.Coating.Temper?.NeverAbove ?? any.Coating.MeltAtMost).Value.In("°C");
            Assert.True(kitchen.Pot.Peak <= limit, $"{kitchen.Pot.Peak:0.00} °C: {kitchen.Story}");
            Assert.True(reached, kitchen.Story);
        });

    /// <summary>
    /// From cold coating to the first dip: less than a hundredth scorches, which nobody sees, nothing is left unmelted, and what is
    /// tempered holds its temper.
    /// </summary>
    [Fact]
    public void Followed_from_the_start_a_pot_can_be_dipped_in() =>
        AnyPot.Sample(any =>
        {
            var kitchen = new Followed(any.Coating, any.Grams, any.Method, any.Room, any.Truth, any.Seed, melted: false);
            kitchen.Start(any.Room, solid: 1);
            Assert.True(kitchen.Follow(a => a.Act is CoachAct.Dip, most: 600), kitchen.Story);
            Assert.True(kitchen.Pot.Scorched.Si < 0.01, $"{kitchen.Pot.Scorched.Si:0.000} scorched: {kitchen.Story}");

            // The bowl melts the last lumps; what is left of the seed is taken out.
            Assert.True(kitchen.Pot.Melted.Si > 0.95, $"{kitchen.Pot.Melted.Si:0.00} melted: {kitchen.Story}");
            Assert.InRange(kitchen.Pot.Middle, any.Coating.DipFrom.Value.In("°C") - 1.5, any.Coating.DipTo.Value.In("°C") + 1.5);

            // A crock's own heat melts the seed again; whoever tempers in one finds out by the smear that the coach asks for. One pot in
            // twenty thousand is a hair short of crystals: the smear tells that, too.
            var live = Tables.Reference.LivePot;
            var held = kitchen.Pot.Stable.Si >= live.Held.Value.Si * 0.9 && kitchen.Pot.Stable <= live.Thick.Value;
            Assert.True(
                kitchen.Pot.Tempered is null || held || any.Method.InCrock, $"{kitchen.Pot.Stable.Si:0.0000} stable: {kitchen.Story}");
        });

    [Fact]
    public void A_probe_that_is_silent_is_not_believed()
    {
        var coating = Tables.Reference.Coatings[0];
        var pot = new CoachedPot(
            coating, Grams(450), C.Methods[0], Celsius(21), coating.DipFrom.Value, coating.DipTo.Value, Melted: true);
        Assert.Equal(CoachAct.ByEye, Coach.Advise(pot, [], Begin).Act);
        var readings = Enumerable.Range(0, 60).Select(s => new PotReading(Begin + Duration.FromSeconds(s), Celsius(40))).ToList();
        Assert.Equal(CoachAct.Wait, Coach.Advise(pot, readings, Begin + Duration.FromSeconds(61)).Act);
        var late = Coach.Advise(pot, readings, Begin + Duration.FromMinutes(3));
        Assert.Equal(CoachAct.ByEye, late.Act);
        Assert.Contains("silent for 2 min", Catalogue.Say(late.Says, Voice.Plain), StringComparison.Ordinal);
        Assert.Null(late.Guess);
    }

    /// <summary>A kitchen that does what the coach says, to a pot that it knows only by its probe.</summary>
    private sealed class Followed(Coating coating, double grams, MeltMethod method, double room, double truth, int seed, bool melted)
    {
        private readonly PretendProbe probe = new(seed);
        private readonly List<PotReading> readings = [];
        private readonly List<string> told = [];
        private Instant now = Begin;

        public LivePot Pot { get; private set; } = null!;

        public string Story =>
            $"{coating.Code}, {grams:0} g, {method.Code}, {room:0.0} °C, x {truth:0.00}: {string.Join("; ", told.TakeLast(12))}";

        public void Start(double at, double solid)
        {
            var stronger = C with { Microwave = C.Microwave with { Value = new(C.Microwave.Value.Si * truth) } };
            Pot = new(
                new(coating, Grams(grams), method, Celsius(room), Celsius(at), new(solid)), stronger, Tables.Reference.LivePot,
                Tables.Reference.Setting);
            Pass(10, Pot.Wait);
        }

        public bool Follow(Func<Advice, bool> there, int most)
        {
            for (var i = 0; i < most; i++)
            {
                var advice = Coach.Advise(
                    new(
                        coating, Pot.Mass, method, Celsius(room), coating.DipFrom.Value, coating.DipTo.Value, melted),
                    readings,
                    now);
                told.Add($"{Pot.Middle:0.0}/{Pot.Rim:0.0} {advice.Act} {advice.For?.TotalSeconds:0} {advice.Level?.Si:0.0}");
                if (there(advice))
                    return true;
                Do(advice);
            }

            return false;
        }

        private void Do(Advice advice)
        {
            var time = (int)Math.Round((advice.For ?? Duration.FromSeconds(15)).TotalSeconds);
            switch (advice.Act)
            {
                case CoachAct.TurnDown:
                    Pass(time, t => Pot.Heat(t, stirred: true));
                    break;
                case CoachAct.Heat when method.Level is null:
                    Pass(time * 2 / 3, t => Pot.Heat(t));
                    Pass(time / 3, t => Pot.Heat(t, stirred: true));
                    break;
                case CoachAct.Heat:
                    // A microwave has no probe in it.
                    Pot.Heat(advice.For!.Value, advice.Level);
                    now += advice.For.Value;
                    Pass(15, Pot.Stir);
                    break;
                case CoachAct.Seed:
                    Pot.Seed(advice.Seed!.Value);
                    Pass(60, Pot.Stir);
                    break;
                case CoachAct.Warm:
                    Pass(time, t => Pot.Warm(t, advice.Water!.Value));
                    break;
                case CoachAct.Wait:
                    Pass(10, Pot.Stir);
                    Pass(50, Pot.Wait);
                    break;
                default:
                    Pass(time, Pot.Stir);
                    break;
            }
        }

        private void Pass(int seconds, Action<Duration> act)
        {
            for (var s = 0; s < seconds; s++, now += Duration.FromSeconds(1))
            {
                act(Duration.FromSeconds(1));
                Read();
            }
        }

        private void Read()
        {
            if (probe.Next(Pot.Middle) is { } celsius)
                readings.Add(new(now, Celsius(celsius)));
        }
    }
}

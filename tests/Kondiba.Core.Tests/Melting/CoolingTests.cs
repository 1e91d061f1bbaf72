using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What five minutes of a noisy probe say of a pot that cools, over pots that differ from what the kitchen believes.</summary>
public class CoolingTests
{
    private static readonly MeltConstants C = Tables.Reference.Melting;
    private static readonly Instant Begin = Instant.FromUtc(2031, 5, 3, 10, 0);

    private static Temperature Celsius(double t) => Quantities.Of<Temperature>(t, "°C");

    /// <summary>
    /// The pot loses its heat up to half as fast again or as slowly, the room is up to 1.5 K off, the maker stirs for some seconds each
    /// minute, the probe lags, reads with noise and drops out.
    /// </summary>
    [Fact]
    public void Five_minutes_of_readings_tell_when_a_pot_can_be_dipped_in()
    {
        List<double> errors = [];
        var within = 0;
        for (var seed = 0; seed < 300; seed++)
        {
            var chance = new Random(seed);
            double Between(double from, double to) => from + ((to - from) * chance.NextDouble());

            var coating = Tables.Reference.Coatings[chance.Next(Tables.Reference.Coatings.Count)];
            var (mass, room) = (Grams(Between(100, 1500)), Between(17, 24));
            var method = C.Methods[chance.Next(2)];
            var truth = C with { Loss = C.Loss with { Value = new(C.Loss.Value.Si * Math.Exp(Between(-0.4, 0.4))) } };
            var pot = new LivePot(
                new(coating, mass, method, Celsius(room), Celsius(coating.MeltTo.Value.In("°C") + 3), new(0)),
                truth,
                Tables.Reference.LivePot,
                Tables.Reference.Setting);
            var probe = new PretendProbe(seed);
            List<PotReading> readings = [];
            var dip = coating.DipTo.Value;
            var phase = chance.Next(60);
            void Pass(int second)
            {
                if ((second + phase) % 60 < 10)
                    pot.Stir(Duration.FromSeconds(1));
                else
                    pot.Wait(Duration.FromSeconds(1));
            }

            for (var second = 1; second <= 300; second++)
            {
                Pass(second);
                if (probe.Next(pot.Middle) is { } read)
                    readings.Add(new(Begin + Duration.FromSeconds(second), Celsius(read)));
            }

            var believed = Celsius(room + Between(-1.5, 1.5));
            var guess = Cooling.Fit(readings, mass, method, believed, C).Until(dip);
            var takes = 0;
            for (; pot.Middle > dip.In("°C") && takes < 4 * 3600; takes++)
                Pass(300 + takes);

            // A pot that is there within two minutes is looked at, not predicted.
            if (takes < 120)
                continue;
            errors.Add(guess is null ? 1 : Math.Abs(guess.Likely.TotalSeconds - takes) / takes);
            within += guess is not null && takes >= guess.AtLeast.TotalSeconds * 0.9 && takes <= guess.AtMost.TotalSeconds * 1.1 ? 1 : 0;
        }

        errors.Sort();
        Assert.True(errors.Count > 150, $"{errors.Count} pots");
        var (median, nineOfTen) = (errors[errors.Count / 2], errors[errors.Count * 9 / 10]);
        Assert.True(median < 0.15, $"median {median:0.000}, nine of ten {nineOfTen:0.000}");
        Assert.True(nineOfTen < 0.4, $"nine of ten {nineOfTen:0.000}");
        Assert.True(within > errors.Count * 0.7, $"{within} of {errors.Count} where it said");
    }
}

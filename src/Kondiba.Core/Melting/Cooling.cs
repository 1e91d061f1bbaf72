using Kondiba.Core.Measures;
using MathNet.Numerics.LinearAlgebra;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>What a probe in a pot read.</summary>
/// <param name="At">When, by a clock that all readings of the pot share.</param>
/// <param name="Temperature">What.</param>
public readonly record struct PotReading(Instant At, Temperature Temperature);

/// <summary>How long something takes, likely.</summary>
/// <param name="Likely">The best guess.</param>
/// <param name="AtLeast">In nine of ten cases no less.</param>
/// <param name="AtMost">In nine of ten cases no more.</param>
public sealed record TimeGuess(Duration Likely, Duration AtLeast, Duration AtMost);

/// <summary>
/// How a pot cools by itself: towards the room, by Newton's law, fitted to its last minutes. What its mass and bowl say of the rate, and
/// the kitchen's thermometer of the room, is believed until the readings know better (Gauss–Newton with normal priors).
/// </summary>
public sealed class Cooling
{
    private const double Window = 300;
    private const double Fades = 150;
    private const double RateSpread = 0.4;
    private const double RoomSpread = 1;
    private const double Noise = 1;
    private const double Sure = 1.645;
    private const int Rounds = 8;
    private const double Longest = 6 * 3600;

    private readonly Vector<double> fitted;
    private readonly Matrix<double> spread;

    private Cooling(Vector<double> fitted, Matrix<double> spread) => (this.fitted, this.spread) = (fitted, spread);

    /// <summary>Fits it to a pot's readings.</summary>
    /// <param name="readings">The readings, oldest first; those of the last five minutes count.</param>
    /// <param name="mass">How much is in the pot.</param>
    /// <param name="method">What it was melted by, in the same vessel.</param>
    /// <param name="room">Temperature of the room, as the kitchen knows it.</param>
    /// <param name="c">Constants of melting.</param>
    /// <exception cref="ArgumentException">There are no readings.</exception>
    public static Cooling Fit(
        IReadOnlyList<PotReading> readings, Mass mass, MeltMethod method, Temperature room, MeltConstants c)
    {
        if (readings.Count == 0)
            throw new ArgumentException("A pot that nothing was read of cannot be followed.", nameof(readings));
        var last = readings[^1].At;
        var points = readings
            .Select(r => (Ago: (r.At - last).TotalSeconds, At: r.Temperature.In("°C")))
            .Where(p => p.Ago > -Window)
            .Select(p => (p.Ago, p.At, Weight: Math.Exp(p.Ago / Fades) / (Noise * Noise)))
            .ToList();
        var prior = Vector<double>.Build.Dense([points[^1].At - room.In("°C"), -Math.Log(c.CoolsIn(method, mass)), room.In("°C")]);
        var belief = Matrix<double>.Build.Diagonal([1e-6, 1 / (RateSpread * RateSpread), 1 / (RoomSpread * RoomSpread)]);
        var fit = prior.Clone();
        var known = belief;
        for (var round = 0; round < Rounds; round++)
        {
            known = belief;
            var pull = belief * (prior - fit);
            foreach (var (ago, at, weight) in points)
            {
                var (over, rate) = (fit[0], Math.Exp(fit[1]));
                var fallen = Math.Exp(-rate * ago);
                var slope = Vector<double>.Build.Dense([fallen, -over * rate * ago * fallen, 1]);
                known += slope.OuterProduct(slope) * weight;
                pull += slope * (weight * (at - fit[2] - (over * fallen)));
            }

            fit += known.Solve(pull);

            // No pot cools a hundred times as fast as its mass and bowl say, whatever the readings are.
            fit[1] = Math.Clamp(fit[1], prior[1] - 4, prior[1] + 4);
        }

        return new(fit, known.Inverse());
    }

    /// <summary>Temperature in a while, if it is left alone.</summary>
    public Temperature In(Duration later) =>
        Quantities.Of<Temperature>(fitted[2] + (fitted[0] * Math.Exp(-Math.Exp(fitted[1]) * later.TotalSeconds)), "°C");

    /// <summary>How long until it has come down to a temperature; null where it never will, or not within hours.</summary>
    public TimeGuess? Until(Temperature temperature)
    {
        var to = temperature.In("°C");
        if (Seconds(fitted, to) is not { } likely)
            return null;

        // How much the time moves with each thing that was fitted, and how well that is known.
        var slope = Vector<double>.Build.Dense(fitted.Count, i =>
        {
            var moved = fitted.Clone();
            moved[i] += 1e-4;
            return ((Seconds(moved, to) ?? Longest) - likely) / 1e-4;
        });
        var off = Sure * Math.Sqrt(Math.Max(0, slope * spread * slope));
        return new(
            Duration.FromSeconds(likely),
            Duration.FromSeconds(Math.Max(0, likely - off)),
            Duration.FromSeconds(Math.Min(Longest, likely + off)));
    }

    private static double? Seconds(Vector<double> fitted, double to)
    {
        var (over, rate, room) = (fitted[0], Math.Exp(fitted[1]), fitted[2]);
        if (over + room <= to)
            return 0;
        if (to <= room)
            return null;
        var seconds = Math.Log(over / (to - room)) / rate;
        return seconds <= Longest ? seconds : null;
    }
}

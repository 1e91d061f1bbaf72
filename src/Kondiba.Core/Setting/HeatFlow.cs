using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Setting;

/// <summary>A moment of a piece that sets.</summary>
/// <param name="Seconds">Since it was dipped.</param>
/// <param name="Now">Film and centre then.</param>
/// <param name="Slope">How fast they change, a second.</param>
internal readonly record struct Moment(double Seconds, FilmState Now, FilmState Slope);

/// <summary>Film and centre at a moment, or how fast they change.</summary>
/// <param name="Film">Temperature of the film in K.</param>
/// <param name="Centre">Temperature of the centre in K.</param>
/// <param name="Set">Share of the film's fat that has crystallized.</param>
internal readonly record struct FilmState(double Film, double Centre, double Set)
{
    public static FilmState operator +(FilmState a, FilmState b) => new(a.Film + b.Film, a.Centre + b.Centre, a.Set + b.Set);

    public static FilmState operator *(double times, FilmState a) => new(times * a.Film, times * a.Centre, times * a.Set);
}

/// <summary>
/// Film and centre, each at one temperature, exchanging heat with the air and with one another, while the film's fat crystallizes
/// and gives off its latent heat. The rate is Foubert, Vanrolleghem, Vanhoutte &amp; Dewettinck 2002 (Food Research International
/// 35:945): with h the share still to crystallize of what is solid in the end at this temperature, dh/dt = K·(hⁿ − h). K grows with
/// the distance below the melting point, to the power 3.75, so that it is about half as fast at 24 °C as at 20 °C. Integrated by the
/// pair of Dormand &amp; Prince 1980, each step as long as its error allows.
/// </summary>
internal sealed class HeatFlow
{
    private const double Tolerance = 1e-4;
    private const int MostSteps = 20_000;
    private const double LongestStep = 600;
    private static readonly double RateAt = Quantities.Of<Temperature>(20, "°C").Si;

    private readonly double air, capacity, latent, melts, range, rate, depth;
    private readonly int order;
    private readonly double filmToAir, filmToCentre, centreFromFilm, centreToAir;
    private readonly Moment start;

    public HeatFlow(DippedPiece piece, Temperature air, SettingConstants c)
    {
        var fat = piece.Fat;
        (this.air, capacity, latent) = (air.Si, c.FilmHeatCapacity.Value.Si, c.LatentHeat.Value.Si);
        melts = fat.Melts.Value.Si - piece.Softer.Si;
        (range, depth) = (fat.Melts.Value.Si - fat.SolidBelow.Value.Si, fat.Melts.Value.Si - RateAt);
        (rate, order) = (fat.Rate.Value.Si, (int)fat.Order.Value.Si);

        var inMould = piece.Posture is Posture.Mould;
        var (ha, hc) = (c.AirExchange.Value.Si, (piece.Contact ?? c.CoreExchange).Value.Si);
        var open = piece.Posture switch
        {
            Posture.Mould => ha * c.OpenFace.Value.Si,
            Posture.Upright => ha * c.Upright.Value.Si,
            _ => ha,
        };
        var wall = inMould ? piece.Dipped.Si * c.MouldWall.Value.Si * c.MouldDensity.Value.Si * c.MouldHeatCapacity.Value.Si : 0;
        var centreHeat = (piece.Centre.Value.Si * piece.CentreHeat.Value.Si) + wall;
        var bare = inMould ? piece.Dipped.Si : piece.Bare.Si;
        var filmMass = piece.Film.Si * piece.CoatingDensity.Si;
        if (filmMass > 0)
            (filmToAir, filmToCentre) = (open / filmMass, centreHeat > 0 ? hc / filmMass : 0);
        if (centreHeat > 0)
            (centreFromFilm, centreToAir) = (filmMass > 0 ? hc * piece.Dipped.Si / centreHeat : 0, ha * bare / centreHeat);
        start = At(0, new(piece.DipAt.Si, piece.CentreAt.Value.Si, (piece.Set ?? fat.Seed.Value).Si));
    }

    /// <summary>Follows it step by step, until some time or until asked to stop.</summary>
    /// <param name="until">In s.</param>
    /// <param name="step">Sees each step's two ends; false ends it.</param>
    /// <remarks>It ends after so many steps whatever is asked, and at once where the numbers do not hold.</remarks>
    public void Follow(double until, Func<Moment, Moment, bool> step)
    {
        var now = start;
        var length = 5.0;
        for (var steps = 0; now.Seconds < until && steps < MostSteps; steps++)
        {
            length = Min(Min(length, LongestStep), until - now.Seconds);
            var (next, error) = Step(now, length);

            // A film so thin that its warmth is beyond all numbers has no course.
            if (!double.IsFinite(error))
                return;
            if (error <= 1)
            {
                if (!step(now, next))
                    return;
                now = next;
            }

            length *= Clamp(0.9 * Pow(Max(error, 1e-8), -0.2), 0.2, 4);
        }
    }

    /// <summary>Film and centre between two ends of a step, by the cubic through both with their slopes.</summary>
    /// <param name="a">The step's beginning.</param>
    /// <param name="b">Its end.</param>
    /// <param name="seconds">A time between.</param>
    public static FilmState Between(Moment a, Moment b, double seconds)
    {
        var length = b.Seconds - a.Seconds;
        var s = (seconds - a.Seconds) / length;
        var fromStart = ((1 + (2 * s)) * a.Now) + (s * length * a.Slope);
        var fromEnd = ((3 - (2 * s)) * b.Now) + ((s - 1) * length * b.Slope);
        return ((1 - s) * (1 - s) * fromStart) + (s * s * fromEnd);
    }

    private Moment At(double seconds, FilmState now)
    {
        var crystallizes = Crystallizing(now.Film, now.Set);
        var cools = (filmToAir * (air - now.Film)) - (filmToCentre * (now.Film - now.Centre));
        return new(seconds, now, new(
            (cools + (latent * crystallizes)) / capacity,
            (centreFromFilm * (now.Film - now.Centre)) + (centreToAir * (air - now.Centre)),
            crystallizes));
    }

    /// <summary>
    /// Share that crystallizes in a second. What is solid does not melt again as long as the piece stays below its melting point.
    /// </summary>
    private double Crystallizing(double film, double set)
    {
        var below = melts - film;
        var solid = Min(1, below / range);
        if (solid <= set)
            return 0;
        var left = 1 - (set / solid);
        var power = left;
        for (var i = 1; i < order; i++)
            power *= left;
        return rate * Steep(below / depth) * solid * (left - power);
    }

    /// <summary>To the power 3.75.</summary>
    private static double Steep(double share) => share * share * share * Sqrt(share) * Sqrt(Sqrt(share));

    // Butcher's table of Dormand & Prince 1980, row after row: the stages, and what the weights of orders five and four differ by.
    private static readonly double[] Stages =
    [
        1 / 5.0,
        3 / 40.0, 9 / 40.0,
        44 / 45.0, -56 / 15.0, 32 / 9.0,
        19372 / 6561.0, -25360 / 2187.0, 64448 / 6561.0, -212 / 729.0,
        9017 / 3168.0, -355 / 33.0, 46732 / 5247.0, 49 / 176.0, -5103 / 18656.0,
        35 / 384.0, 0, 500 / 1113.0, 125 / 192.0, -2187 / 6784.0, 11 / 84.0,
    ];

    private static readonly double[] Errors = [71 / 57600.0, 0, -71 / 16695.0, 71 / 1920.0, -17253 / 339200.0, 22 / 525.0, -1 / 40.0];

    private (Moment Next, double Error) Step(Moment from, double length)
    {
        const int Count = 6;
        Span<double> films = stackalloc double[Count + 1], centres = stackalloc double[Count + 1], sets = stackalloc double[Count + 1];
        (films[0], centres[0], sets[0]) = (from.Slope.Film, from.Slope.Centre, from.Slope.Set);
        var last = from;
        for (var (i, at) = (0, 0); i < Count; i++)
        {
            var (film, centre, set) = (0.0, 0.0, 0.0);
            for (var j = 0; j <= i; j++)
            {
                var weight = Stages[at++];
                film += weight * films[j];
                centre += weight * centres[j];
                set += weight * sets[j];
            }

            last = At(
                from.Seconds + length,
                new(from.Now.Film + (length * film), from.Now.Centre + (length * centre), from.Now.Set + (length * set)));
            (films[i + 1], centres[i + 1], sets[i + 1]) = (last.Slope.Film, last.Slope.Centre, last.Slope.Set);
        }

        var (ofFilm, ofCentre, ofSet) = (0.0, 0.0, 0.0);
        for (var i = 0; i <= Count; i++)
        {
            ofFilm += Errors[i] * films[i];
            ofCentre += Errors[i] * centres[i];
            ofSet += Errors[i] * sets[i];
        }

        // A share crystallized counts as the warmth that it gives off.
        var worst = Max(Max(Abs(ofFilm), Abs(ofCentre)), Abs(ofSet) * latent / capacity);
        return (last, length * worst / Tolerance);
    }
}

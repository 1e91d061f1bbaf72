using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Setting;

/// <summary>A moment of a piece that sets.</summary>
/// <param name="Seconds">Since it was dipped.</param>
/// <param name="Heat">Heat of the film in J/kg, counted from the lower end of the freezing range.</param>
/// <param name="Centre">Temperature of the centre in K.</param>
/// <param name="HeatSlope">Change of the heat in W/kg.</param>
/// <param name="CentreSlope">Change of the centre in K/s.</param>
internal readonly record struct Moment(double Seconds, double Heat, double Centre, double HeatSlope, double CentreSlope);

/// <summary>
/// Film and centre, each at one temperature, exchanging heat with the air and with one another; the latent heat is spread
/// evenly over the freezing range (apparent heat capacity). The film is followed by its heat, which has no jumps where its
/// temperature's course has kinks. Integrated by the pair of Dormand &amp; Prince 1980, each step as long as its error allows.
/// </summary>
internal sealed class HeatFlow
{
    private const double Tolerance = 1e-4;
    private const double LongestStep = 600;

    private readonly double lower, upper, air, capacity, freezing, heatAtUpper;
    private readonly double filmToAir, filmToCentre, centreFromFilm, centreToAir;
    private readonly Moment start;

    public HeatFlow(DippedPiece piece, Temperature air, SettingConstants c)
    {
        (upper, lower, this.air) = (c.FreezesFrom.Value.Si, c.FreezesTo.Value.Si, air.Si);
        capacity = c.FilmHeatCapacity.Value.Si;
        freezing = capacity + (c.LatentHeat.Value.Si / (upper - lower));
        heatAtUpper = freezing * (upper - lower);

        var inMould = piece.Posture is Posture.Mould;
        var (ha, hc) = (c.AirExchange.Value.Si, c.CoreExchange.Value.Si);
        var open = ha * (inMould ? c.OpenFace.Value.Si : piece.Posture is Posture.Upright ? c.Upright.Value.Si : 1);
        var wall = inMould ? piece.Dipped.Si * c.MouldWall.Value.Si * c.MouldDensity.Value.Si * c.MouldHeatCapacity.Value.Si : 0;
        var centreHeat = (piece.Centre.Value.Si * piece.CentreHeat.Value.Si) + wall;
        var bare = inMould ? piece.Dipped.Si : piece.Bare.Si;
        var filmMass = piece.Film.Si * piece.CoatingDensity.Si;
        if (filmMass > 0)
            (filmToAir, filmToCentre) = (open / filmMass, centreHeat > 0 ? hc / filmMass : 0);
        if (centreHeat > 0)
            (centreFromFilm, centreToAir) = (filmMass > 0 ? hc * piece.Dipped.Si / centreHeat : 0, ha * bare / centreHeat);
        start = At(0, HeatOf(piece.DipAt.Si), piece.CentreAt.Value.Si);
    }

    /// <summary>Temperature of a film of so much heat.</summary>
    public double FilmAt(double heat) => heat <= 0 ? lower + (heat / capacity)
        : heat <= heatAtUpper ? lower + (heat / freezing)
        : upper + ((heat - heatAtUpper) / capacity);

    /// <summary>Heat of a film of some temperature.</summary>
    public double HeatOf(double t) => t <= lower ? capacity * (t - lower)
        : t <= upper ? freezing * (t - lower)
        : heatAtUpper + (capacity * (t - upper));

    /// <summary>Follows it step by step, until some time or until asked to stop.</summary>
    /// <param name="until">In s.</param>
    /// <param name="step">Sees each step's two ends; false ends it.</param>
    public void Follow(double until, Func<Moment, Moment, bool> step)
    {
        var now = start;
        for (var length = 5.0; now.Seconds < until;)
        {
            length = Min(Min(length, LongestStep), until - now.Seconds);
            var (next, error) = Step(now, length);
            if (error <= 1)
            {
                if (!step(now, next))
                    return;
                now = next;
            }

            length *= Clamp(0.9 * Pow(Max(error, 1e-8), -0.2), 0.2, 4);
        }
    }

    /// <summary>Heat and centre between two ends of a step, by the cubic through both with their slopes.</summary>
    /// <param name="a">The step's beginning.</param>
    /// <param name="b">Its end.</param>
    /// <param name="seconds">A time between.</param>
    public static (double Heat, double Centre) Between(Moment a, Moment b, double seconds)
    {
        var length = b.Seconds - a.Seconds;
        var s = (seconds - a.Seconds) / length;
        double Cubic(double p, double dp, double q, double dq) =>
            (((1 + (2 * s)) * p) + (s * length * dp)) * (1 - s) * (1 - s) + (((3 - (2 * s)) * q) + ((s - 1) * length * dq)) * s * s;
        return (Cubic(a.Heat, a.HeatSlope, b.Heat, b.HeatSlope), Cubic(a.Centre, a.CentreSlope, b.Centre, b.CentreSlope));
    }

    private Moment At(double seconds, double heat, double centre)
    {
        var film = FilmAt(heat);
        return new(seconds, heat, centre,
            (filmToAir * (air - film)) - (filmToCentre * (film - centre)),
            (centreFromFilm * (film - centre)) + (centreToAir * (air - centre)));
    }

    // Butcher's table of Dormand & Prince 1980: the stages, and what the weights of orders five and four differ by.
    private static readonly double[][] Stages =
    [
        [1 / 5.0],
        [3 / 40.0, 9 / 40.0],
        [44 / 45.0, -56 / 15.0, 32 / 9.0],
        [19372 / 6561.0, -25360 / 2187.0, 64448 / 6561.0, -212 / 729.0],
        [9017 / 3168.0, -355 / 33.0, 46732 / 5247.0, 49 / 176.0, -5103 / 18656.0],
        [35 / 384.0, 0, 500 / 1113.0, 125 / 192.0, -2187 / 6784.0, 11 / 84.0],
    ];

    private static readonly double[] Errors = [71 / 57600.0, 0, -71 / 16695.0, 71 / 1920.0, -17253 / 339200.0, 22 / 525.0, -1 / 40.0];

    private (Moment Next, double Error) Step(Moment from, double length)
    {
        Span<double> heats = stackalloc double[7], centres = stackalloc double[7];
        (heats[0], centres[0]) = (from.HeatSlope, from.CentreSlope);
        var last = from;
        for (var i = 0; i < Stages.Length; i++)
        {
            var (heat, centre) = (from.Heat, from.Centre);
            for (var j = 0; j <= i; j++)
                (heat, centre) = (heat + (length * Stages[i][j] * heats[j]), centre + (length * Stages[i][j] * centres[j]));
            last = At(from.Seconds + length, heat, centre);
            (heats[i + 1], centres[i + 1]) = (last.HeatSlope, last.CentreSlope);
        }

        var (ofHeat, ofCentre) = (0.0, 0.0);
        for (var i = 0; i < Errors.Length; i++)
            (ofHeat, ofCentre) = (ofHeat + (Errors[i] * heats[i]), ofCentre + (Errors[i] * centres[i]));
        return (last, length * Max(Abs(ofHeat) / capacity, Abs(ofCentre)) / Tolerance);
    }
}

namespace Kondiba.Core.Melting;

/// <summary>
/// Stands in for a probe: it follows what it stands in with a lag, reads with noise to a tenth of a degree, and drops out now and then for
/// some seconds. The same seed gives the same readings.
/// </summary>
/// <param name="seed">Of its chance.</param>
/// <param name="lag">In so many seconds it follows two thirds of a step.</param>
/// <param name="noise">Standard deviation, in K.</param>
/// <param name="drops">How likely it drops out in a second.</param>
public sealed class PretendProbe(int seed, double lag = 6, double noise = 0.3, double drops = 0.01)
{
    private const double LongestOut = 15;

    private readonly Random chance = new(seed);
    private double? follows;
    private double outFor;

    /// <summary>Reads a second later; null while it is out.</summary>
    /// <param name="celsius">What it stands in, in °C.</param>
    public double? Next(double celsius)
    {
        follows = follows is { } was ? was + ((celsius - was) * (1 - Math.Exp(-1 / lag))) : celsius;
        if (outFor > 0)
        {
            outFor--;
            return null;
        }

        if (chance.NextDouble() < drops)
            outFor = chance.NextDouble() * LongestOut;

        // Box and Muller: two even chances make a normal one.
        var normal = Math.Sqrt(-2 * Math.Log(1 - chance.NextDouble())) * Math.Cos(2 * Math.PI * chance.NextDouble());
        return Math.Round(follows.Value + (noise * normal), 1);
    }
}

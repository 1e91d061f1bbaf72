using Kondiba.Core.Measures;
using MathNet.Numerics.Distributions;

namespace Kondiba.Core.Prep;

/// <summary>How many to buy so that enough are good, and which go where in a box.</summary>
public static class Selection
{
    /// <summary>
    /// The fewest to buy so that, as surely as wanted, enough of them are fit: each is unfit by chance and on its own (binomial
    /// distribution).
    /// </summary>
    /// <param name="wanted">Good ones wanted.</param>
    /// <param name="unfit">Share that is not fit, below 1.</param>
    /// <param name="sure">How sure to be, below 1.</param>
    public static int ToBuy(int wanted, Share unfit, Share sure)
    {
        if (wanted <= 0 || unfit.Si <= 0)
            return Math.Max(0, wanted);

        // Bought one by one until enough are good: the number of unfit ones met before the last good one has a negative binomial
        // distribution.
        var chance = wanted * Math.Log(1 - unfit.Si);
        var (bought, enough) = (wanted, Math.Exp(chance));
        while (enough < sure.Si)
        {
            bought++;
            chance += Math.Log(unfit.Si * (bought - 1) / (bought - wanted));
            enough += Math.Exp(chance);
        }

        return bought;
    }

    /// <summary>
    /// Puts pieces into the rows of a box: the biggest in the middle row, like sizes together, in each row the bigger ones at its ends.
    /// </summary>
    /// <param name="masses">Of the pieces, in any unit.</param>
    /// <param name="rows">Rows of the box.</param>
    /// <param name="columns">Pieces in a row.</param>
    /// <returns>Row by row, the places of the pieces in the list given.</returns>
    public static IReadOnlyList<IReadOnlyList<int>> Box(IReadOnlyList<double> masses, int rows, int columns)
    {
        var bySize = masses.Index().OrderByDescending(m => m.Item).ThenBy(m => m.Index).Select(m => m.Index).Take(rows * columns).ToList();
        var filled = new IReadOnlyList<int>[rows];
        var next = 0;
        foreach (var row in FromMiddle(rows))
        {
            var own = bySize.Skip(next).Take(columns).ToList();
            next += own.Count;
            var placed = new int?[own.Count];
            foreach (var (place, piece) in FromMiddle(own.Count).Reverse().Zip(own))
                placed[place] = piece;
            filled[row] = [.. placed.Select(p => p!.Value)];
        }

        return filled;
    }

    /// <summary>
    /// Masses that so many pieces of a size have, when they differ as pieces of a size do: the quantiles of a normal distribution.
    /// </summary>
    /// <param name="mean">Mass of a middling one.</param>
    /// <param name="spread">Standard deviation, as a share of it.</param>
    /// <param name="count">How many.</param>
    public static IReadOnlyList<Mass> Likely(Mass mean, Share spread, int count) =>
        [.. Enumerable.Range(1, count).Select(i => mean * Math.Max(0.1, 1 + (spread.Si * Normal.InvCDF(0, 1, (i - 0.5) / count))))];

    /// <summary>0 … n−1, the middle first.</summary>
    internal static IEnumerable<int> FromMiddle(int n) => Enumerable.Range(0, n).OrderBy(i => Math.Abs((2 * i) - (n - 1))).ThenBy(i => i);
}

using Kondiba.Core.Measures;

namespace Kondiba.Core.Pricing;

/// <summary>
/// The one rounding rule: an amount is added up exactly and rounded once, to the cent, halves away from zero; what falls to its
/// parts is given out in whole cents, the largest remainder first, so that the parts add up to it.
/// </summary>
internal static class Cents
{
    public static Money Round(decimal exact) => new(Math.Round(exact, 2, MidpointRounding.AwayFromZero));

    /// <summary>Up to the next multiple of a step.</summary>
    public static Money Up(decimal exact, Money step) =>
        step.Amount > 0 ? new(Math.Ceiling(Math.Round(exact / step.Amount, 6)) * step.Amount) : Round(exact);

    /// <summary>Gives a total out by weight; evenly where no weight is above nothing.</summary>
    public static IReadOnlyList<Money> Allot(Money total, IReadOnlyList<decimal> weights)
    {
        if (weights.Count == 0)
            return [];
        var all = weights.Sum();
        var exact = weights.Select(w => total.Amount * 100 * (all > 0 ? w / all : 1m / weights.Count)).ToArray();
        var cents = exact.Select(decimal.Floor).ToArray();
        var missing = (int)((total.Amount * 100) - cents.Sum());
        foreach (var (_, i) in exact.Select((e, i) => (Remainder: e - cents[i], i))
            .OrderByDescending(r => r.Remainder)
            .ThenBy(r => r.i)
            .Take(missing))
            cents[i]++;
        return [.. cents.Select(c => new Money(c / 100))];
    }

    public static Money Sum(this IEnumerable<Money> amounts) => amounts.Aggregate(default(Money), (sum, m) => sum + m);
}

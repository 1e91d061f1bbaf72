using System.Globalization;

namespace Kondiba.Core.Measures;

/// <summary>An amount of money in the kitchen's currency. Products are rounded to the cent, halves away from zero.</summary>
public readonly record struct Money(decimal Amount)
{
    /// <summary>Both together.</summary>
    public static Money operator +(Money a, Money b) => new(a.Amount + b.Amount);

    /// <summary>The left less the right.</summary>
    public static Money operator -(Money a, Money b) => new(a.Amount - b.Amount);

    /// <summary>So many times the amount.</summary>
    public static Money operator *(Money a, int times) => new(a.Amount * times);

    /// <summary>A share of the amount, to the cent.</summary>
    public static Money operator *(Money a, double share) => new(Math.Round(a.Amount * (decimal)share, 2, MidpointRounding.AwayFromZero));

    /// <summary>The amount with two decimals, without a currency sign.</summary>
    public override string ToString() => Amount.ToString("0.00", CultureInfo.InvariantCulture);
}

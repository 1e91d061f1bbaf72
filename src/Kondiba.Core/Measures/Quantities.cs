namespace Kondiba.Core.Measures;

/// <summary>A unit of one quantity: SI value = value × <paramref name="Factor"/> + <paramref name="Offset"/>.</summary>
/// <param name="Symbol">As written on screen and in the reference data: "g", "mm", "°C".</param>
/// <param name="Factor">SI units in one of this unit.</param>
/// <param name="Offset">SI value of this unit's zero; only temperatures have one.</param>
public readonly record struct Unit(string Symbol, double Factor, double Offset = 0);

/// <summary>A measured quantity: a double in SI base units with a type, so that grams never meet millimetres.</summary>
/// <typeparam name="TSelf">The quantity itself.</typeparam>
public interface IQuantity<TSelf>
    where TSelf : struct, IQuantity<TSelf>
{
    /// <summary>The value in SI units.</summary>
    double Si { get; }

    /// <summary>The units this quantity is read and written in; the first one is used by the API and in workings.</summary>
    static abstract IReadOnlyList<Unit> Units { get; }

    /// <summary>Makes the quantity from its SI value.</summary>
    static abstract TSelf FromSi(double si);
}

/// <summary>A quantity whose zero means none of it, so that amounts add and scale. Temperatures are not.</summary>
/// <typeparam name="TSelf">The quantity itself.</typeparam>
public interface IAmount<TSelf> : IQuantity<TSelf>
    where TSelf : struct, IAmount<TSelf>;

/// <summary>Conversion, comparison and arithmetic shared by all quantities.</summary>
public static class Quantities
{
    /// <summary>Makes a quantity from a value in a named unit.</summary>
    /// <exception cref="ArgumentException">The quantity has no unit of that symbol.</exception>
    public static T Of<T>(double value, string unit)
        where T : struct, IQuantity<T>
    {
        var u = UnitOf<T>(unit);
        return T.FromSi((value * u.Factor) + u.Offset);
    }

    /// <summary>Makes a quantity from a value in a named unit; null where the quantity has no unit of that symbol.</summary>
    public static T? OfAny<T>(double value, string unit)
        where T : struct, IQuantity<T> => Find<T>(unit) is null ? null : Of<T>(value, unit);

    private static Unit UnitOf<T>(string symbol)
        where T : struct, IQuantity<T> => Find<T>(symbol) ?? throw new ArgumentException(
            $"{typeof(T).Name} has no unit '{symbol}'; it has {string.Join(", ", T.Units.Select(u => u.Symbol))}.", nameof(symbol));

    private static Unit? Find<T>(string symbol)
        where T : struct, IQuantity<T>
    {
        foreach (var unit in T.Units)
            if (unit.Symbol == symbol)
                return unit;
        return null;
    }

    extension<T>(T quantity)
        where T : struct, IQuantity<T>
    {
        /// <summary>The value in the named unit.</summary>
        /// <exception cref="ArgumentException">The quantity has no unit of that symbol.</exception>
        public double In(string unit)
        {
            var u = UnitOf<T>(unit);
            return (quantity.Si - u.Offset) / u.Factor;
        }

        /// <summary>Whether the left is less.</summary>
        public static bool operator <(T a, T b) => a.Si < b.Si;

        /// <summary>Whether the left is more.</summary>
        public static bool operator >(T a, T b) => a.Si > b.Si;

        /// <summary>Whether the left is not more.</summary>
        public static bool operator <=(T a, T b) => a.Si <= b.Si;

        /// <summary>Whether the left is not less.</summary>
        public static bool operator >=(T a, T b) => a.Si >= b.Si;
    }

    extension<T>(T)
        where T : struct, IAmount<T>
    {
        /// <summary>Both together.</summary>
        public static T operator +(T a, T b) => T.FromSi(a.Si + b.Si);

        /// <summary>The left less the right.</summary>
        public static T operator -(T a, T b) => T.FromSi(a.Si - b.Si);

        /// <summary>So many times the amount.</summary>
        public static T operator *(T a, double times) => T.FromSi(a.Si * times);

        /// <summary>So many times the amount.</summary>
        public static T operator *(double times, T a) => T.FromSi(a.Si * times);

        /// <summary>One of so many equal parts.</summary>
        public static T operator /(T a, double parts) => T.FromSi(a.Si / parts);

        /// <summary>How many times the right goes into the left.</summary>
        public static double operator /(T a, T b) => a.Si / b.Si;
    }

    /// <summary>All together; none of it for an empty sequence.</summary>
    public static T Total<T>(this IEnumerable<T> amounts)
        where T : struct, IAmount<T> => T.FromSi(amounts.Sum(a => a.Si));
}

using System.Globalization;
using System.Text.Json;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Wording;

/// <summary>
/// How numbers, money, dates and times are written in a place; the page reads the same file. Source: Unicode CLDR, against which a test
/// holds it.
/// </summary>
/// <param name="Code">BCP 47, such as "de-DE".</param>
/// <param name="Decimal">The decimal sign.</param>
/// <param name="Group">What stands between thousands.</param>
/// <param name="Money">An amount "1" with its currency sign "$".</param>
/// <param name="Percent">How "1%" is written.</param>
/// <param name="Hours">Hours on the clock: 12 or 24.</param>
/// <param name="MonthFirst">Whether the month is said before the day.</param>
public sealed record Locale(
    string Code,
    string Decimal,
    string Group,
    string Money,
    string Percent,
    int Hours,
    bool MonthFirst)
{
    private const string Gap = "\u00a0";

    private readonly NumberFormatInfo numbers = new() { NumberDecimalSeparator = Decimal, NumberGroupSeparator = Group };

    /// <summary>All that a kitchen can choose from; the first is usual.</summary>
    public static IReadOnlyList<Locale> All { get; } = Embedded.List<Locale>("locales");

    /// <summary>What stands between a number and its per cent sign.</summary>
    public string PercentGap => Percent.Length > 2 ? Gap : "";

    /// <summary>The locale of a code; null where none is shipped.</summary>
    public static Locale? Find(string code) => All.FirstOrDefault(l => l.Code == code);

    /// <summary>A number, in a format as .NET has it.</summary>
    public string Number(double value, string format) => value.ToString(format, numbers);

    /// <summary>An amount of money with two decimals, at its sign.</summary>
    public string Amount(Money money, Currency currency)
    {
        var amount = money.Amount.ToString("#,0.00", numbers);
        var isBefore = Money[0] is '$';
        var gap = Money.Length > 2 || (isBefore && char.IsLetter(currency.Sign[^1])) ? Gap : "";
        return isBefore ? $"{currency.Sign}{gap}{amount}" : $"{amount}{gap}{currency.Sign}";
    }
}

/// <summary>A currency that has two decimals.</summary>
/// <param name="Code">ISO 4217, such as "EUR".</param>
/// <param name="Sign">Its sign. Source: Unicode CLDR, narrow.</param>
public sealed record Currency(string Code, string Sign)
{
    /// <summary>All that a kitchen can choose from; the first is usual.</summary>
    public static IReadOnlyList<Currency> All { get; } = Embedded.List<Currency>("currencies");

    /// <summary>The currency of a code; null where none is shipped.</summary>
    public static Currency? Find(string code) => All.FirstOrDefault(c => c.Code == code);
}

/// <summary>The files that are shipped within the program.</summary>
internal static class Embedded
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web);

    public static T Read<T>(string name)
    {
        using var stream = typeof(Embedded).Assembly.GetManifestResourceStream($"{name}.json")!;
        return JsonSerializer.Deserialize<T>(stream, Json)!;
    }

    public static IReadOnlyList<T> List<T>(string name) => Read<List<T>>(name);
}

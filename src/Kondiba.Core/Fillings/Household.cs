using Kondiba.Core.Measures;

namespace Kondiba.Core.Fillings;

/// <summary>
/// Cups and spoons of a US kitchen. NIST Handbook 44: a cup is 236.588 mL, a tablespoon a sixteenth of it, a teaspoon a third of that.
/// </summary>
public static class Household
{
    /// <summary>A US cup.</summary>
    public static Volume Cup { get; } = Quantities.Of<Volume>(236.588, "mL");

    private static readonly string[] Fourths = ["", "¼", "½", "¾"];
    private static readonly string[] Thirds = ["", "⅓", "⅔"];

    /// <summary>A volume in the fewest usual measures, to the nearest quarter teaspoon: "1 ⅓ cups", "2 tbsp + ½ tsp".</summary>
    public static string Of(Volume volume)
    {
        // A quarter teaspoon is the smallest usual measure: a cup holds 192 of them, a tablespoon 12.
        var left = (long)Math.Round(volume / Cup * 192);
        if (left == 0)
            return "a pinch";
        List<string> parts = [];
        var cups = left / 16 * 16;
        while (cups % 48 != 0 && cups % 64 != 0)
            cups -= 16;
        if (cups > 0)
        {
            parts.Add(
                $"{Mixed(cups / 192, cups % 192 % 48 == 0 ? Fourths[cups % 192 / 48] : Thirds[cups % 192 / 64])} {(cups > 192 ? "cups" : "cup")}");
            left -= cups;
        }

        var spoons = left / 6 * 6;
        if (spoons >= 12)
        {
            parts.Add($"{Mixed(spoons / 12, Fourths[spoons % 12 / 3])} tbsp");
            left -= spoons;
        }

        if (left > 0)
            parts.Add($"{Mixed(left / 4, Fourths[left % 4])} tsp");
        return string.Join(" + ", parts);
    }

    /// <summary>The volume of so many of a measure, as recipes write it; null for a measure that is not known.</summary>
    /// <param name="amount">How many.</param>
    /// <param name="measure">"cup", "tbsp", "teaspoons", "fl oz", "ml" ….</param>
    public static Volume? Measure(double amount, string measure) => measure.TrimEnd('.').ToLowerInvariant() switch
    {
        "cup" or "cups" or "c" => Cup * amount,
        "tbsp" or "tbs" or "tablespoon" or "tablespoons" => Cup * (amount / 16),
        "tsp" or "teaspoon" or "teaspoons" => Cup * (amount / 48),
        "fl oz" or "floz" => Cup * (amount / 8),
        "ml" or "millilitre" or "millilitres" or "milliliter" or "milliliters" => Quantities.Of<Volume>(amount, "mL"),
        "l" or "litre" or "litres" or "liter" or "liters" => Quantities.Of<Volume>(amount * 1000, "mL"),
        _ => null,
    };

    private static string Mixed(long whole, string part) => whole == 0 ? part : $"{whole}{part}";
}

using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;
using NodaTime.Text;

namespace Kondiba.Core.Kitchens;

/// <summary>A recipe that was read, and what of it could not be understood.</summary>
/// <param name="Filling">As the maker would enter it; what it makes is left to choose.</param>
/// <param name="Problems">Lines that need a look, by the field they went into.</param>
public sealed record RecipeRead(OwnFilling Filling, IReadOnlyList<Problem> Problems);

/// <summary>Recipes as schema.org Recipe in JSON-LD, out and in.</summary>
public static partial class RecipeJson
{
    private const string Context = "https://schema.org";
    private static readonly JsonSerializerOptions Json = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping
    };

    /// <summary>
    /// Writes a recipe for some pieces: amounts by mass, a step with its time of hands, its whole time and, as a tip, why.
    /// </summary>
    public static string Write(Filling filling, FillingTally tally, IReadOnlyList<PrepRule> steps)
    {
        var recipe = new JsonObject
        {
            ["@context"] = Context,
            ["@type"] = "Recipe",
            ["name"] = filling.Name,
            ["description"] = filling.Note,
            ["recipeYield"] = $"{tally.Pieces} pieces of {Number(tally.Piece.In("g"))} g",
            ["totalTime"] = Iso(steps.Aggregate(
                Duration.Zero, (sum, s) => sum + s.HandsFor(tally.Pieces) + (s.Wait?.Value ?? Duration.Zero))),
            ["recipeIngredient"] = new JsonArray([
                .. tally.Amounts.Select(a => JsonValue.Create(
                    a.Count is { } count ? $"{count} {a.Name}" : $"{Number(a.Mass.Value.In("g"))} g {a.Name}")),
            ]),
            ["recipeInstructions"] = new JsonArray([.. steps.Select(s => Step(s, tally.Pieces))]),
        };
        return recipe.ToJsonString(Json);
    }

    /// <summary>Reads a recipe: an object of type Recipe, by itself, in a list or in a graph.</summary>
    /// <param name="text">JSON-LD.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <returns>The recipe, or nothing and the problem that says why.</returns>
    public static (RecipeRead? Recipe, Problem? Problem) Read(string text, ReferenceData tables)
    {
        JsonNode? root;
        try
        {
            root = JsonNode.Parse(text);
        }
        catch (JsonException e)
        {
            return (null, new(
                "file", Message.Of("fillings.json-goes-wrong-line", ("lineNumber", e.LineNumber + 1)), "fillings.json-goes-wrong-line.do"));
        }

        return Find(root) is { } recipe
            ? (Read(recipe, tables), null)
            : (null, new("file", "fillings.recipe", "fillings.recipe.do"));
    }

    private static RecipeRead Read(JsonObject recipe, ReferenceData tables)
    {
        var problems = new List<Problem>();
        var yield = Texts(recipe["recipeYield"]).FirstOrDefault() ?? "";
        var pieces = PieceCount().Match(yield) is { Success: true } n && int.TryParse(n.Value, out var count) && count > 0 ? count : 0;
        if (pieces == 0)
            problems.Add(new("pieces", "fillings.does-not-say-how", "fillings.does-not-say-how.do"));

        List<OwnMix> mix = [];
        List<EachPart> each = [];
        foreach (var line in Texts(recipe["recipeIngredient"]))
        {
            var (amount, unit, name) = Split(line);
            var known = Known(name, tables);
            var mass = Grams(amount, unit, known);
            if (mass is null && unit.Length == 0 && amount > 0 && known?.One is not null && pieces > 0 && amount % pieces == 0)
                each.Add(new(known.Code, (int)amount / pieces));
            else if ((mass ?? (unit.Length == 0 && known?.One is { } one ? amount * one.Value.In("g") : null)) is { } grams && grams > 0)
                mix.Add(new(known?.Code, known?.Name ?? name, Math.Round(grams, 3)));
            else
            {
                problems.Add(new(
                    $"mix[{mix.Count}].grams",
                    Message.Of(
                        "fillings.gives-mass",
                        ("line", line),
                        ("why", unit.Length > 0 && amount > 0 ? Message.Of("fillings.unit-not-known", ("unit", unit)) : "")),
                    "fillings.gives-mass.do"));
                mix.Add(new(known?.Code, known?.Name ?? name, 0));
            }

            if (known is null)
                problems.Add(new(
                    $"mix[{mix.Count - 1}].name",
                    Message.Of("fillings.not-ingredient-known-here", ("name", name)),
                    "fillings.not-ingredient-known-here.do",
                    Severity.Mind));
        }

        // The grams of a piece, where the yield says them, less what is counted; otherwise what is mixed, shared out.
        var counted = each.Sum(e => e.Count * tables.Ingredient(e.Ingredient)!.One!.Value.In("g"));
        var total = mix.Sum(m => m.Grams);
        var said = PieceMass().Match(yield) is { Success: true } m
            ? double.Parse(m.Groups[1].Value, CultureInfo.InvariantCulture) - counted
            : 0;
        var shared = pieces > 0 ? total / pieces : 0;
        var portion = said > 0 ? said : shared;
        var loss = said > 0 && total > 0 && pieces > 0 ? Math.Clamp(1 - (said * pieces / total), 0, 0.5) : 0;
        return new(
            new(
                "", Texts(recipe["name"]).FirstOrDefault() ?? "", "", Texts(recipe["description"]).FirstOrDefault() ?? "",
                mix, each, Math.Round(portion, 4), Math.Round(loss, 8), Steps(recipe["recipeInstructions"]).ToList()),
            problems);
    }

    private static JsonObject Step(PrepRule step, int pieces)
    {
        var direction = new JsonObject
        {
            ["@type"] = "HowToDirection",
            ["text"] = step.Text,
            ["performTime"] = Iso(
            step.HandsFor(pieces)),
            ["totalTime"] = Iso(step.HandsFor(pieces) + (step.Wait?.Value ?? Duration.Zero))
        };
        var parts = new JsonArray(direction);
        if (step.Why.Length > 0)
            parts.Add(new JsonObject { ["@type"] = "HowToTip", ["text"] = step.Why });
        return new() { ["@type"] = "HowToStep", ["text"] = step.Text, ["itemListElement"] = parts };
    }

    private static IEnumerable<OwnStep> Steps(JsonNode? node)
    {
        switch (node)
        {
            case JsonValue value when value.TryGetValue<string>(out var text):
                return text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(t => new OwnStep(t));
            case JsonArray list:
                return list.SelectMany(Steps);
            case JsonObject step when Is(step, "HowToSection"):
                return Steps(step["itemListElement"]);
            case JsonObject step:
                var parts = (step["itemListElement"] as JsonArray ?? []).OfType<JsonObject>().ToList();
                var direction = parts.Find(p => Is(p, "HowToDirection")) ?? step;
                var tip = parts.Find(p => Is(p, "HowToTip"));
                var (hands, all) = (Time(direction["performTime"]), Time(direction["totalTime"]));
                var words = Texts(step["text"]).Concat(Texts(direction["text"])).Concat(Texts(step["name"])).FirstOrDefault();
                return words is null
                    ? []
                    : [new(
                        words,
                        Texts(tip?["text"]).FirstOrDefault() ?? "",
                        "counter",
                        hands?.TotalMinutes ?? 0,
                        all is { } a ? Math.Max(0, (a - (hands ?? Duration.Zero)).TotalMinutes) : 0)];
            default:
                return [];
        }
    }

    /// <summary>
    /// Amount, unit and name of an ingredient's line, such as "1 ½ cups cream, cold"; 0 without an amount, empty without a unit.
    /// </summary>
    public static (double Amount, string Unit, string Name) Split(string line)
    {
        var match = AmountUnitName().Match(line.Trim().Replace("fl. oz", "fl oz", StringComparison.OrdinalIgnoreCase));
        var rest = match.Groups["rest"].Value.Trim();
        var unit = UnitName().Match(rest);
        var name = unit.Success ? rest[unit.Length..] : rest;
        name = Parenthesis().Replace(name, " ").Split(',')[0].Trim();
        name = Before().Replace(name, "");
        return (Number(match), unit.Success ? unit.Groups["unit"].Value.ToLowerInvariant().TrimEnd('.') : "", name);
    }

    private static double Number(Match match)
    {
        double Part(string group) =>
            match.Groups[group] is { Success: true, Value: { Length: > 0 } v }
                ? double.Parse(v.Replace(',', '.'), CultureInfo.InvariantCulture)
                : 0;
        var vulgar = match.Groups["vulgar"].Value is { Length: > 0 } v ? char.GetNumericValue(v[0]) : 0;
        return Part("whole") + vulgar + (Part("under") > 0 ? Part("over") / Part("under") : 0);
    }

    private static double? Grams(double amount, string unit, Ingredient? known) => unit switch
    {
        "" => null,
        "g" or "gram" or "grams" => amount,
        "kg" or "kilo" or "kilos" => amount * 1000,
        "oz" or "ounce" or "ounces" => Quantities.Of<Mass>(amount, "oz").In("g"),
        "lb" or "lbs" or "pound" or "pounds" => Quantities.Of<Mass>(amount, "lb").In("g"),
        _ => Household.Measure(amount, unit) is { } volume && known?.Density is { } density ? (volume * density).In("g") : null,
    };

    private static Ingredient? Known(string name, ReferenceData tables)
    {
        var words = name.ToLowerInvariant();
        bool Called(Ingredient i, Func<string, bool> matches) => matches(i.Name) || i.Words.Any(matches);
        return tables.Ingredients.FirstOrDefault(i => Called(i, w => w == words))
            ?? tables.Ingredients.SelectMany(i => i.Words.Append(i.Name).Select(w => (Ingredient: i, Word: w)))
                .Where(w => Regex.IsMatch(words, $@"\b{Regex.Escape(w.Word)}\b"))
                .OrderByDescending(w => w.Word.Length)
                .Select(w => w.Ingredient)
                .FirstOrDefault();
    }

    private static JsonObject? Find(JsonNode? node) => node switch
    {
        JsonObject o when Is(o, "Recipe") => o,
        JsonObject o => Find(o["@graph"]) ?? Find(o["mainEntity"]),
        JsonArray list => list.Select(Find).FirstOrDefault(r => r is not null),
        _ => null,
    };

    private static bool Is(JsonObject o, string type) =>
        Texts(o["@type"]).Any(t => t == type || t.EndsWith($"/{type}", StringComparison.Ordinal));

    private static IEnumerable<string> Texts(JsonNode? node) => node switch
    {
        JsonValue value when value.TryGetValue<string>(out var text) => [text.Trim()],
        JsonValue value => [value.ToString()],
        JsonArray list => list.SelectMany(Texts),
        _ => [],
    };

    private static Duration? Time(JsonNode? node) =>
        Texts(node).FirstOrDefault() is { } text
            && PeriodPattern.NormalizingIso.Parse(text) is { Success: true, Value: { HasDateComponent: false } period }
            ? period.ToDuration()
            : null;

    private static string Iso(Duration time) =>
        PeriodPattern.NormalizingIso.Format(Period.FromSeconds((long)time.TotalSeconds).Normalize());

    private static string Number(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    [GeneratedRegex(@"\d+")]
    private static partial Regex PieceCount();

    [GeneratedRegex(@"of (\d+(?:\.\d+)?) g\b")]
    private static partial Regex PieceMass();

    [GeneratedRegex("^(?:of|×) ", RegexOptions.IgnoreCase)]
    private static partial Regex Before();

    [GeneratedRegex(@"\([^)]*\)")]
    private static partial Regex Parenthesis();

    [GeneratedRegex(
        @"^(?:(?<whole>\d+(?:[.,]\d+)?)(?![/⁄\d]))?\s*(?:(?<over>\d+)\s*[/⁄]\s*(?<under>\d+)|(?<vulgar>[¼½¾⅓⅔⅛⅜⅝⅞]))?(?<rest>.*)$")]
    private static partial Regex AmountUnitName();

    [GeneratedRegex(@"^(?<unit>grams?|kilos?|kg|g|ounces?|oz|pounds?|lbs?|fl\s?oz|cups?|c|tablespoons?|tbsp|tbs|teaspoons?|tsp|millilit(?:re|er)s?|ml|lit(?:re|er)s?|l)\b\.?", RegexOptions.IgnoreCase)]
    private static partial Regex UnitName();
}

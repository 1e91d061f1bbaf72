using System.Collections.Frozen;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Wording;

/// <summary>
/// Makes sentences of messages. The sentences stand in a file for each language, by their code; in braces is what is put in:
/// "{name}" as it is, "{film:0.0 mm}" a quantity to so many places of that unit (or of the reader's own), "{at:HH:mm}" a time,
/// "{count:0.#}" a number, "{count|one|many|none}" words by how many there are ("#" is the number), "{names:or}" several, joined,
/// "{name:An}" and "{name:Cap}" with an article and with a capital, "{text:spelt}" as the language spells what is written in British.
/// </summary>
public sealed partial class Catalogue
{
    private readonly FrozenDictionary<string, List<Segment>> sentences;
    private readonly Func<string, string> spelt;

    private Catalogue(IReadOnlyDictionary<string, string> templates, Func<string, string> spelt) =>
        (this.spelt, sentences) = (spelt, templates.ToFrozenDictionary(t => t.Key, t => Read(t.Value)));

    /// <summary>English as in Britain.</summary>
    public static Catalogue British { get; } = new(Embedded.Read<Dictionary<string, string>>("en-GB"), text => text);

    /// <summary>
    /// English as in the United States: the British sentences in American spelling, and those that are said otherwise there.
    /// </summary>
    public static Catalogue American { get; } =
        InAmerican(Embedded.Read<Dictionary<string, string>>("en-GB"), Embedded.Read<Differences>("en-US"));

    /// <summary>Codes of the sentences that it has.</summary>
    public IEnumerable<string> Codes => sentences.Keys;

    /// <summary>A message as a sentence.</summary>
    /// <exception cref="ArgumentException">There is no such sentence, or what it wants is not in the message.</exception>
    public static string Say(Message message, Voice voice)
    {
        var said = Of(voice.Language).Sentence(message, voice).Trim();
        return PercentAtNumber().Replace(said, $"{voice.Locale.PercentGap}%");
    }

    /// <summary>The catalogue of a language.</summary>
    public static Catalogue Of(Language language) => language is Language.American ? American : British;

    /// <summary>Names that a sentence wants something put in for.</summary>
    /// <exception cref="ArgumentException">There is no such sentence.</exception>
    public IEnumerable<string> Wants(string code) => Find(code).Select(s => s.Name).OfType<string>().Distinct();

    private string Sentence(Message message, Voice voice)
    {
        if (message.Code.Length == 0)
            return "";
        var said = new StringBuilder();
        foreach (var segment in Find(message.Code))
        {
            if (segment.Name is not { } name)
                said.Append(segment.Text);
            else
                said.Append(Put(Value(message, name), segment, voice));
        }

        return said.ToString();
    }

    private List<Segment> Find(string code) =>
        sentences.TryGetValue(code, out var segments)
            ? segments
            : throw new ArgumentException($"the catalogue has no sentence '{code}'", nameof(code));

    private static Argument Value(Message message, string name) => message.Arguments.FirstOrDefault(a => a.Name == name)?.Value
        ?? throw new ArgumentException($"'{message.Code}' wants '{name}'", nameof(message));

    private string Put(Argument value, Segment segment, Voice voice)
    {
        if (segment.Forms is not { } forms)
            return Words(value, segment.Text, voice);
        var form = value switch
        {
            Argument.Number { Value: 1 } => forms.One,
            Argument.Number { Value: 0 } => forms.None,
            _ => forms.Many,
        };
        return form.Replace("#", Words(value, "", voice), StringComparison.Ordinal);
    }

    private string Words(Argument value, string format, Voice voice) => value switch
    {
        Argument.Text text => format is "spelt" ? spelt(text.Words) : Cased(text.Words, format),
        Argument.Number number => voice.Locale.Number(number.Value, format),
        Argument.Quantity quantity => Measured(quantity, format, voice),
        Argument.Price price => voice.Locale.Amount(price.Amount, voice.Currency),
        Argument.Span span => Lasting(span.Length),
        Argument.Moment moment => At(moment.At, format, voice.Locale),
        Argument.Several several => Joined([.. several.Items.Select(i => Words(i, "", voice))], format),
        Argument.Part part => Cased(Sentence(part.Message, voice), format),
        _ => throw new ArgumentException($"nothing says what {value} is", nameof(value)),
    };

    private static string Cased(string words, string format) => format switch
    {
        "An" => English.WithArticle(words),
        "an" => char.ToLowerInvariant(English.WithArticle(words)[0]) + English.WithArticle(words)[1..],
        "Cap" => words.Length == 0 ? "" : English.Capitalized(words),
        _ => words,
    };

    private static string Joined(IReadOnlyList<string> words, string format) => format switch
    {
        "or" => string.Join(" or ", words),
        "and" => English.List(words),
        "+" => string.Join(" + ", words),
        _ => string.Join(", ", words),
    };

    private static string Measured(Argument.Quantity quantity, string format, Voice voice)
    {
        var cut = format.LastIndexOf(' ');
        var (places, unit) = cut < 0
            ? (format, quantity.Units[0])
            : (format[..cut], quantity.Units.Single(u => u.Symbol == format[(cut + 1)..]));
        if (voice.Customary && Customary(unit, In(quantity, unit)) is var (other, otherPlaces))
            (places, unit) = (otherPlaces, quantity.Units.Single(u => u.Symbol == other));
        var gap = unit.Symbol is "" or "%" ? "" : " ";
        return $"{voice.Locale.Number(In(quantity, unit), places)}{gap}{unit.Symbol}";
    }

    private static double In(Argument.Quantity quantity, Unit unit) => (quantity.Si - unit.Offset) / unit.Factor;

    /// <summary>
    /// The unit that takes a metric one's place, and its places; null where nobody uses one: a piece's grams, a film's millimetres.
    /// </summary>
    private static (string Unit, string Places)? Customary(Unit unit, double value) => unit.Symbol switch
    {
        "g" when value >= 28 => ("oz", "0.#"),
        "kg" => ("lb", "0.##"),
        "mm" when value >= 10 => ("in", "0.##"),
        "cm" => ("in", "0.#"),
        "mL" when value >= 15 => ("fl oz", "0.#"),
        "°C" => ("°F", "0"),
        "K" => ("F°", "0"),
        _ => null,
    };

    private static string Lasting(Duration length)
    {
        if (length < Duration.FromMinutes(2))
            return $"{length.TotalSeconds:0} s";
        var minutes = (int)Math.Round(length.TotalMinutes);
        var (h, min) = (minutes / 60, minutes % 60);
        return (h, min) switch
        {
            (0, _) => $"{min} min",
            (_, 0) => $"{h} h",
            _ => $"{h} h {min} min",
        };
    }

    private static string At(LocalDateTime at, string format, Locale locale)
    {
        var clock = locale.Hours == 12 ? format.Replace("HH:mm", "h:mm tt", StringComparison.Ordinal) : format;
        return at.ToString(
            locale.MonthFirst ? clock.Replace("d MMM", "MMM d", StringComparison.Ordinal) : clock, CultureInfo.InvariantCulture);
    }

    private static List<Segment> Read(string template)
    {
        var segments = new List<Segment>();
        var from = 0;
        foreach (Match hole in Hole().Matches(template))
        {
            if (hole.Index > from)
                segments.Add(new(template[from..hole.Index]));
            var forms = hole.Groups["one"];
            segments.Add(new(
                hole.Groups["format"].Value,
                hole.Groups["name"].Value,
                forms.Success
                    ? new(
                        forms.Value,
                        hole.Groups["many"].Value,
                        hole.Groups["none"] is { Success: true } none ? none.Value : hole.Groups["many"].Value)
                    : null));
            from = hole.Index + hole.Length;
        }

        if (from < template.Length)
            segments.Add(new(template[from..]));
        return segments;
    }

    private static Catalogue InAmerican(Dictionary<string, string> british, Differences differences)
    {
        // The names of what is put in stay.
        var words = new Regex(
            $@"\{{\w+|\b({string.Join('|', differences.Words.Keys.OrderByDescending(w => w.Length))})\b", RegexOptions.IgnoreCase);
        return new(
            british.ToDictionary(
                s => s.Key, s => differences.Sentences.TryGetValue(s.Key, out var own) ? own : Respelt(s.Value)),
            Respelt);

        string Respelt(string text) => words.Replace(text, m => m.Value[0] == '{' ? m.Value : Spelled(m.Value));

        string Spelled(string word)
        {
            var american = differences.Words[word.ToLowerInvariant()];
            return char.IsUpper(word[0]) ? English.Capitalized(american) : american;
        }
    }

    [GeneratedRegex(@"\{(?<name>[a-zA-Z0-9]+)(:(?<format>[^}]*)|\|(?<one>[^|}]*)\|(?<many>[^|}]*)(\|(?<none>[^}]*))?)?\}")]
    private static partial Regex Hole();

    [GeneratedRegex(@"(?<=\d) ?%")]
    private static partial Regex PercentAtNumber();

    /// <summary>A stretch of a sentence: words, or what is put in by its name.</summary>
    private sealed record Segment(string Text, string? Name = null, Forms? Forms = null);

    /// <summary>Words by how many there are; a number sign in them stands for the number.</summary>
    private sealed record Forms(string One, string Many, string None);

    /// <summary>What is said otherwise in the United States.</summary>
    private sealed record Differences(Dictionary<string, string> Words, Dictionary<string, string> Sentences);
}

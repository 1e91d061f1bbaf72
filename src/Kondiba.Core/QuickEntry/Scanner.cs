using System.Globalization;
using System.Text.RegularExpressions;

namespace Kondiba.Core.QuickEntry;

/// <summary>What a stretch of typed text is.</summary>
internal enum TokenKind
{
    Word,
    Number,
    Percent,
    Quoted,
    Ordinal,
    Date,
    Time,
    Comma,
    LineEnd,
    Other,
}

/// <summary>A stretch of typed text.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Stem">Of a word, how words are compared; of anything else as typed.</param>
/// <param name="Value">Of a number.</param>
/// <param name="Fraction">Whether it was written as a fraction.</param>
/// <param name="Start">Where it begins in the text.</param>
/// <param name="End">Where it ends.</param>
/// <param name="Corrected">Whether a slip of the fingers was put right in it.</param>
internal sealed record Token(TokenKind Kind, string Stem, double Value, bool Fraction, int Start, int End, bool Corrected = false);

/// <summary>Cuts typed text into numbers, words and marks.</summary>
internal static partial class Scanner
{
    private static readonly Dictionary<char, double> Vulgar = new()
    {
        ['½'] = 1 / 2.0,
        ['⅓'] = 1 / 3.0,
        ['⅔'] = 2 / 3.0,
        ['¼'] = 1 / 4.0,
        ['¾'] = 3 / 4.0,
        ['⅛'] = 1 / 8.0,
    };

    public static List<Token> Scan(string text)
    {
        List<Token> tokens = [];
        foreach (Match match in Tokens().Matches(text))
        {
            var (kind, value) = match.Value[0] switch
            {
                ';' or '\n' or '\r' => (TokenKind.LineEnd, 0),
                ',' or '+' or '&' or ':' or '.' or '(' or ')' or '!' or '?' => (TokenKind.Comma, 0),
                '"' or '“' => (TokenKind.Quoted, 0),
                _ when match.Groups["bullet"].Success => (TokenKind.LineEnd, 0),
                _ when match.Groups["dash"].Success => (TokenKind.Comma, 0),
                _ when match.Groups["date"].Success => (TokenKind.Date, 0),
                _ when match.Groups["clock"].Success => (TokenKind.Time, Clock(match)),
                _ when match.Groups["ordinal"].Success => (TokenKind.Ordinal, double.Parse(
                    match.Groups["ordinal"].Value, CultureInfo.InvariantCulture)),
                _ when match.Groups["number"].Success => (match.Groups["percent"].Success
                    ? TokenKind.Percent
                    : TokenKind.Number, Number(match)),
                _ when match.Groups["word"].Success => (TokenKind.Word, 0.0),
                _ => (TokenKind.Other, 0),
            };
            var stem = kind is TokenKind.Word
                ? Vocabulary.Stem(match.Value.ToLowerInvariant()
                    .Replace("’", "", StringComparison.Ordinal)
                    .Replace("'", "", StringComparison.Ordinal))
                : match.Value;
            if (match.Value == "×")
                (kind, stem) = (TokenKind.Word, "x");
            if (stem.Length > 0)
                tokens.Add(new(
                    kind,
                    stem,
                    value,
                    match.Groups["over"].Success || match.Groups["vulgar"].Success,
                    match.Index,
                    match.Index + match.Length));
        }

        return tokens;
    }

    /// <summary>Minutes after midnight; a clock that shows no such time gives -1.</summary>
    private static double Clock(Match match)
    {
        var hour = int.Parse(match.Groups["hour"].Value, CultureInfo.InvariantCulture);
        var minute = match.Groups["minute"].Success ? int.Parse(match.Groups["minute"].Value, CultureInfo.InvariantCulture) : 0;
        var half = match.Groups["half"].Value.ToLowerInvariant();
        if (minute > 59 || hour > (half.Length > 0 ? 12 : 23))
            return -1;
        return ((half.Length > 0 ? hour % 12 : hour) + (half is "p" ? 12 : 0)) * 60 + minute;
    }

    private static double Number(Match match)
    {
        double Part(string group) =>
            double.TryParse(match.Groups[group].Value.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out var value)
                ? value
                : 0;
        var whole = Thousands().IsMatch(match.Groups["whole"].Value) ? Part("whole") * 1000 : Part("whole");
        var over = match.Groups["over"].Success ? Part("over") / Part("under") : 0;
        var value = whole + (match.Groups["vulgar"].Success ? Vulgar[match.Groups["vulgar"].Value[0]] : over);
        return double.IsFinite(value) ? value : 0;
    }

    // A number is "24", "1.5", "1,5", "1,200", "3/4", "1 1/2", "¾" or "1½", with a per cent sign or without. A point ends a clause only
    // where a sentence ends.
    [GeneratedRegex(
        """
        (?<bullet>(?<=^|\n)[ \t]*(?:[-*•–][ \t]+|\d{1,2}[.)][ \t]+(?=\d)))
        |(?<dash>(?<=\s)[-–—](?=\s))
        |(?<date>\d{4}-\d{2}-\d{2})(?!\d)
        |(?<clock>(?<hour>\d{1,2})(?:[:.](?<minute>\d{2}))?\s?(?<half>[ap])\.?m\b\.?|(?<hour>\d{1,2}):(?<minute>\d{2})(?!\d))
        |(?<word>50/50)(?!\d)
        |(?<ordinal>\d{1,2})(?:st|nd|rd|th)\b
        |(?<number>(?:(?:(?<whole>\d{1,9})\s+)?(?<over>\d{1,4})/(?<under>[1-9]\d{0,3})|(?<whole>\d{1,9}(?:[.,]\d{1,3})?)?\s?(?<vulgar>[½⅓⅔¼¾⅛])|(?<whole>\d{1,9}(?:[.,]\d{1,3})?))(?:\s?(?<percent>%))?)
        |(?<word>w/o(?!\p{L})|w/|\p{L}[\p{L}\p{M}'’]*)|"[^"\n]*"|“[^”\n]*”|[;\n\r]|[,+&:()!?]|\.(?=\s+(?-i:[\p{Lu}\d])|\s*$)|×|[^\s\-–—./]
        """, RegexOptions.IgnorePatternWhitespace | RegexOptions.ExplicitCapture | RegexOptions.IgnoreCase)]
    private static partial Regex Tokens();

    [GeneratedRegex(@"^\d{1,3},\d{3}$")]
    private static partial Regex Thousands();
}

namespace Kondiba.Core.Wording;

/// <summary>Words with their article.</summary>
internal static class English
{
    /// <summary>"An apple", "A rod".</summary>
    public static string WithArticle(string noun) =>
        $"{("aeiou".Contains(noun[0], StringComparison.OrdinalIgnoreCase) ? "An" : "A")} {noun}";

    /// <summary>"Truffle balls".</summary>
    public static string Capitalized(string nouns) => char.ToUpperInvariant(nouns[0]) + nouns[1..];

    /// <summary>"red, green and blue".</summary>
    public static string List(IReadOnlyList<string> nouns) =>
        nouns.Count < 2 ? string.Concat(nouns) : $"{string.Join(", ", nouns.SkipLast(1))} and {nouns[^1]}";
}

using System.Globalization;
using System.Text.RegularExpressions;

namespace Kondiba.Web.Orders;

/// <summary>Turns what was typed into a text search of PostgreSQL.</summary>
internal static partial class OrderSearch
{
    private const int MostWords = 12;

    /// <summary>Every word, each as a beginning; null when there is no word.</summary>
    public static string? Terms(string? typed)
    {
        var words = Word().Matches(typed ?? "").Take(MostWords).Select(w => $"{w.Value}:*").ToList();
        return words.Count == 0 ? null : string.Join(" & ", words);
    }

    /// <summary>The number of an order, when nothing else was typed: "17" or "#17".</summary>
    public static int? Number(string? typed) =>
        int.TryParse((typed ?? "").Trim().TrimStart('#'), NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : null;

    [GeneratedRegex(@"[\p{L}\p{Nd}]+")]
    private static partial Regex Word();
}

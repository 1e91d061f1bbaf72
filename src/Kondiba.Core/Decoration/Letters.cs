using System.Globalization;
using System.Text.Json;
using Kondiba.Core.Centres;

namespace Kondiba.Core.Decoration;

/// <summary>
/// A font of single lines, for a tip or a brush: capitals, figures and a few signs, drawn for this product. A glyph is six high and
/// as wide as it says; a stroke is a row of points, rounded where it begins with "~".
/// </summary>
internal static class Letters
{
    /// <summary>Height of a letter, in the font's own measure.</summary>
    public const double Height = 6;

    private const double Gap = 1.6;
    private const int RoundSteps = 6;

    private static readonly Dictionary<char, (double Wide, Point[][] Strokes)> Glyphs = Load();

    /// <summary>The characters that it cannot write.</summary>
    public static IEnumerable<char> Unknown(string text) =>
        text.ToUpperInvariant().Where(c => c != ' ' && !Glyphs.ContainsKey(c)).Distinct();

    /// <summary>The strokes of a text round the origin, side by side or one below the other.</summary>
    public static List<Point[]> Write(string text, bool stacked)
    {
        var strokes = new List<Point[]>();
        var (x, y, widest) = (0.0, 0.0, 0.0);
        foreach (var letter in text.ToUpperInvariant())
        {
            var (wide, lines) = letter == ' ' ? (1.5, []) : Glyphs[letter];
            var left = stacked ? -wide / 2 : x;
            strokes.AddRange(lines.Select(l => l.Select(p => p + new Point(left, y)).ToArray()));
            (x, y, widest) = (x + wide + Gap, y + (stacked ? Height + Gap : 0), Math.Max(widest, wide));
        }

        var middle = stacked ? new Point(0, (y - Gap) / 2) : new((x - Gap) / 2, Height / 2);
        return strokes.ConvertAll(s => s.Select(p => p - middle).ToArray());
    }

    private static Dictionary<char, (double, Point[][])> Load()
    {
        using var stream = typeof(Letters).Assembly.GetManifestResourceStream("letters.json")!;
        return JsonSerializer.Deserialize<Dictionary<string, Glyph>>(stream, JsonSerializerOptions.Web)!
            .ToDictionary(g => g.Key[0], g => (g.Value.Wide, g.Value.Strokes.Select(Stroke).ToArray()));
    }

    private static Point[] Stroke(string text)
    {
        var points = text.TrimStart('~').Split(
            ',').Select(pair => pair.Split(' ').Select(n => double.Parse(n, CultureInfo.InvariantCulture)).ToArray())
            .Select(n => new Point(n[0], n[1])).ToArray();
        return text[0] == '~' ? Rounded(points) : points;
    }

    /// <summary>A smooth line through points (Catmull &amp; Rom), closed when it ends where it begins.</summary>
    private static Point[] Rounded(Point[] p)
    {
        var closed = p[0] == p[^1];
        // One point before the first and one after the last: round the ring of a closed line, and the end itself of an open one.
        Point At(int i) => closed ? p[(i + p.Length - 1) % (p.Length - 1)] : p[Math.Clamp(i, 0, p.Length - 1)];
        var round = new List<Point> { p[0] };
        for (var i = 0; i + 1 < p.Length; i++)
        {
            var (a, b, c, d) = (At(i - 1), At(i), At(i + 1), At(i + 2));
            for (var step = 1; step <= RoundSteps; step++)
            {
                var t = (double)step / RoundSteps;
                round.Add(
                    ((b * 2) + ((c - a) * t) + (((a * 2) - (b * 5) + (c * 4) - d) * (t * t)) + (((b * 3) - a - (c * 3) + d) * (t * t * t))) * 0.5);
            }
        }

        return [.. round];
    }

    private sealed record Glyph(double Wide, IReadOnlyList<string> Strokes);
}

namespace Kondiba.Web.Hosting;

/// <summary>Curves as they are sent to be drawn.</summary>
internal static class Curves
{
    /// <summary>So many points as can be drawn, evenly, the last among them.</summary>
    /// <param name="points">All of them.</param>
    /// <param name="most">How many at most.</param>
    public static IEnumerable<T> Thinned<T>(this IReadOnlyList<T> points, int most)
    {
        var each = Math.Max(1, (points.Count + most - 1) / most);
        return points.Where((_, i) => (points.Count - 1 - i) % each == 0);
    }
}

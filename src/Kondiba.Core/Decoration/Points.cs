using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Decoration;

/// <summary>Points as the API writes them.</summary>
internal static class Points
{
    /// <summary>Points spread evenly over a coat, the same each time: a low-discrepancy sequence on the plastic number.</summary>
    public static List<Point> Scatter(Outline seen, int count)
    {
        const double plastic = 1.32471795724474602596;
        var points = new List<Point>();
        var room = seen.Most - seen.Least;
        for (var i = 1; points.Count < count && i < count * 20; i++)
        {
            var p = seen.Least + new Point(room.X * ((0.5 + (i / plastic)) % 1), room.Y * ((0.5 + (i / (plastic * plastic))) % 1));
            if (seen.Contains(p))
                points.Add(p);
        }

        return points;
    }

    /// <summary>x, y, x, y …, to a hundredth of a millimetre.</summary>
    public static IReadOnlyList<Length> Flat(IReadOnlyList<Point> line)
    {
        var flat = new Length[line.Count * 2];
        for (var i = 0; i < line.Count; i++)
            (flat[2 * i], flat[(2 * i) + 1]) = (new(Round(line[i].X, 5)), new(Round(line[i].Y, 5)));
        return flat;
    }
}

using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>Glued parts on one piece.</summary>
/// <param name="Part">Their place among the line's parts.</param>
/// <param name="Kind">Code of the part.</param>
/// <param name="Spots">Middles of the parts, as x, y, x, y ….</param>
/// <param name="Count">How many on a piece.</param>
/// <param name="Moulded">Key of the pot they are moulded from at home; null when they are bought or made by a recipe.</param>
/// <param name="MouldedMass">Coating in them, on one piece.</param>
public sealed record PartTally(
    int Part, string Kind, IReadOnlyList<Length> Spots, int Count, string? Moulded = null, Mass? MouldedMass = null)
{
    /// <summary>Parts in rows across the middle of the coat, eyes a little above it and further apart.</summary>
    internal static List<PartTally> On(Design design, ReferenceData tables)
    {
        var (coat, parts) = (design.Coat, new List<PartTally>());
        var middle = coat.Middle;
        if (!coat.Contains(middle) && coat.Reach(middle, PI / 2) is { Out: > 0 } down)
            middle += new Point(0, (down.In + down.Out) / 2);
        foreach (var (n, (index, draft, kind)) in design.Parts.Index())
        {
            var eyes = kind.Code is "eye";
            var level = middle.Y + ((coat.Most.Y - coat.Least.Y) * (eyes ? -0.14 : 0.12 * n));
            var chord = coat.Chord(middle with { Y = level }, new(1, 0)) ?? (0, 0);
            var across = kind.Across.Value.Si * (eyes ? 1.5 : 1.15);
            var perRow = Max(1, (int)((chord.To - chord.From) / across));
            var spots = Enumerable.Range(
                0, draft.Count).Select(i => (Row: i / perRow, Column: i % perRow, InRow: Min(perRow, draft.Count - (i / perRow * perRow))))
                .Select(s => new Point(middle.X + ((s.Column - ((s.InRow - 1) / 2.0)) * across), level + (s.Row * across)));
            var moulded = tables.MouldedIn(kind, draft);
            var mass = moulded is { } m ? m.Mould.Holds * Flow.Of(m.Coating, default, tables.Film).Density * draft.Count : (Mass?)null;
            parts.Add(new(index, kind.Code, Points.Flat([.. spots]), draft.Count, moulded?.Coating.Pot(moulded.Value.Colour), mass));
        }

        return parts;
    }
}

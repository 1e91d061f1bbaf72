using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>A pot in the order that pots are made in.</summary>
/// <param name="Pot">Its key.</param>
/// <param name="FoldsInto">Key of the darker pot that what is left of it goes into; null when it would show in each.</param>
/// <param name="Folded">How much that is.</param>
public sealed record PotStep(string Pot, string? FoldsInto, Mass Folded);

/// <summary>
/// The order to make pots in: light ones first, so that vessels need no washing in between, and what is left of a light pot is
/// folded into a darker one of its coating where no one would see it. Common practice.
/// </summary>
public static class MakingOrder
{
    /// <summary>Finds it.</summary>
    public static IReadOnlyList<PotStep> For(IReadOnlyList<Pot> pots, ReferenceData tables)
    {
        string Srgb(Pot pot) => tables.Coating(pot.Coating)!.Colour(pot.Colour)!.Srgb;
        var lightFirst = pots.Select(p => (Pot: p, Srgb: Srgb(p), Look: Spectrum.LabOf(Srgb(p)))).OrderByDescending(p => p.Look.L).ToList();
        var taken = new HashSet<string>();
        var steps = new List<PotStep>();
        foreach (var (i, light) in lightFirst.Index())
        {
            var left = light.Pot.Leftover.Mass;
            var into = lightFirst.Skip(i + 1)
                .Where(d => d.Pot.Coating == light.Pot.Coating
                    && d.Srgb != light.Srgb
                    && !taken.Contains(d.Pot.Key)
                    && left < d.Pot.OfCoating)
                .Select(d => (d.Pot, DeltaE: Lab.DeltaE(
                    d.Look, Mixing.Coatings((light.Srgb, left.Si), (d.Srgb, (d.Pot.OfCoating - left).Si)))))
                .Where(d => d.DeltaE < tables.Colour.Close.Value.Si)
                .OrderBy(d => d.DeltaE)
                .Select(d => d.Pot)
                .FirstOrDefault();
            if (into is not null)
                taken.Add(into.Key);
            steps.Add(new(light.Pot.Key, into?.Key, into is null ? default : left));
        }

        return steps;
    }
}

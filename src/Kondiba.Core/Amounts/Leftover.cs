using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>Constants of leftovers.</summary>
/// <param name="Accents">From this much it is worth moulding or piping.</param>
/// <param name="Bark">From this much it makes a sheet of bark.</param>
public sealed record LeftoverConstants(Sourced<Mass> Accents, Sourced<Mass> Bark);

/// <summary>What is left of a pot.</summary>
/// <param name="Mass">Pool and margin, when nothing went wrong.</param>
/// <param name="Uses">What it can become, best first.</param>
public sealed record Leftover(Mass Mass, IReadOnlyList<string> Uses)
{
    /// <summary>Finds uses for what is left of a pot.</summary>
    /// <param name="mass">Left in the vessel.</param>
    /// <param name="coating">Of the pot.</param>
    /// <param name="thinned">Whether thinner is in it.</param>
    /// <param name="c">Constants.</param>
    internal static Leftover For(Mass mass, Coating coating, bool thinned, LeftoverConstants c)
    {
        List<string> uses = [];
        if (mass >= c.Accents.Value)
        {
            uses.Add(coating.Temper is null ? "set it in a block and melt it again for the same colour" : "set it in a block and temper it again");
            uses.Add("fold it into a darker pot of its own family");
            uses.Add(thinned ? "mould accents; for drizzle it is too thin" : "mould accents or drizzle with it");
        }

        if (mass >= c.Bark.Value)
            uses.Add("stir in nuts or dried fruit and spread it as bark");
        if (uses.Count > 0 && coating.Allergens is { Count: > 0 })
            uses.Add($"it keeps its allergens: {string.Join(", ", coating.Allergens)}");
        return new(mass, uses);
    }
}

using Kondiba.Core.Measures;

namespace Kondiba.Core.Amounts;

/// <summary>One colour over several orders.</summary>
/// <param name="Colour">Code of the colour.</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="ToMelt">All of it, each order's pot made on its own.</param>
/// <param name="PackSize">Net mass of a pack.</param>
/// <param name="Packs">Whole packs that cover it.</param>
public sealed record CoatingNeed(string Colour, string Coating, Mass ToMelt, Mass PackSize, int Packs)
{
    /// <summary>Adds up the pots of several orders, colour by colour, most first.</summary>
    public static IReadOnlyList<CoatingNeed> For(IEnumerable<CoatingTally> orders) =>
    [
        .. orders.SelectMany(o => o.Pots)
            .GroupBy(p => (p.Colour, p.Coating, p.PackSize))
            .Select(g => (g.Key, ToMelt: g.Select(p => p.ToMelt.Value).Total()))
            .Select(n => new CoatingNeed(n.Key.Colour, n.Key.Coating, n.ToMelt, n.Key.PackSize, Pot.PacksFor(n.ToMelt, n.Key.PackSize)))
            .OrderByDescending(n => n.ToMelt.Si),
    ];
}

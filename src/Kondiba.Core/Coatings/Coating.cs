using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Coatings;

/// <summary>What centres are dipped in.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Fat">Fat by mass.</param>
/// <param name="MeltAtMost">Temperature it must not pass when melted.</param>
/// <param name="DipAt">Temperature to dip at.</param>
/// <param name="Pack">Net mass of a pack as sold.</param>
/// <param name="Colours">Colours it is sold in.</param>
public sealed record Coating(
    string Code,
    string Name,
    Sourced<Share> Fat,
    Sourced<Temperature> MeltAtMost,
    Sourced<Temperature> DipAt,
    Sourced<Mass> Pack,
    IReadOnlyList<CoatingColour> Colours);

/// <summary>A colour that a coating is sold in.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Srgb">How it looks set, as #rrggbb; an estimate by eye.</param>
public sealed record CoatingColour(string Code, string Name, string Srgb);

using Kondiba.Core.Reference;
using Phrases = System.Collections.Generic.IReadOnlyDictionary<string, System.Collections.Generic.IReadOnlyList<string>>;

namespace Kondiba.Core.QuickEntry;

/// <summary>What makers call things, besides the names in the tables; by code.</summary>
/// <param name="Source">Where the words come from.</param>
/// <param name="UsualSizes">Size that is meant when none is said, by centre; otherwise the first one.</param>
/// <param name="Centres">Centres.</param>
/// <param name="Sizes">Sizes.</param>
/// <param name="Colours">Colours of coatings.</param>
/// <param name="LooksLike">Colour words that name no coating's colour, as #rrggbb, to find the nearest one.</param>
/// <param name="Coatings">Coatings.</param>
/// <param name="Patterns">Patterns.</param>
/// <param name="Vague">Words that leave open which pattern, sprinkle or colour is meant.</param>
/// <param name="Sprinkles">Sprinkles.</param>
/// <param name="Parts">Glued parts.</param>
/// <param name="Lustres">Lustres.</param>
/// <param name="Depths">Dip depths, by per cent.</param>
/// <param name="Coats">Coats, by their number.</param>
/// <param name="CoatNouns">What coats are counted in.</param>
/// <param name="OverDips">Further dips: of the tip, of one half.</param>
/// <param name="Sides">Where sprinkles go.</param>
/// <param name="Setting">How pieces set.</param>
/// <param name="Units">What pieces are counted in.</param>
/// <param name="Numbers">Numbers.</param>
/// <param name="Joiners">Words between parts of a line.</param>
/// <param name="Fillers">Words that carry no meaning of their own.</param>
public sealed record Words(
    Source Source,
    IReadOnlyDictionary<string, string> UsualSizes,
    Phrases Centres,
    Phrases Sizes,
    Phrases Colours,
    IReadOnlyDictionary<string, string> LooksLike,
    Phrases Coatings,
    Phrases Patterns,
    IReadOnlyList<string> Vague,
    Phrases Sprinkles,
    Phrases Parts,
    Phrases Lustres,
    Phrases Depths,
    Phrases Coats,
    IReadOnlyList<string> CoatNouns,
    Phrases OverDips,
    Phrases Sides,
    Phrases Setting,
    Phrases Units,
    IReadOnlyDictionary<string, double> Numbers,
    IReadOnlyList<string> Joiners,
    IReadOnlyList<string> Fillers);

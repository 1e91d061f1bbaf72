using Kondiba.Core.Facts;
using Phrases = System.Collections.Generic.IReadOnlyDictionary<string, System.Collections.Generic.IReadOnlyList<string>>;

namespace Kondiba.Core.Reference;

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
/// <param name="Shares">Shares of the pieces, or of a piece, by per cent.</param>
/// <param name="Depths">Dip depths, by per cent.</param>
/// <param name="Coats">Coats, by their number.</param>
/// <param name="CoatNouns">What coats are counted in.</param>
/// <param name="OverDips">Further dips: of the tip, of one half.</param>
/// <param name="Sides">Where sprinkles go.</param>
/// <param name="Setting">How pieces set.</param>
/// <param name="Sticks">What pieces are put on, by the supply.</param>
/// <param name="Units">What pieces are counted in.</param>
/// <param name="Numbers">Numbers.</param>
/// <param name="Joiners">Words between parts of a line.</param>
/// <param name="Fillers">Words that carry no meaning of their own.</param>
/// <param name="Openers">How a request begins.</param>
/// <param name="Refusals">What stands before something that is not wanted.</param>
/// <param name="RefusedAfter">What stands behind something that is not wanted.</param>
/// <param name="FreeOf">What stands beside an allergen that is not wanted.</param>
/// <param name="Allergies">What stands beside an allergen that somebody cannot have.</param>
/// <param name="Excepts">What takes pieces out of what was said before.</param>
/// <param name="Rests">The pieces that are left.</param>
/// <param name="Alls">All pieces.</param>
/// <param name="Eaches">As many of each.</param>
/// <param name="Splits">In equal parts.</param>
/// <param name="Plains">Without decoration.</param>
/// <param name="VagueNumbers">Words that leave open how many, with how many are taken.</param>
/// <param name="Containers">What a number of pieces is put into, by the supply; "" for none.</param>
/// <param name="Pers">What stands between a number and what holds it.</param>
/// <param name="Wraps">How each piece is packed, by the supply.</param>
/// <param name="Allergens">Allergens, and what holds them; one word may stand for several.</param>
/// <param name="Weekdays">Days of the week, Monday being 1.</param>
/// <param name="Months">Months.</param>
/// <param name="Days">Days by how far ahead they are.</param>
/// <param name="Hours">Times of the day, by the hour.</param>
/// <param name="Next">A week later.</param>
/// <param name="Whens">What stands before a day or a time.</param>
/// <param name="Deliveries">That an order is brought.</param>
/// <param name="Means">Short forms, with what each stands for in other words.</param>
/// <param name="Own">The maker's own words, with what each means in other words.</param>
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
    Phrases Shares,
    Phrases Depths,
    Phrases Coats,
    IReadOnlyList<string> CoatNouns,
    Phrases OverDips,
    Phrases Sides,
    Phrases Setting,
    Phrases Sticks,
    Phrases Units,
    IReadOnlyDictionary<string, double> Numbers,
    IReadOnlyList<string> Joiners,
    IReadOnlyList<string> Fillers,
    IReadOnlyList<string> Openers,
    IReadOnlyList<string> Refusals,
    IReadOnlyList<string> RefusedAfter,
    IReadOnlyList<string> FreeOf,
    IReadOnlyList<string> Allergies,
    IReadOnlyList<string> Excepts,
    IReadOnlyList<string> Rests,
    IReadOnlyList<string> Alls,
    IReadOnlyList<string> Eaches,
    IReadOnlyList<string> Splits,
    IReadOnlyList<string> Plains,
    IReadOnlyDictionary<string, double> VagueNumbers,
    Phrases Containers,
    IReadOnlyList<string> Pers,
    Phrases Wraps,
    Phrases Allergens,
    Phrases Weekdays,
    Phrases Months,
    Phrases Days,
    Phrases Hours,
    IReadOnlyList<string> Next,
    IReadOnlyList<string> Whens,
    IReadOnlyList<string> Deliveries,
    IReadOnlyDictionary<string, string> Means,
    IReadOnlyDictionary<string, string>? Own = null);

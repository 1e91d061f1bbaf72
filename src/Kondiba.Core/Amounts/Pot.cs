using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Thinning;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>A share of the pot as it stands in the vessel.</summary>
/// <param name="Kind">"pool", "pieces" or "spare".</param>
/// <param name="From">Level of its lower edge above the vessel's lowest point.</param>
/// <param name="To">Level of its upper edge.</param>
public sealed record PotBand(string Kind, Length From, Length To);

/// <summary>What a pot would come to in another vessel, dipped the way that costs least there.</summary>
/// <param name="Vessel">Code of the vessel.</param>
/// <param name="Way">Code of the way.</param>
/// <param name="ToMelt">All that is melted; null when a piece does not go in.</param>
/// <param name="Cost">What is left over, and the hands' time; null when a piece does not go in.</param>
/// <param name="Melts">Melts that follow each other.</param>
/// <param name="Reason">Why a piece does not go in; empty when all do.</param>
public sealed record VesselChoice(string Vessel, string Way, Mass? ToMelt, PotCost? Cost, int Melts, Message Reason);

/// <summary>How a pot compares with the best that would do instead.</summary>
/// <param name="Vessel">Code of the other vessel.</param>
/// <param name="Way">Code of the way pieces would be dipped in it.</param>
/// <param name="More">How much more coating the other wants; negative when it wants less.</param>
/// <param name="Longer">How much longer it takes the hands, further melts too; negative when it is quicker.</param>
/// <param name="Dearer">By how much it costs more; negative when the maker's own choice is dearer.</param>
public sealed record RunnerUp(string Vessel, string Way, Mass More, Duration Longer, Money Dearer);

/// <summary>How pieces of a line are dipped in a pot.</summary>
/// <param name="Line">Index of the line.</param>
/// <param name="Layer">Of its dips; 0 for the first coat.</param>
/// <param name="Way">Code of the way.</param>
/// <param name="Time">Of the hands, for one coat of one piece.</param>
public sealed record LineWay(int Line, int Layer, string Way, Duration Time);

/// <summary>A further dose, when the pot is still too thick.</summary>
/// <param name="Tablespoons">To add.</param>
/// <param name="Mass">Of these.</param>
/// <param name="Film">Film on a test dip then.</param>
public sealed record ThinnerStep(double Tablespoons, Mass Mass, Length Film);

/// <summary>The thinner of a pot.</summary>
/// <param name="Code">What it is.</param>
/// <param name="Mass">How much.</param>
/// <param name="Tablespoons">The same in tablespoons, to the half.</param>
/// <param name="Share">Of the coating.</param>
/// <param name="GoesIn">When it goes in.</param>
/// <param name="How">How it goes in.</param>
/// <param name="Before">Film on a test dip without it.</param>
/// <param name="Still">What to add, and add again, when the pot is still too thick; none at the limit.</param>
public sealed record PotThinner(
    string Code,
    Figure<Mass> Mass,
    double Tablespoons,
    Share Share,
    GoesIn GoesIn,
    string How,
    Length Before,
    IReadOnlyList<ThinnerStep> Still);

/// <summary>Coating that is drawn from bags: melted apart, kept plain.</summary>
/// <param name="Mass">On the pieces, spoilt ones too, and what falls beside them.</param>
/// <param name="InBags">All that goes into bags: that, what cannot be got out of one, and the margin.</param>
/// <param name="Loads">How often a bag is filled.</param>
public sealed record PotDrizzle(Figure<Mass> Mass, Figure<Mass> InBags, int Loads);

/// <summary>Coating of one colour: how much, in what, how thinned, from how many packs.</summary>
/// <param name="Key">"coating.colour".</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of the colour.</param>
/// <param name="Vessel">Code of the vessel that is dipped in; null when it is only drizzled.</param>
/// <param name="Way">Code of the way most pieces are dipped; null likewise.</param>
/// <param name="OnPieces">What ends up on the pieces, spoilt ones too.</param>
/// <param name="Pool">What must still stand there for the last dip; it is left over.</param>
/// <param name="Spare">What stays on the tools and in the bag, and the margin.</param>
/// <param name="Drizzle">What is drawn from bags; null when nothing is.</param>
/// <param name="Drops">Drops of concentrated colour that it is mixed with; none when it is sold like this.</param>
/// <param name="Bought">Code of the colour that is bought for it.</param>
/// <param name="ToMelt">All of it, thinner too.</param>
/// <param name="OfCoating">The coating in it, without thinner.</param>
/// <param name="Volume">Volume of all of it, molten.</param>
/// <param name="Thinner">Its thinner; null when it has none.</param>
/// <param name="TestFilm">Film on a test dip, as it is.</param>
/// <param name="Advice">What to know about how it flows; empty when it flows well.</param>
/// <param name="Melts">What is melted for dipping at a time, one after the other; one when the vessel holds it all.</param>
/// <param name="Packs">Packs to buy that cover the coating, of all sizes.</param>
/// <param name="Cover">Stock and packs, one by one.</param>
/// <param name="Worth">What the coating used is worth, leftovers too.</param>
/// <param name="Leftover">What is left at the end and what it can become.</param>
/// <param name="Bands">The first melt, bottom to top.</param>
/// <param name="Ways">How each line is dipped in it.</param>
/// <param name="Spooned">Last pieces that are spooned over as the vessel runs low; none where all are dipped.</param>
/// <param name="Cost">What the way and the vessel cost besides the coating on the pieces; null when it is only drizzled.</param>
/// <param name="RunnerUp">The next best way and vessel, or the best when the maker chose another; null when no other would do.</param>
/// <param name="Vessels">Every vessel, for choosing.</param>
/// <param name="DipFrom">Lower end of the dipping window.</param>
/// <param name="DipTo">Upper end of the dipping window.</param>
public sealed record Pot(
    string Key,
    string Coating,
    string Colour,
    string? Vessel,
    string? Way,
    Figure<Mass> OnPieces,
    Figure<Mass> Pool,
    Figure<Mass> Spare,
    PotDrizzle? Drizzle,
    IReadOnlyList<Drops> Drops,
    string Bought,
    Figure<Mass> ToMelt,
    Mass OfCoating,
    Volume Volume,
    PotThinner? Thinner,
    Figure<Length> TestFilm,
    Message Advice,
    IReadOnlyList<Mass> Melts,
    Figure<int> Packs,
    PackCover Cover,
    Figure<Money> Worth,
    Leftover Leftover,
    IReadOnlyList<PotBand> Bands,
    IReadOnlyList<LineWay> Ways,
    int Spooned,
    Figure<PotCost>? Cost,
    RunnerUp? RunnerUp,
    IReadOnlyList<VesselChoice> Vessels,
    Temperature DipFrom,
    Temperature DipTo)
{
    /// <summary>What it will take, as far as the kitchen's batches tell; null as long as none of them was of these pieces.</summary>
    public PotRange? Range { get; init; }
}

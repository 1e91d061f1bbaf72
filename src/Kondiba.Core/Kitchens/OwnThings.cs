using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Fillings;
using Kondiba.Core.Learning;
using Kondiba.Core.Moulds;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;

namespace Kondiba.Core.Kitchens;

/// <summary>What a maker has told the product about the kitchen; with the shipped tables it makes the kitchen's own.</summary>
/// <param name="Ways">How things are done here.</param>
/// <param name="Centres">The maker's own centres; one with the code of a shipped one stands in its place.</param>
/// <param name="Coatings">The maker's own coatings; likewise.</param>
/// <param name="Tints">The maker's own concentrated colours; likewise.</param>
/// <param name="Vessels">The maker's own vessels; likewise.</param>
/// <param name="Looks">The library of looks.</param>
/// <param name="Wares">The maker's own supplies, packs and low marks.</param>
/// <param name="Rates">What the maker's hour is worth, and how prices are made.</param>
/// <param name="Fillings">The maker's own recipes; one with the code of a shipped one stands in its place.</param>
/// <param name="Moulds">The maker's own moulds; likewise.</param>
/// <param name="Places">The maker's own places to set; likewise.</param>
/// <param name="Toppings">What the maker sprinkles, besides or in place of what is shipped.</param>
/// <param name="Parts">What the maker presses or glues on; likewise.</param>
/// <param name="Words">The maker's own words.</param>
/// <param name="Figures">The maker's own figures; one with the code of a shipped one stands in its place.</param>
/// <param name="Working">Hours, hands and warm places; null for the usual.</param>
/// <param name="Learning">What of its batches the maker wants learned; null for all of it.</param>
/// <param name="Labels">What labels say and are printed on; null for the usual.</param>
public sealed record OwnThings(
    Ways Ways,
    IReadOnlyList<OwnCentre> Centres,
    IReadOnlyList<OwnCoating> Coatings,
    IReadOnlyList<OwnTint> Tints,
    IReadOnlyList<OwnVessel> Vessels,
    IReadOnlyList<Look> Looks,
    IReadOnlyList<OwnWare> Wares,
    Rates Rates,
    IReadOnlyList<OwnFilling> Fillings,
    IReadOnlyList<OwnMould> Moulds,
    IReadOnlyList<OwnPlace> Places,
    IReadOnlyList<OwnTopping> Toppings,
    IReadOnlyList<OwnPart> Parts,
    IReadOnlyList<OwnWord> Words,
    IReadOnlyList<OwnFigure> Figures,
    Working? Working = null,
    LearningChoice? Learning = null,
    LabelSettings? Labels = null)
{
    /// <summary>A kitchen about which nothing has been told.</summary>
    public static OwnThings None { get; } = new(new(), [], [], [], [], [], [], new(), [], [], [], [], [], [], []);
}

/// <summary>How things are done in a kitchen; null keeps to common practice.</summary>
/// <param name="Coating">Code of the coating that a new line starts with.</param>
/// <param name="Thinner">Code of the thinner that goes into every pot whose coating takes it.</param>
/// <param name="Film">Film on a test dip that thinner brings a pot to, in mm.</param>
/// <param name="Margin">Put on top of every pot, as a share.</param>
/// <param name="Shake">Code of the way pieces are drained.</param>
/// <param name="DripTime">How long a piece is held over the pot, in s.</param>
/// <param name="HandSpeed">Speed of the hand in long lines of drizzle, in mm/s.</param>
/// <param name="WithoutVessels">Codes of the shipped vessels that this kitchen does not have.</param>
/// <param name="Schools">Where makers differ, what is done here: the choice by the school's code.</param>
/// <param name="Certainty">
/// How often a pot is to be enough, as a share of batches; the margin follows what the kitchen's batches say of it. Null for the same
/// margin always.
/// </param>
/// <param name="Vessels">What a centre is dipped in here, by code; the others in whichever costs least.</param>
public sealed record Ways(
    string? Coating = null,
    string? Thinner = null,
    double? Film = null,
    double? Margin = null,
    string? Shake = null,
    double? DripTime = null,
    double? HandSpeed = null,
    IReadOnlyList<string>? WithoutVessels = null,
    IReadOnlyDictionary<string, string>? Schools = null,
    double? Certainty = null,
    IReadOnlyDictionary<string, string>? Vessels = null);

/// <summary>A centre as the maker enters it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Shape">Code of its kind of solid.</param>
/// <param name="Holding">What it is held by.</param>
/// <param name="Upright">Whether it stands while it sets.</param>
/// <param name="UsualDepth">Dip depth that a new line starts with, as a share.</param>
/// <param name="Spoil">Pieces dipped in vain, as a share.</param>
/// <param name="Pack">Pieces in a pack; null when it is not sold by the piece.</param>
/// <param name="Allergens">By name; null when it is not known.</param>
/// <param name="Prep">What to do before dipping.</param>
/// <param name="Sizes">Sizes, measured.</param>
/// <param name="MayContain">Allergens that it may have traces of, by name.</param>
public sealed record OwnCentre(
    string Code,
    string Name,
    string Plural,
    string Shape,
    Holding Holding,
    bool Upright,
    double UsualDepth,
    double Spoil,
    int? Pack,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<string> Prep,
    IReadOnlyList<OwnSize> Sizes,
    IReadOnlyList<string>? MayContain = null);

/// <summary>A size of a centre as the maker measures it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen; may be empty when there is one size.</param>
/// <param name="Mass">Mass of one, in g.</param>
/// <param name="Measures">Measures that its kind of solid wants, by code, each in its unit.</param>
public sealed record OwnSize(string Code, string Name, double Mass, IReadOnlyDictionary<string, double> Measures);

/// <summary>A coating as the maker reads it off the label.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Couverture">Whether it wants tempering.</param>
/// <param name="FatPerServing">Fat in a serving, in g.</param>
/// <param name="Serving">Mass of a serving, in g.</param>
/// <param name="MeltAtMost">Temperature that it must not pass, in °C.</param>
/// <param name="DipFrom">Lower end of the dipping window, in °C.</param>
/// <param name="DipTo">Upper end of the dipping window, in °C.</param>
/// <param name="Thinners">Codes of the thinners that go with it.</param>
/// <param name="Allergens">By name; null when it is not known.</param>
/// <param name="Packs">Packs that it is bought in.</param>
/// <param name="Colours">Colours that it is bought in.</param>
/// <param name="MayContain">Allergens that it may have traces of, by name.</param>
public sealed record OwnCoating(
    string Code,
    string Name,
    bool Couverture,
    double FatPerServing,
    double Serving,
    double MeltAtMost,
    double DipFrom,
    double DipTo,
    IReadOnlyList<string> Thinners,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<OwnPack> Packs,
    IReadOnlyList<OwnColour> Colours,
    IReadOnlyList<string>? MayContain = null);

/// <summary>A place to set as the maker measures it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Air">Temperature of its air, in °C.</param>
/// <param name="Humidity">Relative humidity of its air, as a share.</param>
/// <param name="Trays">Trays that it takes at once; none when there is no such place.</param>
public sealed record OwnPlace(string Code, string Name, double Air, double Humidity, int Trays);

/// <summary>A pack that the maker buys.</summary>
/// <param name="Mass">Net mass, in g.</param>
/// <param name="Price">Of one.</param>
/// <param name="Coupon">Taken off the price of one; null when there is no coupon.</param>
/// <param name="Coupons">Coupons at hand.</param>
/// <param name="Paid">Whether the maker pays just this; otherwise a shipped price that was left as it is stays an example.</param>
public sealed record OwnPack(double Mass, decimal Price, decimal? Coupon = null, int Coupons = 0, bool Paid = false);

/// <summary>A colour of the maker's own coating.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Srgb">How it looks set, as #rrggbb.</param>
/// <param name="Mixed">How it is mixed; null when it is sold like this.</param>
public sealed record OwnColour(string Code, string Name, string Srgb, MixedColour? Mixed = null);

/// <summary>A concentrated colour as the maker's swatch shows it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Carrier">What carries it.</param>
/// <param name="Swatch">How the swatch looks, as #rrggbb.</param>
/// <param name="Drops">Drops of it in 100 g of bright white.</param>
public sealed record OwnTint(string Code, string Name, Carrier Carrier, string Swatch, int Drops);

/// <summary>A vessel of the maker's own.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Kind">Code of its kind.</param>
/// <param name="Measures">Measures that its kind wants, by code, each in its unit.</param>
public sealed record OwnVessel(string Code, string Name, string Kind, IReadOnlyDictionary<string, double> Measures);

/// <summary>A ware as the maker buys it; one with the code of a known ware says what the maker pays for it.</summary>
/// <param name="Code">Of the ware: "sprinkle.jimmies"; "supply." and a name for one of the maker's own.</param>
/// <param name="Name">Name on screen, several; used for the maker's own only.</param>
/// <param name="Unit">What it is measured in; used for the maker's own only.</param>
/// <param name="Packs">Packs it is bought in; null for the known ones. A coating's packs are entered with the coating.</param>
/// <param name="Low">Below this it runs low; 0 for no mark.</param>
/// <param name="Box">Of a box of the maker's own, its measures; null for what is none.</param>
public sealed record OwnWare(
    string Code, string Name, WareUnit Unit, IReadOnlyList<OwnWarePack>? Packs = null, double Low = 0, OwnBox? Box = null);

/// <summary>A box of the maker's own, measured within.</summary>
/// <param name="Rows">Rows of places; 0 for a flat box without any.</param>
/// <param name="Columns">Places in a row.</param>
/// <param name="Wide">From left to right, in mm.</param>
/// <param name="Deep">From front to back, in mm.</param>
/// <param name="High">With the lid closed, in mm.</param>
public sealed record OwnBox(int Rows, int Columns, double Wide, double Deep, double High);

/// <summary>A pack of a ware as the maker buys it.</summary>
/// <param name="Holds">What is in it, in the ware's unit.</param>
/// <param name="Price">Of one.</param>
public sealed record OwnWarePack(double Holds, decimal Price);

/// <summary>What the maker's hour is worth and how prices are made; null keeps to the shipped values.</summary>
/// <param name="Hour">Of work.</param>
/// <param name="FuelPerHour">Gas and current in an hour of work.</param>
/// <param name="Margin">Share of the price that is not cost.</param>
/// <param name="Step">A price by margin goes up to a multiple of this.</param>
/// <param name="Deposit">Share of the price that is paid ahead.</param>
/// <param name="Terms">What a quote says at its foot.</param>
/// <param name="QuoteDays">Days for which a quote can be accepted.</param>
/// <param name="Contact">How a customer reaches the maker, as a quote says it.</param>
public sealed record Rates(
    decimal? Hour = null,
    decimal? FuelPerHour = null,
    double? Margin = null,
    decimal? Step = null,
    double? Deposit = null,
    string? Terms = null,
    int? QuoteDays = null,
    string? Contact = null);

/// <summary>What a kitchen's labels say and are printed on; null for the usual.</summary>
/// <param name="Maker">Who made it and where, as the local rule wants it.</param>
/// <param name="Notice">What the local rule for home kitchens wants said, in its own words. Kondiba claims nothing by it.</param>
/// <param name="Law">By which law allergens are named.</param>
/// <param name="Stock">Code of the sheet that labels are printed on; "own" for the maker's own.</param>
/// <param name="Own">The maker's own sheet, in mm.</param>
/// <param name="Right">How far a print is moved to the right so that it falls on the labels, in mm.</param>
/// <param name="Down">How far it is moved down, in mm.</param>
public sealed record LabelSettings(
    string? Maker = null,
    string? Notice = null,
    AllergenLaw? Law = null,
    string? Stock = null,
    LabelStock? Own = null,
    double Right = 0,
    double Down = 0)
{
    /// <summary>The choice of the maker's own sheet.</summary>
    public const string OwnStock = "own";
}

/// <summary>A recipe as the maker enters it, for the pieces that it makes.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Makes">Code of the centre it makes; "part." and a code for a part that is glued on.</param>
/// <param name="Note">What to know about it.</param>
/// <param name="Mix">What is mixed, in the proportions of these grams; the ingredient that the others are measured by first.</param>
/// <param name="Each">What is counted, for one piece.</param>
/// <param name="Portion">Of the mix, on one piece, in g.</param>
/// <param name="Loss">Of the mix, what sticks to the tools, as a share.</param>
/// <param name="Steps">How it is made, in order.</param>
public sealed record OwnFilling(
    string Code,
    string Name,
    string Makes,
    string Note,
    IReadOnlyList<OwnMix> Mix,
    IReadOnlyList<EachPart> Each,
    double Portion,
    double Loss,
    IReadOnlyList<OwnStep> Steps);

/// <summary>An ingredient of the maker's own recipe.</summary>
/// <param name="Ingredient">Code of a known ingredient; null for one of the maker's own.</param>
/// <param name="Name">Its name.</param>
/// <param name="Grams">Its mass beside the others'.</param>
/// <param name="Allergens">By name, for one of the maker's own; null when it is not known.</param>
public sealed record OwnMix(string? Ingredient, string Name, double Grams, IReadOnlyList<string>? Allergens = null);

/// <summary>A step of the maker's own recipe.</summary>
/// <param name="Text">What to do.</param>
/// <param name="Why">What goes wrong without it.</param>
/// <param name="Place">Where it waits.</param>
/// <param name="Hands">Time of the hands, in min, however many pieces there are.</param>
/// <param name="Wait">What passes before the next step, in min.</param>
/// <param name="Seconds">Time of the hands for each piece besides, in s.</param>
public sealed record OwnStep(string Text, string Why = "", string Place = "counter", double Hands = 0, double Wait = 0, double Seconds = 0);

/// <summary>A mould of the maker's own.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Kind">How its cavity is measured.</param>
/// <param name="Measures">Measures that its kind wants, by code, each in its unit.</param>
/// <param name="Flush">Whether it is filled to the brim and scraped.</param>
/// <param name="Cavities">In one mould.</param>
/// <param name="Trays">How many such moulds there are.</param>
public sealed record OwnMould(
    string Code, string Name, CavityKind Kind, IReadOnlyDictionary<string, double> Measures, bool Flush, int Cavities, int Trays);

/// <summary>Something that the maker sprinkles on.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="PerArea">Where it covers, in g/cm²; null when it was weighed on pieces.</param>
/// <param name="Weighed">What pieces of a kind took; null when it is known by area.</param>
/// <param name="Grain">Length of a grain, in mm.</param>
/// <param name="Form">What a grain looks like: "bead", "rod", "crystal", "flake".</param>
/// <param name="Srgb">Colours of its grains.</param>
/// <param name="Heavy">Whether it slides off a fresh coat.</param>
/// <param name="Only">When it holds at all; null for either.</param>
/// <param name="Allergens">By name; null when it is not known.</param>
/// <param name="MayContain">Allergens that it may have traces of, by name.</param>
/// <param name="Words">What else it is called.</param>
public sealed record OwnTopping(
    string Code,
    string Name,
    double? PerArea,
    WeighedTopping? Weighed,
    double Grain,
    string Form,
    IReadOnlyList<string> Srgb,
    bool Heavy,
    GoesOn? Only,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<string>? MayContain = null,
    IReadOnlyList<string>? Words = null);

/// <summary>What some pieces took of a topping: "20 pieces took 45 g".</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Pieces">How many.</param>
/// <param name="Grams">What they took.</param>
/// <param name="Side">Where it went.</param>
/// <param name="Cover">How much of that was covered, 0 to 1.</param>
public sealed record WeighedTopping(string Centre, string Size, int Pieces, double Grams, Side Side, double Cover);

/// <summary>Something that the maker presses or glues on, one by one.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Across">How wide it is, in mm.</param>
/// <param name="Dot">Coating in the dot that holds it, in g.</param>
/// <param name="Srgb">Its colour.</param>
/// <param name="Only">When it holds at all; null for either.</param>
/// <param name="Allergens">By name; null when it is not known.</param>
/// <param name="MayContain">Allergens that it may have traces of, by name.</param>
/// <param name="Words">What else it is called.</param>
public sealed record OwnPart(
    string Code,
    string Name,
    string Plural,
    double Across,
    double Dot,
    string Srgb,
    GoesOn? Only,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<string>? MayContain = null,
    IReadOnlyList<string>? Words = null);

/// <summary>A word of the maker's own: wherever it is typed, it stands for other words.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Word">As it is typed.</param>
/// <param name="Means">What it stands for, in words that are known: "navy, silver zigzag".</param>
public sealed record OwnWord(string Code, string Word, string Means);

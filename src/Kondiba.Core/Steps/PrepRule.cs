using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Steps;

/// <summary>A step that a centre, a filling or a figure wants before it is dipped, or after.</summary>
/// <param name="Code">Name in data, unique with its school's choice among the steps of one thing.</param>
/// <param name="For">
/// Codes of the centres and fillings it is for; "figure.cut", "figure.join", "figure.glue" for the parts of figures,
/// "stick.split", "stick.core", "stick.push" for what is put on a stick, "disc" for what is set on one; "dip." and a
/// centre or a way for how that is dipped.
/// </param>
/// <param name="Text">What to do and what to look for.</param>
/// <param name="Why">What goes wrong without it.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Place">Where it is done or waits: "counter", "sink", "hob", "fridge" or "freezer".</param>
/// <param name="Each">Time of the hands for one piece.</param>
/// <param name="Once">Time of the hands however many there are.</param>
/// <param name="Wait">What must pass before the next step.</param>
/// <param name="AtMost">What may pass before the next step.</param>
/// <param name="At">Temperature to bring it to.</param>
/// <param name="School">Code of the school that it belongs to.</param>
/// <param name="Choice">Code of the choice that it is for.</param>
/// <param name="After">Whether it comes after dipping.</param>
/// <param name="Name">In a word or two; null when its code says it.</param>
/// <param name="Stick">Whether it is done for the stick, and not without one.</param>
/// <param name="Best">What had better pass at most before the next step; null where nothing is lost by <paramref name="AtMost"/>.</param>
/// <param name="InFridge">What may pass before the next step when it stands in the fridge; null where it has no business there.</param>
/// <param name="WithDip">Whether it is done together with dipping, piece by piece.</param>
/// <param name="Warm">Whether it takes warm coating of the piece's own colour.</param>
/// <param name="LaidOut">Whether it only lays out what comes from a packet: all of an order's is done in one go.</param>
public sealed record PrepRule(
    string Code,
    IReadOnlyList<string> For,
    string Text,
    string Why,
    Source Source,
    string Place,
    Sourced<Duration>? Each = null,
    Sourced<Duration>? Once = null,
    Sourced<Duration>? Wait = null,
    Sourced<Duration>? AtMost = null,
    Sourced<Temperature>? At = null,
    string? School = null,
    string? Choice = null,
    bool After = false,
    string? Name = null,
    bool Stick = false,
    Sourced<Duration>? Best = null,
    Sourced<Duration>? InFridge = null,
    bool WithDip = false,
    bool Warm = false,
    bool LaidOut = false)
{
    /// <summary>In a word or two, for a plan: "take out".</summary>
    public string Called => Name ?? Code;

    /// <summary>What to do: the maker's own words as they are, others as whoever reads spells.</summary>
    public Message Says => Said(Text);

    /// <summary>What goes wrong without it, likewise.</summary>
    public Message Because => Said(Why);

    /// <summary>The same, done to the parts of a figure: "{parts}" in its text stands for their names.</summary>
    public PrepRule To(FigureWork work) => this with
    {
        Text = Text.Replace("{parts}", English.List(work.Parts), StringComparison.Ordinal),
        Each = Each is null ? null : new(Each.Value * work.Count, Each.Source),
    };

    private Message Said(string text) => Source.Tag is Tag.Entered && text.Length > 0 ? Message.ByName(text) : Message.ByText(text);

    /// <summary>Time of the hands for some pieces.</summary>
    public Duration HandsFor(int pieces) => ((Each?.Value ?? Duration.Zero) * pieces) + (Once?.Value ?? Duration.Zero);
}

/// <summary>A matter in which makers differ.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Usual">Code of the choice that holds where nothing was said.</param>
/// <param name="Choices">The ways it is done.</param>
public sealed record School(string Code, string Name, string Usual, IReadOnlyList<SchoolChoice> Choices);

/// <summary>One of the ways.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Why">What speaks for it and against it.</param>
public sealed record SchoolChoice(string Code, string Name, string Why);

/// <summary>Constants of preparing.</summary>
/// <param name="DayFrom">Hour of the day at which work starts at the earliest.</param>
/// <param name="DayTo">Hour of the day at which it ends at the latest.</param>
/// <param name="Before">Everything is ready so long before it is collected.</param>
/// <param name="Good">How sure to be that what is bought holds enough good ones.</param>
/// <param name="Unfit">Share of what is bought that is not fit for dipping, by the centre's code.</param>
/// <param name="Spread">How much the masses of one size differ: their standard deviation as a share of the mean.</param>
/// <param name="Sheet">To lay out sheet, vessel and tools for a line's dips.</param>
/// <param name="Bag">To fill a bag, snip it and try it on paper.</param>
/// <param name="AccentsBest">Accents moulded beforehand are as good as new for so long.</param>
/// <param name="AccentsAtMost">They keep so long, airtight and cool.</param>
/// <param name="Box">To fetch boxes, cups and labels for a line's pieces.</param>
public sealed record PrepConstants(
    Sourced<Duration> DayFrom,
    Sourced<Duration> DayTo,
    Sourced<Duration> Before,
    Sourced<Share> Good,
    IReadOnlyDictionary<string, Sourced<Share>> Unfit,
    Sourced<Share> Spread,
    Sourced<Duration> Sheet,
    Sourced<Duration> Bag,
    Sourced<Duration> Box,
    Sourced<Duration> AccentsBest,
    Sourced<Duration> AccentsAtMost);

using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Decoration;

/// <summary>What a piece gets besides its first coat.</summary>
/// <param name="Dips">Further dips over the first coat, in order: two-tone, half and half, a dipped tip.</param>
/// <param name="Patterns">Lines of coating, in the order they are drawn.</param>
/// <param name="Sprinkles">Sprinkles, sugar, nuts, crumbs.</param>
/// <param name="Parts">Glued parts.</param>
/// <param name="Paint">Lustre brushed on; null for none.</param>
public sealed record Decor(
    IReadOnlyList<OverDip> Dips,
    IReadOnlyList<PatternDraft> Patterns,
    IReadOnlyList<SprinkleDraft> Sprinkles,
    IReadOnlyList<PartDraft> Parts,
    PaintDraft? Paint = null)
{
    /// <summary>Nothing.</summary>
    public static Decor None { get; } = new([], [], [], []);

    /// <summary>Whether there is none.</summary>
    internal bool IsNothing => Dips.Count + Patterns.Count + Sprinkles.Count + Parts.Count == 0 && Paint is null;

    /// <summary>Whether one of its lists holds nothing at some place, as data from outside may.</summary>
    internal bool HasGaps => Dips.Contains(null!) || Patterns.Contains(null!) || Sprinkles.Contains(null!) || Parts.Contains(null!);
}

/// <summary>A further dip, over a coat that has set.</summary>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Depth">Share of the piece's extent that goes under, along the way it goes in.</param>
/// <param name="Angle">0° dips the end, 90° the left side, −90° the right, 45° a slant.</param>
public sealed record OverDip(string? Coating, string? Colour, double Depth, double Angle = 0);

/// <summary>A pattern as typed.</summary>
/// <param name="Kind">Code of the pattern.</param>
/// <param name="Coating">Code of the coating it is drawn with.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Lines">How many: passes, lines, turns, rings, rows, as the pattern counts; for a face which one.</param>
/// <param name="Spacing">From line to line, in mm; null spreads them evenly.</param>
/// <param name="Bead">Width of the bead, in mm; of a dot its diameter.</param>
/// <param name="Angle">Turned by, in degrees clockwise.</param>
/// <param name="Phase">Shifted by this share of the spacing, 0 to 1.</param>
/// <param name="Text">What letters say.</param>
public sealed record PatternDraft(
    string? Kind,
    string? Coating,
    string? Colour,
    int Lines,
    double? Spacing,
    double Bead,
    double Angle = 0,
    double Phase = 0,
    string? Text = null);

/// <summary>Where sprinkles go.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Side>))]
public enum Side
{
    /// <summary>On the side that is seen.</summary>
    [JsonStringEnumMemberName("front")]
    Front,

    /// <summary>All round: buried, or rolled.</summary>
    [JsonStringEnumMemberName("both")]
    Both,

    /// <summary>On the third of the coat next to the dipped end, all round.</summary>
    [JsonStringEnumMemberName("tip")]
    Tip,
}

/// <summary>Sprinkles as typed.</summary>
/// <param name="Kind">Code of the sprinkle.</param>
/// <param name="Side">Where they go.</param>
/// <param name="Cover">How much of that is covered, 0 to 1.</param>
/// <param name="Glued">Whether they are glued on after setting; otherwise they go on the wet coat.</param>
public sealed record SprinkleDraft(string? Kind, Side Side, double Cover, bool Glued = false);

/// <summary>Glued parts as typed.</summary>
/// <param name="Kind">Code of the part.</param>
/// <param name="Count">How many on a piece.</param>
/// <param name="Coating">Code of the coating they are moulded from at home; null when they are bought.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Pressed">Whether they are pressed onto the wet coat; otherwise they are glued on after setting.</param>
public sealed record PartDraft(string? Kind, int Count, string? Coating = null, string? Colour = null, bool Pressed = false);

/// <summary>Lustre as typed.</summary>
/// <param name="Kind">Code of the lustre.</param>
/// <param name="Cover">How much of the coat is brushed, 0 to 1.</param>
public sealed record PaintDraft(string? Kind, double Cover);

/// <summary>When something goes onto a coat.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<GoesOn>))]
public enum GoesOn
{
    /// <summary>Within the wet window.</summary>
    [JsonStringEnumMemberName("wet")]
    Wet,

    /// <summary>After touch-dry.</summary>
    [JsonStringEnumMemberName("set")]
    Set,
}

/// <summary>A pattern that the product can draw.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Counted">What its lines are called: "passes", "rings".</param>
/// <param name="Least">Fewest lines.</param>
/// <param name="Usual">Lines that a new one starts with.</param>
/// <param name="Most">Most lines.</param>
/// <param name="Bead">Bead that a new one starts with.</param>
/// <param name="Pace">Speed of the hand as a share of its speed in long lines.</param>
/// <param name="GoesOn">When it is drawn.</param>
/// <param name="How">How it is done.</param>
/// <param name="Bare">
/// How it is done on a bare piece, where that differs; one that goes onto a wet coat and says nothing here wants the coat.
/// </param>
public sealed record PatternKind(
    string Code,
    string Name,
    string Counted,
    int Least,
    int Usual,
    int Most,
    Sourced<Length> Bead,
    Sourced<Share> Pace,
    GoesOn GoesOn,
    string How,
    string? Bare = null)
{
    private const double SampleAcross = 24;
    private const int SampleLines = 6;

    /// <summary>The pattern on a round of 24 mm, to choose it by: lines as x, y, x, y …, x from the middle, y down from the top.</summary>
    public IReadOnlyList<IReadOnlyList<Length>> Sample { get; } = Draw(Code, Math.Clamp(SampleLines, Least, Usual));

    private static IReadOnlyList<IReadOnlyList<Length>> Draw(string code, int lines)
    {
        var across = Quantities.Of<Length>(SampleAcross, "mm");
        var disc = new Centres.Disc(across, across, across);
        return [
            .. Decoration.Patterns.Draw(
                new(code, null, null, lines, null, Bead: 1.6, Text: "A7"), disc.Outline(dippedEndUp: true), disc).Lines
                .Select(Points.Flat),
        ];
    }
}

/// <summary>Something sprinkled on.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="PerArea">Mass by area where it covers.</param>
/// <param name="Grain">Length of a grain, for drawing.</param>
/// <param name="Form">What a grain looks like: "bead", "rod", "crystal", "flake".</param>
/// <param name="Srgb">Colours of its grains.</param>
/// <param name="Heavy">Whether it slides off a fresh coat and wants a few seconds' wait.</param>
/// <param name="Allergens">By name; null when it is not known. The packet's label decides.</param>
/// <param name="How">How it is put on.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="Only">When it holds at all: null for either on the wet coat or glued.</param>
/// <param name="Words">What else it is called.</param>
public sealed record Sprinkle(
    string Code,
    string Name,
    Sourced<AreaDensity> PerArea,
    Sourced<Length> Grain,
    string Form,
    IReadOnlyList<string> Srgb,
    bool Heavy,
    IReadOnlyList<string>? Allergens,
    string How,
    IReadOnlyList<string>? MayContain = null,
    GoesOn? Only = null,
    IReadOnlyList<string>? Words = null);

/// <summary>Something glued on.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Across">How wide it is.</param>
/// <param name="Dot">Coating in the dot that holds it.</param>
/// <param name="Srgb">Its colour.</param>
/// <param name="How">How it is put on.</param>
/// <param name="Mould">Code of the mould that makes it at home; null when it is bought or made by a recipe.</param>
/// <param name="Allergens">By name; null when it is not known. The packet's label decides.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="Only">When it holds at all: null for either on the wet coat or glued.</param>
/// <param name="Words">What else it is called.</param>
public sealed record Part(
    string Code,
    string Name,
    string Plural,
    Sourced<Length> Across,
    Sourced<Mass> Dot,
    string Srgb,
    string How,
    string? Mould = null,
    IReadOnlyList<string>? Allergens = null,
    IReadOnlyList<string>? MayContain = null,
    GoesOn? Only = null,
    IReadOnlyList<string>? Words = null)
{
    /// <summary>What one weighs: half a ball as wide as it is. An estimate.</summary>
    /// <param name="density">Of what it is made of.</param>
    public Mass MassBy(Density density) => Across.Value.Circle * Across.Value * (1.0 / 3) * density;
}

/// <summary>An edible lustre.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="PerArea">Dust by area brushed.</param>
/// <param name="Srgb">Its colour.</param>
/// <param name="How">How it is put on, and what to mind.</param>
public sealed record Lustre(string Code, string Name, Sourced<AreaDensity> PerArea, string Srgb, string How);

/// <summary>Everything that a piece can be decorated with.</summary>
public sealed record DecorTables(
    IReadOnlyList<PatternKind> Patterns, IReadOnlyList<Sprinkle> Sprinkles, IReadOnlyList<Part> Parts, IReadOnlyList<Lustre> Lustres)
{
    /// <summary>The pattern of that code, or null.</summary>
    public PatternKind? Pattern(string? code) => Patterns.FirstOrDefault(p => p.Code == code);

    /// <summary>The sprinkle of that code, or null.</summary>
    public Sprinkle? Sprinkle(string? code) => Sprinkles.FirstOrDefault(s => s.Code == code);

    /// <summary>The part of that code, or null.</summary>
    public Part? Part(string? code) => Parts.FirstOrDefault(p => p.Code == code);

    /// <summary>The lustre of that code, or null.</summary>
    public Lustre? Lustre(string? code) => Lustres.FirstOrDefault(l => l.Code == code);
}

/// <summary>Constants of decorating.</summary>
/// <param name="BagHolds">What a drizzle bag holds comfortably.</param>
/// <param name="BagStays">What cannot be got out of it.</param>
/// <param name="OffPiece">Drizzle that falls beside the piece, as a share of what is on it.</param>
/// <param name="BeadPerTip">Width of the bead as a share of the tip's opening.</param>
/// <param name="TipFrom">Narrowest tip.</param>
/// <param name="TipTo">Widest tip.</param>
/// <param name="HandSpeed">Speed of the hand in long lines.</param>
/// <param name="Lift">For each new start of a line.</param>
/// <param name="Sprinkling">For sprinkling a piece.</param>
/// <param name="Brushing">For brushing a piece with glue or lustre.</param>
/// <param name="Gluing">For gluing a part and holding it.</param>
/// <param name="Pressing">For pressing a part onto the wet coat.</param>
/// <param name="CatchBowl">Sprinkles to have at hand, as a multiple of what stays on the pieces.</param>
/// <param name="GlueDotThick">How thick such a dot is.</param>
/// <param name="StickDot">Coating in the dot that holds a stick in a piece that was split.</param>
/// <param name="DiscThick">How thick a piped disc is.</param>
/// <param name="GlueDot">Coating in a dot that holds two parts of a figure together.</param>
public sealed record DecorConstants(
    Sourced<Mass> BagHolds,
    Sourced<Mass> BagStays,
    Sourced<Share> OffPiece,
    Sourced<Share> BeadPerTip,
    Sourced<Length> TipFrom,
    Sourced<Length> TipTo,
    Sourced<Speed> HandSpeed,
    Sourced<NodaTime.Duration> Lift,
    Sourced<NodaTime.Duration> Sprinkling,
    Sourced<NodaTime.Duration> Brushing,
    Sourced<NodaTime.Duration> Gluing,
    Sourced<NodaTime.Duration> Pressing,
    Sourced<Share> CatchBowl,
    Sourced<Length> GlueDotThick,
    Sourced<Mass> StickDot,
    Sourced<Length> DiscThick,
    Sourced<Mass> GlueDot);

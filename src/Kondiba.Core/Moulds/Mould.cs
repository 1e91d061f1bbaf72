using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;
using static System.Math;

namespace Kondiba.Core.Moulds;

/// <summary>How a cavity is measured.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<CavityKind>))]
public enum CavityKind
{
    /// <summary>Round with straight walls: across and deep.</summary>
    [JsonStringEnumMemberName("round")]
    Round,

    /// <summary>A block: long, wide and deep.</summary>
    [JsonStringEnumMemberName("block")]
    Block,

    /// <summary>Any other: what it holds, how wide it opens and how deep it is.</summary>
    [JsonStringEnumMemberName("free")]
    Free,
}

/// <summary>A mould with its cavities.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Kind">How its cavity is measured.</param>
/// <param name="Measures">The cavity's measures with their sources.</param>
/// <param name="Long">Across the opening, the longer way.</param>
/// <param name="Wide">Across the opening, the shorter way.</param>
/// <param name="Deep">Depth of the cavity.</param>
/// <param name="Holds">Volume of the cavity.</param>
/// <param name="Flush">Whether it is filled to the brim and scraped; otherwise just over the insert.</param>
/// <param name="Cavities">In one mould.</param>
/// <param name="Trays">Moulds of this kind that the kitchen owns.</param>
public sealed record Mould(
    string Code,
    string Name,
    CavityKind Kind,
    IReadOnlyList<WorkingLine> Measures,
    Length Long,
    Length Wide,
    Length Deep,
    Volume Holds,
    bool Flush,
    int Cavities,
    int Trays)
{
    /// <summary>The measures that a kind of cavity wants.</summary>
    public static IReadOnlyList<Measure> MeasuresOf(CavityKind kind) => kind switch
    {
        CavityKind.Round => [Mm("across", "across"), Mm("deep", "depth")],
        CavityKind.Block => [Mm("long", "length"), Mm("wide", "width"), Mm("deep", "depth")],
        _ => [new("holds", "holds", "mL", 0.2, 250), Mm("across", "across the opening"), Mm("deep", "depth")],
    };

    /// <summary>Pieces that come out of all of them at once.</summary>
    public int AtOnce => Cavities * Trays;

    /// <summary>The mould from measures in SI units, asked by code.</summary>
    internal static Mould Make(
        string code,
        string name,
        CavityKind kind,
        IReadOnlyList<WorkingLine> measures,
        Func<string, double> si,
        bool flush,
        int cavities,
        int trays)
    {
        var deep = new Length(si("deep"));
        var (a, b) = kind is CavityKind.Block
            ? (new Length(si("long")), new Length(si("wide")))
            : (new Length(si("across")), new Length(si("across")));
        var holds = kind switch
        {
            CavityKind.Round => a.Circle * deep,
            CavityKind.Block => a * b * deep,
            _ => new Volume(si("holds")),
        };
        return new(code, name, kind, measures, new(Max(a.Si, b.Si)), new(Min(a.Si, b.Si)), deep, holds, flush, cavities, trays);
    }

    private static Measure Mm(string code, string name) => new(code, name, "mm", 3, 250);
}

/// <summary>What a line is moulded in.</summary>
/// <param name="Mould">Code of the mould.</param>
/// <param name="Insert">Code of the centre that is pressed in; null for a solid piece.</param>
/// <param name="InsertSize">Code of its size.</param>
/// <param name="Accent">A first layer of another colour, seen on top when it comes out; null for none.</param>
/// <param name="Features">
/// Details brushed or piped into the cavity before anything else, each of a colour of its own; null for none.
/// </param>
/// <param name="Broken">Share of the cavity that broken pieces of the insert fill; null when it goes in whole.</param>
public sealed record MouldDraft(
    string? Mould,
    string? Insert = null,
    string? InsertSize = null,
    AccentDraft? Accent = null,
    IReadOnlyList<AccentDraft>? Features = null,
    double? Broken = null)
{
    /// <summary>The layers that go in before the line's own colour, first to last: each one's code, its field and what was typed.</summary>
    internal IEnumerable<(string Part, string Field, AccentDraft? Layer)> First =>
    [
        .. (Features ?? []).Select((f, i) => ($"feature-{i}", $"features[{i}]", (AccentDraft?)f)),
        .. Accent is null ? [] : new[] { ("accent", "accent", (AccentDraft?)Accent) },
    ];

    /// <summary>What they leave of the coating in the cavity for the line's own colour, 0 to 1.</summary>
    internal double Left => 1 - First.Sum(l => l.Layer is { Share: > 0 and < 1 } layer ? layer.Share : 0);
}

/// <summary>A first layer of another colour.</summary>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Share">Its part of the coating in the cavity, 0 to 1.</param>
public sealed record AccentDraft(string? Coating, string? Colour, double Share);

/// <summary>Constants of moulding.</summary>
/// <param name="Base">Coating under an insert.</param>
/// <param name="Cover">Coating over it.</param>
/// <param name="Wall">Coating round it.</param>
/// <param name="DryWafers">Share of a cavity that coating fills when dry wafers are heaped level in it and melted.</param>
/// <param name="Fill">Time of the hands to fill a cavity: base, insert, edges, top.</param>
/// <param name="Accent">Time of the hands for an accent layer.</param>
/// <param name="Feature">Time of the hands to brush one feature.</param>
/// <param name="AccentChill">Until an accent layer takes the next.</param>
/// <param name="Unmould">Time of the hands to free a piece and peel off its lip.</param>
/// <param name="Tap">Time of the hands to tap and scrape one mould.</param>
public sealed record MouldConstants(
    Sourced<Length> Base,
    Sourced<Length> Cover,
    Sourced<Length> Wall,
    Sourced<Share> DryWafers,
    Sourced<Duration> Fill,
    Sourced<Duration> Accent,
    Sourced<Duration> Feature,
    Sourced<Duration> AccentChill,
    Sourced<Duration> Unmould,
    Sourced<Duration> Tap);

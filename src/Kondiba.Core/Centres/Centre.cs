using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Centres;

/// <summary>What a piece is held by while it is dipped.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Holding>))]
public enum Holding
{
    /// <summary>By its own end or its leaves; a skewer in the core can stand it up.</summary>
    [JsonStringEnumMemberName("by hand")]
    ByHand,

    /// <summary>On a stick, by which it can stand while it sets.</summary>
    [JsonStringEnumMemberName("stick")]
    Stick,

    /// <summary>On a dipping fork; it is laid down flat.</summary>
    [JsonStringEnumMemberName("fork")]
    Fork,

    /// <summary>In a mould, from which it comes when it has set.</summary>
    [JsonStringEnumMemberName("mould")]
    Mould,
}

/// <summary>How a stick gets into a piece.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<OnStick>))]
public enum OnStick
{
    /// <summary>Pushed half way in.</summary>
    [JsonStringEnumMemberName("push")]
    Push,

    /// <summary>Pushed into the hard core from the leaves' end, which holds the leaves back.</summary>
    [JsonStringEnumMemberName("core")]
    Core,

    /// <summary>Laid between two halves with a dot of coating, pressed shut and rested.</summary>
    [JsonStringEnumMemberName("split")]
    Split,
}

/// <summary>What gets dipped.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Shape">Kind of solid it is computed as.</param>
/// <param name="Holding">What it is held by.</param>
/// <param name="Upright">Whether it is usually stood up to set, which spares the foot.</param>
/// <param name="UsualDepth">Dip depth that a new line starts with.</param>
/// <param name="Depths">Dip depths that are offered.</param>
/// <param name="Deepest">Dip depth beyond which the product warns.</param>
/// <param name="DeepestReason">Why it warns.</param>
/// <param name="LeastCoats">Coats below which the product warns.</param>
/// <param name="Spoil">Share of pieces that go wrong and are dipped in vain.</param>
/// <param name="Stick">
/// Coating it keeps, over what the film equations say of a smooth solid at the coating's temperature; 1 until it was weighed.
/// </param>
/// <param name="HeatCapacity">Of the centre, for the setting model.</param>
/// <param name="TrayGap">Room between neighbours on the sheet.</param>
/// <param name="Pack">Pieces in a pack as sold; null when it is not sold by the piece.</param>
/// <param name="PackName">What such a pack is called, one and several: "sleeve", "sleeves".</param>
/// <param name="Allergens">Of the centre, by name; null when it is not known. The packet's label decides.</param>
/// <param name="Prep">What the maker adds to the rules of preparing it, in order.</param>
/// <param name="Sizes">Sizes it comes in; one nameless size when there is only one.</param>
/// <param name="Contact">
/// Exchange of heat between a coat and it, where it is not the usual one: a frozen, moist face takes heat fast.
/// </param>
/// <param name="ServedCold">Whether it is served cold.</param>
/// <param name="Figure">How it is put together, when it is the body of a figure.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="OnStick">How a stick gets into it.</param>
public sealed record Centre(
    string Code,
    string Name,
    string Plural,
    string Shape,
    Holding Holding,
    bool Upright,
    Sourced<Share> UsualDepth,
    IReadOnlyList<Share> Depths,
    Sourced<Share> Deepest,
    string DeepestReason,
    int LeastCoats,
    Sourced<Share> Spoil,
    Sourced<Share> Stick,
    Sourced<HeatCapacity> HeatCapacity,
    Sourced<Length> TrayGap,
    int? Pack,
    IReadOnlyList<string> PackName,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<string> Prep,
    IReadOnlyList<CentreSize> Sizes,
    Sourced<HeatExchange>? Contact = null,
    bool ServedCold = false,
    Figure? Figure = null,
    IReadOnlyList<string>? MayContain = null,
    OnStick OnStick = OnStick.Push)
{
    /// <summary>Whether it lies on the sheet with its dipped end away from the maker, as a rod held by its dry end does.</summary>
    public bool DippedEndUp => Holding is Holding.ByHand && Shape is "rod" or "wrappedRod";

    /// <summary>Some of a size in words: "large strawberry", "large strawberries", "pretzel rods".</summary>
    /// <param name="size">One of its sizes.</param>
    /// <param name="count">How many.</param>
    public string Called(CentreSize size, int count) =>
        $"{(Sizes.Count > 1 ? size.Name : "")} {(count == 1 ? Name : Plural)}".Trim();

    /// <summary>The size of that code, or null.</summary>
    public CentreSize? Size(string? code) => Sizes.FirstOrDefault(s => s.Code == code);
}

/// <summary>A size of a centre.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen; empty when the centre has one size.</param>
/// <param name="Shape">The solid it is computed as.</param>
/// <param name="Measures">The solid's measures with their sources, in its kind's order.</param>
/// <param name="Mass">Mass of one.</param>
/// <param name="Insert">Codes of the centre and the size that is pressed into it, of a moulded piece; null for none.</param>
public sealed record CentreSize(
    string Code, string Name, Shape Shape, IReadOnlyList<WorkingLine> Measures, Sourced<Mass> Mass, IReadOnlyList<string>? Insert = null)
{
    /// <summary>The same solid of another mass and the same density: its lengths grow with the cube root.</summary>
    /// <param name="times">How much heavier it is.</param>
    /// <param name="centre">The centre whose size it is.</param>
    /// <param name="mass">Its mass.</param>
    internal CentreSize Scaled(double times, Centre centre, Sourced<Mass> mass)
    {
        var kind = ShapeKind.Of(centre.Shape)!;
        var by = Math.Cbrt(times);
        List<WorkingLine> measures = [
            .. Measures.Select(m => m.Unit == "mm"
                ? m with { Formula = Message.Of(
                    "centres.mm-heavy-portion", ("m", m.Value), ("times", times)), Value = m.Value * by, Source = Source.Computed }
                : m),
        ];
        return this with
        {
            Shape = kind.Make(code => kind.Measures.Zip(measures)
                .Where(m => m.First.Code == code)
                .Select(m => ShapeKind.Si(m.Second.Unit, m.Second.Value))
                .Single()),
            Measures = measures,
            Mass = mass,
        };
    }
}

using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Centres;

/// <summary>What gets dipped.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="UsualDepth">Dip depth that a new line starts with.</param>
/// <param name="Deepest">Dip depth beyond which the product warns.</param>
/// <param name="DeepestReason">Why it warns.</param>
/// <param name="Spoil">Share of pieces that go wrong and are dipped in vain.</param>
/// <param name="HeatCapacity">Of the centre, for the setting model.</param>
/// <param name="TrayGap">Room between neighbours on the sheet.</param>
/// <param name="Sizes">Sizes it comes in; one nameless size when there is only one.</param>
public sealed record Centre(
    string Code,
    string Name,
    string Plural,
    Sourced<Share> UsualDepth,
    Sourced<Share> Deepest,
    string DeepestReason,
    Sourced<Share> Spoil,
    Sourced<HeatCapacity> HeatCapacity,
    Sourced<Length> TrayGap,
    IReadOnlyList<CentreSize> Sizes)
{
    /// <summary>The size of that code, or null.</summary>
    public CentreSize? Size(string? code) => Sizes.FirstOrDefault(s => s.Code == code);
}

/// <summary>A size of a centre.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen; empty when the centre has one size.</param>
/// <param name="Shape">The solid it is computed as.</param>
/// <param name="Dimensions">The solid's measures with their sources.</param>
/// <param name="Mass">Mass of one.</param>
public sealed record CentreSize(string Code, string Name, Shape Shape, IReadOnlyList<WorkingLine> Dimensions, Sourced<Mass> Mass);

using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Moulds;

/// <summary>What a cavity takes, round its insert.</summary>
/// <param name="Filled">Volume up to which the cavity is filled, insert and all.</param>
/// <param name="Insert">Volume of the insert; nothing for a solid piece.</param>
/// <param name="Coating">Volume of coating in one cavity.</param>
/// <param name="DryWafers">The same by the dry-wafer rule, to check it: the cavity heaped level with wafers.</param>
/// <param name="Misfit">Why the insert does not go in; null when it does.</param>
/// <param name="Remedy">What would.</param>
public sealed record MouldFill(Volume Filled, Volume Insert, Figure<Volume> Coating, Figure<Volume> DryWafers, string? Misfit, string Remedy)
{
    /// <summary>The cavity as what is dipped, for the film and setting models.</summary>
    public Cavity Shape(Mould mould) => new(Filled, new(Coating.Value / Filled), mould.Long, mould.Wide, mould.Kind is not CavityKind.Block);

    /// <summary>Whether the rule of thumb is nearer than a quarter to the geometry.</summary>
    public bool RuleAgrees => Math.Abs((DryWafers.Value / Coating.Value) - 1) <= 0.25;

    /// <summary>Computes it.</summary>
    /// <param name="mould">The mould.</param>
    /// <param name="insert">What is pressed in; null for a solid piece.</param>
    /// <param name="insertName">Its name: "double-filled sandwich cookie".</param>
    /// <param name="c">The trade's constants.</param>
    /// <param name="broken">Share of the cavity that broken pieces of the insert fill; null when it goes in whole.</param>
    public static MouldFill For(Mould mould, CentreSize? insert, string insertName, MouldConstants c, double? broken = null)
    {
        var whole = insert is not null && broken is null;
        var wants = insert is null ? mould.Deep : c.Base.Value + insert.Shape.Thickness + c.Cover.Value;
        var upTo = mould.Flush || !whole ? mould.Deep : new(Math.Min(mould.Deep.Si, wants.Si));
        var filled = mould.Holds * (upTo / mould.Deep);
        var volume = insert is null ? default : broken is { } share ? filled * share : new Volume(Math.Min(insert.Shape.WholeVolume.Si, filled.Si * MostInsert));
        var coating = filled - volume;
        var wafers = filled * c.DryWafers.Value.Si;
        var (misfit, remedy) = whole ? Fit(mould, insert!, insertName, wants, c) : (null, "");
        return new(
            filled,
            volume,
            new(coating, () =>
            [
                .. mould.Measures.Select(m => m with { What = $"{mould.Name}: {m.What}" }),
                WorkingLine.Of("cavity", "", mould.Holds, Source.Computed),
                .. mould.Flush || !whole ? [] : new[]
                {
                    WorkingLine.Of("base under the insert", c.Base), WorkingLine.Of("cover over it", c.Cover),
                    WorkingLine.Of("filled to", "base + insert + cover, at most the brim", upTo, Source.Computed),
                },
                WorkingLine.Of("filled", "", filled, Source.Computed),
                .. insert is null ? [] : new[] { WorkingLine.Of(whole ? $"{insertName} takes" : $"pieces of {insertName} take", whole ? "" : $"{broken:0 %} of it", volume, Source.Computed) },
                WorkingLine.Of("coating in one cavity", $"{filled.In("mL"):0.0} − {volume.In("mL"):0.0} mL", coating, Source.Computed),
            ]),
            new(wafers, () =>
            [
                WorkingLine.Of("of a cavity heaped level, dry wafers melt to", c.DryWafers),
                WorkingLine.Of("by that rule", $"{filled.In("mL"):0.0} mL × {c.DryWafers.Value.Si:0.##}", wafers, Source.Computed),
            ]),
            misfit,
            remedy);
    }

    private const double MostInsert = 0.95;

    private static (string? Misfit, string Remedy) Fit(Mould mould, CentreSize insert, string name, Length wants, MouldConstants c)
    {
        var room = mould.Deep - c.Base.Value - c.Cover.Value;
        if (insert.Shape.Thickness > room)
            return ($"{With.Article(name)} is {insert.Shape.Thickness.In("mm"):0.#} mm tall: with {c.Base.Value.In("mm"):0.#} mm under it and {c.Cover.Value.In("mm"):0.#} mm over it, it wants a cavity of {wants.In("mm"):0.#} mm, and the {mould.Name} is {mould.Deep.In("mm"):0.#} mm deep.",
                $"Take one of at most {room.In("mm"):0.#} mm, such as a thin cookie, or a deeper mould.");
        var (longest, widest) = (Math.Max(insert.Shape.Length.Si, insert.Shape.Width.Si), Math.Min(insert.Shape.Length.Si, insert.Shape.Width.Si));
        var walls = c.Wall.Value.Si * 2;
        return longest + walls > mould.Long.Si || widest + walls > mould.Wide.Si
            ? ($"{With.Article(name)} is {longest * 1e3:0.#} mm wide, and leaves less than {c.Wall.Value.In("mm"):0.#} mm of coating round it in the {mould.Name}, which opens {mould.Long.In("mm"):0.#} mm.", "Take a smaller insert or a wider mould.")
            : (null, "");
    }
}

/// <summary>What a line's mould takes, and how often it is filled.</summary>
/// <param name="Coating">Coating in one cavity.</param>
/// <param name="DryWafers">The same by the dry-wafer rule.</param>
/// <param name="RuleAgrees">Whether the rule is nearer than a quarter to the geometry.</param>
/// <param name="AtOnce">Cavities in all moulds of that kind.</param>
/// <param name="Rounds">How often they are filled.</param>
public sealed record MouldTally(Figure<Volume> Coating, Figure<Volume> DryWafers, bool RuleAgrees, int AtOnce, Figure<int> Rounds)
{
    internal static MouldTally Of(MouldFill fill, Mould mould, int begun) => new(fill.Coating, fill.DryWafers, fill.RuleAgrees, mould.AtOnce, new(Moulds.Rounds.For(begun, mould.AtOnce), () =>
    [
        WorkingLine.Count("pieces, those that go wrong too", "", begun, Source.Computed),
        WorkingLine.Count("cavities in one mould", "", mould.Cavities, Source.Kitchen),
        WorkingLine.Count("moulds owned", "", mould.Trays, Source.Kitchen),
        WorkingLine.Count("rounds", $"{begun} ÷ ({mould.Cavities} × {mould.Trays}), up to whole ones", Moulds.Rounds.For(begun, mould.AtOnce), Source.Computed),
    ]));
}

/// <summary>How often moulds are filled for so many pieces.</summary>
public static class Rounds
{
    /// <summary>Whole rounds.</summary>
    /// <param name="pieces">Pieces wanted, those that go wrong too.</param>
    /// <param name="atOnce">Cavities in all moulds owned.</param>
    public static int For(int pieces, int atOnce) => atOnce <= 0 ? 0 : (pieces + atOnce - 1) / atOnce;
}

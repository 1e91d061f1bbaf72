using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Moulds;

/// <summary>What a cavity takes, round its insert.</summary>
/// <param name="Filled">Volume up to which the cavity is filled, insert and all.</param>
/// <param name="Insert">Volume of the insert; nothing for a solid piece.</param>
/// <param name="Coating">Volume of coating in one cavity.</param>
/// <param name="DryWafers">The same by the dry-wafer rule, to check it: the cavity heaped level with wafers.</param>
/// <param name="Misfit">Why the insert does not go in; null when it does.</param>
/// <param name="Remedy">What would.</param>
public sealed record MouldFill(
    Volume Filled, Volume Insert, Figure<Volume> Coating, Figure<Volume> DryWafers, Message? Misfit, Message Remedy)
{
    /// <summary>The cavity as what is dipped, for the film and setting models.</summary>
    public Cavity Shape(Mould mould) =>
        new(Filled, new(Coating.Value / Filled), mould.Long, mould.Wide, mould.Kind is not CavityKind.Block);

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
        var volume = (insert, broken) switch
        {
            (null, _) => default,
            (_, { } share) => filled * share,
            var (pressed, _) => new(Math.Min(pressed.Shape.WholeVolume.Si, filled.Si * MostInsert)),
        };
        var coating = filled - volume;
        var wafers = filled * c.DryWafers.Value.Si;
        var (misfit, remedy) = whole ? Fit(mould, insert!, insertName, wants, c) : (null, Message.None);
        return new(
            filled,
            volume,
            new(coating, () =>
            [
                .. mould.Measures.Select(m => m with { What = Message.Of("moulds.measure-of", ("mould", mould.Name), ("what", m.What)) }),
                WorkingLine.Of("moulds.cavity", "", mould.Holds, Source.Computed),
                .. mould.Flush || !whole ? [] : new[]
                {
                    WorkingLine.Of("moulds.base-under-insert", c.Base), WorkingLine.Of("moulds.cover-over", c.Cover),
                    WorkingLine.Of("moulds.filled", "moulds.filled.how", upTo, Source.Computed),
                },
                WorkingLine.Of("moulds.filled-2", "", filled, Source.Computed),
                .. insert is null
                    ? []
                    : new[]
                    {
                        WorkingLine.Of(
                            Message.Of(whole ? "moulds.takes" : "moulds.pieces-take", ("insertName", insertName)),
                            whole ? "" : Message.Of("moulds.takes.how", ("broken", broken)),
                            volume,
                            Source.Computed),
                    },
                WorkingLine.Of(
                    "moulds.coating-one-cavity",
                    Message.Of("moulds.coating-one-cavity.how", ("filled", filled), ("volume", volume)),
                    coating,
                    Source.Computed),
            ]),
            new(wafers, () =>
            [
                WorkingLine.Of("moulds.cavity-heaped-level-dry", c.DryWafers),
                WorkingLine.Of(
                    "moulds.rule",
                    Message.Of("moulds.rule.how", ("filled", filled), ("dryWafers", c.DryWafers.Value.Si)),
                    wafers,
                    Source.Computed),
            ]),
            misfit,
            remedy);
    }

    private const double MostInsert = 0.95;

    private static (Message? Misfit, Message Remedy) Fit(Mould mould, CentreSize insert, string name, Length wants, MouldConstants c)
    {
        var room = mould.Deep - c.Base.Value - c.Cover.Value;
        if (insert.Shape.Thickness > room)
            return (Message.Of(
                "moulds.tall-under-over-wants",
                ("name", name),
                ("thickness", insert.Shape.Thickness),
                ("base", c.Base.Value),
                ("cover", c.Cover.Value),
                ("wants", wants),
                ("mould", mould.Name),
                ("deep", mould.Deep)),
                Message.Of("moulds.take-one-most-such", ("room", room)));
        var (longest, widest) = (Math.Max(
            insert.Shape.Length.Si, insert.Shape.Width.Si), Math.Min(insert.Shape.Length.Si, insert.Shape.Width.Si));
        var walls = c.Wall.Value.Si * 2;
        return longest + walls > mould.Long.Si || widest + walls > mould.Wide.Si
            ? (Message.Of(
                "moulds.too-wide",
                ("name", name),
                ("longest", new Length(longest)),
                ("wall", c.Wall.Value),
                ("mould", mould.Name),
                ("long", mould.Long)), "moulds.too-wide.do")
            : (null, Message.None);
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
    internal static MouldTally Of(
        MouldFill fill, Mould mould, int begun) => new(fill.Coating, fill.DryWafers, fill.RuleAgrees, mould.AtOnce, new(Moulds.Rounds.For(
            begun, mould.AtOnce), () =>
    [
        WorkingLine.Count("moulds.pieces-those-go-wrong", "", begun, Source.Computed),
        WorkingLine.Count("moulds.cavities-one-mould", "", mould.Cavities, Source.Kitchen),
        WorkingLine.Count("moulds.moulds-owned", "", mould.Trays, Source.Kitchen),
        WorkingLine.Count(
            "moulds.rounds",
            Message.Of("moulds.rounds.how", ("begun", begun), ("cavities", mould.Cavities), ("trays", mould.Trays)),
            Moulds.Rounds.For(begun, mould.AtOnce),
            Source.Computed),
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

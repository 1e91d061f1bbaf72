using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>Constants of a pot.</summary>
/// <param name="Margin">Put on top of everything, to be safe.</param>
/// <param name="ToolLoss">Stays on spatula, fork and walls.</param>
/// <param name="Clearance">Free room wanted on each side between piece and wall.</param>
public sealed record PotConstants(Sourced<Share> Margin, Sourced<Mass> ToolLoss, Sourced<Length> Clearance);

/// <summary>A share of the pot as it stands in the vessel.</summary>
/// <param name="Kind">"pool", "pieces" or "spare".</param>
/// <param name="From">Level of its lower edge above the vessel's bottom.</param>
/// <param name="To">Level of its upper edge.</param>
public sealed record PotBand(string Kind, Length From, Length To);

/// <summary>What a pot would come to in another vessel.</summary>
/// <param name="Vessel">Code of the vessel.</param>
/// <param name="ToMelt">Coating to melt; null when a piece does not go in.</param>
/// <param name="Reason">Why a piece does not go in; empty when all do.</param>
public sealed record VesselChoice(string Vessel, Mass? ToMelt, string Reason);

/// <summary>Coating of one colour: how much, in what, from how many packs.</summary>
/// <param name="Colour">Code of the colour.</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Vessel">Code of the vessel it stands in.</param>
/// <param name="OnPieces">What ends up on the pieces, spoilt ones too.</param>
/// <param name="Pool">What must still stand there for the last dip; it is left over.</param>
/// <param name="Spare">What stays on the tools, and the margin.</param>
/// <param name="ToMelt">All of it.</param>
/// <param name="Volume">Volume of all of it, molten.</param>
/// <param name="Packs">Whole packs that cover it.</param>
/// <param name="PackSize">Net mass of a pack.</param>
/// <param name="LeftInPack">What stays unmelted in the last pack.</param>
/// <param name="Fills">Times the vessel is filled; 1 when it holds everything.</param>
/// <param name="Bands">The first fill, bottom to top.</param>
/// <param name="Vessels">Every vessel, for choosing.</param>
/// <param name="DipAt">Temperature to dip at.</param>
public sealed record Pot(
    string Colour,
    string Coating,
    string Vessel,
    Figure<Mass> OnPieces,
    Figure<Mass> Pool,
    Figure<Mass> Spare,
    Figure<Mass> ToMelt,
    Volume Volume,
    Figure<int> Packs,
    Mass PackSize,
    Mass LeftInPack,
    int Fills,
    IReadOnlyList<PotBand> Bands,
    IReadOnlyList<VesselChoice> Vessels,
    Temperature DipAt)
{
    /// <summary>
    /// Makes one colour's pot in the chosen vessel, or in the one that wants least. Pieces that do not go into it are left out
    /// and named among the problems. Also gives the pieces in the order to dip them: those that want the deepest coating first,
    /// so that the pool they need is used up by the ones after them.
    /// </summary>
    internal static (Pot? Pot, IReadOnlyList<PotDip> InOrder) For(IReadOnlyList<PotDip> dips, Flow flow, string? chosen, TradeTables tables, List<Problem> problems)
    {
        var (first, colour) = (dips[0].Dip, dips[0].Dip.Colour);
        var field = $"vessels.{colour.Code}";
        var tallies = tables.Vessels.Select(v => VesselTally.For(v, dips, flow, tables.Pot)).ToList();
        var tally = tallies.FirstOrDefault(t => t.Vessel.Code == chosen)
            ?? tallies.OrderBy(t => t.Unfit.Count).ThenBy(t => t.ToMelt.Si).First();

        foreach (var (dip, reason) in tally.Unfit)
        {
            var other = tallies.FirstOrDefault(t => t.Unfit.All(u => u.Dip.Line != dip.Line));
            problems.Add(other is not null
                ? new(field, reason, $"Choose another vessel, such as the {other.Vessel.Name}.", Severity.Unfit)
                : new($"lines[{dip.Line}].depth", reason, "Dip less deep; no vessel here takes it.", Severity.Unfit));
        }

        if (tally.InOrder.Count == 0)
            return (null, tally.InOrder);
        if (tally.Fills > 1)
        {
            problems.Add(new(field, $"The {tally.Vessel.Name} holds {(tally.Vessel.Capacity * flow.Density).In("g"):0} g.", $"Melt the rest apart and top it up, {tally.Fills} fills in all; or choose a larger vessel.", Severity.Mind));
        }

        var pack = first.Coating.Pack;
        var packs = PacksFor(tally.ToMelt, pack.Value);
        var pot = new Pot(
            colour.Code,
            first.Coating.Code,
            tally.Vessel.Code,
            new(tally.OnPieces, () => tally.OnPiecesWorking()),
            new(tally.Pool, () => tally.PoolWorking(flow)),
            new(tally.Spare, () => tally.SpareWorking(tables.Pot)),
            new(tally.ToMelt, () => tally.ToMeltWorking(tables.Pot)),
            tally.ToMelt / flow.Density,
            new(packs, () =>
            [
                WorkingLine.Of("to melt", "see its own working", tally.ToMelt, Source.Computed),
                WorkingLine.Of("a pack holds", pack),
                WorkingLine.Count("whole packs", $"{tally.ToMelt.In("g"):0} ÷ {pack.Value.In("g"):0}, rounded up", packs, Source.Computed),
            ]),
            pack.Value,
            (pack.Value * packs) - tally.ToMelt,
            tally.Fills,
            tally.Bands(flow),
            [.. tallies.Select(t => new VesselChoice(t.Vessel.Code, t.Unfit.Count == 0 ? t.ToMelt : null, string.Join(" ", t.Unfit.Select(u => u.Reason))))],
            first.Coating.DipAt.Value);
        return (pot, tally.InOrder);
    }

    /// <summary>Whole packs that cover a need.</summary>
    internal static int PacksFor(Mass need, Mass pack) => (int)Math.Ceiling(need / pack);
}

/// <summary>A line with what it comes to, on its way into a pot.</summary>
internal sealed record PotDip(Dip Dip, LineTally Tally);

/// <summary>A colour's pot as it would be in one vessel.</summary>
internal sealed record VesselTally(
    Vessel Vessel,
    IReadOnlyList<PotDip> InOrder,
    IReadOnlyList<(Dip Dip, string Reason)> Unfit,
    Mass OnPieces,
    Mass Pool,
    int PoolFor,
    Mass Spare,
    Mass ToMelt,
    int Fills)
{
    public static VesselTally For(Vessel vessel, IReadOnlyList<PotDip> dips, Flow flow, PotConstants c)
    {
        var unfit = dips.Select(p => (p.Dip, Reason: WhyUnfit(p.Dip, vessel, c))).Where(u => u.Reason is not null).Select(u => (u.Dip, u.Reason!)).ToList();
        var inOrder = dips.Where(p => unfit.All(u => u.Dip != p.Dip)).OrderByDescending(p => Stands(p.Dip, vessel).Si).ToList();

        // After the last piece of a line, what later lines still use stands there too: only the rest must be pool.
        var (pool, poolFor, later) = (default(Mass), 0, default(Mass));
        for (var i = inOrder.Count - 1; i >= 0; i--)
        {
            var wanted = (Stands(inOrder[i].Dip, vessel) * flow.Density) - later;
            if (wanted >= pool)
                (pool, poolFor) = (wanted, i);
            later += inOrder[i].Tally.OnPieces.Value;
        }

        var onPieces = later;
        var toMelt = (onPieces + pool + c.ToolLoss.Value) * (1 + c.Margin.Value.Si);
        var fills = Math.Max(1, (int)Math.Ceiling(((toMelt - pool) / flow.Density) / (vessel.Capacity - (pool / flow.Density))));
        return new(vessel, inOrder, unfit, onPieces, pool, poolFor, toMelt - onPieces - pool, toMelt, fills);
    }

    public List<PotBand> Bands(Flow flow)
    {
        var pool = Pool / flow.Density;
        var share = Math.Min(1, (Vessel.Capacity - pool) / ((ToMelt - Pool) / flow.Density));
        var bands = new List<PotBand>();
        var (from, volume) = (default(Length), default(Volume));
        foreach (var (kind, mass, part) in new[] { ("pool", Pool, 1), ("pieces", OnPieces, share), ("spare", Spare, share) })
        {
            volume += mass / flow.Density * part;
            var to = Vessel.LevelOf(volume);
            bands.Add(new(kind, from, to));
            from = to;
        }

        return bands;
    }

    public List<WorkingLine> OnPiecesWorking() =>
    [
        .. InOrder.SelectMany(p => p.Tally.OnPieces.Working),
        WorkingLine.Of("on all pieces of this colour", "the lines added up", OnPieces, Source.Computed),
    ];

    public List<WorkingLine> PoolWorking(Flow flow)
    {
        var dip = InOrder[PoolFor].Dip;
        var sits = dip.Size.Shape.Immerse(dip.Depth);
        var later = InOrder.Skip(PoolFor + 1).Select(p => p.Tally.OnPieces.Value).Total();
        List<WorkingLine> lines =
        [
            WorkingLine.Of("vessel, across the bottom", Vessel.Bottom),
            WorkingLine.Of("vessel, across the rim", Vessel.Top),
            WorkingLine.Of("coating depth wanted for the last piece", $"{dip.One}, {dip.Depth.In("%"):0} %", sits.Depth, Source.Computed),
            WorkingLine.Of("vessel up to that depth", "", Vessel.UpTo(sits.Depth), Source.Computed),
            WorkingLine.Of("taken up by the dipped part", "", sits.Displaced, Source.Computed),
            WorkingLine.Of("coating density ρ", "", flow.Density, Source.Computed),
        ];
        if (later.Si > 0)
            lines.Add(WorkingLine.Of("stands there anyway for pieces dipped after", "deepest dips first", later, Source.Computed));
        lines.Add(WorkingLine.Of("pool", $"ρ × ({Vessel.UpTo(sits.Depth).In("mL"):0.0} mL − {sits.Displaced.In("mL"):0.0} mL){(later.Si > 0 ? $" − {later.In("g"):0.0} g" : "")}", Pool, Source.Computed));
        return lines;
    }

    public List<WorkingLine> SpareWorking(PotConstants c) =>
    [
        WorkingLine.Of("stays on tools and walls", c.ToolLoss),
        WorkingLine.Of("margin", c.Margin),
        WorkingLine.Of("spare", $"{c.ToolLoss.Value.In("g"):0} g + {c.Margin.Value.In("%"):0} % × ({OnPieces.In("g"):0.0} + {Pool.In("g"):0.0} + {c.ToolLoss.Value.In("g"):0}) g", Spare, Source.Computed),
    ];

    public List<WorkingLine> ToMeltWorking(PotConstants c) =>
    [
        WorkingLine.Of("on the pieces", "see its own working", OnPieces, Source.Computed),
        WorkingLine.Of("pool", $"{Vessel.Name}; see its own working", Pool, Source.Computed),
        WorkingLine.Of("stays on tools and walls", c.ToolLoss),
        WorkingLine.Of("margin", c.Margin),
        WorkingLine.Of("to melt", $"({OnPieces.In("g"):0.0} + {Pool.In("g"):0.0} + {c.ToolLoss.Value.In("g"):0}) g × (1 + {c.Margin.Value.Si})", ToMelt, Source.Computed),
    ];

    /// <summary>Volume that must stand in the vessel round a piece's dipped part.</summary>
    private static Volume Stands(Dip dip, Vessel vessel)
    {
        var sits = dip.Size.Shape.Immerse(dip.Depth);
        return vessel.UpTo(sits.Depth) - sits.Displaced;
    }

    private static string? WhyUnfit(Dip dip, Vessel vessel, PotConstants c)
    {
        var shape = dip.Size.Shape;
        var wants = shape.Width + (c.Clearance.Value * 2);
        var depth = shape.Immerse(dip.Depth).Depth;
        if (wants > vessel.Bottom.Value)
        {
            return $"A {dip.One} is {shape.Width.In("mm"):0} mm across and wants {wants.In("mm"):0} mm to move in; the {vessel.Name} is {vessel.Bottom.Value.In("mm"):0} mm wide.";
        }

        return depth > vessel.Height.Value
            ? $"A {dip.One} dipped to {dip.Depth.In("%"):0} % wants {depth.In("mm"):0} mm of coating; the {vessel.Name} is {vessel.Height.Value.In("mm"):0} mm deep."
            : null;
    }
}

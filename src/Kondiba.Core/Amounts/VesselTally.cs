using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;

namespace Kondiba.Core.Amounts;

/// <summary>A line on its way into a vessel.</summary>
internal sealed record Seated(Dip Dip, LineTally Tally, Seat Seat);

/// <summary>A colour's pot as it would be in one vessel.</summary>
internal sealed record VesselTally(
    Vessel Vessel,
    IReadOnlyList<Seated> InOrder,
    IReadOnlyList<Seated> Unfit,
    Mass OnPieces,
    Mass Pool,
    int PoolFor,
    Mass Spare,
    Mass ToMelt,
    IReadOnlyList<Mass> Melts)
{
    /// <summary>Share of a vessel that can be topped up at least; with less room than this it would be topped up all the time.</summary>
    private const double LeastRoom = 0.1;

    /// <summary>Whether it is offered unasked: it takes everything, and wants handwork for few pieces only.</summary>
    public bool Offered => Unfit.Count == 0 && (Vessel.UpTo is null || InOrder.Sum(s => s.Dip.Count.Value) <= Vessel.UpTo);

    public static VesselTally For(Vessel vessel, IReadOnlyList<(Dip Dip, LineTally Tally)> dips, Flow flow, PotConstants c)
    {
        var onlyMoulds = dips.All(p => p.Dip.Size.Shape is Cavity);
        var seated = dips.Select(p => new Seated(p.Dip, p.Tally, onlyMoulds && !vessel.Pours
            ? Seat.Not($"Moulds are filled from a bag or a spouted jug, not from the {vessel.Name}.")
            : vessel.Seat(p.Dip.One, p.Dip.Size.Shape, p.Dip.Depth, c.Clearance.Value))).ToList();
        var inOrder = seated.Where(s => s.Seat.Misfit is null).OrderByDescending(s => s.Seat.Stands.Si).ToList();

        // After the last piece of a line, what later lines still use stands there too: only the rest must be pool.
        var (pool, poolFor, later) = (default(Mass), 0, default(Mass));
        for (var i = inOrder.Count - 1; i >= 0; i--)
        {
            var wanted = (inOrder[i].Seat.Stands * flow.Density) - later;
            if (wanted >= pool)
                (pool, poolFor) = (wanted, i);
            later += inOrder[i].Tally.OnPieces.Value;
        }

        var onPieces = later;
        var toMelt = (onPieces + pool + c.ToolLoss.Value) * (1 + c.Margin.Value.Si);
        return new(
            vessel, inOrder, [.. seated.Where(s => s.Seat.Misfit is not null)], onPieces, pool, poolFor, toMelt - onPieces - pool, toMelt, Split(vessel, inOrder, toMelt, flow));
    }

    /// <summary>
    /// Splits a pot that its vessel does not hold, with a piece in it, into melts that follow each other: what the deepest dip
    /// needs stays in the vessel and is topped up, in equal parts so that none is too small to melt.
    /// </summary>
    private static Mass[] Split(Vessel vessel, List<Seated> inOrder, Mass toMelt, Flow flow)
    {
        if (inOrder.Count == 0)
            return [];
        var capacity = vessel.Capacity * flow.Density;
        var holds = capacity - (new Volume(inOrder.Max(s => s.Seat.Displaced.Si)) * flow.Density);
        if (toMelt <= holds)
            return [toMelt];
        var stays = inOrder[0].Seat.Stands * flow.Density;
        var room = Math.Max((holds - stays).Si, capacity.Si * LeastRoom);
        var melts = (int)Math.Ceiling(((toMelt - stays).Si / room) - 1e-9);
        var each = (toMelt - stays) / melts;
        return [stays + each, .. Enumerable.Repeat(each, melts - 1)];
    }

    public List<PotBand> Bands(Flow flow)
    {
        var share = (Melts[0] - Pool) / (ToMelt - Pool);
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
        var last = InOrder[PoolFor];
        var later = InOrder.Skip(PoolFor + 1).Select(p => p.Tally.OnPieces.Value).Total();
        List<WorkingLine> lines =
        [
            .. Vessel.Measures.Select(m => m with { What = $"{Vessel.Name}: {m.What}" }),
            WorkingLine.Of("must stand for the last of", $"{last.Dip.One}, {last.Dip.Depth.In("%"):0} %", last.Seat.Stands, Source.Computed),
            WorkingLine.Of("coating density ρ", "", flow.Density, Source.Computed),
        ];
        if (later.Si > 0)
            lines.Add(WorkingLine.Of("stands there anyway for pieces dipped after", "deepest dips first", later, Source.Computed));
        lines.Add(WorkingLine.Of("pool", $"{Vessel.PoolFormula(last.Seat)}{(later.Si > 0 ? $" − {later.In("g"):0.0} g" : "")}", Pool, Source.Computed));
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
}

using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>A line on its way into a vessel.</summary>
internal sealed record Seated(Dip Dip, LineTally Tally, Seat Seat);

/// <summary>A colour's pot as it would be in one vessel, its pieces dipped one way as far as that can be.</summary>
internal sealed record VesselTally(
    Vessel Vessel,
    IReadOnlyList<Seated> InOrder,
    IReadOnlyList<Seated> Unfit,
    Mass OnPieces,
    Mass Pool,
    int PoolFor,
    Mass Spare,
    Mass ToMelt,
    double Fills,
    PotCost Cost,
    Sourced<Share> Margin,
    int Spooned = 0)
{
    /// <summary>Share of a vessel that can be topped up at least; with less room than this it would be topped up all the time.</summary>
    private const double LeastRoom = 0.25;

    /// <summary>Whether it takes every piece, and is not topped up all the time.</summary>
    public bool Fits => Unfit.Count == 0 && (Fills <= 1 || Room(Vessel, InOrder, InOrder[0].Tally.Density) >= LeastRoom);

    /// <summary>Melts that follow each other, equal in what they add to what stays, so that none is too small to melt.</summary>
    public IReadOnlyList<Mass> Melts
    {
        get
        {
            var melts = Math.Max(1, (int)Math.Ceiling(Fills - 1e-9));
            if (InOrder.Count == 0 || melts == 1)
                return InOrder.Count == 0 ? [] : [ToMelt];
            var stays = InOrder[0].Seat.StandsOf(InOrder[0].Tally.Density);
            var each = (ToMelt - stays) / melts;
            return [stays + each, .. Enumerable.Repeat(each, melts - 1)];
        }
    }

    /// <summary>The way most is dipped by.</summary>
    public DippingWay Way => InOrder.MaxBy(s => s.Dip.Count.Value)!.Seat.Way;

    /// <summary>
    /// Every way of dipping a pot's pieces in a vessel: for each way that one of them takes there, as many as can go by it.
    /// </summary>
    public static IEnumerable<VesselTally> All(
        Vessel vessel, IReadOnlyList<(Dip Dip, LineTally Tally, HeldPiece Held)> dips, Flow flow, Certain certain, ReferenceData tables)
    {
        var onlyMoulds = dips.All(p => p.Dip.Size.Shape is Cavity);
        var seats = dips.Select(p => onlyMoulds && !vessel.Pours
            ? [new Seat(
                tables.Dipping.Poured,
                default,
                default,
                default,
                () => Message.Of("amounts.moulds-filled-from-bag", ("vessel", vessel.Name)))]
            : vessel.Seats(p.Held, tables.Dipping)).ToList();

        // A vessel that does not take every piece is told, not weighed up.
        var all = seats.TrueForAll(s => s[0].Fits);
        foreach (var way in seats.SelectMany(s => s).Select(s => s.Way.Code).Distinct().Take(all ? int.MaxValue : 1))
        {
            var seated = dips.Select((p, i) => new Seated(p.Dip, p.Tally, seats[i].FirstOrDefault(s => s.Way.Code == way) ?? seats[i][0]))
                .ToList();
            yield return For(vessel, seated, flow, certain, tables);
        }
    }

    private static VesselTally For(Vessel vessel, List<Seated> seated, Flow flow, Certain certain, ReferenceData tables)
    {
        // Of those that want as deep a pool the ones with most on them go first, in whatever order the lines stand.
        var inOrder = seated.Where(s => s.Seat.Fits)
            .OrderByDescending(s => s.Seat.StandsOf(flow.Density).Si)
            .ThenByDescending(s => s.Tally.OnPieces.Value.Si)
            .ThenBy(s => s.Tally.PerPiece.Value.Si)
            .ToList();

        var (pool, poolFor) = PoolOf(inOrder);
        var onPieces = inOrder.Select(s => s.Tally.OnPieces.Value).Total();
        var dipping = inOrder.Aggregate(Duration.Zero, (sum, s) => sum + s.Dip.HandsOn(s.Seat.Way));
        return With(
            new(
                vessel,
                inOrder,
                [.. seated.Where(s => !s.Seat.Fits)],
                onPieces,
                pool,
                poolFor,
                default,
                default,
                0,
                PotCost.Nothing,
                certain.MarginFor(onPieces, pool)),
            pool,
            dipping,
            tables);
    }

    /// <summary>
    /// The same pot with less in it: as it runs low, the vessel is tilted and the last pieces are spooned over. Null where that
    /// does not bring it down far enough.
    /// </summary>
    /// <param name="most">What is to be melted at most.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public VesselTally? WithLastSpooned(Mass most, ReferenceData tables)
    {
        var (c, spoon, last) = (tables.Pot, tables.Dipping.Spooned, InOrder[PoolFor]);
        if (last.Seat.Way is SpoonedWay or BathedWay
            || last.Dip.Size.Shape is Cavity
            || last.Dip.Centre.Holding is Holding.Mould
            || last.Tally.DipLine > spoon.Longest.Value)
            return null;
        var wanted = (most / (1 + Margin.Value.Si)) - c.ToolLoss.Value - OnPieces;
        var perPiece = last.Tally.PerPiece.Value / last.Dip.Coats;
        var pieces = (int)Math.Ceiling((Pool - wanted) / perPiece);
        var pool = Pool - (perPiece * pieces);
        var later = InOrder.Skip(PoolFor + 1).Select(s => s.Tally.OnPieces.Value).Total();
        if (pieces >= last.Dip.Count.Value || pool + later < spoon.Least.Value || PoolOf(InOrder, without: PoolFor).Pool > pool)
            return null;
        var dipping = Cost.Dipping + ((spoon.Time.Value - last.Seat.Way.Time.Value) * pieces);
        return With(this with { Spooned = pieces }, pool, dipping, tables);
    }

    /// <summary>
    /// What must stay in the vessel, and which line wants it: after the last piece of a line, what later lines still use stands there
    /// too, so only the rest must be pool.
    /// </summary>
    private static (Mass Pool, int For) PoolOf(IReadOnlyList<Seated> inOrder, int? without = null)
    {
        var (pool, poolFor, later) = (default(Mass), 0, default(Mass));
        for (var i = inOrder.Count - 1; i >= 0; i--)
        {
            var wanted = inOrder[i].Seat.StandsOf(inOrder[i].Tally.Density) - later;
            if (i != without && wanted >= pool)
                (pool, poolFor) = (wanted, i);
            later += inOrder[i].Tally.OnPieces.Value;
        }

        return (pool, poolFor);
    }

    private static VesselTally With(VesselTally tally, Mass pool, Duration dipping, ReferenceData tables)
    {
        var c = tables.Pot;
        var toMelt = (tally.OnPieces + pool + c.ToolLoss.Value) * (1 + tally.Margin.Value.Si);
        if (tally.InOrder.Count == 0)
            return tally with { ToMelt = toMelt };
        var fills = FillsOf(tally.Vessel, tally.InOrder, toMelt);
        return tally with
        {
            Pool = pool,
            Spare = toMelt - tally.OnPieces - pool,
            ToMelt = toMelt,
            Fills = fills,
            Cost = PotCost.Of(toMelt - tally.OnPieces, dipping, fills, tally.InOrder[0].Dip.Coating, tables),
        };
    }

    /// <summary>
    /// How often a pot fills its vessel, with a piece in it: what the deepest dip needs stays there and is topped up. One or less
    /// when it holds everything.
    /// </summary>
    private static double FillsOf(Vessel vessel, IReadOnlyList<Seated> inOrder, Mass toMelt)
    {
        var density = inOrder[0].Tally.Density;
        var room = Math.Max(Room(vessel, inOrder, density), LeastRoom) * (vessel.Capacity * density).Si;
        return (toMelt - inOrder[0].Seat.StandsOf(density)).Si / room;
    }

    /// <summary>Share of a vessel that is free to be topped up, over what stays there and beside the largest piece.</summary>
    private static double Room(Vessel vessel, IReadOnlyList<Seated> inOrder, Density density) =>
        1 - (inOrder[0].Seat.StandsOf(density) / (vessel.Capacity * density)) - (inOrder.Max(
            s => s.Seat.Displaced.Si) / vessel.Capacity.Si);

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
        WorkingLine.Of("amounts.all-pieces-colour", "amounts.all-pieces-colour.how", OnPieces, Source.Computed),
    ];

    public List<WorkingLine> PoolWorking(Flow flow)
    {
        var last = InOrder[PoolFor];
        var (way, stands) = (last.Seat.Way, last.Seat.StandsOf(flow.Density));
        var later = InOrder.Skip(PoolFor + 1).Select(p => p.Tally.OnPieces.Value).Total();
        List<WorkingLine> lines =
        [
            .. Vessel.Measures.Select(m => m with { What = Message.Of("amounts.measure-of", ("vessel", Vessel.Name), ("what", m.What)) }),
            .. way.Over.Value.Si > 0
                ? new[] { WorkingLine.Of(Message.Of("amounts.coating-over-what-covers", ("way", way.Name)), way.Over) }
                : [],
            .. way.Least.Value.Si > 0 ? new[] { WorkingLine.Of(Message.Of("amounts.least", ("way", way.Name)), way.Least) } : [],
            WorkingLine.Of("amounts.coating-density-2", "", flow.Density, Source.Computed),
            WorkingLine.Of(
                Message.Of("amounts.must-stand-last", ("one", last.Dip.One)),
                Message.Of(
                    "amounts.must-stand-last.how",
                    ("poolFormula", way.PoolFormula(last.Seat, Vessel)),
                    ("least", stands > last.Seat.Stands * flow.Density
                        ? Message.Of("amounts.and-at-least", ("least", way.Least.Value))
                        : "")),
                stands,
                Source.Computed),
        ];
        if (later.Si > 0)
            lines.Add(WorkingLine.Of(
                "amounts.stands-anyway-pieces-dipped", "amounts.stands-anyway-pieces-dipped.how", later, Source.Computed));
        if (Spooned > 0)
            lines.Add(WorkingLine.Count(
                "amounts.last-pieces-spooned-over",
                Message.Of("amounts.last-pieces-spooned-over.how", ("perPiece", last.Tally.PerPiece.Value)),
                Spooned,
                Source.Computed));
        lines.Add(WorkingLine.Of("amounts.pool", "amounts.pool.how", Pool, Source.Computed));
        return lines;
    }

    public List<WorkingLine> SpareWorking(PotConstants c) =>
    [
        WorkingLine.Of("amounts.stays-tools-walls", c.ToolLoss),
        WorkingLine.Of("amounts.margin", Margin),
        WorkingLine.Of(
            "amounts.spare",
            Message.Of(
                "amounts.spare.how", ("toolLoss", c.ToolLoss.Value), ("margin", Margin.Value), ("onPieces", OnPieces), ("pool", Pool)),
            Spare,
            Source.Computed),
    ];

    public List<WorkingLine> ToMeltWorking(PotConstants c) =>
    [
        WorkingLine.Of("amounts.pieces-2", "amounts.one-piece.how", OnPieces, Source.Computed),
        WorkingLine.Of("amounts.pool", Message.Of("amounts.see-own-working", ("vessel", Vessel.Name)), Pool, Source.Computed),
        WorkingLine.Of("amounts.stays-tools-walls", c.ToolLoss),
        WorkingLine.Of("amounts.margin", Margin),
        WorkingLine.Of(
            "amounts.melt",
            Message.Of(
                "amounts.melt.how", ("onPieces", OnPieces), ("pool", Pool), ("toolLoss", c.ToolLoss.Value), ("margin", Margin.Value.Si)),
            ToMelt,
            Source.Computed),
    ];
}

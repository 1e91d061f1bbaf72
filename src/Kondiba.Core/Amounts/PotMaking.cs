using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Thinning;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>Makes one colour's pot: thins it, finds its vessel, covers it with packs.</summary>
internal static class PotMaking
{
    /// <summary>
    /// Makes the pot in the chosen vessel, or in the one that wants least. Pieces that do not go into it are left out and named
    /// among the problems. Also gives the pieces in the order to dip them: those that want the deepest coating first, so that the
    /// pool they need is used up by the ones after them. What is drawn from bags is melted apart and kept plain.
    /// </summary>
    public static (Pot? Pot, IReadOnlyList<Dip> InOrder) Make(
        string key,
        IReadOnlyList<Dip> dips,
        IReadOnlyList<Bagged> bags,
        PotDraft draft,
        KitchenTables tables,
        List<Problem> problems,
        Dictionary<(int Line, int Layer), LineTally> lines)
    {
        var (coating, colour) = dips.Count > 0 ? (dips[0].Coating, dips[0].Colour) : (bags[0].Coating, bags[0].Colour);
        var dose = PotThinning.DoseFor(coating, key, dips, draft, tables, problems);
        var flow = Flow.Of(coating, dose?.Rate ?? default, tables.Reference.Film);
        var softer = dose?.Softer ?? default;
        foreach (var dip in dips)
            lines[(dip.Line, dip.Layer)] = LineTally.For(dip, flow, softer, tables, problems);

        var pairs = dips.Select(d => (d, lines[(d.Line, d.Layer)], d.Held)).ToList();
        var certain = new Certain([.. pairs.Select(p => (p.d, p.Item2.OnPieces.Value))], tables);
        var tallies = dips.Count == 0 ? [] : InVessels(pairs, flow, certain, tables.Reference);
        var tally = tallies.Find(t => t.Vessel.Code == draft.Vessel) ?? Usual(tallies, tables) ?? Best(tallies, tables.Reference);
        if (tally is not null)
            NameUnfit(key, tally, tallies, problems);
        if (tally?.InOrder.Count == 0)
            tally = null;
        foreach (var (dip, line, seat) in tally?.InOrder ?? [])
            lines[(dip.Line, dip.Layer)] = line with { DipTime = seat.Way.Time };
        IReadOnlyList<Dip> inOrder = tally is null ? [] : [.. tally.InOrder.Select(s => s.Dip)];
        if (tally is null && bags.Count == 0)
            return (null, inOrder);
        var testFilm = Film.After(flow, tables.Reference.Thinning.TestDip.Value, tables.Reference.Film);
        Message advice = tally is null ? "" : PotThinning.Advice(testFilm.Value, dose, dips, key, draft, tables.Reference, problems);
        var range = tally is null ? null : certain.RangeOf(tally, coating, tables.Reference);
        return (Of(coating, colour, bags, dose, flow, tallies, tally, testFilm, advice, tables) with { Range = range }, inOrder);
    }

    private static Pot Of(
        Coating coating,
        CoatingColour colour,
        IReadOnlyList<Bagged> bags,
        Dose? dose,
        Flow flow,
        List<VesselTally> tallies,
        VesselTally? tally,
        Figure<Length> testFilm,
        Message advice,
        KitchenTables tables)
    {
        var drizzle = bags.Count == 0 ? null : DrizzleOf(bags, tables.Reference);
        var (forDips, inBags, drawn) = (tally?.ToMelt ?? default, drizzle?.InBags.Value ?? default, drizzle?.Mass.Value ?? default);
        var (onPieces, pool, toMelt) = (tally?.OnPieces ?? default, tally?.Pool ?? default, forDips + inBags);
        var ofDips = forDips / (1 + (dose?.Rate.Si ?? 0));
        var ofCoating = ofDips + inBags;
        var cover = PotPacks.CoverOf(ofCoating, coating, colour.Bought, tables);
        var spare = toMelt - onPieces - pool - drawn;
        return new(
            coating.Pot(colour),
            coating.Code,
            colour.Code,
            tally?.Vessel.Code,
            tally?.Way.Code,
            new(onPieces, () => tally?.OnPiecesWorking() ?? Nothing("amounts.pieces-2")),
            new(pool, () => tally?.PoolWorking(flow) ?? Nothing("amounts.pool")),
            Both("amounts.spare", "amounts.spare.do", spare, () => tally?.SpareWorking(tables.Reference.Pot), drizzle),
            drizzle,
            DropsFor(colour, ofCoating),
            colour.Bought,
            Both("amounts.melt", "amounts.melt.do", toMelt, () => tally?.ToMeltWorking(tables.Reference.Pot), drizzle),
            ofCoating,
            (forDips / flow.Density) + (inBags / Flow.Of(coating, default, tables.Reference.Film).Density),
            dose is null || tally is null ? null : PotThinning.ThinnerOf(dose, ofDips, tables.Reference),
            testFilm,
            advice,
            tally?.Melts ?? [],
            new(cover.Count, () => PotPacks.Working(ofCoating, cover, coating.Packs)),
            cover,
            PotPacks.Worth(ofCoating, cover, coating.Packs),
            Leftover.For(
                toMelt - onPieces - drawn - (tally is null ? default : tables.Reference.Pot.ToolLoss.Value),
                coating,
                dose is not null,
                tables.Reference.Leftovers),
            tally?.Bands(flow) ?? [],
            [.. tally?.InOrder.Select(s => new LineWay(s.Dip.Line, s.Dip.Layer, s.Seat.Way.Code, s.Seat.Way.Time.Value)) ?? []],
            tally?.Spooned ?? 0,
            tally is null ? null : new(tally.Cost, () => tally.Cost.Working(coating, tables.Reference)),
            tally is null ? null : RunnerUpTo(tally, tallies),
            Choices(tallies, inBags, tables.Reference),
            coating.DipFrom.Value,
            coating.DipTo.Value);
    }

    /// <summary>The pot in every vessel, those that take every piece first, and of these the cheapest.</summary>
    private static List<VesselTally> InVessels(
        List<(Dip Dip, LineTally Tally, HeldPiece Held)> pairs, Flow flow, Certain certain, ReferenceData tables)
    {
        return [
            .. tables.Vessels.SelectMany(v => VesselTally.All(v, pairs, flow, certain, tables))
                .OrderBy(t => t.Unfit.Count)
                .ThenBy(t => !t.Fits)
                .ThenBy(t => t.Cost.Total.Amount)
                .ThenBy(t => t.ToMelt.Si),
        ];
    }

    /// <summary>
    /// The way and the vessel for a maker who chose none: the cheapest. But nobody melts far more than the thriftiest way takes to
    /// save some minutes: where one would, its last pieces are spooned over, or another is taken. No melt of
    /// several is so small that it is not worth the stove.
    /// </summary>
    private static VesselTally? Best(List<VesselTally> tallies, ReferenceData tables)
    {
        var fitting = tallies.FindAll(t => t.Fits);
        if (fitting.Count == 0)
            return tallies.FirstOrDefault();
        var worth = fitting.FindAll(WorthIt);
        var among = worth.Count > 0 ? worth : fitting;
        var most = among.Select(t => t.ToMelt).MinBy(m => m.Si) * (1 + tables.Pot.MostOver.Value.Si);
        return among
            .Select(t => t.ToMelt > most ? t.WithLastSpooned(most, tables) : t).OfType<VesselTally>()
            .OrderBy(t => !WorthIt(t)).ThenBy(t => t.Cost.Total.Amount).ThenBy(t => t.ToMelt.Si).First();

        bool WorthIt(VesselTally t) => t.Melts.Count == 1 || t.Melts[^1] >= tables.Pot.LeastMelt.Value;
    }

    /// <summary>The vessel that the kitchen dips most of the pot's pieces in, where it takes all of them.</summary>
    private static VesselTally? Usual(List<VesselTally> tallies, KitchenTables tables)
    {
        if (tables.Profile.Habits.Vessels is not { Count: > 0 } vessels || tallies.Count == 0 || tallies[0].InOrder.Count == 0)
            return null;
        var most = tallies[0].InOrder.MaxBy(s => s.Tally.OnPieces.Value.Si)!.Dip.Centre.Code;
        return tallies.Find(t => t.Fits && t.Vessel.Code == vessels.GetValueOrDefault(most));
    }

    private static PotDrizzle DrizzleOf(IReadOnlyList<Bagged> bags, ReferenceData tables)
    {
        var (c, margin) = (tables.Decorating, tables.Pot.Margin);
        var mass = bags.Select(b => b.Total).Total();
        var inBags = (mass + c.BagStays.Value) * (1 + margin.Value.Si);
        return new(
            new(mass, () =>
            [
                .. bags.SelectMany(b => (IEnumerable<WorkingLine>)
                [
                    WorkingLine.Of(
                        Message.Of("amounts.one-piece", ("what", b.What)), "amounts.one-piece.how", b.PerPiece.Value, Source.Computed),
                    .. b.For.Count.Working,
                    WorkingLine.Of("amounts.done-vain", b.For.Centre.Spoil),
                    .. b.OffPiece is { } off ? new[] { WorkingLine.Of("amounts.falls-beside-piece", off) } : [],
                    WorkingLine.Of(Message.Of("amounts.for", ("what", b.What), ("for", b.For.Count.Value)), "", b.Total, Source.Computed),
                ]),
                WorkingLine.Of("amounts.drizzle", "amounts.drizzle.how", mass, Source.Computed),
            ]),
            new(inBags, () =>
            [
                WorkingLine.Of("amounts.drizzle", "amounts.one-piece.how", mass, Source.Computed),
                WorkingLine.Of("amounts.stays-bag", c.BagStays),
                WorkingLine.Of("amounts.margin", margin),
                WorkingLine.Of(
                    "amounts.bags-kept-plain",
                    Message.Of("amounts.bags-kept-plain.how", ("mass", mass), ("bagStays", c.BagStays.Value), ("margin", margin.Value.Si)),
                    inBags,
                    Source.Computed),
            ]),
            (int)Math.Ceiling(inBags / c.BagHolds.Value));
    }

    private static List<WorkingLine> Nothing(Message what) =>
        [WorkingLine.Of(what, "amounts.nothing-dipped", default(Mass), Source.Computed)];

    /// <summary>A figure of what is dipped in and of what is drawn from bags.</summary>
    private static Figure<Mass> Both(Message what, Message how, Mass all, Func<List<WorkingLine>?> dipping, PotDrizzle? drizzle) =>
        new(all, () => drizzle is null
            ? dipping()!
            : [.. dipping() ?? [], .. drizzle.InBags.Working, WorkingLine.Of(what, how, all, Source.Computed)]);

    private static void NameUnfit(string key, VesselTally tally, List<VesselTally> tallies, List<Problem> problems)
    {
        foreach (var (dip, _, seat) in tally.Unfit)
        {
            var other = tallies.Where(t => t.Unfit.All(u => u.Dip.Line != dip.Line)).FirstOrDefault();
            problems.Add(other is not null
                ? new(
                    $"pots.{key}.vessel",
                    seat.Misfit!,
                    Message.Of("amounts.choose-another-vessel-such", ("vessel", other.Vessel.Name)),
                    Severity.Unfit)
                : new($"lines[{dip.Line}].depth", seat.Misfit!, "amounts.dip-less-deep-add", Severity.Unfit));
        }
    }

    private static IReadOnlyList<Colour.Drops> DropsFor(CoatingColour colour, Mass coating) =>
        colour.Mixed is not { } mixed
            ? []
            : [.. mixed.Per100.Select(d => new Colour.Drops(d.Key, d.Value, (int)Math.Ceiling((d.Value * coating.In("g") / 100) - 0.5)))];

    private static VesselChoice[] Choices(List<VesselTally> tallies, Mass inBags, ReferenceData tables) =>
        [.. tables.Vessels.Select(v => tallies.Find(t => t.Vessel.Code == v.Code)).OfType<VesselTally>().Select(t => Choice(t, inBags))];

    private static VesselChoice Choice(VesselTally tally, Mass inBags) => tally.Unfit.Count == 0
        ? new(tally.Vessel.Code, tally.Way.Code, tally.ToMelt + inBags, tally.Cost, tally.Melts.Count, "")
        : new(tally.Vessel.Code, tally.Unfit[0].Seat.Way.Code, null, null, 0, tally.Unfit[0].Seat.Misfit!);

    private static RunnerUp? RunnerUpTo(VesselTally tally, List<VesselTally> tallies)
    {
        var other = tallies.Find(t => t.Vessel.Code != tally.Vessel.Code && t.Unfit.Count == 0);
        return other is null || tally.Unfit.Count > 0
            ? null
            : new(
                other.Vessel.Code,
                other.Way.Code,
                other.ToMelt - tally.ToMelt,
                other.Cost.Hands - tally.Cost.Hands,
                other.Cost.Total - tally.Cost.Total);
    }
}

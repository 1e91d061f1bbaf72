using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Thinning;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>Makes one colour's pot: thins it, finds its vessel, covers it with packs.</summary>
internal static class PotMaking
{
    private const int MostSteps = 3;

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
        var dose = DoseFor(coating, key, dips, draft, tables, problems);
        var flow = Flow.Of(coating, dose?.Rate ?? default, tables.Reference.Film);
        var softer = dose?.Softer ?? default;
        foreach (var dip in dips)
            lines[(dip.Line, dip.Layer)] = LineTally.For(dip, flow, softer, tables, problems);

        var pairs = dips.Select(d => (d, lines[(d.Line, d.Layer)], d.Held)).ToList();
        var tallies = dips.Count == 0 ? [] : InVessels(pairs, flow, tables.Reference);
        var tally = tallies.Find(t => t.Vessel.Code == draft.Vessel) ?? Best(tallies, tables.Reference);
        if (tally is not null)
            NameUnfit(key, tally, tallies, problems);
        if (tally?.InOrder.Count == 0)
            tally = null;
        foreach (var (dip, line, seat) in tally?.InOrder ?? [])
            lines[(dip.Line, dip.Layer)] = line with { DipTime = seat.Way.Time };
        IReadOnlyList<Dip> inOrder = tally is null ? [] : [.. tally.InOrder.Select(s => s.Dip)];
        if (tally is null && bags.Count == 0)
            return (null, inOrder);

        var drizzle = bags.Count == 0 ? null : DrizzleOf(bags, tables.Reference);
        var (forDips, inBags, drawn) = (tally?.ToMelt ?? default, drizzle?.InBags.Value ?? default, drizzle?.Mass.Value ?? default);
        var (onPieces, pool, toMelt) = (tally?.OnPieces ?? default, tally?.Pool ?? default, forDips + inBags);
        var ofDips = forDips / (1 + (dose?.Rate.Si ?? 0));
        var ofCoating = ofDips + inBags;
        var cover = CoverOf(ofCoating, coating, colour.Bought, tables);
        var testFilm = Film.After(flow, tables.Reference.Thinning.TestDip.Value, tables.Reference.Film);
        return (new(
            key,
            coating.Code,
            colour.Code,
            tally?.Vessel.Code,
            tally?.Way.Code,
            new(onPieces, () => tally?.OnPiecesWorking() ?? Nothing("amounts.pieces-2")),
            new(pool, () => tally?.PoolWorking(flow) ?? Nothing("amounts.pool")),
            new(
                toMelt - onPieces - pool - drawn,
                () => Together(
                    "amounts.spare",
                    "amounts.spare.do",
                    tally?.SpareWorking(tables.Reference.Pot),
                    drizzle?.InBags.Working,
                    toMelt - onPieces - pool - drawn)),
            drizzle,
            colour.Mixed is { } mixed
                ? [.. mixed.Per100.Select(d => new Colour.Drops(
                    d.Key, d.Value, (int)Math.Ceiling((d.Value * ofCoating.In("g") / 100) - 0.5)))]
                : [],
            colour.Bought,
            new(
                toMelt,
                () => Together(
                    "amounts.melt", "amounts.melt.do", tally?.ToMeltWorking(tables.Reference.Pot), drizzle?.InBags.Working, toMelt)),
            ofCoating,
            (forDips / flow.Density) + (inBags / Flow.Of(coating, default, tables.Reference.Film).Density),
            dose is null || tally is null ? null : ThinnerOf(dose, ofDips, tables.Reference),
            testFilm,
            tally is null ? "" : Advice(testFilm.Value, dose, dips, key, draft, tables.Reference, problems),
            tally?.Melts ?? [],
            new(cover.Count, () => PacksWorking(ofCoating, cover, coating.Packs)),
            cover,
            Worth(ofCoating, cover, coating.Packs),
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
            [.. tables.Reference.Vessels.Select(v => tallies.Find(t => t.Vessel.Code == v.Code))
                .OfType<VesselTally>()
                .Select(t => Choice(t, inBags))],
            coating.DipFrom.Value,
            coating.DipTo.Value), inOrder);
    }

    /// <summary>The pot in every vessel, those that take every piece first, and of these the cheapest.</summary>
    private static List<VesselTally> InVessels(List<(Dip Dip, LineTally Tally, HeldPiece Held)> pairs, Flow flow, ReferenceData tables)
    {
        return [
            .. tables.Vessels.SelectMany(v => VesselTally.All(v, pairs, flow, tables))
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

    /// <summary>What covers so much of a coating bought in a colour.</summary>
    internal static PackCover CoverOf(Mass need, Coatings.Coating coating, string bought, KitchenTables tables)
    {
        var ware = Ware.OfColour(coating.Code, bought);
        return PackCover.For(need.In("g"), tables.Stock.Lots.Where(l => l.Ware == ware), [.. coating.Packs.Select(p => p.ToPack())]);
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

    private static List<WorkingLine> Together(
        Message what, Message how, List<WorkingLine>? dipping, IReadOnlyList<WorkingLine>? bags, Mass all) => bags is null
        ? dipping!
        : [.. dipping ?? [], .. bags, WorkingLine.Of(what, how, all, Source.Computed)];

    /// <summary>The dose of the thinner chosen, or of the kitchen's habit where the coating takes it; moulds and piping take none.</summary>
    private static Dose? DoseFor(
        Coatings.Coating coating, string key, IReadOnlyList<Dip> dips, PotDraft draft, KitchenTables tables, List<Problem> problems)
    {
        var habit = coating.Thinners.Contains(tables.Profile.Habits.Thinner ?? "") ? tables.Profile.Habits.Thinner : coating.Wants;
        var code = draft.Thinner ?? habit;
        var thinner = coating.Thinners.Contains(code ?? "") ? tables.Reference.Thinner(code) : null;
        if (thinner is null)
            return null;
        if (dips.All(d => d.Size.Shape is Cavity))
        {
            if (draft.Thinner is not (null or PotDraft.NoThinner))
                problems.Add(new(
                    $"pots.{key}.thinner", "amounts.piping-filling-moulds-take", "amounts.piping-filling-moulds-take.do", Severity.Mind));
            return null;
        }

        var target = draft.Film is { } film && film is >= 0.3 and <= 4
            ? Quantities.Of<Length>(film, "mm")
            : tables.Reference.Thinning.Target.Value;
        var dose = Dose.For(coating, thinner, target, tables.Reference.Film, tables.Reference.Thinning, draft.Film is null ? Hides : null);
        var limit = tables.Reference.Thinning.Limit;
        if (dose.Wanted is not { } wanted || wanted > limit.Value)
        {
            problems.Add(new(
                $"pots.{key}.film",
                Message.Of(
                    "amounts.film-wants-above-coat",
                    ("target", target),
                    ("wanted", dose.Wanted is { } w ? Message.Of("amounts.so-much", ("share", w)) : "amounts.more-than-can-be"),
                    ("thinner", thinner.Name),
                    ("limit", limit.Value)),
                Message.Of("amounts.film-wants-above-coat.do", ("rate", dose.Rate), ("after", dose.After)),
                Severity.Mind));
        }

        return dose.Spoons > 0 ? dose : null;

        bool Hides(Share rate)
        {
            var flow = Flow.Of(coating, rate, tables.Reference.Film);
            return dips.All(d => d.Size.Shape is Cavity
                || LineTally.CoatOf(
                    d, Film.Thickness(
                        flow, d.Size.Shape.Run(
                            d.Depth), tables.Reference.Film).Film, tables.Reference.Film) >= tables.Reference.Film.Covers.Of(
                        d.Colour.Cover).Value);
        }
    }

    private static PotThinner ThinnerOf(Dose dose, Mass ofCoating, ReferenceData tables)
    {
        var (thinner, c) = (dose.Thinner, tables.Thinning);
        var spoon = thinner.Tablespoon.Value;
        var mass = ofCoating * dose.Rate.Si;
        var still = Enumerable.Range(1, MostSteps)
            .Select(n => (Spoons: n, Rate: new Share((mass + (spoon * n)) / ofCoating)))
            .TakeWhile(s => s.Rate <= c.Limit.Value)
            .Select(s => new ThinnerStep(s.Spoons, spoon * s.Spoons, Dose.TestFilm(dose.Coating, s.Rate, tables.Film, c)));
        return new(
            thinner.Code,
            new(mass, () =>
            [
                WorkingLine.Of("amounts.film-test-dip-without", "", dose.Before, Source.Computed),
                WorkingLine.Of("amounts.film-wanted", "", dose.Target, c.Target.Value == dose.Target ? c.Target.Source : Source.Entered),
                .. dose.Wanted is { } wanted
                    ? new[] { WorkingLine.Count(
                        "amounts.share-thinner-would-reach", "amounts.share-thinner-would-reach.how", wanted.In("%"), Source.Computed) }
                    : [],
                WorkingLine.Count("amounts.most", "amounts.most.how", c.Limit.Value.In("%"), c.Limit.Source),
                WorkingLine.Of("amounts.tablespoon-weighs", thinner.Tablespoon),
                WorkingLine.Count(
                    Message.Of("amounts.tablespoons-coating", ("per", c.Per.Value)),
                    "amounts.tablespoons-coating.how",
                    dose.Spoons,
                    c.Per.Source),
                WorkingLine.Of("amounts.film-test-dip", "", dose.After, Source.Computed),
                WorkingLine.Of("amounts.coating-pot", "amounts.coating-pot.how", ofCoating, Source.Computed),
                WorkingLine.Of(
                    Message.ByName(thinner.Name),
                    Message.Of(
                        "amounts.thinner-in-it",
                        ("ofCoating", ofCoating),
                        ("spoons", dose.Spoons),
                        ("spoon", spoon),
                        ("per", c.Per.Value)),
                    mass,
                    Source.Computed),
            ]),
            Math.Max(0.5, Math.Round(mass / spoon * 2) / 2),
            dose.Rate,
            thinner.GoesIn,
            thinner.How,
            dose.Before,
            [.. still]);
    }

    /// <summary>What to know about how the pot flows; a pot too thick to dip is named among the problems.</summary>
    private static Message Advice(
        Length film, Dose? dose, IReadOnlyList<Dip> dips, string key, PotDraft draft, ReferenceData tables, List<Problem> problems)
    {
        var (c, coating) = (tables.Thinning, dips[0].Coating);
        if (film < c.HeavyFrom.Value || dips.All(d => d.Size.Shape is Cavity))
            return "";
        var other = coating.Thinners.Select(tables.Thinner).OfType<Thinner>().FirstOrDefault(t => t.Code != dose?.Thinner.Code);
        var better = other is null ? null : Dose.For(coating, other, c.Target.Value, tables.Film, c);
        var remedy = better is { Spoons: > 0 } && dose is null
            ? Message.Of(
                "amounts.thinner-brings-it-to",
                ("spoons", better.Spoons),
                ("thinner", better.Thinner.Name),
                ("per", c.Per.Value),
                ("after", better.After))
            : "";
        if (film < c.TooThickFrom.Value)
            return draft.Thinner is PotDraft.NoThinner ? "" : Message.Of("amounts.heavy-coat", ("film", film), ("remedy", remedy));
        problems.Add(new(
            $"pots.{key}.thinner",
            Message.Of("amounts.too-thick-dip-stays", ("coating", coating.Name), ("film", film)),
            Message.Of("amounts.warm-it-first", ("remedy", remedy)),
            Severity.Mind));
        return "";
    }

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

    private static List<WorkingLine> PacksWorking(Mass ofCoating, PackCover cover, IReadOnlyList<Coatings.CoatingPack> packs)
    {
        List<WorkingLine> lines = [WorkingLine.Of("amounts.coating-wanted", "amounts.coating-wanted.how", ofCoating, Source.Computed)];
        foreach (var lot in cover.Lots)
            lines.Add(WorkingLine.Of(
                "amounts.from-stock",
                lot.BestBefore is { } date ? Message.Of("amounts.from-stock.how", ("date", date)) : Message.Of("amounts.date"),
                Quantities.Of<Mass>(lot.Amount, "g"),
                Source.Kitchen));
        foreach (var pack in packs)
        {
            lines.Add(WorkingLine.Of("amounts.sold-packs", "", pack.Mass.Value, pack.Mass.Source));
            lines.Add(WorkingLine.Count(
                "amounts.price",
                pack.Coupon is { } coupon ? Message.Of("amounts.price.how", ("coupons", pack.Coupons), ("coupon", coupon)) : "",
                (double)pack.Price.Value.Amount,
                pack.Price.Source));
        }

        foreach (var bought in cover.Packs)
            lines.Add(WorkingLine.Of(
                Message.Of("amounts.pack-of", ("bought", bought.Count), ("holds", bought.Holds)),
                Message.Of(
                    "amounts.pack-of.how",
                    ("price", bought.Price),
                    ("coupons", bought.Coupons > 0 ? Message.Of("amounts.with-coupons", ("coupons", bought.Coupons)) : "")),
                Quantities.Of<Mass>(bought.Holds * bought.Count, "g"),
                Source.Computed));
        lines.Add(WorkingLine.Count(
            "amounts.packs-buy", Message.Of("amounts.packs-buy.how", ("price", cover.Price)), cover.Count, Source.Computed));
        return lines;
    }

    /// <summary>The coating in the pot at the price by mass of the packs bought, or of the smallest one when none need be.</summary>
    private static Figure<Money> Worth(Mass ofCoating, PackCover cover, IReadOnlyList<Coatings.CoatingPack> packs)
    {
        if (packs.Count == 0)
            return new(default, () => [WorkingLine.Count("amounts.worth", "amounts.worth.how", 0, Source.Computed)]);
        var smallest = packs.MinBy(p => p.Mass.Value.Si)!;
        var (price, mass) = cover.Count > 0
            ? (cover.Price, Quantities.Of<Mass>(cover.Packs.Sum(p => p.Holds * p.Count), "g"))
            : (smallest.Price.Value, smallest.Mass.Value);
        var worth = price * (ofCoating / mass);
        return new(worth, () =>
        [
            WorkingLine.Of("amounts.coating-pot", "", ofCoating, Source.Computed),
            WorkingLine.Count(
                "amounts.price-2", Message.Of("amounts.price-2.how", ("mass", mass)), (double)price.Amount, smallest.Price.Source),
            WorkingLine.Count(
                "amounts.worth",
                Message.Of("amounts.price-of-coating", ("ofCoating", ofCoating), ("price", price), ("mass", mass)),
                (double)worth.Amount,
                Source.Computed),
        ]);
    }
}

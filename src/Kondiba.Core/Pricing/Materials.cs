using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Pricing;

/// <summary>What an order's wares cost. The pantry is left out of it: what is at home was paid for as well.</summary>
internal static class Materials
{
    public static (IReadOnlyList<CostPart> Parts, IReadOnlyList<Problem> Unpriced, IReadOnlyList<string> Wares) Of(
        OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        var unpriced = new SortedDictionary<string, Problem>(StringComparer.Ordinal);
        var wanted = Need.Of(order, tally, tables);
        var prices = wanted.ToDictionary(n => n.Ware, n => UnitPrice(n, tables, unpriced));
        decimal PriceOf(string ware) => prices.GetValueOrDefault(ware).Price;
        var perGram = tally.Pots.ToDictionary(p => p.Key, p => PerGram(p, PriceOf));
        var (coating, decoration, centres, sticks, spoil) = OnPieces(order, tally, perGram, PriceOf, tables);
        var leftovers = Leftovers(order, tally, perGram, tables);
        var packing = Need.Packing(order, tally, tables).Sum(n => PriceOf(n.Ware) * (decimal)n.ToHave.Value);

        IReadOnlyList<WorkingLine> Priced(params string[] kinds) =>
            [.. prices.Where(p => kinds.Any(k => p.Key.StartsWith(k, StringComparison.Ordinal))).Select(p => p.Value.Working)];
        return (
        [
            Costing.Part(
                "coating",
                "pricing.coating-thinner-colour",
                coating,
                () => [
                    .. Priced("coating.", "thinner.", "tint."),
                    WorkingLine.Count("pricing.pieces", "pricing.pieces.how", (double)coating.Sum(), Source.Computed),
                ]),
            Costing.Part("decoration", "pricing.sprinkles-parts-lustre", decoration, () => Priced("sprinkle.", "part.", "lustre.")),
            Costing.Part("centres", "pricing.what-dipped-what-made", centres, () => Priced("centre.", "ingredient.")),
            Costing.Part("sticks", "pricing.sticks", sticks, () => Priced("supply.")),
            Costing.Part("spoil", "pricing.pieces-go-wrong", spoil, () => SpoilWorking(order, tally, tables)),
            Costing.Part(
                "leftovers",
                "pricing.left-pots-tools",
                leftovers,
                () => [
                    WorkingLine.Of("pricing.what-left-written-off", tables.Pricing.WrittenOff),
                    WorkingLine.Count("pricing.all-tools-bags-sheet", "", (double)leftovers.Sum(), Source.Computed),
                ]),
            Costing.Part(
                "packing",
                "pricing.packing",
                [.. tally.Lines.Select(l => tally.Pieces > 0 ? packing * l.Count.Value / tally.Pieces : 0)],
                () => Priced("supply.")),
        ],
        [.. unpriced.Values],
        [.. wanted.Where(n => n.ToHave.Value > 0).Select(n => n.Ware)]);
    }

    /// <summary>What each line's pieces carry and stand on, and what is lost with the pieces that go wrong.</summary>
    private static (decimal[] Coating, decimal[] Decoration, decimal[] Centres, decimal[] Sticks, decimal[] Spoil) OnPieces(
        OrderDraft order,
        CoatingTally tally,
        Dictionary<string, decimal> perGram,
        Func<string, decimal> priceOf,
        ReferenceData tables)
    {
        var count = tally.Lines.Count;
        var (coating, decoration, centres, sticks, spoil) = (
            new decimal[count], new decimal[count], new decimal[count], new decimal[count], new decimal[count]);
        foreach (var (i, line) in tally.Lines.Index())
        {
            var draft = order.Lines[line.Line];
            var centre = tables.Centre(draft.Centre)!;
            var n = (decimal)line.Count.Value;
            foreach (var (pot, each) in OnOne(draft, line))
                coating[i] += n * (decimal)each.In("g") * perGram.GetValueOrDefault(pot);
            decoration[i] = n * DecorationOf(draft, line, priceOf);
            centres[i] = n * CentresOf(order, line, centre, draft, tables).Sum(w => (decimal)w.Each * priceOf(w.Ware));
            sticks[i] = tables.Wares.StickFor(centre, draft.Making?.On) is { } stick ? n * priceOf($"supply.{stick.Code}") : 0;
            spoil[i] = (decimal)centre.Spoil.Value.Si * (coating[i] + decoration[i] + centres[i] + sticks[i]);
        }

        return (coating, decoration, centres, sticks, spoil);
    }

    private static List<WorkingLine> SpoilWorking(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
    [
        .. tally.Lines.Select(l => WorkingLine.Of(
            Message.Of("pricing.line-dipped-vain", ("line", l.Line + 1)), tables.Centre(order.Lines[l.Line].Centre)!.Spoil)),
    ];

    private static decimal DecorationOf(LineDraft draft, LineTally line, Func<string, decimal> priceOf) =>
        (line.Look?.Sprinkles ?? []).Sum(s => (decimal)s.Mass.Value.In("g") * priceOf($"sprinkle.{s.Kind}"))
        + (line.Look?.Parts ?? []).Where(p => p.Moulded is null).Sum(p => p.Count * priceOf($"part.{p.Kind}"))
        + (line.Look?.Lustre is { } lustre ? (decimal)lustre.Value.In("g") * priceOf($"lustre.{draft.Decor!.Paint!.Kind}") : 0);

    /// <summary>What each line pays for coating that is not on its good pieces.</summary>
    private static decimal[] Leftovers(
        OrderDraft order, CoatingTally tally, Dictionary<string, decimal> perGram, ReferenceData tables)
    {
        var leftovers = new decimal[tally.Lines.Count];
        var writtenOff = (decimal)tables.Pricing.WrittenOff.Value.Si;
        foreach (var pot in tally.Pots)
        {
            // What neither good nor spoilt pieces carry: lost on tools, in bags and beside the piece, or left, and of this a part written
            // off.
            var on = tally.Lines.Select(l => OnOne(order.Lines[l.Line], l).Where(o => o.Pot == pot.Key)
                .Sum(o => (decimal)o.Each.In("g")) * l.Count.Value)
                .ToList();
            var onSpoilt = on.Zip(tally.Lines, (g, l) => g * (1 + (decimal)tables.Centre(order.Lines[l.Line].Centre)!.Spoil.Value.Si))
                .Sum();
            var kept = (1 - writtenOff) * (decimal)pot.Leftover.Mass.In("g");
            var rest = Math.Max(0, ((decimal)pot.ToMelt.Value.In("g") - onSpoilt - kept) * perGram[pot.Key]);
            var all = on.Sum();
            for (var i = 0; i < leftovers.Length; i++)
                leftovers[i] += rest * (all > 0 ? on[i] / all : 1m / leftovers.Length);
        }

        return leftovers;
    }

    /// <summary>Coating on one piece, pot by pot.</summary>
    private static IEnumerable<(string Pot, Mass Each)> OnOne(LineDraft draft, LineTally line) =>
    [
        ($"{draft.Coating}.{draft.Colour}", line.PerPiece.Value),
        .. line.Disc is { } disc ? new[] { (disc.Pot, disc.Mass.Value) } : [],
        .. (line.Parts ?? []).Select(p => ($"{p.Coating}.{p.Colour}", p.OnPiece(line.Count.Value))),
        .. (line.Look?.Parts ?? []).Where(p => p.Moulded is not null).Select(p => (p.Moulded!, p.MouldedMass!.Value)),
        .. (line.Look?.Over ?? []).Select(o => ($"{o.Coating}.{o.Colour}", o.PerPiece.Value)),
        .. (line.Look?.Patterns ?? []).Select(p => (p.Pot, p.Mass.Value)),
    ];

    /// <summary>Wares in the centre of one good piece: bought, or what its recipe takes.</summary>
    private static IEnumerable<(string Ware, double Each)> CentresOf(
        OrderDraft order, LineTally line, Centres.Centre centre, LineDraft draft, ReferenceData tables)
    {
        var making = LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables);
        double n = line.Begun(centre.Spoil.Value);
        foreach (var want in PrepWork.Wants(centre, draft, line, making, tables))
        {
            if (want.Filling(making, tables) is null)
                yield return (Ware.OfCentre(want.Centre, want.Size), want.Pieces / n);
        }

        foreach (var (_, filled, _) in PrepWork.Fillings(order, tally: Alone(line), tables))
            foreach (var amount in filled.Amounts.Where(a => tables.Ingredient(a.Ingredient) is { Tap: false }))
                yield return (tables.Ingredient(amount.Ingredient)!.BoughtAs, (amount.Count ?? amount.Mass.Value.In("g")) / n);
    }

    private static CoatingTally Alone(LineTally line) => new(line.Count.Value, [line], [], [], [], [], []);

    private static decimal PerGram(Pot pot, Func<string, decimal> priceOf)
    {
        var worth = ((decimal)pot.OfCoating.In("g") * priceOf(Ware.OfColour(pot.Coating, pot.Bought)))
            + (pot.Thinner is { } thinner ? (decimal)thinner.Mass.Value.In("g") * priceOf($"thinner.{thinner.Code}") : 0)
            + pot.Drops.Sum(d => d.InPot * priceOf($"tint.{d.Tint}"));
        return pot.ToMelt.Value.Si > 0 ? worth / (decimal)pot.ToMelt.Value.In("g") : 0;
    }

    /// <summary>A unit's price in the packs that cover the need at least cost.</summary>
    private static (decimal Price, WorkingLine Working) UnitPrice(
        Need need, ReferenceData tables, SortedDictionary<string, Problem> unpriced)
    {
        var ware = tables.Ware(need.Ware)!;
        var cover = PackCover.For(need.ToHave.Value, [], ware.Packs);
        if (cover.Count == 0)
        {
            if (ware.Packs.Count == 0)
                unpriced[ware.Code] = new(
                    ware.Code,
                    Message.Of("pricing.price-known-reckoned-nothing", ("ware", ware.Name)),
                    "pricing.price-known-reckoned-nothing.do",
                    Severity.Mind);
            return (0, WorkingLine.Count(Message.ByName(ware.Name), "pricing.price-known", 0, Source.Computed));
        }

        var held = cover.Packs.Sum(p => p.Holds * p.Count);
        var price = cover.Price.Amount / (decimal)held;
        return (price, WorkingLine.Count(
            Message.Of("pricing.one", ("ware", ware.Name), ("unitName", UnitName(ware.Unit))),
            Message.Of("pricing.one.how", ("price", cover.Price), ("held", held)),
            (double)price,
            ware.Packs[0].Price.Source));
    }

    private static string UnitName(WareUnit unit) => unit switch
    {
        WareUnit.Grams => "gram",
        WareUnit.Drops => "drop",
        WareUnit.Metres => "metre",
        _ => "piece",
    };
}

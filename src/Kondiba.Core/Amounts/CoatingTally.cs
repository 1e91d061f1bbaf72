using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>What an order comes to: coating, packs, trays and setting times.</summary>
/// <param name="Pieces">Pieces in the lines that could be computed.</param>
/// <param name="Lines">One for each line that could be computed.</param>
/// <param name="Pots">One for each coating and colour, in the order they are wanted.</param>
/// <param name="Making">The pots in the order to make them.</param>
/// <param name="Trays">In dip order.</param>
/// <param name="Trimmings">Sprinkles, parts and lustre to have at hand.</param>
/// <param name="Problems">What cannot be, or should be minded; errors leave only their own line or field out.</param>
public sealed record CoatingTally(
    int Pieces,
    IReadOnlyList<LineTally> Lines,
    IReadOnlyList<Pot> Pots,
    IReadOnlyList<PotStep> Making,
    IReadOnlyList<Tray> Trays,
    IReadOnlyList<Trimmings> Trimmings,
    IReadOnlyList<Problem> Problems)
{
    /// <summary>Computes an order.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="now">The kitchen's clock, to tell a pickup in the past.</param>
    public static CoatingTally For(OrderDraft order, KitchenTables tables, LocalDateTime now) =>
        For(order, tables, now, OrderCheck.MostLines, OrderCheck.MostInOrder);

    /// <summary>Computes the lines of several orders as if they were one, which as a whole has no limits of its own.</summary>
    internal static CoatingTally ForDay(OrderDraft day, KitchenTables tables) => For(day, tables, default, int.MaxValue, int.MaxValue);

    private static CoatingTally For(OrderDraft order, KitchenTables tables, LocalDateTime now, int mostLines, int mostPieces)
    {
        var problems = OrderCheck.Order(order, tables.Reference, now).ToList();
        tables = Orders.Schools.Chosen(order, tables);
        if (order.Margin is { } margin && problems.TrueForAll(p => p.Field != "margin"))
            tables = WithMargin(tables, margin);

        var dips = OrderCheck.Lines(order, tables.Reference, problems, mostLines, mostPieces);

        var designs = (from dip in dips
                       let decor = LineMaking.DecorOf(order.Lines[dip.Line], dip.Centre)
                       where decor is not null
                       select DecorCheck.For(decor, dip, tables.Reference, problems)).ToDictionary(d => d.First.Line);
        var besides = dips.SelectMany(d => LineMaking.Besides(d, order.Lines[d.Line], tables.Reference, problems)).ToLookup(d => d.Line);
        var all = dips.SelectMany(d => (designs.TryGetValue(d.Line, out var design) ? design.Layers : [d]).Concat(besides[d.Line]))
            .Where(d => !d.Bare)
            .ToLookup(d => d.Pot);
        var discs = dips.Select(d => LineMaking.Disc(d, order.Lines[d.Line], tables.Reference, problems))
            .OfType<Bagged>()
            .ToDictionary(b => b.For.Line);
        var bags = designs.Values.SelectMany(d => d.Bags(tables.Reference))
            .Concat(dips.SelectMany(d => LineMaking.Glue(d, order.Lines[d.Line], tables.Reference)))
            .Concat(discs.Values)
            .ToLookup(b => b.Pot);

        var lines = new Dictionary<(int Line, int Layer), LineTally>();
        var pots = new List<Pot>();
        var dipOrder = new List<Dip>(dips.Where(d => d.Bare));
        foreach (var bare in dipOrder)
            lines[(bare.Line, bare.Layer)] = LineTally.ForBare(bare, designs.GetValueOrDefault(bare.Line), tables);
        foreach (var key in all.Select(g => g.Key).Union(bags.Select(g => g.Key)))
        {
            var (pot, inOrder) = PotMaking.Make(
                key, [.. all[key]], [.. bags[key]], order.Pots.GetValueOrDefault(key) ?? new(), tables, problems, lines);
            if (pot is not null)
                pots.Add(pot);
            dipOrder.AddRange(inOrder.Where(d => d.Layer == 0 || (d.Part is not null && d.Size.Shape is not Centres.Cavity)));
        }

        var whole = new WholeLines(order, tables.Reference, lines, besides, discs, designs, problems);
        return new(
            dips.Sum(d => d.Count.Value),
            [.. dips.Select(whole.Of)],
            pots,
            MakingOrder.For(pots, tables.Reference),
            TrayLayout.For(
                dipOrder.Select(d => LineMaking.Lies(d, order.Lines[d.Line], tables.Reference)
                    .WithFoot(lines[(d.Line, d.Layer)].FootReach)),
                tables.Reference.Tray),
            Looks.Trimmings.For(designs.Values, tables.Reference),
            problems);
    }

    private static KitchenTables WithMargin(KitchenTables tables, double margin)
    {
        var reference = tables.Reference;
        var pot = reference.Pot with { Margin = new(new(margin), Source.Entered), Certainty = null };
        return tables with { Reference = reference with { Pot = pot } };
    }

    /// <summary>Puts a line's coats, parts, disc, mould and look together to one tally.</summary>
    private sealed class WholeLines(
        OrderDraft order,
        ReferenceData tables,
        Dictionary<(int Line, int Layer), LineTally> lines,
        ILookup<int, Dip> besides,
        Dictionary<int, Bagged> discs,
        Dictionary<int, Design> designs,
        List<Problem> problems)
    {
        public LineTally Of(Dip dip)
        {
            var whole = lines[(dip.Line, 0)];
            if (besides[dip.Line].Any())
                whole = whole with
                {
                    Parts = [
                    .. besides[dip.Line].Select(d => new MadePart(d.Part!, d.Coating.Code, d.Colour.Code, lines[(d.Line, d.Layer)])),
                ]
                };
            var (draft, shape) = (order.Lines[dip.Line], dip.Size.Shape);
            if (discs.TryGetValue(dip.Line, out var disc))
                whole = whole with { Disc = new(disc.Pot, Quantities.Of<Length>(draft.Making!.Disc!.Across, "mm"), disc.PerPiece) };
            if (dip.Centre.Size(draft.Size)!.Shape != shape)
                whole = whole with { Seen = new(shape.Length, shape.Width, shape.Profile()) };
            if (draft.Making?.Mould is not null
                && LineMaking.Of(draft, dip.Centre, dip.Centre.Size(draft.Size)!, tables) is { Mould: { } mould, Fill: { } fill })
                whole = whole with { Moulded = MouldTally.Of(fill, mould, whole.Begun(dip.Centre.Spoil.Value)) };
            return designs.TryGetValue(dip.Line, out var design)
                ? whole with
                {
                    Look = LookTally.For(
                    design, [.. design.Layers.Select(d => lines[(d.Line, d.Layer)].AsCoat())], tables, problems)
                }
                : whole;
        }
    }

    /// <summary>How a figure of this tally came about, or null when it has no such figure.</summary>
    /// <param name="figure">Its path: "lines[2].perPiece", "lines[2].setting.fridge", "pots.chips-with-oil.dark.toMelt".</param>
    public IReadOnlyList<WorkingLine>? WorkingOf(string figure) => Figures().FirstOrDefault(f => f.Path == figure).Working?.Invoke();

    /// <summary>Every figure that can show how it came about, by its path.</summary>
    internal IEnumerable<(string Path, Func<IReadOnlyList<WorkingLine>> Working)> Figures()
    {
        foreach (var line in Lines)
        {
            var path = $"lines[{line.Line}]";
            yield return ($"{path}.count", () => line.Count.Working);
            yield return ($"{path}.perPiece", () => line.PerPiece.Working);
            yield return ($"{path}.film", () => line.Film.Working);
            yield return ($"{path}.foot", () => line.Foot.Working);
            yield return ($"{path}.onPieces", () => line.OnPieces.Working);
            foreach (var setting in line.Setting)
                yield return ($"{path}.setting.{setting.Place}", setting.Working);
            if (line.Moulded is { } moulded)
            {
                yield return ($"{path}.moulded.coating", () => moulded.Coating.Working);
                yield return ($"{path}.moulded.dryWafers", () => moulded.DryWafers.Working);
                yield return ($"{path}.moulded.rounds", () => moulded.Rounds.Working);
            }

            foreach (var part in line.Parts ?? [])
            {
                yield return ($"{path}.parts.{part.Code}.perPiece", () => part.Tally.PerPiece.Working);
                yield return ($"{path}.parts.{part.Code}.onPieces", () => part.Tally.OnPieces.Working);
            }

            foreach (var figure in line.Look?.Figures($"{path}.look") ?? [])
                yield return figure;
        }

        foreach (var pot in Pots)
        {
            var path = $"pots.{pot.Key}";
            yield return ($"{path}.onPieces", () => pot.OnPieces.Working);
            yield return ($"{path}.pool", () => pot.Pool.Working);
            yield return ($"{path}.spare", () => pot.Spare.Working);
            yield return ($"{path}.toMelt", () => pot.ToMelt.Working);
            yield return ($"{path}.testFilm", () => pot.TestFilm.Working);
            yield return ($"{path}.packs", () => pot.Packs.Working);
            yield return ($"{path}.worth", () => pot.Worth.Working);
            if (pot.Drizzle is { } drizzle)
            {
                yield return ($"{path}.drizzle", () => drizzle.Mass.Working);
                yield return ($"{path}.inBags", () => drizzle.InBags.Working);
            }

            if (pot.Cost is { } cost)
                yield return ($"{path}.cost", () => cost.Working);
            if (pot.Thinner is { } thinner)
                yield return ($"{path}.thinner", () => thinner.Mass.Working);
        }

        foreach (var trimming in Trimmings)
            yield return ($"trimmings.{trimming.Kind}", () => trimming.Amount.Working);
    }
}

using System.Globalization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Packing;

/// <summary>Something that is in what a label is for.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Mass">Of it, in all of one package.</param>
/// <param name="Contains">Allergens in it that must be named.</param>
/// <param name="Known">Whether anybody has said what is in it.</param>
public sealed record LabelContent(string Name, Mass Mass, IReadOnlyList<string> Contains, bool Known);

/// <summary>Pieces in what a label is for.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Count">How many.</param>
/// <param name="What">What they are: "large strawberries".</param>
public sealed record LabelPieces(int Line, int Count, string What);

/// <summary>A label for packages that hold the same.</summary>
/// <param name="Lot">Batch number: the order's number and the day it was made.</param>
/// <param name="Count">How many packages hold this: so many labels.</param>
/// <param name="Package">What they are, several: "boxes for twelve"; empty where nothing is chosen.</param>
/// <param name="Pieces">What is in one.</param>
/// <param name="Net">What one weighs, without its sticks and wrapping.</param>
/// <param name="Contents">By descending mass.</param>
/// <param name="Contains">Allergens in it that must be named.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="NotKnown">What it is made of of which nobody has said what it holds.</param>
/// <param name="MadeOn">The day it was dipped.</param>
/// <param name="BestBy">The last day at its best; null where nothing is known of it.</param>
/// <param name="EatBy">The last day it keeps; null likewise.</param>
/// <param name="Storage">How to keep it.</param>
public sealed record Label(
    string Lot,
    int Count,
    string Package,
    IReadOnlyList<LabelPieces> Pieces,
    Mass Net,
    IReadOnlyList<LabelContent> Contents,
    IReadOnlyList<string> Contains,
    IReadOnlyList<string> MayContain,
    IReadOnlyList<string> NotKnown,
    LocalDate MadeOn,
    LocalDate? BestBy,
    LocalDate? EatBy,
    IReadOnlyList<StorageAdvice> Storage)
{
    /// <summary>The labels of an order: one for packages that hold the same; for what nothing is chosen for, one a line.</summary>
    /// <param name="number">The order's number.</param>
    /// <param name="madeOn">The day its pieces are dipped.</param>
    /// <param name="law">Which allergens must be named.</param>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Label> For(
        int number, LocalDate madeOn, AllergenLaw law, OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        var plan = PackingPlan.For(order, tally, tables);
        var maker = new Maker(LotOf(number, madeOn), madeOn, law, order, tally, tables);
        return
        [
            .. from package in plan.Packages
               group package by (package.Name, What: string.Join(' ', package.Holds)) into same
               select maker.Make(same.Count(), same.Key.Name, same.First().Holds),
            .. plan.Unpacked.Select(u => maker.Make(1, "", [u])),
        ];
    }

    /// <summary>The batch number of an order's pieces made on a day: "12-1206" for order 12 on 6 December.</summary>
    public static string LotOf(int number, LocalDate madeOn) =>
        $"{number}-{madeOn.ToString("MMdd", CultureInfo.InvariantCulture)}";

    private sealed class Maker(
        string lot, LocalDate madeOn, AllergenLaw law, OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        private readonly Dictionary<string, Pot> pots = tally.Pots.ToDictionary(p => p.Key);

        private readonly HashSet<string> named = [.. tables.Allergens.Where(a => a.NamedBy(law)).Select(a => a.Name)];

        public Label Make(int count, string package, IReadOnlyList<LinePieces> pieces)
        {
            var parts = pieces.SelectMany(Parts).ToList();
            List<LabelContent> contents =
            [
                .. from part in parts
                   group part by part.Label ?? part.Name into same
                   let mass = same.Select(p => p.OnOne).Total()
                   orderby mass.Si descending, same.Key
                   select new LabelContent(
                       same.Key,
                       mass,
                       Named(same.SelectMany(p => p.Contains ?? [])),
                       same.All(p => p.Contains is not null)),
            ];
            var contains = Named(parts.SelectMany(p => p.Contains ?? []));
            List<Centre> centres = [.. pieces.Select(p => tables.Centre(order.Lines[p.Line].Centre)!)];
            List<Keeping> keeping = [.. centres.Select(tables.KeepingOf).OfType<Keeping>()];
            return new(
                lot,
                count,
                package,
                [.. pieces.Select(p => new LabelPieces(p.Line, p.Count, NameOf(p)))],
                contents.Select(c => c.Mass).Total(),
                contents,
                contains,
                [.. Named(parts.SelectMany(p => p.MayContain ?? [])).Except(contains)],
                [.. contents.Where(c => !c.Known).Select(c => c.Name)],
                madeOn,
                By(keeping.Select(k => k.Best.Value)),
                By(keeping.Select(k => k.Keeps.Value)),
                tables.StorageOf(centres));
        }

        private LocalDate? By(IEnumerable<Duration> kept) =>
            kept.Select(k => (Duration?)k).Min() is { } least ? madeOn.PlusDays(least.Days) : null;

        private IReadOnlyList<string> Named(IEnumerable<string> allergens) =>
            [.. allergens.Where(named.Contains).Distinct().Order(StringComparer.Ordinal)];

        private string NameOf(LinePieces pieces)
        {
            var draft = order.Lines[pieces.Line];
            var centre = tables.Centre(draft.Centre)!;
            return centre.Called(centre.Size(draft.Size)!, pieces.Count);
        }

        /// <summary>What all pieces of a line in a package are made of; thinner and colour apart from the coating they are in.</summary>
        private IEnumerable<Component> Parts(LinePieces pieces)
        {
            var line = tally.Lines.Single(l => l.Line == pieces.Line);
            foreach (var part in Components.Of(order.Lines[pieces.Line], line, tables))
            {
                var all = part with { OnOne = part.OnOne * pieces.Count };
                foreach (var mixed in all.Pot is { } key && pots.TryGetValue(key, out var pot) ? Mixed(all, pot) : [all])
                    yield return mixed;
            }
        }

        private IEnumerable<Component> Mixed(Component coating, Pot pot)
        {
            var plain = coating.OnOne;
            if (pot.Thinner is { } thinner && coating.Dipped)
            {
                var share = thinner.Mass.Value / (thinner.Mass.Value + pot.OfCoating);
                yield return new(coating.Field, tables.Thinner(thinner.Code)!.Name, [], [], plain * share);
                plain *= 1 - share;
            }

            foreach (var drops in pot.Drops)
            {
                var colour = plain * (drops.Per100 * tables.Packing.Drop.Value.In("g") / 100);
                yield return new(coating.Field, $"{tables.Tint(drops.Tint)!.Name} food colour", [], [], colour);
            }

            yield return coating with { OnOne = plain };
        }
    }
}

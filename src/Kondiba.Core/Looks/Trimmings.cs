using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Looks;

/// <summary>What to have at hand for an order besides coating.</summary>
/// <param name="Kind">Code of the sprinkle, part or lustre.</param>
/// <param name="Name">Its name, as many as there are.</param>
/// <param name="Amount">In g; of parts, how many.</param>
/// <param name="Counted">Whether it is counted, not weighed.</param>
public sealed record Trimmings(string Kind, string Name, Figure<double> Amount, bool Counted)
{
    /// <summary>Adds them up over an order's designs.</summary>
    internal static IReadOnlyList<Trimmings> For(IEnumerable<Design> designs, ReferenceData tables)
    {
        var all = designs.ToList();
        return [.. Sprinkles(all, tables), .. Parts(all, tables), .. Lustres(all)];
    }

    private static double Pieces(Design d) => d.First.Count.Value * (1 + d.First.Centre.Spoil.Value.Si);

    private static IEnumerable<Trimmings> Sprinkles(List<Design> all, ReferenceData tables)
    {
        var c = tables.Decorating;
        return
            from design in all
            from sprinkle in design.SprinkleTallies
            group (Pieces: Pieces(design), Each: sprinkle.Mass.Value) by sprinkle.Kind into same
            let stays = same.Select(s => s.Each * s.Pieces).Total()
            let atHand = stays * c.CatchBowl.Value.Si
            select new Trimmings(same.Key, tables.Decor.Sprinkle(same.Key)!.Name, new(Math.Round(atHand.In("g"), 2), () =>
            [
                WorkingLine.Of(
                    "decoration.stays-pieces-spoilt-ones",
                    Message.Of(
                        "decoration.added",
                        ("parts", Argument.Of(same.Select(s => Message.Of(
                            "decoration.pieces-each", ("pieces", s.Pieces), ("each", s.Each)))))),
                    stays,
                    Source.Computed),
                WorkingLine.Of("decoration.hand-scatter-freely", c.CatchBowl),
                WorkingLine.Of(
                    "decoration.hand",
                    Message.Of("decoration.hand.how", ("stays", stays), ("catchBowl", c.CatchBowl.Value.Si)),
                    atHand,
                    Source.Computed),
            ]), Counted: false);
    }

    private static IEnumerable<Trimmings> Parts(List<Design> all, ReferenceData tables) =>
        from design in all
        from part in design.Parts
        where tables.MouldedIn(part.Kind, part.Draft) is null
        group (Pieces: Pieces(design), part.Draft.Count) by part.Kind into same
        let count = Math.Ceiling(same.Sum(s => s.Pieces * s.Count) - 1e-9)
        select new Trimmings(same.Key.Code, same.Key.Plural, new(count, () =>
        [
            WorkingLine.Count(
                Message.ByName(same.Key.Plural),
                Message.Of(
                    "decoration.added",
                    ("parts", Argument.Of(same.Select(s => Message.Of(
                        "decoration.pieces-count", ("pieces", s.Pieces), ("count", s.Count)))))),
                count,
                Source.Computed),
        ]), Counted: true);

    private static IEnumerable<Trimmings> Lustres(List<Design> all) =>
        from design in all
        where design.Lustre is not null
        group (Pieces: Pieces(design), Each: design.Lustre!.Value) by design.Paint!.Value.Kind into same
        let mass = same.Select(s => s.Each * s.Pieces).Total()
        select new Trimmings(same.Key.Code, same.Key.Name, new(Math.Round(mass.In("g"), 2), () =>
        [
            WorkingLine.Of(
                "decoration.all-pieces-spoilt-ones",
                Message.Of(
                    "decoration.added",
                    ("parts", Argument.Of(same.Select(s => Message.Of(
                        "decoration.pieces-each", ("pieces", s.Pieces), ("each", s.Each)))))),
                mass,
                Source.Computed),
        ]), Counted: false);
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Packing;
using Kondiba.Core.Reference;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What stands on a label: all that is in a piece, by its mass, and no allergen left out.</summary>
public sealed class LabelTests
{
    private static readonly LocalDate Saturday = new(2031, 5, 3);

    [Fact]
    public void A_box_of_berries_names_what_is_in_it_by_weight()
    {
        var label = Assert.Single(Labels([new("box-12", 1, 12)], AllergenLaw.Us, Berries(24) with
        {
            Decor = Decor.None with { Sprinkles = [new("chopped-nuts", Side.Tip, 0.6)] },
        }));

        Assert.Equal("7-0503", label.Lot);
        Assert.Equal(2, label.Count);
        Assert.Equal("large strawberries", Assert.Single(label.Pieces).What);
        Assert.Equal(["strawberries", "candy coating", "chopped nuts"], label.Contents.Select(c => c.Name));
        Assert.Equal(12 * 18, label.Contents[0].Mass.In("g"), 6);
        Assert.Equal(["milk", "soy", "tree nuts"], label.Contains);
        Assert.Equal(label.Contents.Sum(c => c.Mass.Si), label.Net.Si, 9);
        Assert.Equal((Saturday, Saturday.PlusDays(1)), (label.BestBy, label.EatBy));
        Assert.Contains("fridge", Assert.Single(label.Storage).How);
    }

    [Fact]
    public void A_truffle_made_at_home_names_its_cream_and_chocolate()
    {
        var label = Assert.Single(Labels([], AllergenLaw.Eu, Truffles(10)));

        // 18 g of ganache, 100 of chocolate to 60 of cream (common practice).
        Assert.Equal(10 * 18 / 1.6, label.Contents.Single(c => c.Name == "dark chocolate").Mass.In("g"), 6);
        Assert.Equal(10 * 18 * 0.6 / 1.6, label.Contents.Single(c => c.Name == "whipping cream").Mass.In("g"), 6);
        Assert.Equal(10, label.Pieces[0].Count);
    }

    [Fact]
    public void Thinner_is_named_in_its_share_and_what_is_drawn_is_plain()
    {
        var line = Line("sandwich-cookie", "plain", 24, coating: "chips-with-oil");
        line = Tables.Reference.Centre("sandwich-cookie")!.Sizes[0].Code is var size ? line with { Size = size } : line;
        var (order, tally) = Made([], line);
        var label = Assert.Single(Label.For(7, Saturday, AllergenLaw.Us, order, tally, Tables.Reference));

        var pot = Assert.Single(tally.Pots);
        var oil = label.Contents.Single(c => c.Name == "neutral oil").Mass;
        var dipped = tally.Lines[0].PerPiece.Value * 24;
        Assert.Equal(pot.Thinner!.Mass.Value / (pot.Thinner.Mass.Value + pot.OfCoating), oil / dipped, 9);
        Assert.Equal(dipped.Si, oil.Si + label.Contents.Single(c => c.Name == "baking chips").Mass.Si, 9);
    }

    /// <summary>The lists themselves are checked against the laws in NeedTests.</summary>
    [Fact]
    public void Every_allergen_of_every_component_is_on_its_label_and_contents_are_in_order()
    {
        var tables = Tables.Reference;
        var centres = Gen.OneOfConst<(string Centre, string Size)>(
            [.. tables.Centres.Where(c => c.Holding is not Centres.Holding.Mould).SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))]);
        var coatings = Gen.OneOfConst<(string Coating, string Colour)>(
            [.. tables.Coatings.SelectMany(c => c.Colours.Select(o => (c.Code, o.Code)))]);
        var sprinkles = Gen.OneOfConst<string>([.. tables.Decor.Sprinkles.Select(s => s.Code)]);
        var parts = Gen.OneOfConst<string>([.. tables.Decor.Parts.Where(p => p.Only is null).Select(p => p.Code)]);
        var line = Gen.Select(centres, coatings, sprinkles, parts, Gen.Int[1, 30], coatings).Select(l =>
            Line(l.Item1.Centre, l.Item1.Size, l.Item5, l.Item2.Colour, 0.66, coating: l.Item2.Coating) with
            {
                Decor = Decor.None with
                {
                    Sprinkles = [new(l.Item3, Side.Front, 0.3)],
                    Parts = [new(l.Item4, 1)],
                    Patterns = [new("zigzag", l.Item6.Coating, l.Item6.Colour, 4, null, 2)],
                },
            });
        Gen.Select(line.Array[1, 4], Gen.OneOfConst("box-12", "bag", "tray-box"), Gen.Enum<AllergenLaw>()).Sample((lines, box, law) =>
        {
            var (order, tally) = Made([new(box, 1, 12)], lines);
            var labels = Label.For(7, Saturday, law, order, tally, tables);
            var named = tables.Allergens.Where(a => a.NamedBy(law)).Select(a => a.Name).ToHashSet();

            foreach (var use in Allergens.Of(order, tables).Where(u => tally.Lines.Any(l => l.Line == u.Line)))
            {
                var holding = labels.Where(l => l.Pieces.Any(p => p.Line == use.Line)).ToList();
                Assert.NotEmpty(holding);
                Assert.All(holding, label =>
                {
                    if (use.Kind is AllergenKind.NotKnown)
                        Assert.Contains(use.Component, label.NotKnown);
                    else if (named.Contains(use.Allergen) && use.Kind is AllergenKind.Contains)
                        Assert.Contains(use.Allergen, label.Contains);
                    else if (named.Contains(use.Allergen))
                        Assert.Contains(use.Allergen, label.Contains.Concat(label.MayContain));
                });
            }

            Assert.All(labels, label =>
            {
                Assert.Equal(label.Contents.OrderByDescending(c => c.Mass.Si).Select(c => c.Mass), label.Contents.Select(c => c.Mass));
                Assert.Equal(Weighed(label, tally, order), label.Net.In("g"), 3);
            });
            Assert.Equal(tally.Pieces, labels.Sum(l => l.Count * l.Pieces.Sum(p => p.Count)));
        });
    }

    /// <summary>What the pieces of a label weigh, added up from the figures that the order shows.</summary>
    private static double Weighed(Label label, CoatingTally tally, OrderDraft order) => label.Pieces.Sum(p =>
    {
        var line = tally.Lines.Single(l => l.Line == p.Line);
        var draft = order.Lines[p.Line];
        var part = Tables.Reference.Decor.Part(draft.Decor!.Parts[0].Kind)!;
        var glued = Tables.Reference.Fillings.FirstOrDefault(f => f.Makes == $"part.{part.Code}")?.Portion.Value.In("g")
            ?? (Math.PI / 12 * Math.Pow(part.Across.Value.In("mm") / 10, 3) * 1.4);
        return p.Count * (CentreOf(draft) + line.PerPiece.Value.In("g") + glued
            + line.Look!.Patterns.Sum(d => d.Mass.Value.In("g")) + line.Look.Sprinkles.Sum(s => s.Mass.Value.In("g")));
    });

    private static double CentreOf(LineDraft draft)
    {
        var recipe = Tables.Reference.Fillings.FirstOrDefault(f => f.Makes == draft.Centre);
        return recipe is null
            ? Size(draft).Mass.Value.In("g")
            : recipe.PortionOn(Size(draft)).Value.In("g")
                + recipe.Each.Sum(e => e.Count * Tables.Reference.Ingredient(e.Ingredient)!.One!.Value.In("g"));
    }

    private static (OrderDraft Order, CoatingTally Tally) Made(IReadOnlyList<PackingDraft> packing, params LineDraft[] lines)
    {
        var order = Order(null, lines) with { Packing = packing };
        return (order, CoatingTally.For(order, Tables, Now));
    }

    private static IReadOnlyList<Label> Labels(IReadOnlyList<PackingDraft> packing, AllergenLaw law, params LineDraft[] lines)
    {
        var (order, tally) = Made(packing, lines);
        return Label.For(7, Saturday, law, order, tally, Tables.Reference);
    }
}

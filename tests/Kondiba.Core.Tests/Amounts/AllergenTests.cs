using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Nothing that anybody has said of what is in a thing gets lost on the way to who must not eat it.</summary>
public class AllergenTests
{
    private static readonly KitchenTables Shipped = KitchenTables.Shipped;
    private static readonly string[] Names = [.. Shipped.Reference.Allergens.Select(a => a.Name)];

    private static readonly OwnTopping Galaxy = new(
        "galaxy", "galaxy mix", 0.2, null, 2, "bead", ["#223366"], false, null, ["peanut"], ["sesame"], ["stardust"]);
    private static readonly OwnPart Comet = new("comet", "comet", "comets", 9, 0.2, "#ddeeff", null, ["egg"], ["milk"]);

    /// <summary>Own things with random allergens, some of which nobody knows, in a line that holds all of them.</summary>
    [Fact]
    public void No_allergen_of_a_component_is_missing_from_line_order_and_quote()
    {
        var some = Gen.OneOfConst(Names).Array[0, 4].Select(n => (IReadOnlyList<string>)[.. n.Distinct()]);
        var facts = Gen.Select(some, some, Gen.Int[0, 4]).Select(f => (Contains: f.Item3 == 0 ? null : f.Item1, May: f.Item2));
        Gen.Select(facts, facts, facts, facts, some).Sample((topping, part, centre, coating, allergies) =>
        {
            var own = OwnThings.None with
            {
                Toppings = [Galaxy with { Allergens = topping.Contains, MayContain = topping.May }],
                Parts = [Comet with { Allergens = part.Contains, MayContain = part.May }],
                Centres = [
                    OwnTables.Entered(
                        Shipped.Reference.Centre("marshmallow")!) with { Allergens = centre.Contains, MayContain = centre.May },
                ],
                Coatings = [
                    OwnTables.Entered(
                        Shipped.Reference.Coating("compound-block")!) with { Allergens = coating.Contains, MayContain = coating.May },
                ],
            };
            var tables = OwnTables.For(Shipped, own);
            var line = Line("marshmallow", "one", 12) with
            {
                Coating = "compound-block",
                Colour = "dark",
                Decor = Decor.None with { Sprinkles = [new("galaxy", Side.Front, 0.4)], Parts = [new("comet", 1)] },
            };
            var order = Order(null, line) with { Allergies = allergies };
            var tally = CoatingTally.For(order, tables, Now);
            var quote = Quote.For("Harbour kitchen", 1, Now.Date, order, Costing.For(order, tally, tables), tables.Reference);
            var uses = Allergens.Of(order, tables.Reference);

            foreach (var (name, said) in new[] { ("galaxy mix", topping), ("comets", part), ("marshmallows", centre),
                (tables.Reference.Coating(
                "compound-block")!.Name, coating) })
            {
                if (said.Contains is not { } contains)
                {
                    // What nobody knows is never called none.
                    Assert.Contains(uses, u => u.Component == name && u.Kind is AllergenKind.NotKnown);
                    Assert.Contains(name, quote.NotKnown);
                    Assert.Empty(quote.Without);
                    if (allergies.Count > 0)
                        Assert.Contains(
                            tally.Problems,
                            p => p.Reason.Said().Contains(name, StringComparison.Ordinal)
                                && p.Reason.Said().Contains("not known", StringComparison.Ordinal));
                    continue;
                }

                foreach (var allergen in contains)
                {
                    Assert.Contains(uses, u => u.Component == name && u.Allergen == allergen && u.Kind is AllergenKind.Contains);
                    Assert.Contains(allergen, quote.Contains);
                    Assert.DoesNotContain(allergen, quote.Without);
                    if (allergies.Contains(allergen))
                        Assert.Contains(
                            tally.Problems,
                            p => p.Reason.Said().Contains($"must be free of {allergen}, but {name} contain", StringComparison.Ordinal));
                }

                foreach (var allergen in said.May.Except(contains))
                {
                    // What may be in it is never mixed up with what is.
                    Assert.Contains(uses, u => u.Component == name && u.Allergen == allergen && u.Kind is AllergenKind.MayContain);
                    Assert.Contains(allergen, quote.MayContain.Concat(quote.Contains));
                    Assert.DoesNotContain(allergen, quote.Without);
                    if (allergies.Contains(allergen))
                        Assert.Contains(
                            tally.Problems,
                            p => p.Reason.Said()
                                .Contains($"must be free of {allergen}, but {name} may contain it", StringComparison.Ordinal));
                }
            }
        });
    }

    /// <summary>
    /// Nor is any of a figure's: of its body, of what is joined to it and of what is stuck on, each of random own things.
    /// </summary>
    [Fact]
    public void No_allergen_of_a_figure_is_missing()
    {
        var some = Gen.OneOfConst(Names).Array[0, 4].Select(n => (IReadOnlyList<string>)[.. n.Distinct()]);
        var facts = Gen.Select(some, some, Gen.Int[0, 4]).Select(f => (Contains: f.Item3 == 0 ? null : f.Item1, May: f.Item2));
        Gen.Select(facts, facts, facts).Sample((body, mast, stuck) =>
        {
            OwnCentre Own(string of, string code, (IReadOnlyList<string>? Contains, IReadOnlyList<string> May) said) =>
                OwnTables.Entered(
                    Shipped.Reference.Centre(of)!) with
                { Code = code, Name = code, Plural = code, Allergens = said.Contains, MayContain = said.May };
            var own = OwnThings.None with
            {
                Parts = [Comet with { Allergens = stuck.Contains, MayContain = stuck.May }],
                Centres = [Own("marshmallow", "bodies", body), Own("sandwich-cookie", "masts", mast)],
                Figures = [
                    new(
                        "buoy",
                        "buoy",
                        "buoys",
                        "bodies",
                        "one",
                        0,
                        [new("m", "masts", "masts", "thin", 1, 1, 0, 1, false, false, true, null, [new(0, 20)])],
                        [new("comet", [new(0, 0)])]),
                ],
            };
            var tables = OwnTables.For(Shipped, own);
            var order = Order(null, Line("buoy", "one", 6));
            var tally = CoatingTally.For(order, tables, Now);
            Assert.DoesNotContain(tally.Problems, p => p.Severity is Severity.Error);
            var quote = Quote.For("Harbour kitchen", 1, Now.Date, order, Costing.For(order, tally, tables), tables.Reference);
            foreach (var (name, said) in new[] { ("bodies", body), ("masts", mast), ("comets", stuck) })
            {
                var uses = Allergens.Of(order, tables.Reference).Where(u => u.Component == name).ToList();
                if (said.Contains is not { } contains)
                {
                    Assert.Contains(uses, u => u.Kind is AllergenKind.NotKnown);
                    Assert.Contains(name, quote.NotKnown);
                    continue;
                }

                Assert.Equal(contains.Order(), uses.Where(u => u.Kind is AllergenKind.Contains).Select(u => u.Allergen).Order());
                Assert.Equal(
                    said.May.Except(contains).Order(), uses.Where(u => u.Kind is AllergenKind.MayContain).Select(u => u.Allergen).Order());
                Assert.Empty(contains.Except(quote.Contains));
            }
        });
    }

    [Fact]
    public void Peanuts_are_no_tree_nuts()
    {
        // Regulation (EU) 1169/2011, Annex II lists them apart, as 5 and 8; FALCPA 2004 likewise.
        Assert.Equal(["peanut"], Shipped.Reference.Decor.Sprinkle("peanuts")!.Allergens!);
        Assert.Equal(["tree nuts"], Shipped.Reference.Decor.Sprinkle("chopped-nuts")!.Allergens!);
        var order = Order(
            null, Line(
                "apple", "M", 6) with
            { Decor = Decor.None with { Sprinkles = [new("peanuts", Side.Front, 0.5)] } }) with
        {
            Allergies = [
                "peanut",
                "tree nuts",
            ]
        };
        Assert.Equal(
            ["The order must be free of peanut, but chopped peanuts contain it.",
                "The order must be free of tree nuts, but chopped peanuts may contain it."],
            CoatingTally.For(order, Shipped, Now).Problems
                .Where(p => p.Field.EndsWith("kind", StringComparison.Ordinal))
                .Select(p => p.Reason.Said()));
    }

    [Fact]
    public void Every_shipped_component_says_what_it_holds()
    {
        Assert.All(Shipped.Reference.Decor.Parts, p => Assert.NotNull(p.Allergens));
        Assert.All(Shipped.Reference.Decor.Sprinkles, s => Assert.NotNull(s.Allergens));
        Assert.All(
            Shipped.Reference.Decor.Sprinkles.SelectMany(s => s.MayContain ?? [])
                .Concat(Shipped.Reference.Decor.Parts.SelectMany(p => p.Allergens!.Concat(p.MayContain ?? []))),
            a => Assert.Contains(a, Names));
    }

    /// <summary>A topping weighed on 20 cookies comes out, on 20 cookies, as what was weighed.</summary>
    [Theory]
    [InlineData("sandwich-cookie", "thin", Side.Front, 0.6, 20, 45)]
    [InlineData("strawberry", "L", Side.Both, 1, 8, 30)]
    [InlineData("pretzel-rod", "one", Side.Tip, 0.5, 12, 9)]
    public void What_was_weighed_comes_back(string centre, string size, Side side, double cover, int pieces, double grams)
    {
        var weighed = Galaxy with { PerArea = null, Weighed = new(centre, size, pieces, grams, side, cover) };
        Assert.Empty(OwnCheck.Of(weighed, Shipped.Reference));
        var tables = OwnTables.For(Shipped, OwnThings.None with { Toppings = [weighed] });
        var line = Line(
            centre, size, pieces) with
        {
            Depth = Shipped.Reference.Centre(centre)!.UsualDepth.Value.Si,
            Decor = Decor.None with
            {
                Sprinkles = [
                new("galaxy", side, cover),
            ]
            }
        };
        var sprinkled = CoatingTally.For(Order(null, line), tables, Now).Lines.Single().Look!.Sprinkles.Single();
        Assert.Equal(grams, sprinkled.Mass.Value.In("g") * pieces, 6);
        Assert.Equal(Source.Kitchen, tables.Reference.Decor.Sprinkle("galaxy")!.PerArea.Source);
    }

    [Fact]
    public void What_cannot_be_is_named_with_its_remedy()
    {
        string[] Fields(OwnTopping topping) => [.. OwnCheck.Of(topping, Shipped.Reference).Select(p => p.Field)];
        Assert.Empty(Fields(Galaxy));
        Assert.Equal(["allergens"], Fields(Galaxy with { Allergens = ["gluten"] }));
        Assert.Equal(["mayContain"], Fields(Galaxy with { MayContain = ["nuts"] }));
        Assert.Equal(["perArea"], Fields(Galaxy with { PerArea = 0 }));
        Assert.Equal(
            ["weighed.centre", "weighed.pieces", "weighed.grams", "weighed.cover"],
            Fields(Galaxy with { Weighed = new("rock", "", 0, -1, Side.Front, 2) }));
        Assert.Equal(["grain", "form", "srgb"], Fields(Galaxy with { Grain = 0, Form = "blob", Srgb = [] }));
        Assert.Equal(
            ["plural", "across", "dot", "srgb"],
            OwnCheck.Of(Comet with { Plural = "", Across = 0, Dot = -1, Srgb = "red" }, Shipped.Reference).Select(p => p.Field));
        Assert.Equal(["word", "means"], OwnCheck.Of(new OwnWord("w", "", "")).Select(p => p.Field));
    }

    [Fact]
    public void Own_things_are_typed_by_their_own_words_pressed_or_glued_as_they_hold()
    {
        var own = OwnThings.None with
        {
            Toppings = [
            Galaxy,
        ],
            Parts = [Comet with { Only = GoesOn.Wet }],
            Words = [new("night", "night sky", "navy with stardust")]
        };
        var tables = OwnTables.For(Shipped, own);
        var entry = QuickEntry.Entry.Read("12 cookies night sky and a comet", tables, [], new(2030, 12, 2));
        var line = Assert.Single(entry.Lines).Line;
        Assert.Empty(entry.NotUnderstood);
        Assert.Equal("midnight", line.Colour);
        Assert.Equal("galaxy", line.Decor!.Sprinkles.Single().Kind);
        Assert.Equal(("comet", true), (line.Decor.Parts.Single().Kind, line.Decor.Parts.Single().Pressed));

        var tally = CoatingTally.For(Order(null, line), tables, Now);
        Assert.DoesNotContain(tally.Problems, p => p.Severity is Severity.Error);
        Assert.Contains(tally.Lines.Single().Look!.WetSteps, s => s.Said().Contains("press on 1 comet", StringComparison.Ordinal));
        var glued = CoatingTally.For(Order(null, line with { Decor = line.Decor with { Parts = [new("comet", 1)] } }), tables, Now);
        Assert.Contains(glued.Problems, p => p.Field.EndsWith("parts[0].pressed", StringComparison.Ordinal));
    }
}

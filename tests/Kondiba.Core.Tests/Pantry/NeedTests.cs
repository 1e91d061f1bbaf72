using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What orders want of the pantry and of the shop, and what they must not hold.</summary>
public class NeedTests
{
    private static (OrderDraft Order, CoatingTally Alone) With(OrderDraft order, KitchenTables? tables = null) =>
        (order, CoatingTally.For(order, tables ?? Tables, Now));

    private static Dictionary<string, Need> Needs(OrderDraft order) =>
        Need.Of(order, CoatingTally.For(order, Tables, Now), Tables.Reference).ToDictionary(n => n.Ware);

    [Fact]
    public void An_order_wants_coating_thinner_sprinkles_centres_sticks_and_packing()
    {
        var decor = Decor.None with { Sprinkles = [new("jimmies", Side.Both, 0.3)], Parts = [new("eye", 2)], Paint = new("gold", 0.2) };
        var needs = Needs(
            Order(
                new(Thinner: "flakes"), Line("marshmallow", "one", 40, depth: 0.66) with { Decor = decor }) with
            {
                Packing = [
                    new("bag", 1, 12),
                    new("ribbon", 0.6, 12),
                ]
            });
        Assert.Equal(
            [
                $"coating.{Wafers}.dark", "thinner.flakes", "sprinkle.jimmies", "part.eye", "lustre.gold", "centre.marshmallow.one",
                "supply.lolly-stick", "supply.bag", "supply.ribbon",
            ],
            needs.Keys);
        Assert.Equal(4, needs["supply.bag"].ToHave.Value);
        Assert.Equal(2.4, needs["supply.ribbon"].ToHave.Value, 9);
        Assert.Equal(needs["centre.marshmallow.one"].ToHave.Value, needs["supply.lolly-stick"].ToHave.Value);
        Assert.Equal(40 * (1 + Tables.Reference.Centre("marshmallow")!.Spoil.Value.Si), needs["centre.marshmallow.one"].ToHave.Value, 1.0);

        // What is thrown over the piece and does not stay comes back, and so does the pool.
        Assert.Equal(needs["sprinkle.jimmies"].ToHave.Value / 1.5, needs["sprinkle.jimmies"].Used, 6);
        Assert.InRange(needs[$"coating.{Wafers}.dark"].Used, 1, needs[$"coating.{Wafers}.dark"].ToHave.Value - 1);
    }

    [Fact]
    public void More_pieces_never_want_less_and_nothing_is_used_that_need_not_be_at_hand() =>
        Gen.Select(DesignTests.AnyLine, Gen.Int[1, 40]).Sample(
            (line, more) =>
            {
                var (few, many) = (Needs(Order(null, line)), Needs(Order(null, line with { Amount = line.Amount + more })));
                foreach (var (ware, need) in few)
                {
                    Assert.True(need.Used <= need.ToHave.Value + 1e-6, ware);
                    Assert.True(need.Used >= 0);
                    if (!ware.StartsWith("coating.", StringComparison.Ordinal))
                        Assert.True(many[ware].ToHave.Value >= need.ToHave.Value - 1e-6, ware);
                }

                Assert.All(few.Keys, k => Assert.NotNull(Tables.Reference.Ware(k)));
            },
            iter: 60);

    [Fact]
    public void The_list_covers_every_need_with_stock_and_whole_packs() => DesignTests.AnyLine.List[1, 3].Sample(
        lines =>
        {
            var stocked = Tables with { Stock = new([new($"coating.{Wafers}.dark", 50, null), new("sprinkle.jimmies", 3, null)]) };
            var list = ShoppingList.For([With(Order(null, [.. lines]), stocked)], stocked);
            foreach (var line in list.Lines)
                Assert.True(line.Cover.FromStock + line.ToBuy >= line.Need.Value - 1e-6, line.Ware.Code);
            Assert.Equal(list.Lines.Sum(l => l.Cover.Price.Amount), list.Price.Amount);
            Assert.Equal(list.Lines.Select(l => l.Ware.Section), list.Lines.Select(l => l.Ware.Section).Order());
        },
        iter: 40);

    [Fact]
    public void Orders_of_one_day_share_their_pots_on_the_list()
    {
        var (one, other) = (With(Order(null, Rods(24))), With(Order(null, Rods(24)) with { Name = "Quay" }));
        var later = With(Order(null, Rods(24)) with { Pickup = Now.PlusDays(9) });
        double Coating(params (OrderDraft, CoatingTally)[] orders) =>
            ShoppingList.For(orders, Tables).Lines.Single(l => l.Ware.Code.StartsWith("coating.", StringComparison.Ordinal)).Need.Value;
        Assert.True(Coating(one, other) < Coating(one, later));
        Assert.Equal(["Harbour lights", "Quay"], ShoppingList.For([one, other], Tables).Lines[0].For);
    }

    [Fact]
    public void A_mixed_colour_wants_drops_and_its_base()
    {
        var shipped = OwnTables.Entered(Tables.Reference.Coating(Wafers)!);
        var own = OwnTables.For(Tables, OwnThings.None with
        {
            Coatings = [
                shipped with { Colours = [
                    .. shipped.Colours,
                    new("mist", "mist", "#7fb7a6", new("bright-white", new Dictionary<string, int> { ["blue"] = 2 })),
                ] },
            ],
        });
        var order = Order(null, Truffles(24, "mist"));
        var needs = Need.Of(order, CoatingTally.For(order, own, Now), own.Reference);
        Assert.Equal(
            [$"coating.{Wafers}.bright-white", "tint.blue", "coating.dark-couverture.dark", "ingredient.cream"],
            needs.Select(n => n.Ware));
    }

    [Fact]
    public void What_expires_first_goes_out_first()
    {
        Lot Of(double amount, int? day) => new("supply.cup", amount, day is { } d ? new LocalDate(2031, 5, d) : null);
        var taken = PackCover.FirstToExpire(45, [Of(30, null), Of(20, 9), Of(10, 2)]);
        Assert.Equal([(2, 10.0), (9, 20.0), (0, 15.0)], taken.Select(l => (l.BestBefore?.Day ?? 0, l.Amount)));
    }

    [Fact]
    public void Every_ware_of_the_tables_has_a_pack_with_a_price_and_a_section() => Assert.All(Tables.Reference.AllWares.Values, w =>
    {
        Assert.NotEmpty(w.Packs);
        Assert.All(w.Packs, p => Assert.True(p.Holds >= 1 && p.Price.Value.Amount > 0, w.Code));
        Assert.NotEmpty(w.Section);
    });

    [Fact]
    public void Every_centre_says_how_it_keeps_and_every_allergen_of_the_tables_is_on_a_list()
    {
        Assert.All(Tables.Reference.Centres, c => Assert.Single(Tables.Reference.Keeping, k => k.Centres.Contains(c.Code)));
        var used = Tables.Reference.Centres.SelectMany(c => c.Allergens!)
            .Concat(Tables.Reference.Coatings.SelectMany(c => c.Allergens!))
            .Concat(Tables.Reference.Decor.Sprinkles.SelectMany(s => s.Allergens!));
        Assert.Subset(Tables.Reference.Allergens.Select(a => a.Name).ToHashSet(), used.ToHashSet());

        // FALCPA 2004 with the FASTER Act 2021: nine. Regulation (EU) 1169/2011, Annex II: fourteen.
        Assert.Equal(9, Tables.Reference.Allergens.Count(a => a.NamedBy(AllergenLaw.Us)));
        Assert.Equal(14, Tables.Reference.Allergens.Count(a => a.NamedBy(AllergenLaw.Eu)));
    }

    [Theory]
    [InlineData("wheat", "lines[0].centre", "pretzel rods")]
    [InlineData("milk", "lines[0].coating", "compound wafers")]
    [InlineData("tree nuts", "lines[0].decor.sprinkles[0].kind", "chopped nuts")]
    public void An_allergy_clashes_with_any_component_and_names_it(string allergy, string field, string component)
    {
        var order = Order(
            null, Rods(12) with { Decor = Decor.None with { Sprinkles = [new("chopped-nuts", Side.Front, 0.3)] } }) with
        {
            Allergies = [
                allergy,
            ]
        };
        var clash = CoatingTally.For(order, Tables, Now).Problems.First(p => p.Field == field);
        Assert.Equal(Severity.Mind, clash.Severity);
        Assert.Contains(component, clash.Reason.Said(), StringComparison.Ordinal);
        Assert.DoesNotContain(
            CoatingTally.For(order with { Allergies = ["egg"] }, Tables, Now).Problems,
            p => p.Reason.Said().Contains("must not have", StringComparison.Ordinal));
    }

    [Fact]
    public void An_allergen_that_there_is_not_is_an_error()
    {
        var problem = CoatingTally.For(Order(null, Rods(12)) with { Allergies = ["dust"] }, Tables, Now).Problems
            .Single(p => p.Field == "allergies[0]");
        Assert.Equal(Severity.Error, problem.Severity);
        Assert.NotEmpty(Allergens.Of(Order(null, Rods(12)), Tables.Reference));
    }

    [Theory]
    [InlineData("{0}", 1, 0, "packing[0].per")]
    [InlineData("{0}", 0, 1, "packing[0].each")]
    [InlineData("crate", 1, 1, "packing[0].supply")]
    public void Packing_that_cannot_be_is_named_by_its_field(string supply, double each, int per, string field) =>
        Assert.Contains(
            CoatingTally.For(
                Order(null, Rods(12)) with { Packing = [new(supply == "{0}" ? "cup" : supply, each, per)] }, Tables, Now).Problems,
            p => p.Field == field && p.Severity is Severity.Error);
}

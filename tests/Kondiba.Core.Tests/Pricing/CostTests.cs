using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>How costs move when an order or a kitchen does, and what a ware costs.</summary>
public class CostTests
{
    private static Costing Cost(OrderDraft order, KitchenTables? tables = null) =>
        Costing.For(order, CoatingTally.For(order, tables ?? Tables, Now), tables ?? Tables);

    private static decimal Part(Costing costing, string code) => costing.Parts.SingleOrDefault(p => p.Code == code)?.Cost.Value.Amount ?? 0;

    private static KitchenTables With(params OwnWare[] wares) => OwnTables.For(Tables, OwnThings.None with { Wares = wares });

    internal static IEnumerable<string> WaysOf(OrderDraft order) =>
        CoatingTally.For(order, Tables, Now).Pots.SelectMany(p => p.Ways.Select(w => $"{w.Way} {p.Vessel}"));

    [Fact]
    public void More_pieces_always_take_more_time() =>
        Gen.Select(DesignTests.AnyLine, Gen.Int[1, 30]).Sample(
            (line, more) =>
            {
                // Dipped the same way in the same vessel: another, which more pieces pay for, may be quicker.
                var (less, larger) = (Order(null, line), Order(null, line with { Amount = line.Amount + more }));
                if (!WaysOf(less).SequenceEqual(WaysOf(larger)))
                    return;
                var (few, many) = (Cost(less), Cost(larger));
                Assert.True(many.Hands.Value > few.Hands.Value);
                Assert.True(Part(many, "time") >= Part(few, "time"));
            },
            iter: 60);

    [Fact]
    public void The_order_of_the_lines_does_not_change_what_the_order_costs() => DesignTests.AnyLine.List[2, 4].Sample(
        lines =>
        {
            var (one, other) = (Cost(Order(null, [.. lines])), Cost(Order(null, [.. lines.AsEnumerable().Reverse()])));
            Assert.InRange(one.Cost.Amount - other.Cost.Amount, -0.05m, 0.05m);
            // The same sum, added up the other way round.
            Assert.InRange((one.Hands.Value - other.Hands.Value).TotalMilliseconds, -0.001, 0.001);
        },
        iter: 40);

    [Fact]
    public void What_is_in_the_pantry_does_not_change_what_an_order_costs()
    {
        var stocked = Tables with { Stock = new([new($"coating.{Wafers}.dark", 5000, null), new("centre.strawberry.L", 100, null)]) };
        Assert.Equal(Cost(Order(null, Berries())).Cost, Cost(Order(null, Berries()), stocked).Cost);
    }

    [Fact]
    public void An_empty_order_costs_nothing_and_divides_by_nothing()
    {
        var costing = Cost(Order(null));
        Assert.Equal((0m, 0m, 0m), (costing.Cost.Amount, costing.Price.Value.Amount, costing.Floor.Amount));
        Assert.Null(costing.Wage);
        Assert.Empty(costing.Parts);
        Assert.Empty(costing.Drivers);
    }

    [Fact]
    public void A_line_that_cannot_be_computed_is_left_out_of_the_cost()
    {
        var both = Cost(Order(null, Berries(), Line("pebble", "L", 10)));
        Assert.Equal(Cost(Order(null, Berries())).Cost, both.Cost);
        Assert.Equal(0, Assert.Single(both.Lines).Line);
    }

    [Fact]
    public void Every_ware_is_taken_at_the_packs_that_cover_the_need_at_least_cost()
    {
        var small = new OwnWare("supply.cup", "", WareUnit.Pieces, [new(10, 1m)]);
        var both = small with { Packs = [new(10, 1m), new(100, 3m)] };
        OrderDraft Packed(int pieces) => Order(null, Berries(pieces)) with { Packing = [new("cup")] };
        Assert.Equal(2.40m, Part(Cost(Packed(24), With(small)), "packing"));

        // Three small ones cost no more than one large one: they leave less.
        Assert.Equal(2.40m, Part(Cost(Packed(24), With(both)), "packing"));
        Assert.Equal(48 * 3m / 100, Part(Cost(Packed(48), With(both)), "packing"));
    }

    [Fact]
    public void Sticks_used_for_packing_too_are_counted_once_each()
    {
        var order = Order(null, Line("marshmallow", "one", 50)) with { Packing = [new("lolly-stick", 1, 10)] };
        var costing = Cost(order);
        var each = Tables.Reference.Ware("supply.lolly-stick")!.Packs.Single(p => p.Holds == 200).Price.Value.Amount;
        Assert.True(Part(costing, "sticks") > Part(costing, "packing"));
        Assert.InRange(Part(costing, "packing"), 5 * each / 200 * 0.9m, 5 * 1.9m / 50 * 1.1m);
    }

    [Fact]
    public void Thinner_and_drops_are_part_of_what_coating_costs()
    {
        var (plain, thinned) = (Cost(Order(new(Thinner: PotDraft.NoThinner), Berries())), Cost(Order(new(Thinner: "flakes"), Berries())));
        Assert.Contains(thinned.WorkingOf("parts.coating")!, w => w.What.Said().StartsWith("palm-kernel flakes", StringComparison.Ordinal));
        Assert.DoesNotContain(
            plain.WorkingOf("parts.coating")!, w => w.What.Said().StartsWith("palm-kernel flakes", StringComparison.Ordinal));
    }

    [Fact]
    public void A_figure_that_there_is_not_has_no_working()
    {
        var costing = Cost(Order(null, Berries()));
        Assert.Null(costing.WorkingOf("parts.magic"));
        Assert.Null(costing.WorkingOf("cost"));
        Assert.Equal((double)costing.Price.Value.Amount, costing.WorkingOf("price")![^1].Value);
        Assert.Equal("total", costing.WorkingOf("hands")![^1].What.Said());
    }

    [Theory]
    [InlineData(1, "whole")]
    [InlineData(0.75, "three quarters")]
    [InlineData(0.66, "two thirds")]
    [InlineData(0.5, "half")]
    [InlineData(0.33, "a third")]
    [InlineData(0.4, "40%")]
    public void A_quote_says_how_deep_in_words(double depth, string words) =>
        Assert.Equal($"dark, {words}", QuoteOf(Berries() with { Depth = depth }).Lines[0].How);

    [Fact]
    public void A_quote_says_all_that_a_piece_wears()
    {
        var decor = new Decor(
            [new(Wafers, "white", 0.5, 90)], [
                new("zigzag", Wafers, "silver", 8, null, 1.4),
                new("letters", Wafers, "white", 1, null, 2, Text: "7"),
            ],
            [new("jimmies", Side.Tip, 0.3)], [new("eye", 2), new("bow", 1)], new("gold", 0.2));
        var line = QuoteOf(Line("strawberry", "XL", 1, "dark", 0.75, 2) with { Decor = decor, Look = "Buoy" }).Lines[0];
        Assert.Equal("Buoy: extra large strawberry", line.What);
        Assert.Equal(
            "dark, three quarters, 2 coats; white over it; zigzag in silver; initials or number in white “7”; jimmies; 2 sugar eyes; 1 sugar bow; gold lustre",
            line.How);
    }

    [Fact]
    public void A_quote_holds_nuts_that_only_the_sprinkles_bring_and_groups_what_keeps_alike()
    {
        var nutty = Rods(12) with { Decor = Decor.None with { Sprinkles = [new("chopped-nuts", Side.Front, 0.3)] } };
        var quote = QuoteOf(nutty, Line("pretzel-twist", "mini", 20), Berries());
        Assert.Equal(["milk", "soy", "tree nuts", "wheat"], quote.Contains);
        Assert.Equal(["pretzel rods, pretzel twists", "strawberries"], quote.Storage.Select(s => s.What));
        Assert.NotEmpty(quote.Terms);
    }

    [Fact]
    public void Own_supplies_packs_and_marks_lie_over_the_shipped_ones()
    {
        var tables = With(
            new("supply.net", "nets", WareUnit.Metres, [new(5, 2m)], 3),
            new("sprinkle.jimmies", "ignored", WareUnit.Pieces, [new(500, 8m)]));
        var (net, jimmies) = (tables.Reference.Ware("supply.net")!, tables.Reference.Ware("sprinkle.jimmies")!);
        Assert.Equal(("nets", WareUnit.Metres, 3.0), (net.Name, net.Unit, net.Low));
        Assert.Equal(("jimmies", WareUnit.Grams, 500.0, 0.0), (jimmies.Name, jimmies.Unit, jimmies.Packs.Single().Holds, jimmies.Low));
        Assert.Equal(Source.Kitchen, jimmies.Packs[0].Price.Source);
        Assert.Null(Tables.Reference.Ware("supply.net"));
    }

    [Fact]
    public void An_order_is_found_by_what_it_wears()
    {
        var words = SearchWords.Of(
            Order(
                null,
                Rods(
                    3, "teal") with
                {
                    Look = "Wake",
                    Decor = Decor.None with
                    {
                        Patterns = [
                        new("zigzag", Wafers, "silver", 8, null, 1.4),
                    ],
                        Sprinkles = [new("jimmies", Side.Tip, 0.3)]
                    }
                },
                Berries()),
            Tables.Reference);
        Assert.Equal("Wake pretzel rods teal zigzag silver jimmies strawberries dark", words);
    }

    private static Quote QuoteOf(params LineDraft[] lines)
    {
        var order = Order(null, lines);
        return Quote.For("Harbour kitchen", 1, Now.Date, order, Cost(order), Tables.Reference);
    }
}

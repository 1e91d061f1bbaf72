using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Costs reconcile to the cent, prices are what was asked for, and a quote tells no cost.</summary>
public class PricingTests
{
    private static readonly Gen<OrderDraft> AnyOrder =
        from lines in DesignTests.AnyLine.List[1, 4]
        from how in Gen.Enum<PriceBy>()
        from value in Gen.Int[0, 90]
        from packed in Gen.OneOfConst([.. Tables.Reference.Wares.Supplies.Select(s => s.Code)])
        from per in Gen.Int[1, 30]
        from thinner in Gen.OneOfConst("flakes", PotDraft.NoThinner)
        select Order(
            new(Thinner: thinner), [.. lines]) with
        {
            Price = new(how, how is PriceBy.Margin ? value / 100m : value),
            Packing = [
                new(packed, 1, per),
            ]
        };

    private static Costing Cost(OrderDraft order, KitchenTables? tables = null) =>
        Costing.For(order, CoatingTally.For(order, tables ?? Tables, Now), tables ?? Tables);

    private static Costing Cost(params LineDraft[] lines) => Cost(Order(null, lines));

    private static decimal Sum(IEnumerable<Money> amounts) => amounts.Sum(m => m.Amount);

    [Fact]
    public void Parts_lines_and_cost_are_the_same_to_the_cent() => AnyOrder.Sample(
        order =>
        {
            var costing = Cost(order);
            Assert.Equal(costing.Cost.Amount, Sum(costing.Parts.Select(p => p.Cost.Value)));
            Assert.Equal(costing.Cost.Amount, Sum(costing.Lines.Select(l => l.Cost)));
            Assert.Equal(costing.Price.Value.Amount, Sum(costing.Lines.Select(l => l.Price)));
            Assert.All(costing.Parts, p => Assert.Equal(p.Cost.Value.Amount, Sum(p.Lines)));
            Assert.All(
                costing.Parts.SelectMany(p => p.Lines).Append(costing.Price.Value), m => Assert.Equal(Math.Round(m.Amount, 2), m.Amount));
            Assert.All(costing.Parts, p => Assert.True(p.Cost.Value.Amount > 0 && p.Lines.All(l => l.Amount >= 0), p.Code));
            Assert.Equal(
                costing.Cost.Amount - costing.Floor.Amount, costing.Parts.SingleOrDefault(p => p.Code == "time")?.Cost.Value.Amount ?? 0);
            Assert.All(costing.Parts, p => Assert.Equal((double)p.Cost.Value.Amount, costing.WorkingOf($"parts.{p.Code}")![^1].Value, 9));
        },
        iter: 120);

    [Fact]
    public void A_price_by_margin_leaves_the_margin_and_stands_on_a_step() => AnyOrder.Sample(
        order =>
        {
            var costing = Cost(order with { Price = new(PriceBy.Margin, 0.3m) });
            Assert.Equal(0, costing.Price.Value.Amount % 0.5m);
            Assert.InRange(costing.Price.Value.Amount - (costing.Cost.Amount / 0.7m), 0, 0.5m);
        },
        iter: 40);

    [Fact]
    public void By_the_dozen_every_piece_fetches_the_same_and_a_set_price_is_as_set()
    {
        var dozen = Cost(Order(null, Berries(24), Truffles(12)) with { Price = new(PriceBy.Dozen, 30) });
        Assert.Equal((90m, 60m, 30m), (dozen.Price.Value.Amount, dozen.Lines[0].Price.Amount, dozen.Lines[1].Price.Amount));
        Assert.Equal(99.99m, Cost(Order(null, Berries()) with { Price = new(PriceBy.Set, 99.99m) }).Price.Value.Amount);
    }

    [Fact]
    public void Twenty_four_berries_cost_what_a_hand_would_add_up()
    {
        var costing = Cost(Berries());
        decimal Part(string code) => costing.Parts.Single(p => p.Code == code).Cost.Value.Amount;

        // 26 berries to begin, and so many more that 26 are fit, are had of a 900 g punnet at 6.90, 50 in it: 24 of 50 are on the order.
        Assert.Equal(Math.Round(24 * 6.90m / 50, 2), Part("centres"));

        // A pack of wafers costs 4.20 for 340 g.
        var tally = Tally(null, Berries());
        Assert.Equal((double)Part("coating"), tally.Lines[0].PerPiece.Value.In("g") * 24 * 4.20 / 340, 0.006);

        // Sorted, rinsed and dried in 11 s and dipped in the way's time each of 24 and 5 % more, up to whole ones; packed 20 s each; 2 min
        // to fetch and set out for each of these; the pot melted, with 3 min to weigh out, and washed up in 4: at 14 an hour.
        var pot = tally.Pots.Single();
        var r = Tables.Reference;
        var melt = Melt.For(
            r.Coating(pot.Coating)!, pot.ToMelt.Value, r.Melting.Methods[0], r.Setting.Room.Air.Value, r.Melting, r.Setting);
        var melting = (3 * 2 * 60) + melt.InAll.TotalSeconds;
        var seconds = (26 * (11 + pot.Ways.Single().Time.TotalSeconds)) + (24 * 20) + melting + ((3 + 4) * 60);
        Assert.Equal((double)Part("time"), seconds / 3600.0 * 14, 0.006);
        Assert.Equal((costing.Price.Value - costing.Floor).Amount / ((decimal)seconds / 3600), costing.Wage!.Value.Amount, 1);
    }

    [Fact]
    public void The_parts_are_those_that_the_order_has()
    {
        Assert.Equal(["coating", "centres", "spoil", "leftovers", "fuel", "time"], Cost(Berries()).Parts.Select(p => p.Code));
        var apples = Order(
            null, Line(
                "apple", "M", 6) with
            { Decor = Decor.None with { Sprinkles = [new("jimmies", Side.Both, 0.3)] } }) with
        {
            Packing = [
                new("bag"),
            ]
        };
        Assert.Equal(
            ["coating", "decoration", "centres", "sticks", "spoil", "leftovers", "packing", "fuel", "time"],
            Cost(apples).Parts.Select(p => p.Code));
    }

    [Fact]
    public void More_handwork_costs_more_time_and_says_what_drives_the_cost()
    {
        var plain = Cost(Rods(24));
        var drawn = Cost(Rods(24) with { Decor = Decor.None with { Patterns = [new("zigzag", Wafers, "silver", 12, null, 1.4)] } });
        Assert.True(drawn.Hands.Value > plain.Hands.Value);
        Assert.Contains(drawn.Drivers, d => d.Said().Contains("decorating", StringComparison.Ordinal));
        Assert.True(drawn.Cost.Amount > plain.Cost.Amount);
    }

    [Fact]
    public void A_price_that_does_not_pay_is_told_with_what_would()
    {
        var order = Order(null, Berries());
        var cost = Cost(order);
        Assert.Contains(
            Cost(order with { Price = new(PriceBy.Set, 1) }).Problems,
            p => p.Field == "price.value" && p.Reason.Said().Contains("you lose money", StringComparison.Ordinal));
        Assert.Contains(
            Cost(order with { Price = new(PriceBy.Set, cost.Cost.Amount - 1) }).Problems,
            p => p.Reason.Said().Contains("you earn", StringComparison.Ordinal));
        Assert.Empty(cost.Problems);
        Assert.Contains(
            CoatingTally.For(order with { Price = new(PriceBy.Margin, 2) }, Tables, Now).Problems, p => p.Field == "price.value");
    }

    [Fact]
    public void A_ware_without_a_price_is_named_and_reckoned_as_nothing()
    {
        var tables = OwnTables.For(Tables, OwnThings.None with { Wares = [new("supply.net", "nets", WareUnit.Pieces)] });
        var costing = Cost(Order(null, Berries()) with { Packing = [new("net")] }, tables);
        Assert.Contains(costing.Problems, p => p.Field == "supply.net");
        Assert.DoesNotContain(costing.Parts, p => p.Code == "packing");
    }

    [Fact]
    public void The_kitchens_own_rates_are_used()
    {
        var tables = OwnTables.For(Tables, OwnThings.None with { Rates = new(Hour: 28, Margin: 0, Step: 0, Deposit: 0.5) });
        var (own, shipped) = (Cost(Order(null, Berries()), tables), Cost(Berries()));
        Assert.Equal(own.Cost, own.Price.Value);
        Assert.Equal(
            (double)shipped.Parts.Single(p => p.Code == "time").Cost.Value.Amount * 2,
            (double)own.Parts.Single(p => p.Code == "time").Cost.Value.Amount,
            0.02);
        Assert.Equal(Math.Ceiling(own.Price.Value.Amount / 2), own.Deposit.Amount);
    }

    [Fact]
    public void A_quote_names_pieces_allergens_and_storage_and_adds_up()
    {
        var order = Order(null, Berries(), Truffles(12)) with { Allergies = ["peanut", "milk"], Client = "Harbour choir" };
        var costing = Cost(order);
        var quote = Quote.For("Harbour kitchen", 7, Now.Date, order, costing, Tables.Reference);
        Assert.Equal(costing.Price.Value.Amount, Sum(quote.Lines.Select(l => l.Price)));
        Assert.Equal("large strawberries", quote.Lines[0].What);
        Assert.Equal("dark, three quarters", quote.Lines[0].How);
        Assert.Contains("milk", quote.Contains);
        Assert.Equal(["peanut"], quote.Without);
        Assert.Equal(["strawberries", "truffle balls"], quote.Storage.Select(s => s.What));
    }

    [Theory]
    [InlineData(3, 14, 3)]
    [InlineData(30, 14, 14)]
    [InlineData(30, 40, 30)]
    public void A_quote_can_be_accepted_for_its_days_and_never_after_the_pickup(int pickup, int days, int last)
    {
        var tables = OwnTables.For(Tables, OwnThings.None with { Rates = new(QuoteDays: days) });
        var order = Order(null, Truffles(12)) with { Pickup = Now.Date.PlusDays(pickup).At(new(10, 0)) };
        var quote = Quote.For("Harbour kitchen", 7, Now.Date, order, Cost(order, tables), tables.Reference);
        Assert.Equal(Now.Date.PlusDays(last), quote.ValidUntil);
    }

    [Fact]
    public void An_order_scales_to_as_many_pieces_as_asked_in_proportion() =>
        Gen.Select(Gen.Int[1, 60].List[1, 6], Gen.Int[6, 400]).Sample((counts, pieces) =>
        {
            var order = Order(null, [.. counts.Select(c => Berries(c))]);
            var tally = CoatingTally.For(order, Tables, Now);
            var scaled = OrderScale.To(order, tally, pieces).Lines.Select(l => l.Amount).ToList();
            Assert.Equal(pieces, scaled.Sum());
            Assert.All(
                scaled.Zip(counts),
                s => Assert.True(
                    s.First >= 1 && (s.First == 1 || Math.Abs(s.First - ((double)s.Second * pieces / counts.Sum())) < counts.Count)));
        });
}

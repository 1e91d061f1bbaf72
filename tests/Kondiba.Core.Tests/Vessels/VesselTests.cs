using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Vessels;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public class VesselTests
{
    /// <summary>Against sampling points of the dish's cross-section, turned by its tilt.</summary>
    [Theory]
    [InlineData(15, 20)]
    [InlineData(30, 35)]
    public void A_tilted_dish_holds_a_wedge(double tilt, double level)
    {
        var dish = new TiltedDish("test", "test", [], Mm(140), Mm(400), Mm(200), tilt);
        var (sin, cos) = (Math.Sin(tilt * Math.PI / 180), Math.Cos(tilt * Math.PI / 180));
        var (under, cells) = (0, 2000);
        for (var i = 0; i < cells; i++)
            for (var j = 0; j < cells; j++)
                if ((((i + 0.5) * 400 / cells * sin) + ((j + 0.5) * 200 / cells * cos)) < level)
                    under++;
        var sampled = 140 * (400.0 * 200 / cells / cells) * under / 1000;
        Assert.Equal(sampled, dish.UpToLevel(Mm(level)).In("mL"), sampled * 0.01);
    }

    [Fact]
    public void Half_an_insert_holds_half_and_takes_pieces_half_as_wide()
    {
        var (whole, half) = (new RoundVessel(
            "w", "w", [], Mm(160), Mm(160), Mm(90)), new RoundVessel("h", "h", [], Mm(160), Mm(160), Mm(90), Halved: true));
        Assert.Equal(whole.Capacity.Si / 2, half.Capacity.Si, 12);
        Assert.Equal((160, 80), (whole.Opening.In("mm"), half.Opening.In("mm")));
        var way = Tables.Reference.Dipping.Fork;
        Seat Seat(string centre) =>
            way.Seat(new("piece", Centres.Holding.Fork, Tables.Reference.Centre(centre)!.Sizes[0].Shape, new(1)), half)!;
        Assert.Contains("80 mm wide", Seat("sandwich-cookie").Misfit.Said(), StringComparison.Ordinal);
        Assert.Contains("deeper than it is wide", Seat("truffle-ball").Misfit.Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void Moulds_are_filled_from_a_bag_and_nothing_is_dipped_in_one()
    {
        Assert.True(Tables.Reference.Vessel(Tally(null, Line("moulded-piece", "accent", 6)).Pots.Single().Vessel)!.Pours);
        var glass = Assert.Single(In("tall-glass", Line("moulded-piece", "accent", 6)).Problems);
        Assert.Contains("from a bag or a spouted jug", glass.Reason.Said(), StringComparison.Ordinal);
        Assert.Contains("is for filling moulds", Assert.Single(In("bag", Truffles(6)).Problems).Reason.Said(), StringComparison.Ordinal);
        Assert.Empty(In("bowl", Truffles(24), Line("moulded-piece", "accent", 6, "midnight")).Problems);
    }

    [Fact]
    public void Rocking_a_rod_in_a_tilted_dish_spares_most_of_the_pool()
    {
        var (glass, dish) = (In("tall-glass", Rods(6)).Pots.Single(), In("tilted-dish", Rods(6)).Pots.Single());
        Assert.True(dish.Pool.Value.Si < glass.Pool.Value.Si / 2);
        Assert.Equal(glass.OnPieces.Value.Si, dish.OnPieces.Value.Si, 12);
    }

    [Fact]
    public void The_runner_up_is_what_the_next_best_vessel_would_want_and_cost() =>
        Gen.Int[12, 60].Sample(count =>
        {
            var best = Tally(null, Line("sandwich-cookie", "thin", count)).Pots.Single();
            var other = best.Vessels.Single(v => v.Vessel == best.RunnerUp!.Vessel);
            Assert.Equal((other.ToMelt!.Value - best.ToMelt.Value).Si, best.RunnerUp!.More.Si, 12);
            Assert.Equal(other.Cost!.Hands - best.Cost!.Value.Hands, best.RunnerUp.Longer);
            Assert.Equal(other.Cost.Total - best.Cost.Value.Total, best.RunnerUp.Dearer);
            Assert.Equal(best.Vessel, In(best.RunnerUp.Vessel, Line("sandwich-cookie", "thin", count)).Pots.Single().RunnerUp!.Vessel);
        });

    /// <summary>A melt must hold what the deepest dip needs with the piece in it, and never run over.</summary>
    [Fact]
    public void Melts_fit_the_vessel_and_keep_it_usable() =>
        Gen.Select(Gen.Int[1, 400], Gen.OneOfConst("narrow-glass", "tall-glass"), Gen.Double[0.3, 0.7]).Sample((count, code, depth) =>
        {
            var rods = Rods(count) with { Depth = depth * 0.8 };
            if (In(code, rods).Pots.SingleOrDefault() is not { } pot || pot.Melts.Count == 1)
                return;
            var vessel = Tables.Reference.Vessel(code)!;
            var density = (pot.ToMelt.Value.Si / pot.Volume.Si);
            var seat = Tables.Reference.Dipping.Upright.Seat(
                new("rod", Centres.Holding.ByHand, Size(rods).Shape, new(rods.Depth)), vessel)!;
            Assert.True(pot.Melts[0].Si >= seat.Stands.Si * density);
            Assert.True(pot.Melts[0].Si / density <= vessel.Capacity.Si * 1.25);
            Assert.All(pot.Melts.Skip(1), m => Assert.Equal(pot.Melts[^1].Si, m.Si, 12));
        });

    [Fact]
    public void One_colour_across_orders_of_a_day_is_one_pot()
    {
        var orders = new[] { Order(null, Rods(12), Truffles(6, "plum")), Order(null, Rods(18)) };
        var alone = orders.Select(o => (o, CoatingTally.For(o, Tables, Now))).ToList();
        var day = DayPots.For(alone, Tables);
        var shared = Assert.Single(day.Shared);
        Assert.Equal($"{Wafers}.midnight", shared.Key);
        Assert.Equal(["Harbour lights", "Harbour lights"], shared.Orders);
        Assert.True(shared.Together < shared.Apart);
        Assert.Equal(CoatingTally.For(Order(null, Rods(12), Rods(18)), Tables, Now).Pots.Single().ToMelt.Value.Si, shared.Together.Si, 12);
        Assert.Equal(2, day.Pots.Count);
        Assert.Empty(DayPots.For([alone[0]], Tables).Shared);
    }

    [Fact]
    public void Leftovers_are_what_was_not_used_and_find_a_use()
    {
        var pot = Tally(null, Rods(24)).Pots.Single();
        Assert.Equal((pot.ToMelt.Value - pot.OnPieces.Value - Grams(8)).Si, pot.Leftover.Mass.Si, 12);
        Assert.Contains(pot.Leftover.Uses, u => u.Said().Contains("bark", StringComparison.Ordinal));
        Assert.Contains(pot.Leftover.Uses, u => u.Said().Contains("milk, soy", StringComparison.Ordinal));
        var stocked = Tables with { Stock = new([new($"coating.{Wafers}.midnight", 5000, new LocalDate(2031, 6, 1))]) };
        Assert.Equal(0, CoatingTally.For(Order(null, Rods(24)), stocked, Now).Pots.Single().Packs.Value);
    }
}

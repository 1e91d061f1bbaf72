using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Paper;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Where each piece is laid down so that no feet meet, and when to stop dipping and decorate.</summary>
public sealed class SetDownMapTests
{
    [Fact]
    public void On_random_trays_no_two_feet_touch_and_rounds_end_within_the_wet_window()
    {
        var tables = Tables.Reference;
        var centres = Gen.OneOfConst<(string Centre, string Size)>(
            [.. tables.Centres.Where(c => c.Holding is not Centres.Holding.Mould).SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))]);
        var coatings = Gen.OneOfConst<(string Coating, string Colour)>(
            [.. tables.Coatings.SelectMany(c => c.Colours.Select(o => (c.Code, o.Code)))]);
        var decor = Gen.OneOf(
            Gen.Const((Decor?)null),
            Gen.OneOfConst<string>([.. tables.Decor.Sprinkles.Select(s => s.Code)])
                .Select(s => (Decor?)(Decor.None with { Sprinkles = [new(s, Side.Front, 0.5)] })));
        var lines = Gen.Select(centres, coatings, decor, Gen.Int[1, 60], Gen.Int[1, 2], Gen.OneOfConst<bool?>(null, true, false))
            .Select(l => Line(l.Item1.Centre, l.Item1.Size, l.Item4, l.Item2.Colour, 0.6, l.Item5, l.Item2.Coating) with
            {
                Decor = l.Item3,
                Upright = l.Item6,
            }).Array[1, 5];
        lines.Sample(made =>
        {
            var order = Order(null, made);
            var tally = CoatingTally.For(order, Tables, Now);
            var maps = SetDownMap.For(order, tally, tables);

            Assert.Equal(tally.Lines.Sum(l => l.Count.Value), maps.Sum(m => m.Pieces.Count));
            foreach (var map in maps)
            {
                foreach (var (i, a) in map.Pieces.Index())
                    foreach (var b in map.Pieces.Take(i))
                        Assert.False(Meet(a, b), $"{made[a.Line].Centre} {a.Number} and {made[b.Line].Centre} {b.Number}");
                Assert.All(map.Pieces, p => Assert.True(p.X.Si > 0 && p.X < map.Wide && p.Y.Si > 0 && p.Y < map.Deep));
                Assert.Equal(Enumerable.Range(1, map.Pieces.Count), map.Pieces.Select(p => p.Number));
                Assert.Equal(map.Pieces.Count, map.Rounds.Sum(r => r.Pieces));

                // One piece is always begun; whether it can be done in time at all the order says.
                Assert.All(map.Rounds.Where(r => r.Pieces > 1 && r.Takes is not null), r => Assert.True(r.Takes <= r.Wet));
            }
        });
    }

    [Fact]
    public void A_round_of_sprinkled_cookies_is_as_many_as_the_coat_stays_wet_for()
    {
        var cookies = Tables.Reference.Centre("sandwich-cookie")!;
        var line = Line("sandwich-cookie", cookies.Sizes[0].Code, 20) with
        {
            Decor = Decor.None with { Sprinkles = [new("nonpareils", Side.Front, 0.5)] },
        };
        var order = Order(null, line);
        var tally = CoatingTally.For(order, Tables, Now);
        var map = SetDownMap.For(order, tally, Tables.Reference)[0];
        var round = tally.Lines[0].Look!.Round!.Value;

        Assert.InRange(round, 2, 19);
        Assert.All(map.Rounds.Take(map.Rounds.Count - 1), r => Assert.Equal(round, r.Pieces));
        Assert.True(map.Rounds[0].Takes + (map.Rounds[0].Takes / round) > map.Rounds[0].Wet);
    }

    /// <summary>Liu &amp; Mei 1989: a Bingham fluid comes to rest where ρ·g·h²/(2·τ) is its reach, unless there is less of it.</summary>
    [Fact]
    public void A_foot_reaches_as_far_as_the_yield_stress_lets_it()
    {
        var tally = Tally(null, Berries(12)).Lines[0];
        var coating = Tables.Reference.Coating(Wafers)!;
        var flow = Films.Flow.Of(coating, default, Tables.Reference.Film);
        var free = flow.Density.Si * 9.81 * Math.Pow(tally.Film.Value.Si, 2) / (2 * flow.Yield.Si);

        Assert.InRange(tally.FootReach.Si, 0.0002, (free * 1.05) + 1e-9);
    }

    // Between the middles there is room for half of each, down or across.
    private static bool Meet(LaidPiece a, LaidPiece b) =>
        Math.Abs(a.X.Si - b.X.Si) < ((a.Wide.Si + b.Wide.Si) / 2) - 1e-9
        && Math.Abs(a.Y.Si - b.Y.Si) < ((a.Long.Si + b.Long.Si) / 2) - 1e-9;
}

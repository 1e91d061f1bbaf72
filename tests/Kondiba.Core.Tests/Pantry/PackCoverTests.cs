using CsCheck;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wares;
using NodaTime;

namespace Kondiba.Core.Tests;

public class PackCoverTests
{
    private static readonly Gen<Pack> AnyPack =
        Gen.Select(Gen.Int[50, 900], Gen.Int[100, 3000], Gen.Int[0, 3], Gen.Double[0.05, 0.9]).Select((grams, cents, coupons, off) =>
            Pack(grams, cents / 100m, coupons == 0 ? null : Math.Max(0.01m, Math.Round(cents / 100m * (decimal)off, 2)), coupons));

    private static Pack Pack(double grams, decimal price, decimal? coupon = null, int coupons = 0) =>
        new(grams, new(new(price), Source.Entered), coupon is { } c ? new Money(c) : null, coupons);

    private static Lot Stock(double grams, int day) => new("x", grams, new LocalDate(2031, 5, day));

    [Fact]
    public void The_cover_is_as_cheap_as_trying_everything_and_leaves_as_little() =>
        Gen.Select(Gen.Int[1, 1500], AnyPack.Array[1, 3]).Sample(
            (need, packs) =>
            {
                var cover = PackCover.For(need, [], packs);
                var (price, left) = Everything(need, packs);
                Assert.Equal(price, cover.Price.Amount);
                Assert.Equal(left, cover.Left, 6);
                foreach (var bought in cover.Packs)
                    Assert.True(bought.Coupons <= packs.Where(p => p.Holds == bought.Holds).Sum(p => p.Coupons));
            },
            iter: 500);

    /// <summary>Every count of every pack with every number of coupons, up to one pack too many.</summary>
    private static (decimal Price, double Left) Everything(int need, Pack[] packs)
    {
        var best = (Price: decimal.MaxValue, Left: double.MaxValue);
        void Try(int at, double missing, decimal price)
        {
            if (missing <= 0)
            {
                best = (price, -missing).CompareTo(best) < 0 ? (price, -missing) : best;
                return;
            }

            if (at == packs.Length || price > best.Price)
                return;
            var grams = packs[at].Holds;
            for (var count = 0; count <= Math.Ceiling(Math.Round(missing / grams, 9)); count++)
            {
                var coupons = Math.Min(count, packs[at].Coupons);
                Try(
                    at + 1,
                    missing - (count * grams),
                    price + (count * packs[at].Price.Value.Amount) - (coupons * (packs[at].Coupon?.Amount ?? 0)));
            }
        }

        Try(0, need, 0);
        return (best.Price, Math.Round(best.Left, 6));
    }

    /// <summary>
    /// Packs that nothing divides, hundreds of coupons and a need of half a tonne: at most a 20,000th dearer than the best, in little
    /// memory and time.
    /// </summary>
    [Fact]
    public void A_need_without_end_is_covered_in_little_memory()
    {
        static Pack Of(int grams) => new(grams, new(new(grams * 0.01m), Source.Entered), new Money(0.01m), 100);
        Pack[] packs = [Of(7), Of(11), Of(13)];
        var before = GC.GetAllocatedBytesForCurrentThread();
        var cover = PackCover.For(500_000, [], packs);
        Assert.True(GC.GetAllocatedBytesForCurrentThread() - before < 64L * 1024 * 1024);
        Assert.True(cover.Packs.Sum(p => p.Holds * p.Count) >= 500_000);
        Assert.InRange(cover.Price.Amount, 5000m - 3m, 5002m);
        Assert.All(cover.Packs, p => Assert.InRange(p.Coupons, 0, 100));
    }

    [Fact]
    public void Largest_first_would_be_dearer()
    {
        var cover = PackCover.For(1000, [], [Pack(340, 4.20m), Pack(900, 9.90m)]);
        Assert.Equal([(340.0, 3)], cover.Packs.Select(p => (Math.Round(p.Holds), p.Count)));
        Assert.Equal(12.60m, cover.Price.Amount);
    }

    [Fact]
    public void A_coupon_is_used_once_and_can_turn_the_choice()
    {
        var cover = PackCover.For(680, [], [Pack(340, 4m), Pack(700, 7m, 2m, 1)]);
        Assert.Equal((1, 1, 5m), (cover.Packs.Single().Count, cover.Packs.Single().Coupons, cover.Price.Amount));
        var twice = PackCover.For(1300, [], [Pack(700, 7m, 2m, 1)]);
        Assert.Equal((2, 1, 12m), (twice.Count, twice.Packs.Single().Coupons, twice.Price.Amount));
    }

    [Fact]
    public void Stock_goes_first_and_the_earliest_date_first()
    {
        var cover = PackCover.For(500, [Stock(300, 20), Stock(100, 3), Stock(400, 30)], [Pack(340, 4m)]);
        Assert.Equal([(3, 100.0), (20, 300.0), (30, 100.0)], cover.Lots.Select(l => (l.BestBefore!.Value.Day, Math.Round(l.Amount))));
        Assert.Empty(cover.Packs);
        Assert.Equal(500, cover.FromStock, 6);
        Assert.Equal(0, cover.Left, 6);
        Assert.Equal(1, PackCover.For(900, [Stock(800, 1)], [Pack(340, 4m)]).Count);
    }

    [Fact]
    public void Of_covers_at_one_price_the_one_that_leaves_least_is_taken()
    {
        var cover = PackCover.For(300, [], [Pack(500, 5m), Pack(310, 5m), Pack(400, 5m)]);
        Assert.Equal(310, cover.Packs.Single().Holds, 6);
    }
}

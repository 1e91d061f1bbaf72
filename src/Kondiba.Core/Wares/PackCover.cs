using System.Numerics;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Wares;

/// <summary>Some of a ware in the pantry.</summary>
/// <param name="Ware">Code of the ware.</param>
/// <param name="Amount">What is left of it, in the ware's unit.</param>
/// <param name="BestBefore">Its date; null when it has none.</param>
/// <param name="Id">Which lot of the pantry it is; null for one that is only reckoned with.</param>
public sealed record Lot(string Ware, double Amount, LocalDate? BestBefore, Guid? Id = null);

/// <summary>Packs of one size to buy.</summary>
/// <param name="Holds">What one holds, in the ware's unit.</param>
/// <param name="Count">How many.</param>
/// <param name="Coupons">Of these, bought with a coupon.</param>
/// <param name="Price">Of all of them, coupons taken off.</param>
public sealed record PacksToBuy(double Holds, int Count, int Coupons, Money Price);

/// <summary>What covers a need of a ware: stock first, then packs. All amounts in the ware's unit.</summary>
/// <param name="FromStock">Taken from the pantry.</param>
/// <param name="Lots">Where it is taken from, earliest date first.</param>
/// <param name="Packs">What to buy, largest first.</param>
/// <param name="Price">Of all packs.</param>
/// <param name="Left">What stays in the packs bought.</param>
public sealed record PackCover(double FromStock, IReadOnlyList<Lot> Lots, IReadOnlyList<PacksToBuy> Packs, Money Price, double Left)
{
    private const int MostUnits = 20_000;

    /// <summary>Packs to buy, of all sizes.</summary>
    public int Count => Packs.Sum(p => p.Count);

    /// <summary>
    /// Uses up stock, earliest date first, then finds the packs that cover the rest at the least price, and of those the cover
    /// that leaves least. Exact to the whole unit, or to a 20,000th of a need that is larger: solved from the end, for every amount
    /// still wanting.
    /// </summary>
    /// <param name="need">What is wanted, in the ware's unit.</param>
    /// <param name="stock">Lots of this ware.</param>
    /// <param name="packs">Sizes it is sold in, each of at least one unit.</param>
    public static PackCover For(double need, IEnumerable<Lot> stock, IReadOnlyList<Pack> packs)
    {
        var (left, taken) = (need, FirstToExpire(need, stock));
        left -= taken.Sum(l => l.Amount);
        var bought = Cheapest((int)Math.Ceiling(Math.Round(left, 6)), packs);
        var price = bought.Aggregate(default(Money), (sum, p) => sum + p.Price);
        return new(need - left, taken, bought, price, bought.Sum(p => p.Holds * p.Count) - (bought.Count > 0 ? left : 0));
    }

    /// <summary>Takes an amount out of lots, the one that expires first before the others; less when there is not so much.</summary>
    /// <param name="amount">What is wanted, in the ware's unit.</param>
    /// <param name="stock">Lots of one ware.</param>
    public static IReadOnlyList<Lot> FirstToExpire(double amount, IEnumerable<Lot> stock)
    {
        var taken = new List<Lot>();
        foreach (var lot in stock.OrderBy(l => l.BestBefore ?? LocalDate.MaxIsoValue))
        {
            if (amount <= 0)
                break;
            var some = Math.Min(lot.Amount, amount);
            taken.Add(lot with { Amount = some });
            amount -= some;
        }

        return taken;
    }

    private static List<PacksToBuy> Cheapest(int units, IReadOnlyList<Pack> packs)
    {
        if (units <= 0 || packs.Count == 0)
            return [];

        // Whatever is bought comes to a multiple of what divides every pack: that is the unit.
        var sizes = packs.Select(p => (int)Math.Floor(Math.Round(p.Holds, 6))).ToArray();
        var unit = Math.Max(
            sizes.Aggregate((a, b) => (int)BigInteger.GreatestCommonDivisor(a, b)), (int)Math.Ceiling((double)units / MostUnits));
        if (sizes.Max() < unit)
            return ByTheThousand(units, packs);
        var need = (units + unit - 1) / unit;
        for (var i = 0; i < sizes.Length; i++)
            sizes[i] /= unit;
        var prices = packs.Select(p => Cents(p.Price.Value)).ToArray();

        var (best, choice) = WithoutCoupons(need, sizes, prices);
        var coupons = packs.Index().Where(p => p.Item.Coupon is not null && sizes[p.Index] > 0)
            .SelectMany(p => Bundles(Math.Min(p.Item.Coupons, (need / sizes[p.Index]) + 1)).Select(
                times => (Pack: p.Index, Times: times))).ToArray();
        var used = new bool[coupons.Length, need + 1];
        for (var k = 0; k < coupons.Length; k++)
        {
            var (pack, times) = coupons[k];
            var (size, price) = (sizes[pack] * times, Cents(packs[pack].Price.Value - packs[pack].Coupon!.Value) * times);
            for (var wanting = need; wanting >= 1; wanting--)
            {
                var rest = best[Math.Max(0, wanting - size)];
                var total = (rest.Cents + price, rest.Units + size);
                if (total.CompareTo(best[wanting]) < 0)
                    (best[wanting], used[k, wanting]) = (total, true);
            }
        }

        var (count, withCoupon) = (new int[sizes.Length], new int[sizes.Length]);
        var still = need;
        for (var k = coupons.Length - 1; k >= 0 && still > 0; k--)
        {
            if (!used[k, still])
                continue;
            count[coupons[k].Pack] += coupons[k].Times;
            withCoupon[coupons[k].Pack] += coupons[k].Times;
            still = Math.Max(0, still - (sizes[coupons[k].Pack] * coupons[k].Times));
        }

        for (; still > 0; still = Math.Max(0, still - sizes[choice[still]]))
            count[choice[still]]++;

        return
        [
            .. packs.Index().Where(p => count[p.Index] > 0).OrderByDescending(p => p.Item.Holds).Select(p => new PacksToBuy(
                p.Item.Holds,
                count[p.Index],
                withCoupon[p.Index],
                (p.Item.Price.Value * count[p.Index]) - ((p.Item.Coupon ?? default) * withCoupon[p.Index]))),
        ];
    }

    /// <summary>
    /// By how much still wants covering, the least price in cents and then the fewest units bought, and the pack to take next. Any number
    /// of each pack may follow; each coupon is one more pack, to be had once.
    /// </summary>
    private static ((long Cents, long Units)[] Best, int[] Choice) WithoutCoupons(int need, int[] sizes, long[] prices)
    {
        var best = new (long Cents, long Units)[need + 1];
        var choice = new int[need + 1];
        for (var wanting = 1; wanting <= need; wanting++)
        {
            best[wanting] = (long.MaxValue, long.MaxValue);
            for (var i = 0; i < sizes.Length; i++)
            {
                if (sizes[i] == 0)
                    continue;
                var rest = best[Math.Max(0, wanting - sizes[i])];
                var total = (rest.Cents + prices[i], rest.Units + sizes[i]);
                if (total.CompareTo(best[wanting]) < 0)
                    (best[wanting], choice[wanting]) = (total, i);
            }
        }

        return (best, choice);
    }

    /// <summary>Bundles of coupons, each taken or not, that together make every number up to so many.</summary>
    private static IEnumerable<int> Bundles(int coupons)
    {
        for (var times = 1; coupons > 0; times *= 2)
        {
            yield return Math.Min(times, coupons);
            coupons -= times;
        }
    }

    /// <summary>A need of so many packs that one does not matter: of the pack that is cheapest for what it holds.</summary>
    private static List<PacksToBuy> ByTheThousand(int units, IReadOnlyList<Pack> packs)
    {
        var pack = packs.MinBy(p => (double)p.Price.Value.Amount / p.Holds)!;
        var count = (int)Math.Ceiling(units / pack.Holds);
        return [new(pack.Holds, count, 0, pack.Price.Value * count)];
    }

    private static long Cents(Money price) => (long)Math.Round(price.Amount * 100);
}

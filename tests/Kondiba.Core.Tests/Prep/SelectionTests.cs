using CsCheck;
using Kondiba.Core.Measures;
using Kondiba.Core.Prep;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class SelectionTests
{
    /// <summary>The chance of at least so many good ones, added up from the binomial distribution term by term.</summary>
    private static double Chance(int bought, int wanted, double unfit)
    {
        var sum = 0.0;
        for (var good = wanted; good <= bought; good++)
        {
            var ways = 0.0;
            for (var i = 1; i <= good; i++)
                ways += Math.Log((bought - good + i) / (double)i);
            sum += Math.Exp(ways + (good * Math.Log(1 - unfit)) + ((bought - good) * Math.Log(unfit)));
        }

        return sum;
    }

    [Fact]
    public void What_is_bought_is_enough_as_surely_as_wanted_and_one_less_would_not_be() => (from wanted in Gen.Int[1, 120] from unfit in Gen.Double[0.01, 0.4] from sure in Gen.Double[0.5, 0.99] select (wanted, unfit, sure)).Sample(
        x =>
        {
            var bought = Selection.ToBuy(x.wanted, new(x.unfit), new(x.sure));
            Assert.True(Chance(bought, x.wanted, x.unfit) >= x.sure - 1e-9);
            Assert.True(bought == x.wanted || Chance(bought - 1, x.wanted, x.unfit) < x.sure + 1e-9);
        },
        iter: 200);

    [Fact]
    public void Where_all_are_fit_just_as_many_are_bought()
    {
        Assert.Equal(24, Selection.ToBuy(24, default, new(0.9)));
        Assert.Equal(0, Selection.ToBuy(0, new(0.1), new(0.9)));
    }

    /// <summary>Common practice: the biggest in the middle row, like sizes together, in a row big ends and a small middle.</summary>
    [Fact]
    public void A_box_of_twelve_has_its_biggest_in_the_middle_row()
    {
        double[] masses = [10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21];
        var rows = Selection.Box(masses, 3, 4).Select(r => r.Select(i => masses[i]).ToList()).ToList();
        Assert.Equal([18, 19, 20, 21], rows[1].Order());
        foreach (var row in rows)
            Assert.True(Math.Min(row[0], row[3]) > Math.Max(row[1], row[2]));
        Assert.Equal(masses, rows.SelectMany(r => r).Order());
    }

    [Fact]
    public void Every_piece_goes_into_the_box_once_and_rows_hold_like_sizes() => (from rows in Gen.Int[1, 5] from columns in Gen.Int[1, 8] from masses in Gen.Double[5, 40].Array[1, 40] select (rows, columns, masses)).Sample(
        x =>
        {
            var box = Selection.Box(x.masses, x.rows, x.columns);
            var placed = box.SelectMany(r => r).ToList();
            Assert.Equal(Math.Min(x.masses.Length, x.rows * x.columns), placed.Distinct().Count());
            Assert.All(box, r => Assert.True(r.Count <= x.columns));

            // Rows do not overlap: of any two, all of one are at least as heavy as all of the other.
            foreach (var (a, b) in from a in box from b in box where a != b && a.Count > 0 && b.Count > 0 select (a, b))
                Assert.True(a.Min(i => x.masses[i]) >= b.Max(i => x.masses[i]) || b.Min(i => x.masses[i]) >= a.Max(i => x.masses[i]));
        },
        iter: 100);

    /// <summary>Standard normal quantiles, published tables: 0.9 at 1.28155, 0.975 at 1.95996.</summary>
    [Fact]
    public void Likely_masses_spread_as_a_normal_distribution()
    {
        var masses = Selection.Likely(Grams(100), new(0.2), 1000).Select(m => m.In("g")).ToList();
        Assert.Equal(100, masses.Average(), 0.1);
        Assert.Equal(20, Math.Sqrt(masses.Average(m => Math.Pow(m - 100, 2))), 0.3);
        Assert.Equal(100 + (20 * 1.28155), masses[899], 0.2);
        Assert.Equal(100 + (20 * 1.95996), masses[974], 0.3);
        Assert.Equal(masses.Order(), masses);
    }
}

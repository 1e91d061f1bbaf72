using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Amounts the other way round.</summary>
public class CoveredTests
{
    private static IReadOnlyList<Covered> By(double grams, string colour = "milk") =>
        Covered.By(Tables.Reference.Coatings[0], Tables.Reference.Coatings[0].Colour(colour)!, Grams(grams), Tables);

    /// <summary>So many want no more than there is, and one more wants more: by the amounts themselves.</summary>
    [Fact]
    public void It_covers_as_many_as_it_says_and_not_one_more() =>
        Gen.Select(Gen.Double[20, 3000], Gen.OneOfConst("milk", "white", "red")).Sample((grams, colour) =>
        {
            foreach (var c in By(grams, colour))
            {
                var centre = Tables.Reference.Centre(c.Centre)!;
                double Wants(int n) =>
                    Tally(null, Line(c.Centre, c.Size, n, colour, centre.UsualDepth.Value.Si, centre.LeastCoats)).Pots.Single().OfCoating
                        .In("g");
                if (c.Count > 0)
                    Assert.True(Wants(c.Count) <= grams + 1e-9);
                if (c.Count < 2000)
                    Assert.True(Wants(c.Count + 1) > grams);
                Assert.Equal(c.Count == 0, c.Vessel is null);
            }
        }, iter: 8);

    /// <summary>From memory: a 340 g bag covers 24 cookies, 20 to 22 half-dipped rods, 30 cake balls, 6 apples; within 1.35.</summary>
    [Theory]
    [InlineData("sandwich-cookie", "thin", 24, 24)]
    [InlineData("cake-ball", "one", 30, 30)]
    [InlineData("apple", "M", 6, 6)]
    [InlineData("pretzel-twist", "mini", 75, 75)]
    [InlineData("truffle-ball", "one", 36, 36)]
    public void A_bag_makes_as_many_as_makers_count(string centre, string size, double from, double to) =>
        Assert.InRange(By(340).Single(c => (c.Centre, c.Size) == (centre, size)).Count, from / 1.35, to * 1.35);

    [Fact]
    public void More_coating_never_makes_fewer()
    {
        var (less, more) = (By(200), By(400));
        Assert.All(less.Zip(more), p => Assert.True(p.First.Count <= p.Second.Count));
        Assert.Equal(Tables.Reference.Centres.Sum(c => c.Sizes.Count), less.Count);
    }
}

using CsCheck;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using static System.Math;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Dips at an angle, against closed forms and against points scattered over the surface.</summary>
public class SlantTests
{
    private static readonly Shape[] Round = [
        .. Tables.Reference.Centres.Where(c => c.Shape is "ball" or "berry" or "rod").SelectMany(c => c.Sizes).Select(s => s.Shape),
    ];
    private static readonly Shape[] All = [
        .. Tables.Reference.Centres.SelectMany(c => c.Sizes).Select(s => s.Shape).Where(s => s is not Cavity),
    ];

    [Theory]
    [InlineData(0.1)]
    [InlineData(0.25)]
    [InlineData(0.5)]
    [InlineData(0.8)]
    public void A_rod_dipped_sideways_is_covered_along_an_arc(double share)
    {
        // Of the mantle the arc under the level, acos(1 − 2s)/π; of each end the circle's segment.
        var rod = new Cylinder(Mm(200), Mm(13));
        var half = Acos(1 - (2 * share));
        var arc = half / PI;
        var segment = (half - (Sin(2 * half) / 2)) / PI;
        var expected = (PI * 13 * 200 * arc) + (2 * PI / 4 * 13 * 13 * segment);

        // Its slices are as wide as its outline, which rounds off the ends.
        Assert.Equal(expected, rod.DippedArea(new(share), PI / 2).In("mm²"), expected * 0.06);
    }

    [Fact]
    public void A_round_piece_is_covered_where_points_of_its_surface_go_under()
    {
        // Seen from the side of its axis: points even over the surface, by bands of equal area, under the slanted level or not.
        Gen.Select(Gen.OneOfConst(Round), Gen.Double[0.1, 0.9], Gen.Double[0.05, 1.5]).Sample(
            (shape, depth, angle) =>
            {
                var upTo = shape.DipUpTo(new(depth), angle);
                var profile = shape.Profile();
                double HalfAt(double z)
                {
                    var i = Max(1, profile.Index().First(p => p.Item.Along.Si >= z - 1e-12).Index);
                    var (a, b) = (profile[i - 1], profile[i]);
                    return a.HalfWidth.Si + ((b.HalfWidth.Si - a.HalfWidth.Si) * (z - a.Along.Si) / Max(1e-12, b.Along.Si - a.Along.Si));
                }

                const int bands = 120;
                const int around = 90;
                var (under, before) = (0.0, 0.0);
                for (var i = 1; i <= bands; i++)
                {
                    var z = shape.Length.Si * i / bands;
                    var band = shape.DippedArea(new(z / shape.Length.Si)).Si - before;
                    before += band;
                    var middle = z - (shape.Length.Si / bands / 2);
                    var hit = Enumerable.Range(0, around)
                        .Count(k => (HalfAt(middle) * Cos(2 * PI * (k + 0.5) / around) * Sin(angle)) + (middle * Cos(angle)) <= upTo);
                    under += band * hit / around;
                }

                Assert.Equal(under, shape.DippedArea(new(depth), angle).Si, shape.WholeArea.Si * 0.025);
            },
            iter: 60);
    }

    [Fact]
    public void Left_and_right_cover_alike_and_together_with_the_rest_the_whole()
    {
        Gen.Select(Gen.OneOfConst(All), Gen.Double[0.05, 0.95], Gen.Double[0.02, 1.57]).Sample(
            (shape, depth, angle) =>
            {
                var left = shape.DippedArea(new(depth), angle);
                Assert.Equal(left.Si, shape.DippedArea(new(depth), -angle).Si, shape.WholeArea.Si * 1e-6);
                Assert.InRange(left.Si, 0, shape.WholeArea.Si * (1 + 1e-9));
                Assert.True(shape.DippedArea(new(1), angle) >= left);
            },
            iter: 200);
    }

    [Fact]
    public void A_dip_at_hardly_any_angle_is_a_dip_end_first()
    {
        foreach (var shape in All)
            Assert.Equal(shape.DippedArea(new(0.5)).Si, shape.DippedArea(new(0.5), 1e-6).Si, shape.WholeArea.Si * 0.03);
    }

    [Fact]
    public void A_level_reaches_as_far_as_its_share_of_the_extent()
    {
        var cookie = new Disc(Mm(45), Mm(45), Mm(10));
        Assert.Equal(0, cookie.DipUpTo(new(0.5), PI / 2), 1e-6);
        Assert.Equal(22.5e-3, cookie.DipUpTo(new(1), PI / 2), 1e-6);
        Assert.Equal(30e-3, cookie.DipUpTo(new(2 / 3.0), 0), 1e-9);

        // At 45° a circle reaches its radius both ways from where its middle lies along the way.
        Assert.Equal((22.5 * Cos(PI / 4)) - 22.5, cookie.DipUpTo(new(0), PI / 4) * 1e3, 0.1);
    }
}

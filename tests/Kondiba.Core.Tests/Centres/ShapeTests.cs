using CsCheck;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Tests;

public class ShapeTests
{
    public static TheoryData<string, string> Everything =>
        [.. ReferenceData.Shipped.Centres.SelectMany(c => c.Sizes.Select(s => (c.Code, s.Code)))];

    private static Shape Of(string centre, string size) => ReferenceData.Shipped.Centre(centre)!.Size(size)!.Shape;

    [Theory]
    [MemberData(nameof(Everything))]
    public void Area_volume_and_dip_line_grow_with_dip_depth(string centre, string size)
    {
        var shape = Of(centre, size);
        Gen.Select(Gen.Double[0.01, 1], Gen.Double[0.01, 1]).Sample((a, b) =>
        {
            var (less, more) = (new Share(Math.Min(a, b)), new Share(Math.Max(a, b)));
            Assert.True(shape.DippedArea(less) <= shape.DippedArea(more));
            Assert.True(shape.Upright(less).Displaced.Si <= shape.Upright(more).Displaced.Si + 1e-15);
            Assert.True(shape.DipLine(less) <= shape.DipLine(more));
        });
    }

    /// <summary>Area and volume of the solids of revolution, against the surface integral 2π∫r√(1+r′²)dz done numerically.</summary>
    [Theory]
    [InlineData("strawberry", "L", 0.66)]
    [InlineData("strawberry", "S", 0.5)]
    [InlineData("apple", "M", 0.8)]
    [InlineData("truffle-ball", "one", 0.3)]
    public void Area_and_volume_agree_with_numerical_integration(string centre, string size, double depth)
    {
        var shape = Of(centre, size);
        Func<double, double> radius = shape switch
        {
            Paraboloid p => z => p.Diameter.Si / 2 * Math.Sqrt(z / p.Height.Si),
            CappedSphere s => z => Math.Sqrt(z * (s.Diameter.Si - z)),
            _ => throw new NotSupportedException(),
        };
        var (area, volume, steps, end) = (0.0, 0.0, 200_000, shape.Length.Si * depth);
        for (var i = 0; i < steps; i++)
        {
            var (z0, z1) = (end * i / steps, end * (i + 1) / steps);
            var (r0, r1) = (radius(z0), radius(z1));
            area += Math.PI * (r0 + r1) * Math.Sqrt(((z1 - z0) * (z1 - z0)) + ((r1 - r0) * (r1 - r0)));
            volume += Math.PI / 2 * ((r0 * r0) + (r1 * r1)) * (z1 - z0);
        }

        Assert.Equal(area, shape.DippedArea(new(depth)).Si, area * 1e-3);
        Assert.Equal(volume, shape.Upright(new(depth)).Displaced.Si, volume * 1e-3);
    }

    [Fact]
    public void A_whole_disc_is_two_faces_and_a_rim_and_half_of_it_is_half()
    {
        var cookie = Of("sandwich-cookie", "thin");
        Assert.Equal((2 * Math.PI / 4 * 45 * 45) + (Math.PI * 45 * 10), cookie.WholeArea.In("mm²"), 6);
        Assert.Equal(cookie.WholeArea.Si / 2, cookie.DippedArea(new(0.5)).Si, 12);
    }

    [Fact]
    public void A_cookie_stands_on_its_edge_or_lies_flat()
    {
        var cookie = Of("sandwich-cookie", "thin");
        Assert.Equal(22.5, cookie.Upright(new(0.5)).Depth.In("mm"), 9);
        Assert.Equal((10, 45), (cookie.Lying().Depth.In("mm"), cookie.Lying().Across.In("mm")));
        Assert.Equal(cookie.WholeVolume, cookie.Lying().Displaced);
    }

    [Fact]
    public void An_apple_keeps_the_cap_round_its_stick_bare()
    {
        var apple = Of("apple", "M");
        Assert.Equal(0.9 * Math.PI * 76 * 76, apple.WholeArea.In("mm²"), 6);
        Assert.Equal(0.9 * 76, apple.DipLine(new(1)).In("mm"), 9);
    }

    [Theory]
    [MemberData(nameof(Everything))]
    public void A_silhouette_runs_from_end_to_end_and_is_no_wider_than_the_piece(string centre, string size)
    {
        var shape = Of(centre, size);
        var profile = shape.Profile();
        Assert.Equal(0, profile[0].Along.Si, 12);
        Assert.Equal(shape.Length.Si, profile[^1].Along.Si, 12);
        Assert.All(profile, p => Assert.InRange(p.HalfWidth.Si, 0, (shape.Width.Si / 2) + 1e-12));
        Assert.True(profile.Max(p => p.HalfWidth.Si) > shape.Width.Si * 0.44);
    }
}

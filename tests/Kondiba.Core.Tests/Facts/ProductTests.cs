using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>The whole product of the tables: every centre in every size and at every offered depth, coating and vessel.</summary>
public class ProductTests
{
    public static TheoryData<string> Coatings => [.. Tables.Reference.Coatings.Select(c => c.Code)];

    [Theory]
    [MemberData(nameof(Coatings))]
    public void Every_piece_in_every_vessel_computes_within_what_a_maker_would_believe(string coating)
    {
        var cases = 0;
        foreach (var centre in Tables.Reference.Centres)
            foreach (var size in centre.Sizes)
                foreach (var depth in centre.Depths)
                    foreach (var vessel in Tables.Reference.Vessels)
                    {
                        cases++;
                        var line = Line(
                            centre.Code, size.Code, 8, Tables.Reference.Coating(
                                coating)!.Colours[0].Code, depth.Si, centre.LeastCoats, coating);
                        var tally = In(vessel.Code, line);
                        var named = $"{coating}, {size.Name} {centre.Name}, {depth.In("%"):0} %, {vessel.Name}";
                        var piece = tally.Lines.Single();
                        Assert.True(piece.PerPiece.Value.In("g") is >= 0.2 and <= 80, $"{named}: {piece.PerPiece.Value.In("g"):0.00} g");
                        Assert.True(piece.Film.Value.In("mm") is >= 0.3 and <= 4, $"{named}: {piece.Film.Value.In("mm"):0.00} mm");
                        Assert.True(
                            piece.Foot.Value.Si <= piece.PerPiece.Value.Si * 0.15, $"{named}: foot {piece.Foot.Value.In("g"):0.00} g");
                        Assert.Equal(tally.Pots.Count == 1, tally.Problems.All(p => p.Severity == Severity.Mind));
                        if (tally.Pots.Count == 0)
                            continue;
                        var pot = tally.Pots[0];
                        Assert.True(pot.Pool.Value.Si >= 0 && pot.ToMelt.Value > pot.OnPieces.Value, named);
                        Assert.True(pot.ToMelt.Value.In("kg") < 4, $"{named}: {pot.ToMelt.Value.In("g"):0} g to melt");
                        Assert.All(
                            piece.Setting,
                            s => Assert.True(
                                s.TouchDry is { } dry && dry.TotalMinutes is > 0.1 and < 60, $"{named}, {s.Place}: {s.TouchDry}"));
                    }

        Assert.True(cases > 300);
    }

    [Fact]
    public void Every_centre_at_its_usual_depth_finds_a_vessel()
    {
        foreach (var centre in Tables.Reference.Centres)
            foreach (var size in centre.Sizes)
                Assert.DoesNotContain(
                    Tally(null, Line(centre.Code, size.Code, 24, depth: centre.UsualDepth.Value.Si, coats: centre.LeastCoats)).Problems,
                    p => p.Severity != Severity.Mind);
    }

    /// <summary>
    /// Common practice: a cavity heaped level with dry wafers holds about 60 % of its volume in coating; the rest is insert.
    /// </summary>
    [Fact]
    public void A_moulded_cookie_and_its_coating_fill_the_cavity()
    {
        var cavity = Assert.IsType<Cavity>(Tables.Reference.Centre("moulded-piece")!.Size("cookie")!.Shape);
        var cookie = Tables.Reference.Centre("sandwich-cookie")!.Size("thin")!.Shape;
        Assert.Equal(0.60, cavity.Coating.Si, 9);
        Assert.InRange((cavity.Fill + cookie.WholeVolume) / cavity.Holds, 0.9, 1.1);
        Assert.Equal(0.60 * 38 * 1.25, Tally(null, Line("moulded-piece", "cookie", 1)).Lines.Single().PerPiece.Value.In("g"), 6);
    }
}

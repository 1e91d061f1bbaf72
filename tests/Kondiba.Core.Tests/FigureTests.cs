using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Figures;
using Kondiba.Core.Measures;
using Kondiba.Core.Prep;
using Kondiba.Core.Pricing;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class FigureTests
{
    private static readonly Gen<Centre> AnyFigure = Gen.OneOfConst([.. Tables.Figures]);

    private static LineDraft Of(Centre figure, double count, string colour = "midnight") => Line(figure.Code, "one", count, colour);

    [Fact]
    public void Parts_scale_with_the_figures_and_centres_in_whole_ones() => (from figure in AnyFigure from count in Gen.Int[1, 120] select (figure, count)).Sample(
        x =>
        {
            var line = Tally(null, Of(x.figure, x.count)).Lines[0];
            foreach (var (part, made) in x.figure.Figure!.Parts.Zip(line.Parts!))
            {
                Assert.Equal(x.count * part.Places.Count, made.Tally.Count.Value);
                var centres = Figure.CentresFor(part, x.count);
                var wanted = x.count * part.Places.Count * (1 + part.Spoil.Value.Si);
                Assert.True(centres * part.Cuts >= wanted - 1e-9, $"{centres} centres give {centres * part.Cuts} of {wanted} {part.Name}");
                Assert.True((centres - 1) * part.Cuts < wanted + 1, "one fewer would not do");
                Assert.True(Figure.CentresFor(part, x.count + 1) >= centres);
            }
        },
        iter: 60);

    [Fact]
    public void Coating_of_a_figure_is_linear_in_their_number()
    {
        foreach (var figure in Tables.Figures)
        {
            double OnPieces(double count)
            {
                var line = Tally(null, Of(figure, count)).Lines[0];
                return line.OnPieces.Value.Si + line.Parts!.Sum(p => p.Tally.OnPieces.Value.Si);
            }

            Assert.Equal(OnPieces(1) * 30, OnPieces(30), 9);
        }
    }

    [Fact]
    public void A_pot_holds_all_parts_of_its_colour_and_the_glue()
    {
        var tally = Tally(null, Of(Tables.Centre("owl")!, 12));
        var pot = Assert.Single(tally.Pots);
        Assert.Equal(tally.Lines[0].OnPieces.Value.Si + tally.Lines[0].Parts!.Sum(p => p.Tally.OnPieces.Value.Si), pot.OnPieces.Value.Si, 9);
        Assert.Contains(pot.Drizzle!.Mass.Working, w => w.What.StartsWith("dots that hold it together", StringComparison.Ordinal));
    }

    [Fact]
    public void A_part_can_have_a_colour_of_its_own()
    {
        var line = Of(Tables.Centre("owl")!, 12) with { Making = new(Colours: new Dictionary<string, string> { ["wings"] = "silver" }) };
        var tally = Tally(null, line);
        Assert.Equal(["midnight", "silver"], tally.Pots.Select(p => p.Colour).Order());
        Assert.Equal("silver", tally.Lines[0].Parts!.Single(p => p.Code == "wings").Colour);
        var wrong = line with { Making = new(Colours: new Dictionary<string, string> { ["wings"] = "mud" }) };
        Assert.Contains(Tally(null, wrong).Problems, p => p.Field == "lines[0].making.colours.wings");
    }

    [Fact]
    public void Twelve_owls_want_cookies_halves_and_eyes()
    {
        var order = Order(null, Of(Tables.Centre("owl")!, 12));
        var tally = CoatingTally.For(order, Tables, Now);
        double Need(string ware) => Pantry.Need.Of(order, tally, Tables).Single(n => n.Ware == ware).ToHave.Value;

        // 24 wings and 15 % more from halves: 28, so 14 ovals.
        Assert.Equal(14, Need("centre.oval-cookie.one"));
        Assert.Equal(13, Need("centre.sandwich-cookie.double"));
        Assert.Equal(13, Need("centre.sandwich-cookie.mini"));
        Assert.Equal(25, Need("part.eye"));
        Assert.True(Costing.For(order, tally, Tables).Parts.Single(p => p.Code == "centres").Cost.Value.Amount > 0);
        Assert.Contains(Safety.Allergens.Of(order, Tables), u => u.Allergen == "wheat");
    }

    [Fact]
    public void No_shipped_figure_has_limbs_cut_from_twists() => Assert.DoesNotContain(Tables.Figures.SelectMany(f => f.Figure!.Parts), p => p.Centre.Code is "pretzel-twist");

    [Fact]
    public void Every_part_lies_on_a_tray()
    {
        var tally = Tally(null, Of(Tables.Centre("boat")!, 20));
        var laid = tally.Trays.SelectMany(t => t.Rows).GroupBy(r => r.Part ?? "body").ToDictionary(g => g.Key, g => g.Sum(r => r.Count));
        Assert.Equal((20, 40), (laid["body"], laid["sails"]));
    }

    [Fact]
    public void A_figure_is_joined_as_it_is_dipped_and_limbs_are_glued_when_it_has_set()
    {
        var order = Order(null, Of(Tables.Centre("owl")!, 6));
        var steps = PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now).Steps;
        int At(string code) => steps.Select((s, i) => (s, i)).Single(s => s.s.Code == code).i;
        Assert.True(At("prep.owl.cut") < At("dip.0"));
        Assert.True(At("dip.0") < At("assemble.0.limbs"));
        Assert.True(At("assemble.0.limbs") < At("pack.0"));
        Assert.Contains("Join head", steps[At("dip.0")].Text, StringComparison.Ordinal);
        Assert.DoesNotContain(steps, s => s.Code == "assemble.0.join");
    }

    [Fact]
    public void A_cut_piece_is_its_share_and_its_face() => Gen.Double[0.2, 0.9].Sample(
        kept =>
        {
            foreach (var whole in Tables.Centres.SelectMany(c => c.Sizes).Select(s => s.Shape).Where(s => s is not Cavity))
            {
                var (cut, rest) = (new Cut(whole, new(kept)), whole.DippedArea(new(kept)));
                Assert.Equal(whole.Length.Si * kept, cut.Length.Si, 12);
                Assert.True(cut.WholeVolume.Si <= whole.WholeVolume.Si + 1e-15);
                Assert.True(cut.WholeArea >= rest);
                Assert.Equal(rest.Si, cut.DippedArea(new(0.999999)).Si, 1e-6);
                Assert.InRange(cut.Outline(false).Area, whole.Outline(false).Area * 0.05, whole.Outline(false).Area);
            }
        },
        iter: 15);

    /// <summary>Half a round cookie: two half faces, half a rim, and the cut, which is as wide as the cookie and as high.</summary>
    [Fact]
    public void Half_a_cookie_has_the_area_that_a_ruler_finds()
    {
        var half = new Cut(Tables.Centre("sandwich-cookie")!.Size("thin")!.Shape, new(0.5));
        Assert.Equal((Math.PI / 4 * 45 * 45) + (Math.PI * 45 / 2 * 10) + (45 * 10), half.WholeArea.In("cm²") * 100, 0.5);
    }
}

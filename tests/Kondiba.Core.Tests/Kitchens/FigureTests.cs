using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

public sealed class FigureTests
{
    private static readonly Gen<Centre> AnyFigure = Gen.OneOfConst([.. Tables.Reference.Figures]);

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
        foreach (var figure in Tables.Reference.Figures)
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
        var tally = Tally(null, Of(Tables.Reference.Centre("telescope")!, 12));
        var pot = Assert.Single(tally.Pots);
        Assert.Equal(
            tally.Lines[0].OnPieces.Value.Si + tally.Lines[0].Parts!.Sum(p => p.Tally.OnPieces.Value.Si), pot.OnPieces.Value.Si, 9);
        Assert.Contains(pot.Drizzle!.Mass.Working, w => w.What.Said().StartsWith("dots that hold it together", StringComparison.Ordinal));
    }

    [Fact]
    public void A_part_can_have_a_colour_of_its_own()
    {
        var line = Of(
            Tables.Reference.Centre("telescope")!, 12) with
        { Making = new(Colours: new Dictionary<string, string> { ["legs"] = "silver" }) };
        var tally = Tally(null, line);
        Assert.Equal(["midnight", "silver"], tally.Pots.Select(p => p.Colour).Order());
        Assert.Equal("silver", tally.Lines[0].Parts!.Single(p => p.Code == "legs").Colour);
        var wrong = line with { Making = new(Colours: new Dictionary<string, string> { ["legs"] = "mud" }) };
        Assert.Contains(Tally(null, wrong).Problems, p => p.Field == "lines[0].making.colours.legs");
    }

    [Fact]
    public void Twelve_knights_want_cookies_heads_and_eyes()
    {
        var order = Order(null, Of(Tables.Reference.Centre("knight")!, 12));
        var tally = CoatingTally.For(order, Tables, Now);
        double Need(string ware) => Pantry.Need.Of(order, tally, Tables.Reference).Single(n => n.Ware == ware).ToHave.Value;

        // Of 12 bodies 4 % go wrong, of 12 heads 15 %, each from an oval of its own: 13 and 14.
        Assert.Equal(27, Need("centre.oval-cookie.one"));
        Assert.Equal(13, Need("centre.sandwich-cookie.double"));
        Assert.Equal(13, Need("part.eye"));
        Assert.Equal(38, Need("part.candy-button"));
        Assert.True(Costing.For(order, tally, Tables).Parts.Single(p => p.Code == "centres").Cost.Value.Amount > 0);
        Assert.Contains(Amounts.Allergens.Of(order, Tables.Reference), u => u.Allergen == "wheat");
    }

    [Fact]
    public void No_shipped_figure_has_limbs_cut_from_twists() =>
        Assert.DoesNotContain(Tables.Reference.Figures.SelectMany(f => f.Figure!.Parts), p => p.Centre.Code is "pretzel-twist");

    private static readonly OwnFigure Buoy = new(
        "buoy", "buoy", "buoys", "cake-ball", "one", 0,
        [
            new("masts", "masts", "pretzel-rod", "one", 0.25, 4, 0.1, 1, true, false, false, "silver", [new(0, -40)]),
            new("skirt", "skirts", "sandwich-cookie", "thin", 1, 1, 0.05, 1, false, true, true, null, [new(0, 18)]),
        ],
        [new("candy-button", [new(-6, 0), new(6, 0)])]);

    private static KitchenTables With(OwnFigure figure, params OwnCentre[] centres) =>
        OwnTables.For(Tables, OwnThings.None with { Figures = [figure], Centres = centres });

    private static readonly Gen<OwnFigure> AnyOwn =
        from body in AnyPiece
        from parts in (from piece in AnyPiece
                       from cuts in Gen.Int[1, 4]
                       from places in Gen.Int[1, 3]
                       from joined in Gen.Bool
                       from spoil in Gen.Double[0, 0.4]
                       select new OwnFigurePart(
                           "",
                           "bits",
                           piece.Centre,
                           piece.Size,
                           1.0 / cuts,
                           cuts,
                           spoil,
                           1,
                           false,
                           false,
                           joined,
                           null,
                           [.. Enumerable.Repeat(new Spot(10, 20, 30), places)])).Array[1, 3]
        from eyes in Gen.Int[0, 2]
        select new OwnFigure(
            "own",
            "own one",
            "own ones",
            body.Centre,
            body.Size,
            0,
            [.. parts.Select((p, i) => p with { Code = $"part-{i}" })],
            eyes == 0 ? [] : [new("eye", [.. Enumerable.Repeat(new Spot(0, 0), eyes)])]);

    private static Gen<(string Centre, string Size)> AnyPiece =>
        from centre in Gen.OneOfConst([.. Tables.Reference.Centres.Where(c => c.Holding is not Holding.Mould)])
        from size in Gen.OneOfConst([.. centre.Sizes])
        select (centre.Code, size.Code);

    /// <summary>Whatever a maker builds is counted, bought and worked like a shipped figure; counted here from the form, without the figure's own code.</summary>
    [Fact]
    public void Any_figure_of_ones_own_scales_and_asks_for_its_work() => (from own in AnyOwn from count in Gen.Int[1, 40] select (own, count)).Sample(
        x =>
        {
            Assert.Empty(OwnCheck.Of(x.own, Tables.Reference));
            var tables = With(x.own);
            var order = Order(null, Line("own", "one", x.count)) with { Pickup = Now.PlusDays(20) };
            var tally = CoatingTally.For(order, tables, Now);
            Assert.DoesNotContain(tally.Problems, p => p.Severity is Severity.Error);
            Assert.Equal(
                x.own.Parts.Select(p => (double)p.Places.Count * x.count), tally.Lines[0].Parts!.Select(p => (double)p.Tally.Count.Value));
            var steps = PrepList.For(order, tally, tables, Now).Steps.Select(s => s.Code).ToList();
            Assert.Equal(x.own.Parts.Any(p => p.Cuts > 1), steps.Exists(c => c.StartsWith("prep.own.cut", StringComparison.Ordinal)));
            Assert.Equal(x.own.Parts.Any(p => !p.Joined), steps.Exists(c => c.StartsWith("assemble.0.glue", StringComparison.Ordinal)));
            if (x.own.Stuck.Count > 0)
                Assert.True(
                    Pantry.Need.Of(order, tally, tables.Reference).Single(
                        n => n.Ware == "part.eye").ToHave.Value >= x.count * x.own.Stuck[0].Places.Count);
            Assert.True(Costing.For(order, tally, tables).Cost.Amount > 0);
        },
        iter: 40);

    [Fact]
    public void A_shipped_figure_taken_into_the_form_and_kept_is_the_same()
    {
        foreach (var shipped in Tables.Reference.Figures)
        {
            var own = OwnFigure.Entered(shipped);
            Assert.Empty(OwnCheck.Of(own, Tables.Reference));
            var kept = CoatingTally.For(Order(null, Of(shipped, 7)), With(own), Now);
            Assert.Equal(Tally(null, Of(shipped, 7)).Pots.Select(p => p.ToMelt.Value.Si), kept.Pots.Select(p => p.ToMelt.Value.Si));
            Assert.Equivalent(own, OwnFigure.Entered(With(own).Reference.Centre(own.Code)!));
        }
    }

    [Fact]
    public void A_part_has_its_usual_colour_where_the_coating_comes_in_it()
    {
        var tables = With(Buoy);
        Assert.Equal(
            ["midnight", "silver"],
            CoatingTally.For(Order(null, Line("buoy", "one", 6, "midnight")), tables, Now).Pots.Select(p => p.Colour).Order());
        var chosen = Line("buoy", "one", 6) with { Making = new(Colours: new Dictionary<string, string> { ["masts"] = "teal" }) };
        Assert.Equal("teal", CoatingTally.For(Order(null, chosen), tables, Now).Lines[0].Parts![0].Colour);
        var without = CoatingTally.For(Order(null, Line("buoy", "one", 6, "dark") with { Coating = "dark-couverture" }), tables, Now);
        Assert.Contains(without.Problems, p => p.Field == "lines[0].making.colours.masts" && p.Severity is Severity.Mind);
        Assert.Equal("dark", without.Lines[0].Parts![0].Colour);
    }

    [Fact]
    public void A_figure_is_made_from_the_kitchens_own_centres()
    {
        var cookie = OwnTables.Entered(Tables.Reference.Centre("oval-cookie")!);
        var bigger = cookie with
        {
            Sizes = [
            cookie.Sizes[0] with { Measures = new Dictionary<string, double> { ["long"] = 80, ["wide"] = 40, ["thick"] = 14 }, Mass = 25 },
        ]
        };
        double Coating(KitchenTables tables) =>
            CoatingTally.For(Order(null, Line("boat", "one", 6)), tables, Now).Pots.Sum(p => p.ToMelt.Value.Si);
        var with = OwnTables.For(Tables, OwnThings.None with { Centres = [bigger] });
        Assert.True(Coating(with) > Coating(Tables) * 1.1);

        // A size that the kitchen's own does not come in stays the shipped one.
        var other = OwnTables.For(
            Tables, OwnThings.None with { Centres = [cookie with { Sizes = [cookie.Sizes[0] with { Code = "huge", Name = "huge" }] }] });
        Assert.Equal(Coating(Tables), Coating(other));
        Assert.Contains(
            Pantry.Need.Of(
                Order(null, Line("boat", "one", 6)), CoatingTally.For(Order(null, Line("boat", "one", 6)), other, Now), other.Reference),
            n => n.Ware == "centre.oval-cookie.one");
    }

    [Fact]
    public void A_figure_holds_what_its_parts_hold()
    {
        var tables = With(Buoy with { Body = "truffle-ball" });
        var uses = Amounts.Allergens.Of(Order(null, Line("buoy", "one", 6)), tables.Reference);
        Assert.Contains(uses, u => u.Allergen == "wheat" && u.Component == "sandwich cookies");
        Assert.Contains(uses, u => u.Allergen == "milk" && u.Component == "whipping cream");
    }

    [Fact]
    public void What_cannot_be_put_together_is_named_by_its_field()
    {
        string[] Fields(OwnFigure figure) => [.. OwnCheck.Of(figure, Tables.Reference).Select(p => p.Field)];
        OwnFigure Mast(Func<OwnFigurePart, OwnFigurePart> change) => Buoy with { Parts = [change(Buoy.Parts[0])] };
        Assert.Empty(Fields(Buoy));
        Assert.Equal(["body"], Fields(Buoy with { Body = "moulded-piece", BodySize = "bite" }));
        Assert.Equal(["body"], Fields(Buoy with { BodySize = "XXL" }));
        Assert.Equal(["name"], Fields(Buoy with { Code = "apple" }));
        Assert.Equal(["name", "plural"], Fields(Buoy with { Name = " ", Plural = "" }));
        Assert.Equal(["parts"], Fields(Buoy with { Parts = [], Stuck = [] }));
        Assert.Equal(["parts"], Fields(Buoy with { Parts = [Buoy.Parts[0], Buoy.Parts[0]] }));
        Assert.Equal(["parts[0].cuts"], Fields(Mast(p => p with { Cuts = 5 })));
        Assert.Equal(["parts[0].kept"], Fields(Mast(p => p with { Kept = double.NaN })));
        Assert.Equal(["parts[0].spoil", "parts[0].depth"], Fields(Mast(p => p with { Spoil = 0.6, Depth = 0 })));
        Assert.Equal(["parts[0].places"], Fields(Mast(p => p with { Places = [new(0, double.PositiveInfinity)] })));
        Assert.Equal(["parts[0].places"], Fields(Mast(p => p with { Places = [] })));
        Assert.Equal(["parts[0].centre"], Fields(Mast(p => p with { Centre = "telescope" })));
        Assert.Equal(["stuck[0].part"], Fields(Buoy with { Stuck = [new("anchor", [new(0, 0)])] }));
        Assert.Equal(["turn"], Fields(Buoy with { Turn = 999 }));
    }

    [Fact]
    public void No_stick_goes_into_a_figures_marshmallows()
    {
        var order = Order(null, Line("lighthouse", "one", 6), Line("marshmallow", "one", 4)) with { Pickup = Now.PlusDays(4) };
        var tally = CoatingTally.For(order, Tables, Now);
        var figures = PrepList.For(Order(null, Line("lighthouse", "one", 6)), Tally(null, Line("lighthouse", "one", 6)), Tables, Now).Steps;
        Assert.DoesNotContain(figures, s => s.Text.Said().Contains("stick", StringComparison.Ordinal));

        // Four marshmallows of the other line get one each, those of the lighthouses none.
        var stick = PrepList.For(order, tally, Tables, Now).Steps.Single(s => s.Code == "prep.marshmallow.stick");
        Assert.Equal(60 + (5 * 8), stick.Hands.TotalSeconds, 1e-6);
        Assert.Equal(5, Pantry.Need.Of(order, tally, Tables.Reference).Single(n => n.Ware == "supply.lolly-stick").ToHave.Value);
    }

    [Fact]
    public void Every_part_lies_on_a_tray()
    {
        var tally = Tally(null, Of(Tables.Reference.Centre("boat")!, 20));
        var laid = tally.Trays.SelectMany(t => t.Rows).GroupBy(r => r.Part ?? "body").ToDictionary(g => g.Key, g => g.Sum(r => r.Count));
        Assert.Equal((20, 40), (laid["body"], laid["sails"]));
    }

    [Fact]
    public void A_figure_is_joined_as_it_is_dipped_and_limbs_are_glued_when_it_has_set()
    {
        var order = Order(null, Of(Tables.Reference.Centre("telescope")!, 6));
        var steps = PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now).Steps;
        int At(string code) => steps.Select((s, i) => (s, i)).Single(s => s.s.Code == code).i;
        Assert.True(At("prep.telescope.cut") < At("dip.0"));
        Assert.True(At("dip.0") < At("assemble.0.glue"));
        Assert.True(At("assemble.0.glue") < At("pack.0"));
        Assert.Contains(
            "Join the front tubes and lenses to it while the coat is wet", steps[At("dip.0")].Text.Said(), StringComparison.Ordinal);
        Assert.DoesNotContain(steps, s => s.Code == "assemble.0.join");
    }

    [Fact]
    public void A_cut_piece_is_its_share_and_its_face() => Gen.Double[0.2, 0.9].Sample(
        kept =>
        {
            foreach (var whole in Tables.Reference.Centres.SelectMany(c => c.Sizes).Select(s => s.Shape).Where(s => s is not Cavity))
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
        var half = new Cut(Tables.Reference.Centre("sandwich-cookie")!.Size("thin")!.Shape, new(0.5));
        Assert.Equal((Math.PI / 4 * 45 * 45) + (Math.PI * 45 / 2 * 10) + (45 * 10), half.WholeArea.In("cm²") * 100, 0.5);
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What a maker tells about the kitchen, and what comes of it.</summary>
public class OwnThingsTests
{
    private static readonly OwnCentre Pear = new(
        "pear", "pear", "pears", "ball", Holding.Stick, true, 1, 0.02, null, [], ["Wash and dry."],
        [new("small", "small", 120, new Dictionary<string, double> { ["diameter"] = 62, ["bareCap"] = 15 })]);

    private static readonly OwnCoating Craft = new(
        "craft", "craft wafers", false, 8, 30, 43, 34, 36, [
            "flakes",
        ], ["milk"], [new(340, 3.50m), new(1000, 9m, 1m, 1)], [new("sea", "sea green", "#2E8B7A")]);

    private static KitchenTables With(OwnThings own) => OwnTables.For(Tables, own);

    [Fact]
    public void A_centre_of_the_makers_own_is_dipped_like_any_other()
    {
        Assert.Empty(OwnCheck.Of(Pear, Tables.Reference));
        var tables = With(OwnThings.None with { Centres = [Pear] });
        var tally = CoatingTally.For(Order(null, Line("pear", "small", 6)), tables, Now);
        Assert.Empty(tally.Problems);
        Assert.Equal(0.85 * Math.PI * 62 * 62, Size("pear", tables.Reference).Shape.WholeArea.In("mm²"), 6);
        Assert.Contains(tally.Lines[0].PerPiece.Working, w => w.Source == Source.Kitchen && w.Value == 62);
    }

    [Fact]
    public void Every_shipped_thing_entered_again_unchanged_computes_the_same_with_its_sources()
    {
        var own = OwnThings.None with
        {
            Centres = [
            .. Tables.Reference.Centres.Select(OwnTables.Entered),
        ],
            Coatings = [.. Tables.Reference.Coatings.Select(OwnTables.Entered)]
        };
        var tables = With(own);
        foreach (var line in Tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => Line(
            c.Code, s.Code, 5, depth: c.UsualDepth.Value.Si, coats: c.LeastCoats))))
        {
            var (mine, shipped) = (CoatingTally.For(Order(null, line), tables, Now), Tally(null, line));
            Assert.Equal(shipped.Pots[0].ToMelt.Value.Si, mine.Pots[0].ToMelt.Value.Si, 9);
            Assert.Equal(shipped.Lines[0].PerPiece.Working.Select(w => w.Source), mine.Lines[0].PerPiece.Working.Select(w => w.Source));
            Assert.Equal(shipped.Pots[0].Packs.Working.Select(w => w.Source), mine.Pots[0].Packs.Working.Select(w => w.Source));
        }
    }

    [Fact]
    public void A_coating_is_read_off_its_label()
    {
        Assert.Empty(OwnCheck.Of(Craft, Tables.Reference));
        var coating = With(OwnThings.None with { Coatings = [Craft] }).Reference.Coating("craft")!;
        Assert.Equal(8.0 / 30, coating.Fat.Value.Si, 12);
        Assert.Equal(35, coating.DipAt.Value.In("°C"), 9);
        Assert.Equal(Cover.Middle, coating.Colours.Single().Cover);
    }

    [Fact]
    public void Ways_of_the_kitchen_reach_every_pot()
    {
        var tables = With(OwnThings.None with
        {
            Ways = new(
                "compound-wafer-cool", "flakes", 1.1, 0.2, "tapped", 6, null, ["narrow-glass", "tall-glass", "tilted-dish", "loaf-dish"]),
            Vessels = [
                new("vase", "narrow vase", "round", new Dictionary<string, double> { ["bottom"] = 55, ["top"] = 60, ["height"] = 150 }),
            ],
        }) with
        { Stock = new([new($"coating.{Wafers}.midnight", 100, new LocalDate(2031, 6, 1))]) };
        var pot = CoatingTally.For(Order(null, Rods(48)), tables, Now).Pots.Single();
        Assert.Equal("vase", pot.Vessel);
        Assert.Equal(1.1, pot.TestFilm.Value.In("mm"), 0.12);
        Assert.Equal(100, pot.Cover.FromStock, 6);
        Assert.DoesNotContain(pot.Vessels, v => v.Vessel == "tall-glass");
        Assert.Contains(pot.ToMelt.Working, w => w.What.Said() == "margin" && w.Value == 0.2 && w.Source == Source.Kitchen);
        Assert.Contains(pot.TestFilm.Working, w => w.What.Said() == "drip time" && w.Value == 6);
        Assert.Equal("compound-wafer-cool", tables.Profile.Habits.Coating);
        Assert.Empty(OwnCheck.Of(new Ways("compound-wafer-cool", "flakes", 1.1, 0.2, "tapped", 6), Tables.Reference));
    }

    public static TheoryData<OwnCentre, string, string> BadCentres => new()
    {
        { Pear with { Code = "two words" }, "code", "not a code" },
        { Pear with { Name = " " }, "name", "name is missing" },
        { Pear with { Shape = "cloud" }, "shape", "no shape called" },
        { Pear with { UsualDepth = 1.4 }, "usualDepth", "not possible" },
        { Pear with { Pack = 0 }, "pack", "at least one piece" },
        { Pear with { Sizes = [] }, "sizes", "no size" },
        { Sized("ball", 120, ("diameter", 62)), "sizes[0].measures.bareCap", "Left bare at the stalk is missing" },
        { Sized("ball", 120, ("diameter", -4), ("bareCap", 0)), "sizes[0].measures.diameter", "not possible" },
        { Sized("ball", 12_000, ("diameter", 62), ("bareCap", 0)), "sizes[0].mass", "not possible" },
        { Sized("ball", 900, ("diameter", 62), ("bareCap", 0)), "sizes[0].mass", "heavier than any food" },
        { Sized("ring", 60, ("outer", 60), ("hole", 70), ("thick", 10)), "sizes[0].measures", "as wide as the ring" },
        { Sized(
            "wrappedRod", 25, ("height", 200), ("diameter", 13), ("rope", 9), ("pitch", 5)), "sizes[0].measures",
                "closer than the rope is thick" },
        { Sized("oval", 14, ("long", 30), ("wide", 60), ("thick", 12)), "sizes[0].measures", "wider than it is long" },
    };

    [Theory]
    [MemberData(nameof(BadCentres))]
    public void A_centre_that_cannot_be_is_named_by_its_field(OwnCentre centre, string field, string reason) =>
        Names(OwnCheck.Of(centre, ReferenceData.Shipped), field, reason);

    public static TheoryData<OwnCoating, string, string> BadCoatings => new()
    {
        { Craft with { FatPerServing = 20 }, "fatPerServing", "more than any coating has" },
        { Craft with { FatPerServing = 31 }, "fatPerServing", "more fat than the serving" },
        { Craft with { FatPerServing = 1 }, "fatPerServing", "doesn’t flow" },
        { Craft with { Serving = 0 }, "serving", "serving size is missing" },
        { Craft with { DipFrom = 40 }, "dipFrom", "starts above its end" },
        { Craft with { DipTo = 50 }, "dipTo", "above the melting limit" },
        { Craft with { Packs = [new(0, 2m)] }, "packs[0].mass", "pack size is missing" },
        { Craft with { Packs = [new(340, -2m)] }, "packs[0].price", "not possible" },
        { Craft with { Packs = [new(340, 2m, 3m, 1)] }, "packs[0].coupon", "more than the price" },
        { Craft with { Colours = [] }, "colours", "at least one colour" },
        { Craft with { Colours = [new("sea", "sea", "green")] }, "colours[0].srgb", "not a colour" },
        { Craft with { Thinners = ["water"] }, "thinners", "no thinner called" },
    };

    [Theory]
    [MemberData(nameof(BadCoatings))]
    public void A_coating_that_cannot_be_is_named_by_its_field(OwnCoating coating, string field, string reason) =>
        Names(OwnCheck.Of(coating, Tables.Reference), field, reason);

    [Fact]
    public void Vessels_lots_and_ways_that_cannot_be_are_named_by_their_field()
    {
        Names(
            OwnCheck.Of(new OwnVessel(
                "vase", "vase", "round", new Dictionary<string, double> { ["bottom"] = 55, ["top"] = 2, ["height"] = 90 })),
            "measures.top",
            "not possible");
        Names(OwnCheck.Of(new OwnVessel("vase", "vase", "sieve", new Dictionary<string, double>())), "kind", "no kind");
        Names(OwnCheck.Of(new OwnWare("sprinkle.tar", "", WareUnit.Grams), Tables.Reference), "code", "no item");
        Names(OwnCheck.Of(new OwnWare("supply.net", "", WareUnit.Pieces), Tables.Reference), "name", "name is missing");
        Names(
            OwnCheck.Of(
                new OwnWare(
                    "sprinkle.jimmies", "", WareUnit.Grams, [new(0, 2)]), Tables.Reference), "packs[0].holds", "holds at least one");
        Names(
            OwnCheck.Of(new OwnWare($"coating.{Wafers}.dark", "", WareUnit.Grams, [new(500, 2)]), Tables.Reference),
            "packs",
            "with the coating");
        Names(OwnCheck.Of(new OwnWare("supply.cup", "", WareUnit.Pieces, Low: -1), Tables.Reference), "low", "reorder level");
        Names(OwnCheck.Of(new Rates(Hour: -1)), "hour", "not possible");
        Names(OwnCheck.Of(new Rates(Margin: 0.95)), "margin", "not possible");
        Names(OwnCheck.Of(new Ways(Film: 9), Tables.Reference), "film", "coat thickness");
        Names(OwnCheck.Of(new Ways(Margin: -1), Tables.Reference), "margin", "not possible");
        Names(OwnCheck.Of(new Ways(Shake: "wildly"), Tables.Reference), "shake", "no way to drain");
    }

    [Fact]
    public void A_centre_too_large_for_every_vessel_is_named_with_what_to_do()
    {
        var melon = Sized("ball", 3000 / 1.5, ("diameter", 190), ("bareCap", 10));
        Assert.Empty(OwnCheck.Of(melon, Tables.Reference));
        var tally = CoatingTally.For(
            Order(null, Line("pear", "small", 1), Truffles(24)), With(OwnThings.None with { Centres = [melon] }), Now);
        var problem = Assert.Single(tally.Problems);
        Assert.Equal(("lines[0].depth", Severity.Unfit), (problem.Field, problem.Severity));
        Assert.Contains("add a larger vessel", problem.Remedy.Said(), StringComparison.Ordinal);
        Assert.Single(tally.Pots);
    }

    private static void Names(IReadOnlyList<Problem> problems, string field, string reason)
    {
        var problem = Assert.Single(problems);
        Assert.Equal(field, problem.Field);
        Assert.Contains(reason, problem.Reason.Said(), StringComparison.Ordinal);
        Assert.NotEmpty(problem.Remedy.Said());
    }

    private static CentreSize Size(string centre, ReferenceData tables) => tables.Centre(centre)!.Sizes[0];

    private static OwnCentre Sized(string shape, double mass, params (string Code, double Value)[] measures) =>
        Pear with { Shape = shape, Sizes = [new("small", "small", mass, measures.ToDictionary(m => m.Code, m => m.Value))] };
}

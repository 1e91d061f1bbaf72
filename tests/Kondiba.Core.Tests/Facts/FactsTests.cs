using System.Globalization;
using System.Text;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Setting;
using Kondiba.Core.Thinning;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>
/// What makers know of amounts, thinning and setting, beside what Core computes at the way and the vessel that it chooses itself:
/// within a factor of 1.35, thinned or not. Written to docs/facts.md.
/// </summary>
public class FactsTests
{
    private const double Within = 1.35;
    private const string Practice = "common practice", Memory = "from memory", Estimate = "estimate", Published = "published";

    /// <summary>
    /// A fact: what is said of it, in which unit, from least to most, how well it is known; and what Core says, by the thinner chosen.
    /// </summary>
    private sealed record Fact(
        string What, string Unit, double From, double To, string Tag, Func<string?, double?> Computed, bool Thinned = true)
    {
        public static double Ratio(double computed, double from, double to) =>
            computed < from ? computed / from : computed > to ? computed / to : 1;
    }

    private static readonly Fact[] All =
    [
        Bag("24 sandwich cookies, whole on a fork", Line("sandwich-cookie", "thin", 24)),
        Bag("21 pretzel rods, half dipped", Line("pretzel-rod", "one", 21, "white", 0.5)),
        Bag("30 cake balls of 34 mm", Line("cake-ball", "one", 30, "white")),
        Bag("6 medium apples", Line("apple", "M", 6, "milk")),
        Bag("75 mini twists", Line("pretzel-twist", "mini", 75, "white")),
        Bag("36 truffles of 30 mm", Line("truffle-ball", "one", 36)),
        Bag("24 large berries, two thirds", Line("strawberry", "L", 24, "dark", 2 / 3.0)),
        new(
            "a pound of large berries, two thirds, takes",
            "g to melt",
            260,
            400,
            Practice,
            t => Melt(t, Line("strawberry", "L", 453, "dark", 2 / 3.0) with { CountedIn = CountedIn.Weight })),
        new("16 oz of coating melt to", "fl oz", 12, 12, Practice, t => (Quantities.Of<Mass>(16, "oz") / Flow(t).Density).In("fl oz")),
        new(
            "a thinned coat goes further by a factor of",
            "",
            1.25,
            1.25,
            Practice,
            _ => PerPiece(null) / PerPiece("flakes"),
            Thinned: false),
        new(
            "a cavity heaped level with dry wafers holds, of its volume in coating",
            "%",
            60,
            60,
            Practice,
            _ => Tables.Reference.Moulding.DryWafers.Value.In("%"),
            Thinned: false),
        new("60 mini twists on a fork leave in the pot", "g", 60, 300, Practice, t => Pool(t, Line("pretzel-twist", "mini", 60, "milk"))),
        new("30 cookies on a fork leave in the pot", "g", 70, 350, Practice, t => Pool(t, Line("sandwich-cookie", "thin", 30, "white"))),
        new(
            "12 half-dipped rods, rocked in a common dish, leave in it",
            "g",
            100,
            150,
            Estimate,
            t => Pool(t, Line("pretzel-rod", "one", 12, "white", 0.5))),
        new("3 truffles, spooned over, leave in the bowl", "g", 60, 80, Estimate, t => Pool(t, Truffles(3))),
        new("a jug or bag keeps", "g", 10, 25, Practice, _ => Pool(null, Line("moulded-piece", "accent", 30)), Thinned: false),
        new("522 g of ganache by the heaped tablespoon make", "truffles", 18, 18, Practice, _ => FillingTally.For(
            Ganache, 27, Ganache.Portion, Tables.Reference) is var f
            ? Math.Floor(
                522 * (1 - Ganache.Loss.Value.Si) / f.Scoops.Single(s => s.Scoop == "heaped-tablespoon").Portion
                    .In("g")) : null, Thinned: false),
        new(
            "the cream to 326 g of dark chocolate",
            "g",
            196,
            196,
            Practice,
            _ => FillingTally.From(Ganache, "dark-chocolate", Grams(326), Ganache.Portion, Tables.Reference).Amounts[1].Mass.Value.In("g"),
            Thinned: false),

        new("flakes to 450 g of wafers dipped warm", "tbsp", 2, 2, Practice, _ => Spoons(Wafers, "flakes", 450), Thinned: false),
        new(
            "flakes to a bag of 340 g of craft wafers, dipped cool",
            "tbsp",
            4,
            4,
            Practice,
            _ => Spoons("compound-wafer-cool", "flakes", 340),
            Thinned: false),
        new("oil to 570 g of chips", "tbsp", 3, 3, Practice, _ => Spoons("chips-with-oil", "oil", 570), Thinned: false),
        new("added fat at most", "%", 12, 12, Memory, _ => Tables.Reference.Thinning.Limit.Value.In("%"), Thinned: false),

        Sets("moulded bites on the counter, touch-dry", "moulded-piece", "bite", "counter", s => s.TouchDry, 10, 15),
        Sets("cookies in the fridge, dry to the touch", "sandwich-cookie", "thin", "fridge", s => s.TouchDry, 5, 5),
        Sets("cake pops in the fridge, dry to the touch", "cake-ball", "one", "fridge", s => s.TouchDry, 5, 5),
        Sets("berries in the fridge, cold and hard through", "strawberry", "L", "fridge", s => s.Through, 60, 60),
        Sets("cookies in the freezer, touch-dry", "sandwich-cookie", "thin", "freezer", s => s.TouchDry, 3, 3),
        Sets("cake pops in the freezer, touch-dry", "cake-ball", "one", "freezer", s => s.TouchDry, 3, 3),
        Sets("twists in the freezer, hard", "pretzel-twist", "full", "freezer", s => s.HandleHard, 5, 5),
        Sets("mini twists in the freezer, hard", "pretzel-twist", "mini", "freezer", s => s.HandleHard, 5, 5),
        Sets("truffles on the counter, sound hard", "truffle-ball", "one", "counter", s => s.HandleHard, 60, 60),
        Sets("cookies on the counter, hard", "sandwich-cookie", "thin", "counter", s => s.HandleHard, 60, 60),
        Sets("crackers on the counter, hard", "cracker-sandwich", "one", "counter", s => s.HandleHard, 60, 60),
        Sets("fruit rings straight from the freezer, set", "fruit-ring", "one", "counter", s => s.TouchDry, 10 / 60.0, 1),
        new(
            "filled bars in the freezer before dipping",
            "min",
            60,
            60,
            Practice,
            _ => SettingModel.ColdThrough(
                One(null, "coconut-bar", "one").Piece with { CentreAt = Tables.Reference.Setting.Room.Air },
                Tables.Reference.Setting.Places.First(p => p.Code == "freezer"),
                Tables.Reference.Setting)!.Value.TotalMinutes,
            Thinned: false),
        new("rooms: hard at 24 °C takes, of the time at 20 °C", "", 2, 2, Estimate, t => Hard(t, 24) / Hard(t, 20)),
        new(
            "warmest counter on which a coat gets hard",
            "°C",
            26,
            26,
            Practice,
            _ => Tables.Reference.Setting.Family("lauric").WarmestFor(Tables.Reference.Setting.HandleHard.Value, default).In("°C"),
            Thinned: false),
        new(
            "dew point of 20 °C at 50 %",
            "°C",
            9.3,
            9.3,
            Published,
            _ => Air.DewPoint(Quantities.Of<Temperature>(20, "°C"), new(0.5)).In("°C"),
            Thinned: false),
        new(
            "dew point of 25 °C at 60 %",
            "°C",
            16.7,
            16.7,
            Published,
            _ => Air.DewPoint(Quantities.Of<Temperature>(25, "°C"), new(0.6)).In("°C"),
            Thinned: false),
    ];

    public static TheoryData<string> Every => [.. All.Select(f => f.What)];

    [Theory]
    [MemberData(nameof(Every))]
    public void A_fact_of_the_trade_holds(string what)
    {
        var fact = All.Single(f => f.What == what);
        foreach (var thinner in fact.Thinned ? new[] { null, "flakes" } : [null])
        {
            var computed = fact.Computed(thinner)!.Value;
            var ratio = Fact.Ratio(computed, fact.From, fact.To);
            TestContext.Current.TestOutputHelper?.WriteLine(
                $"{what}, {thinner ?? "plain"}: {Number(fact.From)}–{Number(fact.To)} {fact.Unit}, computed {Number(computed)}, ratio {ratio:0.00}");
            Assert.InRange(ratio, 1 / Within, Within);
        }
    }

    [Fact]
    public void The_page_of_facts_is_what_Core_computes() => DocsTests.Same("facts.md", Page());

    private static string Page()
    {
        var page = new StringBuilder($"""
            # What makers know, and what Kondiba computes

            Every fact is computed at the way and the vessel that Kondiba chooses itself, in hot-flow wafers as they come and thinned with
            flakes, and must be within a factor of {Within}. The ratio is to the nearer end of what the trade says; 1 within it. Written by
            `FactsTests`.

            | fact | trade | how well known | computed | ratio | thinned | ratio |
            |---|---:|---|---:|---:|---:|---:|

            """);
        foreach (var f in All)
        {
            var (plain, thinned) = (f.Computed(null)!.Value, f.Thinned ? f.Computed("flakes") : null);
            var trade = f.From < f.To ? $"{Number(f.From)}–{Number(f.To)}" : Number(f.From);
            page.AppendLine(
                CultureInfo.InvariantCulture,
                $"| {f.What} | {trade} {f.Unit} | {f.Tag} | {Number(plain)} | {Fact.Ratio(plain, f.From, f.To):0.00} | {(thinned is { } t ? $"{Number(t)} | {Fact.Ratio(t, f.From, f.To):0.00}" : " | ")} |");
        }

        return page.ToString();
    }

    private static string Number(double value) => value.ToString(value < 10 ? "0.##" : "0", CultureInfo.InvariantCulture);

    private static Filling Ganache => Tables.Reference.Fillings.Single(f => f.Code == "ganache-dark");

    /// <summary>What a bag of 340 g covers, as makers count it: what stays in the pot included, a third to either side.</summary>
    private static Fact Bag(string what, LineDraft line) =>
        new($"a 340 g bag covers {what}", "g to melt", 255, 340, Memory, t => Melt(t, line));

    private static Fact Sets(
        string what, string centre, string size, string place, Func<SettingTime, NodaTime.Duration?> time, double from, double to) =>
        new(what, "min", from, to, Practice, t => time(One(t, centre, size).Setting.Single(s => s.Place == place))?.TotalMinutes);

    private static LineTally One(string? thinner, string centre, string size) =>
        Tally(new(Thinner: thinner), Line(centre, size, 12, depth: Tables.Reference.Centre(centre)!.UsualDepth.Value.Si)).Lines[0];

    private static double Hard(string? thinner, double celsius)
    {
        var room = Tables.Reference.Setting.Room with { Air = new(Quantities.Of<Temperature>(celsius, "°C"), Source.Entered) };
        return SettingModel.For(
            One(
                thinner, "truffle-ball", "one").Piece with
            { CentreAt = room.Air }, room, Tables.Reference.Setting).HandleHard!.Value.TotalMinutes;
    }

    private static double Melt(string? thinner, LineDraft line) => Tally(new(Thinner: thinner), line).Pots.Single().ToMelt.Value.In("g");

    private static double Pool(string? thinner, LineDraft line) => Tally(new(Thinner: thinner), line).Pots.Single().Pool.Value.In("g");

    private static double PerPiece(string? thinner) =>
        Tally(new(Thinner: thinner), Line("sandwich-cookie", "thin", 24)).Lines[0].PerPiece.Value.In("g");

    private static Flow Flow(string? thinner) =>
        Films.Flow.Of(Tables.Reference.Coatings[0], thinner is null ? default : new(0.04), Tables.Reference.Film);

    private static double Spoons(string coating, string thinner, double grams) =>
        grams * Dose.For(
            Tables.Reference.Coating(
                coating)!, Tables.Reference.Thinner(
                    thinner)!, Tables.Reference.Thinning.Target.Value, Tables.Reference.Film,
                        Tables.Reference.Thinning).Rate.Si / Tables.Reference.Thinner(
                thinner)!.Tablespoon.Value.In(
            "g");
}

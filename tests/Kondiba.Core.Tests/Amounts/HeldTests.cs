using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Pricing;
using Kondiba.Core.Steps;
using Kondiba.Core.Wares;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Pieces that are decorated bare, put on sticks, set on piped discs.</summary>
public sealed class HeldTests
{
    private static readonly PatternDraft Web = new("web", Wafers, "white", 4, null, 1.8);

    private static Decor Drawn(params PatternDraft[] patterns) => Decor.None with { Patterns = patterns };

    private static LineDraft Bare(Decor? decor, string centre = "sandwich-cookie", string size = "thin", double count = 24) =>
        Line(centre, size, count, "dark", 0) with { Decor = decor };

    private static IReadOnlyList<Problem> Unfit(LineDraft line) =>
        [.. Tally(null, line).Problems.Where(p => p.Severity is not Severity.Mind)];

    private static IReadOnlyList<PrepStep> Steps(LineDraft line)
    {
        var order = Order(null, line) with { Pickup = Now.PlusDays(4) };
        return PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now).Steps;
    }

    [Fact]
    public void A_bare_cookie_with_a_web_wants_the_web_and_no_more()
    {
        var tally = Tally(null, Bare(Drawn(Web)));
        Assert.Empty(tally.Problems);
        var line = Assert.Single(tally.Lines);
        Assert.Equal(0, line.PerPiece.Value.Si + line.OnPieces.Value.Si + line.DipLine.Si);
        var pot = Assert.Single(tally.Pots);
        Assert.Equal(("white", 0.0, null), (pot.Colour, pot.Pool.Value.Si, pot.Vessel));
        Assert.Equal(
            line.Look!.Drizzle.Value.Si * 24 * (1 + Tables.Reference.Centre("sandwich-cookie")!.Spoil.Value.Si) * 1.2,
            pot.Drizzle!.Mass.Value.Si,
            6);
        Assert.Equal(24, tally.Trays.Sum(t => t.Rows.Sum(r => r.Count)));
        Assert.All(line.Setting, s => Assert.True(s.HandleHard!.Value.TotalSeconds > 0));
        var coated = Tally(null, Line("sandwich-cookie", "thin", 24) with { Decor = Drawn(Web) }).Lines[0];
        Assert.True(line.Setting[0].HandleHard < coated.Setting[0].HandleHard, "a web alone sets before a whole coat");
        Assert.Equal(coated.Look!.Drizzle.Value.Si, line.Look.Drizzle.Value.Si, 9);
        Assert.Equal("It is not dipped.", line.Look.Steps[0].Said());
        Assert.DoesNotContain("wet coat", line.Look.Steps[1].Said(), StringComparison.Ordinal);
        Assert.StartsWith("Web in white. Rings on the bare piece", line.Look.Steps[1].Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_bare_piece_is_decorated_when_it_is_ready_and_the_colour_melted()
    {
        var steps = Steps(Bare(Drawn(Web)));
        Assert.DoesNotContain(steps, s => s.Stage is Stage.Dip);
        var codes = steps.Select(s => s.Code).ToList();
        Assert.True(codes.IndexOf($"melt.{Wafers}.white") < codes.IndexOf("decorate.0"));
        Assert.True(codes.IndexOf("decorate.0") < codes.IndexOf("pack.0"));
        Assert.Contains("Rings on the bare piece", steps[codes.IndexOf("decorate.0")].Text.Said(), StringComparison.Ordinal);
    }

    [Fact]
    public void What_wants_a_wet_coat_is_refused_on_a_bare_piece()
    {
        Assert.Equal(
            "lines[0].decor.patterns[0].kind",
            Assert.Single(Unfit(Bare(Drawn(new PatternDraft("marble", Wafers, "white", 5, null, 1.8))))).Field);
        Assert.Equal(
            "lines[0].decor.sprinkles[0].glued",
            Assert.Single(Unfit(Bare(Decor.None with { Sprinkles = [new("nonpareils", Side.Front, 0.4)] }))).Field);
        Assert.Equal(
            "lines[0].decor.parts[0].pressed",
            Assert.Single(Unfit(Bare(Decor.None with { Parts = [new("candy-button", 1, Pressed: true)] }))).Field);
        Assert.Empty(Unfit(Bare(
            Decor.None with { Sprinkles = [new("nonpareils", Side.Front, 0.4, Glued: true)], Parts = [new("candy-button", 1)] })));
        Assert.Equal("lines[0].depth", Assert.Single(Unfit(Line("moulded-piece", "bite", 6, "dark", 0))).Field);
        Assert.Contains(Tally(null, Bare(null)).Problems, p => p is { Field: "lines[0].depth", Severity: Severity.Mind });
    }

    [Fact]
    public void A_dip_over_a_bare_piece_is_its_only_coat()
    {
        var tally = Tally(null, Bare(Decor.None with { Dips = [new(Wafers, "teal", 0.5, 0)] }));
        Assert.Equal("teal", Assert.Single(tally.Pots).Colour);
        Assert.True(tally.Lines[0].Look!.Over[0].PerPiece.Value.Si > 0);
    }

    [Theory]
    [InlineData("sandwich-cookie", "thin", 1, "Twist each one open", true)]
    [InlineData("strawberry", "L", 0.75, "hold the leaves back", false)]
    [InlineData("coconut-bar", "one", 1, "half way in", false)]
    public void On_a_stick_it_is_put_bought_glued_and_rested(string centre, string size, double depth, string says, bool glued)
    {
        var plain = Line(centre, size, 24, "midnight", depth);
        var line = plain with { Making = new(On: "pick") };
        var order = Order(null, line);
        var tally = CoatingTally.For(order, Tables, Now);
        Assert.DoesNotContain(tally.Problems, p => p.Severity is not Severity.Mind);
        var begun = Math.Ceiling(24 * (1 + Tables.Reference.Centre(centre)!.Spoil.Value.Si));
        Assert.Equal(begun, Pantry.Need.Of(order, tally, Tables.Reference).Single(n => n.Ware == "supply.pick").ToHave.Value);
        var steps = Steps(line);
        var put = steps.Single(s => s.Code == "stick.0.put-in");
        Assert.Contains(says, put.Text.Said(), StringComparison.Ordinal);
        Assert.True(put.Starts < steps.First(s => s.Code.StartsWith("dip.0", StringComparison.Ordinal)).Starts);
        Assert.Equal(glued, tally.Pots[0].Drizzle is not null);
        Assert.Equal(glued ? 15 : 0, put.Wait.TotalMinutes);
        Assert.True(tally.Trays.Sum(t => t.Used.Si) > Tally(null, plain).Trays.Sum(t => t.Used.Si) * 1.5, "a stick that lies takes room");
    }

    /// <summary>Sticks lie head to tail: no piece lies on another, nor on a stick, nor beyond the sheet.</summary>
    [Fact]
    public void Sticks_lie_between_sticks_and_nothing_lies_on_anything() => Gen.Int[1, 90].Sample(count =>
    {
        var tally = Tally(null, Line("sandwich-cookie", "thin", count, "teal") with { Making = new(On: "lolly-stick") });
        Assert.Equal(count, tally.Trays.Sum(t => t.Rows.Sum(r => r.Count)));
        const double piece = 45, beyond = 150 - 22.5, stick = 5;
        foreach (var tray in tally.Trays)
        {
            List<(double Left, double Right, double Top, double Bottom)> taken = [];
            foreach (var row in tray.Rows)
            {
                for (var i = 0; i < row.Count; i++)
                {
                    var (x, y) = (row.X.In("mm") + (i * row.Pitch.In("mm")), row.Y.In("mm"));
                    taken.Add((x - (piece / 2), x + (piece / 2), y, y + piece));
                    taken.Add(
                        row.Turned
                            ? (x - (stick / 2), x + (stick / 2), y + piece, y + piece + beyond)
                            : (x - (stick / 2), x + (stick / 2), y - beyond, y));
                }
            }

            Assert.All(
                taken,
                t => Assert.True(
                    t.Left >= 0 && t.Top >= 0 && t.Right <= tray.Width.In("mm") && t.Bottom <= tray.Depth.In("mm"),
                    $"{t} is beyond the sheet"));
            foreach (var (i, a) in taken.Index())
                Assert.DoesNotContain(
                    taken.Skip(i + 1),
                    b => a.Left < b.Right - 0.01 && b.Left < a.Right - 0.01 && a.Top < b.Bottom - 0.01 && b.Top < a.Bottom - 0.01);
        }
    });

    [Fact]
    public void Without_its_usual_stick_it_is_dipped_lying()
    {
        var order = Order(null, Line("cake-ball", "one", 24) with { Making = new(On: WareTable.NoStick) });
        var tally = CoatingTally.For(order, Tables, Now);
        Assert.DoesNotContain(Pantry.Need.Of(order, tally, Tables.Reference), n => n.Ware.StartsWith("supply.", StringComparison.Ordinal));
        Assert.DoesNotContain("upright", tally.Pots[0].Way, StringComparison.Ordinal);
        var steps = PrepList.For(order, tally, Tables, Now).Steps;
        Assert.DoesNotContain(steps, s => s.Text.Said().Contains("stick", StringComparison.Ordinal));
        Assert.DoesNotContain(Costing.For(order, tally, Tables).Parts, p => p.Code == "sticks" && p.Cost.Value.Amount > 0);
    }

    [Fact]
    public void What_can_go_on_no_stick_says_so()
    {
        Assert.Equal(
            "lines[0].making.on",
            Assert.Single(Unfit(Line("pretzel-rod", "one", 6, "dark", 0.5) with { Making = new(On: "pick") })).Field);
        Assert.Equal("lines[0].making.on", Assert.Single(Unfit(Berries() with { Making = new(On: "broom") })).Field);
    }

    /// <summary>A disc of 60 mm and 3 mm: π/4 · 36 cm² · 0.3 cm = 8.48 mL.</summary>
    [Fact]
    public void A_disc_is_piped_from_its_own_pot_and_takes_its_room()
    {
        var plain = Line("sandwich-cookie", "thin", 20, "midnight");
        var line = plain with { Making = new(Disc: new(60, Wafers, "silver")) };
        var tally = Tally(null, line);
        var density = tally.Lines[0].Density.In("g/mL");
        Assert.Equal(Math.PI / 4 * 36 * 0.3 * density, tally.Lines[0].Disc!.Mass.Value.In("g"), 0.25);
        Assert.Equal(["midnight", "silver"], tally.Pots.Select(p => p.Colour).Order());
        Assert.True(tally.Trays.Sum(t => t.Used.Si) > Tally(null, plain).Trays.Sum(t => t.Used.Si));
        var steps = Steps(line).Select(s => s.Code).ToList();
        Assert.True(steps.IndexOf("dip.0") < steps.IndexOf("disc.0.disc"));
        Assert.Equal(
            "lines[0].making.disc.across", Assert.Single(Unfit(plain with { Making = new(Disc: new(500, Wafers, "silver")) })).Field);
        Assert.Equal("lines[0].making.disc.colour", Assert.Single(Unfit(plain with { Making = new(Disc: new(60, Wafers, "mud")) })).Field);
    }

    private static readonly Gen<LineDraft> AnyHeld =
        from centre in Gen.OneOfConst([.. Tables.Reference.Centres.Where(c => c.Holding is not Holding.Mould)])
        from size in Gen.OneOfConst([.. centre.Sizes])
        from count in Gen.Int[1, 60]
        from bare in Gen.Bool
        from stick in Gen.OneOfConst<string?>(null, "pick", "skewer", WareTable.NoStick)
        from disc in Gen.Bool
        from patterns in Gen.OneOfConst("web", "lines", "edge").Array[0, 2]
        from glued in Gen.Bool
        select Line(centre.Code, size.Code, count, "dark", bare ? 0 : centre.UsualDepth.Value.Si, centre.LeastCoats) with
        {
            Decor = new(
                [],
                [.. patterns.Distinct().Order().Select(p => new PatternDraft(p, Wafers, "white", p is "web" ? 3 : 2, null, 1.8))],
                [new("jimmies", Side.Front, 0.3, Glued: true)],
                glued ? [new("eye", 1)] : []),
            Making = new(On: centre.DippedEndUp ? null : stick, Disc: disc ? new(70, Wafers, "teal") : null),
        };

    /// <summary>However pieces are held, every gram that is used is in a pot, and the order has a list, a price and a plan.</summary>
    [Fact]
    public void However_it_is_held_it_is_counted_worked_priced_and_planned() => AnyHeld.Sample(
        line =>
        {
            var order = Order(null, line) with { Pickup = Now.PlusDays(12) };
            var tally = CoatingTally.For(order, Tables, Now);
            Assert.DoesNotContain(tally.Problems, p => p.Severity is Severity.Error);
            var used = tally.Lines.Sum(l => l.OnPieces.Value.Si) + tally.Pots.Sum(p => p.Drizzle?.Mass.Value.Si ?? 0);
            Assert.True(tally.Pots.Sum(p => p.ToMelt.Value.Si) >= used);
            var steps = PrepList.For(order, tally, Tables, Now).Steps;
            Assert.Equal(line.Depth == 0, steps.All(s => s.Stage is not Stage.Dip));
            Assert.Contains(steps, s => s.Stage is Stage.Pack);
            Assert.True(Costing.For(order, tally, Tables).Cost.Amount > 0);
            var request = new PlanRequest([new("held", order)], Tables, Arrangements.None, Now);
            Assert.NotNull(new Planner(request));
        },
        iter: 60);
}

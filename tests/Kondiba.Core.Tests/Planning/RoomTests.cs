using Kondiba.Core.Amounts;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Room for trays and boxes, and that more of anything never makes the best plan worse.</summary>
public class RoomTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;
    private static readonly Limits Enough = new(Effort: 6, Seconds: 600);
    private static readonly LocalDate Today = Weekend.Now.Date;

    private static PlanRequest Request(params PlannedOrder[] orders) => new(orders, Tables, Arrangements.None, Weekend.Now);

    private static Plan Planned(PlanRequest request)
    {
        var planner = new Planner(request);
        var solution = planner.Solve(Enough with { Quick = true });
        Assert.True(solution.Any, $"{solution.Outcome}");
        var plan = planner.Read(solution);
        Assert.Empty(PlanChecker.Broken(request, plan));
        return plan;
    }

    private static List<DayTray> Boxes(Plan plan) =>
        [.. plan.Trays.Where(t => plan.Tasks.Single(d => d.What.Code == t.Task).What.Stage is Stage.Pack)];

    [Fact]
    public void Boxes_are_stacked_and_take_a_part_of_the_room_that_trays_did()
    {
        var order = Weekend.Order("berries", 1, 12, Weekend.Dipped("strawberry", "L", 24, "dark", 0.75));
        var boxes = Boxes(Planned(Request(order)));
        var laid = CoatingTally.For(order.Draft, Tables, Weekend.Now).Trays.Sum(t => t.Used.Si / t.Depth.Si);
        var room = boxes.Sum(b => b.Trays);
        Assert.All(boxes, b => Assert.Equal("fridge", b.Place));
        Assert.InRange(
            room,
            laid / Tables.Reference.Planning.Stacked.Value.Si,
            (laid / Tables.Reference.Planning.Stacked.Value.Si) + (boxes.Count / 12.0));
    }

    /// <summary>Two colours share a sheet (common practice): six pieces of each are no six trays.</summary>
    [Fact]
    public void What_fills_a_part_of_a_sheet_takes_that_part_of_the_room()
    {
        LineDraft Rods(string colour) => Weekend.Dipped("pretzel-rod", "one", 6, colour, 0.5);
        LineDraft[] lines = [Rods("teal"), Rods("dark"), Rods("silver")];
        var plan = Planned(Request(Weekend.Order("rods", 1, 12, lines)));
        foreach (var (i, line) in lines.Index())
        {
            var laid = CoatingTally.For(Weekend.Order("rods", 1, 12, line).Draft, Tables, Weekend.Now)
                .Trays.Sum(t => t.Used.Si / t.Depth.Si);
            var tray = plan.Trays.Single(t => t.Task == $"rods/dip.{i}");
            Assert.InRange(tray.Trays, laid, laid + 0.25);
            Assert.True(tray.Trays < 1, $"{tray.Trays} of a tray");
        }
    }

    [Fact]
    public void Many_boxes_go_into_a_fridge_that_takes_two_trays()
    {
        // Forty large apples are eight trays to set, and less than three in boxes: they are packed as they get hard.
        var apples = Weekend.Order("apples", 1, 17, Weekend.Dipped("apple", "L", 40, "dark", 1));
        var request = Request(
            apples) with
        {
            Tables = Tables with
            {
                Reference = Tables.Reference with
                {
                    Setting = Tables.Reference.Setting with
                    {
                        Places = [
                .. Tables.Reference.Setting.Places.Select(p => p.Code == "fridge" ? p with { Trays = 4 } : p),
            ]
                    }
                }
            }
        };
        var plan = Planned(request);
        Assert.Equal(40, plan.Tasks.Where(t => t.What.Stage is Stage.Pack).Sum(t => t.What.Pieces));
        Assert.Contains(Boxes(plan), b => b.Trays < 1);
        Assert.All(plan.Trays, t => Assert.True(t.Trays is > 0 and <= 4, $"{t}"));
        Assert.All(plan.Places, p => Assert.All(p.Full, f => Assert.True(f.From < f.To)));
    }

    [Fact]
    public void A_place_is_full_when_it_takes_no_further_tray()
    {
        var order = Weekend.Order("twists", 1, 12, Weekend.Dipped("pretzel-twist", "full", 60, "dark", 1));
        var plan = Planned(Request(order));
        foreach (var place in plan.Places.Where(p => p.Place != "pots"))
        {
            foreach (var tray in plan.Trays.Where(t => t.Place == place.Place))
            {
                var there = plan.Trays.Where(t => t.Place == place.Place && t.Starts <= tray.Starts && t.Ends > tray.Starts)
                    .Sum(t => t.Trays);
                Assert.Equal(there > place.Has - 1 + 1e-9, place.Full.Any(f => f.From <= tray.Starts && f.To > tray.Starts));
            }
        }
    }

    /// <summary>Kitchens with something more: never a dearer best plan, and never none where there was one.</summary>
    [Theory]
    [InlineData("a pot")]
    [InlineData("a tray in the fridge")]
    [InlineData("a longer day")]
    [InlineData("a helper")]
    public void More_of_anything_never_costs_more(string what)
    {
        var (compared, better) = (0, 0);
        for (var seed = 0; seed < 14; seed++)
        {
            var request = Small(new(seed));
            var (before, after) = (Best(request), Best(With(request, what)));
            if (before.Outcome is Outcome.Impossible)
                continue;
            Assert.Equal(Outcome.Best, before.Outcome);
            Assert.Equal((seed, Outcome.Best), (seed, after.Outcome));
            Assert.True(after.Cost <= before.Cost, $"{seed}: {what} costs {after.Cost - before.Cost} more");
            compared++;
            better += after.Cost < before.Cost ? 1 : 0;
        }

        Assert.True(compared >= 6, $"{compared} compared, {better} better");
    }

    private static Solution Best(PlanRequest request)
    {
        var planner = new Planner(request);
        var some = planner.Solve(Enough with { Quick = true });
        return some.Outcome is Outcome.Impossible ? some : planner.Solve(Enough, some);
    }

    private static PlanRequest With(PlanRequest request, string what)
    {
        var (tables, arranged) = (request.Tables, request.Arranged);
        return what switch
        {
            "a pot" => request with { Tables = tables with { Profile = tables.Profile with { Working = tables.Profile.Working with { Pots = tables.Profile.Working.Pots + 1 } } } },
            "a tray in the fridge" => request with
            {
                Tables = tables with
                {
                    Reference = tables.Reference with
                    {
                        Setting = tables.Reference.Setting with
                        {
                            Places = [
                .. tables.Reference.Setting.Places.Select(p => p.Code == "fridge" ? p with { Trays = p.Trays + 1 } : p),
            ]
                        }
                    }
                }
            },
            "a longer day" => request with
            {
                Arranged = arranged with
                {
                    Hours = [
                .. Enumerable.Range(0, 2).Select(d => new HoursOn(Today.PlusDays(d), new(new(6, 0), new(22, 0)))),
            ]
                }
            },
            _ => request with { Arranged = arranged with { Helpers = [new(Today.PlusDays(1), new(new(9, 0), new(13, 0)))] } },
        };
    }

    /// <summary>One or two orders of what keeps for days, collected tomorrow, in a kitchen with one pot and short hours.</summary>
    private static PlanRequest Small(Random random)
    {
        int Of(int from, int to) => random.Next(from, to + 1);
        (string, string, double)[] kinds = [
            ("pretzel-rod", "one", 0.5),
            ("pretzel-twist", "mini", 1),
            ("sandwich-cookie", "thin", 1),
            ("marshmallow", "one", 0.66),
        ];
        string[] colours = ["dark", "midnight", "teal"];
        LineDraft Line() =>
            kinds[Of(0, kinds.Length - 1)] is var (centre, size, depth)
                ? Weekend.Dipped(centre, size, Of(6, 24), colours[Of(0, 2)], depth, Of(0, 2) == 0 ? "white" : null)
                : null!;
        var tables = Tables with
        {
            Reference = Tables.Reference with
            {
                Setting = Tables.Reference.Setting with
                {
                    Places = [
                .. Tables.Reference.Setting.Places.Select(p => p with { Trays = p.Code == Place.Room ? 2 : p.Code == "fridge" ? 1 : 0 }),
            ]
                }
            },
            Profile = Tables.Profile with { Working = Tables.Profile.Working with { Pots = 1, Wells = 1 } }
        };
        var orders = Enumerable.Range(0, Of(1, 2)).Select(i => Weekend.Order($"o{i}", 1, Of(11, 14), Line())).ToArray();
        var hours = Enumerable.Range(0, 2).Select(d => new HoursOn(Today.PlusDays(d), new(new(9, 0), new(Of(11, 14), 0)))).ToList();
        return new(orders, tables, Arrangements.None with { Hours = hours }, Weekend.Now);
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>What is short is the least that is: hands before room, room before time.</summary>
public class ShortageTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;
    private static readonly LocalDate Today = Weekend.Now.Date;
    private static readonly PlannedOrder Rods = Weekend.Order("rods", 1, 12, Weekend.Dipped("pretzel-rod", "one", 24, "midnight", 0.5));
    private static readonly PlannedOrder Twists = Weekend.Order("twists", 1, 14, Weekend.Dipped("pretzel-twist", "mini", 24, "teal", 1));

    private static PlanRequest Request(IReadOnlyList<HoursOn> hours, params PlannedOrder[] orders) =>
        new(orders, Tables, Arrangements.None with { Hours = hours }, Weekend.Now);

    private static (Planner Planner, Plan Plan) Short(PlanRequest request)
    {
        var planner = new Planner(request);
        var stretched = planner.Stretch();
        Assert.True(stretched.Any, $"{stretched.Outcome}");
        return (planner, planner.ReadShort(stretched));
    }

    private static IReadOnlyList<HoursOn> Closed { get; } = [new(Today, null), new(Today.PlusDays(1), null)];

    [Fact]
    public void Of_a_closed_kitchen_all_the_work_is_missing_with_every_colour_melted_once()
    {
        var (planner, plan) = Short(Request(Closed, Rods, Twists));
        Assert.All(plan.Shortages, s => Assert.Equal(Core.Planning.Short.Hands, s.Kind));
        var problem = planner.Problem;
        var all = problem.Tasks.Sum(t => t.Lasts) + problem.Colours.Sum(c => c.Lasts + c.Washes);
        Assert.Equal(all, plan.Shortages.Sum(s => s.Much));
        Assert.Equal(
            all, plan.Tasks.Where(t => t.Worker == "nobody").Sum(t => Period.Between(t.Starts, t.Ends, PeriodUnits.Minutes).Minutes));
    }

    [Theory]
    [InlineData(20)]
    [InlineData(45)]
    [InlineData(70)]
    public void What_the_maker_can_do_is_not_missing(int open)
    {
        // So long a morning before the pickup, all of which is work, is so much less that is missing.
        var hours = new HoursOn[] { new(Today, null), new(Today.PlusDays(1), new(new(9, 0), new LocalTime(9, 0).PlusMinutes(open))) };
        var all = Short(Request(Closed, Rods)).Plan.Shortages.Sum(s => s.Much);
        var missing = Short(Request(hours, Rods)).Plan.Shortages.Sum(s => s.Much);
        Assert.InRange(missing, all - open, all - 1);
    }

    [Fact]
    public void Where_hands_are_no_help_room_is_short_and_no_hands()
    {
        var none = Tables with
        {
            Reference = Tables.Reference with
            {
                Setting = Tables.Reference.Setting with
                {
                    Places = [
            .. Tables.Reference.Setting.Places.Select(p => p with { Trays = p.Code == Setting.Place.Room
                ? 1
                : 0, Air = new(Quantities.Of<Temperature>(15, "°C"), Source.Entered) }),
        ]
                }
            }
        };

        // Two trays of berries that are dipped within an hour of the other, on a counter that takes one.
        var berries = Weekend.Order("berries", 1, 12, Weekend.Dipped("strawberry", "L", 60, "dark", 0.75));
        var request = Request([], berries) with { Tables = none };
        Assert.Equal(Outcome.Impossible, new Planner(request).Solve(new(4, 60)).Outcome);
        var (_, plan) = Short(request);
        Assert.All(plan.Shortages, s => Assert.Equal(Core.Planning.Short.Place, s.Kind));
        Assert.All(plan.Shortages, s => Assert.Matches("^(Thursday|Friday): .* is full .*, [0-9]+ short\\.$", s.What.Said()));
    }

    [Fact]
    public void Where_neither_helps_an_order_is_late_and_the_others_are_not()
    {
        var soon = Rods with { Draft = Rods.Draft with { Pickup = Weekend.Now.PlusMinutes(20) } };
        var (_, plan) = Short(Request([], soon, Twists));
        var late = Assert.Single(plan.Shortages, s => s.Kind is Core.Planning.Short.Time);
        Assert.Equal("rods", late.Of);
        Assert.True(late.Much > 0 && late.To > soon.Draft.Pickup);
        Assert.Equal(late.Much, Period.Between(soon.Draft.Pickup!.Value, late.To, PeriodUnits.Minutes).Minutes);
        Assert.True(plan.Orders.Single(o => o.Order == "twists").Ready <= Twists.Draft.Pickup);
    }

    [Fact]
    public void Nobody_works_at_night()
    {
        var early = Rods with { Draft = Rods.Draft with { Pickup = Today.PlusDays(1).At(new(9, 0)) } };
        var (_, plan) = Short(Request(Closed, early));
        Assert.All(
            plan.Tasks.Where(t => t.Worker is not null),
            t => Assert.True(
                t.Starts.TimeOfDay >= new LocalTime(5, 0) && t.Ends.TimeOfDay <= new LocalTime(23, 30), $"{t.What.Title} {t.Starts}"));
    }

    [Fact]
    public void A_change_of_an_order_is_made_and_leaves_the_rest_of_it()
    {
        var request = Request([], Rods, Twists);
        var later = new Remedy("later", null, new("rods", Pickup: Today.PlusDays(2).At(new(8, 0)))).In(request);
        Assert.Equal(Today.PlusDays(2).At(new(8, 0)), later.Orders[0].Draft.Pickup);
        Assert.Equal(request.Orders[0].Draft.Lines, later.Orders[0].Draft.Lines);
        Assert.Equal(request.Orders[1], later.Orders[1]);

        var instead = new Remedy("twists", null, new("rods", null, 0, "pretzel-twist", "mini", 1)).In(request).Orders[0].Draft;
        Assert.Equal(
            ("pretzel-twist", "mini", 1.0, 24.0, "midnight"),
            (instead.Lines[0].Centre, instead.Lines[0].Size, instead.Lines[0].Depth, instead.Lines[0].Amount, instead.Lines[0].Colour));
        Assert.Empty(CoatingTally.For(instead, Tables, Weekend.Now).Problems);

        var arranged = Arrangements.None with { Hours = Closed };
        Assert.Equal(arranged, new Remedy("closed", arranged, null).In(request).Arranged);
        Assert.Equal(request.Arranged, new Remedy("nothing", null, null).In(request).Arranged);
    }
}

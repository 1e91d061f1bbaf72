using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>
/// Weekends as a maker would have them, each with what makes it awkward; the plan that is there at once, and the one it is bettered to,
/// are read as she would: besides every limit that the checker knows, nothing that she would laugh at (common practice).
/// </summary>
public class WeekendTests
{
    private static readonly KitchenTables Tables = KitchenTables.Shipped;

    // The effort decides; the seconds are only there for a machine that stands still.
    private static readonly Limits Bettered = new(Effort: 0.4, Seconds: 600);

    // The times of day here are hers: what she would not do without being paid for it.
    private const int LongestWithoutRest = 300, Rest = 15, Rush = 60, AgainSoon = 120, PotLasts = 150;

    private static readonly Dictionary<string, PlanRequest> Weekends = new()
    {
        ["a hot kitchen"] = Of(
            At(room: 28), Weekend.Order("market", 2, 16, Berries(24), Weekend.Dipped("sandwich-cookie", "thin", 24, "white", 1))),
        ["one pot and no well"] = Of(
            Working(pots: 1, wells: 0),
            Weekend.Order(
                "club",
                2,
                15,
                Weekend.Dipped("sandwich-cookie", "thin", 24, "dark", 1, "white"),
                Weekend.Dipped("pretzel-rod", "one", 18, "teal", 0.5))),
        ["a tiny fridge"] = Of(
            Room(("fridge", 1), ("freezer", 0), ("counter", 2)),
            Weekend.Order("fair", 2, 14, Berries(36), Weekend.Dipped("pretzel-twist", "full", 60, "white", 1))),
        ["one mould for many"] = Of(
            Tables,
            Weekend.Order(
                "guild",
                2,
                12,
                Orders.Line("moulded-piece", "cookie", 30, "teal") with
                {
                    Making = new(Mould: new("cookie-round", "sandwich-cookie", "thin")),
                })),
        ["truffles from scratch"] = Of(
            Tables, Weekend.Order("concert", 2, 18, Orders.Truffles(40) with { Making = new(Filling: "ganache-dark") })),
        ["caramel rods"] = Of(Tables, Weekend.Order("harvest", 2, 11, Orders.Line("caramel-rod", "one", 20, "dark", 0.66))),
        ["two coats for nine o'clock"] = Of(Tables, Weekend.Order("breakfast", 2, 9, Orders.Berries(24, coats: 2))),
        ["forty-eight rings"] = Of(Tables, Weekend.Order("swimmers", 2, 17, Orders.Line("fruit-ring", "one", 48, "teal", 1))),
        ["a helper"] = Of(
            Tables,
            Arrangements.None with { Helpers = [new(Weekend.Now.Date.PlusDays(2), new(new(9, 0), new(13, 0)))] },
            [.. Weekend.Orders.Take(5)]),
        ["six hundred pieces"] = Of(
            Tables,
            Weekend.Order("fleet", 5, 18, [.. Colours.Select(c => Weekend.Dipped("sandwich-cookie", "thin", 60, c, 1))]),
            Weekend.Order("dock", 5, 18, [.. Colours.Select(c => Weekend.Dipped("pretzel-twist", "full", 60, c, 1))])),
        ["short hours"] = Of(
            Working(pots: 2, wells: 2, from: 17, to: 21), [.. Weekend.Orders.Take(3)]),
        ["ten orders"] = Weekend.Request,
    };

    private static LineDraft Berries(int count) => Weekend.Dipped("strawberry", "L", count, "dark", 0.75);

    private static string[] Colours => ["dark", "white", "teal", "midnight", "pink"];

    public static TheoryData<string> Names => [.. Weekends.Keys];

    [Theory]
    [MemberData(nameof(Names))]
    public void A_maker_would_follow_it(string name)
    {
        var request = Weekends[name];
        var planner = new Planner(request);
        var found = planner.Solve(Planner.First);
        Assert.True(found.Any, $"{name}: no plan");
        foreach (var solution in (Solution[])[found, planner.Solve(Bettered, found)])
        {
            var plan = planner.Read(planner.Tidy(solution));
            Assert.True(PlanChecker.Broken(request, plan) is [], string.Join("\n", PlanChecker.Broken(request, plan)));
            Assert.True(Laughs(request, plan).ToList() is [], string.Join("\n", Laughs(request, plan)) + "\n" + Written(plan));
        }
    }

    /// <summary>Kneaded in the evening, sugar paste rests for twelve hours: by the clock on the wall thirteen in that night.</summary>
    [Fact]
    public void A_night_in_which_the_clocks_go_forward_is_an_hour_shorter()
    {
        var zone = DateTimeZoneProviders.Tzdb["Europe/Lisbon"];
        var evening = new LocalDateTime(2031, 3, 29, 20, 0);
        var accents = Orders.Line("sandwich-cookie", "thin", 12, "teal", 1) with
        {
            Decor = Decor.None with { Parts = [new("accent", 1)] },
        };
        var order = new PlannedOrder("brunch", new([accents]) { Name = "brunch", Pickup = new LocalDateTime(2031, 3, 30, 13, 30) });
        var request = new PlanRequest([order], Tables, Arrangements.None, evening, zone);
        var planner = new Planner(request);
        var plan = planner.Read(planner.Tidy(planner.Solve(Planner.First)));
        Assert.Empty(PlanChecker.Broken(request, plan));
        var knead = plan.Tasks.First(t => t.What.Stage is Stage.Fill or Stage.Prep && t.Starts.Date == evening.Date && t.Ends > t.Starts);
        var glue = plan.Tasks.First(t => t.What.Stage is Stage.Decorate);
        Assert.True(glue.Starts.InZoneLeniently(zone) - knead.Ends.InZoneLeniently(zone) >= Duration.FromHours(12), Written(plan));
        Assert.All(plan.Tasks, t => Assert.True(t.Starts.TimeOfDay >= new LocalTime(8, 0) && t.Ends.TimeOfDay <= new LocalTime(21, 0)));
    }

    private static IEnumerable<string> Laughs(PlanRequest request, Plan plan)
    {
        foreach (var order in plan.Orders.Where(o => o.Ready > o.Pickup.PlusMinutes(-20)))
            yield return $"{order.Order} is packed at {order.Ready}, as the door bell rings";
        foreach (var hands in plan.Tasks.Where(t => t.Worker is not null && t.Ends > t.Starts).GroupBy(t => (t.Worker, t.Starts.Date)))
        {
            var (since, last) = (hands.Min(t => t.Starts), hands.Min(t => t.Starts));
            foreach (var task in hands.OrderBy(t => t.Starts))
            {
                if (Minutes(last, task.Starts) >= Rest)
                    since = task.Starts;
                last = task.Ends;
                if (Minutes(since, last) > LongestWithoutRest)
                {
                    yield return $"{hands.Key.Worker} works from {since} to {last} without a rest";
                    break;
                }
            }
        }

        foreach (var i in Enumerable.Range(1, request.Arranged.Helpers.Count))
            if (plan.Tasks.All(t => t.Worker != $"helper.{i}"))
                yield return $"helper {i} came for nothing";

        // A colour is not melted again soon after it was washed up, when the first pot would have lasted for both.
        foreach (var melts in plan.Melts.GroupBy(m => m.Pot))
            foreach (var (one, next) in melts.OrderBy(m => m.Starts).Zip(melts.OrderBy(m => m.Starts).Skip(1)))
                if (Minutes(one.Ends, next.Starts) < AgainSoon && Minutes(one.Ready, next.Ends) < PotLasts)
                    yield return $"{one.Pot} is washed up at {one.Ends} and melted again at {next.Starts}";

        // In the last hour before a pickup nothing is done for another day.
        foreach (var order in plan.Orders)
        {
            var open = plan.Tasks.Where(t => t.What.Order == order.Order).Max(t => t.Ends);
            foreach (var task in plan.Tasks.Where(t => t.Ends > open.PlusMinutes(-Rush) && t.Ends <= open && t.What.Order is not null))
            {
                var other = plan.Orders.First(o => o.Order == task.What.Order);
                if (other.Pickup.Date > order.Pickup.Date && Minutes(open, order.Pickup) < Rush)
                    yield return $"{task.What.Title} for {task.What.Order} at {task.Starts} keeps {order.Order} waiting";
            }
        }

        // What has set is packed within hours, or first thing in the morning.
        foreach (var pack in plan.Tasks.Where(t => t.What.Stage is Stage.Pack))
        {
            var made = plan.Tasks.Where(t => t.What.Order == pack.What.Order && t.What.Lines.Intersect(pack.What.Lines).Any()
                    && t.What.Stage is Stage.Dip or Stage.Decorate)
                .Select(t => t.Ends).DefaultIfEmpty(pack.Starts).Max();
            if (made.Date == pack.Starts.Date && Minutes(made, pack.Starts) > 300)
                yield return $"{pack.What.Title}: made at {made}, packed at {pack.Starts}";
        }
    }

    private static string Written(Plan plan) =>
        string.Join("\n", plan.Tasks.Select(t => $"{t.Starts:ddd HH:mm} {t.Worker} {t.What.Title} ({t.What.Order})"));

    private static long Minutes(LocalDateTime from, LocalDateTime to) => Period.Between(from, to, PeriodUnits.Minutes).Minutes;

    private static PlanRequest Of(KitchenTables tables, params PlannedOrder[] orders) => Of(tables, Arrangements.None, orders);

    private static PlanRequest Of(KitchenTables tables, Arrangements arranged, params PlannedOrder[] orders) =>
        new(orders, tables, arranged, Weekend.Now);

    private static KitchenTables Working(int pots, int wells, int from = 8, int to = 21) => Tables with
    {
        Profile = Tables.Profile with
        {
            Working = new([.. Enumerable.Repeat(new WeekDay(new(new(from, 0), new(to, 0))), 7)], pots, wells),
        },
    };

    private static KitchenTables Room(params (string Place, int Trays)[] trays) => Places(p =>
        trays.FirstOrDefault(t => t.Place == p.Code) is { Place: not null } has ? p with { Trays = has.Trays } : p);

    private static KitchenTables At(double room) => Places(p =>
        p.Code == Setting.Place.Room ? p with { Air = p.Air with { Value = Quantities.Of<Temperature>(room, "°C") } } : p);

    private static KitchenTables Places(Func<Setting.Place, Setting.Place> change) => Tables with
    {
        Reference = Tables.Reference with
        {
            Setting = Tables.Reference.Setting with { Places = [.. Tables.Reference.Setting.Places.Select(change)] },
        },
    };
}

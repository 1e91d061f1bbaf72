using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Planning;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using NodaTime;
using static Kondiba.Core.Tests.SmallPlans;

namespace Kondiba.Core.Tests;

/// <summary>What a maker finds in a plan: examples small enough to be proven best in a moment.</summary>
public class PlannerTests
{
    private static DayTask Of(Plan plan, string code) => plan.Tasks.Single(t => t.What.Code == code);

    [Fact]
    public void The_same_input_gives_the_same_plan()
    {
        var (one, other) = (Planned(Request(Rods, Berries)), Planned(Request(Rods, Berries)));
        Assert.Equal(one.Solution.All, other.Solution.All);
        Assert.Equal(one.Solution.Stood, other.Solution.Stood);
    }

    [Fact]
    public void Work_goes_from_making_ready_to_packing_and_leaves_the_usual_hour()
    {
        var (_, solution, plan) = Planned(Request(Berries));
        Assert.Equal(Outcome.Best, solution.Outcome);
        string[] order = ["prep.strawberry.dry", "dip.0", "decorate.0", "pack.0"];
        Assert.Equal(order, plan.Tasks.Where(t => t.What.Order is not null).Select(t => t.What.Code["berries/".Length..]));
        Assert.Equal("Sort, rinse, dry 26 strawberries", Of(plan, "berries/prep.strawberry.dry").What.Title);
        Assert.InRange(plan.Orders.Single().Ready.TimeOfDay, new LocalTime(10, 30), new LocalTime(11, 0));

        // Dipped on the day they are collected, and packed they wait in the fridge.
        Assert.Equal(Today.PlusDays(2), Of(plan, "berries/dip.0").Starts.Date);
        Assert.Contains(plan.Trays, t => t.Task == "berries/pack.0" && t.Place == "fridge" && t.Ends == Berries.Draft.Pickup);
    }

    [Fact]
    public void Orders_of_a_colour_share_a_melt()
    {
        var plan = Planned(Request(Rods, Cookies)).Plan;
        var melt = Assert.Single(plan.Melts);
        Assert.Equal(["cookies/dip.0", "rods/dip.0"], melt.Tasks.Order());
        var day = DayPots.For([.. new[] { Rods, Cookies }.Select(o => (o.Draft, CoatingTally.For(o.Draft, Tables, Weekend.Now)))], Tables);
        Assert.Equal(Assert.Single(day.Shared).Together.Si, melt.ToMelt.Si, 1e-9);
        Assert.Equal(1, plan.Tasks.Count(t => t.What.Title == "Melt midnight"));
        Assert.Equal(1, plan.Tasks.Count(t => t.What.Title == "Wash up midnight"));
    }

    [Fact]
    public void A_pin_a_not_before_and_a_late_task_hold_and_the_rest_stays_where_it_was()
    {
        var (planner, solution, plan) = Planned(Request(Rods, Berries));
        var at = Today.PlusDays(1).At(new(9, 30));
        foreach (var (mark, holds) in new (TaskMark, Func<LocalDateTime, bool>)[] { (new(
            At: at), s => s == at), (new(NotBefore: at), s => s >= at) })
        {
            var moved = new Planner(With(Request(Rods, Berries), "rods/dip.0", mark));
            var near = moved.Shifted(solution, planner.Origin);
            var again = moved.Solve(Patient with { Quick = false }, near, near);
            var planned = moved.Read(again);
            Assert.Empty(PlanChecker.Broken(With(Request(Rods, Berries), "rods/dip.0", mark), planned));
            Assert.True(holds(Of(planned, "rods/dip.0").Starts));
            foreach (var step in (string[])["dip.0", "decorate.0", "pack.0"])
                Assert.Equal(Of(plan, $"berries/{step}").Starts, Of(planned, $"berries/{step}").Starts);
        }
    }

    [Fact]
    public void What_is_done_wants_no_hands_and_no_pot_and_what_follows_is_planned_on()
    {
        var done = Weekend.Now.PlusHours(-1);
        var request = With(Request(Rods), "rods/dip.0", new(Done: done));
        var plan = new Planner(request) is var planner ? planner.Read(planner.Solve(Patient)) : null!;
        Assert.Empty(plan.Melts);
        Assert.Equal(done, Of(plan, "rods/dip.0").Ends);
        Assert.True(Of(plan, "rods/pack.0").Starts >= Weekend.Now);
        Assert.Empty(PlanChecker.Broken(request with { Orders = [] }, plan));
    }

    [Fact]
    public void A_pin_that_has_come_is_under_way_and_one_outside_the_hours_or_after_the_pickup_cannot_be()
    {
        var pin = Weekend.Now.PlusMinutes(-10);
        var request = With(Request(Rods), "rods/dip.0", new(At: pin));
        var plan = Planned(request with { Orders = [Rods] }, best: false).Plan;
        Assert.Equal((pin, "me"), (Of(plan, "rods/dip.0").Starts, Of(plan, "rods/dip.0").Worker));
        Assert.Empty(plan.Melts);

        // Other work begins when it is over.
        Assert.All(
            plan.Tasks.Where(t => t.What.Code != "rods/dip.0" && t.Worker is not null),
            t => Assert.True(t.Starts >= Of(plan, "rods/dip.0").Ends));

        foreach (var at in (LocalDateTime[])[
            Today.PlusDays(1).At(new(22, 0)),
            Today.PlusDays(1).At(new(6, 0)),
            Today.PlusDays(2).At(new(12, 30)),
        ])
            Assert.Equal(
                Outcome.Impossible,
                new Planner(With(Request(Rods), "rods/pack.0", new(At: at))).Solve(Patient with { Quick = false }).Outcome);
    }

    [Fact]
    public void A_helper_works_beside_the_maker()
    {
        // Half an hour of open kitchen before the pickup is too little for one.
        var tight = Request(Rods, Cookies) with
        {
            Arranged = Arrangements.None with
            {
                Hours = [
                new(Today, null),
                new(Today.PlusDays(1), null),
                new(Today.PlusDays(2), new(new(11, 10), new(12, 0))),
            ]
            },
        };
        Assert.Equal(Outcome.Impossible, new Planner(tight).Solve(Patient with { Quick = false }).Outcome);
        var helped = tight with { Arranged = tight.Arranged with { Helpers = [new(Today.PlusDays(2), new(new(11, 0), new(14, 0)))] } };
        var plan = Planned(helped).Plan;
        Assert.Contains(plan.Tasks, t => t.Worker == "helper.1");
        Assert.Contains(plan.Hands, h => h.Worker == "helper.1" && h.Busy > Duration.Zero);
    }

    [Fact]
    public void A_place_that_is_away_holds_no_tray_and_a_counter_that_is_too_warm_neither()
    {
        var away = Request(
            Berries, Rods) with
        {
            Arranged = Arrangements.None with
            {
                Places = [
                new("counter", -3, Weekend.Now, Weekend.Now.PlusDays(5)),
            ]
            }
        };
        Assert.All(Planned(away).Plan.Trays.GroupBy(t => t.Starts), g => Assert.True(g.Count(t => t.Place == "counter") <= 1));

        var hot = Tables with
        {
            Reference = Tables.Reference with
            {
                Setting = Tables.Reference.Setting with
                {
                    Places = [
            .. Tables.Reference.Setting.Places.Select(p => p.Code == Place.Room
                ? p with { Air = new(new(273.15 + 28), Source.Entered), Humidity = new(new(0.3), Source.Entered) }
                : p),
        ]
                }
            }
        };
        var plan = Planned(Request(Rods) with { Tables = hot }).Plan;
        Assert.DoesNotContain(plan.Trays, t => t.Task == "rods/dip.0" && t.Place == "counter");
        Assert.All(plan.Trays.Where(t => t.Task == "rods/dip.0"), t => Assert.NotNull(t.Set));
    }

    [Theory]
    [InlineData("counter", true)]
    [InlineData("cold", false)]
    public void Coats_set_where_the_maker_likes_it(string choice, bool counter)
    {
        var order = Rods with { Draft = Rods.Draft with { Schools = new Dictionary<string, string> { ["setting"] = choice } } };
        var tray = Planned(Request(order)).Plan.Trays.Single(t => t.Task == "rods/dip.0");
        Assert.Equal(counter, tray.Place == "counter");
        Assert.Equal(!counter, tray.OutBy is not null);
    }

    [Fact]
    public void The_makers_own_pace_is_the_plans()
    {
        DayTask Dip(double pace) =>
            Of(Planned(
                Request(
                    Rods) with
                { Tables = Tables with { Profile = Tables.Profile with { Working = Tables.Profile.Working with { Pace = new Dictionary<string, double> { ["dip"] = pace } } } } },
                best: false).Plan, "rods/dip.0");
        Assert.Equal(2.0, Length(Dip(2)) / Length(Dip(1)), 0.2);

        static double Length(DayTask task) => Period.Between(task.Starts, task.Ends, PeriodUnits.Minutes).Minutes;
    }

    [Theory]
    [InlineData("sandwich-cookie", "thin", 150)]
    [InlineData("strawberry", "XL", 90)]
    [InlineData("pretzel-twist", "full", 120)]
    public void Many_pieces_are_dipped_tray_by_tray_and_none_gets_lost(string centre, string size, int count)
    {
        var depth = Tables.Reference.Centre(centre)!.UsualDepth.Value.Si;
        var plan = Planned(Request(Weekend.Order("many", 3, 18, Weekend.Dipped(centre, size, count, "dark", depth))), best: false).Plan;
        foreach (var stage in (Stage[])[Stage.Dip, Stage.Pack])
            Assert.Equal(count, plan.Tasks.Where(t => t.What.Stage == stage).Sum(t => t.What.Pieces));
        Assert.True(plan.Tasks.Count(t => t.What.Stage is Stage.Dip) > 1);
        Assert.All(
            plan.Tasks,
            t => Assert.True(
                Period.Between(t.Starts, t.Ends, PeriodUnits.Minutes).Minutes <= Tables.Reference.Planning.Longest.Value.TotalMinutes));
    }

    [Fact]
    public void One_mould_is_filled_for_one_order_at_a_time()
    {
        PlannedOrder Moulded(string code) =>
            Weekend.Order(
                code,
                2,
                15,
                Weekend.Dipped(
                    "moulded-piece", "cookie", 16, "teal", 1) with
                { Making = new(Mould: new("cookie-round", "sandwich-cookie", "thin")) });
        var plan = Planned(Request(Moulded("a"), Moulded("b")), best: false).Plan;
        var rounds = plan.Tasks.Where(t => t.What.Code.Contains("/mould.0.", StringComparison.Ordinal)).GroupBy(t => t.What.Code.Replace(
            ".out", "", StringComparison.Ordinal))
            .Select(g => (From: g.Min(t => t.Starts), To: g.Max(t => t.Ends))).OrderBy(r => r.From).ToList();
        Assert.True(rounds.Count >= 2);
        foreach (var (one, next) in rounds.Zip(rounds.Skip(1)))
            Assert.True(next.From >= one.To, $"filled at {next.From} while in use until {one.To}");
    }

    [Fact]
    public void Tidying_costs_nothing_and_keeps_no_pot_warm_longer()
    {
        var planner = new Planner(Request(Rods, Berries, Cookies));
        var found = planner.Solve(Patient);
        var tidy = planner.Tidy(found);
        Assert.True(PlanCost.Of(planner.Problem, tidy) <= found.Cost);
        Assert.Empty(PlanChecker.Broken(Request(Rods, Berries, Cookies), planner.Read(tidy)));
        static int Warm(Melted melt) => melt.Wash.Start - melt.Melt.End;
        Assert.All(tidy.Melts.Zip(found.Melts), m => Assert.True(Warm(m.First) <= Warm(m.Second)));
    }

    [Fact]
    public void Planned_round_an_earlier_plan_its_tasks_stay_where_they_were_found_and_no_pot_is_melted_before_it_must()
    {
        var (planner, solution, _) = Planned(Request(Rods, Berries, Cookies));
        var request = With(Request(Rods, Berries, Cookies), "cookies/dip.0", new(NotBefore: Today.PlusDays(2).At(new(9, 0))));
        var again = new Planner(request);
        var near = again.Shifted(solution, planner.Origin);
        var found = again.Solve(Planner.First, near, near);
        var tidy = again.Tidy(found, near);
        Assert.True(Planner.Stays(tidy, near));
        Assert.Equal(found.Tasks.Select(t => (t.Code, t.Start)), tidy.Tasks.Select(t => (t.Code, t.Start)));
        var plan = again.Read(tidy);
        Assert.Empty(PlanChecker.Broken(request, plan));
        Assert.NotEmpty(plan.Melts);
        Assert.All(plan.Melts, m => Assert.Equal((m.Pot, Duration.Zero), (m.Pot, Of(plan, Melted.MeltOf(m.Pot, m.Number)).Slack)));
    }

    [Fact]
    public void A_plan_of_which_most_must_move_does_not_stay()
    {
        var (planner, solution, plan) = Planned(Request(Rods, Cookies));
        var day = Of(plan, "rods/dip.0").Starts.Date;
        var again = new Planner(Closed(Request(Rods, Cookies), Period.DaysBetween(Today, day)));
        var near = again.Shifted(solution, planner.Origin);
        Assert.True(Planner.Stays(near, near));
        Assert.False(Planner.Stays(again.Solve(Patient, near, near), near));
    }

    [Fact]
    public void Slack_is_what_it_says()
    {
        var plan = Planned(Request(Rods, Berries)).Plan;
        foreach (var task in plan.Tasks.Where(t => t.Worker is not null && t.Slack > Duration.Zero))
        {
            var later = task.Ends.PlusSeconds((long)task.Slack.TotalSeconds);
            Assert.DoesNotContain(plan.Tasks, t => t != task && t.Worker == task.Worker && t.Starts >= task.Ends && t.Starts < later);
            Assert.True(later <= task.Starts.Date + Usual.To);
        }

        Assert.Contains(plan.Tasks, t => t.Slack == Duration.Zero);
    }

    [Fact]
    public void A_plan_of_another_day_is_shifted_and_back()
    {
        var (planner, solution, _) = Planned(Request(Rods), best: false);
        var tomorrow = new Planner(Request(Rods) with { Now = Weekend.Now.PlusDays(1) });
        Assert.Equal(solution.All, planner.Shifted(tomorrow.Shifted(solution, planner.Origin), tomorrow.Origin).All);
    }

    [Fact]
    public void A_tray_stands_where_the_maker_puts_it_and_where_it_can_when_that_is_no_place_for_it()
    {
        string Where(string? place)
        {
            var request = With(Request(Rods), "rods/dip.0", new(Place: place));
            var planner = new Planner(request);
            var plan = planner.Read(planner.Solve(Patient));
            Assert.Empty(PlanChecker.Broken(request, plan));
            return plan.Trays.First(t => t.Task == "rods/dip.0").Place;
        }

        Assert.Equal(("fridge", "counter", "fridge"), (Where(null), Where("counter"), Where("cellar")));
    }

    [Fact]
    public void Spans_between_marks_are_in_order_and_meet()
    {
        var spans = Minutes.Between([30, 10, 20, 10]).ToList();
        Assert.Equal([new(10, 20), new(20, 30)], spans);
        Assert.True(new Minutes(10, 30).Holds(spans[0]));
        Assert.False(spans[0].Holds(new(10, 30)));
        Assert.Empty(Minutes.Between([5]));
    }
}

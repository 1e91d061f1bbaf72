using Kondiba.Core.Measures;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>A pot that is warm: what was dipped came from it, and what is left is dipped from it while it holds.</summary>
public class WarmPotTests
{
    private static readonly LocalDateTime Now = Weekend.Now;

    // Two trays of rods from one pot, collected this evening.
    private static readonly PlannedOrder Rods = Weekend.Order("rods", 0, 20, Weekend.Dipped("pretzel-rod", "one", 40, "dark", 0.5));

    private static (Planner Planner, Plan Plan) Planned(LocalDateTime now, Arrangements arranged)
    {
        var planner = new Planner(new([Rods], KitchenTables.Shipped, arranged, now));
        var solution = planner.Solve(new(Effort: 4, Seconds: 60));
        Assert.True(solution.Any, $"{solution.Outcome}");
        return (planner, planner.Read(planner.Tidy(solution)));
    }

    private static Arrangements With(params (string Task, TaskMark Mark)[] marks) =>
        Arrangements.None with { Tasks = marks.ToDictionary(m => m.Task, m => m.Mark) };

    private static List<DayTask> Dips(Plan plan) => [.. plan.Tasks.Where(t => t.What.Pots.Count > 0 && t.What.Stage is Steps.Stage.Dip)];

    [Fact]
    public void Two_trays_are_dipped_from_one_melt()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        Assert.Equal(2, Dips(plan).Count);
        var melt = Assert.Single(plan.Melts);
        Assert.Equal($"melt.{melt.Pot}.1", melt.Code);
        Assert.Equal(Dips(plan).Select(t => t.What.Code).Order(), melt.Tasks.Order());
    }

    [Fact]
    public void The_second_tray_is_dipped_from_the_pot_of_the_first()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var (melt, first) = (plan.Melts[0], Dips(plan)[0]);
        var arranged = With((first.What.Code, new(Done: first.Ends))).Following(plan);

        // That the first tray was dipped says that the pot was melted, when it was planned.
        var melting = plan.Tasks.Single(t => t.What.Code == melt.Code);
        Assert.Equal(melting.Ends, arranged.Tasks[melt.Code].Done);

        var (_, next) = Planned(first.Ends, arranged);
        var warm = Assert.Single(next.Melts);
        Assert.Equal((1, melting.Starts, melt.Ready), (warm.Number, warm.Starts, warm.Ready));
        Assert.Equal([Dips(plan)[1].What.Code], warm.Tasks);
        Assert.Equal(melt.ToMelt.In("g"), warm.ToMelt.In("g"), 6);
        Assert.Null(next.Tasks.Single(t => t.What.Code == melt.Code).Worker);
        Assert.NotNull(next.Tasks.Single(t => t.What.Code == $"wash.{melt.Pot}.1").Worker);

        // What came before the tray is done with it: nobody brushes off what is dipped.
        Assert.All(next.Tasks.Where(t => t.What.Stage is Steps.Stage.Prep), t => Assert.NotNull(t.Mark?.Done));
        Assert.Empty(PlanChecker.Broken(new([Rods], KitchenTables.Shipped, arranged, first.Ends), next));
    }

    [Fact]
    public void A_tray_dipped_sooner_than_planned_came_from_a_pot_melted_sooner()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var (melt, first) = (plan.Melts[0], Dips(plan)[0]);
        var melting = plan.Tasks.Single(t => t.What.Code == melt.Code);
        var arranged = With((first.What.Code, new(Done: first.Ends.PlusMinutes(-50)))).Following(plan);
        Assert.Equal(melting.Ends.PlusMinutes(-50), arranged.Tasks[melt.Code].Done);

        // What the maker said of the melt stands.
        var said = With((first.What.Code, new(Done: first.Ends)), (melt.Code, new(Done: melting.Ends.PlusMinutes(-7)))).Following(plan);
        Assert.Equal(melting.Ends.PlusMinutes(-7), said.Tasks[melt.Code].Done);

        // And what was not dipped says nothing.
        Assert.Single(With((first.What.Code, new(At: first.Starts))).Following(plan).Tasks);
    }

    [Fact]
    public void A_pot_that_has_set_is_melted_again()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var (melt, first) = (plan.Melts[0], Dips(plan)[0]);
        var holds = (long)KitchenTables.Shipped.Reference.Planning.Holds.Value.TotalMinutes;
        var arranged = With((first.What.Code, new(Done: Now.PlusMinutes(60))), (melt.Code, new(Done: Now.PlusMinutes(30))));

        // It holds from when it is fit to dip; a minute before it is over it is still there, though it may be of no use any more.
        var cools = Period.Between(plan.Tasks.Single(t => t.What.Code == melt.Code).Ends, melt.Ready, PeriodUnits.Minutes).Minutes;
        var over = Now.PlusMinutes(30 + cools + holds);
        Assert.Contains(Planned(over.PlusMinutes(-1), arranged).Plan.Melts, m => m.Number == 1);
        var (_, next) = Planned(over, arranged);
        var again = Assert.Single(next.Melts);
        Assert.Equal(2, again.Number);
        Assert.True(again.Starts >= over, $"{again.Starts}");
    }

    [Fact]
    public void A_pot_that_is_washed_up_is_over()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var first = Dips(plan)[0];
        var arranged = With(
            (first.What.Code, new(
                Done: Now.PlusMinutes(60))), ($"melt.{plan.Melts[0].Pot}.1", new(
                    Done: Now.PlusMinutes(30))), ($"wash.{plan.Melts[0].Pot}.1", new(Done: Now.PlusMinutes(70))));
        var (_, next) = Planned(Now.PlusMinutes(75), arranged);
        Assert.Equal(2, Assert.Single(next.Melts).Number);
    }

    [Fact]
    public void A_warm_pot_from_which_nothing_is_left_to_dip_is_washed_up()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var dips = Dips(plan);
        var arranged = With([.. dips.Select(d => (d.What.Code, new TaskMark(Done: d.Ends)))]).Following(plan);
        var (_, next) = Planned(dips[^1].Ends, arranged);
        Assert.Empty(Assert.Single(next.Melts).Tasks);
        var wash = next.Tasks.Single(t => t.What.Code == $"wash.{plan.Melts[0].Pot}.1");
        Assert.True(wash.Starts >= dips[^1].Ends && wash.Worker == "me", $"{wash}");
    }

    [Fact]
    public void A_melt_that_is_late_makes_the_whole_colour_late()
    {
        var (_, plan) = Planned(Now, Arrangements.None);
        var late = plan.Melts[0].Starts.PlusMinutes(20);
        var arranged = With((plan.Melts[0].Code, new(NotBefore: late)));
        var (_, next) = Planned(Now, arranged);
        Assert.All(next.Melts, m => Assert.True(m.Starts >= late, $"{m.Starts}"));
        Assert.All(Dips(next), d => Assert.True(d.Starts >= late, $"{d.Starts}"));
    }
}

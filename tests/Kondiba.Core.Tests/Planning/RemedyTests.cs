using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using static Kondiba.Core.Tests.SmallPlans;

namespace Kondiba.Core.Tests;

/// <summary>What is told when not everything fits, and what helps: each remedy that is offered is taken, planned and checked.</summary>
public class RemedyTests
{
    private static Plan Short(PlanRequest request)
    {
        var planner = new Planner(request);
        Assert.Equal(Outcome.Impossible, planner.Solve(Patient with { Quick = false }).Outcome);
        return planner.ReadShort(planner.Stretch());
    }

    /// <summary>Every remedy that is offered is taken, planned and checked.</summary>
    private static List<string> Remedies(PlanRequest request)
    {
        var remedies = new Planner(request).Help(Short(request));
        foreach (var remedy in remedies)
            Planned(remedy.In(request), best: false);
        return [.. remedies.Select(r => r.What.Said())];
    }

    [Fact]
    public void Without_hours_hands_are_missing_day_by_day_and_work_on_one_of_them_helps()
    {
        var request = Closed(Request(Rods), 0, 1, 2);
        var plan = Short(request);
        Assert.All(plan.Shortages, s => Assert.Equal(Kondiba.Core.Planning.Short.Hands, s.Kind));
        Assert.Matches("^(Thursday|Friday|Saturday): You’re .* short\\.$", plan.Shortages[0].What.Said());
        Assert.Contains(plan.Tasks, t => t.Worker == "nobody");
        var remedies = Remedies(request);
        Assert.Contains(remedies, r => r.StartsWith("work on ", StringComparison.Ordinal));
        Assert.Contains("undo your changes, 3 in all", remedies);
    }

    /// <summary>
    /// Room alone does not do, nor does anything but the usual hours: they are found beside the ways that go with more room.
    /// </summary>
    [Fact]
    public void What_was_arranged_can_be_taken_back_where_room_is_short_too()
    {
        var request = Closed(Request(Rods), 1);
        var day = request.Arranged.Hours[0].Day.AtMidnight();
        Shortage Of(Short kind, string? of) => new(kind, "", of, day, day.PlusHours(20), 1);
        var remedies = Kondiba.Core.Planning.Remedies.For(
            request,
            [Of(Kondiba.Core.Planning.Short.Place, "fridge"), Of(Kondiba.Core.Planning.Short.Hands, null)],
            new Dictionary<string, string>(),
            r => r.Arranged.Hours.Count == 0);
        Assert.Equal(["undo your changes, 1 in all"], remedies.Select(r => r.What.Said()));
    }

    [Fact]
    public void The_least_trouble_comes_first_and_what_is_far_worse_is_not_offered()
    {
        // Half an hour is missing, on a day that begins an hour before the pickup.
        var hours = new WeekDay(new(new(8, 0), new(9, 0)));
        var request = Request(Berries with { Draft = Berries.Draft with { Pickup = Today.PlusDays(1).At(new(9, 30)) } }) with
        {
            Tables = Tables with { Profile = Tables.Profile with { Working = new([.. Enumerable.Repeat(hours, 7)], 2, 2) } },
        };
        var told = new List<IReadOnlyList<Remedy>>();
        var help = new Planner(request).Help(Short(request), told.Add);
        Assert.Equal(help, told[^1]);
        var said = help.Select(r => r.What.Said()).ToList();
        Assert.Equal("start at 07:30 on Friday", said[0]);
        Assert.DoesNotContain(said, r => r.Contains("instead of", StringComparison.Ordinal));
        Assert.True(
            said.FindIndex(r => r.StartsWith("a helper", StringComparison.Ordinal)) is -1 or > 2, string.Join("; ", said));
    }

    [Fact]
    public void A_pickup_before_anything_can_be_ready_names_the_nearest_that_is()
    {
        var request = Request(Berries with { Draft = Berries.Draft with { Pickup = Weekend.Now.PlusMinutes(40) } });
        var late = Assert.Single(Short(request).Shortages, s => s.Kind is Kondiba.Core.Planning.Short.Time);
        Assert.Contains("can’t be ready before Thursday", late.What.Said(), StringComparison.Ordinal);
        Assert.Contains(Remedies(request), r => r.StartsWith("berries is picked up Thursday at ", StringComparison.Ordinal));
    }

    [Fact]
    public void Berries_planned_days_ahead_do_not_keep_and_twists_would()
    {
        // Collected on the sixth day; the kitchen is open on the first only.
        var late = Berries with { Draft = Berries.Draft with { Pickup = Today.PlusDays(5).At(new(18, 0)) } };
        var request = Closed(Request(late), 1, 2, 3, 4, 5);
        Assert.NotEmpty(Short(request).Shortages);
        Assert.Contains("pretzel twists instead of strawberries for berries", Remedies(request));
    }

    [Fact]
    public void A_pin_where_a_task_cannot_be_is_named_and_may_be_taken_out()
    {
        var request = With(Request(Rods), "rods/dip.0", new(At: Today.PlusDays(1).At(new(3, 0))));
        Assert.Contains(Short(request).Shortages, s => s.Kind is Kondiba.Core.Planning.Short.Pin or Kondiba.Core.Planning.Short.Hands);
        Assert.NotEmpty(Remedies(request));
    }

    [Fact]
    public void Two_colours_at_once_want_two_pots_and_one_more_helps()
    {
        // Lines are drawn into the wet coat: both colours are warm at the same time.
        var marbled = Weekend.Order(
            "marbled",
            2,
            12,
            Weekend.Dipped(
                "sandwich-cookie", "thin", 24, "teal", 1) with
            {
                Decor = Kondiba.Core.Decoration.Decor.None with
                {
                    Patterns = [
                    new("marble", Orders.Wafers, "white", 4, null, 1.8, 0),
                ]
                }
            });
        var request = Request(
            marbled) with
        { Tables = Tables with { Profile = Tables.Profile with { Working = Tables.Profile.Working with { Pots = 1, Wells = 0 } } } };
        var shortage = Short(request).Shortages.First(s => s.Of is "pots");
        Assert.Equal((Kondiba.Core.Planning.Short.Place, 1), (shortage.Kind, shortage.Much));
        Assert.Contains("every pot is in use", shortage.What.Said(), StringComparison.Ordinal);
        Assert.Contains(Remedies(request), r => r.StartsWith("one more pot", StringComparison.Ordinal));
    }
}

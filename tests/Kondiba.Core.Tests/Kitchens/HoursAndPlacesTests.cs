using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Hours, hands and places as a maker enters them, and what is arranged for a day.</summary>
public class HoursAndPlacesTests
{
    private static readonly KitchenTables Shipped = KitchenTables.Shipped;
    private static readonly DayHours Day = new(new(9, 0), new(17, 0)), Backwards = new(new(17, 0), new(9, 0));
    private static readonly LocalDate Saturday = new(2031, 5, 3);

    private static Working Week(params DayHours?[] days) => new([.. days.Select(d => new WeekDay(d))], 2, 2);

    private static readonly Working Usual = Week(Day, Day, Day, Day, Day, null, null);

    public static TheoryData<Working, string> BadWorking => new()
    {
        { Week(Day, Day), "days" },
        { Week(Day, Day, Backwards, Day, Day, Day, Day), "days[2]" },
        { Week(Day, Day, Day, Day, Day, Day, new(new(9, 0), new(9, 0))), "days[6]" },
        { Usual with { Pots = 0 }, "pots" },
        { Usual with { Pots = 13 }, "pots" },
        { Usual with { Wells = -1 }, "wells" },
        { Usual with { Pace = new Dictionary<string, double> { ["dip"] = 0.1 } }, "pace.dip" },
        { Usual with { Pace = new Dictionary<string, double> { ["pack"] = double.NaN } }, "pace.pack" },
        { Usual with { Pace = new Dictionary<string, double> { ["sleep"] = 1 } }, "pace.sleep" },
    };

    [Theory]
    [MemberData(nameof(BadWorking))]
    public void Hours_and_hands_that_cannot_be_are_named_by_their_field(Working working, string field) =>
        Names(OwnCheck.Of(working), field);

    public static TheoryData<OwnPlace, string> BadPlaces => new()
    {
        { new("cellar", "Cellar", -41, 0.6, 2), "air" },
        { new("cellar", "Cellar", double.NaN, 0.6, 2), "air" },
        { new("cellar", "Cellar", 12, 0, 2), "humidity" },
        { new("cellar", "Cellar", 12, 60, 2), "humidity" },
        { new("cellar", "Cellar", 12, 0.6, -1), "trays" },
        { new("cellar", "Cellar", 12, 0.6, 41), "trays" },
        { new(Place.Room, "Counter", 20, 0.5, 0), "trays" },
        { new("the cellar", "Cellar", 12, 0.6, 2), "code" },
        { new("cellar", " ", 12, 0.6, 2), "name" },
    };

    [Theory]
    [MemberData(nameof(BadPlaces))]
    public void Places_that_cannot_be_are_named_by_their_field(OwnPlace place, string field) => Names(OwnCheck.Of(place), field);

    public static TheoryData<Arrangements, string> BadArrangements => new()
    {
        { Arrangements.None with { Hours = [new(Saturday, Day), new(Saturday, Backwards)] }, "hours[1]" },
        { Arrangements.None with { Helpers = [new(Saturday, Backwards)] }, "helpers[0]" },
        { Arrangements.None with { Places = [
            new("fridge", -1, Saturday + new LocalTime(12, 0), Saturday + new LocalTime(12, 0)),
        ] }, "places[0]" },
        { Arrangements.None with { Places = [new("fridge", 61, Saturday.AtMidnight(), Saturday + new LocalTime(12, 0))] }, "places[0]" },
        { Arrangements.None with { Helpers = [.. Enumerable.Repeat(new HelperOn(Saturday, Day), 201)] }, "arranged" },
        { Arrangements.None with { Tasks = Enumerable.Range(0, 2001).ToDictionary(i => $"{i}", _ => new TaskMark()) }, "arranged" },
    };

    [Theory]
    [MemberData(nameof(BadArrangements))]
    public void Arrangements_that_cannot_be_are_named_by_their_field(Arrangements arranged, string field) =>
        Names(OwnCheck.Of(arranged), field);

    [Fact]
    public void What_can_be_passes()
    {
        Assert.Empty(OwnCheck.Of(Usual));
        Assert.Empty(OwnCheck.Of(Week(null, null, null, null, null, null, null)));
        Assert.Empty(OwnCheck.Of(Usual with { Pace = Enum.GetValues<Stage>().ToDictionary(Working.NameOf, _ => 1.5) }));
        Assert.Empty(OwnCheck.Of(new OwnPlace("cellar", "Cellar", 12, 0.6, 2)));
        Assert.All(Shipped.Reference.Setting.Places, p => Assert.Empty(OwnCheck.Of(OwnTables.Entered(p))));
        Assert.Empty(OwnCheck.Of(Shipped.Profile.Working));
        Assert.Empty(OwnCheck.Of(Arrangements.None));
        Assert.Empty(OwnCheck.Of(
            Arrangements.None with
            {
                Hours = [
                new(Saturday, null),
            ],
                Helpers = [new(Saturday, Day)],
                Places = [new("pots", 1, Saturday.AtMidnight(), Saturday.PlusDays(1).AtMidnight())]
            }));
    }

    [Fact]
    public void A_week_goes_from_Monday_and_a_day_of_its_own_goes_before_it()
    {
        Assert.Null(Usual.On(Saturday));
        Assert.Equal(Day, Usual.On(Saturday.PlusDays(2)));
        Assert.Equal(Day, Usual.On(Saturday.PlusDays(-1)));
        var other = new DayHours(new(6, 0), new(8, 0));
        var arranged = Arrangements.None with { Hours = [new(Saturday, Day), new(Saturday, other), new(Saturday.PlusDays(2), null)] };
        Assert.Equal(other, arranged.HoursOf(Saturday, Usual));
        Assert.Null(arranged.HoursOf(Saturday.PlusDays(2), Usual));
        Assert.Equal(Day, arranged.HoursOf(Saturday.PlusDays(3), Usual));
        Assert.Equal(3, arranged.Count);
    }

    [Fact]
    public void Pace_is_the_tables_where_nothing_was_said()
    {
        Assert.Equal(1, Usual.PaceOf(Stage.Dip));
        var fast = Usual with { Pace = new Dictionary<string, double> { ["dip"] = 0.5 } };
        Assert.Equal((0.5, 1.0), (fast.PaceOf(Stage.Dip), fast.PaceOf(Stage.Pack)));
    }

    [Fact]
    public void A_place_of_ones_own_is_one_more_where_coats_set_and_a_shipped_one_is_measured_anew()
    {
        var own = OwnThings.None with { Places = [new("cellar", "Cellar", 12, 0.6, 2), new("fridge", "Fridge", 7, 0.4, 1)] };
        var setting = OwnTables.For(Shipped, own).Reference.Setting;
        Assert.Equal(Shipped.Reference.Setting.Places.Count + 1, setting.Places.Count);
        var (cellar, fridge) = (setting.Places.Single(p => p.Code == "cellar"), setting.Places.Single(p => p.Code == "fridge"));
        Assert.Equal(12, cellar.Air.Value.In("°C"), 9);
        Assert.Equal(Source.Kitchen, cellar.Air.Source);
        Assert.Equal((1, 7.0), (fridge.Trays, Math.Round(fridge.Air.Value.In("°C"), 9)));

        // Without trays there is no such place in the kitchen.
        Assert.DoesNotContain(setting.Had, p => p.Trays == 0);
        Assert.Contains(setting.Had, p => p.Code == "cellar");
    }

    private static void Names(IReadOnlyList<Problem> problems, string field)
    {
        var problem = Assert.Single(problems);
        Assert.Equal(field, problem.Field);
        Assert.True(problem.Reason.Said().Length > 20 && problem.Remedy.Said().Length > 10, problem.ToString());
    }
}

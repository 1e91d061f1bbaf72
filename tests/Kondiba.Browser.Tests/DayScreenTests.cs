using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>The day: a weekend planned, made impossible and helped, a task pinned and the rest planned round it.</summary>
public sealed class DayScreenTests : IDisposable
{
    private readonly Maker maker;

    // What one of them arranges is not for the next.
    public DayScreenTests(Site site)
    {
        _ = new Fresh(site);
        maker = new(site);
    }

    public void Dispose() => maker.Dispose();

    /// <summary>Looks at the first day on which hands, pots and the counter have work, whatever the hour is now.</summary>
    private void Busy()
    {
        var days = maker.Count("//ol[@aria-label='Days']//button");
        for (var day = 1; day <= days; day++)
        {
            var button = $"(//ol[@aria-label='Days']//button)[{day}]";
            maker.Click(button);
            maker.Until(() => maker.Count($"{button}[@aria-pressed='true']") == 1, "the day");
            if (maker.Count("[aria-label=Hands] li") > 5
                && maker.Count("[aria-label=Pots] li") > 0
                && maker.Count("[aria-label=counter] li") > 0)
                return;
        }

        Assert.Fail($"no day has work for hands, pots and the counter: {maker.Text("main")}");
    }

    [Fact]
    public void A_weekend_is_planned_pinned_and_planned_round_the_pin()
    {
        maker.Go("day?view=hours");
        maker.SeePlan();
        Busy();
        Assert.Empty(maker.Barriers());
        Assert.Equal(1, maker.PrintedPages());

        // A tray is tapped to see what is on it.
        maker.Click("//section[@aria-label='counter']//li//button");
        maker.See("on it");
        maker.See("its trays, drawn");
        maker.Type(Keys.Escape);

        // Pinned where it is, the task says so, here and after a reload; taken back, it is free again.
        maker.Click("(//section[@aria-label='Hands']//li//button[contains(., 'Dip')])[1]");
        maker.See("Pin it there");
        maker.Press("Pin it there");
        maker.See("pinned at");
        maker.See("(pinned)");
        maker.SeePlan();
        maker.Reload();
        maker.See("(pinned)");
        maker.Click("//button[starts-with(@aria-label, 'Take back: Dip')]");
        maker.See("Taken back");
        maker.Until(() => !maker.Shows("(pinned)"), "no pin");
        maker.Press("Undo");
        maker.See("(pinned)");
        maker.Click("//button[starts-with(@aria-label, 'Take back: Dip')]");
        maker.Until(() => !maker.Shows("(pinned)"), "no pin");
        maker.Press("Replan");
        maker.SeePlan();
    }

    [Fact]
    public void A_pot_that_is_melted_stays_warm_and_a_helper_comes_for_some_hours()
    {
        maker.Go("day?view=hours");
        maker.SeePlan();
        Busy();

        // Melted, the pot is told to be warm; taken back, it is to be melted again.
        maker.Click("(//section[@aria-label='Hands']//li//button[contains(., 'Melt')])[1]");
        maker.See("it is melted");
        maker.Press("it is melted");
        maker.See(": done");
        maker.SeePlan();
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 1, "the melt among what was arranged");
        maker.Press("Undo");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 0, "nothing arranged");

        maker.Press("Add helper");
        maker.FillTime("From", "1800");
        maker.FillTime("To", "1700");
        maker.See("It ends before it begins.");
        maker.FillTime("From", "1500");
        maker.Press("Save");
        maker.See("15:00–17:00");
        maker.SeePlan();
        maker.Press("Change hours");
        maker.FillTime("From", "0700");
        maker.Press("Save");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 2, "hours of this day");
        maker.Click("//section[@aria-label='counter']//li//button");
        maker.Press("the counter is away this day");
        maker.See("What would have been in it");
        Assert.Empty(maker.Barriers());
    }

    [Fact]
    public void A_step_is_moved_by_keys_a_tray_to_another_place_and_what_else_moves_is_told()
    {
        maker.Go("day?view=hours");
        maker.SeePlan();
        Busy();
        maker.Click("(//section[@aria-label='Hands']//li//button[contains(., 'Pack')])[1]");
        maker.See("Pin it there");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("Pin it there"), "the sheet gone");

        // Left where it is by Escape; pinned ten minutes later by Enter, with what that does to the rest.
        maker.Type(Keys.ArrowDown);
        maker.See("Enter pins it here");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("Enter pins it here"), "the step where it was");
        maker.Type(Keys.ArrowDown + Keys.ArrowDown + Keys.Enter);
        maker.See("(pinned)");
        maker.Until(() => maker.Shows("Nothing else moves.") || maker.Shows("Also moves:"), "what else moves");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows("(pinned)"), "no pin");
        maker.SeePlan();

        // Dropped on a day in the row above, it is pinned there at its time.
        maker.Drag(
            "(//section[@aria-label='Hands']//li//button[starts-with(@title, 'Arrow keys')])[1]",
            "//ol[@aria-label='Days']//button[@aria-pressed='true']/ancestor::li/preceding-sibling::li[1]//button");
        maker.See(": pinned ");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows(": pinned "), "no pin");
        maker.SeePlan();

        maker.Click("//section[@aria-label='counter']//li//button");
        maker.Click("//button[normalize-space()='put it in the fridge']");
        maker.See("in the fridge");
        maker.Click("//button[starts-with(@aria-label, 'Take back:')]");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 0, "nothing arranged");
        maker.SeePlan();

        maker.Click("//button[@aria-label='fridge: full or away?']");
        maker.Press("Plan without it");
        maker.See("Without the fridge on");
        maker.SeePlan();
    }

    [Fact]
    public void An_impossible_weekend_says_what_is_short_and_a_remedy_makes_it_fit()
    {
        maker.Go("day?view=hours");
        maker.SeePlan();

        // Nobody works on the day the chess final is collected, nor on the days before.
        for (var day = 1; day <= 3; day++)
        {
            maker.Click($"(//ol[@aria-label='Days']//button)[{day}]");
            maker.Press("No work this day");
            var days = day;
            maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == days, $"{days} days without work");
        }

        maker.See("doesn’t all fit");
        maker.See("of hands are missing");
        maker.Until(() => maker.Count("section[aria-labelledby=helps] li button") > 0, "a remedy", 60);
        Assert.Empty(maker.Barriers());
        maker.Click("(//section[@aria-labelledby='helps']//li//button)[1]");
        maker.SeePlan();
        maker.Until(() => !maker.Shows("doesn’t all fit"), "it fits");
    }

    /// <summary>The run sheet is the first that one sees: rounds round their pots, steps that are ticked where they stand.</summary>
    [Fact]
    public void The_run_sheet_is_ticked_where_it_stands()
    {
        maker.Go("day");
        maker.SeePlan();
        maker.See("Where it stands");
        maker.Click("(//button[contains(@aria-label, ': mark done')])[1]");
        maker.See("Done:");
        maker.Until(() => maker.Count("//button[@aria-pressed='true'][contains(@aria-label, ': done')]") == 1, "one step ticked");
        Assert.Empty(maker.Barriers());
        maker.Press("Undo");
        maker.Until(() => maker.Count("//button[@aria-pressed='true'][contains(@aria-label, ': done')]") == 0, "none ticked");
        maker.Press("Hour by hour");
        maker.Until(() => maker.Count("[aria-label=Hands] li") > 0, "the hours");
        maker.Press("Run sheet");
        maker.See("Hour by hour");
    }

    [Fact]
    public void A_cellar_and_short_hours_of_ones_own_and_how_cookies_set_there()
    {
        maker.Go("kitchen/hours");
        maker.Press("A place of my own");
        maker.Fill("Name", "Cellar");
        maker.Fill("Its air, °C", "12");
        maker.Click("//form[.//label[normalize-space()='Trays it takes']]//button[normalize-space()='Keep']");
        maker.See("2 trays, 12 °C, 60 % humidity");
        maker.Go("kitchen/hours");
        maker.Click("//label[normalize-space()='Monday']");
        maker.Click("(//button[normalize-space()='Keep'])[1]");
        maker.See("kept");
        Assert.Empty(maker.Barriers());

        maker.Order("Cellar supper", "12 thin sandwich cookies dark");
        maker.Click("//button[contains(., 'how it sets')]");
        maker.See("dew point");
        maker.See("Cellar");
        Assert.Equal(4, maker.Count("[role=dialog] svg[role=img]"));
        maker.Click("(//*[@role='dialog']//button[contains(., 'setting, fridge')])[1]");
        maker.See("each step's error below");
    }
}

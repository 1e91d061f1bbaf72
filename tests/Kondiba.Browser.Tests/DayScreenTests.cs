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
            if (maker.Count("[aria-label=You] li") > 5
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
        maker.See("show its trays");
        maker.Type(Keys.Escape);

        // Pinned where it is, the task says so, here and after a reload; taken back, it is free again.
        maker.Click("(//section[@aria-label='You']//li//button[contains(., 'Dip')])[1]");
        maker.See("Pin here");
        maker.Press("Pin here");
        maker.See("pinned at");
        maker.See("(pinned)");
        maker.SeePlan();
        maker.Reload();
        maker.See("(pinned)");
        maker.Click("//button[starts-with(@aria-label, 'Undo: Dip')]");
        maker.See("Undone");
        maker.Until(() => !maker.Shows("(pinned)"), "no pin");
        maker.Press("Undo");
        maker.See("(pinned)");
        maker.Click("//button[starts-with(@aria-label, 'Undo: Dip')]");
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
        maker.Click("(//section[@aria-label='You']//li//button[contains(., 'Melt')])[1]");
        maker.See("it is melted");
        maker.Press("it is melted");
        maker.See(": done");
        maker.SeePlan();
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 1, "the melt among what was arranged");
        maker.Press("Undo");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 0, "nothing arranged");

        maker.Press("Add helper");
        maker.FillWhen("From", "1800");
        maker.FillWhen("To", "1700");
        maker.See("It ends before it starts.");
        maker.FillWhen("From", "1500");
        maker.Press("Save");
        maker.See("15:00–17:00");
        maker.SeePlan();
        maker.Press("Change hours");
        maker.FillWhen("From", "0700");
        maker.Press("Save");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 2, "hours of this day");
        maker.Click("//section[@aria-label='counter']//li//button");
        maker.Press("the counter isn’t available this day");
        maker.See("What was in it");
        Assert.Empty(maker.Barriers());
    }

    [Fact]
    public void A_step_is_moved_by_keys_a_tray_to_another_place_and_what_else_moves_is_told()
    {
        maker.Go("day?view=hours");
        maker.SeePlan();
        Busy();
        maker.Click("(//section[@aria-label='You']//li//button[contains(., 'Pack')])[1]");
        maker.See("Pin here");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("Pin here"), "the sheet gone");

        // Left where it is by Escape; pinned ten minutes later by Enter, with what that does to the rest.
        maker.Type(Keys.ArrowDown);
        maker.See("press Enter to pin it here");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("press Enter to pin it here"), "the step where it was");
        maker.Type(Keys.ArrowDown + Keys.ArrowDown + Keys.Enter);
        maker.See("(pinned)");
        maker.Until(() => maker.Shows("Nothing else moves.") || maker.Shows("Also moves:"), "what else moves");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows("(pinned)"), "no pin");
        maker.SeePlan();

        // Dropped on a day in the row above, it is pinned there at its time.
        maker.Drag(
            "(//section[@aria-label='You']//li//button[starts-with(@title, 'Move it with the arrow keys')])[1]",
            "//ol[@aria-label='Days']//button[@aria-pressed='true']/ancestor::li/preceding-sibling::li[1]//button");
        maker.See(": pinned ");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows(": pinned "), "no pin");
        maker.SeePlan();

        maker.Click("//section[@aria-label='counter']//li//button");
        maker.Click("//button[normalize-space()='put it in the fridge']");
        maker.See("in the fridge");
        maker.Click("//button[starts-with(@aria-label, 'Undo:')]");
        maker.Until(() => maker.Count("section[aria-labelledby=arranged] li") == 0, "nothing arranged");
        maker.SeePlan();

        maker.Click("//button[@aria-label='fridge: full or not available?']");
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
        maker.See("short.");
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
        maker.See("Where trays are");
        maker.Click("(//button[contains(@aria-label, ': mark done')])[1]");
        maker.See("Done:");
        maker.Until(() => maker.Count("//button[@aria-pressed='true'][contains(@aria-label, ': done')]") == 1, "one step ticked");
        Assert.Empty(maker.Barriers());
        maker.Press("Undo");
        maker.Until(() => maker.Count("//button[@aria-pressed='true'][contains(@aria-label, ': done')]") == 0, "none ticked");
        maker.Press("Hour by hour");
        maker.Until(() => maker.Count("[aria-label=You] li") > 0, "the hours");
        maker.Press("Run sheet");
        maker.See("Hour by hour");
    }

    [Fact]
    public void A_cellar_and_short_hours_of_ones_own_and_how_cookies_set_there()
    {
        maker.Go("kitchen/hours");
        maker.Press("Add my own place");
        maker.Fill("Name", "Cellar");
        maker.Fill("Air temperature, °C", "12");
        maker.Click("//form[.//label[normalize-space()='Trays it holds']]//button[normalize-space()='Save']");
        maker.See("2 trays, 12 °C, 60% humidity");
        maker.Go("kitchen/hours");
        maker.Click("//label[normalize-space()='Monday']");
        maker.Click("(//button[normalize-space()='Save'])[1]");
        maker.See("saved");
        Assert.Empty(maker.Barriers());

        maker.Order("Cellar supper", "12 thin sandwich cookies dark");
        maker.Click("//button[contains(., 'how it sets')]");
        maker.See("dew point");
        maker.See("Cellar");
        Assert.Equal(4, maker.Count("[role=dialog] svg[role=img]"));
        maker.Click("(//*[@role='dialog']//button[contains(., 'setting, fridge')])[1]");
        maker.See("each step’s error below");
    }
}

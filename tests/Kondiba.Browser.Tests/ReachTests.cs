using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Whoever has a narrow screen, enlarges the page, touches it or has only keys reaches everything.</summary>
public sealed class ReachTests(Site site) : IClassFixture<Fresh>
{
    private const string OfOrder = "order/";

    private static readonly string[] Pages =
    [
        "", "orders", "day", "bench", "looks", "looks/harbour-berry", "looks/harbour-berry/card", "looks/new", "colour", "pantry",
        "shopping", "logbook", "handbook", "practice", "practice/seed-back", "trouble", "deleted", "wall-card", "welcome",
        OfOrder, OfOrder + "prep", OfOrder + "packing", OfOrder + "labels", OfOrder + "paper", OfOrder + "leftovers", OfOrder + "price",
        OfOrder + "quote",
        .. new[] { "ways", "centres", "figures", "coatings", "colours", "toppings", "fillings", "moulds", "words", "vessels", "hours",
            "devices", "rates", "people", "files", "setup" }.Select(c => $"kitchen/{c}"),
    ];

    /// <summary>320 px, and what is left of 1280 by 800 at 200 %.</summary>
    [Theory]
    [InlineData(320, 640)]
    [InlineData(640, 400)]
    public void No_page_has_to_be_scrolled_sideways(int width, int height)
    {
        using var maker = new Maker(site, width, height);
        var order = OrderOf(maker);
        List<string> wide = [];
        foreach (var page in Pages)
        {
            Open(maker, page, order);
            if (maker.TooWide() is { Length: > 0 } what)
                wide.Add($"{page}: {what}");
        }

        Assert.Empty(wide);
    }

    /// <summary>
    /// Targets of 24 px, 44 on a touch screen, or spaced so (WCAG 2.2, 2.5.8): links within a sentence are as high as their line.
    /// </summary>
    [Theory]
    [InlineData(false, 24)]
    [InlineData(true, 44)]
    public void What_is_pressed_is_large_enough(bool touch, int least)
    {
        using var maker = new Maker(site, touch ? 390 : 1280, 844);
        maker.Touches(touch);
        var order = OrderOf(maker);
        List<string> small = [];
        foreach (var page in Pages.Where(p => p is "" or "orders" or "pantry" or "shopping" or "day" or OfOrder or OfOrder + "price"))
        {
            Open(maker, page, order);
            small.AddRange(maker.SmallTargets(least).Select(t => $"{page}: {t}"));
        }

        maker.Touches(false);
        Assert.Empty(small);
    }

    [Fact]
    public void Keys_alone_open_choices_and_the_focus_is_never_lost()
    {
        using var maker = new Maker(site);
        maker.Order("Keys", "12 rods midnight");
        maker.Fill("Add to the order", "12 truffles white");
        maker.Until(() => maker.Count("[data-testid=understood]") == 1, "the truffles understood");
        maker.Type(Keys.Enter);
        maker.Until(() => maker.Count("[data-testid=pot-white]") == 1, "a white pot");
        maker.SeeSaved();
        maker.FocusOn("//button[starts-with(normalize-space(), 'State:')]");
        maker.Type(Keys.Enter);
        maker.Until(() => maker.Count("[role=option]") == 6, "the states, opened by Enter");
        maker.Type(Keys.Down + Keys.Down + Keys.Enter);
        maker.Until(() => maker.Count("//button[starts-with(normalize-space(), 'State:') and contains(., 'Confirmed')]") == 1, "confirmed");
        AssertFocus(maker);

        maker.FocusOn("//*[@data-testid='pot-midnight']//button[contains(., 'to melt: how?')]");
        maker.Type(Keys.Enter);
        maker.See("How: midnight, to melt");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("How: midnight"), "the sheet closed");
        AssertFocus(maker);

        foreach (var what in new[] { "truffle balls", "pretzel rods" })
        {
            maker.FocusOn($"//button[@aria-label='Remove {what}']");
            maker.Type(Keys.Enter);
            maker.Until(() => maker.Count($"//*[@aria-label='How many {what}']") == 0, $"no {what}");
            AssertFocus(maker);
        }
    }

    [Fact]
    public void A_pickup_is_typed_as_it_is_said_and_picked_from_its_month_with_keys()
    {
        using var maker = new Maker(site);
        maker.Open("Orchid show");
        maker.FillWhen("Pickup day", "19 Dec 3pm");
        maker.Until(() => maker.Value("Pickup day") == "Sat 19 Dec" && maker.Value("Pickup time") == "15:00", "the day and its time");
        maker.FillWhen("Pickup time", "quarter past");
        maker.See("“quarter past” is not a day or a time.");
        maker.Type(Keys.Escape);
        maker.Until(() => maker.Value("Pickup time") == "15:00", "the time as it was");

        maker.Press("Pick a day");
        maker.Type(Keys.Down + Keys.Right);
        maker.Until(() => maker.Focused() == "Sunday 27 December", "a week and a day on");
        Assert.Empty(maker.Barriers());
        maker.Type(Keys.Enter);
        maker.Until(() => maker.Value("Pickup day") == "Sun 27 Dec", "the day picked");
        maker.SeeSaved();
    }

    [Fact]
    public void A_day_picked_in_a_form_does_not_send_it_and_counts_as_a_change()
    {
        using var maker = new Maker(site);
        maker.Go("orders?q=regatta");
        maker.Press("Order again: Regatta, a year ago");
        maker.Press("Pick a day");
        maker.Press("Next month");
        maker.Click("(//*[@role='gridcell']/button)[15]");
        maker.Until(() => maker.Value("Pickup day (blank = a week from now)").Length > 0, "the day");
        Assert.Equal("/orders", new Uri(maker.Url).AbsolutePath);
        Assert.Equal(1, maker.Count("[role=dialog]"));
    }

    [Fact]
    public void A_choice_that_was_changed_asks_before_its_form_is_left()
    {
        using var maker = new Maker(site);
        maker.Go("kitchen/ways");
        maker.Click("(//form//button[@aria-haspopup='listbox'])[1]");
        maker.Until(() => maker.Count("[role=option]") > 1, "what can be chosen");
        maker.Click("(//*[@role='option'][not(@aria-selected='true')])[1]");
        maker.Click("//*[@role='tab'][normalize-space()='Vessels']");
        maker.See("Leave without saving?");
    }

    [Fact]
    public void A_form_that_was_changed_asks_before_it_is_left()
    {
        using var maker = new Maker(site);
        maker.Go("kitchen/rates");
        maker.Fill("Your hour, €", "21");
        maker.Click("//*[@role='tab'][normalize-space()='Vessels']");
        maker.See("Leave without saving?");
        Assert.Empty(maker.Barriers());
        maker.Press("Stay");
        maker.Until(() => maker.Value("Your hour, €") == "21.00", "what was typed");
        maker.Press("Save");
        maker.See("saved");
        maker.Click("//*[@role='tab'][normalize-space()='Vessels']");
        maker.See("spouted jug");
        maker.Go("kitchen/rates");
        maker.Fill("Your hour, €", "14");
        maker.Click("//*[@role='tab'][normalize-space()='Vessels']");
        maker.Press("Leave");
        maker.See("spouted jug");
    }

    private static void AssertFocus(Maker maker) =>
        maker.Until(() => maker.Measure("return document.activeElement === document.body ? 0 : 1") == 1, "the focus somewhere");

    private static string OrderOf(Maker maker)
    {
        maker.Open("Meteor night");
        return new Uri(maker.Url).AbsolutePath[1..];
    }

    private static void Open(Maker maker, string page, string order)
    {
        maker.Go(page.StartsWith(OfOrder, StringComparison.Ordinal) ? $"{order}/{page[OfOrder.Length..]}".TrimEnd('/') : page);
        maker.Until(() => maker.Count("h1") > 0 && !maker.Shows("Loading"), page);
    }

    [Fact]
    public void An_order_is_fetched_packed_with_what_its_page_shows_and_no_more()
    {
        using var maker = new Maker(site);
        maker.Open("Meteor night");
        maker.Reload();
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") > 0, "the trays");
        Assert.InRange(maker.FetchedKilobytes(), 100, 180);
    }
}

using System.Globalization;
using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

public sealed class OrderScreenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private const string Midnight = "[data-testid=pot-midnight] ";
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void An_order_is_made_by_keyboard_alone_and_a_reload_keeps_it()
    {
        maker.Type("n");
        maker.Until(() => maker.Focused() == "Add to the order", "the cursor where lines are typed");
        maker.See("Your pots appear here");
        maker.Type(Keys.Tab);
        maker.Until(() => maker.Focused() == "Order for", "the cursor in the name");
        maker.Type(Keys.Control + "a" + Keys.Null + "Lighthouse supper" + Keys.Shift + Keys.Tab + Keys.Null);
        maker.Until(() => maker.Focused() == "Add to the order", "the cursor where lines are typed");
        maker.Type("large strawberries" + Keys.Enter);
        maker.Until(() => maker.Focused() == "How many strawberries", "the cursor in the count");
        maker.Type("24");
        maker.Until(
            () => maker.Text("li p").Replace("\n", " ", StringComparison.Ordinal) == "Strawberries, Size of strawberries: large",
            "large strawberries");
        maker.Until(() => maker.Value("Dip depth of strawberries") == "three quarters", "the usual depth");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 24, "24 berries on the tray");
        Assert.InRange(maker.Number("[data-testid=pot-dark] [data-testid=to-melt]"), 200, 400);
        Assert.Equal("1 pack", maker.Text("[data-testid=pot-dark] [data-testid=packs]"));
        Assert.Matches(@"\d+ min", maker.Text("[data-testid=tray] table"));
        maker.SeeSaved();

        var melted = maker.Text("[data-testid=pot-dark] [data-testid=to-melt]");
        maker.Reload();
        maker.Until(
            () => maker.Value("Order for") == "Lighthouse supper" && maker.Value("How many strawberries") == "24", "the order as it was");
        maker.Until(() => maker.Text("[data-testid=pot-dark] [data-testid=to-melt]") == melted, "the amount as it was");
    }

    [Fact]
    public void Changing_a_count_changes_trays_pots_and_packs_and_undo_takes_it_back()
    {
        maker.Open("Meteor night");
        maker.Until(() => maker.Text(Midnight + "[data-testid=packs]") == "1 pack", "a pack of midnight");
        var before = maker.Number(Midnight + "[data-testid=to-melt]");
        var pieces = maker.Count("[data-testid=tray] image[href]");
        maker.Fill("How many pretzel rods", "300");
        maker.Until(() => maker.Number(Midnight + "[data-testid=to-melt]") > before + 100, "more to melt");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == pieces + 276, "276 rods more on the trays");
        Assert.NotEqual("1 pack", maker.Text(Midnight + "[data-testid=packs]"));
        maker.SeeSaved();

        maker.Chord(Keys.Control, "z");
        maker.Until(() => maker.Number(Midnight + "[data-testid=to-melt]") == before, "what was to melt before");
        Assert.Equal("24", maker.Value("How many pretzel rods"));
        maker.SeeSaved();
    }

    [Fact]
    public void What_cannot_be_is_said_by_its_field_the_rest_computes_and_a_reload_keeps_what_was_typed()
    {
        maker.Open("Regatta");
        maker.SeeSaved();
        maker.Fill("How many pretzel rods", "0");
        maker.See("This is less than one piece. Enter how many, or remove the line.");
        maker.See("not saved: fix");
        maker.Until(
            () => maker.Count("[data-testid=pot-coral] [data-testid=how-to-dip]") == 0
                && maker.Count("[data-testid=pot-teal]") == 1,
            "coral in a bag alone");

        maker.Reload();
        maker.Until(() => maker.Value("How many pretzel rods") == "0", "what was typed");
        maker.See("This is less than one piece.");
        maker.Fill("How many pretzel rods", "18");
        maker.SeeSaved();
        maker.Fill("Dip depth of pretzel rods", "120" + Keys.Tab);
        maker.See("This dip depth is not possible.");
        maker.Fill("Dip depth of pretzel rods", "1/2" + Keys.Tab);
        maker.SeeSaved();
        Assert.Equal("half", maker.Value("Dip depth of pretzel rods"));
    }

    [Fact]
    public void What_was_put_right_while_the_server_refused_it_is_saved_all_the_same()
    {
        maker.HoldSaves();
        maker.Open("Regatta");
        maker.Reload();
        maker.Fill("How many pretzel rods", "0");
        maker.Until(() => maker.Measure("return window.held.length") == 1, "a save under way");
        maker.Fill("How many pretzel rods", "21");
        maker.LetSavesGo();
        maker.SeeSaved();
        Assert.Equal("21", maker.Value("How many pretzel rods"));
    }

    [Fact]
    public void An_apple_in_a_tall_glass_is_told_by_the_vessel()
    {
        maker.Open("Regatta");
        maker.Choose("Vessel for teal", "7 cm tall glass");
        maker.See(
            "A medium apple is 76 mm across and needs 91 mm to go in and out upright; the 7 cm tall glass is 70 mm wide. "
            + "Choose another vessel");
        maker.Press("Find a vessel for me");
        maker.Until(() => !maker.Shows("76 mm across"), "no complaint");
        maker.SeeSaved();
    }

    [Fact]
    public void Nothing_shown_as_saved_is_lost_when_the_server_is_killed_and_what_was_typed_meanwhile_follows()
    {
        maker.Open("Chess final");
        maker.SeeSaved();
        for (var count = 21; count <= 24; count++)
        {
            maker.Fill("Notes", $"board {count}");
            maker.SeeSaved();
        }

        site.Kill();
        maker.Fill("Order for", "Chess final, second board");
        maker.See("Offline. Saved on this device.");
        site.Start();
        maker.SeeSaved();
        using var other = new Maker(site);
        other.See("Chess final, second board");
        other.Open("Chess final, second board");
        Assert.Equal("board 24", other.Value("Notes"));
    }

    [Fact]
    public void Two_windows_do_not_overwrite_each_other()
    {
        maker.Open("Orchid show");
        maker.SeeSaved();
        using var other = new Maker(site);
        other.Open("Orchid show");
        other.Fill("Notes", "from the other window");
        other.SeeSaved();

        maker.Fill("Notes", "from this window");
        maker.See("Someone else changed this order.");
        maker.Press("Keep mine");
        maker.SeeSaved();
        other.Reload();
        other.Until(() => other.Value("Notes") == "from this window", "this window's notes");

        maker.Fill("Notes", "once more");
        maker.SeeSaved();
        other.Fill("Notes", "too late");
        other.See("Someone else changed this order.");
        other.Press("Use theirs");
        other.Until(() => other.Value("Notes") == "once more", "the first window's notes");
    }

    [Fact]
    public void A_what_if_shows_its_difference_and_is_kept_only_when_the_maker_says_so()
    {
        maker.Open("Choir jubilee");
        maker.SeeSaved();
        var before = maker.Number(Midnight + "[data-testid=to-melt]");
        maker.Press("What if …");
        maker.See("as is");
        maker.Until(() => maker.Text("[data-testid=difference-all-colours]") == "none", "no difference");
        maker.Choose("Vessel for midnight, what if", "9 cm jar");
        maker.Until(() => maker.Text("[data-testid=difference-all-colours]").StartsWith('+'), "more to melt");
        maker.Until(() => maker.Text("[data-testid=difference-worth]").StartsWith('+'), "for more money");
        maker.Press("Back to how it is");
        maker.Until(() => maker.Text("[data-testid=difference-all-colours]") == "none", "no difference again");

        // One change after the other, so that what is read is what all of them come to.
        maker.Choose("Thinner for midnight, what if", "none");
        maker.Until(() => maker.Text("[data-testid=difference-all-colours]").StartsWith('+'), "thicker films");
        var thicker = Grams("[data-testid=difference-all-colours]");
        maker.Choose("Coats on pretzel rods, what if", "two coats");
        maker.Until(() => Grams("[data-testid=difference-all-colours]") > thicker + 20, "more of them");
        var twice = Grams("[data-testid=difference-all-colours]");
        maker.Fill("Extra, %", "25");
        maker.Until(() => Grams("[data-testid=difference-all-colours]") > twice + 20, "more to spare");
        Assert.True(Grams("[data-testid=difference-all-colours]") > 150);
        Assert.Equal(before, maker.Number(Midnight + "[data-testid=to-melt]"));

        var then = before + Grams("[data-testid=what-if] tr:first-child td:last-child");
        maker.Press("Make it so");
        maker.Until(() => Math.Abs(maker.Number(Midnight + "[data-testid=to-melt]") - then) <= 1, "the pot as it was tried");
        maker.SeeSaved();
        maker.Reload();
        maker.Until(() => Math.Abs(maker.Number(Midnight + "[data-testid=to-melt]") - then) <= 1, "the pot as it was kept");
        maker.Choose("Vessel for midnight", "9 cm jar");
        maker.Until(() => maker.Number(Midnight + "[data-testid=to-melt]") > then + 20, "the wider vessel");
        maker.Chord(Keys.Control, "z");
        maker.Until(() => Math.Abs(maker.Number(Midnight + "[data-testid=to-melt]") - then) <= 1, "the vessel taken back");

        double Grams(string css) =>
            double.Parse(
                maker.Text(css).Replace(" g", "", StringComparison.Ordinal),
                NumberStyles.AllowThousands | NumberStyles.AllowLeadingSign,
                CultureInfo.InvariantCulture);
    }

    [Fact]
    public void Amounts_come_in_dozens_and_by_weight()
    {
        maker.Open("Orchid show");
        maker.SeeSaved();
        maker.Choose("strawberries counted in", "dozen");
        maker.Until(() => maker.Value("How many strawberries") == "2.5", "thirty berries in dozens");
        maker.See("30 pieces");
        maker.Choose("strawberries counted in", "g");
        maker.Fill("How many strawberries", "900");
        maker.See("75 pieces");
        maker.SeeSaved();
        for (var step = 0; step < 3; step++)
            maker.Chord(Keys.Control, "z");
        maker.Until(() => maker.Value("How many strawberries") == "30", "thirty pieces");
        maker.SeeSaved();
    }

    [Fact]
    public void Figures_say_how_and_units_switch_everywhere()
    {
        maker.Open("Meteor night");
        maker.See("Make white, then silver, then midnight, then dark: light colours first.");
        maker.Click("//*[@data-testid='pot-dark']//button[contains(., 'to melt: how?')]");
        maker.See("How: dark, to melt");
        maker.See("stays on tools and walls");
        maker.See("estimate");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("How: dark"), "the sheet closed");

        var grams = maker.Number("[data-testid=pot-dark] [data-testid=to-melt]");
        maker.Click("//button[starts-with(normalize-space(), 'Units:')]");
        maker.See("oz to melt");
        Assert.Equal(grams / 28.3495, maker.Number("[data-testid=pot-dark] [data-testid=to-melt]"), 0.1);
        maker.Click("//*[@data-testid='pot-dark']//button[starts-with(., 'More')]");
        maker.See("Dip at 95 °F");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("Dip at 95 °F"), "the sheet closed");
        maker.Click("//button[starts-with(normalize-space(), 'Units:')]");
        maker.See("g to melt");
    }

    [Fact]
    public void A_removed_order_is_put_back_from_the_shelf()
    {
        maker.Go("");
        maker.Press("New order N");
        maker.Until(() => maker.Focused() == "Add to the order", "the new order");
        maker.Fill("Order for", "Fog signal tea");
        maker.SeeSaved();
        maker.Press("Remove");
        maker.See("Fog signal tea was deleted.");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows("was deleted"), "the offer gone");
        maker.See("Fog signal tea");
    }
}

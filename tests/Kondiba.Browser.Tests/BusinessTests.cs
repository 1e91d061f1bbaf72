using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>An order from the first word to the empty jar.</summary>
public sealed class BusinessTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void An_order_typed_in_words_is_quoted_agreed_shopped_for_and_made_and_the_stock_goes_down()
    {
        maker.Type("n");
        maker.Until(() => maker.Focused() == "Add to the order", "the cursor where lines are typed");
        maker.Fill("Order for", "Lantern walk");
        maker.Fill("Customer", "Lighthouse keepers");
        maker.Fill("Add to the order", "2 doz large strawberries plum 3/4, white zigzag; 12 rods navy top third + silver drizzle");
        maker.Until(() => maker.Count("[data-testid=understood]") == 2, "two lines understood");
        maker.Press("Add 2 lines");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 36, "36 pieces on the trays");
        Assert.Equal("three quarters", maker.Value("Dip depth of strawberries"));
        maker.SeeSaved();

        // Priced and quoted: the link shows it to anyone, until it is taken back.
        maker.Click("//a[normalize-space()='Price and quote']");
        maker.Click("//label[normalize-space()='by the dozen']");
        maker.Fill("A dozen, €", "40");
        maker.Until(() => maker.Text("[data-testid=ask]").Contains("120.00", StringComparison.Ordinal), "three dozens at 40");
        maker.SeeSaved();
        maker.Press("Create a link to send");
        maker.Until(() => maker.Text("[data-testid=share-link]").Contains("/q/", StringComparison.Ordinal), "the link");
        var link = new Uri(maker.Text("[data-testid=share-link]")).AbsolutePath[1..];
        using (var client = new Maker(site, width: 390, height: 844, signIn: false))
        {
            client.Go(link);
            client.See("Lantern walk");
            client.See("for Lighthouse keepers");
            client.See("Contains milk, soy, wheat.");
            Assert.Equal("€120.00", client.Text("[data-testid=total]"));
            Assert.False(client.Shows("cost"));
            Assert.Empty(client.Barriers());
            client.Press("Accept this quote");
            client.See("You accepted this quote on");
            Assert.Equal(0, client.Count("//button[contains(., 'Accept')]"));
            maker.Until(
                () => maker.Text("[data-testid=accepted]").EndsWith("at €120.00", StringComparison.Ordinal), "that it was accepted");
            maker.Press("Turn off");
            maker.See("Link turned off");
            client.Reload();
            client.See("no longer available");
        }

        // Agreed and shopped for.
        maker.Click("//a[contains(., 'Lantern walk')]");
        maker.Until(() => maker.Value("Order for") == "Lantern walk", "the order");
        maker.See("Quote accepted");
        maker.See("Confirmed");
        maker.Go("shopping");
        maker.See("Lantern walk");
        foreach (var other in new[] { "Chess final", "Meteor night", "Regatta" })
        {
            maker.Click($"//label[contains(., '{other}')]");
            maker.Until(
                () => maker.Count("fieldset input:checked") == 3 - Array.IndexOf(["Chess final", "Meteor night", "Regatta"], other),
                "one order fewer");
        }

        maker.Until(() => !maker.Shows("apples, medium"), "the other orders' wares gone");
        maker.See("1 × 340 g");
        maker.Click("//label[contains(., 'plum')]");
        maker.See("In the basket");
        maker.See("in the pantry");
        maker.Go("pantry");
        maker.See("plum, compound wafers, dipped warm");
        Assert.Equal(340, Plum());

        // Made: what went onto the pieces is gone, the pool is still there.
        maker.Open("Lantern walk");
        Become("Made");
        maker.See("taken out of the pantry");
        maker.Go("pantry");
        maker.See("plum, compound wafers, dipped warm");
        Assert.InRange(Plum(), 120, 300);
        maker.Click("//li[contains(., 'plum')]//button[contains(., 'Use some')]");
        maker.See("Lantern walk");
        Assert.Empty(maker.Barriers());
    }

    private void Become(string state)
    {
        maker.Choose("State", state);
        maker.Until(() => maker.Count($"//button[contains(., 'State:') and contains(., '{state}')]") == 1, state);
        maker.SeeSaved();
    }

    private double Plum() => double.Parse(
        maker.Text("li:has(button[data-ware='coating.compound-wafer-hot-flow.plum']) b")
            .Split(' ', '\u00a0')[0], System.Globalization.CultureInfo.InvariantCulture);

    [Fact]
    public void An_allergy_that_clashes_is_said_at_once_at_the_slip_and_at_the_line()
    {
        maker.Open("Orchid show");
        maker.Until(() => maker.Shows("Free of"), "the allergies");
        Assert.False(maker.Shows("Allergy clash"));
        maker.Choose("Allergy", "milk");
        maker.See("Allergy clash");
        maker.See("The order must be free of milk, but compound wafers, dipped warm contain it.");
        Assert.Empty(maker.Barriers());
        maker.SeeSaved();
        maker.Go("");
        maker.See("The order must be free of milk");
        maker.Open("Orchid show");
        maker.Press("milk is allowed");
        maker.Until(() => !maker.Shows("Allergy clash"), "the clash gone");
        maker.SeeSaved();
    }

    [Fact]
    public void A_bad_csv_names_its_lines_and_changes_nothing_and_a_good_one_says_what_it_will_do_first()
    {
        maker.Go("kitchen/files");
        maker.See("One row for each line.");
        const string Head = "name,pickup,centre,size,amount,coating,colour,depth\n";
        maker.Hand(
            "Orders, file to import",
            Head + "Net loft,2031-05-03T10:00:00,strawberry,L,24,compound-wafer-hot-flow,dusk,0.75\nPilot,someday,strawberry,L,24,compound-wafer-hot-flow,dark,0.75\n");
        maker.See("Nothing was changed.");
        maker.See("line 2");
        maker.See("colour: There is no colour called 'dusk'");
        maker.See("line 3");
        maker.See("'someday' is not a time.");
        Assert.Empty(maker.Barriers());
        maker.Go("orders?q=loft");
        maker.See("No orders match");

        maker.Go("kitchen/files");
        maker.Hand(
            "Orders, file to import",
            Head + $"Net loft,{DateTime.UtcNow.AddDays(9):yyyy-MM-dd}T10:00:00,strawberry,L,24,compound-wafer-hot-flow,dark,0.75\n");
        maker.See("This would change:");
        maker.See("new: Net loft, 24 pieces");
        maker.Press("Import");
        maker.See("Done:");
        maker.Go("orders?q=loft");
        maker.See("24 pieces");
    }

    [Fact]
    public void A_tick_in_the_shop_waits_for_the_server_and_is_not_lost()
    {
        maker.HoldPosts();
        maker.Go("shopping");
        maker.Click("//label[contains(., 'paper cups')]");
        maker.See("In the basket");
        maker.See("saved on this device");
        maker.Reload();
        maker.See("In the basket");
        maker.LetPostsGo();
        maker.See("in the pantry");
        maker.Press("Undo: paper cups");
        maker.Until(() => !maker.Shows("In the basket"), "the basket empty");
        maker.Go("pantry");
        maker.See("paper cups: 38 left, reorder at 60");
    }

    [Fact]
    public void The_same_again_for_forty_and_a_template_stand_among_all_orders()
    {
        maker.Go("orders?q=regatta");
        maker.See("Regatta, a year ago");
        maker.Press("Order again: Regatta, a year ago");
        maker.Fill("Name", "Regatta anew");
        maker.Fill("Total pieces", "40");
        maker.Press("Save");
        maker.Until(() => maker.Value("Order for") == "Regatta anew", "the new order");
        maker.Until(() => maker.Text("[data-testid=pieces]") == "40", "forty pieces");
        maker.Go("orders?show=templates");
        maker.See("A dozen berries in a box");
        Assert.Empty(maker.Barriers());
    }

    [Fact]
    public void A_helper_comes_in_by_invitation_and_sees_no_price()
    {
        maker.Go("kitchen/people");
        maker.Press("Create invitation");
        maker.Until(() => maker.Text("[data-testid=invitation]").Contains("/join/", StringComparison.Ordinal), "the invitation");
        using var helper = new Maker(site, signIn: false);
        helper.Go(new Uri(maker.Text("[data-testid=invitation]")).AbsolutePath[1..]);
        helper.See("You were invited to help.");
        Assert.Empty(helper.Barriers());
        helper.Fill("Name", $"helper {Guid.CreateVersion7():n}"[..20]);
        helper.Fill("Password", "a whisk and a bowl" + Keys.Enter);
        helper.See("The shelf");
        helper.Open("Meteor night");
        helper.Until(() => helper.Count("[data-testid=pot-midnight]") == 1, "the pots");
        Assert.False(helper.Shows("Price and quote"));
        Assert.False(helper.Shows("€"));
        helper.Go("shopping");
        helper.See("compound wafers");
        Assert.False(helper.Shows("€"));
    }
}

using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

public sealed class ShelfTests(Site site) : IClassFixture<Fresh>
{
    [Fact]
    public void Who_comes_without_the_printed_address_opens_the_sample_kitchen_and_no_other()
    {
        using var maker = new Maker(site, signIn: false);
        maker.See("Know what to melt, buy and do, and when.");
        Assert.Empty(maker.Barriers());
        maker.Click("//label[normalize-space()='Use an access key']");
        maker.Fill("Address or access key that ./start printed", "not the key" + Keys.Enter);
        maker.See("That key isn’t valid.");
        maker.Press("Open the sample kitchen");
        maker.See("The shelf");
        maker.See("Meteor night");
    }

    [Fact]
    public void More_orders_than_fit_side_by_side_pile_up_on_their_day()
    {
        using var maker = new Maker(site);
        foreach (var name in new[] { "Tide bell", "Net loft", "Pilot boat", "Ropewalk" })
        {
            maker.Go("");
            maker.See("The shelf");
            maker.Press("New order N");
            maker.Until(() => maker.Focused() == "Add to the order", "the new order");
            maker.Fill("Order for", name);
            maker.SeeSaved();
        }

        maker.Go("");
        foreach (var name in new[] { "Meteor night", "Tide bell", "Net loft", "Pilot boat" })
            maker.See(name);
        Assert.Empty(maker.Barriers());
        maker.See("nothing on it yet");
    }

    [Fact]
    public void Weeks_without_orders_teach_what_to_do_and_lost_pages_lead_back()
    {
        using var maker = new Maker(site);
        maker.Go("?from=2040-01-01");
        maker.See("No orders in these two weeks.");
        maker.See("earlier");
        maker.Go("orders/00000000-0000-7000-8000-000000000000");
        maker.See("To the shelf");
        maker.Click("//a[normalize-space()='To the shelf']");
        maker.See("Meteor night");
    }

    [Fact]
    public void Keys_are_listed_and_can_be_switched_off()
    {
        using var maker = new Maker(site);
        maker.See("Meteor night");
        maker.Type("?");
        maker.See("Undo");
        maker.Press("Single-key shortcuts");
        maker.Type(Keys.Escape);
        maker.Until(() => !maker.Shows("Undo"), "the sheet closed");
        maker.Type("?");
        maker.Type("n");
        maker.Reload();
        maker.See("Meteor night");
        Assert.DoesNotContain("/orders/", maker.Url, StringComparison.Ordinal);
    }

    [Fact]
    public void A_word_that_is_not_understood_is_pointed_at_and_the_rest_can_be_taken()
    {
        using var maker = new Maker(site);
        maker.Open("Chess final");
        maker.Fill("Add to the order", "12 pretzle rods midnight; 20 pebbles");
        maker.See("“20 pebbles”");
        maker.See("Add it without");
        Assert.Empty(maker.Barriers());
    }

    /// <summary>West of Greenwich a day of the calendar begins while it is the day before in London.</summary>
    [Theory]
    [InlineData("America/Los_Angeles")]
    [InlineData("Pacific/Kiritimati")]
    public async Task A_pickup_is_on_its_own_day_wherever_it_is_read(string zone)
    {
        using var client = await site.EnterAsync();
        var shelf = (await client.GetFromJsonAsync<JsonObject>("api/shelf", TestContext.Current.CancellationToken))!;
        var order = shelf["orders"]!.AsArray().First(o => (string)o!["name"]! == "Chess final")!;
        var pickup = DateTime.Parse((string)order["pickup"]!, CultureInfo.InvariantCulture);
        using var maker = new Maker(site);
        maker.ReadFrom(zone);
        maker.Open("Chess final");
        maker.See(pickup.ToString("dddd d MMMM", CultureInfo.InvariantCulture));
        maker.Go($"day?on={pickup:yyyy-MM-dd}");
        maker.See(pickup.ToString("dddd d MMMM", CultureInfo.InvariantCulture));
        maker.Until(
            () => maker.Text("[aria-label=Days] button[aria-pressed=true]").StartsWith(
                pickup.ToString("ddd d", CultureInfo.InvariantCulture), StringComparison.Ordinal),
            "the day chosen");
    }
}

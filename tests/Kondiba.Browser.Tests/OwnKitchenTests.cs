namespace Kondiba.Browser.Tests;

/// <summary>
/// A kitchen of one's own, from nothing to a first pot, an accepted quote and what was deleted, as makers of three places write.
/// </summary>
public sealed class OwnKitchenTests(Site site)
{
    [Theory]
    [InlineData(1280, 800, "United States", "$ US dollar", "American (color, mold)", "oz, in, °F", "$", "USD", "oz", "3:00 PM")]
    [InlineData(834, 1112, "Germany", "€ euro", "British (colour, mould)", "g, mm, °C", "€", "EUR", "g", "15:00")]
    [InlineData(390, 844, "Canada, French", "$ Canadian dollar", "British (colour, mould)", "g, mm, °C", "$", "CAD", "g", "15:00")]
    [InlineData(1280, 800, "United States", "$ US dollar", "American (color, mold)", "oz, in, °F", "$", "USD", "oz", "3:00 PM", true)]
    [InlineData(834, 1112, "Germany", "€ euro", "British (colour, mould)", "g, mm, °C", "€", "EUR", "g", "15:00", true)]
    public void From_nothing_to_a_first_pot_and_an_accepted_quote(
        int width, int height, string place, string currency, string spelling, string units, string sign, string code, string unit,
        string three, bool keys = false)
    {
        using var maker = new Maker(site, width, height, signIn: false, keys: keys);
        maker.Click("//label[normalize-space()='Create a kitchen']");
        maker.Fill("Name of the kitchen", $"Pier kitchen, {place}{(keys ? ", by keys" : "")}");
        maker.Fill("Name", $"keeper of {place}{(keys ? " by keys" : "")}");
        maker.Fill("Password", "a lantern at the pier");
        maker.Press("Create kitchen");

        maker.See("Step 1 of 5");
        maker.Pick("Dates, times and numbers as in", place);
        maker.Pick("Currency", currency);
        maker.Pick("Spelling", spelling);
        maker.Pick("Units on quotes, and for new people", units);
        maker.Press("Save");
        maker.Until(() => maker.Written("currency") == code, "the page in the kitchen's way");
        Assert.Empty(maker.Barriers());

        maker.Press("Next: What you dip");
        maker.Click("//label[normalize-space()='strawberries']");
        maker.Click("//label[normalize-space()='compound wafers, dipped warm']");
        maker.Press("Next: Your pots and glasses");
        maker.See("7 cm tall glass");
        maker.Press("Next: Packs and prices");
        maker.Until(() => maker.Count("//li[contains(., 'compound wafers')]//span[.='example']") == 1, "an example price");
        maker.Fill($"compound wafers, dipped warm: price of a pack, {sign}", "5.50");
        maker.Press("Save");
        maker.Until(() => maker.Count("//li[contains(., 'compound wafers')]//span[.='example']") == 0, "a price of one's own");
        Assert.Empty(maker.Barriers());
        maker.Press("Next: Hours and places");
        maker.Press("Start your first order");

        maker.Fill("Add to the order", "24 large strawberries dark, saturday 3pm");
        maker.Until(() => maker.Count("[data-testid=understood]") > 0, "the line understood");
        maker.Click("//button[starts-with(normalize-space(), 'Add it')]");
        maker.Until(() => maker.Count("[data-testid=pot-dark] [data-testid=to-melt]") == 1, "the pot");
        Assert.Contains(unit, maker.Text("[data-testid=pot-dark]"), StringComparison.Ordinal);
        maker.SeeSaved();
        maker.Go("");
        maker.See(three);

        // Prices of one's own, then a quote that the customer accepts.
        maker.Click("//a[contains(., 'open')]");
        maker.Click("//a[normalize-space()='Price and quote']");
        maker.Fill($"Your hour, {sign}", "18");
        maker.Press("Save");
        maker.Until(() => maker.Count($"//input[contains(@aria-label, 'price of a pack')]") > 0, "what to fill in");
        maker.FillEach("price of a pack", "4.50");
        maker.Press("Save");
        maker.Press("Create a link to send");
        maker.Until(() => maker.Text("[data-testid=share-link]").Contains("/q/", StringComparison.Ordinal), "the link");
        var link = new Uri(maker.Text("[data-testid=share-link]")).AbsolutePath[1..];
        using (var customer = new Maker(site, width, height, signIn: false, keys: keys))
        {
            customer.Go(link);
            customer.Until(() => customer.Text("[data-testid=total]").Contains(sign, StringComparison.Ordinal), "the price");
            customer.See(three);
            customer.Press("Accept this quote");
            customer.See("You accepted this quote on");
            Assert.Empty(customer.Barriers());
        }

        maker.Until(() => maker.Text("[data-testid=accepted]").Contains(sign, StringComparison.Ordinal), "that it was accepted");
        maker.Go("");
        maker.See("Confirmed");

        // Deleted and restored.
        maker.Click("//a[contains(., 'open')]");
        maker.SeeSaved();
        maker.Press("Remove");
        maker.Until(() => new Uri(maker.Url).AbsolutePath == "/", "the shelf");
        maker.Go("deleted");
        maker.Click("//button[starts-with(@aria-label, 'Restore')]");
        maker.See("was restored.");
    }

    [Fact]
    public void What_was_deleted_is_listed_and_restored()
    {
        _ = new Fresh(site);
        using var maker = new Maker(site);
        maker.Go("looks/harbour-berry");
        maker.Press("Remove");
        maker.Until(() => new Uri(maker.Url).AbsolutePath == "/looks", "the library");
        maker.Go("deleted");
        maker.See("Harbour berry");
        Assert.Empty(maker.Barriers());
        maker.Press("Restore Harbour berry");
        maker.See("was restored.");
        maker.See("Nothing was deleted in the last 30 days.");
        maker.Go("looks");
        maker.See("Harbour berry");
    }
}

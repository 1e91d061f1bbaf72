using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Packing an order, and what stands on its labels.</summary>
public sealed class PackingScreenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose()
    {
        maker.Dispose();
        _ = new Fresh(site);
    }

    [Fact]
    public void A_mixed_box_of_twelve_is_packed_labelled_and_printed()
    {
        var order = maker.Order("Lighthouse keeper", "6 large strawberries dark");
        maker.Fill("Add to the order", "6 large strawberries white, nonpareils");
        maker.Press("Add it");
        maker.SeeSaved();
        maker.Click("//a[normalize-space()='Packing and labels']");
        maker.See("Not packed yet: 6 dark large strawberries, 6 white large strawberries.");
        maker.Press("Pack them in boxes for twelve, paper cups");
        maker.See("6 dark large strawberries, 6 white large strawberries");
        maker.SeeSaved();

        // Kinds lie like the squares of a board; the first and its neighbour change places by keys.
        Assert.Equal(6, maker.Count("//button[contains(@aria-label, ': dark large')]"));
        var first = maker.Count("//button[@aria-label='Row 1, place 1: dark large strawberries']") == 1 ? "dark" : "white";
        maker.Press($"Row 1, place 1: {first} large strawberries");
        maker.Type(Keys.ArrowRight);
        maker.Type(Keys.Enter);
        maker.Until(
            () => maker.Count($"//button[@aria-label='Row 1, place 2: {first} large strawberries']") == 1
                && maker.Count($"//button[@aria-label='Row 1, place 1: {first} large strawberries']") == 0,
            "two changed places");
        maker.See("You moved pieces.");
        maker.SeeSaved();
        maker.Reload();
        maker.See("You moved pieces.");
        Assert.Empty(maker.Barriers());
        using (var slip = maker.Printed())
        {
            Assert.Contains("Lighthouse keeper: packing", slip.GetPage(1).Text, StringComparison.Ordinal);
            Assert.Equal(1, slip.NumberOfPages);
        }

        maker.Click("//a[normalize-space()='Labels']");
        maker.See("1 label on 1 sheet");
        maker.Press("What labels say, and their sheet");
        maker.Fill("Made by (name, address, telephone)", "Harbour kitchen, 3 Quay Street");
        maker.Fill("Notice required by your local rules", "Made in a home kitchen.");
        maker.Press("Save");
        maker.Until(() => maker.Text("[data-testid=label]").Contains("Made in a home kitchen.", StringComparison.Ordinal), "the notice");
        maker.Press("Cancel");
        Assert.Empty(maker.Barriers());

        using (var labels = maker.Printed())
        {
            var text = labels.GetPage(1).Text;
            Assert.Equal(1, labels.NumberOfPages);
            Assert.Equal((595, 842), (Math.Round(labels.GetPage(1).Width), Math.Round(labels.GetPage(1).Height)));
            foreach (var said in new[] { "strawberries", "candy coating", "nonpareils", "Containsmilk, soy", "3 Quay Street", "batch" })
                Assert.Contains(Close(said), Close(text), StringComparison.Ordinal);
        }

        // The code's page, for somebody who is not signed in.
        maker.Click("//a[contains(., 'this page of ingredients')]");
        maker.See("What is in it");
        maker.See("Contains milk, soy.");
        Assert.Empty(maker.Barriers());
    }

    /// <summary>What a run leaves is kept for the next one, which then buys less; and can be taken back.</summary>
    [Fact]
    public void A_leftover_becomes_a_coming_orders_pot()
    {
        maker.Order("Mast lanterns", "40 rods teal");
        maker.Click("//a[normalize-space()='Leftovers']");
        maker.See("Start the Regatta pot");
        maker.Fill("Weighed, g", "120");
        maker.See("teal: 120 g left");
        Assert.Empty(maker.Barriers());
        maker.Click("(//h3[contains(., 'the Regatta pot')]/..//button[normalize-space()='Keep it for that pot'])[1]");
        maker.See("In the pantry.");
        maker.Open("Regatta");
        maker.Until(() => maker.Text("[data-testid='pot-teal']").Contains("Nothing to buy", StringComparison.Ordinal), "nothing to buy");
    }

    // What comes out of a PDF has lost some of its spaces.
    private static string Close(string text) => text.Replace(" ", "", StringComparison.Ordinal);

    [Fact]
    public void On_a_phone_a_box_is_packed_by_taps()
    {
        using var phone = new Maker(site, 390, 844, dark: true);
        phone.Order("Signal station", "12 truffle balls midnight");
        phone.Click("//a[normalize-space()='Packing and labels']");
        phone.Click("//button[contains(., 'Pack them in')]");
        phone.See("12 midnight truffle balls");
        Assert.Equal(0, phone.Measure("return document.documentElement.scrollWidth - window.innerWidth"));
        Assert.Empty(phone.Barriers());
    }
}

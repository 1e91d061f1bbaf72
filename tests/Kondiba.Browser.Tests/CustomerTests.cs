using System.Globalization;
using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>People who come back: found while their name is typed, with what they paid, owe and must not have.</summary>
public sealed class CustomerTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_customer_is_found_while_typing_and_brings_what_must_not_be_in_it()
    {
        maker.Type("n");
        maker.Until(() => maker.Focused() == "Add to the order", "the cursor where lines are typed");
        maker.Fill("Customer", "bot");
        maker.FocusOn("//ul[@aria-label='Customers of this name']//button");
        maker.Type(Keys.Enter);
        maker.Until(() => maker.Focused() == "Customer" && maker.Value("Customer") == "Botanical society", "the customer");
        Assert.Contains("@", maker.Value("Phone or email"), StringComparison.Ordinal);
        maker.See("tree nuts");
        maker.See("1 order of this customer");
        maker.Press("Undo");
        maker.Until(() => maker.Value("Phone or email").Length == 0, "one step back");
        Assert.Empty(maker.Barriers());

        maker.Press("Redo");
        maker.Click("//a[contains(., 'order of this customer')]");
        maker.See("Orchid show");
        maker.See("no tree nuts or peanut");
        Assert.Empty(maker.Barriers());
        maker.Fill("Find a customer", "nobody");
        maker.See("No customer matches “nobody”.");
    }

    [Fact]
    public void What_is_paid_is_written_down_and_what_is_still_to_pay_follows()
    {
        maker.Open("Choir jubilee");
        maker.Click("//a[normalize-space()='Price and quote']");
        maker.See("Nothing paid yet.");
        var price = Money(maker.Text("[data-testid=ask]"));
        maker.Fill("Amount, €", "20");
        maker.Fill("Paid how", "cash");
        maker.Press("Add payment");
        maker.Until(() => Money(maker.Text("[data-testid=balance]")) == price - 20, "20 less to pay");
        maker.SeeSaved();
        Assert.Empty(maker.Barriers());
        maker.Until(() => Money(maker.Value("Amount, €")) == price - 20, "what is left, to be added");
        maker.Press("Add payment");
        maker.See("Paid in full");
    }

    [Fact]
    public void All_dipped_lines_are_changed_at_once_and_back_in_one_step()
    {
        maker.Open("Chess final");
        maker.See("All 2 dipped lines:");
        maker.Choose("Coats on all lines", "two coats");
        maker.Until(() => maker.Count("//li[@data-line]//button[contains(., 'two coats')]") == 2, "two coats on both lines");
        maker.Press("Undo");
        maker.Until(() => maker.Count("//li[@data-line]//button[contains(., 'one coat')]") == 2, "one coat again");
        maker.SeeSaved();
    }

    private static decimal Money(string text) => decimal.Parse(text.Split('\n')[0].Trim('€', ' '), CultureInfo.InvariantCulture);
}

namespace Kondiba.Browser.Tests;

/// <summary>What stands in the pantry, by the hands that put it there.</summary>
public sealed class PantryScreenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void What_is_put_in_stands_there_and_one_press_takes_it_out_again()
    {
        maker.Go("pantry");
        maker.See("Running low");
        maker.Type("i");
        maker.Fill("What", "paper cups");
        maker.Click("//*[@role='option'][contains(., 'paper cups')]");
        maker.Fill("Place", "top shelf");
        maker.Press("Save");
        maker.See("paper cups is in the pantry.");
        maker.See("138");
        maker.See("top shelf");
        maker.Press("Undo");
        maker.Until(() => !maker.Shows("138"), "the cups gone again");
    }

    [Fact]
    public void A_lot_is_put_right_by_what_was_counted_and_its_history_says_so()
    {
        maker.Go("pantry");
        maker.Click("//li[.//button[@data-ware='supply.ribbon']]//button[contains(., 'Use some')]");
        maker.Click("//label[normalize-space()='there is this much']");
        maker.Fill("What is left, m", "20.5");
        maker.Press("Save");
        maker.See("ribbon: 9 m corrected.");
        maker.See("20.5 m");
        maker.Click("//li[.//button[@data-ware='supply.ribbon']]//button[contains(., 'Use some')]");
        maker.See("corrected");
        maker.See("+9 m");
        Assert.Empty(maker.Barriers());
        maker.Fill("How much, m", "30");
        maker.Press("Save");
        maker.See("Only 20.5 left.");
        maker.Press("Cancel");
        maker.Press("Undo");
        maker.See("11.5 m");
    }

    [Fact]
    public void A_mark_tells_what_runs_low_and_a_pack_of_ones_own_is_what_the_list_buys()
    {
        maker.Go("pantry");
        maker.Click("//button[@data-ware='supply.box-12']");
        maker.Fill("Reorder below (optional)", "10");
        maker.Fill("A pack holds", "0");
        maker.Press("Save");
        maker.See("A pack holds at least one.");
        maker.Fill("A pack holds", "25");
        maker.Fill("and costs, €", "15");
        maker.Press("Save");
        maker.See("boxes for twelve: 7 left, reorder at 10");

        // Six are filled for what is agreed, and there are seven; with the open day's eight they are too few.
        maker.Go("shopping");
        maker.Click("//label[contains(., 'Open day')]");
        maker.See("1 × 25");
        maker.See("€15.00");
    }

    [Fact]
    public void A_supply_of_ones_own_is_added_and_put_in()
    {
        maker.Go("pantry");
        maker.Press("Add to pantry");
        maker.Fill("What", "jute nets");
        maker.See("Nothing found for “jute nets”. Add it below as your own supply.");
        maker.Type(OpenQA.Selenium.Keys.Tab);
        Assert.Equal("jute nets", maker.Value("Name, plural"));
        maker.Press("Save");
        maker.Fill("What", "jute");
        maker.Click("//*[@role='option'][contains(., 'jute nets')]");
        maker.Fill("How much", "12");
        maker.Press("Save");
        maker.See("jute nets is in the pantry.");
        maker.See("no date");
    }

    [Fact]
    public void List_and_quote_print_on_one_page_each()
    {
        maker.Go("shopping");
        maker.See("still to buy");
        Assert.Equal(1, maker.PrintedPages());
        maker.Open("Meteor night");
        var order = new Uri(maker.Url).AbsolutePath[1..];
        maker.Go($"{order}/quote");
        maker.See("How to store it");
        Assert.Equal(1, maker.PrintedPages());
    }
}

using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Lines typed in words: what was understood is put right before it goes onto the slip.</summary>
public sealed class EntryTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private const string Field = "Add to the order";
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_slip_of_the_fingers_and_what_was_assumed_are_marked_and_can_be_changed_where_they_stand()
    {
        maker.Open("Chess final");
        maker.Fill(Field, "12 strawbery milk");
        maker.Until(() => maker.Count("[data-testid=understood]") == 1, "a line understood");
        maker.Until(() => maker.Count("//*[@data-testid='understood']//button[contains(., 'strawberries, corrected')]") == 1, "the slip marked");
        maker.Click("//*[@data-testid='understood']//button[contains(., 'size:')]");
        maker.Click("//*[@role='menuitem'][starts-with(normalize-space(), 'extra large')]");
        maker.Until(() => maker.Value(Field).Contains("extra large", StringComparison.Ordinal), "the words changed with it");
        maker.Press("Add it");
        maker.Until(() => maker.Count("[data-testid=tray] use") == 44, "twelve berries on the trays");
        Assert.Equal(1, maker.Count("//button[contains(., 'Size of strawberries') and contains(., 'extra large')]"));
        maker.SeeSaved();

        // One undo takes back all that was added at once.
        maker.Press("Undo");
        maker.Until(() => maker.Count("[data-testid=tray] use") == 32, "the order as it was");
        maker.SeeSaved();
    }

    [Fact]
    public void A_word_is_completed_from_the_list_and_enter_takes_the_line_as_soon_as_it_is_read()
    {
        maker.Open("Chess final");
        maker.Fill(Field, "6 truf");
        maker.Until(() => maker.Count("//*[@role='option'][contains(., 'truffle')]") >= 1, "a completion");
        maker.Type(Keys.ArrowDown + Keys.Enter);
        maker.Until(() => maker.Value(Field).StartsWith("6 truffle", StringComparison.Ordinal), "the word completed");
        maker.Type("plum" + Keys.Enter);
        maker.Until(() => maker.Value("How many truffle balls") == "6", "six truffle balls");
        maker.Until(() => maker.Count("[data-testid=pot-plum]") == 1, "a pot of plum");
        maker.SeeSaved();
        maker.Press("Undo");
        maker.SeeSaved();
    }

    [Fact]
    public void Many_lines_pasted_become_many_lines_of_the_order()
    {
        maker.Open("Orchid show");
        maker.Until(() => maker.Count("[data-testid=tray] use") == 62, "the trays");
        maker.Click($"//textarea[@aria-label='{Field}']");
        maker.Paste("12 rods teal half\n2 doz mini twists white\n\n  5 apples coral whole  \n");
        maker.Until(() => maker.Count("[data-testid=understood]") == 3, "three lines understood");
        maker.Press("Add 3 lines");
        maker.Until(() => maker.Count("[data-testid=tray] use") == 62 + 12 + 24 + 5, "all of it on the trays");
        Assert.Empty(maker.Barriers());
        maker.SeeSaved();
    }
}

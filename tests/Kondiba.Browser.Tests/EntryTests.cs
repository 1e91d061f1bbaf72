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
        maker.Until(
            () => maker.Count("//*[@data-testid='understood']//button[contains(., 'strawberries, corrected')]") == 1, "the slip marked");
        maker.Click("//*[@data-testid='understood']//button[contains(., 'size:')]");
        maker.Click("//*[@role='menuitem'][starts-with(normalize-space(), 'extra large')]");
        maker.Until(() => maker.Value(Field).Contains("extra large", StringComparison.Ordinal), "the words changed with it");
        maker.Press("Add it");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 44, "twelve berries on the trays");
        Assert.Equal(1, maker.Count("//button[contains(., 'Size of strawberries') and contains(., 'extra large')]"));
        maker.SeeSaved();

        // One undo takes back all that was added at once.
        maker.Press("Undo");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 32, "the order as it was");
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
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 62, "the trays");
        maker.Click($"//textarea[@aria-label='{Field}']");
        maker.Paste("12 rods teal half\n2 doz mini twists white\n\n  5 apples coral whole  \n");
        maker.Until(() => maker.Count("[data-testid=understood]") == 3, "three lines understood");
        maker.Press("Add 3 lines");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 62 + 12 + 24 + 5, "all of it on the trays");
        Assert.Empty(maker.Barriers());
        maker.SeeSaved();
    }

    [Fact]
    public void Tab_goes_on_and_changes_nothing()
    {
        maker.Open("Chess final");
        maker.Fill(Field, "6 apples dar");
        maker.Until(() => maker.Count("//*[@role='option'][contains(., 'dark')]") >= 1, "a completion");
        maker.Type(Keys.Tab);
        maker.Until(() => maker.Focused() != Field, "the cursor gone on");
        Assert.Equal("6 apples dar", maker.Value(Field));
        maker.Fill(Field, "6 apples dark");
        maker.Until(() => maker.Count("[data-testid=understood]") == 1, "a line understood");
        maker.Type(Keys.Tab);
        Assert.Equal("6 apples dark", maker.Value(Field));
        maker.Fill(Field, Keys.Delete);
    }

    [Fact]
    public void The_button_names_everything_that_it_ignores_and_a_word_can_go_into_the_notes()
    {
        maker.Open("Chess final");
        maker.Fill(Field, "12 rods navy, flurble sprinkles, no wibble");
        maker.See("Add it without “flurble sprinkles” and “no wibble”");
        Assert.Empty(maker.Barriers());
        maker.Click("//p[@role='alert'][contains(., 'wibble')]//button[.='Add to notes']");
        maker.Until(() => maker.Value("Notes").EndsWith("no wibble", StringComparison.Ordinal), "the words in the notes");
        maker.See("Add it without “flurble sprinkles”");
        maker.Fill(Field, Keys.Delete);
        maker.Press("Undo");
        maker.SeeSaved();
    }

    [Fact]
    public void A_divided_line_is_shown_divided_added_by_enter_and_undone_in_one_step()
    {
        maker.Open("Chess final");
        var before = maker.Count("[data-line]");
        maker.Fill(Field, "24 cookies, half teal half plum, gold dust on the plum ones");
        maker.See("Divided into 2 lines");
        maker.Until(() => maker.Text("[aria-label='Understood']").Contains("12 of 24", StringComparison.Ordinal), "the parts");

        // Who cannot see the chips hears them.
        maker.Until(
            () => maker.Count("//*[@role='status'][contains(., 'Line 1:') and contains(., 'Line 2:') and contains(., 'plum')]") == 1,
            "what was understood, in a sentence");
        Assert.Empty(maker.Barriers());
        maker.Click($"//textarea[@aria-label='{Field}']");
        maker.Type(Keys.Enter);
        maker.Until(() => maker.Count("[data-line]") == before + 2, "two lines on the slip");
        maker.SeeSaved();
        maker.Press("Undo");
        maker.Until(() => maker.Count("[data-line]") == before, "both gone");
        maker.SeeSaved();
    }

    [Fact]
    public void What_is_half_typed_is_still_there_and_without_a_server_it_says_so()
    {
        maker.Open("Orchid show");
        maker.Fill(Field, "12 rods na");
        maker.Go("pantry");
        maker.Open("Orchid show");
        maker.Until(() => maker.Value(Field) == "12 rods na", "what was typed");
        maker.Offline(true);
        maker.Fill(Field, "12 rods navy with a star");
        maker.See("Offline. What you typed stays here until the server is back.");
        maker.Offline(false);
        maker.Press("Try again");
        maker.Until(() => maker.Count("[data-testid=understood]") == 1, "a line understood");
        maker.Fill(Field, Keys.Delete);
    }

    [Fact]
    public void A_new_order_is_saved_once_it_holds_something_and_the_text_fills_it()
    {
        maker.Go("");
        maker.Type("n");
        maker.Until(() => maker.Focused() == Field, "the cursor where lines are typed");
        maker.See("not saved yet");
        maker.Go("orders");
        maker.See("Meteor night");
        Assert.False(maker.Shows("New order"));

        maker.Go("");
        maker.Type("n");
        maker.Until(() => maker.Focused() == Field, "the cursor where lines are typed");
        maker.Type("for the rowing club on Saturday 3pm, boxes of 6: 24 truffles dark, nut free");
        maker.See("for the rowing club");
        maker.Press("Add it");
        maker.SeeSaved();
        Assert.Equal("the rowing club", maker.Value("Order for"));
        Assert.Equal("15:00", maker.Value("Pickup time"));
        maker.Until(() => maker.Count("//button[@aria-label='tree nuts is allowed']") == 1, "the allergy");
        maker.See("boxes for six");
        maker.Reload();
        maker.Until(() => maker.Value("Order for") == "the rowing club", "the order kept");
        maker.Press("Remove");
    }
}

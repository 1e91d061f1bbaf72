using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

public sealed class LookTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_look_is_designed_and_put_on_an_order_and_its_drizzle_goes_into_the_pots()
    {
        maker.See("Meteor night");
        maker.Type("l");
        maker.Click("//a[normalize-space()='A new look']");
        maker.Pick("For", "truffle balls");
        maker.Click("//section[@aria-label='truffle balls']//button[contains(., 'spiral')]");
        maker.See("4 turns");
        maker.Until(() => maker.Count("[data-testid=drizzle-each]") == 1, "the drizzle on each");
        var drizzle = maker.Text("[data-testid=drizzle-each]");
        maker.Fill("Name of the look", "Lantern");
        maker.Slide("Lines", Keys.ArrowRight + Keys.ArrowRight);
        maker.See("6 turns");
        maker.Until(() => maker.Text("[data-testid=drizzle-each]") != drizzle, "more drizzle");

        // Nothing of it is lost before it is kept.
        maker.Reload();
        maker.Until(() => maker.Value("Name of the look") == "Lantern", "the name");
        maker.See("6 turns");
        maker.Press("Save");
        maker.See("saved");

        maker.Open("Orchid show");
        maker.SeeSaved();
        var lime = maker.Text("[data-testid=pot-lime]");
        maker.Choose("Look of truffle balls", "Lantern");
        maker.Until(() => maker.Text("[data-testid=pot-white]").Contains("in a bag", StringComparison.Ordinal), "white drizzle");
        maker.Until(() => maker.Count("[data-testid=pot-dark]") == 1, "a dark pot, as the look has it");
        Assert.Equal(lime, maker.Text("[data-testid=pot-lime]"));
        maker.SeeSaved();
        maker.Chord(Keys.Control, "z");
        maker.Until(() => maker.Count("[data-testid=pot-dark]") == 0, "what it was before");
        maker.SeeSaved();
    }

    [Fact]
    public void A_line_is_designed_where_it_stands()
    {
        maker.Open("Regatta");
        maker.SeeSaved();
        maker.Press("design the pretzel rods");
        maker.See("Design of the pretzel rods");
        maker.Click("//*[@role='radio'][@aria-label='zigzag']");
        maker.See("11 passes");
        Assert.Empty(maker.Barriers());
        maker.Press("Close");
        maker.See("white zigzag");
        maker.SeeSaved();
    }

    [Fact]
    public void Wet_and_set_in_the_wrong_order_and_more_sprinkles_than_coat_are_told_by_their_controls()
    {
        maker.Go("looks/ripple");
        maker.Press("Add another pattern");
        maker.Click("//*[@role='radio'][@aria-label='marble']");
        maker.See("Marble is drawn on the wet coat, but rings before it needs the coat touch-dry. Put marble first.");
        maker.Press("Add sprinkles");
        maker.Slide("Cover of the nonpareils", Keys.End);
        maker.See("100% of the side that is seen");
        maker.Press("Add more sprinkles");
        maker.See("That is more than the coat: 130% covered in all. Enter at most 0% here");
        Assert.Empty(maker.Barriers());
        maker.Press("Save");
        maker.See("Couldn’t save.");
        maker.Press("Undo");
        maker.Press("Save");
        maker.See("saved");
    }

    [Fact]
    public void A_palette_is_put_on_all_pieces_and_taken_back()
    {
        maker.Open("Meteor night");
        maker.SeeSaved();
        Assert.Equal(1, maker.Count("[data-testid=pot-silver]"));
        maker.Press("Use it on all pieces");
        maker.Until(() => maker.Count("[data-testid=pot-silver] [data-testid=how-to-dip]") == 1, "silver to dip in");
        maker.SeeSaved();
        maker.Chord(Keys.Control, "z");
        maker.Until(() => maker.Count("[data-testid=pot-silver] [data-testid=how-to-dip]") == 0, "silver in a bag alone");
        maker.SeeSaved();
    }

    [Fact]
    public void Two_are_made_first_in_the_small_amounts_they_want()
    {
        maker.Open("Meteor night");
        maker.Press("Make 2 first");
        maker.Until(() => maker.Text("[data-testid=trial]").Contains("6.5 cm cup", StringComparison.Ordinal), "a small cup, not a glass");
        maker.See("For 8 pieces");
        Assert.Empty(maker.Barriers());
    }

    [Fact]
    public void A_look_is_saved_as_a_picture_that_stands_on_its_own()
    {
        maker.Go("looks/fern");
        maker.See("Steps");
        var picture = maker.Download(() => maker.Press("Save as SVG"), "fern.svg");
        Assert.Equal("http://www.w3.org/2000/svg", System.Xml.Linq.XElement.Parse(picture).Name.NamespaceName);
        Assert.Contains("<path", picture, StringComparison.Ordinal);
        Assert.DoesNotContain("class=", picture, StringComparison.Ordinal);
        Assert.DoesNotContain("<text", picture, StringComparison.Ordinal);

        maker.Click("//a[normalize-space()='Design card']");
        maker.See("Touch-dry: straight lines in plum");
        maker.Go("looks");
        maker.See("Harbour berry");
        Assert.Contains("\"kondiba-looks\"", maker.Download(() => maker.Press("Export"), "looks.json"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_look_that_was_removed_can_be_put_back()
    {
        maker.Go("looks/dew");
        maker.Press("Remove");
        maker.See("Dew was removed.");
        maker.Until(() => maker.Count("a[href='/looks/dew']") == 0, "the library without it");
        maker.Press("Undo");
        maker.Until(() => maker.Count("a[href='/looks/dew']") == 1, "the library with it");
    }

    [Fact]
    public void A_file_that_holds_no_looks_is_told_and_one_that_does_is_taken_in()
    {
        maker.Go("looks");
        maker.See("Harbour berry");
        maker.Hand("File of looks", "{\"format\":\"recipes\",\"version\":1,\"looks\":[]}");
        maker.See("This isn’t a file of looks.");
        maker.Hand("File of looks", """
            {"format":"kondiba-looks","version":1,"looks":[{
             "code":"handed-on","name":"Handed on","centre":"apple","size":"M","coating":"compound-wafer-hot-flow","colour":"coral",
             "depth":1,"coats":1,"atOnce":false,"upright":null,
             "decor":{"dips":[],"patterns":[],"sprinkles":[{"kind":"coconut","side":"both","cover":0.9,"glued":false}],"parts":[],
             "paint":null}}]}
            """);
        maker.See("1 look imported.");
        maker.See("Handed on");
    }
}

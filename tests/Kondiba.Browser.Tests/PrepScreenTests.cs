using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Centres made at home: fillings, moulds, figures, and the list of steps.</summary>
public sealed class PrepScreenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void Truffles_from_scratch_for_sixty()
    {
        var order = maker.Order("Stargazers", "60 truffle balls midnight");
        maker.See("of dark ganache");

        // A larger portion is a larger ball, which wants more coating.
        var before = maker.Number("[data-testid='pot-midnight'] [data-testid=to-melt]");
        maker.Choose("Portion of truffle balls", "29");
        maker.Until(
            () => maker.Number("[data-testid='pot-midnight'] [data-testid=to-melt]") > before * 1.1, "more coating on larger balls");
        maker.Press("Undo");
        maker.SeeSaved();

        maker.Click("//a[normalize-space()='Prep, step by step']");
        maker.See("Bring the cream to its first simmer");
        maker.See("727 g dark chocolate");
        maker.See("436 g whipping cream");
        maker.See("then wait 4 h");
        maker.See("common practice");
        maker.Click("//button[contains(., 'whipping cream: how?')]");
        maker.See("sticks to the tools");
        maker.Type(Keys.Escape);

        // The other school firms it in the fridge, and the list follows and is kept.
        maker.Click("//*[@role='radiogroup'][@aria-label='Ganache firms']//label[contains(., 'in the fridge')]");
        maker.See("then wait 1 h 30 min");
        maker.Until(() => !maker.Shows("then wait 4 h"), "the other way gone");
        maker.See("For this order only.");
        maker.SeeSaved();
        maker.Reload();
        maker.See("then wait 1 h 30 min");
        Assert.Empty(maker.Barriers());

        maker.Go($"{order}/price");
        maker.See("fruit, cookies and ingredients");
    }

    [Fact]
    public void A_cookie_too_tall_for_its_mould_is_caught_and_a_thin_one_fits()
    {
        maker.Order("Tide tables", "24 moulded pieces teal");
        maker.Choose("Mould of moulded pieces", "round cookie mould");
        maker.Choose("Insert of moulded pieces", "double-filled sandwich cookie");
        maker.See("14 mm tall");
        maker.See("Use one of at most 12.5 mm");
        maker.Choose("Insert of moulded pieces", "thin sandwich cookie");
        maker.Until(() => !maker.Shows("14 mm tall"), "nothing wrong any more");
        maker.See("as heaped wafers suggest");
        maker.See("2 rounds of 16");
        maker.Click("//button[contains(., 'rounds of moulded pieces: how?')]");
        maker.See("cavities in one mould");
        maker.Type(Keys.Escape);
        maker.SeeSaved();
        maker.Click("//a[normalize-space()='Prep, step by step']");
        maker.See("round 2 of 2");
        maker.See("scrape flush");
        maker.See("Brush off crumbs");
    }

    [Fact]
    public void A_recipe_is_taken_in_put_right_kept_and_scaled()
    {
        maker.Go("kitchen/fillings");
        maker.See("Dark ganache");
        maker.Hand("Recipe file to import", """
            {"@context": "https://schema.org", "@type": "Recipe", "name": "Keeper's fudge balls", "recipeYield": "20 balls",
             "recipeIngredient": ["1 cup heavy cream", "300 g dark chocolate", "2 handfuls of toffee crumbs"],
             "recipeInstructions": [{"@type": "HowToStep", "text": "Simmer, pour and stir."}, {"@type": "HowToStep", "text": "Roll when firm."}]}
            """);
        maker.See("“2 handfuls of toffee crumbs” has no weight");
        Assert.Equal("Keeper's fudge balls", maker.Value("Name"));
        Assert.Equal("238", maker.Value("Amount, g"));
        Assert.Empty(maker.Barriers());
        maker.Click(
            "(//label[normalize-space()='Amount, g']/following-sibling::span/input)[3]");
        maker.Type("62");
        maker.Press("Save");
        maker.Until(() => maker.Count("//h2[contains(., 'Keeper')]") == 1, "the recipe on the scales");
        maker.Fill("Pieces", "40");
        maker.Until(() => maker.Text("[data-testid=makes]") == "40", "forty pieces");
        maker.Click("//label[normalize-space()='amount of dark chocolate']");
        maker.Fill("dark chocolate, g", "326");
        maker.Until(
            () => maker.Text("[data-testid=amount-cream]").StartsWith("259 g", StringComparison.Ordinal), "the cream that goes with it");

        var file = maker.Download(() => maker.Click("//a[normalize-space()='Save as recipe']"), "keeper-s-fudge-balls.json");
        Assert.Contains("\"@type\": \"Recipe\"", file, StringComparison.Ordinal);
        Assert.Contains("Roll when firm.", file, StringComparison.Ordinal);

        // What is no recipe says so and changes nothing.
        maker.Hand("Recipe file to import", "{\"@type\": \"Person\"}");
        maker.See("There is no recipe in this file.");
    }

    [Fact]
    public void Chocolate_at_hand_says_how_many_truffles_it_makes()
    {
        maker.Go("kitchen/fillings?recipe=ganache-dark");
        maker.Click("//label[normalize-space()='amount of dark chocolate']");
        maker.Fill("dark chocolate, g", "326");
        maker.Until(() => maker.Text("[data-testid=amount-cream]").StartsWith("196 g", StringComparison.Ordinal), "196 g of cream");
        Assert.Equal("27", maker.Text("[data-testid=makes]"));
        maker.Fill("whipping cream, % of the dark chocolate", "150");
        maker.See("will not hold its shape");
        maker.Fill("Portion per piece, g", "0");
        maker.See("A portion weighs 1 to 200 g.");
    }

    [Fact]
    public void A_figure_is_drawn_and_its_legs_get_a_colour_of_their_own()
    {
        maker.Order("Dome night", "6 telescopes midnight");
        maker.Until(() => maker.Count("svg[aria-label='telescope, put together']") == 1, "the telescope");
        maker.Choose("Colour of the legs of telescopes", "silver");
        maker.Until(() => maker.Count("[data-testid='pot-silver']") == 1, "a pot for the legs");
        maker.See("18 legs");
        maker.Press("Undo");
        maker.Until(() => maker.Count("[data-testid='pot-silver']") == 0, "one pot again");
    }

    [Fact]
    public void Stars_moulded_at_home_are_taken_from_a_pot_of_their_colour()
    {
        maker.Order("Star chart", "12 pretzel rods midnight");
        maker.Click("//button[starts-with(normalize-space(), 'design')]");
        maker.Press("More moulded stars");
        maker.Choose("Where moulded stars come from", "moulded in silver");
        maker.Type(Keys.Escape);
        maker.Until(() => maker.Count("[data-testid='pot-silver']") == 1, "a pot for the stars");
        maker.SeeSaved();
        maker.Click("//a[normalize-space()='Prep, step by step']");
        maker.See("Mould them in 1 round of 20");
    }

    [Fact]
    public void A_school_of_the_kitchen_and_a_mould_of_ones_own_are_kept()
    {
        maker.Go("kitchen/ways");
        maker.See("Your methods");
        maker.Click("//*[@role='radiogroup'][@aria-label='Cracker sandwiches']//label[contains(., 'freezer')]");
        maker.Press("Save");
        maker.See("saved");
        var order = maker.Order("Crackers", "12 cracker sandwiches dark");
        maker.Go($"{order}/prep");
        maker.See("Chill them on the tray in the freezer.");

        maker.Go("kitchen/moulds");
        maker.Press("Add my own mould");
        maker.Fill("Name", "tide mould");
        maker.Fill("depth, mm", "0");
        maker.Press("Save");
        maker.See("Depth: 0 mm is not possible.");
        maker.Fill("depth, mm", "18");
        maker.Press("Save");
        maker.See("Tide mould");
        maker.See("1 mould of 6");
    }
}

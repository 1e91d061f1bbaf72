namespace Kondiba.Browser.Tests;

public sealed class KitchenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_reset_of_the_sample_kitchen_is_undone()
    {
        const string name = "Kitchen name, as on a quote";
        maker.Go("kitchen");
        maker.Until(() => maker.Value(name).Length > 0, "the kitchen's name");
        var before = maker.Text("header span.xl\\:inline");
        maker.Fill(name, "Lee shore kitchen");
        maker.Press("Save");
        maker.Until(() => maker.Count("//header//span[.='Lee shore kitchen']") == 1, "the new name above");
        maker.Press("Reset sample kitchen");
        maker.Press("Reset");
        maker.See("The sample kitchen was reset.");
        maker.Until(() => maker.Count($"//header//span[.='{before}']") == 1, "the name that it had at first");
        maker.Press("Undo the reset");
        maker.Until(() => maker.Count("//header//span[.='Lee shore kitchen']") == 1, "the name back");
    }

    [Fact]
    public void A_centre_measured_in_the_kitchen_is_dipped_in_an_order()
    {
        maker.Type("k");
        maker.See("Kitchen name, as on a quote");
        maker.Click("//*[@role='tab'][.='Centres']");
        maker.Press("Add my own centre");
        maker.Fill("Name of one", "waffle stick");
        maker.Fill("Plural", "waffle sticks");
        maker.Pick("Shape", "rod or plug");
        maker.Pick("How it is held", "by its end");
        maker.Fill("Usually dipped to, %", "50");
        maker.Fill("One weighs, g", "900");
        maker.Fill("length, mm", "110");
        maker.Fill("diameter, mm", "12");
        maker.Click("//label[normalize-space()='not known yet']");
        maker.Choose("wheat", "contains");
        maker.Choose("egg", "contains");
        maker.Press("Save");
        maker.See("Fix the highlighted fields.");
        maker.See("heavier than any food");
        Assert.Empty(maker.Barriers());
        Assert.Equal("waffle stick", maker.Value("Name of one"));
        maker.Fill("One weighs, g", "7");
        maker.Press("Save");
        maker.See("contains wheat, egg");

        maker.Open("Chess final");
        maker.Fill("Add to the order", "waffle sticks" + OpenQA.Selenium.Keys.Enter);
        maker.Until(() => maker.Focused() == "How many waffle sticks", "the cursor in the count");
        maker.Type("10");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 42, "ten sticks on the trays");
        maker.Until(() => maker.Value("Dip depth of waffle sticks") == "half", "the usual depth");
        maker.SeeSaved();

        maker.Go("kitchen/centres");
        maker.Press("Change waffle sticks");
        maker.Press("Remove");
        maker.See("waffle stick was removed.");
        maker.Press("Undo");
        maker.See("contains wheat, egg");
    }

    [Fact]
    public void A_coating_off_a_label_is_taken_from_the_pantry_into_a_pot()
    {
        maker.Go("kitchen/coatings");
        maker.Press("Add my own coating");
        maker.Fill("Name", "harbour dark");
        maker.Fill("Fat in a serving, g", "20");
        maker.Press("Save");
        maker.See("fat is more than any coating has");
        maker.Fill("Fat in a serving, g", "10");
        maker.Press("Save");
        maker.Until(() => maker.Count("form") == 0 && maker.Shows("Harbour dark"), "the coating in the list");

        maker.Go("pantry");
        maker.Press("Add to pantry");
        maker.Fill("What", "harbour dark");
        maker.Click("//*[@role='option'][contains(., 'harbour dark')]");
        maker.Fill("How much, g", "5000");
        maker.Press("Save");
        maker.See("is in the pantry");
        maker.See("5,000 g");

        maker.Open("Regatta");
        maker.SeeSaved();
        maker.Click("//button[starts-with(normalize-space(), 'Colour of strawberries:')]");
        maker.Click("//*[@role='option'][contains(., 'harbour dark')]");
        maker.See("(harbour dark)");
        maker.See("you have");
        maker.SeeSaved();
    }

    [Fact]
    public void A_vessel_that_is_not_in_the_kitchen_is_not_chosen()
    {
        maker.Open("Meteor night");
        maker.Until(() => maker.Count("svg[aria-label^='11 cm bowl']") == 1, "the bowl for the cookies");
        maker.Go("kitchen/vessels");
        maker.Click("//label[contains(., '11 cm bowl')]");
        maker.Press("Add my own vessel");
        maker.Fill("Name", "heron bowl");
        maker.Fill("across the bottom, mm", "58");
        maker.Fill("across the rim, mm", "108");
        maker.Fill("inner height, mm", "60");
        maker.Press("Save");
        maker.See("yours");
        maker.Open("Meteor night");
        maker.Until(() => maker.Count("svg[aria-label^='heron bowl']") == 1, "the new bowl");
        Assert.Equal(0, maker.Count("svg[aria-label^='11 cm bowl']"));
    }

    [Fact]
    public void A_topping_of_ones_own_with_peanuts_is_weighed_typed_bought_and_clashes()
    {
        maker.Go("kitchen/toppings");
        maker.Press("Add my own topping");
        maker.Fill("Name", "harbour crunch");
        maker.Fill("Also called (separate with commas)", "crunch");
        maker.Pick("How much", "what some pieces took");
        maker.Fill("Pieces", "20");
        maker.Fill("took, g", "45");
        maker.Pick("Weighed on", "sandwich cookies");
        maker.Fill("A pack holds, g (optional)", "200");
        maker.Fill("Price of a pack, €", "3.20");
        maker.Click("//label[normalize-space()='not known yet']");
        maker.Choose("peanut", "contains");
        maker.Choose("tree nuts", "may contain");
        Assert.Empty(maker.Barriers());
        maker.Press("Save");
        maker.See("20 pieces took 45 g; contains peanut; may contain tree nuts");

        maker.Order("Gull tea", "20 cookies milk with crunch, allergic to peanuts");
        maker.See("Allergy clash");
        maker.See("The order must be free of peanut, but harbour crunch contains it.");
        maker.Until(() => maker.Count("//button[@aria-label='peanut is allowed']") == 1, "the allergy on the slip, to be removed");
        maker.See("harbour crunch");
        maker.Press("peanut is allowed");
        maker.Until(() => !maker.Shows("Allergy clash"), "no clash");
        maker.SeeSaved();
    }

    [Fact]
    public void A_word_of_ones_own_stands_for_others()
    {
        maker.Go("kitchen/words");
        maker.Press("Add my own word");
        maker.Fill("Word", "nightfall");
        maker.Fill("Means", "navy, silver zigzag");
        Assert.Empty(maker.Barriers());
        maker.Press("Save");
        maker.See("means navy, silver zigzag");
        maker.Order("Lantern walk", "12 rods nightfall");
        maker.Until(() => maker.Count("[data-testid=pot-midnight]") == 1 && maker.Count("[data-testid=pot-silver]") == 1, "both pots");
    }
}

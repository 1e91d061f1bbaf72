namespace Kondiba.Browser.Tests;

public sealed class ColourTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_colour_is_mixed_in_drops_for_the_pot_and_a_reload_keeps_it()
    {
        maker.See("Meteor night");
        maker.Type("c");
        maker.See("At hand");
        maker.Fill("Target colour as a code", "#3d9b9b");
        maker.Fill("Coating in the pot, g", "500");
        maker.Until(() => maker.Text("[data-testid=drops]").Contains("drops blue", StringComparison.Ordinal), "drops of blue");
        maker.See("500 g of bright white");
        maker.Until(() => maker.Text("[data-testid=words]").StartsWith("a very close match", StringComparison.Ordinal), "a close mix");
        Assert.Empty(maker.Barriers());

        var drops = maker.Text("[data-testid=drops]");
        maker.Reload();
        maker.Until(() => maker.Text("[data-testid=drops]") == drops, "the same drops");
        maker.Click("//label[contains(., 'blue') and not(contains(., 'water'))]");
        maker.Until(() => !maker.Text("[data-testid=drops]").Contains("drops blue", StringComparison.Ordinal), "a recipe without blue");
    }

    [Fact]
    public void A_mix_that_is_kept_can_be_dipped_in_and_its_pot_says_the_drops()
    {
        maker.Go("colour?target=%237fb7a6&pot=240");
        maker.Until(() => maker.Text("[data-testid=drops]").Contains("drop", StringComparison.Ordinal), "a mix");
        maker.Fill("Save this mix as", "harbour mist");
        maker.Press("Save");
        maker.See("harbour mist is saved");
        maker.Open("Chess final");
        maker.Choose("Colour of sandwich cookies", "harbour mist");
        maker.Until(
            () => maker.Text("[data-testid='pot-harbour-mist'] [data-testid=pot-drops]")
                .Contains("from bright white:", StringComparison.Ordinal),
            "the drops");
        maker.SeeSaved();
    }

    [Fact]
    public void A_colour_of_the_makers_own_swatch_goes_into_recipes()
    {
        maker.Go("kitchen/colours");
        maker.Press("Add my own colour");
        maker.Fill("Name", "seaweed");
        maker.Fill("Drops in 100 g of bright white", "0");
        maker.Press("Save");
        maker.See("A swatch has 1 to 100 drops in 100 g");
        maker.Fill("Drops in 100 g of bright white", "6");
        maker.Press("Save");
        maker.See("6 drops in 100 g of bright white look like this");
        maker.Go("colour?target=%23e08a9c&hand=seaweed&pot=100");
        maker.Until(() => maker.Text("[data-testid=drops]") == "6 drops seaweed", "six drops, as in the swatch");
    }

    [Fact]
    public void A_colour_that_cannot_be_reached_is_told_with_what_to_do()
    {
        maker.Go("colour?base=bright-white&hand=red,yellow&pot=300&target=%23101018");
        maker.See("You can’t reach it from bright white with these colours");
        maker.See("is a lot");
        maker.Go("colour?base=dark&hand=red,yellow&pot=300&target=%23f2e0a0");
        maker.See("Drops only darken: start from bright white");
        maker.Fill("Target colour as a code", "mauve");
        maker.See("This is not a colour. Pick one, or enter # and six digits");
        maker.Fill("Target colour as a code", "#f3e7cd");
        maker.Until(() => !maker.Shows("This is not a colour"), "no complaint");
    }
}

namespace Kondiba.Browser.Tests;

/// <summary>The practice pot: tried by hand, kept over a reload, scored, and the best score beside its exercise.</summary>
public sealed class PracticeTests(Site site)
{
    private static string Thermometer(Maker maker) => maker.Text("figure figcaption");

    private static void Move(Maker maker, string move)
    {
        var before = maker.Text("[aria-labelledby=so-far]");
        maker.Press(move);
        maker.Until(() => maker.Text("[aria-labelledby=so-far]") != before, $"what comes of {move}");
    }

    [Fact]
    public void A_pot_is_melted_dipped_from_and_scored()
    {
        using var maker = new Maker(site);
        maker.Go("practice/wafers-half");
        maker.See("Hardly anything has melted.");
        Assert.Empty(maker.Barriers());
        Move(maker, "Heat 30 s");
        Move(maker, "Stir 15 s");
        var warm = Thermometer(maker);

        // What was done is put by on the device, and the same moves give the same pot.
        maker.Reload();
        maker.Until(() => Thermometer(maker) == warm, "the pot as it was");
        Move(maker, "Spoon test");
        maker.See("The smear is full of specks");
        foreach (var move in (string[])["Heat 30 s", "Stir 15 s", "Heat 30 s", "Stir 15 s", "Stir 15 s"])
            Move(maker, move);
        Move(maker, "Dip twenty");
        maker.See("of 100 points");
        maker.Until(() => maker.Count("[aria-label^='best '][aria-label$=' points']") == 1, "the best beside its exercise");
        Assert.Empty(maker.Barriers());

        maker.Press("another pot");
        maker.See("Hardly anything has melted.");
    }

    [Fact]
    public void A_harder_exercise_hides_what_the_pot_knows_and_fits_a_phone()
    {
        using var maker = new Maker(site, width: 390, height: 844, dark: true);
        maker.Go("practice");
        maker.Click("//a[contains(., 'A pot gone cold')]");
        maker.See("Hidden in this exercise");
        Assert.Equal(390, maker.Measure("return document.documentElement.scrollWidth"));
        Assert.Empty(maker.Barriers());
    }
}

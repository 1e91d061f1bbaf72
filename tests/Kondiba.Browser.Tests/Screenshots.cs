using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Takes the pictures in docs/screenshots from the sample kitchen. Run by scripts/screenshots only.</summary>
public sealed class Screenshots(Site site) : IClassFixture<Fresh>
{
    /// <summary>The bench with a step, a count and a tray that sets.</summary>
    [Fact(Explicit = true)]
    public async Task Bench()
    {
        await using var morning = await Morning.BeginAsync(site);
        using var maker = new Maker(site);
        maker.Go("bench");
        BenchTests.ToDipping(maker);
        maker.Type("++++");
        maker.See("4 / ");
        Save(maker, "bench");
    }

    /// <summary>The practice pot, half melted.</summary>
    [Fact(Explicit = true)]
    public void Practice()
    {
        using var maker = new Maker(site);
        maker.Go("practice/seed-back");
        maker.See("Hardly anything has melted.");
        foreach (var move in (string[])["Heat 30 s", "Stir 15 s", "Heat 30 s", "Stir 15 s", "Heat 10 s"])
        {
            var before = maker.Text("[aria-labelledby=so-far]");
            maker.Press(move);
            maker.Until(() => maker.Text("[aria-labelledby=so-far]") != before, move);
        }

        Save(maker, "practice");
    }

    [Fact(Explicit = true)]
    public void Take()
    {
        using (var maker = new Maker(site))
        {
            maker.See("Coating for these days");
            Save(maker, "shelf");
            maker.Open("Meteor night");
            WaitForTrays(maker);
            Save(maker, "order");
            maker.Click("//*[@data-testid='pot-midnight']//button[contains(., 'pool: how?')]");
            maker.See("must stand for the last");
            Save(maker, "how");
            maker.Type(Keys.Escape);
            foreach (var (page, shown, name) in new[]
            {
                ("looks", "worn in Meteor night", "looks"), ("looks/harbour-berry", "In the order of the hands", "look"),
                ("looks/new?centre=strawberry", "initials or number", "new-look"), ("looks/orchid/card", "While it is wet", "card"),
            })
            {
                maker.Go(page);
                maker.See(shown);
                Save(maker, name);
            }

            maker.Go("orders");
            maker.Click("//a[contains(., 'Open day')]");
            maker.Click("//a[normalize-space()='prep, step by step']");
            maker.See("Makers differ");
            Save(maker, "prep");
            maker.Open("Regatta");
            var regatta = new Uri(maker.Url).AbsolutePath[1..];
            foreach (var (page, shown, name) in new[]
            {
                ("orders", "Hilltop observatory", "orders"), ("pantry", "Running low", "pantry"), ("shopping", "still to buy", "shopping"),
                ($"{regatta}/price", "What it costs", "price"), ($"{regatta}/quote", "Keeping it", "quote"),
            })
            {
                maker.Go(page);
                maker.See(shown);
                Save(maker, name);
            }

            maker.Go("colour?target=%237fb7a6");
            maker.See("One drop more");
            Save(maker, "colour");
            Planned(maker);
            Save(maker, "day");
        }

        using (var maker = new Maker(site, width: 390, height: 844))
        {
            maker.Open("Meteor night");
            WaitForTrays(maker);
            Save(maker, "order-phone");
            Planned(maker);
            Save(maker, "day-phone");
        }
    }

    /// <summary>The plan as it is in the end, on the day with most work.</summary>
    private static void Planned(Maker maker)
    {
        maker.Go("day");
        maker.See("everything fits");
        maker.Press("Replan");
        maker.Until(
            () => maker.Count("[aria-busy=true]") == 0 && maker.Shows("everything fits") && !maker.Shows("still improving"),
            "the plan found",
            60);
        maker.Click("//ol[@aria-label='Days']//li[count(.//*[name()='path']) > 0][1]//button");
    }

    private static void WaitForTrays(Maker maker) => maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 72, "the trays");

    private static void Save(Maker maker, string name)
    {
        // The pointer rests where nothing lights up.
        maker.Measure("document.activeElement?.blur(); return 0");
        maker.Screenshot(Path.Combine(Site.Root, "docs", "screenshots", $"{name}.png"));
    }
}

using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Takes the pictures in docs/screenshots from the sample kitchen. Run by scripts/screenshots only.</summary>
public sealed class Screenshots(Site site) : IClassFixture<Site>
{
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
            maker.See("taken up by the piece");
            Save(maker, "how");
            maker.Type(Keys.Escape);
            maker.Press("What if …");
            maker.Choose("Vessel for midnight, what if", "9 cm jar");
            maker.Choose("Coats on strawberries, what if", "two coats");
            maker.Until(() => maker.Text("[data-testid=difference-all-colours]").StartsWith('+'), "the difference");
            Save(maker, "what-if");
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
            foreach (var (corner, shown) in new[] { ("fillings", "How it is made"), ("vessels", "spouted jug") })
            {
                maker.Go($"kitchen/{corner}");
                maker.See(shown);
                Save(maker, $"kitchen-{corner}");
            }
        }

        using (var maker = new Maker(site, dark: true))
        {
            maker.Open("Regatta");
            maker.Until(() => maker.Count("[data-testid=tray] use") == 44, "the trays");
            Save(maker, "order-dark");
        }

        using (var maker = new Maker(site, width: 390, height: 844))
        {
            maker.Open("Meteor night");
            WaitForTrays(maker);
            Save(maker, "order-phone");
        }
    }

    private static void WaitForTrays(Maker maker) => maker.Until(() => maker.Count("[data-testid=tray] use") == 72, "the trays");

    private static void Save(Maker maker, string name)
    {
        // The pointer rests where nothing lights up.
        maker.Measure("document.activeElement?.blur(); return 0");
        maker.Screenshot(Path.Combine(Site.Root, "docs", "screenshots", $"{name}.png"));
    }
}

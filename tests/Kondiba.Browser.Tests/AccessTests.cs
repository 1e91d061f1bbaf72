using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>axe-core over each screen: nothing serious, in light, in dark and narrow.</summary>
public sealed class AccessTests(Site site) : IClassFixture<Fresh>
{
    [Fact]
    public void No_screen_keeps_anyone_out()
    {
        using var maker = new Maker(site);
        maker.See("Chess final");
        Assert.Empty(maker.Barriers());

        maker.Open("Meteor night");
        maker.Until(() => maker.Count("[data-testid=tray] image[href]") == 72, "the trays");
        Assert.Empty(maker.Barriers());

        maker.Fill("How many pretzel rods", "0");
        maker.See("This is less than one piece.");
        Assert.Empty(maker.Barriers());
        maker.Fill("How many pretzel rods", "24");
        maker.SeeSaved();

        maker.Click("//*[@data-testid='pot-dark']//button[contains(., 'to melt: how?')]");
        maker.See("How: dark, to melt");
        Assert.Empty(maker.Barriers());
        maker.Type(Keys.Escape);

        maker.Click("//*[@data-testid='pot-dark']//button[starts-with(., 'More')]");
        maker.See("Ways and vessels");
        maker.See("stirred it settles at");
        Assert.Empty(maker.Barriers());
        maker.Type(Keys.Escape);

        maker.Press("What if …");
        maker.See("as is");
        Assert.Empty(maker.Barriers());

        var order = new Uri(maker.Url).AbsolutePath[1..];
        foreach (var (page, shown) in new[] { ("colour", "One more drop"), ("orders", "Botanical society"), ("pantry", "Running low"),
            ("shopping", "still to buy"), ("day", "to spare"), ($"{order}/prep", "Makers differ"), ($"{order}/price", "What it costs"),
            ($"{order}/quote", "How to store it") })
        {
            maker.Go(page);
            maker.See(shown);
            Assert.Empty(maker.Barriers());
        }

        maker.Go("pantry");
        maker.Press("Add to pantry");
        maker.See("Add to pantry");
        Assert.Empty(maker.Barriers());

        foreach (var (page, shown) in new[] { ("looks", "used in Meteor night"), ("looks/harbour-berry", "Steps"),
            ("looks/harbour-berry/card", "Touch-dry"), ("looks/new", "initials or number") })
        {
            maker.Go(page);
            maker.See(shown);
            Assert.Empty(maker.Barriers());
        }

        foreach (var (corner, shown) in new[] { ("ways", "Extra on every pot"), ("centres", "Shell bowls"),
            ("coatings", "common practice"), ("colours", "water-based"), ("fillings", "Method"), ("moulds", "Plain muffin tin"),
            ("vessels", "spouted jug"), ("hours", "Places to set"), ("rates", "Terms at the bottom"), ("people", "Invite a helper"),
            ("files", "JSON Schema") })
        {
            maker.Go($"kitchen/{corner}");
            maker.See(shown);
            Assert.Empty(maker.Barriers());
        }
    }
}

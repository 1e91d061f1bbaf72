using System.Net.Http.Json;
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

    /// <summary>The logbook after some batches.</summary>
    [Fact(Explicit = true)]
    public async Task Logbook()
    {
        using var client = await site.EnterAsync();
        const double Rod = 4.49, Berry = 4.2;
        (string Day, int Made, double Times)[] rods =
        [
            ("07-04", 11, 1.24), ("07-25", 14, 1.2), ("08-15", 11, 1.12), ("09-05", 14, 1.17), ("09-26", 19, 1.22), ("10-17", 19, 1.13),
            ("11-07", 23, 1.16), ("11-21", 23, 1.2),
        ];
        foreach (var (day, made, times) in rods)
            await LogAsync(day, "pretzel-rod", "one", 0.33, "midnight", made, Rod * times, "tall-glass", day == "11-21" ? "foot" : null);
        foreach (var (day, times) in new[] { ("10-03", 1.0), ("10-24", 0.93), ("11-14", 0.95) })
            await LogAsync(day, "strawberry", "L", 0.75, "dark", 24, Berry * times, null, day == "10-24" ? "sticky" : null);
        using (var maker = new Maker(site))
        {
            maker.Go("logbook");
            maker.See("Shake twice before setting down.");
            Save(maker, "logbook");
        }

        _ = new Fresh(site);

        async Task LogAsync(
            string day, string centre, string size, double depth, string colour, int made, double each, string? vessel, string? sign) =>
            (await client.PutAsJsonAsync($"api/logbook/batches/{Guid.NewGuid()}", new
            {
                madeOn = $"2026-{day}",
                coating = "compound-wafer-hot-flow",
                colour,
                vessel,
                pieces = new[] { new { centre, size, depth, made, spoilt = 1 } },
                before = 340,
                after = Math.Round(340 - 8 - ((made + 1) * each)),
                dipMinutes = Math.Round(made * (centre == "strawberry" ? 0.5 : 0.36)),
                drying = Array.Empty<object>(),
                wrong = sign is null ? [] : new[] { new { sign, pieces = 4 } },
                change = sign is "foot" ? "Shake twice before setting down." : null,
            })).EnsureSuccessStatusCode();
    }

    [Fact(Explicit = true)]
    public void Take()
    {
        // The bench's morning may have gone before.
        _ = new Fresh(site);
        using (var maker = new Maker(site))
        {
            maker.See("Coating for these days");
            Save(maker, "shelf");
            maker.Open("Meteor night");
            WaitForTrays(maker);
            Save(maker, "order");
            maker.Click("//*[@data-testid='pot-midnight']//button[starts-with(., 'Where it goes')]");
            maker.Click("//*[@data-testid='pot-midnight']//button[contains(., 'dipping depth: how?')]");
            maker.See("depth needed for the last");
            Save(maker, "how");
            maker.Type(Keys.Escape);
            foreach (var (page, shown, name) in new[]
            {
                ("looks/harbour-berry", "Steps", "look"), ("handbook?find=foot", "The puddle that spreads", "handbook"),
            })
            {
                maker.Go(page);
                maker.See(shown);
                Save(maker, name);
            }

            maker.Open("Meteor night");
            var meteor = new Uri(maker.Url).AbsolutePath[1..];
            foreach (var (page, shown, name) in new[]
            {
                ("packing", "all alike", "packing"), ("labels", "batch 3-", "labels"),
                ("paper/templates", "to lie under parchment", "template"),
            })
            {
                maker.Go($"{meteor}/{page}");
                maker.See(shown);
                maker.Until(() => maker.Count("main svg") > 0, "its drawings");
                Save(maker, name);
            }

            maker.Go("orders");
            maker.Click("//a[contains(., 'Open day')]");
            maker.Click("//a[normalize-space()='Prep, step by step']");
            maker.See("Makers differ");
            Save(maker, "prep");
            maker.Open("Regatta");
            var regatta = new Uri(maker.Url).AbsolutePath[1..];
            foreach (var (page, shown, name) in new[]
            {
                ("pantry", "Running low", "pantry"), ("shopping", "still to buy", "shopping"),
                ($"{regatta}/price", "What it costs", "price"),
            })
            {
                maker.Go(page);
                maker.See(shown);
                Save(maker, name);
            }

            maker.Go("colour?target=%237fb7a6");
            maker.See("One more drop");
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

using System.Net.Http.Json;
using System.Text.Json.Nodes;
using System.Text.RegularExpressions;

namespace Kondiba.Browser.Tests;

/// <summary>The day while the server is away: it opens, is ticked, and what was ticked arrives once.</summary>
public sealed class AwayTests(Site site) : IClassFixture<Fresh>
{
    private const string Ticked = "//button[@aria-pressed='true'][contains(@aria-label, ': done')]";
    private const string NotTicked = "//button[contains(@aria-label, ': mark done')]";

    [Fact]
    public async Task Steps_ticked_while_the_server_is_away_are_kept_over_a_reload_and_arrive_once()
    {
        using var maker = new Maker(site);
        maker.Go("day");
        maker.SeePlan();
        maker.Until(() => maker.Measure("return navigator.serviceWorker.controller ? 1 : 0") == 1, "the page kept in the browser", 20);

        site.Kill();
        maker.Reload();
        maker.See("This is what was last loaded.");
        maker.Click($"({NotTicked})[1]");
        maker.Until(() => maker.Count(Ticked) == 1, "one step ticked");
        maker.Click($"({NotTicked})[1]");
        maker.Until(() => maker.Count(Ticked) == 2, "two steps ticked");
        maker.Click($"({NotTicked})[1]");
        maker.See("The 3 steps you ticked are saved on this device");
        Assert.Empty(maker.Barriers());
        maker.Reload();
        maker.Until(() => maker.Count(Ticked) == 3, "all steps ticked still");

        site.Start();
        maker.Until(() => !maker.Shows("saved on this device") && !maker.Shows("what was last loaded"), "the server back", 60);

        // A plan made anew shows them on the day that they were done on, which may be another; what is arranged names them on every day.
        maker.Until(() => Regex.Count(maker.Text("main"), @": done \d") == 3, "all three steps done, each once", 20);
        using var client = await site.EnterAsync();
        var day = (await client.GetFromJsonAsync<JsonObject>("api/day", TestContext.Current.CancellationToken))!;
        Assert.Equal(3, day["plan"]!["tasks"]!.AsArray().Count(t => t!["mark"]?["done"] is not null));
    }
}

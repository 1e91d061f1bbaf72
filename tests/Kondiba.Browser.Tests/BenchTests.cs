using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Browser.Tests;

/// <summary>The bench: a small order carried out, with the server gone in the middle, and on two devices at once.</summary>
public sealed class BenchTests(Site site)
{
    private static void Do(Maker maker)
    {
        var before = maker.Text("h1");

        // A second touch so soon after the first is taken for a slip.
        maker.Until(
            () =>
            {
                if (maker.Text("h1") == before)
                    maker.Press("Done");
                return maker.Text("h1") != before;
            },
            $"the step after {before}");
    }

    /// <summary>Does the steps of the bench up to dipping.</summary>
    internal static void ToDipping(Maker maker)
    {
        SeeStep(maker);
        while (!maker.Text("h1").StartsWith("Dip", StringComparison.Ordinal))
            Do(maker);
    }

    private static void SeeStep(Maker maker) => maker.Until(() => maker.Shows("step 1 of"), "the first step", 60);

    [Fact]
    public async Task A_small_order_is_carried_out_to_the_end_though_the_server_is_killed_in_the_middle()
    {
        await using var morning = await Morning.BeginAsync(site);
        using var client = await site.EnterAsync();
        using var maker = new Maker(site);
        maker.Go("bench");
        SeeStep(maker);
        maker.Until(() => maker.Measure("return navigator.serviceWorker.controller ? 1 : 0") == 1, "the page kept in the browser", 20);
        Assert.Empty(maker.Barriers());
        ToDipping(maker);
        Assert.True(maker.Measure("return Math.min(...[...document.querySelectorAll('main button')].map((b) => b.offsetHeight))") >= 64);
        Assert.True(maker.Measure("return parseFloat(getComputedStyle(document.querySelector('h1')).fontSize)") >= 52);
        Do(maker);
        maker.See("Setting");
        Assert.Empty(maker.Barriers());

        site.Kill();
        maker.Reload();
        maker.See("Setting");
        Do(maker);
        maker.Click("//button[contains(@aria-label, 'not yet, 5 more')]");
        maker.Reload();
        maker.See("kept in this browser");
        site.Start();
        maker.Until(() => !maker.Shows("kept in this browser") && !maker.Shows("what it said last"), "the server back", 60);
        while (maker.Text("h1") != "Nothing left today")
            Do(maker);

        maker.Until(() => maker.Measure("return Object.keys(localStorage).filter((k) => k.includes('told.')).length") == 0, "all told");
        var day = (await client.GetFromJsonAsync<JsonObject>("api/day", TestContext.Current.CancellationToken))!;
        Assert.All(day["plan"]!["tasks"]!.AsArray(), t => Assert.NotNull(t!["mark"]?["done"]));
        Assert.Single(day["progress"]!.AsObject(), p => p.Value!["lookAt"] is not null);
    }

    [Fact]
    public async Task Two_devices_count_the_same_pieces_and_see_the_same_step()
    {
        await using var morning = await Morning.BeginAsync(site);
        using var client = await site.EnterAsync();
        using var tablet = new Maker(site, width: 834, height: 1112);
        using var phone = new Maker(site, width: 390, height: 844);
        foreach (var device in (Maker[])[tablet, phone])
        {
            device.Go("bench");
            SeeStep(device);
        }

        ToDipping(tablet);
        phone.Until(() => phone.Text("h1") == tablet.Text("h1"), "the same step");
        tablet.Type("++");
        phone.Click("//section[@aria-label='Count']/button");
        foreach (var device in (Maker[])[tablet, phone])
            device.Until(() => device.Text("[aria-label=Count]").Contains("3 /", StringComparison.Ordinal), "three pieces");
        phone.Press("one broke");
        phone.See("1 went wrong");
        tablet.See("1 went wrong");
        Assert.Empty(phone.Barriers());
    }
}

using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Devices;

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
                // Made anew meanwhile, the plan may have given the step to other hands.
                if (maker.Count("[aria-label='The step'] button") == 0)
                    return true;
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

    private static double Smallest(Maker maker) =>
        maker.Measure("return Math.min(...[...document.querySelectorAll('main button')].map((b) => b.offsetHeight))");

    private static void SeeAllTold(Maker maker) => maker.Until(
        () => maker.Measure("return Object.keys(localStorage).filter((k) => k.includes('told.')).length") == 0, "all told");

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
        Assert.True(Smallest(maker) >= 64);
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
        maker.See("saved on this device");
        site.Start();
        maker.Until(() => !maker.Shows("saved on this device") && !maker.Shows("what was last loaded"), "the server back", 60);
        while (maker.Text("h1") != "Nothing left today")
            Do(maker);

        SeeAllTold(maker);
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

    /// <summary>
    /// A probe made known in the kitchen, put into the pot at the bench; what it reads is drawn, and says what the pot wants.
    /// </summary>
    [Fact]
    public async Task A_probe_in_the_pot_says_when_to_dip_and_the_order_is_carried_out_with_it()
    {
        await using var morning = await Morning.BeginAsync(site);
        using var client = await site.EnterAsync();
        using var maker = new Maker(site);
        maker.Go("kitchen/devices");
        maker.Fill("What you call it", "blue probe");
        maker.Press("Add a probe");
        maker.See("Copy its token now");
        Assert.Empty(maker.Barriers());
        using var probe = Pretend("probe", maker.Text("[role=status] code:last-child"), "--from", "38", "--grams", "150", "--speed", "10");
        try
        {
            maker.Go("bench");
            ToDipping(maker);
            maker.Press("Put blue probe in this pot");
            maker.Until(() => maker.Count("[aria-label='The pot'] svg polyline") > 0, "the curve");
            maker.Until(() => maker.Text("[aria-label='The pot']").Contains("Dip now", StringComparison.Ordinal), "the word to dip", 60);
            Assert.Empty(maker.Barriers());
            Assert.True(Smallest(maker) >= 64);

            // It goes on cooling while the pieces are dipped.
            maker.Until(
                () => maker.Text("[aria-label='The pot']").Contains("Too cool", StringComparison.Ordinal), "the word to warm it", 60);
            while (maker.Text("h1") != "Nothing left today")
                Do(maker);
            SeeAllTold(maker);
        }
        finally
        {
            probe.Kill();
        }

        var day = (await client.GetFromJsonAsync<JsonObject>("api/day", TestContext.Current.CancellationToken))!;
        Assert.All(day["plan"]!["tasks"]!.AsArray(), t => Assert.NotNull(t!["mark"]?["done"]));
    }

    /// <summary>
    /// So many rods in so little time want two pairs of hands: each does its own steps at its own bench, and all are there once.
    /// </summary>
    [Fact]
    public async Task Two_helpers_carry_an_order_out_at_once_each_at_a_bench_of_their_own()
    {
        await using var morning = await Morning.BeginAsync(site, rods: 96);
        using var client = await site.EnterAsync();
        var day = (await client.GetFromJsonAsync<JsonObject>("api/day", TestContext.Current.CancellationToken))!;
        var today = ((string)day["now"]!)[..10];
        var until = DateTime.Parse((string)day["now"]!, CultureInfo.InvariantCulture).AddMinutes(100);
        var hours = new { from = "09:00:00", to = $"{until:HH:mm}:00" };
        var on = new[] { new { day = today, hours } };
        var arranged = new { tasks = new { }, hours = on, helpers = on, places = Array.Empty<object>() };
        var answer = await client.PutAsJsonAsync("api/day/arranged", new { version = (int)day["version"]!, arranged });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        using var mine = new Maker(site, width: 834, height: 1112);
        using var helpers = new Maker(site, width: 834, height: 1112);
        foreach (var bench in (Maker[])[mine, helpers])
            bench.Go("bench");
        mine.Press("my steps");
        helpers.Press("helper 1");
        foreach (var bench in (Maker[])[mine, helpers])
            SeeStep(bench);
        Assert.NotEqual(mine.Text("h1"), helpers.Text("h1"));
        for (var rounds = 0; !IsDone(day) && rounds < 40; rounds++)
        {
            foreach (var bench in (Maker[])[mine, helpers])
            {
                Do(bench);
                SeeAllTold(bench);
            }

            day = (await client.GetFromJsonAsync<JsonObject>("api/day", TestContext.Current.CancellationToken))!;
        }

        Assert.True(IsDone(day), day.ToJsonString());

        static bool IsDone(JsonObject day) => day["plan"]?["tasks"]?.AsArray().All(t => t!["mark"]?["done"] is not null) is true;
    }

    /// <summary>A pretend device in a process of its own, as a bridge for a real one would be.</summary>
    private Process Pretend(string kind, string token, params string[] options) =>
        Process.Start("dotnet", [typeof(PretendDevice).Assembly.Location, kind, $"{site.Address}", token, .. options]);
}

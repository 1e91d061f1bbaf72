using System.Globalization;
using System.Net.Http.Json;

namespace Kondiba.Browser.Tests;

/// <summary>The logbook: what is weighed changes the next order; what went wrong is found out; a suggestion is adopted.</summary>
public sealed class LogbookTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private const string Rods = "compound-wafer-hot-flow.midnight";

    /// <summary>Others go on with the sample kitchen as it was.</summary>
    public void Dispose() => _ = new Fresh(site);

    private static void Log(Maker maker, string order, int before, int after)
    {
        maker.Go($"logbook/new?order={order}&pot={Rods}");
        maker.See("Pretzel rods");
        maker.Fill("Before the first piece, g", $"{before}");
        maker.Fill("After the last piece, g", $"{after}");
        maker.See($"{before - after} g used");
        maker.Press("Save");
        maker.See("How you work");
    }

    private static double ToMelt(Maker maker, string order)
    {
        maker.Go($"orders/{order}");
        maker.See("to melt");
        return maker.Number("[data-testid=pot-midnight] [data-testid=to-melt]");
    }

    [Fact]
    public void Three_batches_change_the_next_amount_and_one_can_be_left_out()
    {
        using var maker = new Maker(site);
        maker.Go("logbook");
        maker.See("Weigh the pot twice");
        Assert.Empty(maker.Barriers());
        maker.Order("Pier lamps", "24 pretzel rods midnight");
        maker.SeeSaved();
        var order = maker.Url.Split('/')[^1];
        var before = ToMelt(maker, order);
        Assert.False(maker.Shows("of yours"));
        maker.Click("//*[@data-testid='pot-midnight']//button[contains(., 'More')]");
        maker.Click("//a[normalize-space()='Log this batch']");
        maker.See("Weigh the pot before the first piece");
        Assert.Empty(maker.Barriers());
        for (var i = 0; i < 3; i++)
            Log(maker, order, 500, 300 - i);
        maker.See("thicker, from 3 batches");
        Assert.Empty(maker.Barriers());

        Assert.True(ToMelt(maker, order) > before);
        maker.See("from 3 batches of yours");
        maker.Click("//button[contains(@aria-label, 'coating on one') or contains(., 'g each')]");
        maker.See("your own dipping, learned");

        maker.Go("logbook");
        maker.Click("(//a[starts-with(@href, '/logbook/') and contains(., 'pieces')])[1]");
        maker.See("Leave this batch out");
        maker.Click("//label[contains(., 'Leave this batch out')]/input");
        maker.Press("Save");
        maker.See("left out");
        ToMelt(maker, order);
        maker.See("from 2 batches of yours");
    }

    [Fact]
    public async Task Dull_sticky_pieces_after_a_long_freeze_are_found_out()
    {
        using var client = await site.EnterAsync();
        await LogAsync(client, "2026-11-01", null, 200);
        using var maker = new Maker(site);
        maker.Go("trouble");
        maker.See("What do you see?");
        Assert.Empty(maker.Barriers());
        maker.Click("//a[contains(., 'Sticky and dull after chilling')]");
        for (var asked = 0; asked < 6 && !maker.Shows("Most likely:"); asked++)
        {
            maker.Until(() => maker.Count("//button[normalize-space()='Yes']") == 1 || maker.Shows("Most likely:"), "a question");
            if (maker.Shows("Most likely:"))
                break;
            var question = maker.Text("[aria-live=polite]");
            string[] yes = ["much longer than it needed", "humid", "freezer"];
            maker.Press(Array.Exists(yes, y => question.Contains(y, StringComparison.Ordinal)) ? "Yes" : "No");
            maker.Until(() => maker.Text("[aria-live=polite]") != question, "the next question");
        }

        Assert.Equal("Water condensed on the cold coat", maker.Text("ol > li:first-child b"));
        maker.See("let them warm up in a closed box");
        Assert.Empty(maker.Barriers());
        maker.Click("(//button[contains(., 'This was it')])[1]");
        maker.See("Saved in the logbook, with");
        maker.Go("logbook");
        maker.See("Sticky and dull after chilling");
    }

    [Fact]
    public async Task A_suggestion_is_adopted_and_taken_back()
    {
        using var client = await site.EnterAsync();
        foreach (var day in (string[])["2026-11-01", "2026-11-08", "2026-11-15"])
            await LogAsync(client, day, "wide-jar", 180);
        using var maker = new Maker(site, width: 390, height: 844, dark: true);
        maker.Go("logbook");
        maker.See("Compared with the 11 cm wide jar");
        Assert.Equal(390, maker.Measure("return document.documentElement.scrollWidth"));
        Assert.Empty(maker.Barriers());
        maker.Click("//button[starts-with(@aria-label, 'use it from now on: Dip pretzel rods')]");
        maker.See("from now on.");
        maker.Go("kitchen/ways");
        maker.See("are dipped in the");
        maker.Press("let Kondiba choose for pretzel rods");
        maker.Until(() => !maker.Shows("are dipped in the"), "Kondiba's own choice");
    }

    private static async Task LogAsync(HttpClient client, string day, string? vessel, int used) =>
        (await client.PutAsJsonAsync(string.Create(CultureInfo.InvariantCulture, $"api/logbook/batches/{Guid.NewGuid()}"), new
        {
            madeOn = day,
            coating = "compound-wafer-hot-flow",
            colour = "midnight",
            vessel,
            pieces = new[] { new { centre = "pretzel-rod", size = "one", depth = 0.33, made = 24 } },
            before = 900,
            after = 900 - used,
            drying = Array.Empty<object>(),
            wrong = Array.Empty<object>(),
        })).EnsureSuccessStatusCode();
}

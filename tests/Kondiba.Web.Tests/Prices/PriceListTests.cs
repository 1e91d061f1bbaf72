using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Example prices are marked, quote nobody, and give way to what the maker pays.</summary>
public sealed class PriceListTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task A_quote_on_example_prices_is_refused_with_what_to_fill_in_and_made_once_it_is()
    {
        using var owner = await server.StartKitchenAsync("Pricing kitchen");
        var order = await owner.CreatedAsync(Orders.Order(Orders.Line()));
        var refused = await owner.GetAsync($"/api/orders/{order["id"]}/quote");
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        var missing = (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key).ToList();
        Assert.Contains("hour", missing);
        Assert.Contains(missing, code => code.StartsWith("coating.", StringComparison.Ordinal));
        Assert.Equal(HttpStatusCode.BadRequest, (await owner.PostAsync($"/api/orders/{order["id"]}/quote/shares", null)).StatusCode);

        // Those that were named, and no others.
        var list = (await owner.GetFromJsonAsync<JsonArray>("/api/prices/list"))!;
        Assert.All(missing.Where(m => m != "hour"), code => Assert.True((bool)list.Single(i => (string)i!["code"]! == code)!["isSample"]!));
        var paid = missing.Where(m => m != "hour").Select(code => new { code, holds = 500.0, price = 7.5m });
        (await owner.PutAsJsonAsync("/api/prices/list", paid)).EnsureSuccessStatusCode();
        (await owner.PutAsJsonAsync("/api/kitchen/rates", new { hour = 18 })).EnsureSuccessStatusCode();
        var quote = await (await owner.GetAsync($"/api/orders/{order["id"]}/quote")).ReadAsync();
        Assert.True((double)quote["quote"]!["price"]! > 0);
    }

    [Fact]
    public async Task Every_ware_has_a_price_that_can_be_set_before_there_is_any_of_it_all_of_them_or_none()
    {
        using var owner = await server.StartKitchenAsync("Listing kitchen");
        await Server.PriceAllAsync(owner);
        var list = (await owner.GetFromJsonAsync<JsonArray>("/api/prices/list"))!;
        Assert.All(list, item => Assert.False((bool)item!["isSample"]!, (string)item["code"]!));

        var cup = list.Single(i => (string)i!["code"]! == "supply.cup")!;
        var wrong = await owner.PutAsJsonAsync(
            "/api/prices/list",
            new object[] { new { code = "supply.cup", holds = 60, price = 99m }, new { code = "supply.box-6", holds = 0, price = 1m } });
        Assert.Equal(HttpStatusCode.BadRequest, wrong.StatusCode);
        Assert.NotNull((await wrong.ReadAsync())["errors"]!["supply.box-6"]);
        var after = (await owner.GetFromJsonAsync<JsonArray>("/api/prices/list"))!.Single(i => (string)i!["code"]! == "supply.cup")!;
        Assert.Equal(cup.ToJsonString(), after.ToJsonString());
    }
}

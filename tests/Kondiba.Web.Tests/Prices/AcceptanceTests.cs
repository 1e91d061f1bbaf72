using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Whoever has a quote's link accepts it once, which confirms its order.</summary>
public sealed class AcceptanceTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task A_quote_is_accepted_once_by_whoever_has_its_link_and_the_order_says_so()
    {
        using var owner = await server.StartKitchenAsync("Accepting kitchen");
        var (order, link) = await ShareAsync(owner);
        using var customer = Server.Browser(server.Own);
        Assert.True((bool)(await customer.GetFromJsonAsync<JsonObject>(link))!["isOpen"]!);

        var twice = await Task.WhenAll(customer.PostAsync($"{link}/acceptance", null), customer.PostAsync($"{link}/acceptance", null));
        var accepted = await Task.WhenAll(twice.Select(Orders.ReadAsync));
        Assert.All(accepted, a => Assert.False((bool)a["isOpen"]!));
        Assert.NotNull(accepted[0]["acceptedAt"]);
        Assert.Equal((string)accepted[0]["acceptedAt"]!, (string)accepted[1]["acceptedAt"]!);

        var after = (await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{order}"))!;
        Assert.Equal("agreed", (string)after["state"]!);
        Assert.NotNull(after["acceptedAt"]);
        var shares = (await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{order}/quote"))!["shares"]!.AsArray();
        Assert.Equal((string)after["acceptedAt"]!, (string)Assert.Single(shares)!["acceptedAt"]!);

        // What the maker did since is not undone by accepting again.
        after["state"] = "made";
        (await owner.PutAsJsonAsync($"/api/orders/{order}", after)).EnsureSuccessStatusCode();
        (await customer.PostAsync($"{link}/acceptance", null)).EnsureSuccessStatusCode();
        Assert.Equal("made", (string)(await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{order}"))!["state"]!);
    }

    [Fact]
    public async Task A_shared_quote_shows_the_pictures_that_were_drawn_for_it_and_only_pictures()
    {
        using var owner = await server.StartKitchenAsync("Kitchen with pictures");
        var (order, link) = await ShareAsync(owner);
        var png = $"data:image/png;base64,{Convert.ToBase64String([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A])}";
        var share = (await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{order}/quote"))!["shares"]![0]!["id"];
        var at = $"/api/orders/{order}/quote/shares/{share}/pictures";
        (await owner.PutAsJsonAsync(at, new { pictures = new[] { png } })).EnsureSuccessStatusCode();
        using var customer = Server.Browser(server.Own);
        var read = (await customer.GetFromJsonAsync<JsonObject>(link))!;
        Assert.Equal(png, (string)read["quote"]!["lines"]![0]!["picture"]!);
        foreach (var wrong in (string?[][])[
            [],
            [png, png],
            [null],
            ["https://elsewhere.example/x.png"],
            ["data:image/svg+xml;base64,PHN2Zz4="],
            ["data:image/png;base64,PHN2Zz4="],
            ["data:image/png;base64,%%%"],
            [png + new string('A', 90_000)],
        ])
            Assert.Equal(HttpStatusCode.BadRequest, (await owner.PutAsJsonAsync(at, new { pictures = wrong })).StatusCode);
    }

    [Fact]
    public async Task A_quote_of_a_cancelled_or_deleted_order_or_one_turned_off_cannot_be_accepted()
    {
        using var owner = await server.StartKitchenAsync("Refusing kitchen");
        using var customer = Server.Browser(server.Own);
        var (order, link) = await ShareAsync(owner);
        var cancelled = (await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{order}"))!;
        cancelled["state"] = "cancelled";
        (await owner.PutAsJsonAsync($"/api/orders/{order}", cancelled)).EnsureSuccessStatusCode();
        await RefusedAsync(link);

        var (deleted, gone) = await ShareAsync(owner);
        (await owner.DeleteAsync($"/api/orders/{deleted}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await customer.GetAsync(gone)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await customer.PostAsync($"{gone}/acceptance", null)).StatusCode);

        var (other, off) = await ShareAsync(owner);
        var share = (await owner.GetFromJsonAsync<JsonObject>($"/api/orders/{other}/quote"))!["shares"]![0]!["id"];
        (await owner.DeleteAsync($"/api/orders/{other}/quote/shares/{share}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await customer.PostAsync($"{off}/acceptance", null)).StatusCode);

        async Task RefusedAsync(string at)
        {
            Assert.False((bool)(await customer.GetFromJsonAsync<JsonObject>(at))!["isOpen"]!);
            var refused = await customer.PostAsync($"{at}/acceptance", null);
            Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
            Assert.Contains("Refusing kitchen", (string)(await refused.ReadAsync())["errors"]!["quote"]![0]!, StringComparison.Ordinal);
        }
    }

    private static async Task<(string Order, string Link)> ShareAsync(HttpClient owner)
    {
        await Server.PriceAllAsync(owner);
        var order = await owner.CreatedAsync(Orders.Order(Orders.Line()));
        var share = await (await owner.PostAsync($"/api/orders/{order["id"]}/quote/shares", null)).ReadAsync();
        return ((string)order["id"]!, ((string)share["path"]!).Replace("/q/", "/api/quotes/", StringComparison.Ordinal));
    }
}

using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>What was deleted is listed and comes back; a kitchen that is deleted is gone, with everyone in it.</summary>
public sealed class DeletedTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task An_order_and_a_word_are_listed_and_restored()
    {
        using var owner = await server.StartKitchenAsync("Restoring kitchen");
        var order = await owner.CreatedAsync(Orders.Order(Orders.Line()));
        (await owner.DeleteAsync($"/api/orders/{order["id"]}")).EnsureSuccessStatusCode();
        var word = new { code = "galaxy", word = "galaxy", means = "navy, silver zigzag" };
        (await owner.PutAsJsonAsync("/api/kitchen/words", word)).EnsureSuccessStatusCode();
        (await owner.DeleteAsync("/api/kitchen/words/galaxy")).EnsureSuccessStatusCode();

        var deleted = await ListAsync(owner);
        Assert.Equal(
            [("item", "word", "galaxy"), ("order", "order", "Tide table supper")],
            deleted.Select(d => ((string)d!["what"]!, (string)d["kind"]!, (string)d["name"]!)));

        (await owner.PostAsync($"/api/deleted/{deleted[0]!["id"]}/restore", null)).EnsureSuccessStatusCode();
        (await owner.PostAsync($"/api/orders/{deleted[1]!["id"]}/restore", null)).EnsureSuccessStatusCode();
        Assert.Empty(await ListAsync(owner));
        Assert.Equal("galaxy", (string)(await ThingsAsync(owner))["words"]![0]!["word"]!);

        // Restored over another of its name, that one can be had back in turn.
        (await owner.DeleteAsync("/api/kitchen/words/galaxy")).EnsureSuccessStatusCode();
        (await owner.PutAsJsonAsync("/api/kitchen/words", word with { means = "gold" })).EnsureSuccessStatusCode();
        (await owner.PostAsync($"/api/deleted/{(await ListAsync(owner))[0]!["id"]}/restore", null)).EnsureSuccessStatusCode();
        Assert.Equal("navy, silver zigzag", (string)(await ThingsAsync(owner))["words"]![0]!["means"]!);
        Assert.Single(await ListAsync(owner));
    }

    [Fact]
    public async Task What_another_kitchen_deleted_is_neither_listed_nor_restored()
    {
        using var owner = await server.StartKitchenAsync("Losing kitchen");
        (await owner.PutAsJsonAsync("/api/kitchen/words", new { code = "reef", word = "reef", means = "coral" })).EnsureSuccessStatusCode();
        (await owner.DeleteAsync("/api/kitchen/words/reef")).EnsureSuccessStatusCode();
        var id = (string)(await ListAsync(owner))[0]!["id"]!;
        using var other = await server.StartKitchenAsync("Prying kitchen");
        Assert.Empty(await ListAsync(other));
        Assert.Equal(HttpStatusCode.NotFound, (await other.PostAsync($"/api/deleted/{id}/restore", null)).StatusCode);
    }

    [Fact]
    public async Task A_kitchen_is_deleted_by_its_name_and_nobody_of_it_comes_in_again()
    {
        using var owner = await server.StartKitchenAsync("Ending kitchen");
        await owner.CreatedAsync(Orders.Order(Orders.Line()));
        await owner.PostAsync("/api/people/invitations", null);
        var slip = await owner.PostAsJsonAsync("/api/kitchen/deletion", new { name = "Ending" });
        Assert.Equal(HttpStatusCode.BadRequest, slip.StatusCode);
        Assert.Contains("Ending kitchen", (string)(await slip.ReadAsync())["errors"]!["name"]![0]!, StringComparison.Ordinal);
        (await owner.PostAsJsonAsync("/api/kitchen/deletion", new { name = "Ending kitchen" })).EnsureSuccessStatusCode();

        Assert.False((bool)(await owner.GetFromJsonAsync<JsonObject>("/api/session"))!["signedIn"]!);
        using var again = Server.Browser(server.Own);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await again.PostAsJsonAsync("/api/session", new { name = "owner of Ending kitchen", password = Server.Password })).StatusCode);
    }

    private static async Task<JsonArray> ListAsync(HttpClient client) => (await client.GetFromJsonAsync<JsonArray>("/api/deleted"))!;

    private static async Task<JsonObject> ThingsAsync(HttpClient client) =>
        (await client.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!;
}

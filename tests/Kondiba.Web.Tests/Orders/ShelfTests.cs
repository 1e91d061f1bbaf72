using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>What the shelf remembers of a day never outlives a change of it.</summary>
public sealed class ShelfTests(Server server) : IClassFixture<Server>
{
    private const string Coral = "coating.compound-wafer-hot-flow.coral";
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task Every_change_of_an_order_is_on_the_shelf_at_once()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line(amount: 24, colour: "coral")));
        var id = (string)order["id"]!;
        Assert.Equal(24, (int)(await OnShelfAsync(id))!["pieces"]!);
        var melted = (double)(await OnShelfAsync(id))!["toMelt"]!;

        order["lines"]![0]!["amount"] = 48;
        order = await SaveAsync(order);
        Assert.Equal(48, (int)(await OnShelfAsync(id))!["pieces"]!);
        Assert.True((double)(await OnShelfAsync(id))!["toMelt"]! > melted);

        order["lines"]![0]!["colour"] = "plum";
        order = await SaveAsync(order);
        Assert.Equal("plum", (string)(await OnShelfAsync(id))!["colours"]![0]!["colour"]!);

        order["pickup"] = Orders.Day(7);
        order = await SaveAsync(order);
        Assert.Equal(Orders.Day(7), (string)(await OnShelfAsync(id))!["pickup"]!);
        Assert.Equal(48, (int)(await OnShelfAsync(id))!["pieces"]!);

        await client.DeleteAsync($"/api/orders/{id}");
        Assert.Null(await OnShelfAsync(id));
        await client.PostAsync($"/api/orders/{id}/restore", null);
        Assert.Equal(48, (int)(await OnShelfAsync(id))!["pieces"]!);
    }

    [Fact]
    public async Task An_order_beside_it_shares_its_pot_until_it_is_made()
    {
        var day = Orders.Day(9);
        var orders = new List<JsonObject>();
        foreach (var name in new[] { "North pier", "South pier" })
        {
            var order = Orders.Order(Orders.Line(colour: "lime"));
            (order["name"], order["pickup"]) = (name, day);
            orders.Add(await client.CreatedAsync(order));
        }

        var shared = Assert.Single(
            (await ShelfAsync())["shared"]!.AsArray(), s => s!["orders"]!.AsArray().Any(o => (string)o! == "North pier"))!;
        Assert.True((double)shared["together"]! < (double)shared["apart"]!);
        var lime = (double)Need(await ShelfAsync(), "lime")!["toMelt"]!;

        orders[0]["state"] = "made";
        await SaveAsync(orders[0]);
        Assert.DoesNotContain((await ShelfAsync())["shared"]!.AsArray(), s => s!["orders"]!.AsArray().Any(o => (string)o! == "North pier"));
        Assert.True((double)Need(await ShelfAsync(), "lime")!["toMelt"]! < lime);
    }

    [Fact]
    public async Task What_comes_into_the_pantry_and_what_is_told_of_the_kitchen_is_reckoned_with()
    {
        var order = Orders.Order(Orders.Line("truffle-ball", "one", 30, "coral", 1));
        order["lines"]![0]!["making"] = new JsonObject { ["filling"] = "bought" };
        order["state"] = "agreed";
        var id = (string)(await client.CreatedAsync(order))["id"]!;
        Assert.Equal("2 things to buy.", (string)(await OnShelfAsync(id))!["next"]!);
        var packs = (int)Need(await ShelfAsync(), "coral")!["packs"]!;
        Assert.True(packs > 0);

        foreach (var (ware, amount) in new[] { (Coral, 3000), ("centre.truffle-ball.one", 40) })
            (await client.PostAsJsonAsync("/api/pantry/lots", new { id = Guid.CreateVersion7(), ware, amount })).EnsureSuccessStatusCode();
        Assert.Equal("Everything is in the pantry. Start.", (string)(await OnShelfAsync(id))!["next"]!);
        Assert.Equal(0, (int)Need(await ShelfAsync(), "coral")!["packs"]!);

        var melted = (double)(await OnShelfAsync(id))!["toMelt"]!;
        (await client.PutAsJsonAsync("/api/kitchen/ways", new { margin = 0.4 })).EnsureSuccessStatusCode();
        Assert.True((double)(await OnShelfAsync(id))!["toMelt"]! > melted);
        (await client.PutAsJsonAsync("/api/kitchen/ways", new { })).EnsureSuccessStatusCode();
        Assert.Equal(melted, (double)(await OnShelfAsync(id))!["toMelt"]!, 6);
    }

    [Fact]
    public async Task An_allergy_that_clashes_is_minded_on_the_shelf_and_a_past_pickup_is_not()
    {
        var order = Orders.Order(Orders.Line());
        order["allergies"] = new JsonArray("milk");
        var id = (string)(await client.CreatedAsync(order))["id"]!;
        Assert.Contains(
            (await OnShelfAsync(id))!["minds"]!.AsArray(),
            m => ((string)m!).StartsWith("The order must be free of milk", StringComparison.Ordinal));
        var past = await client.GetFromJsonAsync<JsonObject>($"/api/shelf?from={Orders.Day(-20)[..10]}");
        Assert.DoesNotContain(
            past!["orders"]!.AsArray().SelectMany(o => o!["minds"]!.AsArray()),
            m => ((string)m!).Contains("past", StringComparison.Ordinal));
    }

    private async Task<JsonObject> ShelfAsync() => (await client.GetFromJsonAsync<JsonObject>("/api/shelf"))!;

    private async Task<JsonNode?> OnShelfAsync(string id) =>
        (await ShelfAsync())["orders"]!.AsArray().SingleOrDefault(o => (string)o!["id"]! == id);

    private static JsonNode? Need(JsonObject shelf, string colour) =>
        shelf["coating"]!.AsArray().SingleOrDefault(n => (string)n!["colour"]! == colour);

    private async Task<JsonObject> SaveAsync(JsonObject order)
    {
        var answer = await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order);
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }
}

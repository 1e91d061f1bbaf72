using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Customers are known by their orders; payments and what is still owed.</summary>
public sealed class CustomersTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task Who_orders_again_is_known_with_how_to_reach_them_and_what_they_must_not_have()
    {
        using var owner = await server.StartKitchenAsync("Kitchen with regulars");
        Assert.Empty((await owner.GetFromJsonAsync<JsonArray>("/api/customers"))!);
        await OrderAsync(owner, 3, "Ida Moor", contact: "ida@moor.example", allergies: ["peanut"]);
        await OrderAsync(owner, 9, "ida moor ", place: "The lighthouse", allergies: ["sesame"]);
        await OrderAsync(owner, 4, "Chess club");
        var gone = await OrderAsync(owner, 4, "Somebody else");
        await owner.DeleteAsync($"/api/orders/{gone["id"]}");
        await owner.CreatedAsync(Orders.Order(Orders.Line()));

        var customers = (await owner.GetFromJsonAsync<JsonArray>("/api/customers"))!;
        Assert.Equal(["Chess club", "ida moor"], customers.Select(c => (string)c!["name"]!));
        var ida = customers[1]!;
        Assert.Equal((2, "ida@moor.example", "The lighthouse"), ((int)ida["orders"]!, (string)ida["contact"]!, (string)ida["place"]!));
        Assert.Equal(["sesame", "peanut"], ida["allergies"]!.AsArray().Select(a => (string)a!));
        Assert.Equal(Orders.Day(9)[..10], (string)ida["lastPickup"]!);

        Assert.Equal(HttpStatusCode.NotFound, (await owner.GetAsync("/api/customers/history?name=nobody")).StatusCode);
        using var other = await server.StartKitchenAsync("Kitchen across the harbour");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync("/api/customers/history?name=Ida%20Moor")).StatusCode);
    }

    [Fact]
    public async Task What_is_owed_is_what_was_promised_less_what_was_paid()
    {
        using var owner = await server.StartKitchenAsync("Kitchen that is owed");
        var first = await OrderAsync(owner, 3, "Rowing club", price: 80, state: "agreed", paid: [20, 30, -5]);
        await OrderAsync(owner, 5, "Rowing club", price: 40, state: "made", paid: [40]);
        await OrderAsync(owner, 7, "Rowing club", price: 500, state: "cancelled", paid: [15]);
        await OrderAsync(owner, 8, "Rowing club", price: 60, state: "quoted");

        var costing = await (await owner.PostAsJsonAsync("/api/prices/preview", first)).ReadAsync();
        Assert.Equal((45, 35), ((double)costing["paid"]!, (double)costing["balance"]!));
        Assert.Equal(80 - (double)costing["cost"]!, (double)costing["profit"]!, 6);

        var history = (await owner.GetFromJsonAsync<JsonObject>("/api/customers/history?name=ROWING%20CLUB"))!;
        Assert.Equal(20, (double)history["balance"]!);
        Assert.Equal([null, -15, 0, 35], history["orders"]!.AsArray().Select(o => (double?)o!["balance"]));
        Assert.Equal([60, 500, 40, 80], history["orders"]!.AsArray().Select(o => (double)o!["price"]!));
    }

    private static Task<JsonObject> OrderAsync(
        HttpClient owner,
        int ahead,
        string client,
        string contact = "",
        string place = "",
        string[]? allergies = null,
        double? price = null,
        string state = "asked",
        double[]? paid = null)
    {
        var order = Orders.In(ahead, Orders.Line());
        (order["client"], order["contact"], order["place"], order["state"]) = (client, contact, place, state);
        order["allergies"] = new JsonArray([.. (allergies ?? []).Select(a => JsonValue.Create(a))]);
        if (price is { } set)
            order["price"] = new JsonObject { ["by"] = "set", ["value"] = set };
        order["payments"] = new JsonArray([.. (paid ?? []).Select(p => new JsonObject { ["on"] = "2031-05-01", ["amount"] = p })]);
        return owner.CreatedAsync(order);
    }
}

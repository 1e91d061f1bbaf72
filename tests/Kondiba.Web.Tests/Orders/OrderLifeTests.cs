using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Orders from the first word to the last year: entry, search, copies, prices, and what the shelf says is next.</summary>
public sealed class OrderLifeTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task Words_become_lines_with_the_kitchens_own_looks_and_nothing_is_kept()
    {
        using var sample = await Server.EnterAsync(server.Sample);
        var entry = await (await sample.PostAsJsonAsync(
            "/api/entry", new { text = "2 doz large strawberries milk 3/4; 12 meteor rod; blarney" })).ReadAsync();
        Assert.Equal(2, entry["lines"]!.AsArray().Count);
        Assert.Equal(
            ("strawberry", 0.75), ((string)entry["lines"]![0]!["line"]!["centre"]!, (double)entry["lines"]![0]!["line"]!["depth"]!));
        Assert.Equal("Meteor rod", (string)entry["lines"]![1]!["line"]!["look"]!);
        Assert.Equal("blarney", (string)entry["notUnderstood"]![0]!["text"]!);
    }

    [Fact]
    public async Task Orders_are_found_by_the_beginning_of_any_word_by_number_and_by_state()
    {
        var wanted = Orders.Order(Orders.Line("pretzel-rod", "one", 12, "teal", 0.5));
        (wanted["name"], wanted["client"], wanted["place"], wanted["state"]) = (
            "Lantern walk", "Lighthouse keepers", "The north mole", "quoted");
        var order = await client.CreatedAsync(wanted);
        foreach (var words in (string[])["lantern", "LIGHT kee", "mole", "pretzel teal", $"{order["number"]}", $"#{order["number"]}"])
            Assert.Contains((string)order["id"]!, await FoundAsync($"q={Uri.EscapeDataString(words)}"));
        foreach (var words in (string[])["lantern coral", "antern", "') OR 1=1 --", "& | !"])
            Assert.Equal(words is "& | !", (await FoundAsync($"q={Uri.EscapeDataString(words)}")).Contains((string)order["id"]!));
        Assert.Contains((string)order["id"]!, await FoundAsync("state=quoted"));
        Assert.DoesNotContain((string)order["id"]!, await FoundAsync("state=made"));
        Assert.DoesNotContain((string)order["id"]!, await FoundAsync("templates=true"));
    }

    [Fact]
    public async Task The_same_again_for_forty_comes_scaled_with_all_that_was_chosen()
    {
        var first = Orders.Order(Orders.Line(amount: 24), Orders.Line("truffle-ball", "one", 36, "plum", 1));
        (first["client"], first["allergies"]) = ("Harbour choir", new JsonArray("peanut"));
        first["packing"] = new JsonArray(new JsonObject { ["supply"] = "box-12", ["each"] = 1, ["per"] = 12 });
        first["price"] = new JsonObject { ["by"] = "dozen", ["value"] = 31.5 };
        var order = await client.CreatedAsync(first);
        var copied = await client.PostAsJsonAsync(
            $"/api/orders/{order["id"]}/copies", new { name = "Again", pickup = Orders.Day(20), pieces = 40 });
        Assert.Equal(HttpStatusCode.Created, copied.StatusCode);
        var copy = await copied.ReadAsync();
        Assert.Equal([16, 24], copy["lines"]!.AsArray().Select(l => (double)l!["amount"]!));
        Assert.True(
            JsonNode.DeepEquals(order["price"], copy["price"])
                && JsonNode.DeepEquals(order["packing"], copy["packing"])
                && JsonNode.DeepEquals(order["allergies"], copy["allergies"]));
        Assert.NotEqual((int)order["number"]!, (int)copy["number"]!);

        var template = await (await client.PostAsJsonAsync(
            $"/api/orders/{order["id"]}/copies",
            new { name = "Choir box", pickup = (string?)null, pieces = (int?)null, template = true })).ReadAsync();
        Assert.Contains((string)template["id"]!, await FoundAsync("templates=true"));
        Assert.DoesNotContain(
            (await client.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray(),
            o => (string)o!["id"]! == (string)template["id"]!);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await client.PostAsJsonAsync(
                $"/api/orders/{order["id"]}/copies", new { name = "One", pickup = (string?)null, pieces = 1 })).StatusCode);
    }

    [Fact]
    public async Task The_shelf_says_what_wants_doing_next_and_cancelled_orders_leave_it()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line(amount: 1)));
        Assert.Equal("Send a quote.", await NextAsync());
        foreach (var (state, next) in new[]
        {
            ("quoted", "Waiting for the customer."), ("agreed", "2 things to buy."), ("made", "Hand it over."), ("handedOver", ""),
            ("cancelled", null),
        })
        {
            order["state"] = state;
            order = await (await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order)).ReadAsync();
            Assert.Equal(next, await NextAsync());
        }

        async Task<string?> NextAsync() =>
            (string?)(await client.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray()
                .SingleOrDefault(o => (string)o!["id"]! == (string)order["id"]!)?["next"];
    }

    [Fact]
    public async Task A_price_is_previewed_with_its_working_and_is_the_quotes()
    {
        var order = Orders.Order(Orders.Line());
        var costing = await (await client.PostAsJsonAsync("/api/prices/preview", order)).ReadAsync();
        Assert.Equal((decimal)costing["cost"]!, costing["parts"]!.AsArray().Sum(p => (decimal)p!["cost"]!["value"]!));
        var working = (await (await client.PostAsJsonAsync(
            "/api/prices/working?of=parts.time", order)).Content.ReadFromJsonAsync<JsonArray>())!;
        Assert.Equal(
            (double)costing["parts"]!.AsArray().Single(p => (string)p!["code"]! == "time")!["cost"]!["value"]!,
            (double)working[^1]!["value"]!);
        var kept = await client.CreatedAsync(order);
        await Server.PriceAllAsync(client);
        costing = await (await client.PostAsJsonAsync("/api/prices/preview", order)).ReadAsync();
        Assert.Equal(
            (decimal)costing["price"]!["value"]!,
            (decimal)(await client.GetFromJsonAsync<JsonObject>($"/api/orders/{kept["id"]}/quote"))!["quote"]!["price"]!);
    }

    private async Task<List<string>> FoundAsync(string query) =>
        [.. (await client.GetFromJsonAsync<JsonObject>($"/api/orders?{query}"))!["orders"]!.AsArray().Select(o => (string)o!["id"]!)];
}

using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>The logbook over the API: what is logged teaches the next order, and can be taken back.</summary>
public sealed class LogbookApiTests(Server server) : IClassFixture<Server>
{
    private const string Wafers = "compound-wafer-hot-flow";

    private static JsonObject Rods(double before = 420, double after = 150, int made = 24, string madeOn = "2026-11-20") => new()
    {
        ["madeOn"] = madeOn,
        ["coating"] = Wafers,
        ["colour"] = "midnight",
        ["vessel"] = "tall-glass",
        ["pieces"] = new JsonArray(new JsonObject { ["centre"] = "pretzel-rod", ["size"] = "one", ["depth"] = 0.33, ["made"] = made }),
        ["drying"] = new JsonArray(),
        ["wrong"] = new JsonArray(),
        ["before"] = before,
        ["after"] = after,
    };

    private static async Task<Guid> LogAsync(HttpClient client, JsonObject batch, Guid? id = null)
    {
        var as_ = id ?? Guid.NewGuid();
        var answer = await client.PutAsJsonAsync($"/api/logbook/batches/{as_}", batch);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return as_;
    }

    private static async Task<JsonObject> BookAsync(HttpClient client) => (await client.GetFromJsonAsync<JsonObject>("/api/logbook"))!;

    /// <summary>What an order of two dozen rods is told to melt.</summary>
    private static async Task<JsonObject> PotAsync(HttpClient client)
    {
        var answer = await client.PostAsJsonAsync(
            "/api/amounts/preview", Orders.In(2, Orders.Line("pretzel-rod", "one", 24, "midnight", 0.33)));
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return (await answer.ReadAsync())["pots"]![0]!.AsObject();
    }

    [Fact]
    public async Task Three_batches_change_the_next_order_and_each_can_be_taken_back()
    {
        using var client = await server.StartKitchenAsync("Logs");
        var before = (double)(await PotAsync(client))["onPieces"]!["value"]!;
        List<Guid> ids = [];
        foreach (var day in new[] { "2026-11-10", "2026-11-15", "2026-11-20" })
            ids.Add(await LogAsync(client, Rods(madeOn: day)));
        var pot = await PotAsync(client);
        Assert.True((double)pot["onPieces"]!["value"]! > before * 1.1);
        Assert.Equal(3, (int)pot["range"]!["hand"]!["batches"]!);
        var book = await BookAsync(client);
        Assert.Equal(3, book["batches"]!.AsArray().Count);
        Assert.Equal(262, (double)book["batches"]![0]!["weighed"]!, 3);
        Assert.Contains("thicker, from 3 batches", (string)book["hand"]![0]!["says"]!, StringComparison.Ordinal);

        // The same batch again is the same batch; left out, deleted, restored.
        await LogAsync(client, Rods(madeOn: "2026-11-20"), ids[2]);
        Assert.Equal(3, (await BookAsync(client))["batches"]!.AsArray().Count);
        var left = Rods(madeOn: "2026-11-20");
        left["leftOut"] = true;
        await LogAsync(client, left, ids[2]);
        Assert.Equal(2, (int)(await PotAsync(client))["range"]!["hand"]!["batches"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"/api/logbook/batches/{ids[1]}")).StatusCode);
        Assert.Equal(1, (int)(await PotAsync(client))["range"]!["hand"]!["batches"]!);
        await client.PostAsync($"/api/logbook/batches/{ids[1]}/restore", null);
        Assert.Equal(2, (int)(await PotAsync(client))["range"]!["hand"]!["batches"]!);

        // Set aside, and from a later day on.
        var keys = (await BookAsync(client))["hand"]!.AsArray().Select(h => (string)h!["key"]!).ToArray();
        await client.PutAsJsonAsync("/api/logbook/learning", new { setAside = keys });
        Assert.Equal(before, (double)(await PotAsync(client))["onPieces"]!["value"]!, 6);
        Assert.True((bool)(await BookAsync(client))["hand"]![0]!["setAside"]!);
        await client.PutAsJsonAsync("/api/logbook/learning", new { from = "2026-11-21" });
        Assert.Equal(before, (double)(await PotAsync(client))["onPieces"]!["value"]!, 6);
    }

    [Fact]
    public async Task A_kitchen_sees_its_own_batches_only()
    {
        using var client = await server.StartKitchenAsync("Own batches");
        using var other = await server.StartKitchenAsync("Other batches");
        var id = await LogAsync(client, Rods());
        Assert.Empty((await BookAsync(other))["batches"]!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync($"/api/logbook/batches/{id}")).StatusCode);
    }

    [Fact]
    public async Task What_cannot_be_is_refused_by_its_field()
    {
        using var client = await server.StartKitchenAsync("Refused batches");
        var wrong = Rods(before: 100, after: 200);
        wrong["madeOn"] = "2031-01-01";
        var answer = await client.PutAsJsonAsync($"/api/logbook/batches/{Guid.NewGuid()}", wrong);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var errors = (await answer.ReadAsync())["errors"]!;
        Assert.NotNull(errors["madeOn"]);
        Assert.StartsWith("More is left than was in the pot. Check both weights", (string)errors["after"]![0]!, StringComparison.Ordinal);
        Assert.Empty((await BookAsync(client))["batches"]!.AsArray());
    }

    [Fact]
    public async Task An_orders_pot_is_filled_in_and_its_risks_are_told()
    {
        using var client = await server.StartKitchenAsync("Drafts");
        var order = await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "midnight", 0.33)));
        var draft = (await client.GetFromJsonAsync<JsonObject>($"/api/logbook/draft?order={order["id"]}&pot={Wafers}.midnight"))!;
        Assert.Equal(12, (int)draft["pieces"]![0]!["made"]!);
        Assert.Equal((string)order["id"]!, (string)draft["orderId"]!);
        draft["before"] = 300;
        draft["after"] = 180;
        await LogAsync(client, draft);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/logbook/draft?order={order["id"]}&pot=no.such")).StatusCode);

        var hot = (await client.GetFromJsonAsync<JsonObject>($"/api/orders/{order["id"]}/risks?air=33&humidity=0.8"))!;
        Assert.Contains(hot["risks"]!.AsArray(), r => (string)r!["code"]! == "warm");
        Assert.Equal(HttpStatusCode.BadRequest, (await client.GetAsync($"/api/orders/{order["id"]}/risks?air=330")).StatusCode);
    }

    [Fact]
    public async Task A_trouble_is_narrowed_by_answers_and_by_what_the_batch_knows()
    {
        using var client = await server.StartKitchenAsync("Troubles");
        Assert.Equal(14, (await client.GetFromJsonAsync<JsonArray>("/api/troubles"))!.Count);
        var first = await (await client.PostAsJsonAsync("/api/troubles", new { sign = "sticky", answers = new { } })).ReadAsync();
        Assert.NotNull(first["ask"]);
        var batch = Rods();
        batch["humidity"] = 0.75;
        batch["drying"] = new JsonArray(new JsonObject { ["place"] = "freezer", ["hard"] = 90 });
        batch["wrong"] = new JsonArray(new JsonObject { ["sign"] = "sticky", ["cause"] = "condensation" });
        var id = await LogAsync(client, batch);
        var asked = new { sign = "sticky", answers = new { }, batch = id };
        var told = await (await client.PostAsJsonAsync("/api/troubles", asked)).ReadAsync();
        Assert.Equal("condensation", (string)told["causes"]![0]!["code"]!);
        Assert.Equal(1, (int)told["causes"]![0]!["seenHere"]!);
        Assert.True((bool)told["known"]!["long-chill"]!);
        Assert.Null(told["ask"]);
        var none = await client.PostAsJsonAsync("/api/troubles", new { sign = "none", answers = new { } });
        Assert.Equal(HttpStatusCode.BadRequest, none.StatusCode);
    }

    [Fact]
    public async Task The_logbook_goes_out_and_in_as_csv()
    {
        using var client = await server.StartKitchenAsync("Csv out");
        var batch = Rods();
        batch["note"] = "=1+1, \"quoted\"";
        batch["film"] = "thick";
        batch["drying"] = new JsonArray(new JsonObject { ["place"] = "fridge", ["hard"] = 9 });
        batch["pieces"]!.AsArray().Add(new JsonObject { ["centre"] = "sandwich-cookie", ["size"] = "double", ["depth"] = 1, ["made"] = 6 });
        await LogAsync(client, batch);
        var csv = await client.GetStringAsync("/api/files/logbook.csv");

        using var other = await server.StartKitchenAsync("Csv in");
        var plan = await (await other.PostAsJsonAsync("/api/files/logbook", new { text = csv })).ReadAsync();
        Assert.Empty(plan["problems"]!.AsArray());
        Assert.Empty((await BookAsync(other))["batches"]!.AsArray());
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/files/logbook?apply=true");
        request.Content = JsonContent.Create(new { text = csv });
        request.Headers.Add("Idempotency-Key", Guid.NewGuid().ToString());
        Assert.True((bool)(await (await other.SendAsync(request)).ReadAsync())["done"]!);
        Assert.Equal(csv, await other.GetStringAsync("/api/files/logbook.csv"));

        var wrong = csv.Replace("midnight", "nowhere", StringComparison.Ordinal);
        var refused = await (await other.PostAsJsonAsync("/api/files/logbook?apply=true", new { text = wrong })).ReadAsync();
        Assert.Equal("colour", (string)refused["problems"]![0]!["field"]!);
        Assert.False((bool)refused["done"]!);
    }

    [Fact]
    public async Task A_kitchens_document_takes_its_logbook_along()
    {
        using var client = await server.StartKitchenAsync("Document");
        await LogAsync(client, Rods());
        var document = await client.GetStringAsync("/api/files/kitchen.json");
        using var other = await server.StartKitchenAsync("Document in");
        var answer = await other.PostAsJsonAsync("/api/files/kitchen?apply=true", new { text = document });
        var said = await answer.Content.ReadAsStringAsync();
        Assert.True(said.Contains("\"done\":true", StringComparison.Ordinal), said);
        Assert.Equal(1, (int)(await PotAsync(other))["range"]!["hand"]!["batches"]!);

        // What was changed in it by hand is looked at like all else; what is gone from the kitchen is no mistake.
        var wrong = document.Replace("\"grams\": ", "\"grams\": -", StringComparison.Ordinal);
        var refused = await (await other.PostAsJsonAsync("/api/files/kitchen?apply=true", new { text = wrong })).ReadAsync();
        Assert.Equal("batches[0].expected", (string)refused["problems"]![0]!["field"]!);
        var gone = document.Replace("\"tall-glass\"", "\"a-glass-that-broke\"", StringComparison.Ordinal);
        Assert.True((bool)(await (await other.PostAsJsonAsync("/api/files/kitchen?apply=true", new { text = gone })).ReadAsync())["done"]!);
        Assert.Single((await BookAsync(other))["batches"]!.AsArray());
    }

}

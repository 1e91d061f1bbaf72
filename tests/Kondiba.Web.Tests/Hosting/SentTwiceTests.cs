using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>What is sent again under the same key, because its answer was lost on the way, counts once.</summary>
public sealed class SentTwiceTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.WithPlanner().OwnMaker;

    private async Task<JsonObject> PostAsync(string path, object body, Guid key)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Add("Idempotency-Key", key.ToString());
        var answer = await client.SendAsync(request);
        Assert.True(answer.IsSuccessStatusCode, $"{path} answers {answer.StatusCode}");
        return (await answer.Content.ReadFromJsonAsync<JsonObject>())!;
    }

    private async Task<(JsonObject First, JsonObject Second)> TwiceAsync(string path, object body)
    {
        var key = Guid.CreateVersion7();
        return (await PostAsync(path, body, key), await PostAsync(path, body, key));
    }

    private async Task<List<JsonNode?>> FoundAsync(string name) =>
        [.. (await client.GetFromJsonAsync<JsonObject>($"/api/orders?q={Uri.EscapeDataString(name)}"))!["orders"]!.AsArray()];

    [Fact]
    public async Task A_copy()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        var (first, second) = await TwiceAsync(
            $"/api/orders/{order["id"]}/copies", new { name = "Bellwether copy", pickup = Orders.Day(20), pieces = (int?)null });
        Assert.Equal((string)first["id"]!, (string)second["id"]!);
        Assert.Single(await FoundAsync("Bellwether"));
    }

    [Fact]
    public async Task A_change_of_a_lot()
    {
        var lot = await ReceivedAsync(200);
        var (first, second) = await TwiceAsync($"/api/pantry/lots/{lot}/movements", new { kind = "used", amount = 30, note = "" });
        Assert.Equal((string)first["id"]!, (string)second["id"]!);
        Assert.Equal(170, (double)(await LotAsync(lot))!["amount"]!);
    }

    [Fact]
    public async Task A_quote_s_link_and_a_calendar_s_address_are_one_each_and_the_one_told_last_works()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        await Server.PriceAllAsync(client);
        var (lost, link) = await TwiceAsync($"/api/orders/{order["id"]}/quote/shares", new { });
        Assert.Single((await client.GetFromJsonAsync<JsonObject>($"/api/orders/{order["id"]}/quote"))!["shares"]!.AsArray());
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/quotes/{((string)lost["path"]!)[3..]}")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync($"/api/quotes/{((string)link["path"]!)[3..]}")).StatusCode);

        var before = (await client.GetFromJsonAsync<JsonArray>("/api/day/feeds"))!.Count;
        var (gone, feed) = await TwiceAsync("/api/day/feeds", new { });
        Assert.Equal(before + 1, (await client.GetFromJsonAsync<JsonArray>("/api/day/feeds"))!.Count);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync((string)gone["path"]!)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync((string)feed["path"]!)).StatusCode);
    }

    [Fact]
    public async Task A_file_of_orders_and_one_of_the_pantry()
    {
        var orders = $"name,pickup,centre,size,amount,coating,colour,depth\nKittiwake,{Orders.Day(20)},strawberry,L,12,compound-wafer-cool,midnight,0.67\nKittiwake two,{Orders.Day(20)},strawberry,L,12,compound-wafer-cool,midnight,0.67\n";
        var (first, second) = await TwiceAsync("/api/files/orders?apply=true", new { text = orders });
        Assert.True((bool)first["done"]! && (bool)second["done"]!, first.ToJsonString());
        Assert.Equal(2, (await FoundAsync("Kittiwake")).Count);

        var pantry = "ware,amount\nsprinkle.nonpareils,33\nsprinkle.nonpareils,34\n";
        await TwiceAsync("/api/files/pantry?apply=true", new { text = pantry });
        var lots = (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["lots"]!.AsArray();
        Assert.Equal(2, lots.Count(l => (double)l!["amount"]! is 33 or 34));
    }

    /// <summary>The work that a file asks for grows as the file does: a file four times as long is no sixteen times the work.</summary>
    [Fact]
    public async Task A_file_of_one_order_s_forty_thousand_lines_is_read_at_once()
    {
        var text = new StringBuilder(
            "number,name,pickup,centre,size,amount,coating,colour,depth\n7,Long,2031-05-03T10:00:00,strawberry,L,1,compound-wafer-cool,midnight,1\n");
        for (var i = 0; i < 40_000; i++)
            text.Append("7,,,strawberry,L,1,compound-wafer-cool,midnight,1\n");
        var before = GC.GetTotalAllocatedBytes();
        var answer = await client.PostAsJsonAsync("/api/files/orders", new { text = text.ToString() });
        Assert.InRange(GC.GetTotalAllocatedBytes() - before, 0, 2_000_000_000);
        var problems = (await answer.Content.ReadFromJsonAsync<JsonObject>())!["problems"]!.AsArray();
        Assert.Contains(problems, p => (string)p!["field"]! == "lines");
    }

    [Fact]
    public async Task A_mark_of_nothing_is_refused_and_one_of_last_week_can_be_taken_back()
    {
        var day = (await client.GetFromJsonAsync<JsonObject>("/api/day"))!;
        async Task<HttpResponseMessage> MarkAsync(JsonNode? mark)
        {
            var arranged = (JsonObject)day["arranged"]!.DeepClone();
            arranged["tasks"] = new JsonObject { ["7/dip.0"] = mark };
            var answer = await client.PutAsJsonAsync(
                "/api/day/arranged", new JsonObject { ["version"] = day["version"]!.DeepClone(), ["arranged"] = arranged });
            if (answer.IsSuccessStatusCode)
                day = (await answer.Content.ReadFromJsonAsync<JsonObject>())!;
            return answer;
        }

        Assert.Equal(HttpStatusCode.BadRequest, (await MarkAsync(null)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await MarkAsync(new JsonObject { ["done"] = "2026-04-01T10:00:00" })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await MarkAsync(new JsonObject())).StatusCode);
        Assert.False((bool)day["failed"]!);
    }

    private async Task<Guid> ReceivedAsync(double amount)
    {
        var id = Guid.CreateVersion7();
        (await client.PostAsJsonAsync("/api/pantry/lots", new { id, ware = "sprinkle.nonpareils", amount })).EnsureSuccessStatusCode();
        return id;
    }

    private async Task<JsonNode?> LotAsync(Guid id) =>
        (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["lots"]!.AsArray()
            .SingleOrDefault(l => (string)l!["id"]! == id.ToString());
}

using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Packing, labels and leftovers over the API.</summary>
public sealed class LabelApiTests(Server server) : IClassFixture<Server>
{
    private static JsonObject Box(int each = 6)
    {
        var order = Orders.In(3, Orders.Line("strawberry", "L", each, "dark", 0.75), Orders.Line("truffle-ball", "one", each, "white", 1));
        order["packing"] = new JsonArray(new JsonObject { ["supply"] = "box-12", ["each"] = 1, ["per"] = 12 });
        return order;
    }

    [Fact]
    public async Task A_box_is_labelled_and_its_code_leads_anybody_to_what_the_label_said()
    {
        using var client = await server.StartKitchenAsync("Labels");
        var kept = await client.PutAsJsonAsync(
            "/api/kitchen/labels", new { maker = "3 Quay Street", notice = "Made at home.", law = "us", right = 1.5 });
        Assert.Equal(HttpStatusCode.NoContent, kept.StatusCode);
        var id = (string)(await client.CreatedAsync(Box()))["id"]!;

        var sheet = await (await client.PostAsJsonAsync($"/api/orders/{id}/labels", new { })).ReadAsync();
        var label = Assert.Single(sheet["labels"]!.AsArray())!;
        Assert.Equal(["milk", "soy"], label["contains"]!.AsArray().Select(a => (string)a!));
        Assert.Equal("strawberries", (string)label["contents"]![0]!["name"]!);
        Assert.Equal("a4-2x4", (string)sheet["stock"]!["code"]!);

        // Made again on the same day they keep their page; it says what they say now.
        var again = await (await client.PostAsJsonAsync($"/api/orders/{id}/labels", new { })).ReadAsync();
        Assert.Equal((string)sheet["path"]!, (string)again["path"]!);

        using var stranger = Server.Browser(server.Own);
        var page = (string)sheet["path"]!;
        var read = await (await stranger.GetAsync($"/api/ingredients/{page[3..]}")).ReadAsync();
        Assert.Equal("Made at home.", (string)read["notice"]!);
        Assert.Equal(label["contents"]!.ToJsonString(), read["labels"]![0]!["contents"]!.ToJsonString());
        Assert.DoesNotContain("Harbour lights", read.ToJsonString(), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await stranger.GetAsync($"/api/ingredients/{Guid.NewGuid()}")).StatusCode);
    }

    [Fact]
    public async Task Another_kitchen_and_a_day_that_cannot_be_are_refused()
    {
        using var client = await server.StartKitchenAsync("Ours");
        using var other = await server.StartKitchenAsync("Theirs");
        var id = (string)(await client.CreatedAsync(Box()))["id"]!;
        foreach (var path in new[] { "labels", "leftovers" })
            Assert.Equal(
                HttpStatusCode.NotFound,
                (await other.PostAsJsonAsync($"/api/orders/{id}/{path}", new { weighed = new { } })).StatusCode);

        var late = await client.PostAsJsonAsync($"/api/orders/{id}/labels", new { madeOn = "2199-01-01" });
        Assert.Equal(HttpStatusCode.BadRequest, late.StatusCode);
        Assert.Contains("madeOn", await late.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        var sheet = await client.PutAsJsonAsync("/api/kitchen/labels", new { stock = "own", own = new { } });
        Assert.Equal(HttpStatusCode.BadRequest, sheet.StatusCode);
        var weighed = await client.PostAsJsonAsync(
            $"/api/orders/{id}/leftovers", new { weighed = new Dictionary<string, double> { [Orders.Pot("dark")] = -5 } });
        Assert.Equal(HttpStatusCode.BadRequest, weighed.StatusCode);
    }

    [Fact]
    public async Task Where_pieces_were_moved_is_kept_with_the_order_and_own_boxes_take_what_fits()
    {
        using var client = await server.StartKitchenAsync("Boxes");
        var own = await client.PutAsJsonAsync("/api/kitchen/wares", new
        {
            code = "supply.hat-box",
            name = "hat boxes",
            unit = "pieces",
            box = new { rows = 2, columns = 2, wide = 120, deep = 120, high = 60 },
        });
        Assert.Equal(HttpStatusCode.NoContent, own.StatusCode);
        var order = Box(2);
        order["packing"]![0]!["supply"] = "hat-box";
        order["boxes"] = new JsonArray(new JsonArray(0, 0, 1, 1));
        var created = await client.CreatedAsync(order);
        Assert.Equal("[[0,0,1,1]]", created["boxes"]!.ToJsonString());

        var plan = await (await client.PostAsJsonAsync("/api/packing/preview", order)).ReadAsync();
        Assert.True((bool)plan["moved"]!);
        Assert.Equal([0, 0, 1, 1], plan["packages"]![0]!["cells"]!.AsArray().Select(c => (int)c!));
        Assert.Equal(1, (double)plan["amounts"]![0]!);

        order["boxes"] = new JsonArray(new JsonArray(Enumerable.Repeat(0, 200).Select(n => (JsonNode)n).ToArray()));
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PostAsJsonAsync("/api/orders", order)).StatusCode);
    }
}

using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Npgsql;

namespace Kondiba.Web.Tests;

/// <summary>The pantry, the shopping list, and what a made order takes out.</summary>
public sealed class PantryTests(Server server) : IClassFixture<Server>
{
    private const string Plum = "coating.compound-wafer-hot-flow.plum";
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task A_lot_is_received_once_used_corrected_and_every_step_can_be_taken_back()
    {
        var receipt = new
        {
            id = Guid.CreateVersion7(),
            ware = "sprinkle.jimmies",
            amount = 100,
            pack = 100,
            price = 2.4,
            bestBefore = "2031-05-03",
            place = "drawer"
        };
        await ReceiveAsync(receipt);
        await ReceiveAsync(receipt);
        Assert.Equal(100, await LeftAsync("sprinkle.jimmies"));

        var used = await ChangeAsync(receipt.id, "used", 30);
        await ChangeAsync(receipt.id, "corrected", 65);
        var thrown = await ChangeAsync(receipt.id, "thrown", 5);
        Assert.Equal(60, await LeftAsync("sprinkle.jimmies"));
        var history = (await client.GetFromJsonAsync<JsonArray>($"/api/pantry/lots/{receipt.id}/movements"))!;
        Assert.Equal(["thrown", "corrected", "used", "received"], history.Select(m => (string)m!["kind"]!));
        Assert.Equal([-5, -5, -30, 100], history.Select(m => (double)m!["amount"]!));

        Assert.Equal(HttpStatusCode.Conflict, (await client.DeleteAsync($"/api/pantry/movements/{used["id"]}")).StatusCode);
        (await client.DeleteAsync($"/api/pantry/movements/{thrown["id"]}")).EnsureSuccessStatusCode();
        Assert.Equal(65, await LeftAsync("sprinkle.jimmies"));
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await client.PostAsJsonAsync($"/api/pantry/lots/{receipt.id}/movements", new { kind = "used", amount = 66 })).StatusCode);
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await client.PostAsJsonAsync($"/api/pantry/lots/{receipt.id}/movements", new { kind = "received", amount = 6 })).StatusCode);
    }

    [Fact]
    public async Task A_clock_that_was_set_back_does_not_keep_the_latest_change_from_being_taken_back()
    {
        var receipt = new { id = Guid.CreateVersion7(), ware = "sprinkle.sanding-sugar", amount = 100 };
        await ReceiveAsync(receipt);
        await using (var database = NpgsqlDataSource.Create(server.Connection))
        await using (var ahead = database.CreateCommand(
            $"UPDATE lot_movements SET at = at + interval '1 day' WHERE lot_id = '{receipt.id}'"))
            Assert.Equal(1, await ahead.ExecuteNonQueryAsync());
        await ChangeAsync(receipt.id, "used", 10);
        var used = await ChangeAsync(receipt.id, "used", 20);
        (await client.DeleteAsync($"/api/pantry/movements/{used["id"]}")).EnsureSuccessStatusCode();
        Assert.Equal(90, await LeftAsync("sprinkle.sanding-sugar"));
    }

    [Theory]
    [InlineData("""{"ware": "sprinkle.gravel"}""", "ware")]
    [InlineData("""{"amount": 0}""", "amount")]
    [InlineData("""{"price": -1}""", "price")]
    public async Task What_cannot_be_received_is_named_by_its_field(string change, string field)
    {
        var receipt = new JsonObject { ["id"] = Guid.CreateVersion7(), ["ware"] = "supply.cup", ["amount"] = 10 };
        foreach (var (name, value) in JsonNode.Parse(change)!.AsObject())
            receipt[name] = value!.DeepClone();
        var refused = await client.PostAsJsonAsync("/api/pantry/lots", receipt);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains(field, (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
    }

    [Fact]
    public async Task A_made_order_takes_what_it_used_the_first_to_expire_first_and_gives_it_back_when_it_is_not()
    {
        await ReceiveAsync(new { id = Guid.CreateVersion7(), ware = Plum, amount = 900, bestBefore = "2031-09-01" });
        await ReceiveAsync(new { id = Guid.CreateVersion7(), ware = Plum, amount = 60, bestBefore = "2031-05-01" });
        var order = await client.CreatedAsync(Orders.Order(Orders.Line(colour: "plum")));
        var melted = (double)order["tally"]!["pots"]![0]!["toMelt"]!["value"]!;

        order = await SaveAsync(order, "made");
        var used = 960 - await LeftAsync(Plum);
        Assert.InRange(used, 20, melted - 20);
        Assert.Single(
            (await PantryAsync())["lots"]!.AsArray(), l => (string)l!["ware"]! == Plum && (string)l["bestBefore"]! == "2031-09-01");
        Assert.DoesNotContain(
            (await PantryAsync())["lots"]!.AsArray(), l => (string)l!["ware"]! == Plum && (string)l["bestBefore"]! == "2031-05-01");
        var told = (await client.GetFromJsonAsync<JsonArray>($"/api/orders/{order["id"]}/used"))!;
        Assert.Equal(used, (double)told.Single(u => (string)u!["ware"]! == Plum)!["used"]!, 3);
        Assert.True((double)told.Single(u => (string)u!["ware"]! == "centre.strawberry.L")!["short"]! > 20);

        // Half the pieces after all: half comes back. Not made after all: all of it does.
        order["lines"]![0]!["amount"] = 12;
        order = await SaveAsync(order, "made");
        Assert.InRange(960 - await LeftAsync(Plum), 1, used - 10);
        order = await SaveAsync(order, "agreed");
        Assert.Equal(960, await LeftAsync(Plum), 6);
        order = await SaveAsync(order, "handedOver");
        Assert.True(await LeftAsync(Plum) < 960);
        await SaveAsync(order, "agreed");
    }

    [Fact]
    public async Task The_list_is_for_agreed_orders_less_the_pantry_and_goes_out_as_csv()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line("apple", "M", 6, "lime", 1)));
        var unnamed = await ShoppingAsync("");
        Assert.DoesNotContain(unnamed["orders"]!.AsArray(), o => (string)o!["id"]! == (string)order["id"]! && (bool)o["chosen"]!);

        var named = await ShoppingAsync($"?order={order["id"]}");
        var sticks = named["list"]!["lines"]!.AsArray().Single(l => (string)l!["ware"]!["code"]! == "supply.apple-stick")!;
        Assert.Equal((7, 30), ((double)sticks["need"]!["value"]!, (double)sticks["toBuy"]!));
        await ReceiveAsync(new { id = Guid.CreateVersion7(), ware = "supply.apple-stick", amount = 30 });
        sticks = (await ShoppingAsync($"?order={order["id"]}"))["list"]!["lines"]!.AsArray()
            .Single(l => (string)l!["ware"]!["code"]! == "supply.apple-stick")!;
        Assert.Equal(0, (double)sticks["toBuy"]!);

        var csv = await client.GetAsync($"/api/shopping.csv?order={order["id"]}");
        Assert.Equal("text/csv", csv.Content.Headers.ContentType!.MediaType);
        var rows = (await csv.Content.ReadAsStringAsync()).Split("\r\n", StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal("section,ware,code,needed,in pantry,to buy,unit,packs,price,for", rows[0]);
        Assert.Contains(
            rows,
            r => r.Contains(
                "\"apples, medium\",centre.apple.M,7,0,7,pieces,1 × 6 + 1 × 1,3.25,Tide table supper", StringComparison.Ordinal));
        Assert.DoesNotContain(rows, r => r.Contains("apple-stick", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Packs_and_marks_of_ones_own_are_used()
    {
        (await client.PutAsJsonAsync(
            "/api/kitchen/wares",
            new
            {
                code = "supply.cup",
                name = "",
                unit = "pieces",
                packs = new[] { new { holds = 250, price = 3 } },
                low = 40
            })).EnsureSuccessStatusCode();
        var cup = (await PantryAsync())["wares"]!.AsArray().Single(w => (string)w!["code"]! == "supply.cup")!;
        Assert.Equal((250, 40), ((double)cup["packs"]![0]!["holds"]!, (double)cup["low"]!));
        (await client.PutAsJsonAsync(
            "/api/kitchen/wares", new { code = "supply.net", name = "nets", unit = "m", low = 0 })).EnsureSuccessStatusCode();
        Assert.Contains((await PantryAsync())["wares"]!.AsArray(), w => (string)w!["name"]! == "nets");
    }

    private async Task<JsonObject> PantryAsync() => (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!;

    private async Task<JsonObject> ShoppingAsync(string query) => (await client.GetFromJsonAsync<JsonObject>($"/api/shopping{query}"))!;

    private async Task<double> LeftAsync(string ware) =>
        (await PantryAsync())["lots"]!.AsArray().Where(l => (string)l!["ware"]! == ware).Sum(l => (double)l!["amount"]!);

    private async Task ReceiveAsync(object receipt) =>
        (await client.PostAsJsonAsync("/api/pantry/lots", receipt)).EnsureSuccessStatusCode();

    private async Task<JsonObject> ChangeAsync(Guid lot, string kind, double amount)
    {
        var answer = await client.PostAsJsonAsync($"/api/pantry/lots/{lot}/movements", new { kind, amount });
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }

    private async Task<JsonObject> SaveAsync(JsonObject order, string state)
    {
        order["state"] = state;
        var answer = await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order);
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }
}

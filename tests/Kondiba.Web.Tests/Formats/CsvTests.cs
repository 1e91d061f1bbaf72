using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Orders as CSV: whatever a maker typed comes back, and a file may be written by hand.</summary>
public sealed class CsvTests(Server server) : IClassFixture<Server>
{
    private const string Head = "number,name,pickup,notes,centre,size,amount,coating,colour,depth";
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task Quotes_commas_lines_and_letters_of_every_kind_survive()
    {
        var order = Orders.Order(Orders.Line(amount: 7), Orders.Line("apple", "M", 2, "teal", 0.5));
        (order["name"], order["notes"]) = ("“Sea, wind” and \"spray\"", "First line,\r\nsecond; third\nÆøå 🍓 =1+1");
        (order["client"], order["place"], order["handover"]) = ("Ø-klubben", "Quay; west, 3", "delivery");
        order["palette"] = new JsonArray("#24306a", "#bfc5d2");
        order["pots"] = new JsonObject
        {
            [Orders.Pot(
            "teal")] = new JsonObject { ["vessel"] = "jar", ["thinner"] = "none", ["film"] = 1.25 }
        };
        (order["margin"], order["deposit"]) = (0.125, 12.5);
        order["payments"] = new JsonArray(new JsonObject { ["on"] = "2031-04-01", ["amount"] = 12.5, ["note"] = "cash; at the \"quay\"" });
        order["lines"]![0]!["decor"] = new JsonObject
        {
            ["dips"] = new JsonArray(),
            ["patterns"] = new JsonArray(new JsonObject
            {
                ["kind"] = "letters",
                ["coating"] = "compound-wafer-hot-flow",
                ["colour"] = "white",
                ["lines"] = 1,
                ["spacing"] = null,
                ["bead"] = 1.75,
                ["angle"] = -3.5,
                ["phase"] = 0,
                ["text"] = "A7"
            }),
            ["sprinkles"] = new JsonArray(new JsonObject { ["kind"] = "jimmies", ["side"] = "tip", ["cover"] = 0.35, ["glued"] = true }),
            ["parts"] = new JsonArray(),
            ["paint"] = null,
        };
        var kept = await client.CreatedAsync(order);
        var csv = await client.GetStringAsync("/api/files/orders.csv");
        Assert.Contains("\"“Sea, wind” and \"\"spray\"\"\"", csv, StringComparison.Ordinal);

        kept["name"] = "Something else";
        (await client.PutAsJsonAsync($"/api/orders/{kept["id"]}", kept)).EnsureSuccessStatusCode();
        Assert.True((bool)(await ImportAsync(csv))["done"]!);
        Assert.Equal(csv, await client.GetStringAsync("/api/files/orders.csv"));
        var back = await (await client.GetAsync($"/api/orders/{kept["id"]}")).ReadAsync();
        Assert.Equal((string)order["notes"]!, (string)back["notes"]!);
        Assert.Equal("A7", (string)back["lines"]![0]!["decor"]!["patterns"]![0]!["text"]!);
        Assert.Equal(order["payments"]!.ToJsonString(), back["payments"]!.ToJsonString());
        Assert.Equal(1.25, (double)back["pots"]![Orders.Pot("teal")]!["film"]!);
    }

    [Fact]
    public async Task Rows_without_a_number_are_new_orders_and_a_number_is_kept()
    {
        var before = await CountAsync();
        var day = Orders.Day(12);
        var plan = await ImportAsync(
            $"{Head}\n,Tern,{day},,strawberry,L,12,compound-wafer-hot-flow,dark,0.75\n4001,Gull,{day[..10]} 09:30,,strawberry,M,10,compound-wafer-hot-flow,dark,0.5\n4001,,,,apple,M,3,compound-wafer-hot-flow,teal,1\n");
        Assert.Equal(["new: Tern, 12 pieces", "new: Gull, 13 pieces, as order 4001"], plan["changes"]!.AsArray().Select(c => (string)c!));
        Assert.Equal(before + 3, await CountAsync());
        var gull = (await client.GetFromJsonAsync<JsonObject>("/api/orders?q=4001"))!["orders"]!.AsArray()
            .Single(o => (int)o!["number"]! == 4001)!;
        Assert.Equal(("Gull", $"{day[..10]}T09:30:00"), ((string)gull["name"]!, (string)gull["pickup"]!));
        Assert.Equal(4003, (int)(await client.CreatedAsync(Orders.Order()))["number"]!);
    }

    [Theory]
    [InlineData("", 1, "")]
    [InlineData("name,pickup\nTern,x\n", 1, "centre, size, amount, coating, colour, depth")]
    [InlineData(Head + ",flavour\n", 1, "flavour")]
    [InlineData(Head + "\n1.5,Tern,2031-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5\n", 2, "number")]
    [InlineData(Head + "\n0,Tern,2031-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5\n", 2, "number")]
    [InlineData(Head + "\n,,2031-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5\n", 2, "name")]
    [InlineData(Head + "\n,Tern,,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5\n", 2, "pickup")]
    [InlineData(Head + ",decor\n,Tern,2027-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5,{]\n", 2, "decor")]
    [InlineData(Head + ",state\n,Tern,2027-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5,maybe\n", 2, "state")]
    [InlineData(
        Head + ",price by,price\n,Tern,2027-05-03T10:00:00,,strawberry,L,1,compound-wafer-hot-flow,dark,0.5,margin,3\n", 2, "price")]
    public async Task A_file_that_cannot_be_is_told_by_line_and_column_and_changes_nothing(string csv, int line, string column)
    {
        var before = await CountAsync();
        var plan = await ImportAsync(csv);
        Assert.False((bool)plan["done"]!);
        Assert.Contains((line, column), plan["problems"]!.AsArray().Select(p => ((int)p!["line"]!, (string)p["field"]!)));
        Assert.Equal(before, await CountAsync());
    }

    [Fact]
    public async Task A_made_order_that_comes_in_takes_from_the_pantry_and_a_removed_one_stands_again()
    {
        (await client.PostAsJsonAsync(
            "/api/pantry/lots", new
            {
                id = Guid.CreateVersion7(),
                ware = "coating.compound-wafer-hot-flow.silver",
                amount = 500
            })).EnsureSuccessStatusCode();
        var order = await client.CreatedAsync(Orders.Order(Orders.Line(colour: "silver")));
        var csv = await client.GetStringAsync("/api/files/orders.csv");
        await client.DeleteAsync($"/api/orders/{order["id"]}");
        var plan = await ImportAsync(csv.Replace(",asked,", ",made,", StringComparison.Ordinal));
        Assert.Contains(plan["changes"]!.AsArray(), c => ((string)c!).EndsWith("and is restored", StringComparison.Ordinal));
        var left = (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["lots"]!.AsArray()
            .Where(l => ((string)l!["ware"]!).EndsWith(".silver", StringComparison.Ordinal))
            .Sum(l => (double)l!["amount"]!);
        Assert.InRange(left, 250, 480);
        Assert.Equal("made", (string)(await (await client.GetAsync($"/api/orders/{order["id"]}")).ReadAsync())["state"]!);
    }

    private async Task<JsonObject> ImportAsync(string text)
    {
        var answer = await client.PostAsJsonAsync("/api/files/orders?apply=true", new { text });
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }

    private async Task<int> CountAsync() => (await client.GetStringAsync("/api/files/orders.csv")).Split("\r\n").Length;
}

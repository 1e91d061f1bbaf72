using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Web.Formats;
using NJsonSchema;

namespace Kondiba.Web.Tests;

/// <summary>Files out and in, lossless, told before they are done, and all or nothing.</summary>
public sealed class FormatTests(Server server) : IClassFixture<Server>
{
    private async Task<HttpClient> SampleAsync()
    {
        var client = Server.Browser(server.Sample);
        (await client.PostAsJsonAsync("/api/session", new { })).EnsureSuccessStatusCode();
        return client;
    }

    private static async Task<JsonObject> ImportAsync(HttpClient client, string kind, string text, bool apply)
    {
        var answer = await client.PostAsJsonAsync($"/api/files/{kind}?apply={apply}", new { text });
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }

    /// <summary>A kitchen with something of everything in it.</summary>
    private static async Task<string> FullAsync(HttpClient sample)
    {
        var things = (await sample.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!;
        var vessel = new JsonObject
        {
            ["code"] = "vase",
            ["name"] = "narrow vase",
            ["kind"] = "round",
            ["measures"] = new JsonObject { ["bottom"] = 55, ["top"] = 60, ["height"] = 150 }
        };
        (await sample.PutAsJsonAsync("/api/kitchen/vessels", vessel)).EnsureSuccessStatusCode();
        var centre = (JsonObject)things["centres"]!.AsArray().First(c => (string)c!["code"]! == "apple")!.DeepClone();
        (centre["code"], centre["name"]) = ("pear", "pear");
        (await sample.PutAsJsonAsync("/api/kitchen/centres", centre)).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync("/api/kitchen/coatings", things["coatings"]![1]!.DeepClone())).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync("/api/kitchen/tints", things["tints"]![0]!["tint"]!.DeepClone())).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync(
            "/api/kitchen/rates", new { hour = 18.50m, terms = "By the tide, “or” not at all." })).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync(
            "/api/kitchen/places",
            new { code = "cellar", name = "cellar", air = 12, humidity = 0.7, trays = 2 })).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync("/api/kitchen/toppings", KitchenThingsTests.Topping())).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync("/api/kitchen/parts", things["parts"]![0]!.DeepClone())).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync("/api/kitchen/figures", KitchenThingsTests.Buoy())).EnsureSuccessStatusCode();
        (await sample.PutAsJsonAsync(
            "/api/kitchen/words", new { code = "galaxy", word = "galaxy", means = "navy, silver zigzag" })).EnsureSuccessStatusCode();
        var day = (await sample.GetFromJsonAsync<JsonObject>("/api/day"))!;
        (await sample.PutAsJsonAsync("/api/day/arranged", new JsonObject
        {
            ["version"] = (int)day["version"]!,
            ["arranged"] = new JsonObject
            {
                ["tasks"] = new JsonObject
                {
                    ["2/dip.0"] = new JsonObject { ["notBefore"] = "2031-05-01T10:00:00" },
                    ["3/dip.0"] = new JsonObject { ["at"] = "2031-05-01T09:00:00" },
                },
                ["hours"] = new JsonArray(new JsonObject { ["day"] = "2031-05-02", ["hours"] = null }),
                ["helpers"] = new JsonArray(
                    new JsonObject { ["day"] = "2031-05-01", ["hours"] = new JsonObject { ["from"] = "10:00:00", ["to"] = "12:30:00" } }),
                ["places"] = new JsonArray(new JsonObject
                {
                    ["place"] = "fridge",
                    ["change"] = -1,
                    ["from"] = "2031-05-01T08:00:00",
                    ["to"] = "2031-05-01T20:00:00"
                }),
            },
        })).EnsureSuccessStatusCode();
        var order = Orders.Order(Orders.Line("pear", (string)centre["sizes"]![0]!["code"]!, 3, depth: 0.5));
        (order["pots"], order["state"], order["deposit"]) = (new JsonObject
        {
            [Orders.Pot(
            "dark")] = new JsonObject { ["vessel"] = "vase", ["thinner"] = "none" }
        }, "made", 12.50m);
        order["payments"] = new JsonArray(new JsonObject { ["on"] = "2031-04-02", ["amount"] = -3.5, ["note"] = "given back" });
        await sample.CreatedAsync(order);
        var removed = await sample.CreatedAsync(Orders.Order(Orders.Line()));
        (await sample.DeleteAsync($"/api/orders/{removed["id"]}")).EnsureSuccessStatusCode();
        return await sample.GetStringAsync("/api/files/kitchen.json");
    }

    [Fact]
    public async Task A_whole_kitchen_goes_out_into_an_empty_one_and_comes_out_again_byte_for_byte()
    {
        using var sample = await SampleAsync();
        var before = await FullAsync(sample);
        using var empty = await server.StartKitchenAsync("Empty kitchen");

        var plan = await ImportAsync(empty, "kitchen", before, apply: false);
        Assert.Empty(plan["problems"]!.AsArray());
        Assert.Contains("arrangements of the day: none here go, 5 of the file come", plan["changes"]!.AsArray().Select(c => (string)c!));
        Assert.Contains("orders: none here go, 10 of the file come", plan["changes"]!.AsArray().Select(c => (string)c!));
        Assert.NotEqual(before, await empty.GetStringAsync("/api/files/kitchen.json"));

        Assert.True((bool)(await ImportAsync(empty, "kitchen", before, apply: true))["done"]!);
        Assert.Equal(before, await empty.GetStringAsync("/api/files/kitchen.json"));

        // And over itself once more.
        await ImportAsync(empty, "kitchen", before, apply: true);
        Assert.Equal(before, await empty.GetStringAsync("/api/files/kitchen.json"));
        Assert.Equal(before, await sample.GetStringAsync("/api/files/kitchen.json"));
        await sample.PostAsync("/api/kitchen/reset", null);
    }

    [Fact]
    public async Task A_document_from_before_payments_were_kept_has_its_deposit_paid()
    {
        using var before = await server.StartKitchenAsync("Kitchen before payments");
        var asked = Orders.Order(Orders.Line());
        asked["deposit"] = 25;
        await before.CreatedAsync(asked);
        await before.CreatedAsync(Orders.Order(Orders.Line()));
        var document = JsonNode.Parse(await before.GetStringAsync("/api/files/kitchen.json"))!;
        foreach (var order in document["orders"]!.AsArray())
            order!["depositPaid"] = true;

        using var after = await server.StartKitchenAsync("Kitchen after them");
        Assert.True((bool)(await ImportAsync(after, "kitchen", document.ToJsonString(), apply: true))["done"]!);
        var orders = JsonNode.Parse(await after.GetStringAsync("/api/files/kitchen.json"))!["orders"]!.AsArray();
        Assert.Equal(25, (double)orders[0]!["order"]!["payments"]![0]!["amount"]!);
        Assert.Equal("Collected at the slipway.\nDeposit paid.", (string)orders[1]!["order"]!["notes"]!);
        Assert.All(orders, o => Assert.False(o!.AsObject().ContainsKey("depositPaid")));
    }

    /// <summary>NJsonSchema, from the registry, judges the document by the published schema.</summary>
    [Fact]
    public async Task The_document_is_what_its_schema_says_and_a_spoilt_one_is_not()
    {
        using var sample = await SampleAsync();
        var text = await sample.GetStringAsync("/api/files/kitchen.json");
        var schema = await JsonSchema.FromJsonAsync(
            await sample.GetStringAsync("/api/files/kitchen.schema.json"), TestContext.Current.CancellationToken);
        Assert.Empty(schema.Validate(text));
        foreach (var (was, becomes) in new[] { ("\"lastNumber\": 8", "\"lastNumber\": \"seven\""),
            ("\"centre\": \"strawberry\"", "\"center\": \"strawberry\""), ("\"state\": \"agreed\"", "\"state\": \"perhaps\"") })
        {
            Assert.Contains(was, text, StringComparison.Ordinal);
            Assert.NotEmpty(schema.Validate(text.Replace(was, becomes, StringComparison.Ordinal)));
        }
    }

    [Fact]
    public void The_schema_in_the_docs_is_the_one_that_the_program_publishes()
    {
        var path = Path.Combine(Root, "docs", "kitchen.schema.json");
        var schema = KitchenDocument.Schema().ToJsonString(KitchenDocument.Json) + "\n";
        if (Environment.GetEnvironmentVariable("KONDIBA_WRITE_DOCS") == "1")
            File.WriteAllText(path, schema);
        Assert.Equal(schema, File.ReadAllText(path));
    }

    [Theory]
    [InlineData("\"colour\": \"midnight\"", "\"colour\": \"mudnight\"", ".colour")]
    [InlineData("\"format\": \"kondiba-kitchen\"", "\"format\": \"something\"", "format")]
    [InlineData("\"kind\": \"received\"", "\"kind\": \"conjured\"", "lots[0].movements[0].kind")]
    [InlineData("\"ware\": \"thinner.flakes\"", "\"ware\": \"thinner.sand\"", "ware")]
    public async Task A_document_with_something_wrong_names_it_and_changes_nothing(string was, string becomes, string field)
    {
        using var sample = await SampleAsync();
        var text = await sample.GetStringAsync("/api/files/kitchen.json");
        using var kitchen = await server.StartKitchenAsync($"Careful kitchen, {field}"[..Math.Min(60, 17 + field.Length)]);
        var before = await kitchen.GetStringAsync("/api/files/kitchen.json");
        Assert.Contains(was, text, StringComparison.Ordinal);
        var plan = await ImportAsync(kitchen, "kitchen", text.Replace(was, becomes, StringComparison.Ordinal), apply: true);
        Assert.False((bool)plan["done"]!);
        Assert.Contains(plan["problems"]!.AsArray(), p => ((string)p!["field"]!).EndsWith(field, StringComparison.Ordinal));
        Assert.Equal(before, await kitchen.GetStringAsync("/api/files/kitchen.json"));
    }

    [Fact]
    public async Task Orders_go_out_as_csv_and_come_into_another_kitchen_the_same()
    {
        using var sample = await SampleAsync();
        var csv = await sample.GetStringAsync("/api/files/orders.csv");
        using var other = await server.StartKitchenAsync("Copying kitchen");
        var plan = await ImportAsync(other, "orders", csv, apply: false);
        Assert.Empty(plan["problems"]!.AsArray());
        Assert.Equal(8, plan["changes"]!.AsArray().Count);
        Assert.Empty((await other.GetFromJsonAsync<JsonObject>("/api/orders"))!["orders"]!.AsArray());
        await ImportAsync(other, "orders", csv, apply: true);
        Assert.Equal(csv, await other.GetStringAsync("/api/files/orders.csv"));

        // Again: every order takes its own place.
        var again = await ImportAsync(other, "orders", csv, apply: true);
        Assert.All(again["changes"]!.AsArray(), c => Assert.StartsWith("order ", (string)c!, StringComparison.Ordinal));
        Assert.Equal(csv, await other.GetStringAsync("/api/files/orders.csv"));
    }

    [Fact]
    public async Task A_bad_csv_names_its_lines_and_columns_and_changes_nothing()
    {
        var pickup = Orders.Day(6);
        var csv = $"""
            name,pickup,notes,centre,size,amount,coating,colour,depth
            Good one,{pickup},"over
            two lines",strawberry,L,24,compound-wafer-hot-flow,dark,0.75
            Bad one,someday,,strawberry,L,24,compound-wafer-hot-flow,dark,0.75
            Worse,{pickup},,pebble,L,many,compound-wafer-hot-flow,dusk,7
            """;
        var client = server.OwnMaker;
        var before = await client.GetStringAsync("/api/files/kitchen.json");
        var plan = await ImportAsync(client, "orders", csv, apply: true);
        Assert.False((bool)plan["done"]!);
        var told = plan["problems"]!.AsArray().Select(p => ((int)p!["line"]!, (string)p["field"]!)).ToList();
        Assert.Equal([4, 5, 5, 5, 5], told.Select(t => t.Item1));
        Assert.Superset(
            new HashSet<(int, string)> { (4, "pickup"), (5, "amount"), (5, "centre"), (5, "colour"), (5, "depth") }, told.ToHashSet());
        Assert.Equal(before, await client.GetStringAsync("/api/files/kitchen.json"));
        Assert.Equal(
            "size",
            (string)(await ImportAsync(
                client, "orders", csv.Replace(
                    "size,amount", "sizes,amount", StringComparison.Ordinal), apply: true))["problems"]![0]!["field"]!);
    }

    [Fact]
    public async Task The_pantry_goes_out_as_csv_and_comes_in_beside_what_is_there()
    {
        using var sample = await SampleAsync();
        var csv = await sample.GetStringAsync("/api/files/pantry.csv");
        using var other = await server.StartKitchenAsync("Stocking kitchen");
        await ImportAsync(other, "pantry", csv, apply: true);
        Assert.Equal(csv, await other.GetStringAsync("/api/files/pantry.csv"));
        var bad = await ImportAsync(
            other, "pantry", "ware,amount\r\nsupply.cup,10\r\nsupply.gravel,10\r\nsupply.cup,lots\r\n", apply: true);
        Assert.Equal([(3, "ware"), (4, "amount")], bad["problems"]!.AsArray().Select(p => ((int)p!["line"]!, (string)p["field"]!)));
        Assert.Equal(csv, await other.GetStringAsync("/api/files/pantry.csv"));
    }

    internal static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Kondiba.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }
}

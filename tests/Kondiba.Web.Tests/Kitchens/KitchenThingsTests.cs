using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

public sealed class KitchenThingsTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    private static JsonObject Waffle(string code = "waffle-stick") => new()
    {
        ["code"] = code,
        ["name"] = "waffle stick",
        ["plural"] = "waffle sticks",
        ["shape"] = "rod",
        ["holding"] = "by hand",
        ["upright"] = true,
        ["usualDepth"] = 0.5,
        ["spoil"] = 0.1,
        ["pack"] = 20,
        ["allergens"] = new JsonArray("wheat"),
        ["prep"] = new JsonArray("Brush off crumbs."),
        ["sizes"] = new JsonArray(new JsonObject
        {
            ["code"] = "one",
            ["name"] = "",
            ["mass"] = 6,
            ["measures"] = new JsonObject { ["height"] = 110, ["diameter"] = 12 },
        }),
    };

    internal static JsonObject Topping() => new()
    {
        ["code"] = "crunch",
        ["name"] = "harbour crunch",
        ["perArea"] = null,
        ["weighed"] = new JsonObject
        {
            ["centre"] = "sandwich-cookie",
            ["size"] = "thin",
            ["pieces"] = 20,
            ["grams"] = 45,
            ["side"] = "front",
            ["cover"] = 0.6
        },
        ["grain"] = 3,
        ["form"] = "flake",
        ["srgb"] = new JsonArray("#d8a860"),
        ["heavy"] = false,
        ["only"] = "wet",
        ["allergens"] = new JsonArray("peanut"),
        ["mayContain"] = new JsonArray("tree nuts"),
        ["words"] = new JsonArray("crunch"),
    };

    [Fact]
    public async Task A_topping_of_ones_own_is_typed_clashes_is_quoted_and_bought()
    {
        (await client.PutAsJsonAsync("/api/kitchen/toppings", Topping())).EnsureSuccessStatusCode();
        (await client.PutAsJsonAsync(
            "/api/kitchen/words", new { code = "tideline", word = "tideline", means = "milk with crunch" })).EnsureSuccessStatusCode();
        var entry = await (await client.PostAsJsonAsync("/api/entry", new { text = "20 cookies tideline, no peanuts please" })).ReadAsync();
        Assert.Empty(entry["notUnderstood"]!.AsArray());
        Assert.Equal(["peanut"], entry["order"]!["allergies"]!.AsArray().Select(a => (string)a!));
        var line = (JsonObject)entry["lines"]![0]!["line"]!.DeepClone();
        line["id"] = Guid.CreateVersion7();
        var draft = Orders.Order(line);
        draft["allergies"] = entry["order"]!["allergies"]!.DeepClone();
        var order = await client.CreatedAsync(draft);
        Assert.Contains(
            order["tally"]!["problems"]!.AsArray(),
            p => ((string)p!["reason"]!).Contains("must be free of peanut, but harbour crunch contains it", StringComparison.Ordinal));
        var shelf = await (await client.GetAsync($"/api/shelf?from={((string)order["pickup"]!)[..10]}")).ReadAsync();
        Assert.Contains("harbour crunch", shelf["orders"]!.ToJsonString(), StringComparison.Ordinal);
        var shopping = await (await client.GetAsync($"/api/shopping?order={order["id"]}")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken);
        Assert.Contains("sprinkle.crunch", shopping, StringComparison.Ordinal);
    }

    internal static JsonObject Buoy(string body = "cake-ball") => new()
    {
        ["code"] = "buoy",
        ["name"] = "buoy",
        ["plural"] = "buoys",
        ["body"] = body,
        ["bodySize"] = "one",
        ["turn"] = 0,
        ["parts"] = new JsonArray(new JsonObject
        {
            ["code"] = "masts",
            ["name"] = "masts",
            ["centre"] = "pretzel-rod",
            ["size"] = "one",
            ["kept"] = 0.25,
            ["cuts"] = 4,
            ["spoil"] = 0.1,
            ["depth"] = 1,
            ["behind"] = true,
            ["onEdge"] = false,
            ["joined"] = false,
            ["colour"] = "silver",
            ["places"] = new JsonArray(new JsonObject { ["x"] = 0, ["y"] = -40, ["turn"] = 0 }),
        }),
        ["stuck"] = new JsonArray(new JsonObject
        {
            ["part"] = "candy-button",
            ["places"] = new JsonArray(
            new JsonObject { ["x"] = 0, ["y"] = 0, ["turn"] = 0 })
        }),
    };

    [Fact]
    public async Task A_figure_of_ones_own_is_drawn_typed_coloured_and_bought()
    {
        var drawn = await (await client.PostAsJsonAsync("/api/kitchen/figures/drawing", Buoy())).ReadAsync();
        Assert.InRange((double)drawn["parts"]![0]!["length"]!, 49, 51);
        (await client.PutAsJsonAsync("/api/kitchen/figures", Buoy())).EnsureSuccessStatusCode();
        Assert.Contains("buoy", Codes(await ThingsAsync(), "figures"));
        var entry = await (await client.PostAsJsonAsync("/api/entry", new { text = "8 buoys midnight" })).ReadAsync();
        var line = (JsonObject)entry["lines"]![0]!["line"]!.DeepClone();
        line["id"] = Guid.CreateVersion7();
        var order = await client.CreatedAsync(Orders.Order(line));
        Assert.Equal(["midnight", "silver"], order["tally"]!["pots"]!.AsArray().Select(p => (string)p!["colour"]!).Order());
        var shopping = await (await client.GetAsync($"/api/shopping?order={order["id"]}")).Content.ReadAsStringAsync(
            TestContext.Current.CancellationToken);
        Assert.All(["centre.pretzel-rod.one", "part.candy-button"], ware => Assert.Contains(ware, shopping, StringComparison.Ordinal));
        (await client.DeleteAsync("/api/kitchen/figures/buoy")).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task What_a_figure_is_made_from_stays_until_the_figure_is_changed()
    {
        (await client.PutAsJsonAsync("/api/kitchen/centres", Waffle("float"))).EnsureSuccessStatusCode();
        (await client.PutAsJsonAsync("/api/kitchen/figures", Buoy("float"))).EnsureSuccessStatusCode();
        var refused = await client.DeleteAsync("/api/kitchen/centres/float");
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Equal("It is still used by: buoy. Change that first.", (string)(await refused.ReadAsync())["errors"]!["code"]![0]!);
        var resized = Waffle("float");
        resized["sizes"]![0]!["code"] = "short";
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsJsonAsync("/api/kitchen/centres", resized)).StatusCode);
        (await client.DeleteAsync("/api/kitchen/figures/buoy")).EnsureSuccessStatusCode();
        (await client.DeleteAsync("/api/kitchen/centres/float")).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task A_centre_of_ones_own_is_counted_and_coated_like_the_trades()
    {
        (await client.PutAsJsonAsync("/api/kitchen/centres", Waffle())).EnsureSuccessStatusCode();
        var line = Orders.Line("waffle-stick", "one", 2, "teal", 0.5);
        line["countedIn"] = "packs";
        var order = await client.CreatedAsync(Orders.Order(line));
        var tally = order["tally"]!["lines"]![0]!;
        Assert.Equal(40, (int)tally["count"]!["value"]!);
        Assert.InRange((double)tally["perPiece"]!["value"]!, 1, 12);
        Assert.Contains("waffle-stick", Codes(await ThingsAsync(), "centres"));

        // The order outlives the centre, is minded, and comes right when the centre is put back.
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync("/api/kitchen/centres/waffle-stick")).StatusCode);
        var without = await (await client.GetAsync($"/api/orders/{order["id"]}")).ReadAsync();
        Assert.Equal("lines[0].centre", (string)Assert.Single(without["tally"]!["problems"]!.AsArray())!["field"]!);
        (await client.PutAsJsonAsync("/api/kitchen/centres", Waffle())).EnsureSuccessStatusCode();
        var again = await (await client.GetAsync($"/api/orders/{order["id"]}")).ReadAsync();
        Assert.True(JsonNode.DeepEquals(order["tally"], again["tally"]));
    }

    [Fact]
    public async Task A_shipped_centre_measured_anew_counts_and_comes_back_as_it_was()
    {
        var before = Centre(await ThingsAsync(), "truffle-ball");
        var bigger = (JsonObject)before.DeepClone();
        bigger["sizes"]![0]!["measures"]!["diameter"] = 40;
        var small = await PerTruffleAsync();
        (await client.PutAsJsonAsync("/api/kitchen/centres", bigger)).EnsureSuccessStatusCode();
        Assert.True(await PerTruffleAsync() > small * 1.3);
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync("/api/kitchen/centres/truffle-ball")).StatusCode);
        Assert.True(JsonNode.DeepEquals(before, Centre(await ThingsAsync(), "truffle-ball")));
        Assert.Equal(small, await PerTruffleAsync());
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync("/api/kitchen/centres/truffle-ball")).StatusCode);

        async Task<double> PerTruffleAsync() =>
            (double)(await PreviewAsync(Orders.Order(
                Orders.Line("truffle-ball", "one", 6, "dark", 1))))["lines"]![0]!["perPiece"]!["value"]!;
    }

    public static TheoryData<string, string, string> BadThings => new()
    {
        { "toppings", """{"allergens": ["gluten"]}""", "allergens" },
        { "toppings", """{"weighed": {"centre": "rock", "size": "", "pieces": 20, "grams": 45, "side": "front", "cover": 0.6}}""", "weighed.centre" },
        { "centres", """{"sizes": [{"code": "one", "name": "", "mass": 6, "measures": {"height": 3, "diameter": 12}}]}""", "sizes[0].measures.height" },
        { "centres", """{"sizes": [{"code": "one", "name": "", "mass": 900, "measures": {"height": 110, "diameter": 12}}]}""", "sizes[0].mass" },
        { "centres", """{"sizes": []}""", "sizes" },
        { "figures", """{"body": "cloud"}""", "body" },
        { "figures", """{"stuck": [{"part": "cloud", "places": []}]}""", "stuck[0].part" },
        { "centres", """{"pack": 0}""", "pack" },
        { "centres", """{"usualDepth": 2}""", "usualDepth" },
        { "centres", """{"shape": "cloud"}""", "shape" },
        { "coatings", """{"serving": 15, "fatPerServing": 11}""", "fatPerServing" },
        { "coatings", """{"packs": [{"mass": 0, "price": 3}]}""", "packs[0].mass" },
        { "coatings", """{"colours": []}""", "colours" },
        { "vessels", """{"measures": {"bottom": 80, "top": 80, "height": 2}}""", "measures.height" },
        { "tints", """{"swatch": "teal"}""", "swatch" },
        { "tints", """{"drops": 0}""", "drops" },
        { "wares", """{"low": -5}""", "low" },
        { "wares", """{"packs": [{"holds": 0, "price": 2}]}""", "packs[0].holds" },
        { "rates", """{"hour": -1}""", "hour" },
        { "ways", """{"margin": 9}""", "margin" },
        { "ways", """{"film": 40}""", "film" },
    };

    [Theory]
    [MemberData(nameof(BadThings))]
    public async Task What_cannot_be_kept_is_named_by_its_field_and_nothing_changes(string kind, string change, string field)
    {
        var before = await ThingsAsync();
        var thing = kind switch
        {
            "centres" => Waffle("bad"),
            "toppings" => Topping(),
            "figures" => Buoy(),
            "coatings" => (JsonObject)before["coatings"]![0]!.DeepClone(),
            "vessels" => new() { ["code"] = "mug", ["name"] = "mug", ["kind"] = "round" },
            "tints" => (JsonObject)before["tints"]![0]!["tint"]!.DeepClone(),
            "wares" => new() { ["code"] = "sprinkle.jimmies", ["name"] = "", ["unit"] = "g", ["packs"] = null, ["low"] = 0 },
            _ => new JsonObject(),
        };
        foreach (var (name, value) in JsonNode.Parse(change)!.AsObject())
            thing[name] = value!.DeepClone();
        var refused = await client.PutAsJsonAsync($"/api/kitchen/{kind}", thing);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains(field, (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
        Assert.True(JsonNode.DeepEquals(before, await ThingsAsync()));
    }

    [Fact]
    public async Task A_vessel_of_ones_own_is_chosen_where_it_wants_least()
    {
        var order = Orders.Order(Orders.Line("cake-ball", "one", 24, "lime", 1));
        var before = Pot(await PreviewAsync(order));
        var flute = new JsonObject
        {
            ["code"] = "flute",
            ["name"] = "flute",
            ["kind"] = "round",
            ["measures"] = new JsonObject { ["bottom"] = 49, ["top"] = 49, ["height"] = 150 }
        };
        (await client.PutAsJsonAsync("/api/kitchen/vessels", flute)).EnsureSuccessStatusCode();
        var with = Pot(await PreviewAsync(order));
        Assert.Equal("flute", (string)with["vessel"]!);
        Assert.True((double)with["toMelt"]!["value"]! < (double)before["toMelt"]!["value"]!);
        await client.DeleteAsync("/api/kitchen/vessels/flute");
        Assert.True(JsonNode.DeepEquals(before, Pot(await PreviewAsync(order))));
    }

    [Fact]
    public async Task What_is_in_the_cupboard_is_not_bought()
    {
        var order = Orders.Order(Orders.Line(colour: "plum"));
        var bought = (int)Pot(await PreviewAsync(order))["packs"]!["value"]!;
        var lot = await (await client.PostAsJsonAsync(
            "/api/pantry/lots", new
            {
                id = Guid.CreateVersion7(),
                ware = "coating.compound-wafer-hot-flow.plum",
                amount = 2000
            })).ReadAsync();
        var pot = Pot(await PreviewAsync(order));
        Assert.True(bought > 0);
        Assert.Equal(0, (int)pot["packs"]!["value"]!);
        Assert.Equal((double)pot["toMelt"]!["value"]!, (double)pot["cover"]!["fromStock"]!, 3);
        (await client.PostAsJsonAsync(
            $"/api/pantry/lots/{lot["id"]}/movements", new { kind = "thrown", amount = 2000 })).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task Orders_of_a_day_share_a_pot_of_one_colour()
    {
        var day = Orders.Day(40);
        foreach (var (name, line) in new[] { ("Ferry", Orders.Line(
            colour: "coral")), ("Quay", Orders.Line("truffle-ball", "one", 20, "coral", 1)), ("Pier", Orders.Line(colour: "lime")) })
        {
            var order = Orders.Order(line);
            (order["name"], order["pickup"]) = (name, day);
            await client.CreatedAsync(order);
        }

        var shared = Assert.Single((await client.GetFromJsonAsync<JsonArray>($"/api/days/{day[..10]}/shared"))!)!;
        Assert.Equal(Orders.Pot("coral"), (string)shared["key"]!);
        Assert.Equal(["Ferry", "Quay"], shared["orders"]!.AsArray().Select(o => (string)o!));
        Assert.True((double)shared["together"]! < (double)shared["apart"]!);
        Assert.Empty((await client.GetFromJsonAsync<JsonArray>($"/api/days/{Orders.Day(41)[..10]}/shared"))!);
        Assert.Equal(HttpStatusCode.BadRequest, (await client.GetAsync("/api/days/someday/shared")).StatusCode);
    }

    [Fact]
    public async Task Another_kitchen_sees_and_removes_none_of_it()
    {
        (await client.PutAsJsonAsync("/api/kitchen/centres", Waffle("secret-stick"))).EnsureSuccessStatusCode();
        using var other = await Server.EnterAsync(server.Sample);
        Assert.DoesNotContain("secret-stick", await other.GetStringAsync("/api/kitchen/things"), StringComparison.Ordinal);
        Assert.DoesNotContain("secret-stick", await other.GetStringAsync("/api/reference"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync("/api/kitchen/centres/secret-stick")).StatusCode);
        Assert.Contains("secret-stick", Codes(await ThingsAsync(), "centres"));
    }

    [Fact]
    public async Task Ways_hold_for_every_order()
    {
        var order = Orders.Order(Orders.Line(colour: "silver"));
        var plain = Pot(await PreviewAsync(order));
        (await client.PutAsJsonAsync(
            "/api/kitchen/ways", new
            {
                thinner = "flakes",
                margin = 0.25,
                withoutVessels = new[] { (string)plain["vessel"]! }
            })).EnsureSuccessStatusCode();
        var pot = Pot(await PreviewAsync(order));
        Assert.NotNull(pot["thinner"]);
        Assert.NotEqual((string)plain["vessel"]!, (string)pot["vessel"]!);
        Assert.Equal("flakes", (string)(await client.GetFromJsonAsync<JsonObject>("/api/reference"))!["usualThinner"]!);
        (await client.PutAsJsonAsync("/api/kitchen/ways", new { })).EnsureSuccessStatusCode();
        Assert.True(JsonNode.DeepEquals(plain, Pot(await PreviewAsync(order))));
    }

    private async Task<JsonObject> ThingsAsync() => (await client.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!;

    private async Task<JsonObject> PreviewAsync(JsonObject order) =>
        await (await client.PostAsJsonAsync("/api/amounts/preview", order)).ReadAsync();

    private static JsonNode Pot(JsonObject tally) => Assert.Single(tally["pots"]!.AsArray())!;

    private static IEnumerable<string> Codes(JsonObject things, string kind) => things[kind]!.AsArray().Select(t => (string)t!["code"]!);

    private static JsonNode Centre(JsonObject things, string code) =>
        things["centres"]!.AsArray().Single(c => (string)c!["code"]! == code)!;
}

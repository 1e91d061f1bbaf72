using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Prep lists, recipes that scale, moulds and figures.</summary>
public sealed class PrepTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    private static JsonObject Truffles(double count = 60, JsonObject? making = null)
    {
        var line = Orders.Line("truffle-ball", "one", count, "midnight", 1);
        line["making"] = making;
        return line;
    }

    private static JsonObject Moulded(string size)
    {
        var line = Orders.Line("moulded-piece", "cookie", 20, "teal", 1);
        line["making"] = new JsonObject
        {
            ["mould"] = new JsonObject
            {
                ["mould"] = "cookie-round",
                ["insert"] = "sandwich-cookie",
                ["insertSize"] = size
            }
        };
        return line;
    }

    private static JsonObject Own(string code) => new()
    {
        ["code"] = code,
        ["name"] = "Lemon ganache",
        ["makes"] = "truffle-ball",
        ["note"] = "Sharp.",
        ["mix"] = new JsonArray(
            new JsonObject { ["ingredient"] = "white-chocolate", ["name"] = "", ["grams"] = 300 },
            new JsonObject { ["ingredient"] = null, ["name"] = "Lemon curd", ["grams"] = 90, ["allergens"] = new JsonArray("egg") }),
        ["each"] = new JsonArray(),
        ["portion"] = 15,
        ["loss"] = 0.05,
        ["steps"] = new JsonArray(new JsonObject
        {
            ["text"] = "Melt and stir the curd in.",
            ["why"] = "",
            ["place"] = "hob",
            ["hands"] = 6,
            ["wait"] = 0,
            ["seconds"] = 0
        }),
    };

    private async Task<JsonObject> ListAsync(JsonObject order) =>
        await (await client.PostAsJsonAsync("/api/prep/preview", order)).ReadAsync();

    private async Task<JsonObject> ScaleAsync(object scale)
    {
        var answer = await client.PostAsJsonAsync("/api/fillings/scale", scale);
        answer.EnsureSuccessStatusCode();
        return await answer.ReadAsync();
    }

    private async Task<JsonObject> ReadRecipeAsync(string json, HttpStatusCode status = HttpStatusCode.OK)
    {
        var answer = await client.PostAsJsonAsync("/api/fillings/read", new { text = json });
        Assert.Equal(status, answer.StatusCode);
        return await answer.ReadAsync();
    }

    private static double Value(JsonNode? figure) => (double)figure!["value"]!;

    [Fact]
    public async Task A_list_of_steps_comes_with_times_amounts_and_how_they_came_about()
    {
        var order = Orders.Order(Truffles());
        var list = await ListAsync(order);
        var chop = list["steps"]!.AsArray().First(s => ((string)s!["code"]!).EndsWith(".chop", StringComparison.Ordinal))!;
        Assert.Equal(["dark-chocolate", "cream"], chop["amounts"]!.AsArray().Select(a => (string)a!["ingredient"]!));
        Assert.Equal("common practice", (string)chop["source"]!["tag"]!);
        Assert.Equal(
            "truffle-ball",
            (string)(await client.GetFromJsonAsync<JsonObject>("/api/fillings"))!["fillings"]!.AsArray()
                .First(f => (string)f!["code"]! == "ganache-dark")!["makesCode"]!);

        var amount = list["fillings"]![0]!["amounts"]!.AsArray().First(a => (string)a!["ingredient"]! == "cream");
        var working = await (await client.PostAsJsonAsync(
            "/api/prep/working?of=fillings[0].cream", order)).Content.ReadFromJsonAsync<JsonArray>();
        Assert.Equal(Value(amount!["mass"]), (double)working![^1]!["value"]!, 6);
        Assert.Equal(HttpStatusCode.NotFound, (await client.PostAsJsonAsync("/api/prep/working?of=fillings[9].cream", order)).StatusCode);
    }

    [Fact]
    public async Task How_a_line_is_made_and_how_an_order_differs_are_kept_with_it()
    {
        var order = Orders.Order(
            Truffles(
                30,
                new JsonObject
                {
                    ["filling"] = "ganache-milk",
                    ["portion"] = 14,
                    ["shares"] = new JsonObject { ["cream"] = 0.5 },
                    ["mould"] = null,
                    ["colours"] = null,
                    ["on"] = null,
                    ["disc"] = null
                }),
            Moulded("thin"));
        order["schools"] = new JsonObject { ["ganache"] = "fridge" };
        var id = (string)(await client.CreatedAsync(order))["id"]!;
        var read = await (await client.GetAsync($"/api/orders/{id}")).ReadAsync();
        Assert.Equal("fridge", (string)read["schools"]!["ganache"]!);
        Assert.True(JsonNode.DeepEquals(order["lines"]![0]!["making"], read["lines"]![0]!["making"]));
        Assert.Equal("cookie-round", (string)read["lines"]![1]!["making"]!["mould"]!["mould"]!);
        Assert.Equal(16, (int)read["tally"]!["lines"]![1]!["moulded"]!["atOnce"]!);
        Assert.Contains(
            (await ListAsync(read))["steps"]!.AsArray(), s => (string)s!["school"]! == "ganache" && (string)s["place"]! == "fridge");
    }

    [Fact]
    public async Task A_school_of_the_kitchen_holds_for_its_orders()
    {
        var ways = (await client.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!["ways"]!.DeepClone().AsObject();
        var before = ways.DeepClone();
        ways["schools"] = new JsonObject { ["sandwiches"] = "freezer" };
        (await client.PutAsJsonAsync("/api/kitchen/ways", ways)).EnsureSuccessStatusCode();
        var list = await ListAsync(Orders.Order(Orders.Line("cracker-sandwich", "one", 12, "dark", 1)));
        Assert.Contains(list["steps"]!.AsArray(), s => (string)s!["school"]! == "sandwiches" && (string)s["place"]! == "freezer");
        Assert.Equal("freezer", (string)list["schools"]!.AsArray().Single(s => (string)s!["school"]!["code"]! == "sandwiches")!["chosen"]!);
        Assert.All(list["schools"]!.AsArray(), s => Assert.False((bool)s!["own"]!));
        ways["schools"] = new JsonObject { ["sandwiches"] = "oven" };
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsJsonAsync("/api/kitchen/ways", ways)).StatusCode);
        (await client.PutAsJsonAsync("/api/kitchen/ways", before)).EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task An_order_with_a_school_that_is_none_is_not_kept()
    {
        var order = Orders.Order(Truffles());
        order["schools"] = new JsonObject { ["ganache"] = "cellar" };
        var refused = await client.PostAsJsonAsync("/api/orders", order);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("schools.ganache", (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
    }

    [Fact]
    public async Task An_insert_that_does_not_fit_is_told_and_the_order_still_kept()
    {
        var created = await client.CreatedAsync(Orders.Order(Moulded("double")));
        var problem = created["tally"]!["problems"]!.AsArray().Single(p => (string)p!["severity"]! == "unfit");
        Assert.Equal("lines[0].making.mould.insert", (string)problem!["field"]!);
    }

    [Fact]
    public async Task A_recipe_scales_to_pieces_and_from_what_there_is()
    {
        var from = await ScaleAsync(new { filling = "ganache-dark", ingredient = "dark-chocolate", grams = 326 });
        Assert.Equal(
            196,
            from["tally"]!["amounts"]!.AsArray().Where(a => (string)a!["ingredient"]! == "cream").Select(a => Value(a!["mass"])).Single(),
            0.5);
        Assert.Equal("1 tbsp", (string)from["spoon"]!);
        Assert.Equal(30.5, (double)from["across"]!, 0.3);
        var to = await ScaleAsync(new { filling = "ganache-dark", pieces = 60, portion = 12, shares = new { cream = 1.5 } });
        Assert.Equal(60, (int)to["tally"]!["pieces"]!);
        Assert.Contains("hold its shape", (string)to["problems"]!.AsArray().Single()!["reason"]!, StringComparison.Ordinal);
        Assert.All(
            to["tally"]!["amounts"]!.AsArray(),
            a => Assert.Equal(Value(a!["mass"]), (double)to["working"]![(string)a["ingredient"]!]!.AsArray()[^1]!["value"]!, 6));
        Assert.Single(to["steps"]!.AsArray(), s => (string)s!["school"]! == "ganache" && (bool)s["chosen"]!);
    }

    [Theory]
    [InlineData("""{"filling": "ganache-dark"}""", "pieces")]
    [InlineData("""{"filling": "ganache-dark", "pieces": 0}""", "pieces")]
    [InlineData("""{"filling": "ganache-dark", "pieces": 9999}""", "pieces")]
    [InlineData("""{"filling": "ganache-dark", "ingredient": "honey", "grams": 10}""", "ingredient")]
    [InlineData("""{"filling": "ganache-dark", "ingredient": "cream", "grams": 0}""", "grams")]
    [InlineData("""{"filling": "ganache-dark", "pieces": 6, "portion": 0}""", "portion")]
    [InlineData("""{"filling": "ganache-dark", "pieces": 6, "shares": {"cream": -1}}""", "shares.cream")]
    [InlineData("""{"filling": "ganache-dark", "pieces": 6, "shares": {"dark-chocolate": 2}}""", "shares.dark-chocolate")]
    public async Task A_scale_that_cannot_be_names_the_field(string scale, string field)
    {
        var refused = await client.PostAsJsonAsync("/api/fillings/scale", JsonNode.Parse(scale));
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains(field, (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
    }

    [Fact]
    public async Task What_there_is_not_is_not_found()
    {
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PostAsJsonAsync("/api/fillings/scale", new { filling = "cloud", pieces = 6 })).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/fillings/cloud/recipe.json")).StatusCode);
        Assert.Equal(HttpStatusCode.BadRequest, (await client.GetAsync("/api/fillings/ganache-dark/recipe.json?pieces=0")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync("/api/kitchen/fillings/cloud")).StatusCode);
    }

    [Fact]
    public async Task A_recipe_of_ones_own_is_used_exported_read_again_and_removed()
    {
        (await client.PutAsJsonAsync("/api/kitchen/fillings", Own("lemon"))).EnsureSuccessStatusCode();
        var order = Orders.Order(Truffles(20, new JsonObject { ["filling"] = "lemon" }));
        order["allergies"] = new JsonArray("egg");
        var created = await client.CreatedAsync(order);
        Assert.Contains(
            created["tally"]!["problems"]!.AsArray(), p => ((string)p!["reason"]!).Contains("Lemon curd", StringComparison.Ordinal));
        Assert.Contains(
            (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["wares"]!.AsArray(),
            w => (string)w!["code"]! == "ingredient.own-lemon-curd");

        var file = await client.GetAsync("/api/fillings/lemon/recipe.json?pieces=24");
        Assert.Equal("application/ld+json", file.Content.Headers.ContentType!.MediaType);
        var text = await file.Content.ReadAsStringAsync();
        var read = (await ReadRecipeAsync(text))["filling"]!;
        Assert.Equal(("Lemon ganache", "Sharp.", 15.0), ((string)read["name"]!, (string)read["note"]!, (double)read["portion"]!));
        Assert.Equal("Melt and stir the curd in.", (string)read["steps"]![0]!["text"]!);

        (await client.DeleteAsync("/api/kitchen/fillings/lemon")).EnsureSuccessStatusCode();
        Assert.DoesNotContain(
            (await client.GetFromJsonAsync<JsonObject>("/api/fillings"))!["fillings"]!.AsArray(), f => (string)f!["code"]! == "lemon");
    }

    [Fact]
    public async Task A_file_without_a_recipe_is_refused_with_a_reason()
    {
        Assert.Contains("file", (await ReadRecipeAsync("{ nothing", HttpStatusCode.BadRequest))["errors"]!.AsObject().Select(e => e.Key));
        Assert.Contains("file", (await ReadRecipeAsync("{}", HttpStatusCode.BadRequest))["errors"]!.AsObject().Select(e => e.Key));
    }

    [Fact]
    public async Task A_recipe_that_cannot_be_is_refused_by_its_field()
    {
        var own = Own("wrong");
        own["makes"] = "cloud";
        own["mix"]![0]!["grams"] = 0;
        var refused = await client.PutAsJsonAsync("/api/kitchen/fillings", own);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Equal(["makes", "mix[0].grams"], (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key).Order());
    }

    [Fact]
    public async Task A_mould_of_ones_own_is_chosen_and_comes_back_as_it_was()
    {
        var mould = new
        {
            code = "cookie-round",
            name = "deep cookie mould",
            kind = "round",
            measures = new { across = 55, deep = 20 },
            flush = true,
            cavities = 6,
            trays = 1
        };
        (await client.PutAsJsonAsync("/api/kitchen/moulds", mould)).EnsureSuccessStatusCode();
        var tally = (await (await client.PostAsJsonAsync("/api/amounts/preview", Orders.Order(Moulded("double")))).ReadAsync())!;
        Assert.DoesNotContain(tally["problems"]!.AsArray(), p => (string)p!["severity"]! == "unfit");
        Assert.Equal(4, (int)Value(tally["lines"]![0]!["moulded"]!["rounds"]));
        Assert.Equal(
            HttpStatusCode.BadRequest, (await client.PutAsJsonAsync("/api/kitchen/moulds", mould with { cavities = 0 })).StatusCode);
        (await client.DeleteAsync("/api/kitchen/moulds/cookie-round")).EnsureSuccessStatusCode();
        Assert.Equal(
            "round cookie mould",
            (string)(await client.GetFromJsonAsync<JsonObject>("/api/reference"))!["moulds"]!.AsArray()
                .Single(m => (string)m!["code"]! == "cookie-round")!["name"]!);
    }

    [Fact]
    public async Task A_figure_can_be_drawn_and_its_parts_are_counted()
    {
        var telescope = (await client.GetFromJsonAsync<JsonObject>("/api/reference"))!["centres"]!.AsArray()
            .Single(c => (string)c!["code"]! == "telescope")!;
        Assert.Equal(["legs", "tube", "lens"], telescope["figure"]!["parts"]!.AsArray().Select(p => (string)p!["code"]!));
        Assert.All(telescope["figure"]!["parts"]!.AsArray(), p => Assert.NotEmpty(p!["rings"]!.AsArray()));
        var line = Orders.Line("telescope", "one", 8, "midnight", 1);
        line["making"] = new JsonObject { ["colours"] = new JsonObject { ["legs"] = "silver" } };
        var created = await client.CreatedAsync(Orders.Order(line));
        Assert.Equal(24, (int)Value(created["tally"]!["lines"]![0]!["parts"]![0]!["tally"]!["count"]));
        var working = await client.PostAsJsonAsync("/api/amounts/working?of=lines[0].parts.legs.perPiece", created);
        Assert.Equal(HttpStatusCode.OK, working.StatusCode);
    }

    [Fact]
    public async Task Another_kitchens_recipes_are_not_seen_and_a_helper_may_not_change_them()
    {
        (await client.PutAsJsonAsync("/api/kitchen/fillings", Own("secret"))).EnsureSuccessStatusCode();
        using var sample = Server.Browser(server.Sample);
        await sample.PostAsJsonAsync("/api/session", new { });
        Assert.DoesNotContain(
            (await sample.GetFromJsonAsync<JsonObject>("/api/fillings"))!["fillings"]!.AsArray(), f => (string)f!["code"]! == "secret");
        Assert.Equal(HttpStatusCode.NotFound, (await sample.GetAsync("/api/fillings/secret/recipe.json")).StatusCode);
        using var nobody = Server.Browser(server.Own);
        Assert.Equal(HttpStatusCode.Unauthorized, (await nobody.GetAsync("/api/fillings")).StatusCode);
        (await client.DeleteAsync("/api/kitchen/fillings/secret")).EnsureSuccessStatusCode();
    }
}

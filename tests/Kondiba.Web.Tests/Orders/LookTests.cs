using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Looks as the API takes them, short to write.</summary>
internal static class Looks
{
    /// <summary>A zigzag and nothing else.</summary>
    public static JsonObject Zigzag(string colour) => new()
    {
        ["dips"] = new JsonArray(),
        ["patterns"] = new JsonArray(new JsonObject
        {
            ["kind"] = "zigzag",
            ["coating"] = "compound-wafer-hot-flow",
            ["colour"] = colour,
            ["lines"] = 9,
            ["spacing"] = null,
            ["bead"] = 1.8,
            ["angle"] = 0,
            ["phase"] = 0,
            ["text"] = null,
        }),
        ["sprinkles"] = new JsonArray(),
        ["parts"] = new JsonArray(),
        ["paint"] = null,
    };

    public static JsonObject Look(string code, string name, string colour = "white") => new()
    {
        ["code"] = code,
        ["name"] = name,
        ["centre"] = "strawberry",
        ["size"] = "L",
        ["coating"] = "compound-wafer-hot-flow",
        ["colour"] = "dark",
        ["depth"] = 0.75,
        ["coats"] = 1,
        ["atOnce"] = false,
        ["upright"] = null,
        ["decor"] = Zigzag(colour),
    };

    public static JsonObject Library(params JsonNode[] looks) =>
        new() { ["format"] = "kondiba-looks", ["version"] = 1, ["looks"] = new JsonArray(looks) };
}

/// <summary>The library of looks and an order's palette, against a real PostgreSQL.</summary>
public sealed class LookTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task A_look_is_kept_says_where_it_is_worn_and_goes()
    {
        (await client.PutAsJsonAsync("/api/looks", Looks.Look("kept", "Kept berry"))).EnsureSuccessStatusCode();
        var line = Orders.Line();
        line["look"] = "Kept berry";
        var order = Orders.Order(line);
        await client.CreatedAsync(order);

        var there = Item(await LibraryAsync(), "kept")!;
        Assert.True(JsonNode.DeepEquals(Looks.Look("kept", "Kept berry"), there["look"]));
        Assert.Equal([(string)order["name"]!], there["usedIn"]!.AsArray().Select(n => (string)n!));

        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync("/api/looks/kept")).StatusCode);
        Assert.Null(Item(await LibraryAsync(), "kept"));
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync("/api/looks/kept")).StatusCode);
    }

    [Fact]
    public async Task A_look_that_cannot_be_made_is_refused_by_its_field()
    {
        var look = Looks.Look("bad", "Bad");
        look["decor"]!["patterns"]![0]!["bead"] = 90;
        var refused = await client.PutAsJsonAsync("/api/looks", look);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains(
            "wider than the coat",
            (string)(await refused.ReadAsync())["errors"]!["decor.patterns[0].bead"]![0]!,
            StringComparison.Ordinal);
        Assert.Null(Item(await LibraryAsync(), "bad"));
    }

    [Fact]
    public async Task A_library_goes_out_and_comes_in_again_whole()
    {
        (await client.PostAsJsonAsync(
            "/api/looks/library", Looks.Library(
                Looks.Look("in-one", "One"), Looks.Look("in-two", "Two", "midnight")))).EnsureSuccessStatusCode();
        var file = await (await client.GetAsync("/api/looks/library")).ReadAsync();
        Assert.Equal("kondiba-looks", (string)file["format"]!);

        using var other = await Server.EnterAsync(server.Sample);
        (await other.PostAsJsonAsync("/api/looks/library", file)).EnsureSuccessStatusCode();
        var taken = await LibraryAsync(other);
        Assert.All(file["looks"]!.AsArray(), look => Assert.True(JsonNode.DeepEquals(look, Item(taken, (string)look!["code"]!)!["look"])));
        Assert.NotNull(Item(taken, "harbour-berry"));
    }

    [Fact]
    public async Task A_file_with_one_bad_look_changes_nothing()
    {
        var bad = Looks.Look("half-b", "Half b");
        bad["colour"] = "octarine";
        var refused = await client.PostAsJsonAsync("/api/looks/library", Looks.Library(Looks.Look("half-a", "Half a"), bad));
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Contains("Half b", (string)(await refused.ReadAsync())["errors"]!["looks[1].colour"]![0]!, StringComparison.Ordinal);
        Assert.Null(Item(await LibraryAsync(), "half-a"));

        var strange = Looks.Library(Looks.Look("half-a", "Half a"));
        strange["format"] = "recipes";
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PostAsJsonAsync("/api/looks/library", strange)).StatusCode);
    }

    [Theory]
    [InlineData("""{"dips": null}""")]
    [InlineData("""{"patterns": [{"kind": "zigzag"}]}""")]
    [InlineData("""{"sprinkles": [{"kind": "nonpareils", "side": "inside", "cover": 1}]}""")]
    [InlineData("""{"parts": "eyes"}""")]
    [InlineData("""{"paint": {"kind": "gold", "cover": "much"}}""")]
    public async Task A_design_that_cannot_be_read_is_refused_and_not_failed_on(string change)
    {
        var line = Orders.Line();
        var decor = Looks.Zigzag("white");
        foreach (var (name, value) in JsonNode.Parse(change)!.AsObject().ToList())
            decor[name] = value?.DeepClone();
        line["decor"] = decor;
        var answer = await client.PostAsJsonAsync("/api/amounts/preview", Orders.Order(line));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal("application/problem+json", answer.Content.Headers.ContentType!.MediaType);
    }

    [Fact]
    public async Task An_empty_place_in_a_design_is_told_and_the_rest_is_computed()
    {
        var line = Orders.Line();
        line["decor"] = Looks.Zigzag("white");
        line["decor"]!["patterns"]!.AsArray().Add(null);
        var tally = await (await client.PostAsJsonAsync("/api/amounts/preview", Orders.Order((JsonObject)line.DeepClone()))).ReadAsync();
        Assert.Equal("lines[0].decor", (string)tally["problems"]!.AsArray().Single()!["field"]!);
        Assert.Single(tally["pots"]!.AsArray());
        var palette = new JsonObject
        {
            ["palette"] = new JsonArray(
            "#24306a", "#bfc5d2"),
            ["lines"] = new JsonArray(line.DeepClone(), null)
        };
        Assert.Empty((await (await client.PostAsJsonAsync("/api/colour/palette", palette)).ReadAsync())["lines"]!.AsArray());
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await client.PostAsJsonAsync("/api/orders", Orders.Order((JsonObject)line.DeepClone()))).StatusCode);
        var look = Looks.Look("gap", "Gap");
        look["decor"] = line["decor"]!.DeepClone();
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsJsonAsync("/api/looks", look)).StatusCode);
    }

    [Theory]
    [InlineData("lines", 1_000_000)]
    [InlineData("lines", -3)]
    [InlineData("bead", 1e300)]
    [InlineData("bead", -1)]
    [InlineData("spacing", 1e-300)]
    [InlineData("angle", 1e9)]
    [InlineData("phase", -0.5)]
    public async Task A_design_out_of_all_bounds_is_told_by_its_field_and_the_rest_is_computed(string field, double value)
    {
        var line = Orders.Line();
        var decor = Looks.Zigzag("white");
        decor["patterns"]![0]![field] = field == "lines" ? JsonValue.Create((int)value) : JsonValue.Create(value);
        line["decor"] = decor;
        var tally = await (await client.PostAsJsonAsync("/api/amounts/preview", Orders.Order(line))).ReadAsync();
        Assert.Contains(
            tally["problems"]!.AsArray(), p => ((string)p!["field"]!).StartsWith("lines[0].decor.patterns[0].", StringComparison.Ordinal));
        Assert.True((double)tally["lines"]![0]!["perPiece"]!["value"]! > 1);
        if (field != "spacing")
            Assert.Equal(
                HttpStatusCode.BadRequest,
                (await client.PostAsJsonAsync("/api/orders", Orders.Order((JsonObject)line.DeepClone()))).StatusCode);
    }

    [Fact]
    public async Task A_figure_of_a_look_says_how_with_the_source_of_each_value()
    {
        var line = Orders.Line();
        line["decor"] = Looks.Zigzag("white");
        var order = Orders.Order(line);
        var working = await (await client.PostAsJsonAsync(
            "/api/amounts/working?of=lines[0].look.patterns[0].mass", order)).Content.ReadFromJsonAsync<JsonArray>();
        Assert.Equal("white zigzag", (string)working![^1]!["what"]!);
        Assert.All(working, step => Assert.NotEmpty((string)step!["source"]!["text"]!));
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PostAsJsonAsync("/api/amounts/working?of=lines[0].look.patterns[9].mass", order)).StatusCode);
    }

    [Fact]
    public async Task What_can_be_chosen_for_a_look_comes_with_samples_and_sources()
    {
        var decor = (await (await client.GetAsync("/api/reference")).ReadAsync())["decor"]!;
        Assert.Equal(12, decor["patterns"]!.AsArray().Count);
        Assert.All(decor["patterns"]!.AsArray(), p => Assert.NotEmpty(p!["sample"]!.AsArray()));
        Assert.All(decor["sprinkles"]!.AsArray(), s => Assert.Equal("estimate", (string)s!["perArea"]!["source"]!["tag"]!));
    }

    [Fact]
    public async Task Another_kitchen_reaches_no_look_of_this_one()
    {
        (await client.PutAsJsonAsync("/api/looks", Looks.Look("secret", "Secret"))).EnsureSuccessStatusCode();
        using var other = await Server.EnterAsync(server.Sample);
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync("/api/looks/secret")).StatusCode);
        Assert.Null(Item(await LibraryAsync(other), "secret"));
    }

    [Fact]
    public async Task A_palette_gives_each_line_colours_whose_drizzle_is_seen()
    {
        var line = Orders.Line();
        line["decor"] = Looks.Zigzag("white");
        var ask = new JsonObject { ["palette"] = new JsonArray("#24306a", "#bfc5d2"), ["lines"] = new JsonArray(line) };
        var palette = await (await client.PostAsJsonAsync("/api/colour/palette", ask)).ReadAsync();
        Assert.Equal("midnight", (string)palette["lines"]![0]!["colour"]!);
        Assert.Equal("silver", (string)palette["lines"]![0]!["patterns"]![0]!);
        ask["palette"] = new JsonArray("#24306a");
        Assert.Contains(
            "2 to 5",
            (string)(await (await client.PostAsJsonAsync("/api/colour/palette", ask)).ReadAsync())["problems"]![0]!["reason"]!,
            StringComparison.Ordinal);
    }

    private async Task<JsonArray> LibraryAsync(HttpClient? of = null) => (await (of ?? client).GetFromJsonAsync<JsonArray>("/api/looks"))!;

    private static JsonNode? Item(JsonArray looks, string code) => looks.FirstOrDefault(l => (string)l!["look"]!["code"]! == code);
}

using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>
/// Whatever is sent, the answer is a clear one: nothing is answered with a server error, and nothing is kept that then is.
/// </summary>
public sealed class BadInputTests(Server server) : IClassFixture<Server>
{
    private static readonly int Tried = int.TryParse(Environment.GetEnvironmentVariable("KONDIBA_BAD_INPUTS"), out var tried)
        ? tried
        : 1200;
    private static readonly int FirstSeed = Environment.GetEnvironmentVariable("KONDIBA_BAD_INPUTS") is null
        ? 20_311
        : Environment.TickCount;

    private readonly HttpClient client = server.WithPlanner().OwnMaker;

    /// <summary>Values that no maker types, as they stand in a body.</summary>
    private static readonly string[] Nasty =
    [
        "null", "\"\"", "\" \"", "\"\\u0000\"", "\"a\\u0000b\"", "\"\\ud800\"", $"\"{new string('x', 300)}\"",
        $"\"{new string('é', 5000)}\"", "0", "-1", "99", "1e308", "-1e308", "1e400", "1e-200", "2147483647", "2147483648", "0.1",
        "true", "[]", "{}", "[null]", "[[]]", "{\"a\": null}", "\"9999-12-31T23:59:59\"", "\"-9998-01-01T00:00:00\"", "\"0001-01-01\"",
        "\"2031-02-30T10:00:00\"", "\"24:00:00\"", "\"../../etc\"", "\"=1+1\"", "\"#gggggg\"",
    ];

    private async Task<List<(HttpMethod Method, string Path, JsonNode Body)>> GoodAsync()
    {
        var things = (await client.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!;
        var order = Orders.Order(Orders.Line(), Moulded());
        var day = (await client.GetFromJsonAsync<JsonObject>("/api/day"))!;
        JsonNode First(string kind) => things[kind]![0]!.DeepClone();
        return
        [
            (HttpMethod.Post, "/api/amounts/preview", order.DeepClone()),
            (HttpMethod.Post, "/api/prep/preview", order.DeepClone()),
            (HttpMethod.Post, "/api/prices/preview", order.DeepClone()),
            (HttpMethod.Post, "/api/orders", order.DeepClone()),
            (HttpMethod.Post, "/api/entry", new JsonObject { ["text"] = "24 strawberries dark for the rowing club, boxes of 6" }),
            (HttpMethod.Put, "/api/kitchen/centres", First("centres")),
            (HttpMethod.Put, "/api/kitchen/coatings", First("coatings")),
            (HttpMethod.Put, "/api/kitchen/moulds", First("moulds")),
            (HttpMethod.Put, "/api/kitchen/places", First("places")),
            (HttpMethod.Put, "/api/kitchen/toppings", KitchenThingsTests.Topping()),
            (HttpMethod.Put, "/api/kitchen/parts", First("parts")),
            (HttpMethod.Put, "/api/kitchen/figures", KitchenThingsTests.Buoy()),
            (HttpMethod.Post, "/api/kitchen/figures/drawing", KitchenThingsTests.Buoy()),
            (HttpMethod.Put, "/api/kitchen/ways", things["shippedWays"]!.DeepClone()),
            (HttpMethod.Put, "/api/kitchen/working", things["working"]!.DeepClone()),
            (HttpMethod.Put, "/api/kitchen/rates", things["shippedRates"]!.DeepClone()),
            (HttpMethod.Put, "/api/kitchen/words", new JsonObject { ["code"] = "tide", ["word"] = "tide", ["means"] = "navy" }),
            (HttpMethod.Put, "/api/day/arranged", new JsonObject
            {
                ["version"] = day["version"]!.DeepClone(),
                ["arranged"] = new JsonObject
                {
                    ["tasks"] = new JsonObject { ["1/dip.0"] = new JsonObject { ["at"] = "2031-05-01T10:00:00", ["notBefore"] = null,
                        ["done"] = null } },
                    ["hours"] = new JsonArray(new JsonObject { ["day"] = "2031-05-02", ["hours"] = null }),
                    ["helpers"] = new JsonArray(new JsonObject { ["day"] = "2031-05-01",
                        ["hours"] = new JsonObject { ["from"] = "10:00:00", ["to"] = "12:30:00" } }),
                    ["places"] = new JsonArray(),
                },
            }),
            (HttpMethod.Post, "/api/pantry/lots",
                new JsonObject { ["id"] = Guid.CreateVersion7(), ["ware"] = "sprinkle.jimmies", ["amount"] = 100, ["pack"] = 100,
                ["price"] = 2.4, ["bestBefore"] = "2032-01-01", ["place"] = "shelf" }),
        ];
    }

    private static JsonObject Moulded()
    {
        var line = Orders.Line("moulded-piece", "cookie", 12, "teal", 1);
        line["making"] = new JsonObject
        {
            ["mould"] = new JsonObject
            {
                ["mould"] = "cookie-round",
                ["insert"] = "sandwich-cookie",
                ["insertSize"] = "thin",
                ["accent"] = new JsonObject { ["coating"] = "compound-wafer-hot-flow", ["colour"] = "white", ["share"] = 0.2 },
                ["features"] = new JsonArray(
                    new JsonObject { ["coating"] = "compound-wafer-hot-flow", ["colour"] = "silver", ["share"] = 0.03 }),
            },
            ["disc"] = new JsonObject { ["across"] = 60, ["coating"] = "compound-wafer-hot-flow", ["colour"] = "silver" },
            ["colours"] = new JsonObject { ["wings"] = "silver" },
        };
        line["decor"] = new JsonObject
        {
            ["dips"] = new JsonArray(),
            ["patterns"] = new JsonArray(new JsonObject
            {
                ["kind"] = "zigzag",
                ["coating"] = "compound-wafer-hot-flow",
                ["colour"] = "white",
                ["lines"] = 9,
                ["spacing"] = null,
                ["bead"] = 1.8,
                ["angle"] = 0,
                ["phase"] = 0,
                ["text"] = null
            }),
            ["sprinkles"] = new JsonArray(new JsonObject { ["kind"] = "jimmies", ["side"] = "front", ["cover"] = 0.2, ["glued"] = false }),
            ["parts"] = new JsonArray(new JsonObject { ["kind"] = "eye", ["count"] = 2, ["pressed"] = false }),
            ["paint"] = new JsonObject { ["kind"] = "gold", ["cover"] = 0.4 },
        };
        return line;
    }

    /// <summary>Every place in a body, by its path.</summary>
    private static IEnumerable<JsonNode> Places(JsonNode node) => node switch
    {
        JsonObject o => o.Where(p => p.Value is not null).SelectMany(p => Places(p.Value!).Prepend(p.Value!)),
        JsonArray a => a.Where(n => n is not null).SelectMany(n => Places(n!).Prepend(n!)),
        _ => [],
    };

    /// <summary>A body with a nasty value in one or two of its places.</summary>
    private static string Spoilt(JsonNode good, Random random)
    {
        var body = good.DeepClone();
        List<(string Mark, string Value)> put = [];
        for (var n = random.Next(1, 3); n > 0; n--)
        {
            var places = Places(body).ToList();
            if (places.Count == 0)
                break;
            var mark = $"~{put.Count}~";
            places[random.Next(places.Count)].ReplaceWith(mark);
            put.Add((mark, Nasty[random.Next(Nasty.Length)]));
        }

        var text = body.ToJsonString();
        foreach (var (mark, value) in put)
            text = text.Replace($"\"{mark}\"", value, StringComparison.Ordinal);
        return text;
    }

    [Fact]
    public async Task Nothing_that_is_sent_is_answered_with_a_server_error()
    {
        var good = await GoodAsync();
        List<string> failed = [];
        for (var i = 0; i < Tried; i++)
        {
            var random = new Random(FirstSeed + i);
            var (method, path, body) = good[i % good.Count];
            var text = Spoilt(body, random);
            using var request = new HttpRequestMessage(
                method, path)
            { Content = new StringContent(text, Encoding.UTF8, "application/json") };
            var answer = await client.SendAsync(request, TestContext.Current.CancellationToken);
            if ((int)answer.StatusCode >= 500)
                failed.Add($"{method} {path}: {(text.Length > 1200 ? text[..1200] : text)}");

            // Nor does anything that was kept break what is read afterwards.
            if (answer.IsSuccessStatusCode && method != HttpMethod.Post)
                foreach (var read in new[] { "/api/kitchen/things", "/api/reference", "/api/day", "/api/pantry" })
                {
                    var there = await client.GetAsync(read, TestContext.Current.CancellationToken);
                    if ((int)there.StatusCode >= 500)
                        Assert.Fail($"{read} answers {there.StatusCode} after {method} {path}: {text}");
                }
        }

        Assert.True(failed.Count == 0, $"{failed.Count} of {Tried}:\n{string.Join('\n', failed.Take(30))}");
    }

    [Theory]
    [InlineData("/api/orders?q=%00")]
    [InlineData("/api/orders?q=%ed%a0%80")]
    [InlineData("/api/orders?skip=2147483647")]
    [InlineData("/api/orders?state=99")]
    [InlineData("/api/shelf?from=9999-12-31")]
    [InlineData("/api/shelf?from=-9998-01-01")]
    [InlineData("/api/days/9999-12-31/shared")]
    [InlineData("/api/shopping?order=%00")]
    [InlineData("/api/fillings/%c3%28/recipe.json")]
    public async Task An_address_that_means_nothing_gets_no_server_error(string path) =>
        Assert.True((int)(await client.GetAsync(path, TestContext.Current.CancellationToken)).StatusCode < 500);

    [Theory]
    [InlineData("{}", "application/json; charset=cloud", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("", "application/json", HttpStatusCode.BadRequest)]
    [InlineData("{\"text\": \"\\u0000\"}", "application/json", HttpStatusCode.BadRequest)]
    [InlineData("{\"text\": \"\\ud800\"}", "application/json", HttpStatusCode.BadRequest)]
    public async Task A_body_that_no_handler_should_see_is_turned_away(string body, string type, HttpStatusCode status)
    {
        using var request = new HttpRequestMessage(
            HttpMethod.Post, "/api/entry")
        { Content = new ByteArrayContent(Encoding.UTF8.GetBytes(body)) };
        request.Content.Headers.TryAddWithoutValidation("Content-Type", type);
        Assert.Equal(status, (await client.SendAsync(request, TestContext.Current.CancellationToken)).StatusCode);
    }
}

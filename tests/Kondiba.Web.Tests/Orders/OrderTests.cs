using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;

namespace Kondiba.Web.Tests;

public sealed class OrderTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    [Fact]
    public async Task A_kept_order_comes_back_with_what_the_preview_said()
    {
        var input = Orders.Order(
            Orders.Line(),
            Orders.Line("pretzel-rod", "one", 1.5, "midnight", 0.33),
            Orders.Line("truffle-ball", "one", 6, "midnight", 1, 2));
        input["pots"] = new JsonObject
        {
            [Orders.Pot(
            "dark")] = new JsonObject { ["vessel"] = "jar", ["thinner"] = "flakes", ["film"] = 1.1 }
        };
        input["margin"] = 0.2;
        input["lines"]![1]!["countedIn"] = "dozens";
        input["lines"]![1]!["upright"] = true;
        input["lines"]![2]!["atOnce"] = true;
        input["lines"]![0]!["look"] = "Harbour berry";
        input["lines"]![0]!["decor"] = Looks.Zigzag("white");
        input["palette"] = new JsonArray("#4a2616", "#f3e7cd");
        var preview = await (await client.PostAsJsonAsync("/api/amounts/preview", input)).ReadAsync();
        var created = await client.CreatedAsync(input);
        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();

        Assert.True(JsonNode.DeepEquals(preview, read["tally"]));
        Assert.True(JsonNode.DeepEquals(input["lines"], read["lines"]));
        Assert.True(JsonNode.DeepEquals(input["pots"], read["pots"]));
        Assert.True(JsonNode.DeepEquals(input["palette"], read["palette"]));
        Assert.True((double)read["tally"]!["lines"]![0]!["look"]!["drizzle"]!["value"]! > 0.1);
        Assert.Equal(0.2, (double)read["margin"]!);
        Assert.Equal(18, (int)read["tally"]!["lines"]![1]!["count"]!["value"]!);
        Assert.Equal((string)input["pickup"]!, (string)read["pickup"]!);
        Assert.Equal((string)input["notes"]!, (string)read["notes"]!);
    }

    [Fact]
    public async Task Saving_replaces_reorders_and_removes_lines()
    {
        var (berries, rods, cookies) = (Orders.Line(), Orders.Line(
            "pretzel-rod", "one", 12, "teal", 0.33), Orders.Line("sandwich-cookie", "thin", 8, "white", 1));
        var created = await client.CreatedAsync(Orders.Order(berries, rods));
        var change = Orders.Order((JsonObject)cookies.DeepClone(), (JsonObject)berries.DeepClone());
        change["version"] = created["version"]!.DeepClone();
        change["pots"] = new JsonObject
        {
            [Orders.Pot(
            "white")] = new JsonObject { ["vessel"] = "bowl", ["thinner"] = null, ["film"] = null }
        };
        var saved = await client.PutAsJsonAsync($"/api/orders/{created["id"]}", change);
        saved.EnsureSuccessStatusCode();

        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();
        Assert.True(JsonNode.DeepEquals(change["lines"], read["lines"]));
        Assert.True(JsonNode.DeepEquals(change["pots"], read["pots"]));
        Assert.Equal((uint)(await saved.ReadAsync())["version"]!, (uint)read["version"]!);
    }

    [Fact]
    public async Task A_change_from_an_old_version_is_refused_and_changes_nothing()
    {
        var line = Orders.Line();
        var created = await client.CreatedAsync(Orders.Order(line));
        var first = Orders.Order((JsonObject)line.DeepClone());
        first["version"] = created["version"]!.DeepClone();
        first["lines"]![0]!["amount"] = 30;
        var second = first.DeepClone();
        second["lines"]![0]!["amount"] = 99;

        (await client.PutAsJsonAsync($"/api/orders/{created["id"]}", first)).EnsureSuccessStatusCode();
        var refused = await client.PutAsJsonAsync($"/api/orders/{created["id"]}", second);
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Equal("application/problem+json", refused.Content.Headers.ContentType!.MediaType);
        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();
        Assert.Equal(30, (int)read["lines"]![0]!["amount"]!);
    }

    [Fact]
    public async Task Asking_twice_under_one_key_makes_one_order()
    {
        var key = Guid.NewGuid().ToString();
        var ids = await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            using var request = new HttpRequestMessage(
                HttpMethod.Post, "/api/orders")
            { Content = JsonContent.Create(Orders.Order(Orders.Line())) };
            request.Headers.Add("Idempotency-Key", key);
            var response = await client.SendAsync(request);
            response.EnsureSuccessStatusCode();
            return (string)(await response.ReadAsync())["id"]!;
        }));
        Assert.Single(ids.Distinct());
    }

    public static TheoryData<string, string> BadOrders => new()
    {
        { """{"name": ""}""", "name" },
        { """{"pickup": "2001-05-03T10:00:00"}""", "pickup" },
        { """{"pickup": null}""", "pickup" },
        { """{"margin": 7}""", "margin" },
        { """{"pots": {"compound-wafer-hot-flow.dark": {"vessel": "thimble"}}}""", "pots.compound-wafer-hot-flow.dark.vessel" },
        { """{"pots": {"compound-wafer-hot-flow.dark": {"thinner": "tap water"}}}""", "pots.compound-wafer-hot-flow.dark.thinner" },
        { """{"pots": {"no such colour": {"vessel": "jar"}}}""", "pots.no such colour" },
        { """{"lines": [{"amount": 0}]}""", "lines[0].amount" },
        { """{"lines": [{"amount": -4}]}""", "lines[0].amount" },
        { """{"lines": [{"amount": 2.5}]}""", "lines[0].amount" },
        { """{"lines": [{"amount": 5000000}]}""", "lines[0].amount" },
        { """{"lines": [{"countedIn": "packs"}]}""", "lines[0].countedIn" },
        { """{"lines": [{"coating": "tar"}]}""", "lines[0].coating" },
        { """{"lines": [{"centre": "pebble"}]}""", "lines[0].centre" },
        { """{"lines": [{"depth": -1}]}""", "lines[0].depth" },
        { """{"lines": [null]}""", "lines[0]" },
        { """{"payments": [{"on": "2031-05-01", "amount": 0}]}""", "payments[0].amount" },
        { """{"payments": [{"on": "2031-05-01", "amount": 12.345}]}""", "payments[0].amount" },
        { """{"payments": [{"on": "2031-05-01", "amount": 5, "note": ""}, null]}""", "payments[1].amount" },
        { """{"payments": [{"on": "2031-05-01", "amount": 79228162514264337593543950335}]}""", "payments[0].amount" },
    };

    [Theory]
    [MemberData(nameof(BadOrders))]
    public async Task What_cannot_be_kept_is_named_by_its_field(string change, string field)
    {
        var order = Orders.Order(Orders.Line());
        foreach (var (name, value) in JsonNode.Parse(change)!.AsObject())
        {
            if (name == "lines" && value![0] is JsonObject line)
                foreach (var (part, to) in line)
                    order["lines"]![0]![part] = to?.DeepClone();
            else
                order[name] = value?.DeepClone();
        }

        var refused = await client.PostAsJsonAsync("/api/orders", order);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        var errors = (await refused.ReadAsync())["errors"]!.AsObject();
        Assert.Equal(field, Assert.Single(errors).Key);
    }

    [Theory]
    [InlineData("{", "/openapi")]
    [InlineData("""{"name": 5}""", "name")]
    [InlineData("""{"version": 0, "name": "x", "pickup": "soon", "notes": "", "lines": [], "pots": {}}""", "pickup")]
    [InlineData("""{"version": 0, "name": "x", "pickup": "2031-05-03T10:00:00", "notes": "", "lines": null, "pots": {}}""", "lines")]
    public async Task What_is_no_order_is_a_bad_request_that_says_where(string body, string where)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        var refused = await client.PostAsync("/api/orders", content);
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Equal("application/problem+json", refused.Content.Headers.ContentType!.MediaType);
        Assert.Contains(where, (string)(await refused.ReadAsync())["detail"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_vessel_too_narrow_can_be_kept_and_is_minded()
    {
        var order = Orders.Order(Orders.Line("apple", "M", 4, "dark", 1), Orders.Line("cake-ball", "one", 6, "dark", 1));
        order["pots"] = new JsonObject { [Orders.Pot("dark")] = new JsonObject { ["vessel"] = "tall-glass" } };
        var created = await client.CreatedAsync(order);
        Assert.Contains(
            created["tally"]!["problems"]!.AsArray(),
            p => (string)p!["field"]! == $"pots.{Orders.Pot("dark")}.vessel" && (string)p["severity"]! == "unfit");
        Assert.Single(created["tally"]!["pots"]!.AsArray());
    }

    [Fact]
    public async Task A_pickup_that_has_passed_since_stays_editable()
    {
        var created = await client.CreatedAsync(Orders.Order(Orders.Line()));
        var id = (Guid)created["id"]!;
        await using (var scope = server.Own.Services.CreateAsyncScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
            await db.Orders.IgnoreQueryFilters()
                .Where(o => o.Id == id)
                .ExecuteUpdateAsync(s => s.SetProperty(o => o.Pickup, new LocalDateTime(2020, 1, 1, 10, 0)));
        }

        var order = await (await client.GetAsync($"/api/orders/{id}")).ReadAsync();
        order["notes"] = "It went well.";
        Assert.Equal(HttpStatusCode.OK, (await client.PutAsJsonAsync($"/api/orders/{id}", order)).StatusCode);
        order["pickup"] = "2020-01-02T10:00:00";
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsJsonAsync($"/api/orders/{id}", order)).StatusCode);
    }

    [Fact]
    public async Task Another_kitchens_order_is_not_there()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        using var other = await Server.EnterAsync(server.Sample);
        var path = $"/api/orders/{order["id"]}";
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.PutAsJsonAsync(path, order)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.PostAsync($"{path}/restore", null)).StatusCode);
        var shelf = await (await other.GetAsync("/api/shelf")).ReadAsync();
        Assert.DoesNotContain(shelf["orders"]!.AsArray(), o => (string)o!["id"]! == (string)order["id"]!);
        Assert.Equal(HttpStatusCode.OK, (await client.GetAsync(path)).StatusCode);
    }

    [Fact]
    public async Task An_order_taken_off_the_shelf_can_be_put_back()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        var path = $"/api/orders/{order["id"]}";
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync(path)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync(path)).StatusCode);
        Assert.False(await OnShelfAsync());
        Assert.Equal(HttpStatusCode.NoContent, (await client.PostAsync($"{path}/restore", null)).StatusCode);
        Assert.True(await OnShelfAsync());

        async Task<bool> OnShelfAsync() =>
            (await (await client.GetAsync("/api/shelf")).ReadAsync())["orders"]!.AsArray()
                .Any(o => (string)o!["id"]! == (string)order["id"]!);
    }

    [Fact]
    public async Task The_shelf_shows_a_fortnight_and_counts_what_lies_beyond()
    {
        var late = Orders.Order(Orders.Line());
        late["pickup"] = Orders.Day(60);
        await client.CreatedAsync(late);
        var now = await (await client.GetAsync("/api/shelf")).ReadAsync();
        Assert.True((int)now["later"]! >= 1);
        var then = await (await client.GetAsync($"/api/shelf?from={Orders.Day(55)[..10]}")).ReadAsync();
        Assert.Single(then["orders"]!.AsArray());
        Assert.Equal(24, (int)then["orders"]![0]!["colours"]![0]!["pieces"]!);
        Assert.Equal("dark", (string)then["coating"]![0]!["colour"]!);
    }

    [Fact]
    public async Task Of_many_saves_at_once_one_wins_and_nothing_is_mixed()
    {
        var created = await client.CreatedAsync(Orders.Order(Orders.Line(), Orders.Line(colour: "teal")));
        var answers = await Task.WhenAll(Enumerable.Range(1, 6).Select(async i =>
        {
            var change = (JsonObject)created.DeepClone();
            change["name"] = $"hand {i}";
            foreach (var line in change["lines"]!.AsArray())
                line!["amount"] = i;
            return (await client.PutAsJsonAsync($"/api/orders/{created["id"]}", change)).StatusCode;
        }));
        Assert.Single(answers, HttpStatusCode.OK);
        Assert.All(answers.Where(a => a != HttpStatusCode.OK), a => Assert.Equal(HttpStatusCode.Conflict, a));

        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();
        var winner = int.Parse(((string)read["name"]!)[5..], System.Globalization.CultureInfo.InvariantCulture);
        Assert.All(read["lines"]!.AsArray(), line => Assert.Equal(winner, (int)line!["amount"]!));
    }

    [Fact]
    public async Task A_line_alone_changed_moves_the_version()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        var before = (uint)order["version"]!;
        order["lines"]![0]!["amount"] = 5;
        var saved = await (await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order)).ReadAsync();
        Assert.NotEqual(before, (uint)saved["version"]!);
    }

    [Fact]
    public async Task Two_lines_of_one_id_are_refused()
    {
        var line = Orders.Line();
        var refused = await client.PostAsJsonAsync("/api/orders", Orders.Order(line, (JsonObject)line.DeepClone()));
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Equal("lines", Assert.Single((await refused.ReadAsync())["errors"]!.AsObject()).Key);
    }

    [Theory]
    [InlineData("lines[0].perPiece", "coating on one piece")]
    [InlineData("lines[0].setting.counter", "handle-hard after")]
    [InlineData("pots.compound-wafer-hot-flow.dark.toMelt", "to melt")]
    public async Task How_a_figure_came_about_ends_with_the_figure(string of, string what)
    {
        var response = await client.PostAsJsonAsync($"/api/amounts/working?of={Uri.EscapeDataString(of)}", Orders.Order(Orders.Line()));
        var lines = (await response.Content.ReadFromJsonAsync<JsonArray>())!;
        Assert.Equal(what, (string)lines[^1]!["what"]!);
        Assert.All(lines, l => Assert.False(string.IsNullOrEmpty((string)l!["source"]!["tag"]!)));
        var unknown = await client.PostAsJsonAsync(
            "/api/amounts/working?of=pots.compound-wafer-hot-flow.gold.toMelt", Orders.Order(Orders.Line()));
        Assert.Equal(HttpStatusCode.NotFound, unknown.StatusCode);
    }

    [Fact]
    public async Task An_address_with_nothing_behind_it_says_so()
    {
        var lost = await client.GetAsync("/api/nothing");
        Assert.Equal(HttpStatusCode.NotFound, lost.StatusCode);
        Assert.Equal("application/problem+json", lost.Content.Headers.ContentType!.MediaType);
    }
}

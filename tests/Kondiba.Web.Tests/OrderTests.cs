using System.Net;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;

namespace Kondiba.Web.Tests;

public sealed class OrderTests(Server server) : IClassFixture<Server>, IAsyncLifetime
{
    private HttpClient client = null!;

    public async ValueTask InitializeAsync() => client = await Server.EnterAsync(server.Own);

    public ValueTask DisposeAsync()
    {
        client.Dispose();
        return ValueTask.CompletedTask;
    }

    [Fact]
    public async Task A_kept_order_comes_back_with_what_the_preview_said()
    {
        var input = Orders.Order(Orders.Line(), Orders.Line("pretzel-rod", "one", 12, "midnight", 0.33), Orders.Line("truffle-ball", "one", 6, "midnight", 1, 2));
        input["vessels"] = new JsonObject { ["dark"] = "jar" };
        var preview = await (await client.PostAsJsonAsync("/api/amounts/preview", input)).ReadAsync();
        var created = await client.CreatedAsync(input);
        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();

        Assert.True(JsonNode.DeepEquals(preview, read["tally"]));
        Assert.True(JsonNode.DeepEquals(input["lines"], read["lines"]));
        Assert.True(JsonNode.DeepEquals(input["vessels"], read["vessels"]));
        Assert.Equal((string)input["pickup"]!, (string)read["pickup"]!);
        Assert.Equal((string)input["notes"]!, (string)read["notes"]!);
    }

    [Fact]
    public async Task Saving_replaces_reorders_and_removes_lines()
    {
        var (berries, rods, cookies) = (Orders.Line(), Orders.Line("pretzel-rod", "one", 12, "teal", 0.33), Orders.Line("sandwich-cookie", "thin", 8, "white", 1));
        var created = await client.CreatedAsync(Orders.Order(berries, rods));
        var change = Orders.Order((JsonObject)cookies.DeepClone(), (JsonObject)berries.DeepClone());
        change["version"] = created["version"]!.DeepClone();
        change["vessels"] = new JsonObject { ["white"] = "bowl" };
        var saved = await client.PutAsJsonAsync($"/api/orders/{created["id"]}", change);
        saved.EnsureSuccessStatusCode();

        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();
        Assert.True(JsonNode.DeepEquals(change["lines"], read["lines"]));
        Assert.True(JsonNode.DeepEquals(change["vessels"], read["vessels"]));
        Assert.Equal((uint)(await saved.ReadAsync())["version"]!, (uint)read["version"]!);
    }

    [Fact]
    public async Task A_change_from_an_old_version_is_refused_and_changes_nothing()
    {
        var line = Orders.Line();
        var created = await client.CreatedAsync(Orders.Order(line));
        var first = Orders.Order((JsonObject)line.DeepClone());
        first["version"] = created["version"]!.DeepClone();
        first["lines"]![0]!["count"] = 30;
        var second = first.DeepClone();
        second["lines"]![0]!["count"] = 99;

        (await client.PutAsJsonAsync($"/api/orders/{created["id"]}", first)).EnsureSuccessStatusCode();
        var refused = await client.PutAsJsonAsync($"/api/orders/{created["id"]}", second);
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Equal("application/problem+json", refused.Content.Headers.ContentType!.MediaType);
        var read = await (await client.GetAsync($"/api/orders/{created["id"]}")).ReadAsync();
        Assert.Equal(30, (int)read["lines"]![0]!["count"]!);
    }

    [Fact]
    public async Task Asking_twice_under_one_key_makes_one_order()
    {
        var key = Guid.NewGuid().ToString();
        var ids = await Task.WhenAll(Enumerable.Range(0, 4).Select(async _ =>
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/orders") { Content = JsonContent.Create(Orders.Order(Orders.Line())) };
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
        { """{"vessels": {"dark": "thimble"}}""", "vessels.dark" },
        { """{"vessels": {"no such colour": "jar"}}""", "vessels.no such colour" },
        { """{"lines": [{"count": 0}]}""", "lines[0].count" },
        { """{"lines": [{"count": -4}]}""", "lines[0].count" },
        { """{"lines": [{"count": 5000000}]}""", "lines[0].count" },
        { """{"lines": [{"centre": "pebble"}]}""", "lines[0].centre" },
        { """{"lines": [{"depth": 0}]}""", "lines[0].depth" },
        { """{"lines": [null]}""", "lines[0]" },
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
    [InlineData("""{"version": 0, "name": "x", "pickup": "soon", "notes": "", "lines": [], "vessels": {}}""", "pickup")]
    [InlineData("""{"version": 0, "name": "x", "pickup": "2031-05-03T10:00:00", "notes": "", "lines": null, "vessels": {}}""", "lines")]
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
        var order = Orders.Order(Orders.Line("apple", "M", 4, "dark", 1), Orders.Line());
        order["vessels"] = new JsonObject { ["dark"] = "tall-glass" };
        var created = await client.CreatedAsync(order);
        Assert.Contains(created["tally"]!["problems"]!.AsArray(), p => (string)p!["field"]! == "vessels.dark" && (string)p["severity"]! == "unfit");
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
            await db.Orders.IgnoreQueryFilters().Where(o => o.Id == id).ExecuteUpdateAsync(s => s.SetProperty(o => o.Pickup, new LocalDateTime(2020, 1, 1, 10, 0)));
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
            (await (await client.GetAsync("/api/shelf")).ReadAsync())["orders"]!.AsArray().Any(o => (string)o!["id"]! == (string)order["id"]!);
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
}

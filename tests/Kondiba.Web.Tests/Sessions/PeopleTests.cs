using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Web.Tests;

/// <summary>Owners and helpers, links that can be taken back, and a kitchen's rows reached from no other.</summary>
public sealed class PeopleTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task A_kitchen_of_ones_own_opens_by_name_and_password_only()
    {
        using var owner = await server.StartKitchenAsync("Quay kitchen");
        Assert.Equal("Quay kitchen", (string)(await owner.GetFromJsonAsync<JsonObject>("/api/kitchen"))!["name"]!);
        Assert.Empty((await owner.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray());

        using var other = Server.Browser(server.Own);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await other.PostAsJsonAsync("/api/session", new { name = "owner of Quay kitchen", password = "a guess at it" })).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await other.GetAsync("/api/kitchen")).StatusCode);
        (await other.PostAsJsonAsync(
            "/api/session", new { name = "Owner of Quay Kitchen", password = Server.Password })).EnsureSuccessStatusCode();
        var session = (await other.GetFromJsonAsync<JsonObject>("/api/session"))!;
        Assert.Equal(("owner of Quay kitchen", "owner"), ((string)session["name"]!, (string)session["role"]!));
    }

    [Fact]
    public async Task Names_are_taken_once_and_a_short_password_is_refused_by_its_field()
    {
        using var owner = await server.StartKitchenAsync("Pier kitchen");
        using var other = Server.Browser(server.Own);
        var taken = await other.PostAsJsonAsync(
            "/api/session/kitchen", new { kitchen = "Another", name = "owner of pier kitchen", password = Server.Password });
        Assert.Contains("name", (await taken.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
        var weak = await other.PostAsJsonAsync("/api/session/kitchen", new { kitchen = "Another", name = "someone", password = "short" });
        Assert.Contains("password", (await weak.ReadAsync())["errors"]!.AsObject().Select(e => e.Key));
        Assert.Equal(HttpStatusCode.Unauthorized, (await other.GetAsync("/api/kitchen")).StatusCode);
    }

    [Fact]
    public async Task Wrong_passwords_lock_the_name_for_a_while_even_for_the_right_one()
    {
        await using var guarded = server.Start(own: true);
        using var owner = Server.Browser(guarded);
        (await owner.PostAsJsonAsync(
            "/api/session/kitchen", new { kitchen = "Locked", name = "locked out", password = Server.Password })).EnsureSuccessStatusCode();
        using var other = Server.Browser(guarded);
        for (var guess = 0; guess < 5; guess++)
            await other.PostAsJsonAsync("/api/session", new { name = "locked out", password = $"guess {guess} at it" });
        var right = await other.PostAsJsonAsync("/api/session", new { name = "locked out", password = Server.Password });
        Assert.Equal(HttpStatusCode.Forbidden, right.StatusCode);
        Assert.Contains("Too many", (string)(await right.ReadAsync())["title"]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_helper_joins_once_sees_no_price_and_changes_none()
    {
        using var owner = await server.StartKitchenAsync("Mole kitchen");
        var priced = Orders.Order(Orders.Line());
        priced["price"] = new JsonObject { ["by"] = "set", ["value"] = 77.5 };
        priced["payments"] = new JsonArray(new JsonObject { ["on"] = "2031-05-01", ["amount"] = 7.5 });
        priced["client"] = "Mole walkers";
        var order = await owner.CreatedAsync(priced);
        var path = (string)(await (await owner.PostAsync("/api/people/invitations", null)).ReadAsync())["path"]!;

        using var helper = Server.Browser(server.Own);
        var join = path.Replace("/join/", "/api/session/join/", StringComparison.Ordinal);
        (await helper.PostAsJsonAsync(join, new { name = "helper at the mole", password = Server.Password })).EnsureSuccessStatusCode();
        using var late = Server.Browser(server.Own);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await late.PostAsJsonAsync(join, new { name = "someone else", password = Server.Password })).StatusCode);

        Assert.Equal("helper", (string)(await helper.GetFromJsonAsync<JsonObject>("/api/session"))!["role"]!);
        var seen = await (await helper.GetAsync($"/api/orders/{order["id"]}")).ReadAsync();
        Assert.Null(seen["price"]);
        Assert.Null(seen["payments"]);
        var history = await helper.GetStringAsync("/api/customers/history?name=mole+walkers");
        Assert.Contains("Tide table supper", history, StringComparison.Ordinal);
        Assert.DoesNotContain("70", JsonNode.Parse(history)!["orders"]![0]!["balance"]?.ToJsonString() ?? "", StringComparison.Ordinal);
        Assert.Null(JsonNode.Parse(history)!["balance"]);
        Assert.True((double)seen["tally"]!["pots"]![0]!["toMelt"]!["value"]! > 0);
        Assert.Equal(0, (double)seen["tally"]!["pots"]![0]!["worth"]!["value"]!);
        Assert.Equal(0, (double)seen["tally"]!["pots"]![0]!["cover"]!["price"]!);
        Assert.All(
            (await helper.GetFromJsonAsync<JsonObject>("/api/pantry"))!["wares"]!.AsArray().SelectMany(w => w!["packs"]!.AsArray()),
            p => Assert.Equal(0, (double)p!["price"]!));
        Assert.DoesNotContain("price", (await helper.GetStringAsync("/api/shopping.csv")).Split("\r\n")[0], StringComparison.Ordinal);
        foreach (var closed in (string[])[
            "/api/people",
            $"/api/orders/{order["id"]}/quote",
            "/api/files/kitchen.json",
            "/api/files/orders.csv",
        ])
            Assert.Equal(HttpStatusCode.Forbidden, (await helper.GetAsync(closed)).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await helper.PostAsJsonAsync("/api/prices/preview", priced)).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await helper.PutAsJsonAsync("/api/kitchen/rates", new { hour = 1 })).StatusCode);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await helper.PostAsJsonAsync("/api/amounts/working?of=pots.compound-wafer-hot-flow.dark.worth", priced)).StatusCode);

        // What a helper saves leaves the price as it was.
        seen["notes"] = "The helper was here.";
        (await helper.PutAsJsonAsync($"/api/orders/{order["id"]}", seen)).EnsureSuccessStatusCode();
        var kept = await (await owner.GetAsync($"/api/orders/{order["id"]}")).ReadAsync();
        Assert.Equal(("The helper was here.", 77.5), ((string)kept["notes"]!, (double)kept["price"]!["value"]!));
        Assert.Equal(7.5, (double)kept["payments"]![0]!["amount"]!);

        var people = (await owner.GetFromJsonAsync<JsonArray>("/api/people"))!;
        Assert.Equal(2, people.Count);
        var them = people.Single(p => (string)p!["role"]! == "helper")!;
        (await owner.DeleteAsync($"/api/people/{them["id"]}")).EnsureSuccessStatusCode();
        Assert.Single((await owner.GetFromJsonAsync<JsonArray>("/api/people"))!);
        Assert.Equal(
            HttpStatusCode.Conflict, (await owner.DeleteAsync($"/api/people/{people.Single(p => (bool)p!["you"]!)!["id"]}")).StatusCode);
    }

    [Fact]
    public async Task Another_kitchens_ids_answer_404_whatever_is_asked()
    {
        using var owner = await server.StartKitchenAsync("Hidden kitchen");
        var order = await owner.CreatedAsync(Orders.Order(Orders.Line()));
        var lot = Guid.CreateVersion7();
        (await owner.PostAsJsonAsync("/api/pantry/lots", new { id = lot, ware = "supply.cup", amount = 10 })).EnsureSuccessStatusCode();
        var movement = (string)(await owner.GetFromJsonAsync<JsonArray>($"/api/pantry/lots/{lot}/movements"))![0]!["id"]!;
        await Server.PriceAllAsync(owner);
        var share = await (await owner.PostAsync($"/api/orders/{order["id"]}/quote/shares", null)).ReadAsync();
        var person = (string)(await owner.GetFromJsonAsync<JsonArray>("/api/people"))![0]!["id"]!;

        using var other = await server.StartKitchenAsync("Curious kitchen");
        var id = (string)order["id"]!;
        foreach (var (verb, path, body) in new (string, string, object?)[]
        {
            ("GET", $"/api/orders/{id}", null), ("PUT", $"/api/orders/{id}", order), ("DELETE", $"/api/orders/{id}", null),
            ("POST", $"/api/orders/{id}/restore", null),
            ("POST", $"/api/orders/{id}/copies", new { name = "mine", pickup = (string?)null, pieces = (int?)null }),
            ("GET", $"/api/orders/{id}/used", null), ("GET", $"/api/orders/{id}/quote", null),
            ("POST", $"/api/orders/{id}/quote/shares", null), ("DELETE", $"/api/orders/{id}/quote/shares/{share["id"]}", null),
            ("GET", $"/api/pantry/lots/{lot}/movements", null),
            ("POST", $"/api/pantry/lots/{lot}/movements", new { kind = "used", amount = 1 }),
            ("DELETE", $"/api/pantry/movements/{movement}", null), ("DELETE", $"/api/people/{person}", null),
        })
        {
            using var request = new HttpRequestMessage(new(verb), path) { Content = body is null ? null : JsonContent.Create(body) };
            Assert.Equal((path, HttpStatusCode.NotFound), (path, (await other.SendAsync(request)).StatusCode));
        }

        Assert.Empty((await other.GetFromJsonAsync<JsonObject>("/api/orders?q=tide"))!["orders"]!.AsArray());
        Assert.Empty((await other.GetFromJsonAsync<JsonObject>($"/api/shopping?order={id}"))!["orders"]!.AsArray());
        Assert.DoesNotContain("Tide table", await other.GetStringAsync("/api/files/kitchen.json"), StringComparison.Ordinal);
        Assert.Equal("Tide table supper", (string)(await (await owner.GetAsync($"/api/orders/{id}")).ReadAsync())["name"]!);
    }

    [Fact]
    public async Task A_shared_quote_is_read_by_its_link_tells_no_cost_and_can_be_taken_back()
    {
        using var owner = await server.StartKitchenAsync("Sharing kitchen");
        await Server.PriceAllAsync(owner);
        var order = await owner.CreatedAsync(Orders.Order(Orders.Line()));
        var share = await (await owner.PostAsync($"/api/orders/{order["id"]}/quote/shares", null)).ReadAsync();
        var link = ((string)share["path"]!).Replace("/q/", "/api/quotes/", StringComparison.Ordinal);

        using var anyone = Server.Browser(server.Own);
        var text = await anyone.GetStringAsync(link);
        var quote = JsonNode.Parse(text)!["quote"]!;
        Assert.Equal("Tide table supper", (string)quote["name"]!);
        Assert.True((double)quote["price"]! > 0);
        Assert.DoesNotContain("cost", text, StringComparison.OrdinalIgnoreCase);
        Assert.Equal(HttpStatusCode.NotFound, (await anyone.GetAsync("/api/quotes/0123456789")).StatusCode);

        // As it was when it was shared, whatever became of the order.
        order["name"] = "Renamed";
        (await owner.PutAsJsonAsync($"/api/orders/{order["id"]}", order)).EnsureSuccessStatusCode();
        Assert.Equal(text, await anyone.GetStringAsync(link));
        (await owner.DeleteAsync($"/api/orders/{order["id"]}/quote/shares/{share["id"]}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await anyone.GetAsync(link)).StatusCode);
    }

    [Fact]
    public async Task A_changed_password_is_the_one_that_opens()
    {
        using var owner = await server.StartKitchenAsync("Changing kitchen");
        Assert.Equal(
            HttpStatusCode.BadRequest,
            (await owner.PutAsJsonAsync("/api/session/password", new { old = "not it at all", @new = "another long one" })).StatusCode);
        (await owner.PutAsJsonAsync(
            "/api/session/password", new { old = Server.Password, @new = "another long one" })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await owner.GetAsync("/api/kitchen")).StatusCode);
        using var other = Server.Browser(server.Own);
        Assert.Equal(
            HttpStatusCode.Forbidden,
            (await other.PostAsJsonAsync(
                "/api/session", new { name = "owner of Changing kitchen", password = Server.Password })).StatusCode);
    }

    /// <summary>
    /// After a changed password, or removed, another device is signed out: it is told so, can sign out, and its cookie is gone.
    /// </summary>
    [Fact]
    public async Task Another_device_is_signed_out_in_peace_after_a_changed_password_and_when_removed()
    {
        await using var strict = server.Own.WithWebHostBuilder(host => host.ConfigureServices(services => services.Configure<SecurityStampValidatorOptions>(
            o => o.ValidationInterval = TimeSpan.Zero)));
        using var first = Server.Browser(strict);
        (await first.PostAsJsonAsync(
            "/api/session/kitchen",
            new { kitchen = "Two devices", name = "tide keeper", password = Server.Password })).EnsureSuccessStatusCode();
        using var second = Server.Browser(strict);
        (await second.PostAsJsonAsync("/api/session", new { name = "tide keeper", password = Server.Password })).EnsureSuccessStatusCode();
        (await first.PutAsJsonAsync(
            "/api/session/password", new { old = Server.Password, @new = "another whisk and bowl" })).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.OK, (await first.GetAsync("/api/kitchen")).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await second.GetAsync("/api/kitchen")).StatusCode);
        Assert.False((bool)(await (await second.GetAsync("/api/session")).ReadAsync())["signedIn"]!);
        Assert.Equal(HttpStatusCode.NoContent, (await second.DeleteAsync("/api/session")).StatusCode);

        var path = (string)(await (await first.PostAsJsonAsync("/api/people/invitations", new { })).ReadAsync())["path"]!;
        using var helper = Server.Browser(strict);
        (await helper.PostAsJsonAsync(
            $"/api/session{path}", new { name = "spare hands", password = Server.Password })).EnsureSuccessStatusCode();
        var people = (await first.GetFromJsonAsync<JsonArray>("/api/people"))!;
        (await first.DeleteAsync(
            $"/api/people/{people.Single(p => (string)p!["name"]! == "spare hands")!["id"]}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.Unauthorized, (await helper.GetAsync("/api/kitchen")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await helper.DeleteAsync("/api/session")).StatusCode);
    }

    [Fact]
    public async Task A_write_without_the_sessions_form_is_turned_away()
    {
        using var owner = await server.StartKitchenAsync("Formal kitchen");
        using var bare = server.Own.CreateClient();
        Assert.Equal(HttpStatusCode.Forbidden, (await bare.PostAsJsonAsync("/api/session", new { key = Server.Key })).StatusCode);
        var entered = await bare.GetAsync($"/enter?key={Uri.EscapeDataString(Server.Key)}");
        Assert.True(entered.IsSuccessStatusCode);
        Assert.Equal(HttpStatusCode.OK, (await bare.GetAsync("/api/kitchen")).StatusCode);
        var turned = await bare.PatchAsJsonAsync("/api/kitchen", new { units = "us" });
        Assert.Equal(HttpStatusCode.Forbidden, turned.StatusCode);
        Assert.Equal("stale", turned.Headers.GetValues("X-Kondiba-Form").Single());
    }

    [Fact]
    public async Task The_sample_kitchen_can_be_made_anew_and_no_other()
    {
        using var sample = Server.Browser(server.Sample);
        await sample.PostAsJsonAsync("/api/session", new { });
        var shelf = (await sample.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray();
        foreach (var order in shelf.Take(2))
            await sample.DeleteAsync($"/api/orders/{order!["id"]}");
        Assert.Equal(3, (await sample.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray().Count);
        (await sample.PostAsync("/api/kitchen/reset", null)).EnsureSuccessStatusCode();
        Assert.Equal(5, (await sample.GetFromJsonAsync<JsonObject>("/api/shelf"))!["orders"]!.AsArray().Count);
        Assert.Equal(HttpStatusCode.Conflict, (await server.OwnMaker.PostAsync("/api/kitchen/reset", null)).StatusCode);
    }

    /// <summary>A basket ticked off in one kitchen was sent to the next that the browser signed in to.</summary>
    [Fact]
    public async Task What_a_browser_puts_by_is_each_persons_of_each_kitchen()
    {
        static async Task<string?> PutByAsync(HttpClient client) =>
            (string?)(await client.GetFromJsonAsync<JsonObject>("/api/session"))!["putBy"];

        using var pier = await server.StartKitchenAsync("Pier kitchen put by");
        using var quay = await server.StartKitchenAsync("Quay kitchen put by");
        using var again = Server.Browser(server.Own);
        Assert.Null(await PutByAsync(again));
        (await again.PostAsJsonAsync(
            "/api/session", new { name = "owner of Pier kitchen put by", password = Server.Password })).EnsureSuccessStatusCode();
        var (ofPier, ofQuay) = (await PutByAsync(pier), await PutByAsync(quay));
        Assert.NotNull(ofPier);
        Assert.NotEqual(ofPier, ofQuay);
        Assert.Equal(ofPier, await PutByAsync(again));
    }
}

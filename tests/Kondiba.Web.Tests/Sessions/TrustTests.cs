using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Web.Hosting;
using Npgsql;

namespace Kondiba.Web.Tests;

/// <summary>What an attacker tries first, and what happens while the database is away.</summary>
public sealed class TrustTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task A_copied_cookie_opens_nothing_after_sign_out()
    {
        using var client = server.Own.CreateClient(new() { HandleCookies = false });
        var cookie = await CookieByKeyAsync();
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(client, HttpMethod.Get, "/api/kitchen", cookie)).StatusCode);

        var session = await SendAsync(client, HttpMethod.Get, "/api/session", cookie);
        var form = (string)(await session.ReadAsync())["form"]!;
        var both = $"{cookie}; {CookieOf(session, "kondiba-form")}";
        Assert.Equal(HttpStatusCode.NoContent, (await SendAsync(client, HttpMethod.Delete, "/api/session", both, form)).StatusCode);
        Assert.Equal(HttpStatusCode.Unauthorized, (await SendAsync(client, HttpMethod.Get, "/api/kitchen", cookie)).StatusCode);
    }

    [Fact]
    public async Task A_new_key_ends_the_sign_ins_of_the_old_one_and_no_others()
    {
        var byKey = await CookieByKeyAsync();
        using var owner = Server.Browser(server.Own);
        await owner.GetAsync($"/enter?key={Uri.EscapeDataString(Server.Key)}");
        var byName = CookieOf(
            await owner.PostAsJsonAsync(
                "/api/session/kitchen", new { kitchen = "Keyless kitchen", name = "keyless keeper", password = Server.Password }),
            "kondiba");

        await using var later = server.Own.WithWebHostBuilder(host => host.UseSetting("Kondiba:Key", "another key"));
        using var client = later.CreateClient(new() { HandleCookies = false });
        Assert.Equal(HttpStatusCode.Unauthorized, (await SendAsync(client, HttpMethod.Get, "/api/kitchen", byKey)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await SendAsync(client, HttpMethod.Get, "/api/kitchen", byName)).StatusCode);
    }

    [Theory]
    [InlineData("1234567890")]
    [InlineData("qwertyuiop1")]
    [InlineData("passwordpassword")]
    [InlineData("abcdefgh98765")]
    [InlineData("lantern keeper")]
    public async Task A_password_that_is_tried_first_is_refused_with_a_reason(string password)
    {
        using var client = Server.Browser(server.Own);
        var answer = await client.PostAsJsonAsync(
            "/api/session/kitchen", new { kitchen = "Guessed kitchen", name = "lantern keeper", password });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(
            "first that anyone would try", (string)(await answer.ReadAsync())["errors"]!["password"]![0]!, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Too_many_wrong_old_passwords_are_counted_and_too_many_tries_say_when_to_come_back()
    {
        await using var fresh = server.Own.WithWebHostBuilder(_ => { });
        using var owner = Server.Browser(fresh);
        (await owner.PostAsJsonAsync(
            "/api/session/kitchen",
            new { kitchen = "Counting kitchen", name = "counting keeper", password = Server.Password })).EnsureSuccessStatusCode();
        for (var i = 0; i < 5; i++)
            await owner.PutAsJsonAsync("/api/session/password", new { old = "not this one", @new = "a sail and a rope" });
        var locked = await owner.PutAsJsonAsync("/api/session/password", new { old = Server.Password, @new = "a sail and a rope" });
        Assert.Contains("Too many wrong passwords", await locked.Content.ReadAsStringAsync(), StringComparison.Ordinal);

        HttpResponseMessage? refused = null;
        for (var i = 0; i < 40 && refused is null; i++)
        {
            var answer = await owner.PostAsJsonAsync("/api/session", new { key = "wrong" });
            refused = answer.StatusCode is HttpStatusCode.TooManyRequests ? answer : null;
        }

        Assert.Equal(60, refused!.Headers.RetryAfter!.Delta!.Value.TotalSeconds);
        Assert.Equal("Too many tries.", (string)(await refused.ReadAsync())["title"]!);
    }

    [Fact]
    public async Task No_cell_of_a_csv_is_a_formula_and_it_comes_back_as_it_was()
    {
        using var owner = await server.StartKitchenAsync("Formula kitchen");
        string[] names = ["=2+3", "+44 harbour", "-1", "@pier", "'=quoted", "plain"];
        foreach (var name in names)
        {
            var order = Orders.In(9, Orders.Line());
            order["name"] = name;
            await owner.CreatedAsync(order);
        }

        var csv = await owner.GetStringAsync("/api/files/orders.csv");
        Assert.All(names[..4], name => Assert.Contains($"'{name}", csv, StringComparison.Ordinal));
        Assert.DoesNotMatch(@"(^|,|\n)""?[=+@-]", csv);
        using var other = await server.StartKitchenAsync("Second formula kitchen");
        (await other.PostAsJsonAsync("/api/files/orders?apply=true", new { text = csv })).EnsureSuccessStatusCode();
        var back = (await other.GetFromJsonAsync<JsonObject>("/api/orders"))!["orders"]!.AsArray().Select(o => (string)o!["name"]!);
        Assert.Equal(names.Order(StringComparer.Ordinal), back.Order(StringComparer.Ordinal));
    }

    [Fact]
    public async Task The_quote_of_a_removed_order_is_gone()
    {
        using var owner = await server.StartKitchenAsync("Quoting kitchen");
        await Server.PriceAllAsync(owner);
        var order = await owner.CreatedAsync(Orders.In(9, Orders.Line()));
        var share = await (await owner.PostAsync($"/api/orders/{order["id"]}/quote/shares", null)).ReadAsync();
        var path = $"/api/quotes/{((string)share["path"]!).Split('/')[^1]}";
        using var customer = Server.Browser(server.Own);
        Assert.Equal(HttpStatusCode.OK, (await customer.GetAsync(path)).StatusCode);
        (await owner.DeleteAsync($"/api/orders/{order["id"]}")).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.NotFound, (await customer.GetAsync(path)).StatusCode);
    }

    /// <summary>
    /// The database turns everyone away for a while, as one that is stopped or starting does, and then lets them in again.
    /// </summary>
    [Fact]
    public async Task While_the_database_is_away_answers_are_503_with_when_to_come_back_and_then_it_goes_on()
    {
        using var apart = new Server();
        var owner = apart.OwnMaker;
        var order = await owner.CreatedAsync(Orders.In(9, Orders.Line()));
        var name = new NpgsqlConnectionStringBuilder(apart.Connection).Database!;
        await LetInAsync(false);
        foreach (var path in (string[])["/api/kitchen", "/api/orders", $"/api/orders/{order["id"]}", "/api/pantry", "/api/session"])
        {
            var answer = await owner.GetAsync(path);
            Assert.Equal((HttpStatusCode.ServiceUnavailable, path), (answer.StatusCode, path));
            Assert.Equal(5, answer.Headers.RetryAfter!.Delta!.Value.TotalSeconds);
            Assert.Contains("Try again in a moment", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }

        Assert.Equal(
            HttpStatusCode.ServiceUnavailable, (await owner.PostAsJsonAsync("/api/orders", Orders.In(9, Orders.Line()))).StatusCode);
        await LetInAsync(true);
        Assert.Equal(HttpStatusCode.OK, (await owner.GetAsync($"/api/orders/{order["id"]}")).StatusCode);

        async Task LetInAsync(bool lets)
        {
            NpgsqlConnection.ClearAllPools();
            await using var admin = NpgsqlDataSource.Create(
                new NpgsqlConnectionStringBuilder(apart.Connection) { Database = "postgres", Pooling = false });
            await using var allow = admin.CreateCommand($"ALTER DATABASE \"{name}\" ALLOW_CONNECTIONS {lets}");
            await allow.ExecuteNonQueryAsync();
            await using var end = admin.CreateCommand(
                $"SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = '{name}' AND NOT {lets}");
            await end.ExecuteNonQueryAsync();
        }
    }

    [Fact]
    public async Task A_database_of_a_newer_version_is_not_touched()
    {
        using var apart = new Server();
        await using (var source = NpgsqlDataSource.Create(apart.Connection))
        await using (var newer = source.CreateCommand("INSERT INTO \"__EFMigrationsHistory\" VALUES ('29991231235959_Later', '99.0')"))
            await newer.ExecuteNonQueryAsync();
        var error = await Assert.ThrowsAsync<NotSupportedException>(() => Startup.PrepareAsync(apart.Own.Services));
        Assert.Contains("29991231235959_Later", error.Message, StringComparison.Ordinal);
    }

    private async Task<string> CookieByKeyAsync()
    {
        using var browser = server.Own.CreateDefaultClient();
        return CookieOf(await browser.GetAsync($"/enter?key={Uri.EscapeDataString(Server.Key)}"), "kondiba");
    }

    private static string CookieOf(HttpResponseMessage answer, string name) => answer.Headers.GetValues("Set-Cookie")
        .Single(c => c.StartsWith($"{name}=", StringComparison.Ordinal)).Split(';')[0];

    private static Task<HttpResponseMessage> SendAsync(HttpClient client, HttpMethod method, string path, string cookie, string? form = null)
    {
        var request = new HttpRequestMessage(method, path);
        request.Headers.Add("Cookie", cookie);
        if (form is not null)
            request.Headers.Add("X-Kondiba-Form", form);
        return client.SendAsync(request);
    }
}

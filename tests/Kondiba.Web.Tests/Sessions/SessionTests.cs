using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Web.Tests;

public sealed class SessionTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task Nothing_but_the_door_answers_before_sign_in()
    {
        using var client = Server.Browser(server.Sample);
        var document = await client.GetFromJsonAsync<JsonObject>("/openapi/v1.json");
        var asked = 0;
        foreach (var (path, operations) in document!["paths"]!.AsObject()
            .Where(p => !p.Key.StartsWith("/api/session", StringComparison.Ordinal)
                && p.Key is not ("/api/quotes/{secret}" or "/api/quotes/{secret}/acceptance" or "/api/feeds/{secret}.ics"
                    or "/api/ingredients/{id}")))
        {
            foreach (var (verb, _) in operations!.AsObject())
            {
                using var request = new HttpRequestMessage(
                    new(verb.ToUpperInvariant()),
                    path.Replace("{id}", Guid.NewGuid().ToString(), StringComparison.Ordinal)
                        .Replace("{share}", Guid.NewGuid().ToString(), StringComparison.Ordinal))
                {
                    Content = verb is "post" or "put" or "patch" ? JsonContent.Create(Orders.Order()) : null,
                };
                Assert.Equal(HttpStatusCode.Unauthorized, (await client.SendAsync(request)).StatusCode);
                asked++;
            }
        }

        Assert.True(asked >= 9);
    }

    [Fact]
    public async Task The_printed_address_opens_and_a_wrong_key_does_not()
    {
        using var client = Server.Browser(server.Own, follow: false);
        await client.GetAsync("/enter?key=wrong");
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.GetAsync("/api/kitchen")).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await client.PostAsJsonAsync("/api/session", new { key = "" })).StatusCode);

        var entered = await client.GetAsync($"/enter?key={Uri.EscapeDataString(Server.Key)}");
        Assert.Equal("/", entered.Headers.Location!.ToString());
        var cookie = Assert.Single(entered.Headers.GetValues("Set-Cookie"));
        Assert.Contains("samesite=strict", cookie, StringComparison.Ordinal);
        Assert.Contains("httponly", cookie, StringComparison.Ordinal);
        var kitchen = await (await client.GetAsync("/api/kitchen")).ReadAsync();
        Assert.False((bool)kitchen["isSample"]!);

        await client.DeleteAsync("/api/session");
        Assert.Equal(HttpStatusCode.Unauthorized, (await client.GetAsync("/api/kitchen")).StatusCode);
    }

    [Fact]
    public async Task The_sample_kitchen_opens_without_a_key_and_has_five_orders_that_compute()
    {
        using var client = Server.Browser(server.Sample);
        await client.PostAsJsonAsync("/api/session", new { });
        var shelf = await (await client.GetAsync("/api/shelf")).ReadAsync();
        var orders = shelf["orders"]!.AsArray();
        Assert.Equal(5, orders.Count);
        foreach (var order in orders)
        {
            var whole = await (await client.GetAsync($"/api/orders/{order!["id"]}")).ReadAsync();
            Assert.DoesNotContain(whole["tally"]!["problems"]!.AsArray(), p => (string)p!["severity"]! != "mind");
            Assert.NotEmpty(whole["tally"]!["pots"]!.AsArray());
        }
    }

    [Fact]
    public async Task Starting_again_makes_no_second_sample_and_the_model_is_the_migrated_one()
    {
        await using var again = server.Start(own: false);
        await using var scope = again.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        Assert.Equal(1, await db.Kitchens.IgnoreQueryFilters().CountAsync(k => k.IsSample));
        Assert.Equal(8, await db.Orders.IgnoreQueryFilters().CountAsync(o => o.CreationKey == null && o.Name != "Tide table supper"));
        Assert.False(db.Database.HasPendingModelChanges());
    }

    [Fact]
    public async Task Writes_from_another_site_and_strange_hosts_are_turned_away()
    {
        var client = server.OwnMaker;
        using var request = new HttpRequestMessage(HttpMethod.Patch, "/api/kitchen") { Content = JsonContent.Create(new { units = "us" }) };
        request.Headers.Add("Sec-Fetch-Site", "cross-site");
        Assert.Equal(HttpStatusCode.Forbidden, (await client.SendAsync(request)).StatusCode);

        using var strange = new HttpRequestMessage(HttpMethod.Get, "/api/session");
        strange.Headers.Host = "elsewhere.example";
        Assert.Equal(HttpStatusCode.BadRequest, (await client.SendAsync(strange)).StatusCode);
    }

    [Fact]
    public async Task Every_answer_carries_the_guards()
    {
        using var client = Server.Browser(server.Sample);
        var answer = await client.GetAsync("/api/session");
        Assert.Contains("default-src 'self'", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.DoesNotContain("unsafe", answer.Headers.GetValues("Content-Security-Policy").Single(), StringComparison.Ordinal);
        Assert.Equal("nosniff", answer.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Equal("no-store", answer.Headers.CacheControl!.ToString());
    }

    [Fact]
    public async Task Units_are_kept_with_the_kitchen()
    {
        var client = server.OwnMaker;
        (await client.PatchAsJsonAsync("/api/kitchen", new { units = "us" })).EnsureSuccessStatusCode();
        Assert.Equal("us", (string)(await (await client.GetAsync("/api/kitchen")).ReadAsync())["units"]!);
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PatchAsJsonAsync("/api/kitchen", new { units = "stone" })).StatusCode);
    }

    [Fact]
    public async Task Guessing_at_the_key_is_slowed()
    {
        await using var guarded = server.Start(own: true);
        using var client = Server.Browser(guarded);
        var answers = new List<HttpStatusCode>();
        for (var guess = 0; guess < 40; guess++)
            answers.Add((await client.PostAsJsonAsync("/api/session", new { key = $"guess {guess}" })).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, answers[0]);
        Assert.Equal(HttpStatusCode.TooManyRequests, answers[^1]);
    }
}

using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>What is computed is said at the edge: the same result is another sentence for another reader, and the same code.</summary>
public sealed class VoiceTests(Server server) : IClassFixture<Server>
{
    private readonly HttpClient client = server.OwnMaker;

    private async Task<(string Code, string Says)> DepthAsync()
    {
        var order = Orders.Order(Orders.Line());
        order["lines"]![0]!["depth"] = 1.4;
        var tally = (await (await client.PostAsJsonAsync("/api/amounts/preview", order)).Content.ReadFromJsonAsync<JsonObject>())!;
        var problem = tally["problems"]!.AsArray().Single(p => (string)p!["field"]! == "lines[0].depth")!;
        return ((string)problem["code"]!, (string)problem["remedy"]!);
    }

    [Fact]
    public async Task A_kitchen_reads_in_its_own_English_and_units()
    {
        Assert.Equal(
            ("amounts.piece-dipped-somewhere-between", "Enter 1% to 100%, or 0% for an undipped piece."),
            await DepthAsync());
        var before = await PotAsync();
        (await client.PatchAsJsonAsync("/api/kitchen", new { units = "us", language = "american" })).EnsureSuccessStatusCode();
        var after = await PotAsync();
        Assert.Equal(
            before.Select(l => ((string)l!["code"]!, (double)l["value"]!, (string)l["unit"]!)),
            after.Select(l => ((string)l!["code"]!, (double)l["value"]!, (string)l["unit"]!)));
        Assert.Contains(before, l => ((string)l!["formula"]!).Contains(" g", StringComparison.Ordinal));
        Assert.Contains(after, l => ((string)l!["formula"]!).Contains(" oz", StringComparison.Ordinal));
        Assert.Contains(before, l => ((string)l!["what"]!).Contains("colour", StringComparison.Ordinal));
        Assert.DoesNotContain(after, l => ((string)l!["what"]!).Contains("colour", StringComparison.Ordinal));
        (await client.PatchAsJsonAsync("/api/kitchen", new { units = "metric", language = "british" })).EnsureSuccessStatusCode();
        Assert.Equal(before.ToJsonString(), (await PotAsync()).ToJsonString());
    }

    [Fact]
    public async Task Units_are_each_persons_own_and_place_and_currency_the_kitchens()
    {
        using var owner = await server.StartKitchenAsync("Reading kitchen");
        var invited = (string)(await (await owner.PostAsync("/api/people/invitations", null)).ReadAsync())["path"]!;
        using var helper = Server.Browser(server.Own);
        (await helper.PostAsJsonAsync(
            invited.Replace("/join/", "/api/session/join/", StringComparison.Ordinal),
            new { name = "Reading helper", password = Server.Password })).EnsureSuccessStatusCode();
        (await owner.PatchAsJsonAsync("/api/session", new { units = "us" })).EnsureSuccessStatusCode();
        Assert.Equal(("us", "metric"), (await UnitsAsync(owner), await UnitsAsync(helper)));
        (await owner.PatchAsJsonAsync("/api/kitchen", new { locale = "de-DE", currency = "CHF" })).EnsureSuccessStatusCode();
        var reader = (await helper.GetFromJsonAsync<JsonObject>("/api/session"))!["reader"]!;
        Assert.Equal(("de-DE", "CHF"), ((string)reader["locale"]!, (string)reader["currency"]!));
        var refused = await owner.PatchAsJsonAsync("/api/kitchen", new { locale = "xx-XX", currency = "XXX" });
        Assert.Equal(["currency", "locale"], (await refused.ReadAsync())["errors"]!.AsObject().Select(e => e.Key).Order());
        Assert.Equal(HttpStatusCode.Forbidden, (await helper.PatchAsJsonAsync("/api/kitchen", new { currency = "USD" })).StatusCode);
    }

    private static async Task<string> UnitsAsync(HttpClient client) =>
        (string)(await client.GetFromJsonAsync<JsonObject>("/api/session"))!["reader"]!["units"]!;

    private async Task<JsonArray> PotAsync()
    {
        var order = Orders.Order(Orders.Line());
        order["lines"]![0]!["amount"] = 300;
        var tally = (await (await client.PostAsJsonAsync("/api/amounts/preview", order)).Content.ReadFromJsonAsync<JsonObject>())!;
        var pot = (string)tally["pots"]![0]!["key"]!;
        List<JsonNode?> lines = [];
        foreach (var figure in new[] { "toMelt", "onPieces" })
            lines.AddRange(
                (await (await client.PostAsJsonAsync(
                    $"/api/amounts/working?of=pots.{pot}.{figure}", order)).Content.ReadFromJsonAsync<JsonArray>())!);
        return new([.. lines.Select(l => l!.DeepClone())]);
    }
}

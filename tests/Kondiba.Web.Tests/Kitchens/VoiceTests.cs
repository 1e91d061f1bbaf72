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
            ("amounts.piece-dipped-somewhere-between", "Type a share between 1 % and 100 %, or 0 % for a bare piece."),
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

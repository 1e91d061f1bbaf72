using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>What probes and scales send: each reading once, what cannot be believed set apart with the reason, and nobody else's.</summary>
public sealed class DeviceTests(Server server) : IClassFixture<Server>
{
    private readonly Server server = server.WithPlanner();

    private static DateTime Now => DateTime.UtcNow;

    private static async Task<(string Id, string Token)> MakeAsync(HttpClient client, string kind = "probe", string name = "blue probe")
    {
        var answer = await client.PostAsJsonAsync("/api/devices", new { kind, name });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        var made = await answer.ReadAsync();
        return ((string)made["id"]!, (string)made["token"]!);
    }

    private static object Read(DateTime at, double value, string unit = "°C") => new { at = at.ToString("o"), value, unit };

    private HttpClient Device(string token)
    {
        var device = server.Own.CreateClient();
        device.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", token);
        return device;
    }

    private static async Task<JsonObject> SendAsync(HttpClient device, params object[] readings)
    {
        var answer = await device.PostAsJsonAsync("/api/readings", new { readings });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return await answer.ReadAsync();
    }

    private static async Task<JsonArray> DevicesAsync(HttpClient client) => (await client.GetFromJsonAsync<JsonArray>("/api/devices"))!;

    [Fact]
    public async Task Each_reading_is_there_once_and_what_cannot_be_believed_is_set_apart_with_the_reason()
    {
        using var client = await server.StartKitchenAsync("Reads");
        var (_, token) = await MakeAsync(client);
        using var device = Device(token);
        var now = Now;
        var sent = await SendAsync(
            device,
            Read(now.AddSeconds(-2), 35.2),
            Read(now.AddSeconds(-3), 95.0, "°F"),
            Read(now.AddSeconds(-1), 20, "g"),
            Read(now.AddSeconds(-1), 900),
            Read(now.AddHours(1), 35),
            Read(now.AddDays(-2), 35));
        Assert.Equal(2, (int)sent["kept"]!);
        Assert.Equal(["unit", "range", "future", "old"], sent["apart"]!.AsArray().Select(a => (string)a!["why"]!));
        Assert.Equal([2, 3, 4, 5], sent["apart"]!.AsArray().Select(a => (int)a!["index"]!));
        Assert.StartsWith("This unit doesn’t fit the device", (string)sent["apart"]![0]!["says"]!, StringComparison.Ordinal);

        // Sent again, and out of turn: the latest one stays the latest.
        sent = await SendAsync(device, Read(now.AddSeconds(-2), 35.2), Read(now.AddSeconds(-30), 40));
        Assert.Equal((1, 1), ((int)sent["kept"]!, (int)sent["doubled"]!));
        var seen = (await DevicesAsync(client)).Single()!;
        Assert.Equal((35.2, 4, "old"), ((double)seen["last"]!, (int)seen["apart"]!, (string)seen["apartWhy"]!));
    }

    [Fact]
    public async Task Nobody_sends_without_a_token_or_with_one_that_was_taken_back()
    {
        using var client = await server.StartKitchenAsync("Revokes");
        var (id, token) = await MakeAsync(client);
        using var stranger = Device("0123456789");
        var refused = await stranger.PostAsJsonAsync("/api/readings", new { readings = new[] { Read(Now, 35) } });
        Assert.Equal(HttpStatusCode.Unauthorized, refused.StatusCode);
        using var nobody = server.Own.CreateClient();
        refused = await nobody.PostAsJsonAsync("/api/readings", new { readings = new[] { Read(Now, 35) } });
        Assert.Equal(HttpStatusCode.Unauthorized, refused.StatusCode);

        using var device = Device(token);
        await SendAsync(device, Read(Now, 35));
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"/api/devices/{id}")).StatusCode);
        refused = await device.PostAsJsonAsync("/api/readings", new { readings = new[] { Read(Now, 35) } });
        Assert.Equal(HttpStatusCode.Unauthorized, refused.StatusCode);
        Assert.Contains("was removed", await refused.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        Assert.Empty(await DevicesAsync(client));

        // Another kitchen neither sees nor moves it.
        using var other = await server.StartKitchenAsync("Elsewhere");
        Assert.Empty(await DevicesAsync(other));
        var moved = await other.PutAsJsonAsync($"/api/devices/{id}/pot", new { pot = "melt.x.1" });
        Assert.Equal(HttpStatusCode.NotFound, moved.StatusCode);
    }

    [Fact]
    public async Task What_means_nothing_is_refused_and_nothing_is_kept()
    {
        using var client = await server.StartKitchenAsync("Nonsense");
        var (_, token) = await MakeAsync(client);
        using var device = Device(token);
        foreach (var body in (string[])[
            "",
            "[]",
            """{"readings":null}""",
            """{"readings":[null]}""",
            """{"readings":[{}]}""",
            """{"readings":[{"at":"noon","value":1,"unit":"°C"}]}""",
            """{"readings":[{"at":"2031-05-01T10:00:00Z","value":"hot","unit":"°C"}]}""",
        ])
        {
            using var content = new StringContent(body, System.Text.Encoding.UTF8, "application/json");
            var answer = await device.PostAsync("/api/readings", content);
            Assert.True(answer.StatusCode is HttpStatusCode.BadRequest, $"{body}: {answer.StatusCode}");
        }

        var many = Enumerable.Range(0, 3601).Select(i => Read(Now.AddSeconds(-i), 35)).ToArray();
        Assert.Equal(HttpStatusCode.BadRequest, (await device.PostAsJsonAsync("/api/readings", new { readings = many })).StatusCode);
        Assert.Null((await DevicesAsync(client)).Single()!["last"]);
        var nameless = await client.PostAsJsonAsync("/api/devices", new { kind = "probe", name = " " });
        Assert.Equal(HttpStatusCode.BadRequest, nameless.StatusCode);
    }

    /// <summary>A pot that cools by itself, and a scale that gets lighter: what the bench is told of it.</summary>
    [Fact]
    public async Task A_probe_and_a_scale_in_a_pot_tell_the_bench_what_it_wants()
    {
        using var client = await server.StartKitchenAsync("Pot");
        await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var first = (await client.PlannedDayAsync())["plan"]!["melts"]![0]!;
        var melt = $"melt.{first["pot"]}.{first["number"]}";
        var (probe, probeToken) = await MakeAsync(client);
        var (scale, scaleToken) = await MakeAsync(client, "scale", "scale by the window");
        var empty = (await client.GetFromJsonAsync<JsonObject>($"/api/bench/pots/{melt}"))!;
        Assert.Equal(("byEye", 0), ((string)empty["advice"]!["act"]!, empty["curve"]!.AsArray().Count));

        // What is read before it is put into the pot is of no pot.
        using var reads = Device(probeToken);
        await SendAsync(reads, Read(Now.AddMinutes(-3), 80));
        foreach (var id in (string[])[probe, scale])
            Assert.Equal(
                HttpStatusCode.NoContent, (await client.PutAsJsonAsync($"/api/devices/{id}/pot", new { pot = melt })).StatusCode);
        var from = Now;
        await SendAsync(
            reads, [.. Enumerable.Range(0, 100).Select(s => Read(from.AddSeconds(s), 42 - (s * 0.02)))]);
        using var weighs = Device(scaleToken);
        await SendAsync(weighs, Read(from.AddSeconds(1), 60, "g"));
        var pot = (await client.GetFromJsonAsync<JsonObject>($"/api/bench/pots/{melt}"))!;
        Assert.Equal("wait", (string)pot["advice"]!["act"]!);
        Assert.InRange((double)pot["advice"]!["guess"]!["likely"]!, 60, 1800);
        Assert.Equal(40.1, (double)pot["at"]!, 0.05);
        Assert.Equal(60, (double)pot["left"]!, 0.01);
        Assert.Contains("still to dip", (string)pot["scale"]!, StringComparison.Ordinal);
        Assert.True(pot["curve"]!.AsArray().Count is > 50 and <= 240);
        Assert.True((double)pot["ahead"]!.AsArray()[^1]!["temperature"]! < 40);

        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/bench/pots/melt.none.1")).StatusCode);
    }
}

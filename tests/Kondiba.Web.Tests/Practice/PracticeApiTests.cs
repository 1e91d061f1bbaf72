using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>The practice pot over the API: the same moves give the same pot, the best score stays with who reached it.</summary>
public sealed class PracticeApiTests(Server server) : IClassFixture<Server>
{
    private static async Task<JsonObject> PlayAsync(HttpClient client, string exercise, int seed, params object[] moves)
    {
        var answer = await client.PostAsJsonAsync($"/api/practice/{exercise}", new { seed, moves });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return await answer.ReadAsync();
    }

    private static async Task<int?> BestAsync(HttpClient client, string exercise) => (int?)(await client.GetFromJsonAsync<JsonArray>(
        "/api/practice"))!.Single(e => (string)e!["exercise"]!["code"]! == exercise)!["best"];

    private static object Heat(int seconds) => new { @do = "heat", seconds };

    private static object Stir(int seconds) => new { @do = "stir", seconds };

    [Fact]
    public async Task The_best_score_is_kept_for_each_person()
    {
        using var client = await server.StartKitchenAsync("Practises");
        Assert.Null(await BestAsync(client, "wafers-half"));
        var first = await PlayAsync(client, "wafers-half", 3, Heat(30), Stir(15));
        Assert.Null(first["score"]);
        Assert.Equal(first.ToJsonString(), (await PlayAsync(client, "wafers-half", 3, Heat(30), Stir(15))).ToJsonString());
        Assert.NotEqual(
            (double)first["middle"]!, (double)(await PlayAsync(client, "wafers-half", 4, Heat(30), Stir(15)))["middle"]!);
        Assert.Null(await BestAsync(client, "wafers-half"));

        var bad = await PlayAsync(client, "wafers-half", 3, Heat(10), new { @do = "dip" });
        var points = (int)bad["score"]!["points"]!;
        Assert.Equal(points, await BestAsync(client, "wafers-half"));
        var better = await PlayAsync(
            client, "wafers-half", 3, Heat(30), Stir(20), Heat(30), Stir(20), Heat(20), Stir(40), Stir(60), new { @do = "dip" });
        var best = (int)better["score"]!["points"]!;
        Assert.True(best > points);
        await PlayAsync(client, "wafers-half", 3, Heat(10), new { @do = "dip" });
        Assert.Equal(best, await BestAsync(client, "wafers-half"));
        using var other = await server.StartKitchenAsync("Others");
        Assert.Null(await BestAsync(other, "wafers-half"));
    }

    [Fact]
    public async Task Moves_that_mean_nothing_are_refused_by_their_field()
    {
        using var client = await server.StartKitchenAsync("Refuses");
        var answer = await client.PostAsJsonAsync("/api/practice/wafers-half", new { seed = 1, moves = new[] { Heat(30), Heat(100_000) } });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.NotNull((await answer.ReadAsync())["errors"]!["moves[1].seconds"]);
        answer = await client.PostAsJsonAsync("/api/practice/none", new { seed = 1, moves = Array.Empty<object>() });
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        var many = Enumerable.Repeat(Heat(600), 201).ToArray();
        answer = await client.PostAsJsonAsync("/api/practice/wafers-half", new { seed = 1, moves = many });
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }
}

using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Npgsql;

namespace Kondiba.Browser.Tests;

/// <summary>
/// The sample kitchen at nine in the morning, whatever time it is here, with one order of some rods to be collected at seven and nothing
/// else to do; when it is over, the kitchen is where it was.
/// </summary>
internal sealed class Morning : IAsyncDisposable
{
    private readonly Site site;
    private string zone = "";

    private Morning(Site site) => this.site = site;

    public static async Task<Morning> BeginAsync(Site site, int rods = 12)
    {
        var morning = new Morning(site);
        using var client = await site.EnterAsync();
        (await client.PostAsync("api/kitchen/reset", null)).EnsureSuccessStatusCode();
        var east = 9 - DateTime.UtcNow.Hour;
        east += east < -11 ? 24 : 0;
        morning.zone = await morning.MoveAsync(string.Create(CultureInfo.InvariantCulture, $"Etc/GMT{-east:+0;-0}"));
        await OrderAsync(client, rods);
        return morning;
    }

    public async ValueTask DisposeAsync() => await MoveAsync(zone);

    /// <summary>Moves the kitchen into another zone; the one it was in.</summary>
    private async Task<string> MoveAsync(string to)
    {
        await using var database = NpgsqlDataSource.Create(site.Connection);
        await using var move = database.CreateCommand(
            """
            UPDATE kitchens k SET time_zone = $1, things_revision = k.things_revision + 1
            FROM (SELECT id, time_zone FROM kitchens WHERE is_sample) was WHERE k.id = was.id RETURNING was.time_zone
            """);
        move.Parameters.Add(new() { Value = to });
        return (string)(await move.ExecuteScalarAsync())!;
    }

    private static async Task OrderAsync(HttpClient client, int count)
    {
        JsonObject? order = null;
        foreach (var row in (await client.GetFromJsonAsync<JsonObject>("api/orders?take=50"))!["orders"]!.AsArray())
        {
            if ((string)row!["name"]! == "Meteor night")
                order = await client.GetFromJsonAsync<JsonObject>($"api/orders/{row["id"]}");
            (await client.DeleteAsync($"api/orders/{row["id"]}")).EnsureSuccessStatusCode();
        }

        foreach (var made in (string[])["id", "number", "tally"])
            order!.Remove(made);
        var rods = order!["lines"]![0]!.DeepClone();
        (rods["id"], rods["amount"]) = (Guid.NewGuid(), count);
        (order["version"], order["name"], order["lines"]) = (0, "Quay supper", new JsonArray(rods));
        var today = ((string)(await client.GetFromJsonAsync<JsonObject>("api/kitchen"))!["now"]!)[..10];
        order["pickup"] = $"{today}T19:00:00";
        (await client.PostAsJsonAsync("api/orders", order)).EnsureSuccessStatusCode();
    }
}

using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Browser.Tests;

namespace Kondiba.Bench;

/// <summary>Twenty kitchens with the sample's orders, who all ask for their first plan at the same moment.</summary>
internal static class ManyKitchens
{
    private const int Kitchens = 20;

    public static async Task MeasureAsync(Site site, Action<string, double, double?> tell)
    {
        using var sample = await site.EnterAsync();
        var clients = await StartAsync(site, sample, "Quay", Kitchens);

        // The planner has been running for a while: it has planned before.
        await FirstPlanAsync(sample);
        var times = await Task.WhenAll(clients.Select(FirstPlanAsync));
        tell($"Plan, first, {Kitchens} kitchens at once, the slowest", times.Max(), 5000);
        tell($"Plan, first, {Kitchens} kitchens at once, median", times.Order().ElementAt(Kitchens / 2), null);
        clients.ForEach(c => c.Dispose());
    }

    /// <summary>So many kitchens with the sample's orders, each with its owner signed in.</summary>
    public static async Task<List<HttpClient>> StartAsync(Site site, HttpClient sample, string name, int kitchens)
    {
        var document = await sample.GetStringAsync("api/files/kitchen.json");
        var clients = new List<HttpClient>();
        for (var i = 1; i <= kitchens; i++)
        {
            var client = new HttpClient { BaseAddress = site.Address };
            await ManyOrders.FormAsync(client);
            var kitchen = new { kitchen = $"{name} {i}", name = $"{name} maker {i}", password = "twenty kitchens at once" };
            (await client.PostAsJsonAsync("api/session/kitchen", kitchen)).EnsureSuccessStatusCode();
            await ManyOrders.FormAsync(client);
            (await client.PostAsJsonAsync("api/files/kitchen?apply=true", new { text = document })).EnsureSuccessStatusCode();
            clients.Add(client);
        }

        return clients;
    }

    private static async Task<double> FirstPlanAsync(HttpClient client)
    {
        var watch = Stopwatch.StartNew();
        while ((await client.GetFromJsonAsync<JsonObject>("api/day"))!["plan"] is null)
        {
            // The server itself waits for a plan before it answers.
        }

        return watch.Elapsed.TotalMilliseconds;
    }
}

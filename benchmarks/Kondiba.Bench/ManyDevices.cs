using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Browser.Tests;

namespace Kondiba.Bench;

/// <summary>
/// Fifty probes and scales in twenty kitchens, each sending once a second, and a bench open in each kitchen: how long until a bench shows
/// what its probe read, and whether anything is lost.
/// </summary>
internal static class ManyDevices
{
    private const int Kitchens = 20;
    private const int Devices = 50;
    private const int Seconds = 30;

    public static async Task MeasureAsync(Site site, Action<string, double, double?> tell)
    {
        using var sample = await site.EnterAsync();
        var makers = await ManyKitchens.StartAsync(site, sample, "Pier", Kitchens);
        var benches = new List<Bench>();
        foreach (var maker in makers)
            benches.Add(await Bench.OpenAsync(maker));
        var devices = new List<(HttpClient Client, Bench Bench, bool IsProbe)>();
        for (var i = 0; i < Devices; i++)
        {
            var bench = benches[i % Kitchens];
            devices.Add((await bench.MakeAsync(site, i), bench, i < Kitchens));
        }

        var kept = 0;
        using var timer = new PeriodicTimer(TimeSpan.FromSeconds(1));
        for (var second = 0; second < Seconds; second++, await timer.WaitForNextTickAsync())
            await Task.WhenAll(devices.Select(async (device, i) =>
            {
                // Spread over the second, as devices are.
                await Task.Delay(i * 900 / Devices);
                var value = 20 + (second * 0.1);
                if (device.IsProbe)
                    device.Bench.Sent[value] = Stopwatch.GetTimestamp();
                var readings = new[] { new { at = DateTime.UtcNow.ToString("o"), value, unit = i < 2 * Kitchens ? "°C" : "g" } };
                var answer = await device.Client.PostAsJsonAsync("api/readings", new { readings });
                Interlocked.Add(ref kept, (int)(await answer.Content.ReadFromJsonAsync<JsonObject>())!["kept"]!);
            }));
        await Task.Delay(500);
        var times = benches.SelectMany(b => b.Shown).Order().ToList();
        var all = $"Bench, {Devices} devices each second, {Kitchens} benches";
        tell($"{all}, shown after, median of {times.Count}", times[times.Count / 2], 200);
        tell($"{all}, shown after, 95th percentile", times[times.Count * 95 / 100], null);
        if (kept != Devices * Seconds)
            throw new InvalidOperationException($"{(Devices * Seconds) - kept} readings of {Devices * Seconds} were lost.");
        benches.ForEach(b => b.Dispose());
    }

    /// <summary>A bench as the browser keeps it: it hears of changes, and then asks for its pot.</summary>
    private sealed class Bench(HttpClient maker, string melt) : IDisposable
    {
        private readonly CancellationTokenSource over = new();
        private double latest = double.MinValue;

        public ConcurrentDictionary<double, long> Sent { get; } = [];

        public ConcurrentBag<double> Shown { get; } = [];

        public static async Task<Bench> OpenAsync(HttpClient maker)
        {
            JsonNode? melt = null;
            while (melt is null)
                melt = (await maker.GetFromJsonAsync<JsonObject>("api/day"))!["plan"]?["melts"]?.AsArray().FirstOrDefault();
            var bench = new Bench(maker, $"melt.{melt["pot"]}.{melt["number"]}");
            _ = bench.ListenAsync();
            return bench;
        }

        public async Task<HttpClient> MakeAsync(Site site, int number)
        {
            var kind = number < 2 * Kitchens ? "probe" : "scale";
            var made = await maker.PostAsJsonAsync("api/devices", new { kind, name = $"{kind} {number}" });
            var device = (await made.Content.ReadFromJsonAsync<JsonObject>())!;
            if (number < Kitchens)
                (await maker.PutAsJsonAsync($"api/devices/{device["id"]}/pot", new { pot = melt })).EnsureSuccessStatusCode();
            var client = new HttpClient { BaseAddress = site.Address };
            client.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", (string)device["token"]!);
            return client;
        }

        public void Dispose()
        {
            over.Cancel();
            over.Dispose();
            maker.Dispose();
        }

        private async Task ListenAsync()
        {
            try
            {
                using var stream = await maker.GetStreamAsync("api/changes", over.Token);
                using var reader = new StreamReader(stream);
                while (await reader.ReadLineAsync(over.Token) is { } line)
                    if (line == "data: readings")
                        await LookAsync();
            }
            catch (OperationCanceledException)
            {
                // It is closed.
            }
        }

        private async Task LookAsync()
        {
            var pot = await maker.GetFromJsonAsync<JsonObject>($"api/bench/pots/{melt}", over.Token);
            if (pot!["curve"]!.AsArray().LastOrDefault()?["temperature"] is not { } read)
                return;
            var value = Math.Round((double)read, 3);
            if (value > latest && Sent.TryGetValue(value, out var sent))
                Shown.Add(Stopwatch.GetElapsedTime(sent).TotalMilliseconds);
            latest = Math.Max(latest, value);
        }
    }
}

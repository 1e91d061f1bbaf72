using System.Globalization;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Devices;

/// <summary>
/// Stands in for a probe or a scale at the bench, and shows what a bridge for a real one sends: it follows a pot that cools, or that is
/// dipped from, and posts what it reads.
/// </summary>
public static class PretendDevice
{
    private const string Usage =
        """
        usage: Kondiba.Devices probe|scale ADDRESS TOKEN [--coating CODE] [--grams 450] [--from °C] [--room 21]
               [--each 8] [--seed 1] [--seconds 3600] [--speed 1]

        probe: a pot of so many grams, melted, cools from so many °C and is stirred each minute.
        scale: every 12 s a piece takes --each grams out of it.
        --speed 10 lets ten seconds pass in the pot for each second.
        """;

    private static readonly TimeSpan Second = TimeSpan.FromSeconds(1);

    /// <summary>Sends until its seconds are over; 1 where it is called wrongly.</summary>
    /// <param name="args">See the usage.</param>
    public static async Task<int> Main(string[] args)
    {
        if (args is not ["probe" or "scale", var address, var token, .. var rest]
            || !Uri.TryCreate(address, UriKind.Absolute, out var at)
            || Read(rest) is not { } options)
        {
            await Console.Error.WriteLineAsync(Usage);
            return 1;
        }

        using var http = new HttpClient { BaseAddress = at };
        http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", token);
        var reads = args[0] == "probe" ? Probe(options) : Scale(options);
        var unit = args[0] == "probe" ? "°C" : "g";
        using var timer = new PeriodicTimer(Second);
        List<object> waiting = [];
        foreach (var value in reads.Take((int)options["seconds"]))
        {
            if (value is { } read)
                waiting.Add(new { at = DateTime.UtcNow.ToString("o", CultureInfo.InvariantCulture), value = read, unit });
            if (waiting.Count > 0 && await SendAsync(http, waiting))
                waiting.Clear();
            await timer.WaitForNextTickAsync();
        }

        return 0;
    }

    /// <summary>What was read, sent; whether it can be forgotten. While the server is away it is kept and sent later.</summary>
    private static async Task<bool> SendAsync(HttpClient http, List<object> readings)
    {
        try
        {
            using var answer = await http.PostAsJsonAsync("/api/readings", new { readings });
            if (!answer.IsSuccessStatusCode)
                await Console.Error.WriteLineAsync($"{(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
            return answer.IsSuccessStatusCode;
        }
        catch (HttpRequestException e)
        {
            await Console.Error.WriteLineAsync($"kept for later: {e.Message}");
            return false;
        }
    }

    private static IEnumerable<double?> Probe(Dictionary<string, double> options)
    {
        var trade = ReferenceData.Shipped;
        var coating = trade.Coatings[(int)options["coating"]];
        var pot = new LivePot(
            new(
                coating,
                Quantities.Of<Mass>(options["grams"], "g"),
                trade.Melting.Methods[0],
                Quantities.Of<Temperature>(options["room"], "°C"),
                Quantities.Of<Temperature>(options.GetValueOrDefault("from", coating.MeltTo.Value.In("°C")), "°C"),
                new(0)),
            trade.Melting,
            trade.LivePot,
            trade.Setting);
        var probe = new PretendProbe((int)options["seed"]);
        for (var second = 0; ; second++)
        {
            for (var passed = 0; passed < options["speed"]; passed++)
                if (((second * (int)options["speed"]) + passed) % 60 < 10)
                    pot.Stir(Duration.FromSeconds(1));
                else
                    pot.Wait(Duration.FromSeconds(1));
            yield return probe.Next(pot.Middle);
        }
    }

    private static IEnumerable<double?> Scale(Dictionary<string, double> options)
    {
        var chance = new Random((int)options["seed"]);
        for (var second = 0; ; second++)
        {
            var dipped = Math.Floor(second * options["speed"] / 12);
            var left = Math.Max(0, options["grams"] - (dipped * options["each"]));

            // Nobody reads a scale while a hand is in the pot.
            yield return chance.NextDouble() < 0.1 ? null : Math.Round(left + chance.NextDouble() - 0.5);
        }
    }

    /// <summary>The options with what they are where they are not given; null where they cannot be read.</summary>
    private static Dictionary<string, double>? Read(string[] rest)
    {
        Dictionary<string, double> options = new()
        {
            ["coating"] = 0,
            ["grams"] = 450,
            ["room"] = 21,
            ["each"] = 8,
            ["seed"] = 1,
            ["seconds"] = 3600,
            ["speed"] = 1,
        };
        foreach (var pair in rest.Chunk(2))
        {
            if (pair is not [['-', '-', .. var name], var text])
                return null;
            if (name == "coating")
                options[name] = ReferenceData.Shipped.Coatings.ToList().FindIndex(c => c.Code == text);
            else if ((options.ContainsKey(name) || name == "from") && double.TryParse(text, CultureInfo.InvariantCulture, out var number))
                options[name] = number;
            else
                return null;
        }

        return options.Values.All(v => v >= 0) ? options : null;
    }
}

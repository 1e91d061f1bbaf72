using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Browser.Tests;
using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using NodaTime;
using Npgsql;

namespace Kondiba.Bench;

/// <summary>A kitchen of ten years: 10,000 orders and 60,000 lines, and how long the shelf and the search take in it.</summary>
internal static class ManyOrders
{
    private const int Orders = 10_000;
    private const int LinesEach = 6;
    private const int Asked = 300;
    private const int Warming = 60;
    private static readonly string[] Occasions = [
        "Regatta",
        "Chess final",
        "Meteor night",
        "Choir jubilee",
        "Orchid show",
        "Lantern walk",
        "Net loft supper",
        "Tide bell",
        "Pilot boat",
        "Ropewalk fair",
    ];
    private static readonly string[] Clients = [
        "Rowing club",
        "Chess club",
        "Hilltop observatory",
        "Harbour choir",
        "Botanical society",
        "Lighthouse keepers",
    ];
    private static readonly OrderState[] States = [
        OrderState.Asked,
        OrderState.Quoted,
        OrderState.Agreed,
        OrderState.Made,
        OrderState.HandedOver,
        OrderState.Cancelled,
    ];

    public static async Task MeasureAsync(Site site, Action<string, double, double?> tell)
    {
        using var client = new HttpClient { BaseAddress = site.Address };
        await FormAsync(client);
        (await client.PostAsJsonAsync(
            "api/session/kitchen",
            new { kitchen = "Ten years", name = "bench", password = "ten years of orders" })).EnsureSuccessStatusCode();
        await FormAsync(client);
        await SeedAsync(site.Connection);

        var today = SystemClock.Instance.GetCurrentInstant().InUtc().Date;
        string[] shelves = [
            "api/shelf",
            .. Enumerable.Range(1, 40).Select(i => $"api/shelf?from={today.PlusDays((i - 20) * 11):uuuu-MM-dd}"),
        ];
        string[] searches = [
            "lantern",
            "rega",
            "chess final",
            "botan plum",
            "harb choir twist",
            "4711",
            "pretzel teal zig",
            "observatory",
            "nothing of the kind",
            "",
        ];
        var scansBefore = await ScansAsync(site.Connection);
        foreach (var (name, paths) in new[] { ("shelf", shelves), ("search", [
            .. searches.Select(s => $"api/orders?q={Uri.EscapeDataString(s)}"),
        ]) })
        {
            var (times, first) = (new List<double>(), new List<double>());
            for (var i = 0; i < Warming + Asked; i++)
            {
                using var answer = await client.GetAsync(paths[i % paths.Length]);
                answer.EnsureSuccessStatusCode();
                var timing = answer.Headers.GetValues("Server-Timing").Single();
                (i < paths.Length
                    ? first
                    : i < Warming
                        ? []
                        : times).Add(double.Parse(
                            timing[(timing.IndexOf("dur=", StringComparison.Ordinal) + 4)..], CultureInfo.InvariantCulture));
            }

            times.Sort();
            first.Sort();
            tell($"Server, {name}, asked for the first time, median of {paths.Length}", first[first.Count / 2], null);
            tell($"Server, {name} in {Orders:#,0} orders and {Orders * LinesEach:#,0} lines, median of {Asked}", times[Asked / 2], null);
            tell($"Server, {name} in {Orders:#,0} orders and {Orders * LinesEach:#,0} lines, 95th percentile", times[Asked * 95 / 100], 50);
        }

        // The server counts its scans a moment later.
        await Task.Delay(2500);
        foreach (var (table, (sequential, index)) in await ScansAsync(site.Connection))
        {
            // A third of the orders chose something for a pot: few enough rows that PostgreSQL sometimes reads them all.
            var (s, n) = (sequential - scansBefore[table].Sequential, index - scansBefore[table].Index);
            Console.WriteLine(
                $"Database, {table}: {n} scans by index, {s} of the whole table{(s > 0 && table != "order_pots" ? "  OVER" : "")}");
        }
    }

    internal static async Task FormAsync(HttpClient client)
    {
        client.DefaultRequestHeaders.Remove("X-Kondiba-Form");
        client.DefaultRequestHeaders.Add("X-Kondiba-Form", (string)(await client.GetFromJsonAsync<JsonObject>("api/session"))!["form"]!);
    }

    private static async Task SeedAsync(string connection)
    {
        var options = new DbContextOptionsBuilder<KondibaContext>();
        KondibaContext.Use(options, connection);
        var scope = new KitchenScope();
        await using var db = new KondibaContext(options.Options, scope);
        scope.KitchenId = await db.Kitchens.IgnoreQueryFilters().Where(k => k.Name == "Ten years").Select(k => k.Id).SingleAsync();
        db.ChangeTracker.AutoDetectChangesEnabled = false;

        var now = SystemClock.Instance.GetCurrentInstant();
        var today = now.InUtc().Date;
        var lines = SampleKitchen.From(today, now, "UTC").Rows
            .OfType<Order>()
            .SelectMany(o => o.Lines)
            .Where(l => l.Look is not null)
            .ToList();
        for (var i = 0; i < Orders; i++)
        {
            var order = new Order
            {
                KitchenId = scope.KitchenId,
                Number = i + 1,
                Name = $"{Occasions[i % Occasions.Length]} {i}",
                Client = Clients[i % Clients.Length],
                Place = "At the harbour",
                Pickup = today.PlusDays((int)(i * 3650L / Orders) - 1825).At(new(8 + (i % 11), 0)),
                State = States[i % States.Length],
                ChangedAt = now,
            };
            order.Lines.AddRange(Enumerable.Range(0, LinesEach).Select(
                n => lines[((i * 7) + (n * 5)) % lines.Count]).Select((l, n) => new OrderLine
                {
                    Id = Guid.CreateVersion7(),
                    KitchenId = scope.KitchenId,
                    Position = n,
                    Centre = l.Centre,
                    Size = l.Size,
                    Amount = 6 + ((i + n) % 30),
                    Coating = l.Coating,
                    Colour = l.Colour,
                    Depth = l.Depth,
                    Coats = l.Coats,
                    Look = l.Look,
                    Decor = l.Decor,
                }));
            if (i % 3 == 0)
                order.Pots.Add(
                    new() { KitchenId = scope.KitchenId, Pot = $"{order.Lines[0].Coating}.{order.Lines[0].Colour}", Thinner = "flakes" });
            (order.Pieces, order.Words) = ((int)order.Lines.Sum(l => l.Amount), SearchWords.Of(order.ToDraft(), ReferenceData.Shipped));
            db.Add(order);
            if (i % 500 == 499)
            {
                await db.SaveChangesAsync();
                db.ChangeTracker.Clear();
            }
        }

        await db.Kitchens.ExecuteUpdateAsync(set => set.SetProperty(k => k.LastNumber, Orders));
        await db.Database.ExecuteSqlAsync($"VACUUM ANALYZE");
    }

    private static async Task<Dictionary<string, (long Sequential, long Index)>> ScansAsync(string connection)
    {
        await using var source = NpgsqlDataSource.Create(connection);
        await using var command = source.CreateCommand(
            "SELECT relname, coalesce(seq_scan, 0), coalesce(idx_scan, 0) FROM pg_stat_user_tables WHERE relname IN ('orders', 'order_lines', 'order_pots')");
        await using var reader = await command.ExecuteReaderAsync();
        var scans = new Dictionary<string, (long, long)>();
        while (await reader.ReadAsync())
            scans[reader.GetString(0)] = (reader.GetInt64(1), reader.GetInt64(2));
        return scans;
    }
}

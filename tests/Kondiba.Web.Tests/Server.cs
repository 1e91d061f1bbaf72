using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Planning;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.Mvc.Testing.Handlers;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;
using NodaTime;
using Npgsql;

namespace Kondiba.Web.Tests;

/// <summary>
/// A database of its own on the test cluster, and servers on it: one with the sample kitchen, one with a kitchen of one's own.
/// </summary>
public sealed class Server : IDisposable
{
    public const string Key = "a key for these tests";
    public const string Password = "a whisk and a bowl";
    private readonly NpgsqlConnectionStringBuilder connection;
    private readonly Lazy<IHost> planner;

    public Server()
    {
        var cluster = Environment.GetEnvironmentVariable("KONDIBA_TEST_DATABASE")
            ?? throw new InvalidOperationException("KONDIBA_TEST_DATABASE names no PostgreSQL server: run ./test, which starts one.");
        connection = new(cluster) { Database = $"web_{Guid.CreateVersion7():n}" };
        Sample = Start(own: false);
        Own = Start(own: true);
        OwnMaker = EnterAsync(Own).GetAwaiter().GetResult();
        planner = new(Plan);
    }

    public WebApplicationFactory<Program> Sample { get; }

    public WebApplicationFactory<Program> Own { get; }

    /// <summary>The same with a planner in this process; there is none where no plan is wanted.</summary>
    public Server WithPlanner()
    {
        _ = planner.Value;
        return this;
    }

    /// <summary>The database.</summary>
    public string Connection => connection.ConnectionString;

    /// <summary>A maker signed in to the kitchen of one's own; shared, as sign-ins are limited.</summary>
    public HttpClient OwnMaker { get; }

    public WebApplicationFactory<Program> Start(bool own)
    {
        var server = new WebApplicationFactory<Program>().WithWebHostBuilder(host => host
            .UseSetting("Kondiba:Database", connection.ConnectionString)
            .UseSetting("Kondiba:Key", Key)
            .UseSetting("Kondiba:Own", own.ToString()));
        _ = server.Server;
        return server;
    }

    private IHost Plan()
    {
        var builder = Host.CreateApplicationBuilder();
        builder.Logging.ClearProviders();
        builder.Services.AddPlanner(new() { Database = connection.ConnectionString, Effort = 0.3 });
        var host = builder.Build();
        host.Start();
        return host;
    }

    /// <summary>A new kitchen of one's own with its owner signed in.</summary>
    public async Task<HttpClient> StartKitchenAsync(string kitchen)
    {
        var client = Browser(Own);
        (await client.PostAsJsonAsync(
            "/api/session/kitchen", new { kitchen, name = $"owner of {kitchen}", password = Password })).EnsureSuccessStatusCode();
        return client;
    }

    /// <summary>Gives everything that a kitchen can buy a price of its own, and its hour, so that it can quote.</summary>
    public static async Task PriceAllAsync(HttpClient owner)
    {
        var all = (await owner.GetFromJsonAsync<JsonArray>("/api/prices/list"))!;
        var packs = all.Select(item => new
        {
            code = (string)item!["code"]!,
            holds = item["packs"]!.AsArray() is [var first, ..] ? (double)first!["holds"]! : 10,
            price = item["packs"]!.AsArray() is [var pack, ..] ? (decimal)pack!["price"]! : 1,
        });
        foreach (var some in packs.Chunk(100))
            (await owner.PutAsJsonAsync("/api/prices/list", some)).EnsureSuccessStatusCode();
        (await owner.PutAsJsonAsync("/api/kitchen/rates", new { hour = 18 })).EnsureSuccessStatusCode();
    }

    /// <summary>A browser that opened the printed address.</summary>
    public static async Task<HttpClient> EnterAsync(WebApplicationFactory<Program> server)
    {
        var client = Browser(server);
        (await client.PostAsJsonAsync("/api/session", new { key = Key })).EnsureSuccessStatusCode();
        return client;
    }

    /// <summary>A browser that is not signed in. It sends back with every write what the session gave out, as the client does.</summary>
    public static HttpClient Browser(WebApplicationFactory<Program> server, bool follow = true)
    {
        DelegatingHandler[] handlers = [new WithForm(), new CookieContainerHandler()];
        return server.CreateDefaultClient(follow ? [new RedirectHandler(), .. handlers] : handlers);
    }

    public void Dispose()
    {
        if (planner.IsValueCreated)
        {
            planner.Value.StopAsync().GetAwaiter().GetResult();
            planner.Value.Dispose();
        }

        OwnMaker.Dispose();
        Sample.Dispose();
        Own.Dispose();
        NpgsqlConnection.ClearAllPools();
        using var admin = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection.ConnectionString) { Database = "postgres" });
        using var drop = admin.CreateCommand($"DROP DATABASE \"{connection.Database}\" WITH (FORCE)");
        drop.ExecuteNonQuery();
    }
}

/// <summary>Asks for the session's form when there is none yet or it has gone stale, and sends it with every write.</summary>
internal sealed class WithForm : DelegatingHandler
{
    private const string Header = "X-Kondiba-Form";
    private string? form;

    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
    {
        if (request.Method == HttpMethod.Get)
            return await base.SendAsync(request, cancellationToken);
        if (request.Content is not null)
            await request.Content.LoadIntoBufferAsync(cancellationToken);
        var answer = await WithAsync(form ??= await AskAsync(request, cancellationToken));
        return answer.Headers.Contains(Header) ? await WithAsync(form = await AskAsync(request, cancellationToken)) : answer;

        Task<HttpResponseMessage> WithAsync(string value)
        {
            request.Headers.Remove(Header);
            request.Headers.Add(Header, value);
            return base.SendAsync(request, cancellationToken);
        }
    }

    private async Task<string> AskAsync(HttpRequestMessage request, CancellationToken cancellationToken)
    {
        using var ask = new HttpRequestMessage(HttpMethod.Get, new Uri(request.RequestUri!, "/api/session"));
        return (string)(await (await base.SendAsync(ask, cancellationToken)).ReadAsync())["form"]!;
    }
}

/// <summary>Orders as a client sends them.</summary>
internal static class Orders
{
    public static string Day(int ahead) =>
        SystemClock.Instance.GetCurrentInstant().InUtc().Date.PlusDays(ahead).At(new(18, 30)).ToString("s", null);

    public static JsonObject Line(
        string centre = "strawberry",
        string size = "L",
        double amount = 24,
        string colour = "dark",
        double depth = 0.75,
        int coats = 1) => new()
        {
            ["id"] = Guid.CreateVersion7().ToString(),
            ["centre"] = centre,
            ["size"] = size,
            ["amount"] = amount,
            ["countedIn"] = "pieces",
            ["coating"] = "compound-wafer-hot-flow",
            ["colour"] = colour,
            ["depth"] = depth,
            ["coats"] = coats,
            ["atOnce"] = false,
            ["upright"] = null,
            ["look"] = null,
            ["decor"] = null,
            ["making"] = null,
        };

    /// <summary>The key of a colour's pot of the usual coating.</summary>
    public static string Pot(string colour) => $"compound-wafer-hot-flow.{colour}";

    /// <summary>An order that is collected so many days ahead.</summary>
    public static JsonObject In(int days, params JsonObject[] lines)
    {
        var order = Order(lines);
        order["pickup"] = Day(days);
        return order;
    }

    public static JsonObject Order(params JsonObject[] lines) => new()
    {
        ["version"] = 0,
        ["name"] = "Tide table supper",
        ["pickup"] = Day(5),
        ["notes"] = "Collected at the slipway.",
        ["lines"] = new JsonArray([.. lines]),
        ["pots"] = new JsonObject(),
        ["margin"] = null,
    };

    public static async Task<JsonObject> ReadAsync(this HttpResponseMessage response) =>
        (await response.Content.ReadFromJsonAsync<JsonObject>())!;

    public static async Task<JsonObject> CreatedAsync(this HttpClient client, JsonObject order)
    {
        var response = await client.PostAsJsonAsync("/api/orders", order);
        response.EnsureSuccessStatusCode();
        return await response.ReadAsync();
    }

    /// <summary>The day as soon as there is a plan of it, on however busy a machine.</summary>
    public static async Task<JsonObject> PlannedDayAsync(this HttpClient client)
    {
        for (var tries = 0; tries < 20; tries++)
        {
            var day = (await client.GetFromJsonAsync<JsonObject>("/api/day", TestContext.Current.CancellationToken))!;
            if (day["plan"] is not null)
                return day;
        }

        throw new TimeoutException("There is no plan after twenty requests, each of which waits for one.");
    }
}

using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Net.Sockets;
using System.Runtime.CompilerServices;
using System.Text.Json.Nodes;
using Kondiba.Planning;
using Kondiba.Web.Hosting;
using Npgsql;
using OpenQA.Selenium;
using OpenQA.Selenium.Chrome;

[assembly: CollectionBehavior(DisableTestParallelization = true)]
[assembly: AssemblyFixture(typeof(Kondiba.Browser.Tests.Site))]

namespace Kondiba.Browser.Tests;

/// <summary>The sample kitchen as it was at first, for a class of tests.</summary>
public sealed class Fresh
{
    public Fresh(Site site)
    {
        using var client = site.EnterAsync().GetAwaiter().GetResult();
        client.PostAsync("api/kitchen/reset", null).GetAwaiter().GetResult().EnsureSuccessStatusCode();
    }
}

/// <summary>
/// The built server as a process of its own, on a database of its own with the sample kitchen; all tests share it, as it takes longer to
/// start than many of them.
/// </summary>
public sealed class Site : IDisposable
{
    public const string Key = "a-key-for-these-tests";
    private readonly NpgsqlConnectionStringBuilder connection;
    private readonly Stack<ChromeDriver> browsers = new();
    private readonly Process planner;
    private Process? process;

    public Site()
    {
        var cluster = Environment.GetEnvironmentVariable("KONDIBA_TEST_DATABASE")
            ?? throw new InvalidOperationException("KONDIBA_TEST_DATABASE names no PostgreSQL server: run ./test, which starts one.");
        connection = new(cluster) { Database = $"browser_{Guid.CreateVersion7():n}" };
        Address = Free();
        Start();
        planner = Process.Start(new ProcessStartInfo("dotnet", [typeof(PlanJobs).Assembly.Location])
        {
            Environment = { ["KONDIBA__DATABASE"] = connection.ConnectionString, ["KONDIBA__EFFORT"] = "0.3" },
        })!;
    }

    public static string Root { get; } = Path.GetFullPath(Path.Combine(ThisFolder(), "..", ".."));

    public Uri Address { get; }

    public string Connection => connection.ConnectionString;

    /// <summary>Starts the server and returns when it answers.</summary>
    public void Start() => process = Run(Address);

    /// <summary>Starts another server on the same database; its address, and what ends it.</summary>
    public (Uri Address, IDisposable Ends) StartAnother()
    {
        var address = Free();
        return (address, new Ending(Run(address)));
    }

    private static Uri Free()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return new($"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}/");
    }

    private Process Run(Uri address)
    {
        var server = Process.Start(new ProcessStartInfo("dotnet", [typeof(KondibaSettings).Assembly.Location])
        {
            WorkingDirectory = Path.Combine(Root, "src", "Kondiba.Web"),
            Environment =
            {
                ["ASPNETCORE_URLS"] = address.ToString(),
                ["ASPNETCORE_ENVIRONMENT"] = "Production",
                ["KONDIBA__DATABASE"] = connection.ConnectionString,
                ["KONDIBA__KEY"] = Key,
                ["KONDIBA__STATEFOLDER"] = Path.Combine(Path.GetTempPath(), connection.Database!),
            },
        })!;
        using var client = new HttpClient();
        for (var tries = 0; tries < 300; tries++)
        {
            try
            {
                using var answer = client.Send(new(HttpMethod.Get, new Uri(address, "api/session")));
                return server;
            }
            catch (HttpRequestException)
            {
                if (server.HasExited)
                    break;
                Thread.Sleep(100);
            }
        }

        throw new InvalidOperationException("The server does not answer.");
    }

    /// <summary>A client that is signed in and may write.</summary>
    public async Task<HttpClient> EnterAsync(Uri? at = null)
    {
        var client = new HttpClient { BaseAddress = at ?? Address };
        (await client.GetAsync($"enter?key={Key}")).EnsureSuccessStatusCode();
        client.DefaultRequestHeaders.Add("X-Kondiba-Form", (string)(await client.GetFromJsonAsync<JsonObject>("api/session"))!["form"]!);
        return client;
    }

    /// <summary>A browser with nothing in it: one that a test is done with, as starting one takes longer than many tests do.</summary>
    public ChromeDriver TakeBrowser()
    {
        if (browsers.TryPop(out var browser))
            return browser;
        var options = new ChromeOptions { BinaryLocation = "/usr/bin/chromium" };
        options.AddArguments(
            "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", "--disable-quic", "--no-first-run",
            "--disable-background-networking", "--disable-component-update", "--disable-sync", "--hide-scrollbars",
            "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE 127.0.0.1", "--lang=en-GB");
        return new(ChromeDriverService.CreateDefaultService("/usr/bin", "chromedriver"), options);
    }

    /// <summary>
    /// Takes a browser back: an empty page, no cookie, nothing stored. The page stays where it is, as what the browser made of the scripts
    /// is kept with it.
    /// </summary>
    public void GiveBack(ChromeDriver browser)
    {
        try
        {
            foreach (var other in browser.WindowHandles.Skip(1))
                browser.SwitchTo().Window(other).Close();
            browser.SwitchTo().Window(browser.WindowHandles[0]);
            browser.Navigate().GoToUrl("about:blank");
            browser.ExecuteCdpCommand("Emulation.setEmulatedMedia", new() { ["features"] = Array.Empty<object>() });
            browser.ExecuteCdpCommand("Network.clearBrowserCookies", []);
            browser.ExecuteCdpCommand(
                "Storage.clearDataForOrigin", new() { ["origin"] = Address.GetLeftPart(UriPartial.Authority), ["storageTypes"] = "all" });
            browsers.Push(browser);
        }
        catch (WebDriverException)
        {
            browser.Dispose();
        }
    }

    /// <summary>Ends the server as a power cut would: no signal it could act on.</summary>
    public void Kill()
    {
        process!.Kill();
        process.WaitForExit();
        process.Dispose();
    }

    public void Dispose()
    {
        foreach (var browser in browsers)
            browser.Dispose();
        new Ending(planner).Dispose();
        Kill();
        using var admin = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection.ConnectionString) { Database = "postgres" });
        using var drop = admin.CreateCommand($"DROP DATABASE \"{connection.Database}\" WITH (FORCE)");
        drop.ExecuteNonQuery();
        Directory.Delete(Path.Combine(Path.GetTempPath(), connection.Database!), recursive: true);
    }

    private sealed class Ending(Process server) : IDisposable
    {
        public void Dispose()
        {
            server.Kill();
            server.WaitForExit();
            server.Dispose();
        }
    }

    private static string ThisFolder([CallerFilePath] string path = "") => Path.GetDirectoryName(path)!;
}

using System.Diagnostics;
using System.Net;
using System.Net.Sockets;
using System.Runtime.CompilerServices;
using Kondiba.Web.Hosting;
using Npgsql;

[assembly: CollectionBehavior(DisableTestParallelization = true)]

namespace Kondiba.Browser.Tests;

/// <summary>The built server as a process of its own, on a database of its own with the sample kitchen.</summary>
public sealed class Site : IDisposable
{
    public const string Key = "a-key-for-these-tests";
    private readonly NpgsqlConnectionStringBuilder connection;
    private Process? process;

    public Site()
    {
        var cluster = Environment.GetEnvironmentVariable("KONDIBA_TEST_DATABASE")
            ?? throw new InvalidOperationException("KONDIBA_TEST_DATABASE names no PostgreSQL server: run ./test, which starts one.");
        connection = new(cluster) { Database = $"browser_{Guid.CreateVersion7():n}" };
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        Address = new($"http://127.0.0.1:{((IPEndPoint)listener.LocalEndpoint).Port}/");
        listener.Stop();
        Start();
    }

    public static string Root { get; } = Path.GetFullPath(Path.Combine(ThisFolder(), "..", ".."));

    public Uri Address { get; }

    public string Connection => connection.ConnectionString;

    /// <summary>Starts the server and returns when it answers.</summary>
    public void Start()
    {
        process = Process.Start(new ProcessStartInfo("dotnet", [typeof(KondibaSettings).Assembly.Location])
        {
            WorkingDirectory = Path.Combine(Root, "src", "Kondiba.Web"),
            Environment =
            {
                ["ASPNETCORE_URLS"] = Address.ToString(),
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
                using var answer = client.Send(new(HttpMethod.Get, new Uri(Address, "api/session")));
                return;
            }
            catch (HttpRequestException)
            {
                if (process.HasExited)
                    break;
                Thread.Sleep(100);
            }
        }

        throw new InvalidOperationException("The server does not answer.");
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
        Kill();
        using var admin = NpgsqlDataSource.Create(new NpgsqlConnectionStringBuilder(connection.ConnectionString) { Database = "postgres" });
        using var drop = admin.CreateCommand($"DROP DATABASE \"{connection.Database}\" WITH (FORCE)");
        drop.ExecuteNonQuery();
        Directory.Delete(Path.Combine(Path.GetTempPath(), connection.Database!), recursive: true);
    }

    private static string ThisFolder([CallerFilePath] string path = "") => Path.GetDirectoryName(path)!;
}

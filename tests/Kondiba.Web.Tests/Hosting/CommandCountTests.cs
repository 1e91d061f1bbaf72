using System.Diagnostics;
using System.Net.Http.Json;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Web.Tests;

/// <summary>How often a page asks the database: as often for many orders as for few.</summary>
public sealed class CommandCountTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task No_list_asks_the_database_once_for_every_order()
    {
        using var client = await server.StartKitchenAsync("Counting kitchen");
        string[] pages = ["/api/orders", "/api/shelf", "/api/shopping", "/api/pantry", "/api/files/orders.csv", "/api/files/kitchen.json"];
        await AddAsync(2);
        var few = await CountAsync();
        await AddAsync(6);
        Assert.Equal(few, await CountAsync());
        Assert.All(few, n => Assert.InRange(n, 1, 12));

        async Task AddAsync(int orders)
        {
            for (var i = 0; i < orders; i++)
                (await client.PostAsJsonAsync("/api/orders", Orders.Order(Orders.Line()))).EnsureSuccessStatusCode();
        }

        async Task<List<int>> CountAsync()
        {
            List<int> counts = [];
            foreach (var page in pages)
            {
                // The first time it may read what it then remembers.
                (await client.GetAsync(page)).EnsureSuccessStatusCode();
                using var commands = new Commands(Database());
                (await client.GetAsync(page)).EnsureSuccessStatusCode();
                counts.Add(commands.Count);
            }

            return counts;
        }
    }

    private string Database()
    {
        using var scope = server.Own.Services.CreateScope();
        return scope.ServiceProvider.GetRequiredService<KondibaContext>().Database.GetDbConnection().Database;
    }

    /// <summary>Counts the commands sent to a database while it lives.</summary>
    private sealed class Commands : IObserver<DiagnosticListener>, IObserver<KeyValuePair<string, object?>>, IDisposable
    {
        private readonly string database;
        private readonly List<IDisposable> listening = [];
        private int count;

        public Commands(string database)
        {
            this.database = database;
            listening.Add(DiagnosticListener.AllListeners.Subscribe(this));
        }

        public int Count => count;

        public void OnNext(DiagnosticListener value)
        {
            if (value.Name == DbLoggerCategory.Name)
                listening.Add(value.Subscribe(this, name => name == RelationalEventId.CommandExecuted.Name));
        }

        public void OnNext(KeyValuePair<string, object?> value)
        {
            if (value.Value is CommandExecutedEventData executed && executed.Connection.Database == database)
                Interlocked.Increment(ref count);
        }

        public void OnCompleted()
        {
        }

        public void OnError(Exception error)
        {
        }

        public void Dispose() => listening.ForEach(l => l.Dispose());
    }
}

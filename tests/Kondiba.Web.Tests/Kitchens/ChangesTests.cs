using System.Net;
using System.Net.Http.Json;

namespace Kondiba.Web.Tests;

/// <summary>Whoever listens to a kitchen is told of every change to it, from whichever server, and of no other kitchen's.</summary>
public sealed class ChangesTests(Server server) : IClassFixture<Server>
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(20);

    /// <summary>An open stream, from when it is heard.</summary>
    private static async Task<StreamReader> ListenAsync(HttpClient client)
    {
        var answer = await client.GetAsync("/api/changes", HttpCompletionOption.ResponseHeadersRead);
        Assert.Equal("text/event-stream", answer.Content.Headers.ContentType!.MediaType);
        var reader = new StreamReader(await answer.Content.ReadAsStreamAsync());
        Assert.Equal("open", await NextAsync(reader, "event: "));
        return reader;
    }

    private static async Task<string> NextAsync(StreamReader reader, string field = "data: ")
    {
        using var late = new CancellationTokenSource(Patience);
        while (true)
        {
            var line = await reader.ReadLineAsync(late.Token) ?? throw new EndOfStreamException();
            if (line.StartsWith(field, StringComparison.Ordinal) && line.Length > field.Length)
                return line[field.Length..];
        }
    }

    [Fact]
    public async Task A_change_on_one_server_is_told_by_the_other()
    {
        await using var other = server.Start(own: true);
        using var two = await Server.EnterAsync(other);
        using var heard = await ListenAsync(two);
        var one = server.OwnMaker;

        (await one.PutAsJsonAsync("/api/kitchen/rates", new { hour = 31 })).EnsureSuccessStatusCode();
        Assert.Equal("things", await NextAsync(heard));
        (await one.PostAsJsonAsync(
            "/api/pantry/lots", new { id = Guid.CreateVersion7(), ware = "sprinkle.nonpareils", amount = 5 })).EnsureSuccessStatusCode();
        Assert.Equal("stock", await NextAsync(heard));
        (await one.PatchAsJsonAsync("/api/kitchen", new { name = "Other name" })).EnsureSuccessStatusCode();
        Assert.Equal("kitchen", await NextAsync(heard));
        await one.CreatedAsync(Orders.Order(Orders.Line()));
        Assert.Equal("orders", await NextAsync(heard));
    }

    [Fact]
    public async Task Nobody_hears_of_another_kitchen_and_nobody_who_is_not_signed_in_hears_anything()
    {
        using var neighbour = await server.StartKitchenAsync("Next door");
        using var heard = await ListenAsync(neighbour);
        (await server.OwnMaker.PutAsJsonAsync("/api/kitchen/rates", new { hour = 32 })).EnsureSuccessStatusCode();
        (await neighbour.PostAsJsonAsync(
            "/api/pantry/lots", new { id = Guid.CreateVersion7(), ware = "sprinkle.nonpareils", amount = 5 })).EnsureSuccessStatusCode();
        Assert.Equal("stock", await NextAsync(heard));
        using var nobody = Server.Browser(server.Own);
        Assert.Equal(HttpStatusCode.Unauthorized, (await nobody.GetAsync("/api/changes")).StatusCode);
    }
}

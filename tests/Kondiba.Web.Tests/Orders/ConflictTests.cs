using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>
/// The same asked for by several at the same moment: one is first, the others are told so or get what is there; never a server error.
/// </summary>
public sealed class ConflictTests(Server server) : IClassFixture<Server>
{
    private const int AtOnce = 12;

    private readonly HttpClient client = server.OwnMaker;

    private static async Task<List<HttpResponseMessage>> TogetherAsync(Func<Task<HttpResponseMessage>> send)
    {
        var answers = (await Task.WhenAll(Enumerable.Range(0, AtOnce).Select(_ => Task.Run(send)))).ToList();
        Assert.All(
            answers,
            a => Assert.True((int)a.StatusCode < 500, $"{a.RequestMessage!.Method} {a.RequestMessage.RequestUri} answers {a.StatusCode}"));
        return answers;
    }

    [Fact]
    public async Task A_new_thing_kept_by_all_at_once_is_there_once()
    {
        for (var round = 0; round < 4; round++)
        {
            var code = $"tide-{round}";
            var answers = await TogetherAsync(() => client.PutAsJsonAsync("/api/kitchen/words", new { code, word = code, means = "navy" }));
            Assert.All(answers, a => Assert.Equal(HttpStatusCode.NoContent, a.StatusCode));
            var words = (await client.GetFromJsonAsync<JsonObject>("/api/kitchen/things"))!["words"]!.AsArray();
            Assert.Single(words, w => (string)w!["code"]! == code);
        }
    }

    [Fact]
    public async Task An_order_saved_by_all_at_once_is_saved_by_one()
    {
        var order = await client.CreatedAsync(Orders.Order(Orders.Line()));
        var input = Orders.Order(Orders.Line());
        input["version"] = order["version"]!.DeepClone();
        var answers = await TogetherAsync(() => client.PutAsJsonAsync($"/api/orders/{order["id"]}", input));
        Assert.Single(answers, a => a.StatusCode is HttpStatusCode.OK);
        Assert.All(answers.Where(a => a.StatusCode is not HttpStatusCode.OK), a => Assert.Equal(HttpStatusCode.Conflict, a.StatusCode));
    }

    [Fact]
    public async Task A_receipt_sent_by_all_at_once_counts_once_and_is_used_and_taken_back_once()
    {
        var receipt = new
        {
            id = Guid.CreateVersion7(),
            ware = "sprinkle.nonpareils",
            amount = 100,
            pack = (double?)null,
            price = (decimal?)null,
            bestBefore = (string?)null,
            place = "shelf"
        };
        var received = await TogetherAsync(() => client.PostAsJsonAsync("/api/pantry/lots", receipt));
        Assert.All(received, a => Assert.Equal(HttpStatusCode.OK, a.StatusCode));
        var used = await TogetherAsync(() => client.PostAsJsonAsync(
            $"/api/pantry/lots/{receipt.id}/movements", new { kind = "used", amount = 30, note = "" }));
        var taken = used.Count(a => a.StatusCode is HttpStatusCode.OK);
        var lot = (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["lots"]!.AsArray()
            .SingleOrDefault(l => (string)l!["id"]! == receipt.id.ToString());
        Assert.Equal(100 - (30 * taken), lot is null ? 0 : (double)lot["amount"]!);
        var last = (string)(await client.GetFromJsonAsync<JsonArray>($"/api/pantry/lots/{receipt.id}/movements"))![0]!["id"]!;
        var undone = await TogetherAsync(() => client.DeleteAsync($"/api/pantry/movements/{last}"));
        Assert.Single(undone, a => a.StatusCode is HttpStatusCode.NoContent);
    }

    [Fact]
    public async Task Orders_made_by_all_at_once_take_no_more_than_there_is()
    {
        (await client.PostAsJsonAsync(
            "/api/pantry/lots",
            new
            {
                id = Guid.CreateVersion7(),
                ware = "centre.sandwich-cookie.thin",
                amount = 60,
                pack = (double?)null,
                price = (decimal?)null,
                bestBefore = (string?)null,
                place = "shelf"
            })).EnsureSuccessStatusCode();
        var made = Orders.Order(Orders.Line("sandwich-cookie", "thin", 24, "teal", 1));
        made["state"] = "made";
        await TogetherAsync(() => client.PostAsJsonAsync("/api/orders", made));
        var lots = (await client.GetFromJsonAsync<JsonObject>("/api/pantry"))!["lots"]!.AsArray()
            .Where(l => (string)l!["ware"]! == "centre.sandwich-cookie.thin");
        Assert.All(lots, l => Assert.True((double)l!["amount"]! >= 0));
    }

    [Fact]
    public async Task A_list_taken_in_by_all_at_once_beside_new_orders_ends_in_no_server_error()
    {
        var csv = await client.GetStringAsync("/api/files/orders.csv", TestContext.Current.CancellationToken);
        await TogetherAsync(() => Random.Shared.Next(2) == 0
            ? client.PostAsJsonAsync("/api/orders", Orders.Order(Orders.Line()))
            : client.PostAsJsonAsync("/api/files/orders?apply=true", new { text = csv }));
    }

    [Theory]
    [InlineData(2_147_483_647)]
    [InlineData(0)]
    public async Task A_number_that_no_order_has_is_refused(int number)
    {
        var csv = await client.GetStringAsync("/api/files/orders.csv", TestContext.Current.CancellationToken);
        var head = csv.Split('\n')[0];
        await client.CreatedAsync(Orders.Order(Orders.Line()));
        var row = (await client.GetStringAsync("/api/files/orders.csv", TestContext.Current.CancellationToken)).Split('\n')
            .Last(l => l.Length > 0);
        var spoilt = $"{head}\n{number}{row[row.IndexOf(',', StringComparison.Ordinal)..]}\n";
        var answer = await client.PostAsJsonAsync("/api/files/orders?apply=true", new { text = spoilt });
        Assert.True((int)answer.StatusCode < 500);
        await client.CreatedAsync(Orders.Order(Orders.Line()));
        Assert.Contains(
            "Enter an order number from 1",
            await answer.Content.ReadAsStringAsync(TestContext.Current.CancellationToken),
            StringComparison.Ordinal);
    }
}

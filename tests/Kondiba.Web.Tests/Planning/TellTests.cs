using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Web.Tests;

/// <summary>What is told of steps while they are carried out: added to what was told before, and never lost or counted twice.</summary>
public sealed class TellTests(Server server) : IClassFixture<Server>
{
    private readonly Server server = server.WithPlanner();

    private static JsonArray Tasks(JsonObject day) => day["plan"]!["tasks"]!.AsArray();

    private static JsonObject Told(string task, string act = "done", string at = "2031-05-01T10:00:00", int? count = null) =>
        new() { ["id"] = Guid.NewGuid(), ["task"] = task, ["act"] = act, ["at"] = at, ["count"] = count };

    private static Task<HttpResponseMessage> TellAsync(HttpClient client, params JsonObject[] events) =>
        client.PostAsJsonAsync("/api/day/events", new JsonObject { ["events"] = new JsonArray([.. events]) });

    private static async Task<JsonObject> ToldAsync(HttpClient client, params JsonObject[] events)
    {
        var answer = await TellAsync(client, events);
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return await answer.ReadAsync();
    }

    private async Task<List<string>> KeptAsync(string task)
    {
        await using var scope = server.Own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        return await db.TaskEvents.IgnoreQueryFilters()
            .Where(e => e.Task == task)
            .OrderBy(e => e.Version)
            .ThenBy(e => e.Turn)
            .Select(e => $"{e.Act} {e.Pieces}")
            .ToListAsync();
    }

    [Fact]
    public async Task What_is_told_twice_counts_once_and_what_was_told_stays_written_when_it_is_taken_back()
    {
        using var client = await server.StartKitchenAsync("Once");
        await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var code = Tasks(await client.PlannedDayAsync()).Select(t => (string)t!["what"]!["code"]!)
            .Single(c => c.Contains("/dip.", StringComparison.Ordinal));
        var done = Told(code);
        var day = await ToldAsync(client, done);
        Assert.Equal(12, (int)day["arranged"]!["tasks"]![code]!["pieces"]!);
        var version = (int)day["version"]!;

        day = await ToldAsync(client, done.DeepClone().AsObject());
        Assert.Equal(version, (int)day["version"]!);
        day = await ToldAsync(client, Told(code, "undone"), Told(code, at: "2031-05-01T10:05:00"), Told(code, "undone"));
        Assert.Null(day["arranged"]!["tasks"]![code]?["done"]);
        Assert.Equal(["Done 12", "Undone ", "Done ", "Undone "], await KeptAsync(code));

        // What was told long ago, and comes only now, does not take back what was told since.
        await ToldAsync(client, done.DeepClone().AsObject());
        Assert.Equal(4, (await KeptAsync(code)).Count);
    }

    [Fact]
    public async Task Whoever_tells_at_the_same_moment_is_heard()
    {
        using var client = await server.StartKitchenAsync("Together");
        var lines = Enumerable.Range(0, 6).Select(i => Orders.Line("pretzel-rod", "one", 12 + i, "teal", 0.5));
        await client.CreatedAsync(Orders.In(2, [.. lines]));
        var codes = Tasks(await client.PlannedDayAsync()).Select(t => (string)t!["what"]!["code"]!)
            .Where(c => c.Contains("/dip.", StringComparison.Ordinal))
            .ToList();
        Assert.Equal(6, codes.Count);
        await Task.WhenAll(codes.Select(c => ToldAsync(client, Told(c))));
        var day = await client.PlannedDayAsync();
        Assert.All(codes, c => Assert.NotNull(day["arranged"]!["tasks"]![c]?["done"]));
        foreach (var code in codes)
            Assert.Single(await KeptAsync(code));
    }

    [Fact]
    public async Task What_is_counted_adds_up_whoever_counts_and_makes_no_other_plan()
    {
        using var client = await server.StartKitchenAsync("Counted");
        await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var day = await client.PlannedDayAsync();
        var code = Tasks(day).Select(t => (string)t!["what"]!["code"]!).Single(c => c.Contains("/dip.", StringComparison.Ordinal));
        Assert.Empty(day["progress"]!.AsObject());
        var two = Told(code, "made", count: 2);
        await Task.WhenAll(
            ToldAsync(client, two, Told(code, "made", count: -1)),
            ToldAsync(client, Told(code, "made", count: 6), Told(code, "spoilt", count: 1)),
            ToldAsync(client, Told(code, "notYet", count: 5), Told(code, "notYet", "2031-05-01T09:00:00", count: 30)));
        var after = await ToldAsync(client, two.DeepClone().AsObject());
        Assert.Equal(7, (int)after["progress"]![code]!["made"]!);
        Assert.Equal(1, (int)after["progress"]![code]!["spoilt"]!);
        Assert.Equal("2031-05-01T10:05:00", (string)after["progress"]![code]!["lookAt"]!);
        Assert.Equal((int)day["version"]!, (int)after["version"]!);
        Assert.Null(after["arranged"]!["tasks"]![code]);

        // What is done is done, whatever was counted, and stays so when somebody counts on.
        await ToldAsync(client, Told(code), Told(code, "made", count: 1));
        Assert.NotNull((await client.PlannedDayAsync())["arranged"]!["tasks"]![code]?["done"]);
    }

    [Fact]
    public async Task What_was_done_for_fewer_pieces_is_told_again_for_all_of_them()
    {
        using var client = await server.StartKitchenAsync("More");
        var order = await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var code = Tasks(await client.PlannedDayAsync()).Select(t => (string)t!["what"]!["code"]!)
            .Single(c => c.Contains("/dip.", StringComparison.Ordinal));
        await ToldAsync(client, Told(code));
        order["lines"]![0]!["amount"] = 18;
        Assert.True((await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order)).IsSuccessStatusCode);
        Assert.DoesNotContain(
            Tasks(await client.PlannedDayAsync()),
            t => ((string)t!["what"]!["code"]!).Contains('/', StringComparison.Ordinal) && t["mark"]?["done"] is not null);
        await ToldAsync(client, Told(code, at: "2031-05-01T11:00:00"));
        Assert.Equal(18, (int)(await client.PlannedDayAsync())["arranged"]!["tasks"]![code]!["pieces"]!);
    }

    [Fact]
    public async Task A_step_whose_line_is_gone_is_named_by_what_it_was_called()
    {
        using var client = await server.StartKitchenAsync("Gone");
        var order = await client.CreatedAsync(Orders.In(2, Orders.Line(), Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var rods = Tasks(await client.PlannedDayAsync())
            .Single(t => (string)t!["what"]!["title"]! == "Dip 12 pretzel rods in teal")!["what"]!;
        await ToldAsync(client, Told((string)rods["code"]!));
        order["lines"]!.AsArray().RemoveAt(1);
        Assert.True((await client.PutAsJsonAsync($"/api/orders/{order["id"]}", order)).IsSuccessStatusCode);
        var day = await client.PlannedDayAsync();
        Assert.DoesNotContain(Tasks(day), t => (string)t!["what"]!["code"]! == (string)rods["code"]!);
        Assert.Equal("Dip 12 pretzel rods in teal", (string)day["arranged"]!["tasks"]![(string)rods["code"]!]!["title"]!);
        Assert.All(Tasks(day), t => Assert.Null(t!["mark"]?["done"]));
    }

    /// <summary>A step of many own centres in many own colours is called by all their names.</summary>
    [Fact]
    public async Task A_step_with_a_long_name_is_kept_by_all_of_it()
    {
        using var client = await server.StartKitchenAsync("Long");
        await client.CreatedAsync(Orders.In(2, Orders.Line()));
        var day = await client.PlannedDayAsync();
        var (gone, title) = ($"{day["orders"]![0]!["code"]}/dip.9", new string('x', 2000));
        var arranged = day["arranged"]!.DeepClone();
        arranged["tasks"]![gone] = new JsonObject { ["done"] = "2031-05-01T10:00:00", ["title"] = title };
        var answer = await client.PutAsJsonAsync(
            "/api/day/arranged", new JsonObject { ["version"] = day["version"]!.DeepClone(), ["arranged"] = arranged });
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal(title, (string)(await answer.ReadAsync())["arranged"]!["tasks"]![gone]!["title"]!);
    }

    [Fact]
    public async Task What_names_no_step_or_is_too_much_is_refused()
    {
        using var client = await server.StartKitchenAsync("Refused");
        JsonObject[] tooMuch = [.. Enumerable.Range(0, 501).Select(_ => Told("a/b"))];
        JsonObject[][] all =
        [
            [Told("")], [Told(new string('x', 201))], tooMuch, [Told("a/b", "made")], [Told("a/b", "made", count: 0)],
            [Told("a/b", "spoilt", count: 2001)], [Told("a/b", "notYet", count: -5)], [Told("a/b", "done", count: 1)],
        ];
        foreach (var wrong in all)
            Assert.Equal(HttpStatusCode.BadRequest, (await TellAsync(client, wrong)).StatusCode);
        Assert.Equal(0, (int)(await client.PlannedDayAsync())["version"]!);
    }
}

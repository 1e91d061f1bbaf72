using System.Text.Json.Nodes;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Web.Tests;

public sealed class MigrationTests(Server server) : IClassFixture<Server>
{
    [Fact]
    public async Task Orders_kept_before_pots_had_keys_keep_their_counts_and_vessels()
    {
        await using var scope = server.Own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        var migrator = db.GetService<IMigrator>();
        await migrator.MigrateAsync("Orders");
        var (order, line) = (Guid.CreateVersion7(), Guid.CreateVersion7());
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO orders (id, kitchen_id, name, pickup, notes, changed_at)
            SELECT {order}, id, 'Lifeboat day', '2031-05-03 10:00', '', now() FROM kitchens WHERE NOT is_sample;
            INSERT INTO order_lines (order_id, id, kitchen_id, position, centre, size, count, colour, depth, coats)
            SELECT {order}, {line}, id, 0, 'strawberry', 'L', 24, 'teal', 0.75, 1 FROM kitchens WHERE NOT is_sample;
            INSERT INTO order_vessels (order_id, colour, kitchen_id, vessel)
            SELECT {order}, 'teal', id, 'jar' FROM kitchens WHERE NOT is_sample;
            """);
        await migrator.MigrateAsync();

        var read = await (await server.OwnMaker.GetAsync($"/api/orders/{order}")).ReadAsync();
        Assert.Equal((24, "pieces"), ((double)read["lines"]![0]!["amount"]!, (string)read["lines"]![0]!["countedIn"]!));
        Assert.Equal("jar", (string)read["pots"]![Orders.Pot("teal")]!["vessel"]!);
        Assert.Equal("jar", (string)read["tally"]!["pots"]![0]!["vessel"]!);
    }

    [Fact]
    public async Task What_was_marked_done_before_there_were_events_is_done_still_there_and_back()
    {
        await using var scope = server.Own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        var migrator = db.GetService<IMigrator>();
        await migrator.MigrateAsync("PlanSearches");
        var order = await db.Database.SqlQuery<int>($"SELECT last_number AS \"Value\" FROM kitchens WHERE NOT is_sample").SingleAsync();
        const string Marks =
            """
            {"tasks": {
                "KEY/dip.a": {"at": "2031-05-01T09:00:00", "done": "2031-05-01T09:40:00", "pieces": 12},
                "KEY/pack.a": {"done": "2031-05-01T12:00:00"},
                "KEY/dip.b": {"notBefore": "2031-05-02T08:00:00"}},
             "hours": [], "helpers": [], "places": []}
            """;
        var marks = Marks.Replace("KEY", $"{order}", StringComparison.Ordinal);
        await db.Database.ExecuteSqlAsync(
            $"INSERT INTO day_plans (kitchen_id, arranged, version) SELECT id, {marks}::jsonb, 3 FROM kitchens WHERE NOT is_sample");
        await migrator.MigrateAsync();
        Assert.Equal(
            ["dip.a 2031-05-01T09:40:00 12", "pack.a 2031-05-01T12:00:00 "],
            await db.TaskEvents.IgnoreQueryFilters().OrderBy(e => e.Task)
                .Select(e => $"{e.Task.Substring(e.Order!.Length + 1)} {e.At:uuuu-MM-ddTHH:mm:ss} {e.Pieces}")
                .ToListAsync());
        Assert.Equal(
            $"{order}/dip.a {order}/dip.b",
            string.Join(' ', (await db.DayPlans.IgnoreQueryFilters().SingleAsync(d => d.Version == 3)).Arranged.Tasks.Keys.Order()));

        await migrator.MigrateAsync("PlanSearches");
        var back = await db.Database.SqlQuery<string>(
            $"SELECT jsonb_strip_nulls(arranged -> 'tasks') AS \"Value\" FROM day_plans WHERE version = 3").SingleAsync();
        await migrator.MigrateAsync();
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(marks)!["tasks"], JsonNode.Parse(back)));
    }

    [Fact]
    public async Task A_deposit_that_was_paid_before_payments_were_kept_is_a_payment_or_a_note()
    {
        await using var scope = server.Own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        var (known, share) = ((await server.OwnMaker.CreatedAsync(Paid(25)))["id"], (await server.OwnMaker.CreatedAsync(Paid(null)))["id"]);
        var migrator = db.GetService<IMigrator>();
        await migrator.MigrateAsync("Acceptance");
        await db.Database.ExecuteSqlAsync($"UPDATE orders SET deposit_paid = TRUE WHERE name = 'Paid before'");
        await migrator.MigrateAsync();

        var order = await (await server.OwnMaker.GetAsync($"/api/orders/{known}")).ReadAsync();
        Assert.Equal(25, (double)Assert.Single(order["payments"]!.AsArray())!["amount"]!);
        var noted = await (await server.OwnMaker.GetAsync($"/api/orders/{share}")).ReadAsync();
        Assert.Empty(noted["payments"]!.AsArray());
        Assert.EndsWith("\nDeposit paid.", (string)noted["notes"]!, StringComparison.Ordinal);

        static JsonObject Paid(double? deposit)
        {
            var order = Orders.Order(Orders.Line());
            (order["name"], order["deposit"]) = ("Paid before", deposit);
            return order;
        }
    }
}

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
}

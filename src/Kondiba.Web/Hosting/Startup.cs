using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Hosting;

/// <summary>Brings the database up to date and makes the kitchen that the printed address opens.</summary>
internal sealed class Startup
{
    /// <summary>The kitchen that the key opens.</summary>
    public Guid KitchenId { get; private set; }

    public static async Task PrepareAsync(IServiceProvider services)
    {
        await using var scope = services.CreateAsyncScope();
        var settings = scope.ServiceProvider.GetRequiredService<KondibaSettings>();
        var db = scope.ServiceProvider.GetRequiredService<KondibaContext>();
        var clock = scope.ServiceProvider.GetRequiredService<IClock>();
        var newer = (await db.Database.GetAppliedMigrationsAsync()).Except(db.Database.GetMigrations()).ToList();
        if (newer.Count > 0)
            throw new NotSupportedException($"it was made by a newer version ({newer[^1]}), which alone can use it");
        await db.Database.MigrateAsync();

        var kitchen = await db.Kitchens.IgnoreQueryFilters().OrderBy(k => k.Id).FirstOrDefaultAsync(k => k.IsSample != settings.Own);
        if (kitchen is null)
        {
            var zone = DateTimeZoneProviders.Tzdb.GetSystemDefault();
            if (settings.Own)
            {
                kitchen = new() { Name = "My kitchen", TimeZone = zone.Id };
            }
            else
            {
                var now = clock.GetCurrentInstant();
                (kitchen, var rows) = SampleKitchen.From(now.InZone(zone).Date, now, zone.Id);
                db.AddRange(rows);
            }

            db.Add(kitchen);
            await db.SaveChangesAsync();
        }

        services.GetRequiredService<Startup>().KitchenId = kitchen.Id;
    }
}

using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Kitchens;

/// <summary>The kitchen that is open.</summary>
/// <param name="Name">Its name.</param>
/// <param name="IsSample">Whether it is the sample kitchen.</param>
/// <param name="Units">The units it reads.</param>
/// <param name="Now">The kitchen's clock.</param>
public sealed record KitchenView(string Name, bool IsSample, Units Units, LocalDateTime Now);

/// <summary>A change to the kitchen.</summary>
/// <param name="Units">The units it is to read.</param>
public sealed record KitchenChange(Units Units);

internal static class KitchenApi
{
    public static void MapKitchen(this RouteGroupBuilder api)
    {
        var kitchen = api.MapGroup("/kitchen").WithTags("Kitchen");
        kitchen.MapGet("", async (KondibaContext db, IClock clock) => TypedResults.Ok(View(await db.Kitchens.AsNoTracking().SingleAsync(), clock))).WithName("GetKitchen");
        kitchen.MapPatch("", async (KitchenChange change, KondibaContext db, IClock clock) =>
        {
            var row = await db.Kitchens.SingleAsync();
            row.Units = change.Units;
            await db.SaveChangesAsync();
            return TypedResults.Ok(View(row, clock));
        }).WithName("ChangeKitchen");
    }

    /// <summary>What the kitchen's clock shows.</summary>
    public static async Task<LocalDateTime> NowAsync(this KondibaContext db, IClock clock) =>
        Now(await db.Kitchens.Select(k => k.TimeZone).SingleAsync(), clock);

    private static KitchenView View(Kitchen kitchen, IClock clock) => new(kitchen.Name, kitchen.IsSample, kitchen.Units, Now(kitchen.TimeZone, clock));

    private static LocalDateTime Now(string timeZone, IClock clock) => clock.GetCurrentInstant().InZone(DateTimeZoneProviders.Tzdb[timeZone]).LocalDateTime;
}

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
        kitchen.MapGet("", async (KondibaContext db, KitchenClock clock) =>
            TypedResults.Ok(View(await db.Kitchens.AsNoTracking().SingleAsync(), await clock.NowAsync()))).WithName("GetKitchen");
        kitchen.MapPatch("", async (KitchenChange change, KondibaContext db, KitchenClock clock) =>
        {
            var row = await db.Kitchens.SingleAsync();
            row.Units = change.Units;
            await db.SaveChangesAsync();
            return TypedResults.Ok(View(row, await clock.NowAsync()));
        }).WithName("ChangeKitchen");
    }

    private static KitchenView View(Kitchen kitchen, LocalDateTime now) => new(kitchen.Name, kitchen.IsSample, kitchen.Units, now);
}

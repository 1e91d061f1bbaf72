using System.Collections.Concurrent;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Kitchens;

/// <summary>The clock on the wall of the request's kitchen. A kitchen's zone is read once and remembered.</summary>
internal sealed class KitchenClock(KondibaContext db, IClock clock)
{
    private static readonly ConcurrentDictionary<Guid, DateTimeZone> Zones = new();

    /// <summary>Has the zone read anew: the kitchen has moved.</summary>
    public void Forget() => Zones.TryRemove(db.KitchenId, out _);

    /// <summary>What it shows.</summary>
    public async Task<LocalDateTime> NowAsync() => clock.GetCurrentInstant().InZone(await ZoneAsync()).LocalDateTime;

    /// <summary>Its zone.</summary>
    public async Task<DateTimeZone> ZoneAsync()
    {
        if (!Zones.TryGetValue(db.KitchenId, out var zone))
        {
            zone = DateTimeZoneProviders.Tzdb[await db.Kitchens.Select(k => k.TimeZone).SingleAsync()];
            Zones[db.KitchenId] = zone;
        }

        return zone;
    }
}

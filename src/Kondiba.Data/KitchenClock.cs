using NodaTime;

namespace Kondiba.Data;

/// <summary>The clock on the wall of the request's kitchen.</summary>
public sealed class KitchenClock(KitchenThings things, IClock clock)
{
    /// <summary>What it shows.</summary>
    public async Task<LocalDateTime> NowAsync() => clock.GetCurrentInstant().InZone(await ZoneAsync()).LocalDateTime;

    /// <summary>Its zone.</summary>
    public Task<DateTimeZone> ZoneAsync() => things.ZoneAsync();
}

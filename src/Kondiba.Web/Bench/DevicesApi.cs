using Kondiba.Core.Bench;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Bench;

/// <summary>A probe or a scale of the kitchen.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">What it measures with.</param>
/// <param name="Name">What the kitchen calls it.</param>
/// <param name="MadeAt">When it was made known.</param>
/// <param name="Pot">Code of the step that melts the pot it is in; null when it is in none.</param>
/// <param name="LastAt">When it last read; null when it never did.</param>
/// <param name="Last">What it read then, in °C or grams.</param>
/// <param name="Apart">Readings that were set apart.</param>
/// <param name="ApartWhy">Why the last of them was: unit, range, future or old.</param>
public sealed record DeviceView(
    Guid Id,
    DeviceKind Kind,
    string Name,
    Instant MadeAt,
    string? Pot,
    Instant? LastAt,
    double? Last,
    int Apart,
    string? ApartWhy);

/// <summary>A device to be made known.</summary>
/// <param name="Kind">What it measures with.</param>
/// <param name="Name">What the kitchen calls it.</param>
public sealed record NewDevice(DeviceKind Kind, string Name);

/// <summary>A new device's own secret, told once.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Token">What it sends with its readings, as "Authorization: Bearer …".</param>
public sealed record DeviceToken(Guid Id, string Token);

/// <summary>Where a device is put.</summary>
/// <param name="Pot">Code of the step that melts the pot; null to take it out.</param>
public sealed record DevicePlace(string? Pot);

internal static class DevicesApi
{
    private const int LongestName = 60;
    private const int MostDevices = 50;

    public static void MapDevices(this RouteGroupBuilder api)
    {
        var devices = api.MapGroup("/devices").WithTags("Bench");
        devices.MapGet("", async (KondibaContext db) => TypedResults.Ok(await ViewsAsync(db)))
            .WithName("GetDevices").WithSummary("The kitchen's probes and scales, and what they last read.");
        devices.MapPost("", MakeAsync).RequireAuthorization(Sessions.Sessions.Owners).WithName("MakeDevice").WithSummary(
            "Makes a probe or a scale known; its token is told once. The same Idempotency-Key again gives a new token for it.");
        devices.MapDelete("/{id:guid}", async Task<Results<NoContent, NotFound>> (Guid id, KondibaContext db, IClock clock) =>
            await db.Devices.Where(d => d.Id == id && d.RevokedAt == null)
                .ExecuteUpdateAsync(set => set
                    .SetProperty(d => d.RevokedAt, clock.GetCurrentInstant())
                    .SetProperty(d => d.Pot, (string?)null)) == 1
                ? TypedResults.NoContent()
                : TypedResults.NotFound())
            .RequireAuthorization(Sessions.Sessions.Owners)
            .WithName("RevokeDevice")
            .WithSummary("Takes a device back: what it sends from now on is refused.");
        devices.MapPut("/{id:guid}/pot", PutAsync).WithName("PutDevice").WithSummary(
            "Puts a probe into a pot, or a pot onto a scale; another of its kind that was there is taken out.");
    }

    /// <summary>The kitchen's devices, with what they last read.</summary>
    private static async Task<List<DeviceView>> ViewsAsync(KondibaContext db) => await (
        from d in db.Devices.AsNoTracking()
        where d.RevokedAt == null
        orderby d.MadeAt
        let last = db.Readings.Where(r => r.DeviceId == d.Id).OrderByDescending(r => r.At).FirstOrDefault()
        select new DeviceView(
            d.Id,
            d.Kind,
            d.Name,
            d.MadeAt,
            d.Pot,
            last == null ? null : last.At,
            last == null ? null : last.Value,
            d.Apart,
            d.ApartWhy)).ToListAsync(db.Gone);

    private static async Task<Results<Ok<DeviceToken>, Refused>> MakeAsync(
        NewDevice wanted, [SentKey] Guid? key, KondibaContext db, IClock clock)
    {
        if (wanted.Name.Trim() is not { Length: > 0 and <= LongestName } name)
            return Refused.Because("name", "bench.device-name", "bench.cannot-kept");
        if (await db.Devices.CountAsync(d => d.RevokedAt == null && d.Id != key, db.Gone) >= MostDevices)
            return Refused.Because("kind", "bench.too-many-devices", "bench.cannot-kept");
        var token = Secret.New();

        // Sent again, the token that nobody may have seen gives way to the new one.
        var again = await db.Devices.AsTracking().SingleOrDefaultAsync(d => d.Id == key);
        if (again is null)
            db.Add(again = new()
            {
                Id = key ?? Guid.CreateVersion7(),
                KitchenId = db.KitchenId,
                Kind = wanted.Kind,
                Name = name,
                TokenHash = "",
                MadeAt = clock.GetCurrentInstant(),
            });
        again.TokenHash = Secret.Hash(token);
        await db.SaveChangesAsync();
        return TypedResults.Ok(new DeviceToken(again.Id, token));
    }

    private static async Task<Results<NoContent, NotFound>> PutAsync(Guid id, DevicePlace place, KondibaContext db, IClock clock)
    {
        var there = await db.Devices.AsTracking().Where(d => d.RevokedAt == null).ToListAsync();
        if (place.Pot is { Length: > 200 } || there.Find(d => d.Id == id) is not { } device)
            return TypedResults.NotFound();
        foreach (var other in there.Where(d => d != device && d.Kind == device.Kind && place.Pot is not null && d.Pot == place.Pot))
            (other.Pot, other.PutAt) = (null, null);
        (device.Pot, device.PutAt) = (place.Pot, place.Pot is null ? null : clock.GetCurrentInstant());
        await db.SaveChangesAsync();
        return TypedResults.NoContent();
    }
}

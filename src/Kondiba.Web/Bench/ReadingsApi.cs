using Kondiba.Core.Bench;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Bench;

/// <summary>What a device sends.</summary>
/// <param name="Readings">What it read, in any order; sent twice, each is there once.</param>
public sealed record DeviceReadings(IReadOnlyList<DeviceReading> Readings);

/// <summary>A reading that is not believed.</summary>
/// <param name="Index">Its place in what was sent.</param>
/// <param name="Why">unit, range, future or old.</param>
/// <param name="Says">The same in words, with what to do.</param>
public sealed record SetApart(int Index, string Why, Message Says);

/// <summary>What became of what was sent.</summary>
/// <param name="Kept">Readings that are kept.</param>
/// <param name="Doubled">Readings that were there before.</param>
/// <param name="Apart">Those that are not believed.</param>
public sealed record ReadingsTaken(int Kept, int Doubled, IReadOnlyList<SetApart> Apart);

internal static class ReadingsApi
{
    /// <summary>Where devices send what they read; they bring their token and no cookie.</summary>
    public const string Path = "/api/readings";

    // An hour, each second.
    private const int Most = 3_600;

    public static void MapReadings(this RouteGroupBuilder api) =>
        api.MapPost("/readings", TakeAsync)
            .RequireAuthorization(DeviceSignIn.Devices)
            .WithTags("Bench")
            .WithName("TakeReadings")
            .WithSummary("Takes down what a device read; it sends its token as \"Authorization: Bearer …\".");

    private static async Task<Results<Ok<ReadingsTaken>, Declined>> TakeAsync(
        DeviceReadings sent, HttpContext context, KondibaContext db, IClock clock)
    {
        var device = DeviceSignIn.Of(context);
        if (sent.Readings.Count > Most)
            return new Declined(
                StatusCodes.Status400BadRequest, Message.Of("refused.too-many-readings", ("most", Most)), "refused.send-in-parts");

        var now = clock.GetCurrentInstant();
        var looked = sent.Readings.Index().Select(r => (r.Index, r.Item.At, Read: r.Item.Check(device.Kind, now))).ToList();
        var apart = looked.Where(r => r.Read.Apart is not null)
            .Select(r => new SetApart(r.Index, r.Read.Apart!, Says(r.Read.Apart!)))
            .ToList();
        var kept = await KeepAsync(db, device, [.. looked.Where(r => r.Read.Apart is null).Select(r => (r.At, r.Read.Value!.Value))]);
        if (apart.Count > 0)
            await db.Devices.IgnoreQueryFilters().Where(d => d.Id == device.Id).ExecuteUpdateAsync(set => set
                .SetProperty(d => d.Apart, d => d.Apart + apart.Count)
                .SetProperty(d => d.ApartWhy, apart[^1].Why));
        return TypedResults.Ok(new ReadingsTaken(kept, looked.Count - apart.Count - kept, apart));
    }

    private static Message Says(string why) => why switch
    {
        "unit" => "bench.apart.unit",
        "future" => "bench.apart.future",
        "old" => "bench.apart.old",
        _ => "bench.apart.range",
    };

    /// <summary>Writes readings down in one go, each once; how many were new.</summary>
    private static async Task<int> KeepAsync(KondibaContext db, Device device, IReadOnlyList<(Instant At, double Value)> readings)
    {
        if (readings.Count == 0)
            return 0;
        var at = readings.Select(r => r.At).ToArray();
        var value = readings.Select(r => r.Value).ToArray();
        var pot = readings.Select(r => r.At >= device.PutAt ? device.Pot ?? "" : "").ToArray();
        return await db.Database.ExecuteSqlAsync(
            $"""
            INSERT INTO readings (device_id, kitchen_id, at, value, pot)
            SELECT {device.Id}, {device.KitchenId}, r.at, r.value, nullif(r.pot, '')
            FROM unnest({at}, {value}, {pot}) AS r (at, value, pot)
            ON CONFLICT DO NOTHING
            """);
    }
}

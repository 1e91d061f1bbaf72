using Kondiba.Core.Bench;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Bench;

/// <summary>A point of a pot's curve.</summary>
/// <param name="At">When, by the kitchen's clock.</param>
/// <param name="Temperature">What was read, or is foreseen.</param>
public sealed record CurvePoint(LocalDateTime At, Temperature Temperature);

/// <summary>A pot at the bench, as its probe and scale tell it.</summary>
/// <param name="Melt">Code of the step that melts it.</param>
/// <param name="At">Its temperature; null while no probe is to be believed.</param>
/// <param name="Advice">What to do with it.</param>
/// <param name="From">Coolest it is used.</param>
/// <param name="To">Warmest it is used.</param>
/// <param name="Limit">What it may be at most.</param>
/// <param name="Curve">What was read, oldest first; further back with fewer points.</param>
/// <param name="Ahead">How it goes on if it is left alone.</param>
/// <param name="Left">What is left in it; null while no scale is to be believed.</param>
/// <param name="Covers">Pieces that this is enough for; null likewise.</param>
/// <param name="Scale">What the scale tells, in words.</param>
public sealed record PotView(
    string Melt,
    Temperature? At,
    Advice Advice,
    Temperature From,
    Temperature To,
    Temperature Limit,
    IReadOnlyList<CurvePoint> Curve,
    IReadOnlyList<CurvePoint> Ahead,
    Mass? Left,
    int? Covers,
    Message Scale);

internal static class PotsApi
{
    // All readings of the last minutes, as cooling is told from them; of what is further back, the highest of each quarter of a minute.
    private static readonly Duration Whole = Duration.FromMinutes(6);
    private static readonly Duration Oldest = Duration.FromHours(6);
    private const int MostPoints = 240;

    public static void MapPots(this RouteGroupBuilder api) =>
        api.MapGet("/bench/pots/{melt}", GetAsync).WithTags("Bench").WithName("GetPot").WithSummary(
            "A pot as its probe and scale tell it: its curve, what to do now, what is left.");

    private static async Task<Results<Ok<PotView>, NotFound>> GetAsync(
        string melt, PlannedPots planned, KondibaContext db, KitchenThings things, IClock instants)
    {
        if (await planned.FindAsync(melt) is not { } found)
            return TypedResults.NotFound();
        var (now, zone) = (instants.GetCurrentInstant(), await things.ZoneAsync());
        var read = await ReadAsync(db, melt, now);
        List<PotReading> readings =
        [
            .. read.Where(r => r.Kind == nameof(DeviceKind.Probe))
                .Select(r => new PotReading(r.At, Quantities.Of<Temperature>(r.Value, "°C"))),
        ];
        List<PotWeight> weights =
        [
            .. read.Where(r => r.Kind == nameof(DeviceKind.Scale))
                .Select(r => new PotWeight(r.At, Quantities.Of<Mass>(r.Value, "g"))),
        ];
        var pot = PotNow.Of(
            new(found.Melt, found.IsMelted, found.Dipped, found.ToDip, readings, weights), await things.WithoutStockAsync(), now);
        return TypedResults.Ok(new PotView(
            melt,
            pot.At,
            pot.Advice,
            pot.From,
            pot.To,
            pot.Limit,
            [.. readings.Thinned(MostPoints).Select(r => new CurvePoint(r.At.InZone(zone).LocalDateTime, r.Temperature))],
            [.. pot.Ahead.Select((t, minute) => new CurvePoint(now.InZone(zone).LocalDateTime.PlusMinutes(minute), t))],
            pot.Left,
            pot.Covers,
            pot.Scale));
    }

    private static async Task<List<ReadRow>> ReadAsync(KondibaContext db, string melt, Instant now)
    {
        var (whole, oldest) = (now - Whole, now - Oldest);
        return await db.Database.SqlQuery<ReadRow>(
            $"""
            SELECT d.kind, r.at, r.value FROM readings r JOIN devices d ON d.id = r.device_id
            WHERE r.kitchen_id = {db.KitchenId} AND r.pot = {melt} AND r.at >= {whole}
            UNION ALL
            SELECT d.kind, max(r.at), max(r.value) FROM readings r JOIN devices d ON d.id = r.device_id
            WHERE r.kitchen_id = {db.KitchenId} AND r.pot = {melt} AND r.at < {whole} AND r.at >= {oldest}
            GROUP BY d.kind, date_bin('15 s', r.at, timestamptz '2000-01-01')
            ORDER BY at
            """).ToListAsync(db.Gone);
    }

    private sealed record ReadRow(string Kind, Instant At, double Value);
}

using System.Globalization;
using System.Text.Json;
using Kondiba.Core.Planning;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Data;

/// <summary>What a kitchen has to plan.</summary>
/// <param name="Key">The same for the same orders, kitchen and arrangements.</param>
/// <param name="Request">It, for the planner.</param>
/// <param name="Orders">Its orders.</param>
/// <param name="Version">Of what the maker has arranged.</param>
/// <param name="Search">The latest search for a plan; null before the first.</param>
public sealed record Load(string Key, PlanRequest Request, IReadOnlyList<Order> Orders, int Version, PlanSearch? Search)
{
    // A plan whose next task should have begun so long ago, in minutes, is made anew from now on.
    private const int MostBehind = 15;

    /// <summary>Whether the plan of the latest search is no longer for what there is to do now.</summary>
    public bool IsStale => Search is null || Search.Key != Key || IsBehind(Search);

    /// <summary>
    /// Whether what was planned stays where it is as far as it can, also when an order comes in; when one goes, the earlier plan is only
    /// where the search begins.
    /// </summary>
    public bool Stays => Search?.Found?.Plan.Orders.All(o => Request.Orders.Any(r => r.Code == o.Order)) is true;

    private bool IsBehind(PlanSearch search)
    {
        bool IsLong(LocalDateTime? time) => time?.PlusMinutes(MostBehind) < Request.Now;
        return IsLong(search.From)
            && search.Plan?.Tasks.Any(t => IsLong(t.Starts) && Request.Arranged.Tasks.GetValueOrDefault(t.What.Code)?.Done is null) is true;
    }
}

/// <summary>Reads what the scope's kitchen has to plan.</summary>
public sealed class Workload(KondibaContext db, KitchenThings things, KitchenClock clock, DayRecord record)
{
    // Orders further ahead are not planned yet: two weekends are, whatever day it is.
    private const int Days = 11;

    /// <summary>An order as plans and arrangements name it: by its number, which goes with it into another database.</summary>
    public static string CodeOf(int number) => number.ToString(CultureInfo.InvariantCulture);

    /// <summary>The number of an order, by its code.</summary>
    public static int NumberOf(string code) => int.Parse(code, CultureInfo.InvariantCulture);

    public async Task<Load> ReadAsync()
    {
        var (tables, now) = (await things.WithoutStockAsync(), await clock.NowAsync());
        var until = Until(now);
        var orders = await db.WholeOrders.ToBeMade()
            .Where(o => o.Pickup < until)
            .OrderBy(o => o.Pickup)
            .ThenBy(o => o.Id)
            .ToListAsync(db.Gone);
        var (version, arranged) = await record.ReadAsync(now, [.. orders.Select(o => CodeOf(o.Number))]);
        var search = await db.PlanSearches.AsNoTracking().SingleOrDefaultAsync(db.Gone);
        string[] parts =
        [
            .. orders.Select(o => $"{o.Id}:{o.Version}"),
            $"{await things.ThingsRevisionAsync()}",
            JsonSerializer.Serialize(arranged, KitchenItem.Json),
        ];
        var planned = orders.Select(o => new PlannedOrder(CodeOf(o.Number), o.ToDraft()));
        var request = new PlanRequest([.. planned], tables, arranged, now, await clock.ZoneAsync());
        return new(string.Join(' ', parts), request, orders, version, search);
    }

    /// <summary>How many orders to be made are further ahead than is planned.</summary>
    public async Task<int> LaterAsync()
    {
        var until = Until(await clock.NowAsync());
        return await db.Orders.ToBeMade().CountAsync(o => o.Pickup >= until, db.Gone);
    }

    private static LocalDateTime Until(LocalDateTime now) => now.Date.PlusDays(Days).AtMidnight();
}

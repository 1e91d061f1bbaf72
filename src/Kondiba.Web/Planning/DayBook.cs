using System.Globalization;
using System.Text.Json;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Web.Kitchens;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Planning;

/// <summary>The request's kitchen's plan: what is open, what was arranged, what was found.</summary>
internal sealed class DayBook(KondibaContext db, KitchenThings things, KitchenClock clock, PlanRuns runs)
{
    // Orders further ahead are not planned yet: two weekends are, whatever day it is.
    private const int Days = 11;

    // A plan whose next task should have begun so long ago is made anew from now on.
    private const int Late = 15;
    // So long a request waits for a first plan; then it is asked for again.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(3);

    /// <summary>An order as plans and arrangements name it: by its number, which goes with it into another database.</summary>
    public static string CodeOf(Order order) => CodeOf(order.Number);

    /// <summary>The same of its number.</summary>
    public static string CodeOf(int number) => number.ToString(CultureInfo.InvariantCulture);

    /// <summary>The kitchen's row, to be read or changed; there is one as soon as something is kept.</summary>
    public async Task<DayPlan> RowAsync()
    {
        var row = await db.DayPlans.AsTracking().SingleOrDefaultAsync();
        if (row is not null)
            return row;
        row = new() { KitchenId = db.KitchenId };
        db.Add(row);
        return row;
    }

    /// <summary>The search for the kitchen's plan, with its first answer there.</summary>
    /// <param name="anew">Whether to plan from nothing, as if there had been no plan.</param>
    public async Task<(PlanRun Run, IReadOnlyList<Order> Orders, DayPlan Row)> RunAsync(bool anew = false)
    {
        var (tables, now) = (await things.WithoutStockAsync(), await clock.NowAsync());
        var until = now.Date.PlusDays(Days).AtMidnight();
        var orders = await db.WholeOrders.ToBeMade()
            .Where(o => o.Pickup < until)
            .OrderBy(o => o.Pickup)
            .ThenBy(o => o.Id)
            .ToListAsync();
        var row = await db.DayPlans.AsNoTracking().SingleOrDefaultAsync() ?? new() { KitchenId = db.KitchenId };
        var found = row.Found;
        var behind = found?.Plan.Tasks.Any(t => t.Starts.PlusMinutes(Late) < now
            && row.Arranged.Tasks.GetValueOrDefault(t.What.Code)?.Done is null) is true;
        var key = $"{string.Join(' ', orders.Select(o => $"{o.Id}:{o.Version}"))} {await things.ThingsRevisionAsync()} {JsonSerializer.Serialize(row.Arranged, KitchenItem.Json)} {(behind ? now.Date.At(new(now.Hour, now.Minute / Late * Late)) : null)}";
        var request = new PlanRequest([.. orders.Select(o => new PlannedOrder(CodeOf(o), o.ToDraft()))], tables, row.Arranged, now);
        var run = runs.Get(db.KitchenId, key, request, found, anew);
        await Task.WhenAny(run.First, Task.Delay(Patience));
        return (run, orders, row);
    }

    /// <summary>How many orders to be made are further ahead than is planned.</summary>
    public async Task<int> LaterAsync()
    {
        var until = (await clock.NowAsync()).Date.PlusDays(Days).AtMidnight();
        return await db.Orders.ToBeMade().CountAsync(o => o.Pickup >= until);
    }

    /// <summary>The plan that the kitchen saw last; null before the first.</summary>
    public Plan? Shown(DayPlan row) => runs.Latest(db.KitchenId) ?? row.Found?.Plan;

    /// <summary>Keeps a plan that was found.</summary>
    public async Task KeepAsync(FoundPlan found)
    {
        try
        {
            (await RowAsync()).Found = found;
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException)
        {
            // The maker arranged something meanwhile: that starts a search of its own, which keeps its plan.
        }
    }
}

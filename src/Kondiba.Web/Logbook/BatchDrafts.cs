using Kondiba.Core.Amounts;
using Kondiba.Core.Bench;
using Kondiba.Core.Logbook;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Web.Bench;
using Kondiba.Web.Orders;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Logbook;

/// <summary>Fills in of a batch what the order, the plan, the bench, the probe and the scale already know.</summary>
internal sealed class BatchDrafts(
    KondibaContext db, OrderService orderService, KitchenThings things, KitchenClock kitchenClock, PlannedPots pots, DayRecord record)
{
    // What a scale said of a pot before dipping began is worth as much as this long before the first piece.
    private static readonly Duration Oldest = Duration.FromHours(18);

    private const double Slight = 0.01;

    /// <summary>A batch of one pot of an order, as if it had gone as planned; null where there is no such pot.</summary>
    public async Task<Batch?> OfOrderAsync(Guid id, string pot)
    {
        var order = await orderService.FindAsync(id);
        if (order is null)
            return null;
        var now = await kitchenClock.NowAsync();
        var draft = order.ToDraft();
        var tally = CoatingTally.For(draft, (await things.ToldAsync()).Untaught, now);
        if (tally.Pots.FirstOrDefault(p => p.Key == pot) is not { Ways.Count: > 0 } made)
            return null;
        var day = order.Pickup is { } pickup && pickup < now ? pickup.Date : now.Date;
        var lines = made.Ways.Select(w => w.Line).Distinct()
            .Select(l => (Line: l, Made: tally.Lines.First(t => t.Line == l).Count.Value, Spoilt: 0));
        return Of(made, draft, tally, lines) with { MadeOn = day, Order = order.Name, OrderId = order.Id };
    }

    /// <summary>A batch of a pot of the day's plan, with what was counted, weighed and read; null where there is no such pot.</summary>
    public async Task<Batch?> OfMeltAsync(string melt)
    {
        if (await pots.FindAsync(melt) is not { } planned)
            return null;
        var now = await kitchenClock.NowAsync();
        var dips = planned.Dips.Where(d => d.Order is not null).ToLookup(d => Workload.NumberOf(d.Order!));
        var numbers = dips.Select(d => d.Key).ToList();
        var orders = await db.WholeOrders.Where(o => numbers.Contains(o.Number)).ToListAsync(db.Gone);
        var progress = await record.ProgressAsync([.. orders.Select(o => Workload.CodeOf(o.Number))]);
        Batch? batch = null;
        foreach (var order in orders)
        {
            var draft = order.ToDraft();
            var tally = CoatingTally.For(draft, (await things.ToldAsync()).Untaught, now);
            if (tally.Pots.FirstOrDefault(p => p.Key == planned.Melt.Pot) is not { Ways.Count: > 0 } pot)
                continue;
            var lines = pot.Ways.Select(w => w.Line).Distinct().Select(l => Counted(l, tally, progress, dips[order.Number]));
            var part = Of(pot, draft, tally, lines);
            batch = batch is null
                ? part with { MadeOn = now.Date, Order = order.Name, OrderId = order.Id }
                : batch with { Pieces = [.. batch.Pieces, .. part.Pieces], Bags = (batch.Bags ?? 0) + (part.Bags ?? 0) };
        }

        return batch is null ? null : await ReadAsync(batch with { Vessel = planned.Melt.Vessel }, melt);
    }

    private static (int Line, int Made, int Spoilt) Counted(
        int line, CoatingTally tally, IReadOnlyDictionary<string, TaskProgress> progress, IEnumerable<TaskInfo> dips)
    {
        var told = dips.Where(d => d.Lines.Contains(line)).Select(d => progress.GetValueOrDefault(d.Code)).OfType<TaskProgress>().ToList();
        var made = told.Sum(t => t.Made);
        return (line, made > 0 ? made : tally.Lines.First(t => t.Line == line).Count.Value, told.Sum(t => t.Spoilt));
    }

    private static Batch Of(Pot pot, OrderDraft draft, CoatingTally tally, IEnumerable<(int Line, int Made, int Spoilt)> lines)
    {
        var some = lines
            .Select(l => (Draft: draft.Lines[l.Line], Tally: tally.Lines.First(t => t.Line == l.Line), l.Made, l.Spoilt))
            .ToList();

        // Where the pot gives more than the first coats, such as dips over them, each piece has its share of that.
        var times = pot.OnPieces.Value / some.Select(l => l.Tally.OnPieces.Value).Total();
        var isPlain = Math.Abs(times - 1) < Slight;
        return new()
        {
            MadeOn = default,
            Drying = [],
            Wrong = [],
            Coating = pot.Coating,
            Colour = pot.Colour,
            Vessel = pot.Vessel,
            Thinner = pot.Thinner?.Code ?? PotDraft.NoThinner,
            Bags = pot.Drizzle is { } drizzle ? Math.Round(drizzle.InBags.Value.In("g")) : null,
            Pieces =
            [
                .. some.Select(l => new BatchPieces(
                    l.Draft.Centre!,
                    l.Draft.Size!,
                    l.Draft.Depth,
                    l.Made,
                    l.Spoilt,
                    l.Draft.Coats,
                    l.Draft.AtOnce,
                    l.Draft.Upright,
                    isPlain ? null : Math.Round((l.Tally.PerPiece.Value * times).In("g"), 3))),
            ],
        };
    }

    /// <summary>The batch with what its probe read as dipping began, and what its scale read first and last.</summary>
    private async Task<Batch> ReadAsync(Batch batch, string melt)
    {
        var newest = await db.Readings.Where(r => r.Pot == melt).MaxAsync(r => (Instant?)r.At, db.Gone);
        if (newest is not { } last)
            return batch;
        var read = await (
            from r in db.Readings.AsNoTracking()
            join d in db.Devices on r.DeviceId equals d.Id
            where r.Pot == melt && r.At > last - Oldest
            orderby r.At
            select new { d.Kind, r.At, r.Value }).ToListAsync(db.Gone);
        var weights = read.Where(r => r.Kind == DeviceKind.Scale).ToList();
        var heaviest = weights.MaxBy(w => w.Value);
        var began = weights.Find(w => heaviest is not null && w.At > heaviest.At && w.Value < heaviest.Value - 1);
        var dippedAt = read.LastOrDefault(r => r.Kind == DeviceKind.Probe && (began is null || r.At <= began.At));
        return batch with
        {
            Before = heaviest is null ? null : Math.Round(heaviest.Value),
            After = weights.Count < 2 ? null : Math.Round(weights[^1].Value),
            DippedAt = dippedAt is null ? null : Math.Round(dippedAt.Value, 1),
        };
    }
}

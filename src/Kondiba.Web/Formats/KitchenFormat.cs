using System.Text.Json;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Learning;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Formats;

/// <summary>Writes the whole kitchen as one document, and makes a kitchen of one.</summary>
internal sealed class KitchenFormat(
    KondibaContext db, DayRecord record, KitchenClock clock, IClock instants, KitchenTables shipped)
{
    /// <summary>The kitchen as it stands.</summary>
    public async Task<string> ExportAsync()
    {
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var items = await db.KitchenItems.AsNoTracking().ToListAsync(db.Gone);
        var own = KitchenItem.Read(items);
        var orders = await db.WholeOrders.OrderBy(o => o.Number).ToListAsync(db.Gone);
        var numbers = orders.ToDictionary(o => o.Id, o => o.Number);
        var lots = await db.PantryLots.AsNoTracking().Include(l => l.Movements).ToListAsync(db.Gone);
        var arranged = await ArrangedAsync();
        var batches = await db.Batches.AsNoTracking().Where(b => b.RemovedAt == null)
            .OrderByDescending(b => b.MadeOn).ThenBy(b => b.Id).ToListAsync(db.Gone);
        bool Said(ItemKind kind) => items.Any(i => i.Kind == kind);
        return JsonSerializer.Serialize(
            new KitchenDocument(
                KitchenDocument.FormatName,
                KitchenDocument.CurrentVersion,
                kitchen.Name,
                kitchen.Units,
                kitchen.TimeZone,
                kitchen.LastNumber,
                Said(ItemKind.Ways) ? own.Ways : null,
                Said(ItemKind.Rates) ? own.Rates : null,
                own.Centres,
                own.Coatings,
                own.Tints,
                own.Vessels,
                own.Looks,
                own.Wares,
                own.Fillings,
                own.Moulds,
                [.. orders.Select(o => new OrderDocument(
                    o.Number, o.State, o.IsTemplate, o.ChangedAt, o.RemovedAt, InOrder(o.ToDraft()), o.AcceptedAt))],
                Sorted(lots.Select(LotOf), l => l.ReceivedOn),
                own.Places,
                own.Working,
                arranged.Count == 0
                    ? null
                    : arranged with { Tasks = arranged.Tasks.OrderBy(t => t.Key, StringComparer.Ordinal).ToDictionary() },
                own.Toppings,
                own.Parts,
                own.Words,
                own.Figures,
                batches.Count == 0 ? null : [.. batches.Select(b => b.Logged)],
                own.Learning,
                own.Labels,
                kitchen.Locale,
                kitchen.Currency),
            KitchenDocument.Json) + "\n";

        LotDocument LotOf(PantryLot l) => new(
            l.Ware, l.Amount, l.Pack, l.Price, l.BestBefore, l.Place, l.ReceivedOn,
            Sorted(
                l.Movements.Select(m => new MovementDocument(m.Kind, m.Amount, m.At, m.OrderId is { } id ? numbers[id] : null, m.Note)),
                m => m.At));
    }

    private static OrderDraft InOrder(OrderDraft draft) => draft with
    {
        Pots = draft.Pots.OrderBy(p => p.Key, StringComparer.Ordinal).ToDictionary(),
        Schools = draft.Schools?.OrderBy(s => s.Key, StringComparer.Ordinal).ToDictionary(),
    };

    /// <summary>Rows have no order of their own: what is written of them decides.</summary>
    private static List<T> Sorted<T, TKey>(IEnumerable<T> rows, Func<T, TKey> by) =>
        [.. rows.OrderBy(by).ThenBy(r => JsonSerializer.Serialize(r, KitchenDocument.Json), StringComparer.Ordinal)];

    /// <summary>Puts a document in place of all that is in the kitchen, or only says what that would change.</summary>
    /// <param name="text">The document.</param>
    /// <param name="apply">Whether to do it; with anything wrong in it nothing is done.</param>
    public async Task<ImportPlan> ImportAsync(string text, bool apply)
    {
        KitchenDocument document;
        try
        {
            document = JsonSerializer.Deserialize<KitchenDocument>(
                text, KitchenDocument.Json) ?? throw new JsonException("null is no kitchen");
        }
        catch (JsonException e)
        {
            return new(
                [],
                [new(
                    (int)(e.LineNumber ?? -1) + 1, e.Path is { Length: > 2 } path ? path[2..] : "", "formats.not-kitchen-kondiba-writes")]);
        }

        var check = new KitchenCheck(document, shipped, db.KitchenId, await clock.NowAsync());
        var made = check.All();
        if (check.Found.Count > 0)
            return ImportPlan.Not(check.Found);
        var changes = await ChangesAsync(document);
        if (!apply)
            return new(changes, []);
        await ReplaceAsync(document, made);
        return new(changes, [], Done: true);
    }

    /// <summary>What is arranged for the orders that are still to be made.</summary>
    private async Task<Arrangements> ArrangedAsync()
    {
        var open = await db.Orders.ToBeMade().Select(o => o.Number).ToListAsync(db.Gone);
        return (await record.ReadAsync(await clock.NowAsync(), open.ConvertAll(Workload.CodeOf))).Arranged;
    }

    private async Task<List<Message>> ChangesAsync(KitchenDocument d)
    {
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var items = await db.KitchenItems.AsNoTracking().GroupBy(i => i.Kind).ToDictionaryAsync(g => g.Key, g => g.Count(), db.Gone);
        List<Message> changes = [];
        void Counted(Message what, int here, int there)
        {
            if (here > 0 || there > 0)
                changes.Add(Message.Of("formats.goes-and-comes", ("what", what), ("here", here), ("there", there)));
        }

        if (kitchen.Name != d.Name)
            changes.Add(Message.Of("formats.kitchen-s-name-becomes", ("kitchen", kitchen.Name), ("d", d.Name)));
        if (kitchen.TimeZone != d.TimeZone)
            changes.Add(Message.Of("formats.time-zone-becomes", ("timeZone", kitchen.TimeZone), ("timeZone2", d.TimeZone)));
        Counted("formats.orders", await db.Orders.CountAsync(db.Gone), d.Orders.Count);
        Counted("formats.lots-pantry", await db.PantryLots.CountAsync(db.Gone), d.Lots.Count);
        Counted("formats.batches", await db.Batches.CountAsync(b => b.RemovedAt == null, db.Gone), d.Batches?.Count ?? 0);
        Counted("formats.arrangements-day", (await ArrangedAsync()).Count, d.Arranged?.Count ?? 0);
        foreach (var (kind, what, there) in new (ItemKind, Message, int)[]
        {
            (ItemKind.Look, "formats.looks", d.Looks.Count), (ItemKind.Centre, "formats.own-centres", d.Centres.Count),
            (ItemKind.Coating, "formats.own-coatings", d.Coatings.Count),
            (ItemKind.Tint, "formats.own-colours", d.Tints.Count), (ItemKind.Vessel, "formats.own-vessels", d.Vessels.Count),
            (ItemKind.Ware, "formats.packs-marks-wares", d.Wares.Count),
            (ItemKind.Filling, "formats.own-recipes", d.Fillings.Count), (ItemKind.Mould, "formats.own-moulds", d.Moulds.Count),
            (ItemKind.Place, "formats.own-places", d.Places?.Count ?? 0), (ItemKind.Working, "formats.hours-hands", d.Working is null
                ? 0
                : 1),
            (ItemKind.Topping, "formats.own-toppings", d.Toppings?.Count ?? 0), (ItemKind.Part, "formats.own-parts", d.Parts?.Count ?? 0),
            (ItemKind.Word, "formats.own-words", d.Words?.Count ?? 0),
            (ItemKind.Figure, "formats.own-figures", d.Figures?.Count ?? 0),
            (ItemKind.Ways, "formats.ways-working", d.Ways is null ? 0 : 1),
            (ItemKind.Learning, "formats.learning", d.Learning is null ? 0 : 1), (ItemKind.Rates, "formats.rates", d.Rates is null ? 0 : 1),
            (ItemKind.Labels, "formats.labels", d.Labels is null ? 0 : 1),
        })
            Counted(what, items.GetValueOrDefault(kind), there);
        return changes;
    }

    private async Task ReplaceAsync(KitchenDocument d, List<Order> orders)
    {
        await using var all = await db.Database.BeginTransactionAsync();
        await db.ClearAsync();
        var kitchen = await db.Kitchens.AsTracking().SingleAsync(db.Gone);
        (kitchen.Name, kitchen.Units, kitchen.TimeZone, kitchen.LastNumber) = (d.Name, d.Units, d.TimeZone, d.LastNumber);
        (kitchen.Locale, kitchen.Currency) = (d.Locale ?? kitchen.Locale, d.Currency ?? kitchen.Currency);
        Add<Ways>(ItemKind.Ways, d.Ways is { } ways ? [ways] : [], _ => "ways");
        Add<Rates>(ItemKind.Rates, d.Rates is { } rates ? [rates] : [], _ => "rates");
        Add(ItemKind.Centre, d.Centres, c => c.Code);
        Add(ItemKind.Coating, d.Coatings, c => c.Code);
        Add(ItemKind.Tint, d.Tints, t => t.Code);
        Add(ItemKind.Vessel, d.Vessels, v => v.Code);
        Add(ItemKind.Look, d.Looks, l => l.Code);
        Add(ItemKind.Ware, d.Wares, w => w.Code);
        Add(ItemKind.Filling, d.Fillings, f => f.Code);
        Add(ItemKind.Mould, d.Moulds, m => m.Code);
        Add(ItemKind.Place, d.Places ?? [], p => p.Code);
        Add(ItemKind.Topping, d.Toppings ?? [], t => t.Code);
        Add(ItemKind.Part, d.Parts ?? [], p => p.Code);
        Add(ItemKind.Word, d.Words ?? [], w => w.Code);
        Add(ItemKind.Figure, d.Figures ?? [], f => f.Code);
        Add<Working>(ItemKind.Working, d.Working is { } working ? [working] : [], _ => "working");
        Add<LearningChoice>(ItemKind.Learning, d.Learning is { } learning ? [learning] : [], _ => "learning");
        Add<LabelSettings>(ItemKind.Labels, d.Labels is { } labels ? [labels] : [], _ => "labels");
        db.AddRange((d.Batches ?? []).Select(b => new KitchenBatch
        {
            Id = b.Id,
            KitchenId = db.KitchenId,
            MadeOn = b.Batch.MadeOn,
            Batch = b.Batch,
            Expected = b.Expected,
            LoggedAt = instants.GetCurrentInstant(),
        }));
        if (d.Arranged is { } arranged)
            record.Keep(await record.RowAsync(), arranged, Arrangements.None, instants.GetCurrentInstant(), by: null);
        db.AddRange(orders);
        var byNumber = orders.ToDictionary(o => o.Number, o => o.Id);
        AddLots(d.Lots, byNumber);
        await db.SaveChangesAsync();
        await all.CommitAsync();

        void Add<T>(ItemKind kind, IEnumerable<T> things, Func<T, string> code) =>
            db.AddRange(things.Select(t => KitchenItem.Of(db.KitchenId, kind, code(t), t)));
    }

    private void AddLots(IReadOnlyList<LotDocument> lots, Dictionary<int, Guid> byNumber)
    {
        foreach (var l in lots)
        {
            var lot = new PantryLot
            {
                KitchenId = db.KitchenId,
                Ware = l.Ware,
                Amount = l.Amount,
                Pack = l.Pack,
                Price = l.Price,
                BestBefore = l.BestBefore,
                Place = l.Place,
                ReceivedOn = l.ReceivedOn
            };
            lot.Movements.AddRange(l.Movements.Select(m => new LotMovement
            {
                LotId = lot.Id,
                KitchenId = db.KitchenId,
                Kind = m.Kind,
                Amount = m.Amount,
                At = m.At,
                OrderId = m.Order is { } number ? byNumber[number] : null,
                Note = m.Note,
            }));
            db.Add(lot);
        }
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Logbook;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Orders;
using Kondiba.Web.Pantry;
using NodaTime;

namespace Kondiba.Web.Formats;

/// <summary>What is wrong with a kitchen's document, and the orders that it makes where nothing is.</summary>
internal sealed class KitchenCheck(KitchenDocument d, KitchenTables shipped, Guid kitchen, LocalDateTime now)
{
    private const int LongestName = 80;

    // What was found sound so far: each kind is checked against the tables that the kinds before it make.
    private OwnThings own = OwnThings.None;

    public List<ImportProblem> Found { get; } = [];

    private KitchenTables Tables => OwnTables.For(shipped, own);

    /// <summary>The orders; none where something is wrong with what comes before them.</summary>
    public List<Order> All()
    {
        Head();
        if (!Things())
            return [];
        var orders = Orders();
        Add("arranged", OwnCheck.Of(d.Arranged ?? Arrangements.None));
        Lots();
        Batches();
        return orders;
    }

    private void Head()
    {
        if (d.Format != KitchenDocument.FormatName || d.Version != KitchenDocument.CurrentVersion)
            Wrong(
                "format",
                Message.Of(
                    "formats.version-program-reads-version",
                    ("format", d.Format),
                    ("version", d.Version),
                    ("formatName", KitchenDocument.FormatName),
                    ("currentVersion", KitchenDocument.CurrentVersion)));
        if (DateTimeZoneProviders.Tzdb.GetZoneOrNull(d.TimeZone) is null)
            Wrong("timeZone", Message.Of("formats.time-zone-called-write", ("timeZone", d.TimeZone)));
        if (string.IsNullOrWhiteSpace(d.Name) || d.Name.Length > LongestName)
            Wrong("name", "formats.kitchen-name-most-characters");
        foreach (var problem in OwnCheck.Writing(d.Locale, d.Currency))
            Wrong(problem.Field, problem.Reason);
    }

    /// <summary>Checks what a kitchen has of its own; whether all of it is sound.</summary>
    private bool Things()
    {
        Each("tints", d.Tints, t => t.Code, (t, _) => OwnCheck.Of(t));
        own = own with { Tints = d.Tints };
        Each("centres", d.Centres, c => c.Code, (c, t) => OwnCheck.Of(c, t.Reference));
        Each("coatings", d.Coatings, c => c.Code, (c, t) => OwnCheck.Of(c, t.Reference));
        Each("vessels", d.Vessels, v => v.Code, (v, _) => OwnCheck.Of(v));
        if (Found.Count > 0)
            return false;
        own = own with { Centres = d.Centres, Coatings = d.Coatings, Vessels = d.Vessels };
        Each("toppings", d.Toppings ?? [], t => t.Code, (t, kitchen) => OwnCheck.Of(t, kitchen.Reference));
        Each("parts", d.Parts ?? [], p => p.Code, (p, t) => OwnCheck.Of(p, t.Reference));
        Each("words", d.Words ?? [], w => w.Code, (w, _) => OwnCheck.Of(w));
        if (Found.Count > 0)
            return false;
        own = own with { Toppings = d.Toppings ?? [], Parts = d.Parts ?? [], Words = d.Words ?? [] };
        Each("figures", d.Figures ?? [], f => f.Code, (f, t) => OwnCheck.Of(f, t.Reference));
        if (Found.Count > 0)
            return false;
        own = own with { Figures = d.Figures ?? [] };
        Each("fillings", d.Fillings, f => f.Code, (f, t) => OwnCheck.Of(f, t.Reference));
        Each("moulds", d.Moulds, m => m.Code, (m, _) => OwnCheck.Of(m));
        Each("places", d.Places ?? [], p => p.Code, (p, _) => OwnCheck.Of(p));
        if (d.Working is { } working)
            Add("working", OwnCheck.Of(working));
        if (Found.Count > 0)
            return false;
        own = own with { Fillings = d.Fillings, Moulds = d.Moulds, Places = d.Places ?? [], Working = d.Working };
        Each("wares", d.Wares, w => w.Code, (w, t) => OwnCheck.Of(w, t.Reference));
        Add("ways", OwnCheck.Of(d.Ways ?? new(), Tables.Reference));
        Add("rates", OwnCheck.Of(d.Rates ?? new()));
        Add("labels", OwnCheck.Of(d.Labels ?? new(), Tables.Reference));
        own = own with { Wares = d.Wares };
        Each("looks", d.Looks, l => l.Code, (l, t) => l.Check(t));
        own = own with { Ways = d.Ways ?? new(), Rates = d.Rates ?? new(), Looks = d.Looks };
        return Found.Count == 0;
    }

    private List<Order> Orders()
    {
        var (tables, orders, zone) = (Tables, new List<Order>(), DateTimeZoneProviders.Tzdb[d.TimeZone]);
        if (d.Orders.Select(o => o.Number).Distinct().Count() < d.Orders.Count
            || d.Orders.Any(o => o.Number < 1 || o.Number > d.LastNumber)
            || d.LastNumber is < 0 or > OrdersImport.MostNumber)
            Wrong("orders", "formats.every-order-number-own");
        foreach (var (i, o) in d.Orders.Index())
        {
            var draft = o.WithPayments(zone);
            var tally = CoatingTally.For(draft, tables, now);
            var before = Found.Count;
            Add($"orders[{i}].order", tally.Problems.Where(p => p.Field != "pickup" || draft.Pickup is null));
            if (Found.Count > before)
                continue;
            var order = new Order { KitchenId = kitchen, Name = "", Number = o.Number };
            OrderService.Write(
                order,
                new(draft) { Version = 0, State = o.State, IsTemplate = o.IsTemplate },
                tally,
                tables.Reference,
                o.ChangedAt,
                prices: true);
            (order.RemovedAt, order.AcceptedAt) = (o.RemovedAt, o.AcceptedAt);
            orders.Add(order);
        }

        return orders;
    }

    private void Lots()
    {
        var reference = Tables.Reference;
        foreach (var (i, lot) in d.Lots.Index())
        {
            Add(
                $"lots[{i}]",
                PantryService.Check(
                    new(default, lot.Ware, Math.Max(lot.Amount, 1), lot.Pack, lot.Price, lot.BestBefore, lot.Place), reference));
            if (lot.Amount < 0 || Math.Abs(lot.Movements.Sum(m => m.Amount) - lot.Amount) > 1e-3)
                Wrong($"lots[{i}].amount", "formats.what-left-not-what");
            if (lot.Movements.Any(m => m.Order is { } number && d.Orders.All(o => o.Number != number)))
                Wrong($"lots[{i}].movements", "formats.was-used-order-not");
        }
    }

    /// <summary>Checks the logbook; what a batch was dipped in or was made of may be gone from the kitchen since.</summary>
    private void Batches()
    {
        var (tables, batches) = (Tables, d.Batches ?? []);
        if (batches.Select(b => b.Id).Distinct().Count() < batches.Count)
            Wrong("batches", "formats.two-them-carry-same");
        foreach (var (i, b) in batches.Index())
        {
            Add($"batches[{i}].batch", BatchCheck.Of(b.Batch, tables, now.Date).Where(p => p.Code != BatchCheck.NoSuch));
            if (!b.Expected.FitsTo(b.Batch))
                Wrong($"batches[{i}].expected", "formats.expected-not-of-batch");
        }
    }

    private void Each<T>(string path, IReadOnlyList<T> things, Func<T, string> code, Func<T, KitchenTables, IEnumerable<Problem>> check)
    {
        if (things.Select(code).Distinct().Count() < things.Count)
            Wrong(path, "formats.two-them-carry-same");
        var tables = Tables;
        foreach (var (i, thing) in things.Index())
            Add($"{path}[{i}]", check(thing, tables));
    }

    private void Add(string path, IEnumerable<Problem> problems) =>
        Found.AddRange(problems.Where(p => p.Severity is Severity.Error).Select(p => new ImportProblem(0, $"{path}.{p.Field}", p.Says)));

    private void Wrong(string path, Message reason) => Found.Add(new(0, path, reason));
}

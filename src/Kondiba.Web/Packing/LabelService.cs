using System.Globalization;
using System.Text;
using System.Text.Json;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Packing;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Options;
using NodaTime;
using QRCoder;

namespace Kondiba.Web.Packing;

/// <summary>A code that a telephone reads, as squares.</summary>
/// <param name="Size">Squares in a row, the quiet edge counted in.</param>
/// <param name="Path">The dark ones as an SVG path, a square a unit.</param>
public sealed record SquareCode(int Size, string Path);

/// <summary>An order's labels, ready to be printed.</summary>
/// <param name="Order">What the order is for.</param>
/// <param name="MadeOn">The day that they say.</param>
/// <param name="Planned">Whether that is the day that the plan dips it.</param>
/// <param name="Labels">One for packages that hold the same.</param>
/// <param name="Settings">What they say besides, and what they are printed on.</param>
/// <param name="Law">By which law allergens are named.</param>
/// <param name="Stock">The sheet they are printed on.</param>
/// <param name="Stocks">Sheets to choose from.</param>
/// <param name="Path">Address of the page of ingredients.</param>
/// <param name="Code">The same as a code.</param>
public sealed record LabelSheet(
    string Order,
    LocalDate MadeOn,
    bool Planned,
    IReadOnlyList<Label> Labels,
    LabelSettings Settings,
    AllergenLaw Law,
    LabelStock Stock,
    IReadOnlyList<LabelStock> Stocks,
    string Path,
    SquareCode Code);

/// <summary>What a page of ingredients says.</summary>
/// <param name="Kitchen">Who made it.</param>
/// <param name="Maker">The maker's details, as on the label.</param>
/// <param name="Notice">What the local rule wants said.</param>
/// <param name="Labels">What the labels say.</param>
public sealed record IngredientsView(string Kitchen, string? Maker, string? Notice, IReadOnlyList<Label> Labels);

/// <summary>Makes an order's labels, and keeps what they said for whoever reads the code on one.</summary>
internal sealed class LabelService(
    KondibaContext db, OrderService orders, KitchenThings things, IClock clock, IOptions<JsonOptions> json)
{
    private const int OldestDays = 60;

    /// <summary>The labels of an order; nothing when there is none.</summary>
    /// <param name="id">The order's.</param>
    /// <param name="madeOn">The day that they say; null for the day that the plan dips it.</param>
    /// <param name="site">Where this server is reached, without a path.</param>
    public async Task<(LabelSheet? Sheet, Refused? Refused)> MakeAsync(Guid id, LocalDate? madeOn, string site)
    {
        var order = await orders.FindAsync(id);
        if (order is null)
            return (null, null);
        var pickup = order.Pickup.Date;
        if (madeOn is { } typed && (typed > pickup || typed < pickup.PlusDays(-OldestDays)))
            return (null, Refused.Because("madeOn", Message.Of("packing.made-on", ("pickup", pickup)), "packing.made-on.do"));

        var planned = await DippedOnAsync(order);
        var on = madeOn ?? planned ?? pickup;
        var (told, tables, draft) = ((await things.ToldAsync()).Own.Labels, await things.TablesAsync(), order.ToDraft());
        var settings = told ?? new();
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        var law = settings.Law ?? (kitchen.Units is Units.Us ? AllergenLaw.Us : AllergenLaw.Eu);
        var tally = await orders.TallyAsync(draft);
        var labels = Label.For(order.Number, on, law, draft, tally, tables.Reference);
        var said = new IngredientsView(kitchen.Name, settings.Maker, settings.Notice, labels);
        var page = await KeepAsync(order.Id, Label.LotOf(order.Number, on), said);
        var stocks = tables.Reference.LabelStocks;
        var stock = settings is { Stock: LabelSettings.OwnStock, Own: { } own }
            ? own
            : stocks.FirstOrDefault(s => s.Code == settings.Stock) ?? stocks[0];
        var path = $"/i/{page:N}";
        return (new(order.Name, on, on == planned, labels, settings, law, stock, stocks, path, Drawn(site + path)), null);
    }

    /// <summary>A page of ingredients, whoever's it is; null where there is none.</summary>
    public async Task<IngredientsView?> ReadAsync(Guid id)
    {
        var body = await db.IngredientPages.IgnoreQueryFilters().Where(p => p.Id == id).Select(p => p.Body).SingleOrDefaultAsync(db.Gone);
        return body is null ? null : JsonSerializer.Deserialize<IngredientsView>(body, json.Value.SerializerOptions);
    }

    /// <summary>The last day that the plan shown dips pieces of an order; null where it has none of it.</summary>
    private async Task<LocalDate?> DippedOnAsync(Order order)
    {
        var search = await db.PlanSearches.AsNoTracking().SingleOrDefaultAsync(db.Gone);
        var code = Workload.CodeOf(order.Number);
        return search?.Shown?.Tasks
            .Where(t => t.What.Stage is Stage.Dip && t.What.Order == code)
            .Select(t => (LocalDate?)t.Starts.Date)
            .Max();
    }

    private Task<Guid> KeepAsync(Guid order, string lot, IngredientsView said)
    {
        var body = JsonSerializer.Serialize(said, json.Value.SerializerOptions);
        return db.WriteOverAsync(async () =>
        {
            var page = await db.IngredientPages.AsTracking().SingleOrDefaultAsync(p => p.OrderId == order && p.Lot == lot, db.Gone);
            if (page is null)
                db.Add(page = new() { KitchenId = db.KitchenId, OrderId = order, Lot = lot, Body = body });
            (page.Body, page.PrintedAt) = (body, clock.GetCurrentInstant());
            await db.SaveChangesAsync();
            return page.Id;
        });
    }

    private static SquareCode Drawn(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        var path = new StringBuilder();
        foreach (var (y, row) in data.ModuleMatrix.Index())
            for (var x = 0; x < row.Count; x++)
                if (row[x])
                    path.Append(CultureInfo.InvariantCulture, $"M{x} {y}h1v1h-1z");
        return new(data.ModuleMatrix.Count, path.ToString());
    }
}

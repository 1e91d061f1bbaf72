using Kondiba.Core.Learning;
using Kondiba.Core.Logbook;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Packing;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Logbook;

/// <summary>A batch as the logbook shows it.</summary>
/// <param name="Id">Which one.</param>
/// <param name="Batch">As the maker logged it.</param>
/// <param name="Planned">On the pieces, as it was planned, in g.</param>
/// <param name="Weighed">On the pieces, as it was weighed, in g; null when the pot was not weighed twice.</param>
/// <param name="Srgb">How its coating looks.</param>
/// <param name="Name">What was dipped, in what.</param>
/// <param name="Groups">By which batches are told apart: of each kind of piece, its name and its colour.</param>
/// <param name="Questioned">Whether something in it is so unlikely that the maker should look at it again.</param>
/// <param name="Lot">The batch number on its order's labels; null where it was for no order that is there.</param>
public sealed record BatchView(
    Guid Id,
    Batch Batch,
    double Planned,
    double? Weighed,
    string Srgb,
    Message Name,
    string Groups,
    bool Questioned,
    string? Lot);

/// <summary>The logbook.</summary>
/// <param name="Batches">Newest first.</param>
/// <param name="Hand">What they have moved.</param>
/// <param name="Next">What they suggest changing.</param>
/// <param name="Says">How good the plans have become; empty while nothing was weighed.</param>
/// <param name="Learning">What of it the maker wants learned.</param>
/// <param name="Totals">What it comes to.</param>
public sealed record LogbookView(
    IReadOnlyList<BatchView> Batches,
    IReadOnlyList<HandValue> Hand,
    IReadOnlyList<Suggestion> Next,
    Message Says,
    LearningChoice Learning,
    Totals Totals);

/// <summary>What to look out for before an order is made.</summary>
/// <param name="Risks">Line by line, then as a whole.</param>
/// <param name="Air">Temperature of the room that they were told for.</param>
/// <param name="Humidity">Its relative humidity.</param>
public sealed record RisksView(IReadOnlyList<Risk> Risks, Temperature Air, Share Humidity);

internal static class LogbookApi
{
    private const int Recent = 8;

    public static void MapLogbook(this RouteGroupBuilder api)
    {
        var logbook = api.MapGroup("/logbook").WithTags("Logbook");
        logbook.MapGet("", GetAsync).WithName("GetLogbook").WithSummary("Every batch, what the maker's hand does, and what to change.");
        logbook.MapGet("/draft", DraftAsync).WithName("DraftBatch").WithSummary(
            "A batch with everything filled in that is known: of a pot of an order, or of a pot of the day's plan.");
        logbook.MapPut("/batches/{id:guid}", async Task<Results<NoContent, Refused>> (Guid id, Batch batch, LogbookService service) =>
            await service.KeepAsync(id, batch) is { } refused ? refused : TypedResults.NoContent())
            .WithName("KeepBatch").WithSummary("Logs a batch, or puts it in place of the one of that id.");
        logbook.MapDelete("/batches/{id:guid}", (Guid id, LogbookService service) => RemoveAsync(id, false, service))
            .WithName("RemoveBatch").WithSummary("Deletes a batch; it can be restored.");
        logbook.MapPost("/batches/{id:guid}/restore", (Guid id, LogbookService service) => RemoveAsync(id, true, service))
            .WithName("RestoreBatch").WithSummary("Brings a deleted batch back.");
        logbook.MapPut("/learning", KeepLearningAsync).RequireAuthorization(Sessions.Sessions.Owners)
            .WithName("KeepLearning").WithSummary("Keeps what is learned: what is set aside, and from which day on.");
        api.MapGet("/orders/{id:guid}/risks", RisksAsync).WithTags("Logbook").WithName("GetRisks").WithSummary(
            "What may go wrong with an order, in the room as it usually is or in the air that is told.");
    }

    private static async Task<Ok<LogbookView>> GetAsync(KitchenThings things, KondibaContext db)
    {
        var (own, _, batches, tables) = await things.ToldAsync();
        var choice = own.Learning ?? new();
        var questioned = tables.Learned.Questioned;
        var orders = batches.Select(b => b.Batch.OrderId).OfType<Guid>().Distinct().ToList();
        var numbers = await db.Orders.AsNoTracking().Where(o => orders.Contains(o.Id)).ToDictionaryAsync(o => o.Id, o => o.Number, db.Gone);
        return TypedResults.Ok(new LogbookView(
            [.. batches.Select(ViewOf)],
            HandValue.All(tables.Learned, choice, tables.Reference),
            NextTime.For(batches, own.Ways, tables),
            Says([.. batches.Where(b => !b.Batch.LeftOut && !questioned.Contains(b.Id))]),
            choice,
            Totals.Of(batches, tables.Reference)));

        BatchView ViewOf(LoggedBatch b) =>
            View(b, questioned.Contains(b.Id) && !b.Batch.LeftOut, LotOf(b.Batch), tables.Reference);

        string? LotOf(Batch batch) => batch.OrderId is { } order && numbers.TryGetValue(order, out var number)
            ? Label.LotOf(number, batch.MadeOn)
            : null;
    }

    private static BatchView View(LoggedBatch b, bool questioned, string? lot, ReferenceData tables)
    {
        var coating = tables.Coating(b.Batch.Coating);
        var colour = coating?.Colours.FirstOrDefault(c => c.Code == b.Batch.Colour);
        var pieces = b.Batch.Pieces.Select(p => tables.Centre(p.Centre)?.Plural ?? p.Centre).Distinct();
        return new(
            b.Id,
            b.Batch,
            b.Expected.Planned,
            Lessons.OnPieces(b),
            colour?.Srgb ?? "#6b5a52",
            Message.Of("logbook.batch-name", ("pieces", Argument.Of(pieces)), ("colour", colour?.Name ?? b.Batch.Colour)),
            $"{string.Join('+', b.Batch.Pieces.Select(p => p.Centre).Distinct().Order(StringComparer.Ordinal))}.{b.Batch.Colour}",
            questioned,
            lot);
    }

    /// <summary>How far the last sound batches were off their plans: the middle one of them.</summary>
    private static Message Says(IReadOnlyList<LoggedBatch> batches)
    {
        var off = batches.Where(b => Lessons.OnPieces(b) is not null && b.Expected.Planned > 0)
            .Take(Recent)
            .Select(b => Math.Abs((Lessons.OnPieces(b)!.Value / b.Expected.Planned) - 1))
            .Order()
            .ToList();
        return off.Count == 0
            ? Message.None
            : Message.Of("logbook.within", ("batches", off.Count), ("off", Math.Ceiling(off[off.Count / 2] * 100)));
    }

    private static async Task<Results<Ok<Batch>, NotFound>> DraftAsync(Guid? order, string? pot, string? melt, BatchDrafts drafts)
    {
        var batch = (order, pot, melt) switch
        {
            ({ } id, { Length: > 0 and <= 200 } key, _) => await drafts.OfOrderAsync(id, key),
            (_, _, { Length: > 0 and <= 200 } code) => await drafts.OfMeltAsync(code),
            _ => null,
        };
        return batch is null ? TypedResults.NotFound() : TypedResults.Ok(batch);
    }

    private static async Task<Results<NoContent, NotFound>> RemoveAsync(Guid id, bool restore, LogbookService service) =>
        await service.RemoveAsync(id, restore) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, Refused>> KeepLearningAsync(LearningChoice choice, KitchenThings things)
    {
        if (choice.SetAside is { Count: > 200 } || choice.SetAside?.Any(a => a.Length > 200) is true)
            return Refused.Because("setAside", "logbook.too-long", "logbook.cannot-keep");
        await things.KeepAsync(ItemKind.Learning, "learning", choice);
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<RisksView>, NotFound, Refused>> RisksAsync(
        Guid id, double? air, double? humidity, OrderService orders, KitchenThings things)
    {
        if (air is { } t && !(t is >= -5 and <= 50))
            return Refused.Because("air", "logbook.temperature", "logbook.cannot-keep");
        if (humidity is { } h && !(h is >= 0 and <= 1))
            return Refused.Because("humidity", "logbook.humidity", "logbook.cannot-keep");
        if (await orders.FindAsync(id) is not { } order)
            return TypedResults.NotFound();
        var (_, _, batches, tables) = await things.ToldAsync();
        var room = tables.Reference.Setting.Room;
        var day = new DayAir(
            air is { } degrees ? Quantities.Of<Temperature>(degrees, "°C") : room.Air.Value,
            humidity is { } share ? new Share(share) : room.Humidity.Value);
        OrderDraft draft = order.ToDraft();
        return TypedResults.Ok(new RisksView(Risks.Of(draft, tables, batches, day), day.Air, day.Humidity));
    }
}

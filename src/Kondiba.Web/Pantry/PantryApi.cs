using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Pantry;

/// <summary>The pantry.</summary>
/// <param name="Today">By the kitchen's clock.</param>
/// <param name="Lots">What is there, first to expire first; empty lots are left out.</param>
/// <param name="Wares">Everything that can be there.</param>
public sealed record PantryView(LocalDate Today, IReadOnlyList<LotView> Lots, IReadOnlyList<WareView> Wares);

/// <summary>A lot of the pantry.</summary>
/// <param name="Ware">Code of the ware.</param>
/// <param name="Amount">What is left, in the ware's unit.</param>
/// <param name="Pack">What a pack of it held.</param>
/// <param name="Price">What was paid for all of it.</param>
public sealed record LotView(
    Guid Id, string Ware, double Amount, double? Pack, Money? Price, LocalDate? BestBefore, string Place, LocalDate ReceivedOn);

/// <summary>A ware.</summary>
/// <param name="Packs">Packs it is bought in.</param>
/// <param name="Low">Below this it is running low; 0 for no mark.</param>
/// <param name="Own">Whether the maker has said something of it, or added it.</param>
public sealed record WareView(string Code, string Name, WareUnit Unit, string Section, IReadOnlyList<PackView> Packs, double Low, bool Own);

/// <summary>A pack of a ware.</summary>
public sealed record PackView(double Holds, Money Price, Source Source);

/// <summary>Something that came into the pantry.</summary>
/// <param name="Id">Given by the client: received twice, it is there once.</param>
/// <param name="Ware">Code of the ware.</param>
/// <param name="Amount">All of it, in the ware's unit.</param>
/// <param name="Pack">What one pack holds; null when it came without.</param>
/// <param name="Price">Paid for all of it; null when not known.</param>
/// <param name="BestBefore">Its date.</param>
/// <param name="Place">Where it stands.</param>
public sealed record Receipt(
    Guid Id, string Ware, double Amount, double? Pack = null, decimal? Price = null, LocalDate? BestBefore = null, string? Place = null);

/// <summary>A change of a lot's amount.</summary>
/// <param name="Kind">"used", "corrected" or "thrown".</param>
/// <param name="Amount">How much was used or thrown; corrected, how much is left.</param>
/// <param name="Note">Anything to remember of it.</param>
public sealed record LotChange(MovementKind Kind, double Amount, string? Note = null);

/// <summary>A change of a lot, in its history.</summary>
public sealed record MovementView(Guid Id, MovementKind Kind, double Amount, Instant At, Guid? OrderId, string Note);

internal static class PantryApi
{
    private const int LongestNote = 200;
    private const int LongestPlace = 60;

    public static void MapPantry(this RouteGroupBuilder api)
    {
        var pantry = api.MapGroup("/pantry").WithTags("Pantry");
        pantry.MapGet("", async (KondibaContext db, KitchenThings things, KitchenClock clock) =>
        {
            var (own, tables) = await things.ReadAsync();
            var lots = await db.PantryLots.AsNoTracking().Where(l => l.Amount > 0).ToListAsync();
            return TypedResults.Ok(new PantryView(
                (await clock.NowAsync()).Date,
                [.. lots.OrderBy(l => l.BestBefore ?? LocalDate.MaxIsoValue).ThenBy(l => l.ReceivedOn).ThenBy(l => l.Id).Select(View)],
                [.. tables.Reference.AllWares.Values
                    .Select(w => new WareView(
                        w.Code,
                        w.Name,
                        w.Unit,
                        w.Section,
                        [.. w.Packs.Select(p => new PackView(p.Holds, p.Price.Value, p.Price.Source))],
                        w.Low,
                        own.Wares.Any(o => o.Code == w.Code)))]));
        }).WithName("GetPantry");
        pantry.MapPost("/lots", ReceiveAsync)
            .WithName("Receive")
            .WithSummary("Puts something into the pantry; the same id again changes nothing.");
        pantry.MapGet("/lots/{id:guid}/movements", async Task<Results<Ok<List<MovementView>>, NotFound>> (Guid id, KondibaContext db) =>
            await db.PantryLots.AnyAsync(l => l.Id == id)
                ? TypedResults.Ok(
                    await db.LotMovements.Where(m => m.LotId == id)
                        .OrderByDescending(m => m.At)
                        .ThenByDescending(m => m.Id)
                        .Select(m => new MovementView(m.Id, m.Kind, m.Amount, m.At, m.OrderId, m.Note))
                        .ToListAsync())
                : TypedResults.NotFound()).WithName("GetMovements").WithSummary("What happened to a lot, latest first.");
        pantry.MapPost("/lots/{id:guid}/movements", ChangeAsync)
            .WithName("ChangeLot")
            .WithSummary("Uses, corrects or throws away some of a lot; the same Idempotency-Key again changes nothing.");
        pantry.MapDelete("/movements/{id:guid}", UndoAsync)
            .WithName("UndoMovement")
            .WithSummary("Takes back a lot's latest change that no order made; a receipt taken back leaves no lot.");
    }

    private static LotView View(PantryLot l) =>
        new(l.Id, l.Ware, l.Amount, l.Pack, l.Price is { } p ? new Money(p) : null, l.BestBefore, l.Place, l.ReceivedOn);

    private static async Task<Results<Ok<LotView>, Refused>> ReceiveAsync(
        Receipt receipt, KondibaContext db, KitchenThings things, KitchenClock kitchenClock, IClock clock)
    {
        if (await db.PantryLots.AsNoTracking().SingleOrDefaultAsync(l => l.Id == receipt.Id) is { } there)
            return TypedResults.Ok(View(there));
        if (Refused.Of(Check(receipt, (await things.TablesAsync()).Reference), "pantry.cannot-put-into-pantry") is { } refused)
            return refused;
        var lot = LotOf(receipt, db.KitchenId, (await kitchenClock.NowAsync()).Date, clock.GetCurrentInstant());
        db.Add(lot);
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException e) when (e.IsSentTwice())
        {
            // The same receipt, sent twice at once: the other one was first.
            return TypedResults.Ok(View(await db.PantryLots.AsNoTracking().SingleAsync(l => l.Id == receipt.Id)));
        }

        return TypedResults.Ok(View(lot));
    }

    /// <summary>The lot that a receipt makes.</summary>
    internal static PantryLot LotOf(Receipt receipt, Guid kitchen, LocalDate on, Instant at)
    {
        var lot = new PantryLot
        {
            Id = receipt.Id,
            KitchenId = kitchen,
            Ware = receipt.Ware,
            Pack = receipt.Pack,
            Price = receipt.Price,
            BestBefore = receipt.BestBefore,
            Place = receipt.Place?.Trim() ?? "",
            ReceivedOn = on,
        };
        lot.Move(MovementKind.Received, receipt.Amount, at);
        return lot;
    }

    /// <summary>What cannot be in a receipt.</summary>
    internal static IEnumerable<Problem> Check(Receipt receipt, ReferenceData tables)
    {
        if (tables.Ware(receipt.Ware) is null)
            yield return new("ware", Message.Of("pantry.ware-called", ("ware", receipt.Ware)), "pantry.ware-called.do");
        if (!(receipt.Amount is > 0 and <= 1_000_000))
            yield return new("amount", "pantry.nothing-more-pantry-holds", "pantry.nothing-more-pantry-holds.do");
        if (receipt.Pack is { } pack && !(pack is > 0 and <= 1_000_000))
            yield return new("pack", "pantry.pack-nothing-more-pantry", "pantry.pack-nothing-more-pantry.do");
        if (receipt.Price is < 0 or > 100_000)
            yield return new("price", "pantry.price-less-nothing-more", "pantry.price-less-nothing-more.do");
        if (receipt.Place?.Length > LongestPlace)
            yield return new(
                "place",
                Message.Of("pantry.place-longer-characters", ("longestPlace", LongestPlace)),
                "pantry.place-longer-characters.do");
    }

    private static async Task<Results<Ok<MovementView>, NotFound, Refused>> ChangeAsync(
        Guid id, LotChange change, [SentKey] Guid? key, KondibaContext db, IClock clock)
    {
        if (await db.PantryLots.AsTracking().SingleOrDefaultAsync(l => l.Id == id) is not { } lot)
            return TypedResults.NotFound();
        if (key is not null && await db.LotMovements.AsNoTracking().SingleOrDefaultAsync(m => m.Id == key) is { } already)
            return TypedResults.Ok(View(already));
        List<Problem> problems = [];
        if (change.Kind is not (MovementKind.Used or MovementKind.Corrected or MovementKind.Thrown))
            problems.Add(new("kind", "pantry.lot-used-corrected-thrown", "pantry.lot-used-corrected-thrown.do"));
        if (!(change.Amount is >= 0 and <= 1_000_000))
            problems.Add(new("amount", "pantry.less-nothing-more-pantry", "pantry.less-nothing-more-pantry.do"));
        else if (change.Kind is not MovementKind.Corrected && change.Amount > lot.Amount + 1e-9)
            problems.Add(new("amount", Message.Of("pantry.only-left", ("lot", lot.Amount)), "pantry.only-left.do"));
        if (change.Note?.Length > LongestNote)
            problems.Add(new(
                "note", Message.Of("pantry.note-longer-characters", ("longestNote", LongestNote)), "pantry.place-longer-characters.do"));
        if (Refused.Of(problems, "pantry.lot-cannot-changed-like") is { } refused)
            return refused;
        var movement = lot.Move(
            change.Kind,
            change.Kind is MovementKind.Corrected ? change.Amount - lot.Amount : -change.Amount,
            clock.GetCurrentInstant(),
            note: change.Note ?? "",
            id: key);
        db.Add(movement);
        await db.SaveChangesAsync();
        return TypedResults.Ok(View(movement));
    }

    private static MovementView View(LotMovement m) => new(m.Id, m.Kind, m.Amount, m.At, m.OrderId, m.Note);

    private static async Task<Results<NoContent, NotFound, ProblemHttpResult>> UndoAsync(Guid id, KondibaContext db)
    {
        if (await db.LotMovements.AsTracking().SingleOrDefaultAsync(m => m.Id == id) is not { } movement)
            return TypedResults.NotFound();
        var lot = await db.PantryLots.AsTracking().Include(l => l.Movements).SingleAsync(l => l.Id == movement.LotId);
        if (movement.OrderId is not null || lot.Movements.MaxBy(m => (m.At, m.Id)) != movement)
            return TypedResults.Problem(
                title: "Only a lot's latest change can be taken back, and what an order used only by the order.",
                statusCode: StatusCodes.Status409Conflict);
        if (lot.Movements.Count == 1)
        {
            db.Remove(lot);
        }
        else
        {
            lot.Amount = Math.Round(lot.Amount - movement.Amount, 6);
            db.Remove(movement);
        }

        await db.SaveChangesAsync();
        return TypedResults.NoContent();
    }
}

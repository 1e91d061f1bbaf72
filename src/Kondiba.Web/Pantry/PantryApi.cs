using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Wares;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
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
/// <param name="Box">Of a box, its measures; null for what is none.</param>
public sealed record WareView(
    string Code, string Name, WareUnit Unit, string Section, IReadOnlyList<PackView> Packs, double Low, bool Own, OwnBox? Box);

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
    public static void MapPantry(this RouteGroupBuilder api)
    {
        var pantry = api.MapGroup("/pantry").WithTags("Pantry");
        pantry.MapGet("", GetAsync).WithName("GetPantry");
        pantry.MapPost("/lots", ReceiveAsync)
            .WithName("Receive")
            .WithSummary("Puts something into the pantry; the same id again changes nothing.");
        pantry.MapGet("/lots/{id:guid}/movements", MovementsAsync)
            .WithName("GetMovements")
            .WithSummary("What happened to a lot, latest first.");
        pantry.MapPost("/lots/{id:guid}/movements", ChangeAsync)
            .WithName("ChangeLot")
            .WithSummary("Uses, corrects or throws away some of a lot; the same Idempotency-Key again changes nothing.");
        pantry.MapDelete("/movements/{id:guid}", UndoAsync)
            .WithName("UndoMovement")
            .WithSummary("Takes back a lot's latest change that no order made; a receipt taken back leaves no lot.");
    }

    private static async Task<Ok<PantryView>> GetAsync(PantryService pantry, KitchenThings things, KitchenClock clock)
    {
        var (own, tables) = await things.ReadAsync();
        var mine = own.Wares.Select(w => w.Code).ToHashSet();
        var boxes = tables.Reference.Wares.Supplies.ToDictionary(s => $"supply.{s.Code}", OwnTables.Entered);
        return TypedResults.Ok(new PantryView(
            (await clock.NowAsync()).Date,
            [.. (await pantry.LotsAsync()).Select(View)],
            [.. tables.Reference.AllWares.Values.Select(w => View(w, mine.Contains(w.Code), boxes.GetValueOrDefault(w.Code)))]));
    }

    private static async Task<Results<Ok<LotView>, Refused>> ReceiveAsync(Receipt receipt, PantryService pantry)
    {
        var (lot, refused) = await pantry.ReceiveAsync(receipt);
        return refused is null ? TypedResults.Ok(View(lot!)) : refused;
    }

    private static async Task<Results<Ok<List<MovementView>>, NotFound>> MovementsAsync(
        Guid id, PantryService pantry) =>
        await pantry.MovementsAsync(id) is { } movements
            ? TypedResults.Ok(movements.Select(View).ToList())
            : TypedResults.NotFound();

    private static async Task<Results<Ok<MovementView>, NotFound, Refused>> ChangeAsync(
        Guid id, LotChange change, [SentKey] Guid? key, PantryService pantry) =>
        await pantry.ChangeAsync(id, change, key) switch
        {
            (_, { } refused) => refused,
            ({ } movement, _) => TypedResults.Ok(View(movement)),
            _ => TypedResults.NotFound(),
        };

    private static async Task<Results<NoContent, NotFound, Declined>> UndoAsync(
        Guid id, PantryService pantry) =>
        await pantry.UndoAsync(id) switch
        {
            null => TypedResults.NotFound(),
            true => TypedResults.NoContent(),
            false => new Declined(StatusCodes.Status409Conflict, "refused.latest-only"),
        };

    private static LotView View(PantryLot l) =>
        new(l.Id, l.Ware, l.Amount, l.Pack, l.Price is { } p ? new Money(p) : null, l.BestBefore, l.Place, l.ReceivedOn);

    private static WareView View(Ware w, bool own, OwnBox? box) =>
        new(
            w.Code,
            w.Name,
            w.Unit,
            w.Section,
            [.. w.Packs.Select(p => new PackView(p.Holds, p.Price.Value, p.Price.Source))],
            w.Low,
            own,
            box);

    private static MovementView View(LotMovement m) => new(m.Id, m.Kind, m.Amount, m.At, m.OrderId, m.Note);
}

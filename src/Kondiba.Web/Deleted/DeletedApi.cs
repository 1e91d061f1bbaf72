using System.Text.Json;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Deleted;

/// <summary>Something that was deleted and can be restored.</summary>
/// <param name="What">"order", "batch" or "item", something of the kitchen.</param>
/// <param name="Id">To restore it by.</param>
/// <param name="Kind">What it is, in words.</param>
/// <param name="Name">What it is called.</param>
/// <param name="DeletedAt">When it was deleted.</param>
/// <param name="Until">Until when it can be restored.</param>
public sealed record DeletedView(string What, Guid Id, Message Kind, Message Name, Instant DeletedAt, Instant Until);

/// <summary>What was deleted in the last 30 days.</summary>
internal static class DeletedApi
{
    private const int Most = 300;

    public static void MapDeleted(this RouteGroupBuilder api)
    {
        api.MapGet("/deleted", async (KondibaContext db, IClock clock) =>
            TypedResults.Ok(await ListAsync(db, clock.GetCurrentInstant() - DeletedItem.Kept)))
            .WithTags("Deleted").WithName("GetDeleted")
            .WithSummary("Orders, batches and things of the kitchen that were deleted in the last 30 days, the latest first.");
        api.MapPost("/deleted/{id:guid}/restore", async Task<Results<NoContent, NotFound>> (Guid id, KitchenThings things) =>
            await things.RestoreAsync(id) ? TypedResults.NoContent() : TypedResults.NotFound())
            .RequireAuthorization(Sessions.Sessions.Owners)
            .WithTags("Deleted").WithName("RestoreItem")
            .WithSummary("Restores something of the kitchen; orders and batches have their own.");
    }

    private static async Task<IReadOnlyList<DeletedView>> ListAsync(KondibaContext db, Instant since)
    {
        var orders = await db.Orders.AsNoTracking().Where(o => o.RemovedAt > since)
            .OrderByDescending(o => o.RemovedAt).Take(Most)
            .Select(o => new { o.Id, o.Name, At = o.RemovedAt!.Value }).ToListAsync(db.Gone);
        var batches = await db.Batches.AsNoTracking().Where(b => b.RemovedAt > since)
            .OrderByDescending(b => b.RemovedAt).Take(Most)
            .Select(b => new { b.Id, b.MadeOn, At = b.RemovedAt!.Value }).ToListAsync(db.Gone);
        var items = await db.DeletedItems.AsNoTracking().Where(d => d.DeletedAt > since)
            .OrderByDescending(d => d.DeletedAt).Take(Most).ToListAsync(db.Gone);
        return
        [
            .. orders.Select(o => View("order", o.Id, "deleted.order", Message.ByName(o.Name), o.At))
                .Concat(batches.Select(b => View(
                    "batch", b.Id, "deleted.batch", Message.Of("deleted.batch-made", ("on", b.MadeOn)), b.At)))
                .Concat(items.Select(d => View("item", d.Id, KindOf(d.Kind), Message.ByName(NameOf(d)), d.DeletedAt)))
                .OrderByDescending(d => d.DeletedAt).Take(Most),
        ];
    }

    private static DeletedView View(string what, Guid id, Message kind, Message name, Instant at) =>
        new(what, id, kind, name, at, at + DeletedItem.Kept);

    private static Message KindOf(ItemKind kind) => kind switch
    {
        ItemKind.Centre => "deleted.centre",
        ItemKind.Coating => "deleted.coating",
        ItemKind.Tint => "deleted.tint",
        ItemKind.Vessel => "deleted.vessel",
        ItemKind.Look => "deleted.look",
        ItemKind.Ware => "deleted.ware",
        ItemKind.Filling => "deleted.filling",
        ItemKind.Mould => "deleted.mould",
        ItemKind.Place => "deleted.place",
        ItemKind.Topping => "deleted.topping",
        ItemKind.Part => "deleted.part",
        ItemKind.Word => "deleted.word",
        ItemKind.Figure => "deleted.figure",
        _ => "deleted.settings",
    };

    /// <summary>What a thing says that it is called; its code where it says nothing.</summary>
    private static string NameOf(DeletedItem item)
    {
        using var body = JsonDocument.Parse(item.Body);
        foreach (var member in (string[])["name", "word"])
        {
            if (body.RootElement.TryGetProperty(member, out var name) && name.GetString() is { Length: > 0 } said)
                return said;
        }

        return item.Code;
    }
}

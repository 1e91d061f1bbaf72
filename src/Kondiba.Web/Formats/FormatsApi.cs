using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Pantry;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Formats;

/// <summary>Files out and in. Every import says what it would change before it does, and does all of it or nothing.</summary>
internal static class FormatsApi
{
    private const string Csv = "text/csv; charset=utf-8";
    private const string Json = "application/json; charset=utf-8";
    private const string JsonSchema = "application/schema+json; charset=utf-8";

    public static void MapFormats(this RouteGroupBuilder api)
    {
        var files = api.MapGroup("/files").WithTags("Files").RequireAuthorization(Sessions.Sessions.Owners);
        files.MapGet("/kitchen.json", ExportKitchenAsync).WithName("ExportKitchen").WithSummary("The whole kitchen as one document.");
        files.MapGet("/kitchen.schema.json", Schema).WithName("GetKitchenSchema").WithSummary("The JSON Schema of that document.");
        files.MapPost("/kitchen", ImportKitchenAsync)
            .WithName("ImportKitchen")
            .WithSummary("Puts a document in place of the kitchen; without apply it only says what that would change.");
        files.MapGet("/orders.csv", ExportOrdersAsync)
            .WithName("ExportOrders")
            .WithSummary("Every order on the shelf as CSV, RFC 4180.");
        files.MapPost("/orders", ImportOrdersAsync)
            .WithName("ImportOrders")
            .WithSummary(
                "Takes orders in: one with the number of an order that is there takes its place, others are new; "
                + "the same Idempotency-Key again makes no further ones.");
        files.MapGet("/pantry.csv", ExportPantryAsync)
            .WithName("ExportPantry")
            .WithSummary("What is in the pantry as CSV, RFC 4180.");
        files.MapPost("/pantry", ImportPantryAsync)
            .WithName("ImportPantry")
            .WithSummary("Puts every row into the pantry as a lot of its own; the same Idempotency-Key again adds nothing.");
        files.MapGet("/logbook.csv", ExportLogbookAsync)
            .WithName("ExportLogbook")
            .WithSummary("Every batch as CSV, RFC 4180: a row for each kind of piece.");
        files.MapPost("/logbook", ImportLogbookAsync)
            .WithName("ImportLogbook")
            .WithSummary("Logs every batch of a file; the same Idempotency-Key again adds nothing.");
    }

    private static async Task<ContentHttpResult> ExportKitchenAsync(KitchenFormat format) =>
        TypedResults.Text(await format.ExportAsync(), Json);

    private static ContentHttpResult Schema() =>
        TypedResults.Text(KitchenDocument.Schema().ToJsonString(KitchenDocument.Json), JsonSchema);

    private static async Task<Ok<ImportPlan>> ImportKitchenAsync(FileText file, bool? apply, KitchenFormat format) =>
        TypedResults.Ok(await format.ImportAsync(file.Text, apply ?? false));

    private static async Task<ContentHttpResult> ExportOrdersAsync(KondibaContext db) =>
        TypedResults.Text(
            OrdersCsv.Write(await db.WholeOrders.Where(o => o.RemovedAt == null).OrderBy(o => o.Number).ToListAsync(db.Gone)), Csv);

    private static async Task<Ok<ImportPlan>> ImportOrdersAsync(
        FileText file, bool? apply, [SentKey] Guid? key, OrdersImport import, CancellationToken gone) =>
        TypedResults.Ok(await import.ImportAsync(file.Text, apply ?? false, key, gone));

    private static async Task<ContentHttpResult> ExportPantryAsync(PantryService pantry, KitchenThings things)
    {
        var lots = (await pantry.LotsAsync()).OrderBy(l => l.Ware, StringComparer.Ordinal);
        return TypedResults.Text(PantryCsv.Write(lots, (await things.TablesAsync()).Reference.AllWares), Csv);
    }

    private static async Task<ContentHttpResult> ExportLogbookAsync(KitchenThings things) =>
        TypedResults.Text(LogbookCsv.Write((await things.ToldAsync()).Batches.Select(b => b.Batch).Reverse()), Csv);

    private static async Task<Ok<ImportPlan>> ImportLogbookAsync(
        FileText file, bool? apply, [SentKey] Guid? key, LogbookImport import) =>
        TypedResults.Ok(await import.ImportAsync(file.Text, apply ?? false, key));

    private static async Task<Ok<ImportPlan>> ImportPantryAsync(
        FileText file, bool? apply, [SentKey] Guid? key, PantryImport import) =>
        TypedResults.Ok(await import.ImportAsync(file.Text, apply ?? false, key));
}

using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Photos;

/// <summary>Photos of finished pieces, at a batch, an order or a look.</summary>
internal static class PhotosApi
{
    private const int Most = 6;
    private const int LargestFile = 1024 * 1024;

    public static void MapPhotos(this RouteGroupBuilder api)
    {
        var photos = api.MapGroup("/photos").WithTags("Photos");
        photos.MapGet("/{subject}/{of}", async Task<Results<Ok<List<Guid>>, NotFound>> (string subject, string of, KondibaContext db) =>
            Subject(subject) is { } kind
                ? TypedResults.Ok(await Of(db, kind, of).OrderBy(p => p.AddedAt).Select(p => p.Id).ToListAsync(db.Gone))
                : TypedResults.NotFound())
            .WithName("GetPhotos").WithSummary("The photos of a batch, an order or a look, by their ids, the oldest first.");
        photos.MapPut("/{subject}/{of}/{id:guid}", AddAsync).Accepts<byte[]>("image/jpeg").WithName("AddPhoto").WithSummary(
            "Adds a photo: a JPEG of at most 1 MB, of which what the camera wrote into it beside the picture is not kept.");
        photos.MapGet("/{id:guid}", ReadAsync).WithName("GetPhoto").WithSummary("A photo.");
        photos.MapDelete("/{id:guid}", async Task<Results<NoContent, NotFound>> (Guid id, KondibaContext db) =>
            await db.Photos.Where(p => p.Id == id).ExecuteDeleteAsync() == 1 ? TypedResults.NoContent() : TypedResults.NotFound())
            .WithName("RemovePhoto").WithSummary("Deletes a photo.");
    }

    private static async Task<Results<NoContent, NotFound, Refused>> AddAsync(
        string subject, string of, Guid id, HttpRequest request, KondibaContext db, KitchenThings things, IClock clock)
    {
        if (Subject(subject) is not { } kind || !await IsThereAsync(kind, of, db, things))
            return TypedResults.NotFound();
        if (await db.Photos.AnyAsync(p => p.Id == id, db.Gone))
            return TypedResults.NoContent();
        var jpeg = await LimitedBody.ReadAsync(request, LargestFile) is { } file ? Jpeg.Stripped(file) : null;
        if (jpeg is null || await Of(db, kind, of).CountAsync(db.Gone) >= Most)
            return Refused.Because("photo", "photos.cannot-use", "photos.cannot-keep");
        db.Add(new Photo
        {
            Id = id,
            KitchenId = db.KitchenId,
            Subject = kind,
            Of = of,
            Jpeg = jpeg,
            AddedAt = clock.GetCurrentInstant(),
        });
        await db.SaveChangesAsync();
        return TypedResults.NoContent();
    }

    private static async Task<Results<FileContentHttpResult, NotFound>> ReadAsync(Guid id, KondibaContext db, HttpResponse response)
    {
        if (await db.Photos.AsNoTracking().SingleOrDefaultAsync(p => p.Id == id, db.Gone) is not { } photo)
            return TypedResults.NotFound();

        // A photo never changes.
        response.Headers.CacheControl = "private, max-age=31536000, immutable";
        return TypedResults.File(photo.Jpeg, "image/jpeg");
    }

    private static PhotoSubject? Subject(string name) => name switch
    {
        "batches" => PhotoSubject.Batch,
        "orders" => PhotoSubject.Order,
        "looks" => PhotoSubject.Look,
        _ => null,
    };

    private static IQueryable<Photo> Of(KondibaContext db, PhotoSubject subject, string of) =>
        db.Photos.AsNoTracking().Where(p => p.Subject == subject && p.Of == of);

    private static async Task<bool> IsThereAsync(PhotoSubject subject, string of, KondibaContext db, KitchenThings things) => subject switch
    {
        PhotoSubject.Look => (await things.ReadAsync()).Own.Looks.Any(l => l.Code == of),
        PhotoSubject.Order => Guid.TryParse(of, out var id) && await db.Orders.AnyAsync(o => o.Id == id, db.Gone),
        _ => Guid.TryParse(of, out var id) && await db.Batches.AnyAsync(b => b.Id == id, db.Gone),
    };
}

using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Kitchens;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Looks;

/// <summary>A look of the library.</summary>
/// <param name="Look">The look.</param>
/// <param name="UsedIn">Names of the orders on the shelf that wear it.</param>
public sealed record LookItem(Look Look, IReadOnlyList<string> UsedIn);

/// <summary>Looks as they are handed from kitchen to kitchen.</summary>
/// <param name="Format">Always "kondiba-looks".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Looks">The looks.</param>
public sealed record LookLibrary(string Format, int Version, IReadOnlyList<Look> Looks)
{
    public const string Name = "kondiba-looks";

    public const int Current = 1;
}

internal static class LooksApi
{
    private const int MostAtOnce = 500;

    public static void MapLooks(this RouteGroupBuilder api)
    {
        var looks = api.MapGroup("/looks").WithTags("Looks");
        looks.MapGet("", async (KitchenThings things, KondibaContext db, KitchenClock clock) =>
        {
            var now = await clock.NowAsync();
            var uses = await db.Orders.OnShelf().Where(o => o.Pickup >= now).OrderBy(o => o.Pickup)
                .SelectMany(o => o.Lines.Where(l => l.Look != null).Select(l => new { l.Look, o.Name })).ToListAsync(db.Gone);
            var (own, _) = await things.ReadAsync();
            return TypedResults.Ok<IReadOnlyList<LookItem>>([
                .. own.Looks.Select(l => new LookItem(l, [.. uses.Where(u => u.Look == l.Name).Select(u => u.Name).Distinct()])),
            ]);
        }).WithName("GetLooks").WithSummary("The library of looks.");
        looks.MapPut("", async Task<Results<NoContent, Refused>> (Look look, KitchenService kitchen) =>
            await kitchen.KeepAsync(ItemKind.Look, look.Code, look, look.Check) is { } refused ? refused : TypedResults.NoContent())
            .WithName("KeepLook").WithSummary("Keeps a look, in place of one with its code.");
        looks.MapDelete("/{code}", async Task<Results<NoContent, NotFound>> (string code, KitchenThings things) =>
            await things.RemoveAsync(ItemKind.Look, code) ? TypedResults.NoContent() : TypedResults.NotFound())
            .WithName("RemoveLook").WithSummary("Takes a look out of the library; orders that wear it keep it.");
        looks.MapGet(
            "/library",
            async (KitchenThings things) => TypedResults.Ok(new LookLibrary(
                LookLibrary.Name, LookLibrary.Current, (await things.ReadAsync()).Own.Looks)))
            .WithName("ExportLooks").WithSummary("The library as a file to hand on.");
        looks.MapPost("/library", ImportAsync)
            .WithName("ImportLooks")
            .WithSummary("Takes in a file of looks, all or none; one with the code of a look that is there takes its place.");
    }

    private static async Task<Results<NoContent, Refused>> ImportAsync(LookLibrary library, KitchenThings things)
    {
        var tables = await things.TablesAsync();
        List<Problem> problems = [];
        if (library.Format != LookLibrary.Name || library.Version != LookLibrary.Current)
            problems.Add(new(
                "format",
                "looks.file-looks-can-read",
                Message.Of("looks.file-looks-can-read.do", ("lookLibrary", LookLibrary.Name), ("current", LookLibrary.Current))));
        else if (library.Looks.Count is 0 or > MostAtOnce)
            problems.Add(new(
                "looks", Message.Of("looks.file-holds-look-more", ("mostAtOnce", MostAtOnce)), "looks.file-holds-look-more.do"));
        else if (library.Looks.GroupBy(l => l.Code).FirstOrDefault(g => g.Count() > 1) is { } twice)
            problems.Add(new("looks", Message.Of("looks.two-looks-file-carry", ("key", twice.Key)), "looks.two-looks-file-carry.do"));
        else
            problems.AddRange(library.Looks.Index()
                .SelectMany(l => l.Item.Check(tables)
                    .Select(p => p with
                    {
                        Field = $"looks[{l.Index}].{p.Field}",
                        Reason = Message.Of(
                        "looks.of-the-file", ("look", l.Item.Name), ("reason", p.Reason))
                    })));
        if (Refused.Of(problems, "looks.file-cannot-taken") is { } refused)
            return refused;
        await things.KeepAllAsync(ItemKind.Look, library.Looks.Select(l => (l.Code, l)));
        return TypedResults.NoContent();
    }
}

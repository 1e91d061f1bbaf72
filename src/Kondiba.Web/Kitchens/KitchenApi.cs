using System.Security.Claims;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Reference;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using NodaTime;

namespace Kondiba.Web.Kitchens;

internal static class KitchenApi
{
    public static void MapKitchen(this RouteGroupBuilder api)
    {
        var kitchen = api.MapGroup("/kitchen").WithTags("Kitchen");
        kitchen.MapGet("", async (KitchenService service, KitchenClock clock) =>
            TypedResults.Ok(View(await service.FindAsync(), await clock.NowAsync()))).WithName("GetKitchen");
        kitchen.MapGet("/things", async (KitchenService service, ClaimsPrincipal user) =>
            TypedResults.Ok(await service.ThingsAsync(user.IsOwner())))
            .WithName("GetKitchenThings")
            .WithSummary("What can be changed of the kitchen.");
        kitchen.MapPost("/figures/drawing", DrawAsync)
            .WithName("DrawFigure")
            .WithSummary("How a figure looks that is being built.");

        var owners = kitchen.MapGroup("").RequireAuthorization(Sessions.Sessions.Owners);
        owners.MapPatch("", ChangeAsync).WithName("ChangeKitchen");
        owners.MapPost("/deletion", async Task<Results<NoContent, Refused>> (
            KitchenDeletion deletion, KitchenService service, HttpContext context) =>
        {
            if (await service.DeleteAsync(deletion.Name) is { } refused)
                return refused;
            await context.SignOutAsync(IdentityConstants.ApplicationScheme);
            return TypedResults.NoContent();
        }).WithName("DeleteKitchen").WithSummary("Deletes the kitchen for good, with everything and everyone in it.");
        MapOne<Ways>(owners, ItemKind.Ways, "ways", OwnCheck.Of, "Ways", "Keeps how things are done here.");
        MapOne<Working>(owners, ItemKind.Working, "working", (w, _) => OwnCheck.Of(w), "Working", "Keeps hours, hands and warm places.");
        MapOne<Rates>(
            owners, ItemKind.Rates, "rates", (r, _) => OwnCheck.Of(r), "Rates", "Keeps what your hour is worth and how prices are made.");
        MapOne<LabelSettings>(
            owners, ItemKind.Labels, "labels", OwnCheck.Of, "Labels", "Keeps what labels say and what they are printed on.");
        MapMany<OwnCentre>(owners, "centres", ItemKind.Centre, c => c.Code, OwnCheck.Of, "Centre");
        MapMany<OwnTopping>(owners, "toppings", ItemKind.Topping, t => t.Code, OwnCheck.Of, "Topping");
        MapMany<OwnPart>(owners, "parts", ItemKind.Part, p => p.Code, OwnCheck.Of, "Part");
        MapMany<OwnWord>(owners, "words", ItemKind.Word, w => w.Code, (w, _) => OwnCheck.Of(w), "Word");
        MapMany<OwnFigure>(owners, "figures", ItemKind.Figure, f => f.Code, OwnCheck.Of, "Figure");
        MapMany<OwnCoating>(owners, "coatings", ItemKind.Coating, c => c.Code, OwnCheck.Of, "Coating");
        MapMany<OwnTint>(owners, "tints", ItemKind.Tint, t => t.Code, (t, _) => OwnCheck.Of(t), "Tint");
        MapMany<OwnVessel>(owners, "vessels", ItemKind.Vessel, v => v.Code, (v, _) => OwnCheck.Of(v), "Vessel");
        MapMany<OwnFilling>(owners, "fillings", ItemKind.Filling, f => f.Code, OwnCheck.Of, "Filling");
        MapMany<OwnMould>(owners, "moulds", ItemKind.Mould, m => m.Code, (m, _) => OwnCheck.Of(m), "Mould");
        MapMany<OwnPlace>(owners, "places", ItemKind.Place, p => p.Code, (p, _) => OwnCheck.Of(p), "Place");
        MapMany<OwnWare>(owners, "wares", ItemKind.Ware, w => w.Code, OwnCheck.Of, "Ware");
    }

    /// <summary>A thing of which a kitchen has one.</summary>
    private static void MapOne<T>(
        RouteGroupBuilder owners,
        ItemKind kind,
        string code,
        Func<T, ReferenceData, IReadOnlyList<Problem>> check,
        string name,
        string summary) =>
        owners.MapPut($"/{code}", (T thing, KitchenService service) => KeepAsync(service, kind, code, thing, check))
            .WithName($"Keep{name}")
            .WithSummary(summary);

    /// <summary>A kind of thing of which a kitchen has many, each with a code of its own.</summary>
    private static void MapMany<T>(
        RouteGroupBuilder owners,
        string path,
        ItemKind kind,
        Func<T, string> codeOf,
        Func<T, ReferenceData, IReadOnlyList<Problem>> check,
        string name)
    {
        owners.MapPut($"/{path}", (T thing, KitchenService service) => KeepAsync(service, kind, codeOf(thing), thing, check))
            .WithName($"Keep{name}")
            .WithSummary("Keeps one, in place of one with its code.");
        owners.MapDelete($"/{path}/{{code}}", (string code, KitchenService service) => RemoveAsync(service, kind, code))
            .WithName($"Remove{name}")
            .WithSummary("Removes what the maker entered; a shipped one comes back as it was.");
    }

    private static async Task<Results<Ok<KitchenView>, Refused>> ChangeAsync(
        KitchenChange change, KitchenService service, KitchenClock clock)
    {
        var (kitchen, refused) = await service.ChangeAsync(change);
        return refused is null ? TypedResults.Ok(View(kitchen, await clock.NowAsync())) : refused;
    }

    private static async Task<Results<Ok<FigureView>, Refused>> DrawAsync(OwnFigure figure, KitchenThings things)
    {
        var reference = (await things.TablesAsync()).Reference;
        return Refused.Of(OwnCheck.PutTogether(figure, reference), "kitchens.cannot-put-together") is { } refused
            ? refused
            : TypedResults.Ok(ReferenceApi.View(figure.Design(reference.Centres)!, reference));
    }

    private static async Task<Results<NoContent, Refused>> KeepAsync<T>(
        KitchenService service, ItemKind kind, string code, T thing, Func<T, ReferenceData, IReadOnlyList<Problem>> check) =>
        await service.KeepAsync(kind, code, thing, tables => check(thing, tables.Reference)) is { } refused
            ? refused
            : TypedResults.NoContent();

    private static async Task<Results<NoContent, NotFound, Refused>> RemoveAsync(KitchenService service, ItemKind kind, string code) =>
        await service.RemoveAsync(kind, code) switch
        {
            (_, { } refused) => refused,
            (true, _) => TypedResults.NoContent(),
            _ => TypedResults.NotFound(),
        };

    private static KitchenView View(Kitchen kitchen, LocalDateTime now) =>
        new(kitchen.Name, kitchen.IsSample, kitchen.Units, kitchen.Language, kitchen.Locale, kitchen.Currency, now);
}

using System.Security.Claims;
using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Reference;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Kitchens;

/// <summary>The kitchen that is open.</summary>
/// <param name="Name">Its name.</param>
/// <param name="IsSample">Whether it is the sample kitchen.</param>
/// <param name="Units">The units it reads.</param>
/// <param name="Language">The English it reads.</param>
/// <param name="Now">The kitchen's clock.</param>
public sealed record KitchenView(string Name, bool IsSample, Units Units, Language Language, LocalDateTime Now);

/// <summary>A change to the kitchen.</summary>
/// <param name="Units">The units it is to read; null to leave them.</param>
/// <param name="Language">The English it is to read; null to leave it.</param>
/// <param name="Name">Its name; null leaves it.</param>
public sealed record KitchenChange(Units? Units = null, string? Name = null, Language? Language = null);

/// <summary>What can be changed of a kitchen, in the form that it is entered in.</summary>
/// <param name="Ways">How things are done here.</param>
/// <param name="ShippedWays">How they are commonly done.</param>
/// <param name="Centres">Every centre, shipped or own.</param>
/// <param name="Coatings">Every coating, shipped or own.</param>
/// <param name="Tints">Every concentrated colour, shipped or own.</param>
/// <param name="Vessels">The maker's own vessels.</param>
/// <param name="Moulds">Every mould, shipped or own.</param>
/// <param name="Places">Every place to set, shipped or own; the room first.</param>
/// <param name="Toppings">Every topping, shipped or own.</param>
/// <param name="Parts">Every part that is pressed or glued on, shipped or own.</param>
/// <param name="Words">The maker's own words.</param>
/// <param name="Figures">Every figure, shipped or own.</param>
/// <param name="Working">Hours, hands and warm places.</param>
/// <param name="Rates">How prices are made; null for who sees no prices.</param>
/// <param name="ShippedRates">How they are made where nothing was said.</param>
/// <param name="ShippedVessels">Vessels that a kitchen has unless it says otherwise.</param>
/// <param name="Own">Codes of the centres, coatings, moulds, places, toppings, parts and figures that the maker has entered or changed.</param>
/// <param name="Shipped">Codes of those that can be had back as they were.</param>
public sealed record KitchenThingsView(
    Ways Ways,
    Ways ShippedWays,
    IReadOnlyList<OwnCentre> Centres,
    IReadOnlyList<OwnCoating> Coatings,
    IReadOnlyList<TintItem> Tints,
    IReadOnlyList<OwnVessel> Vessels,
    IReadOnlyList<OwnMould> Moulds,
    IReadOnlyList<OwnPlace> Places,
    IReadOnlyList<OwnTopping> Toppings,
    IReadOnlyList<OwnPart> Parts,
    IReadOnlyList<OwnWord> Words,
    IReadOnlyList<OwnFigure> Figures,
    Working Working,
    Rates? Rates,
    Rates? ShippedRates,
    IReadOnlyList<OwnVessel> ShippedVessels,
    IReadOnlyList<string> Own,
    IReadOnlyList<string> Shipped);

/// <summary>A concentrated colour, and whether the maker has entered or changed it, and can have it back as it was.</summary>
public sealed record TintItem(OwnTint Tint, bool Own, bool Shipped);

internal static class KitchenApi
{
    private const int LongestName = 80;

    public static void MapKitchen(this RouteGroupBuilder api)
    {
        var kitchen = api.MapGroup("/kitchen").WithTags("Kitchen");
        kitchen.MapGet("", async (KondibaContext db, KitchenClock clock) =>
            TypedResults.Ok(View(await db.Kitchens.AsNoTracking().SingleAsync(), await clock.NowAsync()))).WithName("GetKitchen");
        kitchen.MapPatch("", async Task<Results<Ok<KitchenView>, Refused>> (KitchenChange change, KondibaContext db, KitchenClock clock, ClaimsPrincipal user) =>
        {
            var row = await db.Kitchens.SingleAsync();
            (row.Units, row.Language) = (change.Units ?? row.Units, change.Language ?? row.Language);
            if (change.Name is { } name && user.IsOwner())
            {
                if (string.IsNullOrWhiteSpace(name) || name.Length > LongestName)
                    return Refused.Because(
                        "name",
                        Message.Of("kitchens.kitchen-name-most-characters", ("longestName", LongestName)),
                        "kitchens.kitchen-name-most-characters.do");
                row.Name = name.Trim();
            }

            await db.SaveChangesAsync();
            return TypedResults.Ok(View(row, await clock.NowAsync()));
        }).WithName("ChangeKitchen");

        kitchen.MapGet("/things", async (KitchenThings things, KitchenTables shipped, ClaimsPrincipal user) =>
        {
            var (own, tables) = await things.ReadAsync();
            return TypedResults.Ok(new KitchenThingsView(
                own.Ways,
                OwnTables.Entered(shipped),
                [.. tables.Reference.Centres.Select(OwnTables.Entered)],
                [.. tables.Reference.Coatings.Select(c => own.Coatings.FirstOrDefault(o => o.Code == c.Code) ?? OwnTables.Entered(c))
                    .Select(c => user.IsOwner() ? c : c with { Packs = [] })],
                [.. tables.Reference.Tints.Select(t => new TintItem(
                    OwnTables.Entered(t), own.Tints.Any(o => o.Code == t.Code), shipped.Reference.Tint(t.Code) is not null))],
                own.Vessels,
                [.. tables.Reference.Moulds.Select(OwnTables.Entered)],
                [.. tables.Reference.Setting.Places.Select(OwnTables.Entered)],
                [.. tables.Reference.Decor.Sprinkles.Select(s => own.Toppings.FirstOrDefault(
                    o => o.Code == s.Code) ?? OwnTables.Entered(s))],
                [.. tables.Reference.Decor.Parts.Select(OwnTables.Entered)],
                own.Words,
                [.. tables.Reference.Figures.Select(f => own.Figures.FirstOrDefault(o => o.Code == f.Code) ?? OwnFigure.Entered(f))
                    .Concat(own.Figures)
                    .DistinctBy(f => f.Code)],
                tables.Profile.Working,
                user.IsOwner() ? own.Rates : null,
                user.IsOwner() ? OwnTables.Rates(shipped.Reference) : null,
                [.. shipped.Reference.Vessels.Select(OwnTables.Entered)],
                [.. own.Centres.Select(
                    c => c.Code), .. own.Coatings.Select(
                        c => c.Code), .. own.Moulds.Select(
                            m => m.Code), .. own.Places.Select(
                                p => p.Code), .. own.Toppings.Select(
                                    t => t.Code), .. own.Parts.Select(p => p.Code), .. own.Figures.Select(f => f.Code)],
                [.. shipped.Reference.Centres.Select(
                    c => c.Code), .. shipped.Reference.Coatings.Select(
                        c => c.Code), .. shipped.Reference.Moulds.Select(
                            m => m.Code), .. shipped.Reference.Setting.Places.Select(
                                p => p.Code), .. shipped.Reference.Decor.Sprinkles.Select(
                                    s => s.Code), .. shipped.Reference.Decor.Parts.Select(
                                        p => p.Code), .. shipped.Reference.Figures.Select(f => f.Code)]));
        }).WithName("GetKitchenThings").WithSummary("What can be changed of the kitchen.");

        kitchen.MapPut(
            "/ways", (Ways ways, KitchenThings things) => KeepAsync(
                things, ItemKind.Ways, "ways", ways, t => OwnCheck.Of(ways, t.Reference)))
            .RequireAuthorization(Sessions.Sessions.Owners)
            .WithName("KeepWays").WithSummary("Keeps how things are done here.");
        Map<OwnCentre>("centres", ItemKind.Centre, c => c.Code, OwnCheck.Of, "Centre");
        Map<OwnTopping>("toppings", ItemKind.Topping, t => t.Code, OwnCheck.Of, "Topping");
        Map<OwnPart>("parts", ItemKind.Part, p => p.Code, OwnCheck.Of, "Part");
        Map<OwnWord>("words", ItemKind.Word, w => w.Code, (w, _) => OwnCheck.Of(w), "Word");
        Map<OwnFigure>("figures", ItemKind.Figure, f => f.Code, OwnCheck.Of, "Figure");
        kitchen.MapPost("/figures/drawing", async Task<Results<Ok<FigureView>, Refused>> (OwnFigure figure, KitchenThings things) =>
        {
            var tables = await things.TablesAsync();
            return Refused.Of(OwnCheck.PutTogether(figure, tables.Reference), "kitchens.cannot-put-together") is { } refused
                ? refused
                : TypedResults.Ok(ReferenceApi.View(figure.Design(tables.Reference.Centres)!, tables.Reference));
        }).WithName("DrawFigure").WithSummary("How a figure looks that is being built.");
        Map<OwnCoating>("coatings", ItemKind.Coating, c => c.Code, OwnCheck.Of, "Coating");
        Map<OwnTint>("tints", ItemKind.Tint, t => t.Code, (t, _) => OwnCheck.Of(t), "Tint");
        Map<OwnVessel>("vessels", ItemKind.Vessel, v => v.Code, (v, _) => OwnCheck.Of(v), "Vessel");
        Map<OwnFilling>("fillings", ItemKind.Filling, f => f.Code, OwnCheck.Of, "Filling");
        Map<OwnMould>("moulds", ItemKind.Mould, m => m.Code, (m, _) => OwnCheck.Of(m), "Mould");
        Map<OwnPlace>("places", ItemKind.Place, p => p.Code, (p, _) => OwnCheck.Of(p), "Place");
        kitchen.MapPut(
            "/working",
            (Working working, KitchenThings things) => KeepAsync(things, ItemKind.Working, "working", working, _ => OwnCheck.Of(working)))
            .RequireAuthorization(Sessions.Sessions.Owners).WithName("KeepWorking").WithSummary("Keeps hours, hands and warm places.");
        Map<OwnWare>("wares", ItemKind.Ware, w => w.Code, OwnCheck.Of, "Ware");
        kitchen.MapPut(
            "/rates", (Rates rates, KitchenThings things) => KeepAsync(things, ItemKind.Rates, "rates", rates, _ => OwnCheck.Of(rates)))
            .RequireAuthorization(Sessions.Sessions.Owners).WithName("KeepRates").WithSummary(
                "Keeps what your hour is worth and how prices are made.");

        void Map<T>(string path, ItemKind kind, Func<T, string> codeOf, Func<T, ReferenceData, IReadOnlyList<Problem>> check, string name)
        {
            kitchen.MapPut(
                $"/{path}", (T thing, KitchenThings things) => KeepAsync(
                    things, kind, codeOf(thing), thing, t => check(thing, t.Reference)))
                .RequireAuthorization(Sessions.Sessions.Owners).WithName($"Keep{name}").WithSummary(
                    "Keeps one, in place of one with its code.");
            kitchen.MapDelete($"/{path}/{{code}}", async Task<Results<NoContent, NotFound, Refused>> (string code, KitchenThings things) =>
                Needed(await things.LostWithAsync(kind, code, null)) is { } refused ? refused
                : await things.RemoveAsync(kind, code) ? TypedResults.NoContent()
                : TypedResults.NotFound())
                .RequireAuthorization(Sessions.Sessions.Owners).WithName($"Remove{name}").WithSummary(
                    "Removes what the maker entered; a shipped one comes back as it was.");
        }
    }

    internal static async Task<Results<NoContent, Refused>> KeepAsync<T>(
        KitchenThings things, ItemKind kind, string code, T thing, Func<KitchenTables, IReadOnlyList<Problem>> check)
    {
        if ((Refused.Of(
            check(await things.TablesAsync()), "kitchens.kitchen-name-most-characters.do") ?? Needed(
                await things.LostWithAsync(kind, code, KitchenItem.Of(default, kind, code, thing)))) is { } refused)
            return refused;
        await things.KeepAsync(kind, code, thing);
        return TypedResults.NoContent();
    }

    /// <summary>Why a thing must stay as others are made from it; null when none is.</summary>
    private static Refused? Needed(IReadOnlyList<string> lost) =>
        lost.Count == 0
            ? null
            : Refused.Because(
                "code",
                Message.Of("kitchens.still-needed-change-first", ("lost", Argument.Of(lost))),
                "kitchens.still-needed-change-first.do");

    private static KitchenView View(Kitchen kitchen, LocalDateTime now) =>
        new(kitchen.Name, kitchen.IsSample, kitchen.Units, kitchen.Language, now);
}

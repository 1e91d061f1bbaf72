using System.Security.Claims;
using System.Text.Json;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Kondiba.Web.Orders;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Planning;

/// <summary>The days' plan.</summary>
/// <param name="Version">Changes with every arrangement; an arrangement is kept only on the version it was made on.</param>
/// <param name="Now">The kitchen's clock.</param>
/// <param name="Searching">Whether better plans, or remedies, may still come: ask again in a moment.</param>
/// <param name="Failed">Whether the search broke off; it can be begun anew.</param>
/// <param name="Plan">The best so far; null when there is none yet.</param>
/// <param name="Remedies">Changes that make it fit, each tried by solving; none while it fits.</param>
/// <param name="Arranged">What the maker has arranged.</param>
/// <param name="Orders">The orders that are planned.</param>
/// <param name="Progress">By task, what was counted of it while it is carried out; a task that is not there was not counted.</param>
/// <param name="Later">How many orders are further ahead and not planned yet.</param>
public sealed record DayView(
    int Version,
    LocalDateTime Now,
    bool Searching,
    bool Failed,
    Plan? Plan,
    IReadOnlyList<Remedy> Remedies,
    Arrangements Arranged,
    IReadOnlyList<DayOrderView> Orders,
    IReadOnlyDictionary<string, TaskProgress> Progress,
    int Later);

/// <summary>An order in a plan.</summary>
/// <param name="Code">As tasks name it.</param>
/// <param name="Id">Its id.</param>
/// <param name="Name">Its name.</param>
/// <param name="Pieces">Pieces in all.</param>
/// <param name="State">How far it is.</param>
/// <param name="Handover">Whether it is collected or brought.</param>
/// <param name="Place">Where.</param>
public sealed record DayOrderView(string Code, Guid Id, string Name, int Pieces, OrderState State, Handover Handover, string Place);

/// <summary>What the maker arranges.</summary>
/// <param name="Version">Of the view that it was made on.</param>
/// <param name="Arranged">All of it, as it is to be.</param>
public sealed record DayArrange(int Version, Arrangements Arranged);

/// <summary>What was told of steps, in turn.</summary>
/// <param name="Events">Each with an id of its own: told twice, it counts once.</param>
public sealed record DayEvents(IReadOnlyList<TaskTold> Events);

internal static class DayApi
{
    // So much is told at once at most: a day's work without a network.
    private const int MostEvents = 500;

    public static void MapDay(this RouteGroupBuilder api)
    {
        var day = api.MapGroup("/day").WithTags("Day");
        day.MapGet("", async (DayBook book, KitchenClock clock) => TypedResults.Ok(await ViewAsync(book, clock)))
            .WithName("GetDay").WithSummary(
                "The plan of every open order of the coming ten days, and what is overdue; it is bettered while searching is true.");
        day.MapPost("/again", async (DayBook book, KitchenClock clock) => TypedResults.Ok(await ViewAsync(book, clock, anew: true)))
            .WithName("PlanAgain").WithSummary("Plans from nothing, as if there had been no plan.");
        day.MapPut("/arranged", ArrangeAsync)
            .WithName("ArrangeDay")
            .WithSummary("Keeps pins, marks, hours, helpers and places; the rest is planned round them with as little moved as can be.");
        day.MapPost("/events", TakeDownAsync)
            .WithName("TellDay")
            .WithSummary("Takes down what was told of steps and trays, also long after; on whatever version of the plan, each event once.");
        day.MapPost("/remedies", TakeAsync).WithName("TakeRemedy").WithSummary("Makes a change that was offered.");
    }

    private static async Task<DayView> ViewAsync(DayBook book, KitchenClock clock, bool anew = false)
    {
        var (load, search) = await book.PlannedAsync(anew);
        return new(
            load.Version,
            await clock.NowAsync(),
            search.State is SearchState.Asked or SearchState.Searching,
            search.State is SearchState.Failed,
            search.Plan,
            search.Remedies,
            load.Request.Arranged,
            [.. load.Orders.Select(o =>
                new DayOrderView(Workload.CodeOf(o.Number), o.Id, o.Name, o.Pieces, o.State, o.Handover, o.Place ?? ""))],
            await book.ProgressAsync(load),
            await book.LaterAsync());
    }

    private static async Task<Results<Ok<DayView>, Refused, Declined>> ArrangeAsync(
        DayArrange wanted, DayBook book, KondibaContext db, KitchenClock clock, ClaimsPrincipal user)
    {
        if (Refused.Of(OwnCheck.Of(wanted.Arranged), "planning.cannot-kept") is { } refused)
            return refused;
        var load = await book.LoadAsync();
        return load.Version == wanted.Version && await book.ArrangeAsync(load, wanted.Arranged, Sessions.Sessions.PersonOf(user))
            ? await SaveAsync(book, db, clock)
            : Changed();
    }

    private static async Task<Results<Ok<DayView>, Refused>> TakeDownAsync(
        DayEvents told, DayBook book, KondibaContext db, KitchenClock clock, ClaimsPrincipal user)
    {
        if (Refused.Of(OwnCheck.Of(told.Events, MostEvents), "planning.cannot-kept") is { } refused)
            return refused;
        await book.TakeDownAsync(told.Events, Sessions.Sessions.PersonOf(user));
        db.ChangeTracker.Clear();
        return TypedResults.Ok(await ViewAsync(book, clock));
    }

    private static async Task<Results<Ok<DayView>, Refused, Declined>> TakeAsync(
        Remedy remedy, DayBook book, OrderService orders, KondibaContext db, KitchenClock clock, ClaimsPrincipal user)
    {
        var (load, search) = await book.PlannedAsync();

        // Only what was offered.
        if (search.Remedies.FirstOrDefault(r => Does(r) == Does(remedy)) is not { } offered)
            return Changed();
        if (offered.Arranged is { } arranged && !await book.ArrangeAsync(load, arranged, Sessions.Sessions.PersonOf(user)))
            return Changed();

        if (offered.Change is { } change)
        {
            var id = load.Orders.First(o => Workload.CodeOf(o.Number) == change.Order).Id;
            await orders.AlterAsync(id, draft => Remedy.Of(draft, change));
        }

        return await SaveAsync(book, db, clock);
    }

    private static async Task<Results<Ok<DayView>, Refused, Declined>> SaveAsync(
        DayBook book, KondibaContext db, KitchenClock clock)
    {
        try
        {
            await db.SaveChangesAsync();
        }
        catch (DbUpdateException)
        {
            return Changed();
        }

        db.ChangeTracker.Clear();
        return TypedResults.Ok(await ViewAsync(book, clock));
    }

    /// <summary>What a remedy does, however it is said.</summary>
    private static string Does(Remedy remedy) => JsonSerializer.Serialize(remedy with { What = "" }, KitchenItem.Json);

    private static Declined Changed() => new(StatusCodes.Status409Conflict, "refused.plan-changed", "refused.check-again");
}

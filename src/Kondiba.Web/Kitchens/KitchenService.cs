using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.EntityFrameworkCore;

namespace Kondiba.Web.Kitchens;

/// <summary>Where what a maker tells about their kitchen is checked and kept.</summary>
internal sealed class KitchenService(KondibaContext db, KitchenThings things, KitchenTables shipped)
{
    private const int LongestName = 80;

    /// <summary>The kitchen that is open.</summary>
    public Task<Kitchen> FindAsync() => db.Kitchens.AsNoTracking().SingleAsync(db.Gone);

    /// <summary>Changes the kitchen's name and how it writes.</summary>
    public async Task<(Kitchen Kitchen, Refused? Errors)> ChangeAsync(KitchenChange change)
    {
        var kitchen = await db.Kitchens.AsTracking().SingleAsync(db.Gone);
        if (change.Name is { } name && (string.IsNullOrWhiteSpace(name) || name.Length > LongestName))
            return (kitchen, Refused.Because(
                "name",
                Message.Of("kitchens.kitchen-name-most-characters", ("longestName", LongestName)),
                "kitchens.cannot-keep"));
        if (Refused.Of(OwnCheck.Writing(change.Locale, change.Currency), "kitchens.cannot-keep") is { } refused)
            return (kitchen, refused);
        (kitchen.Units, kitchen.Language) = (change.Units ?? kitchen.Units, change.Language ?? kitchen.Language);
        (kitchen.Locale, kitchen.Currency) = (change.Locale ?? kitchen.Locale, change.Currency ?? kitchen.Currency);
        kitchen.Name = change.Name?.Trim() ?? kitchen.Name;
        await db.SaveChangesAsync();
        return (kitchen, null);
    }

    /// <summary>
    /// Deletes the kitchen with everything in it and everyone of it, for good, when its name is typed; why not, otherwise.
    /// </summary>
    public async Task<Refused?> DeleteAsync(string name)
    {
        var kitchen = await db.Kitchens.AsNoTracking().SingleAsync(db.Gone);
        if (kitchen.IsSample)
            return Refused.Because("name", "kitchens.sample-stays", "kitchens.cannot-delete");
        if (name.Trim() != kitchen.Name)
            return Refused.Because("name", Message.Of("kitchens.type-its-name", ("name", kitchen.Name)), "kitchens.cannot-delete");
        await using var all = await db.Database.BeginTransactionAsync();
        await db.ClearAsync();
        await db.CalendarFeeds.ExecuteDeleteAsync();
        await db.Invitations.ExecuteDeleteAsync();
        await db.Users.ExecuteDeleteAsync();
        await db.Kitchens.ExecuteDeleteAsync();
        await all.CommitAsync();
        return null;
    }

    /// <summary>What can be changed of the kitchen; without prices for who sees none.</summary>
    public async Task<KitchenThingsView> ThingsAsync(bool prices)
    {
        var (own, tables) = await things.ReadAsync();
        var (here, reference) = (tables.Reference, shipped.Reference);
        return new(
            own.Ways,
            OwnTables.Entered(shipped),
            [.. here.Centres.Select(OwnTables.Entered)],
            [.. here.Coatings.Select(c => Told(own.Coatings, o => o.Code, c.Code) ?? OwnTables.Entered(c))
                .Select(c => prices ? c : c with { Packs = [] })],
            [.. here.Tints.Select(t => new TintItem(
                OwnTables.Entered(t), Told(own.Tints, o => o.Code, t.Code) is not null, reference.Tint(t.Code) is not null))],
            own.Vessels,
            [.. here.Moulds.Select(OwnTables.Entered)],
            [.. here.Setting.Places.Select(OwnTables.Entered)],
            [.. here.Decor.Sprinkles.Select(s => Told(own.Toppings, o => o.Code, s.Code) ?? OwnTables.Entered(s))],
            [.. here.Decor.Parts.Select(OwnTables.Entered)],
            own.Words,
            [.. here.Figures.Select(f => Told(own.Figures, o => o.Code, f.Code) ?? OwnFigure.Entered(f))
                .Concat(own.Figures)
                .DistinctBy(f => f.Code)],
            tables.Profile.Working,
            prices ? own.Rates : null,
            prices ? OwnTables.Rates(reference) : null,
            [.. reference.Vessels.Select(OwnTables.Entered)],
            own.Labels ?? new(),
            [
                .. own.Centres.Select(c => c.Code),
                .. own.Coatings.Select(c => c.Code),
                .. own.Moulds.Select(m => m.Code),
                .. own.Places.Select(p => p.Code),
                .. own.Toppings.Select(t => t.Code),
                .. own.Parts.Select(p => p.Code),
                .. own.Figures.Select(f => f.Code),
            ],
            [
                .. reference.Centres.Select(c => c.Code),
                .. reference.Coatings.Select(c => c.Code),
                .. reference.Moulds.Select(m => m.Code),
                .. reference.Setting.Places.Select(p => p.Code),
                .. reference.Decor.Sprinkles.Select(s => s.Code),
                .. reference.Decor.Parts.Select(p => p.Code),
                .. reference.Figures.Select(f => f.Code),
            ]);
    }

    /// <summary>
    /// Keeps a thing in place of one with its code, unless it is wrong or what is made from it could not be made any more.
    /// </summary>
    /// <param name="kind">Of the thing.</param>
    /// <param name="code">Its code.</param>
    /// <param name="thing">As entered.</param>
    /// <param name="check">What is wrong with it.</param>
    public async Task<Refused?> KeepAsync<T>(ItemKind kind, string code, T thing, Func<KitchenTables, IReadOnlyList<Problem>> check)
    {
        if (Refused.Of(check(await things.TablesAsync()), "kitchens.cannot-keep") is { } wrong)
            return wrong;
        if (Needed(await things.LostWithAsync(kind, code, KitchenItem.Of(db.KitchenId, kind, code, thing))) is { } needed)
            return needed;
        await things.KeepAsync(kind, code, thing);
        return null;
    }

    /// <summary>Removes what the maker entered, unless something is made from it; whether there was such a thing.</summary>
    public async Task<(bool Removed, Refused? Errors)> RemoveAsync(ItemKind kind, string code) =>
        Needed(await things.LostWithAsync(kind, code, null)) is { } needed
            ? (false, needed)
            : (await things.RemoveAsync(kind, code), null);

    private static T? Told<T>(IEnumerable<T> own, Func<T, string> codeOf, string code)
        where T : class => own.FirstOrDefault(o => codeOf(o) == code);

    /// <summary>Why a thing must stay as others are made from it; null when none is.</summary>
    private static Refused? Needed(IReadOnlyList<string> lost) =>
        lost.Count == 0
            ? null
            : Refused.Because(
                "code",
                Message.Of("kitchens.still-needed-change-first", ("lost", Argument.Of(lost))),
                "kitchens.still-needed-change-first.do");
}

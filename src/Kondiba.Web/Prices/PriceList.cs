using Kondiba.Core.Facts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;

namespace Kondiba.Web.Prices;

/// <summary>What something costs here.</summary>
/// <param name="Code">Of the ware; of the coating, whose packs all its colours come in.</param>
/// <param name="Name">In words.</param>
/// <param name="Section">Where in the shop it stands.</param>
/// <param name="Unit">What it is measured in.</param>
/// <param name="Packs">Packs that it is bought in.</param>
/// <param name="IsSample">Whether the price is an example until the maker enters one.</param>
public sealed record PriceItem(
    string Code, string Name, string Section, WareUnit Unit, IReadOnlyList<OwnWarePack> Packs, bool IsSample);

/// <summary>What is paid here for one pack.</summary>
/// <param name="Code">Of the ware; of the coating, whose packs all its colours come in.</param>
/// <param name="Holds">What is in it, in the ware's unit.</param>
/// <param name="Price">Of one.</param>
public sealed record PackPrice(string Code, double Holds, decimal Price);

/// <summary>The prices of a kitchen, of wares that it has and of those that it has none of yet.</summary>
internal sealed class PriceList(KondibaContext db, KitchenThings things)
{
    private const int MostAtOnce = 200;

    /// <summary>What everything costs, coatings first.</summary>
    public async Task<IReadOnlyList<PriceItem>> ReadAsync()
    {
        var tables = (await things.TablesAsync()).Reference;
        return
        [
            .. tables.Coatings.Select(c => new PriceItem(
                $"coating.{c.Code}",
                c.Name,
                tables.Wares.Sections["coating"],
                WareUnit.Grams,
                [.. c.Packs.Select(p => new OwnWarePack(p.Mass.Value.In("g"), p.Price.Value.Amount))],
                !c.Packs.Any(Entered))),
            .. tables.AllWares.Values.Where(w => !w.Code.StartsWith("coating.", StringComparison.Ordinal)).Select(w => new PriceItem(
                w.Code,
                w.Name,
                w.Section,
                w.Unit,
                [.. w.Packs.Select(p => new OwnWarePack(p.Holds, p.Price.Value.Amount))],
                SamplePrice.IsSample(w))),
        ];
    }

    /// <summary>Saves what is paid for some packs, all or none; why not, otherwise.</summary>
    public async Task<Refused?> SaveAsync(IReadOnlyList<PackPrice> packs)
    {
        if (packs.Count is 0 or > MostAtOnce)
            return Refused.Because("packs", Message.Of("pricing.prices-at-once", ("most", MostAtOnce)), "kitchens.cannot-keep");
        var (own, tables) = await things.ReadAsync();
        var reference = tables.Reference;
        var byCoating = packs.ToLookup(p => reference.Coatings.FirstOrDefault(c => p.Code == $"coating.{c.Code}"));
        var coatings = byCoating.Where(g => g.Key is not null).Select(g => Priced(
            own.Coatings.FirstOrDefault(c => c.Code == g.Key!.Code) ?? OwnTables.Entered(g.Key!), g, g.Key!.Packs.Any(Entered))).ToList();
        var wares = byCoating[null].GroupBy(p => p.Code).Select(g => Priced(Ware(g.Key, own, reference), g)).ToList();
        IEnumerable<Problem> problems =
        [
            .. coatings.SelectMany(c => OwnCheck.Of(c, reference).Select(p => p with { Field = $"coating.{c.Code}" })),
            .. wares.SelectMany(w => OwnCheck.Of(w, reference).Select(p => p with { Field = w.Code })),
        ];
        if (Refused.Of(problems, "kitchens.cannot-keep") is { } refused)
            return refused;
        await using var all = await db.Database.BeginTransactionAsync();
        await things.KeepAllAsync(ItemKind.Coating, coatings.Select(c => (c.Code, c)));
        await things.KeepAllAsync(ItemKind.Ware, wares.Select(w => (w.Code, w)));
        await all.CommitAsync();
        return null;
    }

    private static bool Entered(Core.Coatings.CoatingPack pack) => pack.Price.Source.Tag is Tag.Entered;

    private static OwnWare Ware(string code, OwnThings own, ReferenceData tables) =>
        own.Wares.FirstOrDefault(w => w.Code == code)
        ?? (tables.Ware(code) is { } shipped ? new(code, shipped.Name, shipped.Unit) : new(code, "", WareUnit.Pieces));

    /// <summary>With packs as they are paid for; example packs give way to the first that the maker enters.</summary>
    private static OwnCoating Priced(OwnCoating coating, IEnumerable<PackPrice> packs, bool keepOthers) => coating with
    {
        Packs =
        [
            .. keepOthers ? coating.Packs.Where(o => packs.All(p => Math.Abs(p.Holds - o.Mass) > 0.5)) : [],
            .. packs.Select(p => new OwnPack(p.Holds, p.Price, Paid: true)),
        ],
    };

    private static OwnWare Priced(OwnWare ware, IEnumerable<PackPrice> packs) => ware with
    {
        Packs =
        [
            .. (ware.Packs ?? []).Where(o => packs.All(p => Math.Abs(p.Holds - o.Holds) > 1e-6)),
            .. packs.Select(p => new OwnWarePack(p.Holds, p.Price)),
        ],
    };
}

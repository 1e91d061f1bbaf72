using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Wares;

namespace Kondiba.Core.Reference;

/// <summary>The wares that a kitchen's tables name: coatings, colours, decoration, centres, ingredients and supplies.</summary>
internal static class WareList
{
    /// <summary>Every ware of a kitchen, by its code.</summary>
    public static IReadOnlyDictionary<string, Ware> Of(ReferenceData tables)
    {
        Ware Make(string code, string name, WareUnit unit, string? section = null, IReadOnlyList<Pack>? packs = null) => new(
            code,
            name,
            unit,
            section ?? tables.Wares.Sections[code[..code.IndexOf('.', StringComparison.Ordinal)]],
            packs ?? [.. tables.Wares.Rows(code).Select(p => new Pack(p.Holds, p.Price))],
            tables.Wares.Low.GetValueOrDefault(code));
        IEnumerable<Ware> wares =
        [
            .. from coating in tables.Coatings
               from colour in coating.Colours
               where colour.Mixed is null
               select Make(
                   Ware.OfColour(coating.Code, colour.Code),
                   $"{colour.Name}, {coating.Name}",
                   WareUnit.Grams,
                   packs: [.. coating.Packs.Select(p => p.ToPack())]),
            .. tables.Thinners.Select(t => Make($"thinner.{t.Code}", t.Name, WareUnit.Grams)),
            .. tables.Tints.Select(t => Make(
                $"tint.{t.Code}", $"{t.Name} colour, {(t.Carrier is Colour.Carrier.Oil ? "oil" : "powder")}", WareUnit.Drops)),
            .. tables.Decor.Sprinkles.Select(s => Make($"sprinkle.{s.Code}", s.Name, WareUnit.Grams)),
            .. tables.Decor.Parts.Where(p => tables.Fillings.All(f => f.Makes != $"part.{p.Code}"))
                .Select(p => Make($"part.{p.Code}", p.Plural, WareUnit.Pieces)),
            .. tables.Decor.Lustres.Select(l => Make($"lustre.{l.Code}", l.Name, WareUnit.Grams)),
            .. from centre in tables.Centres
               from size in centre.Sizes
               where centre.Holding is not Holding.Mould
               let code = Ware.OfCentre(centre, size)
               select Make(
                   code,
                   size.Name.Length > 0 && centre.Sizes.Count > 1 ? $"{centre.Plural}, {size.Name}" : centre.Plural,
                   WareUnit.Pieces,
                   packs: [
                       .. tables.Wares.Rows(
                           code, $"centre.{centre.Code}").Select(p => new Pack(
                               p.Grams > 0 ? Math.Floor(p.Grams / size.Mass.Value.In("g")) : p.Holds, p.Price))
                           .Where(p => p.Holds >= 1),
                   ]),
            .. tables.Ingredients.Where(i => i is { Ware: null, Tap: false })
                .Select(i => Make(i.BoughtAs, i.Name, i.One is null ? WareUnit.Grams : WareUnit.Pieces)),
            .. tables.Wares.Supplies.Select(s => Make($"supply.{s.Code}", s.Name, s.Unit, s.Section)),
        ];
        return wares.ToDictionary(w => w.Code);
    }
}

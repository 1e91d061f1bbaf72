using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>What an order can be found by besides what the maker typed.</summary>
public static class SearchWords
{
    /// <summary>Names of its centres, colours, patterns, sprinkles and looks, each once.</summary>
    public static string Of(OrderDraft order, ReferenceData tables) =>
        string.Join(' ', order.Lines.SelectMany(l => Of(l, tables)).OfType<string>().Where(w => w.Length > 0).Distinct());

    private static IEnumerable<string?> Of(LineDraft line, ReferenceData tables)
    {
        var decor = line.Decor ?? Decor.None;
        string? Colour(string? coating, string? colour) => tables.Coating(coating)?.Colour(colour)?.Name;
        return
        [
            line.Look, tables.Centre(line.Centre)?.Plural, Colour(line.Coating, line.Colour),
            .. decor.Dips.Select(d => Colour(d.Coating, d.Colour)),
            .. decor.Patterns.SelectMany(p => new[] { tables.Decor.Pattern(p.Kind)?.Name, Colour(p.Coating, p.Colour) }),
            .. decor.Sprinkles.Select(s => tables.Decor.Sprinkle(s.Kind)?.Name),
            .. decor.Parts.Select(p => tables.Decor.Part(p.Kind)?.Plural),
        ];
    }
}

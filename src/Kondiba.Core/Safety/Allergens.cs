using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Safety;

/// <summary>An allergen that a label must name.</summary>
/// <param name="Name">Its name, as the tables write it.</param>
/// <param name="Lists">The lists it stands on.</param>
public sealed record Allergen(string Name, IReadOnlyList<Source> Lists);

/// <summary>An allergen in an order, and where it is.</summary>
/// <param name="Allergen">Its name.</param>
/// <param name="Line">Index of the line.</param>
/// <param name="Field">The part of the line it comes with: "centre", "coating", "decor.sprinkles[0].kind" ….</param>
/// <param name="Component">What holds it: "chopped nuts".</param>
public sealed record AllergenUse(string Allergen, int Line, string Field, string Component);

/// <summary>The allergens of an order, component by component; the packets' labels decide.</summary>
public static class Allergens
{
    /// <summary>Every allergen of every component, line by line. Components that the tables do not know are left out.</summary>
    public static IReadOnlyList<AllergenUse> Of(OrderDraft order, TradeTables tables) => [.. order.Lines.Index().Where(l => l.Item is not null).SelectMany(l => Of(l.Item, l.Index, tables))];

    /// <summary>What an order's customer must not get, as problems to mind.</summary>
    internal static IEnumerable<Problem> Clashes(OrderDraft order, TradeTables tables)
    {
        foreach (var (i, allergen) in (order.Allergies ?? []).Index())
        {
            if (tables.Allergens.All(a => a.Name != allergen))
                yield return new($"allergies[{i}]", $"There is no allergen called '{allergen}'.", $"Choose of {string.Join(", ", tables.Allergens.Select(a => a.Name))}; put anything else into the notes.");
        }

        foreach (var use in Of(order, tables).Where(u => order.Allergies?.Contains(u.Allergen) is true))
            yield return new($"lines[{use.Line}].{use.Field}", $"The customer must not have {use.Allergen}, and {use.Component} hold{(use.Component.EndsWith('s') ? "" : "s")} it.", "Choose another, or leave the line out.", Severity.Mind);
    }

    /// <summary>Allergens of an ingredient: of a coating, those of the coating as the kitchen has it.</summary>
    private static IReadOnlyList<string> AllergensOf(Fillings.Ingredient ingredient, TradeTables tables) =>
        ingredient.Ware?.Split('.') is ["coating", var coating, ..] && tables.Coating(coating) is { } known ? known.Allergens : ingredient.Allergens;

    private static IEnumerable<AllergenUse> Of(LineDraft line, int index, TradeTables tables)
    {
        IEnumerable<AllergenUse> In(IEnumerable<string>? allergens, string field, string? component) => (allergens ?? []).Select(a => new AllergenUse(a, index, field, component ?? ""));
        var (centre, decor) = (tables.Centre(line.Centre), line.Decor);
        var making = centre?.Size(line.Size) is { } size ? LineMaking.Of(line, centre, size, tables) : null;
        var filled = making?.Filling is { } filling
            ? filling.Mix.Select(m => m.Ingredient).Concat(filling.Each.Select(e => e.Ingredient)).Select(tables.Ingredient).OfType<Fillings.Ingredient>().SelectMany(i => In(AllergensOf(i, tables), "centre", i.Name))
            : In(centre?.Allergens, "centre", centre?.Plural).Concat(In(making?.Insert?.Centre.Allergens, "making.mould.insert", making?.Insert?.Centre.Plural));
        var accent = line.Making?.Mould?.Accent?.Coating;
        return filled
            .Concat(In(tables.Coating(accent)?.Allergens, "making.mould.accent.coating", tables.Coating(accent)?.Name))
            .Concat(In(tables.Coating(line.Coating)?.Allergens, "coating", tables.Coating(line.Coating)?.Name))
            .Concat((decor?.Dips ?? []).Index().SelectMany(d => In(tables.Coating(d.Item?.Coating)?.Allergens, $"decor.dips[{d.Index}].coating", tables.Coating(d.Item?.Coating)?.Name)))
            .Concat((decor?.Patterns ?? []).Index().SelectMany(p => In(tables.Coating(p.Item?.Coating)?.Allergens, $"decor.patterns[{p.Index}].coating", tables.Coating(p.Item?.Coating)?.Name)))
            .Concat((decor?.Sprinkles ?? []).Index().SelectMany(s => In(tables.Decor.Sprinkle(s.Item?.Kind)?.Allergens, $"decor.sprinkles[{s.Index}].kind", tables.Decor.Sprinkle(s.Item?.Kind)?.Name)));
    }
}

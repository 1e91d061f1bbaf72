using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>What is known of an allergen in a component.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<AllergenKind>))]
public enum AllergenKind
{
    /// <summary>It is in it.</summary>
    [JsonStringEnumMemberName("contains")]
    Contains,

    /// <summary>There may be traces of it.</summary>
    [JsonStringEnumMemberName("mayContain")]
    MayContain,

    /// <summary>Nobody has said what is in it.</summary>
    [JsonStringEnumMemberName("notKnown")]
    NotKnown,
}

/// <summary>An allergen in an order, and where it is.</summary>
/// <param name="Allergen">Its name; empty when nothing is known of the component.</param>
/// <param name="Line">Index of the line.</param>
/// <param name="Field">The part of the line it comes with: "centre", "coating", "decor.sprinkles[0].kind" ….</param>
/// <param name="Component">What holds it: "chopped nuts".</param>
/// <param name="Kind">What is known of it.</param>
public sealed record AllergenUse(string Allergen, int Line, string Field, string Component, AllergenKind Kind);

/// <summary>The allergens of an order, component by component; the packets' labels decide.</summary>
public static class Allergens
{
    /// <summary>Every allergen of every component, line by line. Components that the tables do not have are left out.</summary>
    public static IReadOnlyList<AllergenUse> Of(OrderDraft order, ReferenceData tables) =>
    [
        .. from line in order.Lines.Index()
           where line.Item is not null
           from component in new Contents(tables).Of(line.Item)
           from use in Uses(component, line.Index)
           select use,
    ];

    /// <summary>What an order's customer must not get, as problems to mind.</summary>
    internal static IEnumerable<Problem> Clashes(OrderDraft order, ReferenceData tables)
    {
        if (order.Allergies is not { Count: > 0 } allergies)
            yield break;
        foreach (var (i, allergen) in allergies.Index())
        {
            if (tables.Allergens.All(a => a.Name != allergen))
                yield return new(
                    $"allergies[{i}]",
                    Message.Of("safety.allergen-called", ("allergen", allergen)),
                    Message.Of("safety.allergen-called.do", ("allergens", Argument.Of(tables.Allergens.Select(a => a.Name)))));
        }

        foreach (var use in Of(order, tables).Where(u => u.Kind is AllergenKind.NotKnown || allergies.Contains(u.Allergen)))
        {
            var several = use.Component.Split(',')[0].EndsWith('s');
            var (must, says) = use.Kind switch
            {
                AllergenKind.Contains => (use.Allergen, $"{use.Component} contain{(several ? "" : "s")} it"),
                AllergenKind.MayContain => (use.Allergen, $"{use.Component} may contain it"),
                _ => (string.Join(" or ", allergies), $"what is in {use.Component} is not known"),
            };
            yield return new($"lines[{use.Line}].{use.Field}", Message.Of("safety.customer-must-not", ("must", must), ("says", says)),
                use.Kind is AllergenKind.NotKnown
                    ? Message.Of("safety.customer-must-not.do")
                    : Message.Of("safety.choose-another-leave-line"), Severity.Mind);
        }
    }

    /// <summary>Something that a piece is made of.</summary>
    private sealed record Component(string Field, string Name, IReadOnlyList<string>? Contains, IReadOnlyList<string>? MayContain);

    private static IEnumerable<AllergenUse> Uses(Component component, int line)
    {
        AllergenUse Use(string allergen, AllergenKind kind) => new(allergen, line, component.Field, component.Name, kind);
        if (component.Contains is not { } contains)
            return [Use("", AllergenKind.NotKnown)];
        return [
            .. contains.Select(a => Use(a, AllergenKind.Contains)),
            .. (component.MayContain ?? []).Except(contains).Select(a => Use(a, AllergenKind.MayContain)),
        ];
    }

    /// <summary>What is in a line's pieces, found part by part.</summary>
    private sealed class Contents(ReferenceData tables)
    {
        private readonly List<Component> _all = [];

        public List<Component> Of(LineDraft line)
        {
            var (centre, decor, mould) = (tables.Centre(line.Centre), line.Decor ?? Decor.None, line.Making?.Mould);
            var making = centre?.Size(line.Size) is { } size ? LineMaking.Of(line, centre, size, tables) : null;
            if (making?.Filling is { } filling)
                Filled("centre", filling);
            else if (centre?.Figure is { } figure)
                foreach (var made in figure.Made)
                    Made("centre", made);
            else
                Whole("centre", centre);
            if (making is { Filling: null, Insert.Centre: { } insert })
                Made("making.mould.insert", insert);
            foreach (var stuck in centre?.Figure?.Stuck ?? [])
                Glued("centre", tables.Decor.Part(stuck.Part));
            foreach (var (_, field, layer) in mould?.First ?? [])
                Coated($"making.mould.{field}.coating", layer?.Coating);
            Coated("coating", line.Coating);
            foreach (var (i, dip) in decor.Dips.Index())
                Coated($"decor.dips[{i}].coating", dip?.Coating);
            foreach (var (i, pattern) in decor.Patterns.Index())
                Coated($"decor.patterns[{i}].coating", pattern?.Coating);
            foreach (var (i, sprinkles) in decor.Sprinkles.Index())
            {
                if (tables.Decor.Sprinkle(sprinkles?.Kind) is { } kind)
                    _all.Add(new($"decor.sprinkles[{i}].kind", kind.Name, kind.Allergens, kind.MayContain));
            }

            foreach (var (i, part) in decor.Parts.Index())
            {
                Glued($"decor.parts[{i}].kind", tables.Decor.Part(part?.Kind), moulded: part?.Colour is not null);
                if (part?.Colour is not null)
                    Coated($"decor.parts[{i}].coating", part.Coating);
            }

            return _all;
        }

        private void Whole(string field, Centre? whole)
        {
            if (whole is not null)
                _all.Add(new(field, whole.Plural, whole.Allergens, whole.MayContain));
        }

        // What goes into a figure or a mould is made by its usual recipe, where it has one.
        private void Made(string field, Centre whole)
        {
            if (LineMaking.Usual(whole, tables) is { } recipe)
                Filled(field, recipe);
            else
                Whole(field, whole);
        }

        private void Coated(string field, string? code)
        {
            if (tables.Coating(code) is { } coating)
                _all.Add(new(field, coating.Name, coating.Allergens, coating.MayContain));
        }

        // Moulded at home it is its coating, made by a recipe its ingredients, and bought what the packet says.
        private void Glued(string field, Part? part, bool moulded = false)
        {
            if (part is null || moulded)
                return;
            if (tables.Fillings.FirstOrDefault(f => f.Makes == $"part.{part.Code}") is { } recipe)
                Filled(field, recipe);
            else
                _all.Add(new(field, part.Plural, part.Allergens, part.MayContain));
        }

        private void Filled(string field, Filling recipe)
        {
            foreach (var ingredient in recipe.Mix.Select(m => m.Ingredient)
                .Concat(recipe.Each.Select(e => e.Ingredient))
                .Select(tables.Ingredient)
                .OfType<Ingredient>())
            {
                // Coating in a recipe is the coating as the kitchen has it.
                var coating = ingredient.Ware?.Split('.') is ["coating", var code, ..] ? tables.Coating(code) : null;
                _all.Add(new(
                    field,
                    ingredient.Name,
                    coating is null ? ingredient.Allergens : coating.Allergens,
                    coating is null ? ingredient.MayContain : coating.MayContain));
            }
        }
    }
}

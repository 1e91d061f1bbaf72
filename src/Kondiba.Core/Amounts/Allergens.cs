using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
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
        .. (from line in order.Lines.Index()
            where line.Item is not null
            from component in Components.Of(line.Item, null, tables)
            from use in Uses(component, line.Index)
            select use).Distinct(),
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
            var says = use.Kind switch
            {
                AllergenKind.Contains => Message.Of("safety.contains-it", ("component", use.Component), ("count", several ? 2 : 1)),
                AllergenKind.MayContain => Message.Of("safety.may-contain-it", ("component", use.Component)),
                _ => Message.Of("safety.not-known-what-is-in", ("component", use.Component)),
            };
            IReadOnlyList<string> must = use.Kind is AllergenKind.NotKnown ? allergies : [use.Allergen];
            yield return new(
                $"lines[{use.Line}].{use.Field}",
                Message.Of("safety.customer-must-not", ("must", Argument.Of(must)), ("says", says)),
                use.Kind is AllergenKind.NotKnown
                    ? Message.Of("safety.customer-must-not.do")
                    : Message.Of("safety.choose-another-leave-line"), Severity.Mind);
        }
    }

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
}

using Kondiba.Core.Films;
using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>What the hands do for a look, in their order.</summary>
internal static class LookSteps
{
    /// <summary>What is done on the wet coat.</summary>
    public static IReadOnlyList<string> OnWet(Design design) =>
    [
        .. design.Patterns.Select(p => p.Drizzle).Where(d => d.Kind.GoesOn is GoesOn.Wet)
            .Select(d => design.Layers[^1].Bare
                ? $"{English.Capitalized(d.Kind.Name)} in {d.Colour.Name}. {d.Kind.Bare}"
                : $"While it is wet, {d.Kind.Name} in {d.Colour.Name}. {d.Kind.How}"),
        .. design.Sprinkles.Where(s => !s.Draft.Glued).Select(s => $"While it is wet, {s.Kind.Name}. {s.Kind.How}"),
        .. design.Parts.Where(p => p.Draft.Pressed)
            .Select(p => $"While it is wet, press on {Counted(p.Draft.Count, p.Kind)}."),
    ];

    /// <summary>All of it, from the first dip on.</summary>
    public static IReadOnlyList<string> All(Design design) =>
    [
        First(design.First),
        .. design.Dips.Select(d => $"When it has set, dip {Where(d.Angle)} in {d.Colour.Name}, {d.Depth.In("%"):0} % deep."),
        .. OnWet(design),
        .. OnSet(design),
    ];

    private static string First(Dip first)
    {
        if (first.Bare)
            return "It is not dipped.";
        if (first.Size.Shape is Cavity)
            return $"Fill the mould with {first.Colour.Name}.";
        var between = first.AtOnce ? " at once" : ", chilled between";
        return $"Dip in {first.Colour.Name}, {first.Depth.In("%"):0} % deep{(first.Coats > 1 ? $", {first.Coats} coats{between}" : "")}.";
    }

    private static string Where(double angle)
    {
        if (angle == 0)
            return "the end";
        return Abs(angle) > PI / 3 ? "one side" : "at a slant";
    }

    /// <summary>What is done when the last coat has set.</summary>
    public static IReadOnlyList<string> OnSet(Design design)
    {
        return
        [
            .. design.Patterns.Select(p => p.Drizzle)
                .Where(d => d.Kind.GoesOn is GoesOn.Set)
                .Select(d => When("Touch-dry", $"{d.Kind.Name} in {d.Colour.Name}, kept plain. {d.Kind.How}")),
            .. design.Sprinkles.Where(s => s.Draft.Glued)
                .Select(s => When("Set", $"brush with edible glue, then {s.Kind.Name}; shake off what does not hold.")),
            .. design.Parts.Where(p => !p.Draft.Pressed).Select(p => When("Set", $"{Counted(p.Draft.Count, p.Kind)}. {p.Kind.How}")),
            .. design.Paint is { } paint ? new[] { $"Last, {paint.Kind.Name}. {paint.Kind.How}" } : [],
        ];

        string When(string state, string does) => design.Layers[^1].Bare ? English.Capitalized(does) : $"{state}: {does}";
    }

    private static string Counted(int count, Part kind) => $"{count} {(count == 1 ? kind.Name : kind.Plural)}";
}

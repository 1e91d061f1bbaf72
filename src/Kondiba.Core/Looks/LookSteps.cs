using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Films;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>What the hands do for a look, in their order.</summary>
internal static class LookSteps
{
    /// <summary>What is done on the wet coat.</summary>
    public static IReadOnlyList<Message> OnWet(Design design) =>
    [
        .. design.Patterns.Select(p => p.Drizzle).Where(d => d.Kind.GoesOn is GoesOn.Wet)
            .Select(d => design.Layers[^1].Bare
                ? Drawn("look.pattern-on-bare", d, d.Kind.Bare)
                : Drawn("look.pattern-on-wet", d, d.Kind.How)),
        .. design.Sprinkles.Where(s => !s.Draft.Glued)
            .Select(s => Message.Of("look.sprinkles-on-wet", ("sprinkles", s.Kind.Name), ("how", Message.ByText(s.Kind.How)))),
        .. design.Parts.Where(p => p.Draft.Pressed).Select(p => Counted("look.parts-on-wet", p.Draft.Count, p.Kind)),
    ];

    /// <summary>All of it, from the first dip on.</summary>
    public static IReadOnlyList<Message> All(Design design) =>
    [
        First(design.First),
        .. design.Dips.Select(d =>
            Message.Of("look.dip-over", ("where", Where(d.Angle)), ("colour", d.Colour.Name), ("depth", d.Depth))),
        .. OnWet(design),
        .. OnSet(design),
    ];

    /// <summary>What is done when the last coat has set.</summary>
    public static IReadOnlyList<Message> OnSet(Design design)
    {
        return
        [
            .. design.Patterns.Select(p => p.Drizzle)
                .Where(d => d.Kind.GoesOn is GoesOn.Set)
                .Select(d => When("look.touch-dry", Drawn("look.pattern", d, d.Kind.How))),
            .. design.Sprinkles.Where(s => s.Draft.Glued)
                .Select(s => When("look.set", Message.Of("look.sprinkles", ("sprinkles", s.Kind.Name)))),
            .. design.Parts.Where(p => !p.Draft.Pressed)
                .Select(p => When("look.set", Counted("look.parts", p.Draft.Count, p.Kind))),
            .. design.Paint is { } paint
                ? new[] { Message.Of("look.lustre", ("lustre", paint.Kind.Name), ("how", Message.ByText(paint.Kind.How))) }
                : [],
        ];

        Message When(string state, Message does) => Message.Of(design.Layers[^1].Bare ? "look.does" : state, ("does", does));
    }

    private static Message First(Dip first)
    {
        if (first.Bare)
            return "look.not-dipped";
        if (first.Size.Shape is Cavity)
            return Message.Of("look.fill-mould", ("colour", first.Colour.Name));
        var coats = first.AtOnce ? "look.dip-at-once" : "look.dip-again";
        return Message.Of(
            first.Coats > 1 ? coats : "look.dip", ("colour", first.Colour.Name), ("depth", first.Depth), ("coats", first.Coats));
    }

    private static Message Where(double angle)
    {
        if (angle == 0)
            return "look.the-end";
        return Abs(angle) > PI / 3 ? "look.one-side" : "look.at-a-slant";
    }

    private static Message Drawn(string code, Drizzle drizzle, string? how) => Message.Of(
        code, ("pattern", drizzle.Kind.Name), ("colour", drizzle.Colour.Name), ("how", Message.ByText(how)));

    private static Message Counted(string code, int count, Part kind) => Message.Of(
        code, ("count", count), ("parts", count == 1 ? kind.Name : kind.Plural), ("how", Message.ByText(kind.How)));
}

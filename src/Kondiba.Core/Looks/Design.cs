using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Looks;

/// <summary>A line's decoration in terms of the trade tables, its patterns drawn; what cannot be is left out.</summary>
internal sealed record Design(
    Dip First,
    IReadOnlyList<Dip> Dips,
    IReadOnlyList<(Drizzle Drizzle, PatternTally Tally)> Patterns,
    IReadOnlyList<(int Index, SprinkleDraft Draft, Sprinkle Kind)> Sprinkles,
    IReadOnlyList<(int Index, PartDraft Draft, Part Kind)> Parts,
    (PaintDraft Draft, Lustre Kind)? Paint,
    Outline Coat)
{
    /// <summary>All its coats, first to last.</summary>
    public IReadOnlyList<Dip> Layers { get; } = [First, .. Dips];

    /// <summary>Area of the coat that covers most.</summary>
    public Area Area { get; } = new(Dips.Prepend(First).Max(d => d.Size.Shape.DippedArea(d.Depth, d.Angle).Si));

    /// <summary>What its sprinkles come to.</summary>
    public IReadOnlyList<SprinkleTally> SprinkleTallies =>
        field ??= [.. Sprinkles.Select(s => SprinkleTally.For(s.Index, s.Draft, s.Kind, this))];

    /// <summary>What its lustre comes to; null for none.</summary>
    public Figure<Mass>? Lustre => Paint is { } paint ? field ??= LookTally.Brushed(paint.Draft, paint.Kind, Area) : null;

    /// <summary>Coating in the dots that hold its parts, of the last coat's own colour.</summary>
    public Mass Glue => Parts.Select(p => p.Kind.Dot.Value * p.Draft.Count).Total();

    /// <summary>What its patterns and dots take from each pot, on one piece and beside it.</summary>
    public IEnumerable<Bagged> Bags(ReferenceData tables)
    {
        var c = tables.Decorating;
        foreach (var (drizzle, tally) in Patterns)
            yield return new(
                First,
                drizzle.Coating,
                drizzle.Colour,
                Message.Of("decoration.drawn-in", ("colour", drizzle.Colour.Name), ("kind", drizzle.Kind.Name)),
                tally.Mass,
                c.OffPiece);
        foreach (var (_, draft, kind) in Parts)
        {
            if (tables.MouldedIn(kind, draft) is not { } moulded)
                continue;
            var each = moulded.Mould.Holds * Films.Flow.Of(moulded.Coating, default, tables.Film).Density;
            yield return new(First, moulded.Coating, moulded.Colour, Message.ByName(kind.Plural), new(each * draft.Count, () =>
            [
                .. moulded.Mould.Measures,
                WorkingLine.Of(Message.Of("decoration.one", ("kind", kind.Name)), "decoration.one.how", each, Source.Computed),
                WorkingLine.Of(
                    Message.Of("decoration.one-piece", ("plural", kind.Plural)),
                    Message.Of("decoration.one-piece.how", ("draft", draft.Count), ("each", each)),
                    each * draft.Count,
                    Source.Computed),
            ]), null);
        }

        if (Glue.Si > 0)
        {
            var last = Layers[^1];
            yield return new(
                First,
                last.Coating,
                last.Colour,
                "decoration.dots-under-parts",
                new(
                    Glue,
                    () => [.. Parts.Select(p => WorkingLine.Of(Message.Of("decoration.dot-under", ("kind", p.Kind.Name)), p.Kind.Dot))]),
                null);
        }
    }
}

using Kondiba.Core.Centres;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>What a pattern comes to on one piece.</summary>
/// <param name="Pattern">Its place among the line's patterns.</param>
/// <param name="Kind">Code of the pattern.</param>
/// <param name="Pot">Key of the pot it is taken from.</param>
/// <param name="Bead">Width of the bead.</param>
/// <param name="Strokes">
/// What is seen of it: lines as x, y, x, y …, x from the middle line to the right, y down from the top; two numbers are a dot.
/// </param>
/// <param name="Line">Length of the bead.</param>
/// <param name="Mass">Coating in it.</param>
/// <param name="Tip">Opening of the tip, to the half millimetre.</param>
/// <param name="Time">To draw it.</param>
public sealed record PatternTally(
    int Pattern,
    string Kind,
    string Pot,
    Length Bead,
    IReadOnlyList<IReadOnlyList<Length>> Strokes,
    Figure<Length> Line,
    Figure<Mass> Mass,
    Length Tip,
    Duration Time)
{
    private const double MostlyBeside = 0.5;

    internal static PatternTally For(Drizzle drizzle, Outline coat, Dip dip, ReferenceData tables, List<Problem> problems)
    {
        var (draft, kind, c, shape) = (drizzle.Draft, drizzle.Kind, tables.Decorating, dip.Size.Shape);
        var drawn = Patterns.Draw(draft, coat, shape);
        if (drawn.Landed < MostlyBeside)
        {
            problems.Add(new(
                $"lines[{dip.Line}].decor.patterns[{drizzle.Index}].kind",
                Message.Of(
                    "decoration.only-lands-rest-falls",
                    ("landed", drawn.Landed * 100),
                    ("piece", dip.One)),
                "decoration.only-lands-rest-falls.do",
                Severity.Mind));
        }

        var flow = Flow.Of(drizzle.Coating, default, tables.Film);
        var bead = Quantities.Of<Length>(draft.Bead, "mm");
        var length = new Length(drawn.Length);
        var dot = new Volume(PI / 12 * Pow(bead.Si, 3));
        var mass = ((bead.Circle * length) + (dot * drawn.Dots)) * flow.Density;
        var seconds = (drawn.Length / (c.HandSpeed.Value.Si * kind.Pace.Value.Si)) + (drawn.Starts * c.Lift.Value.TotalSeconds);
        var tip = Quantities.Of<Length>(Round(draft.Bead / c.BeadPerTip.Value.Si * 2) / 2, "mm");
        List<WorkingLine> LengthWorking() =>
        [
            WorkingLine.Count(Message.ByName(kind.Counted.Length > 0 ? kind.Counted : kind.Name), "", draft.Lines, Source.Entered),
            .. drawn.Dots > 0 ? new[] { WorkingLine.Count("decoration.dots", "decoration.dots.how", drawn.Dots, Source.Computed) } : [],
            WorkingLine.Of(
                Message.Of("decoration.bead", ("kind", kind.Name)),
                kind.Code is "stripes" ? Message.Of("decoration.bead.how") : Message.Of("decoration.seen-from-above-drizzle"),
                length,
                Source.Computed),
        ];
        return new(
            drizzle.Index,
            kind.Code,
            drizzle.Pot,
            bead,
            [.. drawn.Lines.Select(Points.Flat)],
            new(length, LengthWorking),
            new(mass, () =>
            [
                .. LengthWorking(),
                WorkingLine.Of("decoration.bead-width-w", "", bead, Source.Entered),
                WorkingLine.Of(
                    Message.Of("decoration.density-unthinned", ("coating", drizzle.Coating.Name)), "", flow.Density, Source.Computed),
                WorkingLine.Of(
                    Message.Of("decoration.drawn-in", ("colour", drizzle.Colour.Name), ("kind", kind.Name)),
                    drawn.Dots > 0
                        ? Message.Of("decoration.drawn-in.how", ("length", length), ("dots", drawn.Dots))
                        : Message.Of("decoration.w", ("length", length)),
                    mass,
                    Source.Computed),
            ]),
            tip,
            Duration.FromSeconds(Round(seconds, 1)));
    }
}

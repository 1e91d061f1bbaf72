using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>Sprinkles on one piece.</summary>
/// <param name="Sprinkle">Their place among the line's sprinkles.</param>
/// <param name="Kind">Code of the sprinkle.</param>
/// <param name="Mass">What stays on one piece.</param>
/// <param name="Grains">Where grains are seen, as x, y, x, y …; not every one when there are very many.</param>
public sealed record SprinkleTally(int Sprinkle, string Kind, Figure<Mass> Mass, IReadOnlyList<Length> Grains)
{
    private const int MostGrains = 220;

    internal static SprinkleTally For(int index, SprinkleDraft draft, Sprinkle kind, Design design)
    {
        var (first, coat, area) = (design.First, design.Coat, design.Area);
        var shape = first.Size.Shape;
        var tip = new Share(first.Depth.Si / 3);
        (Area Onto, Message Where) side = draft.Side switch
        {
            Side.Front => (area / 2, "decoration.area-of-front"),
            Side.Tip => (shape.DippedArea(tip), "decoration.area-of-tip"),
            _ => (area, "decoration.area-of-all"),
        };
        var onto = side.Onto;
        var mass = onto * draft.Cover * kind.PerArea.Value;
        var seen = draft.Side is Side.Tip ? Coats.Under(coat, first, 0, shape.DipLine(tip).Si) : coat;
        var grain = kind.Grain.Value.Si;
        var count = (int)Min(MostGrains, Ceiling(seen.Area * draft.Cover / (grain * grain * (kind.Form is "rod" ? 0.6 : 1.3))));
        return new(
            index,
            kind.Code,
            new(mass, () =>
            [
                WorkingLine.Of("decoration.area-2", side.Where, onto, Source.Computed),
                WorkingLine.Of("decoration.covered", "", new Share(draft.Cover), Source.Entered),
                WorkingLine.Of(Message.Of("decoration.area", ("kind", kind.Name)), kind.PerArea),
                WorkingLine.Of(
                    Message.Of("decoration.one-piece-2", ("kind", kind.Name)),
                    Message.Of("decoration.one-piece-2.how", ("onto", onto), ("cover", draft.Cover * 100), ("perArea", kind.PerArea.Value)),
                    mass,
                    Source.Computed),
            ]),
            Points.Flat(Points.Scatter(seen, count)));
    }
}

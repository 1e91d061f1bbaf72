using Kondiba.Core.Centres;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Looks;

/// <summary>What is seen of a coat from above.</summary>
internal static class Coats
{
    /// <summary>The coat that covers most: what decoration goes onto.</summary>
    public static Outline Widest(Dip first, IEnumerable<Dip> over) => over.Prepend(first).Select(Seen).MaxBy(o => o.Area)!;

    /// <summary>The part of what is seen of a piece that goes under when it is dipped at an angle.</summary>
    /// <param name="seen">What is seen of the piece.</param>
    /// <param name="dip">A dip of the piece, which tells how it lies.</param>
    /// <param name="angle">The angle, in radians.</param>
    /// <param name="upTo">How far it reaches along the way the piece goes in, in metres from the middle of the dipped end.</param>
    public static Outline Under(Outline seen, Dip dip, double angle, double upTo)
    {
        var (sin, cos) = SinCos(angle);
        return dip.Centre.DippedEndUp ? seen.Cut(new(sin, cos), upTo) : seen.Cut(new(sin, -cos), upTo - (dip.Size.Shape.Length.Si * cos));
    }

    private static Outline Seen(Dip dip)
    {
        var shape = dip.Size.Shape;
        var whole = shape.Outline(dip.Centre.DippedEndUp);
        return shape.DipLine(dip.Depth) >= shape.Length && dip.Depth.Si >= 1
            ? whole
            : Under(whole, dip, dip.Angle, shape.DipUpTo(dip.Depth, dip.Angle));
    }
}

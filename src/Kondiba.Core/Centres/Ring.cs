using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A flat ring: a canned fruit ring. Dipped part way it goes in on its edge; dipped whole it lies on a fork.</summary>
/// <param name="Outer">Outer diameter.</param>
/// <param name="Hole">Inner diameter.</param>
/// <param name="Thick">From face to face.</param>
public sealed record Ring(Length Outer, Length Hole, Length Thick) : Shape
{
    private readonly Disc outside = new(Outer, Outer, Thick);
    private readonly Disc inside = new(Hole, Hole, Thick);

    /// <inheritdoc/>
    public override Length Length => Outer;

    /// <inheritdoc/>
    public override Length Width => Outer;

    /// <inheritdoc/>
    public override Length Thickness => Thick;

    /// <summary>Faces and rim of the outer disc, less the hole's faces, and the wall of the hole.</summary>
    public override Area DippedArea(Share depth)
    {
        var hole = InHole(depth);
        return outside.DippedArea(depth) - inside.DippedArea(hole) + (inside.FootLine(hole) * Thick * 2);
    }

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.ring-faces-rim-wall", ("outer", Outer), ("hole", Hole), ("thick", Thick), ("dipLine", DipLine(depth)));

    /// <inheritdoc/>
    public override Length AcrossUpright => Diagonal(Outer, Thick);

    /// <summary>The dipped part of the rim and of the hole's edge.</summary>
    public override Length FootLine(Share depth) => outside.FootLine(depth) + inside.FootLine(InHole(depth));

    /// <summary>The disc with its hole.</summary>
    public override Outline Outline(bool dippedEndUp)
    {
        var down = new Point(0, (Outer.Si - Hole.Si) / 2);
        return new([[.. outside.Outline(dippedEndUp).Rings[0]], [.. inside.Outline(dippedEndUp).Rings[0].Reverse().Select(p => p + down)]]);
    }

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => outside.Under(z) - inside.Under(Hole.Si * InHole(new(z / Outer.Si)).Si);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Sqrt(Max(0, z * (Outer.Si - z)));

    private Share InHole(Share depth) => new(Clamp(((Outer.Si * depth.Si) - ((Outer.Si - Hole.Si) / 2)) / Hole.Si, 0, 1));
}

using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Centres;

/// <summary>A centre cut or broken across, of which one part is kept; its cut face is coated too.</summary>
/// <param name="Whole">The solid it is cut from.</param>
/// <param name="Kept">Share of its length that is kept, from the dipped end.</param>
public sealed record Cut(Shape Whole, Share Kept) : Shape
{
    /// <inheritdoc/>
    public override Length Length => Whole.Length * Kept.Si;

    /// <inheritdoc/>
    public override Length Width => Whole.Width;

    /// <inheritdoc/>
    public override Length Thickness => Whole.Thickness;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) =>
        Whole.DippedArea(new(depth.Si * Kept.Si)) + (depth.Si >= 1 ? Whole.CutFace(Length.Si) : default);

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of(
            "centres.of",
            ("kept", Kept),
            ("areaFormula", Whole.AreaFormula(new(depth.Si * Kept.Si))),
            ("face", depth.Si >= 1 ? Message.Of("centres.cut-face") : ""));

    /// <inheritdoc/>
    public override bool Looped => Whole.Looped;

    /// <inheritdoc/>
    public override Length AcrossUpright => Whole.AcrossUpright;

    /// <inheritdoc/>
    public override Length Run(Share depth) => Whole.Run(new(depth.Si * Kept.Si));

    /// <inheritdoc/>
    public override Length FootLine(Share depth) => Whole.FootLine(new(depth.Si * Kept.Si));

    /// <inheritdoc/>
    public override Outline Outline(bool dippedEndUp)
    {
        var whole = Whole.Outline(dippedEndUp);
        return dippedEndUp ? whole.Cut(new(0, 1), Length.Si) : whole.Cut(new(0, -1), Length.Si - Whole.Length.Si);
    }

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => Whole.Under(z);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Whole.HalfWidth(z);
}

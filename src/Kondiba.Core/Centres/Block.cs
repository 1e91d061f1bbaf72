using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Centres;

/// <summary>A box: a crisped-rice bite on its stick, a coconut bar on a fork.</summary>
/// <param name="Long">The way it is dipped.</param>
/// <param name="Wide">Across, as it lies.</param>
/// <param name="Thick">Its height as it lies.</param>
public sealed record Block(Length Long, Length Wide, Length Thick) : Shape
{
    /// <summary>Radius of the drawn corners, as a share of the width.</summary>
    private const double Rounding = 0.12;

    /// <inheritdoc/>
    public override Length Length => Long;

    /// <inheritdoc/>
    public override Length Width => Wide;

    /// <inheritdoc/>
    public override Length Thickness => Thick;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth) =>
        (((Wide + Thick) * 2) * DipLine(depth)) + ((Wide * Thick) * Ends(depth));

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) =>
        Message.Of("centres.box-w-t-z", ("ends", Ends(depth)), ("wide", Wide), ("thick", Thick), ("dipLine", DipLine(depth)));

    /// <inheritdoc/>
    public override Length AcrossUpright => Diagonal(Wide, Thick);

    /// <inheritdoc/>
    public override Length AcrossLying => Diagonal(Long, Wide);

    /// <summary>The edges of the dipped part that lie on the sheet.</summary>
    public override Length FootLine(Share depth) => (DipLine(depth) * 2) + (Wide * Ends(depth));

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => Wide * Thick * new Length(z);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => RoundedBar(z, Long.Si, Wide.Si / 2, Wide.Si * Rounding);

    private static int Ends(Share depth) => depth.Si >= 1 ? 2 : 1;
}

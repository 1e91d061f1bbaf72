using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>
/// A mould's cavity, filled with coating round an insert. Nothing is dipped: the mould is filled from a bag or a spouted jug.
/// </summary>
/// <param name="Holds">Volume of the cavity.</param>
/// <param name="Coating">Share of it that coating fills; the insert takes the rest.</param>
/// <param name="Long">Across its opening, the longer way; null where only its volume is known.</param>
/// <param name="Wide">Across its opening, the shorter way; likewise.</param>
/// <param name="Round">Whether its opening is round.</param>
public sealed record Cavity(Volume Holds, Share Coating, Length? Long = null, Length? Wide = null, bool Round = false) : Shape
{
    /// <summary>Volume of coating that goes in.</summary>
    public Volume Fill => Holds * Coating.Si;

    /// <inheritdoc/>
    public override Length Length => Long ?? Side;

    /// <inheritdoc/>
    public override Length Width => Wide ?? Side;

    /// <summary>The walls of a cube as large as the cavity: what the coating sets against.</summary>
    public override Area DippedArea(Share depth) => Side * Side * 6;

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth) => Message.Of("centres.walls-cube", ("holds", Holds));

    /// <summary>It sets in the mould and spreads no foot.</summary>
    public override Length FootLine(Share depth) => default;

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => Holds * (z / Length.Si);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z) => Round
        ? Width / Length * Sqrt(Max(0, z * (Length.Si - z)))
        : RoundedBar(z, Length.Si, Width.Si / 2, Min(Length.Si, Width.Si) / 4);

    private Length Side => new(Cbrt(Holds.Si));
}

using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Vessels;

/// <summary>A round vessel, straight or flaring; or the straight half of one that a wall divides.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What it is computed from.</param>
/// <param name="Bottom">Inner diameter at the bottom.</param>
/// <param name="Top">Inner diameter at the rim.</param>
/// <param name="Height">Inner height.</param>
/// <param name="Halved">Whether a wall across the middle leaves half of it.</param>
/// <param name="Warm">Whether it stands in a melting pot that keeps it warm.</param>
public sealed record RoundVessel(
    string Code,
    string Name,
    IReadOnlyList<WorkingLine> Measures,
    Length Bottom,
    Length Top,
    Length Height,
    bool Halved = false,
    bool Warm = false)
    : Vessel(Code, Name, Measures)
{
    /// <inheritdoc/>
    public override string Kind => Halved ? "half" : Warm ? "insert" : "round";

    /// <summary>Across the widest circle that goes through its rim; within half a circle it is half as wide.</summary>
    public Length Opening => Top * Part;

    /// <summary>Whether it is a bowl, not deeper than it is wide, and not a glass.</summary>
    public bool Low => Height <= Opening;

    /// <summary>Across the widest circle on its bottom.</summary>
    public Length Floor => Bottom * Part;

    /// <inheritdoc/>
    public override Volume Capacity => UpToLevel(Height);

    /// <inheritdoc/>
    public override IReadOnlyList<Corner> Outline { get; } =
        [new(Top / -2, Height), new(Bottom / -2, default), new(Bottom / 2, default), new(Top / 2, Height)];

    private double R0 => Bottom.Si / 2;

    private double Slope => (Top.Si - Bottom.Si) / 2 / Height.Si;

    private double Part => Halved ? 0.5 : 1;

    /// <inheritdoc/>
    public override Volume UpToLevel(Length level)
    {
        var r = R0 + (Slope * level.Si);
        return new(Part * PI / 3 * level.Si * ((R0 * R0) + (R0 * r) + (r * r)));
    }

    /// <inheritdoc/>
    public override Length LevelOf(Volume volume)
    {
        if (volume >= Capacity)
            return Height;
        var v = volume.Si / Part;
        return new(Abs(Slope) < 1e-9
            ? v / (PI * R0 * R0)
            : (Cbrt((3 * Slope * v / PI) + (R0 * R0 * R0)) - R0) / Slope);
    }

    /// <summary>The pool of a vessel that is filled to a level, in a formula.</summary>
    internal static Message Formula(Seat seat, Vessel vessel) =>
        Message.Of(
            "vessels.up",
            ("upToLevel", vessel.UpToLevel(seat.Depth)),
            ("depth", seat.Depth),
            ("less", seat.Displaced.Si > 0 ? Message.Of("vessels.taken-up-piece", ("displaced", seat.Displaced)) : ""));
}

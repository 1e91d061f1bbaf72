using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Vessels;

/// <summary>
/// A shallow dish propped up at one end, so that coating pools along the low edge and pieces are laid in and turned.
/// The pool is a wedge between the bottom, which slopes by the tilt, and the low wall, square to it: up to a depth d above the
/// edge it fills d²/sin 2θ of the cross-section.
/// </summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What it is computed from.</param>
/// <param name="Wide">Inner length of the low edge.</param>
/// <param name="Long">Inner length of the sloping bottom.</param>
/// <param name="Height">Inner height of the wall.</param>
/// <param name="Tilt">Slope of the bottom, in degrees.</param>
public sealed record TiltedDish(
    string Code, string Name, IReadOnlyList<WorkingLine> Measures, Length Wide, Length Long, Length Height, double Tilt)
    : Vessel(Code, Name, Measures)
{
    /// <inheritdoc/>
    public override string Kind => "tilted";

    /// <inheritdoc/>
    public override Volume Capacity => UpToLevel(Rim);

    /// <inheritdoc/>
    public override IReadOnlyList<Corner> Outline
    {
        get
        {
            var (sin, cos) = (Sin(Angle), Cos(Angle));
            var middle = Long * (cos / 2);
            return
            [
                new((Height * -sin) - middle, Height * cos), new(middle * -1, default),
                new((Long * cos) - middle, Long * sin), new((Long * cos) - (Height * sin) - middle, (Long * sin) + (Height * cos)),
            ];
        }
    }

    private double Angle => Tilt * PI / 180;

    /// <summary>Where it would run over: the low wall, or the far end of the bottom.</summary>
    public Length Rim => new(Min(Height.Si * Cos(Angle), Long.Si * Sin(Angle)));

    /// <inheritdoc/>
    public override Volume UpToLevel(Length level) => new(Wide.Si * level.Si * level.Si / Sin(2 * Angle));

    /// <inheritdoc/>
    public override Length LevelOf(Volume volume) => volume >= Capacity ? Rim : new(Sqrt(volume.Si * Sin(2 * Angle) / Wide.Si));
}

using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Centres;

/// <summary>A paraboloid standing on its tip: a strawberry.</summary>
/// <param name="Height">From tip to shoulder.</param>
/// <param name="Diameter">At the shoulder.</param>
public sealed record Paraboloid(Length Height, Length Diameter) : Shape
{
    /// <summary>Share of the height above which the drawn shoulder rounds off; the area formula keeps to the paraboloid.</summary>
    private const double Shoulder = 0.80;

    /// <inheritdoc/>
    public override Length Length => Height;

    /// <inheritdoc/>
    public override Length Width => Diameter;

    /// <summary>Lying on its side it touches along both flanks of the dipped part.</summary>
    public override Length FootLine(Share depth) => DipLine(depth) * 2;

    /// <inheritdoc/>
    public override Area DippedArea(Share depth)
    {
        var (h, r) = Cut(depth);
        return h <= 0 ? default : new(PI * r / (6 * h * h) * (Pow((r * r) + (4 * h * h), 1.5) - (r * r * r)));
    }

    /// <inheritdoc/>
    public override Message AreaFormula(Share depth)
    {
        var (h, r) = Cut(depth);
        return Message.Of("centres.paraboloid-r-h-r", ("height", new Length(h)), ("radius", new Length(r)));
    }

    /// <inheritdoc/>
    protected internal override Volume Under(double z) => new(PI / 2 * Pow(Radius(z), 2) * z);

    /// <inheritdoc/>
    protected internal override double HalfWidth(double z)
    {
        var over = (z / Height.Si) - Shoulder;
        return over <= 0 ? Radius(z) : Radius(Shoulder * Height.Si) * Sqrt(Max(0, 1 - Pow(over / (1 - Shoulder), 2)));
    }

    private (double Height, double Radius) Cut(Share depth) => (Height.Si * depth.Si, Radius(Height.Si * depth.Si));

    private double Radius(double z) => Diameter.Si / 2 * Sqrt(z / Height.Si);
}

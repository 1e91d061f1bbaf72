using static System.Math;

namespace Kondiba.Core.Measures;

// Factors: NIST Special Publication 811 (2008), appendix B, and NIST Handbook 44, appendix C. The US cup, tablespoon,
// teaspoon and fluid ounce are exact parts of the gallon of 231 cubic inches; pound, ounce and inch are exact by definition.

/// <summary>Mass, in kilograms.</summary>
public readonly record struct Mass(double Si) : IAmount<Mass>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } =
        [new("g", 1e-3), new("kg", 1), new("oz", 0.028349523125), new("lb", 0.45359237)];

    /// <inheritdoc/>
    public static Mass FromSi(double si) => new(si);

    /// <summary>The volume that this mass fills at a density.</summary>
    public static Volume operator /(Mass mass, Density density) => new(mass.Si / density.Si);
}

/// <summary>Length, in metres.</summary>
public readonly record struct Length(double Si) : IAmount<Length>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("mm", 1e-3), new("cm", 1e-2), new("m", 1), new("in", 0.0254)];

    /// <inheritdoc/>
    public static Length FromSi(double si) => new(si);

    /// <summary>The rectangle of two sides.</summary>
    public static Area operator *(Length a, Length b) => new(a.Si * b.Si);

    /// <summary>Area of the circle with this diameter.</summary>
    public Area Circle => new(PI / 4 * Si * Si);
}

/// <summary>Area, in square metres.</summary>
public readonly record struct Area(double Si) : IAmount<Area>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("cm²", 1e-4), new("mm²", 1e-6), new("m²", 1), new("sq in", 0.0254 * 0.0254)];

    /// <inheritdoc/>
    public static Area FromSi(double si) => new(si);

    /// <summary>The prism on this base.</summary>
    public static Volume operator *(Area area, Length height) => new(area.Si * height.Si);
}

/// <summary>Volume, in cubic metres.</summary>
public readonly record struct Volume(double Si) : IAmount<Volume>
{
    private const double CubicInch = 0.0254 * 0.0254 * 0.0254;
    private const double Gallon = 231 * CubicInch;

    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } =
    [
        new(
            "mL", 1e-6), new(
                "L", 1e-3), new(
                    "m³", 1), new("cup", Gallon / 16), new("fl oz", Gallon / 128), new("tbsp", Gallon / 256), new("tsp", Gallon / 768),
    ];

    /// <inheritdoc/>
    public static Volume FromSi(double si) => new(si);

    /// <summary>The mass of this volume at a density.</summary>
    public static Mass operator *(Volume volume, Density density) => new(volume.Si * density.Si);
}

/// <summary>Density, in kilograms per cubic metre.</summary>
public readonly record struct Density(double Si) : IAmount<Density>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("kg/m³", 1), new("g/mL", 1e3)];

    /// <inheritdoc/>
    public static Density FromSi(double si) => new(si);
}

/// <summary>Dynamic viscosity, in pascal seconds.</summary>
public readonly record struct Viscosity(double Si) : IAmount<Viscosity>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("Pa·s", 1)];

    /// <inheritdoc/>
    public static Viscosity FromSi(double si) => new(si);
}

/// <summary>Stress, in pascals; here the yield stress below which coating does not flow.</summary>
public readonly record struct Stress(double Si) : IAmount<Stress>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("Pa", 1)];

    /// <inheritdoc/>
    public static Stress FromSi(double si) => new(si);
}

/// <summary>A share of a whole: 0 none, 1 all. Dip depth, fat by mass, spoil and margin are shares.</summary>
public readonly record struct Share(double Si) : IAmount<Share>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("", 1), new("%", 0.01)];

    /// <inheritdoc/>
    public static Share FromSi(double si) => new(si);
}

/// <summary>Temperature, in kelvins.</summary>
public readonly record struct Temperature(double Si) : IQuantity<Temperature>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("°C", 1, 273.15), new("K", 1), new("°F", 5.0 / 9, 459.67 * 5 / 9)];

    /// <inheritdoc/>
    public static Temperature FromSi(double si) => new(si);
}

/// <summary>Heat exchange with a surface, in watts per square metre and kelvin.</summary>
public readonly record struct HeatExchange(double Si) : IAmount<HeatExchange>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("W/m²K", 1)];

    /// <inheritdoc/>
    public static HeatExchange FromSi(double si) => new(si);
}

/// <summary>Power, in watts.</summary>
public readonly record struct Power(double Si) : IAmount<Power>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("W", 1)];

    /// <inheritdoc/>
    public static Power FromSi(double si) => new(si);
}

/// <summary>Heat that goes over for each kelvin of difference, in watts per kelvin.</summary>
public readonly record struct Conductance(double Si) : IAmount<Conductance>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("W/K", 1)];

    /// <inheritdoc/>
    public static Conductance FromSi(double si) => new(si);
}

/// <summary>Energy, in joules.</summary>
public readonly record struct Energy(double Si) : IAmount<Energy>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("kJ", 1000), new("J", 1)];

    /// <inheritdoc/>
    public static Energy FromSi(double si) => new(si);
}

/// <summary>How fast something goes on, per second.</summary>
public readonly record struct Rate(double Si) : IAmount<Rate>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("1/min", 1 / 60.0), new("1/s", 1)];

    /// <inheritdoc/>
    public static Rate FromSi(double si) => new(si);
}

/// <summary>Difference of two temperatures, in kelvins.</summary>
public readonly record struct TemperatureGap(double Si) : IAmount<TemperatureGap>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("K", 1), new("F°", 5 / 9.0)];

    /// <inheritdoc/>
    public static TemperatureGap FromSi(double si) => new(si);
}

/// <summary>Heat capacity by mass, in joules per kilogram and kelvin.</summary>
public readonly record struct HeatCapacity(double Si) : IAmount<HeatCapacity>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("kJ/kg·K", 1e3)];

    /// <inheritdoc/>
    public static HeatCapacity FromSi(double si) => new(si);
}

/// <summary>Heat by mass, in joules per kilogram.</summary>
public readonly record struct Heat(double Si) : IAmount<Heat>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("kJ/kg", 1e3)];

    /// <inheritdoc/>
    public static Heat FromSi(double si) => new(si);
}

/// <summary>Energy by amount of substance, in joules per mole; here the activation energy of flow.</summary>
public readonly record struct MolarEnergy(double Si) : IAmount<MolarEnergy>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("kJ/mol", 1e3)];

    /// <inheritdoc/>
    public static MolarEnergy FromSi(double si) => new(si);
}

/// <summary>Mass by area, in kilograms per square metre.</summary>
public readonly record struct AreaDensity(double Si) : IAmount<AreaDensity>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("g/cm²", 10), new("kg/m²", 1)];

    /// <inheritdoc/>
    public static AreaDensity FromSi(double si) => new(si);

    /// <summary>The mass on an area.</summary>
    public static Mass operator *(Area area, AreaDensity density) => new(area.Si * density.Si);
}

/// <summary>Speed, in metres per second; here of the hand that draws.</summary>
public readonly record struct Speed(double Si) : IAmount<Speed>
{
    /// <inheritdoc/>
    public static IReadOnlyList<Unit> Units { get; } = [new("mm/s", 1e-3), new("m/s", 1)];

    /// <inheritdoc/>
    public static Speed FromSi(double si) => new(si);
}

using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using static System.Math;

namespace Kondiba.Core.Vessels;

/// <summary>A very small lot is spooned over, each piece held on a fork above a small cup; what runs off is spooned again.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What it is computed from.</param>
/// <param name="Holds">What the cup holds.</param>
/// <param name="Stays">What the spoon still needs for the last piece.</param>
public sealed record SpoonedCup(string Code, string Name, IReadOnlyList<WorkingLine> Measures, Volume Holds, Volume Stays)
    : Vessel(Code, Name, Measures)
{
    /// <inheritdoc/>
    public override string Kind => "spooned";

    /// <inheritdoc/>
    public override Volume Capacity => Holds;

    /// <inheritdoc/>
    public override IReadOnlyList<Corner> Outline { get; } = Box(Side(Holds), Side(Holds));

    /// <inheritdoc/>
    public override Volume UpToLevel(Length level) => Side(Holds).Circle * level;

    /// <inheritdoc/>
    public override Length LevelOf(Volume volume) => volume >= Holds ? Side(Holds) : new(volume.Si / Side(Holds).Circle.Si);

    /// <summary>Side of a straight cup as high as it is wide.</summary>
    private static Length Side(Volume holds) => new(Cbrt(4 * holds.Si / PI));

    private static Corner[] Box(Length wide, Length high) =>
        [new(wide / -2, high), new(wide / -2, default), new(wide / 2, default), new(wide / 2, high)];
}

/// <summary>A piping bag or a spouted jug, from which moulds are filled.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What it is computed from.</param>
/// <param name="Holds">What it holds comfortably.</param>
/// <param name="Stays">What cannot be got out of it.</param>
public abstract record PouredFrom(string Code, string Name, IReadOnlyList<WorkingLine> Measures, Volume Holds, Volume Stays)
    : Vessel(Code, Name, Measures)
{
    /// <inheritdoc/>
    public override Volume Capacity => Holds;

    /// <inheritdoc/>
    public override bool Pours => true;
}

/// <summary>A bag, drawn as a cone on its tip.</summary>
public sealed record PipingBag(string Code, string Name, IReadOnlyList<WorkingLine> Measures, Volume Holds, Volume Stays)
    : PouredFrom(Code, Name, Measures, Holds, Stays)
{
    /// <summary>How much longer than wide the cone of a filled bag is.</summary>
    private const double Slender = 2;

    /// <inheritdoc/>
    public override string Kind => "bag";

    /// <inheritdoc/>
    public override IReadOnlyList<Corner> Outline => [new(Wide / -2, Wide * Slender), new(default, default), new(Wide / 2, Wide * Slender)];

    /// <summary>Across the top of the cone that holds as much.</summary>
    private Length Wide => new(Cbrt(12 * Holds.Si / (PI * Slender)));

    /// <inheritdoc/>
    public override Volume UpToLevel(Length level) => Holds * Pow(level.Si / (Wide.Si * Slender), 3);

    /// <inheritdoc/>
    public override Length LevelOf(Volume volume) => Wide * (Slender * Cbrt(Min(1, volume.Si / Holds.Si)));
}

/// <summary>A jug with a spout, drawn as a cylinder somewhat taller than wide.</summary>
public sealed record SpoutedJug(string Code, string Name, IReadOnlyList<WorkingLine> Measures, Volume Holds, Volume Stays)
    : PouredFrom(Code, Name, Measures, Holds, Stays)
{
    /// <summary>How much taller than wide it is.</summary>
    private const double Slender = 1.3;

    /// <inheritdoc/>
    public override string Kind => "jug";

    /// <inheritdoc/>
    public override IReadOnlyList<Corner> Outline =>
    [
        new(Wide * -0.65, Height), new(Wide / -2, Height * 0.85), new(Wide / -2, default), new(Wide / 2, default), new(Wide / 2, Height),
    ];

    private Length Wide => new(Cbrt(4 * Holds.Si / (PI * Slender)));

    private Length Height => Wide * Slender;

    /// <inheritdoc/>
    public override Volume UpToLevel(Length level) => Holds * (level / Height);

    /// <inheritdoc/>
    public override Length LevelOf(Volume volume) => Height * Min(1, volume / Holds);
}

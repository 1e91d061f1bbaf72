using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>Constants of melting.</summary>
/// <param name="SolidHeat">Heat capacity of set coating.</param>
/// <param name="MeltedHeat">Of melted coating.</param>
/// <param name="LatentOfFat">Taken up by its fat as it melts.</param>
/// <param name="SoftensAt">Temperature from which it melts, evenly up to its melting point.</param>
/// <param name="Bowl">Mass of a thick bowl for the usual load; another load has one that grows with its surface.</param>
/// <param name="BowlTouches">Part of it that goes warm and cool with its load.</param>
/// <param name="BowlHeat">Heat capacity of bowl and crock.</param>
/// <param name="Crock">Mass of a slow cooker's crock.</param>
/// <param name="Into">Heat from the vessel into the usual load, stirred.</param>
/// <param name="Loss">Heat from the usual load in its vessel to the room.</param>
/// <param name="LoadAt">The usual load; other loads exchange heat by their surface, m to the power ⅔.</param>
/// <param name="Microwave">Rated power.</param>
/// <param name="Absorbed">Share of it that a large load takes up.</param>
/// <param name="HalfLoad">Load that takes up half as much.</param>
/// <param name="Burst">Length of a burst.</param>
/// <param name="Stir">Stirring between bursts.</param>
/// <param name="Slack">A pot is melted to so much over its dipping window, and can be dipped with so much below it.</param>
/// <param name="MostSeed">Most of a pot that is held back as seed.</param>
/// <param name="LeastSeed">Seed below which the temper is not sure.</param>
/// <param name="Begin">To weigh out coating and thinner, and bring bowl and cloth.</param>
/// <param name="Tended">What the hands stir and watch at most where it melts by itself.</param>
/// <param name="Seeding">To stir in the seed until it is gone, and try the temper.</param>
/// <param name="Methods">Ways to melt.</param>
public sealed record MeltConstants(
    Sourced<HeatCapacity> SolidHeat,
    Sourced<HeatCapacity> MeltedHeat,
    Sourced<Heat> LatentOfFat,
    Sourced<Temperature> SoftensAt,
    Sourced<Mass> Bowl,
    Sourced<Share> BowlTouches,
    Sourced<HeatCapacity> BowlHeat,
    Sourced<Mass> Crock,
    Sourced<Conductance> Into,
    Sourced<Conductance> Loss,
    Sourced<Mass> LoadAt,
    Sourced<Power> Microwave,
    Sourced<Share> Absorbed,
    Sourced<Mass> HalfLoad,
    Sourced<Duration> Burst,
    Sourced<Duration> Stir,
    Sourced<TemperatureGap> Slack,
    Sourced<Share> MostSeed,
    Sourced<Share> LeastSeed,
    Sourced<Duration> Begin,
    Sourced<Duration> Tended,
    Sourced<Duration> Seeding,
    IReadOnlyList<MeltMethod> Methods)
{
    /// <summary>Surface of a load over that of the usual one.</summary>
    internal double Surface(Mass load) => Math.Pow(load / LoadAt.Value, 2.0 / 3);

    /// <summary>Heat that a bowl takes up with its load, in J/K.</summary>
    internal double BowlFor(Mass load) => Bowl.Value.Si * BowlTouches.Value.Si * BowlHeat.Value.Si * Surface(load);

    /// <summary>Heat that what a load is melted in takes up with it, in J/K.</summary>
    internal double VesselFor(MeltMethod method, Mass load) => method.InCrock ? Crock.Value.Si * BowlHeat.Value.Si : BowlFor(load);

    /// <summary>A melted load with its vessel falls to a third of what it is over the room in so many seconds; nothing sets yet.</summary>
    internal double CoolsIn(MeltMethod method, Mass load) =>
        ((load.Si * MeltedHeat.Value.Si) + VesselFor(method, load)) / (Loss.Value.Si * Surface(load));

    /// <summary>What a microwave puts into a load, in W.</summary>
    internal double PowerInto(Mass load, Share level) =>
        Microwave.Value.Si * level.Si * Absorbed.Value.Si * load.Si / (load.Si + HalfLoad.Value.Si);
}

/// <summary>A way to melt coating: by microwave, or from a source that is warmer than it.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Level">Share of its power that a microwave is set to; null for a source.</param>
/// <param name="Source">Temperature of the source; null for a microwave.</param>
/// <param name="From">Heat from the source into the vessel of the usual load; null likewise.</param>
/// <param name="InCrock">Whether it melts in a heavy crock.</param>
/// <param name="KeepsWarm">Whether it keeps the coating warm as long as it stays on its lower setting.</param>
/// <param name="How">What to do and to watch for.</param>
public sealed record MeltMethod(
    string Code,
    string Name,
    Sourced<Share>? Level,
    Sourced<Temperature>? Source,
    Sourced<Conductance>? From,
    bool InCrock,
    bool KeepsWarm,
    string How);

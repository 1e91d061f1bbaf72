using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>Constants of a pot that is followed while it is melted, stirred and dipped from.</summary>
/// <param name="Rim">Share of a load that lies against its bowl.</param>
/// <param name="RimTakes">Share of a microwave's heat that the rim takes up.</param>
/// <param name="Open">Of what a pot loses to the room, so much goes from the coating's own surface.</param>
/// <param name="Still">Heat between rim and middle of the usual load, left alone.</param>
/// <param name="Stirred">The same while it is stirred.</param>
/// <param name="Water">Heat from warm water into the bowl of the usual load that stands in it.</param>
/// <param name="Melts">In so long lumps melt down to a third at their melting point, stirred.</param>
/// <param name="MeltsStill">The same, left alone.</param>
/// <param name="Sets">In so long all but a third of it sets where it is colder than it softens.</param>
/// <param name="Keeps">Of what melts below the melting point of the stable crystals, so much is left as such.</param>
/// <param name="Breaks">How fast they go, for each kelvin above that limit.</param>
/// <param name="Grows">How fast they grow while it is stirred, for each kelvin below it.</param>
/// <param name="Held">From so many on the temper is held.</param>
/// <param name="Thick">With more the coating is thick.</param>
/// <param name="Scorches">How fast a coating scorches, for each kelvin above what it may be.</param>
/// <param name="Falls">A pot that falls faster than this, for each minute, has seed in it that is still melting.</param>
/// <param name="Rises">A probe that rises faster than this, for each minute, off the heat, has not come to rest.</param>
/// <param name="Turn">Share melted at which a pot or a bath is turned down.</param>
/// <param name="Silent">A probe that has said nothing for so long is not believed.</param>
public sealed record LivePotConstants(
    Sourced<Share> Rim,
    Sourced<Share> RimTakes,
    Sourced<Share> Open,
    Sourced<Conductance> Still,
    Sourced<Conductance> Stirred,
    Sourced<Conductance> Water,
    Sourced<Duration> Melts,
    Sourced<Duration> MeltsStill,
    Sourced<Duration> Sets,
    Sourced<Share> Keeps,
    Sourced<Rate> Breaks,
    Sourced<Rate> Grows,
    Sourced<Share> Held,
    Sourced<Share> Thick,
    Sourced<Rate> Scorches,
    Sourced<TemperatureGap> Falls,
    Sourced<TemperatureGap> Rises,
    Sourced<Share> Turn,
    Sourced<Duration> Silent);

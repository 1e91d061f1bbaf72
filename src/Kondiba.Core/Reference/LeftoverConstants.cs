using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>Constants of leftovers.</summary>
/// <param name="Accents">From this much it is worth moulding or piping.</param>
/// <param name="Bark">From this much it makes a sheet of bark.</param>
/// <param name="BarkWith">Nuts or dried fruit that are stirred into bark, as a share of the coating.</param>
/// <param name="BarkThick">How thick bark is spread.</param>
/// <param name="Keeps">How long a coating that was melted and set again keeps, airtight and cool.</param>
/// <param name="AccentsKeep">How long moulded accents keep, airtight and cool.</param>
/// <param name="Pale">Chroma below which a colour belongs to no family and goes into any: white, ivory, black.</param>
/// <param name="Family">Angle between the hues of two colours of a family at most.</param>
public sealed record LeftoverConstants(
    Sourced<Mass> Accents,
    Sourced<Mass> Bark,
    Sourced<Share> BarkWith,
    Sourced<Length> BarkThick,
    Sourced<Duration> Keeps,
    Sourced<Duration> AccentsKeep,
    Sourced<Share> Pale,
    Sourced<Share> Family);

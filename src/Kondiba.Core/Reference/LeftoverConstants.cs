using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Reference;

/// <summary>Constants of leftovers.</summary>
/// <param name="Accents">From this much it is worth moulding or piping.</param>
/// <param name="Bark">From this much it makes a sheet of bark.</param>
public sealed record LeftoverConstants(Sourced<Mass> Accents, Sourced<Mass> Bark);

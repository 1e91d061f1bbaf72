using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Reference;

/// <summary>A sheet lined with parchment.</summary>
/// <param name="Width">Usable width.</param>
/// <param name="Depth">Usable depth.</param>
/// <param name="Edge">Kept free all round.</param>
public sealed record TraySheet(Sourced<Length> Width, Sourced<Length> Depth, Sourced<Length> Edge);

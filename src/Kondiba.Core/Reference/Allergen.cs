using Kondiba.Core.Facts;

namespace Kondiba.Core.Reference;

/// <summary>An allergen that a label must name.</summary>
/// <param name="Name">Its name, as the tables write it.</param>
/// <param name="Lists">The lists it stands on.</param>
public sealed record Allergen(string Name, IReadOnlyList<Source> Lists);

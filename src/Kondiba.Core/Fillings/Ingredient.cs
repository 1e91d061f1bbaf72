using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Fillings;

/// <summary>Something that a filling is made of.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Allergens">By name; null when it is not known. The packet's label decides.</param>
/// <param name="Words">What else recipes call it.</param>
/// <param name="Ware">Code of the ware it is bought as; null for one of its own.</param>
/// <param name="Cup">Mass of a US cup of it; null when it is not measured by volume.</param>
/// <param name="One">Mass of one, when it is counted; null when it is weighed.</param>
/// <param name="Tap">Whether it comes from the tap, and is not bought.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
public sealed record Ingredient(
    string Code,
    string Name,
    IReadOnlyList<string>? Allergens,
    IReadOnlyList<string> Words,
    string? Ware = null,
    Sourced<Mass>? Cup = null,
    Sourced<Mass>? One = null,
    bool Tap = false,
    IReadOnlyList<string>? MayContain = null)
{
    /// <summary>Code of the ware it is bought as.</summary>
    public string BoughtAs => Ware ?? $"ingredient.{Code}";

    /// <summary>Its density as it lies in the cup; null when that is not known.</summary>
    public Density? Density => Cup is { } cup ? new(cup.Value.Si / Household.Cup.Si) : null;
}

using System.Text.Json.Serialization;
using Kondiba.Core.Facts;

namespace Kondiba.Core.Reference;

/// <summary>A law that says which allergens a label must name.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<AllergenLaw>))]
public enum AllergenLaw
{
    /// <summary>The European Union's fourteen.</summary>
    [JsonStringEnumMemberName("eu")]
    Eu,

    /// <summary>The nine of the United States.</summary>
    [JsonStringEnumMemberName("us")]
    Us,
}

/// <summary>An allergen that a label must name.</summary>
/// <param name="Name">Its name, as the tables write it.</param>
/// <param name="Eu">The European law that names it.</param>
/// <param name="Us">The law of the United States that names it; null where none does.</param>
public sealed record Allergen(string Name, Source Eu, Source? Us = null)
{
    /// <summary>Whether a label must name it under a law.</summary>
    public bool NamedBy(AllergenLaw law) => law is AllergenLaw.Eu || Us is not null;
}

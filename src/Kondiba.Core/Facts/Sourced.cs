using System.Text.Json.Serialization;

namespace Kondiba.Core.Facts;

/// <summary>How well a value is known.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Tag>))]
public enum Tag
{
    /// <summary>From a named publication.</summary>
    [JsonStringEnumMemberName("published")]
    Published,

    /// <summary>Common practice of the trade.</summary>
    [JsonStringEnumMemberName("common practice")]
    CommonPractice,

    /// <summary>Written down from memory; to be verified.</summary>
    [JsonStringEnumMemberName("from memory")]
    FromMemory,

    /// <summary>An estimate, until weighed batches replace it.</summary>
    [JsonStringEnumMemberName("estimate")]
    Estimate,

    /// <summary>From this kitchen's own batches.</summary>
    [JsonStringEnumMemberName("learned")]
    Learned,

    /// <summary>Entered on the order.</summary>
    [JsonStringEnumMemberName("entered")]
    Entered,

    /// <summary>Arithmetic or geometry on the lines before it.</summary>
    [JsonStringEnumMemberName("computed")]
    Computed,
}

/// <summary>Where a value or a rule comes from.</summary>
/// <param name="Tag">How well it is known.</param>
/// <param name="Text">The publication, or a few words of explanation.</param>
public sealed record Source(Tag Tag, string Text)
{
    /// <summary>What the maker typed on the order.</summary>
    public static Source Entered { get; } = new(Tag.Entered, "as entered on the order");

    /// <summary>What the maker set for the whole kitchen.</summary>
    public static Source Kitchen { get; } = new(Tag.Entered, "as set in your kitchen");

    /// <summary>What a kitchen's own batches showed.</summary>
    /// <param name="batches">How many.</param>
    public static Source Batches(int batches) =>
        new(Tag.Learned, batches == 1 ? "from a batch of yours" : $"from {batches} batches of yours");

    /// <summary>Plain arithmetic on the lines before.</summary>
    public static Source Computed { get; } = new(Tag.Computed, "from the lines above");
}

/// <summary>A trade value with where it comes from.</summary>
/// <typeparam name="T">A quantity or a duration.</typeparam>
public sealed record Sourced<T>(T Value, Source Source);

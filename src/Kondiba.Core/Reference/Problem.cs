using System.Text.Json.Serialization;

namespace Kondiba.Core.Reference;

/// <summary>How much a problem matters.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Severity>))]
public enum Severity
{
    /// <summary>The figure can be used; the maker should know.</summary>
    [JsonStringEnumMemberName("mind")]
    Mind,

    /// <summary>What the field says cannot be computed, and is left out.</summary>
    [JsonStringEnumMemberName("error")]
    Error,
}

/// <summary>Something about an input that cannot be, or should be minded.</summary>
/// <param name="Field">Path of the input: "lines[2].count", "pickup", "vessels.midnight".</param>
/// <param name="Reason">What is wrong.</param>
/// <param name="Remedy">What to do about it.</param>
/// <param name="Severity">Whether it stops the computation of that field.</param>
public sealed record Problem(string Field, string Reason, string Remedy, Severity Severity = Severity.Error);

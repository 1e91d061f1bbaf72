using System.Text.Json.Serialization;

namespace Kondiba.Core.Steps;

/// <summary>What kind of work a step is.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Stage>))]
public enum Stage
{
    /// <summary>Making a filling, or accents.</summary>
    [JsonStringEnumMemberName("fill")]
    Fill,

    /// <summary>Making centres ready.</summary>
    [JsonStringEnumMemberName("prep")]
    Prep,

    /// <summary>Melting a colour.</summary>
    [JsonStringEnumMemberName("melt")]
    Melt,

    /// <summary>Dipping, or filling moulds.</summary>
    [JsonStringEnumMemberName("dip")]
    Dip,

    /// <summary>Further coats, drizzle, sprinkles, parts.</summary>
    [JsonStringEnumMemberName("decorate")]
    Decorate,

    /// <summary>Putting figures together.</summary>
    [JsonStringEnumMemberName("assemble")]
    Assemble,

    /// <summary>Arranging and packing.</summary>
    [JsonStringEnumMemberName("pack")]
    Pack,
}

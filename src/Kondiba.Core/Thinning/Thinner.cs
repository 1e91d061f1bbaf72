using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Thinning;

/// <summary>When a thinner goes in.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<GoesIn>))]
public enum GoesIn
{
    /// <summary>With the coating, before it is melted.</summary>
    [JsonStringEnumMemberName("before")]
    BeforeMelting,

    /// <summary>Stirred into the melted coating.</summary>
    [JsonStringEnumMemberName("after")]
    AfterMelting,
}

/// <summary>Fat added for flow; all of it is fat.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Tablespoon">Mass of a level tablespoon.</param>
/// <param name="Softens">By how much each percent of it, by mass of the coating, lowers the temperatures at which the coat sets.</param>
/// <param name="GoesIn">When it goes in.</param>
/// <param name="How">How it goes in.</param>
public sealed record Thinner(
    string Code, string Name, Sourced<Mass> Tablespoon, Sourced<TemperatureGap> Softens, GoesIn GoesIn, string How);

/// <summary>Constants of thinning.</summary>
/// <param name="Limit">Most thinner, as a share of the coating.</param>
/// <param name="TestDip">Length that the film of a test dip runs down.</param>
/// <param name="Target">Film on a test dip that a thinned pot is brought to, unless the maker says otherwise.</param>
/// <param name="HeavyFrom">Film on a test dip from which a coat is heavy.</param>
/// <param name="TooThickFrom">Film on a test dip from which a pot is too thick to dip.</param>
/// <param name="Per">Mass of coating that the trade's doses are said for.</param>
/// <param name="Step">Spoons are measured in steps of this much.</param>
public sealed record ThinningConstants(
    Sourced<Share> Limit,
    Sourced<Length> TestDip,
    Sourced<Length> Target,
    Sourced<Length> HeavyFrom,
    Sourced<Length> TooThickFrom,
    Sourced<Mass> Per,
    Sourced<Volume> Step);

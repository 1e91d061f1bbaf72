using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Bench;

/// <summary>What measures at the bench.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<DeviceKind>))]
public enum DeviceKind
{
    /// <summary>A thermometer that stands in a pot.</summary>
    [JsonStringEnumMemberName("probe")]
    Probe,

    /// <summary>A scale that a pot stands on, emptied of the vessel's own weight.</summary>
    [JsonStringEnumMemberName("scale")]
    Scale,
}

/// <summary>What a device read.</summary>
/// <param name="At">When, by the device's clock.</param>
/// <param name="Value">What.</param>
/// <param name="Unit">In which unit: °C, °F or K of a probe; g, kg, oz or lb of a scale.</param>
public sealed record DeviceReading(Instant At, double Value, string Unit)
{
    // No device at a bench reads finer.
    private const int Places = 3;

    /// <summary>A device's clock may be ahead by so much.</summary>
    private static readonly Duration Ahead = Duration.FromMinutes(2);

    /// <summary>What is older was not read of a pot that is still warm.</summary>
    private static readonly Duration Oldest = Duration.FromHours(24);

    /// <summary>What it read: °C of a probe, grams of a scale.</summary>
    /// <param name="kind">What read it.</param>
    /// <param name="now">Now.</param>
    /// <returns>The value, or why it cannot be believed: "unit", "range", "future" or "old".</returns>
    public (double? Value, string? Apart) Check(DeviceKind kind, Instant now)
    {
        if (At > now + Ahead)
            return (null, "future");
        if (At < now - Oldest)
            return (null, "old");
        var read = kind is DeviceKind.Probe
            ? Quantities.OfAny<Temperature>(Value, Unit)?.In("°C")
            : Quantities.OfAny<Mass>(Value, Unit)?.In("g");
        if (read is not { } value || !double.IsFinite(value))
            return (null, "unit");
        var believed = kind is DeviceKind.Probe ? value is >= -40 and <= 250 : value is >= -2_000 and <= 30_000;
        return believed ? (Math.Round(value, Places), null) : (null, "range");
    }
}

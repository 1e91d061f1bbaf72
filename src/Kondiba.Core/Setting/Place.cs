using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Setting;

/// <summary>Where trays set and stand.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Air">Air temperature.</param>
/// <param name="Humidity">Relative humidity of its air.</param>
/// <param name="Trays">Trays that it takes at once; none when this kitchen has no such place.</param>
/// <param name="Learned">Times by which coats take longer there than the model says; null as long as nobody timed any.</param>
public sealed record Place(
    string Code, string Name, Sourced<Temperature> Air, Sourced<Share> Humidity, int Trays, Sourced<Share>? Learned = null)
{
    /// <summary>The room that is worked in: pieces are dipped there, and come back into its air.</summary>
    public const string Room = "counter";

    /// <summary>As said of what is there: "on the counter".</summary>
    public string In => Code == Room ? $"on the {Name}" : $"in the {Name}";
}

/// <summary>How a piece is while it sets.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Posture>))]
public enum Posture
{
    /// <summary>It lies on a sheet.</summary>
    [JsonStringEnumMemberName("flat")]
    Flat,

    /// <summary>It stands, with air all round.</summary>
    [JsonStringEnumMemberName("upright")]
    Upright,

    /// <summary>It is in a mould, whose wall takes up heat and passes it on.</summary>
    [JsonStringEnumMemberName("mould")]
    Mould,
}

/// <summary>A kind of fat, by how it crystallizes.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Melts">Temperature above which nothing of it stays solid.</param>
/// <param name="SolidBelow">Temperature below which all of it becomes solid in time; between the two, a share that falls evenly.</param>
/// <param name="Rate">How fast it crystallizes at 20 °C.</param>
/// <param name="Order">Order of the reverse reaction, n of the rate law.</param>
/// <param name="Seed">Share that is crystallized as it leaves the pot.</param>
/// <param name="OutOfTemper">Code of the family that it sets by once its temper is lost; null for a fat that wants none.</param>
/// <param name="Note">What to know about it; empty for nothing.</param>
public sealed record SettingFamily(
    string Code,
    string Name,
    Sourced<Temperature> Melts,
    Sourced<Temperature> SolidBelow,
    Sourced<Rate> Rate,
    Sourced<Share> Order,
    Sourced<Share> Seed,
    string? OutOfTemper,
    string Note)
{
    /// <summary>Warmest air in which a share of it still crystallizes.</summary>
    /// <param name="share">The share.</param>
    /// <param name="softer">By how much a thinner lowers its temperatures.</param>
    public Temperature WarmestFor(Share share, TemperatureGap softer) =>
        new(Melts.Value.Si - softer.Si - (share.Si * (Melts.Value.Si - SolidBelow.Value.Si)));
}

/// <summary>Constants of the setting model.</summary>
/// <param name="AirExchange">Film to still air, and bare centre to air.</param>
/// <param name="CoreExchange">Film to centre.</param>
/// <param name="FilmHeatCapacity">Of the coating.</param>
/// <param name="LatentHeat">Given off while all that can crystallize does.</param>
/// <param name="Wet">Share crystallized up to which sprinkles still hold and lines still run into the coat.</param>
/// <param name="TouchDry">Share crystallized from which it is no longer tacky.</param>
/// <param name="Release">Share crystallized from which it draws away from a mould.</param>
/// <param name="HandleHard">Share crystallized from which it can be lifted, trimmed and packed.</param>
/// <param name="Upright">Exchange with the air of a piece that stands, as a share of one that lies.</param>
/// <param name="OpenFace">Of a mould, its open face as a share of its walls.</param>
/// <param name="MouldWall">Thickness of a mould's wall.</param>
/// <param name="MouldDensity">Of the mould.</param>
/// <param name="MouldHeatCapacity">Of the mould.</param>
/// <param name="ColdThrough">A bare centre is as cold as its place when it is so near to its air.</param>
/// <param name="SlightDew">A piece that is colder than the dew point by up to this only mists over.</param>
/// <param name="Cold">
/// A piece served cold is cold through when its centre is at this; only a colder place brings it there, and one that does not freeze it.
/// </param>
/// <param name="RateRule">Source of the rate law.</param>
/// <param name="Families">Kinds of fat, each with how it sets.</param>
/// <param name="Places">Where trays can set; the room first.</param>
public sealed record SettingConstants(
    Sourced<HeatExchange> AirExchange,
    Sourced<HeatExchange> CoreExchange,
    Sourced<HeatCapacity> FilmHeatCapacity,
    Sourced<Heat> LatentHeat,
    Sourced<Share> Wet,
    Sourced<Share> TouchDry,
    Sourced<Share> Release,
    Sourced<Share> HandleHard,
    Sourced<Share> Upright,
    Sourced<Share> OpenFace,
    Sourced<Length> MouldWall,
    Sourced<Density> MouldDensity,
    Sourced<HeatCapacity> MouldHeatCapacity,
    Sourced<TemperatureGap> ColdThrough,
    Sourced<TemperatureGap> SlightDew,
    Sourced<Temperature> Cold,
    Source RateRule,
    IReadOnlyList<SettingFamily> Families,
    IReadOnlyList<Place> Places)
{
    /// <summary>The family of that code.</summary>
    public SettingFamily Family(string code) => Families.First(f => f.Code == code);

    /// <summary>The room that is worked in.</summary>
    public Place Room => Places.First(p => p.Code == Place.Room);

    /// <summary>The places that this kitchen has; the room first.</summary>
    public IEnumerable<Place> Had => Places.Where(p => p.Trays > 0 || p.Code == Place.Room);

    /// <summary>What a place is called; what is none, such as the pots, goes by its code.</summary>
    public string NameOf(string code) => Places.FirstOrDefault(p => p.Code == code)?.Name ?? code;
}

/// <summary>A freshly dipped piece, as the setting model sees it.</summary>
/// <param name="Film">Thickness of all its coats together; nothing for a bare centre.</param>
/// <param name="Dipped">Area under the film.</param>
/// <param name="Bare">Area of the centre left bare.</param>
/// <param name="CoatingDensity">Of the film.</param>
/// <param name="DipAt">Temperature of the film as it leaves the pot.</param>
/// <param name="Fat">How its fat sets.</param>
/// <param name="Softer">By how much a thinner lowers the temperatures at which it sets.</param>
/// <param name="Centre">Mass of the centre.</param>
/// <param name="CentreHeat">Heat capacity of the centre.</param>
/// <param name="CentreAt">Temperature of the centre as it is dipped.</param>
/// <param name="Contact">Exchange of film and centre where it is not the usual one.</param>
/// <param name="ServedCold">Whether it is served cold, so that it matters when it is cold through.</param>
/// <param name="Posture">How it is while it sets.</param>
/// <param name="Set">Share of its fat that has already crystallized; null for a film that comes from the pot.</param>
public sealed record DippedPiece(
    Length Film,
    Area Dipped,
    Area Bare,
    Density CoatingDensity,
    Temperature DipAt,
    SettingFamily Fat,
    TemperatureGap Softer,
    Sourced<Mass> Centre,
    Sourced<HeatCapacity> CentreHeat,
    Sourced<Temperature> CentreAt,
    Sourced<HeatExchange>? Contact = null,
    bool ServedCold = false,
    Posture Posture = Posture.Flat,
    Share? Set = null);

using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Setting;

/// <summary>Where trays set and stand.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Air">Air temperature.</param>
/// <param name="Humidity">Relative humidity of its air.</param>
/// <param name="Trays">Trays that it takes at once; none when this kitchen has no such place.</param>
public sealed record Place(string Code, string Name, Sourced<Temperature> Air, Sourced<Share> Humidity, int Trays)
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

/// <summary>Constants of the setting model.</summary>
/// <param name="AirExchange">Film to still air, and bare centre to air.</param>
/// <param name="CoreExchange">Film to centre.</param>
/// <param name="FilmHeatCapacity">Of the coating, away from its freezing range.</param>
/// <param name="LatentHeat">Given off while it sets.</param>
/// <param name="FreezesFrom">Upper end of the freezing range.</param>
/// <param name="FreezesTo">Lower end of the freezing range.</param>
/// <param name="TouchDryAt">Film temperature at which it is no longer tacky.</param>
/// <param name="HandleHardAt">Film temperature at which it can be lifted, trimmed and packed.</param>
/// <param name="Upright">Exchange with the air of a piece that stands, as a share of one that lies.</param>
/// <param name="OpenFace">Of a mould, its open face as a share of its walls.</param>
/// <param name="MouldWall">Thickness of a mould's wall.</param>
/// <param name="MouldDensity">Of the mould.</param>
/// <param name="MouldHeatCapacity">Of the mould.</param>
/// <param name="WetShare">Share of the time to touch-dry in which sprinkles still hold and lines still run into the coat.</param>
/// <param name="ColdThrough">A centre is cold through when it is so near to the air of its place.</param>
/// <param name="SlightDew">A piece that is colder than the dew point by up to this only mists over.</param>
/// <param name="Places">Where trays can set; the room first.</param>
public sealed record SettingConstants(
    Sourced<HeatExchange> AirExchange,
    Sourced<HeatExchange> CoreExchange,
    Sourced<HeatCapacity> FilmHeatCapacity,
    Sourced<Heat> LatentHeat,
    Sourced<Temperature> FreezesFrom,
    Sourced<Temperature> FreezesTo,
    Sourced<Temperature> TouchDryAt,
    Sourced<Temperature> HandleHardAt,
    Sourced<Share> Upright,
    Sourced<Share> OpenFace,
    Sourced<Length> MouldWall,
    Sourced<Density> MouldDensity,
    Sourced<HeatCapacity> MouldHeatCapacity,
    Sourced<Share> WetShare,
    Sourced<TemperatureGap> ColdThrough,
    Sourced<TemperatureGap> SlightDew,
    IReadOnlyList<Place> Places)
{
    /// <summary>The room that is worked in.</summary>
    public Place Room => Places.First(p => p.Code == Place.Room);

    /// <summary>The places that this kitchen has; the room first.</summary>
    public IEnumerable<Place> Had => Places.Where(p => p.Trays > 0 || p.Code == Place.Room);
}

/// <summary>A freshly dipped piece, as the setting model sees it.</summary>
/// <param name="Film">Thickness of all its coats together; nothing for a bare centre.</param>
/// <param name="Dipped">Area under the film.</param>
/// <param name="Bare">Area of the centre left bare.</param>
/// <param name="CoatingDensity">Of the film.</param>
/// <param name="DipAt">Temperature of the film as it leaves the pot.</param>
/// <param name="Centre">Mass of the centre.</param>
/// <param name="CentreHeat">Heat capacity of the centre.</param>
/// <param name="CentreAt">Temperature of the centre as it is dipped.</param>
/// <param name="Posture">How it is while it sets.</param>
public sealed record DippedPiece(
    Length Film,
    Area Dipped,
    Area Bare,
    Density CoatingDensity,
    Temperature DipAt,
    Sourced<Mass> Centre,
    Sourced<HeatCapacity> CentreHeat,
    Sourced<Temperature> CentreAt,
    Posture Posture = Posture.Flat);

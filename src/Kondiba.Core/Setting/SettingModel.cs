using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>Where trays set.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Air">Air temperature.</param>
public sealed record Place(string Code, string Name, Sourced<Temperature> Air);

/// <summary>Constants of the setting model.</summary>
/// <param name="AirExchange">Film to still air, and bare centre to air.</param>
/// <param name="CoreExchange">Film to centre.</param>
/// <param name="FilmHeatCapacity">Of the coating, away from its freezing range.</param>
/// <param name="LatentHeat">Given off while it sets.</param>
/// <param name="FreezesFrom">Upper end of the freezing range.</param>
/// <param name="FreezesTo">Lower end of the freezing range.</param>
/// <param name="TouchDryAt">Film temperature at which it is no longer tacky.</param>
/// <param name="HandleHardAt">Film temperature at which it can be lifted, trimmed and packed.</param>
/// <param name="CentreAt">Centre temperature at dipping.</param>
/// <param name="Places">Where trays can set.</param>
public sealed record SettingConstants(
    Sourced<HeatExchange> AirExchange,
    Sourced<HeatExchange> CoreExchange,
    Sourced<HeatCapacity> FilmHeatCapacity,
    Sourced<Heat> LatentHeat,
    Sourced<Temperature> FreezesFrom,
    Sourced<Temperature> FreezesTo,
    Sourced<Temperature> TouchDryAt,
    Sourced<Temperature> HandleHardAt,
    Sourced<Temperature> CentreAt,
    IReadOnlyList<Place> Places);

/// <summary>A freshly dipped piece, as the setting model sees it.</summary>
/// <param name="Film">Thickness of all its coats together.</param>
/// <param name="Dipped">Area under the film.</param>
/// <param name="Bare">Area of the centre left bare.</param>
/// <param name="CoatingDensity">Of the film.</param>
/// <param name="DipAt">Temperature of the film as it leaves the pot.</param>
/// <param name="Centre">Mass of the centre.</param>
/// <param name="CentreHeat">Heat capacity of the centre.</param>
public sealed record DippedPiece(
    Length Film,
    Area Dipped,
    Area Bare,
    Density CoatingDensity,
    Temperature DipAt,
    Sourced<Mass> Centre,
    Sourced<HeatCapacity> CentreHeat);

/// <summary>When a piece has set in a place. A time is null where it never comes to it.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="TouchDry">Until no longer tacky.</param>
/// <param name="HandleHard">Until hard enough to lift and pack.</param>
/// <param name="Working">How the times came about.</param>
public sealed record SettingTime(
    string Place, Duration? TouchDry, Duration? HandleHard, [property: JsonIgnore] Func<IReadOnlyList<WorkingLine>> Working);

/// <summary>
/// Film and centre, each at one temperature, exchanging heat with the air and with one another; the latent heat is spread
/// evenly over the freezing range (apparent heat capacity). Integrated by the classical fourth-order Runge–Kutta rule.
/// </summary>
public static class SettingModel
{
    private const double Step = 5;
    private const double Horizon = 6 * 3600;

    /// <summary>The setting time of a piece in a place, looked for over six hours.</summary>
    public static SettingTime For(DippedPiece piece, Place place, SettingConstants c)
    {
        var (upper, lower) = (c.FreezesFrom.Value.Si, c.FreezesTo.Value.Si);
        var capacity = c.FilmHeatCapacity.Value.Si;
        var freezing = capacity + (c.LatentHeat.Value.Si / (upper - lower));
        var filmMass = piece.Film.Si * piece.CoatingDensity.Si;
        var centreHeat = piece.Centre.Value.Si * piece.CentreHeat.Value.Si;
        var air = place.Air.Value.Si;
        var (ha, hc) = (c.AirExchange.Value.Si, c.CoreExchange.Value.Si);

        // The film is followed by its heat, counted from the lower end of the freezing range: heat has no jumps, so the steps stay exact.
        double HeatOf(double t) => t <= lower ? capacity * (t - lower)
            : t <= upper ? freezing * (t - lower)
            : (freezing * (upper - lower)) + (capacity * (t - upper));
        var heatAtUpper = HeatOf(upper);
        var (perCapacity, perFreezing) = (1 / capacity, 1 / freezing);
        double FilmAt(double heat) => heat <= 0 ? lower + (heat * perCapacity)
            : heat <= heatAtUpper ? lower + (heat * perFreezing)
            : upper + ((heat - heatAtUpper) * perCapacity);

        // Rates of exchange; a piece without a centre, such as a moulded one, loses heat to the air alone.
        var hasCentre = centreHeat > 0;
        var (filmToAir, filmToCentre) = (ha / filmMass, hasCentre ? hc / filmMass : 0);
        var (centreFromFilm, centreToAir) = hasCentre ? (hc * piece.Dipped.Si / centreHeat, ha * piece.Bare.Si / centreHeat) : (0, 0);
        (double Heat, double Centre) Slope(double heat, double centre)
        {
            var film = FilmAt(heat);
            return (
                (filmToAir * (air - film)) - (filmToCentre * (film - centre)),
                (centreFromFilm * (film - centre)) + (centreToAir * (air - centre)));
        }

        double? touchDry = null, handleHard = null;
        var (film, centre) = (piece.DipAt.Si, c.CentreAt.Value.Si);
        var heat = HeatOf(film);
        for (var t = 0.0; t < Horizon && handleHard is null; t += Step)
        {
            var k1 = Slope(heat, centre);
            var k2 = Slope(heat + (Step / 2 * k1.Heat), centre + (Step / 2 * k1.Centre));
            var k3 = Slope(heat + (Step / 2 * k2.Heat), centre + (Step / 2 * k2.Centre));
            var k4 = Slope(heat + (Step * k3.Heat), centre + (Step * k3.Centre));
            heat += Step / 6 * (k1.Heat + (2 * k2.Heat) + (2 * k3.Heat) + k4.Heat);
            centre += Step / 6 * (k1.Centre + (2 * k2.Centre) + (2 * k3.Centre) + k4.Centre);
            var next = FilmAt(heat);
            touchDry ??= Crossing(t, film, next, c.TouchDryAt.Value.Si);
            handleHard ??= Crossing(t, film, next, c.HandleHardAt.Value.Si);
            film = next;
        }

        return new(place.Code, Time(touchDry), Time(handleHard), () => Working(piece, place, c, Time(touchDry), Time(handleHard)));
    }

    private static double? Crossing(double t, double before, double after, double mark) =>
        after <= mark ? t + (before <= mark ? 0 : Step * (before - mark) / (before - after)) : null;

    private static Duration? Time(double? seconds) => seconds is { } s ? Duration.FromSeconds(Math.Round(s)) : null;

    private static List<WorkingLine> Working(DippedPiece piece, Place place, SettingConstants c, Duration? touchDry, Duration? handleHard)
    {
        List<WorkingLine> lines =
        [
            WorkingLine.Of("film, all coats", "", piece.Film, Source.Computed),
            WorkingLine.Of("area under the film", "", piece.Dipped, Source.Computed),
            WorkingLine.Of("area left bare", "", piece.Bare, Source.Computed),
            WorkingLine.Of("film leaves the pot at", "the coating's dip temperature", piece.DipAt, Source.Computed),
            WorkingLine.Of("centre is dipped at", c.CentreAt),
            WorkingLine.Of("mass of the centre", piece.Centre),
            WorkingLine.Of("heat capacity of the centre", piece.CentreHeat),
            WorkingLine.Of($"air in the {place.Name}", place.Air),
            WorkingLine.Of("exchange with the air", c.AirExchange),
            WorkingLine.Of("exchange of film and centre", c.CoreExchange),
            WorkingLine.Of("heat capacity of the film", c.FilmHeatCapacity),
            WorkingLine.Of("latent heat", $"spread over {c.FreezesTo.Value.In("°C"):0}–{c.FreezesFrom.Value.In("°C"):0} °C", c.LatentHeat.Value, c.LatentHeat.Source),
            WorkingLine.Of("touch-dry at", c.TouchDryAt),
            WorkingLine.Of("handle-hard at", c.HandleHardAt),
        ];
        if (touchDry is { } dry)
            lines.Add(WorkingLine.Of("touch-dry after", "film and centre followed in steps of 5 s", dry, Source.Computed));
        if (handleHard is { } hard)
            lines.Add(WorkingLine.Of("handle-hard after", "film and centre followed in steps of 5 s", hard, Source.Computed));
        return lines;
    }
}

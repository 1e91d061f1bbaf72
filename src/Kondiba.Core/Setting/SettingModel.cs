using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>When a piece has set in a place. A time is null where it never comes to it.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="TouchDry">Until no longer tacky.</param>
/// <param name="HandleHard">Until hard enough to lift and pack.</param>
/// <param name="Wet">Until sprinkles no longer hold: the wet window.</param>
/// <param name="Working">How the times came about.</param>
public sealed record SettingTime(
    string Place, Duration? TouchDry, Duration? HandleHard, Duration? Wet, [property: JsonIgnore] Func<IReadOnlyList<WorkingLine>> Working);

/// <summary>A piece at a moment while it sets.</summary>
/// <param name="At">Since it was dipped.</param>
/// <param name="Film">Temperature of its film.</param>
/// <param name="Centre">Temperature of its centre.</param>
public sealed record SettingPoint(Duration At, Temperature Film, Temperature Centre);

/// <summary>When a dipped piece has set. Common practice knows the facts that its constants are fitted to: bites on the counter in 10 to 15 min, in the fridge in 5, in the freezer in 3.</summary>
public static class SettingModel
{
    private const double Horizon = 6 * 3600;

    /// <summary>The setting time of a piece in a place, looked for over six hours.</summary>
    public static SettingTime For(DippedPiece piece, Place place, SettingConstants c)
    {
        var flow = new HeatFlow(piece, place.Air.Value, c);
        var (dryAt, hardAt) = (flow.HeatOf(c.TouchDryAt.Value.Si), flow.HeatOf(c.HandleHardAt.Value.Si));
        Duration? touchDry = null, handleHard = null;
        flow.Follow(Horizon, (a, b) =>
        {
            touchDry ??= CrossedIn(a, b, m => m.Heat - dryAt, (x, y, t) => HeatFlow.Between(x, y, t).Heat - dryAt);
            handleHard ??= touchDry is null ? null : CrossedIn(a, b, m => m.Heat - hardAt, (x, y, t) => HeatFlow.Between(x, y, t).Heat - hardAt);
            return handleHard is null;
        });
        Duration? wet = touchDry is { } dry ? Duration.FromSeconds(Math.Round(dry.TotalSeconds * c.WetShare.Value.Si)) : null;
        return new(place.Code, touchDry, handleHard, wet, () => Working(piece, place, c, touchDry, handleHard));
    }

    /// <summary>The course of film and centre, evenly in time, from dipping on.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="place">Where it sets.</param>
    /// <param name="until">The last point's time.</param>
    /// <param name="points">Points after the first.</param>
    /// <param name="c">The constants.</param>
    public static IReadOnlyList<SettingPoint> Course(DippedPiece piece, Place place, Duration until, int points, SettingConstants c)
    {
        var flow = new HeatFlow(piece, place.Air.Value, c);
        var step = until.TotalSeconds / points;
        var course = new List<SettingPoint> { new(Duration.Zero, piece.DipAt, piece.CentreAt.Value) };
        flow.Follow(until.TotalSeconds, (a, b) =>
        {
            for (; course.Count <= points && course.Count * step <= b.Seconds + 1e-9;)
            {
                var (heat, centre) = HeatFlow.Between(a, b, course.Count * step);
                course.Add(new(Duration.FromSeconds(course.Count * step), new(flow.FilmAt(heat)), new(centre)));
            }

            return true;
        });
        return course;
    }

    /// <summary>How long a centre takes to be cold through, bare and undipped; null where it never is.</summary>
    /// <param name="piece">The piece; its film is left out.</param>
    /// <param name="place">Where it stands.</param>
    /// <param name="c">The constants.</param>
    public static Duration? ColdThrough(DippedPiece piece, Place place, SettingConstants c)
    {
        var bare = piece with { Film = default, Bare = piece.Dipped + piece.Bare };
        return CentreReaches(new(bare, place.Air.Value, c), new(place.Air.Value.Si + c.ColdThrough.Value.Si));
    }

    /// <summary>Until the film has fallen to a temperature; null where it does not in six hours.</summary>
    internal static Duration? FilmFalls(HeatFlow flow, Temperature to)
    {
        var mark = flow.HeatOf(to.Si);
        return Crossing(flow, m => m.Heat - mark, (a, b, t) => HeatFlow.Between(a, b, t).Heat - mark);
    }

    /// <summary>Until the film has risen to a temperature; null where it does not in six hours.</summary>
    internal static Duration? FilmRises(HeatFlow flow, Temperature to)
    {
        var mark = flow.HeatOf(to.Si);
        return Crossing(flow, m => mark - m.Heat, (a, b, t) => mark - HeatFlow.Between(a, b, t).Heat);
    }

    private static Duration? CentreReaches(HeatFlow flow, Temperature to) => Crossing(flow, m => m.Centre - to.Si, (a, b, t) => HeatFlow.Between(a, b, t).Centre - to.Si);

    /// <summary>When something that is above nothing first is not.</summary>
    private static Duration? Crossing(HeatFlow flow, Func<Moment, double> above, Func<Moment, Moment, double, double> between)
    {
        Duration? found = null;
        flow.Follow(Horizon, (a, b) => (found = CrossedIn(a, b, above, between)) is null);
        return found;
    }

    /// <summary>The same within a step, by halving; null when it is above nothing at both ends.</summary>
    private static Duration? CrossedIn(Moment a, Moment b, Func<Moment, double> above, Func<Moment, Moment, double, double> between)
    {
        if (above(a) <= 0)
            return Duration.FromSeconds(Math.Round(a.Seconds));
        if (above(b) > 0)
            return null;
        var (from, to) = (a.Seconds, b.Seconds);
        while (to - from > 0.05)
        {
            var middle = (from + to) / 2;
            (from, to) = between(a, b, middle) <= 0 ? (from, middle) : (middle, to);
        }

        return Duration.FromSeconds(Math.Round(to));
    }

    private static List<WorkingLine> Working(DippedPiece piece, Place place, SettingConstants c, Duration? touchDry, Duration? handleHard)
    {
        List<WorkingLine> lines =
        [
            WorkingLine.Of("film, all coats", "", piece.Film, Source.Computed),
            WorkingLine.Of("area under the film", "", piece.Dipped, Source.Computed),
            WorkingLine.Of("area left bare", "", piece.Bare, Source.Computed),
            WorkingLine.Of("film leaves the pot at", "the coating's dip temperature", piece.DipAt, Source.Computed),
            WorkingLine.Of("centre is dipped at", piece.CentreAt),
            WorkingLine.Of("mass of the centre", piece.Centre),
            WorkingLine.Of("heat capacity of the centre", piece.CentreHeat),
            WorkingLine.Of($"air {place.In}", place.Air),
            WorkingLine.Of("exchange with the air", c.AirExchange),
            .. piece.Posture switch
            {
                Posture.Upright => new[] { WorkingLine.Of("of that, for a piece that stands", c.Upright) },
                Posture.Mould =>
                [
                    WorkingLine.Of("open face, of the mould's walls", c.OpenFace), WorkingLine.Of("wall of the mould", c.MouldWall),
                    WorkingLine.Of("density of the mould", c.MouldDensity), WorkingLine.Of("heat capacity of the mould", c.MouldHeatCapacity),
                ],
                _ => [],
            },
            WorkingLine.Of("exchange of film and centre", c.CoreExchange),
            WorkingLine.Of("heat capacity of the film", c.FilmHeatCapacity),
            WorkingLine.Of("latent heat", $"spread over {c.FreezesTo.Value.In("°C"):0}–{c.FreezesFrom.Value.In("°C"):0} °C", c.LatentHeat.Value, c.LatentHeat.Source),
            WorkingLine.Of("touch-dry at", c.TouchDryAt),
            WorkingLine.Of("handle-hard at", c.HandleHardAt),
        ];
        if (touchDry is { } dry)
            lines.Add(WorkingLine.Of("touch-dry after", "film and centre followed, each step's error below 0.0001 K", dry, Source.Computed));
        if (handleHard is { } hard)
            lines.Add(WorkingLine.Of("handle-hard after", "film and centre followed, each step's error below 0.0001 K", hard, Source.Computed));
        return lines;
    }
}

using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>When a piece has set in a place. A time is null where it never comes to it.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="TouchDry">Until no longer tacky.</param>
/// <param name="HandleHard">Until hard enough to lift and pack.</param>
/// <param name="Wet">Until sprinkles no longer hold: the wet window.</param>
/// <param name="Releases">Until it draws away from its mould; null for what is in none.</param>
/// <param name="Through">Until it is hard and cold through; for pieces served cold in a cold place.</param>
/// <param name="Working">How the times came about.</param>
public sealed record SettingTime(
    string Place,
    Duration? TouchDry,
    Duration? HandleHard,
    Duration? Wet,
    Duration? Releases,
    Duration? Through,
    [property: JsonIgnore] Func<IReadOnlyList<WorkingLine>> Working)
{
    /// <summary>Of a piece on which nothing sets.</summary>
    public static SettingTime None(string place) =>
        new(
            place,
            Duration.Zero,
            Duration.Zero,
            null,
            null,
            null,
            () => [WorkingLine.Of("setting.nothing-sets", "", Duration.Zero, Source.Entered)]);
}

/// <summary>A piece at a moment while it sets.</summary>
/// <param name="At">Since it was dipped.</param>
/// <param name="Film">Temperature of its film.</param>
/// <param name="Centre">Temperature of its centre.</param>
/// <param name="Set">Share of the film's fat that has crystallized.</param>
public sealed record SettingPoint(Duration At, Temperature Film, Temperature Centre, Share Set);

/// <summary>When a dipped piece has set. Common practice knows the facts that its constants are fitted to: <c>docs/facts.md</c>.</summary>
public static class SettingModel
{
    private const double Horizon = 12 * 3600;
    private const int MostKnown = 4000;
    private static readonly ConditionalWeakTable<SettingConstants, ConcurrentDictionary<(DippedPiece Piece, Place Place),
    SettingTime>> Known = [];

    /// <summary>
    /// The setting time of a piece in a place, looked for over twelve hours. Remembered as long as the constants are: while an order is
    /// typed the same pieces are asked for again and again.
    /// </summary>
    public static SettingTime For(DippedPiece piece, Place place, SettingConstants c)
    {
        var known = Known.GetValue(c, _ => new());
        if (known.TryGetValue((piece, place), out var time))
            return time;
        if (known.Count >= MostKnown)
            known.Clear();
        return known[(piece, place)] = Followed(piece, place, c);
    }

    private static SettingTime Followed(DippedPiece piece, Place place, SettingConstants c)
    {
        var inMould = piece.Posture is Posture.Mould;
        var air = place.Air.Value;
        var colds = piece.ServedCold && air < c.Cold.Value && air.In("°C") > 0;
        Duration? wet = null, touchDry = null, releases = null, handleHard = null, cold = null;
        new HeatFlow(piece, place.Air.Value, c).Follow(Horizon, (a, b) =>
        {
            wet ??= SetTo(c.Wet.Value.Si, a, b);
            touchDry ??= SetTo(c.TouchDry.Value.Si, a, b);
            handleHard ??= SetTo(c.HandleHard.Value.Si, a, b);
            if (inMould)
                releases ??= SetTo(c.Release.Value.Si, a, b);
            if (colds && b.Now.Centre <= c.Cold.Value.Si)
                cold ??= CrossedIn(a, b, s => s.Centre - c.Cold.Value.Si);
            return handleHard is null || (colds && cold is null);
        });
        Duration? through = handleHard is { } hard && cold is { } at ? Duration.Max(hard, at) : null;
        var time = new SettingTime(place.Code, Timed(touchDry), Timed(handleHard), Timed(wet), Timed(releases), Timed(through), () => []);
        return time with { Working = () => Working(piece, place, c, time) };

        Duration? Timed(Duration? after) => after is { } by && place.Learned is { } times
            ? Duration.FromSeconds(Math.Round(by.TotalSeconds * times.Value.Si))
            : after;
    }

    /// <summary>The course of film and centre, evenly in time, from dipping on.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="place">Where it sets.</param>
    /// <param name="until">The last point's time.</param>
    /// <param name="points">Points after the first.</param>
    /// <param name="c">The constants.</param>
    public static IReadOnlyList<SettingPoint> Course(DippedPiece piece, Place place, Duration until, int points, SettingConstants c)
    {
        var step = until.TotalSeconds / points;
        var course = new List<SettingPoint> { new(Duration.Zero, piece.DipAt, piece.CentreAt.Value, piece.Set ?? piece.Fat.Seed.Value) };
        new HeatFlow(piece, place.Air.Value, c).Follow(until.TotalSeconds, (a, b) =>
        {
            for (; course.Count <= points && course.Count * step <= b.Seconds + 1e-9;)
            {
                var now = HeatFlow.Between(a, b, course.Count * step);
                course.Add(new(Duration.FromSeconds(course.Count * step), new(now.Film), new(now.Centre), new(now.Set)));
            }

            return true;
        });
        return course;
    }

    /// <summary>How long a centre takes to be as cold as its place, bare and undipped; null where it never is.</summary>
    /// <param name="piece">The piece; its film is left out.</param>
    /// <param name="place">Where it stands.</param>
    /// <param name="c">The constants.</param>
    public static Duration? ColdThrough(DippedPiece piece, Place place, SettingConstants c)
    {
        var bare = piece with { Film = default, Bare = piece.Dipped + piece.Bare };
        var to = place.Air.Value.Si + c.ColdThrough.Value.Si;
        return Crossing(new(bare, place.Air.Value, c), s => s.Centre - to);
    }

    /// <summary>Until the film has fallen to a temperature; null where it does not in twelve hours.</summary>
    internal static Duration? FilmFalls(HeatFlow flow, Temperature to) => Crossing(flow, s => s.Film - to.Si);

    /// <summary>Until the film has risen to a temperature; null where it does not in twelve hours.</summary>
    internal static Duration? FilmRises(HeatFlow flow, Temperature to) => Crossing(flow, s => to.Si - s.Film);

    /// <summary>When a share has crystallized, where that is within a step: it only grows.</summary>
    private static Duration? SetTo(double share, Moment a, Moment b) => b.Now.Set < share ? null : CrossedIn(a, b, s => share - s.Set);

    /// <summary>When something that is above nothing first is not.</summary>
    private static Duration? Crossing(HeatFlow flow, Func<FilmState, double> above)
    {
        Duration? found = null;
        flow.Follow(Horizon, (a, b) => (found = CrossedIn(a, b, above)) is null);
        return found;
    }

    /// <summary>The same within a step, by halving; null when it is above nothing at both ends.</summary>
    private static Duration? CrossedIn(Moment a, Moment b, Func<FilmState, double> above)
    {
        if (above(a.Now) <= 0)
            return Duration.FromSeconds(Math.Round(a.Seconds));
        if (above(b.Now) > 0)
            return null;
        var (from, to) = (a.Seconds, b.Seconds);
        while (to - from > 0.05)
        {
            var middle = (from + to) / 2;
            (from, to) = above(HeatFlow.Between(a, b, middle)) <= 0 ? (from, middle) : (middle, to);
        }

        return Duration.FromSeconds(Math.Round(to));
    }

    private static List<WorkingLine> Working(DippedPiece piece, Place place, SettingConstants c, SettingTime time)
    {
        Message how = "setting.followed-closely";
        var fat = piece.Fat;
        List<WorkingLine> lines =
        [
            WorkingLine.Of("setting.film-all-coats", "", piece.Film, Source.Computed),
            WorkingLine.Of("setting.area-under-film", "", piece.Dipped, Source.Computed),
            WorkingLine.Of("setting.area-left-bare", "", piece.Bare, Source.Computed),
            WorkingLine.Of("setting.film-leaves-pot", "setting.film-leaves-pot.how", piece.DipAt, Source.Computed),
            WorkingLine.Of("setting.centre-dipped", piece.CentreAt),
            WorkingLine.Of("setting.mass-centre", piece.Centre),
            WorkingLine.Of("setting.heat-capacity-centre", piece.CentreHeat),
            WorkingLine.Of(Message.Of("setting.air", ("in", place.In)), place.Air),
            WorkingLine.Of("setting.exchange-air", c.AirExchange),
            .. piece.Posture switch
            {
                Posture.Upright => new[] { WorkingLine.Of("setting.piece-stands", c.Upright) },
                Posture.Mould =>
                [
                    WorkingLine.Of("setting.open-face-mould-s", c.OpenFace), WorkingLine.Of("setting.wall-mould", c.MouldWall),
                    WorkingLine.Of(
                        "setting.density-mould", c.MouldDensity), WorkingLine.Of("setting.heat-capacity-mould", c.MouldHeatCapacity),
                ],
                _ => [],
            },
            WorkingLine.Of("setting.exchange-film-centre", piece.Contact ?? c.CoreExchange),
            WorkingLine.Of("setting.heat-capacity-film", c.FilmHeatCapacity),
            WorkingLine.Of("setting.latent-heat", "setting.latent-heat.how", c.LatentHeat.Value, c.LatentHeat.Source),
            WorkingLine.Of(Message.Of("setting.melting-point", ("fat", fat.Name)), fat.Melts),
            WorkingLine.Of("setting.all-solid-time-below", fat.SolidBelow),
            .. piece.Softer.Si > 0
                ? new[] { WorkingLine.Of("setting.both-lower", "setting.both-lower.how", piece.Softer, Source.Computed) }
                : [],
            WorkingLine.Of("setting.rate-c-k", "setting.rate-c-k.how", fat.Rate.Value, fat.Rate.Source),
            WorkingLine.Count("setting.order-n-rate-law", "", fat.Order.Value.Si, c.RateRule),
            WorkingLine.Of("setting.crystallized-leaves-pot", fat.Seed),
            WorkingLine.Of("setting.touch-dry-from-share", c.TouchDry),
            WorkingLine.Of("setting.hard-from-share-crystallized", c.HandleHard),
            .. place.Learned is { } times ? new[] { WorkingLine.Count("setting.longer-than-model", "", times.Value.Si, times.Source) } : [],
            .. time.Through is null ? [] : new[] { WorkingLine.Of("setting.cold-through-when-centre", c.Cold) },
        ];
        Add("setting.takes-sprinkles-until", time.Wet);
        Add("setting.touch-dry-after", time.TouchDry);
        Add("setting.draws-away-from-mould", time.Releases);
        Add("setting.cold-hard-through-after", time.Through);
        Add("setting.handle-hard-after", time.HandleHard);
        return lines;

        void Add(Message what, Duration? after)
        {
            if (after is { } time)
                lines.Add(WorkingLine.Of(what, how, time, Source.Computed));
        }
    }
}

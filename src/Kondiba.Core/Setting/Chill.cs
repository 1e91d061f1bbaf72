using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>How wet a piece gets when it comes out into the room.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Sticky>))]
public enum Sticky
{
    /// <summary>Not at all: it is warmer than the room's dew point.</summary>
    [JsonStringEnumMemberName("dry")]
    Dry,

    /// <summary>It mists over and dries again.</summary>
    [JsonStringEnumMemberName("mist")]
    Mist,

    /// <summary>Drops form: sugar dissolves, and the coat dries sticky and dull.</summary>
    [JsonStringEnumMemberName("sticky")]
    Wet,
}

/// <summary>What comes of setting pieces in a cold place.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="DewPoint">Of the room that they come out into.</param>
/// <param name="Longest">How long they can stay and come out dry; null where there is no limit.</param>
/// <param name="Hard">How they come out as soon as they are handle-hard.</param>
/// <param name="Through">How they come out when they are cold through.</param>
/// <param name="WarmPast">Cold through, until they have warmed past the dew point in the room; null when they never are colder.</param>
/// <param name="Advice">What to do.</param>
/// <param name="Working">How the figures came about.</param>
public sealed record Chill(
    string Place, Temperature DewPoint, Duration? Longest, Sticky Hard, Sticky Through, Duration? WarmPast, string Advice, [property: JsonIgnore] Func<IReadOnlyList<WorkingLine>> Working)
{
    /// <summary>Computes it.</summary>
    /// <param name="piece">The piece.</param>
    /// <param name="place">Where it sets.</param>
    /// <param name="sets">When it sets there.</param>
    /// <param name="c">The constants.</param>
    public static Chill For(DippedPiece piece, Place place, SettingTime sets, SettingConstants c)
    {
        var room = c.Room;
        var dew = Air.DewPoint(room.Air.Value, room.Humidity.Value);
        var air = place.Air.Value;
        var longest = SettingModel.FilmFalls(new(piece, air, c), dew);
        Duration? warm = air < dew
            ? SettingModel.FilmRises(new(piece with { DipAt = air, CentreAt = new(air, place.Air.Source), Set = new(1) }, room.Air.Value, c), dew)
            : null;
        var hard = longest is { } l && sets.HandleHard > l ? Depth(SettingModel.Course(piece, place, sets.HandleHard!.Value, 1, c)[^1].Film) : Sticky.Dry;
        var through = Depth(air);
        return new(place.Code, dew, longest, hard, through, warm, AdviceFor(piece, place, sets, longest, hard, warm, c), () =>
        [
            WorkingLine.Of("air in the room", room.Air),
            WorkingLine.Of("humidity of the room", room.Humidity),
            WorkingLine.Of("dew point", "Magnus' formula, 17.62 and 243.12 °C", dew, new(Tag.Published, "WMO-No. 8, guide to instruments and methods of observation")),
            WorkingLine.Of($"air {place.In}", place.Air),
            .. longest is { } stays ? new[] { WorkingLine.Of("the film has fallen to the dew point after", "film and centre followed", stays, Source.Computed) } : [],
            .. warm is { } w ? new[] { WorkingLine.Of("cold through, past the dew point in the room after", "film and centre followed", w, Source.Computed) } : [],
            WorkingLine.Of("colder than the dew point by up to this, it only mists over", c.SlightDew),
        ]);

        Sticky Depth(Temperature film) => film >= dew ? Sticky.Dry : dew.Si - film.Si <= c.SlightDew.Value.Si ? Sticky.Mist : Sticky.Wet;
    }

    private static string AdviceFor(DippedPiece piece, Place place, SettingTime sets, Duration? longest, Sticky hard, Duration? warm, SettingConstants c)
    {
        if (sets.HandleHard is not { } h)
        {
            var warmest = piece.Fat.WarmestFor(c.HandleHard.Value, piece.Softer);
            var cooler = c.Had.Where(p => p.Air.Value < warmest).Select(p => p.In).ToList();
            var never = sets.TouchDry is null ? "it never sets" : "it gets touch-dry and stays soft";
            return $"At {place.Air.Value.In("°C"):0} °C {never}: this coat is hard below about {Math.Floor(warmest.In("°C")):0} °C. {(cooler.Count == 0 ? "Cool the room." : $"Set it {string.Join(" or ", cooler)}.")}";
        }

        if (longest is not { } l)
            return "It comes out dry however long it stays.";
        if (hard is not Sticky.Dry)
            return $"It is wet before it is hard: the room's air is too moist. Set it on the counter, or let it warm up inside a closed box{(warm is { } past ? $" for {Minutes(past)} min" : "")}.";
        if (sets.Through is { } through)
            return $"Served cold, it is best left in a closed box: cold through after {Minutes(through)} min. To pack it in the room, take it out between {Minutes(h)} and {Math.Floor(l.TotalMinutes):0} min; later it sweats.";
        return $"Take it out between {Minutes(h)} and {Math.Floor(l.TotalMinutes):0} min. Left longer it sweats: then let it warm up inside a closed box{(warm is { } w ? $" for {Minutes(w)} min" : "")} before you open it.";

        static string Minutes(Duration d) => $"{Math.Ceiling(d.TotalMinutes):0}";
    }
}

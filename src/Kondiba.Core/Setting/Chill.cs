using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
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
    string Place,
    Temperature DewPoint,
    Duration? Longest,
    Sticky Hard,
    Sticky Through,
    Duration? WarmPast,
    Message Advice,
    [property: JsonIgnore] Func<IReadOnlyList<WorkingLine>> Working)
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
            ? SettingModel.FilmRises(
                new(piece with { DipAt = air, CentreAt = new(air, place.Air.Source), Set = new(1) }, room.Air.Value, c), dew)
            : null;
        var hard = longest is { } l && sets.HandleHard > l
            ? Depth(SettingModel.Course(piece, place, sets.HandleHard!.Value, 1, c)[^1].Film)
            : Sticky.Dry;
        var through = Depth(air);
        return new(place.Code, dew, longest, hard, through, warm, AdviceFor(piece, place, sets, longest, hard, warm, c), () =>
        [
            WorkingLine.Of("setting.air-room", room.Air),
            WorkingLine.Of("setting.humidity-room", room.Humidity),
            WorkingLine.Of(
                "setting.dew-point",
                "setting.dew-point.how",
                dew,
                new(Tag.Published, "WMO-No. 8, guide to instruments and methods of observation")),
            WorkingLine.Of(Message.Of("setting.air", ("in", place.In)), place.Air),
            .. longest is { } stays
                ? new[] { WorkingLine.Of("setting.film-fallen-dew-point", "setting.film-fallen-dew-point.how", stays, Source.Computed) }
                : [],
            .. warm is { } w
                ? new[] { WorkingLine.Of("setting.cold-through-past-dew", "setting.film-fallen-dew-point.how", w, Source.Computed) }
                : [],
            WorkingLine.Of("setting.colder-dew-point-up", c.SlightDew),
        ]);

        Sticky Depth(Temperature film)
        {
            if (film >= dew)
                return Sticky.Dry;
            return dew.Si - film.Si <= c.SlightDew.Value.Si ? Sticky.Mist : Sticky.Wet;
        }
    }

    private static Message AdviceFor(
        DippedPiece piece, Place place, SettingTime sets, Duration? longest, Sticky hard, Duration? warm, SettingConstants c)
    {
        if (sets.HandleHard is not { } h)
        {
            var warmest = piece.Fat.WarmestFor(c.HandleHard.Value, piece.Softer);
            var cooler = c.Had.Where(p => p.Air.Value < warmest).Select(p => p.In).ToList();
            var never = Message.Of(sets.TouchDry is null ? "setting.never-sets" : "setting.stays-soft");
            return Message.Of(
                "setting.coat-hard-below-about",
                ("air", place.Air.Value),
                ("never", never),
                ("warmest", Quantities.Of<Temperature>(Math.Floor(warmest.In("°C")), "°C")),
                ("remedy", cooler.Count == 0
                    ? Message.Of("setting.cool-room")
                    : Message.Of("setting.set-it-there", ("cooler", Argument.Of(cooler)))));
        }

        if (longest is not { } l)
            return "setting.comes-out-dry-however";
        if (hard is not Sticky.Dry)
            return Message.Of(
                "setting.wet-before-hard-room",
                ("while", warm is { } past ? Message.Of("setting.for-so-long", ("minutes", Minutes(past))) : ""));
        if (sets.Through is { } through)
            return Message.Of(
                "setting.served-cold-best-left",
                ("minutes", Minutes(through)),
                ("soonest", Minutes(h)),
                ("latest", Math.Floor(l.TotalMinutes)));
        return Message.Of(
            "setting.take-out-between-min",
            ("minutes", Minutes(h)),
            ("latest", Math.Floor(l.TotalMinutes)),
            ("while", warm is { } w ? Message.Of("setting.for-so-long", ("minutes", Minutes(w))) : ""));

        static double Minutes(Duration d) => Math.Ceiling(d.TotalMinutes);
    }
}

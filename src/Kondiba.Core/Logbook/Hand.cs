using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Learning;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Logbook;

/// <summary>What is learned of a kitchen.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<HandKind>))]
public enum HandKind
{
    /// <summary>How much coating pieces keep.</summary>
    [JsonStringEnumMemberName("stick")]
    Stick,

    /// <summary>How long the hands take.</summary>
    [JsonStringEnumMemberName("pace")]
    Pace,

    /// <summary>How long a coat takes to set.</summary>
    [JsonStringEnumMemberName("setting")]
    Setting,

    /// <summary>How long a melt takes.</summary>
    [JsonStringEnumMemberName("melting")]
    Melting,

    /// <summary>How many go wrong.</summary>
    [JsonStringEnumMemberName("spoilt")]
    Spoilt,
}

/// <summary>A value that a kitchen's batches have moved.</summary>
/// <param name="Key">By which it is set aside: "stick/fork/strawberry".</param>
/// <param name="Kind">Of what.</param>
/// <param name="Name">Of which things.</param>
/// <param name="Value">What it has become, times the tables' value.</param>
/// <param name="SetAside">Whether the maker wants the tables' value instead.</param>
/// <param name="Says">It in words.</param>
public sealed record HandValue(string Key, HandKind Kind, Message Name, Estimate Value, bool SetAside, Message Says)
{
    // A difference of less than this nobody would notice.
    private const double Slight = 0.02;

    // Outside of so many standard deviations lies one value in ten.
    private const double NineInTen = 1.645;

    /// <summary>All that a kitchen's batches have moved, coating first.</summary>
    /// <param name="learned">What they taught.</param>
    /// <param name="choice">What the maker wants of it.</param>
    /// <param name="tables">The kitchen's tables.</param>
    public static IReadOnlyList<HandValue> All(Learned learned, LearningChoice choice, ReferenceData tables)
    {
        return
        [
            .. learned.Stick.Known.GroupBy(CentreOf).SelectMany(SticksOf),
            .. learned.Pace.Known.Select(p => Of(HandKind.Pace, p, "logbook.dipping", learned.Pace.Found(p))),
            .. learned.Setting.Known.Select(p => Of(
                HandKind.Setting, p, Message.ByText(tables.Setting.NameOf(p)), learned.Setting.Found(p))),
            .. learned.Melting.Known.Select(p => Of(HandKind.Melting, p, MethodName(p, tables), learned.Melting.Found(p))),
            .. learned.Spoilt.Known.Select(p => Of(HandKind.Spoilt, p, PluralOf(p, tables), learned.Spoilt.Found(p))),
        ];

        // A centre that was dipped in several coatings is told once as a whole, and once for each.
        IEnumerable<HandValue> SticksOf(IGrouping<string, string> paths)
        {
            // In one coating only, what is known of it in another is of no use here.
            var centre = paths.Key.Split('/')[^1];
            List<string> all = [.. paths];
            yield return Of(HandKind.Stick, paths.Key, PluralOf(centre, tables), learned.Stick.Found(all.Count == 1 ? all[0] : paths.Key));
            foreach (var path in all.Count > 1 ? all : [])
            {
                var coating = tables.Coating(path.Split('/')[^1])?.Name ?? path;
                var name = Message.Of("logbook.in-coating", ("pieces", PluralOf(centre, tables)), ("coating", coating));
                yield return Of(HandKind.Stick, path, name, learned.Stick.Found(path));
            }
        }

        HandValue Of(HandKind kind, string path, Message name, Estimate value)
        {
            var key = $"{kind.ToString().ToLowerInvariant()}/{path}";
            return new(key, kind, name, value, choice.SetAside?.Contains(key) is true, Say(kind, value));
        }
    }

    private static string CentreOf(string path) => path[..path.LastIndexOf('/')];

    private static Message PluralOf(string centre, ReferenceData tables) =>
        Message.Of("logbook.pieces", ("pieces", tables.Centre(centre)?.Plural ?? centre));

    private static Message MethodName(string code, ReferenceData tables) =>
        Message.ByText(tables.Melting.Methods.FirstOrDefault(m => m.Code == code)?.Name ?? code);

    private static Message Say(HandKind kind, Estimate value)
    {
        var by = value.Mean - 1;
        if (Math.Abs(by) < Slight)
            return Message.Of("logbook.as-tables", ("batches", value.Batches));
        var perhaps = Math.Abs(Math.Log(value.Mean)) < NineInTen * value.Spread;
        return Message.Of(
            perhaps ? "logbook.perhaps" : "logbook.surely",
            ("what", Message.Of(Differs(kind, by > 0), ("by", Math.Abs(by) * 100))),
            ("batches", value.Batches));
    }

    private static string Differs(HandKind kind, bool more) => (kind, more) switch
    {
        (HandKind.Stick, true) => "logbook.thicker",
        (HandKind.Stick, false) => "logbook.thinner",
        (HandKind.Pace, true) => "logbook.slower",
        (HandKind.Pace, false) => "logbook.faster",
        (HandKind.Spoilt, true) => "logbook.more-spoilt",
        (HandKind.Spoilt, false) => "logbook.fewer-spoilt",
        (_, true) => "logbook.longer",
        _ => "logbook.shorter",
    };
}

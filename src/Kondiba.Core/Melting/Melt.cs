using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>Where the heat of a melt went; it adds up.</summary>
/// <param name="In">Put in.</param>
/// <param name="Coating">Taken up by the coating.</param>
/// <param name="Vessel">Taken up by its vessel.</param>
/// <param name="Lost">To the room.</param>
public sealed record MeltEnergy(Energy In, Energy Coating, Energy Vessel, Energy Lost);

/// <summary>Bursts of a microwave of one length.</summary>
/// <param name="Times">How many.</param>
/// <param name="Each">Length of each.</param>
public sealed record Bursts(int Times, Duration Each);

/// <summary>How a pot of coating is melted by one method.</summary>
/// <param name="Method">Code of the method.</param>
/// <param name="Name">Its name.</param>
/// <param name="Heating">Time on the heat.</param>
/// <param name="InAll">With the stirring between bursts.</param>
/// <param name="Bursts">Bursts of a microwave, by length; none for another method.</param>
/// <param name="Melted">Share melted when it comes off the heat.</param>
/// <param name="Off">Temperature of the coating when it comes off the heat.</param>
/// <param name="Settles">What it comes to when stirred, with its vessel.</param>
/// <param name="CoolsToDip">From there until it is at its dip temperature, in the room; nothing when it is no warmer.</param>
/// <param name="Holds">How long it can then be dipped with before it is warmed again, off the heat.</param>
/// <param name="KeepsWarm">Whether its method keeps it warm instead, on the lower setting.</param>
/// <param name="Energy">Where the heat went, up to the end of heating.</param>
/// <param name="Warning">What to mind; empty for nothing.</param>
/// <param name="How">What to do.</param>
/// <param name="Working">How it came about.</param>
public sealed record Melt(
    string Method,
    string Name,
    Duration Heating,
    Duration InAll,
    IReadOnlyList<Bursts> Bursts,
    Share Melted,
    Temperature Off,
    Temperature Settles,
    Duration CoolsToDip,
    Duration Holds,
    bool KeepsWarm,
    MeltEnergy Energy,
    Message Warning,
    string How,
    [property: JsonIgnore] IReadOnlyList<WorkingLine> Working)
{
    /// <summary>
    /// Computes it: coating and vessel, each at one temperature, followed until stirring them together gives the temperature wanted.
    /// </summary>
    /// <param name="coating">What is melted.</param>
    /// <param name="mass">How much of it.</param>
    /// <param name="method">By what.</param>
    /// <param name="room">Temperature of the room, and of coating and vessel at first.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="setting">Constants of setting, for the coating's family.</param>
    public static Melt For(Coating coating, Mass mass, MeltMethod method, Temperature room, MeltConstants c, SettingConstants setting)
    {
        var target = Target(coating, c);
        var course = new MeltCourse(coating, mass, method, room, c, setting);
        var (dip, until) = (coating.DipAt.Value.In("°C"), coating.DipFrom.Value.In("°C") - c.Slack.Value.Si);
        var reached = course.Follow(target, coating.DipFrom.Value.In("°C"));
        var settles = course.Together;
        return new(
            method.Code,
            method.Name,
            Duration.FromSeconds(Math.Round(course.Heated)),
            Duration.FromSeconds(Math.Round(course.Passed)),
            [.. course.Bursts.GroupBy(b => b).Select(same => new Bursts(same.Count(), Duration.FromSeconds(same.Key)))],
            course.Melted,
            Quantities.Of<Temperature>(course.Coating, "°C"),
            Quantities.Of<Temperature>(settles, "°C"),
            course.Cooling(settles, dip),
            course.Cooling(Math.Min(settles, dip), until),
            method.KeepsWarm,
            course.Energy,
            reached ? "" : "melting.not-hot-enough",
            method.How,
            [
                WorkingLine.Of("melting.coating", "", mass, Source.Computed),
                WorkingLine.Of("melting.fat", coating.Fat),
                WorkingLine.Of("melting.heat-capacity-set", c.SolidHeat),
                WorkingLine.Of("melting.heat-capacity-melted", c.MeltedHeat),
                WorkingLine.Of("melting.latent-heat-fat", c.LatentOfFat),
                .. OfVessel(method, c),
                WorkingLine.Of("melting.room-coating-vessel-first", "", room, Source.Entered),
                .. OfSource(coating, method, course, c),
                WorkingLine.Of(
                    "melting.from-vessel-into-coating", "melting.from-vessel-into-coating.how", new Conductance(course.Into),
                    c.Into.Source),
                WorkingLine.Of("melting.lost-room", "melting.from-vessel-into-coating.how", new Conductance(course.Loss), c.Loss.Source),
                WorkingLine.Of("melting.wanted-when-stirred", "", Quantities.Of<Temperature>(target, "°C"), Source.Computed),
                WorkingLine.Of("melting.heat-put", "", course.Energy.In, Source.Computed),
                WorkingLine.Of("melting.heat", "melting.heat.how", Duration.FromSeconds(course.Heated), Source.Computed),
            ]);
    }

    private static WorkingLine[] OfVessel(MeltMethod method, MeltConstants c) =>
    [
        .. method.InCrock
            ? new[] { WorkingLine.Of("melting.crock", c.Crock) }
            : [WorkingLine.Of("melting.bowl-usual-load", c.Bowl), WorkingLine.Of("melting.part-warms-along", c.BowlTouches)],
        WorkingLine.Of("melting.heat-capacity-vessel", c.BowlHeat),
    ];

    private static WorkingLine[] OfSource(Coating coating, MeltMethod method, MeltCourse course, MeltConstants c) =>
        method.Level is { } set
            ?
            [
                WorkingLine.Of("melting.microwave-rated", c.Microwave),
                WorkingLine.Of("melting.set", set),
                WorkingLine.Of("melting.into-large-load", c.Absorbed),
                WorkingLine.Of(
                    "melting.into-load",
                    Message.Of("melting.into-load.how", ("absorbed", c.Absorbed.Value.Si), ("halfLoad", c.HalfLoad.Value)),
                    new Power(course.Power),
                    c.HalfLoad.Source),
                WorkingLine.Of("melting.never-above", coating.MeltAtMost),
            ]
            :
            [
                WorkingLine.Of("melting.source", method.Source!),
                WorkingLine.Of(
                    "melting.from-into-vessel",
                    "melting.from-into-vessel.how",
                    new Conductance(course.FromSource),
                    method.From!.Source),
            ];

    /// <summary>What a pot is to come to when stirred, in °C: a little over its dip temperature; what is tempered is melted out.</summary>
    internal static double Target(Coating coating, MeltConstants c) =>
        coating.Temper is null
            ? Math.Min(coating.DipTo.Value.In("°C") + c.Slack.Value.Si, coating.MeltTo.Value.In("°C"))
            : coating.MeltTo.Value.In("°C");
}

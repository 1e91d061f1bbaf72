using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Melting;

/// <summary>
/// What to hold back of a pot that wants tempering: stirred in unmelted, it cools the rest into the working window and brings the crystals.
/// </summary>
/// <param name="Seed">To hold back.</param>
/// <param name="Melt">To melt.</param>
/// <param name="Share">Of all of it that is held back.</param>
/// <param name="From">Temperature of the melted part.</param>
/// <param name="LandsAt">Temperature when the seed has melted: the middle of the working window.</param>
/// <param name="Held">Whether the temper is likely to hold.</param>
/// <param name="Advice">What to do and to mind.</param>
/// <param name="Working">How it came about.</param>
public sealed record Seeding(
    Mass Seed,
    Mass Melt,
    Share Share,
    Temperature From,
    Temperature LandsAt,
    bool Held,
    Message Advice,
    [property: JsonIgnore] IReadOnlyList<WorkingLine> Working)
{
    /// <summary>
    /// Computes it from the heat that the melted part and its bowl give off and the seed takes up; null for a coating that wants no
    /// tempering.
    /// </summary>
    /// <param name="coating">The coating.</param>
    /// <param name="mass">All of it.</param>
    /// <param name="from">Temperature of the melted part.</param>
    /// <param name="room">Temperature of the seed.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="setting">Constants of setting, for the coating's family.</param>
    public static Seeding? For(Coating coating, Mass mass, Temperature from, Temperature room, MeltConstants c, SettingConstants setting)
    {
        if (coating.Temper is not { } temper)
            return null;
        var family = setting.Family(coating.Family);
        var heat = new CoatingHeat(coating, c, family);
        var lands = Quantities.Of<Temperature>((temper.Work[0].Value.In("°C") + temper.Work[1].Value.In("°C")) / 2, "°C");
        var (hot, at, cold) = (from.In("°C"), lands.In("°C"), room.In("°C"));

        // (1 − s)·m·cm·(hot − at) + bowl·(hot − at) = s·m·(heat of the seed melted at the landing − its heat in the room)
        var gives = c.MeltedHeat.Value.Si * (hot - at);
        var bowl = c.BowlFor(mass) * (hot - at) / mass.Si;
        var takes = MeltedOut() - heat.Of(cold);
        var share = Math.Clamp((gives + bowl) / (gives + takes), 0, 1);
        var (most, least) = (c.MostSeed.Value.Si, c.LeastSeed.Value.Si);
        var never = temper.NeverAbove.Value.In("°C");
        var held = share >= least && share <= most && at <= never;
        var asIs = hot <= never;
        return new(
            mass * share,
            mass * (1 - share),
            new(share),
            from,
            lands,
            asIs || held,
            AdviceFor(),
            HowHeldBack(mass, from, room, temper, c, share, gives, bowl, takes));

        // Below its melting point the seed dissolves in what is melted: it takes up all of its latent heat.
        double MeltedOut()
        {
            var melts = family.Melts.Value.In("°C");
            return heat.Of(melts) - (c.MeltedHeat.Value.Si * (melts - at));
        }

        Message AdviceFor()
        {
            if (asIs)
                return Message.Of("melting.not-been-above-c", ("never", temper.NeverAbove.Value));
            if (share > most)
                return Message.Of("melting.too-hot-seed-alone", ("at", Quantities.Of<Temperature>(at + 10, "°C")));
            return share < least ? Message.Of("melting.little-seed-may-not") : Message.Of("melting.stir-seed-until-gone", ("at", lands));
        }
    }

    private static List<WorkingLine> HowHeldBack(
        Mass mass,
        Temperature from,
        Temperature room,
        TemperCurve temper,
        MeltConstants c,
        double share,
        double gives,
        double bowl,
        double takes) =>
    [
        WorkingLine.Of("melting.all", "", mass, Source.Computed),
        WorkingLine.Of("melting.melted-part", "", from, Source.Entered),
        WorkingLine.Of("melting.seed", "melting.seed.how", room, Source.Entered),
        WorkingLine.Of("melting.working-window-from", temper.Work[0]),
        WorkingLine.Of("melting.working-window", temper.Work[1]),
        WorkingLine.Of("melting.heat-capacity-melted", c.MeltedHeat),
        WorkingLine.Of("melting.heat-capacity-set", c.SolidHeat),
        WorkingLine.Of("melting.latent-heat-fat", c.LatentOfFat),
        WorkingLine.Of("melting.bowl-usual-load", c.Bowl),
        WorkingLine.Of("melting.part-cools-along", c.BowlTouches),
        WorkingLine.Of("melting.heat-capacity-bowl", c.BowlHeat),
        WorkingLine.Of(
            "melting.share-held-back",
            Message.Of("melting.share-held-back.how", ("gives", gives / 1000), ("bowl", bowl / 1000), ("takes", takes / 1000)),
            new Share(share),
            Source.Computed),
        WorkingLine.Of(
            "melting.seed-2", Message.Of("melting.seed-2.how", ("mass", mass), ("share", share)), mass * share, Source.Computed),
    ];
}

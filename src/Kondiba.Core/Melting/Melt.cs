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
    string Warning,
    string How,
    [property: JsonIgnore] IReadOnlyList<WorkingLine> Working)
{
    private const double Step = 0.5;
    private const double Longest = 4 * 3600;
    private const double LeastBurst = 5;

    /// <summary>Computes it: coating and vessel, each at one temperature, followed until stirring them together gives the temperature wanted.</summary>
    /// <param name="coating">What is melted.</param>
    /// <param name="mass">How much of it.</param>
    /// <param name="method">By what.</param>
    /// <param name="room">Temperature of the room, and of coating and vessel at first.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="setting">Constants of setting, for the coating's family.</param>
    public static Melt For(Coating coating, Mass mass, MeltMethod method, Temperature room, MeltConstants c, SettingConstants setting)
    {
        var heat = new CoatingHeat(coating, c, setting.Family(coating.Family));
        var air = room.In("°C");
        var surface = c.Surface(mass);
        var vessel = method.InCrock ? c.Crock.Value.Si * c.BowlHeat.Value.Si : c.BowlFor(mass);
        var (into, loss) = (c.Into.Value.Si * surface, c.Loss.Value.Si * surface);
        var power = method.Level is { } level
            ? c.Microwave.Value.Si * level.Value.Si * c.Absorbed.Value.Si * mass.Si / (mass.Si + c.HalfLoad.Value.Si)
            : 0;
        var (source, from) = ((method.Source?.Value ?? room).In("°C"), (method.From?.Value.Si ?? 0) * surface);
        var (target, limit) = (Target(coating, c), coating.MeltAtMost.Value.In("°C"));

        var wanted = (mass.Si * heat.Of(target)) + (vessel * target);
        var (inCoating, inVessel) = (mass.Si * heat.Of(air), vessel * air);
        var (start, startVessel) = (inCoating, inVessel);
        var (put, lost, heated, passed) = (0.0, 0.0, 0.0, 0.0);
        List<double> bursts = [];
        while (passed < Longest && Short())
        {
            // A microwave's burst ends early where the coating would get too hot before its bowl is warm; stirring evens them out.
            var burst = method.Level is null ? Step : c.Burst.Value.TotalSeconds;
            var on = 0.0;
            for (; on < burst && heat.At(inCoating / mass.Si) < limit && Short(); on += Step)
                Pass(true);
            heated += on;
            if (method.Level is null)
                continue;
            if (on > 0)
                bursts.Add(Math.Ceiling(on / LeastBurst) * LeastBurst);
            for (var stirred = 0.0; stirred < c.Stir.Value.TotalSeconds && Short(); stirred += Step)
                Pass(false);
        }

        var off = heat.At(inCoating / mass.Si);
        var settles = Together();
        var (dip, until) = (coating.DipAt.Value.In("°C"), coating.DipFrom.Value.In("°C") - c.Slack.Value.Si);
        return new(
            method.Code,
            method.Name,
            Duration.FromSeconds(Math.Round(heated)),
            Duration.FromSeconds(Math.Round(passed)),
            [.. bursts.GroupBy(b => b).Select(same => new Bursts(same.Count(), Duration.FromSeconds(same.Key)))],
            new(heat.Melted(off)),
            Quantities.Of<Temperature>(off, "°C"),
            Quantities.Of<Temperature>(settles, "°C"),
            Cooling(settles, dip),
            Cooling(Math.Min(settles, dip), until),
            method.KeepsWarm,
            new(new(put), new(inCoating - start), new(inVessel - startVessel), new(lost)),
            passed >= Longest ? "It never gets hot enough like this." : "",
            method.How,
            [
                WorkingLine.Of("melting.coating", "", mass, Source.Computed),
                WorkingLine.Of("melting.fat", coating.Fat),
                WorkingLine.Of("melting.heat-capacity-set", c.SolidHeat),
                WorkingLine.Of("melting.heat-capacity-melted", c.MeltedHeat),
                WorkingLine.Of("melting.latent-heat-fat", c.LatentOfFat),
                .. method.InCrock
                    ? new[] { WorkingLine.Of("melting.crock", c.Crock) }
                    : [WorkingLine.Of("melting.bowl-usual-load", c.Bowl), WorkingLine.Of("melting.part-warms-along", c.BowlTouches)],
                WorkingLine.Of("melting.heat-capacity-vessel", c.BowlHeat),
                WorkingLine.Of("melting.room-coating-vessel-first", "", room, Source.Entered),
                .. method.Level is { } set
                    ? new[]
                    {
                        WorkingLine.Of(
                            "melting.microwave-rated", c.Microwave), WorkingLine.Of(
                                "melting.set", set), WorkingLine.Of("melting.into-large-load", c.Absorbed),
                        WorkingLine.Of(
                            "melting.into-load",
                            Message.Of("melting.into-load.how", ("absorbed", c.Absorbed.Value.Si), ("halfLoad", c.HalfLoad.Value)),
                            new Power(power),
                            c.HalfLoad.Source),
                        WorkingLine.Of("melting.never-above", coating.MeltAtMost),
                    }
                    : [WorkingLine.Of(
                        "melting.source", method.Source!), WorkingLine.Of(
                            "melting.from-into-vessel", "melting.from-into-vessel.how", new Conductance(from), method.From!.Source)],
                WorkingLine.Of(
                    "melting.from-vessel-into-coating", "melting.from-vessel-into-coating.how", new Conductance(into), c.Into.Source),
                WorkingLine.Of("melting.lost-room", "melting.from-vessel-into-coating.how", new Conductance(loss), c.Loss.Source),
                WorkingLine.Of("melting.wanted-when-stirred", "", Quantities.Of<Temperature>(target, "°C"), Source.Computed),
                WorkingLine.Of("melting.heat-put", "", new Energy(put), Source.Computed),
                WorkingLine.Of("melting.heat", "melting.heat.how", Duration.FromSeconds(heated), Source.Computed),
            ]);

        void Pass(bool heating)
        {
            var (tc, tv) = (heat.At(inCoating / mass.Si), inVessel / vessel);
            var direct = heating ? power : 0;
            var (across, gone, fromSource) = (into * (tv - tc), loss * (tv - air), from * Math.Max(0, source - tv));
            inCoating += (direct + across) * Step;
            inVessel += (fromSource - across - gone) * Step;
            (put, lost, passed) = (put + ((direct + fromSource) * Step), lost + (gone * Step), passed + Step);
        }

        // Whether stirring would leave them too cool: told by the heat in them, as that is to be known every half second.
        bool Short() => inCoating + inVessel < wanted;

        // What coating and vessel come to, stirred together.
        double Together()
        {
            var (low, high) = (air, 120.0);
            for (var i = 0; i < 40; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = (mass.Si * heat.Of(middle)) + (vessel * middle) < inCoating + inVessel ? (middle, high) : (low, middle);
            }

            return low;
        }

        // Melted coating and its vessel lose heat together; nothing crystallizes yet.
        Duration Cooling(double hot, double cold) => hot <= cold || cold <= air
            ? Duration.Zero
            : Duration.FromSeconds(Math.Round(((mass.Si * c.MeltedHeat.Value.Si) + vessel) / loss * Math.Log((hot - air) / (cold - air))));
    }

    /// <summary>What a pot is to come to when stirred, in °C: a little over its dip temperature; what is tempered is melted out.</summary>
    private static double Target(Coating coating, MeltConstants c) =>
        coating.Temper is null
            ? Math.Min(coating.DipTo.Value.In("°C") + c.Slack.Value.Si, coating.MeltTo.Value.In("°C"))
            : coating.MeltTo.Value.In("°C");
}

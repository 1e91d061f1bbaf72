using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
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
/// <param name="Bursts">Bursts of a microwave, one after the other; none for another method.</param>
/// <param name="Melted">Share melted when it comes off the heat.</param>
/// <param name="Off">Temperature of the coating when it comes off the heat.</param>
/// <param name="Settles">What it comes to when stirred, with its vessel.</param>
/// <param name="CoolsToDip">From there until it is at its dip temperature, in the room; nothing when it is no warmer.</param>
/// <param name="Holds">How long it can then be dipped with before it is warmed again.</param>
/// <param name="Energy">Where the heat went, up to the end of heating.</param>
/// <param name="Warning">What to mind; empty for nothing.</param>
/// <param name="How">What to do.</param>
/// <param name="Working">How it came about.</param>
public sealed record Melt(
    string Method,
    string Name,
    Duration Heating,
    IReadOnlyList<Bursts> Bursts,
    Share Melted,
    Temperature Off,
    Temperature Settles,
    Duration CoolsToDip,
    Duration Holds,
    MeltEnergy Energy,
    string Warning,
    string How,
    [property: JsonIgnore] IReadOnlyList<WorkingLine> Working)
{
    private const double Step = 0.5;
    private const double Longest = 4 * 3600;

    /// <summary>Computes it: coating and vessel, each at one temperature, followed until stirring them together gives the temperature wanted.</summary>
    /// <param name="coating">What is melted.</param>
    /// <param name="mass">How much of it.</param>
    /// <param name="method">By what.</param>
    /// <param name="room">Temperature of the room, and of coating and vessel at first.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static Melt For(Coating coating, Mass mass, MeltMethod method, Temperature room, TradeTables tables)
    {
        var c = tables.Melting;
        var heat = new CoatingHeat(coating, tables);
        var air = room.In("°C");
        var (vessel, surface) = ((method.InCrock ? c.Crock : c.Bowl).Value.Si * c.BowlHeat.Value.Si, Math.Pow(mass / c.LoadAt.Value, 2.0 / 3));
        var (into, loss) = (c.Into.Value.Si * surface, c.Loss.Value.Si * surface);
        var power = method.Level is { } level ? c.Microwave.Value.Si * level.Value.Si * c.Absorbed.Value.Si * mass.Si / (mass.Si + c.HalfLoad.Value.Si) : 0;
        var (source, from) = ((method.Source?.Value ?? room).In("°C"), (method.From?.Value.Si ?? 0) * surface);
        var target = Target(coating, c);

        var (inCoating, inVessel) = (mass.Si * heat.Of(air), vessel * air);
        var (start, startVessel) = (inCoating, inVessel);
        var (put, lost, seconds, hottest) = (0.0, 0.0, 0.0, air);
        while (seconds < Longest && Together() < target)
        {
            var (tc, tv) = (heat.At(inCoating / mass.Si), inVessel / vessel);
            var (given, across, gone) = (power + (from * Math.Max(0, source - tv)), into * (tv - tc), loss * (tv - air));
            inCoating += (power + across) * Step;
            inVessel += (given - power - across - gone) * Step;
            (put, lost, seconds) = (put + (given * Step), lost + (gone * Step), seconds + Step);
            hottest = Math.Max(hottest, heat.At(inCoating / mass.Si));
        }

        var off = heat.At(inCoating / mass.Si);
        var settles = Together();
        var bursts = method.Level is null ? [] : BurstsOf(seconds, coating, c);
        var (dip, until) = (coating.DipAt.Value.In("°C"), coating.DipFrom.Value.In("°C") - c.Slack.Value.Si);
        var cools = Cooling(settles, dip);
        var holds = Cooling(Math.Min(settles, dip), until);
        return new(
            method.Code,
            method.Name,
            Duration.FromSeconds(Math.Round(seconds)),
            bursts,
            new(heat.Melted(off)),
            Quantities.Of<Temperature>(off, "°C"),
            Quantities.Of<Temperature>(settles, "°C"),
            cools,
            holds,
            new(new(put), new(inCoating - start), new(inVessel - startVessel), new(lost)),
            WarningOf(hottest, seconds),
            method.How,
            [
                WorkingLine.Of("coating", "", mass, Source.Computed),
                WorkingLine.Of("of it fat", coating.Fat),
                WorkingLine.Of("heat capacity, set", c.SolidHeat),
                WorkingLine.Of("heat capacity, melted", c.MeltedHeat),
                WorkingLine.Of("latent heat of its fat", c.LatentOfFat),
                WorkingLine.Of(method.InCrock ? "crock" : "bowl", method.InCrock ? c.Crock : c.Bowl),
                WorkingLine.Of("heat capacity of the vessel", c.BowlHeat),
                WorkingLine.Of("room, coating and vessel at first", "", room, Source.Entered),
                .. method.Level is { } set
                    ? new[]
                    {
                        WorkingLine.Of("microwave, rated", c.Microwave), WorkingLine.Of("set to", set), WorkingLine.Of("of it into a large load", c.Absorbed),
                        WorkingLine.Of("into this load", $"rated × set × {c.Absorbed.Value.Si:0.##} × m/(m + {c.HalfLoad.Value.In("g"):0} g)", new Power(power), c.HalfLoad.Source),
                    }
                    : [WorkingLine.Of("source", method.Source!), WorkingLine.Of("from it into the vessel", "by its surface, m to the power ⅔", new Conductance(from), method.From!.Source)],
                WorkingLine.Of("from the vessel into the coating", "by its surface", new Conductance(into), c.Into.Source),
                WorkingLine.Of("lost to the room", "by its surface", new Conductance(loss), c.Loss.Source),
                WorkingLine.Of("wanted when stirred", "", Quantities.Of<Temperature>(target, "°C"), Source.Computed),
                WorkingLine.Of("heat put in", "", new Energy(put), Source.Computed),
                WorkingLine.Of("on the heat", "coating and vessel followed", Duration.FromSeconds(seconds), Source.Computed),
            ]);

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

        string WarningOf(double hottest, double took) =>
            took >= Longest ? "It never gets hot enough like this."
            : hottest > coating.MeltAtMost.Value.In("°C") ? $"Parts get hotter than {coating.MeltAtMost.Value.In("°C"):0} °C before the bowl is warm: take shorter bursts, a thinner bowl or more coating at a time."
            : "";
    }

    /// <summary>What a pot is to come to when stirred, in °C: a little over its dip temperature; what is tempered is melted out.</summary>
    private static double Target(Coating coating, MeltConstants c) =>
        coating.Temper is null ? Math.Min(coating.DipTo.Value.In("°C") + c.Slack.Value.Si, coating.MeltTo.Value.In("°C")) : coating.MeltTo.Value.In("°C");

    /// <summary>Bursts that add up to the time: 30 s each and the rest; what must keep its temper gets shorter ones towards the end.</summary>
    private static List<Bursts> BurstsOf(double seconds, Coating coating, MeltConstants c)
    {
        var burst = c.Burst.Value.TotalSeconds;
        int[] gentle = [15, 10, 5];
        List<double> bursts = [];
        for (var left = Math.Ceiling(seconds / 5) * 5; left > 0;)
        {
            var next = coating.Temper is null || bursts.Count < 2 ? burst : gentle[Math.Min(bursts.Count - 2, gentle.Length - 1)];
            next = Math.Min(next, left);
            bursts.Add(next);
            left -= next;
        }

        return [.. bursts.GroupBy(b => b).Select(same => new Bursts(same.Count(), Duration.FromSeconds(same.Key)))];
    }
}

using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>
/// Coating and its vessel while they are melted, each at one temperature, followed every half second; in °C, J, W/K and seconds.
/// </summary>
internal sealed class MeltCourse
{
    private const double Step = 0.5;
    private const double Longest = 4 * 3600;
    /// <summary>Bursts are set in steps of so many seconds.</summary>
    internal const double LeastBurst = 5;

    private readonly CoatingHeat heat;
    private readonly MeltMethod method;
    private readonly MeltConstants c;
    private readonly double mass, vessel, air, source, limit, coolsIn, start, startVessel;
    private double inCoating, inVessel, wanted, enough, put, lost;

    public MeltCourse(Coating coating, Mass mass, MeltMethod method, Temperature room, MeltConstants c, SettingConstants setting)
    {
        (this.method, this.c, this.mass) = (method, c, mass.Si);
        heat = new CoatingHeat(coating, c, setting.Family(coating.Family));
        vessel = c.VesselFor(method, mass);
        (air, source) = (room.In("°C"), (method.Source?.Value ?? room).In("°C"));
        limit = coating.MeltAtMost.Value.In("°C");
        var surface = c.Surface(mass);
        (Into, Loss, FromSource) = (c.Into.Value.Si * surface, c.Loss.Value.Si * surface, (method.From?.Value.Si ?? 0) * surface);
        Power = method.Level is { } level ? c.PowerInto(mass, level.Value) : 0;
        coolsIn = c.CoolsIn(method, mass);
        (start, startVessel) = (inCoating, inVessel) = (mass.Si * heat.Of(air), vessel * air);
    }

    /// <summary>Conductance from the vessel into the coating.</summary>
    public double Into { get; }

    /// <summary>Conductance from the vessel to the room.</summary>
    public double Loss { get; }

    /// <summary>Conductance from what it stands on into the vessel.</summary>
    public double FromSource { get; }

    /// <summary>What a microwave puts into the coating, in W.</summary>
    public double Power { get; }

    /// <summary>Seconds on the heat.</summary>
    public double Heated { get; private set; }

    /// <summary>Seconds in all, with the stirring.</summary>
    public double Passed { get; private set; }

    /// <summary>Bursts of a microwave, each in seconds as they are set.</summary>
    public List<double> Bursts { get; } = [];

    /// <summary>Temperature of the coating.</summary>
    public double Coating => heat.At(inCoating / mass);

    /// <summary>Share of it that has melted.</summary>
    public Share Melted => new(heat.Melted(Coating));

    /// <summary>What coating and vessel come to, stirred together.</summary>
    public double Together
    {
        get
        {
            var (low, high) = (air, 120.0);
            for (var i = 0; i < 40; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = In(middle) < inCoating + inVessel ? (middle, high) : (low, middle);
            }

            return low;
        }
    }

    public MeltEnergy Energy => new(new(put), new(inCoating - start), new(inVessel - startVessel), new(lost));

    // Whether stirring would leave them too cool: told by the heat in them, as that is to be known every half second.
    private bool Short => inCoating + inVessel < wanted && !(Coating >= limit && inCoating + inVessel >= enough);

    /// <summary>
    /// Heats it until stirring gives a temperature, or until the coating is as hot as it may be and stirring gives as much as will do: a
    /// cold bowl is not chased with bursts. Whether it ever comes to that.
    /// </summary>
    public bool Follow(double target, double willDo)
    {
        (wanted, enough) = (In(target), In(willDo));
        while (Passed < Longest && Short)
        {
            // A microwave's burst ends early where the coating would get too hot before its bowl is warm; stirring evens them out.
            var burst = method.Level is null ? Step : c.Burst.Value.TotalSeconds;
            var on = 0.0;
            for (; on < burst && Coating < limit && Short; on += Step)
                Pass(true);
            Heated += on;
            if (method.Level is null)
                continue;
            if (on > 0)
                Bursts.Add(Math.Ceiling(on / LeastBurst) * LeastBurst);
            for (var stirred = 0.0; stirred < c.Stir.Value.TotalSeconds && Short; stirred += Step)
                Pass(false);
        }

        return Passed < Longest;
    }

    /// <summary>How long melted coating takes to cool with its vessel; nothing crystallizes yet.</summary>
    public Duration Cooling(double hot, double cold) => hot <= cold || cold <= air
        ? Duration.Zero
        : Duration.FromSeconds(Math.Round(coolsIn * Math.Log((hot - air) / (cold - air))));

    private double In(double celsius) => (mass * heat.Of(celsius)) + (vessel * celsius);

    private void Pass(bool heating)
    {
        var (tc, tv) = (Coating, inVessel / vessel);
        var direct = heating ? Power : 0;
        var (across, gone, fromSource) = (Into * (tv - tc), Loss * (tv - air), FromSource * Math.Max(0, source - tv));
        inCoating += (direct + across) * Step;
        inVessel += (fromSource - across - gone) * Step;
        (put, lost, Passed) = (put + ((direct + fromSource) * Step), lost + (gone * Step), Passed + Step);
    }
}

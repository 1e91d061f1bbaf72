using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>How a pot stands when it is first looked at.</summary>
/// <param name="Coating">What is in it.</param>
/// <param name="Mass">How much.</param>
/// <param name="Method">What it is melted by.</param>
/// <param name="Room">Temperature of the room.</param>
/// <param name="At">Temperature of coating and bowl.</param>
/// <param name="Solid">Share of it that is not melted.</param>
public sealed record PotStart(Coating Coating, Mass Mass, MeltMethod Method, Temperature Room, Temperature At, Share Solid);

/// <summary>
/// A pot as it is melted, stirred, seeded and dipped from: middle and rim of the coating and the bowl, each at one temperature, followed
/// every half second. Heat, losses and bowl are those of <see cref="Melt"/>; here lumps take their time, crystals live and die, and what
/// gets too hot scorches. Temperatures in °C, heat in J.
/// </summary>
/// <remarks>Not safe for use by several at once.</remarks>
public sealed class LivePot
{
    private const double Step = 0.5;

    private readonly PotStart start;
    private readonly MeltConstants c;
    private readonly LivePotConstants live;
    private readonly CoatingHeat heat;
    private readonly Part middle, rim;
    private readonly double bowl, air;
    private double inBowl;

    /// <summary>A pot as it stands at first.</summary>
    /// <param name="start">How it stands.</param>
    /// <param name="c">Constants of melting.</param>
    /// <param name="live">Constants of a pot that is followed.</param>
    /// <param name="setting">Constants of setting, for the coating's family.</param>
    public LivePot(PotStart start, MeltConstants c, LivePotConstants live, SettingConstants setting)
    {
        (this.start, this.c, this.live) = (start, c, live);
        heat = new(start.Coating, c, setting.Family(start.Coating.Family));
        var (mass, at) = (start.Mass.Si, start.At.In("°C"));
        middle = new() { Mass = mass * (1 - live.Rim.Value.Si), At = at, Solid = start.Solid.Si };
        rim = new() { Mass = mass * live.Rim.Value.Si, At = at, Solid = start.Solid.Si };
        bowl = c.VesselFor(start.Method, start.Mass);
        inBowl = at;
        air = start.Room.In("°C");
        Peak = at;
    }

    /// <summary>Time that has passed.</summary>
    public Duration Passed { get; private set; }

    /// <summary>Coating in it.</summary>
    public Mass Mass => new(middle.Mass + rim.Mass);

    /// <summary>Temperature in the middle, where a probe stands, in °C.</summary>
    public double Middle => middle.At;

    /// <summary>Temperature at the rim, in °C.</summary>
    public double Rim => rim.At;

    /// <summary>The hottest that any of it has been, in °C.</summary>
    public double Peak { get; private set; }

    /// <summary>Share that is melted.</summary>
    public Share Melted => new(1 - Mean(p => p.Solid));

    /// <summary>Share that is stable crystals.</summary>
    public Share Stable => new(Mean(p => p.Stable));

    /// <summary>Share that is scorched.</summary>
    public Share Scorched => new(Mean(p => p.Scorched));

    /// <summary>Whether the temper is held: enough stable crystals, and not so many that it is thick; null where none is wanted.</summary>
    public bool? Tempered => start.Coating.Temper is null ? null : Stable >= live.Held.Value && Stable <= live.Thick.Value;

    /// <summary>Heats it by its method.</summary>
    /// <param name="time">How long.</param>
    /// <param name="level">Share of its power that a microwave is set to; its method's own where null.</param>
    /// <param name="stirred">Whether it is stirred meanwhile, as nobody can in a microwave.</param>
    public void Heat(Duration time, Share? level = null, bool stirred = false)
    {
        if (start.Method.Level is { } own)
            Go(time, new(c.PowerInto(Mass, level ?? own.Value), air, 0, InWater: false, Stirred: false));
        else
            Go(time, new(0, start.Method.Source!.Value.In("°C"), start.Method.From!.Value.Si, InWater: false, stirred));
    }

    /// <summary>Stands it in warm water and stirs.</summary>
    /// <param name="time">How long.</param>
    /// <param name="water">The water's temperature.</param>
    public void Warm(Duration time, Temperature water) =>
        Go(time, new(0, water.In("°C"), live.Water.Value.Si, InWater: true, Stirred: true));

    /// <summary>Stirs it, off the heat.</summary>
    public void Stir(Duration time) => Go(time, new(0, air, 0, InWater: false, Stirred: true));

    /// <summary>Leaves it alone, off the heat.</summary>
    public void Wait(Duration time) => Go(time, new(0, air, 0, InWater: false, Stirred: false));

    /// <summary>Puts unmelted coating of the room's temperature into the middle.</summary>
    public void Seed(Mass seed)
    {
        var all = middle.Mass + seed.Si;
        var capacity = middle.Mass * heat.Capacity(middle.Solid);
        var ofSeed = seed.Si * heat.Capacity(1);
        middle.At = ((capacity * middle.At) + (ofSeed * air)) / (capacity + ofSeed);
        middle.Solid = ((middle.Mass * middle.Solid) + seed.Si) / all;
        middle.Stable *= middle.Mass / all;
        middle.Scorched *= middle.Mass / all;
        middle.Mass = all;
    }

    /// <summary>Takes coating out, as dipped pieces do.</summary>
    public void Take(Mass taken)
    {
        var left = Math.Max(0, 1 - (taken / Mass));
        middle.Mass *= left;
        rim.Mass *= left;
    }

    private double Mean(Func<Part, double> of) => ((of(middle) * middle.Mass) + (of(rim) * rim.Mass)) / (middle.Mass + rim.Mass);

    private void Go(Duration time, Doing doing)
    {
        for (var t = 0.0; t < time.TotalSeconds; t += Step)
            Pass(Math.Min(Step, time.TotalSeconds - t), doing);
        Passed += time;
    }

    private void Pass(double seconds, Doing doing)
    {
        var surface = c.Surface(Mass);
        var across = (doing.Stirred ? live.Stirred : live.Still).Value.Si * surface * (rim.At - middle.At);
        var into = c.Into.Value.Si * surface * (inBowl - rim.At);
        var ofRim = live.RimTakes.Value.Si * doing.Microwave;
        var open = live.Open.Value.Si * c.Loss.Value.Si * surface / Mass.Si;
        Warm(middle, doing.Microwave - ofRim + across + (open * middle.Mass * (air - middle.At)), seconds, doing.Stirred);
        Warm(rim, ofRim + into - across + (open * rim.Mass * (air - rim.At)), seconds, doing.Stirred);
        var lost = doing.InWater ? 0 : (1 - live.Open.Value.Si) * c.Loss.Value.Si * (inBowl - air);
        var gained = doing.From * (doing.InWater ? doing.Source - inBowl : Math.Max(0, doing.Source - inBowl));
        inBowl += (((gained - lost) * surface) - into) / bowl * seconds;
        if (doing.Stirred)
            Mix(Math.Min(1, seconds / live.Melts.Value.TotalSeconds * 2));
        Peak = Math.Max(Peak, Math.Max(middle.At, rim.At));
    }

    /// <summary>Heat goes into melting and into warming; crystals are left, grow and break; what is too hot scorches.</summary>
    private void Warm(Part part, double watts, double seconds, bool stirred)
    {
        var melts = (part.At - heat.SoftensAt) / (heat.MeltsAt - heat.SoftensAt);
        var turns = melts > 0
            ? -part.Solid * Math.Min(1, melts / (stirred ? live.Melts : live.MeltsStill).Value.TotalSeconds * seconds)
            : (1 - part.Solid) * seconds / live.Sets.Value.TotalSeconds;
        part.Solid += turns;
        part.At += ((watts * seconds / part.Mass) + (turns * heat.Latent)) / heat.Capacity(part.Solid);
        part.Scorched += live.Scorches.Value.Si * seconds * Math.Max(0, part.At - start.Coating.MeltAtMost.Value.In("°C"));
        if (start.Coating.Temper is not { } temper)
            return;
        var over = part.At - temper.NeverAbove.Value.In("°C");
        if (part.At < heat.MeltsAt)
            part.Stable += live.Keeps.Value.Si * Math.Max(0, -turns) * (1 - Math.Min(1, 2 * part.Stable / live.Thick.Value.Si));
        if (over > 0)
            part.Stable *= Math.Exp(-live.Breaks.Value.Si * over * seconds);
        else if (stirred && melts > 0)
            part.Stable *= 1 + (live.Grows.Value.Si * Math.Min(1, -over) * seconds);
    }

    /// <summary>Stirring evens out what is in it.</summary>
    private void Mix(double share)
    {
        var (solid, stable, scorched) = (Mean(p => p.Solid), Mean(p => p.Stable), Mean(p => p.Scorched));
        foreach (var part in (Part[])[middle, rim])
        {
            part.Solid += (solid - part.Solid) * share;
            part.Stable += (stable - part.Stable) * share;
            part.Scorched += (scorched - part.Scorched) * share;
        }
    }

    /// <summary>What is done with it: W from a microwave, a source in °C and W/K from it into the usual load's bowl.</summary>
    private readonly record struct Doing(double Microwave, double Source, double From, bool InWater, bool Stirred);

    /// <summary>A part of the coating, even in itself.</summary>
    private sealed class Part
    {
        public double Mass { get; set; }

        public double At { get; set; }

        public double Solid { get; set; }

        public double Stable { get; set; }

        public double Scorched { get; set; }
    }
}

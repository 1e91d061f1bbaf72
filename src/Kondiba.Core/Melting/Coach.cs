using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>What a pot wants done.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<CoachAct>))]
public enum CoachAct
{
    /// <summary>Nothing is known of it: by the clock and by eye.</summary>
    [JsonStringEnumMemberName("byEye")]
    ByEye,

    /// <summary>Heat it.</summary>
    [JsonStringEnumMemberName("heat")]
    Heat,

    /// <summary>Turn the heat down: most of it has melted.</summary>
    [JsonStringEnumMemberName("turnDown")]
    TurnDown,

    /// <summary>Off the heat, and stir.</summary>
    [JsonStringEnumMemberName("takeOff")]
    TakeOff,

    /// <summary>It is too hot: off the heat at once.</summary>
    [JsonStringEnumMemberName("cool")]
    Cool,

    /// <summary>Stir in unmelted coating.</summary>
    [JsonStringEnumMemberName("seed")]
    Seed,

    /// <summary>Stir until it has come down.</summary>
    [JsonStringEnumMemberName("stir")]
    Stir,

    /// <summary>Leave it to cool.</summary>
    [JsonStringEnumMemberName("wait")]
    Wait,

    /// <summary>Dip.</summary>
    [JsonStringEnumMemberName("dip")]
    Dip,

    /// <summary>Warm it in water that is no hotter than it may be.</summary>
    [JsonStringEnumMemberName("warm")]
    Warm,
}

/// <summary>A pot that is coached.</summary>
/// <param name="Coating">What is in it.</param>
/// <param name="Mass">How much.</param>
/// <param name="Method">What it is melted by.</param>
/// <param name="Room">Temperature of the room, as the kitchen knows it.</param>
/// <param name="From">Lower end of the window it is used in.</param>
/// <param name="To">Upper end.</param>
/// <param name="Melted">Whether it was melted, so that it is only kept or warmed again.</param>
/// <param name="KeepsTemper">Whether its temper is never to be lost, rather than brought back.</param>
public sealed record CoachedPot(
    Coating Coating,
    Mass Mass,
    MeltMethod Method,
    Temperature Room,
    Temperature From,
    Temperature To,
    bool Melted,
    bool KeepsTemper = false)
{
    /// <summary>What it may be at most from now on: one whose temper is to be kept, no warmer than that.</summary>
    public Temperature Limit =>
        (Melted || KeepsTemper ? Coating.Temper?.NeverAbove.Value : null) ?? Coating.MeltAtMost.Value;
}

/// <summary>What to do with a pot now.</summary>
/// <param name="Act">What.</param>
/// <param name="Says">The same in words.</param>
/// <param name="For">How long; null where it is no matter of time.</param>
/// <param name="Level">Share of its power that a microwave is set to.</param>
/// <param name="Seed">How much to stir in.</param>
/// <param name="Water">How warm the water is to be.</param>
/// <param name="Guess">How long until it is to be used, or can no longer be; null where that is not known.</param>
/// <param name="TemperHeld">
/// Whether its temper is likely held; null where none is wanted, or that is not to be known before a smear is tried.
/// </param>
/// <param name="Cooling">How it cools, where it is left to.</param>
public sealed record Advice(
    CoachAct Act,
    Message Says,
    Duration? For = null,
    Share? Level = null,
    Mass? Seed = null,
    Temperature? Water = null,
    TimeGuess? Guess = null,
    bool? TemperHeld = null,
    [property: JsonIgnore] Cooling? Cooling = null);

/// <summary>
/// Says what a pot wants now, from what a probe read of it. Heat is given in portions that cannot bring the rim past what the coating may
/// be, even by a microwave a third stronger than the kitchen says.
/// </summary>
public sealed class Coach(MeltConstants c, LivePotConstants live, SettingConstants setting)
{
    // A microwave may be so much stronger than the kitchen says, and is set to this share of its power where its usual one is too strong.
    private const double Strongest = 1.35;
    private const double Gentle = 0.3;

    // In K: so much a reading may be beside the truth, a window is stretched, the seed is let work, and a hot vessel carries it on.
    private const double Sure = 0.5;
    private const double Slack = 0.3;
    private const double Near = 0.7;
    private const double Carries = 4;

    // In K for each minute: what rises faster is still on its heat, and what rises more slowly over minutes gets no hotter.
    private const double Still = 1.2;
    private const double Standing = 0.3;

    private static readonly Duration LeastBurst = Duration.FromSeconds(MeltCourse.LeastBurst);

    // Over so long it is read what a pot is, and whether it gets no hotter.
    private static readonly Duration Look = Duration.FromSeconds(8);
    private static readonly Duration Stands = Duration.FromMinutes(5);

    private Duration Burst => c.Burst.Value;

    // A probe comes to rest while it is stirred between bursts.
    private Duration Settles => c.Stir.Value;

    /// <summary>What to do now.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="readings">What was read of it since it was first put on, oldest first.</param>
    /// <param name="now">Now, by the same clock.</param>
    public Advice Advise(CoachedPot pot, IReadOnlyList<PotReading> readings, Instant now)
    {
        if (readings.Count == 0)
            return new(CoachAct.ByEye, Message.Of("coach.no-readings", ("how", Message.ByText(pot.Method.How))));
        var last = readings[^1];
        if (now - last.At > live.Silent.Value)
            return new(CoachAct.ByEye, Message.Of("coach.silent", ("since", now - last.At), ("how", Message.ByText(pot.Method.How))));

        var at = Now(readings);
        if (at > pot.Coating.MeltAtMost.Value.In("°C") + Slack)
            return TooHot(pot, at);
        var peak = Math.Max(at, readings.Max(r => r.Temperature.In("°C")) - Sure);
        var rises = Slope(readings, Settles);
        if (pot.Method.Level is not null && rises > live.Rises.Value.Si)
            return new(CoachAct.Stir, "coach.stir-on", LeastBurst * 2);
        var heat = new CoatingHeat(pot.Coating, c, setting.Family(pot.Coating.Family));
        var target = pot.KeepsTemper ? pot.To.In("°C") : Melt.Target(pot.Coating, c);
        var least = pot.KeepsTemper ? pot.From.In("°C") - Slack : Math.Max(target - c.Slack.Value.Si, heat.MeltsAt - Slack);

        // What gets no hotter, as in a crock on low, is melted once no lump can be left; and so is what has come down from there.
        var stands = now - readings[0].At > Stands && Slope(readings, Stands) < Standing && at > heat.MeltsAt + c.Slack.Value.Si;
        var down = Math.Min(peak - at, peak - heat.MeltsAt) > c.Slack.Value.Si;
        if (!pot.Melted && !stands && !down && peak < least)
            return Melting(pot, at, target, heat, rises);
        if (pot.Method.Level is null && Slope(readings, Burst) > Still && at >= pot.From.In("°C") - Slack)
            return TakeOff(target);
        var cooling = Cooling.Fit(readings, pot.Mass, pot.Method, pot.Room, c);
        var seeding = pot.Coating.Temper is { } temper && peak > temper.NeverAbove.Value.In("°C");
        if (at < pot.From.In("°C") - Slack)
            return TooCool(pot, at);
        if (seeding && Slope(readings, Burst) < -live.Falls.Value.Si)
            return StirDown(pot, cooling);
        if (at <= pot.To.In("°C") + Slack)
            return Ready(pot, at, seeding, cooling);
        return seeding ? SeedNow(pot, at, cooling) : Falling(pot, cooling);
    }

    /// <summary>What it is now, from the last seconds, so that one odd reading moves nothing much.</summary>
    internal static double Now(IReadOnlyList<PotReading> readings)
    {
        var late = Late(readings, Look).Select(r => r.Temperature.In("°C")).Order().ToList();
        return late[late.Count / 2];
    }

    /// <summary>How it rises over its last readings, in K for each minute.</summary>
    private static double Slope(IReadOnlyList<PotReading> readings, Duration over)
    {
        var late = Late(readings, over)
            .Select(r => (Minutes: (r.At - readings[^1].At).TotalMinutes, At: r.Temperature.In("°C")))
            .ToList();
        var (minutes, at) = (late.Average(r => r.Minutes), late.Average(r => r.At));
        var spread = late.Sum(r => (r.Minutes - minutes) * (r.Minutes - minutes));
        return spread > 0 ? late.Sum(r => (r.Minutes - minutes) * (r.At - at)) / spread : 0;
    }

    private static IEnumerable<PotReading> Late(IReadOnlyList<PotReading> readings, Duration over)
    {
        for (var i = readings.Count - 1; i >= 0 && readings[i].At >= readings[^1].At - over; i--)
            yield return readings[i];
    }

    private static Advice TooHot(CoachedPot pot, double at) => new(
        CoachAct.Cool,
        Message.Of(
            pot.Coating.Temper is null ? "coach.too-hot" : "coach.too-hot-tempered",
            ("at", Celsius(at)), ("most", pot.Coating.MeltAtMost.Value), ("coating", pot.Coating.Name)));

    private Advice Melting(CoachedPot pot, double at, double target, CoatingHeat heat, double rises)
    {
        var most = pot.Limit.In("°C");
        if (pot.Method.Level is { } level)
            return Portion(pot, at, heat.Of(target) - heat.Of(at), most, level.Value) is { } portion
                ? new(
                    CoachAct.Heat,
                    Message.Of("coach.burst", ("time", portion.Time), ("level", portion.Level), ("to", Celsius(target))),
                    portion.Time,
                    portion.Level)
                : InWater(pot, target, most);
        return OnSource(pot, at, Math.Min(target, most - Carries), heat, rises);
    }

    /// <summary>Over water or in its pot: the vessel is hotter than what is in it, and that heat comes too.</summary>
    private Advice OnSource(CoachedPot pot, double at, double target, CoatingHeat heat, double rises)
    {
        var turn = heat.SoftensAt + (live.Turn.Value.Si * (heat.MeltsAt - heat.SoftensAt));
        var (from, into, source) = (pot.Method.From!.Value.Si, c.Into.Value.Si, pot.Method.Source!.Value.In("°C"));

        // A probe that rises reads what was some seconds ago.
        var now = at + Math.Max(0, rises / 60 * Settles.TotalSeconds);
        var vessel = ((from * source) + (into * now)) / (from + into);
        var wants = (pot.Mass.Si * (heat.Of(target) - heat.Of(now))) - (c.VesselFor(pot.Method, pot.Mass) * (vessel - target));
        if (wants > 0)
        {
            var time = wants / (from * c.Surface(pot.Mass) * (source - vessel));
            var portion = LeastBurst * Math.Clamp(Math.Floor(time / LeastBurst.TotalSeconds), 1, Burst / LeastBurst);
            return now < turn
                ? new(CoachAct.Heat, Message.Of("coach.keep-going", ("turn", Celsius(turn))), portion)
                : new(CoachAct.TurnDown, "coach.turn-down", portion);
        }

        // What has stopped rising got all that its vessel held.
        return rises > Still
            ? TakeOff(target)
            : new(CoachAct.TurnDown, "coach.on-again", LeastBurst * 2);
    }

    private static Advice TakeOff(double target) =>
        new(CoachAct.TakeOff, Message.Of("coach.take-off", ("to", Celsius(target))), LeastBurst * 3);

    private Advice StirDown(CoachedPot pot, Cooling cooling) =>
        new(CoachAct.Stir, Message.Of("coach.stir-down", ("to", pot.To)), Burst, Guess: cooling.Until(pot.To));

    private static Advice Falling(CoachedPot pot, Cooling cooling) => cooling.Until(pot.To) is { } guess
        ? new(
            CoachAct.Wait,
            Message.Of(
                "coach.wait",
                ("likely", Rounded(guess.Likely)), ("least", Rounded(guess.AtLeast)), ("most", Rounded(guess.AtMost)), ("to", pot.To)),
            guess.Likely,
            Guess: guess,
            Cooling: cooling)
        : new(CoachAct.Wait, Message.Of("coach.never-cools", ("to", pot.To), ("room", pot.Room)), Cooling: cooling);

    /// <summary>
    /// The seed that brings what is in the pot, melted out, into its working window; half of it while the pot is hot, as what is put in
    /// later keeps more of its crystals.
    /// </summary>
    private Advice SeedNow(CoachedPot pot, double at, Cooling cooling)
    {
        if (at <= pot.To.In("°C") + Near)
            return StirDown(pot, cooling);

        // What is held back is reckoned of all of it; what is melted is what stays in the pot.
        var share = 0.0;
        for (var round = 0; round < 6; round++)
            share = Seeding.For(pot.Coating, pot.Mass * (1 / (1 - share)), Celsius(at), pot.Room, c, setting)!.Share.Si;
        if (share > c.MostSeed.Value.Si)
            return new(CoachAct.Stir, Message.Of("coach.seed-later", ("at", Celsius(at))), Burst);
        var all = pot.Mass * (share / (1 - share));
        var never = pot.Coating.Temper!.NeverAbove.Value;
        return at > pot.To.In("°C") + (3 * c.Slack.Value.Si)
            ? new(CoachAct.Seed, Message.Of("coach.seed-half", ("seed", all / 2), ("all", all)), Seed: all / 2)
            : new(CoachAct.Seed, Message.Of("coach.seed", ("seed", all), ("to", pot.To), ("never", never)), Seed: all);
    }

    private static Advice Ready(CoachedPot pot, double at, bool seeded, Cooling cooling)
    {
        var guess = cooling.Until(pot.From);
        Message then = guess is null
            ? "coach.stays"
            : Message.Of("coach.lasts", ("likely", Rounded(guess.Likely)), ("from", pot.From));
        if (seeded)
            return Dip(Message.Of("coach.dip-try", ("at", Celsius(at)), ("then", then)));
        return pot.Coating.Temper is null
            ? Dip(Message.Of("coach.dip", ("at", Celsius(at)), ("then", then)))
            : Dip(Message.Of("coach.dip-held", ("at", Celsius(at)), ("then", then))) with { TemperHeld = true };

        Advice Dip(Message says) => new(CoachAct.Dip, says, Guess: guess, Cooling: cooling);
    }

    private Advice TooCool(CoachedPot pot, double at)
    {
        var limit = pot.Limit.In("°C");
        var to = (pot.From.In("°C") + pot.To.In("°C")) / 2;
        return pot.Method.Level is { } level && Portion(pot, at, c.MeltedHeat.Value.Si * (to - at), limit, level.Value) is { } portion
            ? new(
                CoachAct.Heat,
                Message.Of(
                    "coach.warm-burst", ("at", Celsius(at)), ("time", portion.Time), ("level", portion.Level), ("limit", Celsius(limit))),
                portion.Time,
                portion.Level)
            : InWater(pot, to, limit);
    }

    /// <summary>
    /// A burst, in steps of five seconds, that gives it the heat it wants, in J/kg, and brings its rim nowhere near the limit; at a low
    /// setting where the usual one is too strong; null where that is too strong as well.
    /// </summary>
    private (Duration Time, Share Level)? Portion(CoachedPot pot, double at, double wants, double limit, Share usual)
    {
        var melted = c.MeltedHeat.Value.Si * pot.Mass.Si;
        var all = Math.Max(0, wants) * (pot.Mass.Si + (c.VesselFor(pot.Method, pot.Mass) / c.MeltedHeat.Value.Si));
        foreach (var level in (Share[])[usual, new(Math.Min(Gentle, usual.Si))])
        {
            var power = c.PowerInto(pot.Mass, level);
            var rim = power * Strongest * live.RimTakes.Value.Si / (live.Rim.Value.Si * melted);
            var safe = Math.Max(0, limit - Sure - Sure - at) / rim;
            var steps = Math.Floor(Math.Min(Math.Min(all / power, safe), Burst.TotalSeconds) / LeastBurst.TotalSeconds);
            if (steps >= 1)
                return (LeastBurst * steps, level);
        }

        return null;
    }

    /// <summary>
    /// Water so warm that a stirred pot in it comes to a temperature and stays there, as it loses to the room what it gains.
    /// </summary>
    /// <param name="to">The pot's temperature.</param>
    /// <param name="room">The room's.</param>
    public Temperature WaterFor(Temperature to, Temperature room)
    {
        var gains = 1 / ((1 / c.Into.Value.Si) + (1 / live.Water.Value.Si));
        var loses = live.Open.Value.Si * c.Loss.Value.Si;
        return new(room.Si + ((to.Si - room.Si) * (gains + loses) / gains));
    }

    private Advice InWater(CoachedPot pot, double to, double limit)
    {
        var water = WaterFor(Celsius(Math.Min(to, limit - Sure)), pot.Room);
        return new(
            CoachAct.Warm,
            Message.Of("coach.warm-water", ("water", water), ("to", Celsius(to)), ("coating", pot.Coating.Name)),
            Burst,
            Water: water);
    }

    private static Duration Rounded(Duration time) => time < Duration.FromMinutes(2)
        ? Duration.FromSeconds(Math.Round(time.TotalSeconds / 10) * 10)
        : Duration.FromMinutes(Math.Round(time.TotalMinutes));

    private static Temperature Celsius(double celsius) => Quantities.Of<Temperature>(celsius, "°C");
}

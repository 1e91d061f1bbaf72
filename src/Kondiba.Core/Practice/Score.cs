using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Practice;

/// <summary>A part of a score.</summary>
/// <param name="Code">Which.</param>
/// <param name="Name">Its name on screen.</param>
/// <param name="Points">Points reached.</param>
/// <param name="Of">Points there are.</param>
/// <param name="Better">What to do better; nothing where it went well.</param>
public sealed record ScorePart(string Code, Message Name, int Points, int Of, Message Better);

/// <summary>How a practice pot went.</summary>
/// <param name="Points">Of a hundred.</param>
/// <param name="Parts">What they are made of; what cost most first.</param>
/// <param name="Films">Film on each piece that was dipped.</param>
public sealed record Score(int Points, IReadOnlyList<ScorePart> Parts, IReadOnlyList<Dipped> Films)
{
    /// <summary>From here on no lump is to be seen.</summary>
    internal const double Smooth = 0.98;

    private const double Good = 0.9;
    private const double Scorching = 20;
    private const double Uneven = 0.4;
    private const double Slack = 0.5;

    /// <summary>Reckons it up.</summary>
    internal static Score Of(Ended ended, MeltConstants c, LivePotConstants live)
    {
        List<(string Code, Message Name, double Share, int Weight, Message Better)> parts =
        [
            ("time", "practice.time", Time(ended), 10, Message.Of("practice.time.better", ("par", ended.Exercise.Par.Value))),
            ("peak", "practice.peak", Peak(ended), 25, Message.Of(
                "practice.peak.better",
                ("peak", Quantities.Of<Temperature>(ended.Pot.Peak, "°C")), ("most", ended.Coating.MeltAtMost.Value))),
            ("melted", "practice.melted", Math.Clamp((ended.Melted.Si - 0.85) / (Smooth - 0.85), 0, 1), 20, "practice.melted.better"),
            ("window", "practice.window", InWindow(ended, c), 25, Message.Of(
                "practice.window.better",
                ("first", ended.Dipped[0].At), ("last", ended.Dipped[^1].At),
                ("from", new Temperature(ended.Coating.DipFrom.Value.Si - c.Slack.Value.Si)), ("to", ended.Coating.DipTo.Value))),
            ("even", "practice.even", Even(ended), 10, Message.Of(
                "practice.even.better",
                ("least", ended.Dipped.MinBy(d => d.Film.Si).Film), ("most", ended.Dipped.MaxBy(d => d.Film.Si).Film))),
        ];
        if (ended.Pot.Tempered is not null)
            parts.Add(("temper", "practice.temper", Temper(ended, live), 25, Better(ended, live)));
        var all = parts.Sum(p => p.Weight);
        return new(
            (int)Math.Round(100 * parts.Sum(p => p.Share * p.Weight) / all),
            [
                .. parts.OrderByDescending(p => (1 - p.Share) * p.Weight).Select(p => new ScorePart(
                    p.Code,
                    p.Name,
                    (int)Math.Round(100.0 * p.Share * p.Weight / all),
                    (int)Math.Round(100.0 * p.Weight / all),
                    p.Share < Good ? p.Better : Message.None)),
            ],
            ended.Dipped);
    }

    /// <summary>All of it up to par; nothing at three times that.</summary>
    private static double Time(Ended ended) => Math.Clamp((3 - (ended.Begun / ended.Exercise.Par.Value)) / 2, 0, 1);

    /// <summary>What is over the limit costs it, and what has scorched.</summary>
    private static double Peak(Ended ended)
    {
        var over = ended.Pot.Peak - ended.Coating.MeltAtMost.Value.In("°C") - Slack;
        return Math.Clamp(1 - (Math.Max(0, over) / 6) - (ended.Pot.Scorched.Si * Scorching), 0, 1);
    }

    private static double InWindow(Ended ended, MeltConstants c)
    {
        // It can be dipped in a little below its window; above it the film runs thin at once.
        var (from, to) = (ended.Coating.DipFrom.Value.In("°C") - c.Slack.Value.Si, ended.Coating.DipTo.Value.In("°C") + Slack);

        // A degree out of the window is half as good; two are none.
        return ended.Dipped.Average(d => Math.Clamp(
            1 - (Math.Max(0, Math.Max(from - d.At.In("°C"), d.At.In("°C") - to)) / 2), 0, 1));
    }

    private static double Even(Ended ended) =>
        Math.Clamp(1 - (((ended.Dipped.Max(d => d.Film.Si) / ended.Dipped.Min(d => d.Film.Si)) - 1) / Uneven), 0, 1);

    private static double Temper(Ended ended, LivePotConstants live) => ended.Pot.Stable > live.Thick.Value
        ? Math.Clamp(live.Thick.Value / ended.Pot.Stable, 0, 1)
        : Math.Clamp(ended.Pot.Stable / live.Held.Value, 0, 1);

    private static Message Better(Ended ended, LivePotConstants live)
    {
        if (ended.Pot.Stable > live.Thick.Value)
            return "practice.temper.too-much";
        var never = ended.Coating.Temper!.NeverAbove.Value;
        return Message.Of(ended.Exercise.KeepsTemper ? "practice.temper.kept" : "practice.temper.seeded", ("never", never));
    }
}

/// <summary>A pot that was dipped from.</summary>
/// <param name="Exercise">What was tried.</param>
/// <param name="Coating">What is in it.</param>
/// <param name="Begun">When dipping began.</param>
/// <param name="Melted">Share that was melted then.</param>
/// <param name="Pot">The pot, after it.</param>
/// <param name="Dipped">What was dipped.</param>
internal sealed record Ended(
    Exercise Exercise, Coating Coating, Duration Begun, Share Melted, LivePot Pot, IReadOnlyList<Dipped> Dipped);

using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Planning;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Bench;

/// <summary>What a scale under a pot read.</summary>
/// <param name="At">When.</param>
/// <param name="Mass">What was in the pot.</param>
public readonly record struct PotWeight(Instant At, Mass Mass);

/// <summary>What is known of a pot at the bench.</summary>
/// <param name="Melt">What is planned of it.</param>
/// <param name="IsMelted">Whether the step that melts it is done.</param>
/// <param name="Dipped">Pieces that have been dipped from it.</param>
/// <param name="ToDip">Pieces that are dipped from it in all.</param>
/// <param name="Readings">What a probe in it read, oldest first.</param>
/// <param name="Weights">What a scale under it read, oldest first.</param>
public sealed record BenchPot(
    DayMelt Melt,
    bool IsMelted,
    int Dipped,
    int ToDip,
    IReadOnlyList<PotReading> Readings,
    IReadOnlyList<PotWeight> Weights);

/// <summary>A pot as it is now, and what it wants.</summary>
/// <param name="At">Its temperature; null while no probe is to be believed.</param>
/// <param name="Advice">What to do with it.</param>
/// <param name="From">Coolest it is used.</param>
/// <param name="To">Warmest it is used.</param>
/// <param name="Limit">What it may be at most.</param>
/// <param name="Ahead">How it goes on if it is left alone, each minute until it is too cool; nothing where that is not known.</param>
/// <param name="Left">What is left in it; null while no scale is to be believed.</param>
/// <param name="Covers">Pieces that this is enough for; null likewise.</param>
/// <param name="Scale">What the scale tells, in words.</param>
public sealed record PotNow(
    Temperature? At,
    Advice Advice,
    Temperature From,
    Temperature To,
    Temperature Limit,
    IReadOnlyList<Temperature> Ahead,
    Mass? Left,
    int? Covers,
    Message Scale)
{
    private const int MostAhead = 20;

    // So far below its window nobody lets a pot come, in K.
    private const double TooCool = 4;

    private static readonly Duration OfUse = Duration.FromMinutes(10);

    /// <summary>Looks at a pot.</summary>
    /// <param name="pot">What is known of it.</param>
    /// <param name="tables">The kitchen's tables.</param>
    /// <param name="now">Now, by the clock of its readings.</param>
    public static PotNow Of(BenchPot pot, KitchenTables tables, Instant now)
    {
        var r = tables.Reference;
        var coating = r.Coating(pot.Melt.Pot[..pot.Melt.Pot.LastIndexOf('.')])!;
        var left = pot.Weights.Count > 0 && now - pot.Weights[^1].At <= r.LivePot.Silent.Value ? pot.Weights[^1].Mass : (Mass?)null;
        var coached = new CoachedPot(
            coating,
            left is { Si: > 0.01 } weighed ? weighed : pot.Melt.ToMelt,
            MeltingOf.MethodOf(tables),
            r.Setting.Room.Air.Value,
            pot.Melt.UseFrom ?? coating.DipFrom.Value,
            pot.Melt.UseTo ?? coating.DipTo.Value,
            pot.IsMelted);
        var advice = new Coach(r.Melting, r.LivePot, r.Setting).Advise(coached, pot.Readings, now);
        var believed = advice.Act is not CoachAct.ByEye;
        var (covers, scale) = Weighed(pot, left, coached, tables, now);
        return new(
            believed ? Quantities.Of<Temperature>(Coach.Now(pot.Readings), "°C") : null,
            advice,
            coached.From,
            coached.To,
            coached.Limit,
            Onwards(advice.Cooling, coached.From),
            left,
            covers,
            scale);
    }

    private static List<Temperature> Onwards(Cooling? cooling, Temperature from) => cooling is null
        ? []
        :
        [
            .. Enumerable.Range(0, MostAhead + 1)
                .Select(m => cooling.In(Duration.FromMinutes(m)))
                .TakeWhile(t => t.Si > from.Si - TooCool),
        ];

    /// <summary>Pieces that what is left is enough for, and what to melt more, by when.</summary>
    private static (int? Covers, Message Says) Weighed(
        BenchPot pot, Mass? left, CoachedPot coached, KitchenTables tables, Instant now)
    {
        if (left is not { } inPot || pot.Melt.OnPieces is not { Si: > 0 } onPieces || pot.ToDip == 0)
            return (null, Message.None);
        var each = onPieces / pot.ToDip;
        var over = inPot - (pot.Melt.Pool ?? default);
        var covers = (int)Math.Max(0, Math.Floor((over / each) + 1e-9));
        var toDip = Math.Max(0, pot.ToDip - pot.Dipped);
        if (covers >= toDip)
            return (covers, Message.Of("bench.scale.enough", ("left", inPot), ("toDip", toDip)));
        var more = each * (toDip - covers);
        var times = tables.Learned.Melting.Of(coached.Method.Code).Mean;
        var work = MeltWork.For(
            coached.Coating, more, coached.Method, coached.Room, times, tables.Reference.Melting, tables.Reference.Setting);
        var within = Lasts(pot.Weights, over, now) is { } lasts ? lasts - work.Hands - work.Waits : (Duration?)null;
        return (covers, within is { } time && time > Duration.FromMinutes(1)
            ? Message.Of("bench.scale.soon", ("left", inPot), ("covers", covers), ("toDip", toDip), ("more", more), ("within", time))
            : Message.Of("bench.scale.short", ("left", inPot), ("covers", covers), ("toDip", toDip), ("more", more)));
    }

    /// <summary>How long what is over the pool lasts, as it was used in the last minutes; null where nothing was.</summary>
    private static Duration? Lasts(IReadOnlyList<PotWeight> weights, Mass over, Instant now)
    {
        var first = weights.First(w => w.At >= now - OfUse || w.At == weights[^1].At);
        var (used, time) = (first.Mass - weights[^1].Mass, weights[^1].At - first.At);
        return used.Si > 0.001 && over.Si > 0 ? time * (over / used) : null;
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <content>Melting and dipping.</content>
internal sealed partial class PrepWork
{
    private void Melt()
    {
        foreach (var pot in tally.Making.Select(m => tally.Pots.First(p => p.Key == m.Pot)))
        {
            var (coating, colour) = tables.Reference.PotOf(pot.Key);
            var of = tally.Lines.Where(l => PotsOf(l).Contains(pot.Key)).Select(l => l.Line).ToList();
            var work = MeltingOf.Pot(pot, pot.ToMelt.Value, tables);
            Add(
                $"melt.{pot.Key}",
                Stage.Melt,
                $"{colour!.Name}, {coating!.Name}",
                of,
                new(
                    "melt",
                    [],
                    "",
                    "",
                    tables.Reference.Melting.Begin.Source,
                    "hob",
                    Wait: new(work.Waits, Source.Computed)),
                work.Hands,
                [],
                MeltingOf.Says(pot, pot.ToMelt.Value, tables),
                "prep.melt.why");
        }
    }

    /// <summary>Each pot is washed up after its last use.</summary>
    private void Wash()
    {
        foreach (var (pot, melt) in tally.Making.Select(m => (m.Pot, steps.First(s => s.Code == $"melt.{m.Pot}"))).ToList())
        {
            var uses = steps.Where(s => s.Pots.Contains(pot)).Select(s => s.Code).ToList();
            Add(
                $"wash.{pot}",
                Stage.Melt,
                melt.For,
                melt.Lines,
                new(Washing, [], "", "", tables.Reference.Pricing.Wash.Source, "sink"),
                tables.Reference.Pricing.Wash.Value,
                uses.Count > 0 ? uses : [melt.Code],
                "planning.wash",
                "planning.wash.why");
        }
    }

    /// <summary>Code of the rule by which pots are washed up.</summary>
    public const string Washing = "wash up";

    private void Dip()
    {
        var turn = tally.Making.Select(m => m.Pot).ToList();
        // What keeps longest is dipped first; within that, light colours before dark ones.

        foreach (var (line, draft, centre, making) in lines.OrderByDescending(l => KeepsOf(l.Centre))
            .ThenBy(l => turn.IndexOf(PotsOf(l.Tally).FirstOrDefault() ?? ""))
            .ThenBy(l => l.Tally.Line))
        {
            List<string> after = [.. ReadyFor(line), .. PotsOf(line).Select(p => $"melt.{p}")];
            if (LineMaking.PutOn(draft, centre, tables.Reference))
                after = [
                    Chain(
                        $"stick.{Named(line)}",
                        Stage.Prep,
                        Pieces(line, centre),
                        [line.Line],
                        Held(tables.Reference.PrepRules.Where(r => r.For.Contains(
                            $"stick.{centre.OnStick.ToString().ToLowerInvariant()}"))),
                        line.Begun(centre.Spoil.Value),
                        ReadyFor(line),
                        pot: PotsOf(line).FirstOrDefault())!,
                    .. PotsOf(line).Select(p => $"melt.{p}"),
                ];
            if (centre.Holding is Holding.Mould && making.Mould is { } mould)
                Mould(line, draft, centre, making, mould, after);
            else
                Dip(line, draft, centre, after);
        }
    }

    private Duration KeepsOf(Centre centre) => tables.Reference.KeepingOf(centre)?.Keeps.Value ?? Duration.FromDays(7);

    /// <summary>A coat of a line: what it is dipped in, how often over, and how it sets.</summary>
    private sealed record Coat(string Pot, string Colour, double Times, IReadOnlyList<SettingTime> Setting);

    /// <summary>The coats that a line gets: each sets before the next; one that goes on at once belongs to the one before.</summary>
    private List<Coat> CoatsOf(LineTally line)
    {
        var draft = order.Lines[line.Line];
        List<Coat> coats = [];
        if (!IsBare(line) || line.Parts is not null)
            coats.AddRange(Enumerable.Repeat(
                new Coat(Pot(line), tables.Reference.PotOf(Pot(line)).Colour?.Name ?? "", draft.AtOnce ? draft.Coats : 1, line.Setting),
                draft.AtOnce ? 1 : draft.Coats));
        coats.AddRange((line.Look?.Over ?? []).Select(o => new Coat(
            $"{o.Coating}.{o.Colour}", tables.Reference.PotOf($"{o.Coating}.{o.Colour}").Colour!.Name, 1, o.Setting)));
        return coats;
    }

    /// <summary>Dips a line coat by coat; what goes onto the wet coat goes onto the last one, with it.</summary>
    private void Dip(LineTally line, LineDraft draft, Centre centre, List<string> after)
    {
        var begun = line.Begun(centre.Spoil.Value);
        var ofParts = line.Parts?.Sum(p => p.Tally.Count.Value * (1 + (centre.Figure?.Parts.FirstOrDefault(
            f => f.Code == p.Code)?.Spoil.Value.Si ?? 0))) ?? 0;
        var with = Rules(centre).Find(r => r.WithDip);
        var coats = CoatsOf(line);
        string? last = null;
        foreach (var (n, coat) in coats.Index())
        {
            var (isFirst, isLast) = (n == 0, n == coats.Count - 1);
            var pieces = begun + (isFirst ? (int)Math.Ceiling(ofParts) : 0);
            var hands = tables.Reference.Prep.Sheet.Value + (DipTime(line) * (coat.Times * pieces));
            if (isLast)
                hands += WetWork(line) * begun;
            if (isFirst && with is not null)
                hands += with.HandsFor(begun);
            var (place, dry) = SetsIn(coat.Setting);
            var joined = isFirst ? with?.Wait?.Value ?? Duration.Zero : Duration.Zero;
            var drawnOn = line.Look is { SetSteps.Count: > 0, OnTouchDry: true } && joined == Duration.Zero;
            var sets = isLast && drawnOn ? Sets.TouchDry : Sets.Hard;
            var wait = Duration.Max(joined, SetsAfter.Of(sets, coat.Setting.First(s => s.Place == place)) ?? dry);
            last = Add(
                isFirst ? $"dip.{Named(line)}" : $"dip.{Named(line)}.{n + 1}",
                Stage.Dip,
                Pieces(line, centre),
                [line.Line],
                new(
                    isFirst ? "dip" : "dip again",
                    [],
                    "",
                    "",
                    line.DipTime.Source,
                    place,
                    Wait: new(wait, Source.Computed)),
                hands,
                last is null ? after : [last],
                DipSays(line, draft, centre, n, coat, isLast, with),
                isFirst ? HowDipped(line, centre).Because : "prep.dip-again.why",
                pots: [
                    .. IsBare(line) && isFirst && line.Look is { Over.Count: 0 } or null ? [] : new[] { coat.Pot },
                    .. isFirst ? (line.Parts ?? []).Select(p => $"{p.Coating}.{p.Colour}") : [],
                    .. isLast && line.Look is { } look ? look.Patterns.Where(Wet).Select(p => p.Pot) : [],
                ],
                sets: (coat.Setting, sets));
        }
    }

    /// <summary>How the hands dip a piece: the way's own words where it is not the usual one for such a piece.</summary>
    private PrepRule HowDipped(LineTally line, Centre centre)
    {
        var way = tally.Pots.SelectMany(p => p.Ways).FirstOrDefault(w => w.Line == line.Line && w.Layer == 0)?.Way;
        var rules = tables.Reference.PrepRules;
        return rules.FirstOrDefault(r => r.For.Contains($"dip.{way}"))
            ?? rules.FirstOrDefault(r => r.For.Contains($"dip.{centre.Code}"))
            ?? rules.First(r => r.For.Contains("dip"));
    }

    private Message DipSays(LineTally line, LineDraft draft, Centre centre, int n, Coat coat, bool isLast, PrepRule? with)
    {
        var upright = draft.Upright ?? centre.Upright;
        List<Message> says = [];
        if (n == 0 && with is { Code: not "join" })
            says.Add(with.Says);
        says.Add(n == 0
            ? Message.Of("prep.dip", ("depth", DepthOf(draft)), ("colour", coat.Colour))
            : Message.Of(coat.Pot == Pot(line) ? "prep.dip-again" : "prep.dip-over", ("colour", coat.Colour)));
        if (n == 0)
            says.Add(HowDipped(line, centre).Says);
        if (coat.Times > 1)
            says.Add("prep.dip-at-once");
        says.Add(upright ? "prep.stand-up" : "prep.lay-down");
        if (isLast && line.Look?.Round is { } round && WetWork(line) > Duration.Zero)
            says.Add(Message.Of("prep.stop-after", ("pieces", round.Value)));
        if (isLast && line.Look is { } look)
            says.AddRange(look.WetSteps);
        if (n == 0 && with is { Code: "join" })
            says.Add(with.Says);
        return says.Aggregate(Message.Then);
    }

    /// <summary>How deep, as a maker says it.</summary>
    private static Message DepthOf(LineDraft draft) => draft.Depth switch
    {
        >= 0.97 => "prep.whole",
        > 0.7 and < 0.8 => "prep.three-quarters",
        > 0.62 and < 0.7 => "prep.two-thirds",
        > 0.45 and < 0.55 => "prep.half",
        > 0.3 and < 0.36 => "prep.third",
        var depth => Message.Of("prep.depth", ("depth", new Share(depth))),
    };

    private bool Wet(Looks.PatternTally pattern) => tables.Reference.Decor.Pattern(pattern.Kind)!.GoesOn is Decoration.GoesOn.Wet;

    /// <summary>What is done on the wet coat of one piece, together with dipping; nothing where nothing is dipped.</summary>
    private Duration WetWork(LineTally line) => CoatsOf(line).Count > 0 ? line.Look?.WetWork ?? Duration.Zero : Duration.Zero;

    /// <summary>To dip one piece once; of a bare line, one that gets a coat further on.</summary>
    private Duration DipTime(LineTally line) => IsBare(line) ? tables.Reference.Dipping.Upright.Time.Value : line.DipTime.Value;

    /// <summary>
    /// Where a coat sets, and how long until it can be handled: on the counter, or in the cold where the counter never sets it or the
    /// maker likes that better.
    /// </summary>
    private (string Place, Duration After) SetsIn(IReadOnlyList<SettingTime> setting)
    {
        var hard = setting.Where(s => s.HandleHard is not null);
        var cold = Orders.Schools.Choice(
            tables.Reference.Schools.First(s => s.Code == Orders.Schools.Setting), null, tables).Code is "cold";
        var sets = (cold ? hard.FirstOrDefault(s => s.Place != Place.Room) : null) ?? hard.FirstOrDefault() ?? setting[^1];
        return (sets.Place, sets.HandleHard ?? Duration.FromHours(1));
    }
}

using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Steps;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <content>Fillings and centres: what is made ready before anything is melted.</content>
internal sealed partial class PrepWork
{
    private void Fill()
    {
        foreach (var (filling, filled, of) in Fillings(order, tally, tables.Reference))
        {
            // The same recipe mixed otherwise, or in other portions, is made by itself.
            var again = steps.Count(s => s.Stage is Stage.Fill && s.Code.StartsWith($"fill.{filling.Code}.", StringComparison.Ordinal));
            var name = again == 0 ? filling.Code : $"{filling.Code}-{of[0]}";
            Chain(
                $"fill.{name}",
                Stage.Fill,
                $"{filling.Name} for {filled.Pieces}",
                of,
                Held(tables.Reference.StepsOf(filling)),
                filled.Pieces,
                [],
                filled.Amounts);
        }
    }

    private void Prepare()
    {
        var wants = lines.SelectMany(l => Wants(
            l.Centre, l.Draft, l.Tally, l.Making, tables.Reference).Select(w => (w.Centre, w.Pieces, l.Tally.Line, OnStick: w.Own
                && l.Draft.Making?.On is not WareTable.NoStick)))
            .Concat(lines.Where(l => l.Centre.Holding is Holding.Mould || l.Centre.Figure is not null)
                .Select(l => (l.Centre, Pieces: l.Tally.Begun(l.Centre.Spoil.Value), l.Tally.Line, OnStick: false)));
        foreach (var same in wants.GroupBy(w => w.Centre.Code))
        {
            var (centre, pieces, of) = (same.First().Centre, same.Sum(w => w.Pieces), same.Select(w => w.Line).Distinct().ToList());
            var filled = steps.Where(s => s.Stage is Stage.Fill
                && s.Lines.Intersect(of).Any()
                && tables.Reference.Fillings.Any(f => f.Makes == centre.Code
                    && s.Code.StartsWith($"fill.{f.Code}", StringComparison.Ordinal)));
            var onSticks = same.Where(w => w.OnStick).Sum(w => w.Pieces);
            PrepRule OnSticks(PrepRule rule) =>
                rule is { Stick: true, Each: { } each }
                    ? rule with { Each = new(each.Value * ((double)onSticks / pieces), each.Source) }
                    : rule;
            Chain(
                $"prep.{centre.Code}",
                Stage.Prep,
                centre.Holding is Holding.Mould ? "the moulds" : $"{pieces} {(pieces == 1 ? centre.Name : centre.Plural)}",
                of,
                [.. Rules(centre).Where(r => !r.After && !r.WithDip && (!r.Stick || onSticks > 0))
                    .Select(
                        OnSticks), .. centre.Prep.Select((text, i) => new PrepRule($"own-{i}", [], text, "", Source.Kitchen, "counter"))],
                pieces,
                Ends(filled),
                pot: lines.Where(l => of.Contains(l.Tally.Line)).SelectMany(l => PotsOf(l.Tally)).FirstOrDefault());
        }
    }

    /// <summary>What only comes from its packets is laid out in one go.</summary>
    private void LayOut()
    {
        var laid = steps.Where(s => s.Rule.LaidOut && s.After.Count == 0 && !steps.Exists(o => o.After.Contains(s.Code))).ToList();
        if (laid.Count < 2)
            return;
        steps.RemoveAll(laid.Contains);
        Duration Once(WorkStep step) => (step.Rule.Once?.Value ?? Duration.Zero) * tables.Profile.Working.PaceOf(Stage.Prep);
        var first = laid[0].Rule;
        steps.Add(laid[0] with
        {
            Code = "laid-out",
            For = English.List([.. laid.Select(s => s.For)]),
            Lines = [.. laid.SelectMany(s => s.Lines).Distinct().Order()],
            Rule = first with { Code = "lay-out", Name = "lay out", Why = string.Join(" ", laid.Select(s => s.Rule.Why).Distinct()) },
            Says = laid.Select(s => Message.Of("prep.of", ("of", s.For), ("text", s.Says))).Aggregate(Then),
            Hands = laid.Aggregate(laid.Max(Once), (sum, s) => sum + s.Hands - Once(s)),
        });
    }

    /// <summary>One sentence after another.</summary>
    private static Message Then(Message first, Message next) =>
        first == Message.None ? next : next == Message.None ? first : Message.Of("prep.then", ("first", first), ("next", next));
}

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
    private static readonly Duration Morning = Duration.FromHours(4);

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
        foreach (var all in wants.GroupBy(w => w.Centre.Code).ToList())
        {
            var centre = all.First().Centre;
            var sticks = all.Any(w => w.OnStick);
            List<PrepRule> rules =
            [
                .. Rules(centre).Where(r => !r.After && !r.WithDip && (!r.Stick || sticks)),
                .. centre.Prep.Select((text, i) => new PrepRule($"own-{i}", [], text, "", Source.Kitchen, "counter")),
            ];
            foreach (var (n, together) in Together([.. all.Select(w => w.Line).Distinct()], rules).Index())
            {
                var same = all.Where(w => together.Contains(w.Line)).ToList();
                Prepare(
                    n == 0 ? $"prep.{centre.Code}" : $"prep.{centre.Code}.{n + 1}",
                    centre,
                    rules,
                    same.Sum(w => w.Pieces),
                    same.Where(w => w.OnStick).Sum(w => w.Pieces),
                    together);
            }
        }
    }

    private void Prepare(string code, Centre centre, List<PrepRule> rules, int pieces, int onSticks, List<int> of)
    {
        var filled = steps.Where(s => s.Stage is Stage.Fill
            && s.Lines.Intersect(of).Any()
            && tables.Reference.Fillings.Any(f => f.Makes == centre.Code && s.Code.StartsWith($"fill.{f.Code}", StringComparison.Ordinal)));
        Chain(
            code,
            Stage.Prep,
            centre.Holding is Holding.Mould ? "the moulds" : $"{pieces} {(pieces == 1 ? centre.Name : centre.Plural)}",
            of,
            [.. rules.Where(r => !r.Stick || onSticks > 0).Select(OnSticks)],
            pieces,
            Ends(filled),
            pot: lines.Where(l => of.Contains(l.Tally.Line)).SelectMany(l => PotsOf(l.Tally)).FirstOrDefault());

        PrepRule OnSticks(PrepRule rule) =>
            rule is { Stick: true, Each: { } each }
                ? rule with { Each = new(each.Value * ((double)onSticks / pieces), each.Source) }
                : rule;
    }

    /// <summary>
    /// Lines whose centres are made ready in one go: all of them, unless they must be dipped sooner than the hands can melt and dip it all.
    /// Those of one pot come together.
    /// </summary>
    private List<List<int>> Together(List<int> of, IReadOnlyList<PrepRule> rules)
    {
        var turn = tally.Making.Select(m => m.Pot).ToList();
        var pots = of.ToDictionary(l => l, l => PotsOf(tally.Lines.First(t => t.Line == l)).FirstOrDefault() ?? "");
        var together = InGoes(of.OrderBy(l => turn.IndexOf(pots[l])), rules, (before, line) =>
        {
            var had = before.Select(l => pots[l]).Distinct().ToList();
            return had.Count == 0 || had.Contains(pots[line])
                ? ToDip(line)
                : ToDip(line) + ToMelt(pots[line], washed: had.Count >= tables.Profile.Working.Pots);
        });
        return [.. together.Select(t => t.Order().ToList())];
    }

    /// <summary>
    /// Parts of some work, in turn: each as much as the hands can go on with while what is made ready by some rules is fit for it; all in
    /// one where that keeps.
    /// </summary>
    /// <param name="all">The work.</param>
    /// <param name="rules">By which it is made ready.</param>
    /// <param name="hands">How long one more takes after some others.</param>
    private static List<List<T>> InGoes<T>(IEnumerable<T> all, IEnumerable<PrepRule> rules, Func<List<T>, T, Duration> hands)
    {
        if (rules.Where(r => r.AtMost is not null).Select(HandsWithin).ToList() is not { Count: > 0 } limits)
            return [[.. all]];
        List<T> last = [];
        List<List<T>> goes = [last];
        var sum = Duration.Zero;
        foreach (var one in all)
        {
            sum += hands(last, one);
            if (last.Count > 0 && sum > limits.Min())
            {
                goes.Add(last = []);
                sum = hands(last, one);
            }

            last.Add(one);
        }

        return goes;
    }

    /// <summary>
    /// How long the hands can work on what a step has made ready; of more than a morning a third, as there is a night in it.
    /// </summary>
    private static Duration HandsWithin(PrepRule rule)
    {
        var most = rule.InFridge is { } cold ? Duration.Max(cold.Value, rule.AtMost!.Value) : rule.AtMost!.Value;
        var within = most - (rule.Wait?.Value ?? Duration.Zero);
        return within <= Morning ? within : within / 3;
    }

    /// <summary>About how long it takes to have another pot: while others are warm, or once one of them is washed up.</summary>
    private Duration ToMelt(string key, bool washed)
    {
        if (tally.Pots.FirstOrDefault(p => p.Key == key) is not { } pot)
            return Duration.Zero;
        var melt = MeltingOf.Pot(pot, pot.ToMelt.Value, tables);
        return melt.Hands + (washed ? melt.Waits + tables.Reference.Pricing.Wash.Value : Duration.Zero);
    }

    /// <summary>About how long the hands dip a line once, with what goes onto the wet coat.</summary>
    private Duration ToDip(int of)
    {
        var (line, _, centre, _) = lines.First(l => l.Tally.Line == of);
        var begun = line.Begun(centre.Spoil.Value);
        var with = Rules(centre).Find(r => r.WithDip)?.HandsFor(begun) ?? Duration.Zero;
        return (tables.Reference.Prep.Sheet.Value + ((DipTime(line) + WetWork(line)) * begun) + with)
            * tables.PaceOf(Stage.Dip);
    }

    /// <summary>What only comes from its packets is laid out in one go.</summary>
    private void LayOut()
    {
        var laid = steps.Where(s => s.Rule.LaidOut && s.After.Count == 0 && !steps.Exists(o => o.After.Contains(s.Code))).ToList();
        var together = InGoes(
            laid, laid.Select(s => s.Rule), (_, step) => step.Lines.Aggregate(Duration.Zero, (sum, line) => sum + ToDip(line)));
        foreach (var (n, some) in together.Where(t => t.Count > 1).Index())
            LayOut(n == 0 ? "laid-out" : $"laid-out.{n + 1}", some);
    }

    private void LayOut(string code, List<WorkStep> laid)
    {
        steps.RemoveAll(laid.Contains);
        Duration Once(WorkStep step) => (step.Rule.Once?.Value ?? Duration.Zero) * tables.PaceOf(Stage.Prep);
        var first = laid[0].Rule;
        steps.Add(laid[0] with
        {
            Code = code,
            For = English.List([.. laid.Select(s => s.For)]),
            Lines = [.. laid.SelectMany(s => s.Lines).Distinct().Order()],
            Rule = first with { Code = "lay-out", Name = "lay out" },
            Says = laid.Select(s => Message.Of("prep.of", ("of", s.For), ("text", s.Says))).Aggregate(Message.Then),
            Why = laid.Select(s => s.Why).Distinct().Aggregate(Message.Then),
            Hands = laid.Aggregate(laid.Max(Once), (sum, s) => sum + s.Hands - Once(s)),
        });
    }
}

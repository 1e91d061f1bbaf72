using Google.OrTools.Sat;

namespace Kondiba.Core.Planning;

/// <summary>How long to search.</summary>
/// <param name="Effort">In the solver's own deterministic time, so that the same input gives the same plan on any machine.</param>
/// <param name="Seconds">By the clock at most, whatever came of it.</param>
/// <param name="Quick">Whether to look for some plan only.</param>
public sealed record Limits(double Effort, double Seconds, bool Quick = false);

/// <content>Looking for solutions of the programme: from an earlier one, near to one, and read back.</content>
public sealed partial class PlanModel
{
    /// <summary>Looks for the best plan.</summary>
    /// <param name="problem">What is to be done.</param>
    /// <param name="limits">How long to search.</param>
    /// <param name="before">A plan to start from.</param>
    /// <param name="near">A plan to stay near to, as far as the goal says.</param>
    /// <param name="better">Told of every better plan on the way.</param>
    /// <param name="stop">Ends the search; what was found by then is given.</param>
    public static Solution Solve(
        PlanProblem problem,
        Limits limits,
        Solution? before = null,
        Solution? near = null,
        Action<Solution>? better = null,
        CancellationToken stop = default)
    {
        if (limits.Quick)
            return Search(before is null ? Some : Repairing, better, stop);

        // A core each: one proves from below, the other makes a plan better bit by bit. The latter only counts when the proof does not come
        // to an end, and then it has come to its own: so the same input gives the same plan, whichever core is faster.
        using var proven = CancellationTokenSource.CreateLinkedTokenSource(stop);
        proven.CancelAfter(TimeSpan.FromSeconds(limits.Seconds));
        var best = new Best(better);
        var above = Task.Run(
            () => Improved(problem, before ?? Search(Some, best.Heard, proven.Token), near, limits.Effort, best.Heard, proven.Token),
            CancellationToken.None);
        var proof = Search(Proving, best.Heard, stop);
        if (proof.Outcome is Outcome.Best or Outcome.Impossible)
            proven.Cancel();
        var found = above.GetAwaiter().GetResult();
        if (proof.Outcome is Outcome.Best or Outcome.Impossible || !found.Any)
            return proof;
        var least = proof.Any && proof.Cost <= found.Cost ? proof : found;
        return least with { Outcome = least.Cost <= proof.Bound ? Outcome.Best : Outcome.Found, Bound = proof.Bound };

        Solution Search(string how, Action<Solution>? better, CancellationToken stop)
        {
            var plan = new PlanModel(problem, before, near);
            plan.model.Minimize(LinearExpr.Sum(plan.costs));
            return plan.Run(limits, how, better, stop);
        }
    }

    /// <summary>Makes a plan better by leaving a part of it free and keeping the rest, part after part, until none helps.</summary>
    private static Solution Improved(
        PlanProblem problem, Solution found, Solution? near, double effort, Action<Solution> better, CancellationToken stop)
    {
        var (inVain, ofColours) = (0, problem.Colours.Select(c => Chains(problem, c.Tasks)).ToList());
        for (var round = 0; found.Any && round < effort / Part.Effort && !stop.IsCancellationRequested; round++)
        {
            var parts = ofColours.Concat(AtATime(found)).ToList();
            if (inVain == parts.Count)
                break;
            var plan = new PlanModel(problem, found, near);
            var cost = LinearExpr.Sum(plan.costs);
            plan.model.Add(cost <= found.Cost - 1);
            var free = parts[round % parts.Count];
            plan.Hold(found, t => !free.Contains(t));
            foreach (var task in found.Tasks.Where(t => !free.Contains(t.Code)))
            {
                plan.model.Add(plan.when[task.Code].Start == task.Start);
                plan.Hold(task);
            }

            plan.model.Minimize(cost);
            inVain++;
            if (plan.Run(Part, Bettering, null, stop) is not { Any: true } next)
                continue;
            (found, inVain) = (next with { Outcome = Outcome.Found, Bound = 0 }, 0);
            better(found);
        }

        return found;
    }

    /// <summary>Tasks with all that comes before and after them.</summary>
    private static HashSet<string> Chains(PlanProblem problem, IEnumerable<string> tasks)
    {
        var beside = problem.Tasks.SelectMany(t => t.After.SelectMany(a => new[] { (t.Code, a.Task), (a.Task, t.Code) }))
            .ToLookup(e => e.Item1, e => e.Item2);
        var all = tasks.ToHashSet();
        var follow = new Stack<string>(all);
        while (follow.TryPop(out var task))
        {
            foreach (var next in beside[task].Where(all.Add))
                follow.Push(next);
        }

        return all;
    }

    /// <summary>Tasks that are done about the same time, in parts that overlap by half.</summary>
    private static IEnumerable<HashSet<string>> AtATime(Solution found)
    {
        var inTurn = found.Tasks.OrderBy(t => t.Start).Select(t => t.Code).ToList();
        return Enumerable.Range(0, Math.Max(1, (inTurn.Count / Half) - 1)).Select(i => inTurn.Skip(i * Half).Take(2 * Half).ToHashSet());
    }

    /// <summary>Keeps from which melts tasks are done, and where what comes from them stands.</summary>
    private void Hold(Solution found, Func<string, bool> kept)
    {
        foreach (var (colour, number, _, _) in melts)
        {
            var was = found.Melts.FirstOrDefault(m => m.Colour == colour.Code && m.Number == number);
            foreach (var task in colour.Tasks.Where(kept))
                model.Add(slots[(task, colour.Code)][number - 1 - colour.Over] == (was?.Tasks.Contains(task) is true ? 1 : 0));
        }

        foreach (var (stay, where, chosen, _, _) in stands.Where(s => s.Stay.Choices.Count > 1 && kept(s.Stay.From)))
            model.Add((BoolVar)chosen == (found.Stood.Any(s => s.Stay == stay.Code && s.Place == where.Place) ? 1 : 0));
    }

    /// <summary>Keeps whose hands do a task.</summary>
    private void Hold(Placed task)
    {
        foreach (var (worker, literal) in does.GetValueOrDefault(task.Code) is { Count: > 1 } who ? who : [])
            model.Add((BoolVar)literal == (worker == task.Worker ? 1 : 0));
    }

    // So many tasks in turn, twice, are a part that is planned anew; each with so much effort.
    private const int Half = 8;
    private static readonly Limits Part = new(Effort: 0.02, Seconds: 3);

    // What proves from below.
    private const string Proving = "num_workers:1 use_objective_lb_search:true";

    // What betters a part: many small parts in a short time do more than a few that are searched through.
    private const string Bettering = "num_workers:1 linearization_level:0 cp_model_probing_level:0 symmetry_level:0";
    private const string Some = "num_workers:2 interleave_search:true interleave_batch_size:2 subsolvers:'quick_restart_no_lp' subsolvers:'fixed' search_branching:HINT_SEARCH stop_after_first_solution:true";
    // One search alone: several beside one another end the process on a small problem with a plan to start from (the solver's own check).
    private const string Repairing = "num_workers:1 linearization_level:0 stop_after_first_solution:true";

    private Solution Run(Limits limits, string how, Action<Solution>? better, CancellationToken stop)
    {
        var solver = new CpSolver
        {
            StringParameters = FormattableString.Invariant(
                $"random_seed:2 {how} max_deterministic_time:{limits.Effort} max_time_in_seconds:{limits.Seconds}"),
        };
        using var found = new Found(this, better);
        using var cancelled = stop.Register(solver.StopSearch);
        var status = solver.Solve(model, better is null ? null : found);
        var outcome = status switch
        {
            CpSolverStatus.Optimal => Outcome.Best,
            CpSolverStatus.Feasible => Outcome.Found,
            CpSolverStatus.Infeasible => Outcome.Impossible,
            CpSolverStatus.ModelInvalid => throw new InvalidOperationException($"The plan's model is not valid: {model.Validate()}"),
            _ => Outcome.Unknown,
        };
        return outcome is Outcome.Best or Outcome.Found
            ? Read(
                outcome,
                v => solver.Value(v),
                l => solver.BooleanValue(l),
                (long)Math.Round(solver.ObjectiveValue),
                (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6))
            : new(outcome, 0, outcome is Outcome.Unknown ? (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6) : 0, [], [], []);
    }

    /// <summary>Passes on what is better than all before, from whichever search it comes.</summary>
    private sealed class Best(Action<Solution>? better)
    {
        private readonly Lock one = new();
        private long cost = long.MaxValue, bound = long.MinValue;

        public void Heard(Solution found)
        {
            lock (one)
            {
                bound = Math.Max(bound, found.Bound);
                if (found.Cost >= cost)
                    return;
                cost = found.Cost;
                better?.Invoke(found with { Bound = bound });
            }
        }
    }

    private void Hint(Solution earlier)
    {
        foreach (var task in earlier.All.Where(t => when.ContainsKey(t.Code)))
        {
            model.AddHint(when[task.Code].Start, task.Start);
            foreach (var (worker, literal) in does.GetValueOrDefault(task.Code) is { Count: > 1 } who ? who : [])
                model.AddHint(literal, worker == task.Worker);
        }

        foreach (var (colour, number, @is, _) in melts)
        {
            var was = earlier.Melts.FirstOrDefault(m => m.Colour == colour.Code && m.Number == number);
            model.AddHint(@is, was is not null);
            foreach (var task in colour.Tasks.Where(t => slots.ContainsKey((t, colour.Code))))
                model.AddHint(slots[(task, colour.Code)][number - 1 - colour.Over], was?.Tasks.Contains(task) is true);
        }

        var at = earlier.Tasks.ToDictionary(t => t.Code);
        if (tasks.Keys.All(at.ContainsKey))
            foreach (var (hours, minutes) in aged)
                model.AddHint(hours, PlanCost.Begun(minutes(at), Hour));

        foreach (var (worker, rest, taken, from) in rests)
        {
            var free = PlanCost.LongestFree(rest.Within, earlier.All.Where(t => t.Worker == worker.Code));
            model.AddHint(taken, free.To - free.From >= rest.Lasts);
            model.AddHint(from, free.From);
        }

        foreach (var (stay, where, chosen, _, _) in stands.Where(s => s.Stay.Choices.Count > 1))
            if (earlier.Stood.FirstOrDefault(s => s.Stay == stay.Code) is { } stood)
                model.AddHint(chosen, stood.Place == where.Place);
    }

    private Solution Read(Outcome outcome, Func<IntVar, long> value, Func<ILiteral, bool> yes, long cost, long bound)
    {
        Placed Of(string code) =>
            new(
                code,
                (int)value(when[code].Start),
                (int)value(when[code].End),
                does.GetValueOrDefault(code)?.FirstOrDefault(w => yes(w.Does)).Worker);
        return new(
            outcome,
            cost,
            bound,
            [.. problem.Tasks.Select(t => Of(t.Code))],
            [.. stands.Where(s => yes(s.Chosen))
                .Select(s => new Stood(s.Stay.Code, s.Where.Place, s.Where.Takes, (int)value(s.From), (int)value(s.To)))],
            [
                .. melts.Where(m => yes(m.Is)).Select(m => new Melted(
                    m.Colour.Code, m.Number, Of(Melted.MeltOf(m.Colour.Code, m.Number)), Of(Melted.WashOf(m.Colour.Code, m.Number)),
                    [.. m.Colour.Tasks.Where(t => slots.TryGetValue((t, m.Colour.Code), out var of)
                        && yes(of[m.Number - 1 - m.Colour.Over]))])).OrderBy(
                        m => m.Melt.Start),
            ]);
    }

    /// <summary>Hears of every better plan while the solver searches.</summary>
    private sealed class Found(PlanModel plan, Action<Solution>? better) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() =>
            better?.Invoke(plan.Read(
                Outcome.Found,
                v => Value(v),
                l => BooleanValue(l),
                (long)Math.Round(ObjectiveValue()),
                (long)Math.Ceiling(BestObjectiveBound() - 1e-6)));
    }
}

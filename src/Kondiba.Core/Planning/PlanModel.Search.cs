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
            return (near is null ? null : Repaired(problem, near, limits.Seconds * RepairShare, stop))
                ?? Search(before is null ? Some : Repairing, better, stop);

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
        var ofColours = problem.Colours.Select(c => Chains(problem, c.Tasks)).ToList();
        var (inVain, wider, spent) = (0, 1, 0.0);
        for (var round = 0; found.Any && spent < effort && !stop.IsCancellationRequested; round++)
        {
            var parts = ofColours.Concat(AtATime(found, wider * Half)).Concat(OneMelt(problem, found)).ToList();
            if (inVain >= parts.Count)
            {
                // None helps any more: larger ones, with more effort each.
                if (wider * Half > problem.Tasks.Count)
                    break;
                (inVain, wider) = (0, 2 * wider);
                continue;
            }

            var part = Part with { Effort = Part.Effort * wider };
            spent += part.Effort;
            inVain++;
            if (Anew(problem, found, near, parts[round % parts.Count], found.Cost - 1, part, stop) is not { } next)
                continue;
            (found, inVain) = (next, 0);
            better(found);
        }

        return found;
    }

    /// <summary>
    /// A plan that was good before something changed, with as little of it planned anew as will do: what can no longer be where it was,
    /// with what hangs on it; then also what is done in the hours about it. Null when neither is enough.
    /// </summary>
    private static Solution? Repaired(PlanProblem problem, Solution near, double seconds, CancellationToken stop)
    {
        var was = near.Tasks.ToDictionary(t => t.Code);
        var moved = problem.Tasks.Where(t => !was.TryGetValue(t.Code, out var at)
            || (t.At is { } set ? set != at.Start : at.Start < t.Earliest || at.End > t.Latest)).ToList();
        if (moved.Count == 0 || 2 * moved.Count > problem.Tasks.Count)
            return null;
        var from = moved.Min(t => Math.Min(t.At ?? t.Earliest, was.TryGetValue(t.Code, out var at) ? at.Start : int.MaxValue));
        var chained = Chains(problem, moved.Select(t => t.Code));
        var about = near.Tasks.Where(t => t.End > from - About && t.Start < from + About).Select(t => t.Code);
        var repair = new Limits(RepairEffort, seconds);
        return Anew(problem, near, near, chained, null, repair, stop)
            ?? Anew(problem, near, near, Chains(problem, chained.Concat(about)), null, repair, stop);
    }

    /// <summary>A plan with a part of it planned anew and the rest kept; null when there is none.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="kept">The plan.</param>
    /// <param name="near">A plan to stay near to.</param>
    /// <param name="free">Tasks that are planned anew.</param>
    /// <param name="most">What it may cost; null for whatever it costs.</param>
    /// <param name="limits">How long to search.</param>
    /// <param name="stop">Ends the search.</param>
    private static Solution? Anew(
        PlanProblem problem, Solution kept, Solution? near, HashSet<string> free, long? most, Limits limits, CancellationToken stop)
    {
        var plan = new PlanModel(problem, kept, near);
        var cost = LinearExpr.Sum(plan.costs);
        if (most is { } limit)
            plan.model.Add(cost <= limit);
        plan.Keep(kept, free);
        plan.model.Minimize(cost);
        return plan.Run(limits, Bettering, null, stop) is { Any: true } found ? found with { Outcome = Outcome.Found, Bound = 0 } : null;
    }

    /// <summary>Keeps a plan as it is but for a part.</summary>
    private void Keep(Solution plan, HashSet<string> free)
    {
        var kept = plan.Tasks.Where(t => when.ContainsKey(t.Code) && !free.Contains(t.Code)).ToList();
        var codes = kept.Select(t => t.Code).ToHashSet();
        Hold(plan, codes.Contains);
        foreach (var task in kept)
        {
            model.Add(when[task.Code].Start == task.Start);
            Hold(task);
        }
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
    private static IEnumerable<HashSet<string>> AtATime(Solution found, int half)
    {
        var inTurn = found.Tasks.OrderBy(t => t.Start).Select(t => t.Code).ToList();
        return Enumerable.Range(0, Math.Max(1, (inTurn.Count / half) - 1)).Select(i => inTurn.Skip(i * half).Take(2 * half).ToHashSet());
    }

    /// <summary>
    /// What is done from one of two melts of a colour, and what is done about the time of the other: with both free, one melt may do for
    /// both.
    /// </summary>
    private static IEnumerable<HashSet<string>> OneMelt(PlanProblem problem, Solution found) =>
        from of in found.Melts.GroupBy(m => m.Colour)
        from one in of
        from other in of
        where one != other && one.Tasks.Count > 0
        let about = found.Tasks.Where(t => t.End > other.Melt.Start - Beside && t.Start < other.Wash.End + Beside).Select(t => t.Code)
        select Chains(problem, one.Tasks).Concat(about).ToHashSet();

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
    private const int Half = 6;
    private static readonly Limits Part = new(Effort: 0.01, Seconds: 3);

    // What a change is mended with, twice, of the seconds that there are: 0.7 s of a first plan's two; and how many minutes about it.
    private const double RepairEffort = 0.05, RepairShare = 0.35;
    private const int About = 180;

    // Minutes beside a melt in which another finds room.
    private const int Beside = 60;

    // What proves from below.
    private const string Proving = "num_workers:1 use_objective_lb_search:true";

    // What betters a part: many small parts in a short time do more than a few that are searched through.
    private const string Bettering = "num_workers:1 linearization_level:0 cp_model_probing_level:0 symmetry_level:0 "
        + "max_presolve_iterations:1 cp_model_use_sat_presolve:false presolve_bve_threshold:0 find_big_linear_overlap:false "
        + "merge_no_overlap_work_limit:0 merge_at_most_one_work_limit:0 presolve_inclusion_work_limit:0";
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

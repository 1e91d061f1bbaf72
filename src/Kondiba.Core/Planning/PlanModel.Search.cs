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
    public static Solution Solve(PlanProblem problem, Limits limits, Solution? before = null, Solution? near = null, Action<Solution>? better = null, CancellationToken stop = default)
    {
        var plan = new PlanModel(problem, before, near);
        plan.model.Minimize(LinearExpr.Sum(plan.costs));
        return plan.Run(limits, limits.Quick ? before is null ? Some : Repairing : TwoKinds, better, stop);
    }

    /// <summary>
    /// The same plan, everything as late as its turn allows: who does what in which turn, from which melt and where it stands stay as they
    /// are, and it costs no more.
    /// </summary>
    public static Solution Tidy(PlanProblem problem, Solution found, Limits limits)
    {
        var plan = new PlanModel(problem, found);
        plan.model.Add(LinearExpr.Sum(plan.costs) <= found.Cost);
        plan.Keep(found);
        List<LinearExpr> early = [];
        foreach (var task in problem.Tasks.Where(t => t.At is null))
            early.Add((LinearExpr)(task.Latest - plan.when[task.Code].End));
        foreach (var (colour, number, _, until) in plan.melts.Where(m => found.Melts.Any(f => f.Colour == m.Colour.Code && f.Number == m.Number)))
        {
            early.Add((problem.Ends - plan.when[$"melt.{colour.Code}.{number}"].Start) * colour.Darkness);
            early.Add(2 * (plan.when[$"wash.{colour.Code}.{number}"].Start - until));
        }

        plan.model.Minimize(LinearExpr.Sum(early));
        var tidy = plan.Run(limits, Relaxing, null, default);
        return tidy.Any ? tidy with { Outcome = found.Outcome, Cost = found.Cost, Bound = found.Bound } : found;
    }

    // What proves from below and what searches from above, by turns and so in the same way on every machine. Two at a time for two cores; of
    // the settings that were tried, this one comes nearest to the best in ten seconds on a full weekend.
    private const string TwoKinds = "num_workers:4 interleave_search:true interleave_batch_size:2 subsolvers:'objective_lb_search' subsolvers:'no_lp'";
    private const string Some = "num_workers:2 interleave_search:true interleave_batch_size:2 subsolvers:'quick_restart_no_lp' subsolvers:'fixed' search_branching:HINT_SEARCH stop_after_first_solution:true";
    private const string Repairing = TwoKinds + " stop_after_first_solution:true";
    private const string Relaxing = "num_workers:1 linearization_level:2";

    private Solution Run(Limits limits, string how, Action<Solution>? better, CancellationToken stop)
    {
        var solver = new CpSolver
        {
            StringParameters = FormattableString.Invariant($"random_seed:2 {how} max_deterministic_time:{limits.Effort} max_time_in_seconds:{limits.Seconds}"),
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
            ? Read(outcome, v => solver.Value(v), l => solver.BooleanValue(l), (long)Math.Round(solver.ObjectiveValue), (long)Math.Ceiling(solver.BestObjectiveBound - 1e-6))
            : new(outcome, 0, 0, [], [], []);
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

        foreach (var (stay, where, chosen, _, _) in stands.Where(s => s.Stay.Choices.Count > 1))
            if (earlier.Stood.FirstOrDefault(s => s.Stay == stay.Code) is { } stood)
                model.AddHint(chosen, stood.Place == where.Place);
    }

    /// <summary>Keeps everything of a plan but its times.</summary>
    private void Keep(Solution found)
    {
        foreach (var (colour, number, @is, _) in melts)
        {
            var was = found.Melts.FirstOrDefault(m => m.Colour == colour.Code && m.Number == number);
            model.Add(@is == (was is null ? 0 : 1));
            foreach (var task in colour.Tasks)
                model.Add(slots[(task, colour.Code)][number - 1 - colour.Over] == (was?.Tasks.Contains(task) is true ? 1 : 0));
        }

        foreach (var (stay, where, chosen, _, _) in stands.Where(s => s.Stay.Choices.Count > 1))
            model.Add((BoolVar)chosen == (found.Stood.Any(s => s.Stay == stay.Code && s.Place == where.Place) ? 1 : 0));
        var hands = found.All.Where(t => t.Worker is not null && t.End > t.Start).ToList();
        foreach (var task in hands.Where(t => does[t.Code].Count > 1))
            foreach (var (worker, literal) in does[task.Code])
                model.Add((BoolVar)literal == (worker == task.Worker ? 1 : 0));
        foreach (var of in hands.GroupBy(t => t.Worker))
        {
            var inTurn = of.OrderBy(t => t.Start).ToList();
            foreach (var (first, next) in inTurn.Zip(inTurn.Skip(1)))
                model.Add(when[next.Code].Start >= when[first.Code].End);
        }
    }

    private Solution Read(Outcome outcome, Func<IntVar, long> value, Func<ILiteral, bool> yes, long cost, long bound)
    {
        Placed Of(string code) => new(code, (int)value(when[code].Start), (int)value(when[code].End), does.GetValueOrDefault(code)?.FirstOrDefault(w => yes(w.Does)).Worker);
        return new(
            outcome,
            cost,
            bound,
            [.. problem.Tasks.Select(t => Of(t.Code))],
            [.. stands.Where(s => yes(s.Chosen)).Select(s => new Stood(s.Stay.Code, s.Where.Place, s.Where.Takes, (int)value(s.From), (int)value(s.To)))],
            [
                .. melts.Where(m => yes(m.Is)).Select(m => new Melted(
                    m.Colour.Code, m.Number, Of($"melt.{m.Colour.Code}.{m.Number}"), Of($"wash.{m.Colour.Code}.{m.Number}"),
                    [.. m.Colour.Tasks.Where(t => slots.TryGetValue((t, m.Colour.Code), out var of) && yes(of[m.Number - 1 - m.Colour.Over]))])).OrderBy(m => m.Melt.Start),
            ]);
    }

    /// <summary>Hears of every better plan while the solver searches.</summary>
    private sealed class Found(PlanModel plan, Action<Solution>? better) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() =>
            better?.Invoke(plan.Read(Outcome.Found, v => Value(v), l => BooleanValue(l), (long)Math.Round(ObjectiveValue()), (long)Math.Ceiling(BestObjectiveBound() - 1e-6)));
    }
}

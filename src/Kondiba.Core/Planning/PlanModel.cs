using Google.OrTools.Sat;
using Google.OrTools.Util;

namespace Kondiba.Core.Planning;

/// <summary>How long to search.</summary>
/// <param name="Effort">In the solver's own deterministic time, so that the same input gives the same plan on any machine.</param>
/// <param name="Seconds">By the clock at most, whatever came of it.</param>
/// <param name="Quick">Whether to look for some plan only, on one core.</param>
public sealed record Limits(double Effort, double Seconds, bool Quick = false);

/// <summary>The plan as a constraint programme: intervals on hands, places and pots, solved by CP-SAT.</summary>
public sealed class PlanModel
{
    private const int MostMelts = 4;

    // Dried coating is far more work, and a pot stands in the way.
    private const int WashWithin = 60;

    // Costs of time count in steps of a quarter of an hour: what a maker would notice, and fewer plans to tell apart.
    private const int Quarter = 15;

    private readonly PlanProblem problem;
    private readonly CpModel model = new();
    private readonly Dictionary<string, (IntVar Start, IntVar End)> when = [];
    private readonly Dictionary<string, PlanTask> tasks;
    private readonly Dictionary<string, List<(string Worker, ILiteral Does)>> does = [];
    private readonly Dictionary<string, List<IntervalVar>> busy;
    private readonly Dictionary<string, List<(IntervalVar Interval, int Takes)>> taken;
    private readonly Dictionary<string, IntVar> more = [];
    private readonly List<(Stay Stay, Standing Where, ILiteral Chosen, IntVar From, IntVar To)> stands = [];
    private readonly List<(ColourWork Colour, int Number, BoolVar Is, IntVar Until)> melts = [];
    private readonly Dictionary<(string Task, string Colour), List<BoolVar>> slots = [];
    private readonly List<LinearExpr> costs = [];
    private readonly Solution? near;

    private PlanModel(PlanProblem problem, Solution? before, Solution? near = null)
    {
        (this.problem, this.near) = (problem, near);
        tasks = problem.Tasks.ToDictionary(t => t.Code);
        busy = problem.Workers.ToDictionary(w => w.Code, _ => new List<IntervalVar>());
        taken = problem.Resources.ToDictionary(r => r.Code, _ => new List<(IntervalVar, int)>());
        foreach (var task in problem.Tasks)
            Add(task);
        foreach (var task in problem.Tasks)
            Order(task);
        foreach (var colour in problem.Colours)
            Melt(colour);
        foreach (var stay in problem.Stays)
            Stand(stay);
        foreach (var use in problem.Uses)
            Take(use.Resource, use.Takes, when[use.From].Start, when[use.Until].End, model.TrueLiteral(), $"use {use.Resource} {use.From}");
        foreach (var worker in problem.Workers)
            model.AddNoOverlap(busy[worker.Code]);
        foreach (var resource in problem.Resources)
            Limit(resource);
        foreach (var margin in problem.Margins)
            Spare(margin);
        if (problem.Goal.Span > 0)
        {
            var last = model.NewIntVar(0, problem.Ends, "span");
            model.AddMaxEquality(last, problem.Tasks.Select(t => when[t.Code].End));
            costs.Add(last * problem.Goal.Span);
        }

        costs.Add(LinearExpr.Constant((long)problem.Goal.Hands * problem.Tasks.Where(t => !t.Done).Sum(t => t.Lasts)));
        if (before is { Any: true })
            Hint(before);
    }

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
        return plan.Run(limits, limits.Quick ? before is null ? OneWorker : Repairing : TwoKinds, better, stop);
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
    private const string OneWorker = "num_workers:1 search_branching:HINT_SEARCH stop_after_first_solution:true";
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
            : new(outcome, 0, 0, [], [], [], []);
    }

    private void Add(PlanTask task)
    {
        var domain = task is { At: { } at, Soft: 0 } ? Domain.FromValues([at]) : Starts(task);
        var start = Within(domain, task.Code);
        var end = model.NewIntVar(0, problem.Ends * 2L, $"{task.Code} ends");
        model.Add(end == start + task.Lasts);
        when[task.Code] = (start, end);
        if (task.Soft > 0)
        {
            Beyond(end - task.Latest, $"{task.Code} late", task.Soft);
            Beyond(task.Earliest - start, $"{task.Code} soon", task.Soft);
            if (task.At is { } pin)
            {
                Beyond(start - pin, $"{task.Code} after its pin", task.Soft);
                Beyond(pin - start, $"{task.Code} before its pin", task.Soft);
            }
        }

        if (task.Ages > 0 && task.Best > task.Earliest)
        {
            var old = model.NewIntVar(0, problem.Ends, $"{task.Code} old");
            model.Add(old * Quarter >= task.Best - end);
            costs.Add(old * (Quarter * task.Ages));
        }

        if (task.Lasts > 0 && !task.Done)
            Hands(task.Code, task.Lasts, start, end, task.By, null);
        if (problem.Goal.Moved > 0 && near?.Tasks.FirstOrDefault(t => t.Code == task.Code) is { } was && task.At is null)
        {
            Beyond(start - was.Start, $"{task.Code} later than before", problem.Goal.Moved);
            Beyond(was.Start - start, $"{task.Code} earlier than before", problem.Goal.Moved);
        }
    }

    private void Beyond(LinearExpr much, string name, int cost)
    {
        var beyond = model.NewIntVar(0, problem.Ends * 2L, name);
        model.Add(beyond >= much);
        costs.Add(beyond * cost);
    }

    /// <summary>A time within some spans; without any, the whole plan is impossible.</summary>
    private IntVar Within(Domain domain, string name)
    {
        if (!domain.IsEmpty())
            return model.NewIntVarFromDomain(domain, name);
        model.AddBoolOr([]);
        return model.NewIntVar(0, 0, name);
    }

    /// <summary>When a task can start: within its own limits, and where somebody works long enough.</summary>
    private Domain Starts(PlanTask task)
    {
        var (first, last) = task.Soft > 0 ? (0, problem.Ends - task.Lasts) : (task.Earliest, task.Latest - task.Lasts);
        var own = last < first ? new Domain() : new(first, last);
        if (task.Done)
            return own;
        var hours = problem.Workers.Where(w => task.By?.Contains(w.Code) is not false).SelectMany(w => w.Hours)
            .Where(h => h.To - h.From >= task.Lasts).Select(h => new long[] { h.From, h.To - task.Lasts }).ToArray();
        return hours.Length == 0 ? new Domain() : own.IntersectionWith(Domain.FromIntervals(hours));
    }

    /// <summary>Gives work to one pair of hands, within their hours.</summary>
    private void Hands(string code, int lasts, IntVar start, IntVar end, IReadOnlyList<string>? by, BoolVar? where)
    {
        var can = problem.Workers.Where(w => by?.Contains(w.Code) is not false).ToList();
        var who = does[code] = [];
        foreach (var worker in can)
        {
            var alone = can.Count == 1;
            ILiteral literal = alone ? where ?? model.TrueLiteral() : model.NewBoolVar($"{code} by {worker.Code}");
            who.Add((worker.Code, literal));
            busy[worker.Code].Add(alone && where is null
                ? model.NewIntervalVar(start, lasts, end, code)
                : model.NewOptionalIntervalVar(start, lasts, end, literal, code));
            var hours = worker.Hours.Where(h => h.To - h.From >= lasts).Select(h => new long[] { h.From, h.To - lasts }).ToArray();
            if (!alone)
                model.AddLinearExpressionInDomain(start, hours.Length == 0 ? new Domain() : Domain.FromIntervals(hours)).OnlyEnforceIf(literal);
            if (worker.Cost > 0)
                costs.Add((LinearExpr)(literal as BoolVar ?? (IntVar)literal) * (lasts * worker.Cost));
        }

        if (can.Count > 1)
        {
            if (where is null)
                model.AddExactlyOne(who.Select(w => w.Does));
            else
                model.Add(LinearExpr.Sum(who.Select(w => (BoolVar)w.Does)) == where);
        }
    }

    private void Order(PlanTask task)
    {
        foreach (var after in task.After)
        {
            var (start, end) = (when[task.Code].Start, when[after.Task].End);
            model.Add(start >= end + after.Least);
            if (after.Most is { } most)
                model.Add(start <= end + most);
        }
    }

    /// <summary>A colour's melts, in order: each task takes from one of them.</summary>
    private void Melt(ColourWork colour)
    {
        var open = colour.Tasks.Where(t => !tasks[t].Done).ToList();
        var slotsOf = open.ToDictionary(t => t, t => slots[(t, colour.Code)] = []);
        IntVar? washed = null;
        BoolVar? earlier = null;
        for (var number = colour.Melted + 1; number <= colour.Melted + Math.Min(open.Count, MostMelts); number++)
        {
            var @is = model.NewBoolVar($"{colour.Code} {number}");
            var name = $"melt.{colour.Code}.{number}";
            var start = Within(HoursFor(colour.Lasts), name);
            var end = model.NewIntVar(0, problem.Ends * 2L, $"{name} ends");
            var until = model.NewIntVar(0, problem.Ends, $"{name} until");
            var wash = Within(HoursFor(colour.Washes), $"wash.{colour.Code}.{number}");
            var clean = model.NewIntVar(0, problem.Ends * 2L, $"wash.{colour.Code}.{number} ends");
            model.Add(end == start + colour.Lasts);
            model.Add(clean == wash + colour.Washes);
            model.Add(until >= end + colour.Cools);
            model.Add(until <= end + colour.Cools + colour.Holds);
            model.Add(wash >= until);
            model.Add(wash <= until + WashWithin);
            (when[name], when[$"wash.{colour.Code}.{number}"]) = ((start, end), (wash, clean));
            Hands(name, colour.Lasts, start, end, null, @is);
            Hands($"wash.{colour.Code}.{number}", colour.Washes, wash, clean, null, @is);
            foreach (var resource in colour.Takes)
                Take(resource, 1, start, clean, @is, name);

            foreach (var task in open)
            {
                var from = model.NewBoolVar($"{task} from {name}");
                slotsOf[task].Add(from);
                model.AddImplication(from, @is);
                model.Add(when[task].Start >= end + colour.Cools).OnlyEnforceIf(from);
                model.Add(when[task].End <= until).OnlyEnforceIf(from);
            }

            // A melt that nothing is dipped from is not made; the next one comes after the last.
            model.AddBoolOr([.. open.Select(t => (ILiteral)slotsOf[t][^1]), @is.Not()]);
            if (washed is not null && earlier is not null)
            {
                model.AddImplication(@is, earlier);
                model.Add(start >= washed).OnlyEnforceIf(@is);
            }

            costs.Add(@is * (problem.Goal.Hands * (colour.Lasts + colour.Washes)));
            melts.Add((colour, number, @is, until));
            (washed, earlier) = (clean, @is);
        }

        foreach (var task in open)
            model.AddExactlyOne(slotsOf[task]);
    }

    private Domain HoursFor(int lasts)
    {
        var hours = problem.Workers.SelectMany(w => w.Hours).Where(h => h.To - h.From >= lasts).Select(h => new long[] { h.From, h.To - lasts }).ToArray();
        return hours.Length == 0 ? new Domain() : Domain.FromIntervals(hours);
    }

    private void Stand(Stay stay)
    {
        var from = when[stay.From].End;
        IntVar to;
        if (stay.Until.Count == 1)
            to = when[stay.Until[0]].Start;
        else
        {
            to = model.NewIntVar(0, problem.Ends, $"{stay.Code} ends");
            if (stay.Until.Count == 0)
                model.Add(to == stay.To);
            else
                model.AddMinEquality(to, stay.Until.Select(u => when[u].Start));
        }

        var chosen = stay.Choices.Select(w => stay.Choices.Count == 1 ? model.TrueLiteral() : (ILiteral)model.NewBoolVar($"{stay.Code} in {w.Place}")).ToList();
        foreach (var (where, literal) in stay.Choices.Zip(chosen))
        {
            model.Add(to >= from + where.Least).OnlyEnforceIf(literal);
            if (where.Most is { } most)
                model.Add(to <= from + most).OnlyEnforceIf(literal);
            if (where.Cost > 0 && literal is BoolVar carried && stay.Choices.Count > 1)
                costs.Add(carried * where.Cost);
            Take(where.Place, where.Takes, from, to, literal, stay.Code);
            stands.Add((stay, where, literal, from, to));
        }

        if (chosen.Count > 1)
            model.AddExactlyOne(chosen);
    }

    private void Take(string resource, int takes, IntVar from, IntVar to, ILiteral @is, string name)
    {
        if (takes == 0 || !taken.TryGetValue(resource, out var all))
            return;
        var lasts = model.NewIntVar(0, problem.Ends * 2L, $"{name} in {resource} lasts");
        all.Add((model.NewOptionalIntervalVar(from, lasts, to, @is, $"{name} in {resource}"), takes));
    }

    private void Limit(Resource resource)
    {
        LinearExpr has = LinearExpr.Constant(resource.Has + resource.More);
        var limit = model.AddCumulative(has);
        foreach (var (interval, takes) in taken[resource.Code])
            limit.AddDemand(interval, takes);
        foreach (var away in resource.Away)
            limit.AddDemand(model.NewFixedSizeIntervalVar(away.When.From, away.When.To - away.When.From, $"{resource.Code} away"), away.Takes);
        if (resource.More > 0)
        {
            // What is had beyond is let out from the start: a demand that shrinks as more is had.
            var extra = more[resource.Code] = model.NewIntVar(0, resource.More, $"{resource.Code} more");
            limit.AddDemand(model.NewFixedSizeIntervalVar(0, problem.Ends * 2L, $"{resource.Code} not had"), resource.More - (LinearExpr)extra);
            costs.Add(extra * Elastic.Place);
        }
    }

    private void Spare(Margin margin)
    {
        if (margin.Cost == 0)
            return;
        var late = model.NewIntVar(0, problem.Ends, $"{margin.Code} late");
        foreach (var task in margin.Tasks)
            model.Add(late * Quarter >= when[task].End - margin.By);
        costs.Add(late * (Quarter * margin.Cost));
    }

    private void Hint(Solution earlier)
    {
        foreach (var task in earlier.Tasks.Concat(earlier.Melts.SelectMany(m => new[] { m.Melt, m.Wash })).Where(t => when.ContainsKey(t.Code)))
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
                model.AddHint(slots[(task, colour.Code)][number - 1 - colour.Melted], was?.Tasks.Contains(task) is true);
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
                model.Add(slots[(task, colour.Code)][number - 1 - colour.Melted] == (was?.Tasks.Contains(task) is true ? 1 : 0));
        }

        foreach (var (stay, where, chosen, _, _) in stands.Where(s => s.Stay.Choices.Count > 1))
            model.Add((BoolVar)chosen == (found.Stood.Any(s => s.Stay == stay.Code && s.Place == where.Place) ? 1 : 0));
        var hands = found.Tasks.Concat(found.Melts.SelectMany(m => new[] { m.Melt, m.Wash })).Where(t => t.Worker is not null && t.End > t.Start).ToList();
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
                    [.. m.Colour.Tasks.Where(t => slots.TryGetValue((t, m.Colour.Code), out var of) && yes(of[m.Number - 1 - m.Colour.Melted]))])).OrderBy(m => m.Melt.Start),
            ],
            [.. more.Select(m => new Lacking(m.Key, (int)value(m.Value))).Where(l => l.More > 0)]);
    }

    /// <summary>Hears of every better plan while the solver searches.</summary>
    private sealed class Found(PlanModel plan, Action<Solution>? better) : CpSolverSolutionCallback
    {
        public override void OnSolutionCallback() =>
            better?.Invoke(plan.Read(Outcome.Found, v => Value(v), l => BooleanValue(l), (long)Math.Round(ObjectiveValue()), (long)Math.Ceiling(BestObjectiveBound() - 1e-6)));
    }
}

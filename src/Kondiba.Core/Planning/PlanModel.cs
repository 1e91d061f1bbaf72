using Google.OrTools.Sat;
using Google.OrTools.Util;

namespace Kondiba.Core.Planning;

/// <summary>The plan as a constraint programme: intervals on hands, places and pots, solved by CP-SAT.</summary>
public sealed partial class PlanModel
{
    /// <summary>Minutes within which a pot is washed up: dried coating is far more work, and a pot stands in the way.</summary>
    internal const int WashWithin = 30;

    /// <summary>Minutes in which time to spare is counted: what a maker would notice, and fewer plans to tell apart.</summary>
    internal const int Quarter = 15;

    /// <summary>Minutes in which freshness is counted.</summary>
    internal const int Hour = 60;

    private readonly PlanProblem problem;
    private readonly CpModel model = new();
    private readonly Dictionary<string, (IntVar Start, IntVar End)> when = [];
    private readonly Dictionary<string, PlanTask> tasks;
    private readonly Dictionary<string, List<(string Worker, ILiteral Does)>> does = [];
    private readonly Dictionary<string, List<IntervalVar>> busy;
    private readonly Dictionary<string, List<(IntervalVar Interval, int Takes)>> taken;
    private readonly List<(Stay Stay, Standing Where, ILiteral Chosen, IntVar From, IntVar To)> stands = [];
    private readonly List<(ColourWork Colour, int Number, BoolVar Is, IntVar Until)> melts = [];
    private readonly Dictionary<(string Task, string Colour), List<BoolVar>> slots = [];
    private readonly List<(Worker Worker, Rest Meal, BoolVar Taken, IntVar From)> rests = [];

    // Hours for which something costs as it ages, with the minutes that they are counted from.
    private readonly List<(IntVar Hours, Func<Dictionary<string, Placed>, int> Minutes)> aged = [];
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
            Melt(colour, before?.Melts.Count(m => m.Colour == colour.Code) ?? 0);
        foreach (var stay in problem.Stays)
            Stand(stay);
        foreach (var use in problem.Uses)
            Take(use.Resource, use.Takes, when[use.From].Start, when[use.Until].End, model.TrueLiteral(), $"use {use.Resource} {use.From}");
        foreach (var worker in problem.Workers)
        {
            foreach (var rest in worker.Rests ?? [])
                Sit(worker, rest);
            model.AddNoOverlap(busy[worker.Code]);
        }

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

    private void Add(PlanTask task)
    {
        var domain = task switch
        {
            { At: { } at } when task.Done || task.Begun => Domain.FromValues([at]),
            { At: { } at, Soft: 0 } => Domain.FromValues([at]).IntersectionWith(Starts(task)),
            _ => Starts(task),
        };
        var start = Within(domain, task.Code);
        var end = model.NewIntVar(0, problem.Ends * 2L, $"{task.Code} ends");
        model.Add(end == start + task.Lasts);
        when[task.Code] = (start, end);
        if (task is { Soft: > 0, Begun: false })
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
            model.Add(old * Hour >= task.Best - end);
            aged.Add((old, at => task.Best - at[task.Code].End));
            costs.Add(old * task.Ages);
        }

        if (task.Lasts > 0 && !task.Done)
            Hands(task.Code, task.Lasts, start, end, task.By, null, task.Begun);
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
        return own.IntersectionWith(Hours(Able(task.By), task.Lasts));
    }

    /// <summary>Gives work to one pair of hands, within their hours unless it is under way.</summary>
    private void Hands(string code, int lasts, IntVar start, IntVar end, IReadOnlyList<string>? by, BoolVar? where, bool begun = false)
    {
        var can = Able(by).ToList();
        var who = does[code] = [];
        foreach (var worker in can)
        {
            var alone = can.Count == 1;
            ILiteral literal = alone ? where ?? model.TrueLiteral() : model.NewBoolVar($"{code} by {worker.Code}");
            who.Add((worker.Code, literal));
            busy[worker.Code].Add(alone && where is null
                ? model.NewIntervalVar(start, lasts, end, code)
                : model.NewOptionalIntervalVar(start, lasts, end, literal, code));
            if (!alone && !begun)
                model.AddLinearExpressionInDomain(start, Hours([worker], lasts)).OnlyEnforceIf(literal);
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

    private void Sit(Worker worker, Rest rest)
    {
        var name = $"{worker.Code} rests {rest.Within.From}";
        var taken = model.NewBoolVar(name);
        var start = model.NewIntVar(rest.Within.From, rest.Within.To - rest.Lasts, $"{name} from");
        busy[worker.Code].Add(model.NewOptionalFixedSizeIntervalVar(start, rest.Lasts, taken, name));
        rests.Add((worker, rest, taken, start));
        costs.Add((1 - taken) * rest.Cost);
    }

    private void Order(PlanTask task)
    {
        foreach (var after in task.After)
        {
            var (start, end) = (when[task.Code].Start, when[after.Task].End);
            model.Add(start >= end + after.Least);
            if (after.Most is { } most)
                model.Add(start <= end + most);
            if (after.Ages > 0 && !(after.Most <= after.Best))
            {
                var old = model.NewIntVar(0, problem.Ends, $"{after.Task} waits for {task.Code}");
                model.Add(old * Hour >= start - end - after.Best);
                aged.Add((old, at => at[task.Code].Start - at[after.Task].End - after.Best));
                costs.Add(old * after.Ages);
            }
        }
    }

    /// <summary>
    /// How often a colour is melted at most: once for each day that something of it is due on, as often again as its work outlasts a melt,
    /// and once to spare.
    /// </summary>
    private static int MostMelts(ColourWork colour, List<PlanTask> open)
    {
        const int Fewest = 4, Day = 24 * 60;
        var days = open.Select(t => t.Latest / Day).Distinct().Count();
        var work = open.Sum(t => t.Lasts);
        return Math.Min(open.Count, Math.Max(Fewest, days + (work / Math.Max(1, colour.Holds)) + 1));
    }

    /// <summary>
    /// A colour's melts, in order: each task takes from one of them. One that is warm already is there for as long as it holds.
    /// </summary>
    /// <param name="colour">The colour.</param>
    /// <param name="least">As many melts as an earlier plan has there must be at least.</param>
    private void Melt(ColourWork colour, int least)
    {
        var open = colour.Tasks.Where(t => !tasks[t].Done).ToList();
        var slotsOf = open.ToDictionary(t => t, t => slots[(t, colour.Code)] = []);
        IntVar? washed = null;
        BoolVar? earlier = null;
        var most = Math.Max(MostMelts(colour, open.ConvertAll(t => tasks[t])) + (colour.Warm is null ? 0 : 1), least);
        for (var number = colour.Over + 1; number <= colour.Over + most; number++)
        {
            var warm = earlier is null ? colour.Warm : null;
            var @is = model.NewBoolVar($"{colour.Code} {number}");
            var (name, washing) = (Melted.MeltOf(colour.Code, number), Melted.WashOf(colour.Code, number));
            var start = Within(
                warm is { } melted
                    ? Domain.FromValues([melted - colour.Lasts])
                    : Hours(problem.Workers, colour.Lasts).IntersectionWith(new(colour.Earliest, problem.Ends)), name);
            var end = model.NewIntVar(0, problem.Ends * 2L, $"{name} ends");
            var until = model.NewIntVar(0, problem.Ends, $"{name} until");
            var wash = Within(Hours(problem.Workers, colour.Washes), washing);
            var clean = model.NewIntVar(0, problem.Ends * 2L, $"{washing} ends");
            model.Add(end == start + colour.Lasts);
            model.Add(clean == wash + colour.Washes);
            model.Add(until >= end + colour.Cools);
            model.Add(until <= end + colour.Cools + colour.Holds);
            model.Add(wash >= until);
            (when[name], when[washing]) = ((start, end), (wash, clean));
            Hands(washing, colour.Washes, wash, clean, null, @is);
            foreach (var resource in colour.Takes)
                Take(resource, 1, start, clean, @is, name);
            if (warm is null)
            {
                model.Add(wash <= until + WashWithin);
                Hands(name, colour.Lasts, start, end, null, @is);
            }

            var lasts = open.ConvertAll(task => TakenFrom(task, slotsOf[task], colour, name, @is, until));

            // The last use ends the pot; one that is there and not used any more is washed up when there is time.
            if (warm is null)
                model.AddBoolOr([.. lasts, @is.Not()]);

            // A melt that nothing is dipped from is not made; one that is warm is there and wants washing up. The next one comes after the
            // last.
            model.AddBoolOr(warm is null ? [.. open.Select(t => (ILiteral)slotsOf[t][^1]), @is.Not()] : [@is]);
            if (washed is not null && earlier is not null)
            {
                model.AddImplication(@is, earlier);
                model.Add(start >= washed).OnlyEnforceIf(@is);
            }

            costs.Add(@is * (problem.Goal.Hands * (colour.Lasts + colour.Washes)));
            PayWarm(name, wash, end, colour, @is);
            melts.Add((colour, number, @is, until));
            (washed, earlier) = (clean, @is);
        }

        foreach (var task in open)
            model.AddExactlyOne(slotsOf[task]);
    }

    /// <summary>A pot that stands warm is paid for by the quarter of an hour.</summary>
    private void PayWarm(string name, IntVar wash, IntVar end, ColourWork colour, BoolVar @is)
    {
        if (problem.Goal.Warm > 0)
        {
            var stands = model.NewIntVar(0, problem.Ends, $"{name} stands warm");
            model.Add(stands * Quarter >= wash - end - colour.Cools).OnlyEnforceIf(@is);
            costs.Add(stands * problem.Goal.Warm);
        }
    }

    /// <summary>A task may take from a melt: after it has cooled and before it is used up. Gives whether it is the last to.</summary>
    private BoolVar TakenFrom(string task, List<BoolVar> slot, ColourWork colour, string name, BoolVar @is, IntVar until)
    {
        var from = model.NewBoolVar($"{task} from {name}");
        slot.Add(from);
        model.AddImplication(from, @is);
        model.Add(when[task].Start >= when[name].End + colour.Cools).OnlyEnforceIf(from);
        model.Add(when[task].End <= until).OnlyEnforceIf(from);
        var last = model.NewBoolVar($"{task} last from {name}");
        model.AddImplication(last, from);
        model.Add(until <= when[task].End).OnlyEnforceIf(last);
        return last;
    }

    private IEnumerable<Worker> Able(IReadOnlyList<string>? by) => problem.Workers.Where(w => by?.Contains(w.Code) is not false);

    /// <summary>When somebody can start work that takes so long.</summary>
    private static Domain Hours(IEnumerable<Worker> workers, int lasts)
    {
        var hours = workers.SelectMany(w => w.Hours)
            .Where(h => h.To - h.From >= lasts)
            .Select(h => new long[] { h.From, h.To - lasts })
            .ToArray();
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
            if (stay.Until.Count == 0 && tasks[stay.From].Soft > 0)
                model.AddMaxEquality(to, [from, LinearExpr.Constant(stay.To)]);
            else if (stay.Until.Count == 0)
                model.Add(to == stay.To);
            else
                model.AddMinEquality(to, stay.Until.Select(u => when[u].Start));
        }

        var chosen = stay.Choices.Select(w => stay.Choices.Count == 1
            ? model.TrueLiteral()
            : (ILiteral)model.NewBoolVar($"{stay.Code} in {w.Place}"))
            .ToList();
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
            limit.AddDemand(
                model.NewFixedSizeIntervalVar(away.When.From, away.When.To - away.When.From, $"{resource.Code} away"), away.Takes);
        if (resource.More > 0)
        {
            // What is had beyond is let out from the start: a demand that shrinks as more is had.
            var extra = model.NewIntVar(0, resource.More, $"{resource.Code} more");
            limit.AddDemand(
                model.NewFixedSizeIntervalVar(0, problem.Ends * 2L, $"{resource.Code} not had"), resource.More - (LinearExpr)extra);
            costs.Add(extra * (Elastic.Place / resource.Unit));
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
}

namespace Kondiba.Core.Planning;

/// <summary>What a plan costs, counted from the plan itself and not by the solver: what the problem says its parts are worth.</summary>
internal static class PlanCost
{
    /// <summary>Counts it. Limits are not looked at.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="plan">A plan of it.</param>
    public static long Of(PlanProblem problem, Solution plan)
    {
        var placed = plan.Tasks.ToDictionary(t => t.Code);
        var cost = (long)problem.Goal.Hands * problem.Tasks.Where(t => !t.Done).Sum(t => t.Lasts);
        foreach (var task in problem.Tasks)
        {
            if (task.Ages > 0 && task.Best > task.Earliest)
                cost += (long)task.Ages * Begun(task.Best - placed[task.Code].End, PlanModel.Hour);
            foreach (var after in task.After.Where(a => a.Ages > 0 && !(a.Most <= a.Best)))
                cost += (long)after.Ages * Begun(placed[task.Code].Start - placed[after.Task].End - after.Best, PlanModel.Hour);
        }

        foreach (var margin in problem.Margins)
            cost += (long)margin.Cost * PlanModel.Quarter * margin.Tasks.Max(t => Begun(placed[t].End - margin.By, PlanModel.Quarter));
        foreach (var melt in plan.Melts)
        {
            var colour = problem.Colours.First(c => c.Code == melt.Colour);
            cost += ((long)problem.Goal.Hands * (colour.Lasts + colour.Washes))
                + ((long)problem.Goal.Warm * Begun(melt.Wash.Start - melt.Melt.End - colour.Cools, PlanModel.Quarter));
        }

        foreach (var stay in problem.Stays.Where(s => s.Choices.Count > 1))
        {
            var place = plan.Stood.First(s => s.Stay == stay.Code).Place;
            cost += stay.Choices.First(c => c.Place == place).Cost;
        }

        foreach (var worker in problem.Workers)
        {
            var busy = plan.All.Where(t => t.Worker == worker.Code && t.End > t.Start).ToList();
            cost += (long)worker.Cost * busy.Sum(t => t.End - t.Start);
            foreach (var rest in worker.Rests ?? [])
            {
                var free = LongestFree(rest.Within, busy);
                cost += free.To - free.From >= rest.Lasts ? 0 : rest.Cost;
            }
        }

        return cost;
    }

    /// <summary>The longest stretch within a span in which nothing is done.</summary>
    public static Minutes LongestFree(Minutes within, IEnumerable<Placed> busy)
    {
        var (at, longest) = (within.From, new Minutes(within.From, within.From));
        var gone = busy.Where(t => t.End > within.From && t.Start < within.To).OrderBy(t => t.Start)
            .Append(new("", within.To, within.To, null));
        foreach (var task in gone)
        {
            if (task.Start - at > longest.To - longest.From)
                longest = new(at, task.Start);
            at = Math.Max(at, task.End);
        }

        return longest;
    }

    /// <summary>Units of time, a begun one too.</summary>
    public static int Begun(int minutes, int unit) => minutes <= 0 ? 0 : (minutes + unit - 1) / unit;
}

using Kondiba.Core.Planning;

namespace Kondiba.Core.Tests;

/// <summary>
/// Small problems solved by trying every minute for every task: what is found, or that there is nothing, knows nothing of the solver's
/// model. Written from what <see cref="PlanProblem"/> says its parts mean.
/// </summary>
internal static class TinyPlans
{
    /// <summary>
    /// Earliest end of the last task in any plan; null when there is none. One pair of hands, stays with their choices, no colours.
    /// </summary>
    public static int? Shortest(PlanProblem problem)
    {
        int? best = null;
        foreach (var starts in Starts(problem))
        {
            var end = problem.Tasks.Max(t => starts[t.Code] + t.Lasts);
            if (!(end >= best) && Stands(problem, starts, 0, []))
                best = end;
        }

        return best;
    }

    /// <summary>
    /// Fewest melts of the one colour in any plan; null when there is none. One pair of hands, which melts and washes up too.
    /// </summary>
    public static int? FewestMelts(PlanProblem problem)
    {
        int? best = null;
        foreach (var starts in Starts(problem))
            best = Melts(problem, starts, 0, best ?? problem.Tasks.Count + 1) ?? best;
        return best;
    }

    /// <summary>Every way to put the tasks so that one pair of hands can do them, in their limits and turns.</summary>
    private static IEnumerable<Dictionary<string, int>> Starts(PlanProblem problem)
    {
        var tasks = problem.Tasks;
        return Put(0, []);

        IEnumerable<Dictionary<string, int>> Put(int i, Dictionary<string, int> starts)
        {
            if (i == tasks.Count)
            {
                yield return starts;
                yield break;
            }

            var task = tasks[i];
            for (var start = task.Earliest; start + task.Lasts <= task.Latest; start++)
            {
                if (task.At is { } at && at != start
                    || !Worked(problem, start, task.Lasts)
                    || tasks.Take(i).Any(t => Overlap(starts[t.Code], t.Lasts, start, task.Lasts)))
                    continue;
                var waited = task.After.Select(a => (start - starts[a.Task] - tasks.First(t => t.Code == a.Task).Lasts, a));
                if (waited.Any(w => w.Item1 < w.a.Least || w.Item1 > w.a.Most))
                    continue;
                starts[task.Code] = start;
                foreach (var all in Put(i + 1, starts))
                    yield return all;
                starts.Remove(task.Code);
            }
        }
    }

    private static bool Worked(PlanProblem problem, int start, int lasts) =>
        lasts == 0 || problem.Workers[0].Hours.Any(h => h.From <= start && h.To >= start + lasts);

    private static bool Overlap(int a, int aLasts, int b, int bLasts) => aLasts > 0 && bLasts > 0 && a < b + bLasts && b < a + aLasts;

    /// <summary>Whether every stay from the i-th on finds a place, minute by minute.</summary>
    private static bool Stands(
        PlanProblem problem, Dictionary<string, int> starts, int i, List<(string Place, int From, int To, int Takes)> taken)
    {
        if (i == problem.Stays.Count)
            return true;
        var stay = problem.Stays[i];
        var from = starts[stay.From] + problem.Tasks.First(t => t.Code == stay.From).Lasts;
        var to = stay.Until.Count == 0 ? stay.To : stay.Until.Min(u => starts[u]);
        foreach (var choice in stay.Choices)
        {
            if (to - from < choice.Least || to - from > choice.Most)
                continue;
            var resource = problem.Resources.First(r => r.Code == choice.Place);
            var fits = Enumerable.Range(from, to - from).All(minute =>
                choice.Takes + taken.Where(t => t.Place == choice.Place && t.From <= minute && t.To > minute).Sum(t => t.Takes)
                + resource.Away.Where(a => a.When.From <= minute && a.When.To > minute).Sum(a => a.Takes) <= resource.Has);
            if (fits && Stands(problem, starts, i + 1, [.. taken, (choice.Place, from, to, choice.Takes)]))
                return true;
        }

        return false;
    }

    /// <summary>
    /// Fewest melts, fewer than some, that serve the tasks where they are; null when there are none. Tries every minute for melting and
    /// washing up.
    /// </summary>
    private static int? Melts(PlanProblem problem, Dictionary<string, int> starts, int made, int fewerThan)
    {
        var colour = problem.Colours[0];
        var length = problem.Tasks.ToDictionary(t => t.Code, t => t.Lasts);
        return From(colour.Tasks.OrderBy(t => starts[t]).ToList(), 0, made, [.. starts.Select(s => (s.Value, length[s.Key]))]);

        // Tasks in turn: the first so many from one melt, the rest from later ones.
        int? From(List<string> left, int notBefore, int made, List<(int Start, int Lasts)> busy)
        {
            if (left.Count == 0)
                return made;
            if (made + 1 >= fewerThan)
                return null;
            int? best = null;
            for (var share = left.Count; share >= 1; share--)
            {
                var (first, last) = (starts[left[0]], left.Take(share).Max(t => starts[t] + length[t]));
                for (var melt = notBefore; melt + colour.Lasts + colour.Cools <= first; melt++)
                {
                    if (last > melt + colour.Lasts + colour.Cools + colour.Holds || !Free(melt, colour.Lasts, busy))
                        continue;
                    for (var wash = last; wash + colour.Washes <= problem.Ends; wash++)
                    {
                        if (Overlap(melt, colour.Lasts, wash, colour.Washes) || !Free(wash, colour.Washes, busy))
                            continue;
                        var rest = From(
                            [.. left.Skip(share)], wash + colour.Washes, made + 1, [.. busy, (melt, colour.Lasts), (wash, colour.Washes)]);
                        if (rest is { } found && !(found >= best))
                            best = found;
                    }
                }
            }

            return best;
        }

        bool Free(int start, int lasts, List<(int Start, int Lasts)> busy) =>
            Worked(problem, start, lasts) && !busy.Exists(b => Overlap(b.Start, b.Lasts, start, lasts));
    }
}

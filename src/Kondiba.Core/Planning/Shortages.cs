using System.Text.Json.Serialization;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What kind of thing is short.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Short>))]
public enum Short
{
    /// <summary>Hands.</summary>
    [JsonStringEnumMemberName("hands")]
    Hands,

    /// <summary>Room in a place, or warm pots.</summary>
    [JsonStringEnumMemberName("place")]
    Place,

    /// <summary>Time before a pickup, however many hands there were.</summary>
    [JsonStringEnumMemberName("time")]
    Time,

    /// <summary>A piece does not keep until its pickup.</summary>
    [JsonStringEnumMemberName("keeping")]
    Keeping,

    /// <summary>A task is pinned where it cannot be.</summary>
    [JsonStringEnumMemberName("pin")]
    Pin,
}

/// <summary>Something of which there is not enough for a plan.</summary>
/// <param name="Kind">What kind of thing.</param>
/// <param name="What">What is short, with how much.</param>
/// <param name="Of">Code of the place, the order or the task; null for hands.</param>
/// <param name="From">From when it is short.</param>
/// <param name="To">Until when.</param>
/// <param name="Much">Minutes of hands, trays, or minutes late.</param>
public sealed record Shortage(Short Kind, Message What, string? Of, LocalDateTime From, LocalDateTime To, int Much);

/// <summary>Reads off what is short from a plan that was allowed more than there is.</summary>
internal static class Shortages
{
    public static IReadOnlyList<Shortage> Of(
        PlanProblem problem,
        Solution elastic,
        OrderTasks made,
        PlanClock clock,
        Setting.SettingConstants setting,
        IReadOnlyDictionary<string, string> names) => new Reading(problem, elastic, made, clock, setting, names).All();

    private sealed class Reading(
        PlanProblem problem,
        Solution elastic,
        OrderTasks made,
        PlanClock clock,
        Setting.SettingConstants setting,
        IReadOnlyDictionary<string, string> names)
    {
        private readonly Dictionary<string, PlanTask> tasks = problem.Tasks.ToDictionary(t => t.Code);
        private readonly Dictionary<string, Placed> placed = elastic.Tasks.ToDictionary(t => t.Code);

        public IReadOnlyList<Shortage> All() => [.. Times(), .. Keeping(), .. Standing(), .. Pins(), .. Hands(), .. Places()];

        private string Order(string task) => made.Info[task].Order is { } order ? names.GetValueOrDefault(order, order) : "";

        private IEnumerable<Shortage> Hands() =>
            from task in elastic.All
            where task.Worker == Elastic.Nobody
            group task by clock.At(task.Start).Date into day
            orderby day.Key
            let much = day.Sum(t => t.End - t.Start)
            select new Shortage(
                Short.Hands,
                Message.Of("planning.hands-missing", ("day", day.Key), ("much", Duration.FromMinutes(much))),
                null,
                clock.At(day.Min(t => t.Start)),
                clock.At(day.Max(t => t.End)),
                much);

        private IEnumerable<Shortage> Places()
        {
            foreach (var resource in problem.Resources)
            {
                var taken = Taken(problem, elastic, resource.Code).ToList();
                var gone = taken.Concat(resource.Away).ToList();
                var over = Minutes.Between(gone.SelectMany(t => new[] { t.When.From, t.When.To }))
                    .Select(span => (When: span, Much: gone.Where(t => t.When.Holds(span)).Sum(t => t.Takes) - resource.Has)).Where(
                        s => s.Much > 0).ToList();
                if (over.Count == 0)
                    continue;
                var (from, to, much) = (clock.At(
                    over[0].When.From), clock.At(over[^1].When.To), (int)Math.Ceiling(over.Max(o => o.Much) / (double)resource.Unit));
                var (place, full) = PlaceOf(resource.Code);
                yield return new(
                    Short.Place,
                    Message.Of(full, ("place", setting.NameOf(place)), ("from", from), ("to", to), ("much", much)),
                    place,
                    from,
                    to,
                    much);
            }
        }

        private IEnumerable<Shortage> Times() =>
            from task in elastic.Tasks
            let late = task.End - tasks[task.Code].Latest
            where late > 0 && !tasks[task.Code].Done
            group (task, late) by made.Info[task.Code].Order into order
            let most = order.MaxBy(t => t.late)
            let ready = clock.At(most.task.End)
            select new Shortage(
                Short.Time,
                Message.Of(
                    "planning.not-ready-before",
                    ("order", Order(most.task.Code)),
                    ("ready", ready),
                    ("late", Duration.FromMinutes(most.late))),
                order.Key,
                clock.At(tasks[most.task.Code].Latest),
                ready,
                most.late);

        private IEnumerable<Shortage> Keeping() =>
            from task in elastic.Tasks
            let soon = tasks[task.Code].Earliest - task.Start
            where soon > 0 && !tasks[task.Code].Done
            let limit = clock.At(tasks[task.Code].Earliest)
            select new Shortage(
                Short.Keeping,
                Message.Of("planning.does-not-keep", ("task", made.Info[task.Code].Title), ("limit", limit), ("order", Order(task.Code))),
                task.Code,
                clock.At(task.Start),
                limit,
                soon);

        private IEnumerable<Shortage> Standing() =>
            from task in elastic.Tasks
            from after in tasks[task.Code].After
            where after.Most is not null
            let ready = placed[after.Task].End
            let over = task.Start - ready - after.Most!.Value
            where over > 0
            group (Ready: ready, Most: after.Most!.Value, Over: over) by after.Task into of
            let longest = of.MaxBy(o => o.Over)
            select new Shortage(
                Short.Keeping,
                Message.Of(
                    "planning.stands-too-long",
                    ("task", made.Info[of.Key].Title),
                    ("most", Duration.FromMinutes(longest.Most)),
                    ("stands", Duration.FromMinutes(longest.Most + longest.Over)),
                    ("order", Order(of.Key))),
                of.Key,
                clock.At(longest.Ready + longest.Most),
                clock.At(longest.Ready + longest.Most + longest.Over),
                longest.Over);

        private IEnumerable<Shortage> Pins() =>
            from task in elastic.Tasks
            where tasks[task.Code] is { At: { } at, Done: false } && at != task.Start
            select new Shortage(
                Short.Pin,
                Message.Of(
                    "planning.pinned-where-it-cannot-be",
                    ("task", made.Info[task.Code].Title),
                    ("at", clock.At(tasks[task.Code].At!.Value)),
                    ("instead", clock.At(task.Start))),
                task.Code,
                clock.At(tasks[task.Code].At!.Value),
                clock.At(task.Start),
                Math.Abs(task.Start - tasks[task.Code].At!.Value));
    }

    /// <summary>What is taken of a resource, from when to when.</summary>
    public static IEnumerable<Away> Taken(PlanProblem problem, Solution solution, string resource)
    {
        Placed Task(string code) => solution.Tasks.First(t => t.Code == code);
        return solution.Stood.Where(s => s.Place == resource).Select(s => new Away(new(s.Start, s.End), s.Takes))
            .Concat(problem.Uses.Where(u => u.Resource == resource)
                .Select(u => new Away(new(Task(u.From).Start, Task(u.Until).End), u.Takes)))
            .Concat(solution.Melts.Where(m => problem.Colours.First(c => c.Code == m.Colour).Takes.Contains(resource))
                .Select(m => new Away(new(m.Melt.Start, m.Wash.End), 1)));
    }

    /// <summary>Code of a resource's place, and of the sentence that says it is full.</summary>
    public static (string Place, string Full) PlaceOf(string resource)
    {
        if (resource.StartsWith("place.", StringComparison.Ordinal))
            return (resource["place.".Length..], "planning.place-is-full");
        return resource.StartsWith("mould.", StringComparison.Ordinal)
            ? (resource, "planning.moulds-are-in-use")
            : ("pots", "planning.every-pot-is-in-use");
    }

}

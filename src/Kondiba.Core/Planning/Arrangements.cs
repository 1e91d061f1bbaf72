using System.Text.Json.Serialization;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What the maker said about a task.</summary>
/// <param name="At">It starts then, whatever else is moved.</param>
/// <param name="NotBefore">It does not start before.</param>
/// <param name="Done">When it was done.</param>
/// <param name="Place">Code of the place where its tray stands, as far as it can stand there.</param>
/// <param name="Pieces">For how many pieces it was done: when there are more by now, it is not.</param>
/// <param name="Title">What the task was called then: it is named by that when there is no such task any more.</param>
public sealed record TaskMark(
    LocalDateTime? At = null,
    LocalDateTime? NotBefore = null,
    LocalDateTime? Done = null,
    string? Place = null,
    int? Pieces = null,
    string? Title = null);

/// <summary>Other hours on one day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Hours">Its hours; null when nobody works.</param>
public sealed record HoursOn(LocalDate Day, DayHours? Hours);

/// <summary>A helper on one day.</summary>
/// <param name="Day">The day.</param>
/// <param name="Hours">From when to when.</param>
public sealed record HelperOn(LocalDate Day, DayHours Hours);

/// <summary>More or less of a place for a while.</summary>
/// <param name="Place">Code of the place, or "pots".</param>
/// <param name="Change">Trays or pots more; fewer when negative.</param>
/// <param name="From">From then.</param>
/// <param name="To">Until then.</param>
public sealed record PlaceOn(string Place, int Change, LocalDateTime From, LocalDateTime To);

/// <summary>What the maker has arranged: the plan is made round it.</summary>
/// <param name="Tasks">Of tasks, by their code.</param>
/// <param name="Hours">Days with other hours than usual.</param>
/// <param name="Helpers">Who helps.</param>
/// <param name="Places">Places that are away, or that there are more of.</param>
public sealed record Arrangements(
    IReadOnlyDictionary<string, TaskMark> Tasks,
    IReadOnlyList<HoursOn> Hours,
    IReadOnlyList<HelperOn> Helpers,
    IReadOnlyList<PlaceOn> Places)
{
    /// <summary>Nothing was said.</summary>
    public static Arrangements None { get; } = new(new Dictionary<string, TaskMark>(), [], [], []);

    /// <summary>How many things are arranged.</summary>
    [JsonIgnore]
    public int Count => Tasks.Count + Hours.Count + Helpers.Count + Places.Count;

    /// <summary>Hours of a day, other ones or the usual; null when nobody works.</summary>
    public DayHours? HoursOf(LocalDate day, Working usual) =>
        Hours.LastOrDefault(h => h.Day == day) is { } other ? other.Hours : usual.On(day);

    /// <summary>The order that a task is of, by its code; null for what orders share.</summary>
    /// <param name="task">Code of the task.</param>
    public static string? OrderOf(string task) => task.Split('/') is [var order, _, ..] ? order : null;

    /// <summary>As much of it as is still of use: nothing of a day that is over, or of an order that is no longer to be made.</summary>
    /// <param name="now">The kitchen's clock.</param>
    /// <param name="orders">Codes of the orders to be made.</param>
    public Arrangements Still(LocalDateTime now, IReadOnlyCollection<string> orders) => new(
        Tasks.Where(t => OrderOf(t.Key) is not { } order || orders.Contains(order)).ToDictionary(),
        [.. Hours.Where(h => h.Day >= now.Date)],
        [.. Helpers.Where(h => h.Day >= now.Date)],
        [.. Places.Where(p => p.To > now)]);

    /// <summary>The same after something was told of its tasks.</summary>
    /// <param name="told">What was told, in turn.</param>
    public Arrangements With(IEnumerable<TaskTold> told)
    {
        var marks = Tasks.ToDictionary();
        foreach (var one in told.Where(t => t.IsOfAll))
            marks[one.Task] = (marks.GetValueOrDefault(one.Task) ?? new()) with
            {
                Done = one.Act is TaskAct.Done ? one.At : null,
                Pieces = null,
            };
        return this with { Tasks = marks };
    }

    /// <summary>
    /// The same with what follows from it: what was dipped came from a pot that had been melted, so that pot is warm and is not melted
    /// again for what is left to dip.
    /// </summary>
    /// <param name="plan">The plan that the marks were made on.</param>
    public Arrangements Following(Plan plan)
    {
        var tasks = plan.Tasks.ToDictionary(t => t.What.Code);
        var marks = Tasks.ToDictionary();
        foreach (var melt in plan.Melts)
        {
            var melting = tasks[melt.Code];
            var dipped = melt.Tasks.Where(t => marks.GetValueOrDefault(t)?.Done is not null).ToList();
            if (dipped.Count == 0 || marks.GetValueOrDefault(melt.Code)?.Done is not null)
                continue;

            // When it was planned, or as much sooner as the first of them was dipped sooner.
            var sooner = dipped.Select(t => Period.Between(marks[t].Done!.Value, tasks[t].Ends, PeriodUnits.Minutes).Minutes)
                .Append(0)
                .Max();
            marks[melt.Code] = new(Done: melting.Ends.PlusMinutes(-sooner));
        }

        return this with { Tasks = marks };
    }
}

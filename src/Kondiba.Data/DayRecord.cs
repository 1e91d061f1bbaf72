using Kondiba.Core.Planning;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Data;

/// <summary>
/// What the scope's kitchen has arranged, and what it told of its steps. What is done is read from the events, everything else from the
/// kitchen's row.
/// </summary>
public sealed class DayRecord(KondibaContext db)
{
    /// <summary>The kitchen's row, to be read or changed; there is one as soon as something is kept.</summary>
    public async Task<DayPlan> RowAsync()
    {
        var row = await db.DayPlans.AsTracking().SingleOrDefaultAsync(db.Gone);
        if (row is not null)
            return row;
        row = new() { KitchenId = db.KitchenId };
        db.Add(row);
        return row;
    }

    /// <summary>As much as is still of use, and the version that it is of.</summary>
    /// <param name="now">The kitchen's clock.</param>
    /// <param name="orders">Codes of the orders that are still to be made.</param>
    public async Task<(int Version, Arrangements Arranged)> ReadAsync(LocalDateTime now, IReadOnlyCollection<string> orders)
    {
        var since = now.Date.PlusDays(-1).AtMidnight();
        var told = await db.TaskEvents.AsNoTracking()
            .Where(e => e.Order == null ? e.At >= since : orders.Contains(e.Order))
            .Where(e => e.Act == TaskAct.Done || e.Act == TaskAct.Undone)
            .GroupBy(e => e.Task)
            .Select(g => g.OrderByDescending(e => e.Version).ThenByDescending(e => e.Turn).First())
            .ToListAsync(db.Gone);
        var row = await db.DayPlans.AsNoTracking().SingleOrDefaultAsync(db.Gone) ?? new();
        return (row.Version, With(row.Arranged, told).Still(now, orders));
    }

    /// <summary>By task, what was counted of what is open.</summary>
    /// <param name="orders">Codes of the orders that are still to be made.</param>
    public async Task<IReadOnlyDictionary<string, TaskProgress>> ProgressAsync(IReadOnlyCollection<string> orders) =>
        TaskProgress.Of(await db.TaskEvents.AsNoTracking()
            .Where(e => e.Order != null && orders.Contains(e.Order) && e.Count != null)
            .Select(e => new TaskTold(e.Id, e.Task, e.Act, e.At, e.Count))
            .ToListAsync(db.Gone));

    /// <summary>Takes down what was counted. Nothing is saved yet.</summary>
    /// <param name="told">What was counted.</param>
    /// <param name="at">When it came in.</param>
    /// <param name="by">Who told it.</param>
    public void Count(IEnumerable<TaskTold> told, Instant at, Guid? by)
    {
        foreach (var one in told)
            Add(one, null, 0, at, by);
    }

    /// <summary>
    /// Keeps arrangements: what was told as it was told, and whatever else is done now and was not, or no longer is, as events
    /// too. Nothing is saved yet.
    /// </summary>
    /// <param name="row">The kitchen's row.</param>
    /// <param name="wanted">All of it, as it is to be.</param>
    /// <param name="before">As it was.</param>
    /// <param name="at">When it came in.</param>
    /// <param name="by">Who arranged it.</param>
    /// <param name="told">What was told, in turn.</param>
    public void Keep(DayPlan row, Arrangements wanted, Arrangements before, Instant at, Guid? by, params IReadOnlyList<TaskTold> told)
    {
        var marks = wanted.Tasks.ToDictionary(t => t.Key, t => t.Value with { Done = null, Pieces = null });
        row.Arranged = wanted with { Tasks = marks.Where(m => m.Value with { Title = null } != new TaskMark()).ToDictionary() };
        row.Version++;
        foreach (var one in told)
            Add(one, wanted.Tasks.GetValueOrDefault(one.Task), row.Version, at, by);
        foreach (var task in wanted.Tasks.Keys.Union(before.Tasks.Keys).Except(told.Select(t => t.Task)))
        {
            var (now, was) = (wanted.Tasks.GetValueOrDefault(task), before.Tasks.GetValueOrDefault(task));
            if (now?.Done is { } done && (done != was?.Done || now.Pieces != was.Pieces))
                Add(new(Guid.CreateVersion7(), task, TaskAct.Done, done), now, row.Version, at, by);
            else if (now?.Done is null && was?.Done is { } undone)
                Add(new(Guid.CreateVersion7(), task, TaskAct.Undone, undone), was, row.Version, at, by);
        }
    }

    /// <summary>
    /// Writes an event down; <paramref name="version"/> is of the arrangements that it came with, 0 where it changed none.
    /// </summary>
    private void Add(TaskTold one, TaskMark? mark, int version, Instant at, Guid? by) => db.Add(new TaskEvent
    {
        Id = one.Id,
        KitchenId = db.KitchenId,
        Version = version,
        Turn = db.TaskEvents.Local.Count,
        Task = one.Task,
        Order = Arrangements.OrderOf(one.Task),
        Act = one.Act,
        At = one.At,
        Pieces = one.Act is TaskAct.Done ? mark?.Pieces : null,
        Count = one.Count,
        Title = mark?.Title,
        PersonId = by,
        RecordedAt = at,
    });

    private static Arrangements With(Arrangements arranged, List<TaskEvent> told)
    {
        var marks = arranged.Tasks.ToDictionary();
        foreach (var done in told.Where(e => e.Act is TaskAct.Done))
            marks[done.Task] = done.On(marks.GetValueOrDefault(done.Task));
        return arranged with { Tasks = marks };
    }
}

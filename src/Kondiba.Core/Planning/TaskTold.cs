using System.Text.Json.Serialization;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>What can be told of a task while it is carried out.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<TaskAct>))]
public enum TaskAct
{
    /// <summary>It is done.</summary>
    [JsonStringEnumMemberName("done")]
    Done,

    /// <summary>It is not done after all.</summary>
    [JsonStringEnumMemberName("undone")]
    Undone,

    /// <summary>So many more of its pieces are made; fewer, where one was counted too many.</summary>
    [JsonStringEnumMemberName("made")]
    Made,

    /// <summary>So many more of its pieces went wrong.</summary>
    [JsonStringEnumMemberName("spoilt")]
    Spoilt,

    /// <summary>Its tray was looked at and has not set; it wants so many minutes more.</summary>
    [JsonStringEnumMemberName("notYet")]
    NotYet,
}

/// <summary>Something told of a task while it is carried out.</summary>
/// <param name="Id">Chosen by whoever tells it, so that it counts once however often it is told.</param>
/// <param name="Task">Code of the task.</param>
/// <param name="Act">What of it.</param>
/// <param name="At">When, by the kitchen's clock.</param>
/// <param name="Count">Pieces made or spoilt, or minutes that a tray wants; null where it is done or undone.</param>
public sealed record TaskTold(Guid Id, string Task, TaskAct Act, LocalDateTime At, int? Count = null)
{
    /// <summary>Most pieces or minutes that are told at once.</summary>
    public const int MostCounted = 2000;

    /// <summary>Whether it is told of the step as a whole, and not counted.</summary>
    [JsonIgnore]
    public bool IsOfAll => Act is TaskAct.Done or TaskAct.Undone;
}

/// <summary>How far a step is while it is carried out.</summary>
/// <param name="Made">Pieces that are made.</param>
/// <param name="Spoilt">Pieces that went wrong.</param>
/// <param name="LookAt">When its tray is to be looked at again, where it was looked at and had not set; null else.</param>
public sealed record TaskProgress(int Made, int Spoilt, LocalDateTime? LookAt)
{
    /// <summary>By task, what was counted of it.</summary>
    /// <param name="told">What was told, in any order: pieces add up, and of looks the latest holds.</param>
    public static IReadOnlyDictionary<string, TaskProgress> Of(IEnumerable<TaskTold> told) =>
        told.Where(t => !t.IsOfAll).GroupBy(t => t.Task).ToDictionary(
            task => task.Key,
            task => new TaskProgress(
                Math.Max(0, Counted(task, TaskAct.Made)),
                Math.Max(0, Counted(task, TaskAct.Spoilt)),
                task.Where(t => t.Act is TaskAct.NotYet).MaxBy(t => t.At) is { } look ? look.At.PlusMinutes(look.Count ?? 0) : null));

    private static int Counted(IEnumerable<TaskTold> told, TaskAct act) => told.Where(t => t.Act == act).Sum(t => t.Count ?? 0);
}

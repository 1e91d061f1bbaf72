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
}

/// <summary>Something told of a task while it is carried out.</summary>
/// <param name="Id">Chosen by whoever tells it, so that it counts once however often it is told.</param>
/// <param name="Task">Code of the task.</param>
/// <param name="Act">What of it.</param>
/// <param name="At">When, by the kitchen's clock.</param>
public sealed record TaskTold(Guid Id, string Task, TaskAct Act, LocalDateTime At);

using Kondiba.Core.Planning;
using NodaTime;

namespace Kondiba.Data;

/// <summary>Something that was told of a step while it was carried out. What was told is only ever added to.</summary>
public sealed class TaskEvent : IOfKitchen
{
    /// <summary>Chosen by whoever tells it: told twice, it is there once.</summary>
    public required Guid Id { get; init; }

    public Guid KitchenId { get; init; }

    /// <summary>The version of the day's arrangements that it came with.</summary>
    public int Version { get; init; }

    /// <summary>In which turn it came, of those that came together.</summary>
    public int Turn { get; init; }

    /// <summary>Code of the step.</summary>
    public required string Task { get; init; }

    /// <summary>The order that the step is of, by its code; null for what orders share.</summary>
    public string? Order { get; init; }

    public TaskAct Act { get; init; }

    /// <summary>When, by the kitchen's clock.</summary>
    public LocalDateTime At { get; init; }

    /// <summary>For how many pieces.</summary>
    public int? Pieces { get; init; }

    /// <summary>Pieces that were made or spoilt, or minutes that a tray wants more.</summary>
    public int? Count { get; init; }

    /// <summary>What the step was called.</summary>
    public string? Title { get; init; }

    /// <summary>Who told it; null by key or in the sample kitchen.</summary>
    public Guid? PersonId { get; init; }

    /// <summary>When it came in.</summary>
    public Instant RecordedAt { get; init; }

    /// <summary>It as a mark.</summary>
    /// <param name="mark">What else was said of the step.</param>
    public TaskMark On(TaskMark? mark) => (mark ?? new()) with { Done = At, Pieces = Pieces, Title = Title ?? mark?.Title };
}

using Kondiba.Core.Logbook;
using NodaTime;

namespace Kondiba.Data;

/// <summary>A batch in a kitchen's logbook.</summary>
public sealed class KitchenBatch : IOfKitchen
{
    /// <summary>Chosen by whoever logs it: logged twice, it is there once.</summary>
    public Guid Id { get; init; }

    public Guid KitchenId { get; init; }

    public LocalDate MadeOn { get; set; }

    /// <summary>As the maker logged it.</summary>
    public required Batch Batch { get; set; }

    /// <summary>What was expected of it when it was logged.</summary>
    public required BatchExpected Expected { get; set; }

    public Instant LoggedAt { get; init; }

    /// <summary>When it was deleted; it can be restored.</summary>
    public Instant? RemovedAt { get; set; }

    public uint Version { get; init; }

    /// <summary>As the logbook reads it.</summary>
    public LoggedBatch Logged => new(Id, Batch, Expected);
}

using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>Minutes of a plan, counted from a midnight; a night in which the clocks change has as many as pass in it.</summary>
/// <param name="Origin">The midnight.</param>
/// <param name="Zone">The kitchen's zone.</param>
internal readonly record struct PlanClock(LocalDate Origin, DateTimeZone Zone)
{
    /// <summary>The moment of a minute.</summary>
    public LocalDateTime At(int minute) => Start.Plus(Duration.FromMinutes(minute)).LocalDateTime;

    /// <summary>The minute at or after a moment.</summary>
    public int Up(LocalDateTime at) => (int)Math.Ceiling(Since(at).TotalMinutes);

    /// <summary>The minute at or before a moment.</summary>
    public int Down(LocalDateTime at) => (int)Math.Floor(Since(at).TotalMinutes);

    private ZonedDateTime Start => Zone.AtStartOfDay(Origin);

    private Duration Since(LocalDateTime at) => at.InZoneLeniently(Zone) - Start;
}

using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>Minutes of a plan, counted from a midnight by the kitchen's clock.</summary>
/// <param name="Origin">The midnight.</param>
internal readonly record struct PlanClock(LocalDate Origin)
{
    /// <summary>The moment of a minute.</summary>
    public LocalDateTime At(int minute) => Origin.AtMidnight().PlusMinutes(minute);

    /// <summary>The minute at or after a moment.</summary>
    public int Up(LocalDateTime at) => (int)Math.Ceiling(Seconds(at) / 60.0);

    /// <summary>The minute at or before a moment.</summary>
    public int Down(LocalDateTime at) => (int)Math.Floor(Seconds(at) / 60.0);

    private long Seconds(LocalDateTime at) => Period.Between(Origin.AtMidnight(), at, PeriodUnits.Seconds).Seconds;
}

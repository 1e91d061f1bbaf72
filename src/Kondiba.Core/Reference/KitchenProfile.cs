using Kondiba.Core.Facts;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>How a kitchen goes about its work.</summary>
/// <param name="Working">Hours, hands and warm places.</param>
/// <param name="Habits">What is usually done here.</param>
public sealed record KitchenProfile(Working Working, Habits Habits)
{
    /// <summary>A kitchen about which nothing has been told: at work every day between the usual hours.</summary>
    public static KitchenProfile Usual(ReferenceData reference) => new(
        new(
            [.. Enumerable.Repeat(new WeekDay(new(At(reference.Prep.DayFrom), At(reference.Prep.DayTo))), 7)],
            (int)reference.Planning.Pots.Value.Si,
            (int)reference.Planning.Wells.Value.Si),
        new("compound-wafer-hot-flow"));

    private static LocalTime At(Sourced<Duration> hour) => LocalTime.Midnight.PlusMinutes((long)hour.Value.TotalMinutes);
}

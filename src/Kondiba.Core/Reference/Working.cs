using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>From when to when hands work on a day.</summary>
/// <param name="From">First moment.</param>
/// <param name="To">Last moment.</param>
public sealed record DayHours(LocalTime From, LocalTime To);

/// <summary>A day of the week.</summary>
/// <param name="Hours">From when to when; null when nobody works.</param>
public sealed record WeekDay(DayHours? Hours);

/// <summary>How a kitchen works: its hours, its hands and its warm places.</summary>
/// <param name="Days">Each weekday, Monday first.</param>
/// <param name="Pots">Colours that can be kept warm at once, however much of each.</param>
/// <param name="Wells">Further ones of which there is only little, such as for drizzle.</param>
/// <param name="Pace">
/// Where the maker's hands are faster or slower than the tables: times by which every duration is multiplied, by the stage's name.
/// </param>
public sealed record Working(IReadOnlyList<WeekDay> Days, int Pots, int Wells, IReadOnlyDictionary<string, double>? Pace = null)
{
    /// <summary>Hours of a day; null when nobody works.</summary>
    public DayHours? On(LocalDate day) => Days[(int)day.DayOfWeek - 1].Hours;

    /// <summary>How much longer than in the tables a stage takes.</summary>
    public double PaceOf(Stage stage) => Pace?.GetValueOrDefault(NameOf(stage), 1) ?? 1;

    /// <summary>A stage as the API and the kitchen's own data name it.</summary>
    public static string NameOf(Stage stage) => stage.ToString().ToLowerInvariant();
}

/// <summary>Constants of planning.</summary>
/// <param name="Pots">Colours that are kept warm at once where nothing was said.</param>
/// <param name="Wells">Further ones, of which there is little.</param>
/// <param name="WellHolds">How much of a colour is little.</param>
/// <param name="Holds">How long a melt stays fit then.</param>
/// <param name="Longest">Work is divided so that no part takes the hands longer.</param>
/// <param name="Fresh">
/// What it is worth in time of the hands that a piece is still at its best when it is collected, and not at the end of its life.
/// </param>
/// <param name="Spare">What each minute is worth by which an order is ready before it must be, up to the usual margin.</param>
/// <param name="Late">What it is worth in time of the hands that a piece is dipped an hour later, however fresh it is anyhow.</param>
/// <param name="Ease">So much sooner than an order would like to be ready, nothing is put off for that: no idling before a rush.</param>
/// <param name="Moved">What it is worth that a task stays where it was, for each minute that it would be moved.</param>
/// <param name="Carry">What it is worth that trays need not be carried to a cold place, watched and carried back.</param>
/// <param name="Stacked">Trays of pieces that, packed in boxes, take the room of one.</param>
/// <param name="Same">However long pieces keep, nobody likes them dipped longer before they are collected.</param>
/// <param name="AtHand">What has set, or is ready to use, goes on within so long, better than hours later.</param>
/// <param name="Open">What is dipped may stand unpacked so long, under cover.</param>
/// <param name="Overdue">An order that should have been handed over is planned for within so long.</param>
/// <param name="Warm">What it is worth in time of the hands that a pot does not stand warm for a quarter of an hour.</param>
/// <param name="Meals">When the maker eats.</param>
public sealed record PlanConstants(
    Sourced<Share> Pots,
    Sourced<Share> Wells,
    Sourced<Mass> WellHolds,
    Sourced<Duration> Holds,
    Sourced<Duration> Longest,
    Sourced<Duration> Fresh,
    Sourced<Share> Spare,
    Sourced<Duration> Late,
    Sourced<Duration> Ease,
    Sourced<Share> Moved,
    Sourced<Duration> Carry,
    Sourced<Share> Stacked,
    Sourced<Duration> Same,
    Sourced<Duration> AtHand,
    Sourced<Duration> Open,
    Sourced<Duration> Overdue,
    Sourced<Duration> Warm,
    IReadOnlyList<Meal> Meals);

/// <summary>A meal: on a day of work that goes on before and after it, the hands rest.</summary>
/// <param name="From">From so long after midnight.</param>
/// <param name="To">Until so long after midnight.</param>
/// <param name="Lasts">How long the hands rest.</param>
public sealed record Meal(Sourced<Duration> From, Sourced<Duration> To, Sourced<Duration> Lasts);

using System.Text.Json.Serialization;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>A task with its time.</summary>
/// <param name="What">What it is.</param>
/// <param name="Starts">When, by the kitchen's clock.</param>
/// <param name="Ends">When the hands are done with it.</param>
/// <param name="Worker">Who does it: "me", "helper.1" or "nobody"; null when it wants no hands.</param>
/// <param name="Slack">By how much it could be later, everything else staying where it is.</param>
/// <param name="Mark">What the maker said about it; null for nothing.</param>
public sealed record DayTask(TaskInfo What, LocalDateTime Starts, LocalDateTime Ends, string? Worker, Duration Slack, TaskMark? Mark);

/// <summary>Trays that stand in a place.</summary>
/// <param name="Task">Code of the task whose pieces they are.</param>
/// <param name="Order">Code of the order.</param>
/// <param name="Title">What is on them.</param>
/// <param name="Place">Code of the place.</param>
/// <param name="Trays">Room that they take, in trays; a part of one when they are packed and stacked.</param>
/// <param name="Pieces">Pieces on them.</param>
/// <param name="Pots">Keys of the colours that are seen.</param>
/// <param name="Starts">From when.</param>
/// <param name="Ends">Until when.</param>
/// <param name="Set">When they have set; null when they only stand there.</param>
/// <param name="OutBy">When they must have come out, or they sweat; null where they cannot.</param>
/// <param name="UseBy">When they must have been used; null when they keep, or only set.</param>
/// <param name="Dry">When they are touch-dry; null when they only stand there.</param>
public sealed record DayTray(
    string Task,
    string Order,
    string Title,
    string Place,
    double Trays,
    int Pieces,
    IReadOnlyList<string> Pots,
    LocalDateTime Starts,
    LocalDateTime Ends,
    LocalDateTime? Set,
    LocalDateTime? OutBy,
    LocalDateTime? UseBy = null,
    LocalDateTime? Dry = null);

/// <summary>A melt of a colour: warm from melting to washing up.</summary>
/// <param name="Pot">"coating.colour".</param>
/// <param name="Number">Which melt of that colour.</param>
/// <param name="ToMelt">All of it.</param>
/// <param name="Starts">When melting begins.</param>
/// <param name="Ready">From when it can be dipped in.</param>
/// <param name="Ends">When it is washed up.</param>
/// <param name="Tasks">Codes of the tasks that are done from it.</param>
/// <param name="Vessel">Code of the vessel that it stands in; null when it is only drawn from a bag.</param>
/// <param name="Level">How high it stands there; null likewise.</param>
/// <param name="UseFrom">Coolest it is dipped in; drawn with, where it is only drawn from a bag.</param>
/// <param name="UseTo">Warmest it is.</param>
/// <param name="OnPieces">Of it, on pieces, spoilt ones too.</param>
/// <param name="Pool">Of it, what must still stand in the vessel for the last piece.</param>
public sealed record DayMelt(
    string Pot,
    int Number,
    Mass ToMelt,
    LocalDateTime Starts,
    LocalDateTime Ready,
    LocalDateTime Ends,
    IReadOnlyList<string> Tasks,
    string? Vessel,
    Length? Level,
    Temperature? UseFrom = null,
    Temperature? UseTo = null,
    Mass? OnPieces = null,
    Mass? Pool = null)
{
    /// <summary>Code of the task that melts it.</summary>
    [JsonIgnore]
    public string Code => Melted.MeltOf(Pot, Number);

    /// <summary>Code of the task that washes up after it.</summary>
    [JsonIgnore]
    public string WashCode => Melted.WashOf(Pot, Number);
}

/// <summary>How an order comes out.</summary>
/// <param name="Order">Its code.</param>
/// <param name="Pickup">When it is collected.</param>
/// <param name="Ready">When its last task is done.</param>
public sealed record DayOrder(string Order, LocalDateTime Pickup, LocalDateTime Ready);

/// <summary>How much there is of a place.</summary>
/// <param name="Place">Its code: "fridge", "pots".</param>
/// <param name="Name">As the maker calls it.</param>
/// <param name="Has">Trays or pots.</param>
/// <param name="Full">When there is no room for another.</param>
public sealed record DayPlace(string Place, string Name, int Has, IReadOnlyList<Between> Full);

/// <summary>From one moment to another.</summary>
public sealed record Between(LocalDateTime From, LocalDateTime To);

/// <summary>When somebody works on a day, and how long their hands are busy.</summary>
/// <param name="Worker">"me" or a helper.</param>
/// <param name="Hours">From when to when.</param>
/// <param name="Busy">Time of the hands.</param>
public sealed record DayHands(string Worker, Between Hours, Duration Busy);

/// <summary>A plan: what is done when, by whom, and what stands where.</summary>
/// <param name="Outcome">How the search for it came out.</param>
/// <param name="Gap">How far it may be from the best, as a share of its cost.</param>
/// <param name="Tasks">By time.</param>
/// <param name="Trays">By time.</param>
/// <param name="Melts">By time.</param>
/// <param name="Orders">By pickup.</param>
/// <param name="Places">The places, pots last.</param>
/// <param name="Hands">By day.</param>
/// <param name="Shortages">What is short, when nothing fits; the tasks are then as they would be with it.</param>
/// <param name="Problems">What should be minded.</param>
public sealed record Plan(
    Outcome Outcome,
    double Gap,
    IReadOnlyList<DayTask> Tasks,
    IReadOnlyList<DayTray> Trays,
    IReadOnlyList<DayMelt> Melts,
    IReadOnlyList<DayOrder> Orders,
    IReadOnlyList<DayPlace> Places,
    IReadOnlyList<DayHands> Hands,
    IReadOnlyList<Shortage> Shortages,
    IReadOnlyList<Problem> Problems);

using System.Text.Json.Serialization;

namespace Kondiba.Core.Planning;

/// <summary>A span of minutes, counted from the plan's start.</summary>
/// <param name="From">Its first minute.</param>
/// <param name="To">The minute after its last.</param>
public readonly record struct Minutes(int From, int To)
{
    /// <summary>The spans between marks, in order: within each of them nothing that begins or ends at a mark changes.</summary>
    public static IEnumerable<Minutes> Between(IEnumerable<int> marks)
    {
        int[] inOrder = [.. marks.Distinct().Order()];
        return inOrder.Zip(inOrder.Skip(1), (a, b) => new Minutes(a, b));
    }

    /// <summary>Whether all of another span lies in this one.</summary>
    public bool Holds(Minutes other) => From <= other.From && To >= other.To;
}

/// <summary>Somebody's hands.</summary>
/// <param name="Code">Name in the plan.</param>
/// <param name="Hours">When they work, in order and apart.</param>
/// <param name="Cost">What a minute of theirs costs besides; the maker's own cost nothing.</param>
/// <param name="Rests">When they rest.</param>
public sealed record Worker(string Code, IReadOnlyList<Minutes> Hours, int Cost = 0, IReadOnlyList<Rest>? Rests = null);

/// <summary>A while in which somebody rests, if it can be.</summary>
/// <param name="Within">Some time in this span.</param>
/// <param name="Lasts">Minutes.</param>
/// <param name="Cost">What it costs to go without.</param>
public sealed record Rest(Minutes Within, int Lasts, int Cost);

/// <summary>That some of a resource is not there for a while, or is taken.</summary>
/// <param name="When">For how long.</param>
/// <param name="Takes">How much of it.</param>
public sealed record Away(Minutes When, int Takes);

/// <summary>Something of which there is only so much at a time: tray room in a place, warm pots, moulds.</summary>
/// <param name="Code">Name in the plan.</param>
/// <param name="Has">How much there is at most.</param>
/// <param name="Away">When some of it is not there; together never more than there is.</param>
/// <param name="More">How much more could be had, at a cost; for finding out what is short.</param>
/// <param name="Unit">How much of it is one, as it is spoken of: a tray, a pot.</param>
public sealed record Resource(string Code, int Has, IReadOnlyList<Away> Away, int More = 0, int Unit = 1);

/// <summary>That a task comes after another.</summary>
/// <param name="Task">Code of the one before.</param>
/// <param name="Least">Minutes that pass at least from its end.</param>
/// <param name="Most">Minutes that may pass; null when nothing is lost by waiting.</param>
/// <param name="Best">Minutes that had better pass at most.</param>
/// <param name="Ages">What each hour more costs, a begun one too; 0 when nothing is lost.</param>
public sealed record Follows(string Task, int Least = 0, int? Most = null, int Best = 0, int Ages = 0);

/// <summary>Work of one pair of hands, in one go.</summary>
/// <param name="Code">Unique in the plan, and the same in the next.</param>
/// <param name="Lasts">Minutes.</param>
/// <param name="After">What comes before it.</param>
/// <param name="Earliest">First minute at which it can start.</param>
/// <param name="Latest">Minute by which it must have ended.</param>
/// <param name="By">Whose hands can do it; null for anybody's.</param>
/// <param name="At">The minute it starts at, when it is pinned, under way or done.</param>
/// <param name="Best">Minute before which it had better not end, as its pieces are no longer at their best when they are collected.</param>
/// <param name="Ages">What each hour costs, a begun one too, by which it ends before <paramref name="Best"/>.</param>
/// <param name="Done">Whether it is done: it no longer wants hands.</param>
/// <param name="Begun">Whether it is under way: it started before the plan does, and may be outside its limits.</param>
/// <param name="Soft">
/// What a minute costs outside its limits, or away from where it is pinned; 0 when they hold. For finding out what is short.
/// </param>
public sealed record PlanTask(
    string Code,
    int Lasts,
    IReadOnlyList<Follows> After,
    int Earliest,
    int Latest,
    IReadOnlyList<string>? By = null,
    int? At = null,
    int Best = 0,
    int Ages = 0,
    bool Done = false,
    bool Begun = false,
    int Soft = 0);

/// <summary>Where something can stand.</summary>
/// <param name="Place">Code of the resource.</param>
/// <param name="Takes">How much of it that takes.</param>
/// <param name="Least">Minutes that it stands there at least.</param>
/// <param name="Most">Minutes that it may; null when nothing is lost by waiting.</param>
/// <param name="Cost">What it costs to choose it.</param>
/// <param name="Dry">Minutes until a coat is touch-dry; null where none sets.</param>
public sealed record Standing(string Place, int Takes, int Least, int? Most = null, int Cost = 0, int? Dry = null);

/// <summary>What stands somewhere from the end of one task to the start of others.</summary>
/// <param name="Code">Unique in the plan.</param>
/// <param name="From">Code of the task it comes from.</param>
/// <param name="Until">Codes of the tasks, the first of which takes it away; none when it stands to <paramref name="To"/>.</param>
/// <param name="To">The minute up to which it stands.</param>
/// <param name="Choices">Where it can stand; one of them is chosen.</param>
public sealed record Stay(string Code, string From, IReadOnlyList<string> Until, int To, IReadOnlyList<Standing> Choices);

/// <summary>That something is in use from the start of one task to the end of another.</summary>
/// <param name="Resource">Code of the resource.</param>
/// <param name="Takes">How much of it.</param>
/// <param name="From">Code of the first task.</param>
/// <param name="Until">Code of the last task.</param>
public sealed record Use(string Resource, int Takes, string From, string Until);

/// <summary>A colour: melted as often as is needed, each time for some of its tasks, and washed up after.</summary>
/// <param name="Code">Name in the plan: the pot's key.</param>
/// <param name="Lasts">Minutes of the hands to melt it.</param>
/// <param name="Cools">Minutes until it can be dipped in.</param>
/// <param name="Holds">Minutes that it stays fit from then on.</param>
/// <param name="Washes">Minutes of the hands to wash up after it.</param>
/// <param name="Takes">Codes of the resources that it stands in while it is warm, each one of it.</param>
/// <param name="Darkness">From 1 up: of colours that could be melted in any turn, the lighter goes first.</param>
/// <param name="Tasks">Codes of the tasks that want it.</param>
/// <param name="Over">How many melts of it are over.</param>
/// <param name="Warm">The minute at which the next one was melted; null when it is not yet.</param>
/// <param name="Earliest">First minute at which it can be melted.</param>
public sealed record ColourWork(
    string Code,
    int Lasts,
    int Cools,
    int Holds,
    int Washes,
    IReadOnlyList<string> Takes,
    int Darkness,
    IReadOnlyList<string> Tasks,
    int Over = 0,
    int? Warm = null,
    int Earliest = 0);

/// <summary>That an order wants to be ready some time before it is collected.</summary>
/// <param name="Code">Name of the order.</param>
/// <param name="Tasks">Its last tasks.</param>
/// <param name="By">The minute it would like to be ready at.</param>
/// <param name="Cost">Of each minute that it is ready later.</param>
public sealed record Margin(string Code, IReadOnlyList<string> Tasks, int By, int Cost);

/// <summary>What is wanted besides keeping every limit.</summary>
/// <param name="Hands">Cost of every minute of the hands, melting and washing up too.</param>
/// <param name="Warm">Cost of every quarter of an hour that a pot stands warm.</param>
/// <param name="Moved">Cost of every minute by which a task is moved from where it was.</param>
/// <param name="Late">What it is worth that a task which ages is an hour later, with nothing else lost; not for the solver.</param>
/// <param name="Ease">So many minutes before an order would like to be ready nothing is put off for that.</param>
/// <param name="Span">Cost of every minute from the plan's start to the end of the last task.</param>
public sealed record Goal(int Hands = 0, int Moved = 0, int Span = 0, int Warm = 0, int Late = 0, int Ease = 0);

/// <summary>What the planner is given: work, hands, places and limits, in whole minutes.</summary>
/// <param name="Ends">The last minute of all.</param>
/// <param name="Workers">Whose hands there are.</param>
/// <param name="Resources">What there is only so much of.</param>
/// <param name="Tasks">The work.</param>
/// <param name="Stays">What stands where.</param>
/// <param name="Uses">What is in use.</param>
/// <param name="Colours">What is melted.</param>
/// <param name="Margins">When orders would like to be ready.</param>
/// <param name="Goal">What is wanted.</param>
public sealed record PlanProblem(
    int Ends,
    IReadOnlyList<Worker> Workers,
    IReadOnlyList<Resource> Resources,
    IReadOnlyList<PlanTask> Tasks,
    IReadOnlyList<Stay> Stays,
    IReadOnlyList<Use> Uses,
    IReadOnlyList<ColourWork> Colours,
    IReadOnlyList<Margin> Margins,
    Goal Goal);

/// <summary>A task with its time.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Start">Minute at which it starts.</param>
/// <param name="End">Minute after its last.</param>
/// <param name="Worker">Code of who does it; null when it wants no hands.</param>
public sealed record Placed(string Code, int Start, int End, string? Worker);

/// <summary>Where something stands.</summary>
/// <param name="Stay">Code of the stay.</param>
/// <param name="Place">Code of the resource.</param>
/// <param name="Takes">How much of it.</param>
/// <param name="Start">First minute.</param>
/// <param name="End">Minute after the last.</param>
public sealed record Stood(string Stay, string Place, int Takes, int Start, int End);

/// <summary>A melt of a colour.</summary>
/// <param name="Colour">Its code.</param>
/// <param name="Number">Which melt of that colour, from 1.</param>
/// <param name="Melt">The melting.</param>
/// <param name="Wash">The washing up.</param>
/// <param name="Tasks">Codes of the tasks that are done from it.</param>
public sealed record Melted(string Colour, int Number, Placed Melt, Placed Wash, IReadOnlyList<string> Tasks)
{
    /// <summary>Code of the task that melts a colour.</summary>
    public static string MeltOf(string colour, int number) => $"melt.{colour}.{number}";

    /// <summary>Code of the task that washes up after it.</summary>
    public static string WashOf(string colour, int number) => $"wash.{colour}.{number}";
}

/// <summary>How a search for a plan came out.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Outcome>))]
public enum Outcome
{
    /// <summary>A plan, proven to be the best.</summary>
    [JsonStringEnumMemberName("best")]
    Best,

    /// <summary>A plan; there may be better ones.</summary>
    [JsonStringEnumMemberName("found")]
    Found,

    /// <summary>Proven that there is none.</summary>
    [JsonStringEnumMemberName("impossible")]
    Impossible,

    /// <summary>Nothing was found in the time that was given.</summary>
    [JsonStringEnumMemberName("unknown")]
    Unknown,
}

/// <summary>A solution of a <see cref="PlanProblem"/>.</summary>
/// <param name="Outcome">How the search came out.</param>
/// <param name="Cost">What it costs; see <see cref="Goal"/>.</param>
/// <param name="Bound">What any plan costs at least.</param>
/// <param name="Tasks">By the problem's tasks.</param>
/// <param name="Stood">What stands where.</param>
/// <param name="Melts">By time.</param>
public sealed record Solution(
    Outcome Outcome, long Cost, long Bound, IReadOnlyList<Placed> Tasks, IReadOnlyList<Stood> Stood, IReadOnlyList<Melted> Melts)
{
    /// <summary>Nothing was found.</summary>
    public static Solution None { get; } = new(Outcome.Unknown, 0, 0, [], [], []);

    /// <summary>Every task, melting and washing up too.</summary>
    [JsonIgnore]
    public IEnumerable<Placed> All => Tasks.Concat(Melts.SelectMany(m => new[] { m.Melt, m.Wash }));

    /// <summary>Whether there is a plan.</summary>
    [JsonIgnore]
    public bool Any => Outcome is Outcome.Best or Outcome.Found;

    /// <summary>How far it may be from the best, as a share of its cost.</summary>
    [JsonIgnore]
    public double Gap => Cost <= 0 ? 0 : Math.Max(0, (Cost - Bound) / (double)Cost);
}

using System.Text.Json.Serialization;
using Kondiba.Core.Planning;
using NodaTime;

namespace Kondiba.Data;

/// <summary>How far a search for a plan is.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<SearchState>))]
public enum SearchState
{
    /// <summary>Nobody has looked yet.</summary>
    Asked,

    /// <summary>There is a first answer; better plans, or remedies, may still come.</summary>
    Searching,

    /// <summary>It is over.</summary>
    Ended,

    /// <summary>It broke off: nothing better comes until it is begun anew.</summary>
    Failed,
}

/// <summary>
/// A kitchen's latest search for a plan. Whoever wants a plan writes down what for; the planner answers here, better and better.
/// </summary>
public sealed class PlanSearch : IOfKitchen
{
    public Guid KitchenId { get; init; }

    /// <summary>Another one for every search: what an earlier one still finds is not taken for this one's.</summary>
    public Guid Asked { get; set; }

    public Instant AskedAt { get; set; }

    /// <summary>What is planned: the same for the same orders, kitchen and arrangements.</summary>
    public string Key { get; set; } = "";

    public SearchState State { get; set; }

    /// <summary>The kitchen's clock at the first answer: nothing is planned before. Null until then.</summary>
    public LocalDateTime? From { get; set; }

    /// <summary>Whether tasks stay near to where an earlier plan had them.</summary>
    public bool Stays { get; set; }

    /// <summary>The best plan so far; an earlier search's, to start from, until there is a first answer.</summary>
    public FoundPlan? Found { get; set; }

    /// <summary>What comes of it while nothing fits; null while there is a plan.</summary>
    public Plan? Late { get; set; }

    /// <summary>Changes that were tried and make it fit, when nothing does as it is.</summary>
    public IReadOnlyList<Remedy> Remedies { get; set; } = [];

    /// <summary>What it has found so far; null before the first answer.</summary>
    public Plan? Plan => From is null ? null : Shown;

    /// <summary>The plan that the kitchen saw last, from an earlier search until this one answers; null before the first.</summary>
    public Plan? Shown => Late ?? Found?.Plan;
}

/// <summary>A plan as it was found.</summary>
/// <param name="Origin">The midnight that its minutes count from.</param>
/// <param name="Solution">The plan in minutes.</param>
/// <param name="Plan">The same as it is read.</param>
/// <param name="At">When it was found.</param>
public sealed record FoundPlan(LocalDate Origin, Solution Solution, Plan Plan, Instant At);

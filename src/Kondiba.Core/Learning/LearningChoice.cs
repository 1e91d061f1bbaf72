using NodaTime;

namespace Kondiba.Core.Learning;

/// <summary>What the maker wants learned.</summary>
/// <param name="SetAside">What keeps to the tables whatever batches say: "stick/fork/strawberry", "pace/dip".</param>
/// <param name="From">Batches before this day teach nothing; null for all of them.</param>
public sealed record LearningChoice(IReadOnlyList<string>? SetAside = null, LocalDate? From = null);

using Kondiba.Core.Wares;

namespace Kondiba.Core.Reference;

/// <summary>What is in a kitchen's pantry.</summary>
/// <param name="Lots">Lot by lot, what came first first.</param>
public sealed record Stock(IReadOnlyList<Lot> Lots)
{
    /// <summary>An empty pantry.</summary>
    public static Stock None { get; } = new([]);
}

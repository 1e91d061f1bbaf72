using Kondiba.Core.Facts;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>How long pieces keep and how; local rules come first.</summary>
/// <param name="Centres">Codes of the centres.</param>
/// <param name="Keeps">How long after dipping.</param>
/// <param name="Best">How long after dipping they are at their best.</param>
/// <param name="Storage">How to store them, for the customer.</param>
/// <param name="Place">Code of the place in which they wait for their customer; null where they only want to be dry and cool.</param>
public sealed record Keeping(
    IReadOnlyList<string> Centres, Sourced<Duration> Keeps, Sourced<Duration> Best, string Storage, string? Place = null);

/// <summary>How a kind of piece is to be kept.</summary>
/// <param name="What">The pieces.</param>
/// <param name="How">In words for the customer.</param>
public sealed record StorageAdvice(string What, string How);

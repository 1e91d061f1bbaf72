using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Safety;

/// <summary>How long pieces keep and how; local rules come first.</summary>
/// <param name="Centres">Codes of the centres.</param>
/// <param name="Keeps">How long after dipping.</param>
/// <param name="Storage">How to store them, for the customer.</param>
public sealed record Keeping(IReadOnlyList<string> Centres, Sourced<Duration> Keeps, string Storage);

using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Reference;

/// <summary>Constants of a pot.</summary>
/// <param name="Margin">Put on top of everything, to be safe.</param>
/// <param name="ToolLoss">Stays on spatula, fork and walls.</param>
/// <param name="MostOver">By how much a way may melt more than the thriftiest one, however much time it saves.</param>
/// <param name="LeastMelt">Of several melts, the least that is worth the stove.</param>
/// <param name="Certainty">How often a pot is to be enough, as a share of batches; null where the margin is the same for all.</param>
public sealed record PotConstants(
    Sourced<Share> Margin, Sourced<Mass> ToolLoss, Sourced<Share> MostOver, Sourced<Mass> LeastMelt, Share? Certainty = null);

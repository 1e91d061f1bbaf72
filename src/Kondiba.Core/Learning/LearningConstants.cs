using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Learning;

/// <summary>How much one kind of value differs between kitchens, and from batch to batch in one kitchen.</summary>
/// <param name="Levels">
/// Standard deviation of its logarithm at each level, the kitchen's hand as a whole first: what batches of one thing tell of others.
/// </param>
/// <param name="Batch">Standard deviation of its logarithm from batch to batch, weighing and counting in it.</param>
public sealed record Varies(IReadOnlyList<Sourced<Share>> Levels, Sourced<Share> Batch);

/// <summary>Constants of learning.</summary>
/// <param name="Stick">Coating that pieces keep: the hand, how they are held, the centre, the coating.</param>
/// <param name="Pace">Time that the hands take: the hand, the stage.</param>
/// <param name="Setting">Time that a coat takes to set: the kitchen, the place.</param>
/// <param name="Melting">Time that a melt takes: the kitchen, the method.</param>
/// <param name="Slips">Share of batches in which something was weighed, read or typed wrong.</param>
/// <param name="SlipSize">Standard deviation of the logarithm of what such a slip makes of a value.</param>
/// <param name="Firm">As if so many batches had told how much one differs from another.</param>
/// <param name="HalfLife">A batch of that age counts half.</param>
/// <param name="SpoilHand">As if so many pieces had gone wrong at the tables' rate, of all that the kitchen makes.</param>
/// <param name="SpoilCentre">The same of one centre, at the kitchen's rate.</param>
/// <param name="Enough">From so many batches on, a margin can follow how much they differ.</param>
public sealed record LearningConstants(
    Varies Stick,
    Varies Pace,
    Varies Setting,
    Varies Melting,
    Sourced<Share> Slips,
    Sourced<Share> SlipSize,
    Sourced<Share> Firm,
    Sourced<Duration> HalfLife,
    Sourced<Share> SpoilHand,
    Sourced<Share> SpoilCentre,
    Sourced<Share> Enough);

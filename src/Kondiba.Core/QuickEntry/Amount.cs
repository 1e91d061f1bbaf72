using Kondiba.Core.Orders;

namespace Kondiba.Core.QuickEntry;

/// <summary>How much of a line.</summary>
/// <param name="Value">The number.</param>
/// <param name="CountedIn">What it counts.</param>
/// <param name="Says">In words.</param>
internal sealed record Amount(double Value, CountedIn CountedIn, string Says);

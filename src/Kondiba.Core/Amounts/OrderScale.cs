using Kondiba.Core.Orders;

namespace Kondiba.Core.Amounts;

/// <summary>Makes an order larger or smaller.</summary>
public static class OrderScale
{
    /// <summary>
    /// The order for another number of pieces in all: every line in proportion, whole pieces, one at least of each, the largest
    /// remainder first, so that the pieces come to what was asked.
    /// </summary>
    /// <param name="order">The order.</param>
    /// <param name="tally">What it comes to; lines that could not be computed stay as they are.</param>
    /// <param name="pieces">Pieces wanted, at least as many as it has lines that could be computed.</param>
    public static OrderDraft To(OrderDraft order, CoatingTally tally, int pieces)
    {
        if (tally.Pieces == 0)
            return order;
        var exact = tally.Lines.Select(l => (double)l.Count.Value * pieces / tally.Pieces).ToArray();
        var counts = exact.Select(e => Math.Max(1, (int)Math.Floor(e))).ToArray();
        while (counts.Sum() != pieces)
        {
            var step = counts.Sum() < pieces ? 1 : -1;
            var furthest = Enumerable.Range(0, counts.Length)
                .Where(i => step > 0 || counts[i] > 1)
                .OrderByDescending(i => step * (exact[i] - counts[i]))
                .ThenBy(i => i)
                .ToList();
            if (furthest.Count == 0)
                break;
            counts[furthest[0]] += step;
        }

        var lines = order.Lines.ToList();
        foreach (var (line, count) in tally.Lines.Zip(counts))
            lines[line.Line] = lines[line.Line] with { Amount = count, CountedIn = CountedIn.Pieces };
        return order with { Lines = lines };
    }
}

using Kondiba.Core.Measures;
using Kondiba.Core.Prep;

namespace Kondiba.Core.Packing;

/// <summary>Like pieces that go into a box.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="Count">How many.</param>
/// <param name="Size">What one covers of the box's bottom.</param>
internal readonly record struct Like(int Line, int Count, Area Size);

/// <summary>
/// Which piece goes to which place of a box with rows. Common practice: the biggest into the middle row, like sizes together, in each row
/// the big ones to its ends; of pieces of one size, kinds and colours spread evenly.
/// </summary>
internal static class BoxLayout
{
    /// <summary>A place without a piece.</summary>
    public const int Empty = -1;

    private const double SameSize = 0.05;
    private const int Beside = 4;
    private const int AtCorner = 1;
    private const int Shuffled = 40;

    /// <summary>Fills a box: for each place, row by row, the line of its piece.</summary>
    /// <param name="rows">Of the box.</param>
    /// <param name="columns">Of the box.</param>
    /// <param name="pieces">What goes in: no more than there are places.</param>
    public static int[] Fill(int rows, int columns, IReadOnlyList<Like> pieces)
    {
        var places = Ranked(rows, columns);
        var cells = new int[rows * columns];
        Array.Fill(cells, Empty);
        var at = 0;
        foreach (var same in BySize(pieces))
        {
            var count = same.Sum(p => p.Count);
            var spread = Spread([.. places[at..(at + count)].Order()], [.. same.Select(p => p.Count)], rows, columns);
            foreach (var (cell, kind) in spread)
                cells[cell] = same[kind].Line;
            at += count;
        }

        return cells;
    }

    /// <summary>Kinds in turn, so that in any first part of the row each has its share.</summary>
    /// <param name="counts">How many there are of each kind.</param>
    public static IEnumerable<int> InTurn(IReadOnlyList<int> counts)
    {
        var (all, taken) = (counts.Sum(), new int[counts.Count]);
        for (var i = 1; i <= all; i++)
        {
            var next = Enumerable.Range(0, counts.Count)
                .Where(k => taken[k] < counts[k])
                .MaxBy(k => ((double)counts[k] * i / all) - taken[k]);
            taken[next]++;
            yield return next;
        }
    }

    /// <summary>How much like pieces touch: those beside each other count most, those corner to corner a little.</summary>
    /// <param name="kinds">Kind of the piece in each place, row by row; <see cref="Empty"/> for none.</param>
    /// <param name="columns">Of the box.</param>
    internal static int Touching(int[] kinds, int columns)
    {
        var around = Around(kinds.Length / columns, columns);
        var filled = Enumerable.Range(0, kinds.Length).Where(cell => kinds[cell] != Empty);
        return filled.Sum(cell => LikeAround(cell, kinds[cell], kinds, around)) / 2;
    }

    /// <summary>Places from the one for the biggest piece to the one for the smallest.</summary>
    private static int[] Ranked(int rows, int columns) =>
    [
        .. from row in Selection.FromMiddle(rows)
           from column in Enumerable.Range(0, columns).OrderByDescending(c => Math.Abs((2 * c) - (columns - 1)))
           select (row * columns) + column,
    ];

    /// <summary>Pieces of a size together, the biggest first.</summary>
    private static List<List<Like>> BySize(IReadOnlyList<Like> pieces)
    {
        List<List<Like>> sizes = [];
        foreach (var like in pieces.Where(p => p.Count > 0).OrderByDescending(p => p.Size.Si))
        {
            if (sizes.Count > 0 && like.Size.Si > sizes[^1][0].Size.Si * (1 - SameSize))
                sizes[^1].Add(like);
            else
                sizes.Add([like]);
        }

        return sizes;
    }

    /// <summary>Gives places to kinds so that like ones touch as little as can be: from several starts, two exchanged at a time.</summary>
    private static IEnumerable<(int Cell, int Kind)> Spread(int[] places, int[] counts, int rows, int columns)
    {
        if (counts.Length == 1)
            return places.Select(p => (p, 0));
        var around = Around(rows, columns);
        var best = Starts(places, counts, columns)
            .Select(s => Exchanged(s.Places, s.Kinds, around))
            .MinBy(kinds => Touching(kinds, columns))!;
        return places.Select(p => (p, best[p]));
    }

    private static IEnumerable<(int[] Places, int[] Kinds)> Starts(int[] places, int[] counts, int columns)
    {
        var inTurn = InTurn(counts).ToArray();
        int[] inBlocks = [.. counts.Index().SelectMany(k => Enumerable.Repeat(k.Index, k.Item))];
        yield return (places, inTurn);
        yield return ([.. places.OrderBy(p => p % columns)], inTurn);
        yield return ([.. places.OrderBy(p => ((p / columns) + (p % columns)) % 2)], inBlocks);
        yield return ([.. places.OrderBy(p => ((p / columns * 2) + (p % columns)) % 4)], inBlocks);

        // The same ones every time: a box looks the same whenever it is asked for.
        var chance = new Random(counts.Length);
        for (var i = 0; i < Shuffled; i++)
        {
            chance.Shuffle(inBlocks);
            yield return (places, [.. inBlocks]);
        }
    }

    private static int[] Exchanged(int[] places, int[] kinds, (int Cell, int Weight)[][] around)
    {
        var cells = new int[around.Length];
        Array.Fill(cells, Empty);
        foreach (var (place, kind) in places.Zip(kinds))
            cells[place] = kind;
        for (var better = true; better;)
        {
            better = false;
            foreach (var (a, b) in Pairs(places).Where(p => cells[p.A] != cells[p.B]))
            {
                var before = LikeAround(a, cells[a], cells, around) + LikeAround(b, cells[b], cells, around);
                (cells[a], cells[b]) = (cells[b], cells[a]);
                if (LikeAround(a, cells[a], cells, around) + LikeAround(b, cells[b], cells, around) < before)
                    better = true;
                else
                    (cells[a], cells[b]) = (cells[b], cells[a]);
            }
        }

        return cells;
    }

    private static IEnumerable<(int A, int B)> Pairs(int[] places)
    {
        for (var a = 0; a < places.Length; a++)
            for (var b = a + 1; b < places.Length; b++)
                yield return (places[a], places[b]);
    }

    private static int LikeAround(int cell, int kind, int[] cells, (int Cell, int Weight)[][] around)
    {
        var like = 0;
        foreach (var (other, weight) in around[cell])
            like += cells[other] == kind ? weight : 0;
        return like;
    }

    /// <summary>For each place, those around it, with how much a like piece there counts.</summary>
    private static (int Cell, int Weight)[][] Around(int rows, int columns) =>
    [
        .. Enumerable.Range(0, rows * columns).Select(cell => (
            from down in Enumerable.Range(-1, 3)
            from across in Enumerable.Range(-1, 3)
            let row = (cell / columns) + down
            let column = (cell % columns) + across
            where (down, across) != (0, 0) && row >= 0 && row < rows && column >= 0 && column < columns
            select ((row * columns) + column, down == 0 || across == 0 ? Beside : AtCorner)).ToArray()),
    ];
}

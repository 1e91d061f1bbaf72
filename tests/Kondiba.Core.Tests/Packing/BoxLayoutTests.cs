using CsCheck;
using Kondiba.Core.Measures;
using Kondiba.Core.Packing;

namespace Kondiba.Core.Tests;

/// <summary>Where pieces go in a box with rows.</summary>
public sealed class BoxLayoutTests
{
    private static readonly Gen<(int Rows, int Columns)> Boxes = Gen.Select(Gen.Int[1, 6], Gen.Int[1, 6]);

    /// <summary>Common practice: the biggest in the middle row, like sizes together.</summary>
    [Fact]
    public void The_middle_row_of_every_full_box_holds_the_largest() =>
        Gen.Select(Boxes, Gen.Double[1, 50].Array[1, 5]).Sample((box, sizes) =>
        {
            var counts = Shared(box.Rows * box.Columns, sizes.Length);
            var cells = BoxLayout.Fill(box.Rows, box.Columns, [.. counts.Select((n, i) => new Like(i, n, Cm2(sizes[i])))]);

            Assert.Equal(counts, Enumerable.Range(0, sizes.Length).Select(i => cells.Count(c => c == i)));
            var rows = cells.Chunk(box.Columns).ToList();
            var middle = (box.Rows - 1) / 2.0;
            for (var r = 1; r < box.Rows; r++)
                for (var other = 0; other < r; other++)
                {
                    var (near, far) = Math.Abs(r - middle) < Math.Abs(other - middle) ? (r, other) : (other, r);
                    if (Math.Abs(near - middle) < Math.Abs(far - middle))
                        Assert.True(rows[near].Min(l => sizes[l]) >= rows[far].Max(l => sizes[l]) * 0.95);
                }
        });

    [Fact]
    public void In_a_row_the_big_ones_lie_at_its_ends() =>
        Assert.Equal(
            [1, 1, 1, 1, 0, 1, 1, 0, 1, 1, 1, 1],
            BoxLayout.Fill(3, 4, [new(0, 2, Cm2(16)), new(1, 10, Cm2(12))]));

    /// <summary>Every way to lay out a small box is tried: none has fewer like pieces side by side.</summary>
    [Fact]
    public void Kinds_are_spread_as_evenly_as_the_best_of_all_ways()
    {
        (int Rows, int Columns)[] small = [(1, 4), (2, 2), (2, 3), (2, 4), (3, 3), (3, 4)];
        foreach (var (rows, columns) in small)
        {
            var places = rows * columns;
            for (var first = 1; first < places; first++)
                for (var second = 0; second <= Math.Min(places - first, 4); second++)
                {
                    int[] counts = [first, places - first - second, second];
                    var cells = BoxLayout.Fill(rows, columns, [.. counts.Select((n, i) => new Like(i, n, Cm2(12)))]);
                    Assert.Equal(Fewest(new int[places], 0, counts, columns), BoxLayout.Touching(cells, columns));
                }
        }
    }

    [Fact]
    public void Every_first_part_of_a_row_in_turn_has_its_share() =>
        Gen.Int[1, 30].Array[1, 6].Sample(counts =>
        {
            var taken = new int[counts.Length];
            var all = counts.Sum();
            foreach (var (i, kind) in BoxLayout.InTurn(counts).Index())
            {
                taken[kind]++;
                Assert.All(taken.Index(), t => Assert.InRange(t.Item - ((double)counts[t.Index] * (i + 1) / all), -1.5, 1.0001));
            }

            Assert.Equal(counts, taken);
        });

    private static int[] Shared(int places, int kinds) =>
        [.. Enumerable.Range(0, kinds).Select(i => ((i + 1) * places / kinds) - (i * places / kinds))];

    private static Area Cm2(double cm2) => new(cm2 * 1e-4);

    /// <summary>The least that like pieces can touch, by trying all ways.</summary>
    private static int Fewest(int[] cells, int at, int[] left, int columns)
    {
        if (at == cells.Length)
            return Touches(cells, columns);
        var fewest = int.MaxValue;
        for (var kind = 0; kind < left.Length; kind++)
        {
            if (left[kind] == 0)
                continue;
            left[kind]--;
            cells[at] = kind;
            fewest = Math.Min(fewest, Fewest(cells, at + 1, left, columns));
            left[kind]++;
        }

        return fewest;
    }

    // Counted pair by pair, not as the product does: four for a side, one for a corner.
    private static int Touches(int[] cells, int columns)
    {
        var sum = 0;
        for (var a = 0; a < cells.Length; a++)
            for (var b = a + 1; b < cells.Length; b++)
            {
                var (down, across) = (Math.Abs((a / columns) - (b / columns)), Math.Abs((a % columns) - (b % columns)));
                if (cells[a] == cells[b] && down <= 1 && across <= 1)
                    sum += down + across == 1 ? 4 : 1;
            }

        return sum;
    }
}

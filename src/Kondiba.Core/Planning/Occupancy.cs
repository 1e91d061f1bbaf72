using System.Numerics;
using System.Runtime.InteropServices;

namespace Kondiba.Core.Planning;

/// <summary>How much of something is taken in each minute.</summary>
/// <param name="has">How much there is.</param>
/// <param name="minutes">Minutes that are looked at, from the plan's start.</param>
internal sealed class Occupancy(int has, int minutes)
{
    private readonly int[] taken = new int[minutes + 1];
    private int[] first = [];

    /// <summary>Keeps what is taken now as what it starts from again.</summary>
    public void Keep() => first = [.. taken];

    /// <summary>Back to what was kept.</summary>
    public void Reset() => first.CopyTo(taken, 0);

    public bool Free(int from, int to, int takes) => !Between(from, to).ContainsAnyExceptInRange(int.MinValue, has - takes);

    public void Take(int from, int to, int takes)
    {
        // Trays stand for days, and are tried by the thousand: many minutes at a time.
        var minutes = Between(from, to);
        var many = MemoryMarshal.Cast<int, Vector<int>>(minutes);
        foreach (ref var some in many)
            some += new Vector<int>(takes);
        foreach (ref var one in minutes[(many.Length * Vector<int>.Count)..])
            one += takes;
    }

    private Span<int> Between(int from, int to)
    {
        var (first, last) = (Math.Max(0, from), Math.Min(to, taken.Length));
        return first < last ? taken.AsSpan(first..last) : [];
    }

    /// <summary>The latest end of a free stretch, not after one minute and not begun before another.</summary>
    public int? LatestEnd(int lasts, int notAfter, int notBefore)
    {
        var free = 0;
        for (var m = Math.Min(notAfter, taken.Length) - 1; m >= notBefore; m--)
        {
            free = taken[m] < has ? free + 1 : 0;
            if (free >= lasts)
                return m + lasts;
        }

        return null;
    }

    /// <summary>The earliest start of a free stretch, not before one minute and not after another.</summary>
    public int? EarliestStart(int lasts, int notBefore, int notAfter)
    {
        var free = 0;
        for (var m = Math.Max(0, notBefore); m < Math.Min(notAfter + lasts, taken.Length); m++)
        {
            free = taken[m] < has ? free + 1 : 0;
            if (free >= lasts)
                return m + 1 - lasts;
        }

        return null;
    }
}

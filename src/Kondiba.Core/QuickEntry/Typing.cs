namespace Kondiba.Core.QuickEntry;

/// <summary>How far a typed word is from another.</summary>
internal static class Typing
{
    /// <summary>Letters added, left out, changed or swapped with their neighbour: the restricted distance of Damerau 1964.</summary>
    public static int Slips(string a, string b)
    {
        var (before, last, row) = (new int[b.Length + 1], new int[b.Length + 1], new int[b.Length + 1]);
        for (var j = 0; j <= b.Length; j++)
            last[j] = j;
        for (var i = 1; i <= a.Length; i++)
        {
            row[0] = i;
            for (var j = 1; j <= b.Length; j++)
            {
                row[j] = Math.Min(Math.Min(last[j], row[j - 1]) + 1, last[j - 1] + (a[i - 1] == b[j - 1] ? 0 : 1));
                if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1])
                    row[j] = Math.Min(row[j], before[j - 2] + 1);
            }

            (before, last, row) = (last, row, before);
        }

        return last[b.Length];
    }
}

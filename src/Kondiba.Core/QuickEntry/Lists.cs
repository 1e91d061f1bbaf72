namespace Kondiba.Core.QuickEntry;

/// <summary>Finds lists in a request that divide its pieces without saying so of each group.</summary>
internal static class Lists
{
    /// <summary>"12 each of teal, plum and coral", "teal and plum, evenly split": every colour is a group of its own.</summary>
    /// <param name="drafts">The clauses of a request; those of a list are given scopes.</param>
    /// <param name="dividing">Takes up the number that counts each.</param>
    public static void Share(List<Draft> drafts, List<Item> dividing)
    {
        for (var i = 0; i < drafts.Count; i++)
        {
            var draft = drafts[i];
            var each = draft.Items.Exists(x => x.Is(WordKind.Each) is not null);
            var split = draft.Items.Find(x => x.Is(WordKind.Split) is not null);
            if (draft.Refuses || (!each && split is null))
                continue;
            var counted = draft.Scope is { Kind: ScopeKind.Count or ScopeKind.Share } ? draft.Scope : null;
            var counting = counted?.Said ?? draft.Items.Find(x => x.IsNumber);
            var kind = counted?.Kind ?? ScopeKind.Count;
            var count = split is null ? counted?.Value ?? counting?.Count?.Pieces : null;
            if (split is null && count is null)
                continue;
            var onlyCount = draft.Items.TrueForAll(x => x.IsEmpty || x.IsNumber);
            var (from, to) = !onlyCount
                || (i + 1 < drafts.Count && drafts[i + 1].Only is not null && (i == 0 || drafts[i - 1].Only is null))
                ? (onlyCount ? i + 1 : i, i + 1)
                : (i, i);
            while (to > i && to < drafts.Count && Listed(drafts[to]))
                to++;
            while (to <= i && from > 0 && drafts[from - 1] is { Refuses: false, Scope: null, Only: not null })
                from--;
            var run = drafts[from..Math.Max(to, i)].Where(d => d.Only is not null).ToList();
            if (run.Count < 2)
                continue;
            if (onlyCount && split is null)
                drafts[i].Items = [];
            foreach (var member in run)
                Apart(
                    drafts,
                    member,
                    item => count is { } many ? new(kind, many, item) : new(ScopeKind.Share, 1.0 / run.Count, item),
                    count is null ? null : counting);
            if (count is not null)
                dividing.Add(counting!);
            return;
        }

        static bool Listed(Draft draft) => draft is { Refuses: false, Scope: null, Boundary: not null, Only: not null };
    }

    /// <summary>Makes the one thing that a clause says a group of its own; what it counts or names stays with all.</summary>
    private static void Apart(List<Draft> drafts, Draft member, Func<Item, Scope> scope, Item? counting)
    {
        var only = member.Only!;
        var others = member.Items.Where(i => i.NamesPiece || (i.IsNumber && i != counting)).ToList();
        member.Scope = scope(only);
        member.Items = [only];
        member.Governors.Clear();
        if (others.Count > 0)
            drafts.Insert(drafts.IndexOf(member), new(null) { Items = others });
    }

    /// <summary>
    /// "8 teal and 12 plum cake balls", "8 teal cake balls and 12 plum": the head's own count and colour are one group of several.
    /// </summary>
    public static void AddUp(List<Draft> drafts, Draft head)
    {
        if (head.Scope is not null || head.OnlyColour is null || head.Items.Find(i => i.IsNumber) is not { Count.Pieces: { } count } number)
            return;
        var counted = drafts.Where(d => d.Scope is { Kind: ScopeKind.Count }
            && d is { OnlyColour: not null, ScopedAfter: false, Refuses: false }
            && d.Scope.Said.First == d.Scope.Said.Last)
            .ToList();
        if (counted.Count > 0 && counted.Count == drafts.Count(d => d.Scope is not null))
            Apart(drafts, head, item => new(ScopeKind.Count, count, number), number);
    }
}

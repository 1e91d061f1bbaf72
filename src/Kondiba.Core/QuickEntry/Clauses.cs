using Kondiba.Core.Centres;

namespace Kondiba.Core.QuickEntry;

/// <summary>Cuts a request into clauses: at its marks, and before every word that refuses, divides or begins.</summary>
internal sealed class Clauses(IReadOnlyList<Item> items, Centre? centre)
{
    private readonly List<Draft> _drafts = [new(null)];
    private readonly int _shares = items.Count(i => i.Share is not null && i.Is(WordKind.Unit) is null);
    private readonly bool _hasRest = items.Any(i => i.Is(WordKind.Rest) is not null);

    /// <summary>The clauses in order, every one with what governs it.</summary>
    public List<Draft> Cut()
    {
        for (var at = 0; at < items.Count;)
            at += Take(at);
        foreach (var (draft, i) in _drafts.Select((d, i) => (d, i)).ToList())
            Spread(draft, i);
        return [.. _drafts.Where(d => d.Items.Count + d.Governors.Count > 0)];
    }

    private Draft Last => _drafts[^1];

    private int Take(int at)
    {
        var item = items[at];
        if (item.IsBoundary)
        {
            _drafts.Add(new(item));
            return 1;
        }

        if (item.Is(WordKind.Opener) is not null)
            return Begin(item);
        if (item.Is(WordKind.Refusal) is not null)
            return Refuse(item, allergy: false);
        if (item.IsAny(WordKind.FreeOf, WordKind.Allergy))
            return After(item, i => i.Is(WordKind.Allergen) is not null) ?? (item.First == item.Last && item.First.Stem is "free"
                ? Keep(item with { Meanings = [] })
                : Refuse(item, allergy: true));
        if (item.Is(WordKind.RefusedAfter) is not null)
            return After(item, i => i.IsRefusable) ?? Refuse(item, allergy: false);
        if (item.Is(WordKind.Except) is not null)
            return Except(at);
        var each = item.IsNumber && at + 1 < items.Count && items[at + 1].Is(WordKind.Each) is not null;
        if ((each || item.Is(WordKind.Split) is not null) && !Last.IsEmpty)
            _drafts.Add(new(null));
        // "half of 24": of which pieces the others are part is not said.
        if (item.Share is not null
            && item.Count is null
            && at + 2 < items.Count
            && items[at + 1].First.Stem is "of"
            && items[at + 2].IsNumber)
            return Keep(item with { Meanings = [], First = item.First with { Kind = TokenKind.Other } });
        if (ScopeBehind(at) is { } behind)
            return behind;
        if (ScopeAt(at) is { } found)
        {
            if (!Last.IsEmpty || Last.Scope is not null || Last.Refuses)
                BeginWith(Verb(found.Scope, at, found.Next));
            Last.Scope = found.Scope;
            Last.Governors.Add(found.Scope.Said);
            return found.Next - at;
        }

        return Keep(item);
    }

    /// <summary>"drizzle half of them": what stands right before a scope that has nothing behind it goes with it.</summary>
    private List<Item> Verb(Scope scope, int at, int next)
    {
        var closed = next >= items.Count
            || (items[next].IsBoundary
                && items.Skip(next + 1).TakeWhile(i => !i.IsBoundary).All(i => i.IsEmpty || i.Is(WordKind.Colour) is not null));
        if (scope.Kind is not (ScopeKind.Count or ScopeKind.Share)
            || OfThem(at + 1) == at + 1
            || !closed
            || Last.Scope is not null
            || Last.Refuses
            || !(Last.Items.Count > 0 && Last.Items[^1] == items[at - 1]))
            return [];
        var verb = Last.Items[^1];
        if (!verb.IsRefusable && verb.Is(WordKind.Coats) is null)
            return [];
        var inColour = verb.Is(WordKind.Pattern) is not null && Last.Items.Count > 1 && Last.Items[^2].Is(WordKind.Colour) is not null;
        return Last.Items[^(inColour ? 2 : 1)..];
    }

    /// <summary>Begins a clause with the last words of the one before.</summary>
    private void BeginWith(List<Item> with)
    {
        var boundary = with.Count == Last.Items.Count ? Last.Boundary : null;
        Last.Items.RemoveRange(Last.Items.Count - with.Count, with.Count);
        _drafts.Add(new(boundary) { Items = with });
    }

    private int Keep(Item item)
    {
        Last.Items.Add(item);
        return 1;
    }

    private int Begin(Item item)
    {
        if (Last.Items.Count + Last.Governors.Count > 0)
            _drafts.Add(new(null));
        Last.Governors.Add(item);
        return 1;
    }

    private int Refuse(Item item, bool allergy)
    {
        // What a second refusal does to the first only a person can tell.
        if (Last.Refuses && Last.IsEmpty)
        {
            Last.Items.Add(item with { Meanings = [] });
            return 1;
        }

        if (!Last.IsEmpty)
            _drafts.Add(new(null));
        (Last.Refuses, Last.IsAllergy) = (true, allergy);
        Last.Governors.Add(item);
        return 1;
    }

    /// <summary>
    /// A refusal that stands behind what it refuses: "nut free", "sprinkles left off". Null when nothing of the kind stands before it.
    /// </summary>
    private int? After(Item item, Func<Item, bool> refused)
    {
        var taken = Last.Items.AsEnumerable().Reverse().TakeWhile(refused).Reverse().ToList();
        if (taken.Count == 0)
            return null;
        if (taken[0].Is(WordKind.Pattern) is not null
            && taken.Count < Last.Items.Count
            && Last.Items[^(taken.Count + 1)] is var colour
            && colour.Is(WordKind.Colour) is not null)
            taken.Insert(0, colour);
        var (before, boundary) = (Last.Items[..^taken.Count], Last.Boundary);
        var scope = Last.Scope;
        if (before.Count > 0)
            Last.Items = before;
        else
            _drafts.RemoveAt(_drafts.Count - 1);
        var draft = new Draft(
            before.Count > 0
                ? null
                : boundary)
        {
            Items = taken,
            Refuses = true,
            IsAllergy = item.Is(WordKind.RefusedAfter) is null,
            Scope = before.Count > 0
                    ? null
                    : scope
        };
        draft.Governors.Add(item);

        // "dairy and nut free": the whole list is meant.
        for (var i = _drafts.Count - 1; i >= 0
            && draft.Boundary is not null
            && _drafts[i] is { Refuses: false, IsBareList: true } listed; i--)
        {
            (listed.Refuses, listed.IsAllergy) = (true, draft.IsAllergy);
            if (listed.Boundary is null)
                break;
        }

        _drafts.Add(draft);
        _drafts.Add(new(null));
        return 1;
    }

    /// <summary>"… on all except 6", "… except 4 dark".</summary>
    private int Except(int at)
    {
        var next = Meaningful(at + 1);
        if (next < items.Count && items[next].Is(WordKind.Rest) is not null)
        {
            // "on half but not the other half" says it twice.
            _drafts.Add(new(null));
            return next + 1 - at;
        }

        var count = next < items.Count ? items[next].Count?.Pieces : null;
        _drafts.Add(new(null));
        Last.Governors.Add(items[at]);
        if (count is not { } many)
        {
            // Of which pieces it speaks is not said.
            Last.Items.Add(items[at] with { Meanings = [] });
            return 1;
        }

        var end = OfThem(next + 1);
        Last.Scope = new(ScopeKind.Except, many, items[at].To(items[end - 1]));
        return end - at;
    }

    /// <summary>"on 10 of them", "for half", "on all": behind what it speaks of.</summary>
    private int? ScopeBehind(int at)
    {
        if (items[at].First is not { Stem: "on" or "for" or "to" or "onto" }
            || items[at].First != items[at].Last
            || Last.IsEmpty
            || Last.Scope is not null)
            return null;
        var next = at + 1;
        while (next < items.Count && (items[next].First.Stem is "the" or "just" or "only" or "about") && items[next].Count is null)
            next++;
        if (next >= items.Count)
            return null;
        var of = OfThem(next + 1);
        if (of < items.Count && items[next].Count is not null && items[of].Is(WordKind.Rest) is not null)
            of++;
        var ends = of > next + 1
            || of >= items.Count
            || items[of].IsBoundary
            || items[of].IsEmpty
            || items[of].IsAny(WordKind.Refusal, WordKind.Plain, WordKind.Except);
        var said = items[at].To(items[Math.Min(of, items.Count) - 1]);
        var scope = items[next] switch
        {
            { Count.Pieces: { } many } when ends => new Scope(ScopeKind.Count, many, said),
            { Share: { } share } when ends && items[next].Count is null => new Scope(ScopeKind.Share, share, said),
            var rest when rest.Is(WordKind.Rest) is not null => new Scope(ScopeKind.Rest, 0, said),
            var all when all.IsAny(WordKind.All, WordKind.Each) => new Scope(ScopeKind.All, 0, said),
            var ones when IsOnes(next) => new Scope(ScopeKind.Of, 0, ones),
            _ => null,
        };
        if (scope is null)
            return null;
        if (scope.Kind is ScopeKind.Of)
            of = next + 2;
        (Last.Scope, Last.ScopedAfter) = (scope, true);
        Last.Governors.Add(said);
        _drafts.Add(new(null));
        return of - at;
    }

    /// <summary>What the words from a place on say of which pieces the next ones speak, and where those begin.</summary>
    private (Scope Scope, int Next)? ScopeAt(int at)
    {
        var (item, of) = (items[at], OfThem(at + 1));
        (Scope, int)? As(ScopeKind kind, double value) => (new(kind, value, item.To(items[of - 1])), of);
        if (item.Is(WordKind.Rest) is not null)
        {
            if (of < items.Count && items[of].Count?.Pieces is { } left)
                return (new(ScopeKind.Rest, left, item.To(items[of])), of + 1);
            return As(ScopeKind.Rest, 0);
        }

        if (IsOnes(at) && Last.IsEmpty && Last.Scope is null)
            return (new(ScopeKind.Of, 0, item), at + 2);
        if (item.Is(WordKind.All) is not null
            && at + 1 < items.Count
            && !(items[at + 1].Is(WordKind.Depth) is not null || (items[at + 1].NamesPiece && of == at + 1)))
            return As(ScopeKind.All, 0);
        if (item.Count?.Pieces is { } many
            && Last.Items.All(i => i.IsEmpty || !i.NamesPiece || i.IsNumber || !HasNoCount)
            && CountsSome(at, of))
            return As(ScopeKind.Count, many);
        return item.Count is null && item.Share is { } share and < 1 && Divides(at, of) ? As(ScopeKind.Share, share) : null;
    }

    // "the dark ones"
    private bool IsOnes(int at) => items[at].Is(WordKind.Colour) is not null && at + 1 < items.Count && items[at + 1].First.Stem is "ones";

    private bool HasNoCount => !items.Any(i => i.IsNumber);

    /// <summary>Past "of them", "of these", "of the berries"; where it stands itself when there is nothing of the kind.</summary>
    private int OfThem(int at)
    {
        if (at >= items.Count || items[at] is not { First.Stem: "of" or "the" } of || of.First != of.Last)
            return at;
        var next = of.First.Stem is "of" ? at + 1 : at;
        if (next < items.Count
            && items[next].First.Stem is "the" or "my" or "those" or "these"
            && next + 1 < items.Count
            && items[next + 1].NamesPiece
            && SamePiece(items[next + 1]))
            return next + 2;
        return next > at && next < items.Count && items[next].First.Stem is "them" or "these" or "those" or "which" ? next + 1 : at;
    }

    /// <summary>The first place from one on that says something, or where a clause ends.</summary>
    private int Meaningful(int at)
    {
        while (at < items.Count && items[at].IsEmpty && !items[at].IsBoundary)
            at++;
        return at;
    }

    private bool SamePiece(Item piece) =>
        items.First(i => i.NamesPiece) != piece || centre is null || piece.Is(WordKind.Centre)?.Code == centre.Code;

    private bool CountsSome(int at, int of)
    {
        if (of > at + 1)
            return items.First(i => i.NamesPiece || i == items[at]) is var first && (first.NamesPiece || !items[of - 1].NamesPiece);
        var next = Meaningful(at + 1);
        if (next >= items.Count)
            return false;
        var what = items[next];
        if (what.First.Stem is "with" or "w/" || what.Is(WordKind.Refusal) is not null)
            return items.Take(at).Any(i => i.NamesPiece);
        if (what.IsBoundary || what.NamesPiece || what.IsAny(WordKind.CoatNoun, WordKind.Part))
            return false;
        if (what.Is(WordKind.Pattern) is not null)
            return !IsCounted(what) && items.Take(at).Any(i => i.NamesPiece) && items.Take(at).Any(i => i.IsNumber);
        if (what.IsAny(WordKind.Sprinkle, WordKind.Lustre, WordKind.Plain, WordKind.Side) || what.First.Kind is TokenKind.Quoted)
            return items.Take(at).Any(i => i.NamesPiece);
        if (what.Share is not null
            || (what.Is(WordKind.Colour) is null && what.Is(WordKind.Size) is null && what.Is(WordKind.Depth) is null))
            return false;
        var adjectives = items.Skip(next)
            .TakeWhile(i => i.IsAny(WordKind.Colour, WordKind.Size, WordKind.Chocolate, WordKind.Depth) || (i.IsEmpty && !i.IsBoundary))
            .Count();
        var then = next + adjectives < items.Count ? items[next + adjectives] : null;
        if ((then?.Is(WordKind.Pattern) ?? then?.Is(WordKind.Sprinkle)) is not null && !items.Take(at).Any(i => i.IsNumber))
            return false;
        return then is null
            || !(then.NamesPiece
                || then.Is(WordKind.Part) is not null
                || (then.Is(WordKind.Pattern) is not null && IsCounted(then))
                || then.Is(WordKind.CoatNoun) is not null)
            || (then.Is(WordKind.OverDip) is not null);
    }

    // "3 rings" are on a piece, "3 zigzag" are pieces with it.
    private static bool IsCounted(Item pattern) =>
        pattern.Is(WordKind.Pattern)!.Code is "rings" or "dots" or "lines" or "stripes" or "spiral" or "letters";

    private bool Divides(int at, int of)
    {
        if (of > at + 1)
            return true;
        var next = Meaningful(at + 1);
        var what = next < items.Count ? items[next] : null;
        if (at + 1 < items.Count && items[at + 1].Is(WordKind.Each) is not null)
            return true;
        return what?.IsAny(WordKind.Refusal, WordKind.Plain) is true
            || (what?.First.Stem is "with" or "w/"
                && !items.Skip(next).TakeWhile(i => !i.IsBoundary || i == what).Any(i => i.Is(WordKind.OverDip) is not null))
            || (items[at].First == items[at].Last
                && at + 1 < items.Count
                && items[at + 1].First.Stem is "get" or "have" or "should be" or "are" or "just")
            || ((_shares > 1 || _hasRest) && what is { IsBoundary: false })
            || (centre is not null && centre.Depths.All(d => d.Si >= 1) && what is { IsBoundary: false, NamesPiece: false });
    }

    /// <summary>Gives a clause what the one before it says of both.</summary>
    private void Spread(Draft draft, int at)
    {
        if (at == 0 || draft.Boundary is null)
            return;
        var before = _drafts[at - 1];

        // "no nuts or sprinkles", "no nuts, coconut or crumbs"
        if (before.Refuses
            && !draft.Refuses
            && draft.Scope is null
            && draft.IsBareList
            && (draft.StartsWith("or", "nor", "and", "n") || EndsWithOr(at)))
            (draft.Refuses, draft.IsAllergy) = (true, before.IsAllergy);
        else if (before.IsAllergy
            && !draft.Refuses
            && draft.Items.All(i => i.IsEmpty || i.Is(WordKind.Allergen) is not null)
            && !draft.IsEmpty)
            (draft.Refuses, draft.IsAllergy) = (true, true);
        if (before.Refuses && draft.Refuses && draft.Scope is null && draft.Governors.Count == 0)
            draft.Scope = before.Scope;
    }

    private bool EndsWithOr(int at) =>
        _drafts.Skip(at).TakeWhile(d => d.IsBareList && !d.Refuses && d.Boundary is not null).Any(d => d.StartsWith("or", "nor"));
}

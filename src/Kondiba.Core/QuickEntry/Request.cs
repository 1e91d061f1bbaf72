using System.Globalization;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <summary>
/// One kind of piece asked for: a head that says how many of what, and clauses that refuse, or that speak of some of the pieces only.
/// Each group of pieces becomes a line; together they are as many as were asked for.
/// </summary>
internal sealed partial class Request(
    string text, List<Item> items, KitchenTables tables, IReadOnlyList<Look> looks, Vocabulary vocabulary, OrderReader order, Notes notes)
{
    private const double AssumedTotal = 12;

    private readonly Part _base = new(null);
    private readonly List<Part> _parts = [];

    // What divides the pieces rather than describes them: the number they are counted out of, the one that counts each, the colour that
    // tells some apart.
    private readonly List<Item> _dividing = [];

    /// <summary>Pieces of which something is said that is not said of the others.</summary>
    private sealed class Part(Scope? scope)
    {
        public Scope? Scope { get; set; } = scope;

        public List<(Draft Draft, Clause Clause)> Clauses { get; } = [];

        /// <summary>Its words with the marks between them; what is refused not.</summary>
        public List<Item> Wanted =>
            [.. Clauses.Where(c => !c.Clause.Refuses)
                .SelectMany(c => (IEnumerable<Item>)(c.Draft.Boundary is { } b ? [b, .. c.Clause.Items] : c.Clause.Items))];

        public IEnumerable<Draft> Refusals => Clauses.Where(c => c.Clause.Refuses).Select(c => c.Draft);
    }

    /// <summary>The lines; none when it names no piece, which is then told.</summary>
    public List<EntryLine> Lines()
    {
        // "3 boxes of 12 …, one box pink": as many as go into one.
        if (items.Find(i => i.Count?.Boxes > 0)?.Count is { } boxed)
            items = items.ConvertAll(i => i.Count is { Unit: "boxes" } count
                ? i with { Count = new(count.Value * boxed.Value / boxed.Boxes!.Value) }
                : i);
        var piece = items.Find(i => i.NamesPiece);
        var look = piece?.Is(WordKind.Centre) is null ? looks.FirstOrDefault(l => l.Code == piece?.Is(WordKind.Look)?.Code) : null;
        var centre = tables.Reference.Centre(look?.Centre ?? piece?.Is(WordKind.Centre)?.Code);
        var drafts = new Clauses(items, centre).Cut();
        if (piece is null || centre is null)
        {
            WithoutPiece(drafts);
            return [];
        }

        if (Head(drafts, piece) is not { } head)
        {
            drafts.ForEach(d => Allergy(d));
            return [];
        }

        Ellipses(drafts);
        Lists.Share(drafts, _dividing);
        Lists.AddUp(drafts, head);
        Assign(drafts);
        var total = Total(centre);
        var lines = Divided(total, (wanted, part, amount, at) => new LineReader(text, piece, look, centre, tables, looks, order, notes)
            .Read(_base.Wanted, _base.Refusals, part?.Wanted ?? [], part?.Refusals ?? [], amount, at, wanted));
        if (lines.Count > 0)
        {
            var dividing = _dividing.Select(d => new Chip(
                "total", d == total ? $"{text[d.Start..d.End]} in all" : text[d.Start..d.End], Reading.Read, d.Start, d.End - d.Start, []));
            lines[0] = lines[0] with
            {
                Chips = [
                .. dividing.Concat(lines[0].Chips).OrderBy(c => c.Reading is Reading.Assumed && c.Length == 0).ThenBy(c => c.Start),
            ]
            };
        }

        return lines;
    }

    /// <summary>What is said of no piece: allergens are the whole order's; anything else has nothing to go onto.</summary>
    private void WithoutPiece(List<Draft> drafts)
    {
        foreach (var draft in drafts.Where(d => !d.IsEmpty || d.Refuses))
        {
            if (Allergy(draft))
                continue;
            if (draft.Items.Exists(i => !i.IsUnderstood))
                Aside(draft);
            else
                notes.Tell(
                    draft.Stretch,
                    "entry.which-piece",
                    [.. tables.Reference.Centres.Take(6)
                        .Select(c => new ChipChoice(c.Plural, $"{text[draft.Stretch.Start..draft.Stretch.End]} {c.Plural}"))]);
        }
    }

    /// <summary>Whether a clause only refuses allergens; then they are the order's.</summary>
    private bool Allergy(Draft draft)
    {
        var bare = draft.Items.Where(i => !i.IsEmpty).ToList();
        if (!draft.Refuses || bare.Count == 0 || !bare.TrueForAll(i => i.Is(WordKind.Allergen) is not null))
            return false;
        foreach (var item in bare)
            foreach (var allergen in item.Meanings.Where(m => m.Kind is WordKind.Allergen))
                order.Refuse(allergen.Code, item);
        return true;
    }

    /// <summary>
    /// The clause that names the piece, freed of words in it that are not understood; null when they leave open whether it is wanted at
    /// all.
    /// </summary>
    private Draft? Head(List<Draft> drafts, Item piece)
    {
        var head = drafts.Find(d => d.Items.Contains(piece));
        if (head is null)
            return drafts[0];
        if (head.Refuses)
        {
            notes.Tell(head.Stretch, "entry.say-wanted", []);
            return null;
        }

        var at = head.Items.IndexOf(piece);
        var unknown = head.Items.FindIndex(i => !i.IsUnderstood);
        if (unknown >= 0 && unknown < at)
        {
            if (!head.Items.Take(unknown).Any(i => i.IsNumber))
            {
                Aside(head);
                return null;
            }

            // "12 fancy white rods": what stands between the number and the piece belongs to the piece.
            SetAside(head.Items[unknown..at]);
            head.Items.RemoveRange(unknown, at - unknown);
            (at, unknown) = (head.Items.IndexOf(piece), head.Items.FindIndex(i => !i.IsUnderstood));
        }

        if (unknown > at)
        {
            var from = head.Items.FindIndex(at + 1, i => i.IsRefusable && i.Is(WordKind.Colour) is null) is >= 0 and var first
                && first < unknown
                ? first
                : unknown;
            while (from > at + 1
                && ((from < unknown
                    && (head.Items[from].Is(WordKind.Pattern) ?? head.Items[from].Is(WordKind.OverDip)) is not null
                    && head.Items[from - 1].Is(WordKind.Colour) is not null)
                    || head.Items[from - 1].IsNumber
                    || head.Items[from - 1].IsEmpty))
                from--;
            SetAside(head.Items[from..]);
            head.Items.RemoveRange(from, head.Items.Count - from);
        }

        return head;
    }

    /// <summary>"sprinkles? no": a refusal that names nothing refuses what stands before it.</summary>
    private void Ellipses(List<Draft> drafts)
    {
        for (var i = 0; i < drafts.Count; i++)
        {
            if (!drafts[i].Refuses || !drafts[i].IsEmpty || drafts[i].Scope is not null)
                continue;
            if (i > 0 && drafts[i - 1] is { IsBareList: true, Refuses: false } before)
            {
                before.Refuses = true;
                drafts.RemoveAt(i--);
            }
            else if (!drafts[i].IsAllergy || i + 1 >= drafts.Count || !drafts[i + 1].Refuses)
            {
                notes.Tell(drafts[i].Stretch, "entry.left-out-what", []);
                drafts.RemoveAt(i--);
            }
        }
    }

    /// <summary>Gives every clause to the pieces that it speaks of.</summary>
    private void Assign(List<Draft> drafts)
    {
        var (current, lost, refused) = ((Part?)_base, false, false);
        foreach (var draft in drafts)
        {
            if (refused && AsksAfterRefusal(draft))
                continue;
            if (AsksWhichOne(draft, current))
                continue;
            refused = draft.Refuses;
            var joined = draft.Boundary is null || draft.Boundary.First.Kind is TokenKind.Word || text[draft.Boundary.Start] is '&' or '+';
            if (draft.IsEmpty && draft.Scope is null && !draft.Items.Exists(i => i.IsNumber))
                continue;
            if (Clause.Of(draft.Items, draft.Refuses) is not { } clause || (lost && draft.Scope is null && joined))
            {
                Aside(draft);
                lost = draft.Scope is not null || (lost && joined);
                continue;
            }

            lost = false;
            current = Given(draft, clause, current, joined);
        }
    }

    /// <summary>Gives one clause to its pieces; the pieces that what follows speaks of.</summary>
    private Part? Given(Draft draft, Clause clause, Part? current, bool joined)
    {
        switch (draft.Scope)
        {
            case { Kind: ScopeKind.All }:
                (current = _base).Clauses.Add((draft, clause));
                break;
            case { Kind: ScopeKind.Except } except when draft.IsEmpty:
                AllBut(except, draft);
                current = null;
                break;
            case { Kind: ScopeKind.Of } ones:
                current = _parts.Find(p => p.Wanted.Exists(i => i.Is(WordKind.Colour)?.Code == ones.Said.Is(WordKind.Colour)!.Code));
                if (current is null)
                    notes.Tell(draft.Stretch, "entry.which-ones", []);
                current?.Clauses.Add((draft, clause));
                _dividing.Add(ones.Said);
                break;
            case { } scope:
                var part = new Part(scope.Kind is ScopeKind.Except ? scope with { Kind = ScopeKind.Count } : scope);
                part.Clauses.Add((draft, clause));
                _parts.Add(part);
                current = draft.ScopedAfter ? null : part;
                break;
            case null when _parts.Count == 0 || (draft.Refuses && (!joined || current is null)):
                _base.Clauses.Add((draft, clause));
                break;
            case null when joined && current is not null:
                current.Clauses.Add((draft, clause));
                break;
            case null when draft.Items.Exists(i => i.IsRefusable):
                var words = text[draft.Stretch.Start..draft.Stretch.End];
                notes.Tell(
                    draft.Stretch,
                    "entry.all-or-some",
                    [new($"all with {words}", $"all with {words}"), new($"the rest with {words}", $"the rest with {words}")]);
                break;
            default:
                _base.Clauses.Add((draft, clause));
                break;
        }

        return current;
    }

    /// <summary>Asks whether what is listed after a refusal is refused too.</summary>
    private bool AsksAfterRefusal(Draft draft)
    {
        if (draft.Refuses
            || draft is not { IsBareList: true, Scope: null, Boundary.First.Kind: TokenKind.Comma }
            || !draft.Items.TrueForAll(i => i.IsUnderstood))
            return false;
        var listed = text[draft.Stretch.Start..draft.Stretch.End];
        notes.Tell(
            draft.Stretch,
            "entry.wanted-or-not",
            [new($"with {listed}", $"with {listed}"), new($"no {listed}", $"no {listed}")]);
        return true;
    }

    /// <summary>One or the other: neither takes effect before it is known which.</summary>
    private bool AsksWhichOne(Draft draft, Part? current)
    {
        if (!draft.StartsWith("or", "nor") || draft.Refuses || draft.IsEmpty || !draft.Items.TrueForAll(i => i.IsUnderstood))
            return false;
        if (current?.Clauses is [.., { Draft: { IsBareList: true, Refuses: false } either }])
        {
            notes.Tell(either.Stretch, "entry.one-or-other", []);
            current.Clauses.RemoveAt(current.Clauses.Count - 1);
        }

        notes.Tell(draft.Stretch, "entry.one-or-other", []);
        return true;
    }

    /// <summary>"… on all except 6": the clause before speaks of all others.</summary>
    private void AllBut(Scope except, Draft draft)
    {
        if (_base.Clauses.Count > 0 && _base.Clauses[^1] is { Clause.Refuses: false } last && !last.Draft.Items.Exists(i => i.NamesPiece))
        {
            _base.Clauses.RemoveAt(_base.Clauses.Count - 1);
            var part = new Part(except);
            part.Clauses.Add(last);
            _parts.Add(part);
        }
        else
        {
            notes.Tell(draft.Stretch, "entry.not-have-what", []);
        }
    }

    private static string Plain(double value) => value.ToString("0.##", CultureInfo.InvariantCulture);

    /// <summary>A clause that is not understood has no part in any line: it is asked about, whole.</summary>
    private void Aside(Draft draft) => SetAside(draft.Items, draft.Governors);

    private void SetAside(IReadOnlyList<Item> said, IReadOnlyList<Item>? governors = null)
    {
        var all = said.Concat(governors ?? []).ToList();
        var (start, end) = (all.Min(i => i.Start), all.Max(i => i.End));
        var unknown = said.Where(i => !i.IsUnderstood && i.Meanings.Count == 0).OrderBy(i => i.Start).ToList();
        var known = said.Where(i => i.IsUnderstood && !i.IsEmpty).ToList();
        if (unknown.Count == 0 || known.Count == 0)
        {
            notes.Tell(
                (start, end),
                "entry.unknown-word",
                [.. unknown.Where(u => u.First.Kind is TokenKind.Word)
                    .Take(1)
                    .SelectMany(u => vocabulary.Nearest(u.First.Stem))
                    .Select(n => new ChipChoice(n, n))]);
            return;
        }

        var first = unknown[0];
        var cut = string.Join(
            ' ',
            all.Where(i => i.IsUnderstood && i.End > i.Start)
                .OrderBy(i => i.Start)
                .SkipWhile(i => i.IsEmpty)
                .Select(i => text[i.Start..i.End]));
        List<ChipChoice> choices = [new(cut, cut)];
        if (known.Find(i => i.IsRefusable) is { } refusable)
            choices.Add(new($"no {refusable.Meanings[0].Says}", $"no {refusable.Meanings[0].Says}"));
        notes.Tell((start, end), Message.Of("entry.not-known", ("word", text[first.Start..first.End])), choices);
    }
}

using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.QuickEntry;

/// <summary>Finds the phrases of a text and parts it into lines.</summary>
internal sealed class Reader
{
    private readonly string _text;
    private readonly KitchenTables _tables;
    private readonly IReadOnlyList<Look> _looks;
    private readonly Vocabulary _vocabulary;
    private readonly OrderReader _order;

    public Reader(string text, KitchenTables tables, IReadOnlyList<Look> looks, Vocabulary vocabulary, LocalDate today)
    {
        (_text, _tables, _looks, _vocabulary, Notes) = (text, tables, looks, vocabulary, new(text));
        _order = new(
            text,
            tables.Reference,
            today,
            (item, reason, choices) => Notes.Tell((item.Start, item.End), reason, [.. choices.Select(c => new ChipChoice(c, c))]));
    }

    public List<EntryLine> Lines { get; } = [];

    public Notes Notes { get; }

    public EntryOrder Order => _order.Order;

    public void Run()
    {
        List<List<Item>> requests = [];
        foreach (var stretch in Split(Scanner.Scan(_text), t => t.Kind is TokenKind.LineEnd))
        {
            foreach (var part in Pieces(new Counting(_order.Take(Items(stretch)), _order).Compound()))
            {
                // A line that names no piece goes on with the one before.
                if (!part.Exists(i => i.NamesPiece) && requests.Count > 0 && part.Count > 0)
                    requests[^1].AddRange([
                        new(
                            new(TokenKind.Comma, "", 0, false, part[0].Start, part[0].Start),
                            new(TokenKind.Comma, "", 0, false, part[0].Start, part[0].Start),
                            [],
                            false),
                        .. part,
                    ]);
                else if (part.Exists(i => !i.IsEmpty))
                    requests.Add(part);
            }
        }

        foreach (var (items, group) in requests.Select((r, i) => (r, i)))
            Lines.AddRange(new Request(_text, items, _tables, _looks, _vocabulary, _order, Notes).Lines()
                .Select(l => l with { Group = group }));

        foreach (var item in requests.SelectMany(r => r).Where(i => !Used(i)))
            Notes.Tell((item.Start, item.End), "entry.not-used", []);
    }

    /// <summary>What is said of the whole order; null where anything else is said, or two of a kind.</summary>
    public EntryOrder? OrderAlone()
    {
        var rest = _order.Take(Items(Scanner.Scan(_text)));
        return rest.TrueForAll(i => i.IsEmpty) && Notes.All.Count == 0 ? Order : null;
    }

    /// <summary>Whether a word shows somewhere: nothing that was typed is lost without being told.</summary>
    private bool Used(Item item)
    {
        if (item.End == item.Start || item.IsEmpty
            || item.IsAny(
                WordKind.Refusal,
                WordKind.RefusedAfter,
                WordKind.FreeOf,
                WordKind.Allergy,
                WordKind.Except,
                WordKind.Rest,
                WordKind.Plain,
                WordKind.Chocolate,
                WordKind.Delivery))
            return true;
        bool Covers(int start, int length) => start <= item.Start && item.End <= start + length;
        return Lines.SelectMany(l => l.Chips).Concat(Order.Chips).Any(c => Covers(c.Start, c.Length))
            || Notes.All.Exists(n => Covers(n.Start, n.Length));
    }

    private static IEnumerable<List<Token>> Split(List<Token> tokens, Func<Token, bool> at)
    {
        List<Token> part = [];
        foreach (var token in tokens)
        {
            if (!at(token))
            {
                part.Add(token);
                continue;
            }

            yield return part;
            part = [];
        }

        yield return part;
    }

    /// <summary>The longest phrase from each place on, with slips of the fingers put right.</summary>
    private List<Item> Items(List<Token> tokens)
    {
        var vocabulary = _vocabulary;
        tokens = InOtherWords(tokens).FindAll(t => !(t.Kind is TokenKind.Word && t.Stem is "please" or "pls" or "plz"));
        tokens = tokens.ConvertAll(t => t.Kind is TokenKind.Word && !vocabulary.Knows(t.Stem) && vocabulary.Correct(t.Stem) is { } word
            ? t with { Stem = word, Corrected = true }
            : t);
        List<Item> items = [];
        for (var i = 0; i < tokens.Count;)
        {
            var length = 0;
            while (length < vocabulary.Longest && i + length < tokens.Count && tokens[i + length].Kind is TokenKind.Word)
                length++;
            while (length > 1 && vocabulary.Meanings(Phrase(i, length)).Count == 0)
                length--;
            length = Math.Max(length, 1);
            var (first, last) = (tokens[i], tokens[i + length - 1]);
            items.Add(new(
                first,
                last,
                first.Kind is TokenKind.Word ? vocabulary.Meanings(Phrase(i, length)) : [],
                tokens.Skip(i).Take(length).Any(t => t.Corrected)));
            i += length;
        }

        // "letters AB": what is to be piped need not stand in quotation marks.
        for (var i = 1; i < items.Count; i++)
        {
            if (items[i - 1].Is(WordKind.Pattern) is { Code: "letters" }
                && items[i] is { IsUnderstood: false, First: { Kind: TokenKind.Word } word }
                && _text[word.Start..word.End].All(char.IsUpper))
                items[i] = new(
                    word with { Kind = TokenKind.Quoted, Stem = _text[word.Start..word.End] },
                    word with { Kind = TokenKind.Quoted, Stem = _text[word.Start..word.End] },
                    [],
                    false);
        }

        return items;

        string Phrase(int from, int length) => string.Join(' ', tokens.Skip(from).Take(length).Select(t => t.Stem));
    }

    /// <summary>The maker's own words replaced by what they mean, which stands where they stood.</summary>
    private List<Token> InOtherWords(List<Token> tokens)
    {
        foreach (var (word, means) in _tables.Reference.Words.Means.Concat(_tables.Reference.Words.Own ?? new Dictionary<string, string>()))
        {
            var key = Scanner.Scan(word).ConvertAll(t => t.Stem);
            for (var at = 0; key.Count > 0 && at + key.Count <= tokens.Count; at++)
            {
                if (!key.SequenceEqual(tokens.Skip(at).Take(key.Count).Select(t => t.Stem)))
                    continue;
                var (start, end) = (tokens[at].Start, tokens[at + key.Count - 1].End);
                var meant = Scanner.Scan(means)
                    .Where(t => t.Kind is not TokenKind.LineEnd)
                    .Select(t => t with { Start = start, End = end })
                    .ToList();
                tokens = [.. tokens[..at], .. meant, .. tokens[(at + key.Count)..]];
                at += Math.Max(meant.Count, 1) - 1;
            }
        }

        return tokens;
    }

    /// <summary>Begins a new request where a second piece is named: at the count before it, or at the comma.</summary>
    private static IEnumerable<List<Item>> Pieces(List<Item> items)
    {
        List<Item> part = [];
        var (named, cut) = ((Item?)null, -1);
        foreach (var item in items)
        {
            if (item.IsBoundary)
                cut = part.Count + 1;
            else if (item.IsNumber)
                cut = part.Count;
            else if (item.NamesPiece && named is not null && SameAgain(part, named, item))
                continue;
            else if (item.NamesPiece && named is not null && cut > 0)
            {
                yield return part[..cut];
                (part, named, cut) = (part[cut..], null, -1);
            }

            if (item.NamesPiece && named is null)
                (named, cut) = (item, -1);
            part.Add(item);
        }

        yield return part;
    }

    /// <summary>"… on 10 of the rods", "the rest of the rods": the piece that is spoken of already.</summary>
    private static bool SameAgain(List<Item> part, Item named, Item item)
    {
        if (item.Is(WordKind.Centre)?.Code != named.Is(WordKind.Centre)?.Code)
            return false;
        var before = part.AsEnumerable().Reverse().SkipWhile(i => i.First.Stem is "the" or "my" or "those" or "these").ToList();
        return before is [var last, ..] && (last.First.Stem is "of" || last.IsAny(WordKind.All, WordKind.Rest, WordKind.Share)
            || (last.IsNumber && before.ElementAtOrDefault(1)?.First.Stem is "on" or "only" or "just"));
    }
}

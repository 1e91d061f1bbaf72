using Kondiba.Core.Decoration;
using Kondiba.Core.Reference;

namespace Kondiba.Core.QuickEntry;

/// <summary>A word, phrase or number of the text with everything it may mean.</summary>
internal sealed record Item(Token First, Token Last, IReadOnlyList<Meaning> Meanings, bool Corrected)
{
    public int Start => First.Start;

    public int End => Last.End;

    public bool IsNumber => First.Kind is TokenKind.Number || Is(WordKind.Number) is not null;

    public double Number => First.Kind is TokenKind.Number ? First.Value : double.Parse(Is(WordKind.Number)!.Code, System.Globalization.CultureInfo.InvariantCulture);

    /// <summary>"a", which counts only where a count is wanted.</summary>
    public bool IsArticle => First.Stem is "a" or "an";

    public Meaning? Is(WordKind kind) => Meanings.FirstOrDefault(m => m.Kind == kind);

    public bool NamesPiece => Is(WordKind.Centre) is not null || Is(WordKind.Look) is not null;
}

/// <summary>Finds the phrases of a text and parts it into lines.</summary>
internal sealed class Reader(string text, TradeTables tables, IReadOnlyList<Look> looks, Vocabulary vocabulary)
{
    public List<EntryLine> Lines { get; } = [];

    public List<NotUnderstood> Unknown { get; } = [];

    public void Run()
    {
        foreach (var stretch in Split(Scanner.Scan(text), t => t.Kind is TokenKind.LineEnd))
        {
            foreach (var part in Pieces(Items(stretch)))
            {
                if (new LineReader(text, part, tables, looks, vocabulary, Unknown).Read() is { } line)
                    Lines.Add(line);
            }
        }
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
        tokens = tokens.ConvertAll(t => t.Kind is TokenKind.Word && !vocabulary.Knows(t.Stem) && vocabulary.Correct(t.Stem) is { } word ? t with { Stem = word, Corrected = true } : t);
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
            items.Add(new(first, last, first.Kind is TokenKind.Word ? vocabulary.Meanings(Phrase(i, length)) : [], tokens.Skip(i).Take(length).Any(t => t.Corrected)));
            i += length;
        }

        return items;

        string Phrase(int from, int length) => string.Join(' ', tokens.Skip(from).Take(length).Select(t => t.Stem));
    }

    /// <summary>Begins a new line where a second piece is named: at the count before it, or at the comma.</summary>
    private static IEnumerable<List<Item>> Pieces(List<Item> items)
    {
        List<Item> line = [];
        var (named, cut) = (false, -1);
        foreach (var item in items)
        {
            if (item.First.Kind is TokenKind.Comma || item.Is(WordKind.Joiner) is not null)
                cut = line.Count + 1;
            else if (item.IsNumber && !(line.Count > 0 && line[^1].IsNumber))
                cut = line.Count;
            else if (item.NamesPiece && named && cut > 0)
            {
                yield return line[..cut];
                (line, named, cut) = (line[cut..], false, -1);
            }

            if (item.NamesPiece && !named)
                (named, cut) = (true, -1);
            line.Add(item);
        }

        yield return line;
    }
}

namespace Kondiba.Core.QuickEntry;

/// <summary>How many, as typed.</summary>
/// <param name="Value">The number.</param>
/// <param name="Unit">Code of what it counts; null for pieces.</param>
/// <param name="Vague">Whether it was a word that leaves the number open, such as "a few".</param>
/// <param name="Boxes">In how many boxes or bags they go; null when it does not say.</param>
internal sealed record Count(double Value, string? Unit = null, bool Vague = false, double? Boxes = null)
{
    public const double Dozen = 12;

    /// <summary>In pieces; null of weights and packs.</summary>
    public double? Pieces => Unit switch { null or "pieces" => Value, "dozens" => Value * Dozen, _ => null };
}

/// <summary>A word, phrase or number of the text with everything it may mean.</summary>
/// <param name="First">The token it begins with.</param>
/// <param name="Last">The token it ends with.</param>
/// <param name="Meanings">What the phrase can stand for.</param>
/// <param name="Corrected">Whether a slip of the fingers was put right in it.</param>
/// <param name="Count">How many, when it is a number.</param>
internal sealed record Item(Token First, Token Last, IReadOnlyList<Meaning> Meanings, bool Corrected, Count? Count = null)
{
    public int Start => First.Start;

    public int End => Last.End;

    /// <summary>Whether the product knows what it says.</summary>
    public bool IsUnderstood =>
        Count is not null
            || Meanings.Count > 0
            || First.Kind is TokenKind.Number or TokenKind.Percent or TokenKind.Quoted or TokenKind.Comma;

    public bool IsNumber => Count is not null;

    /// <summary>"a", which counts only where a count is wanted.</summary>
    public bool IsArticle => Count is null && First == Last && First.Stem is "a" or "an";

    /// <summary>Whether a clause ends before it.</summary>
    public bool IsBoundary => First.Kind is TokenKind.Comma || Is(WordKind.Joiner) is not null;

    /// <summary>Whether it says nothing of its own.</summary>
    public bool IsEmpty =>
        IsBoundary
            || IsArticle
            || IsAny(WordKind.Filler, WordKind.Per, WordKind.Opener, WordKind.Each, WordKind.Split, WordKind.All, WordKind.When);

    /// <summary>Of the pieces or of a piece, when it is a share: "half", "a third", "2/3", "50 %".</summary>
    public double? Share => Is(
        WordKind.Share) is { } share ? double.Parse(share.Code, System.Globalization.CultureInfo.InvariantCulture) / 100
        : First.Kind is TokenKind.Percent ? First.Value / 100
        : First == Last
            && First is { Kind: TokenKind.Number, Fraction: true, Value: > 0 and < 1 }
            && Count is null or { Unit: null } ? First.Value
        : null;

    public bool NamesPiece => IsAny(WordKind.Centre, WordKind.Look);

    /// <summary>Whether it is something that a piece can be had without.</summary>
    public bool IsRefusable =>
        IsAny(WordKind.Sprinkle, WordKind.Pattern, WordKind.Part, WordKind.Lustre, WordKind.OverDip, WordKind.Stick, WordKind.Allergen);

    /// <summary>Whether it can stand for something of one of these kinds.</summary>
    public bool IsAny(params ReadOnlySpan<WordKind> kinds)
    {
        foreach (var meaning in Meanings)
        {
            if (kinds.Contains(meaning.Kind))
                return true;
        }

        return false;
    }

    /// <summary>What it stands for when it is of a kind; null when it is not.</summary>
    public Meaning? Is(WordKind kind) => Meanings.FirstOrDefault(m => m.Kind == kind);

    /// <summary>This and what follows it up to another, as one with a count.</summary>
    public Item To(Item last, Count? count = null) =>
        this with { Last = last.Last, Corrected = Corrected || last.Corrected, Count = count ?? Count };
}

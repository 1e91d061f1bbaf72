namespace Kondiba.Core.QuickEntry;

/// <summary>Which of a line's pieces a clause speaks of.</summary>
internal enum ScopeKind
{
    /// <summary>So many pieces.</summary>
    Count,

    /// <summary>A share of the pieces.</summary>
    Share,

    /// <summary>Those that nothing else was said of.</summary>
    Rest,

    /// <summary>All but so many.</summary>
    Except,

    /// <summary>All of them.</summary>
    All,

    /// <summary>Those in a colour that others do not have: "the dark ones".</summary>
    Of,
}

/// <summary>Which of a line's pieces a clause speaks of.</summary>
/// <param name="Kind">How they are told.</param>
/// <param name="Value">How many, or what share.</param>
/// <param name="Said">Where it was said.</param>
internal sealed record Scope(ScopeKind Kind, double Value, Item Said);

/// <summary>
/// Words under one governor: they are wanted, or they are refused. There is no clause with a word in it that is not understood, for such
/// a word may turn what stands beside it into its contrary; so nothing that is only half understood ever takes effect.
/// </summary>
internal sealed class Clause
{
    private Clause(IReadOnlyList<Item> items, bool refuses) => (Items, Refuses) = (items, refuses);

    /// <summary>Its words.</summary>
    public IReadOnlyList<Item> Items { get; }

    /// <summary>Whether it says what is not wanted.</summary>
    public bool Refuses { get; }

    /// <summary>The clause of these words; null when one of them is not understood.</summary>
    public static Clause? Of(IReadOnlyList<Item> items, bool refuses) => items.All(i => i.IsUnderstood) ? new(items, refuses) : null;
}

/// <summary>A clause as it was cut from a request, before it is known to be understood.</summary>
internal sealed class Draft(Item? boundary)
{
    /// <summary>The mark or word that parts it from the one before; null at the beginning.</summary>
    public Item? Boundary { get; } = boundary;

    /// <summary>Its words.</summary>
    public List<Item> Items { get; set; } = [];

    /// <summary>The words that govern it: a refusal, how it begins, which pieces it speaks of.</summary>
    public List<Item> Governors { get; } = [];

    public bool Refuses { get; set; }

    /// <summary>Whether it names allergens that somebody must not have.</summary>
    public bool IsAllergy { get; set; }

    public Scope? Scope { get; set; }

    /// <summary>Whether its scope stands behind it: "silver zigzag on 10 of them".</summary>
    public bool ScopedAfter { get; set; }

    public bool IsEmpty => Items.All(i => i.IsEmpty);

    /// <summary>Whether it is only a list of things that a piece can be had without.</summary>
    public bool IsBareList =>
        !IsEmpty
            && Items.All(i => i.IsEmpty || (i.IsRefusable && i.Is(WordKind.Colour) is null) || i.Is(WordKind.Allergen) is not null)
            && Items.Exists(i => i.IsRefusable);

    /// <summary>The one thing that it says besides a count or a piece; null when it says none, or several.</summary>
    public Item? Only =>
        !Refuses
            && Items.Where(i => !i.IsEmpty && !i.IsNumber && !i.NamesPiece && i.Is(WordKind.Chocolate) is null).ToList() is [var only]
            && (only.Is(WordKind.Colour) is not null || only.IsRefusable)
            ? only
            : null;

    /// <summary>The colour that is all it says besides a count or a piece.</summary>
    public Item? OnlyColour => Only?.Is(WordKind.Colour) is not null ? Only : null;

    public bool StartsWith(params string[] words) => Boundary is { } boundary && words.Contains(boundary.First.Stem);

    /// <summary>From its first word to its last, governors too.</summary>
    public (int Start, int End) Stretch
    {
        get
        {
            var all = Governors.Concat(Items.SkipWhile(i => i.IsEmpty && Governors.Count == 0 && Items.Count > 1)).ToList();
            return all.Count > 0 ? (all.Min(i => i.Start), all.Max(i => i.End)) : (Boundary!.Start, Boundary.End);
        }
    }
}

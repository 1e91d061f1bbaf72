using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;

namespace Kondiba.Core.QuickEntry;

/// <summary>What a word or phrase can stand for.</summary>
internal enum WordKind
{
    Centre,
    Size,
    Colour,
    Coating,
    Pattern,
    Sprinkle,
    Part,
    Lustre,
    OverDip,
    Share,
    Depth,
    Coats,
    CoatNoun,
    Side,
    Setting,
    Stick,
    Unit,
    Number,
    VagueNumber,
    Look,
    LooksLike,
    Chocolate,
    Joiner,
    Filler,
    Opener,
    Refusal,
    RefusedAfter,
    FreeOf,
    Allergy,
    Except,
    Rest,
    All,
    Each,
    Split,
    Plain,
    Container,
    Per,
    Wrap,
    Allergen,
    Weekday,
    Month,
    Day,
    Hour,
    Next,
    When,
    Delivery,
}

/// <summary>A meaning of a phrase.</summary>
/// <param name="Kind">What kind of thing it names.</param>
/// <param name="Code">Its code; of a number its value.</param>
/// <param name="Says">The phrase that names it best, for completing and correcting.</param>
internal sealed record Meaning(WordKind Kind, string Code, string Says);

/// <summary>
/// Every phrase that quick entry understands in a kitchen: the names in its tables, what makers call them, and its looks.
/// </summary>
internal sealed class Vocabulary
{
    private readonly Dictionary<string, List<Meaning>> _phrases = [];
    private readonly HashSet<string> _words = [];
    private readonly HashSet<string> _content = [];

    public Vocabulary(ReferenceData tables, IReadOnlyList<Look> looks)
    {
        Looks = looks;
        var words = tables.Words;
        foreach (var (list, kind) in ((IReadOnlyList<string>, WordKind)[])
            [
                (words.Joiners, WordKind.Joiner), (words.Fillers, WordKind.Filler), (words.CoatNouns, WordKind.CoatNoun),
                (words.Openers, WordKind.Opener), (words.Refusals, WordKind.Refusal),
                (words.RefusedAfter, WordKind.RefusedAfter), (words.FreeOf, WordKind.FreeOf), (words.Allergies, WordKind.Allergy),
                (words.Excepts, WordKind.Except), (words.Rests, WordKind.Rest),
                (words.Alls, WordKind.All), (words.Eaches, WordKind.Each), (words.Splits, WordKind.Split), (words.Plains, WordKind.Plain),
                (words.Pers, WordKind.Per), (words.Next, WordKind.Next),
                (words.Whens, WordKind.When), (words.Deliveries, WordKind.Delivery),
            ])
            foreach (var word in list)
                Add(word, new(kind, word, word));
        Centres(tables);
        Coatings(tables);
        Decor(tables);
        All(WordKind.OverDip, words.OverDips);
        All(WordKind.Share, words.Shares);
        All(WordKind.Depth, words.Depths);
        All(WordKind.Coats, words.Coats);
        All(WordKind.Side, words.Sides);
        All(WordKind.Setting, words.Setting);
        All(WordKind.Stick, words.Sticks);
        All(WordKind.Unit, words.Units);
        All(WordKind.Container, words.Containers);
        All(WordKind.Wrap, words.Wraps);
        All(WordKind.Allergen, words.Allergens);
        All(WordKind.Weekday, words.Weekdays);
        All(WordKind.Month, words.Months);
        All(WordKind.Day, words.Days);
        All(WordKind.Hour, words.Hours);
        foreach (var name in tables.Centres.SelectMany(c => c.PackName))
            Add(name, new(WordKind.Unit, "packs", name));
        foreach (var (word, value) in words.Numbers)
            Add(word, new(WordKind.Number, value.ToString(System.Globalization.CultureInfo.InvariantCulture), word));
        foreach (var (word, value) in words.VagueNumbers)
            Add(word, new(WordKind.VagueNumber, value.ToString(System.Globalization.CultureInfo.InvariantCulture), word));
        Named(WordKind.Chocolate, "dark", "chocolate", ["chocolate", "choc"]);

        // A look whose name reads as plain words, as "plum twist" does, is taken for those words unless "look" stands before it.
        foreach (var look in looks)
        {
            var plain = Key(look.Name).Split(' ').All(_words.Contains);
            Named(
                WordKind.Look,
                look.Code,
                plain ? $"look {look.Name}" : look.Name,
                plain ? [$"look {look.Name}"] : [look.Name, $"look {look.Name}"]);
        }

        Longest = _phrases.Keys.Max(k => k.Count(c => c == ' ')) + 1;
    }

    private void Centres(ReferenceData tables)
    {
        var words = tables.Words;
        foreach (var centre in tables.Centres.Concat(tables.Figures))
        {
            Named(WordKind.Centre, centre.Code, centre.Plural, [centre.Name, centre.Plural, .. Of(words.Centres, centre.Code)]);
            foreach (var size in centre.Sizes.Where(s => s.Name.Length > 0))
                Named(WordKind.Size, size.Code, size.Name, [size.Name, .. Of(words.Sizes, size.Code)]);
        }
    }

    private void Coatings(ReferenceData tables)
    {
        var words = tables.Words;
        foreach (var colour in tables.Coatings.SelectMany(c => c.Colours))
            Named(WordKind.Colour, colour.Code, colour.Name, [colour.Name, .. Of(words.Colours, colour.Code)]);
        foreach (var word in words.LooksLike.Keys.Where(w => Meanings(w).All(m => m.Kind is not WordKind.Colour)))
            Named(WordKind.LooksLike, word, word, [word]);
        foreach (var coating in tables.Coatings)
            Named(WordKind.Coating, coating.Code, coating.Name, [coating.Name, .. Of(words.Coatings, coating.Code)]);
    }

    private void Decor(ReferenceData tables)
    {
        var words = tables.Words;
        foreach (var pattern in tables.Decor.Patterns)
            Named(WordKind.Pattern, pattern.Code, pattern.Name, [pattern.Name, .. Of(words.Patterns, pattern.Code)]);
        foreach (var sprinkle in tables.Decor.Sprinkles)
            Named(
                WordKind.Sprinkle,
                sprinkle.Code,
                sprinkle.Name,
                [sprinkle.Name, .. Of(words.Sprinkles, sprinkle.Code), .. sprinkle.Words ?? []]);
        foreach (var part in tables.Decor.Parts)
            Named(WordKind.Part, part.Code, part.Plural, [part.Name, part.Plural, .. Of(words.Parts, part.Code), .. part.Words ?? []]);
        foreach (var lustre in tables.Decor.Lustres)
            Named(WordKind.Lustre, lustre.Code, lustre.Name, [lustre.Name, .. Of(words.Lustres, lustre.Code)]);
    }

    /// <summary>The library whose names it knows.</summary>
    public IReadOnlyList<Look> Looks { get; }

    /// <summary>Words in the longest phrase.</summary>
    public int Longest { get; }

    /// <summary>A phrase in the form that phrases are compared in.</summary>
    public static string Key(string phrase) =>
        string.Join(' ', phrase.ToLowerInvariant().Split([' ', '-', ',', '(', ')'], StringSplitOptions.RemoveEmptyEntries).Select(Stem));

    /// <summary>A word without the s of its plural.</summary>
    public static string Stem(string word) =>
        word.Length > 3 && word.EndsWith('s') && !word.EndsWith("ss", StringComparison.Ordinal) && word is not "ones" ? word[..^1] : word;

    /// <summary>What a phrase can mean; nothing when it is not known.</summary>
    public IReadOnlyList<Meaning> Meanings(string key) => _phrases.TryGetValue(Key(key), out var found) ? found : [];

    /// <summary>Whether a word is part of any phrase.</summary>
    public bool Knows(string stem) => _words.Contains(stem);

    /// <summary>
    /// The word that a mistyped one most likely is: one slip in four letters, two from seven on, the first letter right, and no other
    /// word that means something else as near. Null when there is none.
    /// </summary>
    public string? Correct(string stem)
    {
        var slips = stem.Length switch { < 4 => 0, < 7 => 1, _ => 2 };
        if (slips == 0)
            return null;
        var near = _content.Where(w => w.Length > 2
            && w[0] == stem[0]
            && Meanings(w).All(m => IsContent(m.Kind) || m.Kind is WordKind.Chocolate)
            && Math.Abs(w.Length - stem.Length) <= slips)
            .Select(w => (Word: w, Slips: Typing.Slips(stem, w))).Where(w => w.Slips <= slips).OrderBy(w => w.Slips).ToList();
        var nearest = near.TakeWhile(n => n.Slips == near[0].Slips).Select(n => n.Word).ToList();
        return nearest.Count == 1
            || (nearest.Count > 1
                && nearest.TrueForAll(n => Meanings(n) is [var one, ..]
                    && Meanings(nearest[0]) is [var other, ..]
                    && one.Kind == other.Kind
                    && one.Code == other.Code))
            ? nearest[0]
            : null;
    }

    /// <summary>Phrases that come nearest to a word that is not known, nearest first.</summary>
    public IReadOnlyList<string> Nearest(string word)
    {
        var most = word.Length < 6 ? 1 : Math.Max(2, word.Length / 3);
        return
        [
            .. _phrases.Where(p => IsContent(p.Value[0].Kind))
                .Select(p => (p.Value[0].Says, Far: p.Key.StartsWith(word, StringComparison.Ordinal) ? 0.5 : Typing.Slips(word, p.Key)))
                .Where(p => p.Far <= most).OrderBy(p => p.Far).ThenBy(p => p.Says, StringComparer.Ordinal).Select(
                    p => p.Says).Distinct().Take(
                    3),
        ];
    }

    /// <summary>Whether words of that kind name something of a piece or an order, rather than how it is said.</summary>
    private static bool IsContent(WordKind kind) =>
        kind is WordKind.Centre or WordKind.Size or WordKind.Colour or WordKind.Coating or WordKind.Pattern or WordKind.Sprinkle
        or WordKind.Part or WordKind.Lustre or WordKind.OverDip or WordKind.Depth or WordKind.Coats or WordKind.Side or WordKind.Setting
        or WordKind.Stick or WordKind.Unit or WordKind.Look or WordKind.Allergen or WordKind.Refusal or WordKind.Plain;

    /// <summary>What a phrase that is still being typed may become, shortest first.</summary>
    public IReadOnlyList<Meaning> Beginning(string typed)
    {
        var key = typed.ToLowerInvariant();
        return
        [
            .. _phrases.Where(p => IsContent(p.Value[0].Kind)
                    && (p.Key.StartsWith(key, StringComparison.Ordinal)
                        || p.Value[0].Says.StartsWith(key, StringComparison.OrdinalIgnoreCase)))
                .Select(p => p.Value[0]).OrderBy(m => m.Kind).ThenBy(m => m.Says.Length).ThenBy(
                    m => m.Says, StringComparer.Ordinal).DistinctBy(
                    m => (m.Kind, m.Says)),
        ];
    }

    private static IReadOnlyList<string> Of(IReadOnlyDictionary<string, IReadOnlyList<string>> words, string code) =>
        words.TryGetValue(code, out var list) ? list : [];

    private void All(WordKind kind, IReadOnlyDictionary<string, IReadOnlyList<string>> words)
    {
        foreach (var (code, phrases) in words)
            Named(kind, code, phrases[0], phrases);
    }

    private void Named(WordKind kind, string code, string says, IEnumerable<string> phrases)
    {
        foreach (var phrase in phrases)
            Add(phrase, new(kind, code, says));
    }

    private void Add(string phrase, Meaning meaning)
    {
        var key = Key(phrase);
        if (key.Length == 0)
            return;
        if (!_phrases.TryGetValue(key, out var meanings))
            _phrases[key] = meanings = [];
        if (!meanings.Exists(m => m.Kind == meaning.Kind && m.Code == meaning.Code))
            meanings.Add(meaning);
        _words.UnionWith(key.Split(' '));
        if (IsContent(meaning.Kind) || meaning.Kind is WordKind.Chocolate)
            _content.UnionWith(key.Split(' '));
    }
}

using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <summary>The words of what a piece gets besides its first coat.</summary>
internal sealed partial class LineReader
{
    private int Pattern(int at, Meaning pattern, Meaning? colour, int from, int? lines = null)
    {
        var (item, kind) = (_items[at], tables.Reference.Decor.Pattern(pattern.Code)!);
        var whole = new Item(item.First with { Start = from }, item.Last, item.Meanings, item.Corrected);
        string? letters = null;
        var taken = 1;
        if (kind.Code is "letters"
            && at + 1 < _items.Count
            && _items[at + 1] is var next
            && (next.First.Kind is TokenKind.Number or TokenKind.Quoted or TokenKind.Word && !next.IsBoundary)
            && Piped(next) is { } piped)
        {
            letters = piped;
            (whole, taken) = (whole with { Last = _items[at + 1].Last }, 2);
        }

        var count = Math.Clamp(lines ?? kind.Usual, kind.Least, kind.Most);
        if (lines is { } asked && asked != count)
            Tell(
                item,
                Message.Of(
                    "entry.pattern-takes",
                    ("pattern", kind.Name),
                    ("least", kind.Least),
                    ("most", kind.Most),
                    ("counted", kind.Counted),
                    ("drawn", count)),
                []);
        _patterns.Add((kind.Code, colour?.Code, count, letters, from));
        var vague = tables.Reference.Words.Vague.Contains(item.First.Stem);
        var says = string.Join(
            ' ',
            ((string?[])[
                colour is null ? null : NameOf(colour.Code),
                kind.Name,
                letters is null ? null : $"“{letters}”",
                lines is null ? null : $"{count} {kind.Counted}",
            ]).OfType<string>());
        Add(
            "pattern",
            says,
            whole,
            tables.Reference.Decor.Patterns.Where(p => p.Code is not "letters")
                .Select(p => colour is null ? p.Name : $"{NameOf(colour.Code)} {p.Name}"),
            vague);
        return taken;
    }

    /// <summary>The letters or figures that an item asks for; null when they cannot be piped.</summary>
    private string? Piped(Item item)
    {
        var typed = (item.First.Kind is TokenKind.Quoted ? item.First.Stem : text[item.Start..item.End]).Trim('"', '“', '”').Trim();
        return typed.Length is 0 or > MostLetters || Decoration.Letters.Unknown(typed).Any() ? null : typed;
    }

    private int Letters(Item item)
    {
        if (Piped(item) is not { } typed)
            return Leave(item, Message.Of("entry.letters", ("most", MostLetters)));
        var last = _patterns.FindLastIndex(p => p.Kind is "letters" && p.Text is null);
        if (last >= 0)
            _patterns[last] = _patterns[last] with { Text = typed };
        else
            _patterns.Add(("letters", null, 1, typed, item.Start));
        Add("pattern", $"letters “{typed}”", item, []);
        return 1;
    }

    private int Sprinkle(int at, Meaning sprinkle)
    {
        var (item, kind) = (_items[at], tables.Reference.Decor.Sprinkle(sprinkle.Code)!);
        var side = at > 0 && _items[at - 1].Is(WordKind.Side) is { Code: "both" } ? Decoration.Side.Both : Decoration.Side.Front;
        _sprinkles.Add(new(kind.Code, side, UsualCover, kind.Only is GoesOn.Set));
        Add(
            "sprinkle",
            kind.Name,
            item,
            tables.Reference.Decor.Sprinkles.Select(s => s.Name),
            tables.Reference.Words.Vague.Contains(item.First.Stem) && item.First == item.Last);
        return 1;
    }

    private int Side(Item item, Meaning side)
    {
        var at = _items.IndexOf(item);
        var sprinkled = _sprinkles.Count > 0 || _items.Skip(at + 1).Take(2).Any(i => i.Is(WordKind.Sprinkle) is not null);
        if (!sprinkled)
            return side.Code is "both" ? Depth(item, 1) : Leave(item, "entry.sprinkles-first");
        if (_sprinkles.Count > 0)
            _sprinkles[^1] = _sprinkles[^1] with
            {
                Side = side.Code switch
                {
                    "both" => Decoration.Side.Both,
                    "tip" => Decoration.Side.Tip,
                    _ => Decoration.Side.Front
                }
            };
        Add("sprinkle", side.Says, item, ["both sides", "tip only", "one side"]);
        return 1;
    }

    private int Part(Item item, Meaning part, int count, int from)
    {
        var kind = tables.Reference.Decor.Part(part.Code)!;
        if (count is < 1 or > 12)
            return Leave(new(item.First with { Start = from }, item.Last, [], false), "entry.parts");
        _parts.Add(new(kind.Code, count, Pressed: kind.Only is GoesOn.Wet));
        Add(
            "part",
            $"{count} {(count == 1 ? kind.Name : kind.Plural)}",
            new(item.First with { Start = from }, item.Last, [], item.Corrected),
            tables.Reference.Decor.Parts.Select(p => $"{count} {p.Plural}"));
        return 1;
    }

    private int OverDip(Item item, Meaning dip, Meaning? colour, int from)
    {
        var half = dip.Code is "half";
        var at = _items.IndexOf(item);
        if (colour is null
            && _items.Skip(at + 1).FirstOrDefault(i => !i.IsEmpty) is { } last
            && last.Is(WordKind.Colour) is { } after
            && _colour is not null)
        {
            // "half and half white": the colour that follows is the other half's.
            _dips.Add((after.Code, half ? 0.5 : 0.33, half ? 90 : 0, from));
            Add(
                "dip",
                half ? $"one half in {NameOf(after.Code)}" : $"tip in {NameOf(after.Code)}",
                new(item.First, last.Last, [], false),
                []);
            return _items.IndexOf(last) - at + 1;
        }

        _dips.Add((colour?.Code, half ? 0.5 : 0.33, half ? 90 : 0, from));
        Add(
            "dip",
            $"{(half ? "one half" : "tip")}{(colour is null ? "" : $" in {NameOf(colour.Code)}")}",
            new(item.First with { Start = from }, item.Last, [], item.Corrected),
            []);
        return 1;
    }

    /// <summary>Takes away what was said of all pieces, or what the look wears.</summary>
    private int Plain(Item item)
    {
        Clear();
        Add("plain", "plain", item, []);
        return 1;
    }

    private void Clear()
    {
        // What is wanted of these pieces themselves stays.
        _sprinkles.RemoveRange(0, Math.Min(_sprinklesBefore, _sprinkles.Count));
        _patterns.RemoveRange(0, Math.Min(_patternsBefore, _patterns.Count));
        _parts.RemoveRange(0, Math.Min(_partsBefore, _parts.Count));
        _dips.RemoveRange(0, Math.Min(_dipsBefore, _dips.Count));
        var gone = _chips.Take(_chipsBefore).Where(c => c.Field is "pattern" or "sprinkle" or "part" or "dip" or "paint").ToList();
        _chips.RemoveAll(gone.Contains);
        (_sprinklesBefore, _patternsBefore, _partsBefore, _dipsBefore, _chipsBefore) = (0, 0, 0, 0, _chipsBefore - gone.Count);
        if (_level > 0)
            _paint = null;
        _changed |= _worn != Decor.None;
        _worn = Decor.None;
    }

    /// <summary>What a piece is not to have. It never adds anything; an allergen becomes one of the order's.</summary>
    private void Refuse(Draft draft)
    {
        if (draft.IsEmpty)
        {
            Clear();
            Add("refusal", "nothing on them", draft.Governors[^1], []);
            return;
        }

        Item? coloured = null;
        var said = draft.Items.FindAll(i => !i.IsEmpty);
        foreach (var (at, item) in said.Index())
        {
            var allergens = item.Meanings.Where(m => m.Kind is WordKind.Allergen).Select(m => m.Code).ToList();
            if (draft.IsAllergy || _level == 0 || !item.Meanings.Any(m => m.Kind is WordKind.Sprinkle))
                allergens.ForEach(a => order.Refuse(a, item));
            if (item.Is(WordKind.Colour) is not null && said.ElementAtOrDefault(at + 1)?.IsRefusable is true && allergens.Count == 0)
            {
                coloured = item;
                continue;
            }

            var colour = coloured?.Is(WordKind.Colour)!.Code;
            var any = tables.Reference.Words.Vague.Contains(item.First.Stem) && item.First == item.Last;
            if (!Undressed(draft, item, any, colour) && allergens.Count == 0)
            {
                notes.Tell(draft.Stretch, "entry.instead", []);
                continue;
            }

            var named = draft.IsAllergy ? string.Join(", no ", allergens) : item.Meanings.First(m => m.Kind is not WordKind.Colour).Says;
            Add("refusal", $"no {(colour is null ? "" : $"{NameOf(colour)} ")}{named}", coloured?.To(item) ?? item, []);
            coloured = null;
        }
    }

    /// <summary>Takes off what an item names; false where it names nothing that a piece wears.</summary>
    private bool Undressed(Draft draft, Item item, bool any, string? colour)
    {
        if (!draft.IsAllergy && item.Is(WordKind.Sprinkle) is { } sprinkle)
        {
            Without(_sprinkles, _sprinklesBefore, s => any || s.Kind == sprinkle.Code, item);
            Undress(_worn with { Sprinkles = [.. _worn.Sprinkles.Where(s => !any && s.Kind != sprinkle.Code)] });
        }
        else if (item.Is(WordKind.Pattern) is { } pattern)
        {
            Without(_patterns, _patternsBefore, p => (any || p.Kind == pattern.Code) && (colour is null || p.Colour == colour), item);
            Undress(_worn with { Patterns = [.. _worn.Patterns.Where(p => !(any || p.Kind == pattern.Code))] });
        }
        else if (item.Is(WordKind.Part) is { } part)
        {
            Without(_parts, _partsBefore, p => p.Kind == part.Code, item);
            Undress(_worn with { Parts = [.. _worn.Parts.Where(p => p.Kind != part.Code)] });
        }
        else if (item.Is(WordKind.Lustre) is not null)
        {
            _paint = null;
            Undress(_worn with { Paint = null });
        }
        else if (item.Is(WordKind.OverDip) is not null)
        {
            _dips.Clear();
            Undress(_worn with { Dips = [] });
        }
        else if (item.Is(WordKind.Stick) is not null)
        {
            _on = WareTable.NoStick;
        }
        else
        {
            return false;
        }

        return true;
    }

    /// <summary>Takes from a list what is refused; asks where the same was wanted of the same pieces.</summary>
    private void Without<T>(List<T> list, int before, Predicate<T> refused, Item item)
    {
        if (before < list.Count && list.FindIndex(before, refused) >= 0)
            Tell(item, "entry.asked-and-refused", []);
        if (list.RemoveAll(refused) > 0)
            _chips.RemoveAll(c => c.Field is "sprinkle" or "pattern" or "part"
                && item.Meanings.Any(m => c.Says.Contains(m.Says, StringComparison.Ordinal)));
    }

    private void Undress(Decor worn)
    {
        if (worn.Sprinkles.Count + worn.Patterns.Count + worn.Parts.Count + worn.Dips.Count == _worn.Sprinkles.Count + _worn.Patterns.Count + _worn.Parts.Count + _worn.Dips.Count
            && worn.Paint == _worn.Paint)
            return;
        (_worn, _changed) = (worn, true);
    }

    private Decor? Decorated(Coating coating, string colour)
    {
        if (_patterns.Count + _sprinkles.Count + _parts.Count + _dips.Count == 0 && _paint is null)
            return null;
        var contrast = coating.Colour("white") is not null && coating.Colour(colour) is { } on && Spectrum.LabOf(on.Srgb).L < PaleFrom
            ? "white"
            : coating.Colours[0].Code;
        foreach (var at in _patterns.Where(p => p.Colour is null)
            .Select(p => p.At)
            .Concat(_dips.Where(d => d.Colour is null).Select(d => d.At)))
            Assume("pattern", $"in {NameOf(contrast)}", at, UsualColours(), before: "", after: " ");
        foreach (var at in _patterns.Where(p => p.Kind is "letters" && p.Text is null).Select(p => p.At))
            Assume("pattern", $"letters “{AssumedLetters}”", at, []);
        return new(
            [.. _dips.Select(d => new OverDip(Holding(d.Colour ?? contrast).Code, d.Colour ?? contrast, d.Depth, d.Angle))],
            [
                .. _patterns.Select(p => new PatternDraft(
                    p.Kind, Holding(
                        p.Colour ?? contrast).Code, p.Colour ?? contrast, p.Lines, null, tables.Reference.Decor.Pattern(
                            p.Kind)!.Bead.Value.In(
                        "mm"), 0, 0, p.Kind is "letters"
                        ? p.Text ?? AssumedLetters
                        : null)),
            ],
            [.. _sprinkles.Select(s => s with { Glued = s.Glued
                || _depth is 0, Cover = Math.Min(UsualCover, Math.Round(MostCover / _sprinkles.Count, 2)) })],
            _parts,
            _paint);
    }
}

using System.Globalization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.QuickEntry;

/// <summary>Understands the words of one line.</summary>
internal sealed partial class LineReader(string text, List<Item> items, TradeTables tables, IReadOnlyList<Look> looks, Vocabulary vocabulary, List<NotUnderstood> unknown)
{
    private const double DozensIn = 12;
    private const double AssumedAmount = 12;
    private const double UsualCover = 0.6;
    private const double MostCover = 0.9;
    private const double PaleFrom = 65;
    private const string AssumedLetters = "A";
    private const int MostLetters = 4;

    private readonly List<Chip> _chips = [];
    private readonly List<(string Kind, string? Colour, int Lines, string? Text, int At)> _patterns = [];
    private readonly List<SprinkleDraft> _sprinkles = [];
    private readonly List<PartDraft> _parts = [];
    private readonly List<(string? Colour, double Depth, double Angle, int At)> _dips = [];
    private Centre? _centre;
    private Look? _look;
    private CentreSize? _size;
    private string? _colour;
    private Coating? _coating;
    private double? _depth;
    private int? _coats;
    private bool? _upright;
    private PaintDraft? _paint;
    private (double Amount, CountedIn In)? _amount;
    private bool _changed;
    private int _after;

    /// <summary>The line; null when it names no piece, which is then told.</summary>
    public EntryLine? Read()
    {
        if (items.All(Empty))
            return null;
        if (items.Find(i => i.NamesPiece) is not { } piece)
        {
            // Nothing can be made of the rest without it; words that mean nothing are told one by one.
            foreach (var item in items.Where(i => i.Meanings.Count == 0 && !i.IsNumber && !Empty(i)))
                NotKnown(item);
            if (items.Exists(i => i.Meanings.Count > 0 || i.IsNumber))
                unknown.Add(new(items[0].Start, items[^1].End - items[0].Start, text[items[0].Start..items[^1].End], "No piece is named.", Choices(tables.Centres.Take(6).Select(c => c.Plural), " ")));
            return null;
        }

        _centre = tables.Centre(piece.Is(WordKind.Centre)?.Code);
        if (_centre is null && looks.FirstOrDefault(l => l.Code == piece.Is(WordKind.Look)!.Code) is { } look)
        {
            _look = look;
            _centre = tables.Centre(look.Centre);
            _coating = tables.Coating(look.Coating);
        }

        if (_centre is null)
            return null;
        _coating ??= items.Select(i => i.Is(WordKind.Coating)).OfType<Meaning>().Select(m => tables.Coating(m.Code)).FirstOrDefault();
        var at = 0;
        while (at < items.Count)
            at += Take(at, piece);
        return Finish(piece);
    }

    private static bool Empty(Item item) => item.First.Kind is TokenKind.Comma || item.Is(WordKind.Joiner) is not null || item.Is(WordKind.Filler) is not null || item.IsArticle;

    /// <summary>Understands what stands at a place; how many items it took.</summary>
    private int Take(int at, Item piece)
    {
        var item = items[at];
        if (item.First.Kind is TokenKind.Percent)
            return Depth(item, item.First.Value / 100);
        if (item.First.Kind is TokenKind.Quoted)
            return Letters(item);
        if (item.Is(WordKind.Depth) is { } share && !(share.Code is "50" && HalfOf(at) is not null))
            return Depth(item, int.Parse(share.Code, CultureInfo.InvariantCulture) / 100.0);
        if (item.IsNumber || item.Is(WordKind.Unit) is not null || item.Is(WordKind.Depth) is not null)
            return Number(at, piece);
        if (item == piece)
            return Piece(item);
        if (item.Is(WordKind.Colour) is { } colour)
            return Colour(at, colour);
        if (item.Is(WordKind.Pattern) is { } pattern)
            return Pattern(at, pattern, null, item.Start);
        if (item.Is(WordKind.Size) is not null && Size(item))
            return 1;
        if (item.Is(WordKind.Coats) is { } coats)
            return Coats(item, int.Parse(coats.Code, CultureInfo.InvariantCulture));
        if (item.Is(WordKind.Sprinkle) is { } sprinkle)
            return Sprinkle(at, sprinkle);
        if (item.Is(WordKind.Part) is { } part)
            return Part(item, part, part.Code is "eye" ? 2 : 1, item.Start);
        if (item.Is(WordKind.Lustre) is { } lustre)
            return Once(_paint, item, "paint", $"{lustre.Says}", () => _paint = new(lustre.Code, 0.5), tables.Decor.Lustres.Select(l => l.Name));
        if (item.Is(WordKind.OverDip) is { } dip)
            return OverDip(item, dip, null, item.Start);
        if (item.Is(WordKind.Setting) is { } setting)
            return Once(_upright, item, "upright", setting.Code is "upright" ? "stood upright" : "laid flat", () => _upright = setting.Code is "upright", ["upright", "flat"]);
        if (item.Is(WordKind.Coating) is { } coating)
            return Once(_chips.Find(c => c.Field is "coating"), item, "coating", coating.Says, () => _coating = tables.Coating(coating.Code), []);
        if (item.Is(WordKind.Side) is { } side)
            return Side(item, side);
        if (item.Is(WordKind.Chocolate) is not null)
            return Chocolate(at, item);
        if (item.Is(WordKind.LooksLike) is { } like)
            return NotSold(item, like);
        if (!Empty(item))
            NotKnown(item);
        return 1;
    }

    private int Piece(Item item)
    {
        _after = item.End;
        if (_look is not null)
            Add("look", _look.Name, item, looks.Select(l => l.Name));
        else
            Add("centre", _centre!.Plural, item, tables.Centres.Concat(tables.Figures).Select(c => c.Plural));
        return 1;
    }

    private bool Size(Item item)
    {
        var fits = item.Meanings.Where(m => m.Kind is WordKind.Size).Select(m => _centre!.Size(m.Code)).OfType<CentreSize>().FirstOrDefault();
        if (fits is null)
        {
            Tell(item, _centre!.Sizes.Count > 1 ? $"{_centre.Plural} do not come in that size." : $"{_centre.Plural} come in one size.", Named(_centre.Sizes));
            return true;
        }

        if (_size is not null)
        {
            Tell(item, "A second size: which is it?", []);
            return true;
        }

        (_size, _changed, _after) = (fits, true, Math.Max(_after, item.End));
        Add("size", fits.Name, item, Named(_centre!.Sizes));
        return true;
    }

    private static IEnumerable<string> Named(IEnumerable<CentreSize> sizes) => sizes.Select(s => s.Name).Where(n => n.Length > 0);

    /// <summary>The unit that "half a" stands before, or null.</summary>
    private int? HalfOf(int at)
    {
        var next = at + 1;
        while (next < items.Count && (items[next].IsArticle || items[next].Is(WordKind.Filler) is not null))
            next++;
        return next < items.Count && items[next].Is(WordKind.Unit) is not null ? next : null;
    }

    private int Number(int at, Item piece)
    {
        var (item, taken) = (items[at], 1);
        if (item.Is(WordKind.Depth) is not null && HalfOf(at) is { } unit)
            return Counted(item, items[unit], 0.5, unit - at + 1);
        if (item.Is(WordKind.Unit) is not null)
            return item.Is(WordKind.Unit)!.Code is "dozens" && _amount is null ? Counted(item, item, 1, 1) : Leave(item, "How many of these?");
        if (item.IsArticle && at + 1 < items.Count && items[at + 1].IsNumber)
            return 1;
        var (value, fraction, last) = (item.IsNumber ? item.Number : 0, item.First.Fraction, item);

        // "twenty four", "two hundred"
        while (at + taken < items.Count && items[at + taken] is { First.Kind: TokenKind.Word } next && next.IsNumber && !next.IsArticle && item.First.Kind is TokenKind.Word)
        {
            value = next.Number is 100 ? value * 100 : value + next.Number;
            (last, taken) = (next, taken + 1);
        }

        if (at + taken < items.Count && items[at + taken].Is(WordKind.Unit) is not null)
            return Counted(item, items[at + taken], value, taken + 1);
        if (at + taken < items.Count && items[at + taken].Is(WordKind.CoatNoun) is not null)
            return Coats(new(item.First, items[at + taken].Last, [], item.Corrected), (int)Math.Clamp(value, 0, 99)) + taken;
        if (fraction && value is > 0 and < 1)
            return Depth(new(item.First, last.Last, [], false), value) + taken - 1;

        var ahead = items.Skip(at + taken).TakeWhile(i => i.First.Kind is not TokenKind.Comma && i.Is(WordKind.Joiner) is null).ToList();
        var target = ahead.Find(i => i.Is(WordKind.Pattern) is not null || i.Is(WordKind.Part) is not null || i.NamesPiece);
        if (_amount is null && (ahead.Contains(piece) || target is null))
            return item.IsArticle && target is null ? taken : Counted(item, last, value, taken);
        if (item.IsArticle)
            return taken;
        if (target?.Is(WordKind.Pattern) is { } pattern)
        {
            var to = items.IndexOf(target);
            var colour = items.Skip(at + taken).Take(to - at - taken).Select(i => i.Is(WordKind.Colour)).OfType<Meaning>().FirstOrDefault();
            foreach (var between in items.Skip(at + taken).Take(to - at - taken).Where(i => i.Is(WordKind.Colour) is null && !Empty(i)))
                NotKnown(between);
            return Pattern(to, pattern, colour, item.Start, (int)Math.Clamp(value, 0, 999)) + to - at;
        }

        if (target?.Is(WordKind.Part) is { } part && items.IndexOf(target) == at + taken)
            return Part(target, part, (int)Math.Clamp(value, 0, 99), item.Start) + taken;
        return Leave(new(item.First, last.Last, [], false), _amount is null ? "What is this number of?" : "A second number: what is it of?") + taken - 1;
    }

    private int Leave(Item item, string reason)
    {
        Tell(item, reason, []);
        return 1;
    }

    private int Counted(Item first, Item last, double value, int taken)
    {
        var whole = new Item(first.First, last.Last, [], first.Corrected || last.Corrected);
        if (_amount is not null)
            return Leave(whole, "A second count: how many are wanted?") + taken - 1;
        if (!(value > 0))
            return Leave(whole, "There must be at least one piece.") + taken - 1;
        var unit = last.Is(WordKind.Unit)?.Code;
        if (unit is "packs" && _centre!.Pack is null)
            return Leave(whole, $"{_centre.Plural} are not counted in packs here.") + taken - 1;
        _amount = unit switch
        {
            "dozens" => (value, CountedIn.Dozens),
            "packs" => (value, CountedIn.Packs),
            "g" or "kg" or "lb" or "oz" => (Math.Round(Quantities.Of<Mass>(value, unit is "kg" ? "g" : unit).In("g") * (unit is "kg" ? 1000 : 1), 1), CountedIn.Weight),
            _ => (value, CountedIn.Pieces),
        };
        var says = unit switch
        {
            "dozens" => string.Create(CultureInfo.InvariantCulture, $"{value:0.##} dozen, {Math.Ceiling(value * DozensIn):0}"),
            "packs" => string.Create(CultureInfo.InvariantCulture, $"{value:0.##} {_centre!.PackName[value == 1 ? 0 : 1]}"),
            "g" or "kg" or "lb" or "oz" => string.Create(CultureInfo.InvariantCulture, $"{value:0.##} {unit} of them"),
            _ => string.Create(CultureInfo.InvariantCulture, $"{value:0.##}"),
        };
        Add("amount", says, whole, []);
        return taken;
    }

    private int Depth(Item item, double share) => share is >= 0.01 and <= 1
        ? Once(_depth, item, "depth", DepthSays(share), () => (_depth, _changed, _after) = (Math.Round(share, 2), true, Math.Max(_after, item.End)), _centre!.Depths.Select(d => DepthSays(d.Si)))
        : Leave(item, "A dip depth is between 1 % and 100 %.");

    private static string DepthSays(double share) => string.Create(CultureInfo.InvariantCulture, $"{share * 100:0} %");

    private int Coats(Item item, int coats) => coats is >= 1 and <= 3
        ? Once(_coats, item, "coats", coats is 1 ? "one coat" : $"{coats} coats", () => (_coats, _changed) = (coats, true), ["one coat", "two coats"])
        : Leave(item, "A piece takes one to three coats.");

    private int Colour(int at, Meaning colour)
    {
        var (item, next) = (items[at], at + 1);
        while (next < items.Count && (items[next].IsArticle || items[next].Is(WordKind.Filler) is not null || items[next].Is(WordKind.Chocolate) is not null))
            next++;
        var follows = next < items.Count ? items[next] : null;
        if (follows?.Is(WordKind.Pattern) is { } pattern)
            return Pattern(next, pattern, colour, item.Start) + next - at;
        if (follows?.Is(WordKind.OverDip) is { } dip)
            return OverDip(follows, dip, colour, item.Start) + next - at;
        if (follows?.Is(WordKind.Sprinkle) is { } sprinkle)
            return Leave(item, $"{tables.Decor.Sprinkle(sprinkle.Code)!.Name} come in their own colours.");
        var (before, drawn) = (at - 1, _patterns.Count - 1);
        while (before >= 0 && items[before].Is(WordKind.Filler) is not null)
            before--;
        if (drawn >= 0 && _patterns[drawn].Colour is null && before >= 0 && before < at - 1 && items[before].Is(WordKind.Pattern) is not null)
        {
            _patterns[drawn] = _patterns[drawn] with { Colour = colour.Code };
            Add("pattern", $"drawn in {NameOf(colour.Code)}", item, UsualColours());
            return next - at;
        }

        if (_colour is not null && _dips.FindIndex(d => d.Colour is null) is >= 0 and var other)
        {
            _dips[other] = _dips[other] with { Colour = colour.Code };
            Add("dip", $"the other in {NameOf(colour.Code)}", item, UsualColours());
            return 1;
        }

        if (_colour is not null)
            return Leave(item, "A second colour: what is it for? Say “half and half”, “tip” or a pattern after it.");
        (_colour, _changed, _after) = (colour.Code, true, Math.Max(_after, item.End));
        Add("colour", NameOf(colour.Code), item, UsualColours());
        return 1;
    }

    private int Chocolate(int at, Item item)
    {
        // Behind a colour it is what that colour is of; on its own it leaves open which.
        if (at > 0 && (items[at - 1].Is(WordKind.Colour) is not null || items[at - 1].Is(WordKind.Coating) is not null))
            return 1;
        return _colour is not null ? 1 : Once(_colour, item, "colour", $"{NameOf("dark")} chocolate", () => _colour = "dark", UsualColours(), vague: true);
    }

    private int NotSold(Item item, Meaning like)
    {
        var wanted = Spectrum.LabOf(tables.Words.LooksLike[like.Code]);
        var nearest = Usual().Colours.OrderBy(c => Lab.DeltaE(wanted, Spectrum.LabOf(c.Srgb))).Take(3).Select(c => c.Name).ToList();
        Tell(item, $"{like.Says} is not among the colours of {Usual().Name}; mix it under Colour, or take the nearest.", nearest);
        return 1;
    }

    private int Once<T>(T? already, Item item, string field, string says, Action set, IEnumerable<string> choices, bool vague = false)
    {
        if (already is not null)
            return Leave(item, "This was said already: which is it?");
        set();
        Add(field, says, item, choices, vague);
        return 1;
    }

    private void NotKnown(Item item)
    {
        var word = text[item.Start..item.End];
        Tell(item, item.Meanings.Count > 0 ? "This says nothing here." : "This word is not known.", item.First.Kind is TokenKind.Word ? vocabulary.Nearest(item.First.Stem) : [], word);
    }

    private void Tell(Item item, string reason, IEnumerable<string> nearest, string? word = null) =>
        unknown.Add(new(item.Start, item.End - item.Start, word ?? text[item.Start..item.End], reason, Choices(nearest)));

    private void Add(string field, string says, Item item, IEnumerable<string> choices, bool vague = false) =>
        _chips.Add(new(field, says, vague ? Reading.Assumed : item.Corrected ? Reading.Corrected : Reading.Read, item.Start, item.End - item.Start, Choices(choices)));

    private void Assume(string field, string says, int at, IEnumerable<string> choices, string before = " ", string after = "") =>
        _chips.Add(new(field, says, Reading.Assumed, at, 0, [.. choices.Select(c => new ChipChoice(c, $"{before}{c}{after}"))]));

    private static List<ChipChoice> Choices(IEnumerable<string> says, string before = "") => [.. says.Select(s => new ChipChoice(s, before + s))];

    private Coating Usual() => _coating ?? tables.Coating(tables.Habits.Coating)!;

    private IEnumerable<string> UsualColours() => Usual().Colours.Select(c => c.Name);

    private string NameOf(string colour) => tables.Coatings.Select(c => c.Colour(colour)).OfType<CoatingColour>().First().Name;

    /// <summary>The coating said or usual where it is sold in the colour, otherwise one that is.</summary>
    private Coating Holding(string colour) => Usual().Colour(colour) is not null ? Usual() : tables.Coatings.First(c => c.Colour(colour) is not null);

    private EntryLine Finish(Item piece)
    {
        if (_amount is null)
            Assume("amount", $"{AssumedAmount:0}", items[0].Start, ["6", "12", "24", "36"], before: "", after: " ");
        var (amount, counted) = _amount ?? (AssumedAmount, CountedIn.Pieces);
        if (_look is not null)
            return Wearing(_look, amount, counted);

        if (_size is null)
        {
            _size = _centre!.Size(tables.Words.UsualSizes.GetValueOrDefault(_centre.Code)) ?? _centre.Sizes[0];
            if (_centre.Sizes.Count > 1)
                Assume("size", _size.Name, piece.Start, Named(_centre.Sizes), before: "", after: " ");
        }

        var colour = _colour ?? Usual().Colours[0].Code;
        if (_colour is null)
            Assume("colour", NameOf(colour), _after, UsualColours(), after: text[_after..].TrimStart(' ') is ['\n' or '\r' or ';' or ',' or '+', ..] or "" ? "" : ",");
        if (_depth is null)
            Assume("depth", DepthSays(_centre!.UsualDepth.Value.Si), _after, _centre.Depths.Select(d => DepthSays(d.Si)));
        var coating = Holding(colour);
        if (coating.Code != tables.Habits.Coating && !_chips.Exists(c => c.Field is "coating"))
            Assume("coating", coating.Name, _after, tables.Coatings.Where(c => c.Colour(colour) is not null).Select(c => c.Name));
        return new(
            new(_centre!.Code, _size.Code, amount, counted, coating.Code, colour, _depth ?? _centre.UsualDepth.Value.Si, _coats ?? _centre.LeastCoats, false, _upright, null, Decorated(coating, colour)),
            _chips);
    }

    /// <summary>A line that wears a look; what was said besides changes it, and it is that look no longer.</summary>
    private EntryLine Wearing(Look look, double amount, CountedIn counted)
    {
        var colour = _colour ?? look.Colour;
        var coating = _colour is null ? tables.Coating(look.Coating)! : Holding(colour);
        var more = Decorated(coating, colour);
        var line = look.ToLine(amount) with
        {
            CountedIn = counted,
            Size = _size?.Code ?? look.Size,
            Coating = coating.Code,
            Colour = colour,
            Depth = _depth ?? look.Depth,
            Coats = _coats ?? look.Coats,
            Upright = _upright ?? look.Upright,
            Look = _changed || more is not null ? null : look.Name,
            Decor = more is null ? look.Decor : new([.. look.Decor.Dips, .. more.Dips], [.. look.Decor.Patterns, .. more.Patterns], [.. look.Decor.Sprinkles, .. more.Sprinkles], [.. look.Decor.Parts, .. more.Parts], more.Paint ?? look.Decor.Paint),
        };
        return new(line, _chips);
    }
}

using System.Globalization;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <summary>Understands the words of one line: what is said of all pieces, then what is said of these, which goes before it.</summary>
internal sealed partial class LineReader(
    string text, Item piece, Look? look, Centre centre, KitchenTables tables, IReadOnlyList<Look> looks, OrderReader order, Notes notes)
{
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
    private readonly Dictionary<string, int> _saidAt = [];
    private List<Item> _items = [];
    private int _level;
    private CentreSize? _size;
    private string? _colour;
    private Coating? _coating;
    private double? _depth;
    private int? _coats;
    private bool? _upright;
    private string? _on;
    private PaintDraft? _paint;
    private Amount? _amount;
    private bool _amountGiven;
    private Item? _total;
    private int _sprinklesBefore;
    private int _patternsBefore;
    private int _partsBefore;
    private int _dipsBefore;
    private int _chipsBefore;
    private Decor _worn = look?.Decor ?? Decor.None;
    private bool _changed;
    private int _after;

    /// <summary>The line.</summary>
    /// <param name="all">What is wanted of all pieces.</param>
    /// <param name="never">What is refused of all pieces.</param>
    /// <param name="these">What is wanted of these.</param>
    /// <param name="neverThese">What is refused of these.</param>
    /// <param name="amount">How many these are; null when the words themselves say it.</param>
    /// <param name="said">Where that was said.</param>
    /// <param name="total">The number that counts all pieces, of which these are a part.</param>
    public EntryLine? Read(
        List<Item> all,
        IEnumerable<Draft> never,
        List<Item> these,
        IEnumerable<Draft> neverThese,
        Amount? amount,
        Item? said,
        Item? total)
    {
        _coating = tables.Reference.Coating(look?.Coating) ?? these.Concat(all)
            .Select(i => i.Is(WordKind.Coating))
            .OfType<Meaning>()
            .Select(m => tables.Reference.Coating(m.Code))
            .FirstOrDefault();
        (_amount, _amountGiven, _total) = (amount, amount is not null, total);
        if (!all.Contains(piece) && !these.Contains(piece))
            Piece(piece);
        Understand(all, never);
        if (amount is not null && said is not null)
            Add("amount", amount.Says, said, []);
        _level = 1;
        Understand(these, neverThese);
        return Finish(said);
    }

    private void Understand(List<Item> wanted, IEnumerable<Draft> refused)
    {
        _items = wanted;
        (_sprinklesBefore, _patternsBefore, _partsBefore, _dipsBefore, _chipsBefore) = (
            _sprinkles.Count, _patterns.Count, _parts.Count, _dips.Count, _chips.Count);
        for (var at = 0; at < _items.Count;)
            at += Take(at);
        foreach (var draft in refused)
            Refuse(draft);
    }

    /// <summary>Understands what stands at a place; how many _items it took.</summary>
    private int Take(int at)
    {
        var item = _items[at];
        if (item == _total)
            return 1;
        if (item.First.Kind is TokenKind.Quoted)
            return Letters(item);
        if (item.IsNumber)
            return Number(at);
        if (item == piece)
            return Piece(item);
        if (item.Share is { } part)
            return Depth(item, part);
        if (item.Is(WordKind.Depth) is { } share)
            return Depth(item, int.Parse(share.Code, CultureInfo.InvariantCulture) / 100.0);
        if (item.Is(WordKind.Unit) is not null)
            return Leave(item, "entry.how-many");
        if (item.Is(WordKind.Container) is not null)
            return Leave(item, "entry.how-many-in-one");
        if (item.Is(WordKind.Colour) is { } colour)
            return Colour(at, colour);
        if (item.Is(WordKind.Pattern) is { } pattern)
            return Pattern(at, pattern, null, item.Start);
        if (item.Is(WordKind.Size) is not null && Size(item))
            return 1;
        if (item.Is(WordKind.Coats) is { } coats)
            return Coats(item, int.Parse(coats.Code, CultureInfo.InvariantCulture));
        if (Worn(at, item) is { } worn)
            return worn;
        if (item.Is(WordKind.Coating) is { } coating)
            return Once(item, "coating", coating.Says, () => _coating = tables.Reference.Coating(coating.Code), []);
        if (item.Is(WordKind.Side) is { } side)
            return Side(item, side);
        if (item.Is(WordKind.Chocolate) is not null)
            return Chocolate(at, item);
        if (item.Is(WordKind.LooksLike) is { } like)
            return NotSold(item, like);
        if (item.Is(WordKind.Plain) is not null)
            return Plain(item);
        if (item.Is(WordKind.Allergen) is { } allergen)
            return Leave(item, Message.Of("entry.free-of", ("allergen", allergen.Code)), [$"no {allergen.Says}"]);
        if (item.NamesPiece)
            return Leave(item, "entry.second-piece");
        if (!item.IsEmpty)
            Leave(item, "entry.does-not-fit");
        return 1;
    }

    /// <summary>Understands what is put onto a piece and how it stands; null where it says something else.</summary>
    private int? Worn(int at, Item item)
    {
        if (item.Is(WordKind.Sprinkle) is { } sprinkle)
            return Sprinkle(at, sprinkle);
        if (item.Is(WordKind.Part) is { } glued)
            return Part(item, glued, glued.Code is "eye" ? 2 : 1, item.Start);
        if (item.Is(WordKind.Lustre) is { } lustre)
            return Once(
                item,
                "paint",
                lustre.Says,
                () => _paint = new(lustre.Code, 0.5),
                tables.Reference.Decor.Lustres.Select(l => l.Name),
                tables.Reference.Words.Vague.Contains(item.First.Stem));
        if (item.Is(WordKind.OverDip) is { } dip)
            return OverDip(item, dip, null, item.Start);
        if (item.Is(WordKind.Setting) is { } setting)
            return Once(
                item,
                "upright",
                setting.Code is "upright" ? "stood upright" : "laid flat",
                () => _upright = setting.Code is "upright",
                ["upright", "flat"]);
        if (item.Is(WordKind.Stick) is { } stick)
            return Stick(item, stick);
        return null;
    }

    private int Piece(Item item)
    {
        _after = item.End;
        if (look is not null)
            Add("look", look.Name, item, looks.Select(l => l.Name));
        else
            Add("centre", centre.Plural, item, tables.Reference.Centres.Concat(tables.Reference.Figures).Select(c => c.Plural));
        return 1;
    }

    private bool Size(Item item)
    {
        var fits = item.Meanings.Where(m => m.Kind is WordKind.Size).Select(m => centre.Size(m.Code)).OfType<CentreSize>().FirstOrDefault();
        if (fits is null)
        {
            Tell(
                item,
                Message.Of(centre.Sizes.Count > 1 ? "entry.no-such-size" : "entry.one-size", ("pieces", centre.Plural)),
                Named(centre.Sizes));
            return true;
        }

        Once(item, "size", fits.Name, () => Change(item, () => _size = fits), Named(centre.Sizes));
        return true;
    }

    private static IEnumerable<string> Named(IEnumerable<CentreSize> sizes) => sizes.Select(s => s.Name).Where(n => n.Length > 0);

    private int Number(int at)
    {
        var (item, count) = (_items[at], _items[at].Count!);
        if (count.Unit is not null)
            return Counted(item);
        if (at + 1 < _items.Count && _items[at + 1].Is(WordKind.CoatNoun) is not null)
            return Coats(item.To(_items[at + 1]), (int)Math.Clamp(count.Value, 0, 99)) + 1;
        var ahead = _items.Skip(at + 1).TakeWhile(i => !i.IsBoundary).ToList();
        var target = ahead.Find(i => i.IsAny(WordKind.Pattern, WordKind.Part) || i.NamesPiece);
        if (_amount is null && (ahead.Contains(piece) || target is null))
            return Counted(item);
        if (item.First.Stem is "a" or "an" && item.First == item.Last)
            return 1;
        if (target?.Is(WordKind.Pattern) is { } pattern)
        {
            var to = _items.IndexOf(target);
            var between = _items.GetRange(at + 1, to - at - 1);
            foreach (var other in between.Where(i => i.Is(WordKind.Colour) is null && !i.IsEmpty))
                Leave(other, "entry.does-not-fit");
            return Pattern(
                to,
                pattern,
                between.Select(i => i.Is(WordKind.Colour)).OfType<Meaning>().FirstOrDefault(),
                item.Start,
                (int)Math.Clamp(count.Value, 0, 999)) + to - at;
        }

        if (target?.Is(WordKind.Part) is { } part && _items.IndexOf(target) == at + 1)
            return Part(target, part, (int)Math.Clamp(count.Value, 0, 99), item.Start) + 1;
        return Leave(item, _amount is null ? "entry.number-for" : "entry.second-number");
    }

    private int Counted(Item item)
    {
        var count = item.Count!;
        if (_amount is not null)
            return Leave(item, "entry.second-count");
        if (count.Unit is "boxes")
            return Leave(item, "entry.how-many-in-each");
        if (!(count.Value > 0))
            return Leave(item, "entry.one-piece");
        if (count.Unit is "packs" && centre.Pack is null)
            return Leave(item, Message.Of("entry.no-packs", ("pieces", centre.Plural)));
        _amount = AmountOf(count, count.Unit switch
        {
            "dozens" => string.Create(
                CultureInfo.InvariantCulture, $"{count.Value:0.##} dozen, {Math.Ceiling(count.Value * Count.Dozen):0}"),
            "packs" => string.Create(CultureInfo.InvariantCulture, $"{count.Value:0.##} {centre.PackName[count.Value == 1 ? 0 : 1]}"),
            null or "pieces" => string.Create(CultureInfo.InvariantCulture, $"{count.Value:0.##}"),
            var unit => string.Create(CultureInfo.InvariantCulture, $"{count.Value:0.##} {unit} of them"),
        });
        Add("amount", _amount.Says, item, [], count.Vague);
        return 1;
    }

    /// <summary>A count as a line has it: pounds and ounces in grams.</summary>
    public static Amount AmountOf(Count count, string says)
    {
        var (value, unit) = (count.Value, count.Unit);
        return unit switch
        {
            "dozens" => new(value, CountedIn.Dozens, says),
            "packs" => new(value, CountedIn.Packs, says),
            "kg" => new(Math.Round(value * 1000, 1), CountedIn.Weight, says),
            "g" or "lb" or "oz" => new(Math.Round(Quantities.Of<Mass>(value, unit).In("g"), 1), CountedIn.Weight, says),
            _ => new(value, CountedIn.Pieces, says),
        };
    }

    private int Leave(Item item, Message reason, IEnumerable<string>? choices = null)
    {
        Tell(item, reason, choices ?? []);
        return 1;
    }

    /// <summary>Sets something of the piece itself; what is assumed is put behind the last of these.</summary>
    private void Change(Item item, Action set)
    {
        set();
        _changed = true;
        if (_level == 0)
            _after = Math.Max(_after, item.End);
    }

    private int Depth(Item item, double share) => share is 0 or (>= 0.01 and <= 1)
        ? Once(
            item,
            "depth",
            DepthSays(share),
            () => Change(item, () => _depth = Math.Round(share, 2)),
            centre.Depths.Select(d => DepthSays(d.Si)))
        : Leave(item, "entry.depth");

    private static string DepthSays(double share) =>
        share == 0 ? "not dipped" : string.Create(CultureInfo.InvariantCulture, $"{share * 100:0}%");

    private int Stick(
        Item item, Meaning stick) => centre.Holding is Centres.Holding.Mould || centre.Figure is not null || centre.DippedEndUp
        ? Leave(item, Message.Of("entry.no-stick", ("pieces", centre.Plural)))
        : Once(
            item,
            "stick",
            stick.Code is WareTable.NoStick ? "no stick" : $"on a {stick.Says}",
            () => Change(item, () => _on = stick.Code),
            ["on a stick", "on a pick", "on a skewer", "no stick"]);

    private int Coats(Item item, int coats) => coats is >= 1 and <= 3
        ? Once(
            item,
            "coats",
            coats is 1 ? "one coat" : $"{coats} coats",
            () => (_coats, _changed) = (coats, true),
            ["one coat", "two coats"])
        : Leave(item, "entry.coats");

    private int Colour(int at, Meaning colour)
    {
        var (item, next) = (_items[at], at + 1);
        while (next < _items.Count
            && ((_items[next].IsEmpty && !_items[next].IsBoundary) || _items[next].Is(WordKind.Chocolate) is not null))
            next++;
        var follows = next < _items.Count ? _items[next] : null;
        if (follows?.Is(WordKind.Pattern) is { } pattern)
            return Pattern(next, pattern, colour, item.Start) + next - at;
        if (follows?.Is(WordKind.OverDip) is { } dip)
            return OverDip(follows, dip, colour, item.Start) + next - at;
        if (follows?.Is(WordKind.Sprinkle) is { } sprinkle)
            return Leave(item, Message.Of("entry.own-colours", ("sprinkles", tables.Reference.Decor.Sprinkle(sprinkle.Code)!.Name)));
        var (before, drawn) = (at - 1, _patterns.Count - 1);
        while (before >= 0 && _items[before].IsEmpty && _items[before].First.Kind is TokenKind.Word)
            before--;
        if (drawn >= 0
            && _patterns[drawn].Colour is null
            && before >= 0
            && before < at - 1
            && _items[before].Is(WordKind.Pattern) is not null)
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

        if (_colour is not null && _saidAt.GetValueOrDefault("colour", -1) == _level)
        {
            var (one, other2) = (NameOf(_colour), NameOf(colour.Code));
            return Leave(
                item, "entry.second-colour", [$"half {one} half {other2}", $"half and half {other2}", $"{other2} drizzle"]);
        }

        return Once(item, "colour", NameOf(colour.Code), () => Change(item, () => _colour = colour.Code), UsualColours());
    }

    private int Chocolate(int at, Item item)
    {
        // Behind a colour it is what that colour is of; on its own it leaves open which.
        if (_items.Exists(i => i.Is(WordKind.Colour) is not null)
            || _colour is not null
            || (at > 0 && _items[at - 1].Is(WordKind.Coating) is not null))
            return 1;
        return Once(item, "colour", $"{NameOf("dark")} chocolate", () => _colour = "dark", UsualColours(), vague: true);
    }

    private int NotSold(Item item, Meaning like)
    {
        var wanted = Spectrum.LabOf(tables.Reference.Words.LooksLike[like.Code]);
        var nearest = Usual().Colours.OrderBy(c => Lab.DeltaE(wanted, Spectrum.LabOf(c.Srgb))).Take(3).Select(c => c.Name).ToList();
        Tell(item, Message.Of("entry.not-sold", ("colour", like.Says), ("coating", Usual().Name)), nearest);
        return 1;
    }

    private Coating Usual() => _coating ?? tables.Reference.Coating(tables.Profile.Habits.Coating)!;

    private IEnumerable<string> UsualColours() => Usual().Colours.Select(c => c.Name);

    private string NameOf(string colour) => tables.Reference.Coatings.Select(c => c.Colour(colour)).OfType<CoatingColour>().First().Name;

    /// <summary>The coating said or usual where it is sold in the colour, otherwise one that is.</summary>
    private Coating Holding(string colour) =>
        Usual().Colour(colour) is not null ? Usual() : tables.Reference.Coatings.First(c => c.Colour(colour) is not null);
}

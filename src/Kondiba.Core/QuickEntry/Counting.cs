using System.Globalization;

namespace Kondiba.Core.QuickEntry;

/// <summary>Puts the words of a number together: "twenty four", "half a dozen", "a couple of dozen", "three boxes of 6".</summary>
internal sealed class Counting(List<Item> items, OrderReader order)
{
    private const double Hundred = 100;

    /// <summary>The items with every number as one item that has a count; a share that counts nothing stays as it is.</summary>
    public List<Item> Compound()
    {
        List<Item> result = [];
        for (var at = 0; at < items.Count;)
        {
            if (PackedPer(at) is { } packed)
            {
                at = packed;
                continue;
            }

            if (NumberAt(at) is not { } number)
            {
                result.Add(items[at]);
                at++;
                continue;
            }

            if (Boxes(number.Item, number.Next) is { } boxes)
                number = boxes;
            result.Add(number.Item);
            at = number.Next;
        }

        return result;
    }

    private Item? Item(int at) => at < items.Count ? items[at] : null;

    private bool Says(int at, string stem) => Item(at) is { } item && item.First == item.Last && item.First.Stem == stem;

    /// <summary>The number that begins at a place with its unit, and where the next item stands.</summary>
    private (Item Item, int Next)? NumberAt(int at)
    {
        var first = items[at];
        if (first.Share is { } share)
        {
            var unit = Skip(at + 1, i => i.IsArticle);
            return Item(unit)?.Is(WordKind.Unit) is { } counted ? (first.To(items[unit], new(share, counted.Code)), unit + 1) : null;
        }

        if (first.Is(WordKind.Unit) is { Code: "dozens" })
            return Half(first, new(1, "dozens"), at + 1);
        if (first.Is(WordKind.Unit) is { Code: "pieces" }
            && Item(at + 1) is { Share: null }
            && NumberAt(at + 1) is { Item.Count.Unit: null } times)
            return (first.To(times.Item, times.Item.Count), times.Next);
        if (first.IsArticle)
        {
            if (Item(at + 1) is { } next
                && (next.Is(WordKind.Number) ?? next.Is(WordKind.VagueNumber) ?? next.Is(WordKind.Unit)) is not null
                && NumberAt(at + 1) is { } number)
                return (first.To(number.Item, number.Item.Count), number.Next);
            if (Item(at + 1)?.Is(WordKind.Unit) is { } of)
                return (first.To(items[at + 1], new(1, of.Code)), at + 2);
            var named = items.Skip(at + 1)
                .TakeWhile(i => !i.IsBoundary)
                .FirstOrDefault(i => i.NamesPiece || i.IsAny(WordKind.Container, WordKind.Pattern, WordKind.Part, WordKind.OverDip));
            return named is not null && (named.NamesPiece || named.Is(WordKind.Container) is not null)
                ? (first.To(first, new(1)), at + 1)
                : null;
        }

        if (first.Is(WordKind.VagueNumber) is { } vague)
            return Units(first, double.Parse(vague.Code, CultureInfo.InvariantCulture), at + 1, true, true);
        if (first.First.Kind is TokenKind.Number)
            return Units(first, first.First.Value, at + 1, false, false);
        return first.Is(WordKind.Number) is not null ? Words(at) : null;
    }

    private (Item Item, int Next) Words(int at)
    {
        double Value(int i) => double.Parse(items[i].Is(WordKind.Number)!.Code, CultureInfo.InvariantCulture);
        bool Word(int i) => Item(i) is { IsArticle: false } item && item.Is(WordKind.Number) is not null;
        var (value, last, next) = (Value(at), at, at + 1);
        while (Word(next) || (value >= Hundred && Says(next, "and") && Word(next + 1) && Value(next + 1) < Hundred))
        {
            next += Word(next) ? 0 : 1;
            value = Value(next) is Hundred ? value * Hundred : value + Value(next);
            (last, next) = (next, next + 1);
        }

        return Units(items[at].To(items[last]), value, next, items[at].First.Stem is "couple" or "pair", false);
    }

    /// <summary>A number with the unit that follows: "2 dozen", "1 lb"; behind "a couple" also "of dozen".</summary>
    private (Item Item, int Next) Units(Item number, double value, int next, bool of, bool vague)
    {
        var (count, last) = (new Count(value, null, vague), number);
        if (AndHalf(next) is { } half)
            (count, last, next) = (count with { Value = value + 0.5 }, items[half - 1], half);
        var at = of && Says(next, "of") ? next + 1 : next;
        if (Item(at) is { } unit && unit.Is(WordKind.Unit) is { } meaning)
            return Half(number.To(unit), count with { Unit = meaning.Code }, at + 1);
        return (number.To(last, count), next);
    }

    /// <summary>"… and a half" behind a unit.</summary>
    private (Item Item, int Next) Half(Item number, Count count, int next) =>
        AndHalf(next) is { } half
            ? (number.To(items[half - 1], count with { Value = count.Value + 0.5 }), half)
            : (number.To(number, count), next);

    private int? AndHalf(int at) => Says(at, "and") && Item(at + 1)?.IsArticle is true && Says(at + 2, "half") ? at + 3 : null;

    /// <summary>"3 boxes of 6": 18, and how they are packed.</summary>
    private (Item Item, int Next)? Boxes(Item number, int next)
    {
        // "a pack" has its unit already; what it holds says whether it is meant as one.
        var container = number.Count!.Unit is "packs" && items[next - 1].Is(WordKind.Container) is not null ? next - 1 : next;
        if (Item(container)?.Is(WordKind.Container) is not { } kind)
            return null;
        var many = container == next ? number.Count.Pieces : number.Count.Value;
        if (Holds(container + 1) is { } held && many is { } boxes && held.Item.Count!.Pieces is { } each)
        {
            order.Pack(kind.Code, (int)each, number.To(held.Item));
            return (number.To(held.Item, new(boxes * each, Boxes: boxes)), held.Next);
        }

        return container == next ? (number.To(items[next], number.Count with { Unit = "boxes" }), next + 1) : null;
    }

    private (Item Item, int Next)? Holds(int at) =>
        (Says(at, "of") || Says(at, "with")) && Item(at + 1) is not null && NumberAt(at + 1) is { Item.Count: not null } number
            ? number
            : null;

    /// <summary>How pieces are packed, where it says no count: "in boxes of 6", "6 per box". Where the next item stands.</summary>
    private int? PackedPer(int at)
    {
        if (items[at].IsArticle && at > 0 && Says(at - 1, "in"))
            at++;
        if (Item(at)?.Is(WordKind.Container) is { Code.Length: > 0 } container && Holds(at + 1) is { Item.Count.Pieces: { } each } held)
        {
            order.Pack(container.Code, (int)each, items[at].To(held.Item));
            return held.Next;
        }

        if (NumberAt(at) is { Item.Count.Pieces: { } many } number
            && Item(number.Next)?.Is(WordKind.Per) is not null
            && Item(number.Next + 1)?.Is(WordKind.Container) is { Code.Length: > 0 } box)
        {
            order.Pack(box.Code, (int)many, number.Item.To(items[number.Next + 1]));
            return number.Next + 2;
        }

        return null;
    }

    private int Skip(int at, Func<Item, bool> over)
    {
        while (at < items.Count && over(items[at]))
            at++;
        return at;
    }
}

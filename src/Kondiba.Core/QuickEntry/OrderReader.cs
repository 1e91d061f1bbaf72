using System.Globalization;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime.Text;
using NodaTime;

namespace Kondiba.Core.QuickEntry;

/// <summary>Takes out of a text what it says of the whole order: for whom, when, where, how packed, free of what.</summary>
internal sealed class OrderReader(string text, ReferenceData tables, LocalDate today, Action<Item, Message, IEnumerable<string>> tell)
{
    private const int MinutesInHour = 60;
    private const int AfternoonBefore = 8;
    private const int Week = 7;

    private readonly List<Chip> _chips = [];
    private readonly List<PackingDraft> _packing = [];
    private readonly List<string> _allergies = [];
    private string? _name;
    private LocalDate? _day;
    private LocalTime? _time;
    private Handover? _handover;
    private string? _place;

    public EntryOrder Order => new(_name, _day, _time, _handover, _place, _packing, _allergies, _chips);

    /// <summary>The items without those that speak of the order.</summary>
    public List<Item> Take(List<Item> items)
    {
        List<Item> rest = [];
        for (var at = 0; at < items.Count;)
        {
            var next = Place(items, at) ?? Day(items, at, rest) ?? Time(items, at, rest) ?? Name(items, at, rest) ?? Wrap(items, at);
            if (next is null)
                rest.Add(items[at]);
            at = next ?? at + 1;
        }

        return rest;
    }

    /// <summary>Somebody must not have an allergen.</summary>
    public void Refuse(string allergen, Item said)
    {
        if (_allergies.Contains(allergen))
            return;
        _allergies.Add(allergen);
        Add("allergy", $"no {allergen}", said);
    }

    /// <summary>So many pieces go into one of what holds them; the smallest that does.</summary>
    /// <param name="kind">"box", "bag" or "cup"; "" for nothing that is a supply.</param>
    /// <param name="each">How many in one.</param>
    /// <param name="said">Where it was said.</param>
    public void Pack(string kind, int each, Item said)
    {
        if (kind.Length == 0 || each < 1)
            return;
        var supply = kind is "box"
            ? tables.Wares.Supplies.Where(s => s.Rows * s.Columns >= each).MinBy(s => s.Rows * s.Columns)
            : tables.Wares.Supplies.FirstOrDefault(s => s.Code == kind);
        if (supply is null)
        {
            tell(said, Message.Of("entry.no-box", ("count", each)), []);
            return;
        }

        if (_packing.Exists(p => p.Supply == supply.Code))
            return;
        _packing.Add(new(supply.Code, 1, each));
        Add("packing", each == 1 ? $"{supply.Name}, one each" : $"{supply.Name}, {each} in each", said);
    }

    private void Add(string field, string says, Item said, bool assumed = false, IReadOnlyList<ChipChoice>? choices = null) =>
        _chips.Add(new(field, says, assumed ? Reading.Assumed : Reading.Read, said.Start, said.End - said.Start, choices ?? []));

    private int? Wrap(List<Item> items, int at)
    {
        if (items[at].Is(WordKind.Wrap) is not { } wrap)
            return null;
        Pack(wrap.Code, 1, items[at]);
        return at + 1;
    }

    private int? Place(List<Item> items, int at)
    {
        var item = items[at];
        if (item.Is(WordKind.Delivery) is null)
            return null;
        _handover = Handover.Delivery;
        var next = at + 1;
        while (next < items.Count && items[next] is { First.Stem: "to" or "at" } && items[next].First == items[next].Last)
            next++;
        var end = next;
        while (end < items.Count
            && !items[end].IsBoundary
            && items[end].First.Kind is TokenKind.Word or TokenKind.Number or TokenKind.Ordinal
            && items[end].Meanings.All(m => m.Kind is not (WordKind.Weekday or WordKind.Day or WordKind.Hour or WordKind.Next)))
            end++;
        var toPlace = item.Last.Stem is "to" or "at" || next > at + 1;
        if (!toPlace || end == next || !items.Skip(next).Take(end - next).Any(i => i.Meanings.Count == 0))
        {
            Add("handover", "delivered", item);
            return at + 1;
        }

        _place = text[items[next].Start..items[end - 1].End];
        Add("place", $"delivered to {_place}", item.To(items[end - 1]));
        return end;
    }

    private int? Name(List<Item> items, int at, List<Item> rest)
    {
        if (items[at].First is not { Stem: "for", Kind: TokenKind.Word } || items[at].First != items[at].Last || _name is not null)
            return null;
        var (from, end, named) = (at + 1, at + 1, false);
        while (end < items.Count && Belongs(items, end))
        {
            named |= IsName(items[end]);
            end++;
        }

        while (end > from && !IsName(items[end - 1]))
            end--;
        if (!named)
            return null;
        while (items[from].IsArticle)
            from++;
        _name = text[items[from].Start..items[end - 1].End];
        Add("for", $"for {_name}", items[at].To(items[end - 1]));
        Preposition(rest, i => i.Is(WordKind.When) is not null);
        return end;
    }

    // A slip that could be put right may as well be a name.
    private bool IsName(Item item) =>
        item.First.Kind is TokenKind.Word
            && (item.Meanings.Count == 0
                || item.Corrected
                || (char.IsUpper(text[item.Start])
                    && !item.IsEmpty
                    && item.Is(WordKind.Weekday) is null
                    && item.Is(WordKind.Month) is null
                    && item.Is(WordKind.Day) is null));

    private bool Belongs(List<Item> items, int at)
    {
        var item = items[at];
        var more = at + 1 < items.Count && IsName(items[at + 1]);
        return IsName(item)
            || item.IsArticle
            || item.First.Stem is "the" or "my" or "our"
            || (more && (item.First.Kind is TokenKind.Ordinal || item.First.Stem is "and" or "of" or "&"));
    }

    private int? Day(List<Item> items, int at, List<Item> rest)
    {
        if (DayAt(items, at) is not { } found || found.Next <= at)
            return null;
        var said = items[at].To(items[found.Next - 1]);
        if (_day is not null)
        {
            tell(said, "entry.second-day", []);
            return found.Next;
        }

        var begun = Preposition(rest, _ => true) ?? said;
        _day = found.Day;
        List<ChipChoice> choices = found.Vague
            ? [new(
                Says(found.Day.PlusDays(-Week)), $"on {Plain(found.Day.PlusDays(-Week))}"), new(Says(found.Day), $"on {Plain(found.Day)}")]
            : [];
        Add("day", Says(found.Day), begun.To(said), found.Vague, choices);
        return Skip(items, found.Next);
    }

    private static string Says(LocalDate day) => day.ToString("ddd d MMM", CultureInfo.InvariantCulture);

    private static string Plain(LocalDate day) => day.ToString("d MMM uuuu", CultureInfo.InvariantCulture);

    private (LocalDate Day, int Next, bool Vague)? DayAt(List<Item> items, int at)
    {
        var item = items[at];
        if (item.First.Kind is TokenKind.Date)
            return LocalDatePattern.Iso.Parse(item.First.Stem) is { Success: true } iso ? (iso.Value, at + 1, false) : null;
        if (item.Is(WordKind.Day) is { } ahead)
            return (today.PlusDays(Number(ahead)), at + 1, false);
        var later = item.Is(WordKind.Next) is not null;
        var from = later || item.First.Stem is "this" or "coming" ? at + 1 : at;
        if (from < items.Count && items[from].Is(WordKind.Weekday) is { } weekday)
        {
            var next = from + 1;
            if (next < items.Count && items[next] is { First.Kind: TokenKind.Comma } && MonthDay(items, next + 1) is not null)
                next++;
            while (next < items.Count && items[next].First.Stem is "the" or "of")
                next++;
            if (MonthDay(items, next) is { } dated)
                return (dated.Day, dated.Next, false);
            var to = (Number(weekday) - (int)today.DayOfWeek + Week - 1) % Week + 1;
            var isWeekLater = later && to < Week;
            return (today.PlusDays(isWeekLater ? to + Week : to), from + 1, isWeekLater);
        }

        return MonthDay(items, at);
    }

    /// <summary>"12 Dec", "December 12th", "the 12th".</summary>
    private (LocalDate Day, int Next, bool Vague)? MonthDay(List<Item> items, int at)
    {
        int? DayNumber(int i) =>
            i >= 0
                && i < items.Count
                && items[i].First.Kind is TokenKind.Number or TokenKind.Ordinal
                && items[i].First is { Fraction: false, Value: >= 1 and <= 31 } first
                && first.Value == Math.Floor(first.Value)
                ? (int)first.Value
                : null;
        int? MonthNumber(int i) => i < items.Count && items[i].Is(WordKind.Month) is { } month ? Number(month) : null;
        var of = at + 1 < items.Count && items[at + 1].First.Stem is "of" ? at + 2 : at + 1;
        var (day, month, next) = (0, 0, 0);
        if (DayNumber(at) is { } d && MonthNumber(of) is { } m)
            (day, month, next) = (d, m, of + 1);
        else if (MonthNumber(at) is { } first && DayNumber(at + 1) is { } second)
            (day, month, next) = (second, first, at + 2);
        if (day == 0)
        {
            if (at >= items.Count || items[at].First.Kind is not TokenKind.Ordinal)
                return null;
            var (here, alone) = (today, DayNumber(at) ?? 0);
            while (alone > 0 && here.Day != alone)
                here = here.PlusDays(1);
            return alone > 0 ? (here, at + 1, true) : null;
        }

        if (next < items.Count && items[next].First is { Kind: TokenKind.Number, Value: >= 2000 and <= 2999 } year)
            return day <= CalendarSystem.Iso.GetDaysInMonth((int)year.Value, month)
                ? (new((int)year.Value, month, day), next + 1, false)
                : null;
        if (day > CalendarSystem.Iso.GetDaysInMonth(today.Year, month))
            return null;
        var date = new LocalDate(today.Year, month, day);
        return (date < today ? date.PlusYears(1) : date, next, false);
    }

    private int? Time(List<Item> items, int at, List<Item> rest)
    {
        var item = items[at];
        var (minutes, next, assumed) = item switch
        {
            { First: { Kind: TokenKind.Time, Value: >= 0 and var time } } => ((int)time, at + 1, false),
            _ when item.Is(WordKind.Hour) is { } hour => (Number(hour) * MinutesInHour, at + 1, hour.Code is not "12"),
            _ => AtHour(items, at),
        };
        if (next <= at)
            return null;
        var said = item.To(items[next - 1]);
        if (_time is not null)
        {
            tell(said, "entry.second-time", []);
            return next;
        }

        var begun = Preposition(rest, _ => true) ?? said;
        _time = LocalTime.Midnight.PlusMinutes(minutes);
        Add("time", _time.Value.ToString("H:mm", CultureInfo.InvariantCulture), begun.To(said), assumed);
        return Skip(items, next);
    }

    /// <summary>"at 3" behind a day; before eight it is taken for the afternoon.</summary>
    private (int Minutes, int Next, bool Assumed) AtHour(List<Item> items, int at)
    {
        if (items[at].First is { Kind: TokenKind.Number, Fraction: false, Value: >= 1 and <= 12 } clock
            && clock.Value == Math.Floor(clock.Value)
            && at + 1 < items.Count
            && items[at + 1].First.Stem is "oclock")
            return ((int)(clock.Value < AfternoonBefore ? clock.Value + 12 : clock.Value) * MinutesInHour, at + 2, true);
        if (_day is null
            || items[at] is not { First.Stem: "at" }
            || at + 1 >= items.Count
            || items[at + 1].First is not { Kind: TokenKind.Number, Fraction: false, Value: >= 1 and <= 23 } hour
            || hour.Value != Math.Floor(hour.Value))
            return (0, 0, false);
        return ((int)(hour.Value < AfternoonBefore ? hour.Value + 12 : hour.Value) * MinutesInHour, at + 2 < items.Count
            && items[at + 2].First.Stem is "oclock"
            ? at + 3
            : at + 2, hour.Value <= 12);
    }

    /// <summary>Takes back "for pickup on" and the like from what stood before; where it began.</summary>
    private static Item? Preposition(List<Item> rest, Func<Item, bool> may)
    {
        Item? begun = null;
        while (rest.Count > 0
            && may(rest[^1])
            && rest[^1] is var last
            && (last.Is(WordKind.When) is not null || last is { First.Stem: "on" or "for" or "by" or "at" or "the" or "to" or "be" }))
        {
            begun = last;
            rest.RemoveAt(rest.Count - 1);
        }

        return begun;
    }

    private static int Skip(List<Item> items, int at)
    {
        while (at < items.Count && items[at].Is(WordKind.When) is not null)
            at++;
        return at;
    }

    private static int Number(Meaning meaning) => int.Parse(meaning.Code, CultureInfo.InvariantCulture);
}

using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Wording;

namespace Kondiba.Core.QuickEntry;

/// <content>What was understood, as it is told: a chip for each thing said or assumed, and the line they make.</content>
internal sealed partial class LineReader
{
    /// <summary>
    /// Sets what a piece has once. What is said of these pieces goes before what is said of all; two of a kind are
    /// asked about.
    /// </summary>
    private int Once(Item item, string field, string says, Action set, IEnumerable<string> choices, bool vague = false)
    {
        if (_saidAt.TryGetValue(field, out var level) && level == _level)
            return Leave(item, "entry.said-already");
        _saidAt[field] = _level;
        _chips.RemoveAll(c => c.Field == field);
        set();
        Add(field, says, item, choices, vague);
        return 1;
    }

    private void Tell(Item item, Message reason, IEnumerable<string> nearest) =>
        notes.Tell((item.Start, item.End), reason, Choices(nearest));

    private void Add(string field, string says, Item item, IEnumerable<string> choices, bool vague = false)
    {
        var read = item.Corrected ? Reading.Corrected : Reading.Read;
        _chips.Add(new(field, says, vague ? Reading.Assumed : read, item.Start, item.End - item.Start, Choices(choices)));
    }

    private void Assume(string field, string says, int at, IEnumerable<string> choices, string before = " ", string after = "") =>
        _chips.Add(new(field, says, Reading.Assumed, at, 0, [.. choices.Select(c => new ChipChoice(c, $"{before}{c}{after}"))]));

    private static List<ChipChoice> Choices(IEnumerable<string> says) => [.. says.Select(s => new ChipChoice(s, s))];

    private EntryLine Finish(Item? said)
    {
        if (_amount is null)
            Assume("amount", $"{AssumedAmount:0}", piece.Start, ["6", "12", "24", "36"], before: "", after: " ");
        else if (_amountGiven && said is null)
            Assume("amount", _amount.Says, piece.Start, []);
        var (amount, counted, _) = _amount ?? new(AssumedAmount, CountedIn.Pieces, "");
        if (look is not null)
            return Wearing(look, amount, counted);

        if (_size is null)
        {
            _size = centre.Size(tables.Reference.Words.UsualSizes.GetValueOrDefault(centre.Code)) ?? centre.Sizes[0];
            if (centre.Sizes.Count > 1)
                Assume("size", _size.Name, piece.Start, Named(centre.Sizes), before: "", after: " ");
        }

        var colour = _colour ?? Usual().Colours[0].Code;
        if (_colour is null && _depth is not 0)
            Assume(
                "colour",
                NameOf(colour),
                _after,
                UsualColours(),
                after: text[_after..].TrimStart(' ') is ['\n' or '\r' or ';' or ',' or '+', ..] or "" ? "" : ",");
        if (_depth is null)
            Assume("depth", DepthSays(centre.UsualDepth.Value.Si), _after, centre.Depths.Select(d => DepthSays(d.Si)));
        var coating = Holding(colour);
        if (coating.Code != tables.Profile.Habits.Coating && !_chips.Exists(c => c.Field is "coating"))
            Assume("coating", coating.Name, _after, tables.Reference.Coatings.Where(c => c.Colour(colour) is not null).Select(c => c.Name));
        return new(
            new(
                centre.Code,
                _size.Code,
                amount,
                counted,
                coating.Code,
                colour,
                _depth ?? centre.UsualDepth.Value.Si,
                _coats ?? centre.LeastCoats,
                false,
                _upright,
                null,
                Decorated(coating, colour),
                _on is null ? null : new Making(On: _on)),
            _chips);
    }

    /// <summary>A line that wears a look; what was said besides changes it, and it is that look no longer.</summary>
    private EntryLine Wearing(Look look, double amount, CountedIn counted)
    {
        var colour = _colour ?? look.Colour;
        var coating = _colour is null ? tables.Reference.Coating(look.Coating)! : Holding(colour);
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
            Making = _on is null ? null : new Making(On: _on),
            Look = _changed || more is not null ? null : look.Name,
            Decor = more is null
                ? _worn
                : new(
                    [.. _worn.Dips, .. more.Dips],
                    [.. _worn.Patterns, .. more.Patterns],
                    [.. _worn.Sprinkles, .. more.Sprinkles],
                    [.. _worn.Parts, .. more.Parts],
                    more.Paint ?? _worn.Paint),
        };
        return new(line, _chips);
    }
}

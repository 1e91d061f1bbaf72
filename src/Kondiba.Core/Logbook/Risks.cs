using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Logbook;

/// <summary>The air on the day.</summary>
/// <param name="Air">Its temperature in the kitchen.</param>
/// <param name="Humidity">Its relative humidity.</param>
public sealed record DayAir(Temperature Air, Share Humidity);

/// <summary>Something that may go wrong with an order, and what makes it less likely.</summary>
/// <param name="Code">Which risk.</param>
/// <param name="Line">The line that it is of; null for the order as a whole.</param>
/// <param name="Says">What may go wrong.</param>
/// <param name="Do">What to do about it.</param>
public sealed record Risk(string Code, int? Line, Message Says, Message Do);

/// <summary>What an order brings with it here, on that day, with these looks: from the models and from the logbook.</summary>
public static class Risks
{
    private const double MuchSpoilt = 0.12;

    /// <summary>The risks, by line and then of the order as a whole.</summary>
    /// <param name="order">The order.</param>
    /// <param name="tables">The kitchen's tables with what it learned.</param>
    /// <param name="batches">What was logged.</param>
    /// <param name="day">The air on the day; null for what the kitchen's room is usually like.</param>
    public static IReadOnlyList<Risk> Of(
        OrderDraft order, KitchenTables tables, IReadOnlyList<LoggedBatch> batches, DayAir? day)
    {
        var then = day is null ? tables : In(day, tables);
        var tally = CoatingTally.For(order, then, default);
        var r = then.Reference;
        return
        [
            .. tally.Lines.SelectMany(line => OfAir(line, r)),
            .. tally.Lines.SelectMany(line => OfLook(line, tally)),
            .. tally.Lines.SelectMany(line => OfLog(line, order.Lines[line.Line], batches, r)),
            .. tally.Pots.Where(p => p.Range is { Enough.Si: < 0.75 }).Select(p => Short(p, r)),
            .. New(order, batches, r),
        ];
    }

    private static KitchenTables In(DayAir day, KitchenTables tables)
    {
        var setting = tables.Reference.Setting;
        var room = setting.Room with { Air = new(day.Air, Source.Entered), Humidity = new(day.Humidity, Source.Entered) };
        return tables with
        {
            Reference = tables.Reference with
            {
                Setting = setting with { Places = [.. setting.Places.Select(p => p.Code == Place.Room ? room : p)] },
            },
        };
    }

    /// <summary>A coat that does not harden in the room, and pieces that sweat when they come out of the cold.</summary>
    private static IEnumerable<Risk> OfAir(LineTally line, ReferenceData r)
    {
        var counter = line.Setting.First(s => s.Place == Place.Room);
        var cold = line.Setting.Where(s => s.Place != Place.Room && s.HandleHard is not null)
            .Select(s => (Sets: s, Chill: Chill.For(line.Piece, r.Setting.Places.First(p => p.Code == s.Place), s, r.Setting)))
            .Where(s => s.Chill.Hard is not Sticky.Wet)
            .OrderBy(s => s.Chill.Hard)
            .ThenBy(s => s.Sets.HandleHard)
            .FirstOrDefault();
        if (counter.HandleHard is null && line.Piece.Film.Si > 0)
        {
            yield return new(
                "warm",
                line.Line,
                Message.Of("logbook.risk.warm", ("air", r.Setting.Room.Air.Value)),
                cold.Sets is null
                    ? Message.Of("logbook.risk.cool-room")
                    : Message.Of(
                        "logbook.risk.set-cold",
                        ("in", r.Setting.Places.First(p => p.Code == cold.Sets.Place).In),
                        ("after", cold.Sets.HandleHard!.Value)));
        }

        var wet = line.Setting.Where(s => s.Place != Place.Room && s.HandleHard is not null)
            .Select(s => Chill.For(line.Piece, r.Setting.Places.First(p => p.Code == s.Place), s, r.Setting))
            .FirstOrDefault(c => c.Hard is Sticky.Wet);
        if (wet is not null && line.Piece.Film.Si > 0)
        {
            yield return new(
                "sweats",
                line.Line,
                Message.Of(
                    "logbook.risk.sweats",
                    ("in", r.Setting.Places.First(p => p.Code == wet.Place).In),
                    ("dew", wet.DewPoint)),
                counter.HandleHard is { } hard
                    ? Message.Of("logbook.risk.set-here", ("after", hard))
                    : Message.Of("logbook.risk.closed-box"));
        }
    }

    /// <summary>A coat that its colour shows through.</summary>
    private static IEnumerable<Risk> OfLook(LineTally line, CoatingTally tally) =>
        from problem in tally.Problems
        where problem.Code == "amounts.coat-comes-out-sheer"
            && problem.Field.StartsWith($"lines[{line.Line}].", StringComparison.Ordinal)
        select new Risk("sheer", line.Line, problem.Reason, problem.Remedy);

    /// <summary>What went wrong with such pieces here before, and how many of them did.</summary>
    private static IEnumerable<Risk> OfLog(LineTally line, LineDraft draft, IReadOnlyList<LoggedBatch> batches, ReferenceData r)
    {
        var centre = r.Centre(draft.Centre)!;
        var such = batches.Where(b => b.Batch.Pieces.Any(p => p.Centre == draft.Centre)).ToList();
        foreach (var sign in such.SelectMany(b => b.Batch.Wrong.Select(w => w.Sign).Distinct()).GroupBy(s => s).Where(g => g.Count() > 1))
        {
            if (r.Troubles.Sign(sign.Key) is not { } known)
                continue;
            var cause = such.SelectMany(b => b.Batch.Wrong).Where(w => w.Sign == sign.Key && w.Cause is not null)
                .GroupBy(w => w.Cause!).MaxBy(g => g.Count())?.Key;
            yield return new(
                $"seen.{sign.Key}",
                line.Line,
                Message.Of(
                    "logbook.risk.seen",
                    ("sign", Message.ByText(known.Name)),
                    ("times", sign.Count()),
                    ("batches", such.Count),
                    ("pieces", centre.Plural)),
                Message.ByText((known.Causes.FirstOrDefault(c => c.Code == cause) ?? known.Causes[0]).Next));
        }

        if (such.Count > 0 && centre.Spoil.Value.Si > MuchSpoilt)
        {
            yield return new(
                "spoils",
                line.Line,
                Message.Of("logbook.risk.spoils", ("share", centre.Spoil.Value), ("pieces", centre.Plural)),
                Message.Of("logbook.risk.spoils.do", ("begun", line.Begun(centre.Spoil.Value)), ("count", line.Count.Value)));
        }
    }

    private static Risk Short(Pot pot, ReferenceData r) => new(
        "short",
        null,
        Message.Of(
            "logbook.risk.short",
            ("colour", r.Coating(pot.Coating)?.Colours.FirstOrDefault(c => c.Code == pot.Colour)?.Name ?? pot.Colour),
            ("from", pot.Range!.From),
            ("to", pot.Range.To),
            ("toMelt", pot.ToMelt.Value)),
        Message.Of("logbook.risk.short.do", ("to", pot.Range.To)));

    /// <summary>A coating that no batch was made in yet, in a kitchen that has made some.</summary>
    private static IEnumerable<Risk> New(OrderDraft order, IReadOnlyList<LoggedBatch> batches, ReferenceData r) =>
        from code in order.Lines.Select(l => l.Coating).Distinct()
        let coating = r.Coating(code)
        where batches.Count > 0 && coating is not null && batches.All(b => b.Batch.Coating != code)
        select new Risk(
            "new",
            null,
            Message.Of("logbook.risk.new", ("coating", coating.Name)),
            coating.Temper is null ? Message.Of("logbook.risk.new.do") : Message.Of("logbook.risk.new-temper.do"));
}

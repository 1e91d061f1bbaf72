using Kondiba.Core.Amounts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Logbook;

/// <summary>Something that the logbook suggests changing.</summary>
/// <param name="Code">Which suggestion: it is the same as long as it says the same.</param>
/// <param name="Title">What to do.</param>
/// <param name="Evidence">What it rests on.</param>
/// <param name="Ways">The kitchen's ways as they would be with it; null for what only the maker can do.</param>
public sealed record Suggestion(string Code, Message Title, Message Evidence, Ways? Ways);

/// <summary>What the logbook suggests changing next time.</summary>
public static class NextTime
{
    private const int Recent = 6;
    private const int LeastBatches = 3;
    private const double WorthGrams = 40;
    private const double UsualCertainty = 0.95;
    // Nothing is sure to be enough.
    private const double Surely = 0.99;
    private const double FilmStep = 0.1;
    private const double ThinnestFilm = 0.3;
    private const double ThickestFilm = 4;

    /// <summary>The suggestions, those that save most first, then what the maker noted.</summary>
    /// <param name="batches">What was logged, in any order.</param>
    /// <param name="ways">How things are done in the kitchen.</param>
    /// <param name="tables">The kitchen's tables with what it learned.</param>
    public static IReadOnlyList<Suggestion> For(IReadOnlyList<LoggedBatch> batches, Ways ways, KitchenTables tables)
    {
        var newestFirst = batches.Where(b => !b.Batch.LeftOut).OrderByDescending(b => b.Batch.MadeOn).ToList();
        return
        [
            .. Narrower(newestFirst, ways, tables),
            .. Margin(newestFirst, ways, tables),
            .. Film(newestFirst, ways, tables),
            .. Noted(newestFirst),
        ];
    }

    /// <summary>Where most batches of a centre would have left much less in another vessel, it is suggested.</summary>
    private static IEnumerable<Suggestion> Narrower(List<LoggedBatch> batches, Ways ways, KitchenTables tables)
    {
        var weighed = batches.Where(b => Lessons.OnPieces(b) is not null && b.Expected.Vessel is not null);
        foreach (var same in weighed.GroupBy(b => (b.Batch.Pieces[0].Centre, Vessel: b.Expected.Vessel!)))
        {
            var some = same.Take(Recent).ToList();
            if (some.Count < LeastBatches
                || ways.Vessels?.ContainsKey(same.Key.Centre) is true
                || tables.Reference.Centre(same.Key.Centre) is not { } centre)
                continue;
            var saved = some.Select(b => Best(b, tables)).ToList();
            var vessel = saved.Where(s => s.Vessel is not null && s.Vessel != same.Key.Vessel && s.Grams > WorthGrams)
                .GroupBy(s => s.Vessel!)
                .MaxBy(g => g.Count());
            if (vessel is null || vessel.Count() * 2 <= some.Count)
                continue;
            var (from, to) = (tables.Reference.Vessel(same.Key.Vessel), tables.Reference.Vessel(vessel.Key)!);
            yield return new(
                $"vessel.{same.Key.Centre}.{vessel.Key}",
                Message.Of("logbook.narrower", ("vessel", to.Name), ("pieces", centre.Plural)),
                Message.Of(
                    "logbook.narrower.why",
                    ("from", from?.Name ?? same.Key.Vessel),
                    ("saved", Quantities.Of<Mass>(vessel.Average(s => s.Grams), "g")),
                    ("times", vessel.Count()),
                    ("batches", some.Count)),
                ways with
                {
                    Vessels = (ways.Vessels ?? new Dictionary<string, string>())
                        .Append(new(same.Key.Centre, vessel.Key)).ToDictionary(),
                });
        }
    }

    /// <summary>The vessel that a batch would have wanted least in, and by how many grams less than in its own.</summary>
    private static (string? Vessel, double Grams) Best(LoggedBatch batch, KitchenTables tables)
    {
        var order = BatchExpected.AsOrder(batch.Batch with { Vessel = batch.Expected.Vessel });
        var pot = CoatingTally.For(order, tables, default).Pots.FirstOrDefault(p => p.Key == batch.Batch.Pot);
        var best = pot?.Vessels.Where(v => v.ToMelt is not null).MinBy(v => v.ToMelt!.Value.Si);

        // It cannot leave less than nothing over.
        var left = batch.Batch.After ?? 0;
        return best is null ? (null, 0) : (best.Vessel, Math.Min(left, (pot!.ToMelt.Value - best.ToMelt!.Value).In("g")));
    }

    /// <summary>Where enough is known of how batches differ, a margin that follows it.</summary>
    private static IEnumerable<Suggestion> Margin(List<LoggedBatch> batches, Ways ways, KitchenTables tables)
    {
        var weighed = batches.FindAll(b => Lessons.OnPieces(b) is not null);
        if (ways.Certainty is not null || weighed.Count < LeastBatches)
            yield break;
        var newest = weighed[0];
        var flat = CoatingTally.For(BatchExpected.AsOrder(newest.Batch), tables, default);
        var sure = CoatingTally.For(BatchExpected.AsOrder(newest.Batch), WithCertainty(tables, UsualCertainty), default);
        var (pot, other) = (Pot(flat), Pot(sure));
        if (pot?.Range is not { } range || other is null || range.Hand.Batches < LeastBatches)
            yield break;
        var less = pot.ToMelt.Value - other.ToMelt.Value;
        if (Math.Abs(less.In("g")) < 1)
            yield break;
        yield return new(
            "certainty",
            Message.Of("logbook.certainty"),
            Message.Of(
                less.Si > 0 ? "logbook.certainty.less" : "logbook.certainty.more",
                ("enough", new Share(Math.Min(Surely, range.Enough.Si))),
                ("by", less.Si > 0 ? less : other.ToMelt.Value - pot.ToMelt.Value),
                ("pieces", tables.Reference.Centre(newest.Batch.Pieces[0].Centre)?.Plural ?? newest.Batch.Pieces[0].Centre)),
            ways with { Certainty = UsualCertainty });

        Pot? Pot(CoatingTally tally) => tally.Pots.FirstOrDefault(p => p.Key == newest.Batch.Pot);
    }

    /// <summary>Where the film came out thin with thinner in it, or thick, more than once of late.</summary>
    private static IEnumerable<Suggestion> Film(List<LoggedBatch> batches, Ways ways, KitchenTables tables)
    {
        var looked = batches.Where(b => b.Batch.Film is not null).Take(Recent).ToList();
        var thin = looked.Count(b => b.Batch.Film is FilmLook.Thin && b.Expected.ThinnerShare > 0);
        var thick = looked.Count(b => b.Batch.Film is FilmLook.Thick);
        var usual = ways.Film ?? tables.Reference.Thinning.Target.Value.In("mm");
        if (thin >= 2 && thin > thick && usual + FilmStep <= ThickestFilm)
            yield return Aim("logbook.thin-less", "logbook.thin-less.why", thin, usual + FilmStep);
        if (thick >= 2 && thick > thin && usual - FilmStep >= ThinnestFilm)
            yield return Aim("logbook.thin-more", "logbook.thin-more.why", thick, usual - FilmStep);

        Suggestion Aim(string title, string why, int times, double film) => new(
            title,
            title,
            Message.Of(
                why,
                ("times", times),
                ("batches", looked.Count),
                ("from", Quantities.Of<Length>(usual, "mm")),
                ("to", Quantities.Of<Length>(film, "mm"))),
            ways with { Film = Math.Round(film, 2) });
    }

    private static IEnumerable<Suggestion> Noted(List<LoggedBatch> batches) =>
        from batch in batches.Take(Recent)
        where !string.IsNullOrWhiteSpace(batch.Batch.Change)
        select new Suggestion(
            $"noted.{batch.Id}",
            Message.ByName(batch.Batch.Change!),
            Message.Of("logbook.noted", ("on", batch.Batch.MadeOn.AtMidnight())),
            null);

    private static KitchenTables WithCertainty(KitchenTables tables, double certainty) => tables with
    {
        Reference = tables.Reference with { Pot = tables.Reference.Pot with { Certainty = new Share(certainty) } },
    };
}

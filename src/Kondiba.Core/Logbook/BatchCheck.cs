using Kondiba.Core.Facts;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Logbook;

/// <summary>Checks a batch before it is kept.</summary>
public static class BatchCheck
{
    /// <summary>Most kinds of pieces in a batch.</summary>
    public const int MostKinds = 40;

    /// <summary>Code of the problem that something is not in the kitchen, or no longer.</summary>
    public const string NoSuch = "logbook.no-such";

    /// <summary>Longest note.</summary>
    public const int LongestNote = 1000;

    private const double MostGrams = 20_000;
    private const double MostMinutes = 1440;
    private const int MostTroubles = 14;
    private const int LongestName = 80;

    /// <summary>What is wrong with it; nothing when it can be kept.</summary>
    /// <param name="batch">As entered.</param>
    /// <param name="tables">The kitchen's tables.</param>
    /// <param name="today">The kitchen's date.</param>
    public static IReadOnlyList<Problem> Of(Batch batch, KitchenTables tables, LocalDate today)
    {
        List<Problem> problems = [];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (batch.MadeOn > today || batch.MadeOn < today.PlusYears(-10))
            Error("madeOn", "logbook.day-out", "logbook.day-out.do");
        OfPot(batch, tables.Reference, Error);
        OfPieces(batch.Pieces, tables.Reference, Error);
        OfWeights(batch, Error);
        OfAir(batch, tables.Reference, Error);
        OfWrong(batch.Wrong, tables.Reference, Error);
        if (batch.Order?.Length > LongestName)
            Error("order", "logbook.too-long", Message.Of("logbook.too-long.do", ("most", LongestName)));
        foreach (var (field, text) in new[] { ("note", batch.Note), ("change", batch.Change) })
        {
            if (text?.Length > LongestNote)
                Error(field, "logbook.too-long", Message.Of("logbook.too-long.do", ("most", LongestNote)));
        }

        return problems;
    }

    private static void OfPot(Batch batch, ReferenceData tables, TellError error)
    {
        var coating = tables.Coating(batch.Coating);
        if (coating is null)
            error("coating", NoSuch, "logbook.choose");
        else if (coating.Colours.All(c => c.Code != batch.Colour))
            error("colour", NoSuch, "logbook.choose");
        if (batch.Vessel is not null && tables.Vessel(batch.Vessel) is null)
            error("vessel", NoSuch, "logbook.choose");
        if (batch.Thinner is not (null or Orders.PotDraft.NoThinner) && tables.Thinner(batch.Thinner) is null)
            error("thinner", NoSuch, "logbook.choose");
        if (batch.Method is not null && tables.Melting.Methods.All(m => m.Code != batch.Method))
            error("method", NoSuch, "logbook.choose");
    }

    private static void OfPieces(IReadOnlyList<BatchPieces> pieces, ReferenceData tables, TellError error)
    {
        if (pieces.Count is 0 or > MostKinds)
            error("pieces", "logbook.no-pieces", Message.Of("logbook.no-pieces.do", ("most", MostKinds)));
        foreach (var (i, p) in pieces.Index())
        {
            if (tables.Centre(p.Centre)?.Size(p.Size) is null)
                error($"pieces[{i}].centre", NoSuch, "logbook.choose");
            if (p.Made < 0 || p.Spoilt < 0 || p.Made > Batch.MostPieces || p.Spoilt > Batch.MostPieces || p.Dipped == 0)
                error($"pieces[{i}].made", "logbook.count", Message.Of("logbook.count.do", ("most", Batch.MostPieces)));
            if (!(p.Depth is > 0 and <= 1))
                error($"pieces[{i}].depth", "logbook.depth", "logbook.depth.do");
            if (p.Coats is < 1 or > 5)
                error($"pieces[{i}].coats", "logbook.coats", "logbook.coats.do");
            if (p.PerPiece is { } grams && !(grams is > 0 and <= 1000))
                error($"pieces[{i}].perPiece", "logbook.weight", Message.Of("logbook.weight.do", ("most", 1000)));
        }
    }

    private static void OfWeights(Batch batch, TellError error)
    {
        foreach (var (field, grams) in new[]
        {
            ("before", batch.Before), ("added", batch.Added), ("after", batch.After), ("bags", batch.Bags),
        })
        {
            if (grams is { } g && !(g is >= 0 and <= MostGrams))
                error(field, "logbook.weight", Message.Of("logbook.weight.do", ("most", MostGrams)));
        }

        if (batch.Used is <= 0)
            error("after", "logbook.more-left", "logbook.more-left.do");
        foreach (var (field, minutes) in new[] { ("meltMinutes", batch.MeltMinutes), ("dipMinutes", batch.DipMinutes) })
        {
            if (minutes is { } min && !(min is > 0 and <= MostMinutes))
                error(field, "logbook.minutes", Message.Of("logbook.minutes.do", ("most", MostMinutes)));
        }
    }

    private static void OfAir(Batch batch, ReferenceData tables, TellError error)
    {
        foreach (var (field, at, to) in new[] { ("dippedAt", batch.DippedAt, 90.0), ("room", batch.Room, 50.0) })
        {
            if (at is { } t && !(t >= -5 && t <= to))
                error(field, "logbook.temperature", "logbook.temperature.do");
        }

        if (batch.Humidity is { } humidity && !(humidity is >= 0 and <= 1))
            error("humidity", "logbook.humidity", "logbook.humidity.do");
        foreach (var (i, drying) in batch.Drying.Index())
        {
            if (tables.Setting.Places.All(p => p.Code != drying.Place))
                error($"drying[{i}].place", NoSuch, "logbook.choose");
            if (new[] { drying.TouchDry, drying.Hard }.Any(m => m is { } min && !(min is > 0 and <= MostMinutes)))
                error($"drying[{i}].hard", "logbook.minutes", Message.Of("logbook.minutes.do", ("most", MostMinutes)));
        }
    }

    private static void OfWrong(IReadOnlyList<BatchTrouble> wrong, ReferenceData tables, TellError error)
    {
        if (wrong.Count > MostTroubles)
            error("wrong", "logbook.troubles", Message.Of("logbook.troubles.do", ("most", MostTroubles)));
        foreach (var (i, trouble) in wrong.Index())
        {
            if (tables.Troubles.Sign(trouble.Sign) is not { } sign || (trouble.Cause is { } cause && sign.Cause(cause) is null))
                error($"wrong[{i}].sign", NoSuch, "logbook.choose");
            if (trouble.Pieces is < 0 or > Batch.MostPieces)
                error($"wrong[{i}].pieces", "logbook.count", Message.Of("logbook.count.do", ("most", Batch.MostPieces)));
        }
    }
}

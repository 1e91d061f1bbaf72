using Kondiba.Core.Amounts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Logbook;

/// <summary>What a kitchen made of one kind of piece.</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Made">Good ones.</param>
/// <param name="Spoilt">Ones that went wrong.</param>
/// <param name="Dozen">Dipping a dozen took so long, of the batches that were timed; null when none was.</param>
public sealed record MadeOf(string Centre, int Made, int Spoilt, Duration? Dozen);

/// <summary>What came of a month.</summary>
/// <param name="Month">Its first day.</param>
/// <param name="Off">How far the weighed batches were off their plans, as a share; null when none was weighed.</param>
/// <param name="Left">Coating left over.</param>
/// <param name="Lost">Worth of that and of what went wrong that does not come back.</param>
public sealed record MonthOf(LocalDate Month, double? Off, Mass Left, Money Lost);

/// <summary>What the logbook comes to.</summary>
/// <param name="Kinds">By kind of piece, most first.</param>
/// <param name="Months">By month, oldest first.</param>
public sealed record Totals(IReadOnlyList<MadeOf> Kinds, IReadOnlyList<MonthOf> Months)
{
    private const int MostMonths = 12;

    /// <summary>Adds it up, with what was left out too: it was made all the same.</summary>
    public static Totals Of(IReadOnlyList<LoggedBatch> batches, ReferenceData tables) => new(
        [
            .. batches.SelectMany(b => b.Batch.Pieces.Select(p => (Batch: b, Pieces: p)))
                .GroupBy(p => p.Pieces.Centre)
                .Select(g => new MadeOf(
                    g.Key,
                    g.Sum(p => p.Pieces.Made),
                    g.Sum(p => p.Pieces.Spoilt),
                    DozenOf([.. g.Select(p => p.Batch).Where(b => b.Batch is { Pieces.Count: 1, DipMinutes: > 0 })])))
                .OrderByDescending(k => k.Made),
        ],
        [
            .. batches.GroupBy(b => new LocalDate(b.Batch.MadeOn.Year, b.Batch.MadeOn.Month, 1))
                .OrderByDescending(g => g.Key)
                .Take(MostMonths)
                .Reverse()
                .Select(g => MonthOf(g.Key, [.. g], tables)),
        ]);

    private static Duration? DozenOf(List<LoggedBatch> timed)
    {
        var pieces = timed.Sum(b => b.Batch.Pieces[0].Dipped);
        return pieces == 0 ? null : Duration.FromMinutes(timed.Sum(b => b.Batch.DipMinutes!.Value) * 12 / pieces);
    }

    private static MonthOf MonthOf(LocalDate month, List<LoggedBatch> batches, ReferenceData tables)
    {
        var weighed = batches.Where(b => Lessons.OnPieces(b) is not null && b.Expected.Planned > 0).ToList();
        return new(
            month,
            weighed.Count == 0 ? null : weighed.Average(b => Math.Abs((Lessons.OnPieces(b)!.Value / b.Expected.Planned) - 1)),
            Grams(batches.Sum(b => b.Batch.After ?? 0)),
            batches.Aggregate(default(Money), (sum, b) => sum + LostOf(b, tables)));
    }

    private static Money LostOf(LoggedBatch b, ReferenceData tables)
    {
        if (tables.Coating(b.Batch.Coating) is not { } coating)
            return default;
        var dipped = Math.Max(1, b.Batch.Pieces.Sum(p => p.Dipped));
        var wrong = (Lessons.OnPieces(b) ?? b.Expected.Planned) * b.Batch.Pieces.Sum(p => p.Spoilt) / dipped;
        return PotCost.WrittenOffOf(Grams(b.Batch.After ?? 0), coating, tables) + PotCost.WorthOf(Grams(wrong), coating, tables);
    }

    private static Mass Grams(double grams) => Quantities.Of<Mass>(grams, "g");
}

using Kondiba.Core.Facts;
using Kondiba.Core.Learning;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using NodaTime;

namespace Kondiba.Core.Logbook;

/// <summary>What batches teach a kitchen.</summary>
public static class Lessons
{
    /// <summary>The kitchen's tables with what its batches have taught laid over them.</summary>
    /// <param name="untaught">Its tables as if it had logged nothing.</param>
    /// <param name="batches">What it has logged.</param>
    /// <param name="choice">What of it is wanted.</param>
    public static KitchenTables Taught(KitchenTables untaught, IReadOnlyList<LoggedBatch> batches, LearningChoice choice)
    {
        var r = untaught.Reference;
        var learned = Learned.From(Found(batches, choice), r.Learning, [.. choice.SetAside ?? []]);
        return untaught with
        {
            Learned = learned,
            Reference = r with
            {
                Centres = [.. r.Centres.Select(c => c with { Spoil = Times(c.Spoil, learned.Spoilt.Of(c.Code)) })],
                Setting = r.Setting with
                {
                    Places = [.. r.Setting.Places.Select(p => p with { Learned = Longer(learned.Setting.Of(p.Code)) })],
                },
            },
        };
    }

    /// <summary>What batches showed, over what was expected of each.</summary>
    public static Findings Found(IReadOnlyList<LoggedBatch> batches, LearningChoice choice)
    {
        var taught = batches.Where(b => !b.Batch.LeftOut && !(b.Batch.MadeOn < choice.From)).ToList();
        if (taught.Count == 0)
            return Findings.None;
        var newest = taught.Max(b => b.Batch.MadeOn);
        return new(
            [.. taught.Select(b => Stick(b, Age(b))).OfType<Finding>()],
            [.. taught.Select(b => One(b, Working.NameOf(Stage.Dip), b.Batch.DipMinutes, b.Expected.DipMinutes, Age(b))).OfType<Finding>()],
            [.. taught.SelectMany(b => Drying(b, Age(b)))],
            [.. taught.Select(b => One(b, b.Expected.Method, b.Batch.MeltMinutes, b.Expected.MeltMinutes, Age(b)))
                .OfType<Finding>()],
            [.. taught.SelectMany(b => b.Batch.Pieces.Zip(b.Expected.Pieces).Select(p => new SpoiltOf(
                b.Id, p.First.Centre, p.Second.Spoilt, p.First.Spoilt, Age(b), b.Batch.Confirmed)))]);

        int Age(LoggedBatch b) => Period.DaysBetween(b.Batch.MadeOn, newest);
    }

    /// <summary>What stuck to the pieces of a batch, in g; null when its pot was not weighed twice.</summary>
    public static double? OnPieces(LoggedBatch batch) =>
        batch.Batch.Used is { } used && used > batch.Expected.Tools ? used - batch.Expected.Tools : null;

    private static Finding? Stick(LoggedBatch b, int age)
    {
        var all = b.Expected.ByTables;
        return OnPieces(b) is { } grams && all > 0
            ? new(
                b.Id,
                [.. b.Expected.Pieces.GroupBy(p => p.Path).Select(p => new Portion(p.Key, p.Sum(k => k.Grams) / all))],
                grams / all,
                age,
                b.Batch.Confirmed)
            : null;
    }

    private static Finding? One(LoggedBatch b, string path, double? took, double? expected, int age) =>
        took is > 0 && expected is > 0 ? new(b.Id, path, took.Value / expected.Value, age, b.Batch.Confirmed) : null;

    /// <summary>One finding for a place: of touch-dry and hard, where both were timed, the middle of the two.</summary>
    private static IEnumerable<Finding> Drying(LoggedBatch b, int age)
    {
        foreach (var took in b.Batch.Drying)
        {
            var expected = b.Expected.Drying.FirstOrDefault(d => d.Place == took.Place);
            List<double> times = [.. new[] { (took.TouchDry, expected?.TouchDry), (took.Hard, expected?.Hard) }
                .Where(t => t is ( > 0, > 0))
                .Select(t => t.Item1!.Value / t.Item2!.Value)];
            if (times.Count > 0)
                yield return new(b.Id, took.Place, Math.Exp(times.Average(Math.Log)), age, b.Batch.Confirmed);
        }
    }

    private static Sourced<Share> Times(Sourced<Share> tables, Estimate own) =>
        own.IsLearned ? new(new(Math.Min(0.5, tables.Value.Si * own.Mean)), own.Source) : tables;

    private static Sourced<Share>? Longer(Estimate own) => own.IsLearned ? new(new(own.Mean), own.Source) : null;
}

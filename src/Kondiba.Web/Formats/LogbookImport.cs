using Kondiba.Core.Logbook;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Logbook;

namespace Kondiba.Web.Formats;

/// <summary>Takes in a file of batches: all of them, or nothing.</summary>
internal sealed class LogbookImport(KitchenThings things, KitchenClock clock, LogbookService logbook)
{
    private const int MostBatches = 1000;

    /// <summary>Logs every batch, or only says what that would change.</summary>
    /// <param name="text">CSV.</param>
    /// <param name="apply">Whether to do it; with anything wrong in it nothing is done.</param>
    /// <param name="key">Sent again under the same key, nothing is added.</param>
    public async Task<ImportPlan> ImportAsync(string text, bool apply, Guid? key)
    {
        var (batches, unread) = LogbookCsv.Read(text, key);
        if (batches.Count > MostBatches)
            return ImportPlan.Not([new(0, "", Message.Of("formats.too-many-batches", ("most", MostBatches)))]);
        var problems = unread.ToList();
        var (_, untaught, _, _) = await things.ToldAsync();
        var today = (await clock.NowAsync()).Date;
        foreach (var (line, _, batch) in batches)
            problems.AddRange(BatchCheck.Of(batch, untaught, today).Select(p => new ImportProblem(line, p.Field, p.Says)));
        if (problems.Count > 0)
            return ImportPlan.Not(problems);

        List<Message> changes =
        [
            .. batches.Select(b => Message.Of(
                "formats.batch-comes-in",
                ("pieces", Argument.Of(b.Batch.Pieces.Select(p => untaught.Reference.Centre(p.Centre)!.Plural).Distinct())),
                ("colour", b.Batch.Colour),
                ("on", b.Batch.MadeOn.AtMidnight()))),
        ];
        if (!apply)
            return new(changes, []);
        await logbook.KeepAllAsync([.. batches.Select(b => (b.Id, b.Batch))]);
        return new(changes, [], Done: true);
    }
}

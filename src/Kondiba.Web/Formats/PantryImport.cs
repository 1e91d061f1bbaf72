using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Pantry;

namespace Kondiba.Web.Formats;

/// <summary>Takes in a file of what came into the pantry: all of it, or nothing.</summary>
internal sealed class PantryImport(KitchenThings things, PantryService pantry)
{
    /// <summary>Puts every row into the pantry, or only says what that would change.</summary>
    /// <param name="text">CSV.</param>
    /// <param name="apply">Whether to do it; with anything wrong in it nothing is done.</param>
    /// <param name="key">Sent again under the same key, nothing is added.</param>
    public async Task<ImportPlan> ImportAsync(string text, bool apply, Guid? key)
    {
        var (rows, unread) = PantryCsv.Read(text, key);
        var problems = unread.ToList();
        var reference = (await things.TablesAsync()).Reference;
        var told = problems.Select(p => (p.Line, p.Field)).ToHashSet();
        foreach (var (line, receipt) in rows)
            problems.AddRange(PantryService.Check(receipt, reference)
                .Where(p => told.Add((line, p.Field)))
                .Select(p => new ImportProblem(line, p.Field, p.Says)));
        if (problems.Count > 0)
            return ImportPlan.Not(problems);

        List<Message> changes = [];
        foreach (var (_, receipt) in rows)
        {
            var ware = reference.Ware(receipt.Ware)!;
            changes.Add(Message.Of(
                "formats.lot-comes-in", ("ware", ware.Name), ("amount", receipt.Amount), ("unit", ShoppingApi.Unit(ware.Unit))));
        }

        if (!apply)
            return new(changes, []);
        List<Receipt> receipts = [.. rows.Select(r => r.Receipt)];
        if (key is null || !await pantry.AnyOfAsync(receipts))
            await pantry.ReceiveAllAsync(receipts);
        return new(changes, [], Done: true);
    }
}

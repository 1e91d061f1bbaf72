using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Planning;

/// <content>Where pieces stand between tasks, and for how long.</content>
internal sealed partial class OrderTasks
{
    /// <summary>Where pieces stand from one task to the next.</summary>
    private void Rests(OrderDraft order, CoatingTally tally, WorkStep step, string code, IReadOnlyList<string> next, int due, Batch batch)
    {
        var done = arranged.Tasks.GetValueOrDefault(code)?.Done;
        var open = next.Where(n => arranged.Tasks.GetValueOrDefault(n)?.Done is null).ToList();
        if (next.Count > 0 && open.Count < next.Count)
            return;
        var laid = step.Stage is Stage.Dip or Stage.Decorate or Stage.Assemble;
        if (step.Stage is Stage.Pack)
        {
            var keeping = tables.Reference.KeepingOf(tables.Reference.Centre(order.Lines[step.Lines[0]].Centre)!);
            if (keeping?.Place is { } kept)
                Stand(new(
                    code,
                    code,
                    [],
                    due,
                    [new(kept, (int)Math.Ceiling(Tray * batch.Fills / tables.Reference.Planning.Stacked.Value.Si), 0)]));
            return;
        }

        if (next.Count == 0 || !(laid || step.Rule.Wait is not null))
            return;
        if (step.Sets is not null)
        {
            var choices = Coats(tally.Lines.First(l => l.Line == step.Lines[0]), step, order, RoomFor(batch));

            // It sets from when it was done; a chill that is too long by now cannot be shortened any more.
            Stand(new(
                code,
                code,
                open,
                due,
                [.. choices.Select(c => done is { } at && c.Most < now - clock.Down(at) ? c with { Most = null } : c)]));
        }
        else
        {
            var place = tables.Reference.Setting.Had.Any(p => p.Code == step.Rule.Place) ? step.Rule.Place : Place.Room;
            var takes = RoomFor(batch);
            Standing here = new(place, takes, 0, step.Rule.AtMost is { } most && done is null ? (int)most.Value.TotalMinutes : null);
            Stand(new(code, code, open, due, step.Rule.InFridge is null || place == Cold
                ? [here]
                : [here, new(Cold, takes, 0, Cost: (int)(tables.Reference.Planning.Carry.Value.TotalMinutes * Minute))]));
        }
    }

    /// <summary>
    /// The room that pieces take lying on sheets: two colours share one, so in quarters of it (common practice: sheets come in quarters).
    /// </summary>
    private static int RoomFor(Batch batch) => Tray / 4 * (int)Math.Ceiling((4 * batch.Fills) - 1e-9);

    private void Stand(Stay stay)
    {
        var chosen = stay.Choices.Where(c => c.Place == arranged.Tasks.GetValueOrDefault(stay.From)?.Place).ToList();
        IReadOnlyList<Standing> choices = chosen.Count > 0 ? chosen : stay.Choices;
        stays.Add(stay with { Choices = [.. choices.Select(c => c with { Place = $"place.{c.Place}" })] });
    }

    /// <summary>Where a coat can set, each with how long it must and may stay there.</summary>
    private List<Standing> Coats(LineTally line, WorkStep step, OrderDraft order, int takes)
    {
        var c = tables.Reference.Setting;
        var school = Schools.Choice(tables.Reference.Schools.First(s => s.Code == Schools.Setting), order.Schools, tables).Code;
        var choices = new List<Standing>();
        foreach (var sets in step.Setting!)
        {
            var place = c.Places.First(p => p.Code == sets.Place);
            if (SetsAfter.Of(step.Sets!.Value, sets) is not { } hard)
                continue;
            var least = (int)Math.Ceiling(hard.TotalMinutes);
            int? dry = sets.TouchDry is { } touch && touch <= hard ? Whole(touch) : null;
            if (place.Code == Place.Room)
            {
                choices.Add(new(place.Code, takes, least, Dry: dry));
                continue;
            }

            var chill = Chill.For(line.Piece, place, sets, c);
            int? most = chill.Longest is { } longest ? (int)longest.TotalMinutes : null;
            if (chill.Hard is Sticky.Dry && !(most < least))
                choices.Add(new(place.Code, takes, least, most, (int)(tables.Reference.Planning.Carry.Value.TotalMinutes * Minute), dry));
        }

        var liked = choices.Where(s => school switch { "counter" => s.Place == Place.Room, "cold" => s.Place != Place.Room, _ => true })
            .ToList();
        if (liked.Count > 0)
            return liked;
        if (choices.Count > 0)
            return choices;
        Problems.Add(new(
            $"lines[{line.Line}]",
            Message.Of("planning.coat-sets-nowhere-kitchen", ("for", step.For)),
            "planning.coat-sets-nowhere-kitchen.do",
            Severity.Mind));
        return [new(Place.Room, takes, 60)];
    }
}

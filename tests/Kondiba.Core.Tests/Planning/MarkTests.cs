using CsCheck;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;

namespace Kondiba.Core.Tests;

/// <summary>Marks stay with what they were made of, however the order is changed after.</summary>
public class MarkTests
{
    private static readonly (string Centre, string Size)[] Kinds =
        [("strawberry", "L"), ("pretzel-rod", "one"), ("pretzel-twist", "mini"), ("sandwich-cookie", "thin"), ("marshmallow", "one")];

    private static readonly Gen<LineDraft> AnyLine =
        from kind in Gen.OneOfConst(Kinds)
        from count in Gen.Int[4, 30]
        from colour in Gen.OneOfConst("dark", "white", "teal")
        select Weekend.Dipped(kind.Centre, kind.Size, count, colour, 0.66);

    private static readonly Gen<IReadOnlyList<LineDraft>> AnyLines = AnyLine.Array[2, 4]
        .Select(lines => (IReadOnlyList<LineDraft>)[.. lines.Select((line, i) => line with { Code = $"line{i}" })]);

    private enum Edit
    {
        Delete,
        Add,
        Swap,
        More,
        Fewer,
    }

    private static IReadOnlyList<LineDraft> Edited(IReadOnlyList<LineDraft> lines, Edit edit, int at, int number) => edit switch
    {
        Edit.Delete when lines.Count > 1 => [.. lines.Where((_, i) => i != at % lines.Count)],
        Edit.Add => [.. lines, lines[at % lines.Count] with { Code = $"added{number}", Amount = 9 }],
        Edit.Swap => [.. lines.Skip(1), lines[0]],
        Edit.More => [.. lines.Select((l, i) => i == at % lines.Count ? l with { Amount = l.Amount + 6 } : l)],
        Edit.Fewer => [.. lines.Select((l, i) => i == at % lines.Count ? l with { Amount = Math.Max(1, l.Amount - 3) } : l)],
        _ => lines,
    };

    [Fact]
    public void Nothing_is_marked_that_was_not_done_and_nothing_that_is_owed_is_lost() => (
        from lines in AnyLines
        from marked in Gen.Int[0, 20].Array[1, 5]
        from edits in (from edit in Gen.Enum<Edit>() from at in Gen.Int[0, 9] select (edit, at)).Array[1, 4]
        select (lines, marked, edits)).Sample(
        (lines, marked, edits) =>
        {
            var plan = Planned(lines, Arrangements.None);
            var work = plan.Tasks.Where(t => t.What.Stage is not Stage.Melt).ToList();
            var done = marked.Select(i => work[i % work.Count]).DistinctBy(t => t.What.Code).ToList();
            var arranged = PlannerOf(lines, (Arrangements.None with
            {
                Tasks = done.ToDictionary(t => t.What.Code, t => new TaskMark(Done: Weekend.Now)),
            }).Following(plan)).Arranged;
            var after = lines;
            foreach (var (i, (edit, at)) in edits.Index())
                after = Edited(after, edit, at, i);
            var next = Planned(after, arranged);

            // What counts as done was done, and for as many pieces, or comes before something that was.
            var wasDone = arranged.Tasks.Where(t => t.Value.Pieces is not null).ToDictionary(t => t.Key, t => t.Value.Pieces!.Value);
            foreach (var task in next.Tasks.Where(t => t.Mark?.Done is not null && t.What.Stage is not Stage.Melt))
            {
                if (wasDone.TryGetValue(task.What.Code, out var pieces))
                    Assert.True(task.What.Pieces <= pieces, $"{task.What.Title}: {pieces} were done");
                else
                    Assert.Contains(done, d => d.What.Lines.Any(l => task.What.Lines.Any(n => after[n].Code == lines[l].Code)));
            }

            // Every piece of every line is packed, or was.
            foreach (var (i, line) in after.Index())
            {
                var packs = next.Tasks.Where(t => t.What.Stage is Stage.Pack && t.What.Lines.Contains(i));
                Assert.Equal(line.Amount, packs.Sum(t => t.What.Pieces));
            }
        },
        iter: 60);

    private static Planner PlannerOf(IReadOnlyList<LineDraft> lines, Arrangements arranged) =>
        new(new([Weekend.Order("edited", 2, 18, [.. lines])], KitchenTables.Shipped, arranged, Weekend.Now));

    private static Plan Planned(IReadOnlyList<LineDraft> lines, Arrangements arranged)
    {
        var planner = PlannerOf(lines, arranged);
        return planner.Read(planner.Alone() ?? planner.Late() ?? planner.Solve(Planner.First));
    }

    [Fact]
    public void What_is_over_is_of_no_more_use()
    {
        var today = Weekend.Now.Date;
        DayHours morning = new(new(9, 0), new(12, 0));
        TaskMark done = new(Done: Weekend.Now);
        var arranged = new Arrangements(
            new Dictionary<string, TaskMark> { ["regatta/dip.a"] = done, ["long-ago/dip.a"] = done, ["melt.wafers.dark.1"] = done },
            [new(today.PlusDays(-1), morning), new(today, null)],
            [new(today.PlusDays(-7), morning), new(today.PlusDays(1), morning)],
            [new("fridge", -1, today.AtMidnight(), Weekend.Now), new("fridge", -1, today.AtMidnight(), Weekend.Now.PlusMinutes(1))]);
        var still = arranged.Still(Weekend.Now, ["regatta"]);
        Assert.Equal(["melt.wafers.dark.1", "regatta/dip.a"], still.Tasks.Keys.Order());
        Assert.Equal(arranged.Hours[1], still.Hours.Single());
        Assert.Equal(arranged.Helpers[1], still.Helpers.Single());
        Assert.Equal(arranged.Places[1], still.Places.Single());
    }
}

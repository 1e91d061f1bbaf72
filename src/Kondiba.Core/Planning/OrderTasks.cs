using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Safety;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>Makes tasks of orders: batches with their waits, places, pots and limits.</summary>
internal sealed partial class OrderTasks
{
    /// <summary>Units of cost in a minute of the hands.</summary>
    public const int Minute = 1000;

    /// <summary>Units of room in a tray; boxes that are stacked take fewer.</summary>
    public const int Tray = 12;

    // Where what does not keep in the room is put.
    private const string Cold = "fridge";

    // What must go on within that is not made ready all at once: the last of it would wait for the first.
    private static readonly Duration Hurry = Duration.FromHours(1);

    // Minutes that a task under way may take longer than it was thought to.
    private const int Grace = 30;

    // What it is worth at least that something is made an hour later, and so fresher.
    private const int LeastWorth = Minute / 5;

    /// <summary>The maker's own hands.</summary>
    public const string Me = "me";

    private readonly KitchenTables tables;
    private readonly Arrangements arranged;
    private readonly PlanClock clock;
    private readonly int now;
    private readonly List<PlanTask> tasks = [];
    private readonly List<Stay> stays = [];
    private readonly List<Use> uses = [];
    private readonly List<Margin> margins = [];
    private readonly Dictionary<string, List<(string Task, Pot Pot, LocalDate Day)>> wanted = [];
    private readonly Dictionary<LocalDate, Dictionary<string, Pot>> dayPots = [];

    private OrderTasks(KitchenTables tables, Arrangements arranged, PlanClock clock, LocalDateTime now) =>
        (this.tables, this.arranged, this.clock, this.now) = (tables, arranged, clock, clock.Up(now));

    /// <summary>What the tasks are, by their code.</summary>
    public Dictionary<string, TaskInfo> Info { get; } = [];

    /// <summary>The steps that a task is made of, one after the other, by its code; of one that is done in parts, the whole step.</summary>
    public Dictionary<string, IReadOnlyList<WorkStep>> Parts { get; } = [];

    /// <summary>Coating that each task of a pot wants, by the pot's key.</summary>
    public Dictionary<string, Dictionary<string, Mass>> Coating { get; } = [];

    /// <summary>What cannot be planned.</summary>
    public List<Problem> Problems { get; } = [];

    /// <summary>Makes the problem of some orders.</summary>
    public static (PlanProblem Problem, OrderTasks Made) For(
        IReadOnlyList<PlannedOrder> orders, KitchenTables tables, Arrangements arranged, PlanClock clock, LocalDateTime now)
    {
        var made = new OrderTasks(tables, arranged, clock, now);
        var tallied = orders.Select(o => (Planned: o, Tally: CoatingTally.For(o.Draft, tables, clock.At(made.now)))).ToList();
        foreach (var (planned, tally) in tallied)
            made.Add(planned, tally);
        foreach (var day in tallied.GroupBy(o => o.Planned.Draft.Pickup!.Value.Date))
            made.dayPots[day.Key] = DayPots.For([.. day.Select(o => (o.Planned.Draft, o.Tally))], tables).Pots.ToDictionary(p => p.Key);
        var ends = orders.Select(o => clock.Down(o.Draft.Pickup!.Value))
            .Append(made.now + Whole(tables.Reference.Planning.Overdue.Value))
            .Max();
        var colours = made.Colours();
        var means = new KitchenMeans(tables, arranged, clock, made.now);

        // Pots that are warm now stand somewhere, whatever was said of how many can.
        int Warm(Resource resource) => colours.Count(c => c.Warm is not null && c.Takes.Contains(resource.Code));
        var resources = means.Resources(ends).Select(r => r with { Has = Math.Max(r.Has, Warm(r)) });
        return (new(
            ends, means.Workers(ends), [.. resources], made.tasks, made.stays, made.uses, colours, made.margins, new()), made);
    }

    private void Add(PlannedOrder planned, CoatingTally tally)
    {
        var (order, pickup) = (planned.Draft, clock.Down(planned.Draft.Pickup!.Value));

        // What should have been handed over is still owed: as soon as it goes, and within so long.
        var overdue = pickup < now;
        var due = overdue ? now + Whole(tables.Reference.Planning.Overdue.Value) : pickup;
        var work = Joined([.. PrepWork.Of(order, tally, tables).Where(s => s.Stage is not Stage.Melt)]);
        if (work.Count == 0)
            return;
        var steps = new OrderSteps(planned, tally, due, work, tally.Lines.ToDictionary(l => l.Line, l => Batches(order, l, work)));
        foreach (var (step, batch) in steps.InBatches)
            Begin(steps, step, batch);
        foreach (var (step, batch) in steps.InBatches)
        {
            Rests(
                order,
                tally,
                step,
                steps.Last[(step.Code, batch)],
                [.. steps.Followers[step.Code].SelectMany(n => steps.Of(steps.First, n, step, batch)).Distinct()],
                due,
                Batched(step) ? steps.Batches[step.Lines[0]][batch] : new(1, 1));
            if (step.Mould is { } mould && steps.Last.TryGetValue((MouldFreed(step, work), 0), out var freed))
                uses.Add(new($"mould.{mould}", 1, steps.First[(step.Code, 0)], freed));
        }

        margins.Add(new(
            planned.Code,
            [.. steps.InBatches.Where(s => !steps.Followers[s.Step.Code].Any()).Select(s => steps.Last[(s.Step.Code, s.Batch)])],
            overdue ? now : due - Whole(tables.Reference.Prep.Before.Value),
            (int)(tables.Reference.Planning.Spare.Value.Si * Minute)));
    }

    /// <summary>Makes a batch of a step a task, or several where it is long.</summary>
    private void Begin(OrderSteps steps, WorkStep step, int batch)
    {
        var (count, all) = (
            steps.BatchesOf(step), steps.Tally.Lines.Where(l => step.Lines.Contains(l.Line)).Sum(l => l.Count.Value));
        var share = Batched(step) ? steps.Batches[step.Lines[0]][batch].Share : 1;
        var minutes = (int)Math.Ceiling((step.Hands.TotalMinutes * share) - 1e-9);
        var parts = Math.Max(1, (int)Math.Ceiling(minutes / tables.Reference.Planning.Longest.Value.TotalMinutes));
        var named = $"{steps.Planned.Code}/{step.Code}{(count > 1 ? $"~{batch + 1}" : "")}";
        for (var p = 0; p < parts; p++)
        {
            var code = parts > 1 ? $"{named}+{p + 1}" : named;
            if (p == 0)
                steps.First[(step.Code, batch)] = code;
            List<Follows> after = p > 0
                ? [new(steps.Last[(step.Code, batch)])]
                : [.. step.After.Select(steps.ByCode.GetValueOrDefault).OfType<WorkStep>()
                    .SelectMany(a => steps.Of(steps.Last, a, step, batch).Select(t => Following(a, t, all)))];
            steps.Last[(step.Code, batch)] = code;
            Task(steps, step, code, Part(minutes, p, parts), after, Part(Part(all, batch, count), p, parts));
            Name(steps, step, code, Part(Part(all, batch, count), p, parts), count > 1, parts > 1 ? (p, parts) : null);
        }
    }

    /// <summary>An order's steps while tasks are made of them.</summary>
    /// <param name="Planned">The order.</param>
    /// <param name="Tally">What it comes to.</param>
    /// <param name="Due">When it is handed over.</param>
    /// <param name="Work">The steps, those done together as one.</param>
    /// <param name="Batches">The batches of each line, by its index.</param>
    private sealed record OrderSteps(
        PlannedOrder Planned, CoatingTally Tally, int Due, List<WorkStep> Work, Dictionary<int, List<Batch>> Batches)
    {
        public Dictionary<string, WorkStep> ByCode { get; } = Work.ToDictionary(s => s.Code);

        /// <summary>The steps that wait for a step, by its code.</summary>
        public ILookup<string, WorkStep> Followers { get; } =
            Work.SelectMany(s => s.After.Select(a => (Before: a, Step: s))).ToLookup(s => s.Before, s => s.Step);

        /// <summary>The first task of a step's batch.</summary>
        public Dictionary<(string Step, int Batch), string> First { get; } = [];

        /// <summary>The last task of a step's batch.</summary>
        public Dictionary<(string Step, int Batch), string> Last { get; } = [];

        public IEnumerable<(WorkStep Step, int Batch)> InBatches =>
            Work.SelectMany(s => Enumerable.Range(0, BatchesOf(s)).Select(b => (s, b)));

        public int BatchesOf(WorkStep step) => Batched(step) ? Batches[step.Lines[0]].Count : 1;

        /// <summary>
        /// A step's tasks at one end that a batch of another step goes with: its own batch where both are done in batches.
        /// </summary>
        public IEnumerable<string> Of(Dictionary<(string Step, int Batch), string> ends, WorkStep step, WorkStep other, int batch) =>
            Enumerable.Range(0, BatchesOf(step))
                .Where(b => !Batched(step) || !Batched(other) || b == batch)
                .Select(b => ends[(step.Code, b)]);
    }

    /// <summary>A part of a whole number, so that all parts make up the whole and differ by one at most.</summary>
    private static int Part(int whole, int part, int of) => (whole * (part + 1) / of) - (whole * part / of);

    /// <summary>Whether a step is done tray by tray: what lies on sheets, what waits in the freezer, what must be dipped soon.</summary>
    private static bool Batched(WorkStep step) =>
        step.Mould is null
            && step.Lines.Count == 1
            && (step.Stage is Stage.Dip or Stage.Decorate or Stage.Assemble or Stage.Pack
                || step.Rule is { Place: "freezer", Wait: not null }
                || (step.Stage is Stage.Prep && step.Rule.AtMost?.Value <= Hurry));

    /// <summary>Pieces that are made in one go.</summary>
    /// <param name="Share">Of the line's pieces.</param>
    /// <param name="Fills">How much of a tray they fill, or of how many.</param>
    private sealed record Batch(double Share, double Fills);

    /// <summary>
    /// A line's pieces tray by tray; more batches where a tray keeps the hands too long, one where a mould sets the pace.
    /// </summary>
    private List<Batch> Batches(OrderDraft order, LineTally line, List<WorkStep> work)
    {
        var (draft, centre) = (order.Lines[line.Line], tables.Reference.Centre(order.Lines[line.Line].Centre)!);
        var size = LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables.Reference).Size;
        var laid = TrayLayout.For(
            [LineMaking.Lies(
                line.Line, null, LineMaking.Held(
                    draft, centre), size, line.Count.Value, draft.Upright ?? centre.Upright, draft, tables.Reference)],
            tables.Reference.Tray);
        var (trays, fills) = (Math.Max(1, laid.Count), laid.Sum(t => t.Used.Si / t.Depth.Si));
        if (work.Exists(s => s.Mould is not null && s.Lines.Contains(line.Line) && s.Stage is Stage.Dip && s.Pots.Count > 0))
            return [new(1, fills)];
        var hands = work.Where(s => Batched(s) && s.Lines[0] == line.Line).Select(s => s.Hands.TotalMinutes).DefaultIfEmpty(0).Max();
        var count = Math.Max(trays, (int)Math.Ceiling(hands / tables.Reference.Planning.Longest.Value.TotalMinutes));
        return [.. Enumerable.Repeat(new Batch(1.0 / count, fills / count), count)];
    }

    /// <summary>How soon a step follows on another: not before it has waited, and what is made is not left standing.</summary>
    private Follows Following(WorkStep before, string task, int pieces)
    {
        var c = tables.Reference.Planning;
        var least = before.Sets is null ? Whole(before.Rule.Wait?.Value ?? Duration.Zero) : 0;
        var (best, most) = before.Stage is Stage.Fill or Stage.Prep || before.Rule.Best is not null
            ? (before.Rule.Best?.Value ?? before.Rule.AtMost?.Value, Longer(before.Rule.AtMost?.Value, before.Rule.InFridge?.Value))
            : ((before.Rule.Wait?.Value ?? Duration.Zero) + c.AtHand.Value, c.Open.Value);
        if (best is not { } soon)
            return new(task, least);

        // Within its best it costs little; but nothing is made ready hours before it must be.
        var hours = most is { } last && last > soon ? (last - soon).TotalHours : c.Open.Value.TotalHours;
        var ready = Math.Min(Whole(soon), (int)(before.Rule.Wait?.Value ?? Duration.Zero).TotalMinutes + Whole(c.AtHand.Value));
        return new(task, least, most is { } limit ? (int)limit.TotalMinutes : null, ready, Worth(pieces, hours));

        static Duration? Longer(Duration? a, Duration? b) => a is { } one && b is { } other ? Duration.Max(one, other) : a ?? b;
    }

    /// <summary>What each hour is worth, when pieces go from their best to the end of their life in so many.</summary>
    private int Worth(int pieces, double hours) =>
        Math.Max(LeastWorth, (int)(Minute * tables.Reference.Planning.Fresh.Value.TotalMinutes * pieces / Math.Max(1, hours)));

    private static int Whole(Duration d) => (int)Math.Ceiling(d.TotalMinutes - 1e-9);

    private void Task(OrderSteps steps, WorkStep step, string code, int lasts, List<Follows> after, int pieces)
    {
        var due = steps.Due;
        var mark = arranged.Tasks.GetValueOrDefault(code) ?? new();
        var dips = step.Stage is Stage.Dip;
        var centre = step.Lines is [var only] ? tables.Reference.Centre(steps.Planned.Draft.Lines[only].Centre)! : null;
        var keeps = centre is null ? null : tables.Reference.KeepingOf(centre);
        var earliest = dips && keeps is not null ? Math.Max(now, due - (int)keeps.Keeps.Value.TotalMinutes) : now;
        var fresh = keeps is null ? Duration.Zero : Duration.Min(keeps.Best.Value, tables.Reference.Planning.Same.Value);
        var (best, ages) = dips && keeps is not null && mark.Done is null
            ? (due - (int)fresh.TotalMinutes, Worth(pieces, (keeps.Keeps.Value - fresh).TotalHours))
            : (0, 0);
        if (mark.NotBefore is { } notBefore)
            earliest = Math.Max(earliest, clock.Up(notBefore));

        // A pin that has come is under way; one that is long over, and not done, holds nothing any more.
        var pin = mark.At is { } pinned && clock.Down(pinned) + lasts + Grace >= now ? clock.Down(pinned) : (int?)null;
        var at = mark.Done is { } done ? clock.Down(done) - lasts : pin;

        // What is done cannot be too late any more; what waits for it still must not wait too long, unless it already has or must.
        var follows = after.Select(f => (Done: mark.Done is not null, arranged.Tasks.GetValueOrDefault(f.Task)?.Done) switch
        {
            (true, null) => f with { Least = int.MinValue / 4, Most = null, Ages = 0 },
            (true, _) => new(f.Task, int.MinValue / 4, null),
            (_, null) => f,
            var (_, ended) => new Follows(
                f.Task, f.Least, f.Most is { } most && clock.Down(ended.Value) + most > earliest ? most : null),
        });
        tasks.Add(new(
            code, lasts, [.. follows], earliest, due, At: at, Best: best, Ages: ages, Done: mark.Done is not null, Begun: at < now));
        foreach (var key in step.Pots)
        {
            if (steps.Tally.Pots.FirstOrDefault(p => p.Key == key) is not { } pot)
                continue;
            if (!wanted.TryGetValue(key, out var of))
                wanted[key] = of = [];
            of.Add((code, pot, steps.Planned.Draft.Pickup!.Value.Date));
        }
    }

    /// <summary>What a task is called, and what it takes.</summary>
    private void Name(OrderSteps steps, WorkStep step, string code, int pieces, bool inBatches, (int Is, int Of)? part)
    {
        Parts[code] = inBatches || part is not null ? [step] : joint.GetValueOrDefault(step.Code) ?? [step];
        var what = inBatches ? $"{pieces} of {step.For}" : step.For;
        Info[code] = new(
            code,
            steps.Planned.Code,
            step.Stage,
            $"{Verb(step)} {what}{InColours(step)}{(part is (var which, var parts) ? $", part {which + 1} of {parts}" : "")}",
            what,
            step.Says,
            step.Why,
            step.Rule.Source,
            step.Lines,
            pieces,
            step.Stage is Stage.Dip
                && step.Lines is [var l]
                && steps.Tally.Lines.First(t => t.Line == l).Look is { Over.Count: 0, Round: { } round }
                ? round.Value
                : null,
            step.Pots,
            step.Rule.AtMost?.Value,
            SafetyNotes.For(step.Stage, step.Lines, steps.Planned.Draft, tables));
    }

    private static string Verb(WorkStep step)
    {
        var verb = step.Rule.Code.StartsWith("own-", StringComparison.Ordinal) ? "prepare" : step.Rule.Called;
        return $"{char.ToUpperInvariant(verb[0])}{verb[1..]}";
    }

    /// <summary>What it is done in: " in silver", " in teal and coral".</summary>
    private string InColours(WorkStep step) => step.Stage is Stage.Dip or Stage.Decorate && step is { Mould: null, Pots.Count: > 0 }
        ? $" in {English.List([.. step.Pots.Select(p => tables.Reference.PotOf(p).Colour?.Name).OfType<string>()])}"
        : "";

    /// <summary>The step at which a mould that a step fills is free again; a step that finds it filled has none of its own.</summary>
    private static string MouldFreed(WorkStep step, List<WorkStep> work)
    {
        bool Frees(WorkStep s) => s.Code.EndsWith(".out", StringComparison.Ordinal);
        if (Frees(step)
            || step.After.Any(a => work.Find(s => s.Code == a) is { Mould: not null } before
                && before.Mould == step.Mould
                && !Frees(before)))
            return "";
        var at = step;
        while (!Frees(at) && work.Find(s => s.Mould == step.Mould && s.After.Contains(at.Code)) is { } next)
            at = next;
        return at.Code;
    }
}

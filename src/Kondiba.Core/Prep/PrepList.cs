using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <summary>A step with its time.</summary>
/// <param name="Code">Unique in the order.</param>
/// <param name="Stage">What kind of work it is.</param>
/// <param name="For">What it is done to.</param>
/// <param name="Lines">Lines of the order that it serves.</param>
/// <param name="Text">What to do and what to look for.</param>
/// <param name="Why">What goes wrong without it.</param>
/// <param name="Source">Where that comes from.</param>
/// <param name="Place">Where it is done or waits.</param>
/// <param name="At">Temperature to bring it to.</param>
/// <param name="Starts">When, by the kitchen's clock.</param>
/// <param name="Hands">Time of the hands.</param>
/// <param name="Wait">What passes at least before the next step.</param>
/// <param name="WaitSource">Where that comes from; null without a wait.</param>
/// <param name="AtMost">What may pass before the next step.</param>
/// <param name="School">Code of the school that decided on it; null when makers agree.</param>
/// <param name="Amounts">Ingredients that it starts with.</param>
public sealed record PrepStep(
    string Code,
    Stage Stage,
    string For,
    IReadOnlyList<int> Lines,
    string Text,
    string Why,
    Source Source,
    string Place,
    Temperature? At,
    LocalDateTime Starts,
    Duration Hands,
    Duration Wait,
    Source? WaitSource,
    Duration? AtMost,
    string? School,
    IReadOnlyList<FillingAmount> Amounts)
{
    /// <summary>When the hands are done with it.</summary>
    public LocalDateTime Ends => Starts.PlusSeconds((long)Hands.TotalSeconds);
}

/// <summary>A school that bears on an order, and what was chosen.</summary>
/// <param name="School">The matter.</param>
/// <param name="Chosen">Code of the choice that holds.</param>
/// <param name="Own">Whether the order chose it, and not the kitchen.</param>
public sealed record SchoolInOrder(School School, string Chosen, bool Own);

/// <summary>How pieces that were sorted by size go into a box.</summary>
/// <param name="Box">Name of the box.</param>
/// <param name="Pieces">What goes in: "large strawberries".</param>
/// <param name="Rows">Row by row, the mass that the piece at each place is likely to have.</param>
public sealed record BoxPlan(string Box, string Pieces, IReadOnlyList<IReadOnlyList<Mass>> Rows);

/// <summary>What an order wants done, step by step and as late as it goes with one pair of hands.</summary>
/// <param name="Steps">By time.</param>
/// <param name="Fillings">Recipes scaled for it.</param>
/// <param name="Schools">Matters in which makers differ that bear on it.</param>
/// <param name="Boxes">How sorted pieces go into its boxes.</param>
/// <param name="Hands">Of all steps together.</param>
/// <param name="Problems">What stands too long, or cannot be done in time.</param>
public sealed record PrepList(
    IReadOnlyList<PrepStep> Steps,
    IReadOnlyList<FillingTally> Fillings,
    IReadOnlyList<SchoolInOrder> Schools,
    IReadOnlyList<BoxPlan> Boxes,
    Duration Hands,
    IReadOnlyList<Problem> Problems)
{
    /// <summary>How a figure came about: "fillings[0].mix", or "fillings[0]." and an ingredient's code; null when there is no such figure.</summary>
    public IReadOnlyList<WorkingLine>? WorkingOf(string figure) =>
        Fillings.Index().SelectMany(f => f.Item.Figures($"fillings[{f.Index}]")).FirstOrDefault(f => f.Path == figure).Working?.Invoke();

    /// <summary>Makes it.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="now">The kitchen's clock, to tell what should have been begun.</param>
    public static PrepList For(OrderDraft order, CoatingTally tally, KitchenTables tables, LocalDateTime now)
    {
        var work = PrepWork.Of(order, tally, tables);
        var hands = work.Aggregate(Duration.Zero, (sum, s) => sum + s.Hands);
        List<FillingTally> fillings = [.. PrepWork.Fillings(order, tally, tables.Reference).Select(f => f.Tally)];
        var schools = Bearing(order, tally, tables, work);
        if (order.Pickup is not { } pickup || work.Count == 0)
            return new([], fillings, schools, [], hands, []);

        var starts = Backwards.From(
            work, pickup.PlusSeconds(-(long)tables.Reference.Prep.Before.Value.TotalSeconds), tables.Profile.Working);
        List<PrepStep> steps = [
            .. work.Select((s, i) => (Step: s, Index: i))
                .OrderBy(s => starts[s.Step.Code])
                .ThenBy(s => s.Index)
                .Select(s => Dated(s.Step, starts[s.Step.Code])),
        ];
        return new(
            steps,
            fillings,
            schools,
            BoxesOf(order, tally, tables.Reference),
            hands,
            [.. Standing(work, starts), .. Late(steps, now), .. Stale(order, tally, tables.Reference, steps, pickup)]);
    }

    private static PrepStep Dated(WorkStep s, LocalDateTime starts) => new(
        s.Code, s.Stage, s.For, s.Lines, s.Rule.Text, s.Rule.Why, s.Rule.Source, s.Rule.Place, s.Rule.At?.Value, starts, s.Hands, s.Rule.Wait?.Value ?? Duration.Zero, s.Rule.Wait?.Source, s.Rule.AtMost?.Value, s.Rule.School, s.Amounts);

    private static List<SchoolInOrder> Bearing(OrderDraft order, CoatingTally tally, KitchenTables tables, IReadOnlyList<WorkStep> work)
    {
        var moulds = tally.Lines.Any(l => order.Lines[l.Line].Making?.Mould is not null);
        return
        [
            .. tables.Reference.Schools.Where(s => work.Any(w => w.Rule.School == s.Code)
                || (s.Code == "moulds" && moulds)
                || (s.Code == Orders.Schools.Setting && work.Any(w => w.Sets)))
                .Select(s => new SchoolInOrder(
                    s, Orders.Schools.Choice(s, order.Schools, tables).Code, order.Schools?.ContainsKey(s.Code) is true)),
        ];
    }

    /// <summary>Boxes with rows, for pieces that are sorted by size.</summary>
    private static List<BoxPlan> BoxesOf(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
    [
        .. from packing in order.Packing ?? []
           let box = tables.Wares.Supplies.FirstOrDefault(s => s.Code == packing.Supply)
           where box is { Rows: > 0 }
           from line in tally.Lines
           let centre = tables.Centre(order.Lines[line.Line].Centre)!
           where tables.Prep.Unfit.ContainsKey(centre.Code)
           let size = centre.Size(order.Lines[line.Line].Size)!
           let masses = Selection.Likely(size.Mass.Value, tables.Prep.Spread.Value, Math.Min(line.Count.Value, box.Rows * box.Columns))
           select new BoxPlan(
               box.Name,
               $"{size.Name} {centre.Plural}".Trim(),
               [.. Selection.Box([.. masses.Select(m => m.Si)], box.Rows, box.Columns)
                   .Select(row => row.Select(i => masses[i]).ToArray())]),
    ];

    /// <summary>What waits longer than it may.</summary>
    private static IEnumerable<Problem> Standing(IReadOnlyList<WorkStep> work, Dictionary<string, LocalDateTime> starts)
    {
        var next = work.SelectMany(s => s.After.Select(a => (Before: a, s.Code))).ToLookup(s => s.Before, s => starts[s.Code]);
        foreach (var step in work.Where(s => s.Rule.AtMost is not null && next[s.Code].Any()))
        {
            var stands = Period.Between(
                starts[step.Code], next[step.Code].Min(), PeriodUnits.Seconds).Seconds - (long)step.Hands.TotalSeconds;
            if (stands > step.Rule.AtMost!.Value.TotalSeconds + 60)
                yield return new(
                    step.Code,
                    Message.Of(
                        "prep.would-stand-min-min",
                        ("for", step.For),
                        ("text", step.Rule.Text),
                        ("stands", stands / 60),
                        ("atMost", step.Rule.AtMost.Value.TotalMinutes)),
                    "prep.would-stand-min-min.do",
                    Severity.Mind);
        }
    }

    private static IEnumerable<Problem> Late(List<PrepStep> steps, LocalDateTime now)
    {
        if (steps.Count > 0 && steps[0].Starts < now)
            yield return new(
                "pickup",
                Message.Of("prep.first-step-should-begun", ("starts", steps[0].Starts)),
                "prep.first-step-should-begun.do",
                Severity.Mind);
    }

    /// <summary>What is dipped longer before its pickup than it keeps.</summary>
    private static IEnumerable<Problem> Stale(
        OrderDraft order, CoatingTally tally, ReferenceData tables, List<PrepStep> steps, LocalDateTime pickup)
    {
        foreach (var line in tally.Lines)
        {
            var centre = tables.Centre(order.Lines[line.Line].Centre)!;
            if (steps.Find(s => s.Stage is Stage.Dip && s.Lines.Contains(line.Line)) is not { Starts: var dipped })
                continue;
            if (tables.KeepingOf(centre) is { } keeping && pickup.PlusSeconds(-(long)keeping.Keeps.Value.TotalSeconds) > dipped)
                yield return new(
                    $"lines[{line.Line}]",
                    Message.Of(
                        "prep.would-dipped-keep-h",
                        ("line", line.Count.Value),
                        ("plural", centre.Plural),
                        ("dipped", dipped),
                        ("keeps", keeping.Keeps.Value.TotalHours)),
                    "prep.would-dipped-keep-h.do",
                    Severity.Mind);
        }
    }
}

/// <summary>Puts steps as late as they go, for one pair of hands within the day's hours, from the last backwards.</summary>
internal static class Backwards
{
    /// <summary>When each step starts, by its code.</summary>
    /// <param name="work">The steps; each names those before it.</param>
    /// <param name="due">By when all is done.</param>
    /// <param name="hours">When the hands work.</param>
    public static Dictionary<string, LocalDateTime> From(IReadOnlyList<WorkStep> work, LocalDateTime due, Working hours)
    {
        var starts = new Dictionary<string, LocalDateTime>();
        var later = work.SelectMany(s => s.After.Select(a => (Before: a, s.Code))).ToLookup(s => s.Before, s => s.Code);
        var open = work.Index().ToList();
        LocalDateTime LatestEnd(WorkStep s) =>
            later[s.Code].Select(code => starts[code].PlusSeconds(-(long)(s.Rule.Wait?.Value ?? Duration.Zero).TotalSeconds))
                .Append(due)
                .Min();
        var free = due;
        while (open.Count > 0)
        {
            // Of the steps whose followers all have their time, the one that can be latest; so time only runs backwards.
            var (index, step) = open.Where(o => later[o.Item.Code].All(starts.ContainsKey)).MaxBy(o => (LatestEnd(o.Item), o.Index));
            var end = LatestEnd(step);
            if (step.Hands > Duration.Zero)
            {
                end = Within(end < free ? end : free, step.Hands, hours);
                free = end.PlusSeconds(-(long)step.Hands.TotalSeconds);
            }

            starts[step.Code] = end.PlusSeconds(-(long)step.Hands.TotalSeconds);
            open.RemoveAll(o => o.Index == index);
        }

        return starts;
    }

    /// <summary>The latest end, not after the one given, of hands' work within a day's hours. Work longer than a day starts with the day.</summary>
    private static LocalDateTime Within(LocalDateTime end, Duration hands, Working hours)
    {
        var longest = hours.Days.Max(d => d.Hours is { } h ? Period.Between(h.From, h.To, PeriodUnits.Seconds).Seconds : 0);
        var least = Math.Min((long)hands.TotalSeconds, longest);
        var day = end.Date;
        while (longest > 0)
        {
            if (hours.On(day) is { } open)
            {
                var (opens, closes) = (day + open.From, day + open.To);
                var latest = end < closes ? end : closes;
                if (latest >= opens.PlusSeconds(least))
                    return latest;
            }

            day = day.PlusDays(-1);
        }

        return end;
    }
}

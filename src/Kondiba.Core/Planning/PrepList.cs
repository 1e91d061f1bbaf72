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
/// <param name="Safety">What to mind so that nobody comes to harm.</param>
public sealed record PrepStep(
    string Code,
    Stage Stage,
    string For,
    IReadOnlyList<int> Lines,
    Message Text,
    Message Why,
    Source Source,
    string Place,
    Temperature? At,
    LocalDateTime Starts,
    Duration Hands,
    Duration Wait,
    Source? WaitSource,
    Duration? AtMost,
    string? School,
    IReadOnlyList<FillingAmount> Amounts,
    IReadOnlyList<SafetyNote> Safety)
{
    /// <summary>A step of an order's work, at its time.</summary>
    internal static PrepStep Of(WorkStep step, LocalDateTime starts) => new(
        step.Code,
        step.Stage,
        step.For,
        step.Lines,
        step.Says,
        step.Why,
        step.Rule.Source,
        step.Rule.Place,
        step.Rule.At?.Value,
        starts,
        step.Hands,
        step.Rule.Wait?.Value ?? Duration.Zero,
        step.Rule.Wait?.Source,
        step.Rule.AtMost?.Value,
        step.Rule.School,
        step.Amounts,
        []);

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
    /// <summary>How a figure came about: "fillings[0].mix", or "fillings[0]." and an ingredient's code; null when there is none.</summary>
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
        var boxes = BoxesOf(order, tally, tables.Reference);
        if (order.Pickup is null || work.Count == 0)
            return new([], fillings, schools, [], hands, []);

        // The same plan that the day makes, of this order alone.
        var planner = new Planner(new([new(Alone, order)], Orders.Schools.Chosen(order, tables), Arrangements.None, now));
        var fits = planner.Alone();
        if ((fits ?? planner.Late(atOnce: true)) is not { } solution)
        {
            var inTurn = Minded(InTurn(work, order.Pickup.Value));
            return new(inTurn, fillings, schools, boxes, hands, [Mind("prep.too-much", "prep.too-much.do")]);
        }

        var tidy = planner.Tidy(solution);
        var plan = fits is null ? planner.ReadShort(tidy) : planner.Read(tidy);
        List<Problem> problems = [.. plan.Shortages.Where(s => s.Kind is Short.Keeping).Select(
            s => Mind(s.What, "prep.stands-too-long.do"))];
        if (plan.Shortages.Any(s => s.Kind is Short.Place))
            problems.Add(Mind("prep.too-few-trays", "prep.too-few-trays.do"));
        if (plan.Orders[0].Ready is var ready && ready > order.Pickup)
            problems.Add(Mind(Message.Of("prep.not-ready-before", ("ready", ready)), "prep.not-ready-before.do"));
        return new(Minded(plan.Tasks.SelectMany(t => StepsOf(t, planner, plan, work))), fillings, schools, boxes, hands, problems);

        IReadOnlyList<PrepStep> Minded(IEnumerable<PrepStep> steps) =>
            [.. steps.Select(s => s with { Safety = SafetyNotes.For(s.Stage, s.Lines, order, tables) })];

        static Problem Mind(Message reason, string remedy) => new("pickup", reason, remedy, Severity.Mind);
    }

    /// <summary>A task as its steps; pots by the step that melts them or washes them up.</summary>
    private static IEnumerable<PrepStep> StepsOf(DayTask task, Planner planner, Plan plan, IReadOnlyList<WorkStep> work)
    {
        var (what, minutes) = (task.What, Period.Between(task.Starts, task.Ends, PeriodUnits.Minutes).ToDuration());
        WorkStep Step(string code) => work.First(s => s.Code == code);
        if (plan.Melts.FirstOrDefault(m => m.Code == what.Code) is { } melt)
        {
            var cools = Period.Between(task.Ends, melt.Ready, PeriodUnits.Minutes).ToDuration();
            var melting = PrepStep.Of(Step($"melt.{melt.Pot}"), task.Starts);
            return [melting with { Code = what.Code, Text = what.Text, Hands = minutes, Wait = cools }];
        }

        if (plan.Melts.FirstOrDefault(m => m.WashCode == what.Code) is { } washed)
            return [PrepStep.Of(Step($"wash.{washed.Pot}"), task.Starts) with { Code = what.Code, Hands = minutes }];
        var parts = planner.PartsOf(what.Code);
        if (what.Code == $"{Alone}/{parts[^1].Code}")
            return OneAfterTheOther(parts, task.Starts);
        return [PrepStep.Of(parts[0], task.Starts) with { Code = what.Code[(Alone.Length + 1)..], For = what.For, Hands = minutes }];
    }

    /// <summary>Steps that were joined: a wait between them is stood by.</summary>
    private static IEnumerable<PrepStep> OneAfterTheOther(IReadOnlyList<WorkStep> parts, LocalDateTime starts)
    {
        foreach (var part in parts)
        {
            yield return PrepStep.Of(part, starts);
            starts = starts.PlusSeconds((long)(part.Hands + (part.Rule.Wait?.Value ?? Duration.Zero)).TotalSeconds);
        }
    }

    /// <summary>
    /// The steps one after the other up to the pickup, whatever the hours: what is to be done, when no plan of it is found.
    /// </summary>
    private static List<PrepStep> InTurn(IReadOnlyList<WorkStep> work, LocalDateTime pickup)
    {
        var all = work.Aggregate(Duration.Zero, (sum, s) => sum + s.Hands + (s.Rule.Wait?.Value ?? Duration.Zero));
        return [.. OneAfterTheOther(work, pickup.PlusSeconds(-(long)all.TotalSeconds))];
    }

    // What the order is called in a plan of its own.
    private const string Alone = "order";

    private static List<SchoolInOrder> Bearing(OrderDraft order, CoatingTally tally, KitchenTables tables, IReadOnlyList<WorkStep> work)
    {
        var moulds = tally.Lines.Any(l => order.Lines[l.Line].Making?.Mould is not null);
        return
        [
            .. tables.Reference.Schools.Where(s => work.Any(w => w.Rule.School == s.Code)
                || (s.Code == "moulds" && moulds)
                || (s.Code == Orders.Schools.Setting && work.Any(w => w.Sets is not null))
                || (s.Code == MeltingOf.School && work.Any(w => w.Stage is Stage.Melt)))
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
}

using System.Globalization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Fillings;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <summary>What a coat is waited for.</summary>
public enum Sets
{
    /// <summary>Touch-dry: it can be drawn on, lying where it is.</summary>
    TouchDry,

    /// <summary>Hard enough to lift, to glue on and to pack.</summary>
    Hard,

    /// <summary>Lines on a coat that was touch-dry: both of them hard.</summary>
    LinesOnDry,

    /// <summary>Lines on a hard piece.</summary>
    Lines,
}

/// <summary>How long a coat is waited for.</summary>
internal static class SetsAfter
{
    /// <summary>In a place; null where it never comes to it there. A line is about as thick as a coat, and dries as one.</summary>
    public static Duration? Of(Sets sets, SettingTime there) => sets switch
    {
        Sets.TouchDry => there.TouchDry,
        Sets.Hard => there.HandleHard,
        Sets.Lines => there.TouchDry,
        _ => there.HandleHard is { } hard && there.TouchDry is { } dry ? Duration.Max(hard - dry, dry) : null,
    };
}

/// <summary>A step of an order's work, not yet put into the day.</summary>
/// <param name="Code">Unique in the order, and the same as long as its line is there.</param>
/// <param name="Stage">What kind of work it is.</param>
/// <param name="For">What it is done to: "60 truffle balls".</param>
/// <param name="Lines">Lines of the order that it serves.</param>
/// <param name="Rule">What to do and why, where, how long it waits.</param>
/// <param name="Says">What to do, in full.</param>
/// <param name="Why">What goes wrong without it.</param>
/// <param name="Hands">Time of the hands.</param>
/// <param name="After">Codes of the steps that come before it.</param>
/// <param name="Amounts">Ingredients that it starts with.</param>
/// <param name="Pots">Keys of the pots that it is done from.</param>
/// <param name="Setting">Setting times of the coat that it leaves; null when it leaves none.</param>
/// <param name="Sets">What that coat is waited for; null for none.</param>
/// <param name="Mould">Code of the mould that it fills, or frees.</param>
public sealed record WorkStep(
    string Code,
    Stage Stage,
    string For,
    IReadOnlyList<int> Lines,
    PrepRule Rule,
    Message Says,
    Message Why,
    Duration Hands,
    IReadOnlyList<string> After,
    IReadOnlyList<FillingAmount> Amounts,
    IReadOnlyList<string> Pots,
    IReadOnlyList<SettingTime>? Setting = null,
    Sets? Sets = null,
    string? Mould = null);

/// <summary>Centres that a line's pieces want.</summary>
/// <param name="Centre">The centre.</param>
/// <param name="Size">Its size; of a cut one, the part that is kept.</param>
/// <param name="Pieces">How many to have.</param>
/// <param name="Own">Whether it is the line's own centre, for which the line says how it is made; others are made as usual.</param>
internal sealed record Want(Centre Centre, CentreSize Size, int Pieces, bool Own = false)
{
    /// <summary>The recipe that it is made by; null when it is bought.</summary>
    public Filling? Filling(LineMaking making, ReferenceData tables) => Own ? making.Filling : LineMaking.Usual(Centre, tables);
}

/// <summary>The steps of an order: from what is bought to what is handed over.</summary>
internal sealed partial class PrepWork
{
    private readonly OrderDraft order;
    private readonly CoatingTally tally;
    private readonly KitchenTables tables;
    private readonly List<WorkStep> steps = [];
    private readonly List<(LineTally Tally, LineDraft Draft, Centre Centre, LineMaking Making)> lines;

    private PrepWork(OrderDraft order, CoatingTally tally, KitchenTables tables)
    {
        (this.order, this.tally, this.tables) = (order, tally, Orders.Schools.Chosen(order, tables));
        lines =
        [
            .. from line in tally.Lines
               let draft = order.Lines[line.Line]
               let centre = tables.Reference.Centre(draft.Centre)!
               select (line, draft, centre, LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables.Reference)),
        ];
    }

    /// <summary>Finds them, each after those it waits for; when they are done, a plan says.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<WorkStep> Of(OrderDraft order, CoatingTally tally, KitchenTables tables)
    {
        var work = new PrepWork(order, tally, tables);
        work.Fill();
        work.Prepare();
        work.LayOut();
        work.Melt();
        work.Dip();
        work.Finish();
        work.Wash();
        return work.steps;
    }

    /// <summary>The recipes that an order wants, with the pieces and the lines they are for.</summary>
    public static IEnumerable<(Filling Filling, FillingTally Tally, IReadOnlyList<int> Lines)> Fillings(
        OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        var made =
            from line in tally.Lines
            let draft = order.Lines[line.Line]
            let centre = tables.Centre(draft.Centre)!
            let making = LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables)
            from want in Wants(centre, draft, line, making, tables)
            let filling = want.Filling(making, tables)
            where filling is not null
            select (Filling: filling, Portion: (want.Own ? making.Portion : null) ?? filling.PortionOn(want.Size), want.Pieces, line.Line);
        foreach (var same in made.GroupBy(m => (m.Filling.Code, Mix: string.Join(
            ' ', m.Filling.Mix.Select(p => p.Share.Value.Si)), m.Portion.Value)))
        {
            var (filling, portion, _, _) = same.First();
            yield return (filling, FillingTally.For(filling, same.Sum(s => s.Pieces), portion, tables), [
                .. same.Select(s => s.Line).Distinct(),
            ]);
        }

        var accents =
            from line in tally.Lines
            from part in line.Look?.Parts ?? []
            let filling = tables.Fillings.FirstOrDefault(f => f.Makes == $"part.{part.Kind}")
            where filling is not null
            group (Pieces: line.Begun(tables.Centre(order.Lines[line.Line].Centre)!.Spoil.Value) * part.Count, line.Line) by filling;
        foreach (var same in accents)
            yield return (same.Key, FillingTally.For(same.Key, same.Sum(s => s.Pieces), same.Key.Portion, tables), [
                .. same.Select(s => s.Line).Distinct(),
            ]);
    }

    /// <summary>
    /// The centres that a line's pieces want: its own, what is pressed into its mould, the body and the parts of its figure.
    /// </summary>
    public static IEnumerable<Want> Wants(Centre centre, LineDraft draft, LineTally line, LineMaking making, ReferenceData tables)
    {
        var begun = line.Begun(centre.Spoil.Value);
        if (centre.Figure is { } figure)
        {
            foreach (var part in figure.Parts)
                yield return new(part.Centre, part.Size, Centres.Figure.CentresFor(part, line.Count.Value));
            yield return new(figure.Body, figure.BodySize, begun);
        }
        else if (centre.Holding is not Holding.Mould)
            yield return new(centre, centre.Size(draft.Size)!, begun, Own: true);
        if (making.Insert is { } insert)
            yield return new(insert.Centre, insert.Size, (int)Math.Ceiling((begun * making.InsertEach) - 1e-9));
    }

    /// <summary>What a line's steps are called by: its own code, which it keeps, or its place in one that has none yet.</summary>
    private string Named(LineTally line) => order.Lines[line.Line].Code ?? line.Line.ToString(CultureInfo.InvariantCulture);

    /// <summary>What makes a line's centres ready.</summary>
    private List<string> ReadyFor(LineTally line) =>
        Ends(steps.Where(s => s.Stage is Stage.Fill or Stage.Prep && s.Lines.Contains(line.Line)));

    private string Pot(LineTally line) => $"{order.Lines[line.Line].Coating}.{order.Lines[line.Line].Colour}";

    private bool IsBare(LineTally line) => order.Lines[line.Line].Depth == 0;

    private IEnumerable<string> PotsOf(LineTally line)
    {
        var draft = order.Lines[line.Line];
        return ((IEnumerable<string>)[
            $"{draft.Coating}.{draft.Colour}",
            .. line.Disc is { } disc ? new[] { disc.Pot } : [],
            .. (line.Parts ?? []).Select(p => $"{p.Coating}.{p.Colour}"),
            .. (line.Look?.Over ?? []).Select(o => $"{o.Coating}.{o.Colour}"),
            .. (line.Look?.Patterns ?? []).Select(p => p.Pot),
            .. (line.Look?.Parts ?? []).Select(p => p.Moulded).OfType<string>(),
        ])
            .Distinct().Where(key => tally.Pots.Any(p => p.Key == key));
    }

    /// <summary>What a centre asks for, and what putting it together does.</summary>
    private List<PrepRule> Rules(Centre centre) => Held(
    [
        .. tables.Reference.PrepRules.Where(r => r.For.Contains(centre.Code)),
        .. (centre.Figure?.Work ?? []).SelectMany(work => tables.Reference.PrepRules.Where(r => r.For.Contains(work.Rule))
            .Select(r => r.To(work))),
    ]);

    private List<PrepRule> Held(IEnumerable<PrepRule> rules) => [.. rules.Where(r => Schools.Holds(r, order.Schools, tables))];

    private string? Chain(
        string code,
        Stage stage,
        string of,
        IReadOnlyList<int> serves,
        IReadOnlyList<PrepRule> rules,
        int pieces,
        IReadOnlyList<string> after,
        IReadOnlyList<FillingAmount>? amounts = null,
        string? pot = null)
    {
        string? last = null;
        foreach (var rule in rules)
        {
            var warm = rule.Warm && pot is not null;
            IReadOnlyList<string> before = last is null ? after : [last];
            last = Add(
                $"{code}.{rule.Code}",
                stage,
                of,
                serves,
                rule,
                rule.HandsFor(pieces),
                warm ? [.. before, $"melt.{pot}"] : before,
                amounts: last is null ? amounts : null,
                pots: warm ? [pot!] : []);
        }

        return last;
    }

    private string Add(
        string code,
        Stage stage,
        string of,
        IReadOnlyList<int> serves,
        PrepRule rule,
        Duration hands,
        IReadOnlyList<string> after,
        Message? says = null,
        Message? why = null,
        IReadOnlyList<FillingAmount>? amounts = null,
        IReadOnlyList<string>? pots = null,
        (IReadOnlyList<SettingTime> There, Sets For)? sets = null,
        string? mould = null)
    {
        steps.Add(new(
            code,
            stage,
            of,
            serves,
            rule,
            says ?? rule.Says,
            why ?? rule.Because,
            hands * tables.PaceOf(stage),
            [.. after.Distinct()],
            amounts ?? [],
            [.. (pots ?? []).Distinct()],
            sets?.There,
            sets?.For,
            mould));
        return code;
    }

    /// <summary>Those of some steps that no other of them comes after.</summary>
    private static List<string> Ends(IEnumerable<WorkStep> some)
    {
        var all = some.ToList();
        return [.. all.Select(s => s.Code).Where(code => !all.Any(s => s.After.Contains(code)))];
    }

    private static string Pieces(LineTally line, Centre centre) =>
        $"{line.Count.Value} {(line.Count.Value == 1 ? centre.Name : centre.Plural)}";
}

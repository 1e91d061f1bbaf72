using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <summary>A step of an order's work, not yet put into the day.</summary>
/// <param name="Code">Unique in the order.</param>
/// <param name="Stage">What kind of work it is.</param>
/// <param name="For">What it is done to: "60 truffle balls".</param>
/// <param name="Lines">Lines of the order that it serves.</param>
/// <param name="Rule">What to do and why, where, how long it waits.</param>
/// <param name="Hands">Time of the hands.</param>
/// <param name="After">Codes of the steps that come before it.</param>
/// <param name="Amounts">Ingredients that it starts with.</param>
/// <param name="Pots">Keys of the pots that it is done from.</param>
/// <param name="Sets">Whether what it waits for is a coat that sets, wherever that is.</param>
/// <param name="Mould">Code of the mould that it fills, or frees.</param>
public sealed record WorkStep(
    string Code,
    Stage Stage,
    string For,
    IReadOnlyList<int> Lines,
    PrepRule Rule,
    Duration Hands,
    IReadOnlyList<string> After,
    IReadOnlyList<FillingAmount> Amounts,
    IReadOnlyList<string> Pots,
    bool Sets,
    string? Mould);

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
internal sealed class PrepWork
{
    /// <summary>Of a figure's rules, the one that is done while the coat is wet, so together with dipping.</summary>
    private const string Join = "join";

    private readonly OrderDraft order;
    private readonly CoatingTally tally;
    private readonly KitchenTables tables;
    private readonly bool inTurn;
    private readonly List<WorkStep> steps = [];
    private readonly List<(LineTally Tally, LineDraft Draft, Centre Centre, LineMaking Making)> lines;

    private PrepWork(OrderDraft order, CoatingTally tally, KitchenTables tables, bool inTurn)
    {
        (this.order, this.tally, this.tables, this.inTurn) = (order, tally, Orders.Schools.Chosen(order, tables), inTurn);
        lines =
        [
            .. from line in tally.Lines
               let draft = order.Lines[line.Line]
               let centre = tables.Reference.Centre(draft.Centre)!
               select (line, draft, centre, LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables.Reference)),
        ];
    }

    /// <summary>Finds them, each after those it waits for.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="inTurn">Whether lines are dipped in a fixed turn, what keeps longest first; otherwise a plan says when.</param>
    public static IReadOnlyList<WorkStep> Of(OrderDraft order, CoatingTally tally, KitchenTables tables, bool inTurn = true)
    {
        var work = new PrepWork(order, tally, tables, inTurn);
        work.Fill();
        work.Prepare();
        work.Melt();
        work.Dip();
        work.Finish();
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

    /// <summary>The centres that a line's pieces want: its own, what is pressed into its mould, the body and the parts of its figure.</summary>
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

    private void Fill()
    {
        foreach (var (filling, filled, of) in Fillings(order, tally, tables.Reference))
            Chain(
                $"fill.{filling.Code}.{steps.Count}",
                Stage.Fill,
                $"{filling.Name} for {filled.Pieces}",
                of,
                Held(tables.Reference.StepsOf(filling)),
                filled.Pieces,
                [],
                filled.Amounts);
    }

    private void Prepare()
    {
        var wants = lines.SelectMany(l => Wants(
            l.Centre, l.Draft, l.Tally, l.Making, tables.Reference).Select(w => (w.Centre, w.Pieces, l.Tally.Line, OnStick: w.Own
                && l.Draft.Making?.On is not WareTable.NoStick)))
            .Concat(lines.Where(l => l.Centre.Holding is Holding.Mould || l.Centre.Figure is not null)
                .Select(l => (l.Centre, Pieces: l.Tally.Begun(l.Centre.Spoil.Value), l.Tally.Line, OnStick: false)));
        foreach (var same in wants.GroupBy(w => w.Centre.Code))
        {
            var (centre, pieces, of) = (same.First().Centre, same.Sum(w => w.Pieces), same.Select(w => w.Line).Distinct().ToList());
            var filled = steps.Where(s => s.Stage is Stage.Fill
                && s.Lines.Intersect(of).Any()
                && tables.Reference.Fillings.Any(f => f.Makes == centre.Code
                    && s.Code.StartsWith($"fill.{f.Code}.", StringComparison.Ordinal)));
            var onSticks = same.Where(w => w.OnStick).Sum(w => w.Pieces);
            PrepRule OnSticks(PrepRule rule) =>
                rule is { Stick: true, Each: { } each }
                    ? rule with { Each = new(each.Value * ((double)onSticks / pieces), each.Source) }
                    : rule;
            Chain(
                $"prep.{centre.Code}",
                Stage.Prep,
                $"{pieces} {(pieces == 1 ? centre.Name : centre.Plural)}",
                of,
                [.. Rules(centre).Where(r => !r.After && (!r.Stick || onSticks > 0))
                    .Select(
                        OnSticks), .. centre.Prep.Select((text, i) => new PrepRule($"own-{i}", [], text, "", Source.Kitchen, "counter"))],
                pieces,
                Ends(filled));
        }
    }

    private void Melt()
    {
        var c = tables.Reference.Pricing;
        foreach (var pot in tally.Making.Select(m => tally.Pots.First(p => p.Key == m.Pot)))
        {
            var name = $"{tables.Reference.Coating(pot.Coating)!.Colour(pot.Colour)!.Name}, {tables.Reference.Coating(pot.Coating)!.Name}";
            var of = tally.Lines.Where(l => PotsOf(l).Contains(pot.Key)).Select(l => l.Line).ToList();
            var melts = pot.Melts.Count + (pot.Drizzle is null ? 0 : 1);
            Add(
                $"melt.{pot.Key}",
                Stage.Melt,
                name,
                of,
                new(
                    "melt",
                    [],
                    $"Melt {pot.ToMelt.Value.In("g"):0} g gently and stir until it is smooth; the pot's card has thinner and drops.",
                    "Overheated coating thickens and dulls.",
                    c.Melt.Source,
                    "hob"),
                c.Melt.Value * melts,
                []);
        }
    }

    private void Dip()
    {
        var turn = tally.Making.Select(m => m.Pot).ToList();
        string? before = null;
        // What keeps longest is dipped first; within that, light colours before dark ones.
        foreach (var (line, draft, centre, making) in lines.OrderByDescending(l => KeepsOf(l.Centre))
            .ThenBy(l => turn.IndexOf(PotsOf(l.Tally).FirstOrDefault() ?? ""))
            .ThenBy(l => l.Tally.Line))
        {
            List<string> after = [.. ReadyFor(line), .. PotsOf(line).Select(p => $"melt.{p}")];
            if (LineMaking.PutOn(draft, centre, tables.Reference))
                after = [
                    Chain(
                        $"stick.{line.Line}",
                        Stage.Prep,
                        Pieces(line, centre),
                        [line.Line],
                        Held(tables.Reference.PrepRules.Where(r => r.For.Contains(
                            $"stick.{centre.OnStick.ToString().ToLowerInvariant()}"))),
                        line.Begun(centre.Spoil.Value),
                        after,
                        pots: centre.OnStick is OnStick.Split ? [Pot(line)] : [])!,
                ];
            if (before is not null && inTurn)
                after.Add(before);
            if (IsBare(line) && line.Parts is null)
                continue;
            before = centre.Holding is Holding.Mould && making.Mould is { } mould
                ? Mould(line, draft, centre, making, mould, after)
                : Dip(line, draft, centre, after);
        }
    }

    private string Dip(LineTally line, LineDraft draft, Centre centre, List<string> after)
    {
        var parts = line.Parts?.Sum(p => p.Tally.Count.Value * (1 + (centre.Figure?.Parts.FirstOrDefault(
            f => f.Code == p.Code)?.Spoil.Value.Si ?? 0))) ?? 0;
        var begun = line.Begun(centre.Spoil.Value) + (int)Math.Ceiling(parts);
        var (place, dry) = SetsIn(line);
        var hands = (DipTime(line) * (draft.Coats * begun)) + (WetWork(line) * begun);
        var joins = Rules(centre).Find(r => r.Code == Join);
        if (joins is not null)
        {
            hands += joins.HandsFor(line.Begun(centre.Spoil.Value));
            dry = Duration.Max(dry, joins.Wait?.Value ?? Duration.Zero);
        }

        var text = $"Dip{(draft.Depth is > 0 and < 1 ? $" to {draft.Depth:0 %} of their length" : "")}{(draft.Coats > 1 ? draft.AtOnce ? ", twice over the wet coat" : ", and again when it has set" : "")}; drain, scrape, lay them down{(draft.Upright ?? centre.Upright ? " or stand them up" : "")}. {(line.Look?.Round is { } round ? $"Stop after every {round.Value} to decorate. " : "")}{(line.Look is { Over.Count: 0 } wet ? string.Join(" ", wet.WetSteps) : "")} {joins?.Text}".Trim();
        return Add(
            $"dip.{line.Line}",
            Stage.Dip,
            Pieces(line, centre),
            [line.Line],
            new(
                "dip",
                [],
                text,
                joins?.Why ?? "Moved before it is touch-dry, the coat keeps the print of the finger.",
                line.DipTime.Source,
                place,
                Wait: new(dry, Source.Computed)),
            hands,
            after,
            pots: DipPots(line),
            sets: true);
    }

    /// <summary>Moulds are filled round by round: a mould is free again when its pieces have come out.</summary>
    private string Mould(LineTally line, LineDraft draft, Centre centre, LineMaking making, Mould mould, List<string> after)
    {
        var (c, begun) = (tables.Reference.Moulding, line.Begun(centre.Spoil.Value));
        var rounds = Rounds.For(begun, mould.AtOnce);
        var place = Schools.Choice(tables.Reference.Schools.First(s => s.Code == "moulds"), order.Schools, tables).Code;
        var sets = new Sourced<Duration>(
            line.Setting.FirstOrDefault(s => s.Place == place)?.Releases ?? SetsIn(line).After, Source.Computed);
        var last = "";
        for (var (round, left) = (1, begun); round <= rounds; round++)
        {
            var now = Math.Min(left, mould.AtOnce);
            left -= now;
            var trays = Rounds.For(now, mould.Cavities);
            var (code, of) = ($"mould.{line.Line}.{round}", $"{now} in the {mould.Name}{(rounds > 1 ? $", round {round} of {rounds}" : "")}");
            var features = (line.Parts ?? []).Where(p => p.Code.StartsWith("feature-", StringComparison.Ordinal)).ToList();
            if (features.Count > 0)
                after = [
                    Add(
                        $"{code}.features",
                        Stage.Dip,
                        of,
                        [line.Line],
                        new(
                            "features",
                            [],
                            $"Brush or pipe the features first, each in its colour: {English.List([.. features.Select(f => tables.Reference.Coating(f.Coating)!.Colour(f.Colour)!.Name)])}. Let each set before its neighbour.",
                            "Brushed into one another they smear; on the outside they cannot be put right.",
                            c.Feature.Source,
                            place,
                            Wait: c.AccentChill),
                        c.Feature.Value * (now * features.Count),
                        after,
                        pots: [.. features.Select(p => $"{p.Coating}.{p.Colour}")],
                        mould: mould.Code),
                ];
            if (line.Parts?.Any(p => p.Code == "accent") is true)
                after = [
                    Add(
                        $"{code}.accent",
                        Stage.Dip,
                        of,
                        [line.Line],
                        new(
                            "accent",
                            [],
                            "Paint or pour the accents first.",
                            "Poured onto a wet accent, the next layer draws it out of shape.",
                            c.AccentChill.Source,
                            place,
                            Wait: c.AccentChill),
                        c.Accent.Value * now,
                        after,
                        pots: [.. line.Parts!.Where(p => p.Code == "accent").Select(p => $"{p.Coating}.{p.Colour}")],
                        mould: mould.Code),
                ];
            var text = $"{(making.Insert is null ? "Fill the cavities" : draft.Making!.Mould!.Broken is not null ? $"Pour a little into each cavity, press in the broken {making.Insert.Value.Centre.Plural}, then fill up" : "A small base, the insert pressed to the middle, edges first, then over")}; tap hard, prick bubbles, scrape flush{(round > 1 ? ". The pieces of the round before come out first" : "")}.";
            var filled = Add(
                code,
                Stage.Dip,
                of,
                [line.Line],
                new(
                    "fill",
                    [],
                    text,
                    "Trapped air shows as holes; what stands over the edge is a lip to trim.",
                    c.Fill.Source,
                    place,
                    Wait: sets),
                (c.Fill.Value * now) + (c.Tap.Value * trays),
                after,
                pots: [Pot(line)],
                mould: mould.Code);
            last = Add(
                $"{code}.out",
                Stage.Dip,
                of,
                [line.Line],
                new(
                    "out",
                    [],
                    "When it draws away from the mould, stretch it and press the pieces out; peel or trim the lip.",
                    "Forced out too early a piece stays dull or breaks.",
                    c.Unmould.Source,
                    "counter"),
                c.Unmould.Value * now,
                [filled],
                mould: mould.Code);
            after = [last];
        }

        return last;
    }

    private void Finish()
    {
        var c = tables.Reference.Pricing;
        foreach (var (line, draft, centre, _) in lines)
        {
            var begun = line.Begun(centre.Spoil.Value);
            var dipped = steps.LastOrDefault(s => s.Stage is Stage.Dip && s.Lines.Contains(line.Line))?.Code;
            List<string> last = dipped is null ? [.. ReadyFor(line), .. PotsOf(line).Select(p => $"melt.{p}")] : [dipped];
            if (line.Disc is { } disc)
                last = [
                    Chain(
                        $"disc.{line.Line}",
                        Stage.Assemble,
                        Pieces(line, centre),
                        [line.Line],
                        Held(tables.Reference.PrepRules.Where(r => r.For.Contains("disc"))),
                        begun,
                        [.. last, $"melt.{disc.Pot}"],
                        pots: [disc.Pot])!,
                ];
            if (line.Look is { } look && look.Steps.Skip(1).Except(WetInDip(line)).ToList() is { Count: > 0 } further)
            {
                var over = DipTime(line) * (look.Over.Count * begun);
                var moulded = look.Parts.Where(p => p.Moulded is not null).Select(p => Accents(line, p, begun)).ToList();
                last = [Add($"decorate.{line.Line}", Stage.Decorate, Pieces(line, centre), [line.Line],
                    new(
                        "decorate",
                        [],
                        string.Join(" ", further),
                        "Each kind holds only in its own moment: wet, touch-dry or set.",
                        Source.Computed,
                        "counter",
                        Wait: look.Over.Count > 0 || look.Patterns.Count > 0 ? new(SetsIn(line).After, Source.Computed) : null),
                    ((look.Time.Value - WetWork(line)) * begun) + over, [
                        .. last,
                        .. moulded,
                        .. Ends(steps.Where(s => s.Stage is Stage.Fill && s.Lines.Contains(line.Line))),
                    ], pots: [
                        .. PotsOf(line).Except(DipPots(line)),
                        .. look.Over.Select(o => $"{o.Coating}.{o.Colour}"),
                        .. look.Patterns.Where(p => !Wet(p)).Select(p => p.Pot),
                    ], sets: look.Over.Count > 0
                        || look.Patterns.Count > 0)];
            }

            if (Chain(
                $"assemble.{line.Line}",
                Stage.Assemble,
                Pieces(line, centre),
                [line.Line],
                [.. Rules(centre).Where(r => r.After && r.Code != Join)],
                begun,
                last) is { } assembled)
                last = [assembled];
            Add($"pack.{line.Line}", Stage.Pack, Pieces(line, centre), [line.Line],
                new(
                    "pack",
                    [],
                    "Trim the feet, sort them, pack and label.",
                    "Packed before it is hard, a coat takes the print of its neighbour.",
                    c.Pack.Source,
                    "counter"), c.Pack.Value * line.Count.Value, last);
        }
    }

    private string Accents(LineTally line, Looks.PartTally part, int begun)
    {
        var kind = tables.Reference.Decor.Part(part.Kind)!;
        var (mould, c, count) = (tables.Reference.Mould(kind.Mould)!, tables.Reference.Moulding, begun * part.Count);
        var rounds = Rounds.For(count, mould.AtOnce);
        return Add($"mould.{line.Line}.{part.Kind}", Stage.Dip, $"{count} {kind.Plural}", [line.Line],
            new(
                "accents",
                [],
                $"Mould them in {rounds} {(rounds == 1 ? "round" : "rounds")} of {mould.AtOnce}: fill, tap, scrape flush, chill, press out.",
                "Made beforehand they are hard when they are glued on, and do not bend.",
                c.Fill.Source,
                "fridge",
                Wait: new(c.AccentChill.Value * rounds, c.AccentChill.Source)),
            (c.Unmould.Value * count) + (c.Tap.Value * rounds * mould.Trays), [
                $"melt.{part.Moulded}",
            ], pots: [part.Moulded!], mould: mould.Code);
    }

    /// <summary>What makes a line's centres ready.</summary>
    private List<string> ReadyFor(LineTally line) =>
        Ends(steps.Where(s => s.Stage is Stage.Fill or Stage.Prep && s.Lines.Contains(line.Line)));

    private string Pot(LineTally line) => $"{order.Lines[line.Line].Coating}.{order.Lines[line.Line].Colour}";

    /// <summary>What is at hand while a line is dipped: its own colour, those of its parts, and what is drawn on the wet coat.</summary>
    private List<string> DipPots(LineTally line) =>
        [.. ((IEnumerable<string>)[
            .. IsBare(line) ? [] : new[] { Pot(line) },
            .. (line.Parts ?? []).Select(p => $"{p.Coating}.{p.Colour}"),
            .. line.Look is { Over.Count: 0 } look && !IsBare(line) ? look.Patterns.Where(Wet).Select(p => p.Pot) : [],
        ]).Distinct()
            .Where(key => tally.Pots.Any(p => p.Key == key))];

    private bool Wet(Looks.PatternTally pattern) => tables.Reference.Decor.Pattern(pattern.Kind)!.GoesOn is Decoration.GoesOn.Wet;

    /// <summary>What is done on the wet first coat, together with dipping.</summary>
    private IReadOnlyList<string> WetInDip(LineTally line) => line.Look is { Over.Count: 0 } look && !IsBare(line) ? look.WetSteps : [];

    private Duration WetWork(LineTally line) => line.Look is { Over.Count: 0 } look && !IsBare(line) ? look.WetWork : Duration.Zero;

    /// <summary>To dip one piece once; of a bare line, one that gets a coat further on.</summary>
    private Duration DipTime(LineTally line) => IsBare(line) ? tables.Reference.Dipping.Upright.Time.Value : line.DipTime.Value;

    private bool IsBare(LineTally line) => order.Lines[line.Line].Depth == 0;

    /// <summary>Where a coat sets, and how long until it can be handled: on the counter, or in the cold where the counter never sets it or the maker likes that better.</summary>
    private (string Place, Duration After) SetsIn(LineTally line)
    {
        var hard = line.Setting.Where(s => s.HandleHard is not null);
        var cold = Schools.Choice(tables.Reference.Schools.First(s => s.Code == Schools.Setting), null, tables).Code is "cold";
        var sets = (cold ? hard.FirstOrDefault(s => s.Place != Setting.Place.Room) : null) ?? hard.FirstOrDefault() ?? line.Setting[^1];
        return (sets.Place, sets.HandleHard ?? Duration.FromHours(1));
    }

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

    private Duration KeepsOf(Centre centre) => tables.Reference.KeepingOf(centre)?.Keeps.Value ?? Duration.FromDays(7);

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
        IReadOnlyList<string>? pots = null)
    {
        string? last = null;
        foreach (var rule in rules)
        {
            last = Add(
                $"{code}.{rule.Code}",
                stage,
                of,
                serves,
                rule,
                rule.HandsFor(pieces),
                last is null ? after : [last],
                last is null ? amounts : null,
                pots);
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
        IReadOnlyList<FillingAmount>? amounts = null,
        IReadOnlyList<string>? pots = null,
        bool sets = false,
        string? mould = null)
    {
        steps.Add(new(
            code,
            stage,
            of,
            serves,
            rule,
            hands * tables.Profile.Working.PaceOf(stage),
            [.. after.Distinct()],
            amounts ?? [],
            [.. (pots ?? []).Distinct()],
            sets,
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

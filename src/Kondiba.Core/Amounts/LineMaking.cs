using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Films;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>How a line's pieces come to be, in terms of the trade tables.</summary>
/// <param name="Size">What is dipped, at the portion and in the mould that were chosen.</param>
/// <param name="Filling">The recipe of its centres, adjusted; null when they are bought.</param>
/// <param name="Portion">Of the recipe's mix on one piece.</param>
/// <param name="Mould">What it is moulded in; null when it is not, or in the size's own cavity.</param>
/// <param name="Fill">What a cavity takes.</param>
/// <param name="Insert">The centre pressed into the mould, and its size; null for none.</param>
/// <param name="InsertEach">How many of them one piece takes: a part of one where it is broken.</param>
internal sealed record LineMaking(
    CentreSize Size,
    Filling? Filling,
    Sourced<Mass>? Portion,
    Mould? Mould = null,
    MouldFill? Fill = null,
    (Centre Centre, CentreSize Size)? Insert = null,
    double InsertEach = 1)
{
    private const double LeastLeft = 0.05;
    private const double LeastBroken = 0.05;
    private const double MostBroken = 0.6;

    /// <summary>Finds it; what cannot be is told and left out.</summary>
    /// <param name="line">The line as typed.</param>
    /// <param name="centre">Its centre.</param>
    /// <param name="size">Its size as the tables have it.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="tell">Gets the field, the reason, the remedy and how grave it is.</param>
    public static LineMaking Of(LineDraft line, Centre centre, CentreSize size, ReferenceData tables, TellProblem? tell = null)
    {
        tell ??= (_, _, _, _) => { };
        var making = line.Making ?? new();
        if (making.Mould is { } mould && centre.Holding is Holding.Mould)
            return Moulded(mould, size, tables, tell);
        return size.Shape is Cavity cavity ? InOwnCavity(cavity, size, tables, tell) : Filled(making, centre, size, tables, tell);
    }

    /// <summary>A moulded piece for which no mould was chosen: in the size's own cavity, round the insert that it is named for.</summary>
    private static LineMaking InOwnCavity(Cavity cavity, CentreSize size, ReferenceData tables, TellProblem tell)
    {
        (Centre Centre, CentreSize Size)? insert = size.Insert is [var code, var of]
            && tables.Centre(code) is { } centre
            && centre.Size(of) is { } one
            ? (centre, one)
            : null;
        var holds = Message.Of("amounts.no-mould", ("holds", cavity.Holds));
        if (insert is { } pressed)
            tell(
                "making.mould",
                Message.Of("amounts.round", ("holds", holds), ("size", pressed.Size.Name), ("centre", pressed.Centre.Name)),
                "amounts.round.do",
                Severity.Mind);
        else if (cavity.Coating.Si < 1)
            tell(
                "making.mould",
                Message.Of("amounts.what-pressed-not-known", ("holds", holds)),
                "amounts.what-pressed-not-known.do",
                Severity.Mind);
        return new(size, null, null, Insert: insert);
    }

    /// <summary>The line's decoration with what is stuck on every figure.</summary>
    public static Decor? DecorOf(LineDraft line, Centre centre) =>
        centre.Figure is { Stuck.Count: > 0 } figure && (line.Decor ?? Decor.None) is { HasGaps: false } decor
            ? decor with { Parts = [.. decor.Parts, .. figure.Stuck.Select(s => new PartDraft(s.Part, s.Places.Count))] }
            : line.Decor;

    /// <summary>Dips of the line besides its own: a mould's first layer, the parts of a figure.</summary>
    public static IEnumerable<Dip> Besides(Dip dip, LineDraft line, ReferenceData tables, List<Problem> problems) =>
        FirstLayers(dip, line, tables, problems).Concat(FigureParts(dip, line, tables, problems));

    private static IEnumerable<Dip> FirstLayers(Dip dip, LineDraft line, ReferenceData tables, List<Problem> problems)
    {
        foreach (var (i, (part, field, layer)) in (dip.Size.Shape is Cavity ? line.Making?.Mould?.First ?? [] : []).Index())
        {
            if (layer is not { } accent)
            {
                problems.Add(new($"lines[{dip.Line}].making.mould.{field}", "amounts.layer-empty", "amounts.layer-empty.do"));
                continue;
            }

            var (coating, colour) = tables.ColourOf(
                accent.Coating,
                accent.Colour,
                (of, reason, remedy) => problems.Add(new($"lines[{dip.Line}].making.mould.{field}.{of}", reason, remedy)));
            if (!(accent.Share is > 0 and < 1) || line.Making!.Mould!.Left < LeastLeft)
                problems.Add(new(
                    $"lines[{dip.Line}].making.mould.{field}.share",
                    "amounts.first-layers-leave-nothing",
                    Message.Of("amounts.first-layers-leave-nothing.do", ("leastLeft", 1 - LeastLeft))));
            else if (colour is not null)
                yield return dip with
                {
                    Layer = Layer(i),
                    Part = part,
                    Coating = coating!,
                    Colour = colour,
                    Size = dip.Size with { Shape = Thinner((Cavity)dip.Size.Shape, accent.Share / line.Making.Mould.Left) },
                };
        }
    }

    private static IEnumerable<Dip> FigureParts(Dip dip, LineDraft line, ReferenceData tables, List<Problem> problems)
    {
        foreach (var (i, part) in (dip.Centre.Figure?.Parts ?? []).Index())
        {
            if (PartColour(dip, part, line, tables, problems) is not { } colour)
                continue;
            var count = dip.Count.Value * part.Places.Count;
            yield return dip with
            {
                Layer = Layer(i + 1),
                Part = part.Code,
                Centre = part.Centre with { Spoil = part.Spoil },
                Size = part.Size,
                Count = new(
                    count,
                    () => [
                        .. dip.Count.Working,
                        WorkingLine.Count(
                            Message.ByName(part.Name),
                            Message.Of("amounts.parts-in-all", ("dip", dip.Count.Value), ("places", part.Places.Count)),
                            count,
                            Source.Computed),
                    ]),
                Colour = colour,
                Depth = part.Depth.Value,
                Upright = false,
                Angle = 0,
            };
        }
    }

    /// <summary>The colour of a figure's part: the line's choice, else its usual one, else the body's.</summary>
    private static CoatingColour? PartColour(Dip dip, FigurePart part, LineDraft line, ReferenceData tables, List<Problem> problems)
    {
        var field = $"lines[{dip.Line}].making.colours.{part.Code}";
        if (line.Making?.Colours?.GetValueOrDefault(part.Code) is { } chosen)
            return tables.ColourOf(dip.Coating.Code, chosen, (_, reason, remedy) => problems.Add(new(field, reason, remedy))).Colour;
        if (part.Colour is null)
            return dip.Colour;
        if (dip.Coating.Colour(part.Colour) is { } usual)
            return usual;
        problems.Add(new(
            field,
            Message.Of("amounts.does-not-come-usual", ("coating", dip.Coating.Name), ("colour", part.Colour), ("part", part.Name)),
            "amounts.does-not-come-usual.do",
            Severity.Mind));
        return dip.Colour;
    }

    /// <summary>The centre as the line holds it: by the stick that it is put on, or without the one that it usually has.</summary>
    public static Centre Held(LineDraft line, Centre centre) => line.Making?.On switch
    {
        null => centre,
        WareTable.NoStick => centre.Holding is Holding.Stick ? centre with { Holding = Holding.Fork, Upright = false } : centre,
        _ => centre with { Holding = Holding.Stick },
    };

    /// <summary>Whether a line puts its pieces on a stick that they do not usually have.</summary>
    public static bool PutOn(LineDraft line, Centre centre, ReferenceData tables) =>
        tables.Wares.StickFor(centre, null) is null && tables.Wares.StickFor(centre, line.Making?.On) is not null;

    /// <summary>How pieces lie on the sheet, with the stick that reaches beyond them and the disc under them.</summary>
    public static Laid Lies(Dip dip, LineDraft line, ReferenceData tables) =>
        Lies(dip.Line, dip.Part, dip.Centre, dip.Size, dip.Count.Value, dip.Upright, line, tables);

    /// <inheritdoc cref="Lies(Dip, LineDraft, ReferenceData)"/>
    public static Laid Lies(
        int line, string? part, Centre centre, CentreSize size, int count, bool upright, LineDraft draft, ReferenceData tables)
    {
        var stick = part is null && !upright ? tables.Wares.StickFor(centre, draft.Making?.On)?.Long?.Value : null;

        // A stick is pushed half way in.
        var beyond = stick is { } l && l > size.Shape.Length / 2 ? l - (size.Shape.Length / 2) : default;
        return new(
            line,
            part,
            centre,
            size,
            count,
            beyond,
            part is null && draft.Making?.Disc is { } disc ? Quantities.Of<Length>(disc.Across, "mm") : default);
    }

    /// <summary>The dots that hold a figure together or a stick in, of the line's own colour.</summary>
    public static IEnumerable<Bagged> Glue(Dip dip, LineDraft line, ReferenceData tables)
    {
        var c = tables.Decorating;
        if (dip.Centre.Figure is { Glues: > 0 } figure)
            yield return Dots("amounts.dots-hold-together", figure.Glues, c.GlueDot);
        if (dip.Centre.OnStick is OnStick.Split && PutOn(line, tables.Centre(line.Centre)!, tables))
            yield return Dots("amounts.dot-holds-stick", 1, c.StickDot);

        Bagged Dots(Message what, int count, Sourced<Mass> dot) => new(dip, dip.Coating, dip.Colour, what, new(dot.Value * count, () =>
        [
            WorkingLine.Count("amounts.dots-one", "", count, Source.Computed),
            WorkingLine.Of("amounts.dot", dot),
            WorkingLine.Of(
                what, Message.Of("amounts.count-each", ("count", count), ("dot", dot.Value)), dot.Value * count, Source.Computed),
        ]), null);
    }

    /// <summary>The piped disc under a piece; null where there is none, or where its colour is told to be unknown.</summary>
    public static Bagged? Disc(Dip dip, LineDraft line, ReferenceData tables, List<Problem> problems)
    {
        if (line.Making?.Disc is not { } disc)
            return null;
        void Error(string part, Message reason, Message remedy) =>
            problems.Add(new($"lines[{dip.Line}].making.disc.{part}", reason, remedy));
        if (tables.ColourOf(disc.Coating, disc.Colour, Error) is not ({ } coating, { } colour))
            return null;
        var across = Quantities.Of<Length>(disc.Across, "mm");
        var thick = tables.Decorating.DiscThick;
        var density = Flow.Of(coating, default, tables.Film).Density;
        var mass = across.Circle * thick.Value * density;
        return new(dip, coating, colour, "amounts.disc", new(mass, () =>
        [
            WorkingLine.Of("amounts.disc-across-d", "", across, Source.Entered),
            WorkingLine.Of("amounts.thickness-t", thick),
            WorkingLine.Of("amounts.density-coating-unthinned", "", density, Source.Computed),
            WorkingLine.Of("amounts.one-disc", "amounts.one-disc.how", mass, Source.Computed),
        ]), null);
    }

    /// <summary>The recipe that makes a centre where the line says nothing.</summary>
    public static Filling? Usual(Centre centre, ReferenceData tables) => tables.Fillings.FirstOrDefault(f => f.Makes == centre.Code);

    // Layers above those of a line's further dips.
    private static int Layer(int i) => 100 + i;

    private static Cavity Thinner(Cavity cavity, double times) => cavity with { Coating = new(cavity.Coating.Si * times) };

    private static LineMaking Filled(Making making, Centre centre, CentreSize size, ReferenceData tables, TellProblem tell)
    {
        if (making.Filling is Filling.Bought)
            return new(size, null, null);
        var filling = making.Filling is null
            ? Usual(centre, tables)
            : tables.Fillings.FirstOrDefault(f => f.Code == making.Filling && f.Makes == centre.Code);
        if (filling is null)
        {
            if (making.Filling is not null)
                tell(
                    "making.filling",
                    Message.Of("amounts.recipe-called-makes", ("filling", making.Filling), ("plural", centre.Plural)),
                    Message.Of(
                        "amounts.recipe-called-makes.do",
                        ("append", Argument.Of(tables.Fillings.Where(f => f.Makes == centre.Code)
                            .Select(f => f.Code)
                            .Append(Filling.Bought)))),
                    Severity.Error);
            return new(size, null, null);
        }

        var wrong = filling.Check(making.Shares, making.Portion, tables.Ingredients).ToList();
        foreach (var problem in wrong)
            tell($"making.{problem.Field}", problem.Reason, problem.Remedy, problem.Severity);
        if (wrong.Exists(p => p.Field == "portion"))
            return new(size, filling, filling.PortionOn(size));

        var usual = filling.PortionOn(size);
        var portion = making.Portion is { } g ? new Sourced<Mass>(Quantities.Of<Mass>(g, "g"), Source.Entered) : usual;
        return new(
            filling.Each.Count == 0 && making.Portion is not null ? size.Scaled(portion.Value / usual.Value, centre, portion) : size,
            filling.With(making.Shares),
            portion);
    }

    /// <summary>What is pressed into a moulded piece; null where nothing is, or nothing that can be.</summary>
    private static (Centre Centre, CentreSize Size)? InsertOf(MouldDraft draft, ReferenceData tables, TellProblem tell)
    {
        if (draft.Insert is null)
            return null;
        var centre = tables.Centre(draft.Insert);
        if (centre is null || centre.Holding is Holding.Mould || centre.Figure is not null)
            tell(
                "making.mould.insert",
                Message.Of("amounts.nothing-called-press-into", ("insert", draft.Insert)),
                "amounts.nothing-called-press-into.do",
                Severity.Error);
        else if ((draft.InsertSize is null ? centre.Sizes[0] : centre.Size(draft.InsertSize)) is { } insertSize)
            return (centre, insertSize);
        else
            tell(
                "making.mould.insertSize",
                Message.Of("amounts.does-not-come-size", ("centre", centre.Name), ("insertSize", draft.InsertSize)),
                Message.Of("amounts.does-not-come-size.do", ("sizes", Argument.Of(centre.Sizes.Select(s => s.Code)))),
                Severity.Error);
        return null;
    }

    private static LineMaking Moulded(MouldDraft draft, CentreSize size, ReferenceData tables, TellProblem tell)
    {
        var mould = tables.Mould(draft.Mould);
        if (mould is null)
        {
            tell(
                "making.mould.mould",
                Message.Of("amounts.mould-called", ("mould", draft.Mould)),
                Message.Of("amounts.mould-called.do", ("moulds", Argument.Of(tables.Moulds.Select(m => m.Code)))),
                Severity.Error);
            return new(size, null, null);
        }

        var insert = InsertOf(draft, tables, tell);
        var broken = insert is null ? null : draft.Broken;
        if (broken is not (null or (>= LeastBroken and <= MostBroken)))
        {
            tell(
                "making.mould.broken",
                "amounts.broken-pieces-fill-nearly",
                Message.Of("amounts.broken-pieces-fill-nearly.do", ("leastBroken", LeastBroken), ("mostBroken", MostBroken)),
                Severity.Error);
            broken = null;
        }

        var fill = MouldFill.For(
            mould, insert?.Size, insert is { } i ? $"{i.Size.Name} {i.Centre.Name}".Trim() : "", tables.Moulding, broken);
        var each = insert is { } one && broken is not null ? fill.Insert / one.Size.Shape.WholeVolume : 1;
        if (fill.Misfit is not null)
            tell("making.mould.insert", fill.Misfit, fill.Remedy, Severity.Unfit);
        var shape = fill.Shape(mould);
        if (draft.Left is > LeastLeft and < 1)
            shape = Thinner(shape, draft.Left);
        return new(
            size with
            {
                Name = "",
                Shape = shape,
                Mass = insert is { } within
                ? new(within.Size.Mass.Value * each, within.Size.Mass.Source)
                : new(default, Source.Computed),
                Measures = [.. fill.Coating.Working]
            },
            null, null, mould, fill, insert, each);
    }
}

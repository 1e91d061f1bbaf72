using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Looks;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>What a line comes to.</summary>
/// <param name="Line">Index of the line in the order.</param>
/// <param name="Count">Pieces.</param>
/// <param name="PerPiece">Coating on one piece, all coats and its foot.</param>
/// <param name="Film">Thickness of one coat.</param>
/// <param name="Coat">Thickness of all its coats together.</param>
/// <param name="Foot">Coating in the foot of one piece; nothing when it stands.</param>
/// <param name="OnPieces">Coating on all of them, spoilt ones too.</param>
/// <param name="DipLine">Distance of the coat's edge from the dipped end, for drawing.</param>
/// <param name="Setting">Setting times, one for each place.</param>
/// <param name="Density">Of the coating it is dipped in.</param>
/// <param name="Piece">A freshly dipped piece, as the setting model sees it.</param>
/// <param name="DipTime">Of the hands, for one coat of one piece: the way's it is dipped by.</param>
/// <param name="Look">What its decoration comes to; null when it has none.</param>
/// <param name="Parts">Its further parts: a mould's first layer, the parts of a figure; null when it has none.</param>
/// <param name="Moulded">What its mould takes and how often it is filled; null when none was chosen.</param>
/// <param name="Disc">The piped disc it is set on; null for none.</param>
/// <param name="Seen">What a piece looks like where it is not as the table's size: of another portion, from a chosen mould.</param>
public sealed record LineTally(
    int Line,
    Figure<int> Count,
    Figure<Mass> PerPiece,
    Figure<Length> Film,
    Length Coat,
    Figure<Mass> Foot,
    Figure<Mass> OnPieces,
    Length DipLine,
    IReadOnlyList<SettingTime> Setting,
    [property: JsonIgnore] Density Density,
    [property: JsonIgnore] DippedPiece Piece,
    [property: JsonIgnore] Sourced<Duration> DipTime,
    LookTally? Look = null,
    IReadOnlyList<MadePart>? Parts = null,
    Moulds.MouldTally? Moulded = null,
    DiscTally? Disc = null,
    SeenSize? Seen = null)
{
    /// <summary>How far the foot of one reaches from under it.</summary>
    [JsonIgnore]
    public Length FootReach { get; init; }

    /// <summary>What its decoration has to know of it.</summary>
    internal DippedCoat AsCoat() => new(PerPiece, Coat, Setting, DipTime);

    /// <summary>Pieces to begin so that those that go wrong are made up for.</summary>
    public int Begun(Share spoil) => (int)Math.Ceiling((Count.Value * (1 + spoil.Si)) - 1e-9);

    internal static LineTally For(Dip dip, Flow flow, TemperatureGap softer, KitchenTables tables, List<Problem> problems)
    {
        var (shape, c) = (dip.Size.Shape, tables.Reference.Film);
        var area = shape.DippedArea(dip.Depth, dip.Angle);
        var film = shape is Cavity cavity ? Filled(cavity, area) : Films.Film.After(flow, shape.Run(dip.Depth), c);
        var own = OwnStick(dip, tables);
        var coat = CoatOf(dip, film.Value, own, c);
        var foot = dip.Upright
            ? default
            : Films.Film.Foot(flow, shape.Run(dip.Depth), shape.FootLine(dip.Depth), area, c) * Times(own);
        var perPiece = (area * coat * flow.Density * Dragged(shape, c)) + foot;
        var spoil = dip.Centre.Spoil;
        var onPieces = perPiece * dip.Count.Value * (1 + spoil.Value.Si);

        MindSheer(dip, coat, c, problems);

        var piece = PieceOf(dip, coat, area, flow, softer, tables);
        var setting = tables.Reference.Setting.Had.Select(place => SettingModel.For(piece, place, tables.Reference.Setting)).ToList();
        MindSoft(dip, piece, setting[0], tables.Reference.Setting, problems);

        return new(
            dip.Line,
            dip.Count,
            new(perPiece, () => PieceWorking(dip, flow, film, foot, perPiece, own, c)),
            film,
            coat,
            new(
                foot,
                () => foot.Si > 0
                    ? [.. film.Working, .. FootWorking(dip, foot, c)]
                    : [WorkingLine.Of("amounts.foot", "amounts.stands-while-sets-sets", foot, Source.Computed)]),
            new(onPieces, () =>
            [
                WorkingLine.Of("amounts.coating-one-piece", "amounts.one-piece.how", perPiece, Source.Computed),
                .. dip.Count.Working,
                WorkingLine.Of("amounts.dipped-vain", spoil),
                WorkingLine.Of(
                    Message.Of("amounts.on", ("dip", dip.Count.Value), ("plural", dip.Centre.Plural)),
                    Message.Of("amounts.on.how", ("dip", dip.Count.Value), ("spoil", spoil.Value.Si), ("perPiece", perPiece)),
                    onPieces,
                    Source.Computed),
            ]),
            shape.DipLine(dip.Depth),
            setting,
            flow.Density,
            piece,
            tables.Reference.Dipping.Upright.Time)
        {
            FootReach = Films.Film.FootReach(foot, shape.FootLine(dip.Depth), film.Value, flow.Density),
        };
    }

    private static double Dragged(Shape shape, FilmConstants c) => shape.Looped ? 1 + c.Loops.Value.Si : 1;

    private static IReadOnlyList<WorkingLine> PieceWorking(
        Dip dip, Flow flow, Figure<Length> film, Mass foot, Mass perPiece, Estimate? own, FilmConstants c)
    {
        var (shape, stick) = (dip.Size.Shape, Stick(dip));
        var area = shape.DippedArea(dip.Depth, dip.Angle);
        return
        [
            .. dip.Size.Measures,
            WorkingLine.Of("amounts.dip-depth", "", dip.Depth, Source.Entered),
            WorkingLine.Of(
                shape is Cavity ? Message.Of("amounts.walls-cavity") : Message.Of("amounts.dipped-area"),
                dip.Angle == 0 ? shape.AreaFormula(dip.Depth) : Message.Of("amounts.walls-cavity.how"),
                area,
                Source.Computed),
            .. film.Working,
            WorkingLine.Count("amounts.coats", "", dip.Coats, Source.Entered),
            .. dip.AtOnce ? new[] { WorkingLine.Of("amounts.coat-dipped-once-adds", c.AtOnce) } : [],
            WorkingLine.Of(Message.Of("amounts.keep-over-smooth-solid", ("plural", dip.Centre.Plural)), stick),
            .. own is not null ? new[] { WorkingLine.Count("amounts.your-hand", "", own.Mean, own.Source) } : [],
            .. shape.Looped ? new[] { WorkingLine.Of("amounts.loops-drag-along-besides", c.Loops) } : [],
            .. foot.Si > 0 ? FootWorking(dip, foot, c) : [],
            WorkingLine.Of(
                "amounts.coating-one-piece",
                Message.Of(
                    "amounts.coating-one-piece.how",
                    ("andFoot", foot.Si > 0 ? Message.Of("amounts.plus-foot") : ""),
                    ("area", area),
                    ("film", film.Value),
                    ("density", flow.Density.Si),
                    ("coats", Coats(dip, c)),
                    ("stick", stick.Value.Si),
                    ("hand", own is not null ? Message.Of("amounts.times-hand", ("own", own.Mean)) : ""),
                    ("loops", shape.Looped ? Message.Of("amounts.times-dragged", ("dragged", Dragged(shape, c))) : ""),
                    ("footMass", foot.Si > 0 ? Message.Of("amounts.plus-mass", ("mass", foot)) : "")),
                perPiece,
                Source.Computed),
        ];
    }

    private static WorkingLine[] FootWorking(Dip dip, Mass foot, FilmConstants c) =>
    [
        WorkingLine.Of("amounts.foot-spreads-along", "amounts.foot-spreads-along.how", dip.Size.Shape.FootLine(dip.Depth), Source.Computed),
        WorkingLine.Of("amounts.foot", "amounts.foot.how", foot, c.Foot),
    ];

    private static DippedPiece PieceOf(Dip dip, Length coat, Area area, Flow flow, TemperatureGap softer, KitchenTables tables)
    {
        var shape = dip.Size.Shape;
        var posture = dip switch
        {
            { Centre.Holding: Holding.Mould } => Posture.Mould,
            { Upright: true } => Posture.Upright,
            _ => Posture.Flat,
        };
        return new(
            coat, area, shape.WholeArea - area, flow.Density, dip.Coating.DipAt.Value, tables.Reference.Setting.Family(
                dip.Coating.Family), softer, dip.Size.Mass, dip.Centre.HeatCapacity,
            Schools.ComesFrom(dip.Centre, tables).Air, dip.Centre.Contact, dip.Centre.ServedCold, posture);
    }

    /// <summary>Says where a colour shows through: a coat thinner than covers.</summary>
    private static void MindSheer(Dip dip, Length coat, FilmConstants c, List<Problem> problems)
    {
        var covers = c.Covers.Of(dip.Colour.Cover);
        if (coat < covers.Value && dip.Size.Shape is not Cavity)
        {
            problems.Add(new(
                dip.Field("coats"),
                Message.Of("amounts.coat-comes-out-sheer", ("coat", coat), ("colour", dip.Colour.Name), ("covers", covers.Value)),
                "amounts.coat-comes-out-sheer.do",
                Severity.Mind));
        }
    }

    /// <summary>Says where a coat does not get hard on the counter.</summary>
    private static void MindSoft(Dip dip, DippedPiece piece, SettingTime counter, SettingConstants setting, List<Problem> problems)
    {
        if (counter.HandleHard is null && dip.Layer == 0)
        {
            problems.Add(new(
                dip.Field("setting"),
                Message.Of(
                    "amounts.kitchen-counter",
                    ("air", setting.Room.Air.Value),
                    ("coat", counter.TouchDry is null ? Message.Of("amounts.coat-never-sets") : Message.Of("amounts.coat-stays-soft"))),
                Chill.For(piece, setting.Room, counter, setting).Advice,
                Severity.Mind));
        }
    }

    /// <summary>A piece that gets no coat: what is drawn or glued onto it sets as a film as thick as its widest bead.</summary>
    internal static LineTally ForBare(Dip dip, Design? design, KitchenTables tables)
    {
        (Drizzle Drizzle, PatternTally Tally)? widest = design is { Patterns.Count: > 0 }
            ? design.Patterns.MaxBy(p => p.Tally.Bead.Si)
            : null;
        var (coating, film) = widest is { } drawn
            ? (drawn.Drizzle.Coating, drawn.Tally.Bead * (Math.PI / 4))
            : (dip.Coating, tables.Reference.Decorating.GlueDotThick.Value);
        var density = Flow.Of(coating, default, tables.Reference.Film).Density;
        var mass = (design?.Patterns.Select(p => p.Tally.Mass.Value).Total() ?? default) + (design?.Glue ?? default);
        var (whole, covered) = (dip.Size.Shape.WholeArea, new Area(Math.Min(
            dip.Size.Shape.WholeArea.Si, mass.Si / (density.Si * film.Si))));
        var piece = new DippedPiece(
            film, covered, whole - covered, density, coating.DipAt.Value, tables.Reference.Setting.Family(
                coating.Family), default, dip.Size.Mass, dip.Centre.HeatCapacity,
            Schools.ComesFrom(dip.Centre, tables).Air, dip.Centre.Contact, dip.Centre.ServedCold, Posture.Flat);
        var nothing = new Figure<Mass>(default, () => [WorkingLine.Of("amounts.coat", "amounts.coat.how", default(Mass), Source.Entered)]);
        return new(
            dip.Line, dip.Count, nothing, new(default, () => nothing.Working), default, nothing, nothing, default,
            [.. tables.Reference.Setting.Had.Select(place => covered.Si > 0
                ? SettingModel.For(piece, place, tables.Reference.Setting)
                : SettingTime.None(place.Code))],
            density, piece, new(Duration.Zero, Source.Entered));
    }

    /// <summary>Thickness of all coats of a dip together.</summary>
    /// <param name="dip">The dip.</param>
    /// <param name="film">Of one coat.</param>
    /// <param name="own">What the maker's own hand makes of it.</param>
    /// <param name="c">Constants of the film model.</param>
    internal static Length CoatOf(Dip dip, Length film, Estimate? own, FilmConstants c) =>
        film * (Coats(dip, c) * Stick(dip).Value.Si * Times(own));

    private static double Coats(Dip dip, FilmConstants c) => dip.AtOnce ? 1 + ((dip.Coats - 1) * c.AtOnce.Value.Si) : dip.Coats;

    private static Sourced<Share> Stick(Dip dip) =>
        dip.Size.Shape is Cavity ? new(new(1), Source.Computed) : dip.Centre.Stick;

    /// <summary>
    /// What the maker's own hand makes of a coat; null while nothing was learned, and for a cavity, which holds what it holds.
    /// </summary>
    internal static Estimate? OwnStick(Dip dip, KitchenTables tables) =>
        dip.Size.Shape is not Cavity && tables.Learned.Stick.Of(dip.Kin) is { IsLearned: true } own ? own : null;

    private static double Times(Estimate? own) => own?.Mean ?? 1;

    /// <summary>Coating in a mould, spread over the walls.</summary>
    private static Figure<Length> Filled(Cavity cavity, Area walls)
    {
        var film = new Length(cavity.Fill.Si / walls.Si);
        return new(film, () =>
        [
            WorkingLine.Of(
                "amounts.coating-cavity",
                Message.Of("amounts.coating-cavity.how", ("holds", cavity.Holds), ("coating", cavity.Coating.Si)),
                cavity.Fill,
                Source.Computed),
            WorkingLine.Of("amounts.spread-over-walls", "amounts.spread-over-walls.how", film, Source.Computed),
        ]);
    }
}

/// <summary>What a piece looks like, for drawing.</summary>
/// <param name="Length">From the dipped end to the other.</param>
/// <param name="Width">Greatest width.</param>
/// <param name="Profile">Half its silhouette.</param>
public sealed record SeenSize(Length Length, Length Width, IReadOnlyList<ProfilePoint> Profile);

/// <summary>A piped disc under one piece.</summary>
/// <param name="Pot">Key of the pot it is piped from.</param>
/// <param name="Across">How wide it is.</param>
/// <param name="Mass">Coating in it.</param>
public sealed record DiscTally(string Pot, Length Across, Figure<Mass> Mass);

/// <summary>A further part of a line's pieces.</summary>
/// <param name="Code">Code of a figure's part; "accent" or "feature-0" for a mould's first layers.</param>
/// <param name="Coating">Code of its coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Tally">What it comes to.</param>
public sealed record MadePart(string Code, string Coating, string Colour, LineTally Tally)
{
    /// <summary>Coating in this part of one whole piece.</summary>
    /// <param name="pieces">Pieces in the line.</param>
    internal Mass OnPiece(int pieces) => Tally.PerPiece.Value * ((double)Tally.Count.Value / pieces);
}

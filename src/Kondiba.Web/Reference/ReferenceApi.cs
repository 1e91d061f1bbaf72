using System.Text.Json;
using Kondiba.Core.Centres;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;

namespace Kondiba.Web.Reference;

/// <summary>What the client needs of the kitchen's tables: names to choose from and shapes to draw.</summary>
public sealed record ReferenceView(
    IReadOnlyList<CentreView> Centres,
    IReadOnlyList<ColourView> Colours,
    IReadOnlyList<CoatingView> Coatings,
    IReadOnlyList<ThinnerView> Thinners,
    IReadOnlyList<TintView> Tints,
    DecorTables Decor,
    IReadOnlyList<VesselView> Vessels,
    IReadOnlyList<WayView> DippingWays,
    IReadOnlyList<PlaceView> Places,
    IReadOnlyList<KindView> Shapes,
    IReadOnlyList<KindView> VesselKinds,
    IReadOnlyList<NameView> Shakes,
    IReadOnlyList<string> Allergens,
    IReadOnlyList<SupplyView> Supplies,
    IReadOnlyList<MouldView> Moulds,
    IReadOnlyList<KindView> CavityKinds,
    IReadOnlyList<School> Schools,
    IReadOnlyList<MakesView> Fillings,
    string UsualCoating,
    string? UsualThinner,
    Length UsualFilm,
    Share UsualMargin);

/// <summary>A centre to choose.</summary>
public sealed record CentreView(
    string Code,
    string Name,
    string Plural,
    string Shape,
    Holding Holding,
    bool Upright,
    Share UsualDepth,
    IReadOnlyList<Share> Depths,
    int LeastCoats,
    string? Pack,
    bool DippedEndUp,
    IReadOnlyList<SizeView> Sizes,
    FigureView? Figure);

/// <summary>A figure to draw: its body is the centre itself.</summary>
public sealed record FigureView(double Turn, IReadOnlyList<FigurePartView> Parts, IReadOnlyList<StuckView> Stuck);

/// <summary>A dipped part of a figure, with its outline round its own middle.</summary>
/// <param name="Colour">Code of the colour that it usually has; null for the body's.</param>
/// <param name="Rings">Closed rings, each as x, y, x, y ….</param>
/// <param name="Length">Of its box.</param>
/// <param name="Width">Of its box.</param>
public sealed record FigurePartView(
    string Code,
    string Name,
    bool Behind,
    string? Colour,
    IReadOnlyList<IReadOnlyList<Length>> Rings,
    Length Length,
    Length Width,
    IReadOnlyList<Spot> Places);

/// <summary>Parts stuck on a figure.</summary>
public sealed record StuckView(string Part, string Name, string Srgb, Length Across, IReadOnlyList<Spot> Places);

/// <summary>A mould to choose.</summary>
public sealed record MouldView(string Code, string Name, Length Long, Length Wide, Length Deep, Volume Holds, int Cavities, int Trays);

/// <summary>A recipe and what it makes.</summary>
/// <param name="Portion">Of its mix on one piece; null for a rope, which is as long as its turns.</param>
/// <param name="Scoops">Scoops it can be portioned with.</param>
public sealed record MakesView(string Code, string Name, string Makes, Mass? Portion, IReadOnlyList<ScoopView> Scoops);

/// <summary>A scoop and what it takes of a recipe's mix.</summary>
public sealed record ScoopView(string Name, Mass Portion);

/// <summary>A size to choose, with its silhouette from the dipped end to the other.</summary>
/// <param name="Strands">Middle lines of the rod it is bent from, as x, y, x, y …; none for a solid piece.</param>
public sealed record SizeView(
    string Code,
    string Name,
    Length Length,
    Length Width,
    Mass Mass,
    IReadOnlyDictionary<string, double> Measures,
    IReadOnlyList<ProfilePoint> Profile,
    IReadOnlyList<IReadOnlyList<Length>> Strands);

/// <summary>A coating colour to choose.</summary>
public sealed record ColourView(string Code, string Name, string Srgb, string Coating, bool Mixed);

/// <summary>A coating to choose.</summary>
/// <param name="Facts">What is known of it, with sources.</param>
public sealed record CoatingView(
    string Code, string Name, string Kind, string Note, IReadOnlyList<string> Thinners, IReadOnlyList<FactView> Facts);

/// <summary>A value or a window that is known of a coating; a single value is both ends.</summary>
public sealed record FactView(WorkingLine From, WorkingLine To);

/// <summary>A thinner to choose.</summary>
public sealed record ThinnerView(string Code, string Name, string How);

/// <summary>A vessel to choose and draw.</summary>
public sealed record VesselView(string Code, string Name, string Kind, IReadOnlyList<Corner> Outline);

/// <summary>A way of dipping.</summary>
/// <param name="Name">In words: "on a fork".</param>
/// <param name="Does">What the hands do, before "the 15 cm bowl".</param>
/// <param name="Facts">What it wants, with sources.</param>
public sealed record WayView(string Code, string Name, string Does, IReadOnlyList<WorkingLine> Facts);

/// <summary>A place where trays set.</summary>
public sealed record PlaceView(string Code, string Name, Temperature Air);

/// <summary>A kind of solid or vessel, with what must be measured for it.</summary>
public sealed record KindView(string Code, string Name, IReadOnlyList<Measure> Measures);

/// <summary>A concentrated colour and how its swatch looks.</summary>
public sealed record TintView(string Code, string Name, Carrier Carrier, string Swatch, Source Source);

/// <summary>Something to pack in, or to put pieces on.</summary>
/// <param name="Long">Of a stick, its length; null for what is none.</param>
public sealed record SupplyView(string Code, string Name, WareUnit Unit, Length? Long);

/// <summary>A choice by name.</summary>
public sealed record NameView(string Code, string Name);

internal static class ReferenceApi
{
    public static void MapReference(this RouteGroupBuilder api) =>
        api.MapGet(
            "/reference", async (KitchenThings things, KitchenTables shipped) => TypedResults.Ok(
                View(await things.TablesAsync(), shipped.Reference)))
            .WithTags("Reference")
            .WithName("GetReference");

    private static ReferenceView View(KitchenTables tables, ReferenceData shipped) => new(
        [.. tables.Reference.Centres.Concat(tables.Reference.Figures).Select(c => View(c, tables.Reference))],
        [.. tables.Reference.Coatings.SelectMany(c => c.Colours.Select(colour => new ColourView(
            colour.Code, colour.Name, colour.Srgb, c.Code, colour.Mixed is not null)))],
        [.. tables.Reference.Coatings.Select(View)],
        [.. tables.Reference.Thinners.Select(t => new ThinnerView(t.Code, t.Name, t.How))],
        [.. tables.Reference.Tints.Select(t => new TintView(t.Code, t.Name, t.Carrier, t.Swatch, t.Source))],
        tables.Reference.Decor,
        [.. tables.Reference.Vessels.UnionBy(shipped.Vessels, v => v.Code).Select(v => new VesselView(v.Code, v.Name, v.Kind, v.Outline))],
        [.. tables.Reference.Dipping.All.Select(View)],
        [.. tables.Reference.Setting.Had.Select(p => new PlaceView(p.Code, p.Name, p.Air.Value))],
        [.. ShapeKind.All.Select(k => new KindView(k.Code, k.Name, k.Measures))],
        [.. VesselKind.All.Select(k => new KindView(k.Code, k.Name, k.Measures))],
        [.. tables.Reference.Film.Shakes.Select(s => new NameView(s.Code, s.Name))],
        [.. tables.Reference.Allergens.Select(a => a.Name)],
        [.. tables.Reference.Wares.Supplies.Select(s => new SupplyView(s.Code, s.Name, s.Unit, s.Long?.Value))],
        [.. tables.Reference.Moulds.Select(m => new MouldView(m.Code, m.Name, m.Long, m.Wide, m.Deep, m.Holds, m.Cavities, m.Trays))],
        [.. Enum.GetValues<CavityKind>()
            .Select(k => new KindView(JsonNamingPolicy.CamelCase.ConvertName(k.ToString()), CavityName(k), Mould.MeasuresOf(k)))],
        tables.Reference.Schools,
        [.. tables.Reference.Fillings.Select(f => new MakesView(
            f.Code,
            f.Name,
            f.Makes,
            f.Rope ? null : f.Portion.Value,
            [.. f.ScoopsAmong(tables.Reference.Scoops).Select(s => new ScoopView(s.Name, s.Volume.Value * f.Density.Value))]))],
        tables.Profile.Habits.Coating,
        tables.Profile.Habits.Thinner,
        tables.Reference.Thinning.Target.Value,
        tables.Reference.Pot.Margin.Value);

    private static WayView View(DippingWay way) => new(way.Code, way.Name, way.Does,
    [
        WorkingLine.Of("reference.vessel-wider-piece", way.Room),
        WorkingLine.Of("reference.coating-over-what-covers", way.Over),
        WorkingLine.Of("reference.coating-left-least", way.Least),
        WorkingLine.Of("reference.coat-one-piece", "", way.Time.Value, way.Time.Source),
    ]);

    private static CentreView View(Centre c, ReferenceData tables) => new(
        c.Code, c.Name, c.Plural, c.Shape, c.Holding, c.Upright, c.UsualDepth.Value, c.Depths, c.LeastCoats, c.Pack is null
            ? null
            : c.PackName[1], c.DippedEndUp,
        [
            .. c.Sizes.Select(s => new SizeView(
                s.Code, s.Name, s.Shape.Length, s.Shape.Width, s.Mass.Value,
                ShapeKind.Of(c.Shape)!.Measures.Zip(s.Measures)
                    .ToDictionary(m => m.First.Code, m => m.Second.Value), s.Shape.Profile(), s.Shape.Strands())),
        ],
        c.Figure is { } figure ? View(figure, tables) : null);

    public static FigureView View(Figure figure, ReferenceData tables) => new(
        figure.Turn,
        [.. figure.Parts.Select(View)],
        [
            .. from stuck in figure.Stuck
               let part = tables.Decor.Part(stuck.Part)
               where part is not null
               select new StuckView(part.Code, part.Plural, part.Srgb, part.Across.Value, stuck.Places),
        ]);

    private static FigurePartView View(FigurePart part)
    {
        // Seen from its edge a round piece is a bar as long as it is wide.
        var shape = part.OnEdge ? new Block(part.Size.Shape.Thickness, part.Size.Shape.Width, part.Size.Shape.Thickness) : part.Size.Shape;
        var seen = shape.Outline(part.Centre.DippedEndUp);
        var middle = (seen.Least + seen.Most) * 0.5;
        return new(
            part.Code, part.Name, part.Behind, part.Colour,
            [.. seen.Rings.Select(r => (IReadOnlyList<Length>)[
                .. r.SelectMany(p => new[] { new Length(Math.Round(p.X - middle.X, 5)), new Length(Math.Round(p.Y - middle.Y, 5)) }),
            ])],
            new(seen.Most.Y - seen.Least.Y), new(seen.Most.X - seen.Least.X), part.Places);
    }

    private static string CavityName(CavityKind kind) => kind switch
    {
        CavityKind.Round => "round, straight walls",
        CavityKind.Block => "a block",
        _ => "another shape, by what it holds",
    };

    private static CoatingView View(Core.Coatings.Coating c)
    {
        var (fat, melt) = (WorkingLine.Count(
            "reference.fat", "", c.Fat.Value.In("%"), c.Fat.Source), WorkingLine.Of("reference.melt-most", c.MeltAtMost));
        List<FactView> facts = [
            new(fat, fat),
            new(melt, melt),
            Window("reference.dip", c.DipFrom, c.DipTo),
            Window("reference.drizzle", c.DrizzleFrom, c.DrizzleTo),
        ];
        if (c.Temper is { } temper)
        {
            var lost = WorkingLine.Of("reference.temper-lost-above", temper.NeverAbove);
            facts.AddRange(
            [
                Window("reference.melt-out", temper.Melt[0], temper.Melt[1]),
                Window("reference.cool", temper.Cool[0], temper.Cool[1]),
                Window("reference.work", temper.Work[0], temper.Work[1]),
                new(lost, lost),
            ]);
        }

        return new(c.Code, c.Name, c.Kind, c.Note, c.Thinners, facts);

        static FactView Window(Message name, Sourced<Temperature> from, Sourced<Temperature> to) =>
            new(WorkingLine.Of(name, from), WorkingLine.Of(name, to));
    }
}

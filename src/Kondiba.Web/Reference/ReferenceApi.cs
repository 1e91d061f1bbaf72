using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Web.Reference;

/// <summary>What the client needs of the trade tables: names to choose from and shapes to draw.</summary>
public sealed record ReferenceView(
    IReadOnlyList<CentreView> Centres,
    IReadOnlyList<ColourView> Colours,
    IReadOnlyList<VesselView> Vessels,
    IReadOnlyList<PlaceView> Places);

/// <summary>A centre to choose.</summary>
public sealed record CentreView(string Code, string Name, string Plural, Share UsualDepth, IReadOnlyList<SizeView> Sizes);

/// <summary>A size to choose, with its silhouette from the dipped end to the other.</summary>
public sealed record SizeView(string Code, string Name, Length Length, Length Width, IReadOnlyList<ProfilePoint> Profile);

/// <summary>A coating colour to choose.</summary>
public sealed record ColourView(string Code, string Name, string Srgb, string Coating, string CoatingName);

/// <summary>A vessel to choose and draw.</summary>
public sealed record VesselView(string Code, string Name, Length Bottom, Length Top, Length Height);

/// <summary>A place where trays set.</summary>
public sealed record PlaceView(string Code, string Name, Temperature Air);

internal static class ReferenceApi
{
    public static void MapReference(this RouteGroupBuilder api) =>
        api.MapGet("/reference", (TradeTables tables) => TypedResults.Ok(View(tables))).WithTags("Reference").WithName("GetReference");

    private static ReferenceView View(TradeTables tables) => new(
        [.. tables.Centres.Select(c => new CentreView(c.Code, c.Name, c.Plural, c.UsualDepth.Value,
            [.. c.Sizes.Select(s => new SizeView(s.Code, s.Name, s.Shape.Length, s.Shape.Width, s.Shape.Profile()))]))],
        [.. tables.Coatings.SelectMany(c => c.Colours.Select(colour => new ColourView(colour.Code, colour.Name, colour.Srgb, c.Code, c.Name)))],
        [.. tables.Vessels.Select(v => new VesselView(v.Code, v.Name, v.Bottom.Value, v.Top.Value, v.Height.Value))],
        [.. tables.Setting.Places.Select(p => new PlaceView(p.Code, p.Name, p.Air.Value))]);
}

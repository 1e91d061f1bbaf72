using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Figures;

/// <summary>Where a part sits on an assembled figure.</summary>
/// <param name="X">From the body's middle to the right, in mm.</param>
/// <param name="Y">From the body's middle down, in mm.</param>
/// <param name="Turn">Turned clockwise, in degrees.</param>
public sealed record Spot(double X, double Y, double Turn = 0);

/// <summary>A dipped part of a figure besides its body.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, several.</param>
/// <param name="Centre">The centre it is made from.</param>
/// <param name="Size">Its size; of a cut one, the part that is kept.</param>
/// <param name="Cuts">How many of it come out of one centre.</param>
/// <param name="Spoil">Of these, what breaks or goes wrong.</param>
/// <param name="Depth">Share of it that is dipped.</param>
/// <param name="Behind">Whether it lies behind the body.</param>
/// <param name="OnEdge">Whether it is seen from its edge.</param>
/// <param name="Places">Where it sits; as many as a figure has.</param>
public sealed record FigurePart(
    string Code, string Name, Centre Centre, CentreSize Size, int Cuts, Sourced<Share> Spoil, Share Depth, bool Behind, bool OnEdge, IReadOnlyList<Spot> Places);

/// <summary>Bought or home-made parts that are stuck on a figure, such as eyes.</summary>
/// <param name="Part">Code of the part.</param>
/// <param name="Places">Where they sit; as many as a figure has.</param>
public sealed record StuckPart(string Part, IReadOnlyList<Spot> Places);

/// <summary>How a figure is put together: the centre it belongs to is its body.</summary>
/// <param name="Body">Code of the centre its body is.</param>
/// <param name="BodySize">Code of the body's size.</param>
/// <param name="Turn">The body, turned clockwise, in degrees.</param>
/// <param name="Parts">Dipped parts besides the body.</param>
/// <param name="Stuck">Parts that are stuck on.</param>
/// <param name="Glues">Dots of coating that hold one together.</param>
public sealed record Figure(string Body, string BodySize, double Turn, IReadOnlyList<FigurePart> Parts, IReadOnlyList<StuckPart> Stuck, int Glues)
{
    /// <summary>Centres to have for some figures: whole ones, those that break counted in.</summary>
    /// <param name="part">The part.</param>
    /// <param name="figures">How many figures.</param>
    public static int CentresFor(FigurePart part, int figures) => Whole(Whole(figures * part.Places.Count * (1 + part.Spoil.Value.Si)) / (double)part.Cuts);

    private static int Whole(double exact) => (int)Math.Ceiling(exact - 1e-9);
}

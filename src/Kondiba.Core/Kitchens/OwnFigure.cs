using Kondiba.Core.Centres;
using Kondiba.Core.Facts;

namespace Kondiba.Core.Kitchens;

/// <summary>A figure as the maker builds it: a body with parts round it.</summary>
/// <param name="Code">Name in data; no centre has the same.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Body">Code of the centre that its body is.</param>
/// <param name="BodySize">Code of the body's size.</param>
/// <param name="Turn">The body, turned clockwise, in degrees.</param>
/// <param name="Parts">Dipped parts besides the body.</param>
/// <param name="Stuck">What is stuck on.</param>
public sealed record OwnFigure(
    string Code,
    string Name,
    string Plural,
    string Body,
    string BodySize,
    double Turn,
    IReadOnlyList<OwnFigurePart> Parts,
    IReadOnlyList<StuckPart> Stuck)
{
    /// <summary>The figure as a centre to order; null when a centre that it is made from is not there any more.</summary>
    /// <param name="centres">The kitchen's centres.</param>
    internal Centre? From(IReadOnlyList<Centre> centres) => Design(centres)?.Named(Code, Name, Plural);

    /// <summary>How it is put together; null when a centre that it is made from is not there.</summary>
    /// <param name="centres">The kitchen's centres.</param>
    public Figure? Design(IReadOnlyList<Centre> centres)
    {
        (Centre Centre, CentreSize Size)? Of(string code, string size) =>
            centres.FirstOrDefault(c => c.Code == code) is { } centre && centre.Size(size) is { } one ? (centre, one) : null;
        var parts = Parts.Select(p => (Own: p, Of: Of(p.Centre, p.Size))).ToList();
        if (Of(Body, BodySize) is not var (body, bodySize) || parts.Exists(p => p.Of is null))
            return null;
        return new Figure(body, bodySize, Turn, [.. parts.Select(p => Part(p.Own, p.Of!.Value.Centre, p.Of.Value.Size))], Stuck);
    }

    /// <summary>A shipped or own figure in the form that it is entered in.</summary>
    public static OwnFigure Entered(Centre centre)
    {
        var figure = centre.Figure!;
        return new(
            centre.Code, centre.Name, centre.Plural, figure.Body.Code, figure.BodySize.Code, figure.Turn,
            [
                .. figure.Parts.Select(p => new OwnFigurePart(
                    p.Code, p.Name, p.Centre.Code, p.Whole.Code, p.Kept.Value.Si, p.Cuts, p.Spoil.Value.Si, p.Depth.Value.Si, p.Behind,
                    p.OnEdge, p.Joined, p.Colour, p.Places)),
            ],
            figure.Stuck);
    }

    private static FigurePart Part(OwnFigurePart own, Centre centre, CentreSize whole) => new(
        own.Code, own.Name, centre, whole, new(
            new(own.Kept), Source.Kitchen), own.Cuts, new(new(own.Spoil), Source.Kitchen), new(new(own.Depth), Source.Kitchen),
        own.Behind, own.OnEdge, own.Joined, own.Colour, own.Places);
}

/// <summary>A dipped part of a figure as the maker builds it.</summary>
/// <param name="Code">Name in data, unique in the figure.</param>
/// <param name="Name">Name on screen, several.</param>
/// <param name="Centre">Code of the centre it is made from.</param>
/// <param name="Size">Code of that centre's size.</param>
/// <param name="Kept">Share of the centre's length that the part is; 1 when it is not cut.</param>
/// <param name="Cuts">How many of it come out of one centre.</param>
/// <param name="Spoil">Of these, what breaks or goes wrong, as a share.</param>
/// <param name="Depth">Share of it that is dipped.</param>
/// <param name="Behind">Whether it lies behind the body.</param>
/// <param name="OnEdge">Whether it is seen from its edge.</param>
/// <param name="Joined">Whether it is joined while the coat is wet; otherwise it is glued on when it has set.</param>
/// <param name="Colour">Code of the colour that it usually has; null for the body's.</param>
/// <param name="Places">Where it sits; as many as a figure has.</param>
public sealed record OwnFigurePart(
    string Code,
    string Name,
    string Centre,
    string Size,
    double Kept,
    int Cuts,
    double Spoil,
    double Depth,
    bool Behind,
    bool OnEdge,
    bool Joined,
    string? Colour,
    IReadOnlyList<Spot> Places);

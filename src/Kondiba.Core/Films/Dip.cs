using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Vessels;
using NodaTime;

namespace Kondiba.Core.Films;

/// <summary>A dip of a line whose every field stands for something in the trade tables.</summary>
/// <remarks>
/// Layer 0 is the line's first coat, further ones are dips over it; the angle, in radians, is the one at which the piece goes in; a part is
/// one of a figure's, or a mould's first layer. A bare one gets no coat: its depth is how far decoration goes.
/// </remarks>
internal sealed record Dip(
    int Line,
    Centre Centre,
    CentreSize Size,
    Figure<int> Count,
    Coating Coating,
    CoatingColour Colour,
    Share Depth,
    int Coats,
    bool AtOnce,
    bool Upright,
    int Layer = 0,
    double Angle = 0,
    string? Part = null,
    bool Bare = false)
{
    /// <summary>Less than this is no dip.</summary>
    public const double LeastDepth = 0.01;

    /// <summary>The piece in words: "medium apple".</summary>
    public string One => $"{Size.Name} {Centre.Name}".Trim();

    /// <summary>The field that its depth and coats are set in.</summary>
    public string Field(string own) => (Part, Layer) switch
    {
        (not null, _) => $"lines[{Line}].making",
        (_, 0) => $"lines[{Line}].{own}",
        _ => $"lines[{Line}].decor.dips[{Layer - 1}].depth",
    };

    /// <summary>Key of the pot it is dipped in.</summary>
    public string Pot => Coating.Pot(Colour);

    /// <summary>What batches of it teach: of the way it is held, of the centre, and of the centre in this coating.</summary>
    public string Kin => KinOf(Centre, Coating.Code);

    /// <summary>The same of a centre in a coating.</summary>
    public static string KinOf(Centre centre, string coating) => $"{centre.Holding}/{centre.Code}/{coating}";

    /// <summary>A piece as it goes into the coating.</summary>
    public HeldPiece Held => new(One, Centre.Holding, Size.Shape, Depth);

    /// <summary>Time of the hands for all pieces and coats, spoilt ones too.</summary>
    public Duration HandsOn(DippingWay way) => way.Time.Value * (Count.Value * (1 + Centre.Spoil.Value.Si) * Coats);
}

using Kondiba.Core.Facts;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Centres;

/// <summary>Where a part sits on an assembled figure.</summary>
/// <param name="X">From the body's middle to the right, in mm.</param>
/// <param name="Y">From the body's middle down, in mm.</param>
/// <param name="Turn">Turned clockwise, in degrees.</param>
public sealed record Spot(double X, double Y, double Turn = 0);

/// <summary>A dipped part of a figure besides its body.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, several.</param>
/// <param name="Centre">The centre it is made from.</param>
/// <param name="Whole">That centre's size.</param>
/// <param name="Kept">Share of its length that the part is; 1 when it is not cut.</param>
/// <param name="Cuts">How many of it come out of one centre.</param>
/// <param name="Spoil">Of these, what breaks or goes wrong.</param>
/// <param name="Depth">Share of it that is dipped.</param>
/// <param name="Behind">Whether it lies behind the body.</param>
/// <param name="OnEdge">Whether it is seen from its edge.</param>
/// <param name="Joined">
/// Whether it is joined to the others while the coat is wet; otherwise it is glued on with dots when it has set.
/// </param>
/// <param name="Colour">Code of the colour that it usually has; null for the body's.</param>
/// <param name="Places">Where it sits; as many as a figure has.</param>
public sealed record FigurePart(
    string Code,
    string Name,
    Centre Centre,
    CentreSize Whole,
    Sourced<Share> Kept,
    int Cuts,
    Sourced<Share> Spoil,
    Sourced<Share> Depth,
    bool Behind,
    bool OnEdge,
    bool Joined,
    string? Colour,
    IReadOnlyList<Spot> Places)
{
    /// <summary>Whether a knife makes it.</summary>
    public bool IsCut => Kept.Value.Si < 1 || Cuts > 1;

    /// <summary>The size of what is dipped: of a cut centre, the part that is kept.</summary>
    public CentreSize Size =>
        Kept.Value.Si < 1
            ? Whole with { Shape = new Cut(Whole.Shape, Kept.Value), Mass = new(Whole.Mass.Value * Kept.Value.Si, Whole.Mass.Source) }
            : Whole;
}

/// <summary>Bought or home-made parts that are stuck on a figure, such as eyes.</summary>
/// <param name="Part">Code of the part.</param>
/// <param name="Places">Where they sit; as many as a figure has.</param>
public sealed record StuckPart(string Part, IReadOnlyList<Spot> Places);

/// <summary>Work that putting a figure together asks for besides dipping.</summary>
/// <param name="Rule">What the prep rules say it is for: "figure.cut", "figure.join", "figure.glue".</param>
/// <param name="Parts">What it is done to, by name.</param>
/// <param name="Count">How many of them one figure has.</param>
public sealed record FigureWork(string Rule, IReadOnlyList<string> Parts, int Count);

/// <summary>How a figure is put together.</summary>
/// <param name="Body">The centre its body is.</param>
/// <param name="BodySize">The body's size.</param>
/// <param name="Turn">The body, turned clockwise, in degrees.</param>
/// <param name="Parts">Dipped parts besides the body.</param>
/// <param name="Stuck">Parts that are stuck on.</param>
public sealed record Figure(Centre Body, CentreSize BodySize, double Turn, IReadOnlyList<FigurePart> Parts, IReadOnlyList<StuckPart> Stuck)
{
    /// <summary>Dots of coating that hold one together, besides those under what is stuck on.</summary>
    public int Glues => Parts.Where(p => !p.Joined).Sum(p => p.Places.Count);

    /// <summary>What it asks for besides dipping, in the order of the hands.</summary>
    public IEnumerable<FigureWork> Work => ((IEnumerable<FigureWork>)
    [
        Done("figure.cut", p => p.IsCut),
        Done("figure.join", p => p.Joined),
        Done("figure.glue", p => !p.Joined),
    ]).Where(w => w.Count > 0);

    /// <summary>The figure as a centre to order: its body, with a name and parts of its own, and no stick in it.</summary>
    public Centre Named(string code, string name, string plural) => Body with
    {
        Code = code,
        Name = name,
        Plural = plural,
        Holding = Body.Holding is Holding.Stick ? Holding.Fork : Body.Holding,
        Upright = Body.Upright && Body.Holding is not Holding.Stick,
        Pack = null,
        PackName = [],
        Prep = [],
        Sizes = [BodySize with { Code = "one", Name = "" }],
        Allergens = Made.Any(c => c.Allergens is null) ? null : [.. Made.SelectMany(c => c.Allergens!).Distinct()],
        MayContain = [.. Made.SelectMany(c => c.MayContain ?? []).Distinct()],
        Figure = this,
    };

    /// <summary>
    /// The same figure made from a kitchen's centres: those that stand in place of shipped ones, where they come in the size.
    /// </summary>
    public Figure From(IReadOnlyList<Centre> centres)
    {
        (Centre Centre, CentreSize Size) Found(Centre of, CentreSize size) =>
            centres.FirstOrDefault(c => c.Code == of.Code) is { } centre && centre.Size(size.Code) is { } own ? (centre, own) : (of, size);
        var (body, bodySize) = Found(Body, BodySize);
        return this with
        {
            Body = body,
            BodySize = bodySize,
            Parts = [.. Parts.Select(p => Found(p.Centre, p.Whole) is var (centre, whole) ? p with { Centre = centre, Whole = whole } : p)],
        };
    }

    /// <summary>Centres to have for some figures: whole ones, those that break counted in.</summary>
    /// <param name="part">The part.</param>
    /// <param name="figures">How many figures.</param>
    public static int CentresFor(FigurePart part, int figures) =>
        Whole(Whole(figures * part.Places.Count * (1 + part.Spoil.Value.Si)) / (double)part.Cuts);

    /// <summary>The centres that it is made from.</summary>
    public IEnumerable<Centre> Made => Parts.Select(p => p.Centre).Prepend(Body).DistinctBy(c => c.Code);

    private FigureWork Done(string rule, Func<FigurePart, bool> to)
    {
        var parts = Parts.Where(to).ToList();
        return new(rule, [.. parts.Select(p => p.Name)], parts.Sum(p => p.Places.Count));
    }

    private static int Whole(double exact) => (int)Math.Ceiling(exact - 1e-9);
}

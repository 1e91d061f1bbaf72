using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Centres;

/// <summary>A measure that a solid is made from.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Unit">What it is given in: "mm", "mL", "%" or "°".</param>
/// <param name="Least">Smallest value that makes sense, in that unit.</param>
/// <param name="Most">Largest.</param>
public sealed record Measure(string Code, string Name, string Unit, double Least, double Most);

/// <summary>A kind of solid, made from measures: the maker's own centres choose one of these.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What must be measured.</param>
/// <param name="Make">The solid from its measures, asked by code in SI units.</param>
/// <param name="Contradiction">What two measures that do not go together say, or null.</param>
public sealed record ShapeKind(
    string Code,
    string Name,
    IReadOnlyList<Measure> Measures,
    Func<Func<string, double>, Shape> Make,
    Func<Func<string, double>, (Message Reason, Message Remedy)?> Contradiction)
{
    private static readonly Measure Diameter = Long("diameter", "diameter", 5, 200);
    private static readonly Measure Thick = Long("thick", "thickness", 2, 80);

    /// <summary>Every kind that the product knows.</summary>
    public static IReadOnlyList<ShapeKind> All { get; } =
    [
        new("berry", "berry, pointed", [Long("height", "length", 10, 120), Diameter],
            m => new Paraboloid(Mm(m, "height"), Mm(m, "diameter")), None),
        new("ball", "ball", [Diameter, new("bareCap", "left bare at the stalk", "%", 0, 40)],
            m => new CappedSphere(Mm(m, "diameter"), new(m("bareCap"))), None),
        new("rod", "rod or plug", [Long("height", "length", 10, 400), Diameter],
            m => new Cylinder(Mm(m, "height"), Mm(m, "diameter")), None),
        new("disc", "round and flat", [Diameter, Thick],
            m => new Disc(Mm(m, "diameter"), Mm(m, "diameter"), Mm(m, "thick")), None),
        new("oval", "oval and flat", [Long("long", "length", 10, 200), Long("wide", "width", 5, 200), Thick],
            m => new Disc(Mm(m, "long"), Mm(m, "wide"), Mm(m, "thick")),
            m => m("wide") > m("long") ? ("centres.oval-wider-long", "centres.take-longer-one-length") : null),
        new("block", "block", [Long("long", "length", 10, 200), Long("wide", "width", 5, 150), Thick],
            m => new Block(Mm(m, "long"), Mm(m, "wide"), Mm(m, "thick")), None),
        new("ring", "ring", [Long("outer", "outer diameter", 15, 200), Long("hole", "hole", 3, 150), Thick],
            m => new Ring(Mm(m, "outer"), Mm(m, "hole"), Mm(m, "thick")),
            m => m("hole") >= m("outer") ? ("centres.hole-wide-ring-wider", "centres.measure-both-again") : null),
        new("twist", "bent rod, lying flat",
            [Long(
                "strand", "length of the rod it is bent from", 30, 800), Long(
                    "diameter", "across the rod", 2, 30), Long(
                        "across", "width as it lies", 10, 200), Long("tall", "height as it lies", 10, 200)],
            m => new Twist(Mm(m, "strand"), Mm(m, "diameter"), Mm(m, "across"), Mm(m, "tall")),
            m => m("strand") < Math.Max(m("across"), m("tall")) ? ("centres.rod-shorter-shape-bent", "centres.measure-along-bends") : null),
        new("wrappedRod", "rod with a rope wound round", [
            Long("height", "length", 50, 400),
            Long("diameter", "across the rod", 4, 40),
            Long("rope", "across the rope", 2, 20),
            Long("pitch", "from turn to turn", 2, 100),
        ],
            m => new WrappedRod(Mm(m, "height"), Mm(m, "diameter"), Mm(m, "rope"), Mm(m, "pitch")),
            m => m("pitch") < m("rope") ? ("centres.turns-closer-rope-thick", "centres.wind-further-apart") : null),
        new("cavity", "mould's cavity", [
            new("holds", "holds", "mL", 0.5, 250),
            new("coating", "of it coating, the rest insert", "%", 10, 100),
        ],
            m => new Cavity(new(m("holds")), new(m("coating"))), None),
    ];

    /// <summary>The kind of that code, or null.</summary>
    public static ShapeKind? Of(string? code) => All.FirstOrDefault(k => k.Code == code);

    /// <summary>A value given in the measure's unit, in SI.</summary>
    internal static double Si(string unit, double value) => unit switch
    {
        "mm" => Quantities.Of<Length>(value, "mm").Si,
        "mL" => Quantities.Of<Volume>(value, "mL").Si,
        "%" => value / 100,
        "°" => value,
        _ => throw new ArgumentException($"measures are given in mm, mL, % or °, not '{unit}'"),
    };

    private static (Message, Message)? None(Func<string, double> measures) => null;

    private static Measure Long(string code, string name, double least, double most) => new(code, name, "mm", least, most);

    private static Length Mm(Func<string, double> measures, string code) => new(measures(code));
}

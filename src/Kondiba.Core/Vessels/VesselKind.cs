using Kondiba.Core.Centres;
using Kondiba.Core.Facts;

namespace Kondiba.Core.Vessels;

/// <summary>A kind of vessel, made from measures.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Measures">What must be measured.</param>
/// <param name="Make">The vessel from code, name, and its measures in SI units.</param>
public sealed record VesselKind(
    string Code,
    string Name,
    IReadOnlyList<Measure> Measures,
    Func<string, string, IReadOnlyList<WorkingLine>, Func<string, double>, Vessel> Make)
{
    /// <summary>Every kind that the product knows.</summary>
    public static IReadOnlyList<VesselKind> All { get; } =
    [
        new("round", "round, straight or flaring", [
            Mm("bottom", "across the bottom", 20, 400),
            Mm("top", "across the rim", 20, 500),
            Mm("height", "inner height", 15, 400),
        ],
            (code, name, lines, m) => new RoundVessel(code, name, lines, new(m("bottom")), new(m("top")), new(m("height")))),
        new("insert", "insert of a melting pot", [
            Mm("bottom", "across the bottom", 80, 400),
            Mm("top", "across the rim", 80, 500),
            Mm("height", "inner height", 15, 400),
        ],
            (code, name, lines, m) => new RoundVessel(code, name, lines, new(m("bottom")), new(m("top")), new(m("height")), Warm: true)),
        new("half", "half of a divided insert", [Mm("across", "across the whole insert", 80, 400), Mm("height", "inner height", 15, 300)],
            (code, name, lines, m) => new RoundVessel(
                code, name, lines, new(m("across")), new(m("across")), new(m("height")), Halved: true, Warm: true)),
        new("tilted", "shallow dish, tilted", [
            new("tilt", "tilt", "°", 5, 40),
            Mm("wide", "low edge", 60, 500),
            Mm("long", "sloping bottom", 60, 600),
            Mm("height", "inner height", 10, 150),
        ],
            (code, name, lines, m) => new TiltedDish(code, name, lines, new(m("wide")), new(m("long")), new(m("height")), m("tilt"))),
        new("spooned", "small bowl and a spoon", [
            new("holds", "holds", "mL", 20, 1000),
            new("stays", "the spoon still needs", "mL", 1, 100),
        ],
            (code, name, lines, m) => new SpoonedCup(code, name, lines, new(m("holds")), new(m("stays")))),
        new("bag", "piping bag", Poured, (code, name, lines, m) => new PipingBag(code, name, lines, new(m("holds")), new(m("stays")))),
        new("jug", "spouted jug", Poured, (code, name, lines, m) => new SpoutedJug(code, name, lines, new(m("holds")), new(m("stays")))),
    ];

    private static IReadOnlyList<Measure> Poured =>
        [new("holds", "holds", "mL", 20, 3000), new("stays", "cannot be got out", "mL", 0, 100)];

    /// <summary>The kind of that code, or null.</summary>
    public static VesselKind? Of(string? code) => All.FirstOrDefault(k => k.Code == code);

    private static Measure Mm(string code, string name, double least, double most) => new(code, name, "mm", least, most);
}

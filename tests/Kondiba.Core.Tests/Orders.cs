using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>Orders for tests, short to write.</summary>
internal static class Orders
{
    public const string Wafers = "compound-wafer-hot-flow";

    public static KitchenTables Tables { get; } = KitchenTables.Shipped;

    public static LocalDateTime Now { get; } = new(2031, 5, 1, 9, 0);

    public static LineDraft Line(
        string centre, string size, double amount, string colour = "dark", double depth = 1, int coats = 1, string coating = Wafers) =>
        new(centre, size, amount, CountedIn.Pieces, coating, colour, depth, coats);

    public static LineDraft Berries(double count = 24, double depth = 0.75, int coats = 1) =>
        Line("strawberry", "L", count, "dark", depth, coats);

    public static LineDraft Rods(double count, string colour = "midnight") => Line("pretzel-rod", "one", count, colour, 0.33);

    public static LineDraft Truffles(double count, string colour = "midnight") => Line("truffle-ball", "one", count, colour);

    /// <summary>An order with the same choice for every pot.</summary>
    public static OrderDraft Order(PotDraft? pot, params LineDraft[] lines) => new(lines)
    {
        Name = "Harbour lights",
        Pickup = Now.PlusDays(2),
        Pots = pot is null
            ? new Dictionary<string, PotDraft>()
            : lines.Select(l => $"{l.Coating}.{l.Colour}").Distinct().ToDictionary(k => k, _ => pot)
    };

    /// <summary>What lines come to with the same choice for every pot.</summary>
    public static CoatingTally Tally(PotDraft? pot, params LineDraft[] lines) => CoatingTally.For(Order(pot, lines), Tables, Now);

    /// <summary>What lines come to in one vessel.</summary>
    public static CoatingTally In(string vessel, params LineDraft[] lines) => Tally(new(vessel), lines);

    /// <summary>Whether a point is within an outline, or as near to its edge as the API rounds points.</summary>
    public static bool Holds(Outline outline, Point p) =>
        outline.Contains(p)
            || Enumerable.Range(0, 8)
                .Any(i => outline.Contains(p + (new Point(Math.Cos(i * Math.PI / 4), Math.Sin(i * Math.PI / 4)) * 3e-5)));

    public static CentreSize Size(LineDraft line) => Tables.Reference.Centre(line.Centre)!.Size(line.Size)!;

    public static Mass Grams(double grams) => Quantities.Of<Mass>(grams, "g");

    public static Length Mm(double millimetres) => Quantities.Of<Length>(millimetres, "mm");
}

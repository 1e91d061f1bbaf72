using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Amounts;

/// <summary>What some coating covers of a piece, at the dip depth and in the coats that are usual for it.</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Name">Pieces in words: "large strawberries".</param>
/// <param name="Count">How many, as it is dipped and with its margin; none when it does not even make one.</param>
/// <param name="Vessel">Code of the vessel they are dipped in; null for none.</param>
/// <param name="Way">Code of the way; null for none.</param>
public sealed record Covered(string Centre, string Size, string Name, int Count, string? Vessel, string? Way)
{
    private const int MostPieces = 2000;

    /// <summary>
    /// Turns amounts round: how many of each piece so much coating makes, by the same model that says how much pieces want.
    /// </summary>
    /// <param name="coating">The coating.</param>
    /// <param name="colour">Its colour.</param>
    /// <param name="mass">How much of it there is, without thinner.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<Covered> By(Coating coating, CoatingColour colour, Mass mass, KitchenTables tables) =>
    [
        .. tables.Reference.Centres.SelectMany(c => c.Sizes.Select(s => (Centre: c, Size: s)))
            .Select(of => By(coating, colour, mass, of.Centre, of.Size, tables)),
    ];

    private static Covered By(Coating coating, CoatingColour colour, Mass mass, Centre centre, CentreSize size, KitchenTables tables)
    {
        Pot? Of(int count) => count < 1 ? null : CoatingTally.For(
            new([new(
                    centre.Code,
                    size.Code,
                    count,
                    CountedIn.Pieces,
                    coating.Code,
                    colour.Code,
                    centre.UsualDepth.Value.Si,
                    centre.LeastCoats)])
            { Name = "" }, tables, default).Pots.SingleOrDefault();
        bool Makes(int count) => Of(count) is { } pot && pot.OfCoating <= mass;

        var (enough, tooMany) = (0, 1);
        while (tooMany <= MostPieces && Makes(tooMany))
            (enough, tooMany) = (tooMany, tooMany * 2);
        tooMany = Math.Min(tooMany, MostPieces + 1);
        while (tooMany - enough > 1)
        {
            var middle = (enough + tooMany) / 2;
            (enough, tooMany) = Makes(middle) ? (middle, tooMany) : (enough, middle);
        }

        // Where the way changes a few more may want less.
        while (enough < MostPieces && Makes(enough + 1))
            enough++;
        var of = Of(enough);
        return new(
            centre.Code,
            size.Code,
            centre.Holding is Holding.Mould && size.Name.Length > 0
                ? $"{centre.Plural}, {size.Name}"
                : $"{size.Name} {centre.Plural}".Trim(),
            enough,
            of?.Vessel,
            of?.Way);
    }
}

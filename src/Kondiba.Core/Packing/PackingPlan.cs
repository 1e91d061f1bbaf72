using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;

namespace Kondiba.Core.Packing;

/// <summary>A piece in what it is packed in.</summary>
/// <param name="Line">Index of the order line.</param>
/// <param name="X">Its middle, from the left.</param>
/// <param name="Y">Its middle, from the back.</param>
/// <param name="Turned">Whether it lies the other way round.</param>
public sealed record PackedPiece(int Line, Length X, Length Y, bool Turned = false);

/// <summary>How a bouquet is bound.</summary>
/// <param name="Groups">Pieces in each group that is tied first.</param>
/// <param name="Ribbon">For all its knots.</param>
/// <param name="Film">To go round its sticks.</param>
/// <param name="Across">How wide it is.</param>
public sealed record BouquetBinding(IReadOnlyList<int> Groups, Figure<Length> Ribbon, Figure<Length> Film, Length Across);

/// <summary>A box, bag or bouquet with what is in it.</summary>
/// <param name="Packing">Index of the order's packing that it is of.</param>
/// <param name="Supply">Code of what it is.</param>
/// <param name="Name">What it is called, several.</param>
/// <param name="Kind">How pieces go into it.</param>
/// <param name="Wide">Within, from left to right; of a bag or bouquet, of what is drawn.</param>
/// <param name="Deep">Within, from back to front; likewise.</param>
/// <param name="Rows">Of a box with rows; 0 for others.</param>
/// <param name="Columns">Places in a row.</param>
/// <param name="Cells">Of a box with rows, row by row, the line of the piece in each place; −1 for none.</param>
/// <param name="Pieces">The pieces where they lie.</param>
/// <param name="Holds">How many of each line it holds.</param>
/// <param name="Bouquet">How it is bound; null for what is no bouquet.</param>
public sealed record Package(
    int Packing,
    string Supply,
    string Name,
    PackKind Kind,
    Length Wide,
    Length Deep,
    int Rows,
    int Columns,
    IReadOnlyList<int> Cells,
    IReadOnlyList<PackedPiece> Pieces,
    IReadOnlyList<LinePieces> Holds,
    BouquetBinding? Bouquet = null);

/// <summary>Pieces of a line.</summary>
/// <param name="Line">Index of the line.</param>
/// <param name="Count">How many.</param>
public sealed record LinePieces(int Line, int Count)
{
    /// <summary>How many of each line there are.</summary>
    internal static IReadOnlyList<LinePieces> Of(IEnumerable<PackedPiece> pieces) =>
        [.. pieces.CountBy(p => p.Line).OrderBy(l => l.Key).Select(l => new LinePieces(l.Key, l.Value))];
}

/// <summary>How an order is packed: boxes, bags and bouquets with what goes where.</summary>
/// <param name="Packages">In the order that they are filled.</param>
/// <param name="Amounts">How much of each of the order's packing that takes, in the supply's unit.</param>
/// <param name="Unpacked">Pieces that nothing is chosen for.</param>
/// <param name="Suggested">What they would be packed in usually, with what the order has already; null when nothing is left over.</param>
/// <param name="Moved">Whether the maker's own places are kept.</param>
/// <param name="Problems">What does not fit.</param>
public sealed record PackingPlan(
    IReadOnlyList<Package> Packages,
    IReadOnlyList<double> Amounts,
    IReadOnlyList<LinePieces> Unpacked,
    IReadOnlyList<PackingDraft>? Suggested,
    bool Moved,
    IReadOnlyList<Problem> Problems)
{
    /// <summary>Packs an order.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static PackingPlan For(OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        var packer = new Packer(order, tally, tables);
        var packages = packer.Pack();
        var (placed, moved) = Moves(order, packages, packer.Problems);
        var unpacked = packer.Left;
        return new(placed, packer.Amounts(), unpacked, unpacked.Count > 0 ? packer.Suggest(unpacked) : null, moved, packer.Problems);
    }

    /// <summary>How much of each of an order's packing it takes, in the supply's unit.</summary>
    internal static IReadOnlyList<double> AmountsOf(OrderDraft order, CoatingTally tally, ReferenceData tables) =>
        new Packer(order, tally, tables).Amounts();

    /// <summary>How a figure came about: "packages[0].film", "packages[0].ribbon"; null when there is no such figure.</summary>
    public IReadOnlyList<WorkingLine>? WorkingOf(string figure) => (
        from package in Packages.Index()
        let bouquet = package.Item.Bouquet
        where bouquet is not null
        from named in new[] { ("film", bouquet!.Film), ("ribbon", bouquet!.Ribbon) }
        where figure == $"packages[{package.Index}].{named.Item1}"
        select named.Item2.Working).FirstOrDefault();

    /// <summary>Puts pieces where the maker moved them, as long as the boxes hold the same as then.</summary>
    private static (IReadOnlyList<Package> Packages, bool Moved) Moves(
        OrderDraft order, IReadOnlyList<Package> packages, List<Problem> problems)
    {
        if (order.Boxes is not { Count: > 0 } boxes)
            return (packages, false);
        var withRows = packages.Where(p => p.Rows > 0).ToList();
        var same = boxes.Count == withRows.Count
            && boxes.Zip(withRows).All(b => b.First is not null && b.First.Count == b.Second.Cells.Count)
            && boxes.SelectMany(b => b).Order().SequenceEqual(withRows.SelectMany(b => b.Cells).Order());
        if (!same)
        {
            problems.Add(new("boxes", "packing.order-changed-since", "packing.order-changed-since.do", Severity.Mind));
            return (packages, false);
        }

        var moved = new Queue<IReadOnlyList<int>>(boxes);
        return ([.. packages.Select(p => p.Rows > 0 ? Packer.WithCells(p, moved.Dequeue()) : p)], true);
    }
}

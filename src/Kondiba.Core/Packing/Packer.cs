using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using static System.Math;

namespace Kondiba.Core.Packing;

/// <summary>Puts an order's pieces into what is chosen for them.</summary>
internal sealed class Packer
{
    private readonly OrderDraft order;
    private readonly ReferenceData tables;
    private readonly List<Piece> pieces;
    private readonly Dictionary<int, int> left;

    // What holds pieces, with what goes into each.
    private readonly List<(int Index, Supply Supply, List<List<(Piece Piece, int Count)>> Each)> filled;

    public Packer(OrderDraft order, CoatingTally tally, ReferenceData tables)
    {
        (this.order, this.tables) = (order, tables);
        pieces = [.. tally.Lines.Select(l => PieceOf(l, order.Lines[l.Line]))];
        left = pieces.ToDictionary(p => p.Line, p => p.Count);
        filled = FillAll();
    }

    /// <summary>What does not fit.</summary>
    public List<Problem> Problems { get; } = [];

    /// <summary>What nothing is chosen for.</summary>
    public IReadOnlyList<LinePieces> Left => [.. left.Where(l => l.Value > 0).Select(l => new LinePieces(l.Key, l.Value))];

    /// <summary>Packs what can be packed.</summary>
    public List<Package> Pack() =>
    [
        .. filled.SelectMany(f => f.Each.Select(held => f.Supply.Packs switch
        {
            PackKind.Grid => Rows(f.Index, f.Supply, held),
            PackKind.Flat => Flat(f.Index, f.Supply, held),
            PackKind.Bouquet => Bouquet(f.Index, f.Supply, held),
            _ => Bag(f.Index, f.Supply, held),
        })),
    ];

    /// <summary>How much of each of the order's packing it takes, in the supply's unit: what holds pieces by what is filled.</summary>
    public double[] Amounts()
    {
        var packing = order.Packing ?? [];

        // Bags for pieces that are all in boxes already go round each piece.
        var counts = filled
            .Where(f => f.Supply.Packs is not PackKind.Bag || f.Each.Count > 0)
            .ToDictionary(f => f.Index, f => f.Each.Count);
        return [.. packing.Index().Select(p => p.Item.Each * (counts.TryGetValue(p.Index, out var count) ? count : Times(p.Item)))];
    }

    private List<(int Index, Supply Supply, List<List<(Piece Piece, int Count)>> Each)> FillAll()
    {
        var all = (order.Packing ?? []).Index()
            .Select(p => (p.Index, Draft: p.Item, Supply: Supply(p.Item.Supply)))
            .Where(p => p.Draft.Per >= 1 && p.Supply?.Packs is not null);

        // What is for some lines only is filled before what takes the rest; and boxes before the bags that they may stand in.
        return
        [
            .. all.OrderBy(p => p.Draft.Lines is null).ThenBy(p => p.Supply!.Packs)
                .Select(p => (p.Index, p.Supply!, Fill(p.Index, p.Draft, p.Supply!))),
        ];
    }

    /// <summary>How often what goes with pieces is wanted.</summary>
    private int Times(PackingDraft draft) =>
        (int)Ceiling(pieces.Where(p => draft.Lines?.Contains(p.Line) is not false).Sum(p => p.Count) / (double)Max(1, draft.Per));

    /// <summary>What the order is packed in with something usual for what is left.</summary>
    public IReadOnlyList<PackingDraft> Suggest(IReadOnlyList<LinePieces> unpacked)
    {
        List<PackingDraft> packing = [.. order.Packing ?? []];
        var whole = packing.Count == 0;
        var rest = unpacked.Select(u => (Piece: pieces.Single(p => p.Line == u.Line), u.Count)).ToList();
        var boxed = rest.Where(r => !r.Piece.OnSkewer && Grids.Any(g => Fits(r.Piece, g))).ToList();
        if (boxed.Count > 0)
        {
            var count = boxed.Sum(b => b.Count);
            var box = Grids.Where(g => boxed.All(b => Fits(b.Piece, g)))
                .OrderBy(g => (((count - 1) / Places(g)) + 1) * Places(g))
                .ThenByDescending(Places)
                .First();
            packing.Add(new(box.Code, 1, Places(box), Lines(boxed)));
            if (Supply("cup") is not null && packing.All(p => p.Supply != "cup"))
                packing.Add(new("cup", 1, 1, Lines(boxed)));
        }

        var bound = rest.Where(r => r.Piece.OnSkewer).ToList();
        if (bound.Count > 0 && tables.Wares.Supplies.FirstOrDefault(s => s.Packs is PackKind.Bouquet) is { } film)
        {
            var per = Min(bound.Sum(b => b.Count), MostInBouquet);
            var binding = Bind([.. bound.Select(b => b.Piece)], per);
            packing.Add(new(film.Code, Round(binding.Film.Value.In("m"), 1), per, Lines(bound)));
            packing.Add(new("ribbon", Round(binding.Ribbon.Value.In("m"), 1), per, Lines(bound)));
        }

        var bagged = rest.Except(boxed).Except(bound).ToList();
        if (bagged.Count > 0 && tables.Wares.Supplies.FirstOrDefault(s => s.Packs is PackKind.Bag) is { } bag)
            packing.Add(new(bag.Code, 1, 1, Lines(bagged)));
        return packing;

        // For all lines nothing need be said.
        IReadOnlyList<int>? Lines(IReadOnlyCollection<(Piece Piece, int Count)> some) =>
            whole && some.Count == pieces.Count ? null : [.. some.Select(s => s.Piece.Line)];
    }

    /// <summary>The same box with pieces in other places.</summary>
    public static Package WithCells(Package box, IReadOnlyList<int> cells)
    {
        var placed = InCells(cells, box.Rows, box.Columns, box.Wide, box.Deep);
        return box with { Cells = cells, Pieces = placed, Holds = LinePieces.Of(placed) };
    }

    private const int MostInBouquet = 12;

    private IEnumerable<Supply> Grids => tables.Wares.Supplies.Where(s => s is { Packs: PackKind.Grid, Rows: > 0, Columns: > 0 });

    private Supply? Supply(string? code) => tables.Wares.Supplies.FirstOrDefault(s => s.Code == code);

    private static int Places(Supply box) => box.Rows * box.Columns;

    private List<List<(Piece Piece, int Count)>> Fill(int index, PackingDraft draft, Supply supply)
    {
        var forIt = pieces.Where(p => left[p.Line] > 0 && draft.Lines?.Contains(p.Line) is not false).ToList();
        var fits = forIt.Where(p => Fits(p, supply)).ToList();
        if (draft.Lines is not null || supply.Packs is PackKind.Grid)
            Problems.AddRange(forIt.Except(fits).Select(p => Misfit(index, p, supply)));
        if (fits.Count == 0)
            return [];
        var per = supply.Packs switch
        {
            PackKind.Grid => Min(draft.Per, Places(supply)),
            PackKind.Flat => LyingIn(supply, fits, draft.Per, index),
            _ => draft.Per,
        };
        List<int> counts = [.. fits.Select(p => left[p.Line])];
        foreach (var piece in fits)
            left[piece.Line] = 0;
        return [.. BoxLayout.InTurn(counts).Chunk(per).Select(kinds => Held(kinds, fits))];
    }

    private static List<(Piece Piece, int Count)> Held(IEnumerable<int> kinds, List<Piece> of) =>
        [.. kinds.CountBy(k => k).OrderBy(k => k.Key).Select(k => (of[k.Key], k.Value))];

    private static Package Rows(int index, Supply box, List<(Piece Piece, int Count)> held)
    {
        var likes = held.Select(h => new Like(h.Piece.Line, h.Count, h.Piece.Wide * h.Piece.Long));
        var cells = BoxLayout.Fill(box.Rows, box.Columns, [.. likes]);
        var (wide, deep) = (box.Wide!.Value, box.Deep!.Value);
        var placed = InCells(cells, box.Rows, box.Columns, wide, deep);
        return new(
            index, box.Code, box.Name, PackKind.Grid, wide, deep, box.Rows, box.Columns, cells, placed, LinePieces.Of(placed));
    }

    private static IReadOnlyList<PackedPiece> InCells(IReadOnlyList<int> cells, int rows, int columns, Length wide, Length deep) =>
    [
        .. from cell in cells.Index()
           where cell.Item != BoxLayout.Empty
           select new PackedPiece(
               cell.Item,
               wide * (((cell.Index % columns) + 0.5) / columns),
               deep * (((cell.Index / columns) + 0.5) / rows)),
    ];

    private Package Flat(int index, Supply box, List<(Piece Piece, int Count)> held)
    {
        List<PackedPiece> placed =
            [.. Lay(box, held)[0].Rows.SelectMany(row => Lying(row, held.Single(h => h.Piece.Line == row.Line).Piece))];
        return new(
            index, box.Code, box.Name, PackKind.Flat, box.Wide!.Value, box.Deep!.Value, 0, 0, [], placed, LinePieces.Of(placed));
    }

    private static IEnumerable<PackedPiece> Lying(TrayRow row, Piece piece) =>
        Enumerable.Range(0, row.Count).Select(i => new PackedPiece(
            row.Line, row.X + (row.Pitch * i), row.Y + (piece.Laid.Size.Shape.Length / 2), row.Turned));

    private static Package Bag(int index, Supply bag, List<(Piece Piece, int Count)> held)
    {
        List<Piece> each = [.. held.SelectMany(h => Enumerable.Repeat(h.Piece, h.Count))];
        var (x, placed) = (default(Length), new List<PackedPiece>());
        var deep = new Length(each.Max(p => p.Long.Si));
        foreach (var piece in each)
        {
            placed.Add(new(piece.Line, x + (piece.Wide / 2), deep - (piece.Long / 2)));
            x += piece.Wide;
        }

        return new(index, bag.Code, bag.Name, PackKind.Bag, x, deep, 0, 0, [], placed, LinePieces.Of(placed));
    }

    private Package Bouquet(int index, Supply film, List<(Piece Piece, int Count)> held)
    {
        List<Piece> each = [.. held.SelectMany(h => Enumerable.Repeat(h.Piece, h.Count)).OrderByDescending(p => p.Wide.Si)];
        var binding = Bind(each, each.Count);
        var middle = binding.Across / 2;

        // Seen from above they stand as seeds do in a flower: each a golden angle on from the one before.
        List<PackedPiece> placed = [.. each.Index().Select(p =>
        {
            var (out_, angle) = (middle.Si * 0.82 * Sqrt((p.Index + 0.5) / each.Count), p.Index * PI * (3 - Sqrt(5)));
            return new PackedPiece(p.Item.Line, middle + new Length(out_ * Cos(angle)), middle + new Length(out_ * Sin(angle)));
        })];
        return new(
            index, film.Code, film.Name, PackKind.Bouquet, binding.Across, binding.Across, 0, 0, [], placed, LinePieces.Of(placed),
            binding);
    }

    /// <summary>Groups of four tied first, then joined; film round the sticks with what overlaps.</summary>
    private BouquetBinding Bind(IReadOnlyList<Piece> kinds, int count)
    {
        var c = tables.Packing;
        var group = (int)c.Group.Value.Si;
        List<int> groups = [.. Enumerable.Range(0, count).Chunk(group).Select(g => g.Length)];
        var one = new Length(kinds.Average(k => k.Wide.Si));
        var across = one * Sqrt(count / c.Stands.Value.Si);
        var knots = groups.Count + 1;
        var ribbon = c.Tie.Value * knots;
        var film = across * (PI * (1 + c.Overlap.Value.Si));
        return new(
            groups,
            new(ribbon, () =>
            [
                WorkingLine.Of("packing.group", c.Group),
                WorkingLine.Of("packing.tie", c.Tie),
                WorkingLine.Of(
                    "packing.ribbon", Message.Of("packing.ribbon.how", ("knots", knots), ("tie", c.Tie.Value)), ribbon, Source.Computed),
            ]),
            new(film, () =>
            [
                WorkingLine.Of("packing.one-across", "", one, Source.Computed),
                WorkingLine.Of("packing.stands", c.Stands),
                WorkingLine.Of(
                    "packing.across",
                    Message.Of("packing.across.how", ("count", count), ("one", one), ("stands", c.Stands.Value.Si)),
                    across,
                    Source.Computed),
                WorkingLine.Of("packing.overlap", c.Overlap),
                WorkingLine.Of(
                    "packing.film",
                    Message.Of("packing.film.how", ("across", across), ("overlap", c.Overlap.Value.Si)),
                    film,
                    Source.Computed),
            ]),
            across);
    }

    /// <summary>How many of what is wanted lie in a flat box at once.</summary>
    private int LyingIn(Supply box, List<Piece> kinds, int wanted, int index)
    {
        var counts = kinds.Select(k => left[k.Line]).ToList();
        var per = Min(wanted, counts.Sum());
        while (per > 1 && BoxLayout.InTurn(counts).Chunk(per).Any(chunk => Lay(box, Held(chunk, kinds)).Count > 1))
            per--;
        if (per < Min(wanted, counts.Sum()))
            Problems.Add(new(
                $"packing[{index}].per",
                Message.Of("packing.box-takes", ("box", box.Name), ("wanted", wanted), ("per", per)),
                Message.Of("packing.box-takes.do", ("per", per)),
                Severity.Mind));
        return per;
    }

    private IReadOnlyList<Tray> Lay(Supply box, IEnumerable<(Piece Piece, int Count)> held) => TrayLayout.For(
        held.Select(h => h.Piece.Laid with { Count = h.Count, Gap = tables.Packing.Gap.Value }),
        new(box.Wide!, box.Deep!, new(default, Source.Computed)));

    private static bool Fits(Piece piece, Supply supply) => supply.Packs switch
    {
        PackKind.Grid => piece.High <= supply.High!.Value
            && piece.Short <= PlaceShort(supply)
            && piece.Longest <= PlaceLong(supply),
        PackKind.Flat => piece.High <= supply.High!.Value
            && piece.Laid.Width <= supply.Wide!.Value
            && piece.Laid.Length <= supply.Deep!.Value,
        PackKind.Bouquet => piece.OnSkewer,
        _ => true,
    };

    private static Length PlaceShort(Supply box) => Least(box.Wide!.Value / box.Columns, box.Deep!.Value / box.Rows);

    private static Length PlaceLong(Supply box) => Most(box.Wide!.Value / box.Columns, box.Deep!.Value / box.Rows);

    private static Length Least(Length a, Length b) => a < b ? a : b;

    private static Length Most(Length a, Length b) => a < b ? b : a;

    private static Problem Misfit(int index, Piece piece, Supply supply)
    {
        if (supply.Packs is PackKind.Bouquet)
            return new(
                $"packing[{index}].lines",
                Message.Of("packing.not-on-skewers", ("pieces", piece.Name)),
                "packing.not-on-skewers.do",
                Severity.Mind);
        var (wide, deep) = supply.Packs is PackKind.Grid
            ? (PlaceShort(supply), PlaceLong(supply))
            : (supply.Wide!.Value, supply.Deep!.Value);
        var tooHigh = piece.High > supply.High!.Value;
        return new(
            $"packing[{index}].lines",
            tooHigh
                ? Message.Of(
                    "packing.too-high",
                    ("pieces", piece.Name), ("high", piece.High), ("box", supply.Name), ("within", supply.High!.Value))
                : Message.Of(
                    "packing.too-large",
                    ("pieces", piece.Name), ("wide", piece.Short), ("long", piece.Longest),
                    ("box", supply.Name), ("placeWide", wide), ("placeLong", deep)),
            "packing.too-large.do",
            Severity.Mind);
    }

    private Piece PieceOf(LineTally tally, LineDraft draft)
    {
        var centre = tables.Centre(draft.Centre)!;
        var size = LineMaking.Of(draft, centre, centre.Size(draft.Size)!, tables).Size;
        var held = LineMaking.Held(draft, centre);
        var stick = tables.Wares.StickFor(centre, draft.Making?.On);
        var stands = held is { Holding: Holding.Stick } && (draft.Upright ?? held.Upright) && size.Shape.Thickness == size.Shape.Width;
        var laid = LineMaking.Lies(tally.Line, null, centre, size, tally.Count.Value, stands, draft, tables);
        var coats = tally.Coat * 2;
        var reach = stands && stick?.Long is { } l ? l.Value / 2 : default;
        return new(
            tally.Line,
            tally.Count.Value,
            centre.Called(size, tally.Count.Value),
            laid,
            laid.Width + coats,
            (stands ? laid.Width : laid.Length) + coats,
            (stands ? size.Shape.Length + reach : size.Shape.Thickness) + coats,
            stick?.Code == "skewer");
    }

    /// <summary>A line's pieces as they are packed.</summary>
    private sealed record Piece(int Line, int Count, string Name, Laid Laid, Length Wide, Length Long, Length High, bool OnSkewer)
    {
        public Length Short => Least(Wide, Long);

        public Length Longest => Most(Wide, Long);
    }
}

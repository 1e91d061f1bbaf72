using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Packing;
using Kondiba.Core.Pantry;
using Kondiba.Core.Wares;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What an order is packed in, and what goes where.</summary>
public sealed class PackingTests
{
    private static readonly LineDraft Skewered = Berries(8) with { Making = new(On: "skewer") };

    [Fact]
    public void A_mixed_dozen_has_its_share_of_each_in_every_box()
    {
        var plan = Plan([new("box-12", 1, 12)], Berries(16), Berries(8) with { Colour = "white" });

        Assert.Equal(2, plan.Packages.Count);
        Assert.All(plan.Packages, box => Assert.Equal([new(0, 8), new(1, 4)], box.Holds));
        Assert.Empty(plan.Problems);
        Assert.Empty(plan.Unpacked);
    }

    [Fact]
    public void Every_piece_is_packed_once_and_lies_within_and_apart()
    {
        LineDraft[] kinds =
        [
            Berries(), Line("strawberry", "S", 1), Line("truffle-ball", "one", 1), Line("sandwich-cookie", "plain", 1), Rods(1),
            Line("pretzel-twist", "mini", 1), Line("apple", "M", 1), Line("marshmallow", "one", 1), Skewered,
        ];
        var known = kinds.Where(k => Tables.Reference.Centre(k.Centre)?.Size(k.Size) is not null).ToArray();
        var some = Gen.Select(Gen.OneOfConst(known), Gen.Int[1, 40]).Select(l => l.Item1 with { Amount = l.Item2 }).Array[1, 5];
        var supplies = Gen.OneOfConst("box-12", "box-6", "tray-box", "bag", "film");
        Gen.Select(some, Gen.Select(supplies, Gen.Int[1, 24]).Array[0, 3]).Sample((lines, packing) =>
        {
            var order = Order(null, lines) with { Packing = [.. packing.Select(p => new PackingDraft(p.Item1, 1, p.Item2))] };
            var tally = CoatingTally.For(order, Tables, Now);
            var plan = PackingPlan.For(order, tally, Tables.Reference);

            foreach (var line in tally.Lines)
                Assert.Equal(
                    line.Count.Value,
                    plan.Packages.Sum(p => p.Holds.Where(h => h.Line == line.Line).Sum(h => h.Count))
                        + plan.Unpacked.Where(u => u.Line == line.Line).Sum(u => u.Count));
            foreach (var box in plan.Packages.Where(p => p.Kind is PackKind.Grid or PackKind.Flat))
            {
                Assert.All(box.Pieces, p => Assert.True(Fits(box, p, lines[p.Line])));
                foreach (var (n, a) in box.Pieces.Index())
                    foreach (var b in box.Pieces.Take(n))
                        Assert.False(Touch(a, b, lines), $"{lines[a.Line].Centre} on {lines[b.Line].Centre}");
            }
        });
    }

    [Fact]
    public void What_a_suggestion_packs_is_all_packed_and_bought()
    {
        LineDraft[] lines = [Berries(26), Rods(10), Skewered, Line("apple", "M", 5)];
        var plan = Plan([], lines);
        var taken = Order(null, lines) with { Packing = plan.Suggested! };
        var tally = CoatingTally.For(taken, Tables, Now);
        var packed = PackingPlan.For(taken, tally, Tables.Reference);

        Assert.Empty(packed.Unpacked);
        Assert.Empty(packed.Problems);
        Assert.Equal(
            [("bag", 15), ("box-6", 5), ("film", 1)],
            [.. Boxes(packed, tally, taken).OrderBy(b => b.Supply, StringComparer.Ordinal)]);
    }

    private static IEnumerable<(string Supply, int Count)> Boxes(PackingPlan packed, CoatingTally tally, OrderDraft order)
    {
        var needs = Need.Of(order, tally, Tables.Reference).ToDictionary(n => n.Ware, n => n.ToHave.Value);
        foreach (var (supply, count) in packed.Packages.CountBy(p => p.Supply))
        {
            if (supply != "film")
                Assert.Equal(count, needs[$"supply.{supply}"]);
            yield return (supply, count);
        }
    }

    [Fact]
    public void Skewers_are_bound_in_fours_and_film_goes_round_them()
    {
        var berries = Skewered with { Amount = 10 };
        var plan = Plan([new("film", 0.5, 10)], berries);
        var bouquet = Assert.Single(plan.Packages);
        Assert.Equal([4, 4, 2], bouquet.Bouquet!.Groups);
        Assert.Equal(2, bouquet.Bouquet.Ribbon.Value.In("m"), 6);

        // Round a disc in which ten discs, a berry and its coat wide, take 78 % of the room; and a third more.
        var wide = Size(berries).Shape.Width.In("mm") + (2 * Tally(null, berries).Lines[0].Coat.In("mm"));
        var disc = 10 * Math.PI / 4 * wide * wide / 0.78;
        Assert.Equal(Math.Sqrt(4 * Math.PI * disc) * 1.3, bouquet.Bouquet.Film.Value.In("mm"), 6);
    }

    [Fact]
    public void What_does_not_fit_is_told_with_what_to_do()
    {
        var rods = Plan([new("box-12", 1, 12)], Rods(12));
        Assert.Equal("packing.too-large", Assert.Single(rods.Problems).Reason.Code);
        Assert.Equal(12, Assert.Single(rods.Unpacked).Count);
        Assert.Contains(rods.Suggested!, p => p.Supply == "bag");

        var full = Plan([new("tray-box", 1, 200)], Line("strawberry", "XL", 200));
        Assert.Equal("packing.box-takes", Assert.Single(full.Problems).Reason.Code);
        Assert.True(full.Packages.Count > 1);
    }

    [Fact]
    public void Pieces_lie_where_the_maker_moved_them_until_the_order_changes()
    {
        PackingDraft[] packing = [new("box-6", 1, 6)];
        var (dark, white) = (Berries(3), Berries(3) with { Colour = "white" });
        IReadOnlyList<IReadOnlyList<int>> moved = [[0, 0, 0, 1, 1, 1]];

        var kept = Plan(packing, moved, dark, white);
        Assert.True(kept.Moved);
        Assert.Equal(moved[0], kept.Packages[0].Cells);

        var changed = Plan(packing, moved, dark, white with { Amount = 2 });
        Assert.False(changed.Moved);
        Assert.Equal("packing.order-changed-since", Assert.Single(changed.Problems).Reason.Code);
        Assert.Equal(Severity.Mind, changed.Problems[0].Severity);
    }

    private static PackingPlan Plan(IReadOnlyList<PackingDraft> packing, params LineDraft[] lines) => Plan(packing, null, lines);

    private static PackingPlan Plan(
        IReadOnlyList<PackingDraft> packing, IReadOnlyList<IReadOnlyList<int>>? boxes, params LineDraft[] lines)
    {
        var order = Order(null, lines) with { Packing = packing, Boxes = boxes };
        return PackingPlan.For(order, CoatingTally.For(order, Tables, Now), Tables.Reference);
    }

    private static bool Fits(Package box, PackedPiece piece, LineDraft line)
    {
        var (w, l) = Room(line);
        return new[] { (w, l), (l, w) }.Any(r =>
            piece.X.Si >= (r.Item1 / 2) - 1e-9 && piece.X.Si <= box.Wide.Si - (r.Item1 / 2) + 1e-9
            && piece.Y.Si >= (r.Item2 / 2) - 1e-9 && piece.Y.Si <= box.Deep.Si - (r.Item2 / 2) + 1e-9);
    }

    // Round pieces by their circles, long ones by their sides: none lies on another.
    private static bool Touch(PackedPiece a, PackedPiece b, LineDraft[] lines)
    {
        var ((wa, la), (wb, lb)) = (Room(lines[a.Line]), Room(lines[b.Line]));
        var (dx, dy) = (Math.Abs(a.X.Si - b.X.Si), Math.Abs(a.Y.Si - b.Y.Si));
        return dx < ((wa + wb) / 2) - 1e-9 && dy < ((la + lb) / 2) - 1e-9
            && dx < ((Math.Min(wa, la) + Math.Min(wb, lb)) / 2) - 1e-9;
    }

    private static (double Wide, double Long) Room(LineDraft line) => (Size(line).Shape.Width.Si, Size(line).Shape.Length.Si);
}

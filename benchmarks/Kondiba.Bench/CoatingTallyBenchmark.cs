using BenchmarkDotNet.Attributes;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Bench;

/// <summary>Orders that go through every centre and size in turn, every pot thinned with flakes.</summary>
public static class BenchOrders
{
    private const string Coating = "compound-wafer-hot-flow";

    public static OrderDraft Of(int lines, int colours)
    {
        var codes = ReferenceData.Shipped.Coating(Coating)!.Colours.Take(colours).Select(c => c.Code).ToList();
        var sizes = ReferenceData.Shipped.Centres.SelectMany(c => c.Sizes.Select(s => (Centre: c, Size: s))).ToList();
        return new(
            [
                .. Enumerable.Range(
                    0, lines).Select(i => (sizes[i % sizes.Count].Centre, sizes[i % sizes.Count].Size, I: i)).Select(p => new LineDraft(
                    p.Centre.Code,
                    p.Size.Code,
                    12 + p.I,
                    CountedIn.Pieces,
                    Coating,
                    codes[p.I % colours],
                    p.Centre.Depths[p.I % p.Centre.Depths.Count].Si,
                    Math.Max(p.Centre.LeastCoats, 1 + (p.I % 2)))),
            ])
        {
            Name = "bench",
            Pickup = new LocalDateTime(2031, 5, 3, 10, 0),
            Pots = codes.ToDictionary(c => $"{Coating}.{c}", _ => new PotDraft(null, "flakes", null)),
        };
    }

    /// <summary>The same with a pattern and sprinkles on every line.</summary>
    public static OrderDraft Decorated(int lines, int colours)
    {
        var (plain, patterns) = (Of(lines, colours), ReferenceData.Shipped.Decor.Patterns);
        return plain with
        {
            Lines =
            [
                .. plain.Lines.Select((line, i) => line with
                {
                    Decor = Decor.None with
                    {
                        Patterns = [
                            new(
                                patterns[i % patterns.Count].Code,
                                Coating,
                                "white",
                                patterns[i % patterns.Count].Usual,
                                null,
                                1.8,
                                i,
                                0,
                                "R7"),
                        ],
                        Sprinkles = [new("nonpareils", Side.Tip, 0.5)],
                    },
                }),
            ],
        };
    }
}

[MemoryDiagnoser]
public class CoatingTallyBenchmark
{
    private readonly OrderDraft twenty = BenchOrders.Of(20, 5);
    private readonly OrderDraft sixty = BenchOrders.Of(60, 8);

    [Benchmark(Description = "preview of 20 lines in 5 colours")]
    public CoatingTally Twenty() => CoatingTally.For(twenty, KitchenTables.Shipped, default);

    [Benchmark(Description = "preview of 60 lines in 8 colours")]
    public CoatingTally Sixty() => CoatingTally.For(sixty, KitchenTables.Shipped, default);
}

[MemoryDiagnoser]
public class LookBenchmark
{
    private readonly OrderDraft decorated = BenchOrders.Decorated(20, 5);

    [Benchmark(Description = "preview of 20 decorated lines, every pattern")]
    public CoatingTally Decorated() => CoatingTally.For(decorated, KitchenTables.Shipped, default);
}

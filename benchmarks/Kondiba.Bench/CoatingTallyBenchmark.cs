using BenchmarkDotNet.Attributes;
using Kondiba.Core.Amounts;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Bench;

/// <summary>An order of 20 lines that uses every centre and size, in five colours.</summary>
public static class TwentyLines
{
    private static readonly string[] Colours = ["dark", "midnight", "teal", "coral", "white"];

    public static OrderDraft Order { get; } = new(
        "bench",
        new LocalDateTime(2031, 5, 3, 10, 0),
        "",
        [
            .. TradeTables.Shipped.Centres.SelectMany(c => c.Sizes.Select(s => (c, s))).Concat(TradeTables.Shipped.Centres.SelectMany(c => c.Sizes.Select(s => (c, s)))).Take(20)
                .Select((p, i) => new LineDraft(p.c.Code, p.s.Code, 12 + i, Colours[i % Colours.Length], p.c.Code == "pretzel-rod" ? 0.33 : 0.5 + (i % 3 * 0.1), 1 + (i % 2))),
        ],
        new Dictionary<string, string>());
}

public class CoatingTallyBenchmark
{
    private readonly OrderDraft order = TwentyLines.Order;

    [Benchmark(Description = "coating tally of 20 lines")]
    public CoatingTally Tally() => CoatingTally.For(order, TradeTables.Shipped, default);
}

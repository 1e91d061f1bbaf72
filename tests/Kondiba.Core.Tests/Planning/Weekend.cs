using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests;

/// <summary>A full weekend: ten orders, four hundred pieces, eight colours, planned on Thursday morning.</summary>
public static class Weekend
{
    /// <summary>Thursday, 8 o'clock.</summary>
    public static LocalDateTime Now { get; } = new(2031, 5, 1, 8, 0);

    public static IReadOnlyList<PlannedOrder> Orders { get; } =
    [
        Order("regatta", 2, 10, Dipped("strawberry", "L", 24, "dark", 0.75, "white"), Dipped("pretzel-rod", "one", 18, "teal", 0.5)),
        Order(
            "choir", 2, 11, Dipped("pretzel-rod", "one", 18, "midnight", 0.5, "silver"), Dipped("marshmallow", "one", 24, "silver", 0.66)),
        Order(
            "chess",
            2,
            12,
            Dipped("sandwich-cookie", "double", 16, "dark", 1, "white"),
            Dipped("sandwich-cookie", "double", 16, "white", 1, "dark")),
        Order(
            "meteors",
            2,
            14,
            Dipped("strawberry", "L", 24, "midnight", 0.75, "silver"),
            Dipped("pretzel-twist", "mini", 24, "midnight", 1)),
        Order("lighthouse", 2, 16, Dipped("sandwich-cookie", "thin", 24, "coral", 1, "white")),
        Order("harbour", 2, 18, Dipped("strawberry", "XL", 18, "teal", 0.66, "white"), Dipped("pretzel-twist", "full", 18, "lime", 1)),
        Order("orchids", 3, 10, Dipped("sandwich-cookie", "thin", 30, "plum", 1, "lime"), Dipped("strawberry", "M", 24, "plum", 0.75)),
        Order("sailors", 3, 11, Dipped("pretzel-rod", "one", 24, "coral", 0.33)),
        Order("dome", 3, 13, Dipped("pretzel-twist", "mini", 36, "silver", 1), Dipped("marshmallow", "one", 14, "midnight", 0.5)),
        Order("ferry", 3, 15, Dipped("strawberry", "L", 24, "dark", 0.75, "white"), Dipped("sandwich-cookie", "thin", 24, "teal", 1)),
    ];

    public static PlanRequest Request { get; } = new(Orders, KitchenTables.Shipped, Arrangements.None, Now);

    /// <summary>
    /// Another weekend of as many orders, pieces and colours: the same lines in other orders, other colours and at other hours.
    /// </summary>
    public static PlanRequest Like(int seed)
    {
        var random = new Random(seed);
        var colours = Orders.SelectMany(o => o.Draft.Lines)
            .SelectMany(l => l.Decor?.Patterns.Select(p => p.Colour).Append(l.Colour) ?? [l.Colour])
            .OfType<string>()
            .Distinct()
            .ToArray();
        var dyed = colours.Zip(colours.OrderBy(_ => random.Next()).ToList()).ToDictionary(c => c.First, c => c.Second);
        LineDraft Dyed(LineDraft line) => line with
        {
            Colour = dyed[line.Colour!],
            Decor = line.Decor is { } decor
                ? decor with { Patterns = [.. decor.Patterns.Select(p => p with { Colour = dyed[p.Colour!] })] }
                : null,
        };
        var lines = new Queue<LineDraft>(Orders.SelectMany(o => o.Draft.Lines).Select(Dyed).OrderBy(_ => random.Next()));
        return Request with
        {
            Orders = [
                .. Orders.Select(o => o with { Draft = o.Draft with { Pickup = Now.Date.PlusDays(random.Next(2, 4))
                    .At(new LocalTime(random.Next(10, 19), 0)), Lines = [.. o.Draft.Lines.Select(_ => lines.Dequeue())] } }),
            ],
        };
    }

    /// <summary>Ten days before a fair: sixty orders, two thousand pieces.</summary>
    public static PlanRequest Fair()
    {
        const int Weekends = 6, Days = 10;
        const double Fewer = 0.8;
        var random = new Random(60);
        return Request with
        {
            Orders = [
                .. Enumerable.Range(1, Weekends).SelectMany(seed => Like(seed).Orders.Select(o => o with
                {
                    Code = $"{o.Code}{seed}",
                    Draft = o.Draft with
                    {
                        Pickup = Now.Date.PlusDays(1 + random.Next(Days)).At(new LocalTime(random.Next(10, 19), 0)),
                        Lines = [.. o.Draft.Lines.Select(l => l with { Amount = Math.Round(l.Amount * Fewer) })],
                    },
                })),
            ],
        };
    }

    public static PlannedOrder Order(string code, int days, int hour, params LineDraft[] lines) =>
        new(code, new(lines) { Name = code, Pickup = Now.Date.PlusDays(days).At(new LocalTime(hour, 0)) });

    public static LineDraft Dipped(string centre, string size, int count, string colour, double depth, string? lines = null) =>
        Tests.Orders.Line(centre, size, count, colour, depth) with
        {
            Decor = lines is null ? null : Decor.None with { Patterns = [new("lines", Tests.Orders.Wafers, lines, 6, null, 1.6, 30)] },
        };
}

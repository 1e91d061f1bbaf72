using Kondiba.Core.Logbook;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Tests.Logbook;

/// <summary>Batches for tests, short to write.</summary>
internal static class Logged
{
    public static LocalDate Day { get; } = new(2031, 4, 12);

    public static Batch Rods(int made = 24, int spoilt = 0, string coating = Orders.Wafers) => new()
    {
        MadeOn = Day,
        Coating = coating,
        Colour = "midnight",
        Vessel = "tall-glass",
        Pieces = [new("pretzel-rod", "one", 0.33, made, spoilt)],
        Drying = [],
        Wrong = [],
    };

    /// <summary>A batch that took so many times the coating that the tables say, weighed to the gram.</summary>
    public static LoggedBatch Taking(double times, Batch? batch = null, KitchenTables? taught = null, int day = 0)
    {
        var of = (batch ?? Rods()) with { MadeOn = Day.PlusDays(day) };
        var expected = BatchExpected.Of(of, KitchenTables.Shipped, (taught ?? KitchenTables.Shipped).Learned);
        return Weighed(new(Guid.NewGuid(), of, expected), times);
    }

    /// <summary>The same batch anew, having taken so many times the coating that the tables say.</summary>
    public static LoggedBatch Weighed(LoggedBatch like, double times)
    {
        const double Before = 900;
        var after = Before - (like.Expected.ByTables * times) - like.Expected.Tools;
        return like with { Id = Guid.NewGuid(), Batch = like.Batch with { Before = Before, After = after } };
    }

    public static KitchenTables Taught(params LoggedBatch[] batches) => Lessons.Taught(KitchenTables.Shipped, batches, new());
}

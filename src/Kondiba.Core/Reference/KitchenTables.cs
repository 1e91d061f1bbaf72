using Kondiba.Core.Learning;
using Kondiba.Core.Steps;

namespace Kondiba.Core.Reference;

/// <summary>
/// By what a kitchen computes: the trade's tables with its own things in place, how it works and what it has in its pantry.
/// </summary>
/// <param name="Reference">The trade's tables with the kitchen's own things.</param>
/// <param name="Profile">How it goes about its work.</param>
/// <param name="Stock">What is in its pantry.</param>
/// <param name="Learned">What its batches have taught.</param>
public sealed record KitchenTables(ReferenceData Reference, KitchenProfile Profile, Stock Stock, Learned Learned)
{
    /// <summary>A kitchen about which nothing has been told, with an empty pantry.</summary>
    public static KitchenTables Shipped { get; } = new(
        ReferenceData.Shipped,
        KitchenProfile.Usual(ReferenceData.Shipped),
        Stock.None,
        Learned.Nothing(ReferenceData.Shipped.Learning));

    /// <summary>How much longer a stage takes here than in the trade's tables: as the maker set it, and as batches have shown.</summary>
    public double PaceOf(Stage stage) => Profile.Working.PaceOf(stage) * Learned.Pace.Of(Working.NameOf(stage)).Mean;
}

namespace Kondiba.Core.Reference;

/// <summary>
/// By what a kitchen computes: the trade's tables with its own things in place, how it works and what it has in its pantry.
/// </summary>
/// <param name="Reference">The trade's tables with the kitchen's own things.</param>
/// <param name="Profile">How it goes about its work.</param>
/// <param name="Stock">What is in its pantry.</param>
public sealed record KitchenTables(ReferenceData Reference, KitchenProfile Profile, Stock Stock)
{
    /// <summary>A kitchen about which nothing has been told, with an empty pantry.</summary>
    public static KitchenTables Shipped { get; } = new(ReferenceData.Shipped, KitchenProfile.Usual(ReferenceData.Shipped), Stock.None);
}

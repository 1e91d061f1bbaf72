using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>
/// What dipping a pot's pieces one way, in one vessel, costs besides the coating on them. Ways and vessels are chosen by it.
/// </summary>
/// <param name="Left">Coating left over at the end.</param>
/// <param name="WrittenOff">Worth of the part of it that does not come back.</param>
/// <param name="Dipping">Time of the hands over the pot.</param>
/// <param name="Melting">Time of the hands for further melts after the first.</param>
/// <param name="Hands">Both times.</param>
/// <param name="Labour">Worth of both times.</param>
/// <param name="Total">All of it.</param>
public sealed record PotCost(Mass Left, Money WrittenOff, Duration Dipping, Duration Melting, Duration Hands, Money Labour, Money Total)
{
    /// <summary>Of a pot that nothing is dipped in.</summary>
    internal static PotCost Nothing { get; } = new(default, default, Duration.Zero, Duration.Zero, Duration.Zero, default, default);

    /// <summary>Adds it up. One piece more never costs a whole melt: a further one counts in full from a tenth of a vessel on.</summary>
    internal static PotCost Of(Mass left, Duration dipping, double melts, Coating coating, ReferenceData tables)
    {
        var c = tables.Pricing;
        var melting = c.Melt.Value * Further(melts - 1);
        var hands = dipping + melting;
        var (writtenOff, labour) = (WrittenOffOf(left, coating, tables), c.Hour.Value * hands.TotalHours);
        return new(left, writtenOff, dipping, melting, hands, labour, writtenOff + labour);
    }

    /// <summary>Worth of what is left over that does not come back.</summary>
    internal static Money WrittenOffOf(Mass left, Coating coating, ReferenceData tables) =>
        PricePerKilogram(coating, tables) * (left.Si * tables.Pricing.WrittenOff.Value.Si);

    /// <summary>Worth of so much of a coating.</summary>
    internal static Money WorthOf(Mass mass, Coating coating, ReferenceData tables) => PricePerKilogram(coating, tables) * mass.Si;

    private static double Further(double melts) => melts <= 0 ? 0 : Math.Floor(melts) + Math.Min(1, 10 * (melts - Math.Floor(melts)));

    internal List<WorkingLine> Working(Coating coating, ReferenceData tables) =>
    [
        WorkingLine.Of("amounts.left-over", "amounts.left-over.how", Left, Source.Computed),
        WorkingLine.Count(
            "amounts.kilogram-costs",
            "amounts.kilogram-costs.how",
            (double)PricePerKilogram(coating, tables).Amount,
            tables.Pricing.Hour.Source),
        WorkingLine.Of("amounts.what-left-written-off", tables.Pricing.WrittenOff),
        WorkingLine.Of("amounts.dipping", "amounts.dipping.how", Dipping, Source.Computed),
        WorkingLine.Of(
            "amounts.further-melts",
            Message.Of("amounts.further-melts.how", ("melt", tables.Pricing.Melt.Value.TotalMinutes)),
            Melting,
            tables.Pricing.Melt.Source),
        WorkingLine.Count("amounts.hour", "", (double)tables.Pricing.Hour.Value.Amount, tables.Pricing.Hour.Source),
        WorkingLine.Count(
            "amounts.what-costs",
            Message.Of("amounts.what-costs.how", ("writtenOff", WrittenOff), ("labour", Labour)),
            (double)Total.Amount,
            Source.Computed),
    ];

    /// <summary>By its smallest pack; where no price is known, as the first coating that has one.</summary>
    private static Money PricePerKilogram(Coating coating, ReferenceData tables)
    {
        var pack = (coating.Packs.Count > 0
            ? coating
            : tables.Coatings.FirstOrDefault(c => c.Packs.Count > 0))?.Packs.MinBy(p => p.Mass.Value.Si);
        return pack is null ? default : pack.Price.Value * (1 / pack.Mass.Value.Si);
    }
}

using Kondiba.Core.Facts;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Pricing;

/// <summary>A price that is shipped as an example, until the maker enters what is paid here. Nobody is quoted on it.</summary>
/// <param name="Code">Of the ware; of the coating, whose packs all its colours come in; "hour" for the maker's hour.</param>
/// <param name="Name">In words.</param>
public sealed record SamplePrice(string Code, Message Name)
{
    /// <summary>Code of what an hour of the maker's is worth.</summary>
    public const string Hour = "hour";

    /// <summary>Which of a kitchen's prices that an order is costed with are examples.</summary>
    /// <param name="wares">Codes of the wares that the order takes.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static IReadOnlyList<SamplePrice> Among(IEnumerable<string> wares, ReferenceData tables) =>
    [
        .. wares.Select(code => tables.Ware(code)!).Where(IsSample).Select(w => Of(w, tables)).DistinctBy(s => s.Code),
        .. tables.Pricing.Hour.Source.Tag is Tag.Entered ? [] : new[] { new SamplePrice(Hour, "pricing.hour") },
    ];

    /// <summary>Whether what a ware costs is an example, or not known at all.</summary>
    public static bool IsSample(Ware ware) => !ware.Packs.Any(p => p.Price.Source.Tag is Tag.Entered);

    private static SamplePrice Of(Ware ware, ReferenceData tables) =>
        tables.Coatings.FirstOrDefault(c => ware.Code.StartsWith($"coating.{c.Code}.", StringComparison.Ordinal)) is { } coating
            ? new($"coating.{coating.Code}", Message.ByName(coating.Name))
            : new(ware.Code, Message.ByName(ware.Name));
}

using Kondiba.Core.Orders;
using NodaTime;

namespace Kondiba.Core.QuickEntry;

/// <summary>What a text says of the whole order; null or empty where it says nothing.</summary>
/// <param name="Name">Whom or what it is for.</param>
/// <param name="Day">The day of the pickup.</param>
/// <param name="Time">Its time.</param>
/// <param name="Handover">Whether it is collected or brought.</param>
/// <param name="Place">Where.</param>
/// <param name="Packing">What it is packed in.</param>
/// <param name="Allergies">Names of allergens that must not be in it.</param>
/// <param name="Chips">What was understood of all this: "for", "day", "time", "handover", "place", "packing", "allergy".</param>
public sealed record EntryOrder(
    string? Name,
    LocalDate? Day,
    LocalTime? Time,
    Handover? Handover,
    string? Place,
    IReadOnlyList<PackingDraft> Packing,
    IReadOnlyList<string> Allergies,
    IReadOnlyList<Chip> Chips);

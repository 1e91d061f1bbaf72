using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>An order as typed; nothing about it need be right yet.</summary>
/// <param name="Name">Whom or what it is for.</param>
/// <param name="Pickup">When it is collected, by the kitchen's clock.</param>
/// <param name="Notes">Anything else.</param>
/// <param name="Lines">What is wanted.</param>
/// <param name="Vessels">Vessel chosen for a colour, by code; a colour left out gets the vessel that wants least coating.</param>
public sealed record OrderDraft(
    string? Name,
    LocalDateTime? Pickup,
    string? Notes,
    IReadOnlyList<LineDraft> Lines,
    IReadOnlyDictionary<string, string> Vessels);

/// <summary>A line of an order as typed.</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Count">Pieces wanted.</param>
/// <param name="Colour">Code of the coating colour.</param>
/// <param name="Depth">Dip depth, the share of the centre's length that is covered.</param>
/// <param name="Coats">One coat, or more for a double dip.</param>
public record LineDraft(string? Centre, string? Size, int Count, string? Colour, double Depth, int Coats);

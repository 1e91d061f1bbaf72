using System.Text.Json.Serialization;
using NodaTime;

namespace Kondiba.Core.Logbook;

/// <summary>What the film of a batch looked like.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<FilmLook>))]
public enum FilmLook
{
    /// <summary>The piece showed through.</summary>
    [JsonStringEnumMemberName("thin")]
    Thin,

    /// <summary>As it should be.</summary>
    [JsonStringEnumMemberName("right")]
    Right,

    /// <summary>Heavier than it should be.</summary>
    [JsonStringEnumMemberName("thick")]
    Thick,

    /// <summary>Some of it heavy, some of it thin.</summary>
    [JsonStringEnumMemberName("uneven")]
    Uneven,
}

/// <summary>Pieces of one kind in a batch.</summary>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Depth">Dip depth, the share of its length that is covered.</param>
/// <param name="Made">Good ones.</param>
/// <param name="Spoilt">Ones that went wrong.</param>
/// <param name="Coats">Coats of it.</param>
/// <param name="AtOnce">Whether further coats were dipped over the wet one.</param>
/// <param name="Upright">Whether they stood while they set; null for the way that centre usually does.</param>
/// <param name="PerPiece">
/// Coating on one by the tables, in g, where it comes from an order's plan, which knows more of it; null to be computed.
/// </param>
public sealed record BatchPieces(
    string Centre,
    string Size,
    double Depth,
    int Made,
    int Spoilt = 0,
    int Coats = 1,
    bool AtOnce = false,
    bool? Upright = null,
    double? PerPiece = null)
{
    /// <summary>All that were dipped.</summary>
    [JsonIgnore]
    public int Dipped => Made + Spoilt;
}

/// <summary>How long the pieces of a batch took to set in a place.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="TouchDry">Minutes until no longer tacky; null when nobody looked.</param>
/// <param name="Hard">Minutes until they could be handled; null likewise.</param>
public sealed record BatchDrying(string Place, double? TouchDry = null, double? Hard = null);

/// <summary>Something that went wrong in a batch.</summary>
/// <param name="Sign">Code of what was seen.</param>
/// <param name="Pieces">On how many pieces; null when nobody counted.</param>
/// <param name="Cause">Code of what it was; null when it is not known.</param>
public sealed record BatchTrouble(string Sign, int? Pieces = null, string? Cause = null);

/// <summary>A pot that was melted and dipped from, as the maker logs it. Masses in g, temperatures in °C, times in min.</summary>
public sealed record Batch
{
    /// <summary>Most pieces of one kind.</summary>
    public const int MostPieces = 2000;

    /// <summary>The day it was made on.</summary>
    public required LocalDate MadeOn { get; init; }

    /// <summary>Name of the order that it was for.</summary>
    public string? Order { get; init; }

    /// <summary>The order that it was for, where it is one of the kitchen's.</summary>
    public Guid? OrderId { get; init; }

    /// <summary>Code of the coating.</summary>
    public required string Coating { get; init; }

    /// <summary>Code of its colour.</summary>
    public required string Colour { get; init; }

    /// <summary>Code of the vessel that was dipped in; null for the one that Kondiba would choose.</summary>
    public string? Vessel { get; init; }

    /// <summary>Code of the thinner, or "none"; null for the kitchen's habit.</summary>
    public string? Thinner { get; init; }

    /// <summary>What was dipped.</summary>
    public required IReadOnlyList<BatchPieces> Pieces { get; init; }

    /// <summary>In the pot before the first dip, thinner too.</summary>
    public double? Before { get; init; }

    /// <summary>Melted and added later.</summary>
    public double? Added { get; init; }

    /// <summary>Left in the pot after the last dip.</summary>
    public double? After { get; init; }

    /// <summary>Taken out of the pot for drizzle.</summary>
    public double? Bags { get; init; }

    /// <summary>Temperature of the coating when dipping began.</summary>
    public double? DippedAt { get; init; }

    /// <summary>Temperature of the room.</summary>
    public double? Room { get; init; }

    /// <summary>Relative humidity of the room, as a share.</summary>
    public double? Humidity { get; init; }

    /// <summary>Code of what it was melted by; null for the kitchen's way.</summary>
    public string? Method { get; init; }

    /// <summary>Until it was melted, stirring too.</summary>
    public double? MeltMinutes { get; init; }

    /// <summary>Of dipping, from the first piece to the last.</summary>
    public double? DipMinutes { get; init; }

    /// <summary>How long the pieces took to set.</summary>
    public required IReadOnlyList<BatchDrying> Drying { get; init; }

    /// <summary>What the film looked like.</summary>
    public FilmLook? Film { get; init; }

    /// <summary>What went wrong.</summary>
    public required IReadOnlyList<BatchTrouble> Wrong { get; init; }

    /// <summary>Anything else.</summary>
    public string? Note { get; init; }

    /// <summary>What to do differently next time.</summary>
    public string? Change { get; init; }

    /// <summary>Whether nothing is to be learned from it.</summary>
    public bool LeftOut { get; init; }

    /// <summary>Whether the maker was asked about something unlikely in it, and it was so.</summary>
    public bool Confirmed { get; init; }

    /// <summary>Key of the pot.</summary>
    [JsonIgnore]
    public string Pot => $"{Coating}.{Colour}";

    /// <summary>What went onto the pieces and stuck to the tools; null when the pot was not weighed twice.</summary>
    [JsonIgnore]
    public double? Used => Before is { } before && After is { } after ? before + (Added ?? 0) - after - (Bags ?? 0) : null;
}

/// <summary>A batch that is kept, with what was expected of it when it was logged.</summary>
/// <param name="Id">Which one.</param>
/// <param name="Batch">As the maker logged it.</param>
/// <param name="Expected">What the tables and the plan said of it.</param>
public sealed record LoggedBatch(Guid Id, Batch Batch, BatchExpected Expected);

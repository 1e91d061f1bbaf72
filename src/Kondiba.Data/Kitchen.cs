using Kondiba.Core.Wording;

namespace Kondiba.Data;

/// <summary>The units a kitchen reads.</summary>
public enum Units
{
    /// <summary>Grams, millimetres, °C.</summary>
    Metric,

    /// <summary>Ounces, inches, °F.</summary>
    Us,
}

/// <summary>A kitchen; every other row belongs to one.</summary>
public sealed class Kitchen
{
    public Guid Id { get; init; } = Guid.CreateVersion7();

    public required string Name { get; set; }

    /// <summary>The sample kitchen, invented and open to whoever reaches the address.</summary>
    public bool IsSample { get; init; }

    /// <summary>The units of its quotes, and of its people until they choose their own.</summary>
    public Units Units { get; set; }

    /// <summary>The English it reads.</summary>
    public Language Language { get; set; }

    /// <summary>How it writes numbers, dates and times: code of a shipped locale.</summary>
    public string Locale { get; set; } = Core.Wording.Locale.All[0].Code;

    /// <summary>What it is paid in: code of a shipped currency.</summary>
    public string Currency { get; set; } = Core.Wording.Currency.All[0].Code;

    /// <summary>IANA name of the zone the kitchen's clock shows.</summary>
    public required string TimeZone { get; set; }

    /// <summary>Number of the latest order.</summary>
    public int LastNumber { get; set; }

    /// <summary>
    /// Raised by the database in the transaction of any change to what the kitchen has told about itself: the same number, the same tables.
    /// </summary>
    public long ThingsRevision { get; private set; }

    /// <summary>The same of its pantry.</summary>
    public long StockRevision { get; private set; }
}

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

    public Units Units { get; set; }

    /// <summary>The English it reads.</summary>
    public Language Language { get; set; }

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

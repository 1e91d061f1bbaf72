using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;

namespace Kondiba.Core.Logbook;

/// <summary>What a batch already answers of the questions that tell causes of trouble apart.</summary>
public static class Evidence
{
    // A tablespoon to 250 g.
    private const double MuchThinner = 0.05;
    private const double LongChill = 1.5;
    private const double Humid = 0.6;
    private static readonly Temperature Warm = Quantities.Of<Temperature>(24, "°C");

    /// <summary>The answers, yes or no, by the question's code; what the batch does not tell is left out.</summary>
    /// <param name="logged">The batch.</param>
    /// <param name="tables">The kitchen's tables.</param>
    public static IReadOnlyDictionary<string, bool> Of(LoggedBatch logged, ReferenceData tables)
    {
        var (batch, expected) = (logged.Batch, logged.Expected);
        var answers = new Dictionary<string, bool>();
        if (tables.Coating(batch.Coating) is { } coating)
        {
            answers["tempers"] = coating.Temper is not null;
            var drops = coating.Colours.FirstOrDefault(c => c.Code == batch.Colour)?.Mixed?.Per100.Keys;
            if (drops?.Any(d => tables.Tint(d)?.Carrier is Carrier.Water) is true)
                answers["water"] = true;
            if (batch.DippedAt is { } at)
            {
                answers["cooler"] = at < coating.DipFrom.Value.In("°C");
                answers["hotter"] = at > coating.DipTo.Value.In("°C");
            }
        }

        answers["thinned"] = expected.ThinnerShare > 0;
        answers["thinned-much"] = expected.ThinnerShare > MuchThinner;
        if (batch.Pieces.Count > 0)
        {
            answers["one-coat"] = batch.Pieces.All(p => p.Coats == 1);
            answers["thick-coat"] = batch.Film is FilmLook.Thick || batch.Pieces.Any(p => p.Coats > 2);
        }

        if (batch.Room is { } room)
            answers["warm-room"] = room > Warm.In("°C");
        if (batch.Humidity is { } humidity)
            answers["humid"] = humidity > Humid;
        OfDrying(batch, expected, tables, answers);
        return answers;
    }

    private static void OfDrying(Batch batch, BatchExpected expected, ReferenceData tables, Dictionary<string, bool> answers)
    {
        foreach (var drying in batch.Drying)
        {
            if (tables.Setting.Places.FirstOrDefault(p => p.Code == drying.Place) is not { } place || place.Code == Place.Room)
                continue;
            answers["freezer"] = place.Air.Value.In("°C") < 0 || answers.GetValueOrDefault("freezer");
            if (drying.Hard is { } hard && expected.Drying.FirstOrDefault(d => d.Place == drying.Place)?.Hard is { } wanted)
                answers["long-chill"] = hard > LongChill * wanted || answers.GetValueOrDefault("long-chill");
        }
    }
}

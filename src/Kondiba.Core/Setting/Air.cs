using Kondiba.Core.Measures;

namespace Kondiba.Core.Setting;

/// <summary>Moist air.</summary>
public static class Air
{
    /// <summary>
    /// Dew point: what is colder gets wet. Magnus' formula over water with 17.62 and 243.12 °C (WMO-No. 8, guide to
    /// instruments and methods of observation), good from −45 to 60 °C.
    /// </summary>
    /// <param name="air">Temperature of the air.</param>
    /// <param name="humidity">Its relative humidity, above nothing.</param>
    public static Temperature DewPoint(Temperature air, Share humidity)
    {
        const double A = 17.62, B = 243.12;
        var t = air.In("°C");
        var g = Math.Log(humidity.Si) + (A * t / (B + t));
        return Quantities.Of<Temperature>(B * g / (A - g), "°C");
    }
}

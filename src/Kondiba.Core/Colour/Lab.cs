using static System.Math;

namespace Kondiba.Core.Colour;

/// <summary>A colour in CIELAB under D65 and the 2° observer.</summary>
/// <param name="L">Lightness, 0 black to 100 white.</param>
/// <param name="A">Green (negative) to red.</param>
/// <param name="B">Blue (negative) to yellow.</param>
public readonly record struct Lab(double L, double A, double B)
{
    /// <summary>How far from grey.</summary>
    public double Chroma => Sqrt((A * A) + (B * B));

    /// <summary>Chroma below which the eye sees a grey, a white or a brown tinge rather than a hue.</summary>
    private const double LeastHue = 12;

    /// <summary>Difference of hue in degrees from which two colours have names of their own: green is never near to purple.</summary>
    private const double OtherHue = 40;

    /// <summary>Whether two colours are of different hues, however near CIEDE2000 has them.</summary>
    public static bool OfOtherHue(Lab one, Lab two)
    {
        var apart = Abs(one.Hue - two.Hue);
        return one.Chroma > LeastHue && two.Chroma > LeastHue && Min(apart, 360 - apart) > OtherHue;
    }

    /// <summary>ΔE00, and beyond any of them for another hue: what recipes are compared by.</summary>
    internal static double Distance(Lab target, Lab look) => DeltaE(target, look) + (OfOtherHue(target, look) ? AnotherHue : 0);

    private const double AnotherHue = 1000;

    /// <summary>Hue angle in degrees, 0 to 360: about 40 red, 70 orange, 95 yellow, 140 green, 280 blue, 320 purple.</summary>
    public double Hue => Degrees(A, B);

    /// <summary>
    /// Colour difference CIEDE2000 with all parametric factors 1. Source: Sharma, Wu &amp; Dalal 2005, equations 2 to 22.
    /// </summary>
    public static double DeltaE(Lab one, Lab two)
    {
        var meanChroma7 = Seventh((one.Chroma + two.Chroma) / 2);
        var g = 0.5 * (1 - Sqrt(meanChroma7 / (meanChroma7 + Pow25To7)));
        var (a1, a2) = ((1 + g) * one.A, (1 + g) * two.A);
        var (c1, c2) = (Sqrt((a1 * a1) + (one.B * one.B)), Sqrt((a2 * a2) + (two.B * two.B)));
        var (h1, h2) = (Degrees(a1, one.B), Degrees(a2, two.B));

        var grey = c1 * c2 == 0;
        var turn = grey ? 0 : h2 - h1;
        if (Abs(turn) > 180)
            turn -= Sign(turn) * 360;
        var (lightness, chroma, hue) = (two.L - one.L, c2 - c1, 2 * Sqrt(c1 * c2) * Sin(Radians(turn / 2)));

        var (meanL, meanC) = ((one.L + two.L) / 2, (c1 + c2) / 2);
        var meanH = (grey, Apart: Abs(h1 - h2), Sum: h1 + h2) switch
        {
            (true, _, var sum) => sum,
            (_, <= 180, var sum) => sum / 2,
            (_, _, < 360 and var sum) => (sum + 360) / 2,
            var (_, _, sum) => (sum - 360) / 2,
        };
        var t = 1 - (0.17 * Cos(Radians(meanH - 30))) + (0.24 * Cos(Radians(2 * meanH))) + (0.32 * Cos(Radians((3 * meanH) + 6)))
            - (0.20 * Cos(Radians((4 * meanH) - 63)));
        var meanC7 = Seventh(meanC);
        var rotation = -Sin(Radians(60 * Exp(-Pow((meanH - 275) / 25, 2)))) * 2 * Sqrt(meanC7 / (meanC7 + Pow25To7));
        var (l, c, h) = (lightness / LightnessScale(meanL), chroma / (1 + (0.045 * meanC)), hue / (1 + (0.015 * meanC * t)));
        return Sqrt((l * l) + (c * c) + (h * h) + (rotation * c * h));
    }

    /// <summary>S_L of CIEDE2000 at a mean lightness.</summary>
    internal static double LightnessScale(double meanL)
    {
        var off = (meanL - 50) * (meanL - 50);
        return 1 + (0.015 * off / Sqrt(20 + off));
    }

    private const double Pow25To7 = 6103515625;

    private static double Seventh(double x) => x * x * x * (x * x * x) * x;

    private static double Radians(double degrees) => degrees * PI / 180;

    private static double Degrees(double a, double b)
    {
        if (a == 0 && b == 0)
            return 0;
        var angle = Atan2(b, a) * 180 / PI;
        return angle < 0 ? angle + 360 : angle;
    }
}

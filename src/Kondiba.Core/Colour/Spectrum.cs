using System.Collections.Concurrent;
using System.Globalization;
using System.Numerics;
using static System.Math;

namespace Kondiba.Core.Colour;

/// <summary>
/// Values over the visible wavelengths, 390 to 700 nm by 10 nm: a reflectance from 0 to 1, or K/S, which pigments add to.
/// Observer: CIE 1931 2°, by the approximation of Wyman, Sloan &amp; Shirley 2013; light: CIE D65.
/// </summary>
public static class Spectrum
{
    /// <summary>Number of samples.</summary>
    public const int Samples = 32;

    private const double First = 390;
    private const double Step = 10;

    /// <summary>Relative power of CIE standard illuminant D65. Source: ISO/CIE 11664-2.</summary>
    private static readonly double[] D65 =
    [
        54.6482, 82.7549, 91.4860, 93.4318, 86.6823, 104.865, 117.008, 117.812,
        114.861, 115.923, 108.811, 109.354, 107.802, 104.790, 107.689, 104.405,
        104.046, 100.000, 96.3342, 95.7880, 88.6856, 90.0062, 89.5991, 87.6987,
        83.2886, 83.6992, 80.0268, 80.2146, 82.2778, 78.2842, 69.7213, 71.6091,
    ];

    /// <summary>XYZ of the white that sRGB is relative to. Source: IEC 61966-2-1.</summary>
    private static readonly double[] White = [0.95047, 1, 1.08883];

    /// <summary>What a reflectance is weighed with for X, Y and Z; a reflectance of 1 comes to white exactly.</summary>
    private static readonly double[][] Weights = [Weigh(XBar, 0), Weigh(YBar, 1), Weigh(ZBar, 2)];

    private static readonly ConcurrentDictionary<string, double[]> Known = new();

    /// <summary>Whether a text is a colour as #rrggbb.</summary>
    public static bool IsSrgb(string? text) =>
        text is { Length: 7 }
            && text[0] == '#'
            && int.TryParse(text.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture, out _);

    /// <summary>The Lab of a colour as #rrggbb.</summary>
    public static Lab LabOf(string srgb)
    {
        var (r, g, b) = Linear(srgb);
        return LabOfXyz(
            (0.4124564 * r) + (0.3575761 * g) + (0.1804375 * b),
            (0.2126729 * r) + (0.7151522 * g) + (0.0721750 * b),
            (0.0193339 * r) + (0.1191920 * g) + (0.9503041 * b));
    }

    /// <summary>The colour as #rrggbb that comes closest to a Lab; what a screen cannot show is clipped.</summary>
    public static string SrgbOf(Lab lab)
    {
        var fy = (lab.L + 16) / 116;
        var (x, y, z) = (White[0] * Cube(fy + (lab.A / 500)), Cube(fy), White[2] * Cube(fy - (lab.B / 200)));
        return $"#{Byte((3.2404542 * x) - (1.5371385 * y) - (0.4985314 * z))}{Byte((-0.9692660 * x) + (1.8760108 * y) + (0.0415560 * z))}{Byte((0.0556434 * x) - (0.2040259 * y) + (1.0572252 * z))}";

        static double Cube(double f) => f > 6.0 / 29 ? f * f * f : 3 * 36.0 / 841 * (f - (4.0 / 29));
        static string Byte(double linear)
        {
            var v = linear <= 0.0031308 ? 12.92 * linear : (1.055 * Pow(linear, 1 / 2.4)) - 0.055;
            return ((int)Round(Clamp(v, 0, 1) * 255)).ToString("x2", CultureInfo.InvariantCulture);
        }
    }

    /// <summary>
    /// K/S of a coating that looks like a colour, of a smooth reflectance S(c₀λ² + c₁λ + c₂) that has that colour in daylight.
    /// Sources: the reflectance by Jakob &amp; Hanika 2019; K/S = (1 − R)²/(2R) by Kubelka &amp; Munk 1931.
    /// </summary>
    /// <param name="srgb">The colour as #rrggbb.</param>
    public static IReadOnlyList<double> AbsorptionOf(string srgb) =>
        Known.GetOrAdd(srgb.ToLowerInvariant(), s => [.. Reflectance(LabOf(s)).Select(r => (1 - r) * (1 - r) / (2 * r))]);

    /// <summary>How a coating of a K/S looks, opaque. Source: Kubelka &amp; Munk 1931, R = 1 + K/S − √((K/S)² + 2·K/S).</summary>
    public static Lab Look(ReadOnlySpan<double> absorption)
    {
        var (x, y, z) = (Vector<double>.Zero, Vector<double>.Zero, Vector<double>.Zero);
        for (var i = 0; i < Samples; i += Vector<double>.Count)
        {
            var ks = new Vector<double>(absorption[i..]);
            var r = Vector<double>.One + ks - Vector.SquareRoot(ks * (ks + new Vector<double>(2)));
            x += r * new Vector<double>(Weights[0], i);
            y += r * new Vector<double>(Weights[1], i);
            z += r * new Vector<double>(Weights[2], i);
        }

        return LabOfXyz(Vector.Sum(x), Vector.Sum(y), Vector.Sum(z));
    }

    /// <summary>L* of that look alone, which is quicker.</summary>
    internal static double Lightness(ReadOnlySpan<double> absorption)
    {
        var y = Vector<double>.Zero;
        for (var i = 0; i < Samples; i += Vector<double>.Count)
        {
            var ks = new Vector<double>(absorption[i..]);
            y += (Vector<double>.One + ks - Vector.SquareRoot(ks * (ks + new Vector<double>(2)))) * new Vector<double>(Weights[1], i);
        }

        return LightnessOf(Vector.Sum(y));
    }

    private static double[] Reflectance(Lab wanted)
    {
        // Gauss–Newton with damping on the three coefficients; the wavelength runs from 0 to 1, so they are of one size.
        double[] c = [0, 0, 0];
        var (error, damping) = (Off(c), 1e-3);
        for (var step = 0; step < 200 && Square(error) > 1e-10; step++)
        {
            var slopes = new double[3][];
            for (var i = 0; i < 3; i++)
            {
                var moved = (double[])c.Clone();
                moved[i] += 1e-5;
                var there = Off(moved);
                slopes[i] = [.. there.Zip(error, (t, e) => (t - e) / 1e-5)];
            }

            var (next, nextError) = (c, error);
            for (; damping < 1e9; damping *= 4)
            {
                var move = Solve(slopes, error, damping);
                next = [.. c.Zip(move, (v, m) => Clamp(v - m, -400, 400))];
                nextError = Off(next);
                if (Square(nextError) < Square(error))
                    break;
            }

            if (Square(nextError) >= Square(error))
                break;
            (c, error, damping) = (next, nextError, Max(damping / 16, 1e-9));
        }

        return Curve(c);

        double[] Off(double[] at)
        {
            var lab = LookOf(Curve(at));
            return [lab.L - wanted.L, lab.A - wanted.A, lab.B - wanted.B];
        }

        static double Square(double[] v) => v.Sum(x => x * x);
    }

    /// <summary>The sigmoid of a parabola over the wavelengths; kept off 0 and 1, which K/S cannot hold.</summary>
    private static double[] Curve(double[] c)
    {
        var curve = new double[Samples];
        for (var i = 0; i < Samples; i++)
        {
            var t = i / (Samples - 1.0);
            var x = (((c[0] * t) + c[1]) * t) + c[2];
            curve[i] = Clamp(0.5 + (x / (2 * Sqrt(1 + (x * x)))), 0.001, 0.9999);
        }

        return curve;
    }

    private static Lab LookOf(double[] reflectance)
    {
        double Of(int axis) => reflectance.Zip(Weights[axis], (r, w) => r * w).Sum();
        return LabOfXyz(Of(0), Of(1), Of(2));
    }

    /// <summary>Solves (JᵀJ + damping) m = Jᵀe by Cramer's rule; slopes are the columns of J.</summary>
    private static double[] Solve(double[][] slopes, double[] error, double damping)
    {
        double Dot(double[] u, double[] v) => (u[0] * v[0]) + (u[1] * v[1]) + (u[2] * v[2]);
        var m = new double[3, 3];
        double[] right = [.. slopes.Select(s => Dot(s, error))];
        for (var i = 0; i < 3; i++)
            for (var j = 0; j < 3; j++)
                m[i, j] = Dot(slopes[i], slopes[j]) * (i == j ? 1 + damping : 1);
        for (var i = 0; i < 3; i++)
            m[i, i] += 1e-12;

        double Det(double[,] a) => (a[0, 0] * ((a[1, 1] * a[2, 2]) - (a[1, 2] * a[2, 1])))
            - (a[0, 1] * ((a[1, 0] * a[2, 2]) - (a[1, 2] * a[2, 0])))
            + (a[0, 2] * ((a[1, 0] * a[2, 1]) - (a[1, 1] * a[2, 0])));
        var whole = Det(m);
        return
        [
            .. Enumerable.Range(0, 3).Select(column =>
            {
                var part = (double[,])m.Clone();
                for (var i = 0; i < 3; i++)
                    part[i, column] = right[i];
                return Det(part) / whole;
            }),
        ];
    }

    private static Lab LabOfXyz(double x, double y, double z)
    {
        var (fx, fy, fz) = (F(x / White[0]), F(y), F(z / White[2]));
        return new(LightnessOf(y), 500 * (fx - fy), 200 * (fy - fz));
    }

    private static double LightnessOf(double y) => (116 * F(y)) - 16;

    private static double F(double t) => t > 216.0 / 24389 ? Cbrt(t) : ((24389.0 / 27 * t) + 16) / 116;

    private static (double R, double G, double B) Linear(string srgb)
    {
        var rgb = int.Parse(srgb.AsSpan(1), NumberStyles.AllowHexSpecifier, CultureInfo.InvariantCulture);
        return (One(rgb >> 16), One(rgb >> 8), One(rgb));

        static double One(int channel)
        {
            var v = (channel & 0xff) / 255.0;
            return v <= 0.04045 ? v / 12.92 : Pow((v + 0.055) / 1.055, 2.4);
        }
    }

    private static double[] Weigh(Func<double, double> observer, int axis)
    {
        double[] raw = [.. Enumerable.Range(0, Samples).Select(i => observer(First + (Step * i)) * D65[i])];
        var sum = raw.Sum();
        return [.. raw.Select(w => w * White[axis] / sum)];
    }

    private static double XBar(double l) =>
        (1.056 * Lobe(l, 599.8, 37.9, 31.0)) + (0.362 * Lobe(l, 442.0, 16.0, 26.7)) - (0.065 * Lobe(l, 501.1, 20.4, 26.2));

    private static double YBar(double l) => (0.821 * Lobe(l, 568.8, 46.9, 40.5)) + (0.286 * Lobe(l, 530.9, 16.3, 31.1));

    private static double ZBar(double l) => (1.217 * Lobe(l, 437.0, 11.8, 36.0)) + (0.681 * Lobe(l, 459.0, 26.0, 13.8));

    private static double Lobe(double l, double centre, double below, double above)
    {
        var t = (l - centre) / (l < centre ? below : above);
        return Exp(-0.5 * t * t);
    }
}

using System.Numerics;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Colour;

/// <summary>Drops of a colour in a recipe.</summary>
/// <param name="Tint">Code of the colour.</param>
/// <param name="Per100">Drops in 100 g.</param>
/// <param name="InPot">Drops in the whole pot.</param>
public sealed record Drops(string Tint, int Per100, int InPot);

/// <summary>What one more drop in the pot would do.</summary>
/// <param name="Tint">Code of the colour.</param>
/// <param name="Srgb">How the pot would look, as #rrggbb.</param>
/// <param name="DeltaE">ΔE00 to the target then.</param>
public sealed record OneMore(string Tint, string Srgb, double DeltaE);

/// <summary>Parts of a coating's colour in a mix.</summary>
/// <param name="Colour">Code of the colour.</param>
/// <param name="Count">Parts by mass.</param>
public sealed record Parts(string Colour, int Count);

/// <summary>The best recipe for a target.</summary>
/// <param name="Drops">What goes into the base; nothing when the base is best as it is.</param>
/// <param name="Srgb">How the pot looks, as #rrggbb.</param>
/// <param name="DeltaE">ΔE00 of the pot, with its whole drops, to the target.</param>
/// <param name="Words">The same in words.</param>
/// <param name="Reached">Whether the target is reached from this base.</param>
/// <param name="OneMore">What one more drop of each colour at hand would do, best first.</param>
/// <param name="Warnings">What to mind, each in a sentence.</param>
public sealed record Recipe(
    IReadOnlyList<Drops> Drops,
    string Srgb,
    double DeltaE,
    Message Words,
    bool Reached,
    IReadOnlyList<OneMore> OneMore,
    IReadOnlyList<Message> Warnings)
{
    /// <summary>Most colours in one recipe.</summary>
    public const int MostColours = 3;

    /// <summary>
    /// Finds the recipe whose look in 100 g comes closest to the target, over every choice of at most three colours in whole
    /// drops up to the most that goes into 100 g, and of no other hue; of equal ones the one with fewer drops. Exact: what is left
    /// out is left out because drops only darken, and beyond the target's lightness each further one is farther off.
    /// </summary>
    /// <param name="target">The colour wanted.</param>
    /// <param name="baseSrgb">The coating it goes into, as #rrggbb.</param>
    /// <param name="atHand">Colours at hand.</param>
    /// <param name="pot">Coating in the pot.</param>
    /// <param name="c">Constants of mixing.</param>
    public static Recipe For(Lab target, string baseSrgb, IReadOnlyList<Tint> atHand, Mass pot, ColourConstants c)
    {
        var per100 = Search(target, baseSrgb, atHand, c);
        var hundreds = pot.In("g") / 100;
        var drops = atHand.Zip(per100, (tint, n) => (Tint: tint, Per100: n)).Where(d => d.Per100 > 0).ToList();
        Lab Look(IEnumerable<(Tint Tint, double InPot)> inPot) =>
            Mixing.Tinted(baseSrgb, inPot.Select(d => (d.Tint, d.InPot / hundreds)), c);
        var whole = InPot(target, drops, hundreds, Look, c);
        var look = Look(whole);
        var deltaE = Lab.DeltaE(target, look);
        var oneMore = atHand.Select(tint => (tint.Code, Look: Look([.. whole, (tint, 1)])))
            .Select(t => new OneMore(t.Code, Spectrum.SrgbOf(t.Look), Lab.DeltaE(target, t.Look))).OrderBy(m => m.DeltaE);

        List<Message> warnings = [];
        var total = per100.Sum();
        if (total >= c.HeavyFrom.Value.Si)
            warnings.Add(Message.Of("colour.many-drops", ("drops", total)));
        if (drops.Where(d => d.Tint.Carrier is Carrier.Water).Select(d => d.Tint.Name).ToList() is { Count: > 0 } watery)
            warnings.Add(Message.Of("colour.water-based", ("colours", Argument.Of(watery)), ("count", watery.Count)));
        if (drops.Any(d => Spectrum.LabOf(d.Tint.Swatch).Hue is > 230 and < 300) && Spectrum.LabOf(baseSrgb) is { B: > 8, L: > 70 })
            warnings.Add("colour.blue-on-ivory");
        return new(
            [.. drops.Zip(whole, (d, pot) => new Drops(d.Tint.Code, d.Per100, (int)pot.InPot))],
            Spectrum.SrgbOf(look),
            deltaE,
            Lab.OfOtherHue(target, look) ? c.Words(double.MaxValue) : c.Words(deltaE),
            Lab.Distance(target, look) < c.Reached.Value.Si,
            [.. oneMore],
            warnings);
    }

    /// <summary>
    /// Whole drops for the pot: the closest of those about the scaled recipe, a drop in 100 g more or less of each colour. A pot
    /// of several hundred grams can be met finer than 100 g can.
    /// </summary>
    private static List<(Tint Tint, double InPot)> InPot(
        Lab target, List<(Tint Tint, int Per100)> drops, double hundreds, Func<IEnumerable<(Tint, double)>, Lab> look, ColourConstants c)
    {
        const int Around = 4;
        var step = Math.Max(1, Math.Round(hundreds / Around));
        var best = (Drops: new List<(Tint, double)>(), Distance: double.MaxValue, Total: 0.0);
        void Try(List<(Tint Tint, double InPot)> chosen, double total)
        {
            if (total > c.Most.Value.Si * hundreds)
                return;
            if (chosen.Count == drops.Count)
            {
                var distance = Lab.Distance(target, look(chosen));
                if ((distance, total).CompareTo((best.Distance, best.Total)) < 0)
                    best = (chosen, distance, total);
                return;
            }

            var (tint, per100) = drops[chosen.Count];
            for (var off = -Around; off <= Around; off++)
            {
                if (Math.Round(per100 * hundreds) + (off * step) is >= 0 and var n)
                    Try([.. chosen, (tint, n)], total + n);
            }
        }

        Try([], 0);
        return best.Drops;
    }

    /// <summary>The best mix of ready-coloured coatings: at most three, in whole parts that add up to at most ten.</summary>
    /// <param name="target">The colour wanted.</param>
    /// <param name="colours">Codes and looks of the colours at hand; at least one.</param>
    /// <returns>Parts, their look as #rrggbb and its ΔE00 to the target; of equal ones that with fewer parts.</returns>
    public static (IReadOnlyList<Parts> Parts, string Srgb, double DeltaE) OfCoatings(
        Lab target, IReadOnlyList<(string Code, string Srgb)> colours)
    {
        var best = (Parts: new List<(int Colour, int Count)>(), Look: default(Lab), Distance: double.MaxValue, Count: 0);
        void Try(int from, List<(int Colour, int Count)> parts, int count)
        {
            if (count > 0)
            {
                var look = Mixing.Coatings([.. parts.Select(p => (colours[p.Colour].Srgb, (double)p.Count))]);
                var distance = Lab.Distance(target, look);
                if ((distance, count).CompareTo((best.Distance, best.Count)) < 0)
                    best = ([.. parts], look, distance, count);
            }

            if (parts.Count == MostColours)
                return;
            for (var i = from; i < colours.Count; i++)
                for (var n = 1; n <= MostParts - count; n++)
                    Try(i + 1, [.. parts, (i, n)], count + n);
        }

        Try(0, [], 0);
        return ([
            .. best.Parts.Select(p => new Parts(colours[p.Colour].Code, p.Count)),
        ], Spectrum.SrgbOf(best.Look), Lab.DeltaE(target, best.Look));
    }

    private const int MostParts = 10;

    private static int[] Search(Lab target, string baseSrgb, IReadOnlyList<Tint> atHand, ColourConstants c)
    {
        var most = (int)c.Most.Value.Si;
        double[][] perDrop = [.. atHand.Select(t => t.PerDrop(c.BrightWhite))];
        var (drops, best) = (new int[atHand.Count], new int[atHand.Count]);
        var (bestDistance, bestDrops) = (double.MaxValue, 0);
        var mixes = Enumerable.Range(0, MostColours + 1).Select(_ => new double[Spectrum.Samples]).ToArray();
        Spectrum.AbsorptionOf(baseSrgb).ToArray().CopyTo(mixes[0], 0);
        // Few colours first: what they reach leaves less to look at among many.
        for (var deepest = 0; deepest <= MostColours; deepest++)
            Try(deepest, 0, 0, 0);
        return best;

        // Whether adding any drop to this mix can only lead farther off than the best so far.
        bool Try(int deepest, int from, int colours, int total)
        {
            var lightness = Spectrum.Lightness(mixes[colours]);
            var far = Math.Abs(target.L - lightness) / Lab.LightnessScale((target.L + lightness) / 2) > bestDistance;
            var tooDark = far && lightness < target.L;
            if (!far && colours == deepest)
            {
                var distance = Lab.Distance(target, Spectrum.Look(mixes[colours]));
                if ((distance, total).CompareTo((bestDistance, bestDrops)) < 0)
                {
                    (bestDistance, bestDrops) = (distance, total);
                    drops.CopyTo(best, 0);
                }
            }

            if (tooDark || colours == deepest)
                return tooDark;
            for (var i = from; i < perDrop.Length; i++)
            {
                mixes[colours].CopyTo(mixes[colours + 1], 0);
                for (drops[i] = 1; drops[i] <= most - total; drops[i]++)
                {
                    Add(perDrop[i], mixes[colours + 1]);
                    if (Try(deepest, i + 1, colours + 1, total + drops[i]))
                        break;
                }

                drops[i] = 0;
            }

            return false;
        }
    }

    private static void Add(double[] more, double[] mix)
    {
        for (var i = 0; i < Spectrum.Samples; i += Vector<double>.Count)
            (new Vector<double>(mix, i) + new Vector<double>(more, i)).CopyTo(mix, i);
    }
}

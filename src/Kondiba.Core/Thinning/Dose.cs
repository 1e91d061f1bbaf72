using Kondiba.Core.Coatings;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;

namespace Kondiba.Core.Thinning;

/// <summary>How much thinner brings a coating's flow to target, as a rate; the pot's size makes grams of it.</summary>
/// <param name="Thinner">What goes in.</param>
/// <param name="Coating">What it goes into.</param>
/// <param name="Spoons">Tablespoons to <see cref="ThinningConstants.Per"/> of coating.</param>
/// <param name="Rate">Thinner as a share of the coating.</param>
/// <param name="Target">Film on a test dip that was asked for.</param>
/// <param name="Before">Film on a test dip without it.</param>
/// <param name="After">Film on a test dip with it.</param>
/// <param name="Wanted">The rate that would reach the target, were there no limit and no spoons; null when none does.</param>
public sealed record Dose(
    Thinner Thinner, Coating Coating, double Spoons, Share Rate, Length Target, Length Before, Length After, Share? Wanted)
{
    private const double MostLookedAt = 1.5;

    /// <summary>By how much it lowers the temperatures at which the coat sets.</summary>
    public TemperatureGap Softer => Thinner.Softens.Value * Rate.In("%");

    /// <summary>
    /// The least dose, in whole steps of spoons, that brings the film on a test dip down to the target; held at the last step
    /// under the limit when more would be wanted, and at the last one that still hides what is under the coat.
    /// </summary>
    /// <param name="coating">What is thinned.</param>
    /// <param name="thinner">What goes in.</param>
    /// <param name="target">Film on a test dip that is wanted.</param>
    /// <param name="film">Constants of the film model.</param>
    /// <param name="c">Constants of thinning.</param>
    /// <param name="hides">Whether a coat thinned at a rate still hides what is under it; null when it need not.</param>
    public static Dose For(
        Coating coating, Thinner thinner, Length target, FilmConstants film, ThinningConstants c, Func<Share, bool>? hides = null)
    {
        Length FilmAt(double rate) => TestFilm(coating, new(rate), film, c);
        var step = c.Step.Value.In("tbsp");
        var before = FilmAt(0);
        double? wanted = null;
        if (before <= target)
            wanted = 0;
        else if (FilmAt(MostLookedAt) <= target)
            wanted = Bisect(rate => FilmAt(rate) <= target);
        var steps = (int)Math.Ceiling(((wanted ?? MostLookedAt) / RateOf(1)) - 1e-9);
        steps = Math.Min(steps, (int)((c.Limit.Value.Si / RateOf(1)) + 1e-9));
        while (steps > 0 && hides?.Invoke(new(RateOf(steps))) is false)
            steps--;
        var rate = new Share(Math.Min(RateOf(steps), c.Limit.Value.Si));
        return new(thinner, coating, steps * step, rate, target, before, FilmAt(rate.Si), wanted is { } w ? new Share(w) : null);

        double RateOf(int steps) => steps * step * thinner.Tablespoon.Value.Si / c.Per.Value.Si;
    }

    /// <summary>Film on a test dip of a coating with so much thinner.</summary>
    public static Length TestFilm(Coating coating, Share rate, FilmConstants film, ThinningConstants c) =>
        Film.Thickness(Flow.Of(coating, rate, film), c.TestDip.Value, film).Film;

    private static double Bisect(Func<double, bool> enough)
    {
        var (low, high) = (0.0, MostLookedAt);
        for (var i = 0; i < 40; i++)
        {
            var middle = (low + high) / 2;
            (low, high) = enough(middle) ? (low, middle) : (middle, high);
        }

        return high;
    }
}

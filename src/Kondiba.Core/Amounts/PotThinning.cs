using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Thinning;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>Thins one colour's pot, and says how it flows.</summary>
internal static class PotThinning
{
    private const int MostSteps = 3;

    /// <summary>
    /// The dose of the thinner chosen, or of the kitchen's habit where the coating takes it; moulds and piping take none.
    /// </summary>
    public static Dose? DoseFor(
        Coatings.Coating coating, string key, IReadOnlyList<Dip> dips, PotDraft draft, KitchenTables tables, List<Problem> problems)
    {
        var habit = coating.Thinners.Contains(tables.Profile.Habits.Thinner ?? "") ? tables.Profile.Habits.Thinner : coating.Wants;
        var code = draft.Thinner ?? habit;
        var thinner = coating.Thinners.Contains(code ?? "") ? tables.Reference.Thinner(code) : null;
        if (thinner is null)
            return null;
        if (dips.All(d => d.Size.Shape is Cavity))
        {
            if (draft.Thinner is not (null or PotDraft.NoThinner))
                problems.Add(new(
                    $"pots.{key}.thinner", "amounts.piping-filling-moulds-take", "amounts.piping-filling-moulds-take.do", Severity.Mind));
            return null;
        }

        var target = draft.Film is { } film && film is >= 0.3 and <= 4
            ? Quantities.Of<Length>(film, "mm")
            : tables.Reference.Thinning.Target.Value;
        var dose = Dose.For(coating, thinner, target, tables.Reference.Film, tables.Reference.Thinning, draft.Film is null ? Hides : null);
        var limit = tables.Reference.Thinning.Limit;
        if (dose.Wanted is not { } wanted || wanted > limit.Value)
        {
            problems.Add(new(
                $"pots.{key}.film",
                Message.Of(
                    "amounts.film-wants-above-coat",
                    ("target", target),
                    ("wanted", dose.Wanted is { } w ? Message.Of("amounts.so-much", ("share", w)) : "amounts.more-than-can-be"),
                    ("thinner", thinner.Name),
                    ("limit", limit.Value)),
                Message.Of("amounts.film-wants-above-coat.do", ("rate", dose.Rate), ("after", dose.After)),
                Severity.Mind));
        }

        return dose.Spoons > 0 ? dose : null;

        bool Hides(Share rate)
        {
            var c = tables.Reference.Film;
            var flow = Flow.Of(coating, rate, c);
            return dips.All(d => d.Size.Shape is Cavity || CoatOn(d) >= c.Covers.Of(d.Colour.Cover).Value);

            Length CoatOn(Dip dip)
            {
                var film = Film.Thickness(flow, dip.Size.Shape.Run(dip.Depth), c).Film;
                return LineTally.CoatOf(dip, film, LineTally.OwnStick(dip, tables), c);
            }
        }
    }

    public static PotThinner ThinnerOf(Dose dose, Mass ofCoating, ReferenceData tables)
    {
        var (thinner, c) = (dose.Thinner, tables.Thinning);
        var spoon = thinner.Tablespoon.Value;
        var mass = ofCoating * dose.Rate.Si;
        var still = Enumerable.Range(1, MostSteps)
            .Select(n => (Spoons: n, Rate: new Share((mass + (spoon * n)) / ofCoating)))
            .TakeWhile(s => s.Rate <= c.Limit.Value)
            .Select(s => new ThinnerStep(s.Spoons, spoon * s.Spoons, Dose.TestFilm(dose.Coating, s.Rate, tables.Film, c)));
        return new(
            thinner.Code,
            new(mass, () =>
            [
                WorkingLine.Of("amounts.film-test-dip-without", "", dose.Before, Source.Computed),
                WorkingLine.Of("amounts.film-wanted", "", dose.Target, c.Target.Value == dose.Target ? c.Target.Source : Source.Entered),
                .. dose.Wanted is { } wanted
                    ? new[] { WorkingLine.Count(
                        "amounts.share-thinner-would-reach", "amounts.share-thinner-would-reach.how", wanted.In("%"), Source.Computed) }
                    : [],
                WorkingLine.Count("amounts.most", "amounts.most.how", c.Limit.Value.In("%"), c.Limit.Source),
                WorkingLine.Of("amounts.tablespoon-weighs", thinner.Tablespoon),
                WorkingLine.Count(
                    Message.Of("amounts.tablespoons-coating", ("per", c.Per.Value)),
                    "amounts.tablespoons-coating.how",
                    dose.Spoons,
                    c.Per.Source),
                WorkingLine.Of("amounts.film-test-dip", "", dose.After, Source.Computed),
                WorkingLine.Of("amounts.coating-pot", "amounts.coating-pot.how", ofCoating, Source.Computed),
                WorkingLine.Of(
                    Message.ByName(thinner.Name),
                    Message.Of(
                        "amounts.thinner-in-it",
                        ("ofCoating", ofCoating),
                        ("spoons", dose.Spoons),
                        ("spoon", spoon),
                        ("per", c.Per.Value)),
                    mass,
                    Source.Computed),
            ]),
            Math.Max(0.5, Math.Round(mass / spoon * 2) / 2),
            dose.Rate,
            thinner.GoesIn,
            thinner.How,
            dose.Before,
            [.. still]);
    }

    /// <summary>What to know about how the pot flows; a pot too thick to dip is named among the problems.</summary>
    public static Message Advice(
        Length film, Dose? dose, IReadOnlyList<Dip> dips, string key, PotDraft draft, ReferenceData tables, List<Problem> problems)
    {
        var (c, coating) = (tables.Thinning, dips[0].Coating);
        if (film < c.HeavyFrom.Value || dips.All(d => d.Size.Shape is Cavity))
            return "";
        var other = coating.Thinners.Select(tables.Thinner).OfType<Thinner>().FirstOrDefault(t => t.Code != dose?.Thinner.Code);
        var better = other is null ? null : Dose.For(coating, other, c.Target.Value, tables.Film, c);
        var remedy = better is { Spoons: > 0 } && dose is null
            ? Message.Of(
                "amounts.thinner-brings-it-to",
                ("spoons", better.Spoons),
                ("thinner", better.Thinner.Name),
                ("per", c.Per.Value),
                ("after", better.After))
            : "";
        if (film < c.TooThickFrom.Value)
            return draft.Thinner is PotDraft.NoThinner ? "" : Message.Of("amounts.heavy-coat", ("film", film), ("remedy", remedy));
        problems.Add(new(
            $"pots.{key}.thinner",
            Message.Of("amounts.too-thick-dip-stays", ("coating", coating.Name), ("film", film)),
            Message.Of("amounts.warm-it-first", ("remedy", remedy)),
            Severity.Mind));
        return "";
    }
}

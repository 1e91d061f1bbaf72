using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Kitchens;

/// <content>Toppings and parts of the maker's own, and what they are called.</content>
public static partial class OwnCheck
{
    /// <summary>The problems of a topping.</summary>
    public static IReadOnlyList<Problem> Of(OwnTopping topping, ReferenceData tables)
    {
        List<Problem> problems = [
            .. Named(topping.Code, topping.Name),
            .. Allergens(topping.Allergens, topping.MayContain, tables),
            .. Called(topping.Words),
        ];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (topping.Weighed is { } weighed)
        {
            if (tables.Centre(weighed.Centre)?.Size(weighed.Size) is null)
                Error(
                    "weighed.centre", Message.Of("kitchens.size", ("centre", weighed.Centre), ("size", weighed.Size)), "kitchens.size.do");
            else if (tables.Centre(weighed.Centre)!.Figure is not null)
                Error("weighed.centre", "kitchens.figure-several-coats", "kitchens.figure-several-coats.do");
            if (weighed.Pieces is < 1 or > MostWeighed)
                Error(
                    "weighed.pieces",
                    "kitchens.was-weighed-piece-more",
                    Message.Of("kitchens.was-weighed-piece-more.do", ("mostWeighed", MostWeighed)));
            if (!(weighed.Grams is > 0 and <= MostGrams))
                Error("weighed.grams", "kitchens.they-took-nothing-more", "kitchens.they-took-nothing-more.do");
            if (!(weighed.Cover is > 0 and <= 1))
                Error("weighed.cover", "kitchens.covered-nothing-more-all", "kitchens.covered-nothing-more-all.do");
        }
        else if (!(topping.PerArea is > 0 and <= MostPerArea))
        {
            Error(
                "perArea",
                "kitchens.how-much-covers-square",
                Message.Of("kitchens.how-much-covers-square.do", ("mostPerArea", MostPerArea)));
        }

        if (!(topping.Grain is >= 0.1 and <= 40))
            Error("grain", "kitchens.grain-mm-long", "kitchens.grain-mm-long.do");
        if (topping.Form is not ("bead" or "rod" or "crystal" or "flake"))
            Error("form", Message.Of("kitchens.form-called", ("form", topping.Form)), "kitchens.form-called.do");
        if (topping.Srgb.Count is 0 or > MostGrainColours || topping.Srgb.Any(c => !Spectrum.IsSrgb(c)))
            Error(
                "srgb",
                "kitchens.colour-least-each-six",
                Message.Of("kitchens.colour-least-each-six.do", ("mostGrainColours", MostGrainColours)));
        return problems;
    }

    /// <summary>The problems of a part.</summary>
    public static IReadOnlyList<Problem> Of(OwnPart part, ReferenceData tables)
    {
        List<Problem> problems = [
            .. Named(part.Code, part.Name),
            .. Allergens(part.Allergens, part.MayContain, tables),
            .. Called(part.Words),
        ];
        if (string.IsNullOrWhiteSpace(part.Plural) || part.Plural.Length > LongestName)
            problems.Add(new(
                "plural",
                "kitchens.what-several-called-missing",
                Message.Of("kitchens.what-several-called-missing.do", ("longestName", LongestName))));
        if (!(part.Across is >= 1 and <= 100))
            problems.Add(new("across", "kitchens.part-mm-wide", "kitchens.grain-mm-long.do"));
        if (!(part.Dot is >= 0 and <= 10))
            problems.Add(new("dot", "kitchens.dot-coating-holds-up", "kitchens.dot-coating-holds-up.do"));
        if (!Spectrum.IsSrgb(part.Srgb))
            problems.Add(new("srgb", Message.Of("kitchens.not-colour", ("srgb", part.Srgb)), "kitchens.not-colour.do"));
        return problems;
    }

    /// <summary>The problems of a word.</summary>
    public static IReadOnlyList<Problem> Of(OwnWord word)
    {
        List<Problem> problems = [.. Named(word.Code, word.Word).Select(p => p.Field is "name" ? p with { Field = "word" } : p)];
        if (string.IsNullOrWhiteSpace(word.Means) || word.Means.Length > LongestMeaning)
            problems.Add(new(
                "means",
                "kitchens.what-stands-missing-too",
                Message.Of("kitchens.what-stands-missing-too.do", ("longestMeaning", LongestMeaning))));
        return problems;
    }

    private static IEnumerable<Problem> Allergens(
        IReadOnlyList<string>? contains, IReadOnlyList<string>? mayContain, ReferenceData tables) =>
        from list in ((string Field, IReadOnlyList<string>? Names)[])[("allergens", contains), ("mayContain", mayContain)]
        from name in list.Names ?? []
        where tables.Allergens.All(a => a.Name != name)
        select new Problem(
            list.Field,
            Message.Of("kitchens.allergen-called", ("name", name)),
            Message.Of("kitchens.allergen-called.do", ("allergens", Argument.Of(tables.Allergens.Select(a => a.Name)))));

    private static IEnumerable<Problem> Called(IReadOnlyList<string>? words) =>
        words is { Count: > MostOfAKind } || words?.Any(w => string.IsNullOrWhiteSpace(w) || w.Length > LongestName) is true
            ? [new(
                "words",
                "kitchens.one-other-names-empty",
                Message.Of("kitchens.one-other-names-empty.do", ("mostOfAKind", MostOfAKind), ("longestName", LongestName)))]
            : [];
}

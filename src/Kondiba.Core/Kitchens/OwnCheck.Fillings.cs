using Kondiba.Core.Facts;
using Kondiba.Core.Moulds;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Kitchens;

/// <content>Fillings and moulds of the maker's own.</content>
public static partial class OwnCheck
{
    /// <summary>The problems of a recipe.</summary>
    public static IReadOnlyList<Problem> Of(OwnFilling filling, ReferenceData tables)
    {
        List<Problem> problems = [.. Named(filling.Code, filling.Name)];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        var part = filling.Makes.StartsWith("part.", StringComparison.Ordinal) ? tables.Decor.Part(filling.Makes[5..]) : null;
        if (part is null && tables.Centres.All(c => c.Code != filling.Makes))
            Error("makes", Message.Of("kitchens.centre-called", ("makes", filling.Makes)), "kitchens.centre-called.do");
        if (filling.Note.Length > LongestTerms)
            Error(
                "note",
                Message.Of("kitchens.note-longer-characters", ("longestTerms", LongestTerms)),
                "kitchens.note-longer-characters.do");
        Mix(filling, tables, Error);
        foreach (var (i, each) in filling.Each.Index())
        {
            if (tables.Ingredient(each.Ingredient)?.One is null)
                Error(
                    $"each[{i}].ingredient",
                    Message.Of("kitchens.not-counted", ("ingredient", each.Ingredient)),
                    "kitchens.not-counted.do");
            if (each.Count is < 1 or > 20)
                Error($"each[{i}].count", "kitchens.piece-takes-one-twenty", "kitchens.piece-takes-one-twenty.do");
        }

        if (!(filling.Portion is >= 0.5 and <= 500))
            Error("portion", "kitchens.portion-weighs-half-gram", "kitchens.portion-weighs-half-gram.do");
        if (!(filling.Loss is >= 0 and <= 0.5))
            Error("loss", "kitchens.loss-less-nothing-more", "kitchens.share-dipped-vain-less.do");
        Steps(filling, Error);
        return problems;
    }

    private static void Mix(OwnFilling filling, ReferenceData tables, TellError error)
    {
        if (filling.Mix.Count is 0 or > MostOfAKind)
            error("mix", "kitchens.nothing-mixed-too-much", Message.Of("kitchens.nothing-mixed-too-much.do", ("mostOfAKind", MostOfAKind)));
        foreach (var (i, mix) in filling.Mix.Index())
        {
            if (mix.Ingredient is not null && tables.Ingredient(mix.Ingredient) is null)
                error(
                    $"mix[{i}].ingredient",
                    Message.Of("kitchens.ingredient-called", ("ingredient", mix.Ingredient)),
                    "kitchens.ingredient-called.do");
            if (mix.Ingredient is null && (string.IsNullOrWhiteSpace(mix.Name) || mix.Name.Length > LongestName))
                error(
                    $"mix[{i}].name",
                    Message.Of("kitchens.name-longer-characters", ("longestName", LongestName)),
                    "kitchens.name-longer-characters.do");
            if (!(mix.Grams >= (i == 0 ? 0.01 : 0) && mix.Grams <= 100_000))
                error(
                    $"mix[{i}].grams",
                    i == 0 ? Message.Of("kitchens.first-ingredient-what-others") : Message.Of("kitchens.less-nothing-more-kitchen"),
                    "kitchens.first-ingredient-what-others.do");
            foreach (var allergen in (mix.Allergens ?? []).Where(a => tables.Allergens.All(k => k.Name != a)))
                error(
                    $"mix[{i}].allergens",
                    Message.Of("kitchens.allergen-called-2", ("allergen", allergen)),
                    Message.Of("kitchens.allergen-called-2.do", ("allergens", Argument.Of(tables.Allergens.Select(a => a.Name)))));
        }

        if (filling.Mix.Select(OwnTables.OwnCode).Distinct().Count() < filling.Mix.Count)
            error("mix", "kitchens.one-ingredient-stands-twice", "kitchens.one-ingredient-stands-twice.do");
    }

    private static void Steps(OwnFilling filling, TellError error)
    {
        if (filling.Steps.Count > MostOfAKind)
            error("steps", "kitchens.too-many-steps", Message.Of("kitchens.too-many-packs.do", ("mostOfAKind", MostOfAKind)));
        foreach (var (i, step) in filling.Steps.Index())
        {
            if (string.IsNullOrWhiteSpace(step.Text) || step.Text.Length > LongestTerms || step.Why.Length > LongestTerms)
                error(
                    $"steps[{i}].text",
                    Message.Of("kitchens.step-says-nothing-more", ("longestTerms", LongestTerms)),
                    "kitchens.step-says-nothing-more.do");
            if (!WorkPlaces.Contains(step.Place))
                error(
                    $"steps[{i}].place",
                    Message.Of("kitchens.place-called", ("place", step.Place)),
                    Message.Of("kitchens.place-called.do", ("workPlaces", Argument.Of(WorkPlaces))));
            if (!(step.Hands is >= 0 and <= 600 && step.Wait is >= 0 and <= 4320 && step.Seconds is >= 0 and <= 3600))
                error($"steps[{i}].hands", "kitchens.step-takes-hands-ten", "kitchens.step-takes-hands-ten.do");
        }
    }

    /// <summary>The problems of a mould.</summary>
    public static IReadOnlyList<Problem> Of(OwnMould mould)
    {
        List<Problem> problems = [.. Named(mould.Code, mould.Name), .. Measured("", Mould.MeasuresOf(mould.Kind), mould.Measures)];
        if (mould.Cavities is < 1 or > 200)
            problems.Add(new("cavities", "kitchens.mould-one-cavities", "kitchens.mould-one-cavities.do"));
        if (mould.Trays is < 1 or > 50)
            problems.Add(new("trays", "kitchens.one-such-mould-least", "kitchens.number-coupons-below-none.do"));
        return problems;
    }

    private static readonly string[] WorkPlaces = ["counter", "sink", "hob", "fridge", "freezer"];
}

using System.Globalization;
using System.Text.RegularExpressions;
using Kondiba.Core.Centres;
using Kondiba.Core.Colour;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Pantry;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;

namespace Kondiba.Core.Kitchens;

/// <summary>Finds what cannot be in what a maker enters about the kitchen, field by field.</summary>
public static partial class OwnCheck
{
    private const int MostTrays = 40;
    private const int MostPots = 12;
    private const int MostChange = 60;
    private const int MostMarks = 2000;
    private const int MostArranged = 200;
    private const int LongestName = 60;
    private const int MostOfAKind = 40;
    private const int LongestTerms = 1000;
    private const int LongestMeaning = 200;
    private const int MostWeighed = 2000;
    private const double MostGrams = 20_000;
    private const double MostPerArea = 3;
    private const int MostGrainColours = 8;
    private const double MostFat = 0.60;
    private const double HeaviestPiece = 2000;
    private const double LightestPiece = 0.1;

    // A marshmallow floats, a boiled sweet sinks: nothing edible is far outside of these.
    private static readonly Density Lightest = Quantities.Of<Density>(0.05, "g/mL");
    private static readonly Density Heaviest = Quantities.Of<Density>(2.0, "g/mL");

    /// <summary>The problems of a centre.</summary>
    public static IReadOnlyList<Problem> Of(OwnCentre centre, TradeTables tables)
    {
        List<Problem> problems = [.. Named(centre.Code, centre.Name), .. Allergens(centre.Allergens, centre.MayContain, tables)];
        if (string.IsNullOrWhiteSpace(centre.Plural))
            problems.Add(new("plural", "There is no word for several of them.", "Type it, such as 'pears'."));
        if (!(centre.UsualDepth is > 0 and <= 1))
            problems.Add(new("usualDepth", "The usual dip depth is nothing or more than whole.", "Type a share between 1 % and 100 %."));
        if (!(centre.Spoil is >= 0 and <= 0.5))
            problems.Add(new("spoil", "The share dipped in vain is less than nothing or more than half.", "Type a share between 0 % and 50 %."));
        if (centre.Pack is { } pack and (< 1 or > 1000))
            problems.Add(new("pack", pack < 1 ? "A pack of nothing holds no piece." : "A pack holds at most 1000.", "Type how many are in one, or leave it empty."));
        if (centre.Sizes.Count is 0 or > MostOfAKind)
            problems.Add(new("sizes", "There is no size, or there are too many.", $"Measure one to {MostOfAKind} sizes."));
        if (centre.Sizes.Select(s => s.Code).Distinct().Count() < centre.Sizes.Count)
            problems.Add(new("sizes", "Two sizes carry the same code.", "Give every size its own."));
        if (centre.Sizes.Count > 1 && centre.Sizes.Any(s => string.IsNullOrWhiteSpace(s.Name)))
            problems.Add(new("sizes", "Of several sizes one has no name.", "Name each, such as 'small'."));
        if (ShapeKind.Of(centre.Shape) is not { } kind)
            problems.Add(new("shape", $"There is no shape called '{centre.Shape}'.", $"Choose one of {string.Join(", ", ShapeKind.All.Select(k => k.Code))}."));
        else
            problems.AddRange(centre.Sizes.Index().SelectMany(s => Size(s.Item, $"sizes[{s.Index}]", kind, centre.Holding)));
        return problems;
    }

    /// <summary>The problems of a coating.</summary>
    public static IReadOnlyList<Problem> Of(OwnCoating coating, TradeTables tables)
    {
        List<Problem> problems = [.. Named(coating.Code, coating.Name), .. Allergens(coating.Allergens, coating.MayContain, tables)];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (!(coating.Serving is > 0 and <= 1000))
            Error("serving", "A serving of nothing tells no share of fat.", "Type its mass in grams, as on the label.");
        else if (!(coating.FatPerServing >= 0) || coating.FatPerServing > coating.Serving)
            Error("fatPerServing", "There is more fat than serving, or less than none.", "Type the grams of fat in a serving, as on the label.");
        else if (coating.FatPerServing / coating.Serving > MostFat)
            Error("fatPerServing", $"{coating.FatPerServing / coating.Serving:0 %} fat is more than any coating has: above {MostFat:0 %} it is fat with a little sugar, and the film equations do not hold.", "Check that fat and serving are both in grams.");
        else if (coating.FatPerServing / coating.Serving < 0.15)
            Error("fatPerServing", "Below 15 % fat it does not flow as a coating.", "Check the label; compound wafers and couverture have 25 to 40 %.");
        if (!(coating.DipFrom >= 20) || coating.DipFrom > coating.DipTo)
            Error("dipFrom", "The dipping window starts above its end, or below 20 °C, where coating is hard.", "Type the lower temperature first.");
        if (!(coating.DipTo <= coating.MeltAtMost))
            Error("dipTo", "It is dipped warmer than it may be melted.", "Lower the dipping window or raise the melting limit.");
        if (!(coating.MeltAtMost <= 70))
            Error("meltAtMost", "Above 70 °C every coating burns.", "Type the limit from the packet; most lie between 32 and 50 °C.");
        foreach (var thinner in coating.Thinners.Where(t => tables.Thinner(t) is null))
            Error("thinners", $"There is no thinner called '{thinner}'.", $"Choose of {string.Join(", ", tables.Thinners.Select(t => t.Code))}.");
        if (coating.Packs.Count > MostOfAKind)
            Error("packs", "There are too many packs.", $"Keep to {MostOfAKind}.");
        foreach (var (i, pack) in coating.Packs.Index())
        {
            if (!(pack.Mass is >= 1 and <= 50_000))
                Error($"packs[{i}].mass", pack.Mass < 1 ? "A pack of nothing covers no pot." : "A pack holds at most 50 kg.", "Type its net mass, from a gram up.");
            if (pack.Price is < 0 or > 100_000)
                Error($"packs[{i}].price", "The price is less than nothing, or more than coating costs.", "Type what one pack costs.");
            if (pack.Coupon is { } coupon && (coupon <= 0 || coupon > pack.Price))
                Error($"packs[{i}].coupon", "The coupon takes off nothing, or more than the price.", "Type what it takes off one pack, or leave it empty.");
            if (pack.Coupons is < 0 or > 100)
                Error($"packs[{i}].coupons", "The number of coupons is below none or above 100.", "Type how many you have.");
        }

        if (coating.Colours.Count is 0 or > MostOfAKind)
            Error("colours", "A coating comes in a colour at least.", $"Add one to {MostOfAKind} colours.");
        if (coating.Colours.Select(c => c.Code).Distinct().Count() < coating.Colours.Count)
            Error("colours", "Two colours carry the same code.", "Give every colour its own.");
        foreach (var (i, colour) in coating.Colours.Index())
        {
            problems.AddRange(Named(colour.Code, colour.Name).Select(p => p with { Field = $"colours[{i}].{p.Field}" }));
            if (!Spectrum.IsSrgb(colour.Srgb))
                Error($"colours[{i}].srgb", $"'{colour.Srgb}' is not a colour.", "Choose it by eye, or type it as # and six hexadecimal digits.");
            if (colour.Mixed is not { } mixed)
                continue;
            if (coating.Colours.FirstOrDefault(c => c.Code == mixed.Base) is not { Mixed: null })
                Error($"colours[{i}].mixed.base", $"'{mixed.Base}' is not a colour that {coating.Name} is sold in.", "Mix it from one that is.");
            if (mixed.Per100.Keys.FirstOrDefault(t => tables.Tint(t) is null) is { } unknown)
                Error($"colours[{i}].mixed.per100", $"There is no colour called '{unknown}' to drop in.", "Mix it anew from those you have.");
            if (mixed.Per100.Values.Any(n => n < 1) || mixed.Per100.Values.Sum() > tables.Colour.Most.Value.Si)
                Error($"colours[{i}].mixed.per100", $"A mix takes one drop at least and {tables.Colour.Most.Value.Si:0} at most in 100 g.", "Take fewer drops.");
        }

        return problems;
    }

    /// <summary>The problems of a concentrated colour.</summary>
    public static IReadOnlyList<Problem> Of(OwnTint tint)
    {
        List<Problem> problems = [.. Named(tint.Code, tint.Name)];
        if (!Spectrum.IsSrgb(tint.Swatch))
            problems.Add(new("swatch", $"'{tint.Swatch}' is not a colour.", "Choose it by eye, or type it as # and six hexadecimal digits."));
        if (tint.Drops is < 1 or > 100)
            problems.Add(new("drops", "A swatch has at least one drop in 100 g, and at most a hundred.", "Type how many drops you stirred into 100 g of bright white."));
        return problems;
    }

    /// <summary>The problems of a topping.</summary>
    public static IReadOnlyList<Problem> Of(OwnTopping topping, TradeTables tables)
    {
        List<Problem> problems = [.. Named(topping.Code, topping.Name), .. Allergens(topping.Allergens, topping.MayContain, tables), .. Called(topping.Words)];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (topping.Weighed is { } weighed)
        {
            if (tables.Centre(weighed.Centre)?.Size(weighed.Size) is null)
                Error("weighed.centre", $"There is no '{weighed.Centre}' in the size '{weighed.Size}'.", "Choose what you weighed it on.");
            else if (tables.Centre(weighed.Centre)!.Figure is not null)
                Error("weighed.centre", "A figure has several coats.", "Weigh it on a single piece.");
            if (weighed.Pieces is < 1 or > MostWeighed)
                Error("weighed.pieces", "It was weighed on no piece, or on more than can be.", $"Enter 1 to {MostWeighed} pieces.");
            if (!(weighed.Grams is > 0 and <= MostGrams))
                Error("weighed.grams", "They took nothing, or more than can be.", "Enter the grams that are gone from the bowl.");
            if (!(weighed.Cover is > 0 and <= 1))
                Error("weighed.cover", "It covered nothing, or more than all.", "Enter a share from 1% to 100%.");
        }
        else if (!(topping.PerArea is > 0 and <= MostPerArea))
        {
            Error("perArea", "How much covers a square centimetre is not known.", $"Enter up to {MostPerArea} g/cm², or what some pieces took.");
        }

        if (!(topping.Grain is >= 0.1 and <= 40))
            Error("grain", "A grain is 0.1 to 40 mm long.", "Measure one.");
        if (topping.Form is not ("bead" or "rod" or "crystal" or "flake"))
            Error("form", $"There is no form called '{topping.Form}'.", "Choose bead, rod, crystal or flake.");
        if (topping.Srgb.Count is 0 or > MostGrainColours || topping.Srgb.Any(c => !Spectrum.IsSrgb(c)))
            Error("srgb", "It has a colour at least, each as # and six hexadecimal digits.", $"Choose 1 to {MostGrainColours} colours by eye.");
        return problems;
    }

    /// <summary>The problems of a part.</summary>
    public static IReadOnlyList<Problem> Of(OwnPart part, TradeTables tables)
    {
        List<Problem> problems = [.. Named(part.Code, part.Name), .. Allergens(part.Allergens, part.MayContain, tables), .. Called(part.Words)];
        if (string.IsNullOrWhiteSpace(part.Plural) || part.Plural.Length > LongestName)
            problems.Add(new("plural", "What several are called is missing, or too long.", $"Enter at most {LongestName} characters."));
        if (!(part.Across is >= 1 and <= 100))
            problems.Add(new("across", "A part is 1 to 100 mm wide.", "Measure one."));
        if (!(part.Dot is >= 0 and <= 10))
            problems.Add(new("dot", "The dot of coating that holds it is up to 10 g.", "Enter 0.3 g if you never weighed one."));
        if (!Spectrum.IsSrgb(part.Srgb))
            problems.Add(new("srgb", $"'{part.Srgb}' is not a colour.", "Choose it by eye, or type it as # and six hexadecimal digits."));
        return problems;
    }

    /// <summary>The problems of a word.</summary>
    public static IReadOnlyList<Problem> Of(OwnWord word)
    {
        List<Problem> problems = [.. Named(word.Code, word.Word).Select(p => p.Field is "name" ? p with { Field = "word" } : p)];
        if (string.IsNullOrWhiteSpace(word.Means) || word.Means.Length > LongestMeaning)
            problems.Add(new("means", "What it stands for is missing, or too long.", $"Enter words that are known, at most {LongestMeaning} characters: “navy, silver zigzag”."));
        return problems;
    }

    private static IEnumerable<Problem> Allergens(IReadOnlyList<string>? contains, IReadOnlyList<string>? mayContain, TradeTables tables) =>
        from list in ((string Field, IReadOnlyList<string>? Names)[])[("allergens", contains), ("mayContain", mayContain)]
        from name in list.Names ?? []
        where tables.Allergens.All(a => a.Name != name)
        select new Problem(list.Field, $"There is no allergen called '{name}'.", $"Choose from {string.Join(", ", tables.Allergens.Select(a => a.Name))}.");

    private static IEnumerable<Problem> Called(IReadOnlyList<string>? words) =>
        words is { Count: > MostOfAKind } || words?.Any(w => string.IsNullOrWhiteSpace(w) || w.Length > LongestName) is true
            ? [new("words", "One of its other names is empty or too long, or there are too many.", $"Enter at most {MostOfAKind}, each of at most {LongestName} characters.")]
            : [];

    /// <summary>The problems of a vessel.</summary>
    public static IReadOnlyList<Problem> Of(OwnVessel vessel)
    {
        List<Problem> problems = [.. Named(vessel.Code, vessel.Name)];
        if (VesselKind.Of(vessel.Kind) is not { } kind)
            problems.Add(new("kind", $"There is no kind of vessel called '{vessel.Kind}'.", $"Choose one of {string.Join(", ", VesselKind.All.Select(k => k.Code))}."));
        else
            problems.AddRange(Measured("", kind.Measures, vessel.Measures));
        return problems;
    }

    /// <summary>The problems of a ware's packs and mark, or of a supply of the maker's own.</summary>
    public static IReadOnlyList<Problem> Of(OwnWare ware, TradeTables tables)
    {
        List<Problem> problems = [];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (WareTable.Find(TradeTables.Shipped, ware.Code) is null && ware.Code.StartsWith("supply.", StringComparison.Ordinal))
            problems.AddRange(Named(ware.Code["supply.".Length..], ware.Name));
        else if (WareTable.Find(tables, ware.Code) is null)
            Error("code", $"There is no ware called '{ware.Code}'.", "Choose one of the pantry's, or name your own 'supply.' and a word.");
        if (ware.Packs is not null && ware.Code.StartsWith("coating.", StringComparison.Ordinal))
            Error("packs", "A coating's packs are entered with the coating.", "Change them under the kitchen's coatings.");
        if (ware.Packs?.Count > MostOfAKind)
            Error("packs", "There are too many packs.", $"Keep to {MostOfAKind}.");
        foreach (var (i, pack) in (ware.Packs ?? []).Index())
        {
            if (!(pack.Holds is >= 1 and <= 100_000))
                Error($"packs[{i}].holds", pack.Holds < 1 ? "A pack holds one at least." : "A pack holds at most 100,000.", "Type what is in it.");
            if (pack.Price is < 0 or > 100_000)
                Error($"packs[{i}].price", "The price is less than nothing, or more than any pack costs.", "Type what one pack costs.");
        }

        if (!(ware.Low is >= 0 and <= 1_000_000))
            Error("low", "The mark is below nothing, or above what a pantry holds.", "Type the amount below which it runs low, or 0 for none.");
        return problems;
    }

    /// <summary>The problems of a recipe.</summary>
    public static IReadOnlyList<Problem> Of(OwnFilling filling, TradeTables tables)
    {
        List<Problem> problems = [.. Named(filling.Code, filling.Name)];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        var part = filling.Makes.StartsWith("part.", StringComparison.Ordinal) ? tables.Decor.Part(filling.Makes[5..]) : null;
        if (part is null && tables.Centres.All(c => c.Code != filling.Makes))
            Error("makes", $"There is no centre called '{filling.Makes}'.", "Choose the centre that it makes.");
        if (filling.Note.Length > LongestTerms)
            Error("note", $"The note is longer than {LongestTerms} characters.", "Shorten it.");
        if (filling.Mix.Count is 0 or > MostOfAKind)
            Error("mix", "Nothing is mixed, or too much.", $"Name one to {MostOfAKind} ingredients, the one that the others are measured by first.");
        foreach (var (i, mix) in filling.Mix.Index())
        {
            if (mix.Ingredient is not null && tables.Ingredient(mix.Ingredient) is null)
                Error($"mix[{i}].ingredient", $"There is no ingredient called '{mix.Ingredient}'.", "Choose a known one, or name one of your own.");
            if (mix.Ingredient is null && (string.IsNullOrWhiteSpace(mix.Name) || mix.Name.Length > LongestName))
                Error($"mix[{i}].name", $"There is no name, or it is longer than {LongestName} characters.", "Type what it is called.");
            if (!(mix.Grams >= (i == 0 ? 0.01 : 0) && mix.Grams <= 100_000))
                Error($"mix[{i}].grams", i == 0 ? "The first ingredient is what the others are measured by, and there is none of it." : "It is less than nothing, or more than a kitchen holds.", "Type its grams.");
            foreach (var allergen in (mix.Allergens ?? []).Where(a => tables.Allergens.All(k => k.Name != a)))
                Error($"mix[{i}].allergens", $"There is no allergen called '{allergen}'.", $"Choose of {string.Join(", ", tables.Allergens.Select(a => a.Name))}.");
        }

        if (filling.Mix.Select(KitchenTables.OwnCode).Distinct().Count() < filling.Mix.Count)
            Error("mix", "One ingredient stands there twice.", "Add the two amounts up.");
        foreach (var (i, each) in filling.Each.Index())
        {
            if (tables.Ingredient(each.Ingredient)?.One is null)
                Error($"each[{i}].ingredient", $"'{each.Ingredient}' is not counted.", "Mix it by grams.");
            if (each.Count is < 1 or > 20)
                Error($"each[{i}].count", "A piece takes one to twenty of them.", "Type how many go into one piece.");
        }

        if (!(filling.Portion is >= 0.5 and <= 500))
            Error("portion", "A portion weighs half a gram to 500 g.", "Type its grams; a tablespoon of ganache is about 18 g.");
        if (!(filling.Loss is >= 0 and <= 0.5))
            Error("loss", "The loss is less than nothing or more than half.", "Type a share between 0 % and 50 %.");
        if (filling.Steps.Count > MostOfAKind)
            Error("steps", "There are too many steps.", $"Keep to {MostOfAKind}.");
        foreach (var (i, step) in filling.Steps.Index())
        {
            if (string.IsNullOrWhiteSpace(step.Text) || step.Text.Length > LongestTerms || step.Why.Length > LongestTerms)
                Error($"steps[{i}].text", $"A step says nothing, or more than {LongestTerms} characters.", "Type what the hands do, or take it away.");
            if (!WorkPlaces.Contains(step.Place))
                Error($"steps[{i}].place", $"There is no place called '{step.Place}'.", $"Choose one of {string.Join(", ", WorkPlaces)}.");
            if (!(step.Hands is >= 0 and <= 600 && step.Wait is >= 0 and <= 4320 && step.Seconds is >= 0 and <= 3600))
                Error($"steps[{i}].hands", "A step takes the hands ten hours at most, and waits three days at most.", "Type minutes.");
        }

        return problems;
    }

    /// <summary>The problems of a mould.</summary>
    public static IReadOnlyList<Problem> Of(OwnMould mould)
    {
        List<Problem> problems = [.. Named(mould.Code, mould.Name), .. Measured("", Mould.MeasuresOf(mould.Kind), mould.Measures)];
        if (mould.Cavities is < 1 or > 200)
            problems.Add(new("cavities", "A mould has one to 200 cavities.", "Count those of one mould."));
        if (mould.Trays is < 1 or > 50)
            problems.Add(new("trays", "There is one such mould at least, and at most fifty.", "Type how many you have."));
        return problems;
    }

    private static readonly string[] WorkPlaces = ["counter", "sink", "hob", "fridge", "freezer"];

    private static IEnumerable<Problem> Size(OwnSize size, string path, ShapeKind kind, Holding holding)
    {
        foreach (var problem in Coded(size.Code))
            yield return problem with { Field = $"{path}.{problem.Field}" };
        var least = holding is Holding.Mould ? 0 : LightestPiece;
        if (!(size.Mass >= least && size.Mass <= HeaviestPiece))
            yield return new($"{path}.mass", "One weighs nothing, or more than a kitchen dips.", "Weigh ten and divide.");
        var wrong = Measured($"{path}.", kind.Measures, size.Measures).ToList();
        foreach (var problem in wrong)
            yield return problem;
        if (wrong.Count > 0 || !(size.Mass >= least && size.Mass <= HeaviestPiece))
            yield break;

        double Si(string code) => ShapeKind.Si(kind.Measures.First(m => m.Code == code).Unit, size.Measures[code]);
        if (kind.Contradiction(Si) is { } contradiction)
        {
            var cut = contradiction.IndexOf(". ", StringComparison.Ordinal) + 1;
            yield return new($"{path}.measures", contradiction[..cut], contradiction[(cut + 1)..]);
            yield break;
        }

        var shape = kind.Make(Si);
        var density = new Density(size.Mass / 1000 / shape.WholeVolume.Si);
        if (holding is not Holding.Mould && size.Mass > 0 && (density > Heaviest || density < Lightest))
        {
            yield return new(
                $"{path}.mass",
                string.Create(CultureInfo.InvariantCulture, $"{size.Mass:0.#} g in {shape.WholeVolume.In("mL"):0.#} mL is {(density > Heaviest ? "heavier than anything edible" : "lighter than a marshmallow")}: mass and measures contradict each other."),
                "Measure again; lengths are in millimetres, mass in grams.");
        }
    }

    private static IEnumerable<Problem> Measured(string path, IReadOnlyList<Measure> wanted, IReadOnlyDictionary<string, double> given)
    {
        foreach (var measure in wanted)
        {
            if (!given.TryGetValue(measure.Code, out var value))
                yield return new($"{path}measures.{measure.Code}", $"There is no {measure.Name}.", "Measure it.");
            else if (!(value >= measure.Least && value <= measure.Most))
                yield return new($"{path}measures.{measure.Code}", string.Create(CultureInfo.InvariantCulture, $"{measure.Name}: {value:0.##} {measure.Unit} cannot be."), $"Type a value between {measure.Least} and {measure.Most} {measure.Unit}.");
        }
    }

    internal static IEnumerable<Problem> Named(string code, string name)
    {
        foreach (var problem in Coded(code))
            yield return problem;
        if (string.IsNullOrWhiteSpace(name) || name.Length > LongestName)
            yield return new("name", $"There is no name, or it is longer than {LongestName} characters.", "Type what you call it.");
    }

    private static IEnumerable<Problem> Coded(string code)
    {
        if (!Code().IsMatch(code))
            yield return new("code", $"'{code}' is not a code.", "Use up to 60 small letters, digits and hyphens.");
    }

    [GeneratedRegex("^[A-Za-z0-9-]{1,60}$")]
    private static partial Regex Code();
}

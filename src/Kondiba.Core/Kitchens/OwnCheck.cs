using System.Text.RegularExpressions;
using Kondiba.Core.Centres;
using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Kitchens;

/// <summary>Finds what cannot be in what a maker enters about the kitchen, field by field.</summary>
public static partial class OwnCheck
{
    private const int MostTrays = 40;
    private const int MostPots = 12;
    private const int MostChange = 60;
    private const int MostMarks = 2000;
    private const int MostArranged = 200;
    private const int LongestTask = 200;
    private const int LongestTitle = 10_000;
    private const int LongestName = 60;
    private const int MostOfAKind = 40;
    private const int LongestTerms = 1000;
    private const int LongestContact = 200;
    private const int LongestMaker = 200;
    private const double MostShift = 20;
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
    public static IReadOnlyList<Problem> Of(OwnCentre centre, ReferenceData tables)
    {
        List<Problem> problems = [.. Named(centre.Code, centre.Name), .. Allergens(centre.Allergens, centre.MayContain, tables)];
        if (string.IsNullOrWhiteSpace(centre.Plural))
            problems.Add(new("plural", "kitchens.word-several-them", "kitchens.word-several-them.do"));
        if (!(centre.UsualDepth is > 0 and <= 1))
            problems.Add(new("usualDepth", "kitchens.usual-dip-depth-nothing", "kitchens.usual-dip-depth-nothing.do"));
        if (!(centre.Spoil is >= 0 and <= 0.5))
            problems.Add(new("spoil", "kitchens.share-dipped-vain-less", "kitchens.share-dipped-vain-less.do"));
        if (centre.Pack is { } pack and (< 1 or > 1000))
            problems.Add(new(
                "pack",
                pack < 1 ? Message.Of("kitchens.pack-nothing-holds-piece") : Message.Of("kitchens.pack-holds-most"),
                "kitchens.pack-nothing-holds-piece.do"));
        if (centre.Sizes.Count is 0 or > MostOfAKind)
            problems.Add(new("sizes", "kitchens.size-too-many", Message.Of("kitchens.size-too-many.do", ("mostOfAKind", MostOfAKind))));
        if (centre.Sizes.Select(s => s.Code).Distinct().Count() < centre.Sizes.Count)
            problems.Add(new("sizes", "kitchens.two-sizes-carry-same", "kitchens.two-sizes-carry-same.do"));
        if (centre.Sizes.Count > 1 && centre.Sizes.Any(s => string.IsNullOrWhiteSpace(s.Name)))
            problems.Add(new("sizes", "kitchens.several-sizes-one-name", "kitchens.several-sizes-one-name.do"));
        if (ShapeKind.Of(centre.Shape) is not { } kind)
            problems.Add(new(
                "shape",
                Message.Of("kitchens.shape-called", ("shape", centre.Shape)),
                Message.Of("kitchens.shape-called.do", ("all", Argument.Of(ShapeKind.All.Select(k => k.Code))))));
        else
            problems.AddRange(centre.Sizes.Index().SelectMany(s => Size(s.Item, $"sizes[{s.Index}]", kind, centre.Holding)));
        return problems;
    }

    /// <summary>The problems of a coating.</summary>
    public static IReadOnlyList<Problem> Of(OwnCoating coating, ReferenceData tables)
    {
        List<Problem> problems = [.. Named(coating.Code, coating.Name), .. Allergens(coating.Allergens, coating.MayContain, tables)];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (!(coating.Serving is > 0 and <= 1000))
            Error("serving", "kitchens.serving-nothing-tells-share", "kitchens.serving-nothing-tells-share.do");
        else if (!(coating.FatPerServing >= 0) || coating.FatPerServing > coating.Serving)
            Error("fatPerServing", "kitchens.more-fat-serving-less", "kitchens.more-fat-serving-less.do");
        else if (coating.FatPerServing / coating.Serving > MostFat)
            Error(
                "fatPerServing",
                Message.Of(
                    "kitchens.fat-more-any-coating", ("fatPerServing", coating.FatPerServing / coating.Serving), ("mostFat", MostFat)),
                "kitchens.fat-more-any-coating.do");
        else if (coating.FatPerServing / coating.Serving < 0.15)
            Error("fatPerServing", "kitchens.below-fat-does-not", "kitchens.below-fat-does-not.do");
        if (!(coating.DipFrom >= 20) || coating.DipFrom > coating.DipTo)
            Error("dipFrom", "kitchens.dipping-window-starts-above", "kitchens.dipping-window-starts-above.do");
        if (!(coating.DipTo <= coating.MeltAtMost))
            Error("dipTo", "kitchens.dipped-warmer-may-melted", "kitchens.dipped-warmer-may-melted.do");
        if (!(coating.MeltAtMost <= 70))
            Error("meltAtMost", "kitchens.above-c-every-coating", "kitchens.above-c-every-coating.do");
        foreach (var thinner in coating.Thinners.Where(t => tables.Thinner(t) is null))
            Error(
                "thinners",
                Message.Of("kitchens.thinner-called", ("thinner", thinner)),
                Message.Of("kitchens.thinner-called.do", ("thinners", Argument.Of(tables.Thinners.Select(t => t.Code)))));
        Packs(coating, Error);
        Colours(coating, tables, problems);
        return problems;
    }

    private static void Packs(OwnCoating coating, TellError error)
    {
        if (coating.Packs.Count > MostOfAKind)
            error("packs", "kitchens.too-many-packs", Message.Of("kitchens.too-many-packs.do", ("mostOfAKind", MostOfAKind)));
        foreach (var (i, pack) in coating.Packs.Index())
        {
            if (!(pack.Mass is >= 1 and <= 50_000))
                error(
                    $"packs[{i}].mass",
                    pack.Mass < 1 ? Message.Of("kitchens.pack-nothing-covers-pot") : Message.Of("kitchens.pack-holds-most-kg"),
                    "kitchens.pack-nothing-covers-pot.do");
            if (pack.Price is < 0 or > 100_000)
                error($"packs[{i}].price", "kitchens.price-less-nothing-more", "kitchens.price-less-nothing-more.do");
            if (pack.Coupon is { } coupon && (coupon <= 0 || coupon > pack.Price))
                error($"packs[{i}].coupon", "kitchens.coupon-takes-off-nothing", "kitchens.coupon-takes-off-nothing.do");
            if (pack.Coupons is < 0 or > 100)
                error($"packs[{i}].coupons", "kitchens.number-coupons-below-none", "kitchens.number-coupons-below-none.do");
        }
    }

    private static void Colours(OwnCoating coating, ReferenceData tables, List<Problem> problems)
    {
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (coating.Colours.Count is 0 or > MostOfAKind)
            Error(
                "colours",
                "kitchens.coating-comes-colour-least",
                Message.Of("kitchens.coating-comes-colour-least.do", ("mostOfAKind", MostOfAKind)));
        if (coating.Colours.Select(c => c.Code).Distinct().Count() < coating.Colours.Count)
            Error("colours", "kitchens.two-colours-carry-same", "kitchens.two-colours-carry-same.do");
        foreach (var (i, colour) in coating.Colours.Index())
        {
            problems.AddRange(Named(colour.Code, colour.Name).Select(p => p with { Field = $"colours[{i}].{p.Field}" }));
            if (!Spectrum.IsSrgb(colour.Srgb))
                Error($"colours[{i}].srgb", Message.Of("kitchens.not-colour", ("srgb", colour.Srgb)), "kitchens.not-colour.do");
            if (colour.Mixed is not { } mixed)
                continue;
            if (coating.Colours.FirstOrDefault(c => c.Code == mixed.Base) is not { Mixed: null })
                Error(
                    $"colours[{i}].mixed.base",
                    Message.Of("kitchens.not-colour-sold", ("base", mixed.Base), ("coating", coating.Name)),
                    "kitchens.not-colour-sold.do");
            if (mixed.Per100.Keys.FirstOrDefault(t => tables.Tint(t) is null) is { } unknown)
                Error(
                    $"colours[{i}].mixed.per100",
                    Message.Of("kitchens.colour-called-drop", ("unknown", unknown)),
                    "kitchens.colour-called-drop.do");
            if (mixed.Per100.Values.Any(n => n < 1) || mixed.Per100.Values.Sum() > tables.Colour.Most.Value.Si)
                Error(
                    $"colours[{i}].mixed.per100",
                    Message.Of("kitchens.mix-takes-one-drop", ("most", tables.Colour.Most.Value.Si)),
                    "kitchens.mix-takes-one-drop.do");
        }
    }

    /// <summary>The problems of a concentrated colour.</summary>
    public static IReadOnlyList<Problem> Of(OwnTint tint)
    {
        List<Problem> problems = [.. Named(tint.Code, tint.Name)];
        if (!Spectrum.IsSrgb(tint.Swatch))
            problems.Add(new("swatch", Message.Of("kitchens.not-colour-2", ("swatch", tint.Swatch)), "kitchens.not-colour.do"));
        if (tint.Drops is < 1 or > 100)
            problems.Add(new("drops", "kitchens.swatch-least-one-drop", "kitchens.swatch-least-one-drop.do"));
        return problems;
    }

    /// <summary>The problems of a vessel.</summary>
    public static IReadOnlyList<Problem> Of(OwnVessel vessel)
    {
        List<Problem> problems = [.. Named(vessel.Code, vessel.Name)];
        if (VesselKind.Of(vessel.Kind) is not { } kind)
            problems.Add(new(
                "kind",
                Message.Of("kitchens.kind-vessel-called", ("kind", vessel.Kind)),
                Message.Of("kitchens.shape-called.do", ("all", Argument.Of(VesselKind.All.Select(k => k.Code))))));
        else
            problems.AddRange(Measured("", kind.Measures, vessel.Measures));
        return problems;
    }

    /// <summary>What is wrong with how a kitchen is to write; null leaves either as it is.</summary>
    /// <param name="locale">Code of a locale.</param>
    /// <param name="currency">Code of a currency.</param>
    public static IReadOnlyList<Problem> Writing(string? locale, string? currency)
    {
        List<Problem> problems = [];
        if (locale is not null && Locale.Find(locale) is null)
            problems.Add(new("locale", Message.Of("kitchens.locale", ("all", Argument.Of(Locale.All.Select(l => l.Code)))), ""));
        if (currency is not null && Currency.Find(currency) is null)
            problems.Add(new("currency", Message.Of("kitchens.currency", ("all", Argument.Of(Currency.All.Select(c => c.Code)))), ""));
        return problems;
    }

    /// <summary>The problems of a ware's packs and mark, or of a supply of the maker's own.</summary>
    public static IReadOnlyList<Problem> Of(OwnWare ware, ReferenceData tables)
    {
        List<Problem> problems = [];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (ReferenceData.Shipped.Ware(ware.Code) is null && ware.Code.StartsWith("supply.", StringComparison.Ordinal))
            problems.AddRange(Named(ware.Code["supply.".Length..], ware.Name));
        else if (tables.Ware(ware.Code) is null)
            Error("code", Message.Of("kitchens.ware-called", ("ware", ware.Code)), "kitchens.ware-called.do");
        if (ware.Packs is not null && ware.Code.StartsWith("coating.", StringComparison.Ordinal))
            Error("packs", "kitchens.coating-s-packs-entered", "kitchens.coating-s-packs-entered.do");
        if (ware.Packs?.Count > MostOfAKind)
            Error("packs", "kitchens.too-many-packs", Message.Of("kitchens.too-many-packs.do", ("mostOfAKind", MostOfAKind)));
        foreach (var (i, pack) in (ware.Packs ?? []).Index())
        {
            if (!(pack.Holds is >= 1 and <= 100_000))
                Error(
                    $"packs[{i}].holds",
                    pack.Holds < 1 ? Message.Of("kitchens.pack-holds-one-least") : Message.Of("kitchens.pack-holds-most-2"),
                    "kitchens.pack-holds-one-least.do");
            if (pack.Price is < 0 or > 100_000)
                Error($"packs[{i}].price", "kitchens.price-less-nothing-more-any", "kitchens.price-less-nothing-more.do");
        }

        if (!(ware.Low is >= 0 and <= 1_000_000))
            Error("low", "kitchens.mark-below-nothing-above", "kitchens.mark-below-nothing-above.do");
        if (ware.Box is { } box && BoxField(box) is { } field)
            Error($"box.{field}", "kitchens.box-measures", "kitchens.box-measures.do");
        return problems;
    }

    /// <summary>The first measure of a box that no box has; null when all can be.</summary>
    private static string? BoxField(OwnBox box) => box switch
    {
        { Rows: < 0 or > 12 } => "rows",
        { Columns: < 0 or > 12 } => "columns",
        { Rows: > 0, Columns: 0 } => "columns",
        { Wide: not (>= 20 and <= 1000) } => "wide",
        { Deep: not (>= 20 and <= 1000) } => "deep",
        { High: not (>= 10 and <= 500) } => "high",
        _ => null,
    };

    private static IEnumerable<Problem> Size(OwnSize size, string path, ShapeKind kind, Holding holding)
    {
        foreach (var problem in Coded(size.Code))
            yield return problem with { Field = $"{path}.{problem.Field}" };
        var least = holding is Holding.Mould ? 0 : LightestPiece;
        if (!(size.Mass >= least && size.Mass <= HeaviestPiece))
            yield return new($"{path}.mass", "kitchens.one-weighs-nothing-more", "kitchens.one-weighs-nothing-more.do");
        var wrong = Measured($"{path}.", kind.Measures, size.Measures).ToList();
        foreach (var problem in wrong)
            yield return problem;
        if (wrong.Count > 0 || !(size.Mass >= least && size.Mass <= HeaviestPiece))
            yield break;

        double Si(string code) => ShapeKind.Si(kind.Measures.First(m => m.Code == code).Unit, size.Measures[code]);
        if (kind.Contradiction(Si) is { } contradiction)
        {
            yield return new($"{path}.measures", contradiction.Reason, contradiction.Remedy);
            yield break;
        }

        var shape = kind.Make(Si);
        var density = new Density(size.Mass / 1000 / shape.WholeVolume.Si);
        if (holding is not Holding.Mould && size.Mass > 0 && (density > Heaviest || density < Lightest))
        {
            yield return new(
                $"{path}.mass",
                density > Heaviest
                    ? Message.Of("kitchens.g-heavier-anything-edible", ("mass", size.Mass), ("wholeVolume", shape.WholeVolume))
                    : Message.Of("kitchens.g-lighter-marshmallow-mass", ("mass", size.Mass), ("wholeVolume", shape.WholeVolume)),
                "kitchens.measure-again-lengths-millimetres");
        }
    }

    private static IEnumerable<Problem> Measured(string path, IReadOnlyList<Measure> wanted, IReadOnlyDictionary<string, double> given)
    {
        foreach (var measure in wanted)
        {
            if (!given.TryGetValue(measure.Code, out var value))
                yield return new(
                    $"{path}measures.{measure.Code}",
                    Message.Of("kitchens.there-is-no", ("measure", measure.Name)),
                    "kitchens.there-is-no.do");
            else if (!(value >= measure.Least && value <= measure.Most))
                yield return new(
                    $"{path}measures.{measure.Code}",
                    Message.Of("kitchens.cannot", ("measure", measure.Name), ("value", value), ("unit", measure.Unit)),
                    Message.Of("kitchens.type-value-between", ("least", measure.Least), ("most", measure.Most), ("unit", measure.Unit)));
        }
    }

    internal static IEnumerable<Problem> Named(string code, string name)
    {
        foreach (var problem in Coded(code))
            yield return problem;
        if (string.IsNullOrWhiteSpace(name) || name.Length > LongestName)
            yield return new(
                "name", Message.Of("kitchens.name-longer-characters", ("longestName", LongestName)), "kitchens.type-what-call");
    }

    private static IEnumerable<Problem> Coded(string code)
    {
        if (!Code().IsMatch(code))
            yield return new("code", Message.Of("kitchens.not-code", ("code", code)), "kitchens.not-code.do");
    }

    [GeneratedRegex("^[A-Za-z0-9-]{1,60}$")]
    private static partial Regex Code();
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Kitchens;

/// <summary>Lays what a maker has told over the shipped tables.</summary>
public static partial class OwnTables
{
    // Luminance, as WCAG 2.2 defines it, from which a colour counts as pale and below which as deep.
    private const double PaleFrom = 0.45;
    private const double DeepBelow = 0.12;
    private const double Unchanged = 1e-5;

    // Where the maker's own centre has no shipped one to take them from.
    private static readonly Sourced<Share> UsualStick = new(new(1), new(Tag.Estimate, "like a smooth solid, until weighed"));
    private static readonly Sourced<HeatCapacity> UsualHeat = new(
        Quantities.Of<HeatCapacity>(2.0, "kJ/kg·K"), new(Tag.Estimate, "like most sweets, until measured"));
    private static readonly Sourced<Density> UsualDensity = new(
        Quantities.Of<Density>(1.2, "g/mL"), new(Tag.Estimate, "like most fillings, until measured"));
    private static readonly AreaDensity UsualPerArea = Quantities.Of<AreaDensity>(0.2, "g/cm²");
    private static readonly Sourced<Length> UsualGap = new(Quantities.Of<Length>(10, "mm"), new(Tag.Estimate, "a finger's width"));

    /// <summary>The kitchen's tables. Everything given must have passed <see cref="OwnCheck"/>.</summary>
    public static KitchenTables For(KitchenTables nothingTold, OwnThings own)
    {
        var (shipped, usual) = (nothingTold.Reference, nothingTold.Profile);
        var ways = own.Ways;
        var coatings = Over(shipped.Coatings, own.Coatings.Select(c => Coating(c, shipped)), c => c.Code);
        var owned = shipped.Vessels.Where(v => ways.WithoutVessels?.Contains(v.Code) is not true);
        var vessels = Over([.. owned], own.Vessels.Select(Vessel), v => v.Code);
        var centres = Over(shipped.Centres, own.Centres.Select(c => Centre(c, shipped)), c => c.Code);
        var pieces = shipped with { Centres = centres };
        var reference = WithWays(shipped, ways) with
        {
            Centres = centres,
            Figures = Over(
                [.. shipped.Figures.Select(f => f.Figure!.From(centres).Named(f.Code, f.Name, f.Plural))],
                own.Figures.Select(f => f.From(centres)).OfType<Centre>(),
                f => f.Code),
            Coatings = coatings,
            Tints = Over(
                shipped.Tints, own.Tints.Select(t => new Tint(t.Code, t.Name, t.Carrier, t.Swatch, t.Drops, Source.Kitchen)), t => t.Code),
            Vessels = vessels.Count > 0 ? vessels : shipped.Vessels,
            Wares = Wares(shipped.Wares, own.Wares),
            Ingredients = [
                .. shipped.Ingredients,
                .. own.Fillings.SelectMany(f => f.Mix)
                    .Where(m => m.Ingredient is null)
                    .DistinctBy(OwnCode)
                    .Select(m => new Ingredient(OwnCode(m), m.Name, m.Allergens, [])),
            ],
            Fillings = Over(shipped.Fillings, own.Fillings.Select(Filling), f => f.Code),
            Moulds = Over(shipped.Moulds, own.Moulds.Select(Mould), m => m.Code),
            Pricing = Pricing(shipped.Pricing, own.Rates),
            Decor = shipped.Decor with
            {
                Sprinkles = Over(
                    shipped.Decor.Sprinkles, own.Toppings.Select(t => Topping(t, nothingTold with { Reference = pieces })), s => s.Code),
                Parts = Over(shipped.Decor.Parts, own.Parts.Select(p => Part(p, shipped)), p => p.Code),
            },
            Words = shipped.Words with { Own = own.Words.DistinctBy(w => w.Word).ToDictionary(w => w.Word, w => w.Means) },
            Setting = shipped.Setting with { Places = Over(shipped.Setting.Places, own.Places.Select(Place), p => p.Code) },
        };
        var usually = coatings.Any(c => c.Code == ways.Coating) ? ways.Coating! : usual.Habits.Coating;
        var habits = new Habits(usually, ways.Thinner, ways.Schools, ways.Vessels);
        return nothingTold with { Reference = reference, Profile = new(own.Working ?? usual.Working, habits) };
    }

    /// <summary>The tables with the kitchen's own ways of working.</summary>
    private static ReferenceData WithWays(ReferenceData shipped, Ways ways) => shipped with
    {
        Film = shipped.Film with
        {
            Shake = ways.Shake ?? shipped.Film.Shake,
            DripTime = Set(ways.DripTime is { } s ? Duration.FromSeconds(s) : null, shipped.Film.DripTime),
        },
        Decorating = shipped.Decorating with
        {
            HandSpeed = Set(
            ways.HandSpeed is { } v ? Quantities.Of<Speed>(v, "mm/s") : null, shipped.Decorating.HandSpeed)
        },
        Pot = shipped.Pot with
        {
            Margin = Set(ways.Margin is { } m ? new Share(m) : null, shipped.Pot.Margin),
            Certainty = ways.Certainty is { } certainty ? new Share(certainty) : null,
        },
        Thinning = shipped.Thinning with
        {
            Target = Set(
            ways.Film is { } f ? Quantities.Of<Length>(f, "mm") : null, shipped.Thinning.Target)
        },
    };

    private static Place Place(OwnPlace own) =>
        new(
            own.Code,
            own.Name,
            new(Quantities.Of<Temperature>(own.Air, "°C"), Source.Kitchen),
            new(new(own.Humidity), Source.Kitchen),
            own.Trays);

    /// <summary>Code of an ingredient of the maker's own: by its name, so that recipes share it.</summary>
    internal static string OwnCode(OwnMix mix) =>
        mix.Ingredient ?? $"own-{string.Concat(mix.Name.Trim().ToLowerInvariant().Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-'))}";

    private static Filling Filling(OwnFilling own) => new(
        own.Code,
        own.Name,
        own.Makes,
        [.. own.Mix.Select(m => new MixPart(OwnCode(m), new(new(m.Grams / own.Mix[0].Grams), Source.Kitchen)))],
        own.Each,
        new(Quantities.Of<Mass>(own.Portion, "g"), Source.Kitchen),
        UsualDensity,
        new(new(own.Loss), Source.Kitchen),
        own.Note,
        Steps:
        [
            .. own.Steps.Select((s, i) => new PrepRule(
                $"own-{i}", [], s.Text, s.Why, Source.Kitchen, s.Place,
                s.Seconds > 0 ? Mine(Duration.FromSeconds(s.Seconds)) : null,
                s.Hands > 0 ? Mine(Duration.FromMinutes(s.Hands)) : null,
                s.Wait > 0 ? Mine(Duration.FromMinutes(s.Wait)) : null)),
        ]);

    private static Mould Mould(OwnMould own)
    {
        var measures = Core.Moulds.Mould.MeasuresOf(own.Kind);
        return Core.Moulds.Mould.Make(
            own.Code, own.Name, own.Kind, [
                .. measures.Select(m => new WorkingLine(Message.ByName(m.Name), "", own.Measures[m.Code], m.Unit, Source.Kitchen)),
            ],
            code => ShapeKind.Si(measures.Single(m => m.Code == code).Unit, own.Measures[code]), own.Flush, own.Cavities, own.Trays);
    }

    private static Sourced<T> Set<T>(T? own, Sourced<T> shipped)
        where T : struct => own is { } value ? new(value, Source.Kitchen) : shipped;

    private static List<T> Over<T>(IReadOnlyList<T> shipped, IEnumerable<T> own, Func<T, string> code)
    {
        var mine = own.ToList();
        return [.. shipped.Select(s => mine.Find(o => code(o) == code(s)) ?? s), .. mine.Where(o => shipped.All(s => code(s) != code(o)))];
    }

    private static WareTable Wares(WareTable shipped, IReadOnlyList<OwnWare> own)
    {
        var packs = new Dictionary<string, IReadOnlyList<PackRow>>(shipped.Packs);
        foreach (var ware in own.Where(w => w.Packs is not null))
            packs[ware.Code] = [.. ware.Packs!.Select(p => new PackRow(Mine(new Money(p.Price)), p.Holds))];
        var told = own.Where(w => w.Code.StartsWith("supply.", StringComparison.Ordinal)).ToDictionary(w => w.Code["supply.".Length..]);
        return shipped with
        {
            Packs = packs,
            Supplies =
            [
                .. shipped.Supplies.Select(s => Boxed(s, told.GetValueOrDefault(s.Code)?.Box)),
                .. told.Where(t => shipped.Supplies.All(s => s.Code != t.Key))
                    .Select(t => Boxed(new(t.Key, t.Value.Name, t.Value.Unit, shipped.Sections["supply"]), t.Value.Box)),
            ],
            Low = own.Where(w => w.Low > 0)
            .ToDictionary(w => w.Code, w => w.Low)
        };
    }

    private static Supply Boxed(Supply supply, OwnBox? box) => box is null
        ? supply
        : supply with
        {
            Rows = box.Rows,
            Columns = box.Columns,
            Packs = box.Rows > 0 ? PackKind.Grid : PackKind.Flat,
            Wide = Mine(Quantities.Of<Length>(box.Wide, "mm")),
            Deep = Mine(Quantities.Of<Length>(box.Deep, "mm")),
            High = Mine(Quantities.Of<Length>(box.High, "mm")),
        };

    private static PriceConstants Pricing(PriceConstants shipped, Rates rates) => shipped with
    {
        Hour = Set(rates.Hour is { } h ? new Money(h) : null, shipped.Hour),
        FuelPerHour = Set(rates.FuelPerHour is { } f ? new Money(f) : null, shipped.FuelPerHour),
        Margin = Set(rates.Margin is { } m ? new Share(m) : null, shipped.Margin),
        Step = Set(rates.Step is { } s ? new Money(s) : null, shipped.Step),
        Deposit = Set(rates.Deposit is { } d ? new Share(d) : null, shipped.Deposit),
        QuoteDays = Set(rates.QuoteDays is { } days ? Duration.FromDays(days) : null, shipped.QuoteDays),
        Contact = rates.Contact ?? shipped.Contact,
        Terms = rates.Terms ?? shipped.Terms,
    };

    private static Sourced<T> Mine<T>(T value) => new(value, Source.Kitchen);

    /// <summary>A value that the maker left as it was keeps its source.</summary>
    private static Sourced<T> Mine<T>(T value, Sourced<T>? shipped)
        where T : struct, IQuantity<T> =>
        shipped is not null && Math.Abs(shipped.Value.Si - value.Si) <= Math.Abs(value.Si) * Unchanged ? shipped : Mine(value);

    private static Centre Centre(OwnCentre own, ReferenceData shipped)
    {
        var (kind, like) = (ShapeKind.Of(own.Shape)!, shipped.Centre(own.Code));
        return new(
            own.Code,
            own.Name,
            own.Plural,
            own.Shape,
            own.Holding,
            own.Upright,
            Mine(new Share(own.UsualDepth), like?.UsualDepth),
            like?.Depths ?? [new(1), new(0.75), new(0.5)],
            like?.Deepest ?? Mine(new Share(1)),
            like?.DeepestReason ?? "",
            like?.LeastCoats ?? 1,
            Mine(new Share(own.Spoil), like?.Spoil),
            like?.Stick ?? UsualStick,
            like?.HeatCapacity ?? UsualHeat,
            like?.TrayGap ?? UsualGap,
            own.Pack,
            like is { PackName.Count: 2 } ? like.PackName : ["pack", "packs"],
            own.Allergens,
            own.Prep,
            [.. own.Sizes.Select(s => Size(s, kind, like?.Shape == own.Shape ? like.Size(s.Code) : null))],
            like?.Contact,
            like?.ServedCold ?? false,
            MayContain: own.MayContain,
            OnStick: like?.OnStick ?? OnStick.Push);
    }

    private static CentreSize Size(OwnSize own, ShapeKind kind, CentreSize? like) => new(
        own.Code,
        own.Name,
        kind.Make(code => ShapeKind.Si(kind.Measures.First(m => m.Code == code).Unit, own.Measures[code])),
        [
            .. kind.Measures.Select(m => like?.Measures.FirstOrDefault(l => l.What == Message.ByName(m.Name)
                && l.Value == own.Measures[m.Code])
                ?? new(Message.ByName(m.Name), "", own.Measures[m.Code], m.Unit, Source.Kitchen)),
        ],
        Mine(Quantities.Of<Mass>(own.Mass, "g"), like?.Mass));

    private static Coating Coating(OwnCoating own, ReferenceData shipped)
    {
        var like = shipped.Coating(own.Code);

        // What no label says is taken from the shipped coating that is most like it.
        var kin = like ?? shipped.Coatings.First(c => (c.Temper is not null) == own.Couverture);
        Sourced<Temperature> Celsius(double t, Sourced<Temperature>? shipped = null) => Mine(Quantities.Of<Temperature>(t, "°C"), shipped);
        return new(
            own.Code,
            own.Name,
            own.Couverture ? "couverture" : "compound",
            Mine(new Share(own.FatPerServing / own.Serving), like?.Fat),
            kin.Viscosity,
            kin.Yield,
            kin.Family,
            own.Thinners.Contains(kin.Wants ?? "") ? kin.Wants : null,
            like is not null && like.MeltTo.Value.In("°C") <= own.MeltAtMost ? like.MeltTo : Celsius(own.MeltAtMost),
            Celsius(own.MeltAtMost, like?.MeltAtMost),
            Celsius(own.DipFrom, like?.DipFrom),
            Celsius(own.DipTo, like?.DipTo),
            like?.DrizzleFrom ?? Celsius(own.DipFrom),
            like?.DrizzleTo ?? Celsius(own.DipTo),
            own.Thinners,
            own.Allergens,
            like?.Note ?? "",
            like?.Temper,
            [.. own.Packs.Select(p => Pack(p, like))],
            [
                .. own.Colours.Select(c => like?.Colours.FirstOrDefault(l => l.Code == c.Code && l.Name == c.Name && l.Srgb == c.Srgb)
                    ?? new(c.Code, c.Name, c.Srgb.ToLowerInvariant(), CoverOf(c.Srgb), c.Mixed)),
            ],
            own.MayContain);
    }

    private static CoatingPack Pack(OwnPack own, Coating? like)
    {
        var mass = Quantities.Of<Mass>(own.Mass, "g");
        var shipped = like?.Packs.FirstOrDefault(p => Math.Abs(p.Mass.Value.Si - mass.Si) <= mass.Si * Unchanged);
        var price = !own.Paid && shipped?.Price.Value.Amount == own.Price ? shipped.Price : Mine(new Money(own.Price));
        return new(Mine(mass, shipped?.Mass), price, own.Coupon is { } coupon ? new Money(coupon) : null, own.Coupons);
    }

    private static Sprinkle Topping(OwnTopping own, KitchenTables tables)
    {
        var like = tables.Reference.Decor.Sprinkle(own.Code);
        var perArea = own.Weighed is { } weighed ? PerArea(weighed, tables) : Quantities.Of<AreaDensity>(own.PerArea!.Value, "g/cm²");
        return new(
            own.Code, own.Name, Mine(
                perArea, like?.PerArea), Mine(
                    Quantities.Of<Length>(own.Grain, "mm"), like?.Grain), own.Form, own.Srgb, own.Heavy, own.Allergens,
            like?.How ?? Plainly(own.Only is GoesOn.Set ? "decoration.glue-first" : "decoration.scatter"),
            own.MayContain, own.Only, own.Words);
    }

    /// <summary>What was weighed on pieces, by the area of their coat that it covered.</summary>
    private static AreaDensity PerArea(WeighedTopping weighed, KitchenTables tables)
    {
        var coating = tables.Reference.Coating(tables.Profile.Habits.Coating)!;
        var known = tables.Reference.Decor.Sprinkles[0];
        if (tables.Reference.Centre(weighed.Centre) is not { } centre)
            return UsualPerArea;
        LineDraft line = new(
            centre.Code, weighed.Size, 1, CountedIn.Pieces, coating.Code, coating.Colours[0].Code, centre.UsualDepth.Value.Si,
            centre.LeastCoats,
            Decor: Decor.None with { Sprinkles = [new(known.Code, weighed.Side, weighed.Cover, known.Only is GoesOn.Set)] });
        var order = new OrderDraft([line]);
        if (CoatingTally.For(order, tables, default).Lines is not [{ Look.Sprinkles: [{ Mass.Value: var piece }] }])
            return UsualPerArea;
        return new(known.PerArea.Value.Si * weighed.Grams / weighed.Pieces / piece.In("g"));
    }

    /// <summary>A sentence of the catalogue as the reference data write theirs.</summary>
    private static string Plainly(string code) => Catalogue.Say(code, Voice.Plain);

    private static Part Part(OwnPart own, ReferenceData shipped)
    {
        var like = shipped.Decor.Part(own.Code);
        return new(
            own.Code, own.Name, own.Plural, Mine(
                Quantities.Of<Length>(own.Across, "mm"), like?.Across), Mine(Quantities.Of<Mass>(own.Dot, "g"), like?.Dot), own.Srgb,
            like?.How ?? Plainly(own.Only is GoesOn.Wet ? "decoration.press-on" : "decoration.dot-of-coat"),
            like?.Mould, own.Allergens, own.MayContain, own.Only, own.Words);
    }

    private static Vessel Vessel(OwnVessel own)
    {
        var kind = VesselKind.Of(own.Kind)!;
        return kind.Make(
            own.Code,
            own.Name,
            [.. kind.Measures.Select(m => new WorkingLine(Message.ByName(m.Name), "", own.Measures[m.Code], m.Unit, Source.Kitchen))],
            code => ShapeKind.Si(kind.Measures.First(m => m.Code == code).Unit, own.Measures[code]));
    }

    private static Cover CoverOf(string srgb)
    {
        double Channel(int at)
        {
            var v = Convert.ToInt32(srgb.Substring(at, 2), 16) / 255.0;
            return v <= 0.04045 ? v / 12.92 : Math.Pow((v + 0.055) / 1.055, 2.4);
        }

        var luminance = (0.2126 * Channel(1)) + (0.7152 * Channel(3)) + (0.0722 * Channel(5));
        return luminance switch { >= PaleFrom => Cover.Pale, < DeepBelow => Cover.Deep, _ => Cover.Middle };
    }
}

using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Moulds;
using Kondiba.Core.Reference;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;

namespace Kondiba.Core.Kitchens;

/// <content>The other way round: what a table holds, as a maker would have entered it.</content>
public static partial class OwnTables
{
    /// <summary>How things are done where nothing was said, in the form that it is entered in.</summary>
    public static Ways Entered(KitchenTables shipped) => new(
        shipped.Profile.Habits.Coating,
        shipped.Profile.Habits.Thinner,
        shipped.Reference.Thinning.Target.Value.In("mm"),
        shipped.Reference.Pot.Margin.Value.Si,
        shipped.Reference.Film.Shake,
        shipped.Reference.Film.DripTime.Value.TotalSeconds,
        shipped.Reference.Decorating.HandSpeed.Value.In("mm/s"),
        []);

    /// <summary>How prices are made where nothing was said, in the form that it is entered in.</summary>
    public static Rates Rates(ReferenceData shipped)
    {
        var c = shipped.Pricing;
        return new(
            c.Hour.Value.Amount,
            c.FuelPerHour.Value.Amount,
            c.Margin.Value.Si,
            c.Step.Value.Amount,
            c.Deposit.Value.Si,
            c.Terms,
            (int)c.QuoteDays.Value.TotalDays,
            c.Contact);
    }

    /// <summary>A box in the form that it is entered in, to be changed; null for what is none.</summary>
    public static OwnBox? Entered(Supply supply) => supply is { Wide: { } wide, Deep: { } deep, High: { } high }
        ? new(supply.Rows, supply.Columns, wide.Value.In("mm"), deep.Value.In("mm"), high.Value.In("mm"))
        : null;

    /// <summary>A shipped or own centre in the form that it is entered in, to be changed.</summary>
    public static OwnCentre Entered(Centre centre) => new(
        centre.Code,
        centre.Name,
        centre.Plural,
        centre.Shape,
        centre.Holding,
        centre.Upright,
        centre.UsualDepth.Value.Si,
        centre.Spoil.Value.Si,
        centre.Pack,
        centre.Allergens,
        centre.Prep,
        [
            .. centre.Sizes.Select(s => new OwnSize(s.Code, s.Name, s.Mass.Value.In(
                "g"), ShapeKind.Of(centre.Shape)!.Measures.Zip(s.Measures)
                .ToDictionary(m => m.First.Code, m => m.Second.Value))),
        ],
        centre.MayContain);

    /// <summary>A shipped or own coating in the form that it is entered in, to be changed.</summary>
    public static OwnCoating Entered(Coating coating) => new(
        coating.Code,
        coating.Name,
        coating.Kind == "couverture",
        Math.Round(coating.Fat.Value.In("%"), 2),
        100,
        Math.Round(coating.MeltAtMost.Value.In("°C"), 1),
        Math.Round(coating.DipFrom.Value.In("°C"), 1),
        Math.Round(coating.DipTo.Value.In("°C"), 1),
        coating.Thinners,
        coating.Allergens,
        [.. coating.Packs.Select(p => new OwnPack(Math.Round(p.Mass.Value.In("g"), 3), p.Price.Value.Amount, p.Coupon?.Amount, p.Coupons))],
        [.. coating.Colours.Select(c => new OwnColour(c.Code, c.Name, c.Srgb, c.Mixed))],
        coating.MayContain);

    /// <summary>A concentrated colour in the form that it is entered in.</summary>
    public static OwnTint Entered(Tint tint) => new(tint.Code, tint.Name, tint.Carrier, tint.Swatch, tint.Drops);

    /// <summary>A vessel in the form that it is entered in.</summary>
    public static OwnVessel Entered(Vessel vessel) => new(
        vessel.Code, vessel.Name, vessel.Kind, VesselKind.Of(vessel.Kind)!.Measures.Zip(vessel.Measures)
            .ToDictionary(m => m.First.Code, m => m.Second.Value));

    /// <summary>A recipe in the form that it is entered in, for one piece.</summary>
    /// <param name="filling">The recipe.</param>
    /// <param name="steps">Its steps.</param>
    public static OwnFilling Entered(Filling filling, IReadOnlyList<PrepRule> steps) => new(
        filling.Code,
        filling.Name,
        filling.Makes,
        filling.Note,
        [.. filling.Mix.Select(m => new OwnMix(m.Ingredient, "", Math.Round(m.Share.Value.Si * 100, 3)))],
        filling.Each,
        Math.Round(filling.Portion.Value.In("g"), 3),
        filling.Loss.Value.Si,
        [.. steps.Select(s => new OwnStep(
            s.Text,
            s.Why,
            s.Place,
            (s.Once?.Value ?? NodaTime.Duration.Zero).TotalMinutes,
            (s.Wait?.Value ?? NodaTime.Duration.Zero).TotalMinutes,
            (s.Each?.Value ?? NodaTime.Duration.Zero).TotalSeconds))]);

    /// <summary>A place in the form that it is entered in.</summary>
    public static OwnPlace Entered(Place place) =>
        new(place.Code, place.Name, Math.Round(place.Air.Value.In("°C"), 1), Math.Round(place.Humidity.Value.Si, 3), place.Trays);

    /// <summary>A mould in the form that it is entered in.</summary>
    public static OwnMould Entered(Mould mould) => new(
        mould.Code, mould.Name, mould.Kind, Core.Moulds.Mould.MeasuresOf(mould.Kind)
            .Zip(mould.Measures)
            .ToDictionary(m => m.First.Code, m => m.Second.Value), mould.Flush, mould.Cavities, mould.Trays);

    /// <summary>A topping in the form that it is entered in.</summary>
    public static OwnTopping Entered(Sprinkle sprinkle) => new(
        sprinkle.Code, sprinkle.Name, Math.Round(
            sprinkle.PerArea.Value.In("g/cm²"), 4), null, Math.Round(
                sprinkle.Grain.Value.In("mm"), 2), sprinkle.Form, sprinkle.Srgb, sprinkle.Heavy, sprinkle.Only,
        sprinkle.Allergens, sprinkle.MayContain, sprinkle.Words);

    /// <summary>A part in the form that it is entered in.</summary>
    public static OwnPart Entered(Part part) => new(
        part.Code, part.Name, part.Plural, Math.Round(
            part.Across.Value.In("mm"), 2), Math.Round(
                part.Dot.Value.In("g"), 3), part.Srgb, part.Only, part.Allergens, part.MayContain, part.Words);
}

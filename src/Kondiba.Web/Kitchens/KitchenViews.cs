using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using NodaTime;

namespace Kondiba.Web.Kitchens;

/// <summary>The kitchen that is open.</summary>
/// <param name="Name">Its name.</param>
/// <param name="IsSample">Whether it is the sample kitchen.</param>
/// <param name="Units">The units it reads.</param>
/// <param name="Language">The English it reads.</param>
/// <param name="Locale">How it writes numbers, dates and times.</param>
/// <param name="Currency">What it is paid in.</param>
/// <param name="Now">The kitchen's clock.</param>
public sealed record KitchenView(
    string Name, bool IsSample, Units Units, Language Language, string Locale, string Currency, LocalDateTime Now);

/// <summary>A change to the kitchen.</summary>
/// <param name="Units">The units it is to read; null to leave them.</param>
/// <param name="Language">The English it is to read; null to leave it.</param>
/// <param name="Name">Its name; null leaves it.</param>
/// <param name="Locale">Code of the locale that it is to write as; null leaves it.</param>
/// <param name="Currency">Code of the currency that it is to be paid in; null leaves it. What prices there are keep their figures.</param>
public sealed record KitchenChange(
    Units? Units = null, string? Name = null, Language? Language = null, string? Locale = null, string? Currency = null);

/// <summary>That a kitchen is to be deleted.</summary>
/// <param name="Name">Its name, typed by who wants it.</param>
public sealed record KitchenDeletion(string Name);

/// <summary>What can be changed of a kitchen, in the form that it is entered in.</summary>
/// <param name="Ways">How things are done here.</param>
/// <param name="ShippedWays">How they are commonly done.</param>
/// <param name="Centres">Every centre, shipped or own.</param>
/// <param name="Coatings">Every coating, shipped or own.</param>
/// <param name="Tints">Every concentrated colour, shipped or own.</param>
/// <param name="Vessels">The maker's own vessels.</param>
/// <param name="Moulds">Every mould, shipped or own.</param>
/// <param name="Places">Every place to set, shipped or own; the room first.</param>
/// <param name="Toppings">Every topping, shipped or own.</param>
/// <param name="Parts">Every part that is pressed or glued on, shipped or own.</param>
/// <param name="Words">The maker's own words.</param>
/// <param name="Figures">Every figure, shipped or own.</param>
/// <param name="Working">Hours, hands and warm places.</param>
/// <param name="Rates">How prices are made; null for who sees no prices.</param>
/// <param name="ShippedRates">How they are made where nothing was said.</param>
/// <param name="ShippedVessels">Vessels that a kitchen has unless it says otherwise.</param>
/// <param name="Labels">What labels say and are printed on.</param>
/// <param name="Own">
/// Codes of the centres, coatings, moulds, places, toppings, parts and figures that the maker has entered or changed.
/// </param>
/// <param name="Shipped">Codes of those that can be had back as they were.</param>
public sealed record KitchenThingsView(
    Ways Ways,
    Ways ShippedWays,
    IReadOnlyList<OwnCentre> Centres,
    IReadOnlyList<OwnCoating> Coatings,
    IReadOnlyList<TintItem> Tints,
    IReadOnlyList<OwnVessel> Vessels,
    IReadOnlyList<OwnMould> Moulds,
    IReadOnlyList<OwnPlace> Places,
    IReadOnlyList<OwnTopping> Toppings,
    IReadOnlyList<OwnPart> Parts,
    IReadOnlyList<OwnWord> Words,
    IReadOnlyList<OwnFigure> Figures,
    Working Working,
    Rates? Rates,
    Rates? ShippedRates,
    IReadOnlyList<OwnVessel> ShippedVessels,
    LabelSettings Labels,
    IReadOnlyList<string> Own,
    IReadOnlyList<string> Shipped);

/// <summary>A concentrated colour, and whether the maker has entered or changed it, and can have it back as it was.</summary>
public sealed record TintItem(OwnTint Tint, bool Own, bool Shipped);

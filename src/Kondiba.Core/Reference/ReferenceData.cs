using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Films;
using Kondiba.Core.Learning;
using Kondiba.Core.Melting;
using Kondiba.Core.Moulds;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Thinning;
using Kondiba.Core.Troubles;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Reference;

/// <summary>
/// The trade's tables: what ships with the product, or that with a kitchen's own things in place. Read once from the embedded JSON.
/// </summary>
/// <param name="Centres">What gets dipped.</param>
/// <param name="Figures">Pieces put together from several centres, each as the centre that is its body.</param>
/// <param name="Coatings">What it is dipped in.</param>
/// <param name="Thinners">What it is thinned with.</param>
/// <param name="Tints">What it is coloured with.</param>
/// <param name="Decor">What it is decorated with.</param>
/// <param name="Vessels">What the coating stands in.</param>
/// <param name="Dipping">Ways of dipping.</param>
/// <param name="Film">Constants of the film model.</param>
/// <param name="Pot">Constants of a pot.</param>
/// <param name="Tray">The sheet that pieces are laid on.</param>
/// <param name="Setting">Constants of the setting model.</param>
/// <param name="Melting">Constants of melting.</param>
/// <param name="LivePot">Constants of a pot that is followed.</param>
/// <param name="Thinning">Constants of thinning.</param>
/// <param name="Colour">Constants of mixing colours.</param>
/// <param name="Leftovers">Constants of leftovers.</param>
/// <param name="Decorating">Constants of decorating.</param>
/// <param name="Words">What makers call things.</param>
/// <param name="Wares">Packs, sticks and packing.</param>
/// <param name="Keeping">How long pieces keep.</param>
/// <param name="Allergens">Allergens that a label must name.</param>
/// <param name="Pricing">Constants of costs and prices.</param>
/// <param name="Ingredients">What fillings are made of.</param>
/// <param name="Fillings">Recipes for centres and accents that are made at home.</param>
/// <param name="Scoops">What fillings are portioned with.</param>
/// <param name="Moulds">Moulds with their cavities.</param>
/// <param name="Moulding">Constants of moulding.</param>
/// <param name="PrepRules">Steps before and after dipping, in the order of the hands.</param>
/// <param name="Schools">Matters in which makers differ.</param>
/// <param name="Prep">Constants of preparing.</param>
/// <param name="Planning">Constants of planning.</param>
/// <param name="Exercises">What is tried at the practice pot.</param>
/// <param name="Learning">Constants of learning.</param>
/// <param name="Troubles">What goes wrong, and why.</param>
/// <param name="Packing">Constants of packing and of labels.</param>
/// <param name="LabelStocks">Sheets that labels are printed on.</param>
/// <param name="Safety">What to mind so that nobody comes to harm.</param>
/// <param name="Handbook">The trade's words and rules.</param>
public sealed record ReferenceData(
    IReadOnlyList<Centre> Centres,
    IReadOnlyList<Centre> Figures,
    IReadOnlyList<Coating> Coatings,
    IReadOnlyList<Thinner> Thinners,
    IReadOnlyList<Tint> Tints,
    DecorTables Decor,
    IReadOnlyList<Vessel> Vessels,
    DippingWays Dipping,
    FilmConstants Film,
    PotConstants Pot,
    TraySheet Tray,
    SettingConstants Setting,
    MeltConstants Melting,
    LivePotConstants LivePot,
    ThinningConstants Thinning,
    ColourConstants Colour,
    LeftoverConstants Leftovers,
    DecorConstants Decorating,
    Words Words,
    WareTable Wares,
    IReadOnlyList<Keeping> Keeping,
    IReadOnlyList<Allergen> Allergens,
    PriceConstants Pricing,
    IReadOnlyList<Ingredient> Ingredients,
    IReadOnlyList<Filling> Fillings,
    IReadOnlyList<Scoop> Scoops,
    IReadOnlyList<Mould> Moulds,
    MouldConstants Moulding,
    IReadOnlyList<PrepRule> PrepRules,
    IReadOnlyList<School> Schools,
    PrepConstants Prep,
    PlanConstants Planning,
    Exercises Exercises,
    LearningConstants Learning,
    TroubleTables Troubles,
    PackingConstants Packing,
    IReadOnlyList<LabelStock> LabelStocks,
    IReadOnlyList<SafetyRule> Safety,
    IReadOnlyList<HandbookText> Handbook)
{
    private Listed? listed;

    /// <summary>The tables that ship with the product.</summary>
    public static ReferenceData Shipped { get; } = ReferenceFiles.Read();

    /// <summary>The centre or figure of that code, or null.</summary>
    public Centre? Centre(string? code) => Centres.FirstOrDefault(c => c.Code == code) ?? Figures.FirstOrDefault(c => c.Code == code);

    /// <summary>The ingredient of that code, or null.</summary>
    public Ingredient? Ingredient(string? code) => Ingredients.FirstOrDefault(i => i.Code == code);

    /// <summary>The mould of that code, or null.</summary>
    public Mould? Mould(string? code) => Moulds.FirstOrDefault(m => m.Code == code);

    /// <summary>The vessel of that code, or null.</summary>
    public Vessel? Vessel(string? code) => Vessels.FirstOrDefault(v => v.Code == code);

    /// <summary>The coating of that code, or null.</summary>
    public Coating? Coating(string? code) => Coatings.FirstOrDefault(c => c.Code == code);

    /// <summary>How long a centre keeps; null when nothing is known. A figure keeps as long as its body.</summary>
    public Keeping? KeepingOf(Centre centre) => Keeping.FirstOrDefault(k => k.Centres.Contains(centre.Figure?.Body.Code ?? centre.Code));

    /// <summary>How pieces are to be kept, kinds that want the same together.</summary>
    public IReadOnlyList<StorageAdvice> StorageOf(IEnumerable<Centre> centres) =>
    [
        .. from centre in centres.Distinct()
           let keeping = KeepingOf(centre)
           where keeping is not null
           group centre.Plural by keeping.Storage into same
           select new StorageAdvice(string.Join(", ", same), same.Key),
    ];

    /// <summary>How a filling is made: by its own steps, or by the rules of preparing that are for it.</summary>
    public IReadOnlyList<PrepRule> StepsOf(Filling filling) => filling.Steps ?? [.. PrepRules.Where(r => r.For.Contains(filling.Code))];

    /// <summary>The mould and the coating that a part is made with, when its draft says so and all of it is known.</summary>
    internal (Mould Mould, Coating Coating, CoatingColour Colour)? MouldedIn(Part kind, PartDraft draft) =>
        draft.Colour is not null
            && Mould(kind.Mould) is { } mould
            && Coating(draft.Coating) is { } coating
            && coating.Colour(draft.Colour) is { } colour
            ? (mould, coating, colour)
            : null;

    /// <summary>Every ware, by its code.</summary>
    public IReadOnlyDictionary<string, Ware> AllWares
    {
        get
        {
            // A copy with something changed carries the list of the tables that it was made from: it makes its own.
            if (!ReferenceEquals(listed?.Of, this))
                listed = new(this, WareList.Of(this));
            return listed!.Wares;
        }
    }

    private sealed record Listed(ReferenceData Of, IReadOnlyDictionary<string, Ware> Wares);

    /// <summary>The ware of that code, or null.</summary>
    public Ware? Ware(string code) => AllWares.GetValueOrDefault(code);

    /// <summary>The thinner of that code, or null.</summary>
    public Thinner? Thinner(string? code) => Thinners.FirstOrDefault(t => t.Code == code);

    /// <summary>The concentrated colour of that code, or null.</summary>
    public Tint? Tint(string? code) => Tints.FirstOrDefault(t => t.Code == code);

    /// <summary>Coating and colour of a pot's key, "coating.colour"; null where there is none.</summary>
    public (Coating? Coating, CoatingColour? Colour) PotOf(string key)
    {
        var dot = key.IndexOf('.', StringComparison.Ordinal);
        var coating = dot < 0 ? null : Coating(key[..dot]);
        return (coating, coating?.Colour(key[(dot + 1)..]));
    }

    /// <summary>
    /// A coating and its colour by their codes; what there is not is told by its field, "coating" or "colour", with what to do.
    /// </summary>
    public (Coating? Coating, CoatingColour? Colour) ColourOf(string? coatingCode, string? colourCode, TellError error)
    {
        var coating = Coating(coatingCode);
        var colour = coating?.Colour(colourCode);
        if (coating is null)
            error(
                "coating",
                Message.Of("reference.coating-called", ("coatingCode", coatingCode)),
                Message.Of("reference.coating-called.do", ("coatings", Argument.Of(Coatings.Select(c => c.Code)))));
        else if (colour is null)
            error(
                "colour",
                Message.Of("reference.colour-called", ("colourCode", colourCode), ("coating", coating.Name)),
                Message.Of("reference.colour-called.do", ("colours", Argument.Of(coating.Colours.Select(c => c.Code)))));
        return (coating, colour);
    }
}

using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Pantry;

/// <summary>What a ware is measured in.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<WareUnit>))]
public enum WareUnit
{
    /// <summary>By mass, in grams.</summary>
    [JsonStringEnumMemberName("g")]
    Grams,

    /// <summary>One by one.</summary>
    [JsonStringEnumMemberName("pieces")]
    Pieces,

    /// <summary>Drops of concentrated colour.</summary>
    [JsonStringEnumMemberName("drops")]
    Drops,

    /// <summary>By length, in metres.</summary>
    [JsonStringEnumMemberName("m")]
    Metres,
}

/// <summary>A pack that a ware is bought in.</summary>
/// <param name="Holds">What is in it, in the ware's unit.</param>
/// <param name="Price">Of one.</param>
/// <param name="Coupon">Taken off the price of one; null when there is no coupon.</param>
/// <param name="Coupons">Coupons at hand.</param>
public sealed record Pack(double Holds, Sourced<Money> Price, Money? Coupon = null, int Coupons = 0);

/// <summary>Something that is bought, kept in the pantry and used up.</summary>
/// <param name="Code">Its kind and what it is: "coating.chips.dark", "sprinkle.jimmies", "supply.box-12".</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Unit">What it is measured in.</param>
/// <param name="Section">Where in the shop it stands.</param>
/// <param name="Packs">Packs that it is bought in; none when no price is known.</param>
/// <param name="Low">Below this it is running low; 0 for no mark.</param>
public sealed record Ware(string Code, string Name, WareUnit Unit, string Section, IReadOnlyList<Pack> Packs, double Low = 0)
{
    /// <summary>Code of the ware that a colour of a coating is bought as.</summary>
    public static string OfColour(string coating, string bought) => $"coating.{coating}.{bought}";

    /// <summary>Code of a size of a centre.</summary>
    public static string OfCentre(Centre centre, CentreSize size) => $"centre.{centre.Code}.{size.Code}";
}

/// <summary>A pack as the table of wares writes it: what it holds, or its mass where pieces are sold by weight.</summary>
/// <param name="Price">Of one.</param>
/// <param name="Holds">In the ware's unit; 0 when sold by weight.</param>
/// <param name="Grams">Net mass, in g, when pieces are sold by weight.</param>
public sealed record PackRow(Sourced<Money> Price, double Holds = 0, double Grams = 0);

/// <summary>Something for packing, or a stick.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, several.</param>
/// <param name="Unit">What it is measured in.</param>
/// <param name="Section">Where in the shop it stands.</param>
/// <param name="Rows">Of a box, its rows; 0 for what has none.</param>
/// <param name="Columns">Pieces in a row.</param>
/// <param name="Long">Of a stick, its length; null for what is none.</param>
public sealed record Supply(
    string Code, string Name, WareUnit Unit, string Section, int Rows = 0, int Columns = 0, Sourced<Length>? Long = null);

/// <summary>The table of wares besides what the other tables name.</summary>
/// <param name="Sections">Where in the shop each kind of ware stands, in the order one walks: by kind.</param>
/// <param name="Supplies">Sticks and packing.</param>
/// <param name="Sticks">Code of the supply on which a centre is put, by the centre's code.</param>
/// <param name="Stick">Code of the supply for any other centre held by a stick.</param>
/// <param name="Packs">Packs, by the ware's code; a centre's stand for all its sizes.</param>
/// <param name="Low">The kitchen's own marks below which a ware runs low, by its code.</param>
public sealed record WareTable(
    IReadOnlyDictionary<string, string> Sections,
    IReadOnlyList<Supply> Supplies,
    IReadOnlyDictionary<string, string> Sticks,
    string Stick,
    IReadOnlyDictionary<string, IReadOnlyList<PackRow>> Packs,
    IReadOnlyDictionary<string, double> Low)
{
    private static readonly ConditionalWeakTable<TradeTables, Dictionary<string, Ware>> Known = [];

    /// <summary>Every ware of a kitchen, by its code.</summary>
    public static IReadOnlyDictionary<string, Ware> Of(TradeTables tables) =>
        Known.GetValue(tables, t => t.Wares.All(t).ToDictionary(w => w.Code));

    /// <summary>The ware of a kitchen's by its code.</summary>
    public static Ware? Find(TradeTables tables, string code) => Of(tables).GetValueOrDefault(code);

    /// <summary>The stick that a centre is put on; null when it wants none.</summary>
    /// <param name="centre">The centre.</param>
    /// <param name="on">What its line says of it; null for the usual one.</param>
    public Supply? StickFor(Centre centre, string? on)
    {
        var code = on switch
        {
            Making.NoStick => null,
            null => Sticks.GetValueOrDefault(centre.Code) ?? (centre.Holding is Holding.Stick ? Stick : null),
            _ => on,
        };
        return Supplies.FirstOrDefault(s => s.Code == code && s.Long is not null);
    }

    private IEnumerable<Ware> All(TradeTables tables)
    {
        Ware Make(string code, string name, WareUnit unit, string? section = null, IReadOnlyList<Pack>? packs = null) => new(
            code,
            name,
            unit,
            section ?? Sections[code[..code.IndexOf('.', StringComparison.Ordinal)]],
            packs ?? [.. Rows(code).Select(p => new Pack(p.Holds, p.Price))],
            Low.GetValueOrDefault(code));
        return
        [
            .. from coating in tables.Coatings
               from colour in coating.Colours
               where colour.Mixed is null
               select Make(
                   Ware.OfColour(coating.Code, colour.Code),
                   $"{colour.Name}, {coating.Name}",
                   WareUnit.Grams,
                   packs: [.. coating.Packs.Select(p => p.ToPack())]),
            .. tables.Thinners.Select(t => Make($"thinner.{t.Code}", t.Name, WareUnit.Grams)),
            .. tables.Tints.Select(t => Make(
                $"tint.{t.Code}", $"{t.Name} colour, {(t.Carrier is Colour.Carrier.Oil ? "oil" : "powder")}", WareUnit.Drops)),
            .. tables.Decor.Sprinkles.Select(s => Make($"sprinkle.{s.Code}", s.Name, WareUnit.Grams)),
            .. tables.Decor.Parts.Where(p => tables.Fillings.All(f => f.Makes != $"part.{p.Code}"))
                .Select(p => Make($"part.{p.Code}", p.Plural, WareUnit.Pieces)),
            .. tables.Decor.Lustres.Select(l => Make($"lustre.{l.Code}", l.Name, WareUnit.Grams)),
            .. from centre in tables.Centres
               from size in centre.Sizes
               where centre.Holding is not Holding.Mould
               let code = Ware.OfCentre(centre, size)
               select Make(
                   code,
                   size.Name.Length > 0 && centre.Sizes.Count > 1 ? $"{centre.Plural}, {size.Name}" : centre.Plural,
                   WareUnit.Pieces,
                   packs: [
                       .. Rows(
                           code, $"centre.{centre.Code}").Select(p => new Pack(
                               p.Grams > 0 ? Math.Floor(p.Grams / size.Mass.Value.In("g")) : p.Holds, p.Price))
                           .Where(p => p.Holds >= 1),
                   ]),
            .. tables.Ingredients.Where(i => i is { Ware: null, Tap: false })
                .Select(i => Make(i.BoughtAs, i.Name, i.One is null ? WareUnit.Grams : WareUnit.Pieces)),
            .. Supplies.Select(s => Make($"supply.{s.Code}", s.Name, s.Unit, s.Section)),
        ];
    }

    private IReadOnlyList<PackRow> Rows(string code, string? orOf = null) =>
        Packs.GetValueOrDefault(code) ?? Packs.GetValueOrDefault(orOf ?? "") ?? [];
}

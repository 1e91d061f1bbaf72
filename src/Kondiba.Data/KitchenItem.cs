using System.Text.Json;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Learning;
using Kondiba.Core.Reference;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace Kondiba.Data;

/// <summary>What an item of a kitchen is.</summary>
public enum ItemKind
{
    /// <summary>How things are done; one a kitchen.</summary>
    Ways,

    /// <summary>A centre of the maker's own.</summary>
    Centre,

    /// <summary>A coating of the maker's own.</summary>
    Coating,

    /// <summary>A concentrated colour of the maker's own.</summary>
    Tint,

    /// <summary>A vessel of the maker's own.</summary>
    Vessel,

    /// <summary>A look of the library.</summary>
    Look,

    /// <summary>Packs and the low mark of a ware, or a supply of the maker's own.</summary>
    Ware,

    /// <summary>What the maker's hour is worth and how prices are made; one a kitchen.</summary>
    Rates,

    /// <summary>A recipe of the maker's own.</summary>
    Filling,

    /// <summary>A mould of the maker's own.</summary>
    Mould,

    /// <summary>A place to set of the maker's own.</summary>
    Place,

    /// <summary>Hours, hands and warm places; one a kitchen.</summary>
    Working,

    /// <summary>A topping of the maker's own.</summary>
    Topping,

    /// <summary>A part of the maker's own.</summary>
    Part,

    /// <summary>A word of the maker's own.</summary>
    Word,

    /// <summary>A figure of the maker's own.</summary>
    Figure,

    /// <summary>What of its batches the maker wants learned; one a kitchen.</summary>
    Learning,

    /// <summary>What labels say and are printed on; one a kitchen.</summary>
    Labels,
}

/// <summary>Something a maker has told about the kitchen, kept as the record that Core reads.</summary>
public sealed class KitchenItem : IOfKitchen
{
    /// <summary>How records are kept in the database, which keeps no order of what is in them.</summary>
    public static JsonSerializerOptions Json { get; } = new JsonSerializerOptions(JsonSerializerDefaults.Web)
    {
        AllowOutOfOrderMetadataProperties = true,
    }.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);

    public Guid KitchenId { get; init; }

    public ItemKind Kind { get; init; }

    /// <summary>Unique among the kitchen's items of its kind.</summary>
    public required string Code { get; init; }

    /// <summary>The record, as JSON.</summary>
    public required string Body { get; set; }

    /// <summary>An item that keeps a record.</summary>
    public static KitchenItem Of<T>(Guid kitchen, ItemKind kind, string code, T thing) =>
        new() { KitchenId = kitchen, Kind = kind, Code = code, Body = JsonSerializer.Serialize(thing, Json) };

    /// <summary>Everything that a kitchen's items say.</summary>
    public static OwnThings Read(IReadOnlyCollection<KitchenItem> items)
    {
        return new(
            Of<Ways>(ItemKind.Ways).FirstOrDefault() ?? new(),
            Of<OwnCentre>(ItemKind.Centre),
            Of<OwnCoating>(ItemKind.Coating),
            Of<OwnTint>(ItemKind.Tint),
            Of<OwnVessel>(ItemKind.Vessel),
            Of<Look>(ItemKind.Look),
            Of<OwnWare>(ItemKind.Ware),
            Of<Rates>(ItemKind.Rates).FirstOrDefault() ?? new(),
            Of<OwnFilling>(ItemKind.Filling),
            Of<OwnMould>(ItemKind.Mould),
            Of<OwnPlace>(ItemKind.Place),
            Of<OwnTopping>(ItemKind.Topping),
            Of<OwnPart>(ItemKind.Part),
            Of<OwnWord>(ItemKind.Word),
            Of<OwnFigure>(ItemKind.Figure),
            Of<Working>(ItemKind.Working).FirstOrDefault(),
            Of<LearningChoice>(ItemKind.Learning).FirstOrDefault(),
            Of<LabelSettings>(ItemKind.Labels).FirstOrDefault());

        List<T> Of<T>(ItemKind kind) =>
            [.. items.Where(i => i.Kind == kind)
                .OrderBy(i => i.Code, StringComparer.Ordinal)
                .Select(i => JsonSerializer.Deserialize<T>(i.Body, Json)!)];
    }
}

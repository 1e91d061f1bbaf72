using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Learning;
using Kondiba.Core.Logbook;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using Kondiba.Data;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace Kondiba.Web.Formats;

/// <summary>A whole kitchen: everything but its people and the links it has given out.</summary>
/// <param name="Format">Always "kondiba-kitchen".</param>
/// <param name="Version">Always 1.</param>
/// <param name="Name">Its name.</param>
/// <param name="Units">The units it reads.</param>
/// <param name="TimeZone">IANA name of its zone.</param>
/// <param name="LastNumber">Number of its latest order.</param>
/// <param name="Ways">How things are done; null where nothing was said.</param>
/// <param name="Rates">How prices are made; null where nothing was said.</param>
/// <param name="Centres">The maker's own, by code.</param>
/// <param name="Coatings">The maker's own, by code.</param>
/// <param name="Tints">The maker's own, by code.</param>
/// <param name="Vessels">The maker's own, by code.</param>
/// <param name="Looks">The library, by code.</param>
/// <param name="Wares">Packs, marks and own supplies, by code.</param>
/// <param name="Fillings">The maker's own recipes, by code.</param>
/// <param name="Moulds">The maker's own, by code.</param>
/// <param name="Orders">Every order, by number.</param>
/// <param name="Lots">The pantry with its history.</param>
/// <param name="Places">The maker's own places to set, by code; null for none.</param>
/// <param name="Working">Hours, hands and warm places; null where nothing was said.</param>
/// <param name="Arranged">What is arranged for the coming days, tasks of an order under its number; null for nothing.</param>
/// <param name="Toppings">The maker's own toppings, by code; null for none.</param>
/// <param name="Parts">The maker's own parts, by code; null for none.</param>
/// <param name="Words">The maker's own words, by code; null for none.</param>
/// <param name="Figures">The maker's own figures, by code; null for none.</param>
/// <param name="Batches">The logbook, newest first, without its photos; null for none.</param>
/// <param name="Learning">What of it the maker wants learned; null for all of it.</param>
/// <param name="Labels">What labels say and are printed on; null for the usual.</param>
/// <param name="Locale">How it writes numbers, dates and times; null for the usual.</param>
/// <param name="Currency">What it is paid in; null for the usual.</param>
public sealed record KitchenDocument(
    string Format,
    int Version,
    string Name,
    Units Units,
    string TimeZone,
    int LastNumber,
    Ways? Ways,
    Rates? Rates,
    IReadOnlyList<OwnCentre> Centres,
    IReadOnlyList<OwnCoating> Coatings,
    IReadOnlyList<OwnTint> Tints,
    IReadOnlyList<OwnVessel> Vessels,
    IReadOnlyList<Look> Looks,
    IReadOnlyList<OwnWare> Wares,
    IReadOnlyList<OwnFilling> Fillings,
    IReadOnlyList<OwnMould> Moulds,
    IReadOnlyList<OrderDocument> Orders,
    IReadOnlyList<LotDocument> Lots,
    IReadOnlyList<OwnPlace>? Places = null,
    Working? Working = null,
    Arrangements? Arranged = null,
    IReadOnlyList<OwnTopping>? Toppings = null,
    IReadOnlyList<OwnPart>? Parts = null,
    IReadOnlyList<OwnWord>? Words = null,
    IReadOnlyList<OwnFigure>? Figures = null,
    IReadOnlyList<LoggedBatch>? Batches = null,
    LearningChoice? Learning = null,
    LabelSettings? Labels = null,
    string? Locale = null,
    string? Currency = null)
{
    public const string FormatName = "kondiba-kitchen";

    public const int CurrentVersion = 1;

    /// <summary>How it is written: indented, in the order of its members, nothing left out.</summary>
    public static JsonSerializerOptions Json { get; } = Options();

    /// <summary>The JSON Schema of the document.</summary>
    public static JsonNode Schema()
    {
        var schema = (JsonObject)Json.GetJsonSchemaAsNode(typeof(KitchenDocument), new()
        {
            TreatNullObliviousAsNonNullable = true,
            TransformSchemaNode = (context, node) =>
            {
                var type = Nullable.GetUnderlyingType(context.TypeInfo.Type) ?? context.TypeInfo.Type;
                var format = type.Name switch
                {
                    nameof(LocalDate) => "date",
                    nameof(Instant) => "date-time",
                    _ => null,
                };
                if (format is null && type != typeof(LocalDateTime) && type != typeof(LocalTime))
                    return node;
                var text = type == context.TypeInfo.Type ? (JsonNode)"string" : new JsonArray("string", "null");
                return format is null ? new JsonObject { ["type"] = text } : new JsonObject { ["type"] = text, ["format"] = format };
            },
        });
        schema.Insert(0, "$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.Insert(1, "title", "A kitchen of Kondiba, version 1");
        return schema;
    }

    private static JsonSerializerOptions Options()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            WriteIndented = true,
            Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
            NumberHandling = JsonNumberHandling.Strict,
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            RespectNullableAnnotations = true,
            RespectRequiredConstructorParameters = true,
        };
        options.Converters.Add(new JsonStringEnumConverter<Units>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new JsonStringEnumConverter<OrderState>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new JsonStringEnumConverter<MovementKind>(JsonNamingPolicy.CamelCase));
        options.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}

/// <summary>An order in the document.</summary>
/// <param name="Number">Counted up in its kitchen.</param>
/// <param name="State">How far it is.</param>
/// <param name="IsTemplate">Whether it is a pattern for further orders.</param>
/// <param name="ChangedAt">When it was last changed.</param>
/// <param name="RemovedAt">When it was taken off the shelf; null while it stands there.</param>
/// <param name="Order">The order itself.</param>
/// <param name="AcceptedAt">When its customer accepted a quote of it; null if they did not.</param>
/// <param name="DepositPaid">
/// Only in documents from before each payment was kept: whether the deposit was paid. It is read as a payment of the deposit on the day
/// that the order was last changed, or noted where its amount is not known; it is not written any more.
/// </param>
public sealed record OrderDocument(
    int Number,
    OrderState State,
    bool IsTemplate,
    Instant ChangedAt,
    Instant? RemovedAt,
    OrderDraft Order,
    Instant? AcceptedAt = null,
    [property: JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)] bool? DepositPaid = null)
{
    /// <summary>The order with what it says of payments.</summary>
    /// <param name="zone">The kitchen's time zone.</param>
    public OrderDraft WithPayments(DateTimeZone zone) => (DepositPaid, Order.Deposit) switch
    {
        (true, > 0 and var deposit) => Order with { Payments = [new(ChangedAt.InZone(zone).Date, deposit)] },
        (true, _) => Order with { Notes = $"{Order.Notes}\n{Catalogue.Say("formats.deposit-paid", Voice.Plain)}".Trim() },
        _ => Order,
    };
}

/// <summary>A lot of the pantry in the document.</summary>
public sealed record LotDocument(
    string Ware,
    double Amount,
    double? Pack,
    decimal? Price,
    LocalDate? BestBefore,
    string Place,
    LocalDate ReceivedOn,
    IReadOnlyList<MovementDocument> Movements);

/// <summary>A change of a lot in the document.</summary>
/// <param name="Order">Number of the order that used it.</param>
public sealed record MovementDocument(MovementKind Kind, double Amount, Instant At, int? Order, string Note);

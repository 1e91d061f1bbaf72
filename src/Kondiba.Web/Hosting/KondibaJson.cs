using System.Text.Json;
using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using NodaTime;
using NodaTime.Serialization.SystemTextJson;

namespace Kondiba.Web.Hosting;

/// <summary>
/// How the API writes values: quantities as numbers in the unit its document names, durations in seconds, times in ISO 8601.
/// </summary>
public static class KondibaJson
{
    public static void Configure(JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.RespectRequiredConstructorParameters = true;
        options.Converters.Add(new QuantityJson());
        options.Converters.Add(new DurationInSeconds());
        options.Converters.Add(new MoneyAsNumber(seen: true));
        options.Converters.Add(new MessageAsSentence(Voice.Plain));
        options.Converters.Add(new JsonStringEnumConverter<Units>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new JsonStringEnumConverter<OrderState>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new JsonStringEnumConverter<MovementKind>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new JsonStringEnumConverter<Role>(JsonNamingPolicy.CamelCase));
        options.Converters.Add(new ThisMillennium<LocalDate>(NodaConverters.LocalDateConverter, d => d.Year));
        options.Converters.Add(new ThisMillennium<LocalDateTime>(NodaConverters.LocalDateTimeConverter, d => d.Year));
        options.ConfigureForNodaTime(DateTimeZoneProviders.Tzdb);

        // After those with names of their own: a number is no name of anything.
        options.Converters.Add(new JsonStringEnumConverter(namingPolicy: null, allowIntegerValues: false));
    }

    /// <summary>A day that anything can be planned on: computing goes some days beyond it, either way.</summary>
    internal static bool IsThisMillennium(int year) => year is >= 2000 and < 3000;

    private sealed class ThisMillennium<T>(JsonConverter<T> inner, Func<T, int> year) : JsonConverter<T>
    {
        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            inner.Read(ref reader, typeToConvert, options) is { } day && IsThisMillennium(year(day))
                ? day
                : throw new JsonException("The year is not in this millennium.");

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) => inner.Write(writer, value, options);
    }

    private sealed class DurationInSeconds : JsonConverter<Duration>
    {
        public override Duration Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Duration.FromSeconds(reader.GetDouble());

        public override void Write(Utf8JsonWriter writer, Duration value, JsonSerializerOptions options) =>
            writer.WriteNumberValue(value.TotalSeconds);
    }
}

/// <summary>Writes an amount of money, or 0 for whoever sees none.</summary>
internal sealed class MoneyAsNumber(bool seen) : JsonConverter<Money>
{
    public override Money Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => new(reader.GetDecimal());

    public override void Write(Utf8JsonWriter writer, Money value, JsonSerializerOptions options) =>
        writer.WriteNumberValue(seen ? value.Amount : 0);
}

/// <summary>Writes a message as a sentence; one that is sent back stands for itself.</summary>
internal sealed class MessageAsSentence(Voice voice) : JsonConverter<Message>
{
    public override Message Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        Message.ByName(reader.GetString()!);

    public override void Write(Utf8JsonWriter writer, Message value, JsonSerializerOptions options) =>
        writer.WriteStringValue(Catalogue.Say(value, voice));
}

/// <summary>Describes in the OpenAPI document what <see cref="KondibaJson"/> writes.</summary>
public static class QuantitySchemas
{
    public static void Configure(OpenApiOptions options) => options.AddSchemaTransformer((schema, context, _) =>
    {
        var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
        if (new QuantityJson().CanConvert(type))
        {
            Be(JsonSchemaType.Number, UnitOf(type));
        }
        else if (context.JsonTypeInfo.ElementType is { } element && new QuantityJson().CanConvert(element))
        {
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.Number, Description = UnitOf(element) };
        }
        else if (context.JsonTypeInfo.ElementType == typeof(Message))
        {
            schema.Items = new OpenApiSchema { Type = JsonSchemaType.String };
        }
        else if (Described(type) is { } described)
        {
            Be(described.Kind, described.Says);
        }

        // What cannot be read is only ever written, with all that it has.
        if (context.JsonTypeInfo.Properties.Any(p => p is { Get: not null, Set: null }) && schema.Properties is { } properties)
            schema.Required = properties.Keys.ToHashSet();
        return Task.CompletedTask;

        void Be(JsonSchemaType kind, string description)
        {
            // A property that may be left out is described in its place, and says that null will do as well; but for a local time,
            // which is described once for all.
            schema.Type = context.JsonPropertyInfo is { IsRequired: false }
                && Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) is not null
                && type != typeof(LocalDateTime)
                ? kind | JsonSchemaType.Null
                : kind;
            schema.Description = description;
            schema.Properties?.Clear();
            schema.Required?.Clear();
        }
    });

    /// <summary>What a type is in JSON, and what it says; null for one that needs no words.</summary>
    private static (JsonSchemaType Kind, string Says)? Described(Type type) => type switch
    {
        _ when type == typeof(Message) => (JsonSchemaType.String, "a sentence, or a part of one"),
        _ when type == typeof(Duration) => (JsonSchemaType.Number, "in s"),
        _ when type == typeof(Money) => (JsonSchemaType.Number, "in the kitchen's currency"),
        _ when type == typeof(LocalDateTime) => (JsonSchemaType.String, "local time, 2031-05-03T18:30:00"),
        _ when type == typeof(LocalTime) => (JsonSchemaType.String, "time of day, 18:30:00"),
        _ when type == typeof(LocalDate) => (JsonSchemaType.String, "day, 2031-05-03"),
        _ when type == typeof(Instant) => (JsonSchemaType.String, "moment, 2031-05-03T18:30:00Z"),
        _ => null,
    };

    private static string UnitOf(Type quantity)
    {
        var units = (IReadOnlyList<Unit>)quantity.GetProperty("Units")!.GetValue(null)!;
        return units[0].Symbol is "" ? "0 to 1" : $"in {units[0].Symbol}";
    }
}

using System.Text.Json;
using System.Text.Json.Serialization;

namespace Kondiba.Core.Measures;

/// <summary>
/// Reads and writes quantities as plain JSON numbers in the first of their units (mass in g, length in mm, temperature in °C …).
/// </summary>
public sealed class QuantityJson : JsonConverterFactory
{
    /// <inheritdoc/>
    public override bool CanConvert(Type typeToConvert) =>
        typeToConvert.IsValueType
            && typeToConvert.GetInterfaces().Any(i => i.IsGenericType && i.GetGenericTypeDefinition() == typeof(IQuantity<>));

    /// <inheritdoc/>
    public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options) =>
        (JsonConverter)Activator.CreateInstance(typeof(Converter<>).MakeGenericType(typeToConvert))!;

    private sealed class Converter<T> : JsonConverter<T>
        where T : struct, IQuantity<T>
    {
        private static readonly string Symbol = T.Units[0].Symbol;

        public override T Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Quantities.Of<T>(reader.GetDouble(), Symbol);

        public override void Write(Utf8JsonWriter writer, T value, JsonSerializerOptions options) =>
            writer.WriteNumberValue(Math.Round(value.In(Symbol), 6));
    }
}

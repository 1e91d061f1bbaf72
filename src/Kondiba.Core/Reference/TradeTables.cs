using System.Text.Json;
using System.Text.Json.Serialization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Setting;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>The trade's tables: what the product knows before the maker has told it anything. Read once from the embedded JSON.</summary>
/// <param name="Centres">What gets dipped.</param>
/// <param name="Coatings">What it is dipped in.</param>
/// <param name="Vessels">What the coating stands in, narrowest first.</param>
/// <param name="Film">Constants of the film model.</param>
/// <param name="Pot">Constants of a pot.</param>
/// <param name="Tray">The sheet that pieces are laid on.</param>
/// <param name="Setting">Constants of the setting model.</param>
public sealed record TradeTables(
    IReadOnlyList<Centre> Centres,
    IReadOnlyList<Coating> Coatings,
    IReadOnlyList<Vessel> Vessels,
    FilmConstants Film,
    PotConstants Pot,
    TraySheet Tray,
    SettingConstants Setting)
{
    /// <summary>The tables that ship with the product.</summary>
    public static TradeTables Shipped { get; } = Load();

    /// <summary>The centre of that code, or null.</summary>
    public Centre? Centre(string? code) => Centres.FirstOrDefault(c => c.Code == code);

    /// <summary>The vessel of that code, or null.</summary>
    public Vessel? Vessel(string? code) => Vessels.FirstOrDefault(v => v.Code == code);

    /// <summary>The coating that comes ready-made in that colour, with the colour; or null.</summary>
    public (Coating Coating, CoatingColour Colour)? Colour(string? code)
    {
        foreach (var coating in Coatings)
            foreach (var colour in coating.Colours)
                if (colour.Code == code)
                    return (coating, colour);
        return null;
    }

    private static TradeTables Load()
    {
        var sources = Read<Dictionary<string, Source>>("sources", new(JsonSerializerDefaults.Web));
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            RespectRequiredConstructorParameters = true,
            RespectNullableAnnotations = true,
            Converters = { new SourcedJson(sources), new SourceJson(sources) },
        };
        var practice = Read<Practice>("practice", options);
        return new(
            [.. Read<List<CentreRow>>("centres", options).Select(row => row.ToCentre())],
            Read<List<Coating>>("coatings", options),
            Read<List<Vessel>>("vessels", options),
            practice.Film,
            practice.Pot,
            practice.Tray,
            practice.Setting);
    }

    private static T Read<T>(string name, JsonSerializerOptions options)
    {
        using var stream = typeof(TradeTables).Assembly.GetManifestResourceStream($"{name}.json")!;
        try
        {
            return JsonSerializer.Deserialize<T>(stream, options)!;
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            throw new InvalidDataException($"Reference data {name}.json: {e.Message}", e);
        }
    }

    private sealed record Practice(FilmConstants Film, PotConstants Pot, TraySheet Tray, SettingConstants Setting);

    private sealed record SizeRow(
        string Code,
        string Name,
        Sourced<Mass> Mass,
        Sourced<Length> Diameter,
        Sourced<Length>? Height = null,
        Sourced<Length>? Thickness = null,
        Sourced<Share>? BareCap = null)
    {
        public CentreSize ToSize(string shape)
        {
            Shape form = shape switch
            {
                "paraboloid" => new Paraboloid(Need(Height, "height"), Diameter.Value),
                "cappedSphere" => new CappedSphere(Diameter.Value, Need(BareCap, "bareCap")),
                "cylinder" => new Cylinder(Need(Height, "height"), Diameter.Value),
                "disc" => new Disc(Diameter.Value, Need(Thickness, "thickness")),
                _ => throw new ArgumentException($"shape '{shape}' is not known"),
            };
            List<WorkingLine> dimensions = [WorkingLine.Of("diameter", Diameter)];
            if (Height is not null)
                dimensions.Insert(0, WorkingLine.Of("length", Height));
            if (Thickness is not null)
                dimensions.Add(WorkingLine.Of("thickness", Thickness));
            if (BareCap is { Value.Si: > 0 })
                dimensions.Add(WorkingLine.Of("cap left bare at the stalk", BareCap));
            return new(Code, Name, form, dimensions, Mass);
        }

        private T Need<T>(Sourced<T>? value, string name) =>
            value is null ? throw new ArgumentException($"size '{Code}' has no {name}") : value.Value;
    }

    private sealed record CentreRow(
        string Code,
        string Name,
        string Plural,
        string Shape,
        Sourced<Share> UsualDepth,
        Sourced<Share> Deepest,
        string DeepestReason,
        Sourced<Share> Spoil,
        Sourced<HeatCapacity> HeatCapacity,
        Sourced<Length> TrayGap,
        IReadOnlyList<SizeRow> Sizes)
    {
        public Centre ToCentre() =>
            new(Code, Name, Plural, UsualDepth, Deepest, DeepestReason, Spoil, HeatCapacity, TrayGap, [.. Sizes.Select(s => s.ToSize(Shape))]);
    }

    /// <summary>Reads a source by its name in sources.json.</summary>
    private sealed class SourceJson(Dictionary<string, Source> sources) : JsonConverter<Source>
    {
        public override Source Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => Named(sources, reader.GetString()!);

        public override void Write(Utf8JsonWriter writer, Source value, JsonSerializerOptions options) => throw new NotSupportedException();

        public static Source Named(Dictionary<string, Source> sources, string name) =>
            sources.TryGetValue(name, out var source) ? source : throw new ArgumentException($"source '{name}' is not in sources.json");
    }

    /// <summary>Reads a trade value written as [value, "unit", "source"].</summary>
    private sealed class SourcedJson(Dictionary<string, Source> sources) : JsonConverterFactory
    {
        public override bool CanConvert(Type typeToConvert) =>
            typeToConvert.IsGenericType && typeToConvert.GetGenericTypeDefinition() == typeof(Sourced<>);

        public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options)
        {
            var value = typeToConvert.GetGenericArguments()[0];
            return value == typeof(Duration)
                ? new Triple<Duration>(sources, (v, unit) => unit == "s" ? Duration.FromSeconds(v) : throw new ArgumentException($"durations are written in s, not '{unit}'"))
                : (JsonConverter)GetType().GetMethod(nameof(QuantityTriple))!.MakeGenericMethod(value).Invoke(this, null)!;
        }

        public JsonConverter QuantityTriple<T>()
            where T : struct, IQuantity<T> => new Triple<T>(sources, Quantities.Of<T>);

        private sealed class Triple<T>(Dictionary<string, Source> sources, Func<double, string, T> of) : JsonConverter<Sourced<T>>
        {
            public override Sourced<T> Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
            {
                var row = JsonElement.ParseValue(ref reader);
                return row.GetArrayLength() == 3
                    ? new(of(row[0].GetDouble(), row[1].GetString()!), SourceJson.Named(sources, row[2].GetString()!))
                    : throw new JsonException($"a value is written [value, unit, source], not {row}");
            }

            public override void Write(Utf8JsonWriter writer, Sourced<T> value, JsonSerializerOptions options) => throw new NotSupportedException();
        }
    }
}

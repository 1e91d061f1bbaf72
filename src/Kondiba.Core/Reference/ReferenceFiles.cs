using System.Text.Json;
using System.Text.Json.Serialization;
using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Films;
using Kondiba.Core.Learning;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Moulds;
using Kondiba.Core.Setting;
using Kondiba.Core.Steps;
using Kondiba.Core.Thinning;
using Kondiba.Core.Troubles;
using Kondiba.Core.Vessels;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>
/// Reads the trade's tables from the embedded JSON. A value that is not as the tables want it stops the product from starting.
/// </summary>
internal static class ReferenceFiles
{
    /// <summary>Where the tables' values come from, by the code that they name it with.</summary>
    public static IReadOnlyDictionary<string, Source> Sources { get; } =
        Read<Dictionary<string, Source>>("sources", new(JsonSerializerDefaults.Web));

    public static ReferenceData Read()
    {
        var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
        {
            UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
            RespectRequiredConstructorParameters = true,
            RespectNullableAnnotations = true,
            Converters = { new SourcedJson(Sources), new SourceJson(Sources), new MeasureJson(Sources) },
        };
        var practice = Read<Practice>("practice", options);
        List<Centre> centres = [.. Read<List<CentreRow>>("centres", options).Select(row => row.ToCentre())];
        return new(
            centres,
            [.. Read<List<FigureRow>>("figures", options).Select(row => row.ToCentre(centres))],
            Read<List<Coating>>("coatings", options),
            Read<List<Thinner>>("thinners", options),
            Read<List<Tint>>("tints", options),
            new(
                Read<List<PatternKind>>("patterns", options),
                Read<List<Sprinkle>>("sprinkles", options),
                Read<List<Part>>("parts", options),
                Read<List<Lustre>>("lustres", options)),
            [.. Read<List<VesselRow>>("vessels", options).Select(row => row.ToVessel())],
            Read<DippingWays>("ways", options),
            practice.Film,
            practice.Pot,
            practice.Tray,
            practice.Setting,
            practice.Melting,
            practice.LivePot,
            practice.Thinning,
            practice.Colour,
            practice.Leftovers,
            practice.Decor,
            Read<Words>("words", options),
            Read<WareTable>("wares", options),
            Read<List<Keeping>>("keeping", options),
            Read<List<Allergen>>("allergens", options),
            practice.Pricing,
            Read<List<Ingredient>>("ingredients", options),
            Read<List<Filling>>("fillings", options),
            Read<List<Scoop>>("scoops", options),
            [.. Read<List<MouldRow>>("moulds", options).Select(row => row.ToMould())],
            practice.Mould,
            Read<List<PrepRule>>("prep", options),
            Read<List<School>>("schools", options),
            practice.Prep,
            practice.Planning,
            Read<Exercises>("exercises", options),
            practice.Learning,
            Read<TroubleTables>("troubles", options),
            practice.Packing,
            Read<List<LabelStock>>("labels", options),
            Read<List<SafetyRule>>("safety", options),
            Read<List<HandbookText>>("handbook", options));
    }

    private static T Read<T>(string name, JsonSerializerOptions options)
    {
        using var stream = typeof(ReferenceFiles).Assembly.GetManifestResourceStream($"{name}.json")!;
        try
        {
            return JsonSerializer.Deserialize<T>(stream, options)!;
        }
        catch (Exception e) when (e is JsonException or ArgumentException)
        {
            throw new InvalidDataException($"Reference data {name}.json: {e.Message}", e);
        }
    }

    private sealed record Practice(
        FilmConstants Film,
        PotConstants Pot,
        TraySheet Tray,
        SettingConstants Setting,
        MeltConstants Melting,
        LivePotConstants LivePot,
        ThinningConstants Thinning,
        ColourConstants Colour,
        LeftoverConstants Leftovers,
        DecorConstants Decor,
        PriceConstants Pricing,
        PrepConstants Prep,
        PlanConstants Planning,
        MouldConstants Mould,
        LearningConstants Learning,
        PackingConstants Packing);

    /// <summary>A measure written as [value, "unit", "source"].</summary>
    private sealed record MeasureRow(double Value, string Unit, Source Source)
    {
        public WorkingLine Line(Measure measure) => Unit == measure.Unit
            ? new(Message.ByName(measure.Name), "", Value, Unit, Source)
            : throw new ArgumentException($"{measure.Code} is given in {measure.Unit}, not '{Unit}'");
    }

    private static (IReadOnlyList<WorkingLine> Lines, Func<string, double> Si) Measured(
        IReadOnlyList<Measure> wanted, Dictionary<string, MeasureRow> given, string of)
    {
        if (!wanted.Select(m => m.Code).ToHashSet().SetEquals(given.Keys))
            throw new ArgumentException(
                $"'{of}' has measures {string.Join(", ", given.Keys)}; its kind wants {string.Join(", ", wanted.Select(m => m.Code))}");
        return ([.. wanted.Select(m => given[m.Code].Line(m))], code => ShapeKind.Si(given[code].Unit, given[code].Value));
    }

    private sealed record SizeRow(
        string Code, string Name, Sourced<Mass> Mass, Dictionary<string, MeasureRow> Measures, IReadOnlyList<string>? Insert = null)
    {
        public CentreSize ToSize(ShapeKind kind)
        {
            var (lines, si) = Measured(kind.Measures, Measures, Code);
            return new(Code, Name, kind.Make(si), lines, Mass, Insert);
        }
    }

    private sealed record VesselRow(string Code, string Name, string Kind, Dictionary<string, MeasureRow> Measures)
    {
        public Vessel ToVessel()
        {
            var kind = VesselKind.Of(Kind) ?? throw new ArgumentException($"vessel kind '{Kind}' is not known");
            var (lines, si) = Measured(kind.Measures, Measures, Code);
            return kind.Make(Code, Name, lines, si);
        }
    }

    private sealed record MouldRow(
        string Code, string Name, CavityKind Kind, Dictionary<string, MeasureRow> Measures, bool Flush, int Cavities, int Trays)
    {
        public Mould ToMould()
        {
            var (lines, si) = Measured(Core.Moulds.Mould.MeasuresOf(Kind), Measures, Code);
            return Core.Moulds.Mould.Make(Code, Name, Kind, lines, si, Flush, Cavities, Trays);
        }
    }

    private sealed record BodyRow(string Centre, string Size, double Turn = 0);

    private sealed record FigurePartRow(
        string Code,
        string Name,
        string Centre,
        string Size,
        Sourced<Share> Kept,
        Sourced<Share> Spoil,
        Sourced<Share> Depth,
        IReadOnlyList<Spot> Places,
        int Cuts = 1,
        bool Behind = false,
        bool OnEdge = false,
        bool Joined = false);

    private sealed record FigureRow(
        string Code, string Name, string Plural, BodyRow Body, IReadOnlyList<FigurePartRow> Parts, IReadOnlyList<StuckPart> Stuck)
    {
        public Centre ToCentre(IReadOnlyList<Centre> centres)
        {
            (Centre Centre, CentreSize Size) Of(
                string code, string size) => centres.FirstOrDefault(c => c.Code == code) is { } centre && centre.Size(size) is { } one
                ? (centre, one)
                : throw new ArgumentException($"'{Code}' is made of '{code}' in the size '{size}', which is no centre");
            var (body, bodySize) = Of(Body.Centre, Body.Size);
            var parts = Parts.Select(p => Of(p.Centre, p.Size) is var (centre, whole)
                ? new FigurePart(
                    p.Code, p.Name, centre, whole, p.Kept, p.Cuts, p.Spoil, p.Depth, p.Behind, p.OnEdge, p.Joined, null, p.Places)
                : null!);
            return new Figure(body, bodySize, Body.Turn, [.. parts], Stuck).Named(Code, Name, Plural);
        }
    }

    private sealed record CentreRow(
        string Code,
        string Name,
        string Plural,
        string Shape,
        Holding Holding,
        bool Upright,
        Sourced<Share> UsualDepth,
        IReadOnlyList<double> Depths,
        Sourced<Share> Deepest,
        string DeepestReason,
        int LeastCoats,
        Sourced<Share> Spoil,
        Sourced<Share> Stick,
        Sourced<HeatCapacity> HeatCapacity,
        Sourced<Length> TrayGap,
        int? Pack,
        IReadOnlyList<string> PackName,
        IReadOnlyList<string> Allergens,
        IReadOnlyList<string> Prep,
        IReadOnlyList<SizeRow> Sizes,
        Sourced<HeatExchange>? Contact = null,
        bool ServedCold = false,
        OnStick OnStick = OnStick.Push)
    {
        public Centre ToCentre()
        {
            var kind = ShapeKind.Of(Shape) ?? throw new ArgumentException($"shape '{Shape}' is not known");
            return new(
                Code, Name, Plural, Shape, Holding, Upright, UsualDepth, [
                    .. Depths.Select(d => Quantities.Of<Share>(d, "%")),
                ], Deepest, DeepestReason,
                LeastCoats, Spoil, Stick, HeatCapacity, TrayGap, Pack, PackName, Allergens, Prep, [
                    .. Sizes.Select(s => s.ToSize(kind)),
                ], Contact, ServedCold, OnStick: OnStick);
        }
    }

    /// <summary>Reads a source by its name in sources.json.</summary>
    private sealed class SourceJson(IReadOnlyDictionary<string, Source> sources) : JsonConverter<Source>
    {
        public override Source Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
            Named(sources, reader.GetString()!);

        public override void Write(Utf8JsonWriter writer, Source value, JsonSerializerOptions options) => throw new NotSupportedException();

        public static Source Named(IReadOnlyDictionary<string, Source> sources, string name) =>
            sources.TryGetValue(name, out var source) ? source : throw new ArgumentException($"source '{name}' is not in sources.json");
    }

    /// <summary>Reads a measure written as [value, "unit", "source"].</summary>
    private sealed class MeasureJson(IReadOnlyDictionary<string, Source> sources) : JsonConverter<MeasureRow>
    {
        public override MeasureRow Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
        {
            var row = JsonElement.ParseValue(ref reader);
            return new(row[0].GetDouble(), row[1].GetString()!, SourceJson.Named(sources, row[2].GetString()!));
        }

        public override void Write(Utf8JsonWriter writer, MeasureRow value, JsonSerializerOptions options) =>
            throw new NotSupportedException();
    }

    /// <summary>Reads a trade value written as [value, "unit", "source"].</summary>
    private sealed class SourcedJson(IReadOnlyDictionary<string, Source> sources) : JsonConverterFactory
    {
        public override bool CanConvert(Type typeToConvert) =>
            typeToConvert.IsGenericType && typeToConvert.GetGenericTypeDefinition() == typeof(Sourced<>);

        public override JsonConverter CreateConverter(Type typeToConvert, JsonSerializerOptions options)
        {
            var value = typeToConvert.GetGenericArguments()[0];
            if (value == typeof(Duration))
                return new Triple<Duration>(sources, (v, unit) => unit switch
                {
                    "s" => Duration.FromSeconds(v),
                    "min" => Duration.FromMinutes(v),
                    "h" => Duration.FromHours(v),
                    _ => throw new ArgumentException($"durations are written in s, min or h, not '{unit}'"),
                });
            return value == typeof(Money)
                ? new Triple<Money>(
                    sources,
                    (v, unit) => unit == "money"
                        ? new((decimal)v)
                        : throw new ArgumentException($"prices are written in money, not '{unit}'"))
                : (JsonConverter)GetType().GetMethod(nameof(QuantityTriple))!.MakeGenericMethod(value).Invoke(this, null)!;
        }

        public JsonConverter QuantityTriple<T>()
            where T : struct, IQuantity<T> => new Triple<T>(sources, Quantities.Of<T>);

        private sealed class Triple<T>(IReadOnlyDictionary<string, Source> sources, Func<double, string, T> of) : JsonConverter<Sourced<T>>
        {
            public override Sourced<T> Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options)
            {
                var row = JsonElement.ParseValue(ref reader);
                return row.GetArrayLength() == 3
                    ? new(of(row[0].GetDouble(), row[1].GetString()!), SourceJson.Named(sources, row[2].GetString()!))
                    : throw new JsonException($"a value is written [value, unit, source], not {row}");
            }

            public override void Write(Utf8JsonWriter writer, Sourced<T> value, JsonSerializerOptions options) =>
                throw new NotSupportedException();
        }
    }
}

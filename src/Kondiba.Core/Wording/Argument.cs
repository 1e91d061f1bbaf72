using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Wording;

/// <summary>What is put into a sentence: a value with its kind, so that it is written in the reader's own way.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "is")]
[JsonDerivedType(typeof(Text), "text")]
[JsonDerivedType(typeof(Number), "number")]
[JsonDerivedType(typeof(Quantity), "quantity")]
[JsonDerivedType(typeof(Price), "price")]
[JsonDerivedType(typeof(Span), "span")]
[JsonDerivedType(typeof(Moment), "moment")]
[JsonDerivedType(typeof(Several), "several")]
[JsonDerivedType(typeof(Part), "part")]
public abstract record Argument
{
    private Argument()
    {
    }

    /// <summary>A name or a word, as it stands.</summary>
    public sealed record Text(string Words) : Argument;

    /// <summary>A count, or a number without a unit.</summary>
    public sealed record Number(double Value) : Argument;

    /// <summary>A measured quantity, in SI units, with the units it can be read in.</summary>
    public sealed record Quantity(double Si, IReadOnlyList<Unit> Units) : Argument;

    /// <summary>An amount of money.</summary>
    public sealed record Price(Money Amount) : Argument;

    /// <summary>A span of time.</summary>
    public sealed record Span(Duration Length) : Argument;

    /// <summary>A day and a time, by the kitchen's clock.</summary>
    public sealed record Moment(LocalDateTime At) : Argument;

    /// <summary>Several of the same kind.</summary>
    public sealed record Several(IReadOnlyList<Argument> Items) : Argument
    {
        /// <inheritdoc/>
        public bool Equals(Several? other) => other is not null && Items.SequenceEqual(other.Items);

        /// <inheritdoc/>
        public override int GetHashCode() => Items.Count;
    }

    /// <summary>A part that is a sentence of its own.</summary>
    public sealed record Part(Message Message) : Argument;

    /// <summary>A quantity of any kind.</summary>
    public static Argument Of<T>(T quantity)
        where T : struct, IQuantity<T> => new Quantity(quantity.Si, T.Units);

    /// <summary>Several names.</summary>
    public static Argument Of(IEnumerable<string> names) => new Several([.. names.Select(n => new Text(n))]);

    /// <summary>Several parts.</summary>
    public static Argument Of(IEnumerable<Message> parts) => new Several([.. parts.Select(p => new Part(p))]);

#pragma warning disable CS1591 // Each is what its type says.
    public static implicit operator Argument(string? words) => new Text(words ?? "");

    public static implicit operator Argument(int value) => new Number(value);

    public static implicit operator Argument(long value) => new Number(value);

    public static implicit operator Argument(double value) => new Number(value);

    public static implicit operator Argument(decimal value) => new Number((double)value);

    public static implicit operator Argument(Money amount) => new Price(amount);

    public static implicit operator Argument(Duration length) => new Span(length);

    public static implicit operator Argument(LocalDateTime at) => new Moment(at);

    public static implicit operator Argument(LocalDate day) => new Moment(day.AtMidnight());

    public static implicit operator Argument(LocalTime time) => new Moment(LocalDate.MinIsoValue.At(time));

    public static implicit operator Argument(Message message) => new Part(message);

    public static implicit operator Argument(Mass quantity) => Of(quantity);

    public static implicit operator Argument(Length quantity) => Of(quantity);

    public static implicit operator Argument(Area quantity) => Of(quantity);

    public static implicit operator Argument(Volume quantity) => Of(quantity);

    public static implicit operator Argument(Temperature quantity) => Of(quantity);

    public static implicit operator Argument(Share quantity) => Of(quantity);

    public static implicit operator Argument(Density quantity) => Of(quantity);

    public static implicit operator Argument(Viscosity quantity) => Of(quantity);

    public static implicit operator Argument(Stress quantity) => Of(quantity);

    public static implicit operator Argument(Speed quantity) => Of(quantity);

    public static implicit operator Argument(Energy quantity) => Of(quantity);

    public static implicit operator Argument(Heat quantity) => Of(quantity);

    public static implicit operator Argument(HeatCapacity quantity) => Of(quantity);

    public static implicit operator Argument(HeatExchange quantity) => Of(quantity);

    public static implicit operator Argument(MolarEnergy quantity) => Of(quantity);

    public static implicit operator Argument(TemperatureGap quantity) => Of(quantity);

    public static implicit operator Argument(AreaDensity quantity) => Of(quantity);

    public static implicit operator Argument(Rate quantity) => Of(quantity);

    public static implicit operator Argument(Power quantity) => Of(quantity);

    public static implicit operator Argument(Conductance quantity) => Of(quantity);
#pragma warning restore CS1591
}

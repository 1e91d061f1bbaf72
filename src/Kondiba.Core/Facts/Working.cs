using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Facts;

/// <summary>One step of a computation, as shown under "how?".</summary>
/// <param name="What">What the step yields, in the trade's words.</param>
/// <param name="Formula">The rule with its numbers put in; empty for a value that is simply looked up.</param>
/// <param name="Value">The result, in <paramref name="Unit"/>.</param>
/// <param name="Unit">Unit symbol; empty for a plain number.</param>
/// <param name="Source">Where the value or the rule comes from.</param>
public sealed record WorkingLine(Message What, Message Formula, double Value, string Unit, Source Source)
{
    /// <summary>Which step it is, whoever reads it.</summary>
    public string Code => What.Code;

    /// <summary>A step that yields a quantity, in its first unit.</summary>
    public static WorkingLine Of<T>(Message what, Message formula, T value, Source source)
        where T : struct, IQuantity<T> => new(what, formula, value.In(T.Units[0].Symbol), T.Units[0].Symbol, source);

    /// <summary>A value looked up in the trade tables.</summary>
    public static WorkingLine Of<T>(Message what, Sourced<T> value)
        where T : struct, IQuantity<T> => Of(what, "", value.Value, value.Source);

    /// <summary>A span of time, in seconds below two minutes and in minutes above.</summary>
    public static WorkingLine Of(Message what, Message formula, Duration value, Source source) =>
        value.TotalMinutes < 2
            ? new(what, formula, value.TotalSeconds, "s", source)
            : new(what, formula, value.TotalMinutes, "min", source);

    /// <summary>A plain count.</summary>
    public static WorkingLine Count(Message what, Message formula, double value, Source source) => new(what, formula, value, "", source);
}

/// <summary>A result with the steps that led to it, first to last. The steps are written out only when asked for.</summary>
/// <typeparam name="T">A quantity or a count.</typeparam>
public sealed class Figure<T>(T value, Func<IReadOnlyList<WorkingLine>> working)
{
    /// <summary>The result.</summary>
    public T Value { get; } = value;

    /// <summary>How it came about; the last line is the result.</summary>
    [JsonIgnore]
    public IReadOnlyList<WorkingLine> Working => working();
}

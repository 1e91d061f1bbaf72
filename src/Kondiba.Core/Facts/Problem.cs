using System.Text.Json.Serialization;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Facts;

/// <summary>How much a problem matters.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Severity>))]
public enum Severity
{
    /// <summary>The figure can be used; the maker should know.</summary>
    [JsonStringEnumMemberName("mind")]
    Mind,

    /// <summary>It cannot be made like this: what the field concerns is left out of the computation, and can still be kept.</summary>
    [JsonStringEnumMemberName("unfit")]
    Unfit,

    /// <summary>The input means nothing: it is left out of the computation and cannot be kept.</summary>
    [JsonStringEnumMemberName("error")]
    Error,
}

/// <summary>Something about an input that cannot be, or should be minded.</summary>
/// <param name="Field">Path of the input: "lines[2].count", "pickup", "vessels.midnight".</param>
/// <param name="Reason">What is wrong.</param>
/// <param name="Remedy">What to do about it.</param>
/// <param name="Severity">Whether it stops the computation of that field.</param>
public sealed record Problem(string Field, Message Reason, Message Remedy, Severity Severity = Severity.Error)
{
    /// <summary>Which problem it is, whoever reads it.</summary>
    public string Code => Reason.Code;

    /// <summary>What is wrong and what to do, one after the other.</summary>
    [JsonIgnore]
    public Message Says => Message.Of("both", ("first", Reason), ("then", Remedy));
}

/// <summary>Gets what cannot be, or should be minded, field by field.</summary>
public delegate void TellProblem(string field, Message reason, Message remedy, Severity severity);

/// <summary>Gets what cannot be, field by field.</summary>
public delegate void TellError(string field, Message reason, Message remedy);

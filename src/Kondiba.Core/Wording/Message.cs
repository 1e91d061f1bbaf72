using System.Text.Json.Serialization;

namespace Kondiba.Core.Wording;

/// <summary>
/// A sentence that is not yet said: its code in the catalogue, and what is put into it. Results carry these; the catalogue makes
/// sentences of them for whoever reads, in their language and units. Nothing that computes reads a sentence.
/// </summary>
public sealed class Message : IEquatable<Message>
{
    [JsonConstructor]
    private Message(string code, IReadOnlyList<Named> arguments) => (Code, Arguments) = (code, arguments);

    /// <summary>No sentence at all.</summary>
    public static Message None { get; } = new("", []);

    /// <summary>Code in the catalogue; empty for no sentence.</summary>
    public string Code { get; }

    /// <summary>What is put into it, by the names that the catalogue uses.</summary>
    public IReadOnlyList<Named> Arguments { get; }

    /// <summary>A sentence with what is put into it.</summary>
    public static Message Of(string code, params ReadOnlySpan<(string Name, Argument Value)> arguments)
    {
        var named = new Named[arguments.Length];
        for (var i = 0; i < named.Length; i++)
            named[i] = new(arguments[i].Name, arguments[i].Value);
        return new(code, named);
    }

    /// <summary>A name that stands for itself.</summary>
    public static Message ByName(string name) => Of("name", ("name", name));

    /// <summary>A sentence of the reference data: spelt as whoever reads spells.</summary>
    public static Message ByText(string? text) => string.IsNullOrEmpty(text) ? None : Of("text", ("text", text));

    /// <summary>One sentence after another.</summary>
    public static Message Then(Message first, Message next)
    {
        if (first == None)
            return next;
        return next == None ? first : Of("then", ("first", first), ("next", next));
    }

#pragma warning disable CS1591 // A code with nothing put into it; equal by value.
    public static implicit operator Message(string code) => code.Length == 0 ? None : new(code, []);

    public static bool operator ==(Message? a, Message? b) => a is null ? b is null : a.Equals(b);

    public static bool operator !=(Message? a, Message? b) => !(a == b);
#pragma warning restore CS1591

    /// <inheritdoc/>
    public bool Equals(Message? other) => other is not null && Code == other.Code && Arguments.SequenceEqual(other.Arguments);

    /// <inheritdoc/>
    public override bool Equals(object? obj) => Equals(obj as Message);

    /// <inheritdoc/>
    public override int GetHashCode() => Code.GetHashCode(StringComparison.Ordinal);

    /// <summary>For whoever debugs: the code and the values.</summary>
    public override string ToString() => $"{Code}({string.Join(", ", Arguments.Select(a => $"{a.Name}: {a.Value}"))})";

    /// <summary>Something that is put into a sentence, by the name that the catalogue has for it.</summary>
    public sealed record Named(string Name, Argument Value);
}

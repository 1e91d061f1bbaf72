using System.Runtime.CompilerServices;
using System.Text.Json.Serialization;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.QuickEntry;

/// <summary>How sure a chip is.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Reading>))]
public enum Reading
{
    /// <summary>It says what was typed.</summary>
    [JsonStringEnumMemberName("read")]
    Read,

    /// <summary>A slip of the fingers was put right.</summary>
    [JsonStringEnumMemberName("corrected")]
    Corrected,

    /// <summary>Nothing was said, or nothing definite: it is what is usual.</summary>
    [JsonStringEnumMemberName("assumed")]
    Assumed,
}

/// <summary>Another meaning: putting the text in place of the chip's stretch makes it so.</summary>
/// <param name="Says">In words.</param>
/// <param name="Text">What to put there.</param>
public sealed record ChipChoice(string Says, string Text);

/// <summary>One thing that was understood of a line.</summary>
/// <param name="Field">
/// What of the line it sets: "amount", "centre", "size", "colour", "coating", "depth", "coats", "upright", "look", "pattern", "sprinkle",
/// "part", "paint", "dip", "plain", "refusal"; "total" for what a divided line is counted out of.
/// </param>
/// <param name="Says">What was understood.</param>
/// <param name="Reading">How sure it is.</param>
/// <param name="Start">Where its stretch of the text begins.</param>
/// <param name="Length">How long the stretch is; 0 where nothing was typed.</param>
/// <param name="Choices">Other meanings to choose.</param>
public sealed record Chip(string Field, string Says, Reading Reading, int Start, int Length, IReadOnlyList<ChipChoice> Choices);

/// <summary>An order line understood from words.</summary>
/// <param name="Line">The line.</param>
/// <param name="Chips">What was understood, in the order it was typed; what was assumed last.</param>
/// <param name="Group">Lines that share it are parts of one request, which was divided.</param>
public sealed record EntryLine(LineDraft Line, IReadOnlyList<Chip> Chips, int Group = 0);

/// <summary>A stretch of text that was not understood: it has no part in any line.</summary>
/// <param name="Start">Where it begins.</param>
/// <param name="Length">How long it is.</param>
/// <param name="Text">As typed.</param>
/// <param name="Reason">Why it cannot be used.</param>
/// <param name="Choices">What may be meant.</param>
public sealed record NotUnderstood(int Start, int Length, string Text, Message Reason, IReadOnlyList<ChipChoice> Choices);

/// <summary>How the word being typed may go on.</summary>
/// <param name="Start">Where the word begins.</param>
/// <param name="Text">The whole phrase.</param>
/// <param name="Is">What it names: "centre", "colour", "pattern" ….</param>
public sealed record Completion(int Start, string Text, string Is);

/// <summary>Order lines read from plain words.</summary>
/// <param name="Lines">Lines that name a piece.</param>
/// <param name="NotUnderstood">Stretches that were not understood, and parts that name no piece.</param>
/// <param name="Completions">How the last word may go on.</param>
/// <param name="Order">What is said of the whole order.</param>
public sealed record Entry(
    IReadOnlyList<EntryLine> Lines, IReadOnlyList<NotUnderstood> NotUnderstood, IReadOnlyList<Completion> Completions, EntryOrder Order)
{
    /// <summary>Longest text that is read.</summary>
    public const int LongestText = 4000;

    private const int MostCompletions = 8;
    private const int ShortestFinished = 3;

    private static readonly ConditionalWeakTable<ReferenceData, Vocabulary> Vocabularies = [];

    /// <summary>
    /// Reads a text as a person means it. Requests end at a semicolon or a new line, or where a second piece is named; a request is cut
    /// into
    /// clauses, each under what governs it: it adds, it refuses, it speaks of some of the pieces only. Every word is used, told as not
    /// understood, or one of the few that carry no meaning; whatever was not said is a chip of its own, marked as assumed.
    /// </summary>
    /// <param name="text">As typed; beyond <see cref="LongestText"/> it is not read, and told so.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <param name="looks">The kitchen's library.</param>
    /// <param name="today">The kitchen's day, from which "Saturday" is reckoned.</param>
    public static Entry Read(string text, KitchenTables tables, IReadOnlyList<Look> looks, LocalDate today)
    {
        var vocabulary = VocabularyOf(tables.Reference, looks);
        var read = text.Length > LongestText ? text[..LongestText] : text;
        var reader = new Reader(read, tables, looks, vocabulary, today);
        reader.Run();
        IEnumerable<NotUnderstood> tooLong = text.Length > LongestText
            ? [new(
                LongestText, text.Length - LongestText, text[LongestText..], Message.Of("entry.too-long", ("most", LongestText)), [])]
            : [];
        return new(reader.Lines, [.. reader.Notes.All.Concat(tooLong).OrderBy(u => u.Start)], Complete(read, vocabulary), reader.Order);
    }

    /// <summary>The words of a kitchen, put together once.</summary>
    internal static Vocabulary VocabularyOf(ReferenceData tables, IReadOnlyList<Look> looks)
    {
        if (!Vocabularies.TryGetValue(tables, out var vocabulary) || vocabulary.Looks != looks)
            Vocabularies.AddOrUpdate(tables, vocabulary = new(tables, looks));
        return vocabulary;
    }

    private static List<Completion> Complete(string text, Vocabulary vocabulary)
    {
        var last = Scanner.Scan(text).AsEnumerable().Reverse().TakeWhile(t => t.Kind is TokenKind.Word).Take(vocabulary.Longest).ToList();
        if (last.Count == 0 || last[0].End != text.Length)
            return [];

        // A word that means something as it stands is finished: what could be made of it would only be in the way.
        var word = text[last[0].Start..];
        if (word.Length >= ShortestFinished && vocabulary.Meanings(word).Count > 0)
            return [];
        return
        [
            .. last.AsEnumerable().Reverse().SelectMany(token => vocabulary.Beginning(text[token.Start..])
                    .Where(m => !m.Says.Equals(text[token.Start..], StringComparison.OrdinalIgnoreCase))
                    .Select(m => new Completion(token.Start, m.Says, m.Kind.ToString().ToLowerInvariant())))
                .Take(MostCompletions),
        ];
    }
}

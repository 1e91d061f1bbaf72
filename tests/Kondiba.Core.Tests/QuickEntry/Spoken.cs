using Kondiba.Core.Wording;

namespace Kondiba.Core.Tests;

/// <summary>Messages as a British reader with grams gets them.</summary>
internal static class Spoken
{
    [return: System.Diagnostics.CodeAnalysis.NotNullIfNotNull(nameof(message))]
    public static string? Said(this Message? message) => message is null ? null : Catalogue.Say(message, Voice.Plain);
}

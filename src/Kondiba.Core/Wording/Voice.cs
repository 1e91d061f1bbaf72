namespace Kondiba.Core.Wording;

/// <summary>A language that the catalogue ships.</summary>
public enum Language
{
    /// <summary>English as in Britain.</summary>
    British,

    /// <summary>English as in the United States.</summary>
    American,
}

/// <summary>How somebody is spoken to.</summary>
/// <param name="Language">Their language.</param>
/// <param name="Customary">
/// Whether they weigh in ounces and measure in inches and degrees Fahrenheit; grams, millimetres and degrees Celsius otherwise.
/// </param>
public sealed record Voice(Language Language = Language.British, bool Customary = false)
{
    /// <summary>British, metric.</summary>
    public static Voice Plain { get; } = new();
}

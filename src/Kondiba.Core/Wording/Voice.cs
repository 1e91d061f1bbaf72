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
/// <param name="Locale">How they write numbers, dates and times; as in Britain when left out.</param>
/// <param name="Currency">What they pay in; euros when left out.</param>
public sealed record Voice(Language Language = Language.British, bool Customary = false, Locale? Locale = null, Currency? Currency = null)
{
    /// <summary>British, metric, euros.</summary>
    public static Voice Plain { get; } = new();

    /// <inheritdoc cref="Voice(Language, bool, Locale?, Currency?)"/>
    public Locale Locale { get; } = Locale ?? Locale.All[0];

    /// <inheritdoc cref="Voice(Language, bool, Locale?, Currency?)"/>
    public Currency Currency { get; } = Currency ?? Currency.All[0];
}

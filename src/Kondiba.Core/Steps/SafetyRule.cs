using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Steps;

/// <summary>Something to mind at a step so that nobody comes to harm; local rules and licensed practice come first.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Stage">Of the steps that it is told at.</param>
/// <param name="When">
/// When it is told: "always", or for what is in the work: "method.bath", "method.microwave", "filling.cream", "perishable", "apple",
/// "stick", "skewer", "latex", "paint", "allergy".
/// </param>
/// <param name="Text">What to mind.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="AtMost">How long something may last in all; null where time does not matter.</param>
public sealed record SafetyRule(
    string Code, Stage Stage, string When, string Text, Source Source, Sourced<Duration>? AtMost = null);

/// <summary>What to mind at a step.</summary>
/// <param name="Code">Code of the rule.</param>
/// <param name="Text">What to mind.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="AtMost">How long something may last in all; null where time does not matter.</param>
public sealed record SafetyNote(string Code, Message Text, Source Source, Duration? AtMost)
{
    /// <summary>A rule, said at a step.</summary>
    internal static SafetyNote Of(SafetyRule rule) => new(rule.Code, Message.ByText(rule.Text), rule.Source, rule.AtMost?.Value);
}

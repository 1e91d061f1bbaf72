using Kondiba.Core.Facts;

namespace Kondiba.Core.Reference;

/// <summary>A word of the trade or a rule, as the handbook says it.</summary>
/// <param name="Section">"words" or "rules".</param>
/// <param name="Code">Name in data, unique in its section.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Text">What there is to know.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record HandbookText(string Section, string Code, string Title, string Text, Source Source);

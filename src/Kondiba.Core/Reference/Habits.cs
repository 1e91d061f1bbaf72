namespace Kondiba.Core.Reference;

/// <summary>What a kitchen usually does.</summary>
/// <param name="Coating">Code of the coating that a new line starts with: the kitchen's school.</param>
/// <param name="Thinner">Code of the thinner that goes into every pot whose coating takes it; null for none.</param>
/// <param name="Vessels">Code of the vessel that a centre is dipped in, by the centre's.</param>
/// <param name="Schools">Where makers differ, what is done here: the choice by the school's code.</param>
public sealed record Habits(
    string Coating,
    string? Thinner = null,
    IReadOnlyDictionary<string, string>? Schools = null,
    IReadOnlyDictionary<string, string>? Vessels = null);

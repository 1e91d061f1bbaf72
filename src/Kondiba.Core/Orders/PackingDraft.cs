namespace Kondiba.Core.Orders;

/// <summary>Some of a supply that an order is packed in: so much for every so many pieces.</summary>
/// <param name="Supply">Code of the supply.</param>
/// <param name="Each">How much of it, in its unit.</param>
/// <param name="Per">For every so many pieces, a part of them counted whole.</param>
/// <param name="Lines">Indices of the lines whose pieces it is for; null for those of all.</param>
public sealed record PackingDraft(string Supply, double Each = 1, int Per = 1, IReadOnlyList<int>? Lines = null);

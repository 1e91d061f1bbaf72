using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Planning;

/// <summary>An order to be planned.</summary>
/// <param name="Code">Unique, and the same in every plan.</param>
/// <param name="Draft">The order, with its pickup.</param>
public sealed record PlannedOrder(string Code, OrderDraft Draft);

/// <summary>What a task of a plan is.</summary>
/// <param name="Code">Its code.</param>
/// <param name="Order">Code of the order it is for; null for what orders share.</param>
/// <param name="Stage">What kind of work it is.</param>
/// <param name="Title">In a few words: "Dip 24 pretzel rods".</param>
/// <param name="For">What it is done to: "24 pretzel rods"; empty for what orders share.</param>
/// <param name="Text">What to do and what to look for.</param>
/// <param name="Why">What goes wrong without it.</param>
/// <param name="Source">Where that comes from.</param>
/// <param name="Lines">Lines of the order that it serves.</param>
/// <param name="Pieces">How many pieces.</param>
/// <param name="Round">Pieces to dip before stopping to decorate, while the coat is wet; null when nothing is done on the wet coat.</param>
/// <param name="Pots">Keys of the pots it is done from.</param>
/// <param name="AtMost">What may pass before what comes next; null when it can wait.</param>
/// <param name="Safety">What to mind so that nobody comes to harm; null in a plan that was made before it was told.</param>
public sealed record TaskInfo(
    string Code,
    string? Order,
    Stage Stage,
    string Title,
    string For,
    Message Text,
    Message Why,
    Source Source,
    IReadOnlyList<int> Lines,
    int Pieces,
    int? Round,
    IReadOnlyList<string> Pots,
    Duration? AtMost,
    IReadOnlyList<SafetyNote>? Safety = null);

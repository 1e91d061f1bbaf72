using Kondiba.Core.Amounts;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;

namespace Kondiba.Core.Safety;

/// <summary>Finds what to mind at the steps of an order.</summary>
internal static class SafetyNotes
{
    private const string Apple = "apple";
    private const string ShellBowl = "shell-bowl";
    private const string Skewer = "skewer";

    // Codes of what spoils in the warm: by the filling's ingredients, and cut fruit.
    private static readonly HashSet<string> Dairy = ["cream", "cream-cheese", "butter", "frosting"];
    private static readonly HashSet<string> CutFruit = ["fruit-ring"];

    /// <summary>What to mind at a step of an order.</summary>
    /// <param name="stage">What kind of work the step is.</param>
    /// <param name="lines">Lines of the order that it serves.</param>
    /// <param name="order">The order as typed.</param>
    /// <param name="tables">The kitchen's tables.</param>
    public static IReadOnlyList<SafetyNote> For(Stage stage, IReadOnlyList<int> lines, OrderDraft order, KitchenTables tables)
    {
        if (stage is Stage.Melt)
            return OfMelting(Orders.Schools.Chosen(order, tables));
        var holds = lines.SelectMany(l => Of(order.Lines[l], tables.Reference))
            .Append("always")
            .Concat(order.Allergies is { Count: > 0 } ? ["allergy"] : [])
            .ToHashSet();
        return Told(stage, holds, tables.Reference);
    }

    /// <summary>What to mind while a pot is melted, by the way that it is done here.</summary>
    /// <param name="tables">The kitchen's tables.</param>
    public static IReadOnlyList<SafetyNote> OfMelting(KitchenTables tables)
    {
        var method = MeltingOf.MethodOf(tables).Code;
        var way = method.StartsWith("microwave", StringComparison.Ordinal) ? "microwave" : method;
        return Told(Stage.Melt, ["always", $"method.{way}"], tables.Reference);
    }

    private static IReadOnlyList<SafetyNote> Told(Stage stage, HashSet<string> holds, ReferenceData tables) =>
        [.. tables.Safety.Where(r => r.Stage == stage && holds.Contains(r.When)).Select(SafetyNote.Of)];

    /// <summary>What is in a line's pieces that there is something to mind of.</summary>
    private static IEnumerable<string> Of(LineDraft line, ReferenceData tables)
    {
        if (tables.Centre(line.Centre) is not { } centre || centre.Size(line.Size) is not { } size)
            yield break;
        var recipe = LineMaking.Of(line, centre, size, tables).Filling;
        var stick = tables.Wares.StickFor(centre, line.Making?.On);
        if (recipe?.Mix.Any(m => m.Ingredient == "cream") is true)
            yield return "filling.cream";
        if (recipe?.Mix.Any(m => Dairy.Contains(m.Ingredient)) is true || CutFruit.Contains(centre.Code))
            yield return "perishable";
        if (stick is not null)
            yield return "stick";
        if (stick?.Code is Skewer)
            yield return "skewer";
        if (centre.Code is Apple && stick is not null)
            yield return "apple";
        if (centre.Code is ShellBowl)
            yield return "latex";
        if (line.Decor?.Paint is not null)
            yield return "paint";
    }
}

using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Steps;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Fillings;

/// <summary>An ingredient of a mix, as a share of the first one's mass.</summary>
/// <param name="Ingredient">Code of the ingredient.</param>
/// <param name="Share">Its mass over the first one's; of the first 100 %.</param>
/// <param name="From">Least share that still works; null when it is not adjusted.</param>
/// <param name="To">Most.</param>
public sealed record MixPart(string Ingredient, Sourced<Share> Share, Sourced<Share>? From = null, Sourced<Share>? To = null);

/// <summary>An ingredient that is counted: so many to each piece.</summary>
/// <param name="Ingredient">Code of the ingredient.</param>
/// <param name="Count">How many to a piece.</param>
public sealed record EachPart(string Ingredient, int Count);

/// <summary>A spoon or scoop that portions are taken with.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen, one.</param>
/// <param name="Plural">Name on screen, several.</param>
/// <param name="Volume">What it takes.</param>
public sealed record Scoop(string Code, string Name, string Plural, Sourced<Volume> Volume);

/// <summary>
/// A recipe for a centre that is made at home, or for accents: a mix by mass, portioned, and what is counted with each piece.
/// </summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Makes">Code of the centre it makes; "part." and a code for a part that is glued on.</param>
/// <param name="Mix">What is mixed, the ingredient that the others are measured by first.</param>
/// <param name="Each">What is counted.</param>
/// <param name="Portion">Of the mix, on one piece.</param>
/// <param name="Density">Of the mix.</param>
/// <param name="Loss">Of the mix, what sticks to the tools or is trimmed.</param>
/// <param name="Note">What to know about it.</param>
/// <param name="Rope">Whether the portion is a rope wound round, as long as the size's own turns.</param>
/// <param name="Steps">How it is made, when it is the maker's own; the shipped ones stand among the rules of preparing.</param>
public sealed record Filling(
    string Code,
    string Name,
    string Makes,
    IReadOnlyList<MixPart> Mix,
    IReadOnlyList<EachPart> Each,
    Sourced<Mass> Portion,
    Sourced<Density> Density,
    Sourced<Share> Loss,
    string Note,
    bool Rope = false,
    IReadOnlyList<PrepRule>? Steps = null)
{
    private const double MostShare = 5;
    private const double LeastPortion = 1;
    private const double MostPortion = 200;

    /// <summary>Scoops it can be portioned with; none for a rope, or where something is counted with each portion.</summary>
    public IReadOnlyList<Scoop> ScoopsAmong(IReadOnlyList<Scoop> scoops) => Rope || Each.Count > 0 ? [] : scoops;

    /// <summary>The choice of buying a centre ready made.</summary>
    public const string Bought = "bought";

    /// <summary>The recipe as a maker adjusts it.</summary>
    /// <param name="shares">Shares by ingredient's code; others stay.</param>
    public Filling With(IReadOnlyDictionary<string, double>? shares) => shares is not { Count: > 0 } ? this : this with
    {
        Mix = [
            .. Mix.Select(m => shares.TryGetValue(m.Ingredient, out var share) ? m with { Share = new(new(share), Source.Entered) } : m),
        ],
    };

    /// <summary>What is wrong with an adjusted share or portion, by field: "shares." and an ingredient's code, or "portion".</summary>
    /// <param name="shares">Shares by ingredient's code.</param>
    /// <param name="portion">Of the mix on one piece, in g; null for the usual one.</param>
    /// <param name="ingredients">The kitchen's ingredients, for their names.</param>
    public IEnumerable<Problem> Check(
        IReadOnlyDictionary<string, double>? shares, double? portion, IReadOnlyList<Ingredient> ingredients)
    {
        foreach (var (code, share) in shares ?? new Dictionary<string, double>())
        {
            var part = Mix.Skip(1).FirstOrDefault(m => m.Ingredient == code);
            if (part is null)
                yield return new(
                    $"shares.{code}",
                    Message.Of("fillings.nothing-whose-share-can", ("code", code), ("name", Name)),
                    "fillings.nothing-whose-share-can.do");
            else if (!(share >= 0 && share <= MostShare))
                yield return new($"shares.{code}", "fillings.share-nothing-least-most", "fillings.share-nothing-least-most.do");
            else if (share < part.From?.Value.Si || share > part.To?.Value.Si)
                yield return new(
                    $"shares.{code}",
                    Message.Of(
                        "fillings.will-not",
                        ("name", Name),
                        ("share", share),
                        ("ingredient", ingredients.FirstOrDefault(i => i.Code == code)?.Name),
                        ("instead", share > part.To?.Value.Si ? Message.Of("fillings.hold-its-shape") : "fillings.bind")),
                    Message.Of("fillings.will-not.do", ("from", part.From?.Value.Si ?? 0), ("to", part.To?.Value.Si ?? 1)),
                    Severity.Mind);
        }

        if (portion is { } grams && !(grams is >= LeastPortion and <= MostPortion))
            yield return new(
                "portion",
                Message.Of("fillings.portion-weighs-g", ("leastPortion", LeastPortion), ("mostPortion", MostPortion)),
                "fillings.portion-weighs-g.do");
    }

    /// <summary>The portion on a piece of some size: of a rope, what its turns weigh.</summary>
    public Sourced<Mass> PortionOn(CentreSize? size) => Rope && size?.Shape is WrappedRod rod
        ? new(rod.Rope.Circle * rod.RopeOn(Wound) * Density.Value, Source.Computed)
        : Portion;

    /// <summary>A rope is wound over two thirds of its rod; the rest is held.</summary>
    internal static Share Wound { get; } = Quantities.Of<Share>(66, "%");
}

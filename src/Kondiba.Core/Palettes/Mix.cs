using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Palettes;

/// <summary>A colour as asked for.</summary>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Base">Code of the coating's colour that drops go into.</param>
/// <param name="Target">The colour wanted, as #rrggbb.</param>
/// <param name="AtHand">Codes of the concentrated colours at hand.</param>
/// <param name="Pot">Coating in the pot, in g.</param>
public sealed record MixDraft(string? Coating, string? Base, string? Target, IReadOnlyList<string>? AtHand, double Pot);

/// <summary>Ready-coloured coatings stirred together.</summary>
/// <param name="Parts">Parts by mass.</param>
/// <param name="Srgb">How they look, as #rrggbb.</param>
/// <param name="DeltaE">ΔE00 to the target.</param>
/// <param name="Words">The same in words.</param>
public sealed record ReadyMix(IReadOnlyList<Parts> Parts, string Srgb, double DeltaE, Message Words);

/// <summary>How to come to a colour.</summary>
/// <param name="Recipe">Drops into the base.</param>
/// <param name="Ready">The best mix of the coating's own colours; null when it is sold in one only.</param>
/// <param name="Advice">What to do when the base does not reach the target; empty when it does.</param>
/// <param name="Problems">What cannot be; the recipe is null then.</param>
public sealed record Mix(Recipe? Recipe, ReadyMix? Ready, Message Advice, IReadOnlyList<Problem> Problems)
{
    /// <summary>Most coating that one pot is coloured for, in g.</summary>
    private const double MostPot = 20_000;

    /// <summary>Finds it.</summary>
    public static Mix For(MixDraft draft, ReferenceData tables)
    {
        var problems = new List<Problem>();
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy, Severity.Error));
        var coating = tables.Coating(draft.Coating);
        if (coating is null)
            Error("coating", "colour.such-coating", "colour.such-coating.do");
        var onto = coating?.Colour(draft.Base);
        if (coating is not null && onto is null)
            Error("base", Message.Of("colour.not-sold-colour", ("coating", coating.Name)), "colour.not-sold-colour.do");
        if (!Spectrum.IsSrgb(draft.Target))
            Error("target", "colour.colour", "colour.colour.do");
        var atHand = (draft.AtHand ?? []).Select(tables.Tint).ToList();
        if (atHand.Contains(null))
            Error("atHand", "colour.one-colours-hand-not", "colour.one-colours-hand-not.do");
        if (!(draft.Pot > 0) || draft.Pot > MostPot)
            Error("pot", Message.Of("colour.pot-holds-more-nothing", ("mostPot", MostPot)), "colour.pot-holds-more-nothing.do");
        if (problems.Count > 0)
            return new(null, null, "", problems);

        var (target, c) = (Spectrum.LabOf(draft.Target!), tables.Colour);
        Tint[] tints = [.. atHand.OfType<Tint>().DistinctBy(t => t.Code)];
        var pot = Quantities.Of<Mass>(draft.Pot, "g");
        var recipe = Recipe.For(target, onto!.Srgb, tints, pot, c);
        var ready = coating!.Colours.Count < 2 ? default : Recipe.OfCoatings(target, [.. coating.Colours.Select(k => (k.Code, k.Srgb))]);
        var readyMix = ready.Parts is null || Lab.OfOtherHue(target, Spectrum.LabOf(ready.Srgb))
            ? null
            : new ReadyMix(ready.Parts, ready.Srgb, ready.DeltaE, c.Words(ready.DeltaE));
        return new(
            recipe, readyMix, recipe.Reached ? Message.None : Advise(target, coating, onto, tints, pot, recipe, readyMix, tables), []);
    }

    private static Message Advise(
        Lab target, Coating coating, CoatingColour onto, Tint[] tints, Mass pot, Recipe recipe, ReadyMix? ready, ReferenceData tables)
    {
        var nearest = Message.Of("colour.not-reachable", ("from", onto.Name), ("nearest", recipe.Words));
        if (target.L > Spectrum.LabOf(onto.Srgb).L + 1
            && coating.Colours.OrderByDescending(k => Spectrum.LabOf(k.Srgb).L).First() is { } lightest
            && lightest != onto)
            return Message.Of(
                Reached(lightest) ? "colour.start-lighter-reached" : "colour.start-lighter",
                ("nearest", nearest),
                ("lightest", lightest.Name));
        if (ready is not null && ready.DeltaE < tables.Colour.Reached.Value.Si)
            return Message.Of("colour.mix-ready-coloured", ("nearest", nearest));
        var missing = tables.Tints.Where(t => t.Carrier is not Carrier.Water && !tints.Contains(t))
            .Select(t => (Tint: t, Recipe.For(
                target, onto.Srgb, [.. tints.Take(Recipe.MostColours), t], pot, tables.Colour).DeltaE)).OrderBy(
                t => t.DeltaE).FirstOrDefault();
        return missing.Tint is not null && missing.DeltaE < tables.Colour.Reached.Value.Si
            ? Message.Of("colour.reached-with", ("nearest", nearest), ("tint", missing.Tint.Name))
            : Message.Of("colour.buy-ready-coloured", ("nearest", nearest));

        bool Reached(CoatingColour other) => Recipe.For(target, other.Srgb, tints, pot, tables.Colour).Reached;
    }
}

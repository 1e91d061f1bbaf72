using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>What is left of a pot.</summary>
/// <param name="Mass">Pool and margin, when nothing went wrong.</param>
/// <param name="Uses">What it can become, best first.</param>
public sealed record Leftover(Mass Mass, IReadOnlyList<Message> Uses)
{
    /// <summary>Finds uses for what is left of a pot.</summary>
    /// <param name="mass">Left in the vessel.</param>
    /// <param name="coating">Of the pot.</param>
    /// <param name="thinned">Whether thinner is in it.</param>
    /// <param name="c">Constants.</param>
    internal static Leftover For(Mass mass, Coating coating, bool thinned, LeftoverConstants c)
    {
        List<Message> uses = [];
        if (mass >= c.Accents.Value)
        {
            uses.Add(coating.Temper is null ? Message.Of("amounts.set-block-melt-again") : Message.Of("amounts.set-block-temper-again"));
            uses.Add("amounts.fold-into-darker-pot");
            uses.Add(thinned ? Message.Of("amounts.mould-accents-drizzle-too") : Message.Of("amounts.mould-accents-drizzle"));
        }

        if (mass >= c.Bark.Value)
            uses.Add("amounts.stir-nuts-dried-fruit");
        if (uses.Count > 0 && coating.Allergens is { Count: > 0 })
            uses.Add(Message.Of("amounts.keeps-allergens", ("allergens", Argument.Of(coating.Allergens))));
        return new(mass, uses);
    }
}

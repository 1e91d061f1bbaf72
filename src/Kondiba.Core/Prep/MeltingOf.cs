using Kondiba.Core.Amounts;
using Kondiba.Core.Coatings;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Thinning;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Prep;

/// <summary>How a pot is melted in a kitchen: what it takes the hands, and what they do.</summary>
internal static class MeltingOf
{
    /// <summary>Code of the matter of how coating is melted.</summary>
    public const string School = "melting";

    /// <summary>What melting takes, batch after batch where the vessel does not hold all of it.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="mass">How much of it is melted.</param>
    /// <param name="tables">The kitchen's tables, with the order's choices.</param>
    public static MeltWork Pot(Pot pot, Mass mass, KitchenTables tables)
    {
        var batches = Math.Max(1, pot.Melts.Count);
        var one = For(pot, mass / batches, tables);
        return one with { Hands = one.Hands * batches * tables.PaceOf(Steps.Stage.Melt) };
    }

    private static MeltWork For(Pot pot, Mass mass, KitchenTables tables)
    {
        var (r, method) = (tables.Reference, MethodOf(tables));
        var times = tables.Learned.Melting.Of(method.Code).Mean;
        return MeltWork.For(r.Coating(pot.Coating)!, mass, method, r.Setting.Room.Air.Value, times, r.Melting, r.Setting);
    }

    /// <summary>What a kitchen melts by.</summary>
    internal static MeltMethod MethodOf(KitchenTables tables)
    {
        var choice = Schools.Choice(tables.Reference.Schools.First(s => s.Code == School), null, tables).Code;
        return tables.Reference.Melting.Methods.First(m => m.Code == choice);
    }

    /// <summary>
    /// What is weighed out for a share of a pot: with the thinner, which is told in whole grams, it makes the pot's own whole grams.
    /// </summary>
    private static Mass Weighed(Pot pot, double share)
    {
        var thinner = (pot.Thinner?.Mass.Value ?? default) * share;
        return WholeGrams((pot.OfCoating * share) + thinner) - WholeGrams(thinner);
    }

    /// <summary>What is taken from the shelf: "black candy coating", "dark chocolate", "dark baking chips".</summary>
    private static string Called(Coating coating, string bought)
    {
        var (label, colour) = (coating.Label ?? coating.Name, coating.Colour(bought)?.Name ?? "");
        return label.StartsWith(colour, StringComparison.Ordinal) ? label : $"{colour} {label}";
    }

    private static Mass WholeGrams(Mass mass) => Quantities.Of<Mass>(Math.Round(mass.In("g")), "g");

    /// <summary>What the hands do, in their order.</summary>
    /// <param name="pot">The pot.</param>
    /// <param name="mass">How much of it is melted.</param>
    /// <param name="tables">The kitchen's tables, with the order's choices.</param>
    public static Message Says(Pot pot, Mass mass, KitchenTables tables)
    {
        var (r, share) = (tables.Reference, mass / pot.ToMelt.Value);
        var coating = r.Coating(pot.Coating)!;
        var batches = Math.Max(1, pot.Melts.Count);
        var work = For(pot, mass / batches, tables);
        var bursts = work.Melt.Bursts.Select(b => Message.Of("prep.melt.bursts", ("times", b.Times), ("each", b.Each.TotalSeconds)));
        List<Message> says = [Message.Of("prep.melt.weigh", ("coating", Weighed(pot, share)), ("name", Called(coating, pot.Bought)))];
        if (batches > 1)
            says.Add(Message.Of("prep.melt.batches", ("batches", batches)));
        if (pot.Thinner is { GoesIn: GoesIn.BeforeMelting } before)
            says.Add(Thinned("prep.melt.thinner-first", before));
        if (work.Seed is { } seed)
            says.Add(Message.Of("prep.melt.hold-back", ("seed", seed * batches)));
        says.Add(work.Melt.Bursts.Count > 0
            ? Message.Of("prep.melt.microwave", ("level", MethodOf(tables).Level!.Value), ("bursts", Argument.Of(bursts)))
            : Message.Of(
                "prep.melt.by",
                ("how", MethodOf(tables).How),
                ("takes", Duration.FromMinutes(Math.Ceiling(work.Melt.InAll.TotalMinutes)))));
        if (pot.Thinner is { GoesIn: GoesIn.AfterMelting } after)
            says.Add(Thinned("prep.melt.thinner-after", after));
        says.AddRange(pot.Drops.Select(d => Message.Of(
            "prep.melt.drops", ("drops", Math.Max(1, Math.Round(d.InPot * share))), ("tint", r.Tints.First(t => t.Code == d.Tint).Name))));
        says.Add(work.Seed is null
            ? Message.Of("prep.melt.to", ("most", coating.MeltAtMost.Value), ("dip", coating.DipAt.Value))
            : Message.Of(
                "prep.melt.temper",
                ("melt", coating.MeltTo.Value),
                ("dip", coating.DipAt.Value),
                ("never", coating.Temper!.NeverAbove.Value)));
        if (pot.Drizzle is { } drizzle)
            says.Add(Message.Of(
                pot.Vessel is null ? "prep.melt.bags-only" : "prep.melt.bags",
                ("inBags", drizzle.InBags.Value * share),
                ("from", coating.DrizzleFrom.Value),
                ("to", coating.DrizzleTo.Value)));
        return says.Aggregate(Message.Then);

        Message Thinned(string code, PotThinner thinner) => Message.Of(
            code,
            ("spoons", Household.Of(Household.Measure(thinner.Tablespoons * share, "tbsp")!.Value)),
            ("mass", thinner.Mass.Value * share),
            ("thinner", r.Thinners.First(t => t.Code == thinner.Code).Name));
    }
}

using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Melting;

/// <summary>What to hold back of a pot that wants tempering: stirred in unmelted, it cools the rest into the working window and brings the crystals.</summary>
/// <param name="Seed">To hold back.</param>
/// <param name="Melt">To melt.</param>
/// <param name="Share">Of all of it that is held back.</param>
/// <param name="From">Temperature of the melted part.</param>
/// <param name="LandsAt">Temperature when the seed has melted: the middle of the working window.</param>
/// <param name="Held">Whether the temper is likely to hold.</param>
/// <param name="Advice">What to do and to mind.</param>
/// <param name="Working">How it came about.</param>
public sealed record Seeding(Mass Seed, Mass Melt, Share Share, Temperature From, Temperature LandsAt, bool Held, string Advice, [property: JsonIgnore] IReadOnlyList<WorkingLine> Working)
{
    /// <summary>Computes it from the heat that the melted part and its bowl give off and the seed takes up; null for a coating that wants no tempering.</summary>
    /// <param name="coating">The coating.</param>
    /// <param name="mass">All of it.</param>
    /// <param name="from">Temperature of the melted part.</param>
    /// <param name="room">Temperature of the seed.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static Seeding? For(Coating coating, Mass mass, Temperature from, Temperature room, TradeTables tables)
    {
        if (coating.Temper is not { } temper)
            return null;
        var c = tables.Melting;
        var heat = new CoatingHeat(coating, tables);
        var lands = Quantities.Of<Temperature>((temper.Work[0].Value.In("°C") + temper.Work[1].Value.In("°C")) / 2, "°C");
        var (hot, at, cold) = (from.In("°C"), lands.In("°C"), room.In("°C"));

        // (1 − s)·m·cm·(hot − at) + bowl·(hot − at) = s·m·(heat of the seed melted at the landing − its heat in the room)
        var gives = c.MeltedHeat.Value.Si * (hot - at);
        var bowl = c.BowlFor(mass) * (hot - at) / mass.Si;
        var takes = MeltedOut() - heat.Of(cold);
        var share = Math.Clamp((gives + bowl) / (gives + takes), 0, 1);
        var (most, least) = (c.MostSeed.Value.Si, c.LeastSeed.Value.Si);
        var never = temper.NeverAbove.Value.In("°C");
        var held = share >= least && share <= most && at <= never;
        var asIs = hot <= never;
        return new(
            mass * share,
            mass * (1 - share),
            new(share),
            from,
            lands,
            asIs || held,
            AdviceFor(),
            [
                WorkingLine.Of("all of it", "", mass, Source.Computed),
                WorkingLine.Of("melted part at", "", from, Source.Entered),
                WorkingLine.Of("seed at", "as warm as the room", room, Source.Entered),
                WorkingLine.Of("working window, from", temper.Work[0]),
                WorkingLine.Of("working window, to", temper.Work[1]),
                WorkingLine.Of("heat capacity, melted", c.MeltedHeat),
                WorkingLine.Of("heat capacity, set", c.SolidHeat),
                WorkingLine.Of("latent heat of its fat", c.LatentOfFat),
                WorkingLine.Of("bowl, for the usual load", c.Bowl),
                WorkingLine.Of("part of it that cools along", c.BowlTouches),
                WorkingLine.Of("heat capacity of the bowl", c.BowlHeat),
                WorkingLine.Of("share held back", $"({gives / 1000:0.0} + {bowl / 1000:0.0} of the bowl) kJ/kg ÷ ({gives / 1000:0.0} + {takes / 1000:0.0}) kJ/kg", new Share(share), Source.Computed),
                WorkingLine.Of("seed", $"{mass.In("g"):0} g × {share:0.00}", mass * share, Source.Computed),
            ]);

        // Below its melting point the seed dissolves in what is melted: it takes up all of its latent heat.
        double MeltedOut()
        {
            var melts = tables.Setting.Family(coating.Family).Melts.Value.In("°C");
            return heat.Of(melts) - (c.MeltedHeat.Value.Si * (melts - at));
        }

        string AdviceFor()
        {
            if (asIs)
                return $"It has not been above {never:0.#} °C: its temper is likely to hold, and no seed is wanted. Try a smear on paper.";
            if (share > most)
                return $"It is too hot for seed alone: more than half would have to go in. Let it cool first, to about {at + 10:0} °C.";
            return share < least
                ? "So little seed may not bring the crystals: melt it out warmer, and hold back more."
                : $"Stir the seed in until it is gone, and go on stirring down to {at:0.#} °C. If lumps are left below that, take them out. A smear on paper sets glossy in five minutes when the temper holds.";
        }
    }
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Coatings;
using Kondiba.Core.Colour;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Leftovers;

/// <summary>An order that a leftover could go into.</summary>
/// <param name="Id">By which whoever asks knows it.</param>
/// <param name="Draft">The order.</param>
/// <param name="Tally">What it comes to.</param>
public sealed record ComingOrder(Guid Id, OrderDraft Draft, CoatingTally Tally);

/// <summary>A leftover kept in the pantry.</summary>
/// <param name="Ware">Code of the ware that it is then.</param>
/// <param name="Name">Its name.</param>
/// <param name="BestBefore">Until when it keeps.</param>
public sealed record LeftoverKept(string Ware, string Name, LocalDate BestBefore);

/// <summary>A leftover stirred into a pot of a coming order.</summary>
/// <param name="Order">Which order.</param>
/// <param name="Name">What the order is for.</param>
/// <param name="Pickup">When it is collected.</param>
/// <param name="Pot">Key of its pot.</param>
/// <param name="Ware">Code of the ware that it then stands in for.</param>
/// <param name="Takes">How much of it goes in before the colour is seen to change.</param>
/// <param name="Wanted">Coating in that pot.</param>
/// <param name="Srgb">The pot's own colour, as #rrggbb.</param>
/// <param name="Mixed">How the two look together, as #rrggbb.</param>
/// <param name="Off">How far that is from the pot's own colour, in words.</param>
/// <param name="Lines">The pieces that would wear it.</param>
public sealed record LeftoverFolded(
    Guid Order,
    string Name,
    LocalDateTime? Pickup,
    string Pot,
    string Ware,
    Mass Takes,
    Mass Wanted,
    string Srgb,
    string Mixed,
    Message Off,
    IReadOnlyList<string> Lines);

/// <summary>A leftover spread as bark.</summary>
/// <param name="With">Nuts or dried fruit to stir in.</param>
/// <param name="Spread">How large a sheet it makes.</param>
/// <param name="Working">How they came about.</param>
public sealed record LeftoverBark(Mass With, Area Spread, IReadOnlyList<WorkingLine> Working);

/// <summary>A leftover moulded into accents.</summary>
/// <param name="Ware">Code of the ware that they are then.</param>
/// <param name="Name">What they are, several.</param>
/// <param name="Count">How many it makes.</param>
/// <param name="Each">What one takes.</param>
/// <param name="BestBefore">Until when they keep.</param>
/// <param name="For">Coming orders that want such ones in this colour.</param>
public sealed record LeftoverAccents(
    string Ware, string Name, int Count, Mass Each, LocalDate BestBefore, IReadOnlyList<string> For);

/// <summary>What can become of a leftover.</summary>
/// <param name="Pot">Key of the pot that it is left of.</param>
/// <param name="Mass">How much is left.</param>
/// <param name="Contains">Allergens that it keeps; null when nobody has said.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="Kept">Kept as it is; null where it is too little, or no coating that is sold.</param>
/// <param name="Folded">Pots of coming orders that it could go into: the same colour first, then the soonest.</param>
/// <param name="Bark">Spread as bark; null where it is too little.</param>
/// <param name="Accents">Moulded into accents, those that a coming order wants first.</param>
public sealed record LeftoverPlan(
    string Pot,
    Mass Mass,
    IReadOnlyList<string>? Contains,
    IReadOnlyList<string> MayContain,
    LeftoverKept? Kept,
    IReadOnlyList<LeftoverFolded> Folded,
    LeftoverBark? Bark,
    IReadOnlyList<LeftoverAccents> Accents)
{
    private const int MostAccents = 3;
    private const int Halvings = 24;

    /// <summary>What can become of some coating that is left.</summary>
    /// <param name="pot">Key of the pot that it is left of, or of its colour in the pantry.</param>
    /// <param name="mass">How much is left.</param>
    /// <param name="today">The day.</param>
    /// <param name="coming">Orders that are still to be made, the soonest first.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <returns>Null where there is no such coating.</returns>
    public static LeftoverPlan? For(
        string pot, Mass mass, LocalDate today, IReadOnlyList<ComingOrder> coming, ReferenceData tables)
    {
        if (tables.PotOf(pot) is not ({ } coating, { } colour))
            return null;
        var c = tables.Leftovers;
        var worth = mass >= c.Accents.Value;
        var ware = tables.Ware(Ware.OfColour(coating.Code, colour.Code));
        return new(
            pot,
            mass,
            coating.Allergens,
            coating.MayContain ?? [],
            worth && ware is not null ? new(ware.Code, ware.Name, today.PlusDays(c.Keeps.Value.Days)) : null,
            Folds(pot, mass, coming, tables),
            mass >= c.Bark.Value ? BarkOf(coating, mass, tables) : null,
            worth ? AccentsOf(pot, coating, mass, today, coming, tables) : []);
    }

    /// <summary>Pots of coming orders that some coating could go into: the same colour first, then the soonest.</summary>
    /// <param name="pot">Key of the pot that it is left of, or of its colour in the pantry.</param>
    /// <param name="mass">How much is left.</param>
    /// <param name="coming">Orders that are still to be made, the soonest first.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <returns>None where there is no such coating, or too little to be worth it.</returns>
    public static IReadOnlyList<LeftoverFolded> Folds(
        string pot, Mass mass, IReadOnlyList<ComingOrder> coming, ReferenceData tables) =>
        tables.PotOf(pot) is ({ } coating, { } colour) && mass >= tables.Leftovers.Accents.Value
            ? Folds(coating, colour, mass, coming, tables)
            : [];

    private static List<LeftoverFolded> Folds(
        Coating coating, CoatingColour colour, Mass mass, IReadOnlyList<ComingOrder> coming, ReferenceData tables)
    {
        var folds =
            from order in coming
            from pot in order.Tally.Pots
            where pot.Coating == coating.Code
            let own = coating.Colour(pot.Colour)!.Srgb
            where pot.Colour == colour.Code || Folds(Spectrum.LabOf(colour.Srgb), Spectrum.LabOf(own), tables.Leftovers)
            let takes = Takes(colour.Srgb, own, mass, pot.OfCoating, tables.Colour)
            where takes >= tables.Leftovers.Accents.Value
            let mixed = Mixing.Coatings((colour.Srgb, takes.Si), (own, Math.Max(0, (pot.OfCoating - takes).Si)))
            let off = Lab.DeltaE(Spectrum.LabOf(own), mixed)
            orderby pot.Colour == colour.Code descending, order.Draft.Pickup
            select new LeftoverFolded(
                order.Id,
                order.Draft.Name ?? "",
                order.Draft.Pickup,
                pot.Key,
                Ware.OfColour(pot.Coating, pot.Bought),
                takes,
                pot.OfCoating,
                own,
                pot.Colour == colour.Code ? own : Spectrum.SrgbOf(mixed),
                tables.Colour.Words(off),
                [.. pot.Ways.Select(w => w.Line).Distinct().Select(l => tables.Centre(order.Draft.Lines[l].Centre)!.Plural).Distinct()]);
        return [.. folds];
    }

    /// <summary>Whether makers fold a colour into another: pale into darker, of the same family. Common practice.</summary>
    private static bool Folds(Lab light, Lab dark, LeftoverConstants c)
    {
        var apart = Math.Abs(Math.Atan2(light.B, light.A) - Math.Atan2(dark.B, dark.A)) * 180 / Math.PI;
        return light.L >= dark.L
            && (Chroma(light) < c.Pale.Value.Si || Chroma(dark) < c.Pale.Value.Si || Math.Min(apart, 360 - apart) <= c.Family.Value.Si);

        static double Chroma(Lab of) => Math.Sqrt((of.A * of.A) + (of.B * of.B));
    }

    /// <summary>How much of a colour can stand in for another in a pot before one would have to look twice.</summary>
    private static Mass Takes(string srgb, string into, Mass left, Mass wanted, ColourConstants c)
    {
        var most = left < wanted ? left : wanted;
        if (srgb == into || Off(most) < c.Close.Value.Si)
            return most;
        var (from, to) = (default(Mass), most);
        for (var i = 0; i < Halvings; i++)
        {
            var middle = (from + to) / 2;
            (from, to) = Off(middle) < c.Close.Value.Si ? (middle, to) : (from, middle);
        }

        return from;

        double Off(Mass part) => Lab.DeltaE(
            Spectrum.LabOf(into), Mixing.Coatings((srgb, part.Si), (into, Math.Max(0, (wanted - part).Si))));
    }

    private static LeftoverBark BarkOf(Coating coating, Mass mass, ReferenceData tables)
    {
        var c = tables.Leftovers;
        var with = mass * c.BarkWith.Value.Si;
        var density = Flow.Of(coating, default, tables.Film).Density;

        // What is stirred in takes about as much room as coating of its mass.
        var spread = new Area((mass + with).Si / density.Si / c.BarkThick.Value.Si);
        return new(with, spread,
        [
            WorkingLine.Of("leftovers.with", c.BarkWith),
            WorkingLine.Of("leftovers.thick", c.BarkThick),
            WorkingLine.Of(
                "leftovers.stir-in",
                Message.Of("leftovers.stir-in.how", ("mass", mass), ("share", c.BarkWith.Value.Si)),
                with,
                Source.Computed),
            WorkingLine.Of(
                "leftovers.spread",
                Message.Of("leftovers.spread.how", ("all", mass + with), ("density", density.Si), ("thick", c.BarkThick.Value)),
                spread,
                Source.Computed),
        ]);
    }

    private static List<LeftoverAccents> AccentsOf(
        string pot, Coating coating, Mass mass, LocalDate today, IReadOnlyList<ComingOrder> coming, ReferenceData tables)
    {
        var density = Flow.Of(coating, default, tables.Film).Density;
        var made =
            from part in tables.Decor.Parts
            let mould = tables.Mould(part.Mould)
            where mould is not null
            let each = mould.Holds * density
            let count = (int)(mass / each)
            where count > 0
            let wanted = coming.Where(o => o.Tally.Lines.Any(
                l => l.Look?.Parts.Any(p => p.Moulded == pot && p.Kind == part.Code) is true)).Select(o => o.Draft.Name ?? "").ToList()
            orderby wanted.Count descending, part.Plural
            select new LeftoverAccents(
                $"part.{part.Code}", part.Plural, count, each, today.PlusDays(tables.Leftovers.AccentsKeep.Value.Days), wanted);
        return [.. made.Take(MostAccents)];
    }
}

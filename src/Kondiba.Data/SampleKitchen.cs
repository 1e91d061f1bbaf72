using Kondiba.Core.Decoration;
using Kondiba.Core.Kitchens;
using NodaTime;

namespace Kondiba.Data;

/// <summary>A kitchen in an invented harbour town, with five orders over the fortnight that follows a day.</summary>
public static class SampleKitchen
{
    private const string HotFlow = "compound-wafer-hot-flow";

    /// <summary>Makes it.</summary>
    /// <param name="today">The day its orders are dated from.</param>
    /// <param name="now">The moment it is made.</param>
    /// <param name="timeZone">IANA name of its zone.</param>
    public static (Kitchen Kitchen, IReadOnlyList<KitchenItem> Items, IReadOnlyList<Order> Orders) From(LocalDate today, Instant now, string timeZone)
    {
        var kitchen = new Kitchen { Name = "Harbour kitchen", IsSample = true, TimeZone = timeZone };
        var saturday = today.PlusDays(1).With(DateAdjusters.NextOrSame(IsoDayOfWeek.Saturday));
        var looks = Library();
        return (kitchen,
        [
            .. looks.Values.Select(l => KitchenItem.Of(kitchen.Id, ItemKind.Look, l.Code, l)),
            KitchenItem.Of(kitchen.Id, ItemKind.Ways, "ways", new Ways(Thinner: "flakes")),
            KitchenItem.Of(kitchen.Id, ItemKind.Lot, "midnight-1", new OwnLot("midnight-1", HotFlow, "midnight", 210, today.PlusMonths(4))),
            KitchenItem.Of(kitchen.Id, ItemKind.Lot, "white-1", new OwnLot("white-1", HotFlow, "white", 90, today.PlusMonths(2))),
        ],
        [
            Order("Chess final", today.PlusDays(2), 17, "Club room over the chandlery. Dark one side, white the other, like the board.", ["#4a2616", "#f3e7cd"],
                (looks["board-half"], 16), (looks["board-square"], 16)),
            Order("Meteor night", saturday, 18, "Hilltop observatory, collected at the gate. Rods stand in tall jars.", ["#24306a", "#bfc5d2", "#4a2616"],
                (looks["meteor-rod"], 24), (looks["harbour-berry"], 24), (looks["night-sky"], 12), (looks["ripple"], 12)),
            Order("Choir jubilee", saturday, 11, "Concert hall, the side door. Rods with the Meteor night's, from one pot.", ["#24306a", "#bfc5d2", "#6c2150"],
                (looks["baton"], 18), (looks["singer"], 24), (looks["plum-twist"], 36)),
            Order("Regatta", saturday.PlusDays(1), 11, "Rowing club boathouse, for the prize table.", ["#1c8787", "#e8685a", "#f3e7cd"],
                (looks["wake"], 20), (looks["buoy"], 18), (looks["number-seven"], 6)),
            Order("Orchid show", today.PlusDays(11), 10, "Botanical society, the glasshouse door.", ["#6c2150", "#b4cf46", "#f3e7cd"],
                (looks["orchid"], 24), (looks["fern"], 30), (looks["dew"], 8)),
        ]);

        Order Order(string name, LocalDate day, int hour, string notes, List<string> palette, params (Look Look, int Count)[] lines)
        {
            var order = new Order { KitchenId = kitchen.Id, Name = name, Pickup = day.At(new LocalTime(hour, 30)), Notes = notes, Palette = palette, ChangedAt = now };
            order.Lines.AddRange(lines.Select((l, i) => new OrderLine
            {
                Id = Guid.CreateVersion7(),
                KitchenId = kitchen.Id,
                Position = i,
                Centre = l.Look.Centre,
                Size = l.Look.Size,
                Amount = l.Count,
                Coating = l.Look.Coating,
                Colour = l.Look.Colour,
                Depth = l.Look.Depth,
                Coats = l.Look.Coats,
                Look = l.Look.Name,
                Decor = l.Look.Decor,
            }));
            return order;
        }
    }

    /// <summary>The library of looks, by code.</summary>
    private static Dictionary<string, Look> Library()
    {
        var none = Decor.None;
        return new Look[]
        {
            Look("harbour-berry", "Harbour berry", "strawberry", "L", "dark", 0.75, none with { Patterns = [Drawn("zigzag", "white", 12, 1.6, -8)], Sprinkles = [new("silver-dots", Side.Tip, 0.3)] }),
            Look("meteor-rod", "Meteor rod", "pretzel-rod", "one", "midnight", 0.33, none with { Patterns = [Drawn("zigzag", "silver", 12, 1.4, 12)] }),
            Look("night-sky", "Night sky", "truffle-ball", "one", "midnight", 1, none with { Sprinkles = [new("silver-dots", Side.Front, 0.12)], Paint = new("silver", 0.15) }),
            Look("ripple", "Ripple", "sandwich-cookie", "thin", "white", 1, none with { Patterns = [Drawn("rings", "midnight", 3, 1.8)] }),
            Look("board-half", "Board, half and half", "sandwich-cookie", "double", "dark", 1, none with { Dips = [new(HotFlow, "white", 0.5, 90)] }),
            Look("board-square", "Board squares", "sandwich-cookie", "double", "white", 1, none with { Patterns = [Drawn("criss-cross", "dark", 4, 1.6, 45)] }),
            Look("baton", "Baton", "pretzel-rod", "one", "midnight", 0.5, none with { Patterns = [Drawn("stripes", "silver", 7, 1.6)] }),
            Look("singer", "Singer", "marshmallow", "one", "silver", 0.66, none with { Patterns = [Drawn("face", "midnight", 1, 1.6)] }),
            Look("plum-twist", "Plum twist", "pretzel-twist", "mini", "plum", 1, none with { Patterns = [Drawn("lines", "silver", 8, 1.2, 30)] }),
            Look("wake", "Wake", "strawberry", "XL", "teal", 0.66, none with { Patterns = [Drawn("marble", "white", 6, 1.8)] }),
            Look("buoy", "Buoy", "pretzel-rod", "one", "coral", 0.5, none with { Patterns = [Drawn("stripes", "white", 5, 2.6)] }),
            Look("number-seven", "Boat number seven", "apple", "M", "teal", 1, none with { Patterns = [Drawn("letters", "white", 1, 2.4) with { Text = "7" }, Drawn("edge", "coral", 1, 2)] }),
            Look("orchid", "Orchid", "truffle-ball", "one", "plum", 1, none with { Patterns = [Drawn("web", "white", 3, 1.4)] }, 2),
            Look("fern", "Fern", "strawberry", "M", "lime", 0.75, none with { Patterns = [Drawn("lines", "plum", 7, 1.4, 35)] }),
            Look("dew", "Dew", "apple", "S", "plum", 0.5, none with { Patterns = [Drawn("dots", "lime", 4, 3)], Sprinkles = [new("sanding-sugar", Side.Tip, 0.4)] }),
        }.ToDictionary(l => l.Code);

        static PatternDraft Drawn(string kind, string colour, int lines, double bead, double angle = 0) => new(kind, HotFlow, colour, lines, null, bead, angle);

        static Look Look(string code, string name, string centre, string size, string colour, double depth, Decor decor, int coats = 1) =>
            new(code, name, centre, size, HotFlow, colour, depth, coats, false, null, decor);
    }
}

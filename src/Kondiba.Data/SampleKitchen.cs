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
        return (kitchen,
        [
            KitchenItem.Of(kitchen.Id, ItemKind.Ways, "ways", new Ways(Thinner: "flakes")),
            KitchenItem.Of(kitchen.Id, ItemKind.Lot, "midnight-1", new OwnLot("midnight-1", HotFlow, "midnight", 210, today.PlusMonths(4))),
            KitchenItem.Of(kitchen.Id, ItemKind.Lot, "white-1", new OwnLot("white-1", HotFlow, "white", 90, today.PlusMonths(2))),
        ],
        [
            Order("Chess final", today.PlusDays(2), 17, "Club room over the chandlery. Dark one side, white the other, like the board.",
                ("sandwich-cookie", "double", 16, "dark", 1, 1), ("sandwich-cookie", "double", 16, "white", 1, 1)),
            Order("Meteor night", saturday, 18, "Hilltop observatory, collected at the gate. Rods stand in tall jars.",
                ("pretzel-rod", "one", 24, "midnight", 0.33, 1), ("strawberry", "L", 24, "dark", 0.75, 1),
                ("truffle-ball", "one", 12, "midnight", 1, 1), ("sandwich-cookie", "thin", 12, "white", 0.5, 1)),
            Order("Choir jubilee", saturday, 11, "Concert hall, the side door. Rods with the Meteor night's, from one pot.",
                ("pretzel-rod", "one", 18, "midnight", 0.5, 1), ("marshmallow", "one", 24, "silver", 0.66, 1), ("pretzel-twist", "mini", 36, "plum", 1, 1)),
            Order("Regatta", saturday.PlusDays(1), 11, "Rowing club boathouse, for the prize table.",
                ("strawberry", "XL", 20, "teal", 0.66, 1), ("pretzel-rod", "one", 18, "coral", 0.5, 1), ("apple", "M", 6, "teal", 1, 1)),
            Order("Orchid show", today.PlusDays(11), 10, "Botanical society, the glasshouse door.",
                ("truffle-ball", "one", 24, "plum", 1, 2), ("strawberry", "M", 30, "lime", 0.75, 1), ("apple", "S", 8, "plum", 0.5, 1)),
        ]);

        Order Order(string name, LocalDate day, int hour, string notes, params (string Centre, string Size, int Count, string Colour, double Depth, int Coats)[] lines)
        {
            var order = new Order { KitchenId = kitchen.Id, Name = name, Pickup = day.At(new LocalTime(hour, 30)), Notes = notes, ChangedAt = now };
            order.Lines.AddRange(lines.Select((l, i) => new OrderLine
            {
                Id = Guid.CreateVersion7(),
                KitchenId = kitchen.Id,
                Position = i,
                Centre = l.Centre,
                Size = l.Size,
                Amount = l.Count,
                Coating = HotFlow,
                Colour = l.Colour,
                Depth = l.Depth,
                Coats = l.Coats,
            }));
            return order;
        }
    }
}

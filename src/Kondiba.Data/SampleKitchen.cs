using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wares;
using NodaTime;

namespace Kondiba.Data;

/// <summary>
/// A kitchen in an invented harbour town, with five orders over the fortnight that follows a day, one a year old, a template and a pantry.
/// </summary>
public static class SampleKitchen
{
    private const string HotFlow = "compound-wafer-hot-flow";

    /// <summary>The library of looks, by code.</summary>
    private static readonly Dictionary<string, Look> Library = new Look[]
    {
        Look(
            "harbour-berry",
            "Harbour berry",
            "strawberry",
            "L",
            "dark",
            0.75,
            Decor.None with { Patterns = [Drawn("zigzag", "white", 12, 1.6, -8)], Sprinkles = [new("silver-dots", Side.Tip, 0.3)] }),
        Look(
            "meteor-rod",
            "Meteor rod",
            "pretzel-rod",
            "one",
            "midnight",
            0.33,
            Decor.None with { Patterns = [Drawn("zigzag", "silver", 12, 1.4, 12)] }),
        Look(
            "night-sky",
            "Night sky",
            "truffle-ball",
            "one",
            "midnight",
            1,
            Decor.None with { Sprinkles = [new("silver-dots", Side.Front, 0.12)], Paint = new("silver", 0.15) }),
        Look(
            "ripple",
            "Ripple",
            "sandwich-cookie",
            "thin",
            "white",
            1,
            Decor.None with { Patterns = [Drawn("rings", "midnight", 3, 1.8)] }),
        Look(
            "board-half",
            "Board, half and half",
            "sandwich-cookie",
            "double",
            "dark",
            1,
            Decor.None with { Dips = [new(HotFlow, "white", 0.5, 90)] }),
        Look(
            "board-square",
            "Board squares",
            "sandwich-cookie",
            "double",
            "white",
            1,
            Decor.None with { Patterns = [Drawn("criss-cross", "dark", 4, 1.6, 45)] }),
        Look("baton", "Baton", "pretzel-rod", "one", "midnight", 0.5, Decor.None with { Patterns = [Drawn("stripes", "silver", 7, 1.6)] }),
        Look("singer", "Singer", "marshmallow", "one", "silver", 0.66, Decor.None with { Patterns = [Drawn("face", "midnight", 1, 1.6)] }),
        Look(
            "plum-twist",
            "Plum twist",
            "pretzel-twist",
            "mini",
            "plum",
            1,
            Decor.None with { Patterns = [Drawn("lines", "silver", 8, 1.2, 30)] }),
        Look("wake", "Wake", "strawberry", "XL", "teal", 0.66, Decor.None with { Patterns = [Drawn("marble", "white", 6, 1.8)] }),
        Look("buoy", "Buoy", "pretzel-rod", "one", "coral", 0.5, Decor.None with { Patterns = [Drawn("stripes", "white", 5, 2.6)] }),
        Look(
            "number-seven",
            "Boat number seven",
            "apple",
            "M",
            "teal",
            1,
            Decor.None with { Patterns = [Drawn("letters", "white", 1, 2.4) with { Text = "7" }, Drawn("edge", "coral", 1, 2)] }),
        Look("orchid", "Orchid", "truffle-ball", "one", "plum", 1, Decor.None with { Patterns = [Drawn("web", "white", 3, 1.4)] }, 2),
        Look("fern", "Fern", "strawberry", "M", "lime", 0.75, Decor.None with { Patterns = [Drawn("lines", "plum", 7, 1.4, 35)] }),
        Look(
            "dew",
            "Dew",
            "apple",
            "S",
            "plum",
            0.5,
            Decor.None with { Patterns = [Drawn("dots", "lime", 4, 3)], Sprinkles = [new("sanding-sugar", Side.Tip, 0.4)] }),
    }.ToDictionary(l => l.Code);

    /// <summary>Makes it: the kitchen first, then every row of it.</summary>
    /// <param name="today">The day its orders are dated from.</param>
    /// <param name="now">The moment it is made.</param>
    /// <param name="timeZone">IANA name of its zone.</param>
    /// <param name="id">The kitchen's, where it is there already.</param>
    public static (Kitchen Kitchen, IReadOnlyList<IOfKitchen> Rows) From(LocalDate today, Instant now, string timeZone, Guid? id = null)
    {
        var kitchen = new Kitchen { Id = id ?? Guid.CreateVersion7(), Name = "Harbour kitchen", IsSample = true, TimeZone = timeZone };
        var stand = new Furnishing(kitchen.Id, today, now);
        var orders = stand.Orders().ToList();
        kitchen.LastNumber = orders.Count;
        foreach (var (i, order) in orders.Index())
        {
            order.Number = i + 1;
            (order.Pieces, order.Words) = (CoatingTally.For(
                order.ToDraft(), KitchenTables.Shipped, today.AtMidnight()).Pieces, SearchWords.Of(
                order.ToDraft(), ReferenceData.Shipped));
        }

        return (kitchen,
        [
            .. Library.Values.Select(l => KitchenItem.Of(kitchen.Id, ItemKind.Look, l.Code, l)),
            KitchenItem.Of(kitchen.Id, ItemKind.Ways, "ways", new Ways(Thinner: "flakes")),
            KitchenItem.Of(kitchen.Id, ItemKind.Ware, "supply.cup", new OwnWare("supply.cup", "", WareUnit.Pieces, Low: 60)),
            KitchenItem.Of(
                kitchen.Id,
                ItemKind.Ware,
                "coating.compound-wafer-hot-flow.white",
                new OwnWare("coating.compound-wafer-hot-flow.white", "", WareUnit.Grams, Low: 340)),
            .. orders,
            .. stand.Pantry(),
        ]);
    }

    /// <summary>Its orders and its pantry.</summary>
    private sealed class Furnishing(Guid kitchenId, LocalDate today, Instant now)
    {
        private readonly LocalDate _saturday = today.PlusDays(1).With(DateAdjusters.NextOrSame(IsoDayOfWeek.Saturday));
        private readonly List<PackingDraft> _boxes = [new("box-12", 1, 12), new("cup"), new("ribbon", 0.6, 12)];

        public IEnumerable<PantryLot> Pantry() =>
        [
            Lot($"coating.{HotFlow}.midnight", 210, 340, 4.2m, today.PlusMonths(4), "cupboard"),
            Lot($"coating.{HotFlow}.white", 90, 340, 4.2m, today.PlusMonths(2), "cupboard"),
            Lot($"coating.{HotFlow}.teal", 340, 340, 4.2m, today.PlusMonths(7), "cupboard"),
            Lot("thinner.flakes", 310, 450, 6.9m, today.PlusMonths(9), "cupboard"),
            Lot("sprinkle.silver-dots", 64, 80, 3.8m, today.PlusMonths(11), "drawer"),
            Lot("sprinkle.silver-dots", 22, 80, 3.6m, today.PlusDays(20), "drawer"),
            Lot("lustre.silver", 3.2, 4, 5.9m, null, "drawer"),
            Lot("supply.cup", 38, 100, 1.8m, null, "shelf by the door"),
            Lot("supply.box-12", 7, 10, 8.9m, null, "shelf by the door"),
            Lot("supply.ribbon", 11.5, 20, 3.3m, null, "drawer"),
            Lot("centre.pretzel-rod.one", 24, 24, 3.4m, today.PlusDays(40), "cupboard"),
        ];

        public IEnumerable<Order> Orders() => Before().Concat(Weekend()).Concat(Later());

        private IEnumerable<Order> Before()
        {
            yield return Order("Regatta, a year ago", today.PlusYears(-1), 11, "As every year, for the prize table.", [
                "#1c8787",
                "#e8685a",
                "#f3e7cd",
            ],
                "Rowing club", "boathouse@rowing.example", "Boathouse on the quay", OrderState.HandedOver, (Library["wake"], 24),
                (Library["buoy"], 12));
            yield return Order("Chess final", today.PlusDays(2), 17, "Dark one side, white the other, like the board.", [
                "#4a2616",
                "#f3e7cd",
            ],
                "Chess club", "final@chess.example", "Club room over the chandlery", OrderState.Agreed, (Library["board-half"], 16),
                (Library["board-square"], 16));
        }

        private IEnumerable<Order> Weekend()
        {
            var meteor = Order("Meteor night", _saturday, 18, "Rods stand in tall jars.", ["#24306a", "#bfc5d2", "#4a2616"],
                "Hilltop observatory", "dome@observatory.example", "At the observatory's gate", OrderState.Agreed,
                (Library["meteor-rod"], 24), (Library["harbour-berry"], 24), (Library["night-sky"], 12), (Library["ripple"], 12));
            meteor.Packing = _boxes;
            (meteor.Deposit, meteor.Payments) = (60, [new(today.PlusDays(-4), 60, "Bank transfer")]);
            yield return meteor;
            yield return Order("Choir jubilee", _saturday, 11, "Rods with the Meteor night's, from one pot.", [
                "#24306a",
                "#bfc5d2",
                "#6c2150",
            ],
                "Harbour choir", "jubilee@choir.example", "Concert hall, the side door", OrderState.Quoted, (Library["baton"], 18),
                (Library["singer"], 24), (Library["plum-twist"], 36));
            var regatta = Order("Regatta", _saturday.PlusDays(1), 11, "For the prize table.", ["#1c8787", "#e8685a", "#f3e7cd"],
                "Rowing club", "boathouse@rowing.example", "Boathouse on the quay", OrderState.Agreed, (Library["wake"], 20),
                (Library["buoy"], 18), (Library["number-seven"], 6));
            (regatta.Handover, regatta.Packing, regatta.Price) = (Handover.Delivery, _boxes, new(PriceBy.Dozen, 36));
            yield return regatta;
        }

        private IEnumerable<Order> Later()
        {
            var orchid = Order("Orchid show", today.PlusDays(11), 10, "Two members must not have nuts.", ["#6c2150", "#b4cf46", "#f3e7cd"],
                "Botanical society", "show@botanical.example", "Glasshouse door", OrderState.Asked, (Library["orchid"], 24),
                (Library["fern"], 30), (Library["dew"], 8));
            orchid.Allergies = ["tree nuts", "peanut"];
            yield return orchid;
            var open = Order("Open day", today.PlusDays(17), 14, "Telescopes for the children's table.", ["#24306a", "#bfc5d2", "#1c8787"],
                "Hilltop observatory", "dome@observatory.example", "At the observatory's gate", OrderState.Quoted,
                (Library["harbour-berry"], 24), (Library["night-sky"], 60));
            open.Packing = [new("box-12", 1, 12), new("cup")];
            open.Lines.AddRange(
            [
                Made(
                    2,
                    "moulded-piece",
                    "cookie",
                    20,
                    "teal",
                    1,
                    new(Mould: new("cookie-round", "sandwich-cookie", "thin", new(HotFlow, "white", 0.2)))),
                Made(3, "caramel-rod", "one", 12, "dark", 0.66, null),
                Made(4, "telescope", "one", 8, "midnight", 1, new(Colours: new Dictionary<string, string> { ["legs"] = "silver" })),
            ]);
            yield return open;
            var box = Order(
                "A dozen berries in a box",
                today.PlusDays(30),
                12,
                "",
                ["#4a2616", "#f3e7cd"],
                "",
                "",
                "",
                OrderState.Asked,
                (Library["harbour-berry"], 12));
            (box.IsTemplate, box.Packing) = (true, _boxes);
            yield return box;
        }

        private OrderLine Made(int position, string centre, string size, int count, string colour, double depth, Making? making) => new()
        {
            Id = Guid.CreateVersion7(),
            KitchenId = kitchenId,
            Position = position,
            Centre = centre,
            Size = size,
            Amount = count,
            Coating = HotFlow,
            Colour = colour,
            Depth = depth,
            Coats = 1,
            Making = making,
        };

        private PantryLot Lot(string ware, double left, double pack, decimal price, LocalDate? bestBefore, string place)
        {
            var lot = new PantryLot
            {
                KitchenId = kitchenId,
                Ware = ware,
                Pack = pack,
                Price = price,
                BestBefore = bestBefore,
                Place = place,
                ReceivedOn = today.PlusDays(
                -30)
            };
            lot.Move(MovementKind.Received, pack, now - Duration.FromDays(30));
            if (left < pack)
                lot.Move(MovementKind.Used, left - pack, now - Duration.FromDays(12));
            return lot;
        }

        private Order Order(
            string name,
            LocalDate day,
            int hour,
            string notes,
            List<string> palette,
            string client,
            string contact,
            string place,
            OrderState state,
            params (Look Look, int Count)[] lines)
        {
            var order = new Order
            {
                KitchenId = kitchenId,
                Name = name,
                Client = client,
                Contact = contact,
                Place = place,
                State = state,
                Pickup = day.At(new LocalTime(hour, 30)),
                Notes = notes,
                Palette = palette,
                ChangedAt = now,
            };
            order.Lines.AddRange(lines.Select((l, i) => new OrderLine
            {
                Id = Guid.CreateVersion7(),
                KitchenId = kitchenId,
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

    private static PatternDraft Drawn(string kind, string colour, int lines, double bead, double angle = 0) =>
        new(kind, HotFlow, colour, lines, null, bead, angle);

    private static Look Look(
        string code, string name, string centre, string size, string colour, double depth, Decor decor, int coats = 1) =>
        new(code, name, centre, size, HotFlow, colour, depth, coats, false, null, decor);
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Pricing;

/// <summary>A part of an order's cost.</summary>
/// <param name="Code">"coating", "leftovers", "decoration", "centres", "sticks", "spoil", "packing", "fuel" or "time".</param>
/// <param name="Name">In words.</param>
/// <param name="Cost">All of it.</param>
/// <param name="Lines">What of it falls to each line.</param>
public sealed record CostPart(string Code, Message Name, Figure<Money> Cost, IReadOnlyList<Money> Lines);

/// <summary>What a line costs and brings.</summary>
/// <param name="Line">Index of the line in the order.</param>
/// <param name="Pieces">How many.</param>
/// <param name="Cost">Its share of every part.</param>
/// <param name="PerPiece">Cost of one piece.</param>
/// <param name="Price">Its share of the price.</param>
public sealed record LineCost(int Line, int Pieces, Money Cost, Money PerPiece, Money Price);

/// <summary>What an order costs, and what to ask for it.</summary>
/// <param name="Parts">The cost, part by part.</param>
/// <param name="Lines">The cost, line by line.</param>
/// <param name="Cost">All parts together, which is all lines together to the cent.</param>
/// <param name="Hands">Planned time of the hands.</param>
/// <param name="By">How the price is made.</param>
/// <param name="Price">What to ask.</param>
/// <param name="Floor">Below this price more is spent than comes in, the maker's time not counted.</param>
/// <param name="Wage">What an hour of the maker's brings at this price; null when it takes no time.</param>
/// <param name="Deposit">To be paid ahead.</param>
/// <param name="Paid">What has been paid so far.</param>
/// <param name="Drivers">What drives the cost, in words.</param>
/// <param name="Problems">Wares without a price, and a price that does not pay.</param>
/// <param name="Sample">Prices in it that are examples still: nobody is quoted on them.</param>
public sealed record Costing(
    IReadOnlyList<CostPart> Parts,
    IReadOnlyList<LineCost> Lines,
    Money Cost,
    Figure<Duration> Hands,
    PriceDraft By,
    Figure<Money> Price,
    Money Floor,
    Money? Wage,
    Money Deposit,
    Money Paid,
    IReadOnlyList<Message> Drivers,
    IReadOnlyList<Problem> Problems,
    IReadOnlyList<SamplePrice> Sample)
{
    /// <summary>What is left of the price when everything is paid for, the maker's time too.</summary>
    public Money Profit => Price.Value - Cost;

    /// <summary>What is still to be paid; below nothing it is to be given back.</summary>
    public Money Balance => Price.Value - Paid;

    /// <summary>Costs an order.</summary>
    /// <param name="order">The order as typed.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static Costing For(OrderDraft order, CoatingTally tally, KitchenTables tables)
    {
        var c = tables.Reference.Pricing;
        var hands = HandTime.Of(order, tally, tables);
        var (materials, unpriced, wares) = Materials.Of(order, tally, tables.Reference);
        var pieces = tally.Lines.Select(l => (decimal)l.Count.Value).ToList();
        var shared = (decimal)hands.Shared.TotalHours;
        var time = hands.Lines.Zip(pieces, (t, n) => (decimal)t.TotalHours + (tally.Pieces > 0 ? shared * n / tally.Pieces : 0)).ToList();

        List<CostPart> parts =
        [
            .. materials,
            Part(
                "fuel",
                "pricing.gas-current",
                [.. time.Select(h => h * c.FuelPerHour.Value.Amount)],
                () => [
                    .. hands.All.Working,
                    WorkingLine.Count("pricing.hour-costs", "", (double)c.FuelPerHour.Value.Amount, c.FuelPerHour.Source),
                ]),
            Part(
                "time",
                "pricing.time",
                [.. time.Select(h => h * c.Hour.Value.Amount)],
                () => [.. hands.All.Working, WorkingLine.Count("pricing.hour", "", (double)c.Hour.Value.Amount, c.Hour.Source)]),
        ];
        parts.RemoveAll(p => p.Cost.Value.Amount == 0);

        var cost = parts.Select(p => p.Cost.Value).Sum();
        var lineCosts = tally.Lines.Select((_, i) => parts.Select(p => p.Lines[i]).Sum()).ToList();
        var by = order.Price is { } typed && !typed.Check().Any() ? typed : new(PriceBy.Margin, (decimal)c.Margin.Value.Si);
        var price = PriceOf(by, cost, tally.Pieces, c);
        var linePrices = Cents.Allot(price.Value, by.By is PriceBy.Dozen ? pieces : [.. lineCosts.Select(m => m.Amount)]);
        var floor = cost - parts.Where(p => p.Code is "time").Select(p => p.Cost.Value).Sum();
        var hours = (decimal)hands.All.Value.TotalHours;
        var wage = hours > 0 ? Cents.Round((price.Value - floor).Amount / hours) : (Money?)null;
        return new(
            parts,
            [.. tally.Lines.Select((l, i) => new LineCost(
                l.Line, l.Count.Value, lineCosts[i], Cents.Round(lineCosts[i].Amount / l.Count.Value), linePrices[i]))],
            cost,
            hands.All,
            by,
            price,
            floor,
            wage,
            order.Deposit is { } deposit and >= 0 ? new(deposit) : Cents.Up(price.Value.Amount * (decimal)c.Deposit.Value.Si, new(1)),
            new(Payment.Sum(order.Payments)),
            DriversOf(parts, cost, hands, order, tally, tables.Reference, lineCosts),
            [.. Minded(price.Value, cost, floor, wage, c), .. unpriced],
            SamplePrice.Among(wares, tables.Reference));
    }

    /// <summary>Minds a price that does not pay for what is spent, or for the time.</summary>
    private static IEnumerable<Problem> Minded(Money price, Money cost, Money floor, Money? wage, PriceConstants c)
    {
        if (price.Amount < floor.Amount)
            yield return new(
                "price.value",
                Message.Of("pricing.more-spent-comes-goes", ("price", price), ("floor", floor)),
                Message.Of("pricing.more-spent-comes-goes.do", ("floor", floor), ("cost", cost)),
                Severity.Mind);
        else if (price.Amount < cost.Amount)
            yield return new(
                "price.value",
                Message.Of("pricing.hour-brings-not", ("price", price), ("wage", wage), ("hour", c.Hour.Value)),
                Message.Of("pricing.hour-brings-not.do", ("cost", cost)),
                Severity.Mind);
    }

    /// <summary>How a figure came about, by its path: "price", "hands" or "parts.coating"; null when there is no such figure.</summary>
    public IReadOnlyList<WorkingLine>? WorkingOf(string figure) => figure switch
    {
        "price" => Price.Working,
        "hands" => Hands.Working,
        _ => Parts.FirstOrDefault(p => figure == $"parts.{p.Code}")?.Cost.Working,
    };

    /// <summary>A part from what falls exactly to each line.</summary>
    internal static CostPart Part(string code, Message name, IReadOnlyList<decimal> exact, Func<IReadOnlyList<WorkingLine>> working)
    {
        var cost = Cents.Round(exact.Sum());
        return new(
            code,
            name,
            new(
                cost,
                () => [.. working(), WorkingLine.Count(name, "pricing.added-up-exactly-rounded", (double)cost.Amount, Source.Computed)]),
            Cents.Allot(cost, exact));
    }

    private static Figure<Money> PriceOf(PriceDraft by, Money cost, int pieces, PriceConstants c)
    {
        var price = by.By switch
        {
            PriceBy.Margin => Cents.Up(cost.Amount / (1 - by.Value), c.Step.Value),
            PriceBy.Dozen => Cents.Round(by.Value * pieces / 12),
            _ => Cents.Round(by.Value),
        };
        return new(price, () => by.By switch
        {
            PriceBy.Margin =>
            [
                WorkingLine.Count("pricing.cost", "pricing.cost.how", (double)cost.Amount, Source.Computed),
                WorkingLine.Of(
                    "pricing.margin-price",
                    "",
                    new Share((double)by.Value),
                    c.Margin.Value.Si == (double)by.Value ? c.Margin.Source : Source.Entered),
                WorkingLine.Count(
                    "pricing.price",
                    Message.Of("pricing.price.how", ("cost", cost), ("by", by.Value), ("step", c.Step.Value)),
                    (double)price.Amount,
                    c.Step.Source),
            ],
            PriceBy.Dozen => [
                WorkingLine.Count("pricing.dozen", "", (double)by.Value, Source.Entered),
                WorkingLine.Count(
                    "pricing.price",
                    Message.Of("pricing.dozen.how", ("pieces", pieces), ("by", by.Value)),
                    (double)price.Amount,
                    Source.Computed),
            ],
            _ => [WorkingLine.Count("pricing.price", "", (double)price.Amount, Source.Entered)],
        });
    }

    private static List<Message> DriversOf(
        List<CostPart> parts, Money cost, HandTime hands, OrderDraft order, CoatingTally tally, ReferenceData tables, List<Money> lineCosts)
    {
        if (cost.Amount == 0)
            return [];
        List<Message> drivers = [];
        foreach (var part in parts.OrderByDescending(p => p.Cost.Value.Amount).Take(2))
        {
            var share = new Share((double)(part.Cost.Value.Amount / cost.Amount));
            drivers.Add(part.Code is "time"
                ? Message.Of(
                    "pricing.time-cost-which-decorating", ("share", share), ("hands", hands.All.Value), ("decorating", hands.Decorating))
                : Message.Of("pricing.part-of-cost", ("part", part.Name), ("share", share)));
        }

        if (tally.Lines.Count > 1)
        {
            var (line, each) = tally.Lines.Select((l, i) => (l, Each: lineCosts[i].Amount / l.Count.Value)).MaxBy(l => l.Each);
            var draft = order.Lines[line.Line];
            drivers.Add(Message.Of(
                "pricing.dearest-piece", ("look", draft.Look ?? tables.Centre(draft.Centre)!.Name), ("each", new Money(each))));
        }

        return drivers;
    }
}

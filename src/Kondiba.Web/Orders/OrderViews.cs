using System.Linq.Expressions;
using System.Text.Json.Serialization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Wares;
using Kondiba.Core.Wording;
using Kondiba.Data;
using NodaTime;

namespace Kondiba.Web.Orders;

/// <summary>A line as sent and as kept.</summary>
/// <param name="Id">Given by the client, unique within the order.</param>
[method: JsonConstructor]
public sealed record OrderLineInput(
    Guid Id,
    string? Centre,
    string? Size,
    double Amount,
    CountedIn CountedIn,
    string? Coating,
    string? Colour,
    double Depth,
    int Coats,
    bool AtOnce = false,
    bool? Upright = null,
    string? Look = null,
    Decor? Decor = null,
    Making? Making = null)
    : LineDraft(Centre, Size, Amount, CountedIn, Coating, Colour, Depth, Coats, AtOnce, Upright, Look, Decor, Making)
{
    public OrderLineInput(Guid id, LineDraft l)
        : this(
            id, l.Centre, l.Size, l.Amount, l.CountedIn, l.Coating, l.Colour, l.Depth, l.Coats, l.AtOnce, l.Upright, l.Look, l.Decor,
            l.Making)
    {
    }
}

/// <summary>An order to keep.</summary>
public sealed record OrderInput : OrderContent
{
    [JsonConstructor]
    public OrderInput(IReadOnlyList<OrderLineInput> lines) => Lines = lines;

    /// <summary>A new order as Core has it.</summary>
    public OrderInput(OrderDraft draft)
        : base(draft) => Lines = [.. draft.Lines.Select(l => new OrderLineInput(Guid.CreateVersion7(), l))];

    /// <summary>The version it was changed from; 0 for a new one.</summary>
    public required uint Version { get; init; }

    /// <summary>What is wanted.</summary>
    public IReadOnlyList<OrderLineInput> Lines { get; init; }

    /// <summary>How far it is; what is made has used up the pantry.</summary>
    public OrderState State { get; init; }

    /// <summary>Whether it is a pattern for further orders.</summary>
    public bool IsTemplate { get; init; }

    public OrderDraft ToDraft() => new(this, Lines);
}

/// <summary>A kept order with what it comes to.</summary>
public sealed record OrderView : OrderContent
{
    /// <param name="order">The order.</param>
    /// <param name="tally">What it comes to.</param>
    /// <param name="prices">Whether who asks may see its price, deposit and payments.</param>
    public OrderView(Order order, CoatingTally tally, bool prices)
        : base(order.ToContent())
    {
        (Id, Version, Number, State, IsTemplate) = (order.Id, order.Version, order.Number, order.State, order.IsTemplate);
        Lines = [.. order.Lines.OrderBy(l => l.Position).Select(l => new OrderLineInput(l.Id, l.ToDraft()))];
        (AcceptedAt, Tally) = (order.AcceptedAt, tally);
        if (!prices)
            (Price, Deposit, Payments) = (null, null, null);
    }

    public Guid Id { get; }

    public uint Version { get; }

    public IReadOnlyList<OrderLineInput> Lines { get; init; }

    /// <summary>When the customer accepted a quote of it.</summary>
    public Instant? AcceptedAt { get; init; }

    public OrderState State { get; }

    public bool IsTemplate { get; }

    public int Number { get; }

    public CoatingTally Tally { get; init; }
}

/// <summary>An order in a list.</summary>
/// <param name="Next">What is to be done next about it, as far as its state says; nothing about a template.</param>
/// <param name="Pots">What its pieces are dipped in, as coating and colour, line by line.</param>
public sealed record OrderSummary(
    Guid Id,
    int Number,
    string Name,
    string Client,
    LocalDateTime Pickup,
    string Place,
    OrderState State,
    bool IsTemplate,
    int Pieces,
    Message Next,
    IReadOnlyList<string> Pots)
{
    /// <summary>An order as a list has it, read by its database.</summary>
    public static readonly Expression<Func<Order, OrderSummary>> Of = o => new(
        o.Id,
        o.Number,
        o.Name,
        o.Client,
        o.Pickup,
        o.Place,
        o.State,
        o.IsTemplate,
        o.Pieces,
        NextOf(o.IsTemplate, o.State, o.Handover),
        o.Lines.OrderBy(l => l.Position).Select(l => l.Coating + "." + l.Colour).ToList());

    private static Message NextOf(bool isTemplate, OrderState state, Handover handover) =>
        isTemplate ? Message.None : NextStep.Of(state, handover);
}

/// <summary>Orders that were looked for.</summary>
/// <param name="Orders">The latest pickup first.</param>
/// <param name="More">Whether there are further ones.</param>
public sealed record OrdersFound(IReadOnlyList<OrderSummary> Orders, bool More);

/// <summary>How to make a new order from one.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Pickup">Its pickup; null for the same time a week from now.</param>
/// <param name="Pieces">Pieces in all; null for as many.</param>
/// <param name="Template">Whether it becomes a template.</param>
public sealed record OrderCopy(string? Name, LocalDateTime? Pickup, int? Pieces, bool Template = false);

/// <summary>What an order used of a ware, and what of it the pantry did not have.</summary>
public sealed record StockUse(string Ware, string Name, WareUnit Unit, double Used, double Short);

/// <summary>The shelf over some days.</summary>
/// <param name="Today">By the kitchen's clock.</param>
/// <param name="From">First day shown.</param>
/// <param name="Days">Days shown.</param>
/// <param name="Orders">By pickup.</param>
/// <param name="Coating">What the orders want of each colour, a pot a day.</param>
/// <param name="Shared">Pots that several orders of a day share.</param>
/// <param name="Earlier">Orders before the days shown.</param>
/// <param name="Later">Orders after them.</param>
public sealed record ShelfView(
    LocalDate Today,
    LocalDate From,
    int Days,
    IReadOnlyList<ShelfOrder> Orders,
    IReadOnlyList<CoatingNeed> Coating,
    IReadOnlyList<SharedPot> Shared,
    int Earlier,
    int Later);

/// <summary>An order on the shelf.</summary>
/// <param name="Colours">Pieces of each pot's colour, in the order of the lines.</param>
/// <param name="ToMelt">Coating of all colours.</param>
/// <param name="Minds">What is wrong with it or to be minded, in words.</param>
/// <param name="State">How far it is.</param>
/// <param name="Next">What wants doing next; empty when nothing does.</param>
public sealed record ShelfOrder(
    Guid Id,
    string Name,
    string Client,
    OrderState State,
    Message Next,
    LocalDateTime Pickup,
    int Pieces,
    IReadOnlyList<ColourCount> Colours,
    Mass ToMelt,
    IReadOnlyList<Message> Minds);

/// <summary>Pieces of a coating's colour.</summary>
public sealed record ColourCount(string Coating, string Colour, int Pieces);

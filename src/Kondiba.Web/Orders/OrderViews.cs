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
public sealed record OrderLineInput(
    Guid Id, string? Centre, string? Size, double Amount, CountedIn CountedIn, string? Coating, string? Colour, double Depth, int Coats, bool AtOnce = false, bool? Upright = null, string? Look = null, Decor? Decor = null, Making? Making = null)
    : LineDraft(Centre, Size, Amount, CountedIn, Coating, Colour, Depth, Coats, AtOnce, Upright, Look, Decor, Making);

/// <summary>An order to keep.</summary>
/// <param name="Version">The version it was changed from; 0 for a new one.</param>
/// <param name="State">How far it is; what is made has used up the pantry.</param>
/// <param name="IsTemplate">Whether it is a pattern for further orders.</param>
/// <param name="Schools">Where it is made otherwise than the kitchen does.</param>
public sealed record OrderInput(
    uint Version,
    string? Name,
    LocalDateTime? Pickup,
    string? Notes,
    IReadOnlyList<OrderLineInput> Lines,
    IReadOnlyDictionary<string, PotDraft> Pots,
    double? Margin = null,
    IReadOnlyList<string>? Palette = null,
    string? Client = null,
    string? Contact = null,
    Handover Handover = Handover.Pickup,
    string? Place = null,
    IReadOnlyList<string>? Allergies = null,
    IReadOnlyList<PackingDraft>? Packing = null,
    PriceDraft? Price = null,
    decimal? Deposit = null,
    bool DepositPaid = false,
    OrderState State = OrderState.Asked,
    bool IsTemplate = false,
    IReadOnlyDictionary<string, string>? Schools = null)
{
    /// <summary>A new order as Core has it.</summary>
    public static OrderInput Of(
        OrderDraft d, OrderState state = OrderState.Asked, bool depositPaid = false, bool isTemplate = false) => new(
        0,
        d.Name,
        d.Pickup,
        d.Notes,
        [.. d.Lines.Select(l => new OrderLineInput(
            Guid.CreateVersion7(),
            l.Centre,
            l.Size,
            l.Amount,
            l.CountedIn,
            l.Coating,
            l.Colour,
            l.Depth,
            l.Coats,
            l.AtOnce,
            l.Upright,
            l.Look,
            l.Decor,
            l.Making))],
        d.Pots,
        d.Margin,
        d.Palette,
        d.Client,
        d.Contact,
        d.Handover,
        d.Place,
        d.Allergies,
        d.Packing,
        d.Price,
        d.Deposit,
        depositPaid,
        state,
        isTemplate,
        d.Schools);

    public OrderDraft ToDraft() =>
        new(
            Name,
            Pickup,
            Notes,
            Lines,
            Pots,
            Margin,
            Palette,
            Client,
            Contact,
            Handover,
            Place,
            Allergies,
            Packing,
            Price,
            Deposit,
            Schools);
}

/// <summary>A kept order with what it comes to.</summary>
public sealed record OrderView(
    Guid Id,
    uint Version,
    string Name,
    LocalDateTime Pickup,
    string Notes,
    IReadOnlyList<OrderLineInput> Lines,
    IReadOnlyDictionary<string, PotDraft> Pots,
    double? Margin,
    IReadOnlyList<string> Palette,
    string Client,
    string Contact,
    Handover Handover,
    string Place,
    IReadOnlyList<string> Allergies,
    IReadOnlyList<PackingDraft> Packing,
    PriceDraft? Price,
    decimal? Deposit,
    bool DepositPaid,
    OrderState State,
    bool IsTemplate,
    IReadOnlyDictionary<string, string> Schools,
    int Number,
    CoatingTally Tally);

/// <summary>An order in a list.</summary>
public sealed record OrderSummary(
    Guid Id, int Number, string Name, string Client, LocalDateTime Pickup, string Place, OrderState State, bool IsTemplate, int Pieces);

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
    string Next,
    LocalDateTime Pickup,
    int Pieces,
    IReadOnlyList<ColourCount> Colours,
    Mass ToMelt,
    IReadOnlyList<Message> Minds);

/// <summary>Pieces of a coating's colour.</summary>
public sealed record ColourCount(string Coating, string Colour, int Pieces);

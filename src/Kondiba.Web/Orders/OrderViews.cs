using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Web.Orders;

/// <summary>A line as sent and as kept.</summary>
/// <param name="Id">Given by the client, unique within the order.</param>
public sealed record OrderLineInput(
    Guid Id, string? Centre, string? Size, double Amount, CountedIn CountedIn, string? Coating, string? Colour, double Depth, int Coats, bool AtOnce = false, bool? Upright = null, string? Look = null, Decor? Decor = null)
    : LineDraft(Centre, Size, Amount, CountedIn, Coating, Colour, Depth, Coats, AtOnce, Upright, Look, Decor);

/// <summary>An order to keep.</summary>
/// <param name="Version">The version it was changed from; 0 for a new one.</param>
public sealed record OrderInput(
    uint Version,
    string? Name,
    LocalDateTime? Pickup,
    string? Notes,
    IReadOnlyList<OrderLineInput> Lines,
    IReadOnlyDictionary<string, PotDraft> Pots,
    double? Margin = null,
    IReadOnlyList<string>? Palette = null)
{
    public OrderDraft ToDraft() => new(Name, Pickup, Notes, Lines, Pots, Margin, Palette);
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
    CoatingTally Tally);

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
/// <param name="Packs">Packs of all colours, each order's on its own.</param>
/// <param name="Minds">What is wrong with it or to be minded, in words.</param>
public sealed record ShelfOrder(
    Guid Id,
    string Name,
    LocalDateTime Pickup,
    int Pieces,
    IReadOnlyList<ColourCount> Colours,
    Mass ToMelt,
    int Packs,
    IReadOnlyList<string> Minds);

/// <summary>Pieces of a coating's colour.</summary>
public sealed record ColourCount(string Coating, string Colour, int Pieces);

using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Pricing;

/// <summary>A line of a quote.</summary>
/// <param name="Pieces">How many.</param>
/// <param name="What">What they are: "large strawberries".</param>
/// <param name="How">How they are done: "dark, three quarters; white zigzag".</param>
/// <param name="Srgb">Their colour, as #rrggbb.</param>
/// <param name="Price">Of all of them.</param>
/// <param name="Picture">How one of them looks, as a data URL; null where nobody has drawn it.</param>
public sealed record QuoteLine(int Pieces, string What, string How, string Srgb, Money Price, string? Picture = null);

/// <summary>An offer, as the customer sees it: prices, never costs.</summary>
/// <param name="Kitchen">Who offers.</param>
/// <param name="Number">The order's number.</param>
/// <param name="Name">What it is for.</param>
/// <param name="Client">Who asked.</param>
/// <param name="On">The day it is made out.</param>
/// <param name="Pickup">When it is collected or brought.</param>
/// <param name="Handover">Whether it is collected or brought.</param>
/// <param name="Place">Where.</param>
/// <param name="Lines">What is offered.</param>
/// <param name="Price">Of all.</param>
/// <param name="Deposit">To be paid ahead.</param>
/// <param name="Contains">Allergens in it.</param>
/// <param name="MayContain">Allergens that it may have traces of.</param>
/// <param name="NotKnown">What it is made of of which nobody has said what it holds.</param>
/// <param name="Without">Allergens that were asked to be left out and are in none of it; none as long as anything is not known.</param>
/// <param name="Storage">How to keep it.</param>
/// <param name="Terms">What else holds.</param>
/// <param name="ValidUntil">The last day on which it can be accepted; null of quotes shared before they had one.</param>
/// <param name="Contact">How to reach who offers; empty where nothing was said.</param>
/// <param name="Paid">What has been paid so far; null of quotes shared before they said so.</param>
public sealed record Quote(
    string Kitchen,
    int Number,
    string Name,
    string Client,
    LocalDate On,
    LocalDateTime? Pickup,
    Handover Handover,
    string Place,
    IReadOnlyList<QuoteLine> Lines,
    Money Price,
    Money Deposit,
    IReadOnlyList<string> Contains,
    IReadOnlyList<string> MayContain,
    IReadOnlyList<string> NotKnown,
    IReadOnlyList<string> Without,
    IReadOnlyList<StorageAdvice> Storage,
    string Terms,
    LocalDate? ValidUntil = null,
    string Contact = "",
    Money? Paid = null)
{
    /// <summary>Makes an order's offer out.</summary>
    /// <param name="kitchen">Name of the kitchen.</param>
    /// <param name="number">The order's number.</param>
    /// <param name="on">The day.</param>
    /// <param name="order">The order.</param>
    /// <param name="costing">What it costs.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static Quote For(string kitchen, int number, LocalDate on, OrderDraft order, Costing costing, ReferenceData tables)
    {
        var uses = Allergens.Of(order, tables);
        List<string> Of(AllergenKind kind, Func<AllergenUse, string> what) =>
            [.. uses.Where(u => u.Kind == kind).Select(what).Distinct().Order(StringComparer.Ordinal)];
        var (contains, unknown) = (Of(AllergenKind.Contains, u => u.Allergen), Of(AllergenKind.NotKnown, u => u.Component));
        List<string> mayContain = [.. Of(AllergenKind.MayContain, u => u.Allergen).Except(contains)];
        var centres = costing.Lines.Select(l => tables.Centre(order.Lines[l.Line].Centre)!);
        return new(
            kitchen,
            number,
            order.Name ?? "",
            order.Client ?? "",
            on,
            order.Pickup,
            order.Handover,
            order.Place ?? "",
            [.. costing.Lines.Select(l => Line(l, order.Lines[l.Line], tables))],
            costing.Price.Value,
            costing.Deposit,
            contains,
            mayContain,
            unknown,
            [.. unknown.Count > 0 ? [] : (order.Allergies ?? []).Except(contains).Except(mayContain)],
            tables.StorageOf(centres),
            tables.Pricing.Terms,
            LastDay(on, order.Pickup?.Date, tables),
            tables.Pricing.Contact,
            costing.Paid);
    }

    private static LocalDate LastDay(LocalDate on, LocalDate? pickup, ReferenceData tables)
    {
        var last = on.PlusDays((int)tables.Pricing.QuoteDays.Value.TotalDays);
        return pickup is { } day && day >= on ? LocalDate.Min(last, day) : last;
    }

    private static QuoteLine Line(LineCost cost, LineDraft line, ReferenceData tables)
    {
        var (centre, colour) = (tables.Centre(line.Centre)!, tables.Coating(line.Coating)!.Colour(line.Colour)!);
        var decor = line.Decor ?? Decor.None;
        string Named(string? coating, string? code) => tables.Coating(coating)?.Colour(code)?.Name ?? "";
        string Depth() => line.Depth switch
        {
            >= 0.99 => "whole",
            0.75 => "three quarters",
            > 0.65 and < 0.68 => "two thirds",
            0.5 => "half",
            > 0.32 and < 0.34 => "a third",
            _ => $"{line.Depth * 100:0}%",
        };
        List<string> how =
        [
            line.Depth == 0 ? "not dipped" : $"{colour.Name}, {Depth()}{(line.Coats > 1 ? $", {line.Coats} coats" : "")}",
            .. decor.Dips.Select(d => $"{Named(d.Coating, d.Colour)} over it"),
            .. decor.Patterns.Select(p => $"{tables.Decor.Pattern(p.Kind)?.Name} in {Named(p.Coating, p.Colour)}"
                + (p.Text is { Length: > 0 } text ? $" “{text}”" : "")),
            .. decor.Sprinkles.Select(s => tables.Decor.Sprinkle(s.Kind)?.Name ?? ""),
            .. decor.Parts.Select(p => $"{p.Count} {(p.Count == 1 ? tables.Decor.Part(p.Kind)?.Name : tables.Decor.Part(p.Kind)?.Plural)}"),
            .. decor.Paint is { } paint ? new[] { tables.Decor.Lustres.FirstOrDefault(l => l.Code == paint.Kind)?.Name ?? "" } : [],
        ];
        var what = centre.Called(centre.Size(line.Size)!, cost.Pieces);
        return new(
            cost.Pieces, line.Look is { Length: > 0 } look ? $"{look}: {what}" : what, string.Join("; ", how), colour.Srgb, cost.Price);
    }
}

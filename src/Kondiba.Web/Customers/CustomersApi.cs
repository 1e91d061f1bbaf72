using System.Security.Claims;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Pricing;
using Kondiba.Data;
using Kondiba.Web.Orders;
using Kondiba.Web.Prices;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Customers;

/// <summary>Somebody who has ordered, as their orders say.</summary>
/// <param name="Name">As the last order has it.</param>
/// <param name="Contact">How to reach them, by the last order that says.</param>
/// <param name="Handover">How their last order reached them.</param>
/// <param name="Place">Where, by the last order that says.</param>
/// <param name="Allergies">What any of their orders had to be free of.</param>
/// <param name="Orders">How many there were.</param>
/// <param name="LastPickup">The latest pickup.</param>
public sealed record Customer(
    string Name,
    string Contact,
    Handover Handover,
    string Place,
    IReadOnlyList<string> Allergies,
    int Orders,
    LocalDate LastPickup);

/// <summary>What a customer ordered.</summary>
/// <param name="Customer">Who it is.</param>
/// <param name="Orders">The latest pickup first, as many as a page shows.</param>
/// <param name="Balance">What is still to be paid of all of them; null for whom prices are not shown.</param>
public sealed record CustomerHistory(Customer Customer, IReadOnlyList<CustomerOrder> Orders, Money? Balance);

/// <summary>An order of a customer.</summary>
/// <param name="Order">As a list of orders has it.</param>
/// <param name="Price">What was asked; null for whom prices are not shown, as is the next.</param>
/// <param name="Balance">
/// What of it is still to be paid, below nothing to be given back; null while nothing is promised and nothing paid.
/// </param>
public sealed record CustomerOrder(OrderSummary Order, Money? Price, Money? Balance);

/// <summary>Customers are known by their orders: who ordered under the same name is the same customer.</summary>
internal static class CustomersApi
{
    /// <summary>As many orders are read to know the customers, the latest first.</summary>
    private const int MostOrders = 5000;

    /// <summary>As many orders of one customer are shown with what they came to.</summary>
    private const int Page = 40;

    public static void MapCustomers(this RouteGroupBuilder api)
    {
        var customers = api.MapGroup("/customers").WithTags("Customers");
        customers.MapGet("", async (KondibaContext db) => TypedResults.Ok(await CustomersAsync(db))).WithName("GetCustomers")
            .WithSummary("Everyone who has ordered, with how to reach them and what they must not have; by name.");
        customers.MapGet("/history", HistoryAsync).WithName("GetCustomerHistory")
            .WithSummary("What a customer of a name ordered, what it came to and what is still to be paid.");
    }

    private static async Task<IReadOnlyList<Customer>> CustomersAsync(KondibaContext db)
    {
        var orders = await OrdersOfCustomers(db).OrderByDescending(o => o.Pickup).Take(MostOrders)
            .Select(o => new Said(o.Client, o.Contact, o.Handover, o.Place, o.Allergies, o.Pickup)).ToListAsync(db.Gone);
        return
        [
            .. orders.GroupBy(o => o.Name, StringComparer.OrdinalIgnoreCase).Select(Known)
                .OrderBy(c => c.Name, StringComparer.CurrentCultureIgnoreCase),
        ];
    }

    private static async Task<Results<Ok<CustomerHistory>, NotFound>> HistoryAsync(
        string name, KondibaContext db, KitchenThings things, KitchenClock clock, ClaimsPrincipal user)
    {
        var all = await OrdersOfCustomers(db).Select(o => o.Client).Distinct().ToListAsync(db.Gone);
        var spelt = all.Where(client => client.Equals(name.Trim(), StringComparison.OrdinalIgnoreCase)).ToList();
        var theirs = await OrdersOfCustomers(db).Where(o => spelt.Contains(o.Client))
            .OrderByDescending(o => o.Pickup).Take(Page).Select(OrderSummary.Of).ToListAsync(db.Gone);
        if (theirs.Count == 0)
            return TypedResults.NotFound();
        var ids = theirs.Select(o => o.Id).ToList();
        var whole = await db.WholeOrders.Where(o => ids.Contains(o.Id)).OrderByDescending(o => o.Pickup).ToListAsync(db.Gone);
        var drafts = whole.ToDictionary(o => o.Id, o => o.ToDraft());
        List<CustomerOrder> listed = [];
        foreach (var order in theirs)
        {
            var costing = user.IsOwner() ? await PricesApi.CostAsync(drafts[order.Id], things, clock) : null;
            listed.Add(new(order, costing?.Price.Value, costing is null ? null : BalanceOf(order.State, costing)));
        }

        var customer = Known(whole.Select(o => new Said(o.Client, o.Contact, o.Handover, o.Place, o.Allergies, o.Pickup)));
        var owed = listed.Sum(o => o.Balance?.Amount ?? 0);
        return TypedResults.Ok(new CustomerHistory(customer, listed, user.IsOwner() ? new Money(owed) : null));
    }

    private static Money? BalanceOf(OrderState state, Costing costing) => state switch
    {
        OrderState.Asked or OrderState.Quoted or OrderState.Cancelled when costing.Paid.Amount == 0 => null,
        OrderState.Cancelled => new Money(-costing.Paid.Amount),
        _ => costing.Balance,
    };

    private static IQueryable<Order> OrdersOfCustomers(KondibaContext db) =>
        db.Orders.AsNoTracking().Where(o => o.RemovedAt == null && !o.IsTemplate && o.Client != "");

    /// <param name="said">What their orders say, the latest first.</param>
    private static Customer Known(IEnumerable<Said> said)
    {
        var orders = said.ToList();
        return new(
            orders[0].Name,
            orders.Select(o => o.Contact).FirstOrDefault(c => c.Length > 0, ""),
            orders[0].Handover,
            orders.Select(o => o.Place).FirstOrDefault(p => p.Length > 0, ""),
            [.. orders.SelectMany(o => o.Allergies).Distinct()],
            orders.Count,
            orders[0].Pickup.Date);
    }

    private sealed record Said(string Name, string Contact, Handover Handover, string Place, List<string> Allergies, LocalDateTime Pickup);
}

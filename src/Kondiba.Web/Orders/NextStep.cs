using Kondiba.Core.Orders;
using Kondiba.Core.Wording;
using Kondiba.Data;

namespace Kondiba.Web.Orders;

/// <summary>What is to be done next about an order.</summary>
internal static class NextStep
{
    /// <summary>As far as its state says, without a look into the pantry.</summary>
    public static Message Of(OrderState state, Handover handover) => state switch
    {
        OrderState.Asked => "orders.next-offer",
        OrderState.Quoted => "orders.next-wait",
        OrderState.Agreed => "orders.next-shop-and-make",
        OrderState.Made => handover is Handover.Delivery ? "orders.next-bring" : "orders.next-hand-over",
        _ => Message.None,
    };
}

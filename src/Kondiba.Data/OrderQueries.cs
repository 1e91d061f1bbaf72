namespace Kondiba.Data;

/// <summary>Which orders stand where.</summary>
public static class OrderQueries
{
    /// <summary>Those that were not taken off, and are no templates.</summary>
    public static IQueryable<Order> Kept(this IQueryable<Order> orders) => orders.Where(o => o.RemovedAt == null && !o.IsTemplate);

    /// <summary>How far an order is that is still to be made.</summary>
    public static IReadOnlyList<OrderState> Open { get; } = [OrderState.Asked, OrderState.Quoted, OrderState.Agreed];

    /// <summary>Those that are still to be made: pots, plan and shopping are for these.</summary>
    public static IQueryable<Order> ToBeMade(this IQueryable<Order> orders) => orders.Kept().Where(o => Open.Contains(o.State));

    /// <summary>Those that stand on the shelf: kept, and not cancelled.</summary>
    public static IQueryable<Order> OnShelf(this IQueryable<Order> orders) => orders.Kept().Where(o => o.State != OrderState.Cancelled);
}

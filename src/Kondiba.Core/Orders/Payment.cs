using Kondiba.Core.Facts;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Orders;

/// <summary>Money that came in for an order, or went back.</summary>
/// <param name="On">The day.</param>
/// <param name="Amount">In the kitchen's currency; below nothing it was given back.</param>
/// <param name="Note">How it was paid, or what else there is to say.</param>
public sealed record Payment(LocalDate On, decimal Amount, string? Note = null)
{
    /// <summary>As many as are kept of one order.</summary>
    public const int Most = 60;

    private const decimal MostAmount = 1_000_000;
    private const int LongestNote = 120;

    /// <summary>What is wrong with the payments of an order.</summary>
    public static IEnumerable<Problem> Check(IReadOnlyList<Payment> payments)
    {
        if (payments.Count > Most)
            yield return new(
                "payments", Message.Of("orders.many-payments", ("most", Most)), "orders.many-payments.do");
        foreach (var (i, payment) in payments.Index())
        {
            if (!IsPossible(payment))
                yield return new($"payments[{i}].amount", "orders.payment-not-possible", "orders.payment-not-possible.do");
            if (payment?.Note?.Length > LongestNote)
                yield return new(
                    $"payments[{i}].note",
                    Message.Of("amounts.longer-characters", ("longest", LongestNote)),
                    "amounts.name-longer-characters.do");
        }
    }

    /// <summary>What payments come to, as far as they are possible.</summary>
    public static decimal Sum(IReadOnlyList<Payment>? payments) => (payments ?? []).Where(IsPossible).Sum(p => p.Amount);

    private static bool IsPossible(Payment? payment) =>
        payment is { Amount: not 0 and <= MostAmount and >= -MostAmount and var amount } && amount == decimal.Round(amount, 2);
}

using System.Text.Json.Serialization;
using Kondiba.Core.Facts;

namespace Kondiba.Core.Orders;

/// <summary>How a price is made.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<PriceBy>))]
public enum PriceBy
{
    /// <summary>The cost and a margin, up to the next step.</summary>
    [JsonStringEnumMemberName("margin")]
    Margin,

    /// <summary>So much for a dozen.</summary>
    [JsonStringEnumMemberName("dozen")]
    Dozen,

    /// <summary>As agreed, whatever it costs.</summary>
    [JsonStringEnumMemberName("set")]
    Set,
}

/// <summary>An order's price as typed.</summary>
/// <param name="By">How it is made.</param>
/// <param name="Value">
/// By margin the share of the price that is not cost, 0.3 for 30 %; by dozen the price of twelve; set, the price.
/// </param>
public sealed record PriceDraft(PriceBy By, decimal Value)
{
    private const decimal MostMargin = 0.9m;
    private const decimal MostPrice = 1_000_000m;

    /// <summary>What cannot be in it.</summary>
    internal IEnumerable<Problem> Check()
    {
        if (By is PriceBy.Margin && Value is < 0 or > MostMargin)
            yield return new("price.value", "pricing.margin-less-nothing-more", "pricing.margin-less-nothing-more.do");
        else if (Value is < 0 or > MostPrice)
            yield return new("price.value", "pricing.price-less-nothing-more", "pricing.price-less-nothing-more.do");
    }
}

using System.Text.Json.Serialization;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Pricing;

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
/// <param name="Value">By margin the share of the price that is not cost, 0.3 for 30 %; by dozen the price of twelve; set, the price.</param>
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

/// <summary>Constants of costs and prices.</summary>
/// <param name="Hour">What the maker's hour is worth.</param>
/// <param name="FuelPerHour">Gas and current in an hour of work.</param>
/// <param name="Margin">Share of the price that is not cost.</param>
/// <param name="Step">A price by margin goes up to a multiple of this.</param>
/// <param name="Deposit">Share of the price that is paid ahead.</param>
/// <param name="WrittenOff">Share of what is left in pots that no later order will use.</param>
/// <param name="Pack">Packing one piece.</param>
/// <param name="SetUp">Laying everything out, and putting it away.</param>
/// <param name="Melt">Hands on one melt.</param>
/// <param name="Wash">Washing up after one colour.</param>
/// <param name="Terms">What a quote says at its foot.</param>
public sealed record PriceConstants(
    Sourced<Money> Hour,
    Sourced<Money> FuelPerHour,
    Sourced<Share> Margin,
    Sourced<Money> Step,
    Sourced<Share> Deposit,
    Sourced<Share> WrittenOff,
    Sourced<Duration> Pack,
    Sourced<Duration> SetUp,
    Sourced<Duration> Melt,
    Sourced<Duration> Wash,
    string Terms);

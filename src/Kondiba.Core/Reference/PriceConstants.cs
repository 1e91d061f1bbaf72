using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Reference;

/// <summary>Constants of costs and prices.</summary>
/// <param name="Hour">What the maker's hour is worth.</param>
/// <param name="FuelPerHour">Gas and current in an hour of work.</param>
/// <param name="Margin">Share of the price that is not cost.</param>
/// <param name="Step">A price by margin goes up to a multiple of this.</param>
/// <param name="Deposit">Share of the price that is paid ahead.</param>
/// <param name="WrittenOff">Share of what is left in pots that no later order will use.</param>
/// <param name="Pack">Packing one piece.</param>
/// <param name="Melt">Hands on one melt.</param>
/// <param name="Wash">Washing up after one colour.</param>
/// <param name="QuoteDays">How long a quote can be accepted.</param>
/// <param name="Contact">How a customer reaches the maker, as a quote says it; empty where nothing was said.</param>
/// <param name="Terms">What a quote says at its foot.</param>
public sealed record PriceConstants(
    Sourced<Money> Hour,
    Sourced<Money> FuelPerHour,
    Sourced<Share> Margin,
    Sourced<Money> Step,
    Sourced<Share> Deposit,
    Sourced<Share> WrittenOff,
    Sourced<Duration> Pack,
    Sourced<Duration> Melt,
    Sourced<Duration> Wash,
    Sourced<Duration> QuoteDays,
    string Terms,
    string Contact = "");

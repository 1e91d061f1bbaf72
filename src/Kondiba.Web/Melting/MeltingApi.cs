using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Amounts;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kondiba.Web.Melting;

/// <summary>How a pot is melted, and tempered.</summary>
/// <param name="Melted">What is melted: all of it, or what is not held back as seed.</param>
/// <param name="Melts">By every method.</param>
/// <param name="Seeding">What to hold back; null for a coating that sets by itself.</param>
/// <param name="NeverAbove">Temperature it must never pass.</param>
public sealed record MeltView(Mass Melted, IReadOnlyList<MeltShown> Melts, SeedingShown? Seeding, Temperature NeverAbove);

/// <summary>A melt with its working.</summary>
public sealed record MeltShown(Melt Melt, IReadOnlyList<WorkingLine> Working);

/// <summary>A seeding with its working.</summary>
public sealed record SeedingShown(Seeding Seeding, IReadOnlyList<WorkingLine> Working);

internal static class MeltingApi
{
    public static void MapMelting(this RouteGroupBuilder api) =>
        api.MapGet("/melting", async Task<Results<Ok<MeltView>, Refused>> (
            string coating, double grams, double? from, KitchenThings things) =>
        {
            var tables = await things.TablesAsync();
            var (found, room) = (tables.Reference.Coating(coating), tables.Reference.Setting.Room.Air.Value);
            List<Problem> problems = [];
            if (found is null)
                problems.Add(new(
                    "coating",
                    Message.Of("melting.coating-called", ("coating", coating)),
                    Message.Of("melting.coating-called.do", ("coatings", Argument.Of(tables.Reference.Coatings.Select(c => c.Code))))));
            if (!(grams is > 0 and <= AmountsApi.MostGrams))
                problems.Add(new(
                    "grams",
                    Message.Of("melting.g-nothing-more-kitchen", ("grams", grams)),
                    Message.Of("melting.g-nothing-more-kitchen.do", ("mostGrams", AmountsApi.MostGrams))));
            if (from is not (null or (>= 20 and <= 80)))
                problems.Add(new("from", "melting.nobody-melts-coating", "melting.nobody-melts-coating.do"));
            if (Refused.Of(problems, "melting.cannot-computed") is { } refused)
                return refused;
            var (mass, hot) = (Quantities.Of<Mass>(grams, "g"), from is { } celsius
                ? Quantities.Of<Temperature>(celsius, "°C")
                : found!.MeltTo.Value);
            var seeding = Seeding.For(found!, mass, hot, room, tables.Reference.Melting, tables.Reference.Setting);
            var melted = seeding?.Melt ?? mass;
            return TypedResults.Ok(new MeltView(
                melted,
                [.. tables.Reference.Melting.Methods.Select(m => Melt.For(
                    found!, melted, m, room, tables.Reference.Melting, tables.Reference.Setting))
                    .Select(m => new MeltShown(m, m.Working))],
                seeding is null ? null : new(seeding, seeding.Working),
                found!.MeltAtMost.Value));
        }).WithTags("Melting").WithName("GetMelting").WithSummary(
            "How long so much of a coating takes to melt by every method, how it cools, and what to hold back as seed.");
}

using System.Security.Claims;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Practice;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Hosting;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using NodaTime;

namespace Kondiba.Web.Practice;

/// <summary>An exercise, and how well whoever asks has done it.</summary>
/// <param name="Exercise">The exercise.</param>
/// <param name="Best">The most points reached; null where it was not tried to the end.</param>
public sealed record ExerciseView(Exercise Exercise, int? Best);

/// <summary>A try at the practice pot.</summary>
/// <param name="Seed">Of its chance: the same one gives the same pot.</param>
/// <param name="Moves">What was done, in turn.</param>
public sealed record PracticeTry(int Seed, IReadOnlyList<Move> Moves);

/// <summary>The practice pot after some moves.</summary>
/// <param name="Exercise">Code of what is tried.</param>
/// <param name="Srgb">How the coating looks.</param>
/// <param name="Mass">How much is in it.</param>
/// <param name="Held">Seed that is left.</param>
/// <param name="Passed">Time that has passed.</param>
/// <param name="Middle">What the thermometer says.</param>
/// <param name="From">Coolest it is dipped in.</param>
/// <param name="To">Warmest it is.</param>
/// <param name="Most">What it may be at most.</param>
/// <param name="Water">Water so warm that a stirred pot in it stays in its window.</param>
/// <param name="Lumps">How lumpy it looks, from 0 to 1.</param>
/// <param name="Seen">What is to be seen, and smelt.</param>
/// <param name="Inside">What only the pot knows; null where that is hidden until the end.</param>
/// <param name="Story">Its temperature.</param>
/// <param name="Moves">What was done.</param>
/// <param name="Score">How it went; null until it is dipped from.</param>
/// <param name="Best">The most points reached so far.</param>
public sealed record PracticeView(
    string Exercise,
    string Srgb,
    Mass Mass,
    Mass Held,
    Duration Passed,
    Temperature Middle,
    Temperature From,
    Temperature To,
    Temperature Most,
    Temperature Water,
    double Lumps,
    IReadOnlyList<Message> Seen,
    Inside? Inside,
    IReadOnlyList<StoryPoint> Story,
    IReadOnlyList<Moved> Moves,
    Score? Score,
    int? Best);

internal static class PracticeApi
{
    private const int MostPoints = 300;

    public static void MapPractice(this RouteGroupBuilder api)
    {
        var practice = api.MapGroup("/practice").WithTags("Practice");
        practice.MapGet("", async (KitchenThings things, KondibaContext db, ClaimsPrincipal user) =>
        {
            var tables = await things.WithoutStockAsync();
            var who = Sessions.Sessions.PersonOf(user) ?? Guid.Empty;
            var bests = await db.PracticeBests.Where(b => b.PersonId == who).ToDictionaryAsync(b => b.Exercise, b => b.Points, db.Gone);
            return TypedResults.Ok(
                tables.Reference.Exercises.List
                    .Select(e => new ExerciseView(e, bests.TryGetValue(e.Code, out var points) ? points : null))
                    .ToList());
        }).WithName("GetExercises").WithSummary("The exercises at the practice pot, from easy to hard, and how well they were done.");
        practice.MapPost("/{code}", PlayAsync).WithName("Practise").WithSummary(
            "The practice pot after some moves, from the start; dipped from, it is scored and the best score kept.");
    }

    private static async Task<Results<Ok<PracticeView>, Refused, NotFound>> PlayAsync(
        string code, PracticeTry tried, KitchenThings things, KondibaContext db, ClaimsPrincipal user)
    {
        var reference = (await things.WithoutStockAsync()).Reference;
        if (reference.Exercises.List.FirstOrDefault(e => e.Code == code) is not { } exercise)
            return TypedResults.NotFound();
        if (Refused.Of(PracticePot.Check(tried.Moves), "practice.cannot-done") is { } refused)
            return refused;
        var state = PracticePot.Play(exercise, tried.Seed, tried.Moves, reference);
        var coating = state.Coating;
        return TypedResults.Ok(new PracticeView(
            code,
            coating.Colours[0].Srgb,
            state.Mass,
            state.Held,
            state.Passed,
            state.Middle,
            coating.DipFrom.Value,
            coating.DipTo.Value,
            coating.MeltAtMost.Value,
            new Coach(reference.Melting, reference.LivePot, reference.Setting).WaterFor(coating.DipAt.Value, state.Room),
            state.Lumps,
            state.Seen,
            state.Inside,
            [.. state.Story.Thinned(MostPoints)],
            state.Moves,
            state.Score,
            await BestAsync(db, Sessions.Sessions.PersonOf(user) ?? Guid.Empty, code, state.Score?.Points)));
    }

    /// <summary>The most points somebody has reached, with those just reached kept where they are more.</summary>
    private static async Task<int?> BestAsync(KondibaContext db, Guid who, string exercise, int? points)
    {
        if (points is { } reached)
            await db.Database.ExecuteSqlAsync(
                $"""
                INSERT INTO practice_bests (kitchen_id, person_id, exercise, points)
                VALUES ({db.KitchenId}, {who}, {exercise}, {reached})
                ON CONFLICT (kitchen_id, person_id, exercise)
                DO UPDATE SET points = greatest(practice_bests.points, excluded.points)
                """);
        return await db.PracticeBests.Where(b => b.PersonId == who && b.Exercise == exercise)
            .Select(b => (int?)b.Points)
            .SingleOrDefaultAsync(db.Gone);
    }
}

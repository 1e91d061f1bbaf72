using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>What comes of a coat that lost its temper.</summary>
/// <param name="HandleHard">Until it is hard; null when it is not in twelve hours.</param>
/// <param name="Note">What it looks like then.</param>
public sealed record LostTemper(Duration? HandleHard, string Note);

/// <summary>How a piece sets in a place, with its course for drawing.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="Name">Its name.</param>
/// <param name="Air">Temperature of its air.</param>
/// <param name="Sets">When it sets.</param>
/// <param name="Chill">What comes of it when it comes out into the room.</param>
/// <param name="OutOfTemper">
/// When it sets once its temper is lost, and what then comes of it; null for a fat that wants no tempering.
/// </param>
/// <param name="Course">Temperatures of film and centre over time.</param>
/// <param name="Working">How the figures came about.</param>
public sealed record SettingIn(
    string Place,
    string Name,
    Temperature Air,
    SettingTime Sets,
    Chill Chill,
    LostTemper? OutOfTemper,
    IReadOnlyList<SettingPoint> Course,
    IReadOnlyList<WorkingLine> Working)
{
    private const int Points = 90;
    private static readonly Duration Shortest = Duration.FromMinutes(10), Longest = Duration.FromMinutes(90);

    /// <summary>How a piece sets in every place that a kitchen has.</summary>
    public static IReadOnlyList<SettingIn> For(DippedPiece piece, SettingConstants c) =>
    [
        .. c.Had.Select(place =>
        {
            var sets = SettingModel.For(piece, place, c);
            var chill = Setting.Chill.For(piece, place, sets, c);
            var until = Duration.Max(
                Shortest,
                Duration.Min(Longest, Duration.Max(sets.HandleHard ?? sets.TouchDry ?? Longest, chill.Longest ?? Duration.Zero) * 1.3));
            var untempered = piece.Fat.OutOfTemper is { } lost ? c.Family(lost) : null;
            var outOfTemper = untempered is null
                ? null
                : new LostTemper(SettingModel.For(piece with { Fat = untempered }, place, c).HandleHard, untempered.Note);
            return new SettingIn(
                place.Code,
                place.Name,
                place.Air.Value,
                sets,
                chill,
                outOfTemper,
                SettingModel.Course(piece, place, until, Points, c),
                [.. sets.Working(), .. chill.Working()]);
        }),
    ];
}

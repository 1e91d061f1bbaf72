using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Setting;

/// <summary>How a piece sets in a place, with its course for drawing.</summary>
/// <param name="Place">Code of the place.</param>
/// <param name="Name">Its name.</param>
/// <param name="Air">Temperature of its air.</param>
/// <param name="Sets">When it sets.</param>
/// <param name="Chill">What comes of it when it comes out into the room.</param>
/// <param name="Course">Temperatures of film and centre over time.</param>
/// <param name="Working">How the figures came about.</param>
public sealed record SettingIn(string Place, string Name, Temperature Air, SettingTime Sets, Chill Chill, IReadOnlyList<SettingPoint> Course, IReadOnlyList<WorkingLine> Working)
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
            var until = Duration.Max(Shortest, Duration.Min(Longest, Duration.Max(sets.HandleHard ?? sets.TouchDry ?? Longest, chill.Longest ?? Duration.Zero) * 1.3));
            return new SettingIn(place.Code, place.Name, place.Air.Value, sets, chill, SettingModel.Course(piece, place, until, Points, c), [.. sets.Working(), .. chill.Working()]);
        }),
    ];
}

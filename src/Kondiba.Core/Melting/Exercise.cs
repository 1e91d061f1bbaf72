using Kondiba.Core.Facts;
using Kondiba.Core.Measures;
using NodaTime;

namespace Kondiba.Core.Melting;

/// <summary>Something to try at the practice pot.</summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Coating">Code of the coating.</param>
/// <param name="Mass">What is in the bowl.</param>
/// <param name="Held">What is held back as seed.</param>
/// <param name="Method">Code of what it is melted by.</param>
/// <param name="Room">Temperature of the room.</param>
/// <param name="At">Temperature of the pot at first; the room's where null.</param>
/// <param name="Solid">Share of it that is not melted at first.</param>
/// <param name="Par">A practised hand takes so long.</param>
/// <param name="KeepsTemper">Whether its temper is not to be lost, rather than brought back.</param>
/// <param name="Hidden">Whether only eye, spoon and thermometer tell how it is.</param>
/// <param name="Task">What is to be done.</param>
public sealed record Exercise(
    string Code,
    string Name,
    string Coating,
    Sourced<Mass> Mass,
    Sourced<Mass> Held,
    string Method,
    Sourced<Temperature> Room,
    Sourced<Temperature>? At,
    Sourced<Share> Solid,
    Sourced<Duration> Par,
    bool KeepsTemper,
    bool Hidden,
    string Task);

/// <summary>The exercises, and what they have in common.</summary>
/// <param name="Pieces">So many are dipped in the end.</param>
/// <param name="Each">Time that one takes.</param>
/// <param name="Area">Surface of one that is coated.</param>
/// <param name="Run">How far the coating runs down on it.</param>
/// <param name="Smear">What trying a smear takes.</param>
/// <param name="Masses">By so much a bowl's mass differs from what is said, at most.</param>
/// <param name="Powers">By so much a microwave does.</param>
/// <param name="Rooms">By so much a room does.</param>
/// <param name="List">From easy to hard.</param>
public sealed record Exercises(
    int Pieces,
    Sourced<Duration> Each,
    Sourced<Area> Area,
    Sourced<Length> Run,
    Sourced<Duration> Smear,
    Sourced<Share> Masses,
    Sourced<Share> Powers,
    Sourced<TemperatureGap> Rooms,
    IReadOnlyList<Exercise> List);

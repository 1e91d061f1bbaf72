using System.Text.Json.Serialization;
using Kondiba.Core.Coatings;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;

namespace Kondiba.Core.Practice;

/// <summary>What is done at the practice pot.</summary>
[JsonConverter(typeof(JsonStringEnumConverter<Does>))]
public enum Does
{
    /// <summary>Heats it.</summary>
    [JsonStringEnumMemberName("heat")]
    Heat,

    /// <summary>Stirs it.</summary>
    [JsonStringEnumMemberName("stir")]
    Stir,

    /// <summary>Puts seed in.</summary>
    [JsonStringEnumMemberName("seed")]
    Seed,

    /// <summary>Leaves it alone.</summary>
    [JsonStringEnumMemberName("wait")]
    Wait,

    /// <summary>Stands it in warm water and stirs.</summary>
    [JsonStringEnumMemberName("warm")]
    Warm,

    /// <summary>Tries a smear on a spoon.</summary>
    [JsonStringEnumMemberName("test")]
    Test,

    /// <summary>Dips, which ends it.</summary>
    [JsonStringEnumMemberName("dip")]
    Dip,
}

/// <summary>A move at the practice pot.</summary>
/// <param name="Do">What.</param>
/// <param name="Seconds">How long, for what takes as long as one likes.</param>
/// <param name="Grams">How much seed.</param>
/// <param name="Water">How warm the water is, in °C.</param>
/// <param name="Level">Share of its power that a microwave is set to; the exercise's own where null.</param>
public sealed record Move(Does Do, int? Seconds = null, double? Grams = null, double? Water = null, double? Level = null);

/// <summary>What only the pot knows.</summary>
/// <param name="Melted">Share melted.</param>
/// <param name="Rim">Temperature at the rim.</param>
/// <param name="Stable">Share of stable crystals; null where none are wanted.</param>
/// <param name="Scorched">Share scorched.</param>
/// <param name="Peak">The hottest that any of it has been.</param>
public sealed record Inside(Share Melted, Temperature Rim, Share? Stable, Share Scorched, Temperature Peak);

/// <summary>A point of the pot's story.</summary>
/// <param name="At">Since it began.</param>
/// <param name="Middle">Temperature in the middle.</param>
public sealed record StoryPoint(Duration At, Temperature Middle);

/// <summary>A move as it was made.</summary>
/// <param name="From">When it began.</param>
/// <param name="To">When it ended.</param>
/// <param name="Move">The move.</param>
/// <param name="Says">What it showed: a smear does.</param>
public sealed record Moved(Duration From, Duration To, Move Move, Message Says);

/// <summary>The practice pot after some moves.</summary>
/// <param name="Exercise">What is tried.</param>
/// <param name="Coating">What is in it.</param>
/// <param name="Mass">How much.</param>
/// <param name="Held">Seed that is left.</param>
/// <param name="Room">Temperature of the room.</param>
/// <param name="Passed">Time that has passed.</param>
/// <param name="Middle">What the thermometer says, in the middle.</param>
/// <param name="Lumps">How lumpy it looks, from 0 to 1 in tenths.</param>
/// <param name="Seen">What is to be seen, and smelt.</param>
/// <param name="Inside">What only the pot knows; null where that is hidden until the end.</param>
/// <param name="Story">Its temperature, each second.</param>
/// <param name="Moves">What was done.</param>
/// <param name="Score">How it went; null until it is dipped from.</param>
public sealed record PracticeState(
    Exercise Exercise,
    Coating Coating,
    Mass Mass,
    Mass Held,
    Temperature Room,
    Duration Passed,
    Temperature Middle,
    double Lumps,
    IReadOnlyList<Message> Seen,
    Inside? Inside,
    IReadOnlyList<StoryPoint> Story,
    IReadOnlyList<Moved> Moves,
    Score? Score);

/// <summary>
/// A pot to learn on: the physics of <see cref="LivePot"/>, tried by hand. The same exercise, seed and moves give the same pot; another
/// seed gives another microwave, room and bowl.
/// </summary>
public sealed class PracticePot
{
    /// <summary>Moves that a pot can take.</summary>
    public const int MostMoves = 200;

    /// <summary>Time that a move can take, in s.</summary>
    public const int MostSeconds = 600;

    private const double Burnt = 0.5;
    private const double Specks = 0.01;
    private const double Hotter = 1.5;
    private const double Stiff = 0.25;

    private static readonly Duration Longest = Duration.FromHours(1);
    private static readonly Duration Tick = Duration.FromSeconds(1);

    private readonly ReferenceData tables;
    private readonly Exercise exercise;
    private readonly Coating coating;
    private readonly LivePot pot;
    private readonly Temperature room;
    private readonly List<StoryPoint> story = [];
    private readonly List<Moved> moves = [];
    private Mass held;
    private Score? score;

    private PracticePot(Exercise exercise, int seed, ReferenceData tables)
    {
        (this.exercise, this.tables, held) = (exercise, tables, exercise.Held.Value);
        coating = tables.Coating(exercise.Coating)!;
        var (c, all) = (tables.Melting, tables.Exercises);
        var chance = new Random(seed);
        double Other() => (2 * chance.NextDouble()) - 1;

        var mass = exercise.Mass.Value * (1 + (all.Masses.Value.Si * Other()));
        var power = c.Microwave.Value * (1 + (all.Powers.Value.Si * Other()));
        room = new(exercise.Room.Value.Si + (all.Rooms.Value.Si * Other()));
        var method = c.Methods.First(m => m.Code == exercise.Method);
        var at = exercise.At?.Value ?? room;
        pot = new(
            new(coating, mass, method, room, at, exercise.Solid.Value),
            c with { Microwave = c.Microwave with { Value = power } },
            tables.LivePot,
            tables.Setting);
        story.Add(new(Duration.Zero, at));
    }

    /// <summary>Plays an exercise from the start.</summary>
    /// <param name="exercise">What is tried.</param>
    /// <param name="seed">Of its chance.</param>
    /// <param name="moves">What is done, in turn; what comes after dipping does nothing.</param>
    /// <param name="tables">The trade's tables.</param>
    public static PracticeState Play(Exercise exercise, int seed, IEnumerable<Move> moves, ReferenceData tables)
    {
        var practice = new PracticePot(exercise, seed, tables);
        foreach (var move in moves)
            if (practice.score is null)
                practice.Make(move);
        return practice.State();
    }

    /// <summary>What is wrong with moves, before any is made.</summary>
    public static IEnumerable<Problem> Check(IReadOnlyList<Move> moves)
    {
        if (moves.Count > MostMoves)
            yield return new("moves", Message.Of("practice.too-many", ("most", MostMoves)), "practice.begin-anew");
        for (var i = 0; i < Math.Min(moves.Count, MostMoves); i++)
        {
            var move = moves[i];
            if (move.Do is Does.Heat or Does.Stir or Does.Wait or Does.Warm && move.Seconds is not (>= 1 and <= MostSeconds))
                yield return new($"moves[{i}].seconds", "practice.seconds", Message.Of("practice.seconds.do", ("most", MostSeconds)));
            if (move.Do is Does.Seed && move.Grams is not (> 0 and <= 2000))
                yield return new($"moves[{i}].grams", "practice.grams", "practice.grams.do");
            if (move.Do is Does.Warm && move.Water is not (>= 20 and <= 60))
                yield return new($"moves[{i}].water", "practice.water", "practice.water.do");
            if (move.Level is not (null or (> 0 and <= 1)))
                yield return new($"moves[{i}].level", "practice.level", "practice.level.do");
        }
    }

    private void Make(Move move)
    {
        var from = pot.Passed;
        var says = Message.None;
        var seconds = Duration.FromSeconds(move.Seconds ?? 0);
        switch (move.Do)
        {
            case Does.Heat:
                Pass(seconds, t => pot.Heat(t, move.Level is { } level ? new(level) : null));
                break;
            case Does.Stir:
                Pass(seconds, pot.Stir);
                break;
            case Does.Wait:
                Pass(seconds, pot.Wait);
                break;
            case Does.Warm:
                Pass(seconds, t => pot.Warm(t, Quantities.Of<Temperature>(move.Water ?? 0, "°C")));
                break;
            case Does.Seed:
                var seed = new Mass(Math.Min(held.Si, (move.Grams ?? 0) / 1000));
                held -= seed;
                pot.Seed(seed);
                break;
            case Does.Test:
                Pass(tables.Exercises.Smear.Value, pot.Wait);
                says = Smear();
                break;
            case Does.Dip:
                score = Dip();
                break;
        }

        moves.Add(new(from, pot.Passed, move, says));
    }

    private void Pass(Duration time, Action<Duration> act)
    {
        for (var left = time; left > Duration.Zero && pot.Passed < Longest && !IsBurnt; left -= Tick)
        {
            act(Tick);
            story.Add(new(pot.Passed, Middle));
        }
    }

    private Message Smear()
    {
        if (pot.Melted.Si < Score.Smooth)
            return "practice.smear-lumps";
        if (pot.Tempered is null)
            return "practice.smear-compound";
        if (pot.Tempered is true)
            return "practice.smear-held";
        return pot.Stable > tables.LivePot.Thick.Value ? "practice.smear-thick" : "practice.smear-dull";
    }

    private Score Dip()
    {
        var all = tables.Exercises;
        var begun = pot.Passed;
        var melted = pot.Melted;
        List<Dipped> dipped = [];
        for (var i = 0; i < all.Pieces; i++)
        {
            // With more of its fat set it does not flow at all.
            var set = Math.Min(Stiff, 1 - pot.Melted.Si + pot.Stable.Si);
            var flow = Flow.Of(coating, new(-set * coating.Fat.Value.Si), Middle, tables.Film);
            var film = Film.Thickness(flow, all.Run.Value, tables.Film).Film;
            dipped.Add(new(Middle, film));
            pot.Take(new(Math.Min(film.Si * all.Area.Value.Si * flow.Density.Si, pot.Mass.Si / all.Pieces)));
            Pass(all.Each.Value, pot.Stir);
        }

        return Score.Of(new(exercise, coating, begun, melted, pot, dipped), tables.Melting, tables.LivePot);
    }

    private bool IsBurnt => pot.Scorched.Si > Burnt;

    private Temperature Middle => Quantities.Of<Temperature>(pot.Middle, "°C");

    private PracticeState State() => new(
        exercise,
        coating,
        pot.Mass,
        held,
        room,
        pot.Passed,
        Middle,
        Math.Round((1 - pot.Melted.Si) * 10) / 10,
        Seen(),
        exercise.Hidden && score is null
            ? null
            : new(
                pot.Melted,
                Quantities.Of<Temperature>(pot.Rim, "°C"),
                coating.Temper is null ? null : pot.Stable,
                pot.Scorched,
                Quantities.Of<Temperature>(pot.Peak, "°C")),
        story,
        moves,
        score);

    private List<Message> Seen()
    {
        if (IsBurnt)
            return ["practice.seen-burnt"];
        List<Message> seen = [pot.Scorched.Si > Specks ? "practice.seen-scorched" : Looks()];
        if (pot.Rim > pot.Middle + Hotter)
            seen.Add("practice.seen-rim");
        if (pot.Melted.Si >= Score.Smooth && pot.Middle < coating.DipFrom.Value.In("°C") - 1)
            seen.Add("practice.seen-thick");
        return seen;
    }

    private Message Looks() => pot.Melted.Si switch
    {
        < 0.1 => "practice.seen-solid",
        < 0.5 => "practice.seen-lumps",
        < 0.85 => "practice.seen-half",
        < Score.Smooth => "practice.seen-nearly",
        _ => "practice.seen-smooth",
    };
}

/// <summary>A piece as it was dipped.</summary>
/// <param name="At">Temperature of the coating.</param>
/// <param name="Film">Film that stayed on it.</param>
public readonly record struct Dipped(Temperature At, Length Film);

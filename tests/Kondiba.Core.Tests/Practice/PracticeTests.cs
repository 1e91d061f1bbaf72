using CsCheck;
using Kondiba.Core.Measures;
using Kondiba.Core.Melting;
using Kondiba.Core.Practice;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;
using NodaTime;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>
/// The practice pot: who looks and follows the coach scores high on every exercise, who does not scores low, the same each time.
/// </summary>
public class PracticeTests
{
    private static readonly ReferenceData Trade = Tables.Reference;
    private static readonly Instant Begin = Instant.FromUtc(2031, 5, 3, 10, 0);

    public static TheoryData<string> Codes => [.. Trade.Exercises.List.Select(e => e.Code)];

    [Theory]
    [MemberData(nameof(Codes))]
    public void Who_looks_and_stirs_scores_high_and_who_does_not_scores_low(string code)
    {
        var exercise = Trade.Exercises.List.Single(e => e.Code == code);
        for (var seed = 0; seed < 12; seed++)
        {
            var good = PracticePot.Play(exercise, seed, Coached(exercise, seed), Trade);
            Assert.True(good.Score!.Points >= 85, $"{seed}: {Told(good)}");
            var careless = PracticePot.Play(exercise, seed, [new(Does.Heat, 180), new(Does.Dip)], Trade);
            Assert.True(careless.Score!.Points <= 45, $"{seed}: {Told(careless)}");
            Assert.Contains(careless.Score.Parts, p => p.Better != Message.None);
        }
    }

    [Fact]
    public void The_same_seed_gives_the_same_pot_and_another_one_another()
    {
        var exercise = Trade.Exercises.List[0];
        Move[] moves = [new(Does.Heat, 30), new(Does.Stir, 15), new(Does.Heat, 30), new(Does.Wait, 60)];
        PracticeState Play(int seed) => PracticePot.Play(exercise, seed, moves, Trade);
        Assert.Equal(Play(7).Story, Play(7).Story);
        Assert.NotEqual(Play(7).Story, Play(8).Story);
        Assert.Equal(Duration.FromSeconds(135), Play(7).Passed);
        Assert.Equal(136, Play(7).Story.Count);
    }

    /// <summary>What is hidden comes out when it is dipped from, and not before.</summary>
    [Fact]
    public void A_harder_exercise_hides_what_only_the_pot_knows_until_the_end()
    {
        var exercise = Trade.Exercises.List.First(e => e.Hidden);
        Assert.Null(PracticePot.Play(exercise, 1, [new(Does.Stir, 15)], Trade).Inside);
        Assert.NotNull(PracticePot.Play(exercise, 1, [new(Does.Dip)], Trade).Inside);
    }

    /// <summary>Whatever is done, a pot stays within what physics allows, and ends within the hour and its pieces.</summary>
    [Fact]
    public void No_moves_break_it()
    {
        var anyMove = Gen.Select(
            Gen.Enum<Does>(),
            Gen.Int[1, PracticePot.MostSeconds],
            Gen.Double[0.1, 300],
            Gen.Double[20, 60],
            (does, seconds, grams, water) => new Move(does, seconds, grams, water));
        Gen.Select(Gen.OneOfConst([.. Trade.Exercises.List]), Gen.Int[0, 1000], anyMove.List[0, 40]).Sample((exercise, seed, moves) =>
        {
            Assert.Empty(PracticePot.Check(moves));
            var state = PracticePot.Play(exercise, seed, moves, Trade);
            Assert.InRange(state.Held.Si, 0, exercise.Held.Value.Si);
            Assert.True(state.Mass.Si > 0);
            Assert.InRange(state.Middle.In("°C"), 15, 300);
            Assert.True(state.Story.Count <= 3601);
            if (state.Score is { } score)
            {
                Assert.InRange(score.Points, 0, 100);
                Assert.InRange(score.Parts.Sum(p => p.Points), score.Points - 4, score.Points + 4);
                Assert.Equal(Trade.Exercises.Pieces, score.Films.Count);
            }

            foreach (var said in state.Seen.Concat(state.Moves.Select(m => m.Says)))
                Catalogue.Say(said, Voice.Plain);
        });
    }

    [Fact]
    public void Moves_that_mean_nothing_are_told_apart()
    {
        Move[] moves =
        [
            new(Does.Heat),
            new(Does.Seed, Grams: 0),
            new(Does.Warm, 10, Water: 90),
            new(Does.Heat, 10, Level: 2),
            new(Does.Dip),
        ];
        Assert.Equal(
            ["moves[0].seconds", "moves[1].grams", "moves[2].water", "moves[3].level"], PracticePot.Check(moves).Select(p => p.Field));
        Assert.Single(PracticePot.Check([.. Enumerable.Repeat(new Move(Does.Dip), PracticePot.MostMoves + 1)]));
    }

    private static string Told(PracticeState state) => $"{state.Score!.Points}: "
        + string.Join(", ", state.Score.Parts.Select(p => $"{p.Code} {p.Points}/{p.Of}")) + "; "
        + string.Join(" ", state.Moves.Select(m => $"{m.Move.Do}{m.Move.Seconds ?? m.Move.Grams:0}@{m.From.TotalSeconds:0}"))
        + $" peak {state.Inside!.Peak.In("°C"):0.0}";

    /// <summary>The moves of whoever does what the coach says of the thermometer, and does not dip before it looks smooth.</summary>
    private static List<Move> Coached(Exercise exercise, int seed)
    {
        var coach = new Coach(Trade.Melting, Trade.LivePot, Trade.Setting);
        var method = Trade.Melting.Methods.Single(m => m.Code == exercise.Method);
        List<Move> moves = [];
        while (moves.Count < PracticePot.MostMoves)
        {
            var state = PracticePot.Play(exercise, seed, moves, Trade);
            var readings = state.Story.Select(p => new PotReading(Begin + p.At, p.Middle)).ToList();
            var (coating, melted) = (state.Coating, exercise.Solid.Value.Si < 1);
            var advice = coach.Advise(
                new(coating, state.Mass, method, state.Room, coating.DipFrom.Value, coating.DipTo.Value, melted, exercise.KeepsTemper),
                readings,
                Begin + state.Passed);
            if (advice.Act is CoachAct.Dip && state.Lumps < 0.05 && !state.Seen.Contains("practice.seen-nearly"))
                return [.. moves, new(Does.Dip)];
            moves.AddRange(Of(advice));
        }

        return moves;
    }

    private static IEnumerable<Move> Of(Advice advice)
    {
        var seconds = (int)Math.Round((advice.For ?? Duration.FromSeconds(15)).TotalSeconds);
        return advice.Act switch
        {
            CoachAct.Heat => [new(Does.Heat, seconds, Level: advice.Level?.Si), new(Does.Stir, 15)],
            CoachAct.Seed => [new(Does.Seed, Grams: advice.Seed!.Value.Si * 1000), new(Does.Stir, 45)],
            CoachAct.Warm => [new(Does.Warm, seconds, Water: advice.Water!.Value.In("°C"))],
            CoachAct.Wait => [new(Does.Stir, 10), new(Does.Wait, 20)],
            _ => [new(Does.Stir, 15)],
        };
    }
}

using CsCheck;
using Kondiba.Core.Amounts;
using Kondiba.Core.Logbook;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Core.Steps;
using MathNet.Numerics.Distributions;
using NodaTime;
using static Kondiba.Core.Tests.Logbook.Logged;

namespace Kondiba.Core.Tests.Logbook;

/// <summary>What batches do to amounts, times, losses and margins.</summary>
public sealed class LessonsTests
{
    private static readonly Centres.Centre Rod = KitchenTables.Shipped.Reference.Centre("pretzel-rod")!;

    // Two dozen of which none, one, two went wrong.
    private static readonly LoggedBatch[] Like = [.. Enumerable.Range(0, 9).Select(spoilt => Taking(1, Rods(24, spoilt)))];

    private static CoatingTally Tally(KitchenTables tables, params LineDraft[] lines) =>
        CoatingTally.For(Orders.Order(new("tall-glass"), lines), tables, Orders.Now);

    [Fact]
    public void With_no_batches_every_figure_is_the_tables_own()
    {
        var taught = Lessons.Taught(KitchenTables.Shipped, [], new(["stick/fork"], Day));
        Gen.Int[1, 60].Select(Gen.Int[0, 2], Gen.OneOfConst(0.33, 0.5, 1)).Sample((count, which, depth) =>
        {
            LineDraft[] lines = [which is 0 ? Orders.Rods(count) : Orders.Berries(count, depth), Orders.Truffles(count + which)];
            var (plain, after) = (Tally(KitchenTables.Shipped, lines), Tally(taught, lines));
            Assert.Equal(plain.Pots.Select(p => p.ToMelt.Value), after.Pots.Select(p => p.ToMelt.Value));
            Assert.Equal(Hard(plain), Hard(after));
            Assert.All(after.Pots, p => Assert.Null(p.Range));
        });

        static IEnumerable<Duration?> Hard(CoatingTally tally) => tally.Lines.SelectMany(l => l.Setting.Select(s => s.HandleHard));
    }

    [Fact]
    public void Rods_that_take_more_are_melted_for_and_it_says_why()
    {
        var taught = Taught(Taking(1.24), Taking(1.22, day: 7), Taking(1.27, day: 14));
        var (before, after) = (Tally(KitchenTables.Shipped, Orders.Rods(24)), Tally(taught, Orders.Rods(24)));
        Assert.InRange(after.Pots[0].OnPieces.Value / before.Pots[0].OnPieces.Value, 1.15, 1.25);
        var line = after.WorkingOf("lines[0].perPiece")!.Single(w => w.Code == "amounts.your-hand");
        Assert.Equal(Facts.Tag.Learned, line.Source.Tag);
        Assert.Equal("from 3 batches of yours", line.Source.Text);
        var range = after.Pots[0].Range!;
        Assert.Equal(3, range.Hand.Batches);
        Assert.True(range.From < after.Pots[0].ToMelt.Value && after.Pots[0].ToMelt.Value < range.To * 1.1);
    }

    [Fact]
    public void One_batch_left_out_teaches_nothing_and_none_before_the_fresh_start_does()
    {
        var odd = Taking(1.5);
        var left = Taught(odd with { Batch = odd.Batch with { LeftOut = true } });
        Assert.False(left.Learned.Stick.Of("ByHand/pretzel-rod").IsLearned);
        var fresh = Lessons.Taught(KitchenTables.Shipped, [odd], new(From: Day.PlusDays(1)));
        Assert.False(fresh.Learned.Stick.Of("ByHand/pretzel-rod").IsLearned);
    }

    [Fact]
    public void What_is_expected_of_a_batch_is_what_an_order_of_it_says()
    {
        var order = Orders.Order(new("tall-glass"), Orders.Rods(24));
        var tally = Tally(KitchenTables.Shipped, Orders.Rods(24));
        var expected = BatchExpected.Of(Rods(), KitchenTables.Shipped, KitchenTables.Shipped.Learned);
        Assert.Equal(tally.Lines[0].PerPiece.Value.In("g") * 24, expected.ByTables, 6);
        Assert.Equal(expected.ByTables, expected.Planned, 6);
        Assert.Equal(tally.Lines[0].Setting[0].HandleHard!.Value.TotalMinutes, expected.Drying[0].Hard!.Value, 6);
        var dipping = PrepWork.Of(order, tally, KitchenTables.Shipped).Where(s => s.Stage is Stage.Dip)
            .Aggregate(Duration.Zero, (sum, s) => sum + s.Hands).TotalMinutes;
        Assert.InRange(expected.DipMinutes!.Value, dipping * 0.85, dipping);
    }

    [Fact]
    public void Slow_hands_slow_setting_and_slow_melting_are_planned_for()
    {
        Batch Slow(int day)
        {
            var of = Taking(1, day: day).Batch;
            var e = BatchExpected.Of(of, KitchenTables.Shipped, KitchenTables.Shipped.Learned);
            return of with
            {
                DipMinutes = e.DipMinutes * 1.5,
                MeltMinutes = e.MeltMinutes * 1.4,
                Drying = [new("counter", Hard: e.Drying[0].Hard * 1.5)],
            };
        }

        var batches = Enumerable.Range(0, 5).Select(i => Slow(i)).Select(b => new LoggedBatch(
            Guid.NewGuid(), b, BatchExpected.Of(b, KitchenTables.Shipped, KitchenTables.Shipped.Learned)));
        var taught = Taught([.. batches]);
        Assert.InRange(taught.PaceOf(Stage.Dip), 1.4, 1.5);
        Assert.InRange(taught.PaceOf(Stage.Pack), 1.15, 1.4);
        var (before, after) = (Tally(KitchenTables.Shipped, Orders.Rods(12)), Tally(taught, Orders.Rods(12)));
        Assert.InRange(after.Lines[0].Setting[0].HandleHard!.Value / before.Lines[0].Setting[0].HandleHard!.Value, 1.35, 1.5);
        var (melt, slower) = (
            MeltingOf.Pot(before.Pots[0], before.Pots[0].ToMelt.Value, KitchenTables.Shipped),
            MeltingOf.Pot(before.Pots[0], before.Pots[0].ToMelt.Value, taught));
        Assert.True(slower.Hands > melt.Hands);
    }

    [Fact]
    public void What_goes_wrong_is_begun_for()
    {
        var clumsy = Enumerable.Range(0, 4).Select(i => Taking(1, Rods(20, 4), day: i)).ToArray();
        var (before, after) = (Tally(KitchenTables.Shipped, Orders.Rods(20)), Tally(Taught(clumsy), Orders.Rods(20)));
        var spoil = Taught(clumsy).Reference.Centre("pretzel-rod")!.Spoil.Value;
        Assert.InRange(spoil.Si, 0.1, 0.2);
        Assert.True(after.Lines[0].OnPieces.Value > before.Lines[0].OnPieces.Value * 1.05);
    }

    /// <summary>
    /// Makers whose hand, spread and number of batches differ melt for the next batch by the certainty that they chose. It runs short as
    /// often as it says, and takes less in all than one margin for everybody that runs short as rarely.
    /// </summary>
    [Theory]
    [InlineData(0.75)]
    [InlineData(0.9)]
    [InlineData(0.95)]
    public void A_margin_by_certainty_runs_short_as_often_as_it_says_and_melts_less(double certainty)
    {
        var random = new Random(5);
        List<(double Needed, double ByTables, double Melted)> nexts = [];
        const int Makers = 4000;
        for (var i = 0; i < Makers; i++)
            nexts.Add(Next(random, certainty));

        var shortOf = nexts.Count(n => n.Needed > n.Melted) / (double)Makers;
        Assert.InRange(shortOf, 1 - certainty - 0.02, 1 - certainty + 0.02);

        // One margin for everybody on the tables' amounts, too little for as many of them.
        var flat = nexts.Select(n => n.Needed / n.ByTables).Order().ElementAt((int)Math.Ceiling((1 - shortOf) * Makers) - 1);
        Assert.True(nexts.Sum(n => n.Melted) < nexts.Sum(n => n.ByTables * flat));
    }

    /// <summary>A maker, some batches, the next order: what it takes, what the tables say without a margin, what is melted.</summary>
    private static (double Needed, double ByTables, double Melted) Next(Random random, double certainty)
    {
        var spoils = Rod.Spoil.Value.Si * (0.6 + (1.1 * random.NextDouble()));
        var stick = 0.6 * Math.Pow(1.7 / 0.6, random.NextDouble());
        var spread = 0.05 + (0.06 * random.NextDouble());
        double Takes() => stick * Math.Exp(Normal.Sample(random, 0, spread));
        int Spoilt(int of) => Poisson.Sample(random, of * spoils);
        var logged = Enumerable.Range(0, 3 + random.Next(18)).Select(_ => Weighed(Like[Math.Min(Spoilt(24), Like.Length - 1)], Takes()));
        var (wanted, vessel) = (6 * (1 << random.Next(4)), random.Next(2) == 0 ? "narrow-glass" : "tall-glass");
        var taught = Taught([.. logged]);
        var certain = taught with
        {
            Reference = taught.Reference with { Pot = taught.Reference.Pot with { Certainty = new Share(certainty) } },
        };
        var pot = CoatingTally.For(Orders.Order(new(vessel), Orders.Rods(wanted)), certain, Orders.Now).Pots[0];
        var stays = pot.Pool.Value + certain.Reference.Pot.ToolLoss.Value;
        var one = Tally(KitchenTables.Shipped, Orders.Rods(24)).Lines[0].PerPiece.Value;
        return (
            (stays + (one * (wanted + Spoilt(wanted)) * Takes())).In("g"),
            (stays + (one * wanted * (1 + Rod.Spoil.Value.Si))).In("g"),
            pot.ToMelt.Value.In("g"));
    }

    [Fact]
    public void A_batch_of_the_wrong_weight_is_asked_about()
    {
        var sound = Enumerable.Range(0, 4).Select(i => Taking(1.02 + (0.01 * i), day: i)).ToList();
        var odd = Taking(2.6, day: 5);
        Assert.Equal([odd.Id], Taught([.. sound, odd]).Learned.Questioned);
    }

    [Fact]
    public void A_certainty_needs_batches_to_go_by()
    {
        var reference = KitchenTables.Shipped.Reference;
        var chosen = KitchenTables.Shipped with { Reference = reference with { Pot = reference.Pot with { Certainty = new Share(0.99) } } };
        Assert.Equal(
            Tally(KitchenTables.Shipped, Orders.Rods(24)).Pots[0].ToMelt.Value, Tally(chosen, Orders.Rods(24)).Pots[0].ToMelt.Value);
    }
}

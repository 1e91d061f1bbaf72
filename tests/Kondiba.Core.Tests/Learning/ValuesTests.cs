using Kondiba.Core.Learning;
using Kondiba.Core.Reference;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.Statistics;
using static System.Math;

namespace Kondiba.Core.Tests.Learning;

/// <summary>Values that are learned, against numeric integration and against makers whose true values are known.</summary>
public sealed class ValuesTests
{
    private const string Path = "Fork/cookie/white";
    private static readonly LearningConstants C = ReferenceData.Shipped.Learning;

    [Fact]
    public void Nothing_found_keeps_exactly_to_the_tables()
    {
        var value = Values.From([], C.Stick, C).Of(Path);
        Assert.Equal(1, value.Mean);
        Assert.False(value.IsLearned);
    }

    /// <summary>The posterior of one value and one deviation, summed over a grid: the same model, no matrix and no iteration.</summary>
    [Theory]
    [InlineData(1.2)]
    [InlineData(0.8, 0.86)]
    [InlineData(1.25, 1.3, 1.22)]
    [InlineData(1.31, 1.18, 1.27, 1.22, 1.35)]
    [InlineData(0.72, 0.7, 0.78, 2.9, 0.74, 0.71)]
    [InlineData(1.02, 0.99, 0.4, 1.03, 0.97, 1.0, 1.05, 0.98)]
    public void It_agrees_with_the_posterior_summed_over_a_grid(params double[] times)
    {
        var value = Values.From([.. times.Select(t => new Finding(Guid.NewGuid(), "Fork", t))], C.Stick, C).Of("Fork");

        var prior = Sqrt(C.Stick.Levels.Take(2).Sum(l => l.Value.Si * l.Value.Si));
        var (firm, usual) = (C.Firm.Value.Si, C.Stick.Batch.Value.Si);
        double all = 0, sum = 0, squares = 0;
        for (var theta = -1.2; theta <= 1.2; theta += 0.002)
        {
            for (var sigma = 0.03; sigma <= 0.25; sigma += 0.004)
            {
                // Scaled inverse chi-squared for the variance, as a density of the deviation.
                var log = -((firm + 1) * Log(sigma)) - (firm * usual * usual / (2 * sigma * sigma)) - (theta * theta / (2 * prior * prior));
                log += times.Sum(t => Log(
                    ((1 - C.Slips.Value.Si) * Normal.PDF(theta, sigma, Log(t)))
                    + (C.Slips.Value.Si * Normal.PDF(theta, Sqrt((sigma * sigma) + Pow(C.SlipSize.Value.Si, 2)), Log(t)))));
                var weight = Exp(log);
                (all, sum, squares) = (all + weight, sum + (weight * theta), squares + (weight * theta * theta));
            }
        }

        var (mean, spread) = (sum / all, Sqrt((squares / all) - Pow(sum / all, 2)));
        Assert.InRange(Log(value.Mean) - mean, -0.02, 0.02);
        Assert.InRange(value.Spread / spread, 0.75, 1.25);
    }

    /// <summary>The same by a plain formula where there is only one batch and no slip to speak of: precision weighs.</summary>
    [Fact]
    public void One_batch_moves_it_as_far_as_it_is_surer_than_the_tables()
    {
        var values = Values.From([new Finding(Guid.NewGuid(), "", 1.1, confirmed: true)], C.Stick, C);
        var (prior, noise) = (Pow(C.Stick.Levels[0].Value.Si, 2), Pow(values.BatchSpread, 2));
        Assert.Equal(Log(1.1) * prior / (prior + noise), Log(values.Of("").Mean), 3);
    }

    [Theory]
    [InlineData(3, 0.10)]
    [InlineData(8, 0.06)]
    public void Makers_who_differ_from_the_tables_are_foretold(int batches, double most)
    {
        var random = new Random(7);
        List<double> errors = [];
        var within = 0;
        const int Makers = 600;
        for (var i = 0; i < Makers; i++)
        {
            var maker = new Simulated(random);
            var values = Values.From(maker.Findings(batches), C.Stick, C);
            var value = values.Of(Path);
            errors.Add(Abs((value.Mean / maker.Stick) - 1));
            var next = maker.Takes();
            IReadOnlyList<Portion> all = [new(Path, 1)];
            within += next >= value.Mean * values.Quantile(all, 0.05) && next <= value.Mean * values.Quantile(all, 0.95) ? 1 : 0;
        }

        Assert.InRange(errors.Median(), 0, most);
        Assert.InRange(within / (double)Makers, 0.85, 0.95);
    }

    [Theory]
    [InlineData(2.5)]
    [InlineData(0.35)]
    public void A_slip_of_the_scale_is_asked_about_and_moves_nothing(double slip)
    {
        var random = new Random(11);
        for (var i = 0; i < 300; i++)
        {
            var maker = new Simulated(random);
            List<Finding> sound = [.. Enumerable.Range(0, 4).Select(_ => new Finding(Guid.NewGuid(), Path, maker.Takes()))];
            var slipped = new Finding(Guid.NewGuid(), Path, maker.Stick * slip);
            var before = Values.From(sound, C.Stick, C).Of(Path);
            var after = Values.From([.. sound, slipped], C.Stick, C);
            Assert.InRange(after.Of(Path).Mean / before.Mean, 0.95, 1.05);
            Assert.InRange(after.Slips[slipped.Batch], 0.5, 1);
            Assert.Equal(4, after.Of(Path).Batches);
        }
    }

    [Fact]
    public void What_the_maker_confirms_counts()
    {
        List<Finding> found = [.. Enumerable.Range(-1, 3).Select(i => new Finding(Guid.NewGuid(), Path, 1 + (0.02 * i)))];
        var odd = new Finding(Guid.NewGuid(), Path, 2.2);
        var confirmed = Values.From([.. found, odd with { Confirmed = true }], C.Stick, C);
        Assert.True(confirmed.Of(Path).Mean > Values.From([.. found, odd], C.Stick, C).Of(Path).Mean * 1.1);
        Assert.Equal(0, confirmed.Slips[odd.Batch]);
    }

    [Fact]
    public void A_kitchen_that_is_generous_with_rods_is_taken_to_be_a_little_so_with_cookies()
    {
        var rods = Enumerable.Range(0, 6).Select(_ => new Finding(Guid.NewGuid(), "ByHand/pretzel-rod/dark", 1.3));
        var values = Values.From([.. rods], C.Stick, C);
        Assert.InRange(values.Of("ByHand/pretzel-rod/dark").Mean, 1.25, 1.3);
        Assert.InRange(values.Of("ByHand/pretzel-rod/white").Mean, 1.15, 1.3);
        Assert.InRange(values.Of(Path).Mean, 1.05, 1.15);
        Assert.True(values.Of(Path).Spread > values.Of("ByHand/pretzel-rod/dark").Spread);
    }

    [Fact]
    public void A_batch_of_two_things_is_shared_by_what_each_takes()
    {
        const string Rods = "ByHand/pretzel-rod/dark", Berries = "ByHand/strawberry/dark";
        List<Finding> found =
        [
            .. Enumerable.Range(0, 5).Select(_ => new Finding(Guid.NewGuid(), Rods, 1.3)),
            .. Enumerable.Range(0, 5).Select(_ => new Finding(
                Guid.NewGuid(), [new(Rods, 0.5), new(Berries, 0.5)], (0.5 * 1.3) + (0.5 * 0.9))),
        ];
        var values = Values.From(found, C.Stick, C);
        Assert.InRange(values.Of(Rods).Mean, 1.25, 1.33);
        Assert.InRange(values.Of(Berries).Mean, 0.85, 1.0);
    }

    [Fact]
    public void Older_batches_weigh_less()
    {
        Finding At(double times, int age) => new(Guid.NewGuid(), Path, times, age);
        List<Finding> found = [.. Enumerable.Range(0, 4).Select(_ => At(1.15, 1100)), .. Enumerable.Range(0, 4).Select(_ => At(0.95, 10))];
        var lately = Values.From(found, C.Stick, C).Of(Path).Mean;
        var evenly = Values.From([.. found.Select(f => f with { Age = 0 })], C.Stick, C).Of(Path).Mean;
        Assert.InRange(lately, 0.95, evenly - 0.03);
    }

    [Fact]
    public void What_is_set_aside_keeps_to_the_tables()
    {
        var values = Values.From([new(Guid.NewGuid(), Path, 1.3)], C.Stick, C, "Fork/cookie");
        Assert.Equal(1, values.Of(Path).Mean);
        Assert.True(values.Of("Fork/cracker/white").Mean > 1);
    }

    /// <summary>Many batches of many things are looked at in less than the time that a screen may take.</summary>
    [Fact]
    public void A_long_logbook_is_read_all_the_same()
    {
        var random = new Random(3);
        var found = Enumerable.Range(0, 1500).Select(i => new Finding(
            Guid.NewGuid(), $"Fork/c{i % 30}/k{i % 7}", Exp(Normal.Sample(random, 0.1, 0.1)), i));
        var values = Values.From([.. found], C.Stick, C);
        Assert.InRange(values.Of("Fork").Mean, 1.05, 1.15);
        Assert.InRange(values.BatchSpread, 0.08, 0.12);
    }

    /// <summary>A maker with a true value of their own, who differs from batch to batch, and now and then slips.</summary>
    private sealed class Simulated(Random random)
    {
        private const double Noise = 0.08, Slips = 0.05;

        public double Stick { get; } = 0.6 * Pow(1.7 / 0.6, random.NextDouble());

        public double Takes() => Stick * Exp(Normal.Sample(random, 0, Noise));

        public List<Finding> Findings(int batches) =>
            [.. Enumerable.Range(0, batches).Select(_ => new Finding(Guid.NewGuid(), Path, Weighed()))];

        private double Weighed()
        {
            var slip = random.NextDouble() < Slips;
            var by = 1.8 + random.NextDouble();
            var wrong = random.NextDouble() < 0.5 ? by : 1 / by;
            return Takes() * (slip ? wrong : 1);
        }
    }
}

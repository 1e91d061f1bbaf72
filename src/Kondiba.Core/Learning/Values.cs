using Kondiba.Core.Facts;
using MathNet.Numerics.Distributions;
using MathNet.Numerics.LinearAlgebra;
using static System.Math;

namespace Kondiba.Core.Learning;

/// <summary>
/// Values of one kind as a kitchen's batches have moved them. The logarithm of each is a sum of what the kitchen does, what it does with
/// things of that kind, and so on down to the thing itself; each of these is normal around nothing, and a batch shows their sum with its
/// own normal deviation, or is a slip. Bayes' rule for a linear model, around its own result where a batch is of several things; slips are
/// weighed down by how unlikely the other batches make them (a mixture of two normal distributions, by expectation and maximization).
/// </summary>
public sealed class Values
{
    private const char Level = '/';
    private const int Rounds = 25;
    private const double Settled = 1e-5;

    /// <summary>A thing that makes up less of a batch than this is not counted among what the batch was of.</summary>
    private const double Counts = 0.1;

    private readonly Varies varies;
    private readonly LearningConstants constants;
    private readonly IReadOnlyList<Finding> findings;
    private readonly IReadOnlyCollection<string> setAside;
    private readonly Dictionary<string, int> places = [];
    private readonly Vector<double> means;
    private readonly Matrix<double> covariance;
    private readonly double[] sound;
    private readonly Dictionary<string, int> batches;

    private Values(
        IReadOnlyList<Finding> findings, Varies varies, LearningConstants constants, IReadOnlyCollection<string> setAside)
    {
        (this.findings, this.varies, this.constants, this.setAside) = (findings, varies, constants, setAside);
        foreach (var prefix in findings.SelectMany(f => f.Of).SelectMany(p => Prefixes(p.Path)))
            places.TryAdd(prefix, places.Count);
        means = Vector<double>.Build.Dense(Max(1, places.Count));
        covariance = Matrix<double>.Build.DenseDiagonal(Max(1, places.Count), 0);
        sound = [.. findings.Select(_ => 1.0)];
        BatchSpread = varies.Batch.Value.Si;
        if (findings.Count > 0)
            (means, covariance) = Fitted();
        Freedom = constants.Firm.Value.Si + sound.Sum();
        batches = findings.Zip(sound).Where(f => f.Second >= 0.5).SelectMany(f => Within(f.First)).CountBy(prefix => prefix).ToDictionary();
    }

    /// <summary>How much one batch differs from another, as a share.</summary>
    public double BatchSpread { get; private set; }

    /// <summary>Degrees of freedom that this is known with.</summary>
    public double Freedom { get; }

    /// <summary>By batch, how likely it is a slip; those that the maker confirmed are none.</summary>
    public IReadOnlyDictionary<Guid, double> Slips =>
        findings.Index().GroupBy(f => f.Item.Batch).ToDictionary(g => g.Key, g => g.Max(f => 1 - sound[f.Index]));

    /// <summary>The things that batches have shown something of.</summary>
    public IEnumerable<string> Known => findings.SelectMany(f => f.Of).Select(p => p.Path).Distinct();

    /// <summary>Values moved by what was found.</summary>
    /// <param name="findings">What batches showed, in any order; none keeps the tables' values.</param>
    /// <param name="varies">How much such values differ.</param>
    /// <param name="constants">Constants of learning.</param>
    /// <param name="setAside">Paths of what keeps to the tables whatever was found, and all within it.</param>
    public static Values From(
        IReadOnlyList<Finding> findings, Varies varies, LearningConstants constants, params IReadOnlyCollection<string> setAside) =>
        new(findings, varies, constants, setAside);

    /// <summary>The value of a thing, times the tables'.</summary>
    /// <param name="path">From the whole to the part; whatever part of it is not known keeps to the tables.</param>
    public Estimate Of(string path) => From(path, setAside.Any(aside => IsWithin(path, aside)) ? 0 : BatchesOf(path));

    /// <summary>The same as if nothing were set aside.</summary>
    /// <param name="path">From the whole to the part.</param>
    public Estimate Found(string path) => From(path, BatchesOf(path));

    private Estimate From(string path, int found) => new(
        found == 0 ? 1 : Exp(Prefixes(path).Sum(MeanOf)),
        SpreadOf([new(path, 1)]),
        found,
        found == 0 ? varies.Batch.Source : Source.Batches(found));

    /// <summary>How sure the value of several things together is: its standard deviation as a share.</summary>
    /// <param name="parts">The things; their shares come to 1.</param>
    public double SpreadOf(IReadOnlyList<Portion> parts)
    {
        var weights = new Dictionary<string, double>();
        foreach (var part in parts)
        {
            foreach (var prefix in Prefixes(part.Path))
                weights[prefix] = weights.GetValueOrDefault(prefix) + part.Share;
        }

        var known = weights.Where(w => places.ContainsKey(w.Key)).ToList();
        var variance = weights.Where(w => !places.ContainsKey(w.Key)).Sum(w => w.Value * w.Value * PriorOf(w.Key));
        foreach (var (a, share) in known)
            variance += known.Sum(b => share * b.Value * covariance[places[a], places[b.Key]]);
        return Sqrt(variance);
    }

    /// <summary>Batches that showed something of a thing, or of its nearest kin where none was of itself.</summary>
    public int BatchesOf(string path) =>
        Prefixes(path).Reverse().Select(BatchesWithin).FirstOrDefault(n => n > 0);

    /// <summary>Batches of this thing itself, or of what is within it.</summary>
    public int BatchesWithin(string path) => batches.GetValueOrDefault(path);

    /// <summary>All that a batch was of, however little it was told apart.</summary>
    private static IEnumerable<string> Within(Finding finding) => finding.Of
        .SelectMany(p => Prefixes(p.Path).Select(prefix => (prefix, p.Share)))
        .GroupBy(p => p.prefix, p => p.Share)
        .Where(shares => shares.Sum() >= Counts)
        .Select(shares => shares.Key);

    /// <summary>Of the next batch, what the given share of batches stays under, over what is expected of it.</summary>
    /// <param name="parts">The things it is of; their shares come to 1.</param>
    /// <param name="certainty">Share of batches, between 0 and 1.</param>
    /// <param name="besides">Standard deviation of how many they are, as a share.</param>
    public double Quantile(IReadOnlyList<Portion> parts, double certainty, double besides = 0) =>
        Exp(StudentT.InvCDF(0, NextOf(parts, besides), Freedom, certainty));

    /// <summary>Share of batches that stay under so much.</summary>
    /// <param name="parts">The things it is of; their shares come to 1.</param>
    /// <param name="times">So much, over what is expected of them.</param>
    /// <param name="besides">Standard deviation of how many they are, as a share.</param>
    public double Certainty(IReadOnlyList<Portion> parts, double times, double besides = 0) => times <= 0
        ? 0
        : StudentT.CDF(0, NextOf(parts, besides), Freedom, Log(times));

    /// <summary>Standard deviation of what the next batch of these things takes, as a share of what is expected.</summary>
    private double NextOf(IReadOnlyList<Portion> parts, double besides)
    {
        var spread = SpreadOf(parts);
        return Sqrt((spread * spread) + (BatchSpread * BatchSpread) + (besides * besides));
    }

    private static bool IsWithin(string path, string whole) =>
        whole.Length == 0 || path == whole || path.StartsWith($"{whole}{Level}", StringComparison.Ordinal);

    /// <summary>The whole first, which has no name, then what is within it, down to the thing itself.</summary>
    private static IEnumerable<string> Prefixes(string path)
    {
        yield return "";
        for (var at = path.IndexOf(Level, StringComparison.Ordinal); at >= 0; at = path.IndexOf(Level, at + 1))
            yield return path[..at];
        if (path.Length > 0)
            yield return path;
    }

    private double MeanOf(string prefix) => places.TryGetValue(prefix, out var place) ? means[place] : 0;

    private double PriorOf(string prefix)
    {
        var level = prefix.Length == 0 ? 0 : prefix.Count(c => c == Level) + 1;
        var spread = varies.Levels[Min(level, varies.Levels.Count - 1)].Value.Si;
        return spread * spread;
    }

    private (Vector<double> Means, Matrix<double> Covariance) Fitted()
    {
        var mean = means;
        var spread = covariance;
        for (var round = 0; round < Rounds; round++)
        {
            (mean, spread) = Moved(mean);
            var before = sound.Append(BatchSpread).ToList();
            Judge(mean, spread);
            if (sound.Append(BatchSpread).Zip(before).All(s => Abs(s.First - s.Second) < Settled))
                break;
        }

        // What is likelier a slip than not is asked about, and counts for nothing until the maker says that it was so.
        for (var i = 0; i < sound.Length; i++)
            sound[i] = sound[i] < 0.5 ? 0 : sound[i];
        return Moved(mean);
    }

    /// <summary>
    /// By Bayes' rule, what the sound batches say; a batch of several things is taken as linear around what is known so far.
    /// </summary>
    private (Vector<double> Means, Matrix<double> Covariance) Moved(Vector<double> around)
    {
        var precision = Matrix<double>.Build.DenseDiagonal(places.Count, 0);
        var pull = Vector<double>.Build.Dense(places.Count);
        foreach (var (prefix, place) in places)
            precision[place, place] = 1 / PriorOf(prefix);
        foreach (var (i, finding) in findings.Index())
        {
            var (expected, slope) = Expected(finding, around);
            var weight = sound[i] / NoiseOf(finding);
            var shown = Log(finding.Times) - expected + slope.Sum(s => s.Value * around[s.Key]);
            foreach (var (a, by) in slope)
            {
                pull[a] += weight * by * shown;
                foreach (var (b, other) in slope)
                    precision[a, b] += weight * by * other;
            }
        }

        var inverse = precision.Cholesky().Solve(Matrix<double>.Build.DenseIdentity(places.Count));
        return (inverse * pull, inverse);
    }

    /// <summary>Judges each batch by what all others say of it, and all of them by how much they differ.</summary>
    private void Judge(Vector<double> mean, Matrix<double> spread)
    {
        var (slips, size) = (constants.Slips.Value.Si, constants.SlipSize.Value.Si);
        var firm = constants.Firm.Value.Si;
        var (squares, count) = (firm * Pow(varies.Batch.Value.Si, 2), firm);
        for (var i = 0; i < sound.Length; i++)
        {
            var noise = NoiseOf(findings[i]);
            var (off, known) = WithoutIt(i, noise, mean, spread);
            if (!findings[i].Confirmed)
            {
                var (right, wrong) = ((1 - slips) * Bell(off, known + noise), slips * Bell(off, known + noise + (size * size)));
                sound[i] = right / (right + wrong);
            }

            // What is old counts less; how far it is off comes partly from what is not known of the value.
            var weight = sound[i] * AgedOf(findings[i]);
            var today = BatchSpread * BatchSpread;
            squares += weight * off * off * today / (known + today);
            count += weight;
        }

        BatchSpread = Sqrt(squares / count);
    }

    /// <summary>How far a batch is off what the others say of it, and how sure they are.</summary>
    private (double Off, double Known) WithoutIt(int i, double noise, Vector<double> mean, Matrix<double> spread)
    {
        var (expected, slope) = Expected(findings[i], mean);
        var known = slope.Sum(a => slope.Sum(b => a.Value * b.Value * spread[a.Key, b.Key]));
        var leverage = Min(0.999, known * sound[i] / noise);
        return ((Log(findings[i].Times) - expected) / (1 - leverage), known / (1 - leverage));
    }

    private double NoiseOf(Finding finding) => BatchSpread * BatchSpread / AgedOf(finding);

    /// <summary>How much a batch of that age counts beside one of today.</summary>
    private double AgedOf(Finding finding) => Pow(0.5, finding.Age / constants.HalfLife.Value.TotalDays);

    /// <summary>The logarithm that a batch of these things should show, and how it moves with each value.</summary>
    private (double Expected, Dictionary<int, double> Slope) Expected(Finding finding, Vector<double> mean)
    {
        var each = finding.Of.Select(p => p.Share * Exp(Prefixes(p.Path).Sum(prefix => mean[places[prefix]]))).ToList();
        var all = each.Sum();
        var slope = new Dictionary<int, double>();
        foreach (var (part, value) in finding.Of.Zip(each))
        {
            foreach (var prefix in Prefixes(part.Path))
                slope[places[prefix]] = slope.GetValueOrDefault(places[prefix]) + (value / all);
        }

        return (Log(all), slope);
    }

    private static double Bell(double off, double variance) => Exp(-off * off / (2 * variance)) / Sqrt(2 * PI * variance);
}

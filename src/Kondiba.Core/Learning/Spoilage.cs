using Kondiba.Core.Facts;
using static System.Math;

namespace Kondiba.Core.Learning;

/// <summary>Pieces of one centre that were begun in a batch, and those that went wrong.</summary>
/// <param name="Batch">Which batch.</param>
/// <param name="Centre">Code of the centre.</param>
/// <param name="Expected">Pieces that go wrong by the tables.</param>
/// <param name="Spoilt">Pieces that did.</param>
/// <param name="Age">Days between it and the newest batch.</param>
/// <param name="Confirmed">Whether the maker was asked, and it was so.</param>
public sealed record SpoiltOf(Guid Batch, string Centre, double Expected, int Spoilt, int Age = 0, bool Confirmed = false);

/// <summary>
/// How often pieces go wrong, times the tables' rate. Counts are Poisson's around a rate that is gamma around the kitchen's, which is
/// gamma around the tables': the gamma distribution is conjugate, so that each is (as if + counted) ÷ (as if + expected).
/// </summary>
public sealed class Spoilage
{
    // More than this in one batch, beyond five times what was expected, was a bad day or a slip: the maker is asked.
    private const int BadDay = 3;

    private readonly LearningConstants constants;
    private readonly List<SpoiltOf> counted;
    private readonly double kitchen;
    private readonly IReadOnlyCollection<string> setAside;

    /// <summary>Rates as the counts have moved them.</summary>
    /// <param name="counts">What was counted.</param>
    /// <param name="constants">Constants of learning.</param>
    /// <param name="setAside">Codes of centres that keep to the tables.</param>
    public Spoilage(IReadOnlyList<SpoiltOf> counts, LearningConstants constants, params IReadOnlyCollection<string> setAside)
    {
        (this.constants, this.setAside) = (constants, setAside);
        Slips = counts.Where(c => !c.Confirmed && c.Spoilt > (5 * c.Expected) + BadDay).Select(c => c.Batch).ToHashSet();
        counted = [.. counts.Where(c => !Slips.Contains(c.Batch))];
        kitchen = Rate(constants.SpoilHand.Value.Si, 1, counted);
    }

    /// <summary>Batches in which so many went wrong that the maker is asked.</summary>
    public IReadOnlySet<Guid> Slips { get; }

    /// <summary>The centres that were counted.</summary>
    public IEnumerable<string> Known => counted.Select(c => c.Centre).Distinct();

    /// <summary>How often pieces of a centre go wrong, times the tables' rate.</summary>
    public Estimate Of(string centre) => From(centre, !setAside.Contains(centre));

    /// <summary>The same as if nothing were set aside.</summary>
    public Estimate Found(string centre) => From(centre, true);

    private Estimate From(string centre, bool counts)
    {
        var own = counted.FindAll(c => c.Centre == centre);
        var asIf = constants.SpoilCentre.Value.Si;
        var batches = counts ? (own.Count > 0 ? own : counted).Select(c => c.Batch).Distinct().Count() : 0;
        return new(
            batches == 0 ? 1 : Rate(asIf, kitchen, own),
            1 / Sqrt(asIf + own.Sum(c => WeightOf(c) * c.Spoilt)),
            batches,
            batches == 0 ? constants.SpoilCentre.Source : Source.Batches(batches));
    }

    private double Rate(double asIf, double around, List<SpoiltOf> of) =>
        ((asIf * around) + of.Sum(c => WeightOf(c) * c.Spoilt)) / (asIf + of.Sum(c => WeightOf(c) * c.Expected));

    private double WeightOf(SpoiltOf c) => Pow(0.5, c.Age / constants.HalfLife.Value.TotalDays);
}

using Kondiba.Core.Facts;
using Kondiba.Core.Learning;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using MathNet.Numerics.Distributions;

namespace Kondiba.Core.Amounts;

/// <summary>What a pot will take of coating, as far as the kitchen's batches tell.</summary>
/// <param name="From">One batch in twenty takes less.</param>
/// <param name="To">One batch in twenty takes more.</param>
/// <param name="Enough">How often what is melted is enough, as a share of batches.</param>
/// <param name="Hand">
/// What the maker's hand makes of the tables' amounts, over all pieces in the pot; of no batches where some are only known by others.
/// </param>
/// <param name="Choices">What it would be to melt for other certainties.</param>
public sealed record PotRange(Mass From, Mass To, Share Enough, Estimate Hand, IReadOnlyList<MarginChoice> Choices);

/// <summary>What it would be to melt so much that it is enough so often.</summary>
/// <param name="Certainty">Share of batches for which it is enough.</param>
/// <param name="ToMelt">To melt for dipping.</param>
/// <param name="Cost">What running short and melting too much cost on average: another melt's time, or coating whose worth is lost.</param>
/// <param name="IsCheapest">Whether no other choice costs less.</param>
public sealed record MarginChoice(Share Certainty, Mass ToMelt, Money Cost, bool IsCheapest);

/// <summary>How sure it is what the pieces of a pot take.</summary>
internal sealed class Certain
{
    private static readonly double[] Offered = [0.75, 0.9, 0.95, 0.99];
    private const double Rarely = 0.05;
    private const double Near = 1e-4;
    private const int MostSteps = 8;

    private readonly Values stick;
    private readonly IReadOnlyList<Portion> parts;
    private readonly PotConstants c;
    private readonly bool follows;

    // Of the least known of the pieces; none where it is only known by others.
    private readonly int batches;

    private readonly double pieces;
    private readonly double spoilt;
    private readonly double besides;
    private double? wanted;

    public Certain(IReadOnlyList<(Films.Dip Dip, Mass OnPieces)> pieces, KitchenTables tables)
    {
        (stick, c) = (tables.Learned.Stick, tables.Reference.Pot);
        var all = pieces.Sum(p => p.OnPieces.Si);
        parts = all > 0 ? [.. pieces.GroupBy(p => p.Dip.Kin).Select(k => new Portion(k.Key, k.Sum(p => p.OnPieces.Si) / all))] : [];
        this.pieces = pieces.Sum(p => (double)p.Dip.Count.Value);
        spoilt = Math.Max(1e-9, pieces.Sum(p => p.Dip.Count.Value * p.Dip.Centre.Spoil.Value.Si));
        besides = Math.Sqrt(pieces.Sum(p => Math.Pow(
            p.OnPieces.Si / all * p.Dip.Centre.Spoil.Value.Si * tables.Learned.Spoilt.Of(p.Dip.Centre.Code).Spread, 2)));
        var mould = pieces.Any(p => p.Dip.Size.Shape is Centres.Cavity);
        IsLearned = parts.Count > 0 && !mould && parts.All(p => stick.Of(p.Path).IsLearned);
        batches = parts.Count == 0 ? 0 : parts.Min(p => stick.BatchesWithin(p.Path[..p.Path.LastIndexOf('/')]));
        follows = IsLearned && c.Certainty is not null && batches >= tables.Reference.Learning.Enough.Value.Si;
    }

    /// <summary>Whether batches have shown something of every piece.</summary>
    public bool IsLearned { get; }

    /// <summary>Put on top of everything: the kitchen's share, or what makes it enough as often as the maker chose.</summary>
    public Sourced<Share> MarginFor(Mass onPieces, Mass pool)
    {
        if (!follows || onPieces.Si <= 0)
            return c.Margin;
        wanted ??= Takes(c.Certainty!.Value.Si);
        var over = onPieces * (wanted.Value - 1);
        return new(new(Math.Max(0, over / (onPieces + pool + c.ToolLoss.Value))), Source.Batches(batches));
    }

    /// <summary>What the pot will take.</summary>
    /// <param name="tally">As it is planned.</param>
    /// <param name="coating">Of the pot.</param>
    /// <param name="tables">The kitchen's tables.</param>
    public PotRange? RangeOf(VesselTally tally, Coatings.Coating coating, ReferenceData tables)
    {
        if (!IsLearned)
            return null;
        var stays = tally.Pool + c.ToolLoss.Value;
        var costs = Offered.Select(o => (Certainty: o, ToMelt: stays + (tally.OnPieces * Math.Max(1, Takes(o)))))
            .Select(o => (o.Certainty, o.ToMelt, Cost: CostOf(o.Certainty, o.ToMelt - stays, tally.OnPieces, coating, tables)))
            .ToList();
        var least = costs.Min(o => o.Cost.Amount);
        return new(
            stays + (tally.OnPieces * Takes(Rarely)),
            stays + (tally.OnPieces * Takes(1 - Rarely)),
            new(EnoughWith((tally.ToMelt - stays) / tally.OnPieces)),
            new(
                parts.Sum(p => p.Share * stick.Of(p.Path).Mean),
                stick.SpreadOf(parts),
                batches,
                Source.Batches(batches)),
            [.. costs.Select(o => new MarginChoice(new(o.Certainty), o.ToMelt, o.Cost, o.Cost.Amount == least))]);
    }

    /// <summary>Of what is expected on the pieces, so many times are enough for the given share of batches.</summary>
    private double Takes(double certainty)
    {
        // From the quantile without counting what goes wrong one by one, which is near, along the chord.
        var (last, at) = (0.0, Math.Log(stick.Quantile(parts, certainty, besides)));
        var (lastOff, off) = (EnoughWith(Math.Exp(last)) - certainty, EnoughWith(Math.Exp(at)) - certainty);
        for (var step = 0; step < MostSteps && Math.Abs(off) > Near && Math.Abs(off - lastOff) > double.Epsilon; step++)
        {
            (last, at) = (at, at - (off * (at - last) / (off - lastOff)));
            (lastOff, off) = (off, EnoughWith(Math.Exp(at)) - certainty);
        }

        return Math.Exp(at);
    }

    /// <summary>Share of batches for which so many times what is expected is enough: over how many pieces go wrong, one by one.</summary>
    private double EnoughWith(double times)
    {
        var spoil = spoilt / pieces;
        var enough = 0.0;
        var left = 1.0;
        for (var wrong = 0; left > Near; wrong++)
        {
            var likely = Poisson.PMF(spoilt, wrong);
            enough += likely * stick.Certainty(parts, times * (1 + spoil) / (1 + (wrong / pieces)), besides);
            left -= likely;
            if (wrong > spoilt + (10 * Math.Sqrt(spoilt)) + 10)
                break;
        }

        return enough;
    }

    /// <summary>What a choice costs on average: running short, another melt; too much, the worth that leftovers lose.</summary>
    private static Money CostOf(double certainty, Mass melted, Mass onPieces, Coatings.Coating coating, ReferenceData tables)
    {
        var again = tables.Pricing.Hour.Value * tables.Pricing.Melt.Value.TotalHours;
        return (again * (1 - certainty)) + PotCost.WrittenOffOf(melted - onPieces, coating, tables);
    }
}

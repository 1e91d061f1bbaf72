namespace Kondiba.Core.Facts;

/// <summary>A value that starts at the tables' and moves with what a kitchen weighs, counts and times.</summary>
/// <param name="Mean">What it is taken to be: times the tables' value, 1 as long as nothing was learned.</param>
/// <param name="Spread">How sure that is: its standard deviation, as a share of it.</param>
/// <param name="Batches">So many batches went into it.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record Estimate(double Mean, double Spread, int Batches, Source Source)
{
    /// <summary>Whether any batch of the kitchen's went into it.</summary>
    public bool IsLearned => Batches > 0;
}

namespace Kondiba.Core.Learning;

/// <summary>What a batch showed of a value.</summary>
/// <param name="Batch">Which batch.</param>
/// <param name="Of">
/// Of which things, as paths from the whole to the part ("fork/strawberry/dark-couverture"), each with its share of what the tables expect.
/// </param>
/// <param name="Times">What was found, over what the tables expect of all of them; above nothing.</param>
/// <param name="Age">Days between it and the newest batch.</param>
/// <param name="Confirmed">Whether the maker was asked, and it was so.</param>
public sealed record Finding(Guid Batch, IReadOnlyList<Portion> Of, double Times, int Age = 0, bool Confirmed = false)
{
    /// <summary>What a batch showed of one thing.</summary>
    public Finding(Guid batch, string path, double times, int age = 0, bool confirmed = false)
        : this(batch, [new Portion(path, 1)], times, age, confirmed)
    {
    }
}

/// <summary>A thing with its share of a whole.</summary>
/// <param name="Path">From the whole to the part.</param>
/// <param name="Share">Its share; those of a whole come to 1.</param>
public readonly record struct Portion(string Path, double Share);

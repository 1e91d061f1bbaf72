namespace Kondiba.Core.Learning;

/// <summary>Everything that a kitchen's batches showed, by what it is of.</summary>
/// <param name="Stick">Coating that pieces kept.</param>
/// <param name="Pace">Time that the hands took.</param>
/// <param name="Setting">Time that coats took to set.</param>
/// <param name="Melting">Time that melts took.</param>
/// <param name="Spoilt">Pieces that went wrong.</param>
public sealed record Findings(
    IReadOnlyList<Finding> Stick,
    IReadOnlyList<Finding> Pace,
    IReadOnlyList<Finding> Setting,
    IReadOnlyList<Finding> Melting,
    IReadOnlyList<SpoiltOf> Spoilt)
{
    /// <summary>Of a kitchen that has logged nothing.</summary>
    public static Findings None { get; } = new([], [], [], [], []);
}

/// <summary>What a kitchen's batches have taught.</summary>
/// <param name="Stick">Coating that pieces keep, by how they are held, centre and coating.</param>
/// <param name="Pace">Time that the hands take, by stage.</param>
/// <param name="Setting">Time that a coat takes to set, by place.</param>
/// <param name="Melting">Time that a melt takes, by method.</param>
/// <param name="Spoilt">How often pieces go wrong, by centre.</param>
public sealed record Learned(Values Stick, Values Pace, Values Setting, Values Melting, Spoilage Spoilt)
{
    /// <summary>What a kitchen without a batch has learned.</summary>
    public static Learned Nothing(LearningConstants c) => From(Findings.None, c);

    /// <summary>What batches teach.</summary>
    /// <param name="found">What they showed.</param>
    /// <param name="c">Constants of learning.</param>
    /// <param name="setAside">What keeps to the tables all the same: the kind and the path, as "stick/fork/strawberry".</param>
    public static Learned From(Findings found, LearningConstants c, params IReadOnlyCollection<string> setAside)
    {
        return new(
            Values.From(found.Stick, c.Stick, c, Aside("stick/")),
            Values.From(found.Pace, c.Pace, c, Aside("pace/")),
            Values.From(found.Setting, c.Setting, c, Aside("setting/")),
            Values.From(found.Melting, c.Melting, c, Aside("melting/")),
            new(found.Spoilt, c, Aside("spoilt/")));

        List<string> Aside(string kind) =>
            [.. setAside.Where(a => a.StartsWith(kind, StringComparison.Ordinal)).Select(a => a[kind.Length..])];
    }

    /// <summary>The batches that the maker should look at again: something in them is likelier wrong than not.</summary>
    public IReadOnlySet<Guid> Questioned =>
        new[] { Stick, Pace, Setting, Melting }.SelectMany(v => v.Slips)
            .Where(s => s.Value >= 0.5).Select(s => s.Key).Concat(Spoilt.Slips).ToHashSet();
}

using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Facts;
using Kondiba.Core.Orders;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Kitchens;

/// <summary>
/// A reusable design for a piece. Putting it on a line copies it, so that a promised order does not change with the library.
/// </summary>
/// <param name="Code">Name in data.</param>
/// <param name="Name">Name on screen.</param>
/// <param name="Centre">Code of the centre that it was designed on.</param>
/// <param name="Size">Code of its size.</param>
/// <param name="Coating">Code of the first coat's coating.</param>
/// <param name="Colour">Code of its colour.</param>
/// <param name="Depth">Dip depth.</param>
/// <param name="Coats">One coat, or more for a double dip.</param>
/// <param name="AtOnce">Whether further coats are dipped at once.</param>
/// <param name="Upright">Whether pieces stand while they set; null as usual.</param>
/// <param name="Decor">What it gets besides its first coat.</param>
public sealed record Look(
    string Code,
    string Name,
    string Centre,
    string Size,
    string Coating,
    string Colour,
    double Depth,
    int Coats,
    bool AtOnce,
    bool? Upright,
    Decor Decor)
{
    /// <summary>A line of so many pieces that wear it.</summary>
    public LineDraft ToLine(double pieces) =>
        new(Centre, Size, pieces, CountedIn.Pieces, Coating, Colour, Depth, Coats, AtOnce, Upright, Name, Decor);

    /// <summary>What keeps it from being kept, field by field.</summary>
    public IReadOnlyList<Problem> Check(KitchenTables tables)
    {
        const string line = "lines[0].";
        List<Problem> problems = [.. Kitchens.OwnCheck.Named(Code, Name)];
        var tally = CoatingTally.For(
            new([ToLine(1)]) { Name = Name }, tables, new LocalDateTime(1, 1, 1, 0, 0));
        problems.AddRange(tally.Problems.Where(p => p.Severity is Severity.Error && p.Field.StartsWith(line, StringComparison.Ordinal))
            .Select(p => p with { Field = p.Field[line.Length..] }));
        return problems;
    }
}

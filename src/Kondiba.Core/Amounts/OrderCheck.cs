using Kondiba.Core.Centres;
using Kondiba.Core.Coatings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using NodaTime;

namespace Kondiba.Core.Amounts;

/// <summary>A line whose every field stands for something in the trade tables.</summary>
internal sealed record Dip(int Line, Centre Centre, CentreSize Size, int Count, Coating Coating, CoatingColour Colour, Share Depth, int Coats)
{
    /// <summary>The piece in words: "medium apple".</summary>
    public string One => $"{Size.Name} {Centre.Name}".Trim();
}

/// <summary>Finds what cannot be in an order, field by field.</summary>
internal static class OrderCheck
{
    private const int MostPieces = 2000;
    private const int MostCoats = 3;
    private const int MostLines = 200;
    private const int LongestName = 80;
    private const int LongestNotes = 2000;
    private static readonly Period FurthestAhead = Period.FromYears(2);

    /// <summary>The problems of the order's own fields.</summary>
    public static IEnumerable<Problem> Order(OrderDraft order, TradeTables tables, LocalDateTime now)
    {
        if (string.IsNullOrWhiteSpace(order.Name))
            yield return new("name", "The order has no name.", "Say whom or what it is for.");
        else if (order.Name.Length > LongestName)
            yield return new("name", $"The name is longer than {LongestName} characters.", "Shorten it; there is room under notes.");
        if (order.Notes?.Length > LongestNotes)
            yield return new("notes", $"The notes are longer than {LongestNotes} characters.", "Shorten them.");
        if (order.Pickup is not { } pickup)
            yield return new("pickup", "There is no pickup time.", "Choose the day and the time it is collected.");
        else if (pickup < now)
            yield return new("pickup", "The pickup is in the past.", "Choose a time from now on.");
        else if (pickup > now + FurthestAhead)
            yield return new("pickup", "The pickup is more than two years ahead.", "Check the year.");
        if (order.Lines.Count > MostLines)
            yield return new("lines", $"The order has more than {MostLines} lines.", "Split it in two orders.");
        foreach (var (colour, vessel) in order.Vessels)
        {
            if (tables.Colour(colour) is null)
                yield return new($"vessels.{colour}", $"There is no coating colour called '{colour}'.", "Choose vessels for colours of this order.");
            else if (tables.Vessel(vessel) is null)
                yield return new($"vessels.{colour}", $"There is no vessel called '{vessel}'.", $"Choose one of {string.Join(", ", tables.Vessels.Select(v => v.Code))}.");
        }
    }

    /// <summary>The line in terms of the trade tables, or null with its problems added.</summary>
    public static Dip? Line(LineDraft? line, int index, TradeTables tables, List<Problem> problems)
    {
        if (line is null)
        {
            problems.Add(new($"lines[{index}]", "The line is empty.", "Fill it in or remove it."));
            return null;
        }

        var before = problems.Count;
        void Error(string field, string reason, string remedy) => problems.Add(new($"lines[{index}].{field}", reason, remedy));

        var centre = tables.Centre(line.Centre);
        var size = centre?.Size(line.Size);
        if (centre is null)
            Error("centre", $"There is no centre called '{line.Centre}'.", $"Choose one of {string.Join(", ", tables.Centres.Select(c => c.Code))}.");
        else if (size is null)
            Error("size", $"A {centre.Name} does not come in size '{line.Size}'.", $"Choose one of {string.Join(", ", centre.Sizes.Select(s => s.Code))}.");
        var coloured = tables.Colour(line.Colour);
        if (coloured is null)
            Error("colour", $"There is no coating colour called '{line.Colour}'.", $"Choose one of {string.Join(", ", tables.Coatings.SelectMany(c => c.Colours).Select(c => c.Code))}.");
        if (line.Count < 1)
            Error("count", "There must be at least one piece.", "Type how many, or remove the line.");
        else if (line.Count > MostPieces)
            Error("count", $"More than {MostPieces} pieces in one line is more than a home kitchen dips.", "Check the count, or split the line.");
        if (!(line.Depth > 0))
            Error("depth", "A dip depth of nothing leaves no coat.", "Type a share between 1 % and 100 %.");
        else if (line.Depth > 1)
            Error("depth", "A piece cannot be dipped deeper than whole.", "Type a share between 1 % and 100 %.");
        if (line.Coats is < 1 or > MostCoats)
            Error("coats", $"A piece takes one to {MostCoats} coats.", "Choose one coat, or two for a double dip.");
        if (problems.Count > before)
            return null;

        var (coating, colour) = coloured!.Value;
        if (line.Depth > centre!.Deepest.Value.Si)
            problems.Add(new($"lines[{index}].depth", centre.DeepestReason, $"{centre.Deepest.Value.In("%"):0} % is about as deep as it goes.", Severity.Mind));
        return new(index, centre, size!, line.Count, coating, colour, new(line.Depth), line.Coats);
    }
}

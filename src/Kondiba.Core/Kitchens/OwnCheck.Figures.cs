using Kondiba.Core.Centres;
using Kondiba.Core.Figures;
using Kondiba.Core.Reference;

namespace Kondiba.Core.Kitchens;

/// <content>The problems of a figure.</content>
public static partial class OwnCheck
{
    private const int MostParts = 12;
    private const int MostSpots = 24;
    private const int MostCuts = 24;
    private const double FurthestSpot = 400;

    /// <summary>The problems of a figure.</summary>
    public static IReadOnlyList<Problem> Of(OwnFigure figure, TradeTables tables)
    {
        List<Problem> problems = [.. Named(figure.Code, figure.Name), .. PutTogether(figure, tables)];
        if (string.IsNullOrWhiteSpace(figure.Plural) || figure.Plural.Length > LongestName)
            problems.Add(new("plural", "What several are called is missing, or too long.", $"Enter at most {LongestName} characters."));
        if (tables.Centres.Any(c => c.Code == figure.Code))
            problems.Add(new("name", "A centre has that name already.", "Give the figure another."));
        foreach (var (i, part) in figure.Parts.Index())
            problems.AddRange(Named(part.Code, part.Name).Select(p => p with { Field = $"parts[{i}].{p.Field}" }));
        if (figure.Parts.Select(p => p.Code).Distinct().Count() < figure.Parts.Count)
            problems.Add(new("parts", "Two parts carry the same code.", "Give every part its own."));
        return problems;
    }

    /// <summary>What keeps a figure from being put together and drawn, whatever it and its parts are called.</summary>
    public static IReadOnlyList<Problem> PutTogether(OwnFigure figure, TradeTables tables)
    {
        List<Problem> problems = [.. Dippable("body", figure.Body, figure.BodySize, tables)];
        void Error(string field, string reason, string remedy) => problems.Add(new(field, reason, remedy));
        if (!(Math.Abs(figure.Turn) <= 360))
            Error("turn", "Nothing turns further than all the way round.", "Enter degrees from −360 to 360.");
        if (figure.Parts.Count + figure.Stuck.Count is 0 or > MostParts)
            Error("parts", "A figure is a body with something joined, glued or stuck to it.", $"Add 1 to {MostParts} kinds of parts.");
        foreach (var (i, part) in figure.Parts.Index())
        {
            problems.AddRange(Dippable($"parts[{i}].centre", part.Centre, part.Size, tables));
            if (!(part.Kept is >= 0.05 and <= 1))
                Error($"parts[{i}].kept", "A part is nearly nothing of its centre, or more than all.", "Enter 5% to 100% of its length; 100% is not cut.");
            else if (part.Cuts is < 1 or > MostCuts || part.Cuts * part.Kept > 1.001)
                Error($"parts[{i}].cuts", $"One centre does not give {part.Cuts} parts of {part.Kept:0 %} of its length.", $"Enter 1 to {Math.Floor((1 / part.Kept) + 0.001):0}.");
            if (!(part.Spoil is >= 0 and <= 0.5))
                Error($"parts[{i}].spoil", "What breaks is less than nothing, or more than half.", "Enter 0% to 50%.");
            if (!(part.Depth is >= Amounts.OrderCheck.LeastDepth and <= 1))
                Error($"parts[{i}].depth", "It is dipped to nothing, or more than whole.", "Enter 1% to 100%.");
            problems.AddRange(Placed($"parts[{i}].places", part.Places));
        }

        foreach (var (i, stuck) in figure.Stuck.Index())
        {
            if (tables.Decor.Part(stuck.Part) is null)
                Error($"stuck[{i}].part", $"There is no part called '{stuck.Part}'.", "Choose one of your parts.");
            problems.AddRange(Placed($"stuck[{i}].places", stuck.Places));
        }

        return problems;
    }

    /// <summary>What a kitchen's other things keep from being made, by name: a figure whose body is gone, a topping weighed on pieces that are.</summary>
    public static IEnumerable<string> NotMade(OwnThings own, TradeTables tables) =>
    [
        .. own.Figures.Where(f => PutTogether(f, tables).Count > 0).Select(f => f.Name),
        .. own.Toppings.Where(t => t.Weighed is not null && Of(t, tables).Count > 0).Select(t => t.Name),
    ];

    private static IEnumerable<Problem> Dippable(string field, string code, string size, TradeTables tables)
    {
        var centre = tables.Centres.FirstOrDefault(c => c.Code == code);
        if (centre is null || centre.Holding is Holding.Mould)
            yield return new(field, $"Nothing called '{code}' can be dipped for a figure.", "Choose a centre that is not moulded.");
        else if (centre.Size(size) is null)
            yield return new(field, $"{With.Article(centre.Name)} does not come in size '{size}'.", $"Choose one of {string.Join(", ", centre.Sizes.Select(s => s.Code))}.");
    }

    private static IEnumerable<Problem> Placed(string field, IReadOnlyList<Spot> places)
    {
        if (places.Count is 0 or > MostSpots)
            yield return new(field, "It sits nowhere, or in too many places.", $"Give it 1 to {MostSpots} places.");
        if (places.Any(s => !(Math.Abs(s.X) <= FurthestSpot && Math.Abs(s.Y) <= FurthestSpot && Math.Abs(s.Turn) <= 360)))
            yield return new(field, "A place is too far from the body's middle.", $"Keep within {FurthestSpot:0} mm.");
    }
}

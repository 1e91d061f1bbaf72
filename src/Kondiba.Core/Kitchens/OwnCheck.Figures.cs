using Kondiba.Core.Centres;
using Kondiba.Core.Facts;
using Kondiba.Core.Films;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Kitchens;

/// <content>The problems of a figure.</content>
public static partial class OwnCheck
{
    private const int MostParts = 12;
    private const int MostSpots = 24;
    private const int MostCuts = 24;
    private const double FurthestSpot = 400;

    /// <summary>The problems of a figure.</summary>
    public static IReadOnlyList<Problem> Of(OwnFigure figure, ReferenceData tables)
    {
        List<Problem> problems = [.. Named(figure.Code, figure.Name), .. PutTogether(figure, tables)];
        if (string.IsNullOrWhiteSpace(figure.Plural) || figure.Plural.Length > LongestName)
            problems.Add(new(
                "plural",
                "kitchens.what-several-called-missing",
                Message.Of("kitchens.what-several-called-missing.do", ("longestName", LongestName))));
        if (tables.Centres.Any(c => c.Code == figure.Code))
            problems.Add(new("name", "kitchens.centre-name-already", "kitchens.centre-name-already.do"));
        foreach (var (i, part) in figure.Parts.Index())
            problems.AddRange(Named(part.Code, part.Name).Select(p => p with { Field = $"parts[{i}].{p.Field}" }));
        if (figure.Parts.Select(p => p.Code).Distinct().Count() < figure.Parts.Count)
            problems.Add(new("parts", "kitchens.two-parts-carry-same", "kitchens.two-parts-carry-same.do"));
        return problems;
    }

    /// <summary>What keeps a figure from being put together and drawn, whatever it and its parts are called.</summary>
    public static IReadOnlyList<Problem> PutTogether(OwnFigure figure, ReferenceData tables)
    {
        List<Problem> problems = [.. Dippable("body", figure.Body, figure.BodySize, tables)];
        void Error(string field, Message reason, Message remedy) => problems.Add(new(field, reason, remedy));
        if (!(Math.Abs(figure.Turn) <= 360))
            Error("turn", "kitchens.nothing-turns-further-all", "kitchens.nothing-turns-further-all.do");
        if (figure.Parts.Count + figure.Stuck.Count is 0 or > MostParts)
            Error(
                "parts",
                "kitchens.figure-body-something-joined",
                Message.Of("kitchens.figure-body-something-joined.do", ("mostParts", MostParts)));
        foreach (var (i, part) in figure.Parts.Index())
        {
            problems.AddRange(Dippable($"parts[{i}].centre", part.Centre, part.Size, tables));
            if (!(part.Kept is >= 0.05 and <= 1))
                Error($"parts[{i}].kept", "kitchens.part-nearly-nothing-centre", "kitchens.part-nearly-nothing-centre.do");
            else if (part.Cuts is < 1 or > MostCuts || part.Cuts * part.Kept > 1.001)
                Error(
                    $"parts[{i}].cuts",
                    Message.Of("kitchens.one-centre-does-not", ("cuts", part.Cuts), ("kept", part.Kept)),
                    Message.Of("kitchens.one-centre-does-not.do", ("kept", Math.Floor((1 / part.Kept) + 0.001))));
            if (!(part.Spoil is >= 0 and <= 0.5))
                Error($"parts[{i}].spoil", "kitchens.what-breaks-less-nothing", "kitchens.what-breaks-less-nothing.do");
            if (!(part.Depth is >= Dip.LeastDepth and <= 1))
                Error($"parts[{i}].depth", "kitchens.dipped-nothing-more-whole", "kitchens.dipped-nothing-more-whole.do");
            problems.AddRange(Placed($"parts[{i}].places", part.Places));
        }

        foreach (var (i, stuck) in figure.Stuck.Index())
        {
            if (tables.Decor.Part(stuck.Part) is null)
                Error($"stuck[{i}].part", Message.Of("kitchens.part-called", ("part", stuck.Part)), "kitchens.part-called.do");
            problems.AddRange(Placed($"stuck[{i}].places", stuck.Places));
        }

        return problems;
    }

    /// <summary>
    /// What a kitchen's other things keep from being made, by name: a figure whose body is gone, a topping weighed on pieces that are.
    /// </summary>
    public static IEnumerable<string> NotMade(OwnThings own, ReferenceData tables) =>
    [
        .. own.Figures.Where(f => PutTogether(f, tables).Count > 0).Select(f => f.Name),
        .. own.Toppings.Where(t => t.Weighed is not null && Of(t, tables).Count > 0).Select(t => t.Name),
    ];

    private static IEnumerable<Problem> Dippable(string field, string code, string size, ReferenceData tables)
    {
        var centre = tables.Centres.FirstOrDefault(c => c.Code == code);
        if (centre is null || centre.Holding is Holding.Mould)
            yield return new(
                field, Message.Of("kitchens.nothing-called-can-dipped", ("code", code)), "kitchens.nothing-called-can-dipped.do");
        else if (centre.Size(size) is null)
            yield return new(
                field,
                Message.Of("kitchens.does-not-come-size", ("centre", centre.Name), ("size", size)),
                Message.Of("kitchens.does-not-come-size.do", ("sizes", Argument.Of(centre.Sizes.Select(s => s.Code)))));
    }

    private static IEnumerable<Problem> Placed(string field, IReadOnlyList<Spot> places)
    {
        if (places.Count is 0 or > MostSpots)
            yield return new(
                field, "kitchens.sits-nowhere-too-many", Message.Of("kitchens.sits-nowhere-too-many.do", ("mostSpots", MostSpots)));
        if (places.Any(s => !(Math.Abs(s.X) <= FurthestSpot && Math.Abs(s.Y) <= FurthestSpot && Math.Abs(s.Turn) <= 360)))
            yield return new(
                field, "kitchens.place-too-far-from", Message.Of("kitchens.place-too-far-from.do", ("furthestSpot", FurthestSpot)));
    }
}

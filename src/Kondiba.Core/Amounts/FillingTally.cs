using Kondiba.Core.Facts;
using Kondiba.Core.Fillings;
using Kondiba.Core.Measures;
using Kondiba.Core.Reference;
using Kondiba.Core.Wording;

namespace Kondiba.Core.Amounts;

/// <summary>How much of an ingredient.</summary>
/// <param name="Ingredient">Code of the ingredient.</param>
/// <param name="Name">Its name.</param>
/// <param name="Mass">By mass.</param>
/// <param name="Count">By number, for what is counted; null for what is weighed.</param>
/// <param name="Household">In cups and spoons; empty where they do not apply.</param>
public sealed record FillingAmount(string Ingredient, string Name, Figure<Mass> Mass, int? Count, string Household);

/// <summary>Pieces that a mix makes when it is portioned with a scoop.</summary>
/// <param name="Scoop">Code of the scoop.</param>
/// <param name="Name">Its name.</param>
/// <param name="Portion">What it takes of the mix: its volume by the mix's density.</param>
/// <param name="Pieces">Whole pieces.</param>
public sealed record ScoopCount(string Scoop, string Name, Mass Portion, int Pieces);

/// <summary>What a recipe comes to for so many pieces.</summary>
/// <param name="Filling">Code of the recipe.</param>
/// <param name="Pieces">Pieces it makes.</param>
/// <param name="Portion">Of the mix, on one piece.</param>
/// <param name="Piece">Mass of one piece.</param>
/// <param name="Mix">All of the mix.</param>
/// <param name="Amounts">Ingredient by ingredient: the mix in order, then what is counted.</param>
/// <param name="Left">Of the mix, more than the pieces and the tools take.</param>
/// <param name="Scoops">Pieces by scoop, for what is scooped.</param>
public sealed record FillingTally(
    string Filling,
    int Pieces,
    Mass Portion,
    Mass Piece,
    Figure<Mass> Mix,
    IReadOnlyList<FillingAmount> Amounts,
    Mass Left,
    IReadOnlyList<ScoopCount> Scoops)
{
    /// <summary>Scales a recipe to a number of pieces.</summary>
    /// <param name="filling">The recipe, adjusted.</param>
    /// <param name="pieces">How many.</param>
    /// <param name="portion">Of the mix, on one piece.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    public static FillingTally For(Filling filling, int pieces, Sourced<Mass> portion, ReferenceData tables)
    {
        var mix = portion.Value * pieces / (1 - filling.Loss.Value.Si);
        return Of(filling, pieces, portion, mix, default, tables, () =>
        [
            WorkingLine.Count("fillings.pieces", "", pieces, Source.Entered),
            WorkingLine.Of("fillings.portion", portion),
            WorkingLine.Of("fillings.sticks-tools", filling.Loss),
            WorkingLine.Of(
                "fillings.mix",
                Message.Of("fillings.mix.how", ("pieces", pieces), ("portion", portion.Value), ("loss", filling.Loss.Value.Si)),
                mix,
                Source.Computed),
        ]);
    }

    /// <summary>Scales a recipe to what there is of an ingredient: whole pieces come of it, and perhaps a little is left.</summary>
    /// <param name="filling">The recipe, adjusted.</param>
    /// <param name="ingredient">Code of an ingredient of its mix.</param>
    /// <param name="mass">How much of it there is.</param>
    /// <param name="portion">Of the mix, on one piece.</param>
    /// <param name="tables">The trade tables with the kitchen's own.</param>
    /// <exception cref="ArgumentException">The ingredient is not in the mix.</exception>
    public static FillingTally From(Filling filling, string ingredient, Mass mass, Sourced<Mass> portion, ReferenceData tables)
    {
        var part = filling.Mix.FirstOrDefault(
            m => m.Ingredient == ingredient) ?? throw new ArgumentException(
                $"'{ingredient}' is not in the mix of '{filling.Code}'", nameof(ingredient));
        var all = filling.Mix.Sum(m => m.Share.Value.Si);
        var mix = mass * (all / part.Share.Value.Si);
        var good = mix * (1 - filling.Loss.Value.Si);
        var pieces = (int)Math.Floor((good / portion.Value) + 1e-6);
        return Of(filling, pieces, portion, mix, good - (portion.Value * pieces), tables, () =>
        [
            WorkingLine.Of(Message.ByName(NameOf(ingredient, tables)), "", mass, Source.Entered),
            .. filling.Mix.Select(m => WorkingLine.Of(Message.ByName(NameOf(m.Ingredient, tables)), m.Share)),
            WorkingLine.Of(
                "fillings.mix",
                Message.Of("fillings.mix-from-one", ("mass", mass), ("all", all * 100), ("share", part.Share.Value.In("%"))),
                mix,
                Source.Computed),
        ]);
    }

    /// <summary>How its figures came about, by path: its own, then "mix" or an ingredient's code.</summary>
    public IEnumerable<(string Path, Func<IReadOnlyList<WorkingLine>> Working)> Figures(string path) =>
        [($"{path}.mix", () => Mix.Working), .. Amounts.Select(
            a => ($"{path}.{a.Ingredient}", (Func<IReadOnlyList<WorkingLine>>)(() => a.Mass.Working)))];

    private static FillingTally Of(
        Filling filling,
        int pieces,
        Sourced<Mass> portion,
        Mass mix,
        Mass left,
        ReferenceData tables,
        Func<IReadOnlyList<WorkingLine>> working)
    {
        var all = filling.Mix.Sum(m => m.Share.Value.Si);
        var amounts = filling.Mix.Select(part =>
        {
            var mass = mix * (part.Share.Value.Si / all);
            var household = tables.Ingredient(part.Ingredient)?.Density is { } density ? Household.Of(mass / density) : "";
            return new FillingAmount(part.Ingredient, NameOf(part.Ingredient, tables), new(mass, () =>
            [
                .. working(),
                WorkingLine.Of("fillings.share-first-ingredient", part.Share),
                .. tables.Ingredient(part.Ingredient)?.Cup is { } cup ? new[] { WorkingLine.Of("fillings.cup", cup) } : [],
                WorkingLine.Of(
                    Message.ByName(NameOf(part.Ingredient, tables)),
                    Message.Of("fillings.share-of-mix", ("mix", mix), ("share", part.Share.Value.In("%")), ("all", all * 100)),
                    mass,
                    Source.Computed),
            ]), null, household);
        });
        var counted = filling.Each.Select(part =>
        {
            var (count, one) = (part.Count * pieces, tables.Ingredient(part.Ingredient)?.One);
            var mass = (one?.Value ?? default) * count;
            return new FillingAmount(part.Ingredient, NameOf(part.Ingredient, tables), new(mass, () =>
            [
                WorkingLine.Count("fillings.piece", "", part.Count, Source.Computed),
                .. one is null ? [] : new[] { WorkingLine.Of("fillings.one-weighs", one) },
                WorkingLine.Of(
                    Message.ByName(NameOf(part.Ingredient, tables)),
                    Message.Of("fillings.count-each", ("pieces", pieces), ("part", part.Count)),
                    mass,
                    Source.Computed),
            ]), count, "");
        });
        var eachMass = filling.Each.Select(e => (tables.Ingredient(e.Ingredient)?.One?.Value ?? default) * e.Count).Total();
        return new(
            filling.Code, pieces, portion.Value, portion.Value + eachMass, new(mix, working), [.. amounts, .. counted], left, ByScoop());

        List<ScoopCount> ByScoop() =>
        [
            .. from scoop in filling.ScoopsAmong(tables.Scoops)
               let takes = scoop.Volume.Value * filling.Density.Value
               select new ScoopCount(scoop.Code, scoop.Plural, takes, (int)Math.Floor((mix * (1 - filling.Loss.Value.Si) / takes) + 1e-6)),
        ];
    }

    private static string NameOf(string ingredient, ReferenceData tables) => tables.Ingredient(ingredient)?.Name ?? ingredient;
}
